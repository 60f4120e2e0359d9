<?php

declare(strict_types=1);

namespace Brookstone\Core\Export;

use Brookstone\Core\Error\ImpossibleValue;

/** The hole of a wheel: round, with a flat, or with a keyway. */
final readonly class Bore
{
    private const SEGMENTS = 72;

    /**
     * @param  float  $flat_mm  how much of the diameter the flat takes away; 0 is round
     * @param  float  $key_mm  width of a keyway; 0 has none
     * @param  float  $key_depth_mm  of the keyway beyond the hole
     */
    public function __construct(public float $diameter_mm, public float $flat_mm = 0.0, public float $key_mm = 0.0, public float $key_depth_mm = 0.0)
    {
        ImpossibleValue::unlessPositive('diameter_mm', $diameter_mm);
        ImpossibleValue::unlessNotNegative('flat_mm', $flat_mm);
        ImpossibleValue::unlessNotNegative('key_mm', $key_mm);
        ImpossibleValue::unlessNotNegative('key_depth_mm', $key_depth_mm);
        if ($flat_mm >= $diameter_mm / 2) {
            throw ImpossibleValue::because('flat_mm', 'must leave more than half of the hole.');
        }
        if ($key_mm >= $diameter_mm) {
            throw ImpossibleValue::because('key_mm', 'must be narrower than the hole.');
        }
    }

    /** How far from the centre it reaches, mm. */
    public function reach_mm(): float
    {
        return $this->key_mm > 0.0 ? hypot($this->diameter_mm / 2 + $this->key_depth_mm, $this->key_mm / 2) : $this->diameter_mm / 2;
    }

    /** @return list<array{float, float}> counter-clockwise around the centre; the flat or the keyway at the right */
    public function outline(): array
    {
        $r = $this->diameter_mm / 2;
        if ($this->key_mm > 0.0) {
            $half = asin($this->key_mm / 2 / $r);
            $side = $this->key_mm / 2;
            $end = $r + $this->key_depth_mm;

            return [...self::arc($r, $half, 2 * M_PI - $half), [$end, -$side], [$end, $side]];
        }
        if ($this->flat_mm > 0.0) {
            $half = acos(($r - $this->flat_mm) / $r);

            return self::arc($r, $half, 2 * M_PI - $half);
        }

        return array_slice(self::arc($r, 0.0, 2 * M_PI), 0, -1);
    }

    /** @return list<array{float, float}> */
    private static function arc(float $r, float $from, float $to): array
    {
        return array_map(fn (int $i): array => [$r * cos($from + ($to - $from) * $i / self::SEGMENTS),
            $r * sin($from + ($to - $from) * $i / self::SEGMENTS)], range(0, self::SEGMENTS));
    }
}
