<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment\Sheet;

use Brookstone\Core\Assessment\Routine\SlowApproach;
use Brookstone\Core\Assessment\Subject\MotionFigures;
use Brookstone\Core\Assessment\Subject\MotionInBuild;
use Brookstone\Core\Drive\Servo;
use Brookstone\Core\Drive\Stepper;
use Brookstone\Core\Finding\Change;
use Brookstone\Core\Finding\Fix;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Mechanism\PositionUnit;
use Brookstone\Core\Parts\LimitSwitch;
use Brookstone\Core\Parts\Motion;
use Brookstone\Core\Parts\Place;
use Brookstone\Core\Parts\Settings;
use Brookstone\Core\Parts\Supply;
use Brookstone\Core\Quantity\Constants;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Sensing\Repeatability;
use Brookstone\Core\Stops\RunOn;
use Brookstone\Core\Stops\TimedMove;

/** How far a motion runs on under every supply and load, what can be done about it and what that costs, and how well it knows where it is. */
final readonly class StopsSheet
{
    private const SUPPLIES = ['low' => 0.85, 'rated' => 1.0, 'high' => 1.1];

    private const SLOWER = [0.75, 0.6, 0.5, 0.4, 0.3, 0.2];

    private const PAD = 0.05;            // of the travel, that a soft stop gives at least

    private const ENCODER_PULSES = 12.0; // of a usual one, per turn of the motor

    private const MANY = 50;             // moves between two homings, to compare by

    private Motion $motion;

    private Settings $settings;

    public function __construct(private MotionInBuild $subject)
    {
        $this->motion = $subject->motion;
        $this->settings = $subject->build->settings;
    }

    /** @return array<string, mixed> */
    public function sheet(): array
    {
        return ['switches' => array_map($this->switch(...), $this->motion->stops->switches, array_keys($this->motion->stops->switches)),
            'ways' => $this->ways(), 'tolerance' => $this->motion->task->tolerance];
    }

    /** How far off it may stop, by the way in which it knows where it is, its play too where it counts; own unit. null where that is not known. */
    public function stopsWithin(): ?float
    {
        foreach ($this->knows() as [, $errors, , , $isUsed]) {
            if ($isUsed) {
                return $errors()[0];
            }
        }

        return null;
    }

    /** @return array<string, mixed> */
    private function switch(LimitSwitch $switch, int $i): array
    {
        $rows = [];
        foreach (self::SUPPLIES as $supply => $share) {
            foreach (['loaded' => $this->motion, 'empty' => $this->motion->withMechanism($this->motion->mechanism->unloaded())] as $load => $motion) {
                $runOn = RunOn::of($this->fed($motion, $share), $switch, $this->settings);
                $rows[] = ['supply' => $supply, 'load' => $load, 'distance' => $runOn?->distance, 'speed' => $runOn?->speed];
            }
        }
        $room = $this->motion->stops->roomAfter($switch);
        $worst = max([0.0, ...array_filter(array_column($rows, 'distance'), fn (?float $distance): bool => $distance !== null)]);

        return ['switch' => $switch->id, 'name' => $switch->name, 'room' => $room, 'worst' => $worst, 'left' => $room === null ? null : $room - $worst,
            'rows' => $rows, 'offers' => $worst > 0.0 ? $this->offers($switch, $i, $worst, $room) : []];
    }

    /** @return list<array{says: Sentence, fix: Fix|null}> what makes it run on less, and the time that costs */
    private function offers(LimitSwitch $switch, int $i, float $worst, ?float $room): array
    {
        $unit = $this->motion->unit();
        $path = $this->subject->path;
        $wanted = $room === null ? $worst / 2 : $room / $this->settings->stop_clearance;
        $now = $this->time($this->motion);
        $offers = [];
        $drive = $this->motion->drive;
        if ($drive === null || ! $this->motion->positioning->isSwitched()) {
            return [];
        }
        if (! $this->motion->stops->brakes) {
            $braked = $this->motion->withStops($this->motion->stops->but(['brakes' => true]));
            $distance = RunOn::of($braked, $switch, $this->settings)?->distance;
            if ($distance !== null) {
                $offers[] = ['says' => new Sentence('Brake instead of letting it coast: it runs on {run_on}, and takes no longer.',
                    ['run_on' => $unit->quantity($distance)]), 'fix' => new Fix(new Sentence('Brake it'), [new Change("{$path}.stops.brakes", true)])];
            }
        }
        foreach (self::SLOWER as $duty) {
            $slower = $this->motion->withDrive($drive->but(['duty' => $drive->duty * $duty]));
            $distance = RunOn::of($slower, $switch, $this->settings)?->distance;
            $time = $this->time($slower);
            if ($distance !== null && $time !== null && $now !== null && $distance <= $wanted) {
                $values = ['duty' => Quantity::share($drive->duty * $duty), 'run_on' => $unit->quantity($distance), 'more' => Quantity::of($time - $now, 's')];
                $offers[] = ['says' => new Sentence('At {duty} duty throughout it runs on {run_on}, and every move takes {more} longer.', $values),
                    'fix' => new Fix(new Sentence('Drive it at {duty} duty', ['duty' => $values['duty']]),
                        [new Change("{$path}.drive.duty", round($drive->duty * $duty, 3))])];
                $stretch = SlowApproach::STRETCH * ($this->motion->range()[1] - $this->motion->range()[0]);
                [$fix, $where] = $this->slowLast($switch, $duty);
                $offers[] = ['says' => new Sentence("Slow only over the last {stretch}{$where}, it runs on the same and takes only about {more} longer.",
                    ['stretch' => $unit->quantity($stretch), 'more' => Quantity::of(SlowApproach::STRETCH * ($time - $now), 's')]), 'fix' => $fix];

                break;
            }
        }
        $energy = RunOn::of($this->motion, $switch, $this->settings)?->energy_J;
        if ($room !== null && $worst > $room && $energy !== null && $energy > 0.0) {
            [$low, $high] = $this->motion->range();
            $gives = max($worst - $room, self::PAD * ($high - $low));
            $push = 2 * $energy / $unit->toSi($gives); // ½·F·d = E: a spring that is pressed together by d
            $offers[] = ['says' => new Sentence('A stop that gives {gives}, of foam or a spring, takes up its {energy} with no more than {push}, and no time is lost.', ['gives' => $unit->quantity($gives), 'energy' => Quantity::of($energy, 'J'), 'push' => Quantity::of($push, $unit === PositionUnit::Degrees ? 'N·m' : 'N')]), 'fix' => null];
        }
        if (! $switch->closed) {
            $offers[] = ['says' => new Sentence('Wire it to open when it trips: a broken wire then stops the motion, where now it would drive on.'),
                'fix' => new Fix(new Sentence('Wire it so'), [new Change("{$path}.stops.switches.{$i}.closed", true)])];
        }
        $inwards = round($switch->at - $switch->direction() * ($worst * $this->settings->stop_clearance - ($room ?? INF)), 4);
        if ($room !== null && $worst * $this->settings->stop_clearance > $room) {
            $offers[] = ['says' => new Sentence('Move the switch to {at}: what is left to the hard stop is then enough, and it stops that much short of its place.', ['at' => $unit->quantity($inwards)]), 'fix' => new Fix(new Sentence('Move the switch'), [new Change("{$path}.stops.switches.{$i}.at", $inwards)])];
        }

        return $offers;
    }

    /** @return array{Fix|null, string} the change of the first step that drives onto a switch, and in which routine that is */
    private function slowLast(LimitSwitch $switch, float $speed): array
    {
        foreach (array_values($this->subject->build->routines) as $i => $routine) {
            foreach ($routine->flat() as $path => $step) {
                $effect = $step->effect($this->subject->build);
                $move = $effect->move;
                if ($move !== null && $move->motion === $this->motion->id && $move->speed >= 1.0 && $move->onto === $switch && $move->isSent()) {
                    $fix = SlowApproach::fix($this->subject->build, $i, $path, $effect, $switch, $speed, $this->subject->facts->longestTimeTo($switch->place,
                        $speed));
                    if ($fix !== null) {
                        return [$fix, ", in {$routine->named()}"];
                    }
                }
            }
        }

        return [null, ', by a step of its own in the routine'];
    }

    /** @return list<array{way: string, error: float|null, within: bool|null, after_many: float|null, at_power_on: string, parts: string, is_used: bool}> */
    private function ways(): array
    {
        [$low, $high] = $this->motion->range();
        $tolerance = $this->motion->task->tolerance;

        return array_map(function (array $way) use ($low, $high, $tolerance): array {
            [$says, $errors, $at_power_on, $parts, $isUsed] = $way;
            [$error, $afterMany] = $errors();

            return [
                'way' => $says, 'error' => $error, 'within' => $tolerance === null || $error === null ? null : $error <= $tolerance,
                'after_many' => $afterMany === null ? null : min($afterMany, $high - $low),
                'at_power_on' => $at_power_on, 'parts' => $parts, 'is_used' => $isUsed,
            ];
        }, $this->knows());
    }

    /**
     * The ways to know where it is: of each what it is, how far off it may be by it at once and after many moves (own unit; null where that is not known;
     * told when asked, as some must be run for it), what it knows at power-on, what it takes, and whether the motion does it so.
     *
     * @return list<array{string, \Closure(): array{float|null, float|null}, string, string, bool}>
     */
    private function knows(): array
    {
        $motion = $this->motion;
        $drive = $motion->drive;
        if ($drive === null || $motion->task->keeps_turning) {
            return [];
        }
        $unit = $motion->unit();
        $slop = $unit->fromSi($motion->laidTrain()->backlash_deg() * Constants::RAD_PER_DEG * $motion->mechanism->travelPerRad());
        $turn = fn (float $degrees): float => abs($unit->fromSi(
            $degrees * Constants::RAD_PER_DEG / $motion->train->ratio() * $motion->mechanism->travelPerRad()));
        $motor = $drive->motor;
        // A place with a switch is gone to by that.
        $counts = $motion->positioning->countsPulses()
            && array_filter($motion->places, fn (Place $place): bool => $motion->stops->switchAt($place->id) === null) !== [];
        $pulses = $motion->stops->encoder_pulses ?? self::ENCODER_PULSES;
        $byCount = fn (float $one): array => [$one + $slop, $one + $slop];
        $switches = count($motion->stops->switches);

        return [
            ['by time, and a switch to home on', $this->byTime(...), 'must be homed', 'one switch, one pin', $switches === 1 && ! $counts],
            ['a switch at each end', function (): array {
                $spread = $this->spreadOfRunOn();

                return [$spread, $spread];
            }, 'knows only at its ends', 'two switches, two pins', $switches > 1 && ! $counts],
            ["an encoder of {$pulses} pulses on its shaft", fn (): array => $byCount(($motion->pulseLength() ?? $turn(360 / $pulses))
                + ($this->spreadOfRunOn() ?? 0.0)), 'must be homed', 'an encoder and a switch, three pins', $counts],
            ['a positional servo', fn (): array => $byCount($turn($motor instanceof Servo ? $motor->standsWithin_deg() : 1.0)), 'knows',
                'the servo itself, one pin', $motor instanceof Servo],
            ['a stepper that counts', fn (): array => $byCount($turn($motor instanceof Stepper ? 180 / $motor->steps_per_rev : 0.9)), 'must be homed',
                'a driver and a switch, three pins', $motor instanceof Stepper],
        ];
    }

    /** @return array{float|null, float|null} how far off it may be after one move by the computed time, and after many */
    private function byTime(): array
    {
        $motion = $this->motion;
        $motor = $motion->drive?->motor;
        $timed = $motor instanceof Servo || $motor instanceof Stepper ? null : new TimedMove($motion, $this->settings, $motion->at($motion->task->from),
            $motion->at($motion->task->to));
        if ($timed?->time_s === null) {
            return [null, null];
        }
        [$bias, $sd] = [$timed->error(), $timed->spread()];

        return [(new Repeatability($bias, $sd, 1, 1.0))->worst_error, (new Repeatability($bias, $sd, self::MANY, 1.0))->worst_error];
    }

    /** Half of how much the run-on differs with supply and load: that is how differently it stops. */
    private function spreadOfRunOn(): ?float
    {
        $motion = $this->motion;
        $end = $motion->at($motion->task->to) > $motion->at($motion->task->from) ? 'high' : 'low';
        $switch = $motion->stops->switchAt($motion->task->to) ?? new LimitSwitch('', '', $motion->task->to, $motion->at($motion->task->to), $end);
        $distances = [];
        foreach (self::SUPPLIES as $share) {
            foreach ([$motion, $motion->withMechanism($motion->mechanism->unloaded())] as $each) {
                $distances[] = RunOn::of($this->fed($each, $share), $switch, $this->settings)?->distance;
            }
        }
        $known = array_filter($distances, fn (?float $distance): bool => $distance !== null);

        return $known === [] ? null : (max($known) - min($known)) / 2;
    }

    private function fed(Motion $motion, float $share): Motion
    {
        $drive = $motion->drive;

        return $drive === null ? $motion
            : $motion->withDrive($drive->but(['supply' => new Supply($drive->supply->id, $drive->supply->name, $drive->supply->volts_V * $share,
                $drive->supply->max_A, $drive->supply->capacity_Ah)]));
    }

    private function time(Motion $motion): ?float
    {
        return (new MotionFigures($motion))->time($motion->task->from, $motion->task->to);
    }
}
