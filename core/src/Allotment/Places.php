<?php

declare(strict_types=1);

namespace Brookstone\Core\Allotment;

use Brookstone\Core\Wiring\Board;
use Brookstone\Core\Wiring\Outline;
use Brookstone\Core\Wiring\PlacedBoard;

/** Where boards lie on the sheet: the controller in the middle, drivers to its right, what makes more pins to its left. */
final class Places
{
    private const COLUMNS_MM = ['middle' => 0.0, 'right' => 210.0, 'left' => -210.0];

    private const GAP_MM = 16.0;

    private const DEEP_MM = 330.0; // of a column; then the next

    private const ROUND_MM = 120.0;

    private const NEXT_MM = 210.0;

    /**
     * The first free place for one more.
     *
     * @param  array<string, PlacedBoard>  $boards
     * @return array{float, float} of its left upper corner, mm
     */
    public static function next(array $boards, Board $board): array
    {
        $height = Outline::of($board)->height_mm;
        $column = $board->kind->drives() ? 'right' : ($board->kind->lends() === [] ? 'middle' : 'left');
        $away = $column === 'left' ? -1 : 1;
        $y = 0.0;
        for ($x = self::COLUMNS_MM[$column]; abs($x) < 4000.0; $x += $away * self::NEXT_MM) {
            $y = 0.0;
            while (($met = self::met($boards, $x, $y, $board)) !== null) {
                $y = $met->box()[3] + self::GAP_MM;
            }
            if ($y === 0.0 || $y + $height <= self::DEEP_MM) {
                break;
            }
        }

        return [$x, $y];
    }

    /**
     * Between two pins, along the edges of the sheet: wires run level and upright, and round a board from the edge that faces away.
     *
     * @param  array{float, float, int}|null  $from  where each is, mm, and on which edge
     * @param  array{float, float, int}|null  $to
     */
    public static function apart_mm(?array $from, ?array $to): float
    {
        if ($from === null || $to === null) {
            return 0.0;
        }
        $across = $to[0] - $from[0];
        $round = ($across * $from[2] < 0.0 ? self::ROUND_MM : 0.0) + ($across * $to[2] > 0.0 ? self::ROUND_MM : 0.0);

        return abs($across) + abs($from[1] - $to[1]) + $round;
    }

    /** @param  array<string, PlacedBoard>  $boards */
    private static function met(array $boards, float $x, float $y, Board $board): ?PlacedBoard
    {
        $outline = Outline::of($board);
        foreach ($boards as $other) {
            [$left, $top, $right, $bottom] = $other->box();
            if ($x < $right + self::GAP_MM && $x + $outline->width_mm + self::GAP_MM > $left && $y < $bottom + self::GAP_MM
                && $y + $outline->height_mm + self::GAP_MM > $top) {
                return $other;
            }
        }

        return null;
    }
}
