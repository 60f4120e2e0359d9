<?php

declare(strict_types=1);

namespace Brookstone\Core\Dynamics;

use Brookstone\Core\Drive\TorqueLine;
use Brookstone\Core\Quantity\Constants;

/**
 * How motor, train and load go together at a speed: ω̇ = (push − against − fade·ω)/inertia, all at the load's shaft and along the command.
 *
 * The rotor stands before the train: J_l·ω̇ = e·(ratio·Tm − J_r·ω̇) − load − friction (− ½·J_l′·ω² where the inertia changes), with the rotor's
 * inertia J_r as the load's shaft feels it. e is the train's efficiency while the torque that enters it, Tm − J_r·ω̇/ratio, points the way it
 * moves, and 1/η_back while the load drives it (Norton, Machine Design, 4th ed., §12.11 for both efficiencies). The sign of that torque is the
 * sign of ratio·Tm·J_l + J_r·(load + friction), whatever e is. A train that locks passes nothing back: then the rotor goes by itself and takes the
 * load along. Past its no-load speed the motor is turned through its own gears, whose loss then adds to its braking (TorqueLine::driven).
 *
 * It is asked millions of times: what it finds stands in it until it is asked again, and need not be asked for while it lasts.
 */
final class Coupling
{
    /** What passes a train that locks: nothing. */
    public const LOCKED = 0.0;

    /** Wheels, or what else grips, turn faster than they roll. */
    public const SPINS = -1.0;

    /** They are dragged along. */
    public const SKIDS = -2.0;

    /** A train that locks, without a rotor behind it, goes at the speed that `push` then is. */
    public const AT_ONCE = -3.0;

    /** Share of a torque or speed under which it counts as none. */
    private const LEAST_KGM2 = 1e-15;

    /** Pieces of a motor's line: as much as its controller lets it, what it does by itself, past its no-load speed. */
    private const LIMITED = 0;

    private const DRIVES = 1;

    private const DRIVEN = 2;

    public float $inertia = 0.0;

    public float $push = 0.0;

    public float $fade = 0.0;

    /** Load and friction, as far as they are felt. */
    public float $against = 0.0;

    /** What the train passes: η, 1/η_back, or one of the words above. */
    public float $pass = 1.0;

    /** Of the motor's line: torque at rest, and its fall. */
    public float $base_Nm = 0.0;

    public float $fall_Nms = 0.0;

    /** The nearest speeds at which this ends, rad/s. */
    public float $below = -INF;

    public float $above = INF;

    /** For how long it is the same, whatever the load: between two speeds, while the same side drives: 1 the motor, −1 the load, 0 is all the same. */
    private float $from = 0.0;

    private float $to = 0.0;

    private int $side = 0;

    private int $piece = self::DRIVES;

    /** What load and its inertia count for: 1, or 0 where the train locks and the rotor goes by itself. */
    public float $share = 1.0;

    /** What the rotor adds to the inertia, kg·m². */
    private float $felt = 0.0;

    private ?TorqueLine $motor = null; // null where it does not last

    private bool $powered = false;

    private int $way = 0;

    /**
     * @param  float  $back  what is left of the load's push when it drives the motor; 0 locks
     * @param  float  $rotor  its inertia as the load's shaft feels it, kg·m²
     * @param  float  $grip_Nm  torque at the load past which it slips
     * @param  float  $drag_Nm  at its shaft, of a motor without power
     */
    public function __construct(
        private readonly float $ratio,
        private readonly float $efficiency,
        private readonly float $back,
        private readonly float $rotor,
        private readonly float $grip_Nm = INF,
        private readonly float $drag_Nm = 0.0,
    ) {
    }

    /** What it found was of this motor, moved like this, and may still be so; or of the same pushing more or less, as a servo does at each correction. */
    public function mayLast(TorqueLine $motor, bool $powered, int $way): bool
    {
        if ($this->motor === null || $this->powered !== $powered || $this->way !== $way) {
            return false;
        }
        if ($this->motor === $motor) {
            return true;
        }
        if (! $powered || $motor->fall_Nms <= 0.0 || $this->motor->fall_Nms !== $motor->fall_Nms || $this->motor->drivenFall_Nms !== $motor->drivenFall_Nms
            || $this->motor->limit_Nm !== $motor->limit_Nm) {
            return false;
        }
        $this->motor = $motor;
        $free = $motor->stall_Nm / $motor->fall_Nms / $this->ratio;
        $corner = ($motor->stall_Nm - $motor->limit_Nm) / $motor->fall_Nms / $this->ratio;
        if ($this->piece === self::LIMITED) {
            $this->to = $corner;

            return true;
        }
        $this->base_Nm = $motor->stall_Nm;
        if ($this->piece === self::DRIVEN) {
            $this->from = $free;
            $this->base_Nm *= $motor->drivenFall_Nms / $motor->fall_Nms;
        } else {
            $this->from = $corner;
            $this->to = $free;
        }
        $this->push = ($this->pass > 0.0 ? $this->pass : 1.0) * $this->ratio * $this->base_Nm;

        return true;
    }

    /** The same with another load. @param  float  $against  as look() has it */
    public function with(float $against, float $own): void
    {
        $this->inertia = $this->share * $own + $this->felt;
        $this->against = $this->share * $against;
        $this->below = -INF;
        $this->above = INF;
    }

    /** Whether it is the same for some time, s, from a speed on. */
    public function lastsFor(float $speed, float $time, float $against, float $own): bool
    {
        $slope = $this->fade / $this->inertia;
        $gains = (($this->push - $this->against) / $this->inertia - $slope * $speed) * $time;

        return $this->lasts($speed, $speed + $gains, $against, $own) // it gains no more than that
            || ($slope * $time > Constants::TIE && $this->lasts($speed, $speed - $gains / ($slope * $time) * expm1(-$slope * $time), $against, $own));
    }

    /** Whether it is the same from one speed to another, against this load. */
    public function lasts(float $speed, float $next, float $against, float $own): bool
    {
        if ($speed < $this->from || $next < $this->from || $speed > $this->to || $next > $this->to) {
            return false;
        }
        $given = ($this->ratio * $this->base_Nm * $own + $this->rotor * $against) * $this->side;
        $lost = $this->ratio * $this->ratio * $this->fall_Nms * $own * $this->side;

        return $given >= $lost * $speed && $given >= $lost * $next;
    }

    /**
     * @param  bool  $powered  a motor without power is dragged
     * @param  int  $way  1 where it moves, or starts, along the command
     * @param  float  $against  load and friction along the command, N·m
     * @param  float  $own  inertia of the load, kg·m²
     */
    public function look(TorqueLine $motor, bool $powered, float $speed, int $way, float $against, float $own): void
    {
        $this->below = -INF;
        $this->above = INF;
        $this->turns($motor, $powered, $speed, $against);
        $this->powered = $powered;
        $this->way = $way;
        $this->motor = null;

        // Which side drives: the sign of the torque that enters the train.
        $ratio = $this->ratio;
        $base = $this->base_Nm;
        $fall = $this->fall_Nms;
        $enters = $ratio * ($base - $fall * $ratio * $speed) * $own + $this->rotor * $against;
        $drives = abs($enters) <= Constants::TIE * (abs($ratio * $base) * $own + $this->rotor * abs($against)) ? $fall * $against >= 0.0 : $enters * $way > 0.0;
        if ($fall > 0.0 && $own > 0.0) {
            $this->ends(($ratio * $base * $own + $this->rotor * $against) / ($ratio * $ratio * $fall * $own), $speed);
        }
        $this->side = $drives ? $way : -$way;
        if (! $drives && $this->back <= 0.0) {
            $this->locks($motor, $powered, $way);

            return;
        }
        $pass = $drives ? $this->efficiency : 1 / $this->back;
        $inertia = $own + $pass * $this->rotor;
        $this->share = 1.0;
        $this->felt = $pass * $this->rotor;
        $this->inertia = $inertia < self::LEAST_KGM2 ? self::LEAST_KGM2 : $inertia;
        $this->push = $pass * $ratio * $base;
        $this->fade = $pass * $ratio * $ratio * $fall;
        $this->against = $against;
        $this->pass = $pass;
        if ($own <= 0.0) {
            return;
        }
        if ($this->grip_Nm !== INF) {
            $this->slips($speed, $own);

            return;
        }
        $this->motor = $motor; // it lasts
        $this->side = $this->efficiency * $this->back === 1.0 ? 0 : $this->side;
    }

    /** The piece of the motor's line that it is on, and where that ends. */
    private function turns(TorqueLine $motor, bool $powered, float $speed, float $against): void
    {
        $base = $motor->stall_Nm;
        $fall = $motor->fall_Nms;
        $this->from = -INF;
        $this->to = INF;
        if (! $powered) {
            $base = -$this->drag_Nm;
            $fall = $motor->drivenFall_Nms;
        } elseif ($fall > 0.0) {
            $torque = $base - $fall * $this->ratio * $speed;
            $corner = ($base - $motor->limit_Nm) / $fall / $this->ratio;
            $free = $base / $fall / $this->ratio;
            if ($torque > $motor->limit_Nm * (1 + Constants::TIE)) {
                $this->piece = self::LIMITED;
                $this->to = $corner;
                $base = $motor->limit_Nm;
                $fall = 0.0;
            } elseif ($torque < -Constants::TIE * $base || ($torque <= Constants::TIE * $base && $against < 0.0)) {
                $this->piece = self::DRIVEN;
                $this->from = $free;
                $base *= $motor->drivenFall_Nms / $fall;
                $fall = $motor->drivenFall_Nms;
            } else {
                $this->piece = self::DRIVES;
                $this->from = $corner;
                $this->to = $free;
            }
            $this->ends($corner, $speed);
            $this->ends($free, $speed);
        } elseif ($base > $motor->limit_Nm) {
            $base = $motor->limit_Nm;
        }
        $this->base_Nm = $base;
        $this->fall_Nms = $fall;
    }

    /** The load would drive a train that passes nothing back: the rotor goes by itself and takes it along, or, where it weighs nothing, at once. */
    private function locks(TorqueLine $motor, bool $powered, int $way): void
    {
        if ($this->rotor > 0.0) {
            $this->share = 0.0;
            $this->felt = $this->rotor;
            $this->motor = $motor;
            $this->inertia = $this->rotor;
            $this->push = $this->ratio * $this->base_Nm;
            $this->fade = $this->ratio * $this->ratio * $this->fall_Nms;
            $this->against = 0.0;
            $this->pass = self::LOCKED;

            return;
        }
        $this->inertia = 1.0;
        $this->push = $way < 0 || ! $powered || $this->fall_Nms <= 0.0 ? 0.0 : max(0.0, $this->base_Nm / $this->fall_Nms / $this->ratio);
        $this->fade = 0.0;
        $this->against = 0.0;
        $this->pass = self::AT_ONCE;
        $this->base_Nm = 0.0;
        $this->fall_Nms = 0.0;
        $this->below = -INF;
        $this->above = INF;
    }

    /** What grips passes no more than its grip: the rest spins wheels and rotor, or drags them along. */
    private function slips(float $speed, float $own): void
    {
        $out = $this->against + $own * ($this->push - $this->fade * $speed - $this->against) / $this->inertia;
        if (abs($out) <= $this->grip_Nm * (1 + Constants::TIE)) {
            return;
        }
        $most = $out > 0.0 ? $this->grip_Nm : -$this->grip_Nm;
        if ($this->fade > 0.0) {
            $this->ends(($this->push - $this->against - ($most - $this->against) * $this->inertia / $own) / $this->fade, $speed);
        }
        $this->inertia = $own;
        $this->push = $most;
        $this->fade = 0.0;
        $this->pass = $out * $this->way > 0.0 ? self::SPINS : self::SKIDS;
    }

    private function ends(float $at, float $speed): void
    {
        $gap = $at - $speed;
        $tie = Constants::TIE * abs($at);
        if ($gap > $tie && $at < $this->above) {
            $this->above = $at;
        } elseif ($gap < -$tie && $at > $this->below) {
            $this->below = $at;
        }
    }
}
