<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment\Wiring;

use Brookstone\Core\Assessment\Subject\MotionFigures;
use Brookstone\Core\Assessment\Subject\MotionInBuild;
use Brookstone\Core\Build\Build;
use Brookstone\Core\Export\WiringSheet;
use Brookstone\Core\Parts\Supply;
use Brookstone\Core\Rehearsal\Day;
use Brookstone\Core\Wiring\Board;
use Brookstone\Core\Wiring\BoardStock;
use Brookstone\Core\Wiring\ChargeBalance;
use Brookstone\Core\Wiring\Join;
use Brookstone\Core\Wiring\PlacedBoard;

/** Everything of the wiring that its page shows. */
final class WiringReport
{
    /** @return array<string, mixed> as Schemas has it */
    public static function of(Build $build, BoardStock $stock, ?Day $day): array
    {
        $subjects = [];
        foreach ($build->motions as $id => $motion) {
            $subjects[$id] = new MotionInBuild($build, $motion, new MotionFigures($motion));
        }

        return [
            'sheet' => (new WiringSheet($build))->written(),
            'plan' => WiringPlanner::plan($build, $subjects, $stock, false),
            'anew' => $build->wiring->isEmpty() ? null : WiringPlanner::plan($build, $subjects, $stock, true)['fix'],
            'room' => array_values(array_map(fn (PlacedBoard $board): array => self::room($build, $board), $build->wiring->boards)),
            'supplies' => array_values(array_map(fn (Supply $supply): array => self::supply($build, $supply, $subjects, $day), $build->supplies)),
            'steps' => Assembly::of($build),
            'shopping' => Shopping::of($build),
            'cautions' => WiringCautions::of($build),
            'stock' => array_values(array_map(fn (Board $board): array => ['name' => $board->name, 'kind' => $board->kind->value,
                'word' => $board->kind->word(),
                'cost' => $board->cost, 'board' => $board->write()], $stock->boards)),
        ];
    }

    /** @return array{board: string, name: string, used: int, of: int} how many of its pins are wired */
    private static function room(Build $build, PlacedBoard $board): array
    {
        $used = array_unique(array_map(fn (Join $join): string => $join->pin, array_filter($build->wiring->joins,
            fn (Join $join): bool => $join->board === $board->id)));

        return ['board' => $board->id, 'name' => $board->name, 'used' => count($used), 'of' => count($board->board->pins)];
    }

    /**
     * @param  array<string, MotionInBuild>  $subjects
     * @return array<string, mixed>
     */
    private static function supply(Build $build, Supply $supply, array $subjects, ?Day $day): array
    {
        $table = new DayTable($build, $supply, $subjects, $day);
        $charge = $supply->charger_A === null || $supply->capacity_Ah === null ? null : new ChargeBalance($supply->charger_A, $supply->capacity_Ah,
            $table->day_Ah);
        $feeds = [];
        foreach ($build->wiring->boards as $board) {
            $feeds[] = $board->supply === $supply->id ? $board->name : null;
        }
        foreach ($build->motions as $motion) {
            $feeds[] = $motion->drive?->supply->id === $supply->id ? $motion->name : null;
        }

        return ['id' => $supply->id, 'name' => $supply->name, 'volts_V' => $supply->volts_V, 'max_A' => $supply->max_A, 'from' => $supply->from,
            'converter' => $supply->from === null ? null : $supply->converter, 'capacity_Ah' => $supply->capacity_Ah, 'fuse_A' => $supply->fuse_A,
            'feeds' => array_values(array_filter($feeds, is_string(...))), 'day_Ah' => $table->day_Ah, 'lasts_days' => $table->lasts_days,
            'takes' => $table->takes,
            'gives_Ah_day' => $charge?->gives_Ah_day, 'balance_Ah_day' => $charge?->balance_Ah_day,
            'curve' => $supply->capacity_Ah === null ? null : BatteryCurve::of($build, $supply, $day->peak_A[$supply->id] ?? 0.0),
            'through_cut_h' => $charge?->through_cut_days === null ? null : 24 * $charge->through_cut_days];
    }
}
