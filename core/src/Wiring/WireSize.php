<?php

declare(strict_types=1);

namespace Brookstone\Core\Wiring;

use Brookstone\Core\Quantity\Constants;

/** Which copper a current needs: by what it loses on the way, and by how warm it gets. */
final class WireSize
{
    /** What single wires bear for good in free air at 30 °C, A by mm² (DIN VDE 0298-4, table 11; under 0.5 mm² DIN VDE 0891-1). */
    public const ROW = ['0.08' => 1.0, '0.14' => 2.0, '0.25' => 4.0, '0.34' => 6.0, '0.5' => 9.0, '0.75' => 12.0, '1' => 15.0, '1.5' => 18.0, '2.5' => 26.0,
        '4' => 34.0, '6' => 44.0, '10' => 61.0, '16' => 82.0];

    /** Of what feeds them, lost on the way. */
    public const MOTORS = 0.03;

    public const LOGIC = 0.01;

    /** What flows at most in a wire that only tells something. */
    public const LOGIC_A = 0.02;

    /** @return float|null the thinnest of the row, mm²; null where none is thick enough */
    public static function for(float $current_A, float $length_m, float $supply_V, float $fraction): ?float
    {
        foreach (self::ROW as $area => $bears) {
            $area = (float) $area;
            if ($current_A <= $bears * (1 + Constants::TIE)
                && (new Wire($length_m, $area, $current_A, $supply_V))->drop_fraction <= $fraction * (1 + Constants::TIE)) {
                return $area;
            }
        }

        return null;
    }

    /**
     * As thick as the current asks for, and no thinner than the fuse before it lets through; where none of the row loses so little, the thickest.
     *
     * @param  float|null  $fuse_A  in the lead of what feeds it
     */
    public static function serving(float $current_A, float $length_m, float $supply_V, ?float $fuse_A): float
    {
        $most = (float) array_key_last(self::ROW);
        $area = self::for($current_A, $length_m, $supply_V, self::MOTORS) ?? $most;

        return $fuse_A === null ? $area : max($area, self::for($fuse_A, $length_m, $supply_V, 1.0) ?? $most);
    }

    /** As thick as a wire needs that only tells something; where none of the row loses so little, the thickest. */
    public static function telling(float $length_m, float $logic_V): float
    {
        return self::for(self::LOGIC_A, $length_m, $logic_V, self::LOGIC) ?? (float) array_key_last(self::ROW);
    }

    /** What a wire bears for good, A: of one between two of the row in proportion, of a thinner or thicker one as its copper. */
    public static function bears_A(float $area_mm2): float
    {
        $areas = array_map(floatval(...), array_keys(self::ROW));
        $bears = array_values(self::ROW);
        $last = count($areas) - 1;
        if ($area_mm2 <= $areas[0] || $area_mm2 >= $areas[$last]) {
            $end = $area_mm2 <= $areas[0] ? 0 : $last;

            return $bears[$end] * $area_mm2 / $areas[$end];
        }
        for ($i = 1; $areas[$i] < $area_mm2; $i++);

        return $bears[$i - 1] + ($bears[$i] - $bears[$i - 1]) * ($area_mm2 - $areas[$i - 1]) / ($areas[$i] - $areas[$i - 1]);
    }
}
