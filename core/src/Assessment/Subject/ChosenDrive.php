<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment\Subject;

use Brookstone\Core\Drive\Cooling;
use Brookstone\Core\Drive\PositionSource;
use Brookstone\Core\Drive\Stepper;
use Brookstone\Core\Drive\SupplyFit;
use Brookstone\Core\Drive\TorqueLine;
use Brookstone\Core\Parts\DriveChoice;
use Brookstone\Core\Quantity\Constants;

/** What of a drive on its supply does not depend on the train behind it, looked up once. */
final readonly class ChosenDrive
{
    public TorqueLine $line;

    public float $most_Nm;

    public float $noLoad_rad_s;

    public SupplyFit $fit;

    public float $travel_deg;

    public bool $positional;

    public bool $counts;

    public float $gear_limit_Nm;

    public float $gear_stiffness_Nm_rad;

    public Cooling $thermal;

    public float $resistance_ohm;

    public float $rotor_kgm2;

    public float $back_drive_Nm;

    public float $volts_V;

    public float $clutch_Nm;

    /** From its supply at every start. */
    public float $starts_A;

    /** Share of its current that comes from its supply. */
    public float $share;

    /** Its load cannot turn it back, powered or not: a worm, a fine screw. */
    public bool $locks;

    /** 1/k of a springy coupling at the load, rad/(N·m). */
    public float $give_rad_Nm;

    /** Heat and current of a stepper, which takes them whether it moves or not. */
    public float $always_W;

    public float $always_A;

    public function __construct(public DriveChoice $choice)
    {
        $motor = $choice->motor;
        $body = $motor->body();
        $this->line = $choice->line();
        $this->most_Nm = $this->line->most_Nm();
        $this->noLoad_rad_s = $this->line->noLoad_rad_s();
        $this->volts_V = $choice->supply->volts_V;
        $this->fit = $choice->fit();
        $this->travel_deg = $motor->travel_deg() ?? INF;
        $this->positional = $motor->positionSource() === PositionSource::Feedback;
        $this->counts = $motor->positionSource() === PositionSource::Steps;
        $this->gear_limit_Nm = $body->gearbox_limit_Nm;
        $this->gear_stiffness_Nm_rad = $body->stiffness_Nm_rad();
        $this->thermal = $body->cooling();
        $this->resistance_ohm = $motor->resistance_ohm();
        $this->rotor_kgm2 = $motor->rotorKgm2();
        $this->back_drive_Nm = $body->back_drive_Nm;
        $this->locks = $motor->locks();
        $this->starts_A = $choice->startsWith_A();
        $this->share = $choice->share();
        $this->clutch_Nm = $choice->clutch_Nm ?? INF;
        $this->give_rad_Nm = $choice->soft_Nm_per_deg === null ? 0.0 : Constants::RAD_PER_DEG / $choice->soft_Nm_per_deg;
        $this->always_W = $motor instanceof Stepper ? $motor->holdHeat_W($this->volts_V) : 0.0;
        $this->always_A = $this->counts ? $motor->holdCurrent_A(0.0, $this->volts_V) : 0.0;
    }
}
