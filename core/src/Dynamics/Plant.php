<?php

declare(strict_types=1);

namespace Brookstone\Core\Dynamics;

use Brookstone\Core\Drive\Drive;
use Brookstone\Core\Drive\TorqueLine;
use Brookstone\Core\Mechanism\Mechanism;
use Brookstone\Core\Mechanism\Slack;
use Brookstone\Core\Parts\Motion;
use Brookstone\Core\Train\Train;

/**
 * One motion as a machine: motor, train and load, moved forward in time.
 *
 * What motor, train and load do to each other at one speed is said by Coupling. Between the speeds where that changes, and with the load of the middle
 * of the step, the equation is linear in ω and is solved in closed form, so that a light load on a stiff motor needs no small steps (exponential midpoint
 * rule: Hochbruck & Ostermann, Exponential Integrators, Acta Numerica 19 (2010), §2).
 */
final readonly class Plant
{
    private const PAST_BREAK_RAD = 1e-6; // a step ends so far past a break, or it would never come to it

    private const BEFORE_BREAK = 0.999;  // of the way to a break: its load is that before it

    private const AT_ONCE_S = 1e-9;      // what stops at once still takes some time

    public float $travelPerRad;

    /** Angle below which its cord hangs slack; −INF where none can. */
    public float $slackBelow;

    private float $own; // of the mechanism, where it is the same everywhere

    private float $friction;

    private bool $isEven;

    public bool $isLevel; // the same load everywhere: nothing to look up on the way

    private float $level_Nm;

    /** Of a load that is the same everywhere but for a few places where it jumps. */
    private ?LoadPiece $piece;

    private float $grip;

    private Coupling $coupling;

    private PlantStep $now;

    /** Of the rotor, at the load. */
    private float $rotor;

    private float $largestTurn;

    /** @var list<float> angles at which the load jumps or bends, rising */
    private array $breaks;

    /**
     * @param  float  $backEfficiency  what is left of the load's push when it drives the motor; 0 is self-locking
     * @param  float  $rotor_kgm2  of all that turns with the motor, at the motor's shaft
     * @param  float  $holds_Nm  torque at the output shaft up to which the unpowered drive stays put
     * @param  float  $drag_Nm  what the unpowered motor and its gears rub with when they are turned, at the motor's shaft
     * @param  bool  $slips  past its grip the mechanism slips; without, it would push through all the same
     */
    public function __construct(
        public Mechanism $mechanism,
        public float $ratio,
        public float $efficiency,
        public float $backEfficiency,
        float $rotor_kgm2,
        public float $holds_Nm = 0.0,
        private float $drag_Nm = 0.0,
        bool $slips = true,
    ) {
        $this->isEven = $mechanism->isEven();
        $this->rotor = $ratio ** 2 * $rotor_kgm2;
        $this->own = $this->isEven ? $mechanism->inertiaKgm2(0.0) : 0.0;
        $this->friction = $this->isEven ? $mechanism->frictionNm(0.0) : 0.0;
        $this->grip = $slips ? $mechanism->gripNm() : INF;
        $this->coupling = new Coupling($ratio, $efficiency, $backEfficiency, $this->rotor, $this->grip, $drag_Nm);
        $this->now = new PlantStep;
        $this->travelPerRad = $mechanism->travelPerRad();
        $this->slackBelow = $mechanism instanceof Slack && $mechanism->rests_at !== -INF
            ? ($mechanism->rests_at === INF ? INF : $mechanism->turnAt($mechanism->rests_at)) : -INF;
        $this->largestTurn = $mechanism->evenOverRad();
        $breaks = array_map($mechanism->turnAt(...), $mechanism->breaks());
        sort($breaks);
        $this->breaks = $breaks;
        $this->isLevel = $this->isEven && $breaks === [] && $this->largestTurn === INF;
        $this->piece = ! $this->isEven && $this->largestTurn === INF ? new LoadPiece($mechanism, $breaks) : null;
        $this->level_Nm = $this->isLevel ? $mechanism->staticTorqueNm(0.0) : 0.0;
    }

    /** @param  bool|null  $there  on the way of its task or back, with what it carries then; null with all of it */
    public static function of(Motion $motion, ?bool $there = null): self
    {
        return self::through($there === null ? $motion->mechanism : $motion->moved($there), $motion->train, $motion->drive?->motor);
    }

    /** A drive whose last stage is a worm or a fine screw is not turned by its load, whatever the train behind it. */
    public static function through(Mechanism $mechanism, Train $train, ?Drive $drive, bool $slips = true): self
    {
        $back = $train->backEfficiency();
        $ratio = $train->ratio();
        $locks = $back <= 0.0 || ($drive?->locks() ?? false);

        return new self(
            $mechanism,
            $ratio,
            $train->efficiency(),
            $locks ? 0.0 : $back,
            $drive?->rotorKgm2() ?? 0.0,
            $back > 0.0 ? $ratio * ($drive?->body()->back_drive_Nm ?? 0.0) / $back : INF,
            $drive?->drag_Nm($locks) ?? 0.0,
            $slips,
        );
    }

    /** @param  float  $position  in rad or m */
    public function stateAt(float $position): PlantState
    {
        return new PlantState($this->mechanism->turnAt($position));
    }

    public function position(PlantState $state): float
    {
        return $this->mechanism->positionAt($state->angle);
    }

    /** Of what is moved: below where it rests only its cord goes on. */
    public function loadPosition(PlantState $state): float
    {
        return $this->mechanism->positionAt($this->slackBelow > $state->angle && $this->slackBelow !== INF ? $this->slackBelow : $state->angle);
    }

    /** In rad/s or m/s. */
    public function speed(PlantState $state): float
    {
        return $state->speed * $this->mechanism->travelPerRad($this->mechanism->positionAt($state->angle));
    }

    public function loadNm(float $angle): float
    {
        return $this->isLevel ? $this->level_Nm : $this->mechanism->staticTorqueNm($this->mechanism->positionAt($angle));
    }

    /** Energy of all that moves, rotor included, J: ½ J ω². */
    public function kinetic_J(PlantState $state): float
    {
        return 0.5 * $this->inertiaAt($state->angle) * $state->speed ** 2;
    }

    /** Inertia of mechanism and rotor at the shaft, kg·m². */
    public function inertiaAt(float $angle): float
    {
        return $this->rotor + $this->ownAt($angle);
    }

    /** The same of the mechanism alone. */
    public function ownAt(float $angle): float
    {
        return $this->isEven ? $this->own : $this->mechanism->inertiaKgm2($this->mechanism->positionAt($angle));
    }

    /** Inertia of the rotor as the load's shaft feels it, kg·m². */
    public function rotor_kgm2(): float
    {
        return $this->rotor;
    }

    public function frictionAt(float $angle): float
    {
        return $this->isEven ? $this->friction : $this->mechanism->frictionNm($this->mechanism->positionAt($angle));
    }

    /**
     * Torque at the motor's shaft that gives the load a torque while it moves and speeds up, N·m.
     *
     * @param  float  $load_Nm  against the load, friction and its own inertia included
     * @param  float  $speed  rad/s: its sign is the way in which it turns
     * @param  float  $accel  of the load's shaft, rad/s²
     */
    public function motorNm(float $load_Nm, float $speed, float $accel): float
    {
        return self::atMotor_Nm($load_Nm, $speed, $accel, $this->ratio, $this->efficiency, $this->backEfficiency, $this->rotor);
    }

    /** The same through any train. */
    public static function atMotor_Nm(float $load_Nm, float $speed, float $accel, float $ratio, float $efficiency, float $back, float $rotor_kgm2): float
    {
        return ($load_Nm * ($load_Nm * $speed >= 0.0 ? 1 / $efficiency : $back) + $rotor_kgm2 * $accel) / $ratio;
    }

    /**
     * One step of at most $step seconds, shorter where the motion changes its kind or would turn too far.
     *
     * @param  TorqueLine  $motor  what the motor does now; shorted or open when it is off
     * @param  int  $command  1 or −1: the direction in which its torque acts
     * @param  bool  $powered  an unpowered drive also holds and brakes by the drag of its gears
     * @param  bool  $rests  at rest the drag of its gears still holds what a command that only just begins does not
     * @return float the seconds taken, > 0
     */
    public function step(PlantState $state, TorqueLine $motor, int $command, bool $powered, float $step, bool $rests = false): float
    {
        // 1. Everything along the command; of what is off, along its movement.
        $now = $this->now;
        $now->command = $powered || $state->speed === 0.0 ? $command : ($state->speed > 0.0 ? 1 : -1);
        $now->speed = $now->command * $state->speed;
        $this->meets($state->angle);

        // 2. At rest: does it start, and which way?
        $now->way = $now->speed <=> 0.0;
        if ($now->way === 0 && ! $this->starts($motor, $powered, $rests)) {
            return self::stays($state, $motor, $step);
        }

        // 3. What pushes: as in the step before, or what is found now.
        $coupling = $this->coupling;
        $lasts = $state->speed !== 0.0 && $coupling->mayLast($motor, $powered, $now->way);
        $now->rubs_Nm = $now->load_Nm + $now->way * $now->friction_Nm;
        $now->felt_Nm = $now->rubs_Nm + $now->bend * $now->speed * $now->speed;
        $lasts ? $coupling->with($now->felt_Nm, $now->own_kgm2)
            : $coupling->look($motor, $powered, $now->speed, $now->way, $now->felt_Nm, $now->own_kgm2);

        // 4. The load in the middle of the step.
        $now->seconds = $step;
        if (! $this->isLevel && $this->meetsMore($state->angle)) {
            $lasts ? $coupling->with($now->felt_Nm, $now->own_kgm2)
                : $coupling->look($motor, $powered, $now->speed, $now->way, $now->felt_Nm, $now->own_kgm2);
        }
        if ($lasts && ! $coupling->lastsFor($now->speed, $now->seconds, $now->felt_Nm, $now->own_kgm2)) {
            $coupling->look($motor, $powered, $now->speed, $now->way, $now->felt_Nm, $now->own_kgm2);
        }

        // 5. As long as it stays the same.
        $this->lasts();
        if ($state->speed === 0.0 && $now->speed === 0.0 && $now->accel * $now->way <= 0.0) { // it would start, but not in what it meets at once
            return self::stays($state, $motor, $now->seconds);
        }
        $this->untilItChanges();
        $this->goes($state, $motor);

        return $now->seconds;
    }

    /** The load at an angle, along the command. */
    private function meets(float $angle): void
    {
        $now = $this->now;
        $now->own_kgm2 = $this->own;
        $now->friction_Nm = $this->friction;
        $now->bend = 0.0;
        if ($this->isEven) {
            $now->load_Nm = $now->command * ($this->isLevel ? $this->level_Nm : $this->mechanism->staticTorqueNm($this->mechanism->positionAt($angle)));
        } elseif ($this->piece !== null) {
            if ($angle <= $this->piece->from || $angle >= $this->piece->to) {
                $this->piece->find($angle);
            }
            $now->load_Nm = $now->command * $this->piece->load_Nm;
            $now->friction_Nm = $this->piece->friction_Nm;
            $now->own_kgm2 = $this->piece->own_kgm2;
        } else {
            [$load, $now->friction_Nm, $now->own_kgm2, $bend] = $this->mechanism->dynamics($this->mechanism->positionAt($angle));
            $now->load_Nm = $load * $now->command;
            $now->bend = $bend * $now->command / 2;
        }
    }

    /** From rest, and which way; what is off counts along that from then on. */
    private function starts(TorqueLine $motor, bool $powered, bool $rests): bool
    {
        $now = $this->now;
        $now->way = $this->startsTowards($motor->most_Nm(), $now->load_Nm, $now->friction_Nm, $rests || ! $powered ? $this->drag_Nm : 0.0);
        if ($now->way !== 0 && ! $powered) {
            $now->command *= $now->way;
            $now->load_Nm *= $now->way;
            $now->bend *= $now->way;
            $now->way = 1;
        }

        return $now->way !== 0;
    }

    private static function stays(PlantState $state, TorqueLine $motor, float $seconds): float
    {
        $state->speed = 0.0;
        $state->motor_Nm = $motor->most_Nm();
        $state->rest($motor);

        return $seconds;
    }

    /** The load in the middle of the step, from where the present acceleration would take it. @return bool it is another than at its beginning */
    private function meetsMore(float $angle): bool
    {
        $now = $this->now;
        $coupling = $this->coupling;
        $slope = $coupling->fade / $coupling->inertia;
        $accel = ($coupling->push - $coupling->against) / $coupling->inertia - $slope * $now->speed;
        if ($this->staysWithin($angle, (abs($now->speed) + abs($accel) * $now->seconds) * $now->seconds)) {
            return false;
        }
        $room = $this->breaks === [] ? INF : $this->toNextBreak($angle, $now->way * $now->command);
        $largest = min($this->largestTurn, $room + self::PAST_BREAK_RAD);
        $now->seconds = $largest === INF ? $now->seconds : min($now->seconds, $this->longestStep($now->speed, $accel, $slope, $largest));
        if ($accel * $now->speed < 0.0) {
            $now->seconds = min($now->seconds, FirstOrderLag::timeToReach($now->speed, 0.0, $accel, $slope));
        }
        $half = FirstOrderLag::turned($now->speed, $accel, $slope, $now->seconds / 2);
        $middle = $this->mechanism->positionAt($angle + $now->command * (abs($half) < $room ? $half : $now->way * $room * self::BEFORE_BREAK));
        if ($this->isEven) {
            $now->felt_Nm = $now->rubs_Nm = $now->command * $this->mechanism->staticTorqueNm($middle) + $now->way * $now->friction_Nm;
        } else {
            [$load, $now->friction_Nm, $now->own_kgm2, $bend] = $this->mechanism->dynamics($middle);
            $now->rubs_Nm = $now->command * $load + $now->way * $now->friction_Nm;
            $now->felt_Nm = $now->rubs_Nm + $now->command / 2 * $bend * ($now->speed + FirstOrderLag::gained($accel, $slope, $now->seconds / 2)) ** 2;
        }

        return true;
    }

    /** How it goes on from here as it is now. */
    private function lasts(): void
    {
        $now = $this->now;
        $coupling = $this->coupling;
        if ($coupling->pass === Coupling::AT_ONCE) { // a lock without a rotor behind it
            $now->speed = $coupling->push;
            $now->accel = $now->slope = 0.0;
            $now->seconds = $now->speed === 0.0 ? min($now->seconds, self::AT_ONCE_S) : $now->seconds;

            return;
        }
        $now->slope = $coupling->fade / $coupling->inertia;
        $now->accel = ($coupling->push - $coupling->against) / $coupling->inertia - $now->slope * $now->speed;
    }

    /** No longer than until its speed passes zero, or one at which its kind changes. */
    private function untilItChanges(): void
    {
        $now = $this->now;
        if ($now->accel * $now->speed < 0.0) {
            $until = FirstOrderLag::timeToReach($now->speed, 0.0, $now->accel, $now->slope);
            $now->seconds = $until < $now->seconds ? $until : $now->seconds;
        }
        $end = $now->accel > 0.0 ? $this->coupling->above : $this->coupling->below;
        if ($end !== INF && $end !== -INF) {
            $until = FirstOrderLag::timeToReach($now->speed, $end, $now->accel, $now->slope);
            $now->seconds = $until < $now->seconds ? $until : $now->seconds;
        }
    }

    /** It has gone so, and that is written down. */
    private function goes(PlantState $state, TorqueLine $motor): void
    {
        $now = $this->now;
        [$h, $speed, $accel, $slope] = [$now->seconds, $now->speed, $now->accel, $now->slope];
        $x = $slope * $h;
        if ($x < 1e-4) {
            $turn = $h * ($speed + $accel * $h * (0.5 - $x / 6));
            $end = $speed + ($x < 1e-9 ? $accel * $h : -$accel / $slope * expm1(-$x));
        } else {
            $gained = -$accel / $slope * expm1(-$x);
            $turn = $speed * $h + ($accel * $h - $gained) / $slope;
            $end = $speed + $gained;
        }
        if ($end * $now->way <= 1e-12 * abs($speed)) {
            $end = 0.0;
        }
        $before = $state->watched ? 0.5 * $this->ownAt($state->angle) * $state->speed ** 2 : 0.0;
        $state->angle += $now->command * $turn;
        $state->speed = $now->command * $end;
        $pulls = $motor->stall_Nm - $motor->fall_Nms * $this->ratio * $end;
        $state->motor_Nm = $pulls < $motor->limit_Nm ? $pulls : $motor->limit_Nm;
        $state->out_Nm = $now->rubs_Nm + $now->own_kgm2 * max($accel, $accel - $slope * ($end - $speed));
        if ($state->watched) {
            $state->accel = $accel;
            $state->slope = $slope;
            $state->pass = $this->coupling->pass === Coupling::AT_ONCE ? Coupling::LOCKED : $this->coupling->pass;
            $state->base_Nm = $this->coupling->base_Nm;
            $state->fall_Nms = $this->coupling->fall_Nms;
            $state->along = $now->command;
            $state->worked_J = 0.5 * $this->ownAt($state->angle) * $end ** 2 - $before + $now->rubs_Nm * $turn;
        }
    }

    /** The same, written down. */
    public function stepInto(?Ledger $ledger, PlantState $state, TorqueLine $motor, int $command, bool $powered, float $step, bool $rests = false): float
    {
        if ($ledger === null) {
            return $this->step($state, $motor, $command, $powered, $step, $rests);
        }
        $before = clone $state;
        $used = $this->step($state, $motor, $command, $powered, $step, $rests);
        $ledger->step($before, $state, $motor, $used);

        return $used;
    }

    /** 1 along the command, −1 against it, 0 stays. @param  float  $drag  what holds at the motor's shaft besides, N·m */
    private function startsTowards(float $stall, float $load, float $friction, float $drag): int
    {
        $locks = $this->backEfficiency <= 0.0;
        $holds = $locks ? INF : $this->ratio * $drag / $this->backEfficiency;
        $forward = min($this->ratio * $stall * $this->efficiency, $this->grip);
        if ($forward - ($load < 0.0 && $locks ? 0.0 : $load) > $friction + ($stall > 0.0 ? 0.0 : $holds)) {
            return 1;
        }

        return ! $locks && $this->ratio * $stall / $this->backEfficiency + $holds - $load < -$friction ? -1 : 0;
    }

    /** A step in which it turns no further than the load is even over, by whichever of two safe bounds is the longer. */
    private function longestStep(float $speed, float $accel, float $slope, float $largest): float
    {
        if ($largest === INF) {
            return INF;
        }
        $v = abs($speed);
        $a = abs($accel);
        $byAccel = $v + $a > 0.0 ? 2 * $largest / ($v + sqrt($v * $v + 2 * $a * $largest)) : INF;
        $bySpeed = $slope > 0.0 ? $largest / max($v, abs($speed + $accel / $slope), 1e-12) : 0.0;

        return max($byAccel, $bySpeed, 1e-9);
    }

    /** It meets the same load all over a turn either way. */
    private function staysWithin(float $angle, float $turn): bool
    {
        return $this->piece !== null && $angle - $turn > $this->piece->from && $angle + $turn < $this->piece->to;
    }

    /** How far it may turn until the load changes its kind. */
    private function toNextBreak(float $angle, int $way): float
    {
        $nearest = INF;
        foreach ($this->breaks as $break) {
            $room = ($break - $angle) * $way;
            if ($room > 0.0 && $room < $nearest) {
                $nearest = $room;
            }
        }

        return $nearest;
    }
}
