<?php

declare(strict_types=1);

namespace Brookstone\Core\Mechanism;

use Brookstone\Core\Error\ImpossibleValue;
use Brookstone\Core\Quantity\Constants;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\NumberShape;

/**
 * A disc, head or lantern that turns about an upright or tilted axis. Positions in degrees, clockwise from above.
 *
 * A uniform disc about its own axis has J = ½ m r²: Meriam & Kraige, Engineering Mechanics: Dynamics, app. B. Where the
 * heavy side of a tilted disc is, is rarely known: its largest torque, unbalance·g·|sin tilt|, counts against the move
 * throughout, like friction.
 */
final readonly class Turntable implements Sized
{
    use ConstantInertia;

    public const RUB = 'friction_Nm';

    public float $about_kgm2;

    /**
     * @param  float|null  $inertia_kgm2  about the axis, > 0; or a disc of $disc_mass_kg and $disc_radius_m, not both
     * @param  float  $friction_Nm  rub of the bearing, ≥ 0
     * @param  float  $unbalance_kgm  mass times its distance off the axis, ≥ 0
     * @param  float  $tilt_deg  of the axis from upright
     *
     * @throws ImpossibleValue
     */
    public function __construct(
        public ?float $inertia_kgm2 = null,
        public ?float $disc_mass_kg = null,
        public ?float $disc_radius_m = null,
        public float $friction_Nm = 0.0,
        public float $unbalance_kgm = 0.0,
        public float $tilt_deg = 0.0,
    ) {
        ImpossibleValue::unlessNone(self::problems(get_defined_vars()));
        $this->about_kgm2 = $inertia_kgm2 ?? self::discInertia((float) $disc_mass_kg, (float) $disc_radius_m);
        ImpossibleValue::unlessPositive('inertia_kgm2', $this->about_kgm2);
        ImpossibleValue::unlessNotNegative('friction_Nm', $friction_Nm);
        ImpossibleValue::unlessNotNegative('unbalance_kgm', $unbalance_kgm);
    }

    public static function discInertia(float $mass_kg, float $radius_m): float
    {
        return 0.5 * $mass_kg * $radius_m ** 2;
    }

    public static function fields(?float $most = null): array
    {
        return [
            'inertia_kgm2' => Field::or(null, NumberShape::positive($most)->orNull(), 'About the axis; or give the disc.'),
            'disc_mass_kg' => Field::or(null, NumberShape::positive($most)->orNull(), 'Mass of what turns, taken as an even disc.'),
            'disc_radius_m' => Field::or(null, NumberShape::positive($most)->orNull(), 'Radius of that disc.'),
            'friction_Nm' => Field::or(0.0, NumberShape::notNegative($most), 'Rub of the bearing.'),
            'unbalance_kgm' => Field::or(0.0, NumberShape::notNegative($most), 'Mass times its distance off the axis.'),
            'tilt_deg' => Field::or(0.0, NumberShape::between(-720.0, 720.0), 'Of the axis from upright.'),
        ];
    }

    public static function problems(array $read): array
    {
        $hasDisc = ($read['disc_mass_kg'] ?? null) !== null || ($read['disc_radius_m'] ?? null) !== null;

        return match (true) {
            ($read['inertia_kgm2'] ?? null) !== null && $hasDisc => ['inertia_kgm2' => 'Give either the inertia or the disc, not both.'],
            ($read['inertia_kgm2'] ?? null) !== null => [],
            ! $hasDisc => ['inertia_kgm2' => 'Is missing: give the inertia, or the mass and radius of a disc.'],
            ($read['disc_mass_kg'] ?? null) === null => ['disc_mass_kg' => 'Is missing: a disc needs its mass and its radius.'],
            ($read['disc_radius_m'] ?? null) === null => ['disc_radius_m' => 'Is missing: a disc needs its mass and its radius.'],
            default => [],
        };
    }

    public function kind(): string
    {
        return 'turntable';
    }

    public function extent(): ?Extent
    {
        return $this->disc_radius_m === null ? null : new Extent(2 * $this->disc_radius_m, (float) $this->disc_mass_kg, 'disc_mass_kg');
    }

    public function positionUnit(): PositionUnit
    {
        return self::UNIT;
    }

    public function travelPerRad(?float $position = null): float
    {
        return 1.0;
    }

    public function staticTorqueNm(float $position): float
    {
        return 0.0;
    }

    public function frictionNm(float $position): float
    {
        return $this->friction_Nm + $this->unbalanceNm();
    }

    /** Torque of its heavy side on the tilted axis, unbalance·g·|sin tilt|. */
    public function unbalanceNm(): float
    {
        return $this->unbalance_kgm * Constants::GRAVITY_M_S2 * abs(sin($this->tilt_deg * Constants::RAD_PER_DEG));
    }

    public function inertiaKgm2(float $position): float
    {
        return $this->about_kgm2;
    }

    public function onStage(): OnStage
    {
        return OnStage::turns((float) $this->disc_mass_kg, $this->about_kgm2, $this->tilt_deg);
    }

    public function masses(): array
    {
        return $this->disc_mass_kg === null ? [] : ['disc_mass_kg' => $this->disc_mass_kg];
    }

    public function leverM(): ?float
    {
        return $this->disc_radius_m;
    }

    public function isEndless(): bool
    {
        return true;
    }
}
