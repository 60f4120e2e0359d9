<?php

declare(strict_types=1);

namespace Brookstone\Core\Numeric;

/** How much of several wants can be met out of several stores, where not every store serves every want (Ford & Fulkerson, maximal flow). */
final class Flow
{
    /**
     * @param  list<int>  $wants
     * @param  list<int>  $stores
     * @param  list<list<int>>  $serves  by want, the stores that serve it
     * @return list<int> what of each want is left over
     */
    public static function short(array $wants, array $stores, array $serves): array
    {
        $given = array_map(fn (): array => [], $wants); // by want and store
        $left = $wants;
        foreach (array_keys($wants) as $want) {
            while ($left[$want] > 0 && ($gives = self::more($want, $left[$want], $stores, $serves, $given, [])) > 0) {
                $left[$want] -= $gives;
            }
        }

        return $left;
    }

    /**
     * Something more for one want: out of a store, or out of what another has, if that can be given something else.
     *
     * @param  list<int>  $stores
     * @param  list<list<int>>  $serves
     * @param  array<int, array<int, int>>  $given
     * @param  array<int, true>  $asked  stores on the way here
     */
    private static function more(int $want, int $most, array &$stores, array $serves, array &$given, array $asked): int
    {
        foreach ($serves[$want] as $store) {
            if ($stores[$store] > 0) {
                $gives = min($most, $stores[$store]);
                $stores[$store] -= $gives;
                $given[$want][$store] = ($given[$want][$store] ?? 0) + $gives;

                return $gives;
            }
        }
        foreach ($serves[$want] as $store) {
            if (isset($asked[$store])) {
                continue;
            }
            foreach (array_keys($given) as $other) {
                $has = $given[$other][$store] ?? 0;
                if ($has === 0 || $other === $want) {
                    continue;
                }
                $gives = self::more($other, min($most, $has), $stores, $serves, $given, $asked + [$store => true]);
                if ($gives > 0) {
                    $given[$other][$store] -= $gives;
                    $given[$want][$store] = ($given[$want][$store] ?? 0) + $gives;

                    return $gives;
                }
            }
        }

        return 0;
    }
}
