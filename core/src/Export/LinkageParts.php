<?php

declare(strict_types=1);

namespace Brookstone\Core\Export;

use Brookstone\Core\Error\ImpossibleValue;
use Brookstone\Core\Mechanism\Bars;
use Brookstone\Core\Parts\Motion;

/** The bars of a linkage, each with a hole at both ends, to cut out of a plate. */
final readonly class LinkageParts
{
    private const ROUND = 16; // segments of an end

    private const APART_MM = 3.0;

    /**
     * @param  float  $hole_mm  diameter of the holes
     * @param  float  $width_mm  of the bars
     */
    public function __construct(private Motion $motion, private float $hole_mm = 2.0, private float $width_mm = 8.0, private float $kerf_mm = 0.0)
    {
        ImpossibleValue::unlessPositive('hole_mm', $hole_mm);
        if ($width_mm < 2 * $hole_mm) {
            throw ImpossibleValue::because('width_mm', 'must be twice the holes or more, or a bar tears there.');
        }
    }

    /** @return array<string, float> between the holes of each bar, mm, by name; nothing where the motion has no linkage */
    public function bars(): array
    {
        return Bars::of($this->motion->thing())?->lengths_mm() ?? [];
    }

    public function sheet(): Sheet
    {
        $outlines = $circles = $words = [];
        $y = $this->width_mm / 2;
        foreach ($this->bars() as $name => $length) {
            $outlines[] = ['cut', $this->bar($length, $y)];
            foreach ([0.0, $length] as $x) {
                $circles[] = ['bore', $x, $y, ($this->hole_mm - $this->kerf_mm) / 2];
            }
            $words[] = [$length / 2, $y + $this->width_mm / 2 + 1.0, sprintf('%s, %.4g mm between holes', $name, $length)];
            $y += $this->width_mm + self::APART_MM + 4.0;
        }
        if ($outlines === []) {
            throw ImpossibleValue::because('mechanism', 'has no bars to cut.');
        }

        return new Sheet("{$this->motion->name}: linkage", $outlines, $circles, $words);
    }

    /** @return list<array{float, float}> a bar with round ends, counter-clockwise */
    private function bar(float $length, float $y): array
    {
        $radius = ($this->width_mm + $this->kerf_mm) / 2;
        $end = fn (float $x, float $from): array => array_map(
            fn (int $i): array => [$x + $radius * cos($from + M_PI * $i / self::ROUND), $y + $radius * sin($from + M_PI * $i / self::ROUND)],
            range(0, self::ROUND),
        );

        return [...$end($length, -M_PI / 2), ...$end(0.0, M_PI / 2)];
    }
}
