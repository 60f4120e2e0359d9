<?php

declare(strict_types=1);

namespace Brookstone\Core\Rehearsal;

use Brookstone\Core\Build\Build;
use Brookstone\Core\Routine\Routine;
use Brookstone\Core\Routine\Trigger;

/**
 * What the supplies of a build give in a day: how often each routine runs, times what a rehearsal of it drew, and what is drawn at rest between them.
 *
 * A clock says how often a routine starts; the power, and what a sensor measures, start it once. What hangs on people comes so often that each motion goes
 * there and back as many times a day as its task says; where several such routines move it, each runs equally often. What goes round without end runs all
 * day. A pure function.
 */
final readonly class Day
{
    private const DAY_S = 86400.0;

    private const C_PER_AH = 3600.0;

    /**
     * @param  array<string, float>  $runs  a day, by routine; of what goes on for ever 1
     * @param  array<string, array<string, float>>  $charge_Ah  a day, by supply, then by routine
     * @param  array<string, float>  $rest_Ah  a day, by supply, while nothing runs
     * @param  float  $busy_s  of a day, in which something runs
     * @param  array<string, float>  $peak_A  the most that a routine asks, by supply
     * @param  array<string, array<string, Breathed>>  $breathed  by tank, then by routine: of one run
     * @param  array<string, mixed>  $ends  routines that end by themselves
     */
    private function __construct(public array $runs, public array $charge_Ah, public array $rest_Ah, public float $busy_s, public array $peak_A,
        private array $breathed, private array $ends)
    {
    }

    public static function of(Build $build, Rehearsed $rehearsed): self
    {
        $usual = array_filter(array_map(fn (Routine $routine): ?Performance => $rehearsed->usual($routine->id), $build->routines));
        $runs = self::runs($build, $usual);
        $charge = $rest = $peak = [];
        $busy_s = 0.0;
        foreach (array_keys($build->supplies) as $supply) {
            $busy_s = $times = $sum = 0.0;
            foreach ($usual as $id => $performance) {
                $drawn = $performance->drawn[$supply];
                $goesOn = self::goesOn($performance);
                $charge[$supply][$id] = ($goesOn ? $drawn->charge_C / max(1e-9, $drawn->seconds) * self::DAY_S
                    : $drawn->charge_C * $runs[$id]) / self::C_PER_AH;
                $busy_s += $goesOn ? self::DAY_S : $drawn->seconds * $runs[$id];
                $times += $runs[$id];
                $sum += $runs[$id] * $drawn->after_A;
            }
            $peak[$supply] = max([0.0, ...array_map(fn (Performance $performance): float => $performance->drawn[$supply]->peak_A, $usual)]);
            $rest[$supply] = $times > 0.0 ? $sum / $times * max(0.0, self::DAY_S - $busy_s) / self::C_PER_AH : 0.0;
        }

        $breathed = [];
        foreach (array_keys($build->tanks) as $tank) {
            $breathed[$tank] = array_map(fn (Performance $performance): Breathed => $performance->breathed[$tank], $usual);
        }

        return new self($runs, $charge, $rest, $busy_s, $peak, $breathed,
            array_filter($usual, fn (Performance $performance): bool => ! self::goesOn($performance)));
    }

    /** @return array<string, Breathed> what one run of each routine that ends takes of a tank */
    public function breathed(string $tank): array
    {
        return array_intersect_key($this->breathed[$tank] ?? [], $this->ends);
    }

    /** Free air that a tank gives in a minute, on the average of a day. */
    public function air_l_min(string $tank): float
    {
        $sum = 0.0;
        foreach ($this->breathed[$tank] ?? [] as $id => $breathed) {
            $sum += isset($this->ends[$id]) ? $breathed->air_l * $this->runs[$id] / self::DAY_S * 60 : $breathed->air_l_min();
        }

        return $sum;
    }

    /** In all, Ah. */
    public function charge_Ah(string $supply): float
    {
        return array_sum($this->charge_Ah[$supply] ?? []) + ($this->rest_Ah[$supply] ?? 0.0);
    }

    /** @return string|null the routine that takes the most of a supply, if it takes more than rest does */
    public function most(string $supply): ?string
    {
        $charge = $this->charge_Ah[$supply] ?? [];
        arsort($charge);
        $first = array_key_first($charge);

        return $first !== null && $charge[$first] > $this->rest_Ah[$supply] ? (string) $first : null;
    }

    /**
     * @param  array<string, Performance>  $usual
     * @return array<string, float>
     */
    private static function runs(Build $build, array $usual): array
    {
        $runs = $asked = [];
        foreach ($usual as $id => $performance) {
            $runs[$id] = self::goesOn($performance) ? 1.0 : max(self::byClock($build->routines[$id]), self::onceADay($build->routines[$id]) ? 1.0 : 0.0);
            if ($runs[$id] <= 0.0 && ! self::isCalled($build, $id)) {
                $asked[$id] = true;
            }
        }
        $moves = array_map(fn (Performance $performance): array => self::moves($performance, $build->settings->scan_s), $usual);
        $more = [];
        foreach ($build->motions as $motion) {
            $byClock = $once = 0.0; // moves a day, and in one run of each that people ask for
            foreach ($moves as $id => $its) {
                $byClock += self::byClock($build->routines[$id]) * ($its[$motion->id] ?? 0);
                $once += isset($asked[$id]) ? $its[$motion->id] ?? 0 : 0;
            }
            foreach (array_keys($once > 0.0 ? $asked : []) as $id) {
                if (isset($moves[$id][$motion->id])) {
                    $more[$id] = max($more[$id] ?? 0.0, (2 * $motion->task->per_day - $byClock) / $once);
                }
            }
        }

        return $more + $runs;
    }

    private static function goesOn(Performance $performance): bool
    {
        return in_array($performance->outcome, ['comes_round', 'bounded'], true);
    }

    /** The power coming on, or what a sensor measures, starts it. */
    private static function onceADay(Routine $routine): bool
    {
        return array_filter($routine->starts, fn (Trigger $trigger): bool => in_array($trigger->when, ['power_on', 'level'], true)) !== [];
    }

    /** How often a clock starts it in a day. */
    private static function byClock(Routine $routine): float
    {
        return array_sum(array_map(fn (Trigger $trigger): float => match ($trigger->when) {
            'every' => $trigger->every_s === null || $trigger->every_s <= 0.0 ? 0.0 : self::DAY_S / $trigger->every_s,
            'time_of_day' => 1.0,
            default => 0.0,
        }, $routine->starts));
    }

    /** Only another routine does it: then its charge is in that one's. */
    private static function isCalled(Build $build, string $id): bool
    {
        return $build->routines[$id]->starts === [] && array_filter($build->routines, fn (Routine $other): bool => $other->id !== $id
            && in_array($id, $build->calledBy($other), true)) !== [];
    }

    /** @return array<string, int> how often each motion is moved in it: what is there already is seen in one scan, and moves nothing */
    private static function moves(Performance $performance, float $scan_s): array
    {
        $moves = [];
        foreach ($performance->steps as $step) {
            if ($step['motion'] !== null && $step['end_s'] !== null && $scan_s + 1e-9 < $step['end_s'] - $step['start_s']) {
                $moves[$step['motion']] = ($moves[$step['motion']] ?? 0) + 1;
            }
        }

        return $moves;
    }
}
