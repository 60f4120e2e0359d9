<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment\Selection;

use Brookstone\Core\Assessment\Drive\DriveJudge;
use Brookstone\Core\Assessment\Subject\MotionFigures;
use Brookstone\Core\Assessment\Subject\MotionInBuild;
use Brookstone\Core\Build\Build;
use Brookstone\Core\Drive\DcMotor;
use Brookstone\Core\Drive\Drive;
use Brookstone\Core\Drive\Drives;
use Brookstone\Core\Drive\Servo;
use Brookstone\Core\Drive\Stepper;
use Brookstone\Core\Drive\Stock;
use Brookstone\Core\Finding\Change;
use Brookstone\Core\Finding\Fix;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Finding\Verdict;
use Brookstone\Core\Parts\DriveChoice;
use Brookstone\Core\Parts\LimitSwitch;
use Brookstone\Core\Parts\Motion;
use Brookstone\Core\Parts\Stops;
use Brookstone\Core\Quantity\Constants;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Stops\RunOn;
use Brookstone\Core\Train\Stages;

/**
 * The ways builders argue about, side by side for one motion: for each the best drive of the drawer, and what it does here
 * about reaching, holding, current, knowing its place after a power cut, noise, parts and pins.
 */
final class DriveConcepts
{
    private const SUPPLY_SPREAD = 0.05;  // of the time of a timed move, from voltage, load and warmth, each move

    private const MOVES_BETWEEN_HOMES = 10;

    private const COUNTS_PER_TURN = 12;  // of an encoder on a motor's shaft

    private const LOOKS_LATE_S = 0.005;

    private const NAMES = [
        'servo' => 'Servo', 'gated_servo' => 'Servo, its power cut between moves', 'worm' => 'Worm gear motor with two switches',
        'timed' => 'Timed gear motor with a home switch', 'encoder' => 'Gear motor with an encoder', 'stepper' => 'Stepper with a home switch',
    ];

    /** Parts besides motor and gears, and pins of the controller. */
    private const NEEDS = ['servo' => [1, 1], 'gated_servo' => [2, 2], 'worm' => [3, 4], 'timed' => [2, 3], 'encoder' => [3, 5], 'stepper' => [2, 4]];

    /**
     * @return list<array<string, mixed>> the recommended one first, as Schemas::schools() has it
     */
    public static function of(Build $build, Motion $motion, Stock $stock): array
    {
        $schools = [];
        [$usual, $gated] = array_map(fn (bool $isGated): DriveSearch => new DriveSearch($build, self::asked($build, $motion, $stock, $isGated), $stock),
            [false, true]);
        foreach (array_keys(self::NAMES) as $school) {
            $schools[] = self::school($build, $motion, $stock, $school === 'gated_servo' ? $gated : $usual, $school);
        }
        usort($schools, fn (array $a, array $b): int => $a['order'] <=> $b['order']);

        return array_map(function (array $row, int $i) use ($motion): array {
            $row['recommended'] = $i === 0 && $row['verdict'] !== Verdict::Fails->value;
            $row['reason'] = self::reason($row, $i, $motion);
            unset($row['order']);

            return $row;
        }, $schools, array_keys($schools));
    }

    /** @return array<string, mixed> */
    private static function school(Build $build, Motion $motion, Stock $stock, DriveSearch $choosing, string $school): array
    {
        $best = null;
        foreach ($build->supplies as $supply) {
            $candidate = $choosing->ranked(Goal::Safest, null, self::fits($school), $supply)[0] ?? null;
            if ($candidate !== null && ($best === null || $candidate->rank() < $best->rank())) {
                $best = $candidate;
            }
        }
        $name = self::NAMES[$school];
        [$parts, $pins] = self::NEEDS[$school];
        if ($best === null) {
            return [
                'school' => $school, 'name' => $name, 'verdict' => Verdict::NotSaid->value, 'code' => null, 'ratio' => null, 'time_s' => null,
                'margin' => null, 'error' => null, 'within' => null,
                'holds_unpowered' => null, 'charge_Ah_day' => null, 'after_power_cut' => '', 'noise' => null, 'parts' => $parts, 'pins' => $pins,
                'why' => new Sentence(array_filter($stock->drives(), self::fits($school)) === [] ? 'There is no such drive in the drawer.'
                    : 'Nothing in this build can feed it: add a supply.'), 'take' => null, 'order' => [9, 0.0, 0.0],
            ];
        }
        $with = $motion->withDrive($best->on->choice)->withTrain($best->train);
        $f = $best->figures;
        $error = self::error($build, $with, $school, $best);
        $tolerance = $motion->task->tolerance;
        $within = $tolerance === null ? null : $error <= $tolerance;
        $holds = $f->holds_unpowered_Nm >= $f->hold_Nm * $build->settings->hold_margin;
        $worst = $best->worst();
        $verdict = $within === false && $best->verdict === Verdict::Holds ? Verdict::Tight : $best->verdict;

        return [
            'school' => $school, 'name' => $name, 'verdict' => $verdict->value, 'code' => $best->code(), 'ratio' => $best->train->ratio(),
            'time_s' => $best->time_s,
            'margin' => is_finite($f->margin) ? $f->margin : null, 'error' => $error, 'within' => $within, 'holds_unpowered' => $holds,
            'charge_Ah_day' => $f->charge_Ah_day(), 'after_power_cut' => self::afterPowerCut($school, $holds), 'noise' => $best->noise(), 'parts' => $parts,
            'pins' => $pins,
            'why' => $worst === null || $best->verdict === Verdict::Holds
                ? new Sentence('Carries it with {margin} × in hand, and stops within {error}.', ['margin' => Quantity::number(min(1e3, $f->margin)),
                    'error' => $with->unit()->quantity($error)])
                : self::sentence($build, $with, $worst->code),
            'take' => self::take($build, $motion, $best, $school),
            'order' => [$verdict->rank() === 3 ? 3 : ($within === false ? 2 : $verdict->rank()), self::wants($motion, $school, $holds),
                $f->charge_Ah_day() + 0.02 * $parts + 0.01 * $best->noise()],
        ];
    }

    /** The motion as it would be asked: with the power of its servo cut at rest, or not. */
    private static function asked(Build $build, Motion $motion, Stock $stock, bool $isGated): Motion
    {
        if ($motion->drive !== null) {
            return $motion->withDrive($motion->drive->but(['gated' => $isGated]));
        }
        $supply = array_values($build->supplies)[0] ?? null;
        $some = array_values($stock->drives())[0] ?? null;

        return ! $isGated || $supply === null || $some === null ? $motion : $motion->withDrive(new DriveChoice($some, $supply, 1.0, gated: true));
    }

    /** @return \Closure(Drive): bool */
    private static function fits(string $school): \Closure
    {
        return match ($school) {
            'servo', 'gated_servo' => fn (Drive $drive): bool => $drive instanceof Servo,
            'worm' => fn (Drive $drive): bool => $drive instanceof DcMotor && $drive->worm,
            'stepper' => fn (Drive $drive): bool => $drive instanceof Stepper,
            default => fn (Drive $drive): bool => $drive instanceof DcMotor && ! $drive->worm,
        };
    }

    /** How far off its place it stops, in the motion's own unit: after ten moves where it counts or times. */
    private static function error(Build $build, Motion $motion, string $school, RatedDrive $best): float
    {
        $unit = $motion->unit();
        $own = fn (float $shaft_rad): float => abs($unit->fromSi($shaft_rad * $motion->mechanism->travelPerRad()));
        $slop = $own($motion->train->backlash_deg() * Constants::RAD_PER_DEG);
        $motor = $best->on->choice->motor;
        $travel = abs($unit->fromSi($motion->move()->distance()));

        return match (true) {
            $motor instanceof Servo => $slop + $own($motor->standsWithin_deg() * Constants::RAD_PER_DEG / $best->figures->ratio),
            $motor instanceof Stepper => $slop + $own(2 * M_PI / $motor->steps_per_rev / $best->figures->ratio),
            $school === 'worm' => self::runOnSpread($build, $motion) + $slop,
            $school === 'timed' => self::SUPPLY_SPREAD * $travel * sqrt(self::MOVES_BETWEEN_HOMES) + $slop,
            default => $slop + $own(2 * M_PI / self::COUNTS_PER_TURN / $best->figures->ratio) + self::LOOKS_LATE_S * $travel / max(1e-6,
                $best->time_s ?? 1.0),
        };
    }

    /** What a run-on differs by between a full and a low supply: it is the difference that is not known, not the run-on. */
    private static function runOnSpread(Build $build, Motion $motion): float
    {
        $to = $motion->task->to;
        $switch = new LimitSwitch('there', 'there', $to, $motion->at($to), $motion->at($to) > $motion->at($motion->task->from) ? 'high' : 'low');
        $with = $motion->withStops(new Stops(null, null, [$switch], true));
        $full = RunOn::of($with, $switch, $build->settings)?->distance;
        $slow = RunOn::of($with, $switch, $build->settings, 0.85)?->distance;

        return $full === null ? 0.0 : abs($full - ($slow ?? 0.0));
    }

    private static function afterPowerCut(string $school, bool $holds): string
    {
        return match ($school) {
            'servo' => 'knows its place at once, and jumps there',
            'gated_servo' => $holds ? 'knows its place at once, and has not moved' : 'knows its place at once, but has sagged',
            'worm' => $holds ? 'has not moved, and its switches say where it is at the ends' : 'its switches say where it is at the ends',
            'timed' => 'does not know where it is: home it first',
            'encoder' => 'has lost its count: home it first',
            default => 'has lost its steps: home it first',
        };
    }

    /** 0 where it gives what the task asks for with the power off, 1 where it does not, and a little for what it cannot know. */
    private static function wants(Motion $motion, string $school, bool $holds): float
    {
        $knows = ['servo' => 0.0, 'gated_servo' => 0.0, 'worm' => 0.1, 'encoder' => 0.2, 'stepper' => 0.2, 'timed' => 0.4][$school];

        return ($motion->task->holds_unpowered && ! $holds ? 1.0 : 0.0) + $knows;
    }

    private static function sentence(Build $build, Motion $with, string $code): Sentence
    {
        $link = (new DriveJudge)->judge(new MotionInBuild($build, $with, new MotionFigures($with)));
        foreach ($link->findings as $finding) {
            if ($finding->code === $code) {
                return $finding->says;
            }
        }

        return $link->findings[0]->says ?? new Sentence('It is too weak for this load.');
    }

    /** The change that takes this way, ready to be tried. */
    private static function take(Build $build, Motion $motion, RatedDrive $best, string $school): Fix
    {
        $path = 'motions.'.$build->indexOf($motion->id);
        $choice = $best->on->choice;

        return new Fix(new Sentence('Take '.lcfirst(self::NAMES[$school]).': '.Sentence::quote($best->code())), [
            new Change("{$path}.drive", ['motor' => Drives::write($choice->one), 'motors' => $choice->motors, 'supply' => $choice->supply->id,
                'duty' => 1.0,
                'gated' => $school === 'gated_servo']),
            new Change("{$path}.train", Stages::write($best->train)),
        ]);
    }

    /** @param  array<string, mixed>  $row */
    private static function reason(array $row, int $i, Motion $motion): string
    {
        return match (true) {
            $row['verdict'] === Verdict::NotSaid->value => 'It cannot be compared.',
            $row['verdict'] === Verdict::Fails->value => 'It will not do here.',
            $row['within'] === false => 'It carries the load, but stops further off its place than is allowed.',
            $i === 0 && $motion->task->holds_unpowered => 'Recommended here: it stays put with the power off, stops where it should, and knows most after a power cut.',
            $i === 0 => 'Recommended here: it carries the load, stops where it should, knows most after a power cut, and of what knows as much takes least.',
            $motion->task->holds_unpowered && $row['holds_unpowered'] === false => 'It would let go with the power off.',
            default => 'It would work; the first knows more, or takes less.',
        };
    }
}
