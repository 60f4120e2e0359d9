<?php

declare(strict_types=1);

namespace Brookstone\Core\Shape;

use Brookstone\Core\Error\Describe;
use Brookstone\Core\Error\InvalidInput;

/** A list of flat records as a table: one record a row, the first row names the columns. An empty cell is left out. */
final readonly class TableCsv
{
    private RecordShape $record;

    public function __construct(ListShape $list)
    {
        $this->record = $list->of instanceof RecordShape ? $list->of : throw new \LogicException('Only records stand in a table.');
    }

    /** @param  list<array<string, mixed>>  $records */
    public function write(array $records): string
    {
        $columns = array_keys($this->record->fields);
        $rows = array_map(fn (array $record): string => Csv::row(array_map(fn (string $column): mixed => $record[$column] ?? '', $columns)), $records);

        return implode("\n", [Csv::row($columns), ...$rows, '']);
    }

    /**
     * @return list<array<string, mixed>>
     *
     * @throws InvalidInput naming each wrong row
     */
    public function read(string $csv): array
    {
        $errors = new ErrorList;
        $rows = Csv::rows($csv);
        $known = array_keys($this->record->fields);
        $spelled = array_combine(array_map(strtolower(...), $known), $known);
        $columns = array_map(fn (string $name): string => $spelled[strtolower(trim($name))] ?? trim($name), array_shift($rows)['cells'] ?? ['']);
        foreach (array_diff($columns, $known) as $unknown) {
            $errors->add('csv', 'There is no column '.Describe::cut($unknown).': known are '.implode(', ', $known).'.');
        }
        foreach (array_keys(array_filter($this->record->fields, fn (Field $field): bool => $field->needed)) as $needed) {
            if (! in_array($needed, $columns, true)) {
                $errors->add('csv', "The first row must name the columns; {$needed} must be one of them.");
            }
        }
        $errors->throwIfAny();
        $records = [];
        foreach ($rows as ['line' => $line, 'cells' => $cells]) {
            $wrong = new ErrorList;
            $records[] = $this->record->read($this->cells($columns, $cells), '', $wrong);
            foreach ($wrong->all() as $error) {
                $errors->add('csv', "Row {$line}: {$error['field']}: {$error['message']}");
            }
        }
        $errors->throwIfAny();

        return array_values(array_filter($records));
    }

    /**
     * @param  list<string>  $columns
     * @param  list<string>  $cells
     * @return array<string, mixed>
     */
    private function cells(array $columns, array $cells): array
    {
        $record = [];
        foreach ($columns as $i => $column) {
            $cell = trim($cells[$i] ?? '');
            if ($cell !== '') {
                $record[$column] = $this->record->fields[$column]->shape instanceof NumberShape && is_numeric($cell) ? $cell + 0 : $cell;
            }
        }

        return $record;
    }
}
