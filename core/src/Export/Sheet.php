<?php

declare(strict_types=1);

namespace Brookstone\Core\Export;

/** Shapes to cut or drill, to scale: millimetres, y upwards. */
final readonly class Sheet
{
    /**
     * @param  list<array{string, list<array{float, float}>}>  $outlines  layer and closed line
     * @param  list<array{string, float, float, float}>  $circles  layer, centre and radius
     * @param  list<array{float, float, string}>  $words  where they stand
     */
    public function __construct(public string $title, public array $outlines, public array $circles = [], public array $words = [])
    {
    }

    /** @return array{float, float, float, float} left, bottom, right, top */
    public function bounds(): array
    {
        $bounds = [INF, INF, -INF, -INF];
        $add = function (float $x, float $y) use (&$bounds): void {
            $bounds = [min($bounds[0], $x), min($bounds[1], $y), max($bounds[2], $x), max($bounds[3], $y)];
        };
        foreach ($this->outlines as [, $points]) {
            foreach ($points as [$x, $y]) {
                $add($x, $y);
            }
        }
        foreach ($this->circles as [, $x, $y, $radius]) {
            $add($x - $radius, $y - $radius);
            $add($x + $radius, $y + $radius);
        }
        foreach ($this->words as [$x, $y]) {
            $add($x, $y);
        }

        return is_finite($bounds[0]) ? $bounds : [0.0, 0.0, 0.0, 0.0];
    }
}
