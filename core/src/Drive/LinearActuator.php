<?php

declare(strict_types=1);

namespace Brookstone\Core\Drive;

use Brookstone\Core\Error\ImpossibleValue;
use Brookstone\Core\Quantity\Constants;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\NumberShape;

/**
 * A rod that a motor pushes out through a screw, with switches of its own at both ends. It acts at a lever on the shaft
 * of the mechanism (for a carriage: at its pulley's radius), square to it in the middle of the travel: torque = force ·
 * lever, turn = stroke / lever. A fine screw is not pushed back by its load.
 */
final readonly class LinearActuator implements Drive
{
    use HoldsWithoutCurrent;
    use RatedAsInside;
    use RubsUnpowered;
    use StrokesOnLever;

    private DcMotor $inside;

    /**
     * @param  float  $stall_N  at the rated voltage, > 0
     * @param  float  $speed_mm_s  without load, > 0
     * @param  float  $stroke_m  > 0
     * @param  float  $lever_m  where it acts, from the shaft, > 0
     *
     * @throws ImpossibleValue
     */
    public function __construct(
        public float $rated_V,
        public float $speed_mm_s,
        public float $stall_N,
        public float $no_load_A,
        public float $stall_A,
        public float $stroke_m,
        public float $lever_m,
        private Body $body,
    ) {
        ImpossibleValue::unlessPositive('speed_mm_s', $speed_mm_s);
        ImpossibleValue::unlessPositive('stall_N', $stall_N);
        ImpossibleValue::unlessPositive('stroke_m', $stroke_m);
        ImpossibleValue::unlessPositive('lever_m', $lever_m);
        $this->inside = new DcMotor($rated_V, $speed_mm_s / 1000 / $lever_m / Constants::RAD_S_PER_RPM, $no_load_A, $stall_N * $lever_m, $stall_A);
    }

    public static function fields(): array
    {
        $positive = NumberShape::positive(Drives::MOST);

        return [
            'rated_V' => Field::needed(Drives::volts(), 'Voltage of the ratings.'),
            'speed_mm_s' => Field::needed($positive, 'Speed without load.'),
            'stall_N' => Field::needed($positive, 'Force when held.'),
            'no_load_A' => Field::needed($positive, 'Current without load.'),
            'stall_A' => Field::needed($positive, 'Current when held.'),
            'stroke_m' => Field::needed(NumberShape::positive(10.0), 'How far it pushes out.'),
            'lever_m' => Field::or(0.04, NumberShape::positive(10.0), 'From the shaft to where it acts; for a carriage its pulley’s radius.'),
        ];
    }

    public static function make(array $read, Body $body): self
    {
        return new self(...['body' => $body] + $read);
    }

    public function write(): array
    {
        return [
            'rated_V' => $this->rated_V, 'speed_mm_s' => $this->speed_mm_s, 'stall_N' => $this->stall_N,
            'no_load_A' => $this->no_load_A, 'stall_A' => $this->stall_A, 'stroke_m' => $this->stroke_m, 'lever_m' => $this->lever_m,
        ];
    }

    public function kind(): string
    {
        return 'linear_actuator';
    }

    public function line(float $supply_V, float $duty): TorqueLine
    {
        return $this->inside->line($supply_V, $duty);
    }

    public function endsItself(): bool
    {
        return true;
    }

    public function locks(): bool
    {
        return true;
    }

    public function noise(): float
    {
        return 5.0;
    }
}
