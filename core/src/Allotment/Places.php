<?php

declare(strict_types=1);

namespace Brookstone\Core\Allotment;

use Brookstone\Core\Wiring\Board;
use Brookstone\Core\Wiring\PlacedBoard;

/** Where boards lie on the sheet: the controller in the middle, drivers to its right, what makes more pins to its left. */
final class Places
{
    private const COLUMNS_MM = ['middle' => 0.0, 'right' => 200.0, 'left' => -200.0];

    private const GAP_MM = 24.0;

    private const DEEP_MM = 330.0; // of a column; then the next

    private const NEXT_MM = 190.0;

    /**
     * The first free place for one more.
     *
     * @param  array<string, PlacedBoard>  $boards
     * @return array{float, float} of its left upper corner, mm
     */
    public static function next(array $boards, Board $board): array
    {
        $column = $board->kind->drives() ? 'right' : ($board->kind->lends() === [] ? 'middle' : 'left');
        $away = $column === 'left' ? -1 : 1;
        $y = 0.0;
        for ($x = self::COLUMNS_MM[$column]; abs($x) < 4000.0; $x += $away * self::NEXT_MM) {
            $y = 0.0;
            while (($met = self::met($boards, $x, $y, $board)) !== null) {
                $y = $met->box()[3] + self::GAP_MM;
            }
            if ($y === 0.0 || $y + $board->height_mm <= self::DEEP_MM) {
                break;
            }
        }

        return [$x, $y];
    }

    /** Between the middles of two boards, along the edges of the sheet: wires run level and upright. */
    public static function apart_mm(PlacedBoard $one, PlacedBoard $other): float
    {
        [$a, $b, $c, $d] = $one->box();
        [$e, $f, $g, $h] = $other->box();

        return abs(($a + $c) - ($e + $g)) / 2 + abs(($b + $d) - ($f + $h)) / 2;
    }

    /** @param  array<string, PlacedBoard>  $boards */
    private static function met(array $boards, float $x, float $y, Board $board): ?PlacedBoard
    {
        foreach ($boards as $other) {
            [$left, $top, $right, $bottom] = $other->box();
            if ($x < $right + self::GAP_MM && $x + $board->width_mm + self::GAP_MM > $left && $y < $bottom + self::GAP_MM
                && $y + $board->height_mm + self::GAP_MM > $top) {
                return $other;
            }
        }

        return null;
    }
}
