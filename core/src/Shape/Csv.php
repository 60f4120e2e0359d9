<?php

declare(strict_types=1);

namespace Brookstone\Core\Shape;

/** Rows of cells as people's table programs write and read them: RFC 4180, and with semicolons or tabs where the first row has more of those. */
final class Csv
{
    /** @param  list<string|int|float|null>  $cells */
    public static function row(array $cells): string
    {
        return implode(',', array_map(self::cell(...), $cells));
    }

    private static function cell(string|int|float|null $cell): string
    {
        return preg_match('/[",;\r\n\t]/', (string) $cell) === 1 ? '"'.str_replace('"', '""', (string) $cell).'"' : (string) $cell;
    }

    /** @return list<array{line: int, cells: list<string>}> rows that are not empty; a quoted cell may hold line ends */
    public static function rows(string $csv): array
    {
        $csv = mb_scrub(strtr($csv, ["\r\n" => "\n", "\r" => "\n", "\u{FEFF}" => '']));
        $first = strtok($csv, "\n");
        $separator = ',';
        foreach ([';', "\t"] as $other) {
            $separator = substr_count((string) $first, $other) > substr_count((string) $first, $separator) ? $other : $separator;
        }
        $rows = [];
        $cells = [];
        $cell = '';
        $quoted = false;
        $line = $begun = 1;
        $length = strlen($csv);
        for ($i = 0; $i <= $length; $i++) {
            $char = $csv[$i] ?? "\n";
            if ($quoted && $i < $length) {
                if ($char === '"' && ($csv[$i + 1] ?? '') === '"') {
                    $cell .= '"';
                    $i++;
                } elseif ($char === '"') {
                    $quoted = false;
                } else {
                    $cell .= $char;
                    $line += $char === "\n" ? 1 : 0;
                }
            } elseif ($char === '"' && trim($cell) === '') {
                $quoted = true;
                $cell = '';
            } elseif ($char === $separator) {
                $cells[] = $cell;
                $cell = '';
            } elseif ($char === "\n") {
                $cells[] = $cell;
                if (trim(implode('', $cells)) !== '') {
                    $rows[] = ['line' => $begun, 'cells' => $cells];
                }
                $cells = [];
                $cell = '';
                $begun = ++$line;
            } else {
                $cell .= $char;
            }
        }

        return $rows;
    }
}
