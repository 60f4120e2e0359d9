<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment\Subject;

use Brookstone\Core\Drive\Cooling;
use Brookstone\Core\Drive\Knock;
use Brookstone\Core\Drive\SupplyFit;
use Brookstone\Core\Drive\TorqueLine;
use Brookstone\Core\Parts\DriveChoice;
use Brookstone\Core\Parts\Task;
use Brookstone\Core\Quantity\Constants;

/**
 * Everything that decides whether a drive carries a motion through a train, as plain numbers: torques in N·m at the load
 * unless a name says motor, for the drive's own shaft. The judge makes them for the motion as it is, the choice for
 * every drive and ratio; DriveRules judges both.
 */
final readonly class DriveFigures
{
    private const DAY_S = 86400.0;

    private const DEG_PER_RAD = 180 / M_PI;

    public DriveChoice $drive;

    public TorqueLine $line;

    /** What its gears see in the move. */
    public float $through_motor_Nm;

    public float $gear_limit_motor_Nm;

    /** What its gears see when it is stopped dead at its fastest. */
    public float $knock_motor_Nm;

    public float $turn_deg;

    public float $travel_deg;

    public float $rms_motor_Nm;

    public float $hold_motor_Nm;

    /** Heat of holding, W; 0 where it holds without power. */
    public float $hold_heat_W;

    /** Heat of going there and back without a rest, W. */
    public float $move_heat_W;

    /** Mean heat of going there and back as often as the task says. */
    public float $cycle_heat_W;

    /** Mean current of the same from the supply. */
    public float $mean_A;

    public Cooling $thermal;

    public SupplyFit $fit;

    public bool $positional;

    public bool $counts;

    public float $margin;

    /**
     * @param  float  $stall_Nm  at the load; of a stepper what it pulls, as a multiple of what the move needs
     * @param  float  $peak_Nm  largest torque of the move with this rotor
     * @param  float  $rms_Nm  root of its mean square
     * @param  float  $hold_Nm  largest torque at rest at its ends
     * @param  float  $holds_unpowered_Nm  INF where nothing turns it back
     * @param  float  $turn_rad  of the load's shaft over the move
     * @param  float  $inertia_kgm2  at the load, rotor included
     * @param  float  $fastest_rad_s  that it gets within its travel, at the load
     * @param  float  $reach_rad  from the lowest of its places to the highest: the task may be only a part of that
     * @param  float  $grip_Nm  past which the load slips by itself
     */
    public function __construct(
        public ChosenDrive $on,
        public Task $task,
        public float $ratio,
        public float $efficiency,
        public float $stall_Nm,
        public float $peak_Nm,
        float $rms_Nm,
        public float $hold_Nm,
        public float $holds_unpowered_Nm,
        public float $turn_rad,
        public float $inertia_kgm2,
        public float $fastest_rad_s,
        public float $grip_Nm = INF,
        public float $reach_rad = 0.0,
    ) {
        $through = $ratio * $efficiency;
        $this->drive = $on->choice;
        $this->line = $on->line;
        $this->margin = $peak_Nm > 0.0 ? $stall_Nm / $peak_Nm : INF;
        $this->positional = $on->positional;
        $this->counts = $on->counts;
        $this->through_motor_Nm = min($peak_Nm / $through, $on->most_Nm);
        $this->gear_limit_motor_Nm = $on->gear_limit_Nm;
        $this->knock_motor_Nm = Knock::torque_Nm($on->most_Nm * $ratio, 1 / (1 / ($on->gear_stiffness_Nm_rad * $ratio * $ratio) + $on->give_rad_Nm),
            $inertia_kgm2, $fastest_rad_s, min($on->clutch_Nm, $grip_Nm)) / $ratio;
        $this->turn_deg = max($turn_rad, $reach_rad) * $ratio * self::DEG_PER_RAD;
        $this->travel_deg = $on->travel_deg;
        $this->rms_motor_Nm = $rms_Nm / $through;
        $this->hold_motor_Nm = $hold_Nm / $ratio;
        $this->thermal = $on->thermal;
        $this->fit = $on->fit;
        // There and back in the time asked for, with the current of the mean torque; then it rests until the next.
        $holds = ! $this->drive->gated;
        $moves = min(self::DAY_S, 2 * $task->move_s * $task->per_day) / self::DAY_S;
        $moving_A = $on->counts ? $on->always_A + $rms_Nm / $efficiency * $turn_rad / $task->move_s / $on->volts_V
            : $on->line->currentAt(min($this->rms_motor_Nm, $on->most_Nm));
        $hold_A = 0.0;
        $hold_W = 0.0;
        if ($holds) {
            $hold_A = $on->counts ? $on->always_A : $this->drive->motor->holdCurrent_A($this->hold_motor_Nm, $on->volts_V);
            $hold_W = $on->counts ? $on->always_W : $hold_A * $hold_A * $on->resistance_ohm;
        }
        $this->hold_heat_W = $hold_W;
        $this->move_heat_W = $on->counts ? $on->always_W : $moving_A * $moving_A * $on->resistance_ohm;
        $this->cycle_heat_W = $moves * $this->move_heat_W + (1 - $moves) * $hold_W;
        $this->mean_A = $moves * $moving_A * $on->share + (1 - $moves) * $hold_A;
    }

    public static function of(MotionInBuild $subject): self
    {
        $motion = $subject->motion;
        $facts = $subject->facts;
        $move = $motion->move();

        return new self(
            new ChosenDrive($motion->drive ?? throw new \LogicException('No drive.')), $motion->task, $motion->train->ratio(), $motion->train->efficiency(),
            $facts->stallAtLoad_Nm(), $facts->peak_Nm(), $facts->rms_Nm(),
            $facts->hold_Nm(), $facts->holdsUnpowered_Nm(), $motion->turn_rad(), $facts->inertia_kgm2(), $facts->fastest_rad_s(),
            $motion->mechanism->gripNm(), $motion->reach_rad(),
        );
    }

    /** Torque held at rest that the drive bears all day, at its own shaft. */
    public function bears_motor_Nm(float $share): float
    {
        return $this->thermal->keepsUp($share) * $this->on->most_Nm;
    }

    /** Charge that it takes in a day, Ah. */
    public function charge_Ah_day(): float
    {
        return $this->mean_A * 24;
    }

    /** Whether its gears come through when what it moves is stopped dead at its fastest. */
    public function survivesABump(): bool
    {
        return $this->knock_motor_Nm <= $this->gear_limit_motor_Nm * (1 + Constants::TIE);
    }

    /** Inertia of all that moves, at the motor's shaft, kg·m². */
    public function atMotor_kgm2(): float
    {
        return $this->inertia_kgm2 / $this->ratio ** 2;
    }

    /** What it takes at the motor's shaft to come to its fastest within a ramp, N·m. */
    public function startsWith_Nm(float $ramp_s): float
    {
        return $this->peak_Nm / $this->ratio / $this->efficiency + $this->atMotor_kgm2() * $this->fastest_rad_s * $this->ratio / $ramp_s;
    }

    /** The same where it gets no faster than this. */
    public function atMost(float $fastest_rad_s): self
    {
        return $this->copy($this->drive, $fastest_rad_s);
    }

    /** The same with its power cut between moves. */
    public function gated(): self
    {
        return $this->withDrive($this->drive->but(['gated' => true]));
    }

    public function withDrive(DriveChoice $drive): self
    {
        return $this->copy($drive, $this->fastest_rad_s);
    }

    private function copy(DriveChoice $drive, float $fastest_rad_s): self
    {
        return new self(
            $drive === $this->drive ? $this->on : new ChosenDrive($drive), $this->task, $this->ratio, $this->efficiency, $this->stall_Nm, $this->peak_Nm,
            $this->rms_motor_Nm * $this->ratio * $this->efficiency,
            $this->hold_Nm, $this->holds_unpowered_Nm, $this->turn_rad, $this->inertia_kgm2, $fastest_rad_s, $this->grip_Nm, $this->reach_rad,
        );
    }
}
