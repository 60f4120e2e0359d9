<?php

declare(strict_types=1);

namespace Brookstone\Core\Mechanism;

use Brookstone\Core\Error\ImpossibleValue;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\NumberShape;

/**
 * A sprung lever that a drive winds back and a latch releases: a bell hammer, a snapping beak, a kicker. Positions in
 * metres of stretch, from where the spring has its preload.
 *
 * F = F₀ + k x; energy F₀ x + ½ k x²; launch √(2 η E / m): Shigley, Mechanical Engineering Design, 10th ed., §10–1.
 */
final readonly class SpringLever implements Mechanism
{
    use ConstantInertia;

    public const UNIT = PositionUnit::Metres;

    private const EVEN_SHARE = 1 / 80; // of the stretch: the torque is a straight line, whose middle is exact

    /**
     * @param  float  $spring_N_per_m  > 0
     * @param  float  $stretch_m  how far it is wound, > 0
     * @param  float  $lever_m  from the pivot to the spring's end, > 0
     * @param  float  $moving_mass_kg  at the spring's end: lever inertia / lever² and a third of the spring, > 0
     * @param  float  $preload_N  ≥ 0
     * @param  float  $efficiency  share of the energy that the release gives back, over 0 to 1
     *
     * @throws ImpossibleValue
     */
    public function __construct(
        public float $spring_N_per_m,
        public float $stretch_m,
        public float $lever_m,
        public float $moving_mass_kg,
        public float $preload_N = 0.0,
        public float $efficiency = 1.0,
    ) {
        ImpossibleValue::unlessPositive('spring_N_per_m', $spring_N_per_m);
        ImpossibleValue::unlessPositive('stretch_m', $stretch_m);
        ImpossibleValue::unlessPositive('lever_m', $lever_m);
        ImpossibleValue::unlessPositive('moving_mass_kg', $moving_mass_kg);
        ImpossibleValue::unlessNotNegative('preload_N', $preload_N);
        ImpossibleValue::unlessWithin('efficiency', $efficiency, 0.0, 1.0);
    }

    public static function fields(?float $most = null): array
    {
        $positive = NumberShape::positive($most);

        return [
            'spring_N_per_m' => Field::needed($most === null ? $positive : NumberShape::positive(1e6), 'Rate of the spring.'),
            'stretch_m' => Field::needed($positive, 'How far it is wound back.'),
            'lever_m' => Field::needed($positive, 'From the pivot to the spring’s end.'),
            'moving_mass_kg' => Field::needed($positive, 'At the spring’s end: lever inertia over lever², and a third of the spring.'),
            'preload_N' => Field::or(0.0, NumberShape::notNegative($most), 'Force of the spring before it is wound.'),
            'efficiency' => Field::or(1.0, NumberShape::share(), 'Share of the energy that the release gives back.'),
        ];
    }

    public function kind(): string
    {
        return 'spring_lever';
    }

    public function positionUnit(): PositionUnit
    {
        return self::UNIT;
    }

    public function travelPerRad(?float $position = null): float
    {
        return $this->lever_m;
    }

    /** Pull of the spring at a stretch, N. */
    public function forceN(float $stretch_m): float
    {
        return $this->preload_N + $this->spring_N_per_m * $stretch_m;
    }

    /** Energy of the wound spring, J: preload·x + ½ k x². */
    public function energy_J(): float
    {
        return $this->preload_N * $this->stretch_m + 0.5 * $this->spring_N_per_m * $this->stretch_m ** 2;
    }

    /** Speed of the spring's end when it is let go, m/s: √(2 η E / m). */
    public function launchSpeed_m_s(): float
    {
        return sqrt(2 * $this->efficiency * $this->energy_J() / $this->moving_mass_kg);
    }

    public function staticTorqueNm(float $position): float
    {
        return $this->forceN($position) * $this->lever_m;
    }

    public function frictionNm(float $position): float
    {
        return 0.0;
    }

    public function inertiaKgm2(float $position): float
    {
        return $this->moving_mass_kg * $this->lever_m ** 2;
    }

    public function evenOverRad(): float
    {
        return self::EVEN_SHARE * $this->stretch_m / $this->lever_m;
    }

    public function onStage(): OnStage
    {
        return OnStage::swings([[$this->moving_mass_kg, $this->lever_m, 0.0]], null, rad_per_m: 1 / $this->lever_m);
    }

    public function masses(): array
    {
        return [];
    }

    public function leverM(): float
    {
        return $this->lever_m;
    }
}
