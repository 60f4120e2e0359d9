<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment;

use Brookstone\Core\Assessment\Drive\SharedBattery;
use Brookstone\Core\Assessment\Proof\LogSheet;
use Brookstone\Core\Assessment\Routine\RoutineJudge;
use Brookstone\Core\Assessment\Stage\StageJudge;
use Brookstone\Core\Assessment\Subject\MotionFigures;
use Brookstone\Core\Assessment\Subject\MotionInBuild;
use Brookstone\Core\Assessment\Wiring\WiringJudge;
use Brookstone\Core\Build\Build;
use Brookstone\Core\Build\Picture;
use Brookstone\Core\Drive\Stock;
use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Finding\Verdict;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Reach\Footing as ReachFooting;
use Brookstone\Core\Reach\Reached;
use Brookstone\Core\Reach\Search;
use Brookstone\Core\Rehearsal\Day;
use Brookstone\Core\Rehearsal\Rehearsed;

/** Judges a whole build: each motion by itself, the routines, and what is weakest of all. A pure function: the same build is judged the same way, always. */
final class BuildJudge
{
    /**
     * What can be said before anything is tried, and without the rehearsals where those are not known: a first answer. What it says stays said.
     *
     * @param  Known|null  $known  what was worked out for builds of which it shares a part
     */
    public static function atOnce(Build $build, ?Stock $stock = null, ?Rehearsed $rehearsed = null, ?Known $known = null): Assessment
    {
        return self::judge($build, $stock, $rehearsed, $known, false)->offering(fn (Finding $finding): Finding => $finding->offering([]), false);
    }

    /** The same with all that the rules propose, untried: for who tries it. */
    public static function proposed(Build $build, ?Stock $stock = null, ?Rehearsed $rehearsed = null, ?Known $known = null): Assessment
    {
        return self::judge($build, $stock, $rehearsed, $known, true);
    }

    private static function judge(Build $build, ?Stock $stock, ?Rehearsed $rehearsed, ?Known $known, bool $proposes): Assessment
    {
        $footing = $known === null ? null : new Footing($build, $proposes);
        $subjects = $judged = $new = $failing = [];
        foreach ($build->motions as $id => $motion) {
            $on = 'motion '.($footing?->of($motion) ?? $id);
            $of = $known?->recall($on);
            if (! $of instanceof OfMotion) {
                $of = $new[$on] = OfMotion::judge(new MotionInBuild($build, $motion, new MotionFigures($motion, traced: true), $stock, $proposes));
            }
            [$judged[$id], $subjects[$id]] = [$of, new MotionInBuild($build, $motion, $of->facts, $stock, $proposes)];
            if (in_array(Verdict::Fails, array_column($of->links, 'verdict'), true)) {
                $failing[$id] = true;
            }
        }
        $stage = self::stage($build, $subjects, $known, $rehearsed !== null, $proposes);
        $routines = new RoutineJudge($build, $subjects, self::reached($build, $known), $rehearsed, $failing, $stage->told);
        $batteries = new SharedBattery($build, $subjects);
        $wiring = new WiringJudge($build, $subjects, ($stock ?? Stock::shipped())->boards(), $rehearsed === null ? null : Day::of($build, $rehearsed),
            $proposes);
        $chains = [];
        foreach ($subjects as $id => $subject) {
            $links = Stations::chain($subject, $batteries->on($id, $judged[$id]->links), $wiring, $routines);
            $chains[] = new Chain($subject->motion->id, $subject->motion->name, $links, $subject->facts->margin(), $judged[$id]->curves,
                Cautions::of($subject, $links, $stage->findings), $judged[$id]->drive, $judged[$id]->train);
        }
        foreach ($new as $on => $each) { // only now: its facts know what the routines asked of them
            $each->facts->forgetPaths();
            $known?->keep($on, $each);
        }
        usort($chains, Chain::compare(...));

        $pictures = array_map(fn (Picture $picture): array => ['id' => $picture->id, 'readings' => $picture->read()], $build->pictures);

        $ofAll = [...$wiring->findings(), ...$stage->findings];
        usort($ofAll, fn (Finding $a, Finding $b): int => $b->severity->rank() <=> $a->severity->rank());

        return self::sum($chains, $routines->routines(), LogSheet::of($build), $ofAll)
            ->with($pictures, $routines->supplies(), $rehearsed !== null, $wiring->written(), $stage->written());
    }

    /** @param  array<string, MotionInBuild>  $subjects */
    private static function stage(Build $build, array $subjects, ?Known $known, bool $thoroughly, bool $proposes): StageJudge
    {
        $known = $build->stage->motions === [] ? null : $known; // there is nothing to remember
        $on = $known === null ? '' : StageJudge::footing($build, $thoroughly, $proposes);
        $judged = $known?->recall($on);
        if (! $judged instanceof StageJudge) {
            $judged = StageJudge::of($build, $subjects, $thoroughly, $proposes);
            $known?->keep($on, $judged);
        }

        return $judged;
    }

    private static function reached(Build $build, ?Known $known): Reached
    {
        if ($known === null) {
            return Search::of($build);
        }
        $on = 'reached '.ReachFooting::of($build);
        $reached = $known->recall($on);
        if (! $reached instanceof Reached) {
            $reached = Search::of($build);
            $known->keep($on, $reached);
        }

        return $reached;
    }

    /**
     * @param  list<Chain>  $chains  worst first
     * @param  list<array<string, mixed>>  $routines
     * @param  array<string, list<array<string, mixed>>>  $log  as LogSheet::of()
     * @param  list<Finding>  $ofAll  of the build as a whole, worst first
     */
    private static function sum(array $chains, array $routines, array $log, array $ofAll): Assessment
    {
        if ($chains === [] && Verdict::ofFindings($ofAll) !== Verdict::Holds) {
            return new Assessment(Verdict::ofFindings($ofAll), $ofAll[0]->says, $ofAll[0]->fixes[0] ?? null, null, [], $routines, $log,
                finding: $ofAll[0]);
        }
        if ($chains === []) {
            return new Assessment(Verdict::NotSaid, new Sentence('Nothing moves yet. Add what has to move first, with its mass and how far it goes.'), null,
                null, [], $routines, $log);
        }
        $worst = $chains[0];
        $verdict = $worst->verdict;
        $finding = $worst->weakest->findings[0] ?? null;
        foreach ($routines as $routine) {
            if (Verdict::ofFindings($routine['findings'])->rank() > $verdict->rank()) {
                $verdict = Verdict::ofFindings($routine['findings']);
                $finding = $routine['findings'][0];
                $says = $finding->about(Sentence::quote($routine['name']));

                return new Assessment($verdict, $says, $finding->fixes[0] ?? null, null, $chains, $routines, $log, finding: $finding);
            }
        }
        if (Verdict::ofFindings($ofAll)->rank() > $verdict->rank()) {
            return new Assessment(Verdict::ofFindings($ofAll), $ofAll[0]->says, $ofAll[0]->fixes[0] ?? null, null, $chains, $routines, $log,
                finding: $ofAll[0]);
        }
        if ($verdict === Verdict::Fails || $verdict === Verdict::Tight) {
            assert($finding instanceof Finding);

            return new Assessment($verdict, $finding->about($worst->named()), $finding->fixes[0] ?? null, $worst->motion, $chains, $routines, $log,
                finding: $finding);
        }
        $says = $verdict === Verdict::NotSaid
            ? new Sentence($worst->weakest->link === 'proof'
                ? "All that can be computed holds. {$worst->named()} has not been measured at the bench yet."
                : "Nothing fails so far, but {$worst->named()} is not finished: ".Sentence::quote($worst->weakest->about->text()).'.')
            : self::allHolds($chains);

        return new Assessment($verdict, $says, null, $worst->motion, $chains, $routines, $log);
    }

    /** @param  non-empty-list<Chain>  $chains */
    private static function allHolds(array $chains): Sentence
    {
        $least = null;
        foreach ($chains as $chain) {
            if ($chain->margin !== null && ($least === null || $chain->margin < $least->margin)) {
                $least = $chain;
            }
        }

        return $least === null
            ? new Sentence('Every link holds.')
            : new Sentence("Every link holds. The least margin is {$least->named()}, with {margin} ×.", ['margin' => Quantity::number((float) $least->margin)]);
    }
}
