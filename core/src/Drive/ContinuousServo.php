<?php

declare(strict_types=1);

namespace Brookstone\Core\Drive;

use Brookstone\Core\Error\ImpossibleValue;
use Brookstone\Core\Quantity\Constants;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\NumberShape;

/**
 * A servo without its feedback: a gear motor whose command is a speed. The middle of the command means stop only roughly,
 * and it has no end of travel. Ratings between voltages as for a servo.
 */
final readonly class ContinuousServo implements Drive
{
    use HasNoPlace;
    use RatedAsInside;
    use RubsUnpowered;

    private Servo $inside;

    /**
     * @param  array<ServoRating>  $ratings  at least one, in any order, no voltage twice
     * @param  float  $creep_deg_s  how fast it may creep on a command of stop, ≥ 0
     *
     * @throws ImpossibleValue
     */
    public function __construct(
        array $ratings,
        public float $stall_A,
        public float $idle_A,
        public float $creep_deg_s,
        public float $rotor_kgm2,
        private Body $body,
    ) {
        ImpossibleValue::unlessNotNegative('creep_deg_s', $creep_deg_s);
        $this->inside = new Servo($ratings, $stall_A, $idle_A, rotor_kgm2: $rotor_kgm2);
    }

    public static function fields(): array
    {
        return [
            'ratings' => Field::needed(Drives::ratingsShape(Drives::MOST)),
            'stall_A' => Field::needed(NumberShape::positive(Drives::MOST)),
            'idle_A' => Field::needed(NumberShape::positive(Drives::MOST)),
            'creep_deg_s' => Field::or(0.0, NumberShape::notNegative(Drives::MOST), 'How fast it may creep when told to stop.'),
            ...Drives::rotor(),
        ];
    }

    public static function make(array $read, Body $body): self
    {
        $read['ratings'] = array_map(fn (array $rating): ServoRating => new ServoRating(...$rating), $read['ratings']);

        return new self(...['body' => $body] + $read);
    }

    public function write(): array
    {
        return [
            'ratings' => array_map(get_object_vars(...), $this->inside->ratings),
            'stall_A' => $this->stall_A, 'idle_A' => $this->idle_A, 'creep_deg_s' => $this->creep_deg_s, 'rotor_kgm2' => $this->rotor_kgm2,
        ];
    }

    public function kind(): string
    {
        return 'continuous_servo';
    }

    /** Its command is a share of its speed, and it pushes the less the slower it is told to go. */
    public function line(float $supply_V, float $duty): TorqueLine
    {
        $rating = $this->inside->at($supply_V);
        $full = $this->inside->line($supply_V, 1.0);

        return new TorqueLine($rating->stall_Nm * $duty, $rating->stall_Nm / ($rating->speed_deg_s * Constants::RAD_PER_DEG), $full->idle_A,
            $full->stall_A * $duty, $full->A_per_Nm, gears: $full->gears);
    }

    public function holdCurrent_A(float $torque_Nm, float $supply_V): float
    {
        return $this->idle_A;
    }

    public function noise(): float
    {
        return 7.0;
    }
}
