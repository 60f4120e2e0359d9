<?php

declare(strict_types=1);

namespace Brookstone\Core\Train;

use Brookstone\Core\Error\ImpossibleValue;
use Brookstone\Core\Quantity\Constants;

/**
 * An external pair of involute gears, standard proportions (addendum 1 module), no profile shift, at a centre distance.
 *
 * Base circles, contact ratio and the working pressure angle cos αw = (rb1 + rb2)/a: Shigley, Mechanical Engineering
 * Design, 10th ed., §13–5 to §13–8; backlash from spreading the centres 2a(inv αw − inv α): Dudley, Handbook of Practical
 * Gear Design, §4.
 */
final readonly class Mesh
{
    public const CONTACT_TIGHT = 1.2;

    public const CONTACT_FAILS = 1.05;

    public float $standard_centre_mm;

    public float $working_pressure_angle_deg;

    public float $contact_ratio;

    /** At the working pitch circles, ≥ 0. */
    public float $backlash_mm;

    public float $outside_pinion_mm;

    public float $outside_gear_mm;

    /** The smaller gear has fewer teeth than 2/sin²α. */
    public bool $undercut;

    /** A tip reaches past the tangent point on the other's base circle. */
    public bool $interferes;

    public float $centre_mm;

    /** @throws ImpossibleValue */
    public function __construct(
        public float $module_mm,
        public int $pinion,
        public int $gear,
        public float $pressure_angle_deg = 20.0,
        ?float $centre_mm = null,
    ) {
        ImpossibleValue::unlessPositive('module_mm', $module_mm);
        ImpossibleValue::unlessPositive('pinion', $pinion);
        ImpossibleValue::unlessPositive('gear', $gear);
        ImpossibleValue::unlessWithin('pressure_angle_deg', $pressure_angle_deg, 0.0, 45.0);
        ImpossibleValue::unlessNone(self::problems(get_defined_vars()));
        $alpha = $pressure_angle_deg * Constants::RAD_PER_DEG;
        [$base1, $base2] = [self::base_mm($module_mm, $pinion, $alpha), self::base_mm($module_mm, $gear, $alpha)];
        [$tip1, $tip2] = [$module_mm * ($pinion + 2) / 2, $module_mm * ($gear + 2) / 2];
        $this->standard_centre_mm = $module_mm * ($pinion + $gear) / 2;
        $this->centre_mm = $centre_mm ?? $this->standard_centre_mm;
        $working = $centre_mm === null ? $alpha : acos(min(1.0, ($base1 + $base2) / $this->centre_mm));
        $this->working_pressure_angle_deg = $working / Constants::RAD_PER_DEG;
        $path = $this->centre_mm * sin($working);
        $reach1 = sqrt($tip1 ** 2 - $base1 ** 2);
        $reach2 = sqrt($tip2 ** 2 - $base2 ** 2);
        $this->contact_ratio = (min($reach1, $path) + min($reach2, $path) - $path) / (M_PI * $module_mm * cos($alpha));
        $this->backlash_mm = max(0.0, 2 * $this->centre_mm * (self::involute($working) - self::involute($alpha)));
        $this->outside_pinion_mm = 2 * $tip1;
        $this->outside_gear_mm = 2 * $tip2;
        $this->undercut = min($pinion, $gear) < 2 / sin($alpha) ** 2 * (1 - Constants::TIE);
        $this->interferes = max($reach1, $reach2) > $path * (1 + Constants::TIE);
    }

    /**
     * @param  array<string, mixed>  $read
     * @return array<string, string>
     */
    public static function problems(array $read): array
    {
        if (! isset($read['module_mm'], $read['pinion'], $read['gear'], $read['pressure_angle_deg'], $read['centre_mm'])) {
            return [];
        }
        $least = $read['module_mm'] * ($read['pinion'] + $read['gear']) / 2 * cos($read['pressure_angle_deg'] * Constants::RAD_PER_DEG);

        return $read['centre_mm'] <= $least ? ['centre_mm' => sprintf('Must be over %.4g mm, where the base circles of these gears touch.', $least)] : [];
    }

    /** inv α = tan α − α. */
    public static function involute(float $angle): float
    {
        return tan($angle) - $angle;
    }

    private static function base_mm(float $module_mm, int $teeth, float $alpha): float
    {
        return $module_mm * $teeth / 2 * cos($alpha);
    }
}
