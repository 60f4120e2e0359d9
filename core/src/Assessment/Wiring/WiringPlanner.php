<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment\Wiring;

use Brookstone\Core\Allotment\Allotter;
use Brookstone\Core\Assessment\Subject\MotionInBuild;
use Brookstone\Core\Build\Build;
use Brookstone\Core\Finding\Fix;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Wiring\Board;
use Brookstone\Core\Wiring\BoardStock;
use Brookstone\Core\Wiring\Join;
use Brookstone\Core\Wiring\PlacedBoard;
use Brookstone\Core\Wiring\WiringPlan;

/** Wires a build: what is not wired yet, or all anew but for what the builder fixed. */
final class WiringPlanner
{
    /**
     * @param  array<string, MotionInBuild>  $subjects  by motion
     * @param  bool  $anew  boards and wires that are not fixed are taken away first
     * @return array{fix: ?Fix, short: list<Sentence>} nothing where nothing is to be done; why where something cannot be
     */
    public static function plan(Build $build, array $subjects, BoardStock $stock, bool $anew): array
    {
        $plan = $anew ? self::fixed($build->wiring) : $build->wiring;
        $allotment = Allotter::of(WiringContext::needsOf($build, $subjects), $plan, $stock);
        if ($allotment->isNothing()) {
            return ['fix' => null, 'short' => $allotment->short];
        }
        $document = $build->document['wiring'];
        $boards = array_values(array_filter($document['boards'], fn (array $board): bool => isset($plan->boards[$board['id']])));
        $wires = array_values(array_filter($document['wires'], fn (array $wire): bool => ! $anew || $wire['fixed']));
        $adds = array_map(fn (PlacedBoard $board): Board => $board->board, $allotment->boards);
        $changes = WiringContext::changes($boards, $wires, $allotment);
        if ($changes[0]->value === $document['boards'] && $changes[1]->value === $document['wires']) {
            return ['fix' => null, 'short' => []];
        }

        return ['fix' => new Fix(new Sentence(($anew ? 'Wire everything anew' : ($build->wiring->isEmpty() ? 'Wire it' : 'Wire what is not wired'))
            .($adds === [] ? '' : ', with '.Allotter::counted($adds))), $changes), 'short' => []];
    }

    /** What is fixed, and the boards that it is wired to. */
    private static function fixed(WiringPlan $plan): WiringPlan
    {
        $joins = array_values(array_filter($plan->joins, fn (Join $join): bool => $join->fixed));
        $boards = array_flip(array_column($joins, 'board'));

        return new WiringPlan(array_intersect_key($plan->boards, $boards), $joins, $plan->lead_m, $plan->sleeps, $plan->done);
    }
}
