<?php

declare(strict_types=1);

namespace Brookstone\Core\Simulation;

use Brookstone\Core\Build\Motion;
use Brookstone\Core\Drive\TorqueLine;

/** One motion during a run of a routine: what its driver is told, and where its load goes. */
final class Axis
{
    private const AT_REST_RAD_S = 1e-5;      // of the output shaft: slower than this is still

    private const SERVO_STEP_S = 0.002;      // a servo corrects at least this often

    private const SERVO_BAND_RAD = 0.035;    // of the servo's shaft: within 2° it pushes in proportion to what is missing

    private const FAR_RAD = 0.14;            // of the servo's shaft: from 8° on it pushes with all it has, whatever is missing

    private const MOST_STEPS = 60;           // in one scan: a drive far too strong for its load rattles, and need not be followed further

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
        } elseif ($motion->drive !== null) {
            $this->line = $this->full()->shorted();
            $this->still = false;
        }
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
    }

    /** Drives it up (1) or down (−1) at a share of its usual speed. A servo runs towards the end of its range. */
    public function push(int $direction, float $speed): void
    {
        if ($this->motion->isAbsolute()) {
            $this->follow($this->motion->range()[$direction > 0 ? 1 : 0], $speed);

            return;
        }
        $this->place = null;
        $this->order($this->drive()->line($speed), $direction, true);
    }

    /** Tells a servo where to go (own unit), no faster than a share of its no-load speed. */
    public function follow(float $at, float $speed): void
    {
        $this->place = null;
        $this->ramp_rad_s = $speed >= 1.0 ? INF : $speed * $this->full()->noLoad_rad_s() / $this->plant->ratio;
        $this->commanded = $this->state->angle;
        $this->order(null, 1, true, $this->shaftAngle($at));
    }

    public function hasArrived(): bool
    {
        if ($this->target === null || $this->pending !== [] || $this->commanded !== $this->target) {
            return false;
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

        return $this->still ? [] : $this->move($seconds);
    }

    private function order(?TorqueLine $line, int $command, bool $powered, ?float $target = null): void
    {
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
        $used = $this->plant->step($this->state, $line, $this->command, $this->powered, $seconds);
        $this->current_A = $this->powered ? $line->currentAt($this->state->motor_Nm) : 0.0;

        return $used;
    }

    /** One correction of a servo: full push while far, in proportion within its band. */
    private function correct(float $seconds): float
    {
        $target = (float) $this->target;
        $line = $this->full();
        $way = $target - $this->commanded;
        $missing = ($this->commanded - $this->state->angle) * $this->plant->ratio;
        $seconds = min($seconds, $way === 0.0 && abs($missing) > self::FAR_RAD
            ? (abs($missing) - self::SERVO_BAND_RAD) / max($line->noLoad_rad_s(), abs($this->state->speed) * $this->plant->ratio)
            : self::SERVO_STEP_S);
        $this->commanded = abs($way) <= $this->ramp_rad_s * $seconds ? $target : $this->commanded + ($way <=> 0.0) * $this->ramp_rad_s * $seconds;
        $missing = ($this->commanded - $this->state->angle) * $this->plant->ratio;
        $used = $this->plant->step($this->state, $line->scaled(min(1.0, abs($missing) / self::SERVO_BAND_RAD)), $missing >= 0.0 ? 1 : -1, true, $seconds);
        $this->current_A = $line->idle_A + $line->A_per_Nm * min(abs($this->state->motor_Nm), $line->stall_Nm);

        return $used;
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
        $slow = abs($this->state->speed) < self::AT_REST_RAD_S && $turned < self::AT_REST_RAD_S * 0.01;
        $this->still = $slow && ! ($pushesStop && $this->target === null) && ($this->target === null || $this->commanded === $this->target);
        if ($this->still) {
            $this->state->speed = 0.0;
        }
    }
}
