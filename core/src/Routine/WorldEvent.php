<?php

declare(strict_types=1);

namespace Brookstone\Core\Routine;

/** Something that the world does during a run. */
final readonly class WorldEvent
{
    /**
     * @param  string  $what  `sensor`, `level`, `load`, `hold`, `drag`, `heavier`, `stuck`, `late`, `wire`, `supply`, `selector`, `hose`, `compressor`, `power`
     * @param  string|null  $of  the sensor, switch, motion, supply or tank
     * @param  bool|null  $on  on or off; of `hose` it is off; of `stuck` null frees it
     * @param  float  $value  reading; factor; share of the voltage; seconds late; N·m or N of drag
     * @param  float|null  $at  of `hold`: only where the motion is there, in its own unit
     */
    public function __construct(public float $at_s, public string $what, public ?string $of = null, public ?bool $on = null, public float $value = 0.0,
        public ?float $at = null)
    {
    }
}
