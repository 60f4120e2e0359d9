<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment\Wiring;

use Brookstone\Core\Allotment\Allotment;
use Brookstone\Core\Allotment\Allotter;
use Brookstone\Core\Allotment\Needs;
use Brookstone\Core\Build\Build;
use Brookstone\Core\Build\Editor;
use Brookstone\Core\Drive\Drive;
use Brookstone\Core\Error\InvalidInput;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Parts\DriveChoice;
use Brookstone\Core\Parts\Motion;
use Brookstone\Core\Parts\Supply;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Wiring\Board;
use Brookstone\Core\Wiring\BoardStock;
use Brookstone\Core\Wiring\Join;
use Brookstone\Core\Wiring\PlacedBoard;
use Brookstone\Core\Wiring\WiringPlan;

/** What something would take of boards while it is being chosen: those that it needs more than the rest of the build needs anyway. */
final class WiringCost
{
    /**
     * @param  array<string, array{Drive, Supply}>  $drives  one of each kind, by kind
     * @return list<array{kind: string, says: Sentence}>
     */
    public static function ofKinds(Build $build, Motion $motion, array $drives, BoardStock $stock): array
    {
        $plan = self::without($build->wiring, $motion->id);
        $before = self::boards($build, $motion->withDrive(null), $plan, $stock);
        $costs = [];
        foreach ($drives as $kind => [$drive, $supply]) {
            $after = self::boards($build, $motion->withDrive($motion->drive === null ? new DriveChoice($drive, $supply, 1.0)
                : $motion->drive->with($drive, $supply, 1.0)),
                $plan, $stock);
            $costs[] = ['kind' => (string) $kind, 'says' => match (true) {
                $after->short !== [] => $after->short[0],
                default => self::more($before, $after),
            }];
        }

        return $costs;
    }

    /**
     * One sensor or output more.
     *
     * @param  string  $list  sensors or outputs
     * @param  string  $kind  one that the list knows
     *
     * @throws InvalidInput at the place it would have
     */
    public static function ofOneMore(Build $build, string $list, string $kind, BoardStock $stock): Sentence
    {
        $last = count($build->document[$list]);
        $then = Editor::apply($build, [['path' => "{$list}.{$last}", 'value' => ['id' => self::freeId($build), 'name' => 'One more', 'kind' => $kind]]]);
        [$now, $needs] = [Needs::of($build), Needs::of($then)];
        $after = Allotter::of($needs, $build->wiring, $stock);
        $takes = Counted::words($needs, $now);
        $free = self::free($build->wiring, $after);

        return $takes === null ? new Sentence('takes no pin') : ($after->short !== [] ? (new Sentence("takes {$takes}"))->goingOn(': ', $after->short[0])
            : new Sentence("takes {$takes}: ".self::more(Allotter::of($now, $build->wiring, $stock), $after)->template.', {free} '
                .($free === 1 ? 'pin is' : 'pins are').' left', ['free' => Quantity::number($free)]));
    }

    /** An id that nothing has. */
    private static function freeId(Build $build): string
    {
        for ($i = 0; isset($build->sensors["more-{$i}"]) || isset($build->outputs["more-{$i}"]); $i++);

        return "more-{$i}";
    }

    /** Pins of controllers and of what stands in for their pins that nothing is wired to then. */
    private static function free(WiringPlan $plan, Allotment $after): int
    {
        $boards = array_filter([...$plan->boards, ...$after->boards], fn (PlacedBoard $board): bool => ! $board->board->kind->drives());
        $used = array_map(fn (Join $join): string => $join->at(), array_filter([...$plan->joins, ...$after->joins],
            fn (Join $join): bool => in_array($join->board, array_column($boards, 'id'), true)));

        return array_sum(array_map(fn (PlacedBoard $board): int => count($board->board->pins), $boards)) - count(array_unique($used));
    }

    private static function boards(Build $build, Motion $motion, WiringPlan $plan, BoardStock $stock): Allotment
    {
        return Allotter::of(Needs::of($build->withMotion($motion)), $plan, $stock);
    }

    private static function more(Allotment $before, Allotment $after): Sentence
    {
        $more = array_map(fn (PlacedBoard $board): Board => $board->board, $after->boards);
        foreach ($before->boards as $had) {
            foreach ($more as $i => $board) {
                if ($board->name === $had->board->name) {
                    unset($more[$i]);

                    break;
                }
            }
        }

        return new Sentence($more === [] ? 'no board more' : Allotter::counted(array_values($more)).' more');
    }

    /** As if it had no motor: its channel is free, and the pins that tell it. */
    private static function without(WiringPlan $plan, string $motion): WiringPlan
    {
        $join = $plan->bySignal["motions.{$motion}"] ?? null;
        $tells = $join === null ? null : "boards.{$join->at()}.";
        $joins = array_values(array_filter($plan->joins, fn (Join $each): bool => $each !== $join && ($tells === null
            || ! str_starts_with($each->signal, $tells))));

        return new WiringPlan($plan->boards, $joins, $plan->lead_m, $plan->sleeps, $plan->done);
    }
}
