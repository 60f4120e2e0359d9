<?php

declare(strict_types=1);

namespace Brookstone\Core\Simulation;

use Brookstone\Core\Build\Motion;
use Brookstone\Core\Drive\Stepper;
use Brookstone\Core\Drive\TorqueLine;

/** One motion during a run of a routine: what its driver is told, and where its load goes. */
final class Axis
{
    private const AT_REST_RAD_S = 1e-5;      // of the output shaft: slower than this is still

    private const SERVO_STEP_S = 0.002;      // a servo corrects at least this often

    private const SERVO_BAND_RAD = 0.035;    // of the servo's shaft: within 2° it pushes in proportion to what is missing

    private const FAR_RAD = 0.14;            // of the servo's shaft: from 8° on it pushes with all it has, whatever is missing

    private const MOST_STEPS = 60;           // in one scan: a drive far too strong for its load rattles, and need not be followed further

    private const RAMP_STEPS = 40;

    private const FAR_AWAY_RAD = 1e4;        // a stepper that is told to run

    private const GATE_S = 0.3;              // settling time before the power of a gated servo is cut

    private const ARRIVED_SPEED = 0.05;      // of its no-load speed

    public readonly Plant $plant;

    private readonly PlantState $state;

    private ?TorqueLine $line = null;        // what the motor does; null with its terminals open

    private int $command = 1;

    private bool $powered = false;

    private readonly float $lowest;          // hard stops, shaft rad; endless where there is none

    private readonly float $highest;

    private readonly ?TorqueLine $full;      // the drive at its usual speed

    private ?float $target = null;           // of a servo, shaft rad

    private float $commanded = 0.0;          // where the ramp of a servo is, shaft rad

    private float $ramp_rad_s = 0.0;

    private bool $still = true;

    private int $atStop = 0;

    private float $current_A = 0.0;

    private ?string $place = null;

    /** @var list<array{TorqueLine|null, int, bool, ?float, float}> what the driver will do, once its delay is over */
    private array $pending = [];

    private float $delay_s = 0.0;

    private float $ramp_rad_s2 = INF;        // how fast the command speeds up; a stepper must not be told to jump

    private float $commandedSpeed = 0.0;     // rad/s of the shaft

    private float $stepSpeed = 0.0;          // of a stepper's command in its last step, signed

    private bool $counted = false;           // a stepper has been homed and counts from there

    private float $restedFor_s = 0.0;        // since a gated servo arrived

    private float $pushedFor_s = 0.0;        // since it was last switched on: where its ramp is

    private ?self $partner = null;           // another motion on the same motor

    /** @param  float  $at where it stands at first, in its own unit */
    public function __construct(public readonly Motion $motion, float $at, private readonly float $driver_s)
    {
        $this->plant = $motion->plant();
        $this->state = $this->plant->stateAt($motion->unit()->toSi($at));
        $this->full = $motion->drive?->line();
        $this->lowest = $motion->stops->hard_low === null ? -INF : $this->shaftAngle($motion->stops->hard_low);
        $this->highest = $motion->stops->hard_high === null ? INF : $this->shaftAngle($motion->stops->hard_high);
        if ($motion->isAbsolute()) {
            $this->target = $this->commanded = $this->state->angle;
            $this->powered = true;
            $this->still = false;
        } elseif ($motion->counts()) {
            $this->target = $this->commanded = $this->state->angle;
            $this->powered = true;
        } elseif ($motion->drive !== null) {
            $this->line = $this->full()->shorted();
            $this->still = false;
        }
    }

    /** One motor moves this and another: only one of them at a time. */
    public function sharesWith(self $partner): void
    {
        $this->partner = $partner;
        $partner->partner = $this;
    }

    /** In the motion's own unit. */
    public function position(): float
    {
        return $this->motion->unit()->fromSi($this->plant->position($this->state));
    }

    /** In the motion's own unit per second. */
    public function speed(): float
    {
        return $this->motion->unit()->fromSi($this->plant->speed($this->state));
    }

    public function current_A(): float
    {
        return $this->current_A;
    }

    public function isStill(): bool
    {
        return $this->still && $this->pending === [];
    }

    public function isPowered(): bool
    {
        return $this->powered;
    }

    /** The place the routine last brought it to, as far as the controller can know. */
    public function knownPlace(): ?string
    {
        return $this->place;
    }

    public function isAt(?string $place): void
    {
        $this->place = $place;
        $this->counted = $this->counted || $place !== null;
    }

    /** It can be told where to go: a servo always, a stepper once it has been homed. */
    public function canFollow(): bool
    {
        return $this->motion->isAbsolute() || ($this->motion->counts() && $this->counted);
    }

    /** Drives it up (1) or down (−1) at a share of its usual speed. A servo runs towards the end of its range. */
    public function push(int $direction, float $speed): void
    {
        if ($this->motion->isAbsolute()) {
            $this->follow($this->motion->range()[$direction > 0 ? 1 : 0], $speed);

            return;
        }
        if ($this->motion->counts()) {
            $this->send($this->state->angle + $direction * self::FAR_AWAY_RAD, $speed);

            return;
        }
        $this->place = null;
        $this->order($this->drive()->line($speed), $direction, true);
    }

    /** Sends a stepper to an angle of the shaft, at a share of the speed of its task. */
    private function send(float $angle, float $speed): void
    {
        $move = $this->motion->move();
        $this->place = null;
        $this->ramp_rad_s = $speed * $move->peakSpeed() / $this->plant->travelPerRad;
        $this->ramp_rad_s2 = $move->peakAccel() > 0.0 ? $speed ** 2 * $move->peakAccel() / $this->plant->travelPerRad : INF;
        $this->order(null, 1, true, $angle);
    }

    /** Tells a servo where to go (own unit), no faster than a share of its no-load speed; a stepper of its task's. */
    public function follow(float $at, float $speed): void
    {
        if ($this->motion->counts()) {
            $this->send($this->shaftAngle($at), $speed);

            return;
        }
        $this->place = null;
        $this->ramp_rad_s = $speed >= 1.0 ? INF : $speed * $this->full()->noLoad_rad_s() / $this->plant->ratio;
        $this->commanded = $this->state->angle;
        $this->order(null, 1, true, $this->shaftAngle($at));
    }

    public function hasArrived(): bool
    {
        if ($this->target === null || $this->pending !== [] || $this->commanded !== $this->target) {
            return $this->target === null && ($this->motion->drive->gated ?? false) && $this->pending === [];
        }

        return $this->still || (abs($this->target - $this->state->angle) < self::SERVO_BAND_RAD / $this->plant->ratio
            && abs($this->state->speed) * $this->plant->ratio < self::ARRIVED_SPEED * $this->full()->noLoad_rad_s());
    }

    /** `brake` shorts the motor, `coast` opens it, `hold` keeps a servo where it is; a motor that cannot hold brakes. */
    public function stop(string $how): void
    {
        if ($this->motion->isAbsolute()) {
            $how === 'hold' || $how === 'brake'
                ? $this->order(null, 1, true, $this->target === null ? $this->state->angle : $this->commanded)
                : $this->order(null, 1, false);

            return;
        }
        if ($this->motion->counts()) {
            $this->commandedSpeed = 0.0;
            $this->order(null, 1, $how !== 'coast', $how === 'coast' ? null : $this->commanded);

            return;
        }
        $this->order($how === 'coast' ? null : $this->full()->shorted(), $this->command, false);
    }

    /** @return list<array{string, float, float}> what happened: word, speed (own unit/s), energy J */
    public function advance(float $seconds): array
    {
        if ($this->pending !== []) {
            $wait = min($this->delay_s, $seconds);
            $happened = $wait > 0.0 ? $this->move($wait) : [];
            $this->delay_s -= $wait;
            if ($this->delay_s > 1e-12) {
                return $happened;
            }
            [$this->line, $this->command, $this->powered, $this->target, $this->commanded] = $this->pending[0];
            $this->pending = [];
            $this->still = false;

            return [...$happened, ...$this->move($seconds - $wait)];
        }

        $happened = $this->still ? [] : $this->move($seconds);
        $this->gate($seconds);

        return $happened;
    }

    /** Cuts the power of a gated servo once it has arrived and settled. */
    private function gate(float $seconds): void
    {
        if (! ($this->motion->drive->gated ?? false) || $this->target === null || ! $this->hasArrived()) {
            $this->restedFor_s = 0.0;
        } elseif (($this->restedFor_s += $seconds) >= self::GATE_S) {
            [$this->line, $this->powered, $this->target, $this->still] = [null, false, null, false];
            $this->current_A = 0.0;
        }
    }

    private function order(?TorqueLine $line, int $command, bool $powered, ?float $target = null): void
    {
        if ($powered && $this->partner !== null && $this->partner->isPowered()) {
            throw new StepFailed("{$this->motion->name} needs the motor that {$this->partner->motion->name} is using");
        }
        $this->pushedFor_s = 0.0;
        $this->pending = [[$line, $command, $powered, $target, $target !== null && $this->ramp_rad_s === INF ? $target : $this->commanded]];
        $this->delay_s = $this->driver_s;
    }

    /** @param  float  $at in the motion's own unit */
    private function shaftAngle(float $at): float
    {
        return $this->plant->stateAt($this->motion->unit()->toSi($at))->angle;
    }

    private function full(): TorqueLine
    {
        return $this->full ?? throw new StepFailed("{$this->motion->name} has no drive yet");
    }

    private function drive(): \Brookstone\Core\Build\DriveChoice
    {
        return $this->motion->drive ?? throw new StepFailed("{$this->motion->name} has no drive yet");
    }

    /** @return list<array{string, float, float}> */
    private function move(float $seconds): array
    {
        if ($seconds <= 0.0 || $this->still) {
            return [];
        }
        $before = $this->state->angle;
        $happened = [];
        for ($left = $seconds, $steps = 0; $left > 1e-12 && $happened === [] && $steps < self::MOST_STEPS; $steps++) {
            $left -= $this->target === null ? $this->step($left) : $this->correct($left);
            $happened = $this->meetStops();
        }
        $this->settle(abs($this->state->angle - $before));

        return $happened;
    }

    private function step(float $seconds): float
    {
        $line = $this->line ?? $this->full()->open();
        if ($this->atStop !== 0 && $this->atStop === $this->command && $this->powered) {
            $this->current_A = $line->stall_A;

            return $seconds;
        }
        $ramp = $this->motion->drive->ramp_s ?? 0.0;
        if ($this->powered && $this->pushedFor_s < $ramp) {
            $seconds = min($seconds, $ramp / self::RAMP_STEPS);
            $line = $line->atShare(min(1.0, ($this->pushedFor_s + $seconds / 2) / $ramp));
        }
        $used = $this->plant->step($this->state, $line, $this->command, $this->powered, $seconds);
        $this->pushedFor_s += $used;
        $this->current_A = $this->powered ? $line->currentAt($this->state->motor_Nm) : 0.0;

        return $used;
    }

    /** One correction of a servo: full push while far, in proportion within its band. */
    private function correct(float $seconds): float
    {
        $target = (float) $this->target;
        $stepper = $this->motion->drive?->motor;
        if ($stepper instanceof Stepper) {
            return $this->stepOn($stepper, $target, $seconds);
        }
        $line = $this->full();
        $way = $target - $this->commanded;
        $missing = ($this->commanded - $this->state->angle) * $this->plant->ratio;
        $seconds = min($seconds, $way === 0.0 && abs($missing) > self::FAR_RAD
            ? (abs($missing) - self::SERVO_BAND_RAD) / max($line->noLoad_rad_s(), abs($this->state->speed) * $this->plant->ratio)
            : self::SERVO_STEP_S);
        $this->commanded = $this->nextCommand($target, $seconds);
        $missing = ($this->commanded - $this->state->angle) * $this->plant->ratio;
        $used = $this->plant->step($this->state, $line->scaled(min(1.0, abs($missing) / self::SERVO_BAND_RAD)), $missing >= 0.0 ? 1 : -1, true, $seconds);
        $this->current_A = $line->idle_A + $line->A_per_Nm * min(abs($this->state->motor_Nm), $line->stall_Nm);

        return $used;
    }

    /** Where the command goes within a step, no faster and no more suddenly than its ramp allows. */
    private function nextCommand(float $target, float $seconds): float
    {
        $way = $target - $this->commanded;
        if ($this->ramp_rad_s2 === INF) {
            return abs($way) <= $this->ramp_rad_s * $seconds ? $target : $this->commanded + ($way <=> 0.0) * $this->ramp_rad_s * $seconds;
        }
        $most = min($this->ramp_rad_s, $this->commandedSpeed + $this->ramp_rad_s2 * $seconds, sqrt(2 * $this->ramp_rad_s2 * abs($way)) + $this->ramp_rad_s2 * $seconds / 2);
        $this->commandedSpeed = $way === 0.0 ? 0.0 : $most;

        return abs($way) <= $most * $seconds ? $target : $this->commanded + ($way <=> 0.0) * $most * $seconds;
    }

    /**
     * A stepper goes where its command goes while it pulls what that takes; when it does not, it stands, and its count does
     * not know.
     */
    private function stepOn(Stepper $stepper, float $target, float $seconds): float
    {
        $seconds = min($seconds, self::SERVO_STEP_S);
        $before = $this->commanded;
        $this->commanded = $this->nextCommand($target, $seconds);
        $speed = ($this->commanded - $before) / $seconds;
        $plant = $this->plant;
        $needed = $plant->loadNm($this->state->angle) + $plant->frictionAt($this->state->angle) * ($speed <=> 0.0) + $plant->inertiaAt($this->state->angle) * ($speed - $this->stepSpeed) / $seconds;
        $this->stepSpeed = $speed;
        $volts = $this->drive()->supply->volts_V;
        $this->current_A = $stepper->holdCurrent_A(0.0, $volts);
        if (abs($needed) <= $stepper->available_Nm($volts, $speed * $plant->ratio) * $plant->ratio * $plant->efficiency) {
            $this->state->angle = $this->commanded;
            $this->state->speed = $speed;
        } else {
            $lost = $this->commanded - $this->state->angle;
            $this->commanded -= $lost;
            $this->target = $target - $lost;
            $this->state->speed = 0.0;
        }

        return $seconds;
    }

    /** @return list<array{string, float, float}> */
    private function meetStops(): array
    {
        $angle = $this->state->angle;
        $stop = $angle <= $this->lowest ? -1 : ($angle >= $this->highest ? 1 : 0);
        if ($stop === 0 || $this->state->speed * $stop <= 0.0) {
            $this->atStop = $stop === 0 ? 0 : $this->atStop;

            return [];
        }
        $hit = ['hits', $this->speed(), $this->plant->kinetic_J($this->state)];
        $this->state->angle = $stop < 0 ? $this->lowest : $this->highest;
        $this->state->speed = 0.0;
        $again = $this->atStop === $stop;
        $this->atStop = $stop;

        return $again ? [] : [$hit];
    }

    private function settle(float $turned): void
    {
        $pushesStop = $this->atStop !== 0 && $this->powered;
        $isRamping = $this->powered && $this->target === null && $this->pushedFor_s < ($this->motion->drive->ramp_s ?? 0.0);
        $slow = ! $isRamping && abs($this->state->speed) < self::AT_REST_RAD_S && $turned < self::AT_REST_RAD_S * 0.01;
        $this->still = $slow && ! ($pushesStop && $this->target === null) && ($this->target === null || $this->commanded === $this->target);
        if ($this->still) {
            $this->state->speed = 0.0;
        }
    }
}
