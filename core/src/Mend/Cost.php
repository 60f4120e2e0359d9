<?php

declare(strict_types=1);

namespace Brookstone\Core\Mend;

use Brookstone\Core\Build\Build;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Parts\Motion;
use Brookstone\Core\Quantity\Quantity;

/** What a mend costs in time, current and mass, and what it saves: told where it makes a difference. */
final class Cost
{
    private const WORTH_SAYING = 0.02; // of what it was

    private const LEAST_S = 0.05;

    /** @return list<Sentence> */
    public static function of(Build $build, Build $mended, Outlook $before, Outlook $after): array
    {
        return [...self::time($mended, $before, $after), ...self::drives($build, $mended)];
    }

    /** @return list<Sentence> of the routine whose time changes most */
    private static function time(Build $build, Outlook $before, Outlook $after): array
    {
        $most = null;
        foreach ($after->takes_s() as $id => $takes) {
            $was = $before->takes_s()[$id] ?? null;
            if ($takes !== null && $was !== null && abs($takes - $was) >= max(self::LEAST_S, self::WORTH_SAYING * $was)
                && ($most === null || abs($takes - $was) > abs($most[1] - $most[2]))) {
                $most = [$id, $takes, $was];
            }
        }

        return $most === null ? [] : [new Sentence("{$build->routines[$most[0]]->named()} takes {takes} instead of {was}",
            ['takes' => Quantity::of($most[1], 's'), 'was' => Quantity::of($most[2], 's')])];
    }

    /** @return list<Sentence> */
    private static function drives(Build $build, Build $mended): array
    {
        $costs = [];
        foreach ($mended->motions as $id => $motion) {
            $was = $build->motions[$id]->drive ?? null;
            $is = $motion->drive;
            if ($was === null || $is === null) {
                continue;
            }
            if (abs($is->startsWith_A() - $was->startsWith_A()) > self::WORTH_SAYING * $was->startsWith_A()) {
                $costs[] = new Sentence("{$motion->named()} draws up to {is} instead of {was}", ['is' => Quantity::of($is->startsWith_A(), 'A'),
                    'was' => Quantity::of($was->startsWith_A(), 'A')]);
            }
        }
        $more = self::mass_kg($mended) - self::mass_kg($build);
        if (abs($more) > 1e-4) {
            $costs[] = new Sentence('{by} '.($more > 0 ? 'heavier' : 'lighter'), ['by' => Quantity::of(abs($more), 'kg')]);
        }

        return $costs;
    }

    /** Of all drives, each once where two motions share it. */
    private static function mass_kg(Build $build): float
    {
        return array_sum(array_map(fn (Motion $motion): float => $motion->drive === null || $motion->drive->shares !== null ? 0.0
            : $motion->drive->motor->body()->mass_kg, $build->motions));
    }
}
