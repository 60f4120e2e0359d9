<?php

declare(strict_types=1);

namespace Brookstone\Core\Bench;

use Brookstone\Core\Build\Build;
use Brookstone\Core\Routine\Routine;
use Brookstone\Core\Routine\Scenario;
use Brookstone\Core\Routine\WorldEvent;
use Brookstone\Core\Study\FaultSweep;
use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;

/** Everything that a written program is tried with: each scenario, each fault of each routine's sweep in each of them, and what comes by chance. */
final class Trials
{
    public const BY_CHANCE = 200;

    private const CHANCE_S = 20.0; // each of those

    private const IN_PART = 20;

    private const MOST_EVENTS = 12;

    private const SEED = 20261130;

    /** @return list<Trial> */
    public static function all(Build $build, int $byChance = self::BY_CHANCE): array
    {
        return [...self::scenarios($build), ...self::faults($build), ...self::byChance($build, $byChance)];
    }

    /** All of them in parts that can be done one by one, none of them long: how many. */
    public static function parts(Build $build): int
    {
        return 1 + count($build->routines) * (1 + count($build->scenarios)) + intdiv(self::BY_CHANCE, self::IN_PART);
    }

    /** Of what kind those of a part are: `scenario`, `fault` or `chance`. */
    public static function kindOf(Build $build, int $part): string
    {
        return match (true) {
            $part === 0 => 'scenario',
            $part <= count($build->routines) * (1 + count($build->scenarios)) => 'fault',
            default => 'chance',
        };
    }

    /** @return list<Trial> of one part; some have none */
    public static function part(Build $build, int $part): array
    {
        $columns = 1 + count($build->scenarios);
        $faults = count($build->routines) * $columns;

        return match (self::kindOf($build, $part)) {
            'scenario' => self::scenarios($build),
            'fault' => self::faultsOf($build, array_values($build->routines)[intdiv($part - 1, $columns)],
                [null, ...array_values($build->scenarios)][($part - 1) % $columns]),
            default => array_slice(self::byChance($build, (int) min(self::BY_CHANCE, ($part - $faults) * self::IN_PART)), -self::IN_PART),
        };
    }

    /** @return list<Trial> */
    public static function scenarios(Build $build): array
    {
        return array_values(array_map(fn (Scenario $scenario): Trial => new Trial('scenario', $scenario->name, $scenario, null, null, $scenario->until_s),
            $build->scenarios));
    }

    /**
     * @param  string|null  $of  of this routine alone
     * @return list<Trial>
     */
    public static function faults(Build $build, ?string $of = null): array
    {
        $trials = [];
        foreach ($of === null ? $build->routines : array_intersect_key($build->routines, [$of => true]) as $routine) {
            foreach ([null, ...array_values($build->scenarios)] as $scenario) {
                array_push($trials, ...self::faultsOf($build, $routine, $scenario));
            }
        }

        return $trials;
    }

    /** @return list<Trial> */
    private static function faultsOf(Build $build, Routine $routine, ?Scenario $scenario): array
    {
        $sweep = new FaultSweep($build, $routine, $scenario);
        $trials = [];
        foreach ($sweep->nothingToTry() === null ? $sweep->runs() : [] as [$case]) {
            $with = $sweep->with($case);
            $trials[] = new Trial('fault', $routine->name.($scenario === null ? '' : ", {$scenario->name}").": {$case->says}", $with,
                $scenario === null ? $routine : null, $routine, $with->until_s);
        }

        return $trials;
    }

    /** @return list<Trial> seeded: the same at every time */
    public static function byChance(Build $build, int $many): array
    {
        return array_map(fn (int $i): Trial => new Trial('chance', 'By chance '.($i + 1), self::chance($build, $i), null, null, self::CHANCE_S),
            $many === 0 ? [] : range(0, $many - 1));
    }

    private static function chance(Build $build, int $number): Scenario
    {
        $random = new Randomizer(new Xoshiro256StarStar(self::SEED + $number));
        $events = [];
        $count = $random->getInt(1, self::MOST_EVENTS);
        for ($i = 0; $i < $count; $i++) {
            array_push($events, ...self::happening($build, $random, $random->getInt(0, (int) (self::CHANCE_S * 900)) / 1000.0));
        }
        usort($events, fn (WorldEvent $one, WorldEvent $other): int => $one->at_s <=> $other->at_s);

        $starts = [];
        foreach ($build->motions as $id => $motion) {
            [$low, $high] = $motion->range();
            $starts += $random->getInt(0, 1) === 0 ? [] : [(string) $id => $low + ($high - $low) * $random->getInt(0, 1000) / 1000.0];
        }

        return new Scenario('chance-'.($number + 1), 'By chance '.($number + 1), self::CHANCE_S, $starts, $events, 60.0 * $random->getInt(0, 1439));
    }

    /** @return list<WorldEvent> something that people, light or bad luck do */
    private static function happening(Build $build, Randomizer $random, float $at): array
    {
        $outside = array_keys(array_filter($build->sensors, fn ($sensor): bool => $sensor->motion === null && ! $sensor->measures()));
        $measuring = array_keys(array_filter($build->sensors, fn ($sensor): bool => $sensor->measures()));
        $motions = array_keys($build->motions);
        $pick = fn (array $of): string => (string) $of[$random->getInt(0, count($of) - 1)];
        $luck = $random->getInt(0, 19);
        if ($luck < 11 && $outside !== []) {
            $sensor = $pick($outside);

            return [new WorldEvent($at, 'sensor', $sensor, true), new WorldEvent($at + $random->getInt(20, 1500) / 1000.0, 'sensor', $sensor, false)];
        }
        if ($luck < 15 && $measuring !== []) {
            $sensor = $pick($measuring);
            $of = $build->sensors[$sensor];
            [$low, $high] = [min($of->lower ?? $of->rest, $of->rest), max($of->upper ?? $of->rest, $of->rest)];
            $wide = max(1.0, $high - $low);

            return [new WorldEvent($at, 'level', $sensor, value: round($low - $wide / 2 + 2 * $wide * $random->getInt(0, 1000) / 1000.0, 2))];
        }

        return match (true) {
            $luck === 19 => [new WorldEvent($at, 'power', null, false), new WorldEvent($at + $random->getInt(100, 3000) / 1000.0, 'power', null, true)],
            $luck >= 17 => [new WorldEvent($at, 'drag', $pick($motions), value: 1.0 + $random->getInt(0, 200) / 100.0)],
            default => [new WorldEvent($at, 'hold', $motion = $pick($motions), true),
                new WorldEvent($at + $random->getInt(100, 2000) / 1000.0, 'hold', $motion, false)],
        };
    }
}
