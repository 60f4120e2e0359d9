<?php

declare(strict_types=1);

namespace Brookstone\Core\Export;

/** A sheet as SVG 1.1, one user unit a millimetre: it prints and cuts to scale. */
final class Svg
{
    private const MARGIN = 5.0;

    public static function write(Sheet $sheet): string
    {
        [$left, $bottom, $right, $top] = $sheet->bounds();
        $width = $right - $left + 2 * self::MARGIN;
        $height = $top - $bottom + 2 * self::MARGIN;
        $x = fn (float $value): string => self::number($value - $left + self::MARGIN);
        $y = fn (float $value): string => self::number($top - $value + self::MARGIN);
        $lines = ['<?xml version="1.0" encoding="UTF-8"?>',
            sprintf('<svg xmlns="http://www.w3.org/2000/svg" width="%smm" height="%smm" viewBox="0 0 %1$s %2$s" fill="none" stroke="#000000" stroke-width="0.1">', self::number($width), self::number($height)), '<title>'.htmlspecialchars($sheet->title, ENT_XML1).'</title>'];
        foreach ($sheet->outlines as [$layer, $points]) {
            $path = implode('L', array_map(fn (array $point): string => $x($point[0]).' '.$y($point[1]), $points));
            $lines[] = "<path class=\"{$layer}\" d=\"M{$path}Z\"/>";
        }
        foreach ($sheet->circles as [$layer, $cx, $cy, $radius]) {
            $lines[] = sprintf('<circle class="%s" cx="%s" cy="%s" r="%s"/>', $layer, $x($cx), $y($cy), self::number($radius));
        }
        foreach ($sheet->words as [$wx, $wy, $text]) {
            $lines[] = sprintf('<text x="%s" y="%s" font-size="3" font-family="sans-serif" text-anchor="middle" fill="#000000" stroke="none">%s</text>',
                $x($wx), $y($wy), htmlspecialchars($text, ENT_XML1));
        }

        return implode("\n", [...$lines, '</svg>', '']);
    }

    private static function number(float $value): string
    {
        return rtrim(rtrim(number_format($value, 4, '.', ''), '0'), '.');
    }
}
