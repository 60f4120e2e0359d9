<?php

declare(strict_types=1);

namespace Brookstone\Core\Mechanism;

use Brookstone\Core\Error\ImpossibleValue;
use Brookstone\Core\Linkage\FourBar;
use Brookstone\Core\Quantity\Constants;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\NumberShape;

/**
 * A crank that goes round and rocks a figure to and fro through a coupler: a rower, a waving arm, a nodding head.
 * Positions in degrees of the crank from the line between the two pivots.
 *
 * The figure's torque and inertia are felt at the crank through φ′ = dφ/dθ and φ′²: virtual work, Norton, Design of
 * Machinery, 5th ed., §10.15. Crank and coupler are taken as massless but for a small share, as in Crank.
 */
final readonly class CrankRocker implements Mechanism, SprungAtPivot
{
    use FeltThroughLinkage;

    public const RUB = 'friction_Nm';

    private const EVEN_OVER_RAD = 0.03;

    private const OWN_SHARE = 0.02; // of the figure's inertia felt through crank/rocker, so that dead points have some

    private FourBar $bars;

    private float $figure_kgm2;

    private float $own_kgm2;

    /** Torque of the figure's weight with the rocker bar along the line of the pivots, and what it loses square to that, N·m. */
    private float $level_Nm;

    private float $upright_Nm;

    /**
     * @param  float  $mass_kg  of the figure with its rocker, > 0
     * @param  float  $cg_m  from the rocker's pivot to its centre of mass, ≥ 0
     * @param  float|null  $inertia_kgm2  of the figure about the rocker's pivot; mass·cg² when null
     * @param  float  $figure_deg  from the rocker bar to the figure's centre of mass
     * @param  float  $ground_deg  of the line between the pivots above horizontal
     * @param  float  $friction_Nm  rub of the rocker's pivot, ≥ 0
     * @param  float  $spring_Nm_per_deg  rate of a spring at that pivot, ≥ 0
     * @param  float  $spring_rest_deg  of the rocker bar from the line between the pivots, where the spring is at rest
     *
     * @throws ImpossibleValue
     */
    public function __construct(
        public float $crank_m,
        public float $coupler_m,
        public float $rocker_m,
        public float $ground_m,
        public float $mass_kg,
        public float $cg_m,
        public ?float $inertia_kgm2 = null,
        public float $figure_deg = 0.0,
        public float $ground_deg = 0.0,
        public float $friction_Nm = 0.0,
        public float $spring_Nm_per_deg = 0.0,
        public float $spring_rest_deg = 0.0,
    ) {
        ImpossibleValue::unlessPositive('mass_kg', $mass_kg);
        ImpossibleValue::unlessPositive('cg_m', $cg_m);
        ImpossibleValue::unlessNotNegative('friction_Nm', $friction_Nm);
        ImpossibleValue::unlessNotNegative('spring_Nm_per_deg', $spring_Nm_per_deg);
        ImpossibleValue::unlessNone(self::problems(get_defined_vars()));
        $this->bars = new FourBar($crank_m, $coupler_m, $rocker_m, $ground_m);
        $this->figure_kgm2 = $inertia_kgm2 ?? $mass_kg * $cg_m ** 2;
        ImpossibleValue::unlessPositive('inertia_kgm2', $this->figure_kgm2);
        $this->own_kgm2 = $this->figure_kgm2 * (self::OWN_SHARE * $crank_m / $rocker_m) ** 2;
        $ahead = ($figure_deg + $ground_deg) * Constants::RAD_PER_DEG;
        $this->level_Nm = $mass_kg * Constants::GRAVITY_M_S2 * $cg_m * cos($ahead);
        $this->upright_Nm = $mass_kg * Constants::GRAVITY_M_S2 * $cg_m * sin($ahead);
    }

    public static function fields(?float $most = null): array
    {
        $positive = NumberShape::positive($most);

        return [
            'crank_m' => Field::needed($positive, 'Radius of the crank: the shortest bar.'),
            'coupler_m' => Field::needed($positive, 'Rod from the crank to the rocker, between its eyes.'),
            'rocker_m' => Field::needed($positive, 'From the figure’s pivot to the coupler’s eye.'),
            'ground_m' => Field::needed($positive, 'Between the pivots of crank and figure.'),
            'mass_kg' => Field::needed($positive, 'Mass of the finished figure.'),
            'cg_m' => Field::needed($positive, 'From the figure’s pivot to its balance point.'),
            'inertia_kgm2' => Field::or(null, $positive->orNull(), 'Of the figure about its pivot; null: as a point.'),
            'figure_deg' => Field::or(0.0, NumberShape::between(-720.0, 720.0), 'From the rocker bar to the figure’s balance point.'),
            'ground_deg' => Field::or(0.0, NumberShape::between(-720.0, 720.0), 'Line from the crank’s pivot to the figure’s, above horizontal.'),
            'friction_Nm' => Field::or(0.0, NumberShape::notNegative($most), 'Rub of the figure’s pivot.'),
            'spring_Nm_per_deg' => Field::or(0.0, NumberShape::notNegative($most), 'Rate of a spring at the figure’s pivot.'),
            'spring_rest_deg' => Field::or(0.0, NumberShape::between(-720.0, 720.0),
                'Rocker bar from the line between the pivots, where the spring is at rest.'),
        ];
    }

    public static function problems(array $read): array
    {
        $problems = FourBar::problems($read);
        if ($problems !== [] || ! isset($read['crank_m'], $read['coupler_m'], $read['rocker_m'], $read['ground_m'])) {
            return $problems;
        }
        $kind = (new FourBar($read['crank_m'], $read['coupler_m'], $read['rocker_m'], $read['ground_m']))->kind();

        return $kind === 'crank-rocker' ? []
            : ['crank_m' => "Must be the shortest, and with the longest shorter than the other two together: so it is a {$kind} and cannot turn round and round."];
    }

    public function kind(): string
    {
        return 'crank_rocker';
    }

    public function frictionNm(float $position): float
    {
        return $this->friction_Nm === 0.0 ? 0.0 : $this->friction_Nm * abs($this->bars->rocker($position)[1]);
    }

    public function dynamics(float $position): array
    {
        [$cos, $sin, $slope, $bend] = $this->bars->pointing($position);

        $spring = $this->spring_Nm_per_deg === 0.0 ? 0.0 : $this->spring_Nm_per_deg * ($this->follower($position) - $this->spring_rest_deg);

        return [
            ($this->level_Nm * $cos - $this->upright_Nm * $sin + $spring) * $slope,
            $this->friction_Nm * abs($slope),
            $this->figure_kgm2 * $slope * $slope + $this->own_kgm2,
            2 * $this->figure_kgm2 * $slope * $bend,
        ];
    }

    public function atPivot(float $position): array
    {
        [$cos, $sin, $slope] = $this->bars->pointing($position);

        return [$this->level_Nm * $cos - $this->upright_Nm * $sin, $slope];
    }

    public function withSpring(float $spring_Nm_per_deg, float $spring_rest_deg): self
    {
        return new self($this->crank_m, $this->coupler_m, $this->rocker_m, $this->ground_m, $this->mass_kg, $this->cg_m, $this->inertia_kgm2,
            $this->figure_deg, $this->ground_deg, $this->friction_Nm, $spring_Nm_per_deg, $spring_rest_deg);
    }

    public function evenOverRad(): float
    {
        return self::EVEN_OVER_RAD;
    }

    public function onStage(): OnStage
    {
        return OnStage::swings([[$this->mass_kg, $this->cg_m, ($this->figure_deg + $this->ground_deg) * Constants::RAD_PER_DEG]], $this->figure_kgm2);
    }

    public function masses(): array
    {
        return ['mass_kg' => $this->mass_kg];
    }

    public function leverM(): float
    {
        return $this->crank_m;
    }

    public function isEndless(): bool
    {
        return true;
    }

    /** Angle of the rocker bar from the line between the pivots, degrees. */
    public function follower(float $position): float
    {
        return $this->bars->rocker($position)[0] / Constants::RAD_PER_DEG;
    }
}
