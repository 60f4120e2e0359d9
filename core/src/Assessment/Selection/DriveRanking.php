<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment\Selection;

use Brookstone\Core\Assessment\Drive\DriveJudge;
use Brookstone\Core\Assessment\Subject\MotionFigures;
use Brookstone\Core\Assessment\Subject\MotionInBuild;
use Brookstone\Core\Assessment\Wiring\WiringCost;
use Brookstone\Core\Build\Build;
use Brookstone\Core\Drive\Drive;
use Brookstone\Core\Drive\Drives;
use Brookstone\Core\Drive\Stock;
use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Finding\Verdict;
use Brookstone\Core\Parts\Motion;
use Brookstone\Core\Parts\Supply;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Train\Stages;

/** The ranked drives as people see them: the first rows with the reason for each place, what fails and by what, and the trade as points. */
final class DriveRanking
{
    private const MOST_POINTS = 400;

    /** Where the tables of the page have no room for more. */
    public const ROWS = 60;

    /**
     * @param  bool  $eachDrive  the best ratio of each drive only; otherwise every one
     * @param  int  $rows  how many rows to give out, 0 for all
     * @return array<string, mixed> as Schemas::choice() has it
     */
    public static function of(Build $build, Motion $motion, Stock $stock, Goal $goal = Goal::AsAsked, bool $eachDrive = true, int $rows = self::ROWS,
        ?Supply $supply = null): array
    {
        $all = (new DriveSearch($build, $motion, $stock))->ranked($goal, from: $supply);
        $carries = array_values(array_filter($all, fn (RatedDrive $candidate): bool => $candidate->verdict !== Verdict::Fails));
        $others = [];
        foreach ($carries as $candidate) {
            $others[$candidate->code()] = ($others[$candidate->code()] ?? 0) + 1;
        }
        $shown = $eachDrive ? self::firstOfEach($all) : $all;
        $places = array_flip(array_map(spl_object_id(...), $all));
        $front = self::front($carries);

        return [
            'goal' => $goal->value,
            'tried' => count($all),
            'drives' => count(self::firstOfEach($all)),
            'carries' => count($carries),
            'fails' => self::fails($all),
            'rows' => array_map(
                fn (RatedDrive $candidate): array => self::row($build, $motion, $candidate, $goal, $places[spl_object_id($candidate)] + 1,
                    $others[$candidate->code()] ?? 0),
                $rows === 0 ? $shown : array_slice($shown, 0, $rows),
            ),
            'points' => self::points($carries, $front),
            'wiring' => WiringCost::ofKinds($build, $motion, self::kinds($carries), $stock->boards()),
        ];
    }

    /**
     * Of each kind the first.
     *
     * @param  list<RatedDrive>  $candidates
     * @return array<string, array{Drive, Supply}>
     */
    private static function kinds(array $candidates): array
    {
        $kinds = [];
        foreach ($candidates as $candidate) {
            $kinds[$candidate->on->choice->motor->kind()] ??= [$candidate->on->choice->motor, $candidate->on->choice->supply];
        }

        return $kinds;
    }

    /**
     * @param  list<RatedDrive>  $candidates
     * @return list<RatedDrive>
     */
    private static function firstOfEach(array $candidates): array
    {
        $first = [];
        foreach ($candidates as $candidate) {
            $first[$candidate->code()] ??= $candidate;
        }

        return array_values($first);
    }

    /**
     * What fails and by what: how many stumble over each limit first.
     *
     * @param  list<RatedDrive>  $candidates
     * @return list<array{code: string, count: int, says: string}> the most frequent first
     */
    private static function fails(array $candidates): array
    {
        $counts = [];
        foreach ($candidates as $candidate) {
            $worst = $candidate->verdict === Verdict::Fails ? $candidate->worst() : null;
            if ($worst !== null) {
                $counts[$worst->code] = ($counts[$worst->code] ?? 0) + 1;
            }
        }
        arsort($counts);

        return array_map(fn (string $code, int $count): array => ['code' => $code, 'count' => $count, 'says' => self::limit($code)], array_keys($counts),
            $counts);
    }

    private static function limit(string $code): string
    {
        return match ($code) {
            'drive.peak_margin' => 'too weak at the worst instant',
            'drive.over_target' => 'too slow',
            'drive.continuous' => 'too weak for long',
            'drive.holding', 'drive.hot_holding' => 'too hot holding',
            'drive.hot_cycle' => 'too hot over the day',
            'drive.lets_go', 'drive.gate_lets_go' => 'lets go without power',
            'drive.gearbox_limit' => 'its gears break',
            'drive.knock' => 'a knock breaks its gears',
            'drive.servo_travel' => 'cannot turn that far',
            'drive.supply_current' => 'draws more than the supply gives',
            'drive.supply_low', 'drive.supply_high' => 'made for another voltage',
            default => 'fails otherwise',
        };
    }

    /**
     * Those that nothing else beats in both time and margin: the Pareto front, the quickest first.
     *
     * @param  list<RatedDrive>  $carries
     * @return array<int, true> by object id
     */
    private static function front(array $carries): array
    {
        $timed = array_filter($carries, fn (RatedDrive $candidate): bool => $candidate->time_s !== null);
        usort($timed, fn (RatedDrive $a, RatedDrive $b): int => [$a->time_s, -$a->figures->margin] <=> [$b->time_s, -$b->figures->margin]);
        $front = [];
        $best = -INF;
        foreach ($timed as $candidate) {
            if ($candidate->figures->margin > $best) {
                $best = $candidate->figures->margin;
                $front[spl_object_id($candidate)] = true;
            }
        }

        return $front;
    }

    /**
     * @param  list<RatedDrive>  $carries
     * @param  array<int, true>  $front
     * @return list<array<string, mixed>> the whole front, and as many of the others as a chart has room for
     */
    private static function points(array $carries, array $front): array
    {
        $points = [];
        $every = max(1, intdiv(count($carries), self::MOST_POINTS));
        foreach ($carries as $i => $candidate) {
            $isFront = isset($front[spl_object_id($candidate)]);
            if ($candidate->time_s === null || (! $isFront && $i % $every !== 0)) {
                continue;
            }
            $points[] = [
                'code' => $candidate->code(), 'ratio' => $candidate->train->ratio(), 'time_s' => $candidate->time_s,
                'margin' => min(1e3, $candidate->figures->margin),
                'mass_kg' => $candidate->figures->drive->motor->body()->mass_kg, 'verdict' => $candidate->verdict->value, 'front' => $isFront,
            ];
        }

        return $points;
    }

    /** @return array<string, mixed> */
    private static function row(Build $build, Motion $motion, RatedDrive $candidate, Goal $goal, int $place, int $ratios): array
    {
        $f = $candidate->figures;
        $body = $f->drive->motor->body();

        return [
            'place' => $place,
            'code' => $candidate->code(),
            'series' => $body->series,
            'kind' => $f->drive->motor->kind(),
            'verdict' => $candidate->verdict->value,
            'why' => self::why($build, $motion, $candidate, $goal),
            'ratio' => $candidate->train->ratio(),
            'ratios' => $ratios,
            'stages' => Stages::write($candidate->train),
            'margin' => is_finite($f->margin) ? $f->margin : null,
            'time_s' => $candidate->time_s,
            'current_A' => $f->mean_A,
            'settles_C' => $f->thermal->settles_C($f->cycle_heat_W, $build->settings->ambient_C),
            'noise' => $candidate->noise(),
            'mass_kg' => $body->mass_kg,
            'holds_unpowered' => $f->holds_unpowered_Nm >= $f->hold_Nm * $build->settings->hold_margin,
            'gear_material' => $body->gear_material,
            'supply' => $f->drive->supply->id,
            'motor' => Drives::write($f->drive->one),
            'motors' => $f->drive->motors,
        ];
    }

    private static function why(Build $build, Motion $motion, RatedDrive $candidate, Goal $goal): Sentence
    {
        if ($candidate->verdict !== Verdict::Holds) {
            $with = $motion->withDrive($candidate->on->choice)->withTrain($candidate->train);
            $link = (new DriveJudge)->judge(new MotionInBuild($build, $with, new MotionFigures($with)));
            $worst = $candidate->worst();
            $first = array_values(array_filter($link->findings, fn (Finding $finding): bool => $finding->code === $worst?->code))[0] ?? $link->findings[0]
                ?? null;
            if ($first !== null && $first->severity !== Severity::Note) {
                return $first->says;
            }
        }
        $f = $candidate->figures;
        $body = $f->drive->motor->body();
        $values = [
            'margin' => Quantity::number(min(1e3, $f->margin)), 'time' => Quantity::of($candidate->time_s ?? 0.0, 's'),
            'asked' => Quantity::of($motion->task->move_s, 's'), 'mass' => Quantity::of($body->mass_kg, 'kg'),
            'length' => Quantity::of($body->length_mm / 1e3, 'm'), 'width' => Quantity::of($body->width_mm / 1e3, 'm'),
            'height' => Quantity::of($body->height_mm / 1e3, 'm'),
            'mean' => Quantity::of($f->mean_A, 'A'), 'warm' => Quantity::of($f->thermal->settles_C($f->cycle_heat_W, $build->settings->ambient_C), '°C'),
            'holds' => Quantity::of(min(1e6, $f->holds_unpowered_Nm), 'N·m'), 'needs' => Quantity::of($f->hold_Nm, 'N·m'),
            'knock' => Quantity::number(min(1e3, $f->gear_limit_motor_Nm / max(1e-12, $f->knock_motor_Nm))), 'noise' => Quantity::number($candidate->noise()),
        ];

        return new Sentence(match ($goal) {
            Goal::AsAsked => 'Takes {time}, has {margin} × in hand and '.($f->survivesABump() ? 'survives a bump'
                : 'breaks its gears when it is bumped').'; {asked} are asked for.',
            Goal::Fastest => 'Takes {time}, has {margin} × in hand and '.($f->survivesABump() ? 'survives a bump.' : 'breaks its gears when it is bumped.'),
            Goal::Safest => 'Has {margin} × in hand, and its gears survive {knock} × a dead stop.',
            Goal::Smallest => 'Is {length} × {width} × {height} and has {margin} × in hand.',
            Goal::Lightest => 'Weighs {mass} and has {margin} × in hand.',
            Goal::LeastCurrent => 'Takes {mean} on average over the day, moving and holding.',
            Goal::Coolest => 'Its winding settles at {warm} over the day.',
            Goal::Quietest => 'Noise {noise} of 10 by kind, speed and stages.',
            Goal::HoldsUnpowered => is_finite($f->holds_unpowered_Nm) ? 'Unpowered it holds {holds} against {needs}.' : 'Unpowered nothing turns it back.',
        }, $values);
    }
}
