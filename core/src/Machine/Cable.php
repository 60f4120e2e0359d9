<?php

declare(strict_types=1);

namespace Brookstone\Core\Machine;

/**
 * What pulls a motion from a drive that stays on the base: a cord or cable from beside the foot of what it stands on, straight to its mount. How its length
 * changes as that moves: a cord pulls by that, in the sheath of a cable it must be free.
 */
final readonly class Cable
{
    private const MOST_PLACES = 8;

    private const MOST_POSES = 400;

    /**
     * @param  float  $shortest_m  over all places of what it stands on
     * @param  list<string>  $passes  what it passes, from the base
     */
    private function __construct(public float $shortest_m, public float $longest_m, public array $passes)
    {
    }

    /** @return self|null null where its drive rides with it, or nothing moves between it and the base */
    public static function of(Stage $stage, string $motion): ?self
    {
        $its = $stage->motions[$motion];
        $under = $stage->under($motion);
        if ($its->mount?->drive !== 'base' || $under === []) {
            return null;
        }
        $foot = $stage->mount($under[count($under) - 1])->at;
        $lengths = array_map(fn (array $pose): float => $stage->stands($motion, $pose)->at->minus($foot)->length(), self::poses($stage, $under));

        return new self(min($lengths), max($lengths), array_reverse($under));
    }

    public function changes_m(): float
    {
        return $this->longest_m - $this->shortest_m;
    }

    /**
     * @param  list<string>  $under
     * @return non-empty-list<array<string, float>>
     */
    private static function poses(Stage $stage, array $under): array
    {
        $poses = [[]];
        foreach ($under as $id) {
            $with = [];
            foreach ($poses as $pose) {
                foreach (array_slice($stage->motions[$id]->places, 0, self::MOST_PLACES) as $place) {
                    $with[] = [$id => $place->at] + $pose;
                }
            }
            $poses = count($with) <= self::MOST_POSES && $with !== [] ? $with : $poses;
        }

        return $poses;
    }
}
