<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment\Subject;

use Brookstone\Core\Drive\Stepper;
use Brookstone\Core\Dynamics\MotionRun;
use Brookstone\Core\Dynamics\Plant;
use Brookstone\Core\Dynamics\StepperRun;
use Brookstone\Core\Load\MoveLoad;
use Brookstone\Core\Load\MoveTorque;
use Brookstone\Core\Parts\LimitSwitch;
use Brookstone\Core\Parts\Motion;
use Brookstone\Core\Parts\Settings;
use Brookstone\Core\Simulation\ServoRun;
use Brookstone\Core\Stops\RunOn;

/**
 * What is computed of one motion before anything is judged: what its move asks for and what its drive does. Torques in
 * N·m, at the load unless a name says motor; each number is computed when it is first asked for.
 */
final class MotionFigures
{
    /** A run is given up after so many times the target time, 20 s at least: who waits longer has a wrong drive. */
    private ?MoveLoad $there = null;

    private ?MoveLoad $back = null;

    /**
     * @var array<string, array{time_s: ?float, stopped_at: ?float, why: ?string, end_speed: ?float, fastest: float, path: list<array{float, float,
     *     float}>}>
     */
    private array $runs = [];

    private ?float $stepperMargin = null;

    /** @var array<string, RunOn|null> by switch */
    private array $runOns = [];

    /** @param  bool  $traced keep the paths of its runs, for drawing */
    public function __construct(public readonly Motion $motion, private readonly bool $traced = false)
    {
    }

    /** Once they are drawn the paths of its runs are only a burden. */
    public function forgetPaths(): void
    {
        foreach ($this->runs as $key => $run) {
            $this->runs[$key] = ['path' => []] + $run;
        }
    }

    public function there(): MoveLoad
    {
        return $this->there ??= MoveLoad::of($this->motion->moved(true), $this->motion->move(), $this->motion->rotorFelt());
    }

    public function back(): MoveLoad
    {
        return $this->back ??= $this->motion->isOneWay() ? $this->there() : MoveLoad::of($this->motion->moved(false), $this->motion->move()->back(),
            $this->motion->rotorFelt());
    }

    /**
     * Largest torque either way. Where a wanted move brakes it asks for less than standing still there does; a motor that
     * pushes all the way must overcome that too.
     */
    public function peak_Nm(): float
    {
        return max($this->there()->peak_Nm, $this->back()->peak_Nm, $this->there()->steady_peak_Nm, $this->back()->steady_peak_Nm);
    }

    public function rms_Nm(): float
    {
        return max($this->there()->rms_Nm, $this->back()->rms_Nm);
    }

    /** What a torque at the load asks of the motor's shaft. */
    public function atMotor(float $load_Nm): float
    {
        return $load_Nm / ($this->motion->train->ratio() * $this->motion->train->efficiency());
    }

    /**
     * The most that the drive pushes the load with; 0 without a drive. Of a stepper, which pulls less the faster it goes: as
     * many times the largest torque as it pulls, where that is least, over what it needs there.
     */
    public function stallAtLoad_Nm(): float
    {
        if ($this->motion->positioning->countsSteps()) {
            return min(1e6, $this->stepperMargin()) * $this->peak_Nm();
        }

        return ($this->motion->drive?->line()->most_Nm() ?? 0.0) * $this->motion->train->ratio() * $this->motion->train->efficiency();
    }

    /** Stall torque over the largest torque; null without a load or a drive. */
    public function margin(): ?float
    {
        return $this->motion->drive === null || $this->peak_Nm() <= 0.0 ? null : $this->stallAtLoad_Nm() / $this->peak_Nm();
    }

    /** Torque that it must hold at the worse of its two ends, loaded or empty as it stands there. */
    public function hold_Nm(): float
    {
        $latched = $this->motion->latch?->place; // there nothing else need hold it
        [$from, $to] = [$latched !== $this->motion->task->from, $latched !== $this->motion->task->to];

        return max(0.0, $from ? $this->there()->hold_from_Nm : 0.0, $to ? $this->there()->hold_to_Nm : 0.0, $to ? $this->back()->hold_from_Nm : 0.0,
            $from ? $this->back()->hold_to_Nm : 0.0);
    }

    /** Inertia at the load where it is largest of start, middle and end, rotor included, kg·m². */
    public function inertia_kgm2(): float
    {
        $move = $this->motion->move();
        $mechanism = $this->motion->mechanism;
        $largest = 0.0;
        for ($i = 0; $i <= 4; $i++) {
            $largest = max($largest, $mechanism->inertiaKgm2($move->from + $move->distance() * $i / 4));
            if ($mechanism->isEven()) {
                break;
            }
        }

        return $largest + $this->motion->rotorAtLoad();
    }

    /** Inertia of the mechanism where it is least of start, middle and end, kg·m². */
    public function leastInertia_kgm2(): float
    {
        $move = $this->motion->move();

        return min(array_map(fn (int $i): float => $this->motion->mechanism->inertiaKgm2($move->from + $move->distance() * $i / 4), range(0, 4)));
    }

    /** Largest torque of the wanted move without the rotor: what the mechanism itself passes on, to tyres or a hung weight. */
    public function passes_Nm(): float
    {
        return MoveLoad::of($this->motion->moved(true), $this->motion->move())->peak_Nm;
    }

    /**
     * Largest torque that reaches the load on the way there: what moves it and speeds it up. What speeds up the rotor does not reach the tyres.
     */
    public function pushes_Nm(): float
    {
        $motion = $this->motion;
        if ($motion->drive === null || $motion->positioning->isSent()) {
            return $this->passes_Nm();
        }
        $free = Plant::through($motion->moved(true), $motion->train, $motion->drive->motor, slips: false);

        return MotionRun::of($free, $motion->drive->line(), $motion->move()->from, $motion->move()->to, $this->motion->patience_s(),
            ramp_s: $motion->drive->ramp_s)->peak_out_Nm;
    }

    /** Where a stepper pulls least over what it needs, both ways. */
    public function stepperMargin(): float
    {
        return $this->stepperMargin ??= min($this->stepped(true)->margin, $this->stepped(false)->margin);
    }

    private function stepped(bool $there): StepperRun
    {
        $motion = $this->motion;
        $stepper = $motion->drive?->motor;
        assert($stepper instanceof Stepper);
        $move = $there ? $motion->move() : $motion->move()->back();

        return StepperRun::of(new MoveTorque($motion->moved($there), $move), $stepper, $motion->drive->supply->volts_V, Plant::of($motion, $there));
    }

    /** Share of its stall torque that this drive bears all day. */
    public function continuousShare(float $motorShare, float $servoShare): float
    {
        return $this->motion->positioning->isAbsolute() ? $servoShare : $motorShare;
    }

    /** Torque at the load that the unpowered drive and train hold; INF where the train locks itself. */
    public function holdsUnpowered_Nm(): float
    {
        return Plant::of($this->motion)->holds_Nm;
    }

    /** @return array{time_s: ?float, stopped_at: ?float, why: ?string, end_speed: ?float, fastest: float, path: list<array{float, float, float}>} */
    public function runThere(): array
    {
        return $this->straight($this->motion->task->from, $this->motion->task->to, 1.0);
    }

    /** @return array{time_s: ?float, stopped_at: ?float, why: ?string, end_speed: ?float, fastest: float, path: list<array{float, float, float}>} */
    public function runBack(): array
    {
        return $this->motion->isOneWay() ? $this->runThere() : $this->straight($this->motion->task->to, $this->motion->task->from, 1.0);
    }

    /** Computed time between two places, s; null when the drive cannot make it or there is none. */
    public function time(string $from, string $to, float $speed = 1.0): ?float
    {
        return $this->run($from, $to, $speed)['time_s'];
    }

    /** What it draws from its supply on a move, on the average, A; null where that is never made, where no path was kept, and of a stepper. */
    public function drawn_A(string $from, string $to): ?float
    {
        $run = $this->run($from, $to);
        $path = $run['path'];
        if ($run['time_s'] === null || count($path) < 2 || $this->motion->positioning->countsSteps()) {
            return null;
        }
        $charge = 0.0;
        for ($i = 1; $i < count($path); $i++) {
            $charge += ($path[$i][0] - $path[$i - 1][0]) * ($path[$i][2] + $path[$i - 1][2]) / 2;
        }

        return $charge / ($path[count($path) - 1][0] - $path[0][0]) * ($this->motion->drive?->share() ?? 0.0);
    }

    /** Time of a move by an amount, set out from the end that it leads away from, s; null when it is never made. */
    public function timeBy(float $by, float $speed = 1.0): ?float
    {
        $from = $this->motion->task->keeps_turning ? $this->motion->at($this->motion->task->from) : $this->motion->range()[$by > 0.0 ? 0 : 1];

        return ($this->runs["by {$by} at {$speed}"] ??= $this->compute($from, $from + $by, $speed))['time_s'];
    }

    /** Its fastest within its travel, there or back, as it is run; of a stepper as fast as it is told. Of its shaft, rad/s. */
    public function fastest_rad_s(): float
    {
        return $this->motion->positioning->countsSteps() ? $this->motion->ramp()->speed : max($this->runThere()['fastest'], $this->runBack()['fastest']);
    }

    /** The longer of the ways from any other place to this one, s; null when one of them is never made. */
    public function longestTimeTo(string $to, float $speed = 1.0): ?float
    {
        $at = $this->motion->at($to);
        $period = $this->motion->period();
        if ($period !== null) { // it may have just passed it
            return ($this->runs["round to {$to} {$speed}"] ??= $this->compute($at,
                $at + ($this->motion->isOneWay() || ! $this->motion->positioning->countsSteps() ? $period : $period / 2), $speed))['time_s'];
        }
        $farthest = $to;
        foreach ($this->motion->places as $place) {
            if (abs($place->at - $at) > abs($this->motion->at($farthest) - $at)) {
                $farthest = $place->id;
            }
        }

        return $farthest === $to ? 0.0 : $this->time($farthest, $to, $speed);
    }

    /** What happens after a switch trips; null when the motion has no motor of that kind or never gets there. */
    public function runOn(LimitSwitch $switch, Settings $settings, float $speed = 1.0): ?RunOn
    {
        $key = "{$switch->id} {$speed}";

        return array_key_exists($key, $this->runOns) ? $this->runOns[$key] : $this->runOns[$key] = RunOn::of($this->motion, $switch, $settings, $speed);
    }

    public function placeName(string $id): string
    {
        return $this->motion->place($id)?->named() ?? $id;
    }

    /**
     * The move run forward, of what comes round to the next coming of that place. Positions in SI.
     *
     * @return array{time_s: ?float, stopped_at: ?float, why: ?string, end_speed: ?float, fastest: float, path: list<array{float, float, float}>}
     */
    private function run(string $from, string $to, float $speed = 1.0): array
    {
        if ($this->motion->period() === null) {
            return $this->straight($from, $to, $speed);
        }
        $at = $this->motion->at($from);

        return $this->runs["next {$from} {$to} {$speed}"] ??= $this->compute($at, $at + $this->motion->distance($at, $this->motion->at($to)), $speed);
    }

    /**
     * The same from the one place to the other as they are said.
     *
     * @return array{time_s: ?float, stopped_at: ?float, why: ?string, end_speed: ?float, fastest: float, path: list<array{float, float, float}>}
     */
    private function straight(string $from, string $to, float $speed): array
    {
        return $this->runs["{$from} {$to} {$speed}"] ??= $this->compute($this->motion->at($from), $this->motion->at($to), $speed);
    }

    /** @return array{time_s: ?float, stopped_at: ?float, why: ?string, end_speed: ?float, fastest: float, path: list<array{float, float, float}>} */
    private function compute(float $from, float $to, float $speed): array
    {
        $motion = $this->motion;
        $unit = $motion->unit();
        $patience = $this->motion->patience_s($speed);
        if ($motion->drive === null || $from === $to) {
            return ['time_s' => $motion->drive === null ? null : 0.0, 'stopped_at' => null, 'why' => null, 'end_speed' => null, 'fastest' => 0.0, 'path' => []];
        }
        if ($motion->positioning->isAbsolute()) {
            $run = ServoRun::of($motion, $from, $to, $speed, $patience, $this->traced);

            return ['time_s' => $run->time_s, 'stopped_at' => $unit->toSi($run->stopped_at), 'why' => $run->time_s === null ? 'stuck' : null,
                'end_speed' => 0.0, 'fastest' => $run->peak_speed_rad_s, 'path' => $run->path];
        }
        $there = $motion->isThere($from, $to);
        if ($motion->positioning->countsSteps()) {
            return $this->step($from, $to, $speed, $there);
        }
        $run = MotionRun::of(
            Plant::of($motion, $there), $motion->drive->line($speed), $unit->toSi($from), $unit->toSi($to), $patience,
            traced: $this->traced && $speed === 1.0, ramp_s: $motion->drive->ramp_s,
        );

        return ['time_s' => $run->time_s, 'stopped_at' => $run->stopped_at, 'why' => $run->why?->value, 'end_speed' => $run->end_speed,
            'fastest' => $run->peak_speed_rad_s, 'path' => $run->path];
    }

    /**
     * A stepper takes the time of its ramp: the speed and acceleration of its task, over whatever way.
     *
     * @return array{time_s: ?float, stopped_at: ?float, why: ?string, end_speed: ?float, fastest: float, path: list<array{float, float, float}>}
     */
    private function step(float $from, float $to, float $speed, bool $there): array
    {
        $motion = $this->motion;
        $unit = $motion->unit();
        $seconds = $motion->ramp($speed)->time_s($motion->mechanism->turnAt($unit->toSi($to)) - $motion->mechanism->turnAt($unit->toSi($from)));
        $run = $this->stepped($there);
        if ($run->margin < 1.0) {
            return ['time_s' => null, 'stopped_at' => $run->least_at, 'why' => 'stuck', 'end_speed' => 0.0, 'fastest' => 0.0, 'path' => []];
        }
        [$start, $end] = [$motion->at($motion->task->from), $motion->at($motion->task->to)];
        $isTask = [$from, $to] === [$start, $end] || [$from, $to] === [$end, $start];

        return ['time_s' => $seconds, 'stopped_at' => null, 'why' => null, 'end_speed' => 0.0, 'fastest' => $motion->ramp($speed)->speed, 'path' => $isTask
            && $this->traced ? $run->path : []];
    }
}
