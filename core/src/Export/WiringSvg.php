<?php

declare(strict_types=1);

namespace Brookstone\Core\Export;

use Brookstone\Core\Build\Build;

/** The wiring sheet as a picture by itself, to be printed: dark lines on white paper. */
final class WiringSvg
{
    private const MARGIN_MM = 6.0;

    public static function of(Build $build): string
    {
        $sheet = (new WiringSheet($build))->written();
        $text = fn (string $of): string => htmlspecialchars($of, ENT_XML1 | ENT_QUOTES);
        $lines = [sprintf('<svg xmlns="http://www.w3.org/2000/svg" viewBox="%.1f %.1f %.1f %.1f" width="%.1fmm" height="%.1fmm" font-family="sans-serif" font-size="6">',
            $sheet['x_mm'] - self::MARGIN_MM, $sheet['y_mm'] - self::MARGIN_MM, $sheet['width_mm'] + 2 * self::MARGIN_MM,
            $sheet['height_mm'] + 2 * self::MARGIN_MM,
            $sheet['width_mm'], $sheet['height_mm']), '<title>'.$text("Wiring of {$build->name}").'</title>'];
        foreach ($sheet['wires'] as $wire) {
            foreach ($wire['paths'] as $path) {
                $lines[] = '<path d="'.$path.'" fill="none" stroke="#333" stroke-width="2.4"/>';
                $lines[] = '<path d="'.$path.'" fill="none" stroke="'.$wire['drawn'].'" stroke-width="1.8"/>';
            }
            if ($wire['name_x_mm'] !== null) {
                $lines[] = sprintf('<text x="%.1f" y="%.1f" text-anchor="%s">%s</text>', $wire['name_x_mm'], $wire['name_y_mm'] + 2.0,
                    $wire['side'] > 0 ? 'start' : 'end',
                    $text($wire['name']));
            }
        }
        foreach ($sheet['boards'] as $board) {
            $lines[] = sprintf('<rect x="%.1f" y="%.1f" width="%.1f" height="%.1f" fill="#fff" stroke="#222" stroke-width="0.8"/>', $board['x_mm'], $board['y_mm'],
                $board['width_mm'], $board['height_mm']);
            $lines[] = sprintf('<text x="%.1f" y="%.1f" text-anchor="middle" font-weight="bold">%s</text>', $board['x_mm'] + $board['width_mm'] / 2, $board['y_mm'] + 8,
                $text($board['name']));
            $lines[] = sprintf('<text x="%.1f" y="%.1f" text-anchor="middle" font-size="5">%s</text>', $board['x_mm'] + $board['width_mm'] / 2,
                $board['y_mm'] + 15,
                $text($board['series'].($board['address'] === null ? '' : " at {$board['address']}").", {$board['fed']}"));
            foreach ($board['pins'] as $pin) {
                $inside = $pin['x_mm'] - $pin['side'] * 3;
                $lines[] = sprintf('<circle cx="%.1f" cy="%.1f" r="1.4"/><text x="%.1f" y="%.1f" text-anchor="%s" font-size="5">%s</text>', $pin['x_mm'], $pin['y_mm'], $inside,
                    $pin['y_mm'] + 1.8, $pin['side'] > 0 ? 'end' : 'start', $text($pin['label']));
                if ($pin['number'] !== null) {
                    $lines[] = sprintf('<text x="%.1f" y="%.1f" text-anchor="%s" font-size="4.5">%d</text>', $pin['x_mm'] + $pin['side'] * 2.5,
                        $pin['y_mm'] - 1.6,
                        $pin['side'] > 0 ? 'start' : 'end', $pin['number']);
                }
            }
        }

        return implode("\n", [...$lines, '</svg>', '']);
    }
}
