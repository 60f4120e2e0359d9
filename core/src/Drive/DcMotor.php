<?php

declare(strict_types=1);

namespace Brookstone\Core\Drive;

use Brookstone\Core\Error\ImpossibleValue;
use Brookstone\Core\Quantity\Constants;
use Brookstone\Core\Shape\BooleanShape;
use Brookstone\Core\Shape\Field;

/** A brushed motor or gear motor; its ratings are those of its output shaft. */
final readonly class DcMotor implements Drive
{
    use HasNoPlace;
    use HoldsWithoutCurrent;
    use RubsUnpowered;

    /** Brushed motors take a quarter over their rating in short moves; half over it burns brushes. */
    private const HIGH = 1.25;

    private const FAR_TOO_HIGH = 1.5;

    /** Under half its rating a brushed gear motor starts unsurely. */
    private const LOW = 0.5;

    /**
     * @param  float  $no_load_A  > 0
     * @param  float  $stall_A  over no_load_A
     * @param  float  $rotor_kgm2  rotor inertia at the output shaft, ≥ 0
     * @param  bool  $worm  the last stage inside is a worm
     *
     * @throws ImpossibleValue
     */
    public function __construct(
        public float $rated_V,
        public float $no_load_rpm,
        public float $no_load_A,
        public float $stall_Nm,
        public float $stall_A,
        public float $rotor_kgm2 = 0.0,
        public bool $worm = false,
        private ?Body $body = null,
    ) {
        ImpossibleValue::unlessPositive('rated_V', $rated_V);
        ImpossibleValue::unlessPositive('no_load_rpm', $no_load_rpm);
        ImpossibleValue::unlessPositive('no_load_A', $no_load_A);
        ImpossibleValue::unlessPositive('stall_Nm', $stall_Nm);
        ImpossibleValue::unlessNotNegative('rotor_kgm2', $rotor_kgm2);
        if (! ($stall_A > $no_load_A && is_finite($stall_A))) {
            throw ImpossibleValue::because('stall_A', 'must be more than the no-load current.');
        }
    }

    public static function fields(): array
    {
        return [...Drives::motorShape(Drives::MOST)->fields, ...Drives::rotor(), 'worm' => Field::or(false, new BooleanShape, 'Its last stage is a worm.')];
    }

    public static function make(array $read, Body $body): self
    {
        return new self(...['body' => $body] + $read);
    }

    public function write(): array
    {
        return [
            'rated_V' => $this->rated_V, 'no_load_rpm' => $this->no_load_rpm, 'no_load_A' => $this->no_load_A,
            'stall_Nm' => $this->stall_Nm, 'stall_A' => $this->stall_A, 'rotor_kgm2' => $this->rotor_kgm2, 'worm' => $this->worm,
        ];
    }

    public function kind(): string
    {
        return 'dc_motor';
    }

    public function body(): Body
    {
        return $this->body ?? throw new \LogicException('This motor was made from its ratings alone.');
    }

    /** Share of rated voltage, u = supply·duty/rated. */
    public function u(float $supply_V, float $duty): float
    {
        return $supply_V * $duty / $this->rated_V;
    }

    /** Scale of stall torque and no-load speed, s = (u·Is − I0)/(Is − I0): the no-load current does not scale. */
    public function scale(float $supply_V, float $duty): float
    {
        return ($this->u($supply_V, $duty) * $this->stall_A - $this->no_load_A) / ($this->stall_A - $this->no_load_A);
    }

    public function line(float $supply_V, float $duty): TorqueLine
    {
        $fall = $this->stall_Nm / ($this->no_load_rpm * Constants::RAD_S_PER_RPM);
        $A_per_Nm = ($this->stall_A - $this->no_load_A) / $this->stall_Nm;

        return new TorqueLine(
            stall_Nm: max(0.0, $this->scale($supply_V, $duty)) * $this->stall_Nm,
            fall_Nms: $fall,
            idle_A: $this->no_load_A,
            stall_A: $this->u($supply_V, $duty) * $this->stall_A,
            A_per_Nm: $A_per_Nm,
            gears: TorqueLine::gearsOf($this->resistance_ohm(), $A_per_Nm, $fall),
        );
    }

    public function rotorKgm2(): float
    {
        return $this->rotor_kgm2;
    }

    public function resistance_ohm(): float
    {
        return $this->rated_V / $this->stall_A;
    }

    public function supplyFit(float $supply_V): SupplyFit
    {
        return match (true) {
            $supply_V > self::FAR_TOO_HIGH * $this->rated_V => SupplyFit::FarTooHigh,
            $supply_V > self::HIGH * $this->rated_V => SupplyFit::High,
            $supply_V < self::LOW * $this->rated_V => SupplyFit::Low,
            default => SupplyFit::Fits,
        };
    }

    public function locks(): bool
    {
        return $this->worm;
    }

    public function noise(): float
    {
        return $this->worm ? 4.0 : 6.0;
    }

    public function voltageRange(): array
    {
        return [self::LOW * $this->rated_V, self::HIGH * $this->rated_V];
    }
}
