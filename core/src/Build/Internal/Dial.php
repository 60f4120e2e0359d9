<?php

declare(strict_types=1);

namespace Brookstone\Core\Build\Internal;

/**
 * Places by the dozen, made from a pitch.
 *
 * @internal
 */
final class Dial
{
    public const PREFIX = 'dial-';

    private const DIGITS = 9;

    /**
     * @param  array<string, mixed>  $motion  as it was read
     * @return list<array{id: string, name: string, at: float}>
     */
    public static function places(array $motion): array
    {
        $dial = $motion['dial'];
        if ($dial === null) {
            return [];
        }
        $round = $motion['task']['comes_round'] ?? $motion['mechanism']['item_pitch_m'] ?? 360.0;

        return array_map(fn (int $i): array => ['id' => self::PREFIX.$i, 'name' => "{$dial['name']} {$i}", 'at' => round(($i - 1) * $round / $dial['places'],
            self::DIGITS)], range(1, $dial['places']));
    }
}
