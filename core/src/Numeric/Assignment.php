<?php

declare(strict_types=1);

namespace Brookstone\Core\Numeric;

/**
 * As many rows as can be get a column of their own, and of all ways to do so the one with the least sum of costs: the Hungarian method, with a spare
 * column for each row that stays alone (Kuhn 1955; in the form of shortest paths, Burkard, Dell’Amico & Martello, Assignment Problems, §4.4).
 */
final class Assignment
{
    /**
     * Of several best ones always the same. n rows and m columns take n²·(n + m) steps.
     *
     * @param  list<array<int, float>>  $costs  by row, the columns that it can have, each with what that costs, 0 to 1e6
     * @param  int  $columns  how many there are
     * @return list<int|null> by row its column
     */
    public static function least(array $costs, int $columns): array
    {
        $rows = count($costs);
        $alone = 2e6 * ($rows + 1); // dearer than whatever the others could pay to avoid it
        $all = $columns + $rows;
        $u = array_fill(0, $rows + 1, 0.0);
        $v = array_fill(0, $all + 1, 0.0);
        $has = array_fill(0, $all + 1, 0); // the row of each column, from 1; 0 is none
        for ($row = 1; $row <= $rows; $row++) {
            self::insert($row, $costs, $columns, $all, $alone, $u, $v, $has);
        }
        $found = array_fill(0, $rows, null);
        for ($column = 1; $column <= $columns; $column++) {
            if ($has[$column] > 0) {
                $found[$has[$column] - 1] = $column - 1;
            }
        }

        return array_values($found);
    }

    /**
     * One row more: along the shortest way of changes among those that are in.
     *
     * @param  list<array<int, float>>  $costs
     * @param  array<int, float>  $u
     * @param  array<int, float>  $v
     * @param  array<int, int>  $has
     */
    private static function insert(int $row, array $costs, int $columns, int $all, float $alone, array &$u, array &$v, array &$has): void
    {
        $has[0] = $row;
        $at = 0;
        $least = array_fill(0, $all + 1, INF);
        $through = array_fill(0, $all + 1, 0);
        $used = array_fill(0, $all + 1, false);
        do {
            $used[$at] = true;
            $from = $has[$at];
            $own = $costs[$from - 1];
            $step = INF;
            $next = 0;
            for ($column = 1; $column <= $all; $column++) {
                if ($used[$column]) {
                    continue;
                }
                $cost = $column <= $columns ? $own[$column - 1] ?? INF : ($column - $columns === $from ? $alone : INF);
                $reduced = $cost - $u[$from] - $v[$column];
                if ($reduced < $least[$column]) {
                    [$least[$column], $through[$column]] = [$reduced, $at];
                }
                if ($least[$column] < $step) {
                    [$step, $next] = [$least[$column], $column];
                }
            }
            for ($column = 0; $column <= $all; $column++) {
                if ($used[$column]) {
                    $u[$has[$column]] += $step;
                    $v[$column] -= $step;
                } else {
                    $least[$column] -= $step;
                }
            }
            $at = $next;
        } while ($has[$at] !== 0);
        do {
            $has[$at] = $has[$through[$at]];
            $at = $through[$at];
        } while ($at !== 0);
    }
}
