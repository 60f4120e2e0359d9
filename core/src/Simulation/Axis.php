<?php

declare(strict_types=1);

namespace Brookstone\Core\Simulation;

use Brookstone\Core\Build\DriveChoice;
use Brookstone\Core\Build\Motion;
use Brookstone\Core\Drive\Stepper;
use Brookstone\Core\Drive\TorqueLine;

/** One motion during a run of a routine: what its driver is told, and where its load goes. */
final class Axis
{
    private const AT_REST_RAD_S = 1e-5;      // of the output shaft: slower than this is still

    private const MOST_STEPS = 60;           // in one scan: a drive far too strong for its load rattles, and need not be followed further

    private const STALLED = 0.7;             // of its stall current

    private const NEAR_SHARE = 0.01;         // of its travel: how near counts as there

    private const MOVES_RAD_S = 1e-3;        // slower than this is settling

    private const FAR_AWAY_RAD = 1e4;        // a stepper that is told to run

    private const GATE_S = 0.3;              // settling time before the power of a gated servo is cut

    private const ARRIVED_SPEED = 0.05;      // of its no-load speed

    public Plant $plant;

    private readonly PlantState $state;

    private bool $powered = false;

    private readonly HardStops $stops;

    private readonly CommandRamp $ramp;      // of what follows a command: servo and stepper

    private readonly MotorShaft $motor;

    private ServoShaft|SteppedShaft|null $follower;

    private readonly ?TorqueLine $full;      // the drive at its usual speed

    private bool $still = true;

    private float $current_A = 0.0;

    private ?string $place = null;

    private ?Order $pending = null;

    private float $delay_s = 0.0;

    private bool $counted = false;           // a stepper has been homed and counts from there

    private readonly bool $gated;

    private float $restedFor_s = 0.0;        // since a gated servo arrived

    private ?self $partner = null;           // another motion on the same motor

    private ?Ledger $ledger = null;

    private float $fed = 1.0;                // share of the supply's voltage

    public readonly StallWatch $stall;

    private bool $off = false;               // its power is switched off by a step

    public readonly Burden $burden;

    /** @param  float  $at where it stands at first, in its own unit */
    public function __construct(public readonly Motion $motion, float $at, private readonly float $driver_s)
    {
        $this->stall = new StallWatch;
        $this->plant = $motion->plant();
        $this->gated = $motion->drive->gated ?? false;
        $this->burden = new Burden($motion);
        $this->state = $this->plant->stateAt($motion->unit()->toSi($at));
        $this->full = $motion->drive?->line();
        $this->stops = new HardStops(
            $motion->stops->hard_low === null ? -INF : $this->shaftAngle($motion->stops->hard_low),
            $motion->stops->hard_high === null ? INF : $this->shaftAngle($motion->stops->hard_high),
        );
        $this->ramp = new CommandRamp($this->state->angle);
        $this->motor = new MotorShaft($this->plant, $motion->drive->ramp_s ?? 0.0);
        $this->follower = $this->follower();
        if ($this->follower !== null) {
            $this->ramp->sendTo($this->state->angle, $this->state->angle);
            $this->powered = true;
            $this->still = $this->follower instanceof SteppedShaft;
            $this->current_A = $this->follower instanceof SteppedShaft ? $this->follower->atRest_A() : 0.0;
        } elseif ($this->full !== null) {
            $this->motor->switch(new Order($this->full->shorted(), 1, false, null, 0.0));
            $this->still = false;
        }
    }

    private function follower(): ServoShaft|SteppedShaft|null
    {
        $drive = $this->motion->drive;

        return match (true) {
            $drive?->motor instanceof Stepper => new SteppedShaft($this->plant, $drive->motor, $drive->supply->volts_V * $this->fed),
            $this->motion->isAbsolute() => new ServoShaft($this->plant, $this->fed === 1.0 ? $this->full() : $this->full()->atShare($this->fed)),
            default => null,
        };
    }

    /** The share of its voltage that its supply gives now. */
    public function fedWith(float $share): void
    {
        $this->fed = $share;
        $this->motor->fedWith($share);
        $this->follower = $this->follower();
    }

    /** Something happens to its load: from now on it is another machine in the same place. */
    public function burdened(): void
    {
        $this->plant = $this->burden->plant();
        $this->motor->moves($this->plant);
        $this->follower = $this->follower();
        $this->still = false;
    }

    /** The power goes: its motor turns freely, and what only counts forgets where it is. */
    public function lose(): void
    {
        $this->pending = null;
        $this->obey(new Order(null, 1, false, null, $this->state->angle));
        $this->current_A = 0.0;
        $this->place = null;
        $this->counted = false;
    }

    /** The power comes back: a servo stays unpowered until it is told where to go; a driver shorts its motor. */
    public function wake(): void
    {
        $this->off = false;
        if ($this->follower === null && $this->full !== null) {
            $this->obey(new Order($this->full->shorted(), 1, false, null, 0.0));
        }
    }

    /** Its own power, by a step. */
    public function power(bool $on): void
    {
        if (! $on) {
            $place = $this->place;
            $this->lose();
            $this->place = $this->motion->isAbsolute() ? $place : null;
        } elseif ($this->off && $this->follower !== null) {
            $this->obey(new Order(null, 1, true, $this->state->angle, $this->state->angle));
        } elseif ($this->off) {
            $this->wake();
        }
        $this->off = ! $on;
    }

    /** Driven, or still turning. */
    public function isMoving(): bool
    {
        return abs($this->state->speed) > self::MOVES_RAD_S || ($this->powered && $this->follower === null);
    }

    /** One motor moves this and another: only one of them at a time. */
    public function sharesWith(self $partner): void
    {
        $this->partner = $partner;
        $partner->partner = $this;
    }

    /** From now on writes down where the energy goes. */
    public function watch(Ledger $ledger): void
    {
        $ledger->begin($this->state);
        $this->ledger = $ledger;
    }

    public function closeLedger(): void
    {
        $this->ledger?->close($this->state);
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

    /** For how long it pushes in vain by now, s; none if it is just being let go. */
    public function pushedInVain_s(): float
    {
        return ! $this->powered || $this->pending?->powered === false ? 0.0 : $this->stall->now_s();
    }

    public function isStill(): bool
    {
        return $this->still && $this->pending === null;
    }

    public function isPowered(): bool
    {
        return $this->powered;
    }

    /** The place the routine last brought it to, as far as the controller can know. */
    public function knownPlace(): ?string
    {
        $feels = $this->place === null && $this->motion->isAbsolute() && $this->still; // a servo feels where it is

        return $feels ? $this->motion->placeNear($this->position(), self::NEAR_SHARE)?->id : $this->place;
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
        $this->ramp->most_rad_s = $speed * $move->peakSpeed() / $this->plant->travelPerRad;
        $this->ramp->most_rad_s2 = $move->peakAccel() > 0.0 ? $speed ** 2 * $move->peakAccel() / $this->plant->travelPerRad : INF;
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
        $this->ramp->most_rad_s = $speed >= 1.0 ? INF : $speed * $this->full()->noLoad_rad_s() / $this->plant->ratio;
        $this->order(null, 1, true, $this->shaftAngle($at), $this->state->angle);
    }

    public function hasArrived(): bool
    {
        $target = $this->ramp->target();
        if ($this->pending !== null || ! $this->ramp->isThere() || $target === null) {
            return $this->pending === null && $target === null && $this->gated;
        }

        return $this->still || (abs($target - $this->state->angle) < ServoShaft::BAND_RAD / $this->plant->ratio
            && abs($this->state->speed) * $this->plant->ratio < self::ARRIVED_SPEED * $this->full()->noLoad_rad_s());
    }

    /** `brake` shorts the motor, `coast` opens it, `hold` keeps a servo where it is; a motor that cannot hold brakes. */
    public function stop(string $how): void
    {
        if ($this->motion->isAbsolute()) {
            $how === 'hold' || $how === 'brake'
                ? $this->order(null, 1, true, $this->ramp->target() === null ? $this->state->angle : $this->ramp->at())
                : $this->order(null, 1, false);

            return;
        }
        if ($this->motion->counts()) {
            $this->ramp->stop();
            $this->order(null, 1, $how !== 'coast', $how === 'coast' ? null : $this->ramp->at());

            return;
        }
        $this->order($how === 'coast' ? null : $this->full()->shorted(), $this->motor->command(), false);
    }

    /** @return list<array{string, float, float}> what happened: word, speed (own unit/s), energy J */
    public function advance(float $seconds): array
    {
        if ($this->pending !== null) {
            $wait = min($this->delay_s, $seconds);
            $happened = $wait > 0.0 ? $this->move($wait) : [];
            $this->delay_s -= $wait;
            if ($this->delay_s > 1e-12) {
                return $happened;
            }
            $this->obey($this->pending);
            $this->pending = null;

            return [...$happened, ...$this->move($seconds - $wait)];
        }
        $happened = $this->move($seconds);
        if ($this->gated) {
            $this->gate($seconds);
        }
        $this->stall->look($this->pushesInVain(), $seconds);

        return $happened;
    }

    /** Pushes, and does not get on: against a stop, a hand, or a load too heavy for it. */
    private function pushesInVain(): bool
    {
        return $this->powered && abs($this->state->speed) < self::AT_REST_RAD_S && $this->full !== null && $this->current_A > self::STALLED * $this->full->stall_A;
    }

    /** Cuts the power of a gated servo once it has arrived and settled. */
    private function gate(float $seconds): void
    {
        if ($this->ramp->target() === null || ! $this->hasArrived()) {
            $this->restedFor_s = 0.0;
        } elseif (($this->restedFor_s += $seconds) >= self::GATE_S) {
            $this->obey(new Order(null, 1, false, null, $this->state->angle));
            $this->current_A = 0.0;
        }
    }

    private function obey(Order $order): void
    {
        $this->motor->switch($order);
        $this->ramp->sendTo($order->target, $order->from);
        $this->powered = $order->powered;
        $this->still = false;
    }

    private function order(?TorqueLine $line, int $command, bool $powered, ?float $target = null, ?float $from = null): void
    {
        if ($powered && $this->off) {
            throw new StepFailed("the power of {$this->motion->name} is switched off");
        }
        if ($powered && $this->partner !== null && $this->partner->isPowered()) {
            throw new StepFailed("{$this->motion->name} needs the motor that {$this->partner->motion->name} is using");
        }
        $this->pending = new Order($line, $command, $powered, $target, $from ?? $this->ramp->at());
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

    private function drive(): DriveChoice
    {
        return $this->motion->drive ?? throw new StepFailed("{$this->motion->name} has no drive yet");
    }

    /** @return list<array{string, float, float}> */
    private function move(float $seconds): array
    {
        if ($seconds <= 0.0) {
            return [];
        }
        if ($this->still) {
            $this->ledger?->held($this->current_A, $seconds, $this->powered && $this->follower instanceof SteppedShaft ? $this->follower->heat_W() : null);

            return [];
        }
        $before = $this->state->angle;
        $happened = [];
        for ($left = $seconds, $steps = 0; $left > 1e-12 && $happened === [] && $steps < self::MOST_STEPS; $steps++) {
            $left -= $this->step($left);
            $happened = $this->meetStops();
        }
        $this->settle(abs($this->state->angle - $before));

        return $happened;
    }

    /** @return float the seconds used */
    private function step(float $seconds): float
    {
        if ($this->follower !== null && $this->ramp->target() !== null) {
            $used = $this->follower->step($this->state, $this->ramp, $seconds, $this->ledger);
            $this->current_A = $this->follower->current_A;

            return $used;
        }
        $used = $this->motor->step($this->state, $this->stops, $seconds, $this->ledger);
        $this->current_A = $this->motor->current_A;

        return $used;
    }

    /** @return list<array{string, float, float}> */
    private function meetStops(): array
    {
        if ($this->stops->isClear($this->state)) {
            return [];
        }
        $before = clone $this->state;
        $hit = $this->stops->meet($this->state);
        if ($this->state->angle !== $before->angle || $this->state->speed !== $before->speed) {
            $this->ledger?->stopped($before, $this->state);
            if ($this->follower instanceof SteppedShaft) {
                $this->ramp->lose($before->angle - $this->state->angle);
            }
        }

        return $hit ? [['hits', $this->motion->unit()->fromSi($this->plant->speed($before)), $this->plant->kinetic_J($before)]] : [];
    }

    private function settle(float $turned): void
    {
        if (abs($this->state->speed) >= self::AT_REST_RAD_S) {
            $this->still = false;

            return;
        }
        $follows = $this->ramp->target() !== null;
        $pushesStop = $this->stops->at() !== 0 && $this->powered;
        $slow = ! $this->motor->isRamping() && $turned < self::AT_REST_RAD_S * 0.01;
        $this->still = $slow && ! ($pushesStop && ! $follows) && $this->ramp->isThere();
        if ($this->still) {
            $this->state->speed = 0.0;
        }
    }
}
