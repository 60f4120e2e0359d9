<?php

declare(strict_types=1);

namespace Brookstone\Core\Export;

use Brookstone\Core\Shape\Csv;

/**
 * The table of times for a controller: as CSV, and as a header of C.
 *
 * @phpstan-type Row array{motion: string, name: string, from: string, to: string, speed: float,
 *     carries: string, computed_s: ?float, measured_s: ?float, routines: list<string>}
 */
final class TimingFile
{
    /** @param  list<Row>  $rows */
    public static function csv(array $rows): string
    {
        $lines = ['motion,from,to,speed,carries,computed_s,measured_s,routines'];
        foreach ($rows as $row) {
            $lines[] = Csv::row([
                $row['motion'], $row['from'], $row['to'], (string) $row['speed'], $row['carries'], self::seconds($row['computed_s']),
                self::seconds($row['measured_s']), implode('; ', $row['routines']),
            ]);
        }

        return implode("\n", [...$lines, '']);
    }

    /**
     * Milliseconds of each move, measured where it was measured, computed elsewhere; a move that is never made has none.
     *
     * @param  list<Row>  $rows
     */
    public static function header(array $rows, string $build): string
    {
        $lines = ['/* '.self::comment($build).': times of the moves that its routines make, ms. */', '#ifndef MOVE_TIMES_H', '#define MOVE_TIMES_H', ''];
        $taken = [];
        foreach ($rows as $row) {
            $name = self::identifier("{$row['motion']}_{$row['from']}_to_{$row['to']}".($row['speed'] === 1.0 ? '' : '_at_'.round(100 * $row['speed'])));
            for ($unique = $name, $i = 2; isset($taken[$unique]); $i++) {
                $unique = "{$name}_{$i}";
            }
            $taken[$unique] = true;
            $seconds = $row['measured_s'] ?? $row['computed_s'];
            $says = self::comment("{$row['name']}: ".($row['measured_s'] === null ? 'computed'
                : 'measured, computed '.self::seconds($row['computed_s']).' s').($row['carries'] === '' ? '' : ", {$row['carries']}"));
            $lines[] = $seconds === null ? "/* {$unique}: its drive does not make this move. */" : sprintf('#define %s_MS %dUL /* %s */', $unique,
                (int) round(1000 * $seconds), $says);
        }

        return implode("\n", [...$lines, '', '#endif', '']);
    }

    private static function seconds(?float $seconds): string
    {
        return $seconds === null ? '' : rtrim(rtrim(number_format($seconds, 4, '.', ''), '0'), '.');
    }

    private static function identifier(string $text): string
    {
        return 'MOVE_'.strtoupper(trim((string) preg_replace('/[^A-Za-z0-9]+/', '_', $text), '_'));
    }

    /** Nothing in a name may end a comment or its line. */
    private static function comment(string $text): string
    {
        return str_replace(['*/', '/*', "\n", "\r", '\\'], ['* /', '/ *', ' ', ' ', '/'], $text);
    }
}
