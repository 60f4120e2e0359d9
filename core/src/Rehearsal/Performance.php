<?php

declare(strict_types=1);

namespace Brookstone\Core\Rehearsal;

use Brookstone\Core\Simulation\Mishap;

/** What became of a routine that was begun somewhere. */
final readonly class Performance
{
    /**
     * @param  string  $outcome  `ends`, `gives_up`, `comes_round` (a loop without end that is as it was), `bounded` (longer than is looked at), `never_begins`
     * @param  float|null  $takes_s  of what ends
     * @param  list<array<string, mixed>>  $steps  of the routine and of those that it calls, as a trace has them
     * @param  list<Mishap>  $mishaps  in all that ran, in the order in which they came
     * @param  array<string, float>  $ends  where each motion stands at the end, in its own unit
     * @param  string  $began  how everything was when it began: the same for two beginnings from which everything goes on alike
     * @param  string  $left  the same of its end
     * @param  array<string, Drawn>  $drawn  by supply
     * @param  float  $until_s  since the power came on
     * @param  array<string, Breathed>  $breathed  by tank
     */
    public function __construct(
        public Start $start,
        public string $routine,
        public string $outcome,
        public ?float $takes_s,
        public array $steps,
        public array $mishaps,
        public array $ends,
        public string $began,
        public string $left,
        public array $drawn,
        public float $until_s,
        public array $breathed = [],
    ) {
    }

    /** Of all supplies. */
    public function charge_C(): float
    {
        return array_sum(array_map(fn (Drawn $drawn): float => $drawn->charge_C, $this->drawn));
    }
}
