<?php

declare(strict_types=1);

namespace Brookstone\Core\Drawer;

use Brookstone\Core\Error\InvalidInput;
use Brookstone\Core\Shape\ErrorList;
use Brookstone\Core\Wiring\Fuse;
use Brookstone\Core\Wiring\WireSize;

/** What lies in one of the drawers of parts. */
final readonly class PartStock
{
    /** @param  list<array<string, mixed>>  $lines  as the shape of the table reads them, no name twice */
    private function __construct(public PartTable $table, public array $lines)
    {
    }

    /** @throws InvalidInput every wrong field; one name twice is one of them */
    public static function read(PartTable $table, mixed $lines): self
    {
        $errors = new ErrorList;
        $read = $table->shape()->read($lines, $table->value, $errors);
        $seen = [];
        foreach (is_array($read) ? $read : [] as $i => $line) {
            $at = "{$table->value}.{$i}";
            $name = $line['name'] ?? null;
            if ($name !== null && isset($seen[$name])) {
                $errors->add("{$at}.name", 'The same name stands in line '.($seen[$name] + 1).'.');
            }
            $seen[$name ?? ''] ??= $i;
            if ($line === null || array_filter($errors->all(), fn (array $error): bool => str_starts_with($error['field'], "{$at}.")) !== []) {
                continue; // what is wrong with it has been told
            }
            foreach ($table->problems($line) as $field => $message) {
                $errors->add("{$at}.{$field}", $message);
            }
        }
        $errors->throwIfAny();
        assert(is_array($read));

        return new self($table, array_values($read));
    }

    /** What comes with Brookstone: series of our own. */
    public static function shipped(PartTable $table): self
    {
        return self::read($table, match ($table) {
            PartTable::Supplies => [...self::mains(), ...self::batteries(), ...self::converters()],
            PartTable::Sensors => self::sensors(),
            PartTable::Leads => self::leads(),
        });
    }

    /** @return list<array<string, mixed>> */
    private static function mains(): array
    {
        return self::rows(['name', 'volts_V', 'max_A', 'cost', 'overload'], [
            ['M5-4', 5.0, 4.0, 9.0, 'folds'],
            ['M6-10', 6.0, 10.0, 18.0, 'folds'],
            ['M12-2', 12.0, 2.0, 8.0, 'sags'],
            ['M12-5', 12.0, 5.0, 14.0, 'folds'],
            ['M12-15', 12.0, 15.0, 26.0, 'trips'],
            ['M24-4', 24.0, 4.0, 22.0, 'folds'],
        ], ['kind' => 'mains']);
    }

    /** @return list<array<string, mixed>> */
    private static function batteries(): array
    {
        $keys = ['name', 'volts_V', 'capacity_Ah', 'cells', 'max_A', 'resistance_ohm', 'self_discharge_per_month', 'cutoff_V', 'cost'];

        return self::rows($keys, [
            ['B4 alkaline', 6.0, 2.5, 'alkaline', 1.5, 0.6, 0.003, null, 3.0],
            ['B8 alkaline', 12.0, 2.5, 'alkaline', 1.5, 1.2, 0.003, null, 6.0],
            ['B4 alkaline large', 6.0, 15.0, 'alkaline', 3.0, 0.4, 0.003, null, 11.0],
            ['B5 nickel', 6.0, 2.4, 'nickel', 8.0, 0.12, 0.02, null, 14.0],
            ['B10 nickel', 12.0, 2.4, 'nickel', 8.0, 0.24, 0.02, null, 27.0],
            ['B6 lead', 6.0, 4.5, 'lead', 10.0, 0.03, 0.04, null, 10.0],
            ['B12 lead', 12.0, 7.0, 'lead', 15.0, 0.03, 0.04, null, 18.0],
            ['B1 lithium', 3.7, 3.0, 'lithium', 6.0, 0.05, 0.02, 3.0, 8.0],
            ['B2 lithium', 7.4, 3.0, 'lithium', 6.0, 0.1, 0.02, 6.0, 16.0],
            ['B3 lithium', 11.1, 5.0, 'lithium', 20.0, 0.05, 0.02, 9.0, 35.0],
        ], ['kind' => 'battery']);
    }

    /** @return list<array<string, mixed>> */
    private static function converters(): array
    {
        $keys = ['name', 'converter', 'volts_V', 'max_A', 'efficiency', 'dropout_V', 'idle_A', 'settles_s', 'theta_C_per_W', 'cost'];

        return [
            ...self::rows($keys, [
                ['L3', 'linear', 3.3, 0.5, 0.85, 1.1, 0.005, 0.001, 60.0, 1.0],
                ['L5', 'linear', 5.0, 1.0, 0.85, 2.0, 0.005, 0.001, 50.0, 1.0],
                ['C3-1', 'down', 3.3, 1.0, 0.9, 0.7, 3e-5, 0.005, 45.0, 3.0],
                ['C5-3', 'down', 5.0, 3.0, 0.9, 1.2, 0.0015, 0.01, 25.0, 4.0],
                ['C6-8', 'down', 6.0, 8.0, 0.92, 1.0, 0.004, 0.01, 10.0, 9.0],
                ['C12-3', 'down', 12.0, 3.0, 0.93, 1.5, 0.004, 0.01, 20.0, 8.0],
                ['U5-1', 'up', 5.0, 1.0, 0.88, 1.8, 3e-4, 0.01, 45.0, 3.0],
                ['U12-2', 'up', 12.0, 2.0, 0.9, 4.5, 0.003, 0.02, 25.0, 7.0],
            ], ['kind' => 'converter', 'overload' => 'folds']),
            ...self::rows($keys, [['G10', 'gate', 12.0, 10.0, 0.85, 0.0, 1e-6, 0.005, null, 2.5]], ['kind' => 'converter', 'overload' => 'sags']),
        ];
    }

    /** @return list<array<string, mixed>> */
    private static function sensors(): array
    {
        return self::rows(['name', 'kind', 'current_A', 'signal_V', 'bounce_s', 'late_s', 'cost', 'closed', 'pulled'], [
            ['T button', 'press', 0.0, null, 0.005, 0.0, 0.5, 'no', 'no'],
            ['T mushroom', 'press', 0.0, null, 0.005, 0.0, 6.0, 'yes', 'no'],
            ['V beam short', 'beam', 0.02, 5.0, 0.0, 0.001, 3.0, 'no', 'no'],
            ['V beam long', 'beam', 0.035, 12.0, 0.0, 0.005, 12.0, 'no', 'no'],
            ['V mirror', 'reflective', 0.02, 5.0, 0.0, 0.001, 2.0, 'no', 'no'],
            ['F reed', 'magnet', 0.0, null, 0.001, 0.0, 1.0, 'no', 'no'],
            ['F field', 'magnet', 0.005, null, 0.0, 0.0, 1.5, 'no', 'yes'],
            ['N disc', 'knock', 0.0, 20.0, 0.0, 0.0, 1.0, 'no', 'no'],
            ['V spokes', 'wheel', 0.012, 5.0, 0.0, 0.0, 3.0, 'no', 'no'],
            ['V dusk', 'light', 0.0005, null, 0.0, 0.05, 0.5, 'no', 'no'],
            ['V hue', 'colour', 0.01, null, 0.0, 0.1, 7.0, 'no', 'no'],
            ['V range', 'distance', 0.03, null, 0.0, 0.04, 9.0, 'no', 'no'],
            ['N ping', 'sonar', 0.015, 5.0, 0.0, 0.06, 4.0, 'no', 'no'],
            ['T knob', 'knob', 0.0005, null, 0.0, 0.0, 1.0, 'no', 'no'],
        ]);
    }

    /**
     * @param  list<string>  $keys
     * @param  list<list<mixed>>  $rows  a value for each of the keys
     * @param  array<string, mixed>  $same  what all of them share
     * @return list<array<string, mixed>>
     */
    private static function rows(array $keys, array $rows, array $same = []): array
    {
        return array_map(fn (array $row): array => array_combine($keys, $row) + $same, $rows);
    }

    /** @return list<array<string, mixed>> */
    private static function leads(): array
    {
        $lines = [];
        foreach (WireSize::ROW as $area => $bears) {
            $lines[] = ['kind' => 'wire', 'name' => "Wire {$area} mm²", 'area_mm2' => (float) $area, 'bears_A' => $bears,
                'cost' => round(0.1 + 0.3 * (float) $area, 2)];
        }
        foreach (Fuse::ROW as $rating) {
            $lines[] = ['kind' => 'fuse', 'name' => "Fuse {$rating} A", 'bears_A' => $rating, 'cost' => 0.4];
        }

        return [...$lines, ...self::rows(['name', 'contacts', 'bears_A', 'cost'], [
            ['J2 small', 2, 3.0, 0.4],
            ['J3 servo', 3, 3.0, 0.4],
            ['J4 small', 4, 3.0, 0.6],
            ['J6 small', 6, 3.0, 0.8],
            ['J9 row', 9, 2.0, 1.5],
            ['J2 middle', 2, 10.0, 1.0],
            ['J2 large', 2, 30.0, 2.0],
            ['J2 screw', 2, 16.0, 0.8],
        ], ['kind' => 'plug'])];
    }
}
