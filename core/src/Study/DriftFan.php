<?php

declare(strict_types=1);

namespace Brookstone\Core\Study;

use Brookstone\Core\Build\Build;
use Brookstone\Core\Build\Motion;
use Brookstone\Core\Routine\GoByStep;
use Brookstone\Core\Routine\GoStep;
use Brookstone\Core\Routine\HomeStep;
use Brookstone\Core\Routine\Routine;
use Brookstone\Core\Routine\RunStep;
use Brookstone\Core\Stops\TimedMove;
use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * A motion that goes by time, many cycles long, with supply, friction and load scattered as they are: how far off its place it ends. The
 * same seed gives the same figures to the last digit.
 */
final class DriftFan
{
    private const SHARES = [0.05, 0.25, 0.5, 0.75, 0.95];

    private Randomizer $random;

    /** @var list<array{TimedMove|null, float}> of each move of a cycle: by time, or null onto a switch; and where it should end */
    private array $moves;

    private ?float $spare = null;

    public function __construct(private readonly Build $build, private readonly Motion $motion, Routine $routine, int $seed)
    {
        $this->random = new Randomizer(new Mt19937($seed));
        $this->moves = $this->movesOf($routine);
    }

    /** Something of its cycle goes by time. */
    public function drifts(): bool
    {
        return array_filter($this->moves, fn (array $move): bool => $move[0] !== null) !== [];
    }

    /**
     * @param  int  $cycles  one after the other
     * @param  int  $home_every  cycles after which it is homed; 0 never
     * @return list<float> how far off the place of its last timed move it was after each cycle, own unit
     */
    public function walk(int $cycles, int $home_every = 0): array
    {
        $errors = [];
        $off = $shown = 0.0;
        for ($cycle = 1; $cycle <= $cycles; $cycle++) {
            $supply = 1 + TimedMove::SUPPLY_SD * $this->normal();
            foreach ($this->moves as [$move]) {
                if ($move === null) {
                    $off = 0.0;

                    continue;
                }
                $off = $move->error($supply, max(0.0, 1 + TimedMove::FRICTION_SD * $this->normal()), 1 + TimedMove::LOAD_SD * $this->normal(), $off);
                $shown = $off;
            }
            $errors[] = $shown;
            if ($home_every > 0 && $cycle % $home_every === 0) {
                $off = 0.0;
            }
        }

        return $errors;
    }

    /**
     * @param  list<list<float>>  $walks
     * @return list<array{cycle: int, low: float, quarter: float, middle: float, three_quarters: float, high: float}> how they spread, at the first cycles and then at fewer
     */
    public static function fan(array $walks): array
    {
        $fan = [];
        $cycles = $walks === [] ? 0 : count($walks[0]);
        for ($i = 1; $i <= $cycles; $i = $i < 20 ? $i + 1 : (int) ceil($i * 1.1)) {
            $errors = array_map(fn (array $walk): float => $walk[$i - 1], $walks);
            sort($errors);
            $at = fn (float $share): float => $errors[(int) round($share * (count($errors) - 1))];
            $fan[] = ['cycle' => $i, ...array_combine(['low', 'quarter', 'middle', 'three_quarters', 'high'], array_map($at, self::SHARES))];
        }

        return $fan;
    }

    /** @return list<array{TimedMove|null, float}> */
    private function movesOf(Routine $routine): array
    {
        if ($this->motion->seesPulses()) {
            return [];
        }
        $moves = [];
        $at = $this->motion->at($this->motion->task->from);
        for ($round = 0; $round < 2; $round++) {
            $moves = []; // the second time it sets out from where the first ended
            foreach ($routine->flat() as $path => $step) {
                if ($step->motion() !== $this->motion->id || str_starts_with($path, 'if_fails')) {
                    continue;
                }
                if ($step instanceof GoByStep || ($step instanceof GoStep && $this->motion->at($step->place) !== $at)) {
                    $to = $step instanceof GoByStep ? $at + $step->by : $this->motion->at($step->place);
                    $byTime = $step instanceof GoByStep || $this->motion->stops->switchAt($step->place) === null;
                    $moves[] = [$byTime ? new TimedMove($this->motion, $this->build->settings, $at, $to, $step->speed) : null, $to];
                    $at = $to;
                } elseif ($step instanceof HomeStep || ($step instanceof RunStep && $step->ontoSwitch($this->build) !== null)) {
                    $place = $step instanceof HomeStep ? $this->motion->stops->switch($step->switch)?->place : $step->ontoSwitch($this->build)?->place;
                    $at = $place === null ? $at : $this->motion->at($place);
                    $moves[] = [null, $at];
                }
            }
        }

        return $moves;
    }

    /** Marsaglia's polar method: Knuth, The Art of Computer Programming, vol. 2, §3.4.1. */
    private function normal(): float
    {
        if ($this->spare !== null) {
            [$spare, $this->spare] = [$this->spare, null];

            return $spare;
        }
        do {
            $u = $this->random->getInt(0, 0x7FFFFFFF) / 0x3FFFFFFF - 1;
            $v = $this->random->getInt(0, 0x7FFFFFFF) / 0x3FFFFFFF - 1;
            $s = $u * $u + $v * $v;
        } while ($s >= 1.0 || $s <= 0.0);
        $scale = sqrt(-2 * log($s) / $s);
        $this->spare = $v * $scale;

        return $u * $scale;
    }
}
