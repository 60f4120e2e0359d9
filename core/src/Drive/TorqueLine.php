<?php

declare(strict_types=1);

namespace Brookstone\Core\Drive;

/**
 * A motor at one voltage, at its output shaft: torque falls in a straight line with speed, current rises in a straight
 * line with torque. Everything that runs a motor forward uses this one line.
 *
 * Permanent-magnet DC machine: Fitzgerald, Kingsley & Umans, Electric Machinery, 6th ed., §7.4.
 */
final readonly class TorqueLine
{
    /** Torque for each rad/s past its no-load speed, where the load turns it: its gears lose that way too, and brake with what they lose. */
    public float $drivenFall_Nms;

    /**
     * @param  float  $stall_Nm  at rest, ≥ 0
     * @param  float  $fall_Nms  torque lost per rad/s, ≥ 0; keeps its value when the voltage changes
     * @param  float  $idle_A  with no torque
     * @param  float  $stall_A  at rest; where the voltage is too low to turn it, more than the line would give
     * @param  float  $A_per_Nm  current for each N·m
     * @param  float  $limit_Nm  more than this its controller never lets it push
     * @param  float  $gears  what its own gears pass, 0–1: torque constant over back-EMF constant
     * @param  float  $opens  of what air pushes: the share of the voltage from which its valve opens, and nothing else of it is the voltage's; 0 of a motor
     */
    public function __construct(
        public float $stall_Nm,
        public float $fall_Nms,
        public float $idle_A,
        public float $stall_A,
        public float $A_per_Nm,
        public float $limit_Nm = INF,
        public float $gears = 1.0,
        public float $opens = 0.0,
    ) {
        $this->drivenFall_Nms = $fall_Nms / ($gears * $gears);
    }

    /**
     * What the gears inside a gear motor pass, from its ratings at their output: torque constant over back-EMF constant,
     * (1/A_per_Nm) / (R·A_per_Nm·fall), at most 1. Of a motor without gears both constants are the same (Hughes, Electric Motors and
     * Drives, 4th ed., §3.3), so what is missing is what gears lose.
     */
    public static function gearsOf(float $resistance_ohm, float $A_per_Nm, float $fall_Nms): float
    {
        $constants = $resistance_ohm * $A_per_Nm ** 2 * $fall_Nms;

        return $constants > 1.0 ? 1 / $constants : 1.0;
    }

    /** Its terminals shorted: no push of its own, but it brakes what turns it. */
    public function shorted(): self
    {
        return new self(0.0, $this->fall_Nms, 0.0, 0.0, $this->A_per_Nm, gears: $this->gears);
    }

    /** Nothing turns, nothing flows. */
    public static function none(): self
    {
        return new self(0.0, 0.0, 0.0, 0.0, 0.0);
    }

    /** Its terminals open: it turns freely. */
    public function open(): self
    {
        return self::none();
    }

    /** The same push, scaled: a servo that corrects a little. */
    public function scaled(float $share): self
    {
        return new self($this->stall_Nm * $share, $this->fall_Nms, $this->idle_A, $this->stall_A * $share, $this->A_per_Nm, $this->limit_Nm, $this->gears);
    }

    /** The same motor at a share of its voltage: its current without load does not shrink, so its torque is gone before the voltage is. */
    public function atShare(float $share): self
    {
        $stall_A = $this->stall_A * $share;
        if ($this->opens > 0.0) {
            return $share >= $this->opens ? new self($this->stall_Nm, $this->fall_Nms, $stall_A, $stall_A, 0.0, $this->limit_Nm, $this->gears, $this->opens)
                : new self(0.0, $this->fall_Nms, $stall_A, $stall_A, 0.0, 0.0, $this->gears, $this->opens);
        }

        return $this->A_per_Nm <= 0.0 ? $this->scaled($share) : new self(max(0.0, ($stall_A - $this->idle_A) / $this->A_per_Nm), $this->fall_Nms,
            $this->idle_A, $stall_A, $this->A_per_Nm, $this->limit_Nm, $this->gears);
    }

    /** What air pushes with another pressure: a share of its force, at speeds that its valve lets it have. */
    public function atPressure(float $share): self
    {
        return new self($this->stall_Nm * $share, $this->fall_Nms * $share, $this->idle_A, $this->stall_A, $this->A_per_Nm, $this->limit_Nm * $share,
            $this->gears, $this->opens);
    }

    /**
     * The same motor behind a resistance in series: a share of its current held, and of the torque that it loses with speed; at no load it turns hardly
     * slower (Fitzgerald, Kingsley & Umans, Electric Machinery, 6th ed., §7.4).
     *
     * @param  float  $share  its own resistance over both, over 0 to 1
     */
    public function behind(float $share): self
    {
        if ($this->opens > 0.0) {
            return $this->atShare($share);
        }
        $stall_A = $this->stall_A * $share;

        return new self($this->A_per_Nm <= 0.0 ? $this->stall_Nm * $share : max(0.0, ($stall_A - $this->idle_A) / $this->A_per_Nm),
            $this->fall_Nms * $share, $this->idle_A, $stall_A, $this->A_per_Nm, $this->limit_Nm, $this->gears);
    }

    /**
     * What its driver lets flow at a speed and a share of its voltage, A: no more than its controller allows; what the load gives back is burnt there.
     *
     * @param  float  $speed  of its shaft, rad/s, along the command
     */
    public function flowsAtShare_A(float $share, float $speed): float
    {
        $current = $this->stall_A * $share - $this->A_per_Nm * $this->fall_Nms * $speed;
        $most = $this->idle_A + $this->A_per_Nm * $this->limit_Nm;

        return $current <= 0.0 ? 0.0 : ($current < $most ? $current : $most);
    }

    /** The most it pushes with, N·m: at rest, or what its controller allows. */
    public function most_Nm(): float
    {
        return min($this->stall_Nm, $this->limit_Nm);
    }

    public function noLoad_rad_s(): float
    {
        return $this->fall_Nms > 0.0 ? $this->stall_Nm / $this->fall_Nms : 0.0;
    }

    /** Speed against a steady torque, rad/s; 0 when stalled. */
    public function speedAgainst(float $torque_Nm): float
    {
        return $this->stall_Nm > 0.0 && $torque_Nm < $this->most_Nm() ? $this->noLoad_rad_s() * (1 - $torque_Nm / $this->stall_Nm) : 0.0;
    }

    public function currentAt(float $torque_Nm): float
    {
        return abs($this->idle_A + $this->A_per_Nm * $torque_Nm);
    }
}
