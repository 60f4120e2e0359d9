<?php

declare(strict_types=1);

namespace Brookstone\Core\Train;

use Brookstone\Core\Error\InvalidInput;
use Brookstone\Core\Shape\ErrorList;

/** The drawer of gears as a table: one gear a row, the first row names the columns. */
final class GearCsv
{
    private const COLUMNS = ['teeth', 'module_mm', 'count', 'face_mm', 'material'];

    public static function write(GearStock $stock): string
    {
        $rows = array_map(fn (array $line): string => implode(',', array_map(fn (string $column): string => (string) $line[$column], self::COLUMNS)), $stock->lines);

        return implode("\n", [implode(',', self::COLUMNS), ...$rows, '']);
    }

    /** @throws InvalidInput naming each wrong row */
    public static function read(string $csv): GearStock
    {
        $errors = new ErrorList;
        $rows = preg_split('/\R/', trim($csv, "\u{FEFF} \r\n\t")) ?: [];
        $separator = substr_count($rows[0] ?? '', ';') > substr_count($rows[0] ?? '', ',') ? ';' : ',';
        $columns = array_map(fn (?string $name): string => strtolower(trim((string) $name)), str_getcsv((string) array_shift($rows), $separator, escape: ''));
        foreach (array_diff($columns, self::COLUMNS) as $unknown) {
            $errors->add('csv', "There is no column {$unknown}: known are ".implode(', ', self::COLUMNS).'.');
        }
        if (! in_array('teeth', $columns, true)) {
            $errors->add('csv', 'The first row must name the columns; teeth must be one of them.');
        }
        $errors->throwIfAny();
        $lines = [];
        foreach ($rows as $number => $row) {
            if (trim($row) === '') {
                continue;
            }
            $cells = str_getcsv($row, $separator, escape: '');
            $line = [];
            foreach ($columns as $i => $column) {
                $cell = trim((string) ($cells[$i] ?? ''));
                if ($cell !== '') {
                    $line[$column] = $column === 'material' ? $cell : (is_numeric($cell) ? $cell + 0 : $cell);
                }
            }
            $wrong = new ErrorList;
            $read = GearStock::shape()->of->read($line, '', $wrong);
            foreach ($wrong->all() as $error) {
                $errors->add('csv', 'Row '.($number + 2).": {$error['field']}: {$error['message']}");
            }
            $lines[] = $read;
        }
        $errors->throwIfAny();

        return GearStock::read($lines);
    }
}
