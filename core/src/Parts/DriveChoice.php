<?php

declare(strict_types=1);

namespace Brookstone\Core\Parts;

use Brookstone\Core\Drive\AirCylinder;
use Brookstone\Core\Drive\Drive;
use Brookstone\Core\Drive\Drives;
use Brookstone\Core\Drive\Stepper;
use Brookstone\Core\Drive\SupplyFit;
use Brookstone\Core\Drive\TorqueLine;

/** A drive on a supply at a duty, and what protects it and the load from each other. */
final readonly class DriveChoice
{
    public const MOST_MOTORS = 8;

    /** All of its motors as one; a cylinder with the least air that is reckoned with. */
    public Drive $motor;

    /**
     * @param  Drive  $one  of them, as it is in the drawer
     * @param  bool  $gated  its power is cut between moves
     * @param  float  $ramp_s  in which the bridge goes from nothing to its duty
     * @param  float|null  $clutch_Nm  a clutch at the load slips above this
     * @param  float|null  $soft_Nm_per_deg  rate of a springy coupling at the load
     * @param  string|null  $shares  another motion that the same motor moves
     * @param  string  $shares_by  `selector`, `direction`, `in_turn`: the lighter first; `rectifier`: both, the other always forwards
     * @param  Selector  $selector  what changes it over, where a selector does
     * @param  bool  $one_way  it only ever turns forwards
     * @param  bool  $reversed  its wires are swapped, or the servo turned round
     * @param  float  $lost_V  in its driver, whatever flows
     * @param  float  $lead_ohm  of its driver and its wires, there and back
     * @param  AirTank|null  $air  that cylinders are fed from; null where that never gives less than they are set to
     * @param  int  $motors  equal ones on the same thing, side by side on one channel, 1 to MOST_MOTORS
     * @param  float  $late_s  that its driver takes to switch: the contact of a relay has to move
     */
    public function __construct(
        public Drive $one,
        public Supply $supply,
        public float $duty,
        public bool $gated = false,
        public float $ramp_s = 0.0,
        public ?float $clutch_Nm = null,
        public ?float $soft_Nm_per_deg = null,
        public ?string $shares = null,
        public string $shares_by = 'selector',
        public bool $reversed = false,
        public bool $one_way = false,
        public Selector $selector = new Selector,
        public float $lost_V = 0.0,
        public float $lead_ohm = 0.0,
        public float $late_s = 0.0,
        public int $motors = 1,
        public ?AirTank $air = null,
    ) {
        $this->motor = $one instanceof AirCylinder && $air !== null ? $one->fedWith($air->low_bar) : Drives::together($one, $motors);
    }

    /** @return array{float, float, float} what is lost on the way to it, V and Ω, and how late it comes, s */
    public function leads(): array
    {
        return [$this->lost_V, $this->lead_ohm, $this->late_s];
    }

    /** What its driver lets through to the end of its wires while nothing flows, V. */
    public function arrives_V(): float
    {
        return max(0.0, $this->supply->volts_V - $this->lost_V);
    }

    /** What it does at a share of its usual speed. */
    public function line(float $speed = 1.0): TorqueLine
    {
        $volts = $this->arrives_V();
        $line = $volts > 0.0 ? $this->motor->line($volts, $this->duty * $speed) : TorqueLine::none();

        return $this->lead_ohm > 0.0 ? $line->behind($this->motor->resistance_ohm() / ($this->motor->resistance_ohm() + $this->lead_ohm)) : $line;
    }

    /**
     * Share of the time that its driver connects it to the supply, at a share of its usual speed; what has a driver of its own inside is connected all
     * the time.
     */
    public function share(float $speed = 1.0): float
    {
        return $this->motor->positionSource()->isSent() || $this->motor instanceof AirCylinder ? 1.0 : $this->duty * $speed;
    }

    /**
     * The most that it draws from its supply, held fast: a driver takes the current of the motor for its share of the time only
     * (Mohan, Undeland & Robbins, Power Electronics, 3rd ed., §7-3: mean input current d·I).
     */
    public function startsWith_A(float $speed = 1.0): float
    {
        return $this->line($speed)->stall_A * $this->share($speed);
    }

    /** Heat in its winding while it is held fast, W. */
    public function heldHeat_W(float $speed = 1.0): float
    {
        return $this->motor instanceof Stepper ? $this->motor->holdHeat_W($this->supply->volts_V)
            : $this->line($speed)->stall_A ** 2 * $this->motor->resistance_ohm();
    }

    /** How what arrives at it fits its rating: too high is judged by the share of the voltage that its driver lets through. */
    public function fit(): SupplyFit
    {
        $fit = $this->motor->supplyFit($this->supply->volts_V);
        if ($fit === SupplyFit::Fits || $fit === SupplyFit::Low) {
            return $fit;
        }
        $arrives = $this->motor->supplyFit($this->supply->volts_V * $this->share());

        return $arrives === SupplyFit::Low ? SupplyFit::Fits : $arrives;
    }

    /** The same with another drive, as many of it as there may be; what protects the load stays. */
    public function with(Drive $motor, ?Supply $supply = null, ?float $duty = null): self
    {
        return new self($motor, $supply ?? $this->supply, $duty ?? $this->duty, $this->gated, $this->ramp_s, $this->clutch_Nm, $this->soft_Nm_per_deg,
            $this->shares, $this->shares_by, $this->reversed, $this->one_way, $this->selector, $this->lost_V, $this->lead_ohm, $this->late_s,
            Drives::isAlone($motor) ? 1 : $this->motors, $this->air);
    }

    /** The same on another voltage of its supply. */
    public function on(float $volts_V): self
    {
        return $this->but(['supply' => $this->supply->giving($volts_V)]);
    }

    /**
     * @param  array<string, mixed>  $changes  named as the fields
     */
    public function but(array $changes): self
    {
        return new self(...$changes + array_diff_key(get_object_vars($this), ['motor' => true]));
    }
}
