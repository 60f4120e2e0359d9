<?php

declare(strict_types=1);

namespace Brookstone\Core\Proof;

use Brookstone\Core\Build\Build;
use Brookstone\Core\Build\BuildShape;
use Brookstone\Core\Build\Measurement;
use Brookstone\Core\Error\Describe;
use Brookstone\Core\Parts\Motion;
use Brookstone\Core\Parts\Place;
use Brookstone\Core\Quantity\NotUnderstood;
use Brookstone\Core\Quantity\QuantityParser;
use Brookstone\Core\Shape\Csv;
use Brookstone\Core\Shape\ErrorList;

/**
 * Measurements as a table or as lines of JSON, many at once: the first row names the columns, motions and places go by their names or ids, numbers may
 * have units. Each wrong row is named, the others are read.
 *
 * @phpstan-type Problem array{line: int, field: string, message: string}
 */
final class LogTable
{
    /** Columns, and what each may be called. */
    public const COLUMNS = ['motion', 'from', 'to', 'time', 'current', 'stalled', 'stopped at', 'temperature', 'after', 'pull', 'failed', 'speed', 'carries',
        'supply', 'warm', 'day', 'note'];

    public const MOST = 10_000; // in a log

    private const MOST_PROBLEMS = 50;

    private const FIELDS = ['time' => 'measured_s', 'current' => 'current_A', 'stalled' => 'stalled_A', 'stopped at' => 'stopped_at', 'supply' => 'supply_V',
        'temperature' => 'temperature_C',
        'after' => 'after_s', 'pull' => 'pull_N',
        'day' => 'on'];

    private const UNITS = ['time' => 's', 'current' => 'A', 'stalled' => 'A', 'supply' => 'V', 'temperature' => '°C', 'after' => 's', 'pull' => 'N'];

    private const YES = ['yes', 'y', 'true', '1', 'warm'];

    private const NO = ['', 'no', 'n', 'false', '0', 'cold'];

    /** @var list<array<string, mixed>> */
    private array $entries = [];

    /** @var list<Problem> */
    private array $problems = [];

    private int $wrong = 0;

    private int $next = 1;

    /** @var array<string, true> */
    private array $taken = [];

    private function __construct(private readonly Build $build, private readonly string $today)
    {
        $this->taken = array_fill_keys(array_map(fn (Measurement $entry): string => $entry->id, $build->log), true);
    }

    /**
     * @param  string  $today  day of what says none, as 2026-05-31
     * @return array{entries: list<array<string, mixed>>, problems: list<Problem>, wrong: int} entries as a build's log has them, with ids that it has not; the
     *     first fifty problems, and of how many rows
     */
    public static function read(Build $build, string $text, string $today): array
    {
        $table = new self($build, $today);
        str_starts_with(ltrim($text, " \t\r\n\u{FEFF}"), '{') ? $table->lines($text) : $table->table($text);

        return ['entries' => $table->entries, 'problems' => $table->problems, 'wrong' => $table->wrong];
    }

    /** The log of a build as such a table: read again it gives the same. */
    public static function write(Build $build): string
    {
        $rows = [Csv::row(self::COLUMNS)];
        foreach ($build->log as $entry) {
            $motion = $build->motions[$entry->motion] ?? null;
            $place = fn (string $id): string => $motion?->place($id) === null ? $id : $motion->place($id)->name;
            $with = fn (?float $value, string $unit): string => $value === null ? '' : json_encode($value, JSON_THROW_ON_ERROR)." {$unit}";
            $at = $motion === null ? '' : $with($entry->stopped_at, $motion->unit()->symbol());
            $rows[] = Csv::row([$motion === null ? $entry->motion : $motion->name, $place($entry->from), $place($entry->to), $with($entry->measured_s, 's'),
                $with($entry->current_A, 'A'), $with($entry->stalled_A, 'A'), $at, $with($entry->temperature_C, '°C'), $with($entry->after_s, 's'),
                $with($entry->pull_N, 'N'), $entry->failed, $entry->speed, $entry->carries === 'as_task' ? ''
                : $entry->carries, $with($entry->supply_V, 'V'), $entry->warm ? 'yes' : '', $entry->on, $entry->note]);
        }

        return implode("\n", [...$rows, '']);
    }

    private function table(string $text): void
    {
        $rows = Csv::rows($text);
        $head = array_map(self::column(...), array_shift($rows)['cells'] ?? []);
        foreach ($head as $i => $column) {
            if (! in_array($column, self::COLUMNS, true)) {
                $this->wrong(1, $column, 'There is no column '.Describe::cut($column).': known are '.implode(', ', self::COLUMNS).'.');
            } elseif (array_search($column, $head, true) !== $i) {
                $this->wrong(1, $column, "The column {$column} is there twice.");
            }
        }
        if (! in_array('motion', $head, true)) {
            $this->wrong(1, 'motion', 'The first row must name the columns; motion must be one of them.');
        }
        if ($this->problems !== []) {
            return;
        }
        foreach ($rows as $i => ['line' => $line, 'cells' => $cells]) {
            if ($i === self::MOST) {
                $this->leavesOut($line);
                break;
            }
            $this->row($line, array_combine($head, array_pad(array_slice($cells, 0, count($head)), count($head), '')));
        }
    }

    private function lines(string $text): void
    {
        foreach (explode("\n", $text, self::MOST + 1) as $i => $line) {
            if (trim($line) === '') {
                continue;
            }
            if ($i === self::MOST) {
                $this->leavesOut($i + 1);
                break;
            }
            $said = json_decode(trim($line, " \t\r\u{FEFF}"), true, 3);
            if (! is_array($said) || array_is_list($said)) {
                $this->wrong($i + 1, '', 'This is no line of JSON with fields.');

                continue;
            }
            $cells = [];
            foreach ($said as $name => $value) {
                $column = self::column((string) $name);
                if (! in_array($column, self::COLUMNS, true)) {
                    $this->wrong($i + 1, $column, 'There is no field '.Describe::cut($column).': known are '.implode(', ', self::COLUMNS).'.');

                    continue 2;
                }
                $cells[$column] = is_bool($value) ? ($value ? 'yes' : 'no') : (is_scalar($value) ? (string) $value : '');
            }
            $this->row($i + 1, $cells);
        }
    }

    private static function column(string $name): string
    {
        return strtr(strtolower(trim($name)), '_', ' ');
    }

    /** @param  array<string, string>  $cells  by column */
    private function row(int $line, array $cells): void
    {
        if (count($this->entries) + count($this->build->log) >= self::MOST) {
            $this->wrong($line, '', 'A log holds at most '.self::MOST.' measurements: this one no longer fits.');

            return;
        }
        $cells = array_map(trim(...), $cells);
        $motion = self::called($this->build->motions, $cells['motion'] ?? '');
        if ($motion === null) {
            $this->wrong($line, 'motion', 'There is no motion '.Describe::cut($cells['motion'] ?? '').' in this build.');

            return;
        }
        $errors = new ErrorList;
        $id = $this->free();
        $entry = ['id' => $id, 'motion' => $motion->id, ...$this->places($motion, $cells, $errors), ...$this->quantities($motion, $cells, $errors),
            'speed' => $this->share($cells['speed'] ?? '', $errors), 'warm' => $this->yes($cells['warm'] ?? '', $errors),
            'carries' => ($cells['carries'] ?? '') === '' ? 'as_task' : strtolower($cells['carries']), 'on' => ($cells['day'] ?? '') === '' ? $this->today
            : $cells['day'], 'failed' => $cells['failed'] ?? '', 'note' => $cells['note'] ?? ''];
        $read = BuildShape::measurement()->read($entry, '', $errors);
        $said = $errors->all();
        if ($said === [] && is_array($read) && BuildShape::isNothing($read)) {
            $said = [['field' => 'time', 'message' => BuildShape::NOTHING_MEASURED]];
        }
        if ($said !== [] || ! is_array($read)) {
            foreach (array_column($said, 'message', 'field') as $field => $message) {
                $this->problem($line, array_flip(self::FIELDS)[$field] ?? $field, $message);
            }
            $this->wrong++;

            return;
        }
        $this->taken[$id] = true;
        $this->entries[] = $read;
    }

    /**
     * @param  array<string, string>  $cells
     * @return array{from: string, to: string}
     */
    private function places(Motion $motion, array $cells, ErrorList $errors): array
    {
        $found = ['from' => $motion->task->from, 'to' => $motion->task->to];
        foreach (array_keys($found) as $end) {
            $name = $cells[$end] ?? '';
            if ($name === '') {
                continue;
            }
            $place = self::called(array_column($motion->places, null, 'id'), $name);
            $place === null ? $errors->add($end, "{$motion->name} has no place ".Describe::cut($name).'.') : $found[$end] = $place->id;
        }

        return $found;
    }

    /**
     * @param  array<string, string>  $cells
     * @return array<string, float>
     */
    private function quantities(Motion $motion, array $cells, ErrorList $errors): array
    {
        $found = [];
        foreach (self::UNITS + ['stopped at' => $motion->unit()->symbol()] as $column => $unit) {
            if (($cells[$column] ?? '') === '') {
                continue;
            }
            try {
                $si = QuantityParser::parse($cells[$column], $unit)['quantity']->si;
                $found[self::FIELDS[$column]] = $column === 'stopped at' ? round($motion->unit()->fromSi($si), 9) : $si;
            } catch (NotUnderstood $not) {
                $errors->add($column, $not->getMessage());
            }
        }

        return $found;
    }

    private function share(string $text, ErrorList $errors): float
    {
        $number = rtrim($text, " %\u{a0}");
        if ($text !== '' && ! is_numeric($number)) {
            $errors->add('speed', '“'.Describe::cut($text).'” is no share of a speed: 0.5 or 50 %.');
        }

        return $text === '' || ! is_numeric($number) ? 1.0 : (float) $number / ($number === $text ? 1.0 : 100.0);
    }

    private function yes(string $text, ErrorList $errors): bool
    {
        $text = strtolower($text);
        if (! in_array($text, [...self::YES, ...self::NO], true)) {
            $errors->add('warm', '“'.Describe::cut($text).'” is neither yes nor no.');
        }

        return in_array($text, self::YES, true);
    }

    private function free(): string
    {
        while (isset($this->taken["m{$this->next}"])) {
            $this->next++;
        }

        return "m{$this->next}";
    }

    private function wrong(int $line, string $field, string $message): void
    {
        $this->wrong++;
        $this->problem($line, $field, $message);
    }

    private function leavesOut(int $line): void
    {
        $this->wrong++;
        array_unshift($this->problems, ['line' => $line, 'field' => '',
            'message' => 'At most '.self::MOST.' rows are read at once: what follows is left out.']);
    }

    private function problem(int $line, string $field, string $message): void
    {
        if (count($this->problems) < self::MOST_PROBLEMS) {
            $this->problems[] = ['line' => $line, 'field' => $field, 'message' => $message];
        }
    }

    /**
     * @template T of Motion|Place
     *
     * @param  array<string, T>  $things  by id
     * @return T|null the one of that id, or else of that name
     */
    private static function called(array $things, string $name): Motion|Place|null
    {
        if (isset($things[$name])) {
            return $things[$name];
        }
        foreach ($things as $thing) {
            if (mb_strtolower($thing->name) === mb_strtolower($name)) {
                return $thing;
            }
        }

        return null;
    }
}
