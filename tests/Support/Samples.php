<?php

declare(strict_types=1);

namespace Tests\Support;

use Brookstone\Core\Calculator\Calculators;

/** Inputs for every calculator, that it takes: out of its schema, and where figures must fit each other, by hand. */
final class Samples
{
    private const FITTING = [
        'load.arm' => ['to_deg' => 60], 'load.pushed' => ['from_deg' => 0, 'to_deg' => 30], 'load.feeder' => ['from_m' => 0, 'to_m' => 0.1],
        'load.crank_rocker' => ['crank_m' => 0.02, 'coupler_m' => 0.08, 'rocker_m' => 0.06, 'ground_m' => 0.09, 'from_deg' => 0, 'to_deg' => 30],
        'load.measured' => ['from_deg' => 0, 'to_deg' => 40, 'points' => [['at' => 0, 'raise_N' => 3, 'lower_N' => 2],
            ['at' => 40, 'raise_N' => 4, 'lower_N' => 3]]],
        'load.crank' => ['rod_m' => 0.2, 'crank_m' => 0.03], 'drive.bench' => ['held_A' => 3.0, 'load_Nm' => null, 'loaded_rpm' => null, 'loaded_A' => null],
        'linkage.swing' => ['swing_deg' => 60, 'rocker_m' => 0.05, 'ground_m' => 0.12], 'train.belt' => ['driver' => 20, 'driven' => 20, 'belt_teeth' => 60,
            'centre_mm' => null],
        'motion.throw' => ['speed_m_s' => 5],
        'air.cylinder' => ['bore_m' => 0.02, 'rod_m' => 0.008, 'stroke_m' => 0.05], 'air.tank' => ['high_bar' => 8, 'low_bar' => 6, 'needs_bar' => 4],
        'sense.stick' => ['low' => 0, 'middle' => 500, 'high' => 1000], 'sense.daylight' => ['night_most' => 100, 'day_least' => 600],
    ];

    /** @return list<array<string, mixed>> */
    public static function of(string $calculator): array
    {
        $file = __DIR__."/../cases/{$calculator}.json";
        if (is_file($file)) {
            return array_slice(array_column(json_decode((string) file_get_contents($file), true), 'inputs'), 0, 2);
        }
        $made = (self::FITTING[$calculator] ?? []) + self::made(Calculators::all()[$calculator]->inputs()->schema());

        return [array_filter($made, fn (mixed $value): bool => $value !== null)];
    }

    /** @param  array<string, mixed>  $schema */
    private static function made(array $schema): mixed
    {
        $type = is_array($schema['type'] ?? null) ? $schema['type'][0] : $schema['type'] ?? null;

        return match (true) {
            isset($schema['enum']) => $schema['enum'][0],
            isset($schema['oneOf']), isset($schema['anyOf']) => self::made(($schema['oneOf'] ?? $schema['anyOf'])[0]),
            $type === 'object' => array_map(self::made(...), $schema['properties'] ?? []),
            $type === 'array' => array_fill(0, max(2, $schema['minItems'] ?? 1), self::made($schema['items'] ?? [])),
            $type === 'boolean' => true,
            $type === 'string' => 'x',
            $type === 'integer' => (int) self::number($schema),
            $type === 'number' => self::number($schema),
            default => null,
        };
    }

    /** @param  array<string, mixed>  $schema */
    private static function number(array $schema): float
    {
        $least = $schema['minimum'] ?? $schema['exclusiveMinimum'] ?? 0;
        $most = $schema['maximum'] ?? $schema['exclusiveMaximum'] ?? INF;

        return match (true) {
            $most === INF => max(1.0, $least + 1.0),
            $least <= 1 && $most >= 1.5 => 1.2,
            default => ($least + $most) / 2,
        };
    }
}
