<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment\Stops;

use Brookstone\Core\Assessment\Drive\DriveRepairs;
use Brookstone\Core\Assessment\Drive\OtherDrives;
use Brookstone\Core\Assessment\Subject\Judge;
use Brookstone\Core\Assessment\Subject\Link;
use Brookstone\Core\Assessment\Subject\MotionInBuild;
use Brookstone\Core\Drive\AirCylinder;
use Brookstone\Core\Drive\Drive;
use Brookstone\Core\Finding\Change;
use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Finding\Fix;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Mechanism\PositionUnit;
use Brookstone\Core\Parts\LimitSwitch;
use Brookstone\Core\Parts\Motion;
use Brookstone\Core\Quantity\Constants;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Stops\RunOn;

/** Where the motion ends, and whether it comes to rest before it hits something. */
final class StopsJudge implements Judge
{
    private const FAR_SHARE = 0.2;        // of its range: a run-on as long as that is no matter of where the stop is

    private const EARLY_SHARE = 0.25;     // of the travel: with more run-on than that it is too fast, and no earlier switch helps

    private const DUTIES = [0.9, 0.8, 0.7, 0.6, 0.5, 0.4, 0.3, 0.25, 0.2, 0.15, 0.1];

    public function judge(MotionInBuild $subject): Link
    {
        $motion = $subject->motion;
        $findings = $this->places($subject);
        if ($motion->drive === null) {
            return Link::notSaid('stops', 'follows from the drive', $findings);
        }
        if ($motion->positioning->isAbsolute()) {
            return Link::of('stops', new Sentence('knows'), new Sentence('a servo knows its own place'), $findings);
        }
        if ($motion->task->keeps_turning && $motion->stops->tellers() === []) {
            return Link::of('stops', new Sentence('turns on'), new Sentence('where it stops does not matter'), $findings);
        }
        if ($motion->drive->motor->endsItself() && $motion->stops->switches === []) {
            $about = $motion->drive->motor instanceof AirCylinder ? 'its piston ends at both ends of the cylinder'
                : 'the actuator switches itself off at both ends';

            return Link::of('stops', new Sentence('its own'), new Sentence($about), [...$findings, ...$this->cushion($subject, $motion->drive->motor)]);
        }
        if ($motion->stops->tellers() === []) {
            return Link::of('stops', new Sentence('none'), new Sentence('no switch tells where it is'), [...$findings, $this->noSwitch($subject)]);
        }
        $least = null;
        foreach ($motion->stops->tellers() as $switch) {
            $i = $this->placeOf($subject, $switch);
            $runOn = $subject->facts->runOn($switch, $subject->build->settings);
            $findings = [...$findings, ...$this->offPlace($subject, $switch, $i, $motion->positioning->isTimed() ? $runOn->distance ?? 0.0 : 0.0)];
            if ($runOn === null) {
                continue;
            }
            $findings = [...$findings, ...$this->runOn($subject, $switch, $i, $runOn)];
            if ($runOn->distance !== null && ($least === null || $runOn->distance > $least)) {
                $least = $runOn->distance;
            }
        }

        return $least === null
            ? Link::notSaid('stops', 'it never reaches a switch', $findings)
            : Link::of('stops', new Sentence('{run_on}', ['run_on' => $motion->unit()->quantity($least)]), new Sentence('longest run-on after a switch'),
                $findings);
    }

    /** Where a switch, or a sensor that tells as one does, stands in the document. */
    private function placeOf(MotionInBuild $subject, LimitSwitch $switch): string
    {
        $i = array_search($switch, $subject->motion->stops->switches, true);

        return $i === false ? 'sensors.'.(int) array_search($switch->id, array_keys($subject->build->sensors), true).'.at'
            : "{$subject->path}.stops.switches.{$i}.at";
    }

    private function noSwitch(MotionInBuild $subject): Finding
    {
        return new Finding('stops.none', Severity::Fails, $subject->path.'.stops.switches', new Sentence(
            $subject->motion->positioning->counts()
                ? 'Nothing tells where it starts: '.($subject->motion->positioning->countsSteps() ? 'a stepper'
                    : 'an encoder').' counts from wherever it stands when the power comes on, so it needs a switch to home on.'
                : 'Nothing tells when it has arrived: a motor without a switch at one end at least drifts with every move and pushes on at its stop.',
        ), [$this->addSwitch($subject)]);
    }

    private function addSwitch(MotionInBuild $subject): Fix
    {
        $switch = self::firstSwitch($subject->motion);

        return new Fix(new Sentence("Put a switch at {$subject->facts->placeName($switch['place'])}"),
            [new Change($subject->path.'.stops.switches', [$switch])]);
    }

    /** @return array{id: string, name: string, place: string, at: float, end: string} where a motion that has none would have its first: where its task begins, as it rests there */
    public static function firstSwitch(Motion $motion): array
    {
        $from = $motion->task->from;

        return [
            'id' => substr($motion->id, 0, 30).'-'.substr($from, 0, 9), 'name' => ($motion->place($from)->name ?? $from).' switch', 'place' => $from,
            'at' => $motion->at($from),
            'end' => $motion->at($from) < $motion->at($motion->task->to) ? 'low' : 'high',
        ];
    }

    /** @return list<Finding> */
    private function places(MotionInBuild $subject): array
    {
        $motion = $subject->motion;
        $findings = [...$this->coarse($subject), ...$this->wrongEnds($subject)];
        if ($motion->task->keeps_turning && ($motion->stops->hard_low !== null || $motion->stops->hard_high !== null)) {
            $stop = $motion->stops->hard_high ?? $motion->stops->hard_low ?? 0.0;
            $findings[] = new Finding('stops.turns_into_stop', Severity::Fails, "{$subject->path}.stops.".($motion->stops->hard_high === null ? 'hard_low'
                : 'hard_high'), new Sentence(
                    'It keeps turning, and there is a hard stop at {stop} that it turns into.', ['stop' => $motion->unit()->quantity($stop)],
                ), [new Fix(new Sentence('Take the hard stop away'), [new Change("{$subject->path}.stops.hard_low", null),
                    new Change("{$subject->path}.stops.hard_high", null)])]);
        }
        foreach ($motion->places as $i => $place) {
            foreach (['hard_low' => -1, 'hard_high' => 1] as $key => $side) {
                $stop = $motion->stops->{$key};
                if ($stop !== null && ($place->at - $stop) * $side > 0.0) {
                    $findings[] = new Finding('stops.place_outside', Severity::Fails, "{$subject->path}.places.{$i}.at", new Sentence(
                        "The place {$place->named()} at {at} lies past the hard stop at {stop}.",
                        ['at' => $motion->unit()->quantity($place->at), 'stop' => $motion->unit()->quantity($stop)],
                    ));
                }
            }
            $named = in_array($place->id, [$motion->task->from, $motion->task->to], true);
            if ($named && $motion->positioning->isTimed() && ! $motion->task->keeps_turning && $motion->stops->tellers() !== []
                && $motion->stops->switchAt($place->id) === null) {
                $findings[] = new Finding('stops.by_time', Severity::Note, "{$subject->path}.stops.switches", new Sentence(
                    "{$place->named()} has no switch: the motion gets there by time alone, and drifts with voltage, load and wear until it is homed again.",
                ));
            }
        }

        return $findings;
    }

    /** @return list<Finding> it comes to its end with more than that takes up */
    private function cushion(MotionInBuild $subject, Drive $motor): array
    {
        if (! $motor instanceof AirCylinder) {
            return [];
        }
        $energy_J = self::ends_J($subject);
        if ($energy_J <= $motor->cushion_J * (1 + Constants::TIE)) {
            return [];
        }

        return [new Finding('stops.cushion', Severity::Fails, "{$subject->path}.drive.motor.flow_l_min", new Sentence(
            'It comes to its end with {energy}, and the ends of the cylinder take up {bears}.',
            ['energy' => Quantity::of($energy_J, 'J'), 'bears' => Quantity::of($motor->cushion_J, 'J')],
        ), $subject->proposals(fn (): array => $this->throttled($subject, $motor)))];
    }

    /** @return list<Fix> the most air with which it comes to its end gently enough, and what that costs */
    private function throttled(MotionInBuild $subject, AirCylinder $motor): array
    {
        foreach (self::DUTIES as $share) {
            $flow = round($motor->flow_l_min * $share, 1);
            $slow = $flow <= 0.0 ? null : $subject->with($subject->motion->withDrive($subject->motion->drive?->with($motor->throttled($flow))));
            if ($slow !== null && self::ends_J($slow) <= $motor->cushion_J) {
                $time = $slow->facts->runThere()['time_s'];

                return $time === null ? [] : [new Fix(new Sentence('Throttle it to {flow}: the move then takes {time}',
                    ['flow' => Quantity::of($flow, 'l/min'), 'time' => Quantity::of($time, 's')]),
                    [new Change("{$subject->path}.drive.motor.flow_l_min", $flow)])];
            }
        }

        return [];
    }

    /** Energy with which it comes to its end at the most, J. */
    private static function ends_J(MotionInBuild $subject): float
    {
        return 0.5 * $subject->facts->inertia_kgm2() * $subject->facts->fastest_rad_s() ** 2;
    }

    /** @return list<Finding> switches that say of one end what stands at the other */
    private function wrongEnds(MotionInBuild $subject): array
    {
        $motion = $subject->motion;
        [$low, $high] = $motion->range();
        $findings = [];
        foreach ($motion->period() === null ? $motion->stops->switches : [] as $i => $switch) {
            $place = $motion->at($switch->place);
            $end = $place === $low ? 'low' : ($place === $high ? 'high' : $switch->end);
            if ($end !== $switch->end) {
                [$guards, $stands] = $end === 'low' ? ['upper', 'lower'] : ['lower', 'upper'];
                $findings[] = new Finding('stops.wrong_end', Severity::Fails, "{$subject->path}.stops.switches.{$i}.end", new Sentence(
                    "{$switch->named()} is said to guard the {$guards} end, but stands for {$subject->facts->placeName($switch->place)} at the {$stands} one: it would be on nearly everywhere.",
                ), [new Fix(new Sentence("Let it guard the {$stands} end"), [new Change("{$subject->path}.stops.switches.{$i}.end", $end)])]);
            }
        }

        return $findings;
    }

    /** @return list<Finding> one pulse of its encoder takes it further than it may be off */
    private function coarse(MotionInBuild $subject): array
    {
        $one = $subject->motion->pulseLength();
        $allowed = $subject->motion->task->tolerance;
        if ($one === null || $allowed === null || $one <= $allowed * (1 + Constants::TIE)) {
            return [];
        }
        $enough = ceil((float) $subject->motion->stops->encoder_pulses * $one / $allowed);
        $unit = $subject->motion->unit();

        return [new Finding('stops.encoder_coarse', Severity::Fails, "{$subject->path}.stops.encoder_pulses",
            new Sentence('One pulse of its encoder takes it {one}, where {allowed} is allowed.',
                ['one' => $unit->quantity($one), 'allowed' => $unit->quantity($allowed)]), [
                    new Fix(new Sentence('Take an encoder of {enough} pulses', ['enough' => Quantity::number($enough)]),
                        [new Change("{$subject->path}.stops.encoder_pulses", $enough)]),
                ])];
    }

    /**
     * Where it comes to rest after a switch, against the place that the switch stands for.
     *
     * @return list<Finding>
     */
    private function offPlace(MotionInBuild $subject, LimitSwitch $switch, string $path, float $runOn): array
    {
        $motion = $subject->motion;
        $unit = $motion->unit();
        $place = $motion->at($switch->place);
        $asked = $motion->task->tolerance;
        $runOn = $asked === null ? 0.0 : $runOn; // where nobody asks how exactly it stops, the switch itself must be about where it should
        $stop = ($switch->end === 'low' ? $motion->stops->hard_low : $motion->stops->hard_high) ?? $switch->direction() * INF;
        $stands = $switch->direction() > 0 ? min($stop, $switch->at + $runOn) : max($stop, $switch->at - $runOn);
        $off = abs($stands - $place);
        $allowed = $asked ?? Motion::USUAL_TOLERANCE * abs($unit->fromSi($motion->move()->distance()));
        if ($off <= $allowed * (1 + Constants::TIE) || ($asked === null && $switch->isMark)) {
            return [];
        }
        $earlier = round($place - $switch->direction() * $runOn, $unit === PositionUnit::Degrees ? 2 : 5);
        $values = ['trips' => $unit->quantity($switch->at), 'run_on' => $unit->quantity($runOn), 'stands' => $unit->quantity($stands),
            'off' => $unit->quantity($off), 'allowed' => $unit->quantity($allowed)];

        return [new Finding('stops.switch_off_place', $asked === null ? Severity::Tight : Severity::Fails, $path, new Sentence(
            $asked === null
                ? "{$switch->named()} trips at {trips}, {off} off its place {$subject->facts->placeName($switch->place)}."
                : "{$switch->named()} trips at {trips}, and with its run-on of {run_on} it stands at {stands}: {off} off its place {$subject->facts->placeName($switch->place)}, where {allowed} is allowed.", $values,
        ), $subject->proposals(fn (): array => [
            ...(abs($earlier - $switch->at) < 1e-9 || $runOn > self::EARLY_SHARE * abs($unit->fromSi($motion->move()->distance())) ? [] : [new Fix(
                new Sentence('Move the switch to {at}'.($asked === null ? '' : ': it then comes to rest at its place'), ['at' => $unit->quantity($earlier)]),
                [new Change($path, $earlier)],
            )]),
            ...($asked === null ? [] : $this->slower($subject, $switch, $place, $allowed)),
        ]))];
    }

    /** @return list<Fix> the highest duty with which it comes to rest near enough, and what it costs */
    private function slower(MotionInBuild $subject, LimitSwitch $switch, float $place, float $allowed): array
    {
        $drive = $subject->motion->drive;
        if ($drive === null || ! $subject->motion->positioning->isTimed()) {
            return [];
        }
        foreach (self::DUTIES as $duty) {
            $slow = $duty < $drive->duty ? $subject->with($subject->motion->withDrive($drive->but(['duty' => $duty]))) : null;
            $distance = $slow?->facts->runOn($switch, $subject->build->settings)?->distance;
            if ($slow === null || $distance === null || abs($switch->at + $switch->direction() * $distance - $place) > $allowed) {
                continue;
            }
            $time = $slow->facts->runThere()['time_s'];

            return $time === null || ! DriveRepairs::mends($slow) ? [] : [new Fix(
                new Sentence('Drive it at {duty} of the duty: the move then takes {time}',
                    ['duty' => Quantity::share($duty), 'time' => Quantity::of($time, 's')]), [new Change("{$subject->path}.drive.duty", $duty)],
            )];
        }

        return [];
    }

    /** @return list<Finding> */
    private function runOn(MotionInBuild $subject, LimitSwitch $switch, string $path, RunOn $runOn): array
    {
        $motion = $subject->motion;
        $unit = $motion->unit();
        $stop = $switch->end === 'low' ? $motion->stops->hard_low : $motion->stops->hard_high;
        $room = $motion->stops->roomAfter($switch);
        if ($runOn->distance === null) {
            return [new Finding('stops.creeps_on', Severity::Fails, $path, new Sentence(
                "After {$switch->named()} trips it does not come to rest: the load drags the unpowered drive on.",
            ))];
        }
        if ($stop === null || $room === null) {
            return [];
        }
        $values = ['switch' => $unit->quantity($switch->at), 'stop' => $unit->quantity($stop), 'run_on' => $unit->quantity($runOn->distance),
            'room' => $unit->quantity(max(0.0, $room))];
        if ($room <= 0.0) {
            return [new Finding('stops.switch_past_stop', Severity::Fails, $path, new Sentence(
                "{$switch->named()} at {switch} lies at or past the hard stop at {stop}: it never trips, and the motor pushes on.", $values,
            ), $this->moveStop($subject, $switch, $runOn->distance))];
        }
        $wanted = $subject->build->settings->stop_clearance;
        if ($runOn->distance * $wanted <= $room * (1 + Constants::TIE)) {
            return [];
        }
        $fails = $runOn->distance >= $room;

        return [new Finding('stops.run_on', $fails ? Severity::Fails : Severity::Tight, $path, new Sentence(
            $fails
                ? "After {$switch->named()} trips it runs on {run_on}, but the hard stop is {room} away: it hits with {energy}."
                : "After {$switch->named()} trips it runs on {run_on} of the {room} to the hard stop; {wanted} × is asked for.",
            $values + ['energy' => Quantity::of($runOn->energy_J, 'J'), 'wanted' => Quantity::number($wanted)],
        ), $subject->proposals(fn (): array => [
            // or it would stand somewhere else altogether
            ...($runOn->distance > self::FAR_SHARE * ($motion->range()[1] - $motion->range()[0]) ? [] : $this->moveStop($subject, $switch, $runOn->distance)),
            ...$this->slower($subject, $switch, $switch->at, $room / $wanted),
            ...OtherDrives::calmer($subject, fn (MotionInBuild $calmer): bool => ($calmer->facts->runOn($switch, $subject->build->settings)->distance
                ?? INF) * $wanted <= $room),
        ]))];
    }

    /** @return list<Fix> the hard stop set back as far as the run-on asks for */
    private function moveStop(MotionInBuild $subject, LimitSwitch $switch, float $runOn): array
    {
        $digits = $subject->motion->unit() === PositionUnit::Degrees ? 1 : 4;
        $step = 10 ** -$digits;
        $room = ceil($runOn * $subject->build->settings->stop_clearance / $step + 1e-9) * $step;
        $at = round($switch->at + $switch->direction() * max($room, $step), $digits);
        $key = $switch->end === 'low' ? 'hard_low' : 'hard_high';

        return [new Fix(
            new Sentence('Set the hard stop back to {at}, {past} past the switch', ['at' => $subject->motion->unit()->quantity($at),
                'past' => $subject->motion->unit()->quantity(abs($at - $switch->at))]),
            [new Change("{$subject->path}.stops.{$key}", $at)],
        )];
    }
}
