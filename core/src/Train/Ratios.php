<?php

declare(strict_types=1);

namespace Brookstone\Core\Train;

/** Spur stages that are tried between a drive and its load: straight on, one stage up or down, or two. */
final class Ratios
{
    public const COUNT = 60;

    private const PINIONS = [12, 16, 20];

    private const WHEELS = [18, 24, 30, 36, 40, 48, 60, 72];

    private const UP = [[24, 18], [30, 20], [36, 20], [40, 20], [48, 20], [60, 20]];

    /** @var list<Train>|null */
    private static ?array $all = null;

    /** @return list<Train> by rising ratio, no ratio twice, the one with the fewest teeth of each; straight on among them */
    public static function all(): array
    {
        return self::$all ??= self::make();
    }

    /** @return list<Train> */
    private static function make(): array
    {
        $trains = [new Train];
        foreach (self::UP as [$driver, $driven]) {
            $trains[] = new Train([new Stage(StageType::Spur, $driver, $driven)]);
        }
        foreach (self::PINIONS as $pinion) {
            foreach (self::WHEELS as $wheel) {
                $trains[] = new Train([new Stage(StageType::Spur, $pinion, $wheel)]);
            }
        }
        foreach (self::WHEELS as $i => $first) {
            foreach (array_slice(self::WHEELS, $i) as $second) {
                foreach (self::PINIONS as $pinion) {
                    $trains[] = new Train([new Stage(StageType::Spur, self::PINIONS[0], $first), new Stage(StageType::Spur, $pinion, $second)]);
                }
            }
        }
        $byRatio = [];
        foreach ($trains as $train) {
            if (! array_filter($train->stages, fn (Stage $stage): bool => $stage->driver === $stage->driven)) {
                $byRatio[sprintf('%.6f', $train->ratio())] ??= $train;
            }
        }
        uasort($byRatio, fn (Train $a, Train $b): int => count($a->stages) <=> count($b->stages) ?: $a->ratio() <=> $b->ratio());
        $kept = self::spread(array_values($byRatio));
        usort($kept, fn (Train $a, Train $b): int => $a->ratio() <=> $b->ratio());

        return $kept;
    }

    /**
     * All of one stage, and of two as many as there is room for, spread evenly over their ratios.
     *
     * @param  list<Train>  $trains  those with fewer stages first
     * @return list<Train>
     */
    private static function spread(array $trains): array
    {
        $kept = array_values(array_filter($trains, fn (Train $train): bool => count($train->stages) < 2));
        $others = array_values(array_filter($trains, fn (Train $train): bool => count($train->stages) === 2));
        $room = self::COUNT - count($kept);
        for ($i = 0; $i < $room; $i++) {
            $kept[] = $others[intdiv($i * (count($others) - 1), max(1, $room - 1))];
        }

        return $kept;
    }
}
