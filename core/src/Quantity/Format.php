<?php

declare(strict_types=1);

namespace Brookstone\Core\Quantity;

/** Numbers as text. */
final class Format
{
    private const NOTHING = 1e-12; // what a sum of decimals leaves over

    /** Rounded to so many significant figures, without an exponent or needless zeros: 0.343, 12.5, 1230. */
    public static function significant(float $number, int $figures): string
    {
        if (abs($number) < self::NOTHING || ! is_finite($number)) {
            return '0';
        }
        $decimals = $figures - 1 - (int) floor(log10(abs($number)));
        $rounded = round($number, $decimals);
        $text = number_format($rounded, max(0, min(12, $decimals)), '.', '');
        $text = str_contains($text, '.') ? rtrim(rtrim($text, '0'), '.') : $text;

        return $text === '-0' ? '0' : str_replace('-', '−', $text);
    }

    /** The number itself, rounded to so many significant figures. */
    public static function significantNumber(float $number, int $figures): float
    {
        return $number === 0.0 ? 0.0 : round($number, $figures - 1 - (int) floor(log10(abs($number))));
    }

    /**
     * The next number up with two figures: of what can be bought in such steps.
     *
     * @param  float  $value  over 0
     */
    public static function roundedUp(float $value): float
    {
        $digit = 10 ** (floor(log10($value)) - 1);

        return round(ceil($value / $digit * (1 - 1e-9)) * $digit, 6);
    }

    /** A number stands apart from its unit, but a degree or percent sign does not. */
    public static function gap(string $symbol): string
    {
        return $symbol === '' || $symbol === '°' || $symbol === '%' ? '' : ' ';
    }
}
