<?php

declare(strict_types=1);

namespace Brookstone\Core\Sensing;

use Brookstone\Core\Error\InvalidInput;

/** Readings of a sensor as people have them: typed with anything between them, copied out of a terminal, or a table with a column for each set. */
final class Readings
{
    private const MOST = 500;

    private const WITHOUT = ['absent', 'without', 'off', 'empty', 'dark', 'no'];

    private const WITH = ['present', 'with', 'on', 'full', 'light', 'yes'];

    /**
     * A first line that names a column "without" and one "with" fills both sets. Otherwise all numbers belong to one. A comma parts two
     * numbers; where semicolons or tabs do that, it is a decimal comma.
     *
     * @return array{all: list<float>|null, absent: list<float>|null, present: list<float>|null}
     *
     * @throws InvalidInput at "text", naming the line
     */
    public static function read(string $text): array
    {
        $lines = preg_split('/\R/', trim(preg_replace('/^\xEF\xBB\xBF/', '', $text) ?? '')) ?: [];
        $parts = preg_match('/[;\t]/', $text) === 1 ? '/\s*[;\t]\s*/' : '/\s*,\s*|\s+/';
        $columns = self::columns(preg_split($parts, strtolower(trim($lines[0] ?? ''))) ?: []);
        $sets = $columns === null ? ['all' => []] : ['absent' => [], 'present' => []];
        foreach ($lines as $i => $line) {
            if (trim($line) === '' || ($i === 0 && $columns !== null)) {
                continue;
            }
            foreach (preg_split($parts, trim($line)) ?: [] as $column => $cell) {
                $cell = trim($cell, " \"'");
                $set = $columns === null ? 'all' : ($columns[$column] ?? null);
                if ($cell === '' || $set === null) {
                    continue;
                }
                $number = str_replace(',', '.', $cell);
                if (! is_numeric($number) || ! is_finite((float) $number) || abs((float) $number) > 1e6) {
                    throw InvalidInput::at('text', 'Line '.($i + 1).': “'.mb_strimwidth($cell, 0, 30, '…').'” is not a reading up to a million.');
                }
                $sets[$set][] = (float) $number;
                if (count($sets[$set]) > self::MOST) {
                    throw InvalidInput::at('text', 'These are more than '.self::MOST.' readings; as many of them will do.');
                }
            }
        }

        return $sets + ['all' => null, 'absent' => null, 'present' => null];
    }

    /**
     * How many readings of either set lie in each of some equal steps over all of them. As many steps as the square root of their number.
     *
     * @param  list<float>  $absent
     * @param  list<float>  $present
     * @return list<array{from: float, to: float, absent: int, present: int}>
     */
    public static function histogram(array $absent, array $present): array
    {
        $all = [...$absent, ...$present];
        if ($all === []) {
            return [];
        }
        [$low, $high] = [min($all), max($all)];
        $count = max(6, min(40, (int) ceil(2 * sqrt(count($all)))));
        $step = $high > $low ? ($high - $low) / $count : 1.0;
        $steps = $high > $low ? $count : 1;
        $in = fn (float $reading): int => min($steps - 1, (int) floor(($reading - $low) / $step));
        $counts = fn (array $readings): array => array_count_values(array_map($in, $readings));
        [$without, $with] = [$counts($absent), $counts($present)];

        return array_map(fn (int $i): array => ['from' => $low + $i * $step, 'to' => $low + ($i + 1) * $step, 'absent' => $without[$i] ?? 0,
            'present' => $with[$i] ?? 0], range(0, $steps - 1));
    }

    /**
     * @param  list<string>  $names
     * @return array<int, string>|null the set that each column belongs to
     */
    private static function columns(array $names): ?array
    {
        $columns = [];
        foreach ($names as $i => $name) {
            $name = trim($name, " \"'");
            if (in_array($name, self::WITHOUT, true)) {
                $columns[$i] = 'absent';
            } elseif (in_array($name, self::WITH, true)) {
                $columns[$i] = 'present';
            }
        }

        return $columns === [] ? null : $columns;
    }
}
