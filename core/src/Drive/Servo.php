<?php

declare(strict_types=1);

namespace Brookstone\Core\Drive;

use Brookstone\Core\Error\ImpossibleValue;
use Brookstone\Core\Quantity\Constants;
use Brookstone\Core\Shape\BooleanShape;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\NumberShape;

/** A positional servo. It follows a command with its full torque; nothing ramps it unless the routine does. */
final readonly class Servo implements Drive
{
    use RubsUnpowered;

    /** @var non-empty-list<ServoRating> by rising voltage */
    public array $ratings;

    /**
     * @param  array<ServoRating>  $ratings  at least one, in any order, no voltage twice
     * @param  float  $stall_A  at the highest rating
     * @param  float  $idle_A  powered and at rest without load
     * @param  float  $travel_deg  commanded travel
     * @param  float  $deadband_deg  within which it does not correct
     * @param  float  $slop_deg  play of its own gears
     *
     * @throws ImpossibleValue
     */
    public function __construct(
        array $ratings,
        public float $stall_A = 1.0,
        public float $idle_A = 0.01,
        public float $travel_deg = 120.0,
        public float $deadband_deg = 0.5,
        public bool $digital = false,
        public float $rotor_kgm2 = 0.0,
        private ?Body $body = null,
        public float $slop_deg = 0.0,
    ) {
        if ($ratings === []) {
            throw ImpossibleValue::because('ratings', 'need at least one voltage.');
        }
        usort($ratings, fn (ServoRating $a, ServoRating $b): int => $a->volts_V <=> $b->volts_V);
        foreach ($ratings as $i => $rating) {
            if ($i > 0 && $rating->volts_V - $ratings[$i - 1]->volts_V <= Constants::TIE * $rating->volts_V) {
                throw ImpossibleValue::because('ratings', 'give '.$rating->volts_V.' V twice.');
            }
        }
        $this->ratings = $ratings;
        ImpossibleValue::unlessPositive('idle_A', $idle_A);
        ImpossibleValue::unlessPositive('travel_deg', $travel_deg);
        if (! ($stall_A > $idle_A && is_finite($stall_A))) {
            throw ImpossibleValue::because('stall_A', 'must be more than the idle current.');
        }
    }

    /** How far off where it is sent it may stand: it is still within half of its dead band, and its gears have play. */
    public function standsWithin_deg(): float
    {
        return $this->deadband_deg / 2 + $this->slop_deg;
    }

    public static function fields(): array
    {
        return [
            'ratings' => Field::needed(Drives::ratingsShape(Drives::MOST)),
            'stall_A' => Field::needed(NumberShape::positive(Drives::MOST)),
            'idle_A' => Field::needed(NumberShape::positive(Drives::MOST)),
            'travel_deg' => Field::needed(NumberShape::positive(720.0)),
            'deadband_deg' => Field::or(0.5, NumberShape::notNegative(20.0), 'Within which it does not correct.'),
            'slop_deg' => Field::or(0.0, NumberShape::notNegative(20.0), 'Play of its own gears.'),
            'digital' => Field::or(false, new BooleanShape),
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
            'ratings' => array_map(get_object_vars(...), $this->ratings),
            'stall_A' => $this->stall_A, 'idle_A' => $this->idle_A, 'travel_deg' => $this->travel_deg,
            'deadband_deg' => $this->deadband_deg, 'slop_deg' => $this->slop_deg, 'digital' => $this->digital, 'rotor_kgm2' => $this->rotor_kgm2,
        ];
    }

    public function kind(): string
    {
        return 'servo';
    }

    public function body(): Body
    {
        return $this->body ?? throw new \LogicException('This servo was made from its ratings alone.');
    }

    /**
     * Stall torque (N·m) and no-load speed (°/s) at a voltage: in a straight line between ratings, in proportion to the
     * voltage under the lowest, and no more than the highest over it.
     */
    public function at(float $supply_V): ServoRating
    {
        $low = $this->ratings[0];
        $high = $this->ratings[count($this->ratings) - 1];
        if ($supply_V < $low->volts_V) {
            $share = $supply_V / $low->volts_V;

            return new ServoRating($supply_V, $low->stall_Nm * $share, $low->speed_deg_s * $share);
        }
        foreach (array_slice($this->ratings, 1) as $i => $next) {
            if ($supply_V <= $next->volts_V) {
                $last = $this->ratings[$i];
                $share = ($supply_V - $last->volts_V) / ($next->volts_V - $last->volts_V);

                return new ServoRating(
                    $supply_V,
                    $last->stall_Nm + $share * ($next->stall_Nm - $last->stall_Nm),
                    $last->speed_deg_s + $share * ($next->speed_deg_s - $last->speed_deg_s),
                );
            }
        }

        return new ServoRating($supply_V, $high->stall_Nm, $high->speed_deg_s);
    }

    public function line(float $supply_V, float $duty): TorqueLine
    {
        $rating = $this->at($supply_V);
        $stall_A = $this->stall_A * min(1.0, $supply_V / $this->ratings[count($this->ratings) - 1]->volts_V);

        $fall = $rating->stall_Nm / ($rating->speed_deg_s * Constants::RAD_PER_DEG);
        $A_per_Nm = max(0.0, $stall_A - $this->idle_A) / $rating->stall_Nm;

        return new TorqueLine(
            stall_Nm: $rating->stall_Nm,
            fall_Nms: $fall,
            idle_A: $this->idle_A,
            stall_A: $stall_A,
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
        return $this->ratings[count($this->ratings) - 1]->volts_V / $this->stall_A;
    }

    public function supplyFit(float $supply_V): SupplyFit
    {
        [$low, $high] = $this->voltageRange();

        return match (true) {
            $supply_V > $high * (1 + Constants::TIE) => SupplyFit::FarTooHigh,
            $supply_V < $low * (1 - Constants::TIE) => SupplyFit::Low,
            default => SupplyFit::Fits,
        };
    }

    public function positionSource(): PositionSource
    {
        return PositionSource::Feedback;
    }

    public function travel_deg(): float
    {
        return $this->travel_deg;
    }

    public function holdCurrent_A(float $torque_Nm, float $supply_V): float
    {
        $line = $this->line($supply_V, 1.0);

        return $line->currentAt(min($torque_Nm, $line->stall_Nm));
    }

    public function noise(): float
    {
        return $this->digital ? 8.0 : 7.0;
    }

    public function voltageRange(): array
    {
        return [$this->ratings[0]->volts_V, $this->ratings[count($this->ratings) - 1]->volts_V];
    }
}
