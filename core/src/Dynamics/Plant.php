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
 * of the step, the equation is linear in ω and is solved in closed form,
 * so that a light load on a stiff motor needs no small steps (exponential midpoint rule: Hochbruck & Ostermann, Exponential Integrators,
 * Acta Numerica 19 (2010), §2).
 */
final readonly class Plant
{
    private const PAST_BREAK_RAD = 1e-6; // a step ends so far past a break, or it would never come to it

    private const BEFORE_BREAK = 0.999;  // of the way to a break: its load is that before it

    private const AT_ONCE_S = 1e-9;      // what stops at once still takes some time

    public float $travelPerRad;

    /** Angle below which its cord hangs slack; −INF where none can. */
    public float $slackBelow;

    /** Of the mechanism, where it is the same everywhere. */
    private float $own;

    private float $friction;

    private bool $isEven;

    /** The same load everywhere: nothing to look up on the way. */
    public bool $isLevel;

    private float $level_Nm;

    /** Of a load that is the same everywhere but for a few places where it jumps. */
    private ?LoadPiece $piece;

    private float $grip;

    private Coupling $coupling;

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

    /**
     * Energy of all that moves, rotor included, J: ½ J ω².
     */
    public function kinetic_J(PlantState $state): float
    {
        return 0.5 * $this->inertiaAt($state->angle) * $state->speed ** 2;
    }

    /** Inertia of mechanism and rotor at the shaft, kg·m². */
    public function inertiaAt(float $angle): float
    {
        return $this->rotor + $this->ownAt($angle);
    }

    /** Inertia of the mechanism alone. */
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
        if (! $powered && $state->speed !== 0.0) {
            $command = $state->speed > 0.0 ? 1 : -1;
        }
        $speed = $command * $state->speed;
        $own = $this->own;
        $friction = $this->friction;
        $bend = 0.0;
        if ($this->isEven) {
            $load = $command * ($this->isLevel ? $this->level_Nm : $this->mechanism->staticTorqueNm($this->mechanism->positionAt($state->angle)));
        } elseif ($this->piece !== null) {
            if ($state->angle <= $this->piece->from || $state->angle >= $this->piece->to) {
                $this->piece->find($state->angle);
            }
            $load = $command * $this->piece->load_Nm;
            $friction = $this->piece->friction_Nm;
            $own = $this->piece->own_kgm2;
        } else {
            [$load, $friction, $own, $bend] = $this->mechanism->dynamics($this->mechanism->positionAt($state->angle));
            $load *= $command;
            $bend *= $command / 2;
        }

        // 2. At rest: does it start, and which way?
        $way = $speed <=> 0.0;
        if ($way === 0) {
            $way = $this->startsTowards($motor->most_Nm(), $load, $friction, $rests || ! $powered ? $this->drag_Nm : 0.0);
            if ($way !== 0 && ! $powered) {
                $command *= $way;
                $load *= $way;
                $bend *= $way;
                $way = 1;
            }
            if ($way === 0) {
                $state->speed = 0.0;
                $state->motor_Nm = $motor->most_Nm();
                $state->rest($motor);

                return $step;
            }
        }

        // 3. What pushes: as in the step before, or what is found now.
        $coupling = $this->coupling;
        $lasts = $state->speed !== 0.0 && $coupling->mayLast($motor, $powered, $way);
        $rubs = $load + $way * $friction;
        $felt = $rubs + $bend * $speed * $speed;
        $lasts ? $coupling->with($felt, $own) : $coupling->look($motor, $powered, $speed, $way, $felt, $own);
        $h = $step;

        // 4. Load in the middle of the step, from where the present acceleration would take it.
        $slope = $coupling->fade / $coupling->inertia;
        $now = ($coupling->push - $coupling->against) / $coupling->inertia - $slope * $speed;
        if (! $this->isLevel && ! $this->staysWithin($state->angle, (abs($speed) + abs($now) * $h) * $h)) {
            $room = $this->breaks === [] ? INF : $this->toNextBreak($state->angle, $way * $command);
            $largest = min($this->largestTurn, $room + self::PAST_BREAK_RAD);
            $h = $largest === INF ? $step : min($step, $this->longestStep($speed, $now, $slope, $largest));
            if ($now * $speed < 0.0) {
                $h = min($h, self::timeToReach($speed, 0.0, $now, $slope));
            }
            $half = self::turned($speed, $now, $slope, $h / 2);
            $middle = $this->mechanism->positionAt($state->angle + $command * (abs($half) < $room ? $half : $way * $room * self::BEFORE_BREAK));
            if ($this->isEven) {
                $felt = $rubs = $command * $this->mechanism->staticTorqueNm($middle) + $way * $friction;
            } else {
                [$load, $friction, $own, $bend] = $this->mechanism->dynamics($middle);
                $rubs = $command * $load + $way * $friction;
                $felt = $rubs + $command / 2 * $bend * ($speed + self::gained($now, $slope, $h / 2)) ** 2;
            }
            $lasts ? $coupling->with($felt, $own) : $coupling->look($motor, $powered, $speed, $way, $felt, $own);
        }
        if ($lasts && ! $coupling->lastsFor($speed, $h, $felt, $own)) {
            $coupling->look($motor, $powered, $speed, $way, $felt, $own);
        }

        // 5. Stop the step where the speed passes zero, or one at which its kind changes.
        $slope = $coupling->fade / $coupling->inertia;
        $start = ($coupling->push - $coupling->against) / $coupling->inertia - $slope * $speed;
        if ($coupling->pass === Coupling::AT_ONCE) { // a lock without a rotor behind it
            $speed = $coupling->push;
            $start = $slope = 0.0;
            $h = $speed === 0.0 ? min($h, self::AT_ONCE_S) : $h;
        }
        if ($state->speed === 0.0 && $speed === 0.0 && $start * $way <= 0.0) { // it would start, but not in what it meets at once
            $state->speed = 0.0;
            $state->motor_Nm = $motor->most_Nm();
            $state->rest($motor);

            return $h;
        }
        if ($start * $speed < 0.0) {
            $until = self::timeToReach($speed, 0.0, $start, $slope);
            $h = $until < $h ? $until : $h;
        }
        $end = $start > 0.0 ? $coupling->above : $coupling->below;
        if ($end !== INF && $end !== -INF) {
            $until = self::timeToReach($speed, $end, $start, $slope);
            $h = $until < $h ? $until : $h;
        }
        $x = $slope * $h;
        if ($x < 1e-4) {
            $turn = $h * ($speed + $start * $h * (0.5 - $x / 6));
            $end = $speed + ($x < 1e-9 ? $start * $h : -$start / $slope * expm1(-$x));
        } else {
            $gained = -$start / $slope * expm1(-$x);
            $turn = $speed * $h + ($start * $h - $gained) / $slope;
            $end = $speed + $gained;
        }
        if ($end * $way <= 1e-12 * abs($speed)) {
            $end = 0.0;
        }

        // 6. Write it down.
        $before = $state->watched ? 0.5 * $this->ownAt($state->angle) * $state->speed ** 2 : 0.0;
        $state->angle += $command * $turn;
        $state->speed = $command * $end;
        $pulls = $motor->stall_Nm - $motor->fall_Nms * $this->ratio * $end;
        $state->motor_Nm = $pulls < $motor->limit_Nm ? $pulls : $motor->limit_Nm;
        $state->out_Nm = $rubs + $own * max($start, $start - $slope * ($end - $speed));
        if ($state->watched) {
            $state->accel = $start;
            $state->slope = $slope;
            $state->pass = $coupling->pass === Coupling::AT_ONCE ? Coupling::LOCKED : $coupling->pass;
            $state->base_Nm = $coupling->base_Nm;
            $state->fall_Nms = $coupling->fall_Nms;
            $state->along = $command;
            $state->worked_J = 0.5 * $this->ownAt($state->angle) * $end ** 2 - $before + $rubs * $turn;
        }

        return $h;
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

    /** Turn in time t from speed v with ω̇ = a at first, falling by $slope for each rad/s: v t + a (…)/slope². */
    private static function turned(float $v, float $a, float $slope, float $t): float
    {
        $x = $slope * $t;

        return $x < 1e-4
            ? $t * ($v + $a * $t * (0.5 - $x / 6))
            : $v * $t + $a / $slope * ($t + expm1(-$x) / $slope);
    }

    /** Speed gained in time t: a (1 − e^(−slope t))/slope. */
    private static function gained(float $a, float $slope, float $t): float
    {
        return $slope * $t < 1e-9 ? $a * $t : -$a / $slope * expm1(-$slope * $t);
    }

    /** When the speed gets to $wanted, INF if it does not or is there. */
    private static function timeToReach(float $v, float $wanted, float $a, float $slope): float
    {
        $gap = $wanted - $v;
        if ($gap * $a <= 0.0 || abs($gap) <= 1e-12 * max(abs($v), abs($wanted))) {
            return INF;
        }
        if ($slope <= 0.0) {
            return $gap / $a;
        }
        $share = $slope * $gap / $a;

        return $share < 1.0 ? max(-log1p(-$share) / $slope, 1e-12) : INF;
    }
}
