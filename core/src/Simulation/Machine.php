<?php

declare(strict_types=1);

namespace Brookstone\Core\Simulation;

use Brookstone\Core\Drive\Servo;
use Brookstone\Core\Drive\Stepper;
use Brookstone\Core\Drive\TorqueLine;
use Brookstone\Core\Dynamics\CommandRamp;
use Brookstone\Core\Dynamics\DriverCommand;
use Brookstone\Core\Dynamics\HardStops;
use Brookstone\Core\Dynamics\Ledger;
use Brookstone\Core\Dynamics\MotorShaft;
use Brookstone\Core\Dynamics\Plant;
use Brookstone\Core\Dynamics\PlantState;
use Brookstone\Core\Dynamics\ServoShaft;
use Brookstone\Core\Dynamics\SlackCord;
use Brookstone\Core\Dynamics\SteppedShaft;
use Brookstone\Core\Mechanism\PositionUnit;
use Brookstone\Core\Parts\Motion;
use Brookstone\Core\Quantity\Constants;

/** One motion as a machine during a run: does what its driver was last told, and goes where its load lets it. */
final class Machine
{
    use HeldByLatch;
    use WeighsOnMotor;

    private const AT_SPEED = 0.3;        // of its no-load speed: then it is past its start

    private const NEVER_FASTER = 2.0;    // than its no-load speed, or than it is

    private const ALONE_S = 0.5;         // at most

    private const ALONE_UNEVEN_S = 0.1;  // the same of a load that changes on the way

    private const AT_END_RAD = 1e-6;

    private const AT_REST_RAD_S = 1e-5;      // of the output shaft: slower than this is still

    private const MOST_STEPS = 60;           // in a look: a drive far too strong for its load rattles, and need not be followed further

    private const MOST_STEPS_A_S = 12_000.0; // the same where it is left alone for longer

    private const STALLED = 0.7;             // of its stall current

    private const ARRIVED_SPEED = 0.05;      // of its no-load speed

    public Plant $plant;

    public readonly PlantState $state;

    public readonly CommandRamp $ramp;       // of what follows a command: servo and stepper

    public readonly StallWatch $stall;

    public readonly LoadDisturbance $burden;

    public readonly ?TorqueLine $full;       // the drive at its usual speed

    public bool $powered = false;

    public bool $still = true;

    public float $current_A = 0.0;

    public int $steps = 0;                   // of time that it has gone through

    private readonly PositionUnit $unit;

    private readonly HardStops $stops;

    /** @var array<int, float> what its lower end (−1) and its upper one (1) take up without harm, J */
    private readonly array $softens_J;

    public readonly MotorShaft $motor;

    private ServoShaft|SteppedShaft|null $follower;

    private ?float $fallen = null;           // where what hung on its cord fell to, in its own unit

    private ?Ledger $ledger = null;

    private bool $hangs;                     // on a cord that holds

    private float $fed = 1.0;                // share of the supply's voltage

    private ?float $waits = null;            // where it was sent without any, rad

    /**
     * @param  float  $at  where it stands at first, in its own unit
     * @param  PositionEstimate  $where  told when steps are lost
     */
    public function __construct(public readonly Motion $motion, float $at, private readonly PositionEstimate $where)
    {
        $this->unit = $motion->unit();
        $this->stall = new StallWatch;
        $this->burden = new LoadDisturbance($motion, $at);
        $this->hangs = $this->burden->hangs();
        $this->plant = $this->burden->plant($this->unit->toSi($at));
        $this->state = $this->plant->stateAt($this->unit->toSi($at));
        $this->full = $motion->drive?->line();
        [$this->stops, $this->softens_J] = EndStops::of($motion, $this->burden->hangs(), $this->shaftAngle(...));
        $this->latch = $motion->latch === null ? null : new LatchState($motion, $this->shaftAngle(...));
        $this->ramp = new CommandRamp($this->state->angle);
        $this->motor = new MotorShaft($this->plant, $motion->drive->ramp_s ?? 0.0);
        $this->follower = $this->follower();
        if ($this->follower !== null) {
            $this->ramp->sendTo($this->state->angle, $this->state->angle);
            $this->powered = true;
            $this->still = $this->follower instanceof SteppedShaft;
            $this->current_A = $this->follower instanceof SteppedShaft ? $this->follower->atRest_A() : 0.0;
        } elseif ($this->full !== null) {
            $this->motor->switch(new DriverCommand($this->full->shorted(), 1, false, null, 0.0));
            $this->still = false;
        }
        if ($this->latch?->catches($this->state->angle) === true) {
            $still = $this->still;
            $this->restsAnew();
            $this->still = $still;
        }
    }

    private function follower(): ServoShaft|SteppedShaft|null
    {
        $drive = $this->motion->drive;

        return match (true) {
            $drive?->motor instanceof Stepper => new SteppedShaft($this->plant, $drive->motor, $drive->supply->volts_V * $this->fed),
            $this->full !== null && $this->motion->positioning->isAbsolute() => new ServoShaft($this->plant, $this->fed === 1.0 ? $this->full
                : $this->full->atShare($this->fed), $drive?->motor instanceof Servo ? $drive->motor->deadband_deg / 2 * Constants::RAD_PER_DEG : 0.0),
            default => null,
        };
    }

    public function follows(): bool
    {
        return $this->follower !== null;
    }

    /** The share of its voltage that its supply gives now. */
    public function fedWith(float $share): void
    {
        $held = $this->powered && $this->fed > 0.0 ? $this->ramp->target() ?? $this->state->angle : $this->waits;
        $this->fed = $share;
        $this->motor->fedWith($share);
        $this->follower = $this->follower();
        if ($this->follower !== null && $share <= 0.0) {
            $this->letGo(); // until its supply is back
            $this->waits = $held;
        } elseif ($this->waits !== null) {
            $this->obey(new DriverCommand(null, 1, true, $this->waits, $this->state->angle));
        }
    }

    /** Something happens to its load: from now on it is another machine in the same place. */
    public function burdened(): void
    {
        $this->plant = $this->burden->plant($this->plant->loadPosition($this->state));
        $this->hangs = $this->burden->hangs();
        $this->motor->moves($this->plant, $this->burden->isLeaking());
        $this->follower = $this->follower();
        $this->still = false;
    }

    /** From now on writes down where the energy goes. */
    public function watch(Ledger $ledger): void
    {
        $ledger->begin($this->state, $this->plant);
        $this->ledger = $ledger;
    }

    public function closeLedger(): void
    {
        $this->ledger?->close($this->state);
    }

    /** The way that its motor was last told to turn. */
    public function command(): int
    {
        return $this->motor->command();
    }

    public function obey(DriverCommand $order): void
    {
        if ($this->follower !== null && $order->powered && $this->fed <= 0.0) {
            $this->waits = $order->target;

            return;
        }
        [$this->waits, $this->powered, $this->still] = [null, $order->powered, false];
        $this->motor->switch($order);
        $this->ramp->sendTo($order->target, $order->from);
    }

    /** Its motor turns freely, and nothing flows. */
    public function letGo(): void
    {
        $this->obey(new DriverCommand(null, 1, false, null, $this->state->angle));
        $this->current_A = 0.0;
        $this->stall->look(false, 0.0);
    }

    /** It is where its command wants it, and slow. */
    public function isNear(float $target): bool
    {
        return $this->still || (abs($target - $this->state->angle) < ServoShaft::BAND_RAD / $this->plant->ratio
            && abs($this->state->speed) * $this->plant->ratio < self::ARRIVED_SPEED * ($this->full?->noLoad_rad_s() ?? 0.0));
    }

    /** It stands still and pushes nothing: time does nothing to it. */
    public function isIdle(): bool
    {
        $isFlying = $this->latch?->isFlying() ?? false;

        return $this->still && ! $isFlying && $this->ledger === null && $this->stall->now_s() === 0.0
            && ! $this->pushesHard(); // that it has pushed in vain is told first
    }

    /** With all that its command lets it, whatever that is; a stepper at rest draws its current and pushes nothing, until it is told to turn and cannot. */
    private function pushesHard(): bool
    {
        return $this->powered && match (true) {
            $this->follower instanceof SteppedShaft => $this->follower->slipped_rad !== 0.0,
            $this->follower !== null => $this->full !== null && $this->current_A > self::STALLED * $this->full->stall_A * $this->fed,
            default => $this->motor->isAtFull() && ! isset($this->softens_J[$this->stops->at()]), // a piston may push against its own end
        };
    }

    /**
     * Whether it pushes, and does not get on: against a stop, a hand, or a load too heavy for it.
     *
     * @return array{string, float, float}|null as StallWatch::look()
     */
    public function lookForStall(float $seconds): ?array
    {
        return $this->stall->look(abs($this->state->speed) < self::AT_REST_RAD_S && $this->pushesHard(), $seconds, $this->current_A);
    }

    /**
     * What it draws from its supply, A, if that gave a share of its voltage.
     *
     * @param  DriverCommand|null  $next  that it obeys now
     */
    public function drawn_A(float $fed, ?DriverCommand $next): float
    {
        if ($next === null && ! $this->powered) {
            return 0.0;
        }
        if ($this->follower !== null) {
            return match (true) {
                ! $this->powered => 0.0,
                $fed === $this->fed => $this->current_A,
                $this->follower instanceof SteppedShaft => $this->current_A * $this->fed / max(1e-3, $fed), // its driver takes the same power
                default => $this->current_A * $fed / max(1e-3, $this->fed),
            };
        }

        return $this->motor->drawn_A($this->state, $fed, $next);
    }

    /** Of what it moves, in the motion's own unit: where it hangs, where it stands while its cord is slack, where it fell when that broke. */
    public function position(): float
    {
        $at = $this->latch === null ? $this->plant->loadPosition($this->state) : $this->plant->position($this->state);

        return $this->fallen ?? $this->unit->fromSi($at);
    }

    /** @param  float  $at in the motion's own unit */
    public function shaftAngle(float $at): float
    {
        return $this->plant->stateAt($this->unit->toSi($at))->angle;
    }

    /**
     * For how long it can be left alone: a motor that has come to speed and is not about to meet anything, s; 0 where it must be looked at.
     *
     * @param  float  $above  its own unit: between these nothing changes
     */
    public function leftAlone_s(float $above, float $below): float
    {
        $full = $this->follower !== null || ! $this->motor->isAtFull() ? 0.0 : $this->motor->noLoad_rad_s() / $this->plant->ratio;
        $speed = $this->state->speed;
        if ($full <= 0.0 || $this->ledger !== null || $this->latch !== null || $this->state->angle <= $this->plant->slackBelow) {
            return 0.0;
        }
        if ($speed === 0.0 && ($this->stops->at() === $this->motor->command() || $this->stall->now_s() > 0.0)) {
            return self::ALONE_S; // it pushes in vain, and goes on doing so
        }
        if (abs($speed) < self::AT_SPEED * $full || $speed * $this->motor->command() < 0.0 || $this->stops->at() !== 0) {
            return 0.0;
        }
        $room = $speed > 0.0 ? $this->stops->highest - $this->state->angle : $this->state->angle - max($this->stops->lowest, $this->plant->slackBelow);
        if ($above > -INF || $below < INF) {
            if ($this->motion->period() !== null || $above >= $below) {
                return 0.0;
            }
            $ends = [$above === -INF ? -INF : $this->shaftAngle($above), $below === INF ? INF : $this->shaftAngle($below)];
            $room = min($room, $speed > 0.0 ? max(...$ends) - $this->state->angle : $this->state->angle - min(...$ends));
        }

        return min($this->plant->isLevel ? self::ALONE_S : self::ALONE_UNEVEN_S, $room / (self::NEVER_FASTER * max($full, abs($speed))));
    }

    /** @return list<array{string, float, float}> what happened: word, speed (own unit/s), energy J */
    public function move(float $seconds): array
    {
        if ($seconds <= 0.0) {
            return [];
        }
        if ($this->still) {
            $this->ledger?->held($this->current_A, $seconds, $this->powered && $this->follower instanceof SteppedShaft ? $this->follower->heat_W() : null);

            return $this->latch === null ? [] : $this->latched($this->latch, $seconds);
        }
        $before = $this->state->angle;
        $happened = [];
        $most = max(self::MOST_STEPS, $seconds * self::MOST_STEPS_A_S);
        for ($left = $seconds, $steps = 0; $left > 1e-12 && $happened === [] && $steps < $most; $steps++) {
            $was = $this->state->angle;
            $left -= $this->step($left);
            $happened = $this->meetStops();
            $landed_J = $this->plant->slackBelow === -INF ? null : SlackCord::passes($this->plant, $this->state, $was, $this->ledger);
            if ($landed_J !== null && $this->latch === null) {
                $happened[] = ['lands', $this->unit->fromSi($this->plant->speed($this->state)), $landed_J];
            }
        }
        $this->settle(abs($this->state->angle - $before));
        $happened = $this->latch === null ? $happened : [...$happened, ...$this->latched($this->latch, $seconds)];

        return $this->hangs ? [...$happened, ...$this->snaps()] : $happened;
    }

    /** @return float the seconds used */
    private function step(float $seconds): float
    {
        $this->steps++;
        if ($this->follower !== null && $this->ramp->target() !== null) {
            $used = $this->follower->step($this->state, $this->ramp, $seconds, $this->ledger);
            if ($this->follower instanceof SteppedShaft && $this->follower->slipped_rad !== 0.0) {
                $this->where->slips($this->follower->slipped_rad);
            }
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
                $this->where->slips($before->angle - $this->state->angle);
            }
        }

        $energy_J = $hit ? $this->plant->kinetic_J($before) : 0.0;

        return $energy_J > ($this->softens_J[$this->stops->at()] ?? 0.0) ? [['hits', $this->unit->fromSi($this->plant->speed($before)), $energy_J]] : [];
    }

    /**
     * A cord that is pulled with more than its knot bears.
     *
     * @return list<array{string, float, float}>
     */
    private function snaps(): array
    {
        $pull = $this->state->speed === 0.0 && $this->powered && $this->full !== null && $this->state->angle > $this->plant->slackBelow
            && ($this->stops->at() > 0 || $this->burden->isHeld()) && ($this->follower !== null || $this->motor->command() > 0)
            ? $this->pushesWith_Nm() : 0.0;
        $bears = $pull > 0.0 ? $this->plant->mechanism->snapsNm($this->plant->position($this->state)) : INF;
        if ($pull <= $bears) {
            return [];
        }
        $this->burden->snaps();
        $this->burdened();
        $this->fallen = $this->motion->stops->hard_low ?? $this->unit->fromSi($this->plant->position($this->state));

        return [['snaps', $pull / $this->plant->travelPerRad, $bears / $this->plant->travelPerRad]];
    }

    /** What it pushes the load with while it is held fast, N·m at the load. */
    private function pushesWith_Nm(): float
    {
        $motor = $this->follower === null ? $this->motor->most_Nm() : ($this->pushesHard() ? $this->full?->most_Nm() ?? 0.0 : 0.0);

        return $motor * $this->plant->ratio * $this->plant->efficiency;
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
