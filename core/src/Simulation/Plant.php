<?php

declare(strict_types=1);

namespace Brookstone\Core\Simulation;

use Brookstone\Core\Drive\DcMotor;
use Brookstone\Core\Drive\Drive;
use Brookstone\Core\Drive\LinearActuator;
use Brookstone\Core\Drive\TorqueLine;
use Brookstone\Core\Mechanism\Mechanism;
use Brookstone\Core\Train\Train;

/**
 * One motion as a machine: motor, train and load on one shaft, moved forward in time.
 *
 * J·ω̇ = torque through the train − load − friction (− ½·J′·ω² where the inertia changes), all at the output shaft. While the motor pushes along its command the
 * train passes ratio·T·η; when the load drives, it passes ratio·T/η_back. Between the places where that changes, and
 * with the load of the middle of the step, the equation is linear in ω and is solved in closed form, so that a light
 * load on a stiff motor needs no small steps (exponential midpoint rule: Hochbruck & Ostermann, Exponential Integrators,
 * Acta Numerica 19 (2010), §2).
 */
final readonly class Plant
{
    /** Share of the stall torque under which neither side drives yet. */
    private const TIE = 1e-9;

    /** A self-locking train that is overrun brakes hard, but not endlessly. */
    private const LEAST_BACK_EFFICIENCY = 0.05;

    private const PAST_BREAK_RAD = 1e-6; // a step ends so far past a break, or it would never come to it

    public float $ratio;

    public float $efficiency;

    public float $backEfficiency;

    /** Of mechanism and rotor at the shaft, where the mechanism's is the same everywhere; else of the rotor alone. */
    private float $inertia;

    private float $friction;

    private bool $isEven;

    private float $grip;

    private float $rotor;

    public float $travelPerRad;

    private float $largestTurn;

    /** @var list<float> angles at which the load jumps or bends, rising */
    private array $breaks;

    /**
     * @param  float  $backEfficiency  what is left of the load's push when it drives the motor; 0 is self-locking
     * @param  float  $holds_Nm  torque at the output shaft up to which the unpowered drive stays put
     * @param  bool  $slips  past its grip the mechanism slips; without, it would push through all the same
     */
    public function __construct(
        public Mechanism $mechanism,
        float $ratio,
        float $efficiency,
        float $backEfficiency,
        float $rotor_kgm2,
        public float $holds_Nm = 0.0,
        bool $slips = true,
    ) {
        $this->ratio = $ratio;
        $this->efficiency = $efficiency;
        $this->backEfficiency = $backEfficiency;
        $this->isEven = $mechanism->isEven();
        $this->rotor = $ratio ** 2 * $rotor_kgm2;
        $this->inertia = $this->rotor + ($this->isEven ? $mechanism->inertiaKgm2(0.0) : 0.0);
        $this->friction = $this->isEven ? $mechanism->frictionNm(0.0) : 0.0;
        $this->grip = $slips ? $mechanism->gripNm() : INF;
        $this->travelPerRad = $mechanism->travelPerRad();
        $this->largestTurn = $mechanism->evenOverRad();
        $breaks = array_map(fn (float $at): float => $at / $this->travelPerRad, $mechanism->breaks());
        sort($breaks);
        $this->breaks = $breaks;
    }

    /** A drive whose last stage is a worm or a fine screw is not turned by its load, whatever the train behind it. */
    public static function through(Mechanism $mechanism, Train $train, ?Drive $drive): self
    {
        $back = $train->backEfficiency();

        return new self(
            $mechanism,
            $train->ratio(),
            $train->efficiency(),
            ($drive instanceof DcMotor && $drive->worm) || $drive instanceof LinearActuator ? 0.0 : $back,
            $drive?->rotorKgm2() ?? 0.0,
            $back > 0.0 ? $train->ratio() * ($drive?->body()->back_drive_Nm ?? 0.0) / $back : INF,
        );
    }

    /** @param  float  $position in rad or m */
    public function stateAt(float $position): PlantState
    {
        return new PlantState($position / $this->travelPerRad);
    }

    public function position(PlantState $state): float
    {
        return $state->angle * $this->travelPerRad;
    }

    /** In rad/s or m/s. */
    public function speed(PlantState $state): float
    {
        return $state->speed * $this->travelPerRad;
    }

    public function loadNm(float $angle): float
    {
        return $this->mechanism->staticTorqueNm($angle * $this->travelPerRad);
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
        return $this->isEven ? $this->inertia : $this->inertia + $this->mechanism->inertiaKgm2($angle * $this->travelPerRad);
    }

    public function frictionAt(float $angle): float
    {
        return $this->isEven ? $this->friction : $this->mechanism->frictionNm($angle * $this->travelPerRad);
    }

    /**
     * One step of at most $step seconds, shorter where the motion changes its kind or would turn too far.
     *
     * @param  TorqueLine  $motor  what the motor does now; shorted or open when it is off
     * @param  int  $command  1 or −1: the direction in which its torque acts
     * @param  bool  $powered  an unpowered drive also holds by the drag of its gears
     * @return float the seconds taken, > 0
     */
    public function step(PlantState $state, TorqueLine $motor, int $command, bool $powered, float $step): float
    {
        // 1. Everything along the command.
        $ratio = $this->ratio;
        $speed = $command * $state->speed;
        $inertia = $this->inertia;
        $friction = $this->friction;
        $bend = 0.0;
        if ($this->isEven) {
            $load = $command * $this->loadNm($state->angle);
        } else {
            [$load, $friction, $own, $bend] = $this->mechanism->dynamics($state->angle * $this->travelPerRad);
            $load *= $command;
            $inertia += $own;
        }
        $stall = $motor->stall_Nm;
        $fall = $motor->fall_Nms * $ratio;
        $back = $this->backEfficiency > self::LEAST_BACK_EFFICIENCY ? $this->backEfficiency : self::LEAST_BACK_EFFICIENCY;

        // 2. At rest: does it start, and which way?
        $way = $speed <=> 0.0;
        if ($way === 0) {
            $way = $this->startsTowards($motor->most_Nm(), $load, $friction, $powered);
            if ($way === 0) {
                $state->speed = 0.0;
                $state->motor_Nm = $motor->most_Nm();
                $state->push_Nm = $state->fade_Nms = $state->accel = $state->slope = 0.0;

                return $step;
            }
        }

        // 3. Which side drives, and so how the train passes torque. Past its grip it slips and pushes with that alone; a
        //    controller that limits the torque does the same.
        $torque = $stall - $fall * $speed;
        $motorDrives = $way > 0 && (abs($torque) <= self::TIE * $stall ? $load + $friction >= 0.0 : $torque >= 0.0);
        $pass = $motorDrives ? $ratio * $this->efficiency : $ratio / $back;
        $push = $pass * $stall;
        $fade = $pass * $fall;
        $corner = INF;
        if ($motorDrives && $torque > $motor->limit_Nm * (1 + self::TIE)) {
            $push = $pass * $motor->limit_Nm;
            $corner = ($stall - $motor->limit_Nm) / $fall;
            $fade = 0.0;
        }
        if ($motorDrives && $this->grip !== INF && $this->throughGrip($push - $fade * $speed, $load + $friction, $inertia) > $this->grip * (1 + self::TIE)) {
            $needed = $load + $friction + ($this->grip - $load - $friction) * $inertia / ($inertia - $this->rotor);
            $corner = $fade > 0.0 ? min($corner, ($push - $needed) / $fade) : $corner;
            $push = $needed; // what is over it spins wheels and rotor
            $fade = 0.0;
        }
        $slope = $fade / $inertia;

        // 4. Load in the middle of the step, from where the present acceleration would take it.
        $now = ($push - $way * $friction - $this->felt($load, $way, $powered)) / $inertia - $slope * $speed;
        if (! $this->isEven) {
            $now -= 0.5 * $command * $bend * $speed ** 2 / $inertia;
        }
        $largest = $this->breaks === [] ? $this->largestTurn : min($this->largestTurn, $this->toNextBreak($state->angle, $way * $command));
        $h = $largest === INF ? $step : min($step, $this->longestStep($speed, $now, $slope, $largest));
        $middle = $state->angle + $command * self::turned($speed, $now, $slope, $h / 2);
        if ($this->isEven) {
            $held = $command * $this->loadNm($middle);
            $between = $this->felt($held, $way, $powered);
        } else {
            [$held, $friction, $own, $bend] = $this->mechanism->dynamics($middle * $this->travelPerRad);
            $held *= $command;
            $inertia = $own + $this->rotor;
            $slope = $fade / $inertia;
            $between = $this->felt($held, $way, $powered) + 0.5 * $command * $bend * ($speed + self::gained($now, $slope, $h / 2)) ** 2;
        }
        $drive = ($push - $way * $friction - $between) / $inertia;

        // 5. Stop the step where the speed passes zero, or the motor's torque does.
        $start = $drive - $slope * $speed;
        if ($start * $speed < 0.0) {
            $until = self::timeToReach($speed, 0.0, $start, $slope);
            $h = $until < $h ? $until : $h;
        }
        if ($fall > 0.0 && $stall > 0.0 && ($stall / $fall - $speed) * $start > 0.0) {
            $until = self::timeToReach($speed, $stall / $fall, $start, $slope);
            $h = $until < $h ? $until : $h;
        }
        if ($corner !== INF) {
            $until = self::timeToReach($speed, $corner, $start, $slope);
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

        // 6. Write down where it is, and what the train gave: change of ½Jω² and the work against load and friction.
        $before = $this->isEven ? 0.5 * $inertia * $state->speed ** 2 : ($state->watched ? $this->kinetic_J($state) : 0.0);
        $state->angle += $command * $turn;
        $state->speed = $command * $end;
        $pulls = $stall - $fall * $end;
        $state->motor_Nm = $pulls < $motor->limit_Nm ? $pulls : $motor->limit_Nm;
        $after = $this->isEven ? 0.5 * $inertia * $state->speed ** 2 : ($state->watched ? $this->kinetic_J($state) : 0.0);
        $state->spent_J += $after - $before + abs($turn) * $friction + $turn * $held;
        $state->push_Nm = $push;
        $state->fade_Nms = $fade;
        if ($state->watched) {
            $state->accel = $start;
            $state->slope = $slope;
            $state->locked_J += ($this->felt($held, $way, $powered) - $held) * $turn;
        }

        return $h;
    }

    /** The same, written down. */
    public function stepInto(?Ledger $ledger, PlantState $state, TorqueLine $motor, int $command, bool $powered, float $step): float
    {
        if ($ledger === null) {
            return $this->step($state, $motor, $command, $powered, $step);
        }
        $before = clone $state;
        $used = $this->step($state, $motor, $command, $powered, $step);
        $ledger->step($before, $state, $motor, $command, $used);

        return $used;
    }

    /** What of a torque at the shaft passes on to where the load grips: the rest speeds up the rotor. */
    private function throughGrip(float $torque, float $against, float $inertia): float
    {
        return $against + ($torque - $against) * ($inertia - $this->rotor) / $inertia;
    }

    /** 1 along the command, −1 against it, 0 stays. */
    private function startsTowards(float $stall, float $load, float $friction, bool $powered): int
    {
        $holds = $powered ? 0.0 : $this->holds_Nm;
        $locks = $this->backEfficiency <= 0.0;
        $forward = $this->ratio * $stall * $this->efficiency;
        if ($this->grip !== INF) {
            $forward = min($forward, $this->grip);
        }
        if ($forward - ($load < 0.0 ? min(0.0, $load + $holds) * ($locks ? 0.0 : 1.0) : $load) > $friction) {
            return 1;
        }
        if (! $locks && $this->ratio * $stall / $this->backEfficiency - max(0.0, $load - $holds) < -$friction) {
            return -1;
        }

        return 0;
    }

    /** What of the load acts while it moves: one that pushes along is held back by self-locking or unpowered gears. */
    private function felt(float $load, int $way, bool $powered): float
    {
        if ($load * $way >= 0.0) {
            return $load;
        }
        if ($this->backEfficiency <= 0.0) {
            return 0.0;
        }

        return $powered ? $load : -$way * max(0.0, abs($load) - $this->holds_Nm);
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

        return $nearest + self::PAST_BREAK_RAD;
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
        if ($wanted === INF || $gap * $a <= 0.0 || abs($gap) <= 1e-12 * max(abs($v), abs($wanted))) {
            return INF;
        }
        if ($slope <= 0.0) {
            return $gap / $a;
        }
        $share = $slope * $gap / $a;

        return $share < 1.0 ? max(-log1p(-$share) / $slope, 1e-12) : INF;
    }
}
