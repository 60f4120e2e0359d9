<?php

declare(strict_types=1);

namespace Brookstone\Core\Wiring;

use Brookstone\Core\Error\ImpossibleValue;
use Brookstone\Core\Quantity\Constants;

/** Values that resistors are made in, each of a row times a power of ten (IEC 60063), and the bands that tell them (IEC 60062). */
final class PreferredNumber
{
    /** @var array<string, list<int>> tenths, from 1 to under 10 */
    private const ROWS = [
        'E12' => [10, 12, 15, 18, 22, 27, 33, 39, 47, 56, 68, 82],
        'E24' => [10, 11, 12, 13, 15, 16, 18, 20, 22, 24, 27, 30, 33, 36, 39, 43, 47, 51, 56, 62, 68, 75, 82, 91],
    ];

    private const COLOURS = ['black', 'brown', 'red', 'orange', 'yellow', 'green', 'blue', 'violet', 'grey', 'white'];

    /** By tolerance, %. */
    private const TOLERANCES = [1 => 'brown', 2 => 'red', 5 => 'gold', 10 => 'silver'];

    /** The smallest of the row that is no less. @param  float  $wanted  > 0 */
    public static function atLeast(float $wanted, string $row): float
    {
        foreach (self::around($wanted, $row) as $value) {
            if ($value >= $wanted * (1 - Constants::TIE)) {
                return $value;
            }
        }
        throw new \LogicException('The row goes on.');
    }

    /** The largest of the row that is no more. @param  float  $wanted  > 0 */
    public static function atMost(float $wanted, string $row): float
    {
        foreach (array_reverse(self::around($wanted, $row)) as $value) {
            if ($value <= $wanted * (1 + Constants::TIE)) {
                return $value;
            }
        }
        throw new \LogicException('The row goes on.');
    }

    /** The nearest by ratio; of two as near the larger. @param  float  $wanted  > 0 */
    public static function nearest(float $wanted, string $row): float
    {
        [$under, $over] = [self::atMost($wanted, $row), self::atLeast($wanted, $row)];

        return $over / $wanted <= $wanted / $under * (1 + Constants::TIE) ? $over : $under;
    }

    /**
     * Its bands: two figures, the power of ten, the tolerance.
     *
     * @param  float  $value  of a row, 0.1 to under 10¹¹
     * @return list<string> colours
     */
    public static function bands(float $value, int $tolerance_percent): array
    {
        $power = (int) floor(log10($value) + Constants::TIE) - 1;
        $figures = (int) round($value / 10.0 ** $power);
        $multiplier = ([-1 => 'gold', -2 => 'silver'] + self::COLOURS)[$power] ?? throw ImpossibleValue::because('value_ohm', 'has no bands.');

        return [self::COLOURS[intdiv($figures, 10)], self::COLOURS[$figures % 10], $multiplier,
            self::TOLERANCES[$tolerance_percent] ?? throw ImpossibleValue::because('tolerance_percent', 'has no band.')];
    }

    /** @return list<float> of the row, from under it to over it, rising */
    private static function around(float $wanted, string $row): array
    {
        ImpossibleValue::unlessPositive('wanted', $wanted);
        $power = (int) floor(log10($wanted)) - 1;
        $values = [];
        foreach ([$power - 1, $power, $power + 1] as $each) {
            foreach (self::ROWS[$row] as $figures) {
                $values[] = $each >= 0 ? $figures * 10.0 ** $each : $figures / 10.0 ** -$each; // 4.7 and not 4.7000000000000002
            }
        }

        return $values;
    }
}
