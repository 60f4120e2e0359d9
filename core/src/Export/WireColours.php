<?php

declare(strict_types=1);

namespace Brookstone\Core\Export;

use Brookstone\Core\Wiring\Join;
use Brookstone\Core\Wiring\Outline;
use Brookstone\Core\Wiring\WiringPlan;

/** Colours of wires: those beside one another on a board differ, and what is wired later changes none that is there. Red is supply and black ground. */
final class WireColours
{
    /** As they are drawn. */
    public const DRAWN = ['yellow' => '#f0c945', 'green' => '#6cc26f', 'blue' => '#6ea8f4', 'violet' => '#b892ee', 'orange' => '#f39b4b',
        'white' => '#f5f5ef',
        'grey' => '#a9b2af', 'brown' => '#b98a5f', 'pink' => '#f3a4c4', 'turquoise' => '#5fd1cf', 'red' => '#f0594c', 'black' => '#0b0f0e'];

    /** @return array<string, string> by signal */
    public static function of(WiringPlan $plan): array
    {
        $beside = [];
        foreach ($plan->boards as $board) {
            $outline = Outline::of($board->board);
            foreach ([-1, 1] as $side) {
                $pins = array_keys(array_filter($outline->pins, fn (array $pin): bool => $pin['side'] === $side));
                foreach ($pins as $i => $pin) {
                    $beside["{$board->id}.{$pin}"] = array_map(fn (string $each): string => "{$board->id}.{$each}",
                        array_values(array_filter([$pins[$i - 1] ?? '',
                            $pins[$i + 1] ?? ''], fn (string $each): bool => $each !== '')));
                }
            }
        }
        $joins = $plan->joins;
        usort($joins, fn (Join $a, Join $b): int => [$a->colour === null, $a->number] <=> [$b->colour === null, $b->number]);
        $on = $colours = [];
        foreach ($joins as $join) {
            $ends = [$join->at(), str_starts_with($join->signal, 'boards.') ? substr($join->signal, strlen('boards.')) : $join->signal];
            $near = [];
            foreach ($ends as $end) {
                foreach ($beside[$end] ?? [] as $other) {
                    $near[] = $on[$other] ?? '';
                }
            }
            $colour = $join->colour ?? self::first($join->number, $near);
            $colours[$join->signal] = $colour;
            foreach ($ends as $end) {
                $on[$end] = $colour;
            }
        }

        return $colours;
    }

    /** @param  list<string>  $not */
    private static function first(int $number, array $not): string
    {
        $all = WiringPlan::COLOURS;
        for ($i = 0; $i < count($all); $i++) {
            $colour = $all[($number + $i - 1) % count($all)];
            if (! in_array($colour, $not, true)) {
                return $colour;
            }
        }

        return $all[0];
    }
}
