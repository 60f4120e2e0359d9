<?php

declare(strict_types=1);

namespace Brookstone\Core\Simulation;

use Brookstone\Core\Drive\TorqueLine;
use Brookstone\Core\Dynamics\DriverCommand;
use Brookstone\Core\Dynamics\Ledger;
use Brookstone\Core\Dynamics\Plant;
use Brookstone\Core\Parts\DriveChoice;
use Brookstone\Core\Parts\Motion;
use Brookstone\Core\Routine\DrivenMotion;
use Brookstone\Core\Routine\StepFailed;

/** One motion during a run of a routine: what its driver is told, and where its load goes. */
final class Axis implements DrivenMotion
{
    use KnowsPlace;
    use SharesMotor;

    private const MOVES_RAD_S = 1e-3;        // slower than this is settling

    private const FAR_AWAY_RAD = 1e4;        // a stepper that is told to run

    private const GATE_S = 0.3;              // settling time before the power of a gated servo is cut

    private readonly Machine $machine;

    private readonly PositionEstimate $where;

    private ?DriverCommand $pending = null;

    private float $delay_s = 0.0;

    private readonly bool $gated;

    private float $restedFor_s = 0.0;        // since a gated servo arrived

    private bool $off = false;               // its power is switched off by a step

    /** @param  float  $at where it stands at first, in its own unit */
    public function __construct(public readonly Motion $motion, float $at, private readonly float $driver_s)
    {
        $this->where = new PositionEstimate($motion);
        $this->machine = new Machine($motion, $at, $this->where);
        $this->gated = $motion->drive->gated ?? false;
    }

    public function motion(): Motion
    {
        return $this->motion;
    }

    public function plant(): Plant
    {
        return $this->machine->plant;
    }

    /** What the world does to its load. */
    public function burden(): LoadDisturbance
    {
        return $this->machine->burden;
    }

    /** For how long it pushed in vain at most, s. */
    public function stalled_s(): float
    {
        return $this->machine->stall->most_s();
    }

    /** What flowed while it pushed in vain, A. */
    public function stalledWith_A(): float
    {
        return $this->machine->stall->current_A();
    }

    /**
     * What it draws from its supply, A, if that gave a share of its voltage.
     *
     * @param  float  $soon_s  an order that its driver obeys within so long counts already
     */
    public function drawn_A(float $fed, float $soon_s): float
    {
        return $this->along ? 0.0 : $this->machine->drawn_A($fed, $this->pending !== null && $this->delay_s <= $soon_s ? $this->pending : null);
    }

    /** The share of its voltage that its supply gives now. */
    public function fedWith(float $share): void
    {
        $this->machine->fedWith($share);
    }

    /** Something happens to its load: from now on it is another machine in the same place. */
    public function burdened(): void
    {
        $this->machine->burdened();
    }

    /** The power goes: its motor turns freely, and what only counts forgets where it is. */
    public function lose(): void
    {
        $this->pending = null;
        $this->shared?->release();
        $this->machine->letGo();
        $this->where->forget();
    }

    /** The power comes back: a servo stays unpowered until it is told where to go; a driver shorts its motor. */
    public function wake(): void
    {
        $this->off = false;
        if (! $this->machine->follows() && $this->machine->full !== null) {
            $this->machine->obey(new DriverCommand($this->machine->full->shorted(), 1, false, null, 0.0));
        }
    }

    /** Its own power, by a step. */
    public function power(bool $on): void
    {
        if (! $on) {
            $at = $this->motion->positioning->isAbsolute() ? $this->believed() : null;
            $this->lose();
            $this->where->isAt($at);
        } elseif ($this->off && $this->machine->follows()) {
            $this->machine->obey(new DriverCommand(null, 1, true, $this->machine->state->angle, $this->machine->state->angle));
        } elseif ($this->off) {
            $this->wake();
        }
        $this->off = ! $on;
    }

    /** Driven, or still turning. */
    public function isMoving(): bool
    {
        return abs($this->machine->state->speed) > self::MOVES_RAD_S || ($this->machine->powered && ! $this->machine->follows());
    }

    /** From now on writes down where the energy goes. */
    public function watch(Ledger $ledger): void
    {
        $this->machine->watch($ledger);
    }

    public function closeLedger(): void
    {
        $this->machine->closeLedger();
    }

    /** In the motion's own unit. */
    public function position(): float
    {
        return $this->motion->comesTo($this->machine->position());
    }

    /** Where what it moves really is, in the motion's own unit: a latch may hold it while its drive goes back. */
    public function thingAt(): float
    {
        return $this->motion->latch === null ? $this->position() : $this->motion->comesTo($this->motion->unit()->fromSi($this->machine->thing()));
    }

    /** Its latch is open now, or shut. @return string|null as LatchState::opens() */
    public function latch(bool $isOpen): ?string
    {
        return $this->machine->latch($isOpen);
    }

    /** Its cord hangs slack: what it carries stands on something. */
    public function isSlack(): bool
    {
        return $this->machine->state->angle <= $this->machine->plant->slackBelow;
    }

    /** In the motion's own unit per second. */
    public function speed(): float
    {
        return $this->isSlack() ? 0.0 : $this->motion->unit()->fromSi($this->machine->plant->speed($this->machine->state));
    }

    /** @return array{float, float} position and speed of what it moves, SI */
    public function goes(): array
    {
        return [$this->machine->thing(), $this->isSlack() || $this->machine->isOffItsDrive() ? 0.0 : $this->machine->plant->speed($this->machine->state)];
    }

    /** What rides on it is moved, or what it stands on: its load is another. */
    public function stirred(): void
    {
        $this->machine->still = $this->machine->still && $this->machine->full === null;
    }

    /** Of its shaft, rad/s, ≥ 0. */
    public function shaftSpeed(): float
    {
        return abs($this->machine->state->speed);
    }

    public function current_A(): float
    {
        return $this->machine->current_A;
    }

    /** For how long it pushes in vain by now, s; none if it is just being let go. */
    public function pushedInVain_s(): float
    {
        return ! $this->machine->powered || $this->pending?->powered === false ? 0.0 : $this->machine->stall->now_s();
    }

    /** How many steps of time it has gone through: while they are no more, nothing of it has changed. */
    public function steps(): int
    {
        return $this->machine->steps;
    }

    /** Its driver has an order that it is about to obey. */
    public function isToldAnew(): bool
    {
        return $this->pending !== null;
    }

    public function isStill(): bool
    {
        return $this->machine->still && $this->pending === null;
    }

    /** Time does nothing to it. */
    public function isIdle(): bool
    {
        return $this->pending === null && ! $this->gated && $this->machine->isIdle();
    }

    public function isPowered(): bool
    {
        return $this->machine->powered;
    }

    /** It can be told where to go: a servo always, a stepper once it has been homed. */
    public function canFollow(): bool
    {
        return $this->motion->positioning->isAbsolute() || ($this->motion->positioning->countsSteps()
            && ($this->where->isCounted() || $this->motion->turnsAnywhere()));
    }

    /** Drives it up (1) or down (−1) at a share of its usual speed. A servo runs towards the end of its range. */
    public function push(int $direction, float $speed): void
    {
        if ($this->shared !== null && ! $this->machine->follows()) {
            $shared = $this->shared;
            $this->mayMove();
            $shared->turn($this, $direction, $speed);
            $this->where->leaves();

            return;
        }
        if ($direction < 0 && $this->motion->isOneWay()) {
            throw new StepFailed("{$this->motion->name} cannot be turned back");
        }
        if ($this->motion->positioning->isAbsolute()) {
            $this->follow($this->motion->range()[$direction > 0 ? 1 : 0], $speed);

            return;
        }
        if ($this->motion->positioning->countsSteps()) {
            $this->send($this->machine->state->angle + $direction * self::FAR_AWAY_RAD, $speed);

            return;
        }
        $this->mayMove();
        $this->drive($direction, $speed);
        $this->where->leaves();
    }

    /** Its motor turns, and moves it; whether it was meant or not. */
    public function drive(int $direction, float $speed): void
    {
        $this->setsOff($direction);
        $this->order($this->choice()->line($speed), $direction, true, share: $this->choice()->share($speed));
    }

    /** The way that it goes decides whether it has its payload on it. */
    private function setsOff(float $by): void
    {
        if ($by !== 0.0 && $this->machine->burden->setsOff($this->motion->isThere(0.0, $by))) {
            $this->machine->burdened();
        }
    }

    /** Sends a stepper to an angle of the shaft, at a share of the speed of its task. */
    private function send(float $angle, float $speed): void
    {
        $this->setsOff(($angle - $this->machine->state->angle) * ($this->machine->shaftAngle(1.0) - $this->machine->shaftAngle(0.0)));
        $this->mayFollow();
        $ramp = $this->motion->ramp($speed);
        [$this->machine->ramp->most_rad_s, $this->machine->ramp->most_rad_s2] = [$ramp->speed, $ramp->accel];
        $this->order(null, 1, true, $angle);
        $this->where->leaves();
    }

    /**
     * Tells a servo where to go (own unit), no faster than a share of its no-load speed; a stepper of its task's.
     *
     * @param  bool  $exactly  turns and all; otherwise what comes round goes to its next coming
     */
    public function follow(float $at, float $speed, bool $exactly = false): void
    {
        if ($this->motion->positioning->countsSteps()) {
            $to = $exactly || $this->motion->period() === null ? $at : $this->stands() + $this->motion->distance($this->stands(), $at);
            $this->send($this->machine->shaftAngle($to) - $this->where->slipped_rad(), $speed);

            return;
        }
        $this->mayFollow();
        $this->setsOff($at - $this->position());
        $this->machine->ramp->most_rad_s = $speed >= 1.0 ? INF : $speed * $this->full()->noLoad_rad_s() / $this->machine->plant->ratio;
        $this->order(null, 1, true, $this->machine->shaftAngle($at), $this->machine->state->angle);
        $this->where->leaves();
    }

    public function hasArrived(): bool
    {
        $target = $this->machine->ramp->target();
        if ($this->pending !== null || ! $this->machine->ramp->isThere() || $target === null) {
            return $this->pending === null && $target === null && $this->gated;
        }

        return $this->machine->isNear($target);
    }

    /** `brake` shorts the motor, `coast` opens it, `hold` keeps a servo where it is; a motor that cannot hold brakes. */
    public function stop(string $how): void
    {
        if ($this->off || ($this->shared !== null && $this->shared->stop($this, $how))) {
            return; // without power there is nothing to tell it
        }
        $this->halt($how);
    }

    /** As `stop`, whoever shares its motor. */
    public function halt(string $how = 'brake'): void
    {
        if ($this->motion->positioning->isAbsolute()) {
            $how === 'hold' || $how === 'brake'
                ? $this->order(null, 1, true, $this->machine->ramp->target() === null ? $this->machine->state->angle : $this->machine->ramp->at())
                : $this->order(null, 1, false);

            return;
        }
        if ($this->motion->positioning->countsSteps()) {
            $this->machine->ramp->stop();
            $this->order(null, 1, $how !== 'coast', $how === 'coast' ? null : $this->machine->ramp->at());

            return;
        }
        $this->order($how === 'coast' ? null : $this->full()->shorted(), $this->machine->command(), false);
    }

    /**
     * For how long it can be left alone, s; 0 where it must be looked at.
     *
     * @param  float  $above  its own unit: between these nothing changes
     */
    public function leftAlone_s(float $above, float $below): float
    {
        return $this->pending !== null || $this->gated || $this->shared !== null ? 0.0 : $this->machine->leftAlone_s($above, $below);
    }

    /** @return list<array{string, float, float}> what happened: word, speed (own unit/s), energy J; of a stall how long, s, and with how much, A */
    public function advance(float $seconds): array
    {
        if ($this->isIdle()) {
            return [];
        }
        if ($this->pending !== null) {
            $wait = min($this->delay_s, $seconds);
            $happened = $wait > 0.0 ? $this->machine->move($wait) : [];
            $this->delay_s -= $wait;
            if ($this->delay_s > 1e-12) {
                return $happened;
            }
            $this->machine->obey($this->pending);
            $this->pending = null;

            return [...$happened, ...$this->machine->move($seconds - $wait)];
        }
        $happened = $this->machine->move($seconds);
        if ($this->gated) {
            $this->gate($seconds);
        }
        $stall = $this->machine->lookForStall($seconds);

        return $stall === null ? $happened : [...$happened, $stall];
    }

    /** Cuts the power of a gated servo once it has arrived and settled. */
    private function gate(float $seconds): void
    {
        if ($this->machine->ramp->target() === null || ! $this->hasArrived()) {
            $this->restedFor_s = 0.0;
        } elseif (($this->restedFor_s += $seconds) >= self::GATE_S) {
            $this->machine->letGo();
        }
    }

    /** @throws StepFailed when it has no power, or no motor at the moment */
    private function mayMove(): void
    {
        if ($this->off) {
            throw new StepFailed("the power of {$this->motion->name} is switched off");
        }
        $this->shared?->mayMove($this);
    }

    private function order(?TorqueLine $line, int $command, bool $powered, ?float $target = null, ?float $from = null, float $share = 1.0): void
    {
        $this->pending = new DriverCommand($line, $command, $powered, $target, $from ?? $this->machine->ramp->at(), $share);
        $this->delay_s = $this->driver_s;
    }

    private function full(): TorqueLine
    {
        return $this->machine->full ?? throw new StepFailed("{$this->motion->name} has no drive yet");
    }

    private function choice(): DriveChoice
    {
        return $this->motion->drive ?? throw new StepFailed("{$this->motion->name} has no drive yet");
    }
}
