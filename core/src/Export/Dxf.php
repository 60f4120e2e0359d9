<?php

declare(strict_types=1);

namespace Brookstone\Core\Export;

/** A sheet as an ASCII drawing exchange file of release 12, in millimetres: closed polylines, circles and texts on named layers. */
final class Dxf
{
    public static function write(Sheet $sheet): string
    {
        [$left, $bottom, $right, $top] = $sheet->bounds();
        $pairs = [
            [999, $sheet->title], [0, 'SECTION'], [2, 'HEADER'], [9, '$ACADVER'], [1, 'AC1009'], [9, '$INSUNITS'], [70, 4], [9, '$MEASUREMENT'], [70, 1],
            [9, '$EXTMIN'], [10, $left], [20, $bottom], [9, '$EXTMAX'], [10, $right], [20, $top], [0, 'ENDSEC'], [0, 'SECTION'], [2, 'ENTITIES'],
        ];
        foreach ($sheet->outlines as [$layer, $points]) {
            array_push($pairs, [0, 'POLYLINE'], [8, $layer], [66, 1], [10, 0.0], [20, 0.0], [70, 1]);
            foreach ($points as [$x, $y]) {
                array_push($pairs, [0, 'VERTEX'], [8, $layer], [10, $x], [20, $y]);
            }
            array_push($pairs, [0, 'SEQEND'], [8, $layer]);
        }
        foreach ($sheet->circles as [$layer, $x, $y, $radius]) {
            array_push($pairs, [0, 'CIRCLE'], [8, $layer], [10, $x], [20, $y], [40, $radius]);
        }
        foreach ($sheet->words as [$x, $y, $text]) {
            array_push($pairs, [0, 'TEXT'], [8, 'words'], [10, $x], [20, $y], [40, 3.0], [1, $text]);
        }
        array_push($pairs, [0, 'ENDSEC'], [0, 'EOF']);

        return implode('', array_map(fn (array $pair): string => $pair[0]."\n".self::value($pair[1])."\n", $pairs));
    }

    private static function value(string|int|float $value): string
    {
        // One line for each value: a name must not begin another.
        return is_float($value) ? number_format($value, 5, '.', '') : (is_int($value) ? (string) $value : (string) preg_replace('/[\x00-\x1f]+/', ' ', $value));
    }
}
