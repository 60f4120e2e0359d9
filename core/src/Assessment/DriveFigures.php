<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment;

use Brookstone\Core\Build\DriveChoice;
use Brookstone\Core\Build\Task;
use Brookstone\Core\Drive\Knock;
use Brookstone\Core\Drive\Stepper;
use Brookstone\Core\Drive\SupplyFit;
use Brookstone\Core\Drive\ThermalClass;
use Brookstone\Core\Drive\TorqueLine;

/**
 * Everything that decides whether a drive carries a motion through a train, as plain numbers: torques in N·m at the load
 * unless a name says motor, for the drive's own shaft. The judge makes them for the motion as it is, the choice for
 * every drive and ratio; DriveRules judges both.
 */
final readonly class DriveFigures
{
    private const DAY_S = 86400.0;

    /** Largest torque of the move. */
    public float $peak_Nm;

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

    /** Mean heat of going there and back as often as the task says. */
    public float $cycle_heat_W;

    /** Mean current of the same from the supply. */
    public float $mean_A;

    public ThermalClass $thermal;

    public SupplyFit $fit;

    public bool $positional;

    public bool $counts;

    public float $margin;

    /**
     * @param  TorqueLine  $line  of the drive on its supply, at its duty
     * @param  float  $stall_Nm  at the load; of a stepper what it pulls, as a multiple of what the move needs
     * @param  float  $peak_Nm  largest torque of the move with this rotor
     * @param  float  $rms_Nm  root of its mean square
     * @param  float  $hold_Nm  largest torque at rest at its ends
     * @param  float  $holds_unpowered_Nm  INF where nothing turns it back
     * @param  float  $turn_rad  of the load's shaft over the move
     * @param  float  $inertia_kgm2  at the load, rotor included
     */
    public function __construct(
        public DriveChoice $drive,
        public Task $task,
        public TorqueLine $line,
        public float $ratio,
        public float $efficiency,
        public float $stall_Nm,
        float $peak_Nm,
        float $rms_Nm,
        public float $hold_Nm,
        public float $holds_unpowered_Nm,
        float $turn_rad,
        public float $inertia_kgm2,
    ) {
        $motor = $drive->motor;
        $body = $motor->body();
        $volts = $drive->supply->volts_V;
        $through = $ratio * $efficiency;
        $this->peak_Nm = $peak_Nm;
        $this->margin = $peak_Nm > 0.0 ? $stall_Nm / $peak_Nm : INF;
        $this->positional = $motor->isPositional();
        $this->counts = $motor instanceof Stepper;
        $this->through_motor_Nm = min($peak_Nm / $through, $line->most_Nm());
        $this->gear_limit_motor_Nm = $body->gearbox_limit_Nm;
        $this->knock_motor_Nm = Knock::torque_Nm($line->most_Nm() * $ratio, $drive->stiffness_Nm_rad($ratio), $inertia_kgm2, $line->noLoad_rad_s() / $ratio, $drive->clutch_Nm ?? INF) / $ratio;
        $this->turn_deg = $turn_rad * $ratio * 180 / M_PI;
        $this->travel_deg = $motor->travel_deg() ?? INF;
        $this->rms_motor_Nm = $rms_Nm / $through;
        $this->hold_motor_Nm = $hold_Nm / $ratio;
        $this->thermal = $body->thermal;
        $this->fit = $motor->supplyFit($volts);
        $powered = ! $drive->gated;
        $this->hold_heat_W = $powered ? $motor->holdHeat_W($this->hold_motor_Nm, $volts) : 0.0;
        // There and back in the time asked for, with the current of the mean torque; then it rests until the next.
        $moves = min(self::DAY_S, 2 * $task->move_s * $task->per_day) / self::DAY_S;
        $moving_A = $this->counts ? $motor->holdCurrent_A(0.0, $volts) : $line->currentAt(min($this->rms_motor_Nm, $line->most_Nm()));
        $this->cycle_heat_W = $moves * ($this->counts ? $motor->holdHeat_W(0.0, $volts) : $moving_A ** 2 * $motor->resistance_ohm()) + (1 - $moves) * $this->hold_heat_W;
        $this->mean_A = $moves * $moving_A + (1 - $moves) * ($powered ? $motor->holdCurrent_A($this->hold_motor_Nm, $volts) : 0.0);
    }

    public static function of(Subject $subject): self
    {
        $motion = $subject->motion;
        $drive = $motion->drive ?? throw new \LogicException('No drive.');
        $facts = $subject->facts;
        $move = $motion->move();

        return new self(
            $drive, $motion->task, $drive->line(), $motion->train->ratio(), $motion->train->efficiency(), $facts->stallAtLoad_Nm(), $facts->peak_Nm(), $facts->rms_Nm(),
            $facts->hold_Nm(), $facts->holdsUnpowered_Nm(), abs($move->distance()) / $motion->mechanism->travelPerRad(), $facts->inertia_kgm2(),
        );
    }

    /** Torque held at rest that the drive bears all day, at its own shaft. */
    public function bears_motor_Nm(float $share): float
    {
        return $share * $this->line->most_Nm();
    }

    /** Charge that it takes in a day, Ah. */
    public function charge_Ah_day(): float
    {
        return $this->mean_A * 24;
    }

    /** The same with its power cut between moves. */
    public function gated(): self
    {
        return $this->withDrive($this->drive->but(['gated' => true]));
    }

    public function withDrive(DriveChoice $drive): self
    {
        $through = $this->ratio * $this->efficiency;

        return new self($drive, $this->task, $this->line, $this->ratio, $this->efficiency, $this->stall_Nm, $this->peak_Nm, $this->rms_motor_Nm * $through, $this->hold_Nm, $this->holds_unpowered_Nm, $this->turn_deg / $this->ratio * M_PI / 180, $this->inertia_kgm2);
    }
}
