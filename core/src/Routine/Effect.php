<?php

declare(strict_types=1);

namespace Brookstone\Core\Routine;

use Brookstone\Core\Condition\Condition;

/**
 * What a step does to the machine, as the step itself says it: search, rehearsal, faults, drift, power and times read this, and know no kinds of
 * steps. What a step holds (`inner`) and asks (`conditions`) it says beside.
 */
final readonly class Effect
{
    /**
     * @param  Condition|null  $until  what ends it
     * @param  float|null  $for_s  how long it takes by itself; null where something else ends it
     * @param  float|null  $giveUp_s  when it gives up; null if never
     * @param  bool  $rests  a routine stands at it for a while, although nothing of it moves
     * @param  bool  $fails  it always does
     * @param  bool  $goesRound  it repeats what it holds, and no number says how often
     * @param  string|null  $couples  the motion that a shared motor moves from then on
     * @param  array{string, ?string}|null  $takes  a motion, and the thing that it takes up; null puts down what it carries
     * @param  array{string, ?string, float}|null  $shows  the sensor that somebody must show something to, the button pressed without and with that, and by how
     *     much it must read otherwise
     * @param  string|null  $calls  the routine that it does
     */
    public function __construct(
        public ?Movement $move = null,
        public ?Halt $halt = null,
        public ?PowerChange $power = null,
        public ?CounterChange $counter = null,
        public ?OutputChange $output = null,
        public ?string $couples = null,
        public ?string $calls = null,
        public ?Condition $until = null,
        public ?float $for_s = null,
        public ?float $giveUp_s = null,
        public bool $rests = false,
        public bool $fails = false,
        public bool $goesRound = false,
        public ?array $takes = null,
        public ?array $shows = null,
    ) {
    }

    /** Something outside of it can keep it from ending well. */
    public function mayFail(): bool
    {
        return $this->move !== null || $this->calls !== null || $this->fails || $this->giveUp_s !== null
            || ($this->takes[1] ?? null) !== null;
    }
}
