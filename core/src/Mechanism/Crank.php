<?php

declare(strict_types=1);

namespace Brookstone\Core\Mechanism;

use Brookstone\Core\Error\ImpossibleValue;
use Brookstone\Core\Quantity\Constants;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\NumberShape;

/**
 * A crank that pushes a slider through a rod. Positions in degrees of the crank, 0 where it points along the slide's
 * axis, away from the crank.
 *
 * x(θ) = a cos θ + √(l² − (a sin θ − e)²): Norton, Design of Machinery, 5th ed., §4.6 (offset slider-crank). The rod is
 * taken as massless. The crank itself counts with the inertia of a fiftieth of its radius, so that at its dead points,
 * where the slider stands still, there is something left to turn.
 */
final readonly class Crank implements Mechanism
{
    use ConstantInertia;

    public const RUB = 'friction_N';

    private const EVEN_OVER_RAD = 0.025;

    private const OWN_SHARE = 0.02; // of the crank's radius

    /** What of the slider's weight acts along its axis, N. */
    private float $weight_N;

    /**
     * @param  float  $crank_m  radius, > 0
     * @param  float  $rod_m  longer than crank and offset together
     * @param  float  $slider_mass_kg  > 0
     * @param  float  $offset_m  of the slide's axis from the crank's centre
     * @param  float  $axis_deg  of the slide's axis above horizontal, pointing away from the crank
     * @param  float  $friction_N  drag on the slider, ≥ 0
     * @param  float  $spring_N_per_m  rate of a spring on the slider, ≥ 0, at rest at the slider position $spring_rest_m
     *
     * @throws ImpossibleValue
     */
    public function __construct(
        public float $crank_m,
        public float $rod_m,
        public float $slider_mass_kg,
        public float $offset_m = 0.0,
        public float $axis_deg = 0.0,
        public float $friction_N = 0.0,
        public float $spring_N_per_m = 0.0,
        public float $spring_rest_m = 0.0,
    ) {
        ImpossibleValue::unlessPositive('crank_m', $crank_m);
        ImpossibleValue::unlessPositive('rod_m', $rod_m);
        ImpossibleValue::unlessPositive('slider_mass_kg', $slider_mass_kg);
        ImpossibleValue::unlessNotNegative('friction_N', $friction_N);
        ImpossibleValue::unlessNotNegative('spring_N_per_m', $spring_N_per_m);
        ImpossibleValue::unlessNone(self::problems(get_defined_vars()));
        $this->weight_N = $slider_mass_kg * Constants::GRAVITY_M_S2 * sin($axis_deg * Constants::RAD_PER_DEG);
    }

    public static function fields(?float $most = null): array
    {
        $some = NumberShape::notNegative($most);
        $any = $most === null ? NumberShape::any() : NumberShape::between(-$most, $most);

        return [
            'crank_m' => Field::needed(NumberShape::positive($most), 'Radius of the crank.'),
            'rod_m' => Field::needed(NumberShape::positive($most), 'Length of the rod, between its eyes.'),
            'slider_mass_kg' => Field::needed(NumberShape::positive($most), 'Mass of the finished slider.'),
            'offset_m' => Field::or(0.0, $any, 'Of the slide’s axis from the crank’s centre.'),
            'axis_deg' => Field::or(0.0, NumberShape::between(-720.0, 720.0), 'Slide axis above horizontal, pointing away from the crank.'),
            'friction_N' => Field::or(0.0, $some, 'Drag on the slider.'),
            'spring_N_per_m' => Field::or(0.0, $some, 'Rate of a spring on the slider.'),
            'spring_rest_m' => Field::or(0.0, $any, 'Slider position at which that spring is at rest, from the crank’s centre.'),
        ];
    }

    public static function problems(array $read): array
    {
        return isset($read['crank_m'], $read['rod_m']) && $read['rod_m'] <= ($read['crank_m'] + abs($read['offset_m'] ?? 0.0)) * (1 + 1e-9)
            ? ['rod_m' => 'Must be longer than crank and offset together, or it cannot go round.'] : [];
    }

    public function kind(): string
    {
        return 'crank';
    }

    public function positionUnit(): PositionUnit
    {
        return self::UNIT;
    }

    public function travelPerRad(?float $position = null): float
    {
        return 1.0;
    }

    /** @return array{float, float, float} slider position x in m, dx/dθ in m/rad, d²x/dθ² in m/rad² */
    public function slider(float $angle): array
    {
        $c = $this->crank_m * cos($angle);
        $across = $this->crank_m * sin($angle);
        $s = $across - $this->offset_m;
        $q = sqrt($this->rod_m ** 2 - $s ** 2);

        return [$c + $q, -$across - $s * $c / $q, -$c - ($c * $c - $s * $across) / $q - $s * $s * $c * $c / $q ** 3];
    }

    /** Between the dead points: √((l + a)² − e²) − √((l − a)² − e²). */
    public function stroke_m(): float
    {
        return sqrt(($this->rod_m + $this->crank_m) ** 2 - $this->offset_m ** 2) - sqrt(($this->rod_m - $this->crank_m) ** 2 - $this->offset_m ** 2);
    }

    public function staticTorqueNm(float $position): float
    {
        return $this->dynamics($position)[0];
    }

    public function frictionNm(float $position): float
    {
        return $this->friction_N === 0.0 ? 0.0 : $this->friction_N * abs($this->slider($position)[1]);
    }

    public function inertiaKgm2(float $position): float
    {
        return $this->dynamics($position)[2];
    }

    public function inertiaSlopeKgm2(float $position): float
    {
        return $this->dynamics($position)[3];
    }

    public function dynamics(float $position): array
    {
        [$x, $slope, $bend] = $this->slider($position);

        return [
            ($this->weight_N + $this->spring_N_per_m * ($x - $this->spring_rest_m)) * $slope,
            $this->friction_N * abs($slope),
            $this->slider_mass_kg * ($slope * $slope + (self::OWN_SHARE * $this->crank_m) ** 2),
            2 * $this->slider_mass_kg * $slope * $bend,
        ];
    }

    public function isEven(): bool
    {
        return false;
    }

    public function evenOverRad(): float
    {
        return self::EVEN_OVER_RAD;
    }

    public function onStage(): OnStage
    {
        return OnStage::slides($this->slider_mass_kg, $this->axis_deg);
    }

    public function masses(): array
    {
        return ['slider_mass_kg' => $this->slider_mass_kg];
    }

    public function leverM(): float
    {
        return $this->crank_m;
    }

    public function isEndless(): bool
    {
        return true;
    }

    public function follower(float $position): float
    {
        return $this->slider($position)[0];
    }

    /** The same crank with another spring on its slider. */
    public function withSpring(float $spring_N_per_m, float $spring_rest_m): self
    {
        return new self($this->crank_m, $this->rod_m, $this->slider_mass_kg, $this->offset_m, $this->axis_deg, $this->friction_N, $spring_N_per_m,
            $spring_rest_m);
    }
}
