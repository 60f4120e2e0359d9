<?php

declare(strict_types=1);

namespace Brookstone\Core\Drive;

use Brookstone\Core\Error\ImpossibleValue;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\NumberShape;

/**
 * A stepper on a current-limiting driver. It goes exactly where its steps send it while the load stays under what it
 * pulls at that speed (StepperPoint); past that it slips, and nobody is told.
 */
final readonly class Stepper implements Drive
{
    use HasNoPlace;
    use RubsUnpowered;

    private const LEAST_SHARE = 0.5; // of the holding torque, in the search for its top speed

    /** A chopper needs some voltage over the winding's own to drive the current at all. */
    private const LEAST_HEADROOM = 1.0;

    private const FAR_TOO_HIGH_V = 60.0;

    /**
     * @param  float  $holding_Nm  both phases at their rated current, > 0
     * @param  int  $steps_per_rev  full steps for a turn, ≥ 1
     *
     * @throws ImpossibleValue
     */
    public function __construct(
        public float $holding_Nm,
        public int $steps_per_rev,
        public float $phase_A,
        public float $phase_ohm,
        public float $phase_mH,
        public int $microsteps,
        public float $rotor_kgm2,
        private Body $body,
    ) {
        ImpossibleValue::unlessPositive('holding_Nm', $holding_Nm);
        ImpossibleValue::unlessPositive('steps_per_rev', $steps_per_rev);
        ImpossibleValue::unlessPositive('phase_A', $phase_A);
        ImpossibleValue::unlessPositive('phase_ohm', $phase_ohm);
        ImpossibleValue::unlessPositive('phase_mH', $phase_mH);
        ImpossibleValue::unlessPositive('microsteps', $microsteps);
    }

    public function positionSource(): PositionSource
    {
        return PositionSource::Steps;
    }

    public static function fields(): array
    {
        $positive = NumberShape::positive(Drives::MOST);

        return [
            'holding_Nm' => Field::needed($positive, 'Torque at rest, both phases at their rated current.'),
            'steps_per_rev' => Field::needed(NumberShape::whole(1, 100000), 'Full steps for a turn.'),
            'phase_A' => Field::needed($positive, 'Rated current of a phase.'),
            'phase_ohm' => Field::needed($positive, 'Resistance of a phase.'),
            'phase_mH' => Field::needed($positive, 'Inductance of a phase.'),
            'microsteps' => Field::or(8, NumberShape::whole(1, 1024), 'Microsteps for a full step.'),
            ...Drives::rotor(),
        ];
    }

    public static function make(array $read, Body $body): self
    {
        return new self(...['body' => $body] + $read);
    }

    public function write(): array
    {
        return [
            'holding_Nm' => $this->holding_Nm, 'steps_per_rev' => $this->steps_per_rev, 'phase_A' => $this->phase_A, 'phase_ohm' => $this->phase_ohm,
            'phase_mH' => $this->phase_mH, 'microsteps' => $this->microsteps, 'rotor_kgm2' => $this->rotor_kgm2,
        ];
    }

    public function kind(): string
    {
        return 'stepper';
    }

    public function body(): Body
    {
        return $this->body;
    }

    /** Torque it pulls at a speed of its shaft, N·m. */
    public function available_Nm(float $supply_V, float $speed_rad_s): float
    {
        return StepperPoint::available_Nm($this->holding_Nm, $this->steps_per_rev, $this->phase_A, $this->phase_ohm, $this->phase_mH, $supply_V,
            abs($speed_rad_s));
    }

    /** Speed of its shaft at which it still pulls a torque, rad/s; 0 where it never does. */
    public function speedAgainst(float $supply_V, float $torque_Nm): float
    {
        if ($this->available_Nm($supply_V, 0.0) <= $torque_Nm) {
            return 0.0;
        }
        $low = 0.0;
        for ($high = 1.0; $this->available_Nm($supply_V, $high) > $torque_Nm && $high < 1e5; $high *= 2) {
            $low = $high;
        }
        for ($i = 0; $i < 40; $i++) {
            $middle = ($low + $high) / 2;
            $this->available_Nm($supply_V, $middle) > $torque_Nm ? $low = $middle : $high = $middle;
        }

        return $low;
    }

    /**
     * Speed of its shaft up to which it can be started, or stopped, without a ramp, rad/s: the field jumps to that speed, and the rotor must come to it
     * before it has fallen back by half a pole, ½Jω² ≤ ∫(T sin pθ − load) dθ between the stable place and the unstable one
     * (Acarnley, Stepping Motors, 4th ed., §4.4). With p = steps/4 poles.
     *
     * @param  float  $load_Nm  at its shaft, ≥ 0
     * @param  float  $inertia_kgm2  of all that it starts, at its shaft, > 0
     */
    public function startsUpTo_rad_s(float $supply_V, float $load_Nm, float $inertia_kgm2): float
    {
        $torque = $this->available_Nm($supply_V, 0.0);
        if ($load_Nm >= $torque) {
            return 0.0;
        }
        $lags = asin($load_Nm / $torque);

        return sqrt(2 * (2 * $torque * cos($lags) - $load_Nm * (M_PI - 2 * $lags)) / ($this->steps_per_rev / 4) / $inertia_kgm2);
    }

    /**
     * Full steps in a second at which it swings by itself, 1/s: √(p·T/J)/2π about its stable place (Acarnley, Stepping Motors, 4th ed., §4.2).
     *
     * @param  float  $inertia_kgm2  of all that swings with it, at its shaft, > 0
     */
    public function swings_hz(float $inertia_kgm2): float
    {
        return sqrt($this->steps_per_rev / 4 * $this->holding_Nm / $inertia_kgm2) / 2 / M_PI;
    }

    /** Full steps in a second at a speed of its shaft. */
    public function stepRate_hz(float $speed_rad_s): float
    {
        return abs($speed_rad_s) / 2 / M_PI * $this->steps_per_rev;
    }

    /** The straight line through what it pulls at rest and the speed at half of that: for a first look, not for a move. */
    public function line(float $supply_V, float $duty): TorqueLine
    {
        $stall = $this->available_Nm($supply_V, 0.0);
        $half = $this->speedAgainst($supply_V, self::LEAST_SHARE * $stall);
        $supply_A = $this->holdCurrent_A(0.0, $supply_V);

        return new TorqueLine($stall, $half > 0.0 ? $stall * (1 - self::LEAST_SHARE) / $half : 0.0, $supply_A, $supply_A, 0.0);
    }

    public function rotorKgm2(): float
    {
        return $this->rotor_kgm2;
    }

    public function resistance_ohm(): float
    {
        return $this->phase_ohm;
    }

    public function supplyFit(float $supply_V): SupplyFit
    {
        [$low] = $this->voltageRange();

        return match (true) {
            $supply_V < $low => SupplyFit::Low,
            $supply_V > self::FAR_TOO_HIGH_V => SupplyFit::FarTooHigh,
            default => SupplyFit::Fits,
        };
    }

    /** Its driver sends the rated current through both phases whether it moves or not; at rest the supply gives the heat of that. */
    public function holdCurrent_A(float $torque_Nm, float $supply_V): float
    {
        return $this->drawn_A($supply_V, 0.0);
    }

    /** Current from the supply while its shaft gives so much power: the heat of its phases and the work; what a load gives back is burnt in the driver. */
    public function drawn_A(float $supply_V, float $shaft_W): float
    {
        return ($this->holdHeat_W($supply_V) + ($shaft_W > 0.0 ? $shaft_W : 0.0)) / $supply_V;
    }

    /** Heat in its phases, whether it moves or not, W. */
    public function holdHeat_W(float $supply_V): float
    {
        $phase_A = $supply_V < $this->phase_A * $this->phase_ohm ? $supply_V / $this->phase_ohm : $this->phase_A;

        return 2 * $phase_A * $phase_A * $this->phase_ohm;
    }

    public function noise(): float
    {
        return $this->microsteps >= 8 ? 3.0 : 6.0;
    }

    public function voltageRange(): array
    {
        return [self::LEAST_HEADROOM * $this->phase_A * $this->phase_ohm, self::FAR_TOO_HIGH_V];
    }
}
