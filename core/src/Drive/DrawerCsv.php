<?php

declare(strict_types=1);

namespace Brookstone\Core\Drive;

use Brookstone\Core\Error\Describe;
use Brookstone\Core\Error\ImpossibleValue;
use Brookstone\Core\Error\InvalidInput;
use Brookstone\Core\Quantity\NotUnderstood;
use Brookstone\Core\Quantity\QuantityParser;
use Brookstone\Core\Quantity\Units;
use Brookstone\Core\Shape\BooleanShape;
use Brookstone\Core\Shape\ChoiceShape;
use Brookstone\Core\Shape\Csv;
use Brookstone\Core\Shape\ErrorList;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\ListShape;
use Brookstone\Core\Shape\NumberShape;
use Brookstone\Core\Shape\RecordShape;

/**
 * A drawer as a table: one row a drive, one column a field, empty where a kind does not have it. Numbers may carry any unit
 * (`3.5 kg cm`); bare ones are in the unit of the column's name. Several ratings stand in one cell, `4.8 V: 0.92 N·m, 300 °/s;
 * 6 V: …`. Comma, semicolon or tab between cells (RFC 4180 quoting).
 */
final class DrawerCsv
{
    public const MOST_ROWS = 2000;

    private const RATING_KEYS = ['volts_V', 'stall_Nm', 'speed_deg_s'];

    /** @return list<array{column: string, kinds: list<string>, needed: bool, says: string}> what each column means */
    public static function guide(): array
    {
        $guide = [['column' => 'kind', 'kinds' => Drives::kinds(), 'needed' => true, 'says' => 'One of '.implode(', ', Drives::kinds()).'.']];
        foreach (self::columns() as $column => $kinds) {
            $fields = array_map(fn (string $kind): Field => self::shapes()[$kind]->fields[$column], $kinds);
            $guide[] = [
                'column' => $column, 'kinds' => $kinds, 'needed' => $fields[0]->needed,
                'says' => trim($fields[0]->says.($column === 'ratings' ? ' As `4.8 V: 0.92 N·m, 300 °/s; 6 V: 1.08 N·m, 350 °/s`.'
                    : '').($fields[0]->shape instanceof ChoiceShape ? ' One of '.implode(', ', array_map(strval(...), $fields[0]->shape->choices)).'.' : '')),
            ];
        }

        return $guide;
    }

    /** @param  iterable<Drive>  $drives */
    public static function write(iterable $drives): string
    {
        $columns = array_keys(self::columns());
        $lines = [Csv::row(['kind', ...$columns])];
        foreach ($drives as $drive) {
            $written = Drives::write($drive);
            $lines[] = Csv::row([$written['kind'], ...array_map(fn (string $column): string => self::cell($written[$column] ?? null), $columns)]);
        }

        return implode("\r\n", $lines)."\r\n";
    }

    /** @return array<string, string> a drive as its cells, by column */
    public static function cells(Drive $drive): array
    {
        $written = Drives::write($drive);
        $cells = ['kind' => $drive->kind()];
        foreach (self::columns() as $column => $kinds) {
            if (in_array($drive->kind(), $kinds, true)) {
                $unit = is_numeric($written[$column] ?? null) ? Units::symbolOfKey($column) : null;
                $cells[$column] = self::cell($written[$column] ?? null).($unit === null ? '' : ' '.$unit);
            }
        }

        return $cells;
    }

    /**
     * One drive from its cells as they were typed.
     *
     * @param  array<string, string>  $cells
     *
     * @throws InvalidInput naming every wrong column
     */
    public static function typed(array $cells): Drive
    {
        $wrong = [];
        $drive = self::row(array_filter(array_map(trim(...), $cells), fn (string $cell): bool => $cell !== ''), $wrong);
        if ($drive === null || $wrong !== []) {
            throw new InvalidInput(array_map(fn (array $each): array => ['field' => $each['column'], 'message' => $each['message']], $wrong === []
                ? [['column' => 'kind', 'message' => 'Is missing.']] : $wrong));
        }

        return $drive;
    }

    /**
     * Reads a table. Every row that is right gives a drive; every one that is not is named with its line and column.
     *
     * @return array{drives: list<Drive>, errors: list<array{line: int, column: string, message: string}>}
     */
    public static function read(string $csv): array
    {
        $rows = Csv::rows($csv);
        $head = array_map(fn (string $cell): string => trim(ltrim($cell, "\u{FEFF}")), array_shift($rows)['cells'] ?? []);
        $errors = [];
        $known = ['kind', ...array_keys(self::columns())];
        foreach ($head as $column) {
            if ($column !== '' && ! in_array($column, $known, true)) {
                $errors[] = ['line' => 1, 'column' => Describe::cut($column), 'message' => 'There is no such column. There are: '.implode(', ', $known).'.'];
            }
        }
        foreach (array_count_values(array_intersect($head, $known)) as $column => $times) {
            if ($times > 1) {
                $errors[] = ['line' => 1, 'column' => $column, 'message' => 'Stands there more than once.'];
            }
        }
        foreach (['kind', 'code'] as $needed) {
            if (! in_array($needed, $head, true)) {
                $errors[] = ['line' => 1, 'column' => $needed, 'message' => 'Is missing: the first line must name the columns.'];
            }
        }
        if ($errors !== []) {
            return ['drives' => [], 'errors' => $errors];
        }
        if (count($rows) > self::MOST_ROWS) {
            return ['drives' => [], 'errors' => [['line' => self::MOST_ROWS + 2, 'column' => '',
                'message' => 'May have at most '.self::MOST_ROWS.' rows, but has '.count($rows).'.']]];
        }
        $drives = [];
        $codes = [];
        foreach ($rows as ['line' => $line, 'cells' => $cells]) {
            $row = [];
            foreach ($head as $i => $column) {
                if ($column !== '' && trim($cells[$i] ?? '') !== '') {
                    $row[$column] = trim($cells[$i]);
                }
            }
            if (count($cells) > count($head)) {
                $errors[] = ['line' => $line, 'column' => '',
                    'message' => 'Has '.count($cells).' cells under '.count($head).' columns: a text with a comma in it needs quotes.'];

                continue;
            }
            $wrong = [];
            $drive = self::row($row, $wrong);
            if ($drive !== null && isset($codes[$drive->body()->code])) {
                $wrong[] = ['column' => 'code', 'message' => "{$drive->body()->code} is there already, in line {$codes[$drive->body()->code]}."];
            }
            if ($wrong === [] && $drive !== null) {
                $codes[$drive->body()->code] = $line;
                $drives[] = $drive;
            }
            foreach ($wrong as $each) {
                $errors[] = ['line' => $line] + $each;
            }
        }

        return ['drives' => $drives, 'errors' => $errors];
    }

    /**
     * @param  array<string, string>  $row
     * @param  list<array{column: string, message: string}>  $wrong
     */
    private static function row(array $row, array &$wrong): ?Drive
    {
        $kind = $row['kind'] ?? '';
        if (! in_array($kind, Drives::kinds(), true)) {
            $wrong[] = ['column' => 'kind', 'message' => $kind === '' ? 'Is missing.' : '“'.Describe::cut($kind).'” is none of '.implode(', ',
                Drives::kinds()).'.'];

            return null;
        }
        $shape = self::shapes()[$kind];
        $document = [];
        foreach ($row as $column => $text) {
            if ($column === 'kind') {
                continue;
            }
            $field = $shape->fields[$column] ?? null;
            if ($field === null) {
                $wrong[] = ['column' => $column, 'message' => 'A '.Drives::word($kind).' has no such value: leave the cell empty.'];

                continue;
            }
            try {
                $document[$column] = self::value($column, $text, $field);
            } catch (NotUnderstood $notUnderstood) {
                $wrong[] = ['column' => $column, 'message' => $notUnderstood->getMessage()];
                unset($document[$column]);
            }
        }
        $errors = new ErrorList;
        $read = $shape->read($document, '', $errors);
        $named = array_column($wrong, 'column');
        foreach ($errors->all() as $error) {
            $column = explode('.', $error['field'])[0];
            if (! in_array($column, $named, true)) {
                $wrong[] = ['column' => $column, 'message' => $error['message']];
            }
        }
        if ($wrong !== [] || $read === null) {
            return null;
        }
        try {
            return Drives::make(['kind' => $kind] + $read);
        } catch (ImpossibleValue $impossible) {
            $wrong[] = ['column' => $impossible->field, 'message' => ucfirst(substr($impossible->getMessage(), strlen($impossible->field) + 1))];

            return null;
        }
    }

    /** @throws NotUnderstood */
    private static function value(string $column, string $text, Field $field): mixed
    {
        return match (true) {
            $field->shape instanceof NumberShape => self::number($text, Units::symbolOfKey($column) ?? ''),
            $field->shape instanceof BooleanShape => self::yes($text),
            $field->shape instanceof ListShape => self::ratings($text),
            default => $text,
        };
    }

    private static function number(string $text, string $unit): float|int
    {
        $number = QuantityParser::parse($text, $unit)['quantity']->in($unit);

        return floor($number) === $number && abs($number) < 1e15 ? (int) $number : (float) sprintf('%.12g', $number);
    }

    private static function yes(string $text): bool
    {
        return match (mb_strtolower($text)) {
            'yes', 'true', '1' => true,
            'no', 'false', '0' => false,
            default => throw new NotUnderstood('“'.Describe::cut($text).'” must be yes or no.'),
        };
    }

    /** @return list<array<string, float|int>> */
    private static function ratings(string $text): array
    {
        $ratings = [];
        foreach (array_filter(array_map(trim(...), explode(';', $text))) as $each) {
            $parts = array_map(trim(...), preg_split('/[:,]\s+|:/', $each) ?: []);
            if (count($parts) !== 3) {
                throw new NotUnderstood('“'.Describe::cut($each).'” must be a rating such as 6 V: 1.08 N·m, 350 °/s.');
            }
            $ratings[] = array_combine(self::RATING_KEYS,
                array_map(fn (string $part, string $key): float|int => self::number($part, (string) Units::symbolOfKey($key)), $parts, self::RATING_KEYS));
        }

        return $ratings;
    }

    private static function cell(mixed $value): string
    {
        return match (true) {
            $value === null => '',
            is_bool($value) => $value ? 'yes' : 'no',
            is_array($value) => implode('; ',
                array_map(fn (array $rating): string => self::plain($rating['volts_V']).' V: '.self::plain($rating['stall_Nm']).' N·m, '
                    .self::plain($rating['speed_deg_s']).' °/s', $value)),
            is_float($value) || is_int($value) => self::plain((float) $value),
            default => (string) $value,
        };
    }

    /** As short as it can be and still read back the same. */
    private static function plain(float $number): string
    {
        return (string) json_encode($number);
    }

    /** @return array<string, list<string>> the kinds that have it, by column */
    private static function columns(): array
    {
        $columns = [];
        foreach (self::shapes() as $kind => $shape) {
            foreach (array_keys($shape->fields) as $column) {
                $columns[$column][] = $kind;
            }
        }

        // What it is called comes first, what the seller says last.
        $order = ['code', 'series', 'mass_kg', ...array_diff(array_keys($columns), ['code', 'series', 'mass_kg', 'page']), 'page'];

        return array_combine($order, array_map(fn (string $column): array => $columns[$column], $order));
    }

    /** @return array<string, RecordShape> */
    private static function shapes(): array
    {
        return Drives::shape()->variants;
    }
}
