<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment\Drive;

use Brookstone\Core\Assessment\Repair\SupplyMends;
use Brookstone\Core\Assessment\Subject\DriveFigures;
use Brookstone\Core\Assessment\Subject\Judge;
use Brookstone\Core\Assessment\Subject\Link;
use Brookstone\Core\Assessment\Subject\MotionInBuild;
use Brookstone\Core\Drive\AirCylinder;
use Brookstone\Core\Drive\Stepper;
use Brookstone\Core\Finding\Change;
use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Finding\Fix;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Quantity\Constants;
use Brookstone\Core\Quantity\Quantity;

/** Whether the drive carries the load: at its worst, for long, in time, and with the power off. */
final class DriveJudge implements Judge
{
    private const PINCHES_N = 50.0;    // a hand does not come out of it by itself

    public const MUCH_FASTER = 0.4;   // of the target time: then gear down or lower the duty

    public function judge(MotionInBuild $subject): Link
    {
        $drive = $subject->motion->drive;
        if ($drive === null) {
            return Link::notSaid('drive', 'no drive chosen yet');
        }
        $margin = $subject->facts->margin();

        return Link::of(
            'drive',
            $margin === null ? new Sentence('∞') : new Sentence('{margin} ×', ['margin' => Quantity::number($margin)]),
            new Sentence("{$drive->motor->body()->named()} has {has} for {needs}", [
                'has' => Quantity::of($subject->facts->stallAtLoad_Nm(), 'N·m'),
                'needs' => Quantity::of($subject->facts->peak_Nm(), 'N·m'),
            ]),
            $this->findings($subject),
        );
    }

    /** @return list<Finding> */
    private function findings(MotionInBuild $subject): array
    {
        $f = DriveFigures::of($subject);
        $settings = $subject->build->settings;
        $strains = DriveRules::strains($f, $settings);
        $findings = array_map(fn (LimitViolation $strain): Finding => $this->say($strain, $subject, $f), $strains);
        $stalls = $f->margin < 1.0 - Constants::TIE;
        $time = $stalls ? null : $this->time($subject); // where it stalls, that is said already

        return array_values(array_filter([...$findings, $this->pinches($subject), ...(new DriveNotes)->of($subject, $f), ...LatchRules::of($subject),
            LevelRules::of($subject), $time]));
    }

    /** The sentence for a limit that is reached, with the numbers that were compared, and what would mend it. */
    private function say(LimitViolation $strain, MotionInBuild $subject, DriveFigures $f): Finding
    {
        $says = match ($strain->code) {
            'drive.supply_low', 'drive.supply_high', 'drive.supply_current' => $this->supply($strain, $subject, $f),
            'drive.peak_margin' => $this->peak($strain, $subject),
            'drive.gearbox_limit' => new Sentence('Its own gears see {through} but survive {limit}, however strong the motor is.', [
                'through' => Quantity::of($f->through_motor_Nm, 'N·m'), 'limit' => Quantity::of($f->gear_limit_motor_Nm, 'N·m'),
            ]),
            'drive.jam_breaks_gears' => new Sentence('Stalled, it pushes with {stall}, more than the {limit} its gears survive: a jam breaks them. A slipping clutch or a lower duty protects them.', [
                'stall' => Quantity::of($f->line->most_Nm(), 'N·m'), 'limit' => Quantity::of($f->gear_limit_motor_Nm, 'N·m'),
            ]),
            'drive.knock' => new Sentence('Stopped dead at its fastest, its {energy} of motion and the push of the motor put {knock} through gears that survive {limit}: '.$f->drive->motor->body()->breaks().'.', [
                'energy' => Quantity::of(0.5 * $f->inertia_kgm2 * $f->fastest_rad_s ** 2, 'J'), 'knock' => Quantity::of($f->knock_motor_Nm, 'N·m'),
                'limit' => Quantity::of($f->gear_limit_motor_Nm, 'N·m'),
            ]),
            'drive.clutch_slips' => new Sentence($strain->severity === Severity::Fails
                ? 'The clutch slips at {clutch}, but the move itself needs {needs}.'
                : 'The clutch slips at {clutch}, barely above the {needs} of the move: cold grease or wear will make it slip.', [
                    'clutch' => Quantity::of((float) $f->drive->clutch_Nm, 'N·m'), 'needs' => Quantity::of($f->peak_Nm, 'N·m'),
                ]),
            'drive.servo_travel' => new Sentence($f->task->keeps_turning ? 'It must turn on and on, but this drive reaches its end after {has}.'
                : ($f->positional ? 'The servo would have to turn {needs}, but its commanded travel is {has}.'
                : 'The rod would have to turn the shaft by {needs}, but its stroke at that lever is {has}.'), [
                    'needs' => Quantity::of($f->turn_deg, '°'), 'has' => Quantity::of($f->travel_deg, '°'),
                ]),
            'drive.step_start', 'drive.resonates' => $this->steps($strain, $f),
            'drive.continuous' => $this->long('Over the move it needs {needs} at its shaft (rms), more than the {bears} it can keep up ({share} of stall).',
                $f->rms_motor_Nm, $f, $subject->build->settings->motor_continuous_share),
            'drive.holding' => $this->long('At rest it holds {needs} all the time, more than the {bears} it can keep up ({share} of stall).',
                $f->hold_motor_Nm, $f, $subject->build->settings->servo_continuous_share),
            'drive.hot_holding', 'drive.hot_cycle' => $this->heat($strain, $subject, $f),
            'drive.lets_go', 'drive.gate_lets_go' => $this->letsGo($strain, $subject, $f),
            default => throw new \LogicException('No sentence for '.$strain->code),
        };
        $place = match ($strain->code) {
            'drive.supply_low', 'drive.supply_high', 'drive.supply_current' => 'drive.supply',
            'drive.lets_go' => 'task.holds_unpowered',
            'drive.gate_lets_go' => 'drive.gated',
            'drive.clutch_slips' => 'drive.clutch_Nm',
            'drive.step_start' => 'drive.ramp_s',
            'drive.resonates' => 'drive.motor.microsteps',
            default => 'drive.motor',
        };

        return new Finding($strain->code, $strain->severity, "{$subject->path}.{$place}", $says,
            $subject->proposals(fn (): array => $this->fixes($strain, $subject, $f)));
    }

    /** @return list<Fix> */
    private function fixes(LimitViolation $strain, MotionInBuild $subject, DriveFigures $f): array
    {
        return match ($strain->code) {
            'drive.supply_low', 'drive.supply_high' => SupplyMends::otherSupply($subject),
            'drive.supply_current' => [...DriveRepairs::softStart($subject), ...SupplyMends::otherSupply($subject),
                ...SupplyMends::stronger($subject->build, $f->drive->supply, $f->drive->startsWith_A())],
            'drive.jam_breaks_gears' => DriveRepairs::clutch($subject, $f),
            'drive.knock' => [...DriveRepairs::clutch($subject, $f), ...DriveRepairs::softer($subject, $f),
                ...($strain->severity === Severity::Fails ? DriveRepairs::carry($subject) : [])],
            'drive.clutch_slips' => DriveRepairs::tighterClutch($subject, $f),
            'drive.step_start' => DriveRepairs::ramp($subject, $f),
            'drive.resonates' => DriveRepairs::finerSteps($subject, $f),
            'drive.gate_lets_go' => [...DriveRepairs::ungate($subject), ...DriveRepairs::carry($subject)],
            'drive.holding', 'drive.hot_holding', 'drive.hot_cycle' => [...DriveRepairs::carry($subject), ...DriveRepairs::gate($subject)],
            default => DriveRepairs::carry($subject),
        };
    }

    /** Torque at the worst place against the drive. */
    private function peak(LimitViolation $strain, MotionInBuild $subject): Sentence
    {
        $facts = $subject->facts;
        $unit = $subject->motion->unit();
        $where = $subject->motion->mechanism->evenOverRad() === INF ? '' : ', heaviest at {at}';
        $can = $subject->motion->positioning->countsSteps() ? 'its stepper pulls at that speed as much as' : 'its drive stalls at';

        return new Sentence(
            $strain->severity === Severity::Fails
                ? "It needs {needs}{$where}, but {$can} {has}: {share} of what is needed."
                : "It needs {needs}{$where}, and {$can} {has}: {margin} × is less than the {wanted} × asked for.",
            [
                'needs' => Quantity::of($facts->peak_Nm(), 'N·m'), 'at' => $unit->quantity($unit->fromSi($facts->there()->worst_at)),
                'has' => Quantity::of($facts->stallAtLoad_Nm(), 'N·m'), 'margin' => Quantity::number((float) $facts->margin()),
                'share' => Quantity::share((float) $facts->margin()), 'wanted' => Quantity::number($subject->build->settings->peak_margin),
            ],
        );
    }

    private function long(string $template, float $needs, DriveFigures $f, float $share): Sentence
    {
        return new Sentence($template, ['needs' => Quantity::of($needs, 'N·m'), 'bears' => Quantity::of($f->bears_motor_Nm($share), 'N·m'),
            'share' => Quantity::share($share)]);
    }

    private function steps(LimitViolation $strain, DriveFigures $f): Sentence
    {
        $motor = $f->drive->motor;
        assert($motor instanceof Stepper);
        $rate = Quantity::number($motor->stepRate_hz($f->fastest_rad_s * $f->ratio));
        if ($strain->code === 'drive.resonates') {
            return new Sentence('It runs at {rate} full steps a second, near the {swings} at which it swings by itself: it shakes, and can lose steps'.($strain->severity === Severity::Note ? ', though microsteps keep it from the worst' : '').'.', [
                'rate' => $rate, 'swings' => Quantity::number($motor->swings_hz($f->atMotor_kgm2())),
            ]);
        }

        return $f->drive->ramp_s > 0.0
            ? new Sentence('To come to {rate} full steps a second within {ramp} it needs {needs}, but it pulls {has} at that speed: it stays behind and stalls.', [
                'rate' => $rate, 'ramp' => Quantity::of($f->drive->ramp_s, 's'), 'needs' => Quantity::of($f->startsWith_Nm($f->drive->ramp_s), 'N·m'),
                'has' => Quantity::of($motor->available_Nm($f->on->volts_V, $f->fastest_rad_s * $f->ratio), 'N·m'),
            ])
            : new Sentence('It is started without a ramp at {rate} full steps a second, but with this load it starts at {most} at most: it hums and stands.', [
                'rate' => $rate, 'most' => Quantity::number($motor->stepRate_hz($motor->startsUpTo_rad_s($f->on->volts_V, $f->through_motor_Nm,
                    $f->atMotor_kgm2()))),
            ]);
    }

    private function heat(LimitViolation $strain, MotionInBuild $subject, DriveFigures $f): Sentence
    {
        $ambient = $subject->build->settings->ambient_C;
        $values = ['limit' => Quantity::of($f->thermal->limit_C(), '°C')];
        if ($strain->code === 'drive.hot_holding') {
            return new Sentence('Holding draws {current}, and its winding passes {limit} after {time}.', $values + [
                'current' => Quantity::of($f->drive->motor->holdCurrent_A($f->hold_motor_Nm, $f->drive->supply->volts_V), 'A'),
                'time' => Quantity::of((float) $f->thermal->secondsToLimit($f->hold_heat_W, $ambient), 's'),
            ]);
        }

        return new Sentence('Going there and back {times} times a day warms its winding with {heat} on average: it settles at {settles}, over {limit}.',
            $values + [
                'times' => Quantity::number($f->task->per_day), 'heat' => Quantity::of($f->cycle_heat_W, 'W'),
                'settles' => Quantity::of($f->thermal->settles_C($f->cycle_heat_W, $ambient), '°C'),
            ]);
    }

    /** What it presses with when a finger is in its way. */
    private function pinches(MotionInBuild $subject): ?Finding
    {
        $lever = $subject->motion->mechanism->leverM();
        if ($lever === null) {
            return null;
        }
        $clutch = $subject->motion->drive->clutch_Nm ?? INF;
        $push = $subject->motion->positioning->countsSteps() ? $subject->facts->peak_Nm() * $subject->facts->stepperMargin()
            : $subject->facts->stallAtLoad_Nm();
        $force = min($push, $clutch, $subject->motion->mechanism->gripNm(), $subject->motion->mechanism->snapsNm($subject->motion->move()->from)) / $lever;
        $does = $subject->motion->mechanism->pullsOnly() ? 'pulls' : 'pushes';

        return $force > self::PINCHES_N ? new Finding('drive.pinches', Severity::Note, $subject->path.'.drive.motor', new Sentence(
            "If blocked, it {$does} with {force}, more than {limit}: fingers get trapped. Cover it, limit the force, and put a stop within reach. Local rules decide.",
            ['force' => Quantity::of($force, 'N'), 'limit' => Quantity::of(self::PINCHES_N, 'N')],
        )) : null;
    }

    private function letsGo(LimitViolation $strain, MotionInBuild $subject, DriveFigures $f): Sentence
    {
        $when = $strain->code === 'drive.lets_go' ? 'with the power off' : 'with its power cut between moves';

        return new Sentence(
            $strain->severity === Severity::Fails
                ? "It must stay put {$when}: that takes {needs}, but its unpowered gears hold {holds}."
                : ucfirst($when).' its gears hold {holds} against {needs}: less than the {wanted} × asked for, and vibration takes from it.',
            ['needs' => Quantity::of($f->hold_Nm, 'N·m'), 'holds' => Quantity::of($f->holds_unpowered_Nm, 'N·m'),
                'wanted' => Quantity::number($subject->build->settings->hold_margin)],
        );
    }

    private function time(MotionInBuild $subject): ?Finding
    {
        $facts = $subject->facts;
        $task = $subject->motion->task;
        $there = $facts->runThere()['time_s'];
        $back = $facts->runBack()['time_s'];
        $strain = DriveRules::time($there, $back, $task->move_s, $subject->build->settings);
        $to = $facts->placeName($there === null || $back !== null ? $task->to : $task->from);
        if ($there === null || $back === null) {
            return new Finding('drive.over_target', Severity::Fails, $subject->path.'.task.move_s', new Sentence(
                "To {$to} it is not there after {patience}, where {target} are asked for.",
                ['patience' => Quantity::of($facts->motion->patience_s(), 's'), 'target' => Quantity::of($task->move_s, 's')],
            ), $subject->proposals(fn (): array => DriveRepairs::hurry($subject)));
        }
        $values = ['takes' => Quantity::of($there, 's'), 'target' => Quantity::of($task->move_s, 's')];
        if ($strain !== null && ! $subject->motion->positioning->countsSteps()) {
            $fails = $strain->severity === Severity::Fails;

            return new Finding('drive.over_target', $strain->severity, $subject->path.'.task.move_s', new Sentence(
                $fails ? "To {$to} it takes {takes}, longer than the {target} asked for." : "To {$to} it takes {takes}, just within the {target} asked for.",
                $values,
            ), $subject->proposals(fn (): array => [...($fails ? DriveRepairs::hurry($subject) : []), $this->allow($subject, $there)]));
        }

        return $there < self::MUCH_FASTER * $task->move_s ? new Finding('drive.much_faster', Severity::Note, $subject->path.'.task.move_s', new Sentence(
            "To {$to} it takes {takes}, much quicker than the {target} asked for: ".($subject->motion->drive?->motor instanceof AirCylinder ? 'throttle it'
                : 'gear it down or lower the duty').' for a calmer move.', $values,
        )) : null;
    }

    private function allow(MotionInBuild $subject, float $takes): Fix
    {
        $time = ceil(($takes / (1 - $subject->build->settings->over_time_share)) * 10) / 10 + 0.1;

        return new Fix(new Sentence('Allow {time}', ['time' => Quantity::of($time, 's')]), [new Change($subject->path.'.task.move_s', $time)]);
    }

    private function supply(LimitViolation $strain, MotionInBuild $subject, DriveFigures $f): Sentence
    {
        $supply = $f->drive->supply;
        [$low, $high] = $f->drive->motor->voltageRange();
        $values = ['supply' => Quantity::of($supply->volts_V, 'V'), 'low' => Quantity::of($low, 'V'), 'high' => Quantity::of($high, 'V')];

        return match ($strain->code) {
            'drive.supply_low' => new Sentence("{$supply->named()} gives {supply}, too little for a drive made for {low} to {high}.", $values),
            'drive.supply_high' => new Sentence("{$supply->named()} gives {supply}, too much for a drive made for {low} to {high}: it runs hot and wears.",
                $values),
            default => new Sentence(
                $strain->severity === Severity::Fails
                    ? "Every start draws {start} for a moment, more than {$supply->named()} gives ({max}): the controller resets."
                    : "Every start draws {start} for a moment, close to what {$supply->named()} gives ({max}).",
                ['start' => Quantity::of($strain->share * $supply->max_A, 'A'), 'max' => Quantity::of($supply->max_A, 'A')],
            ),
        };
    }
}
