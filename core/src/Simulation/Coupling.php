<?php

declare(strict_types=1);

namespace Brookstone\Core\Simulation;

use Brookstone\Core\Drive\TorqueLine;

/**
 * How motor, train and load go together at a speed: ω̇ = (push − against − fade·ω)/inertia, all at the load's shaft and along the command.
 *
 * The rotor stands before the train: J_l·ω̇ = e·(ratio·Tm − J_r·ω̇) − load − friction (− ½·J_l′·ω² where the inertia changes), with the rotor's
 * inertia J_r as the load's shaft feels it. e is the train's efficiency while the torque that enters it, Tm − J_r·ω̇/ratio, points the way it
 * moves, and 1/η_back while the load drives it (Norton, Machine Design, 4th ed., §12.11 for both efficiencies). The sign of that torque is the
 * sign of ratio·Tm·J_l + J_r·(load + friction), whatever e is. A train that locks passes nothing back: then the rotor goes by itself and takes the
 * load along. Past its no-load speed the motor is turned through its own gears, whose loss then adds to its braking (TorqueLine::driven).
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

    /** Share of a torque under which it counts as none. */
    private const TIE = 1e-9;

    private const LEAST_KGM2 = 1e-15;

    /**
     * @param  float|null  $drag_Nm  at its shaft, of a motor without power; null with power
     * @param  float  $back  what is left of the load's push when it drives the motor; 0 locks
     * @param  float  $rotor  its inertia as the load's shaft feels it, kg·m²
     * @param  float  $grip  torque at the load past which it slips
     * @param  int  $way  1 where it moves, or starts, along the command
     * @param  float  $against  load and friction along the command, N·m
     * @param  float  $own  inertia of the load, kg·m²
     * @return array{float, float, float, float, float, float, float, list<float>} inertia, push, fade, against, what the train passes (η, 1/η_back or a
     *                                                                             word above), torque at rest and fall of the motor's line, speeds at which this ends
     */
    public static function at(TorqueLine $motor, ?float $drag_Nm, float $ratio, float $efficiency, float $back, float $rotor, float $grip, float $speed, int $way, float $against, float $own): array
    {
        // 1. The piece of the motor's line.
        $ends = [];
        if ($drag_Nm !== null) {
            $base = -$drag_Nm;
            $fall = $motor->drivenFall_Nms;
        } else {
            $base = $motor->stall_Nm;
            $fall = $motor->fall_Nms;
            $torque = $base - $fall * $ratio * $speed;
            if ($torque > $motor->limit_Nm * (1 + self::TIE)) {
                $ends[] = ($base - $motor->limit_Nm) / $fall / $ratio;
                $base = $motor->limit_Nm;
                $fall = 0.0;
            } elseif ($fall > 0.0) {
                $ends[] = $base / $fall / $ratio;
                if ($motor->limit_Nm !== INF) {
                    $ends[] = ($base - $motor->limit_Nm) / $fall / $ratio;
                }
                if ($torque < -self::TIE * $base || ($torque <= self::TIE * $base && $against < 0.0)) {
                    $base *= $motor->drivenFall_Nms / $fall;
                    $fall = $motor->drivenFall_Nms;
                }
            }
        }

        // 2. Which side drives: the sign of the torque that enters the train.
        $enters = $ratio * ($base - $fall * $ratio * $speed) * $own + $rotor * $against;
        $drives = abs($enters) <= self::TIE * (abs($ratio * $base) * $own + $rotor * abs($against)) ? $fall * $against >= 0.0 : $enters * $way > 0.0;
        if ($fall > 0.0 && $own > 0.0) {
            $ends[] = ($ratio * $base * $own + $rotor * $against) / ($ratio * $ratio * $fall * $own);
        }
        if (! $drives && $back <= 0.0) {
            if ($rotor > 0.0) {
                return [$rotor, $ratio * $base, $ratio * $ratio * $fall, 0.0, self::LOCKED, $base, $fall, $ends];
            }
            $goes = $way < 0 || $drag_Nm !== null || $fall <= 0.0 ? 0.0 : max(0.0, $base / $fall / $ratio);

            return [1.0, $goes, 0.0, 0.0, self::AT_ONCE, 0.0, 0.0, []];
        }
        $pass = $drives ? $efficiency : 1 / $back;
        $inertia = $own + $pass * $rotor;
        if ($inertia < self::LEAST_KGM2) {
            $inertia = self::LEAST_KGM2;
        }
        $push = $pass * $ratio * $base;
        $fade = $pass * $ratio * $ratio * $fall;

        // 3. What grips passes no more than its grip: the rest spins wheels and rotor, or drags them along.
        if ($grip !== INF && $own > 0.0) {
            $out = $against + $own * ($push - $fade * $speed - $against) / $inertia;
            if (abs($out) > $grip * (1 + self::TIE)) {
                $most = $out > 0.0 ? $grip : -$grip;
                if ($fade > 0.0) {
                    $ends[] = ($push - $against - ($most - $against) * $inertia / $own) / $fade;
                }

                return [$own, $most, 0.0, $against, $out * $way > 0.0 ? self::SPINS : self::SKIDS, $base, $fall, $ends];
            }
        }

        return [$inertia, $push, $fade, $against, $pass, $base, $fall, $ends];
    }
}
