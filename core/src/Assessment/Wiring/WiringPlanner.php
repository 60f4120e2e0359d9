<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment\Wiring;

use Brookstone\Core\Allotment\Allotment;
use Brookstone\Core\Allotment\Allotter;
use Brookstone\Core\Assessment\Subject\MotionFigures;
use Brookstone\Core\Assessment\Subject\MotionInBuild;
use Brookstone\Core\Build\Build;
use Brookstone\Core\Finding\Change;
use Brookstone\Core\Wiring\BoardStock;
use Brookstone\Core\Wiring\Join;
use Brookstone\Core\Wiring\WiringPlan;

/** Wires a build: what is not wired yet, or all anew but for what the builder fixed. */
final class WiringPlanner
{
    /**
     * @param  bool  $anew  boards and wires that are not fixed are taken away first
     * @return array{changes: list<Change>, allotment: Allotment}
     */
    public static function plan(Build $build, BoardStock $stock, bool $anew): array
    {
        $subjects = [];
        foreach ($build->motions as $id => $motion) {
            $subjects[$id] = new MotionInBuild($build, $motion, new MotionFigures($motion));
        }
        $plan = $anew ? self::fixed($build->wiring) : $build->wiring;
        $allotment = Allotter::of(WiringContext::needsOf($build, $subjects), $plan, $stock);
        if ($allotment->isNothing()) {
            return ['changes' => [], 'allotment' => $allotment];
        }
        $cleared = $anew ? self::cleared($build, $plan) : [];

        return ['changes' => [...$cleared, ...WiringContext::changes($plan, $allotment)], 'allotment' => $allotment];
    }

    /** What is fixed, and the boards that it is wired to. */
    private static function fixed(WiringPlan $plan): WiringPlan
    {
        $joins = array_values(array_filter($plan->joins, fn (Join $join): bool => $join->fixed));
        $boards = array_flip(array_column($joins, 'board'));

        return new WiringPlan(array_intersect_key($plan->boards, $boards), $joins, $plan->lead_m, $plan->sleeps, $plan->done);
    }

    /** @return list<Change> */
    private static function cleared(Build $build, WiringPlan $kept): array
    {
        $document = $build->document['wiring'];

        return [
            new Change('wiring.boards', array_values(array_filter($document['boards'], fn (array $board): bool => isset($kept->boards[$board['id']])))),
            new Change('wiring.wires', array_values(array_filter($document['wires'], fn (array $wire): bool => $wire['fixed']))),
        ];
    }
}
