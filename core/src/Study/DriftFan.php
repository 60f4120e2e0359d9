<?php

declare(strict_types=1);

namespace Brookstone\Core\Study;

use Brookstone\Core\Build\Build;
use Brookstone\Core\Drift\DriftPath;
use Brookstone\Core\Parts\Motion;
use Brookstone\Core\Rehearsal\Performance;
use Brookstone\Core\Stops\TimedMove;
use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * A motion that goes by time, many cycles long, with supply, friction and load scattered as they are: how far off its place it stands at every
 * stop. The same seed gives the same figures to the last digit.
 */
final class DriftFan
{
    private const SHARES = [0.05, 0.25, 0.5, 0.75, 0.95];

    private const EACH = 20; // cycles that are kept one by one; then ever fewer

    private Randomizer $random;

    public readonly DriftPath $path;

    private ?float $spare = null;

    /** @param  Performance|null  $cycle  of a routine, as it was rehearsed; null where it was never begun */
    public function __construct(Build $build, Motion $motion, ?Performance $cycle, int $seed)
    {
        $this->random = new Randomizer(new Mt19937($seed));
        $this->path = new DriftPath($build, $motion, $cycle);
    }

    /** Something of its cycle goes by time. */
    public function drifts(): bool
    {
        return $this->path->isByTime();
    }

    /**
     * The steps at whose ends it stops, each once: of one that is done several times in a cycle the last time counts.
     *
     * @return array<string, int> numbers of the stops of its path, by the routine and the path of the step
     */
    public function shown(): array
    {
        $shown = [];
        foreach ($this->path->stops as $i => $stop) {
            $shown["{$stop->routine} {$stop->path}"] = $i;
        }

        return $shown;
    }

    /**
     * @param  int  $cycles  one after the other
     * @param  int  $home_every  cycles after which it is homed; 0 never
     * @return list<list<float>> how far off it was at each shown stop, in each cycle that is kept; own unit
     */
    public function walk(int $cycles, int $home_every = 0): array
    {
        $kept = array_flip(self::kept($cycles));
        $shown = array_values($this->shown());
        $errors = array_fill(0, count($shown), []);
        $column = array_flip($shown);
        $off = 0.0;
        for ($cycle = 1; $cycle <= $cycles; $cycle++) {
            $supply = $this->normal();
            foreach ($this->path->stops as $i => $stop) {
                $move = $stop->move;
                $off = $move === null ? 0.0 : ($move->measured_sd_s === null
                    ? $move->error(1 + $move->supplySd() * $supply, max(0.0, 1 + TimedMove::FRICTION_SD * $this->normal()),
                        max(0.0, 1 + TimedMove::LOAD_SD * $this->normal()), $off)
                    : $move->error(off: $off) + $move->spread() * $this->normal());
                if (isset($kept[$cycle], $column[$i])) {
                    $errors[$column[$i]][] = $off;
                }
            }
            if ($home_every > 0 && $cycle % $home_every === 0) {
                $off = 0.0;
            }
        }

        return $errors;
    }

    /** @return list<int> cycles that are kept: the first each, then fewer */
    public static function kept(int $cycles): array
    {
        $kept = [];
        for ($i = 1; $i <= $cycles; $i = $i < self::EACH ? $i + 1 : (int) ceil($i * 1.1)) {
            $kept[] = $i;
        }

        return $kept;
    }

    /**
     * @param  list<list<float>>  $walks  of one stop
     * @return list<array{cycle: int, low: float, quarter: float, middle: float, three_quarters: float, high: float}> how they spread
     */
    public static function fan(array $walks, int $cycles): array
    {
        $fan = [];
        foreach ($walks === [] ? [] : self::kept($cycles) as $i => $cycle) {
            $errors = array_map(fn (array $walk): float => $walk[$i], $walks);
            sort($errors);
            $at = fn (float $share): float => $errors[(int) round($share * (count($errors) - 1))];
            $fan[] = ['cycle' => $cycle, ...array_combine(['low', 'quarter', 'middle', 'three_quarters', 'high'], array_map($at, self::SHARES))];
        }

        return $fan;
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
