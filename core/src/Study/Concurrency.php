<?php

declare(strict_types=1);

namespace Brookstone\Core\Study;

use Brookstone\Core\Assessment\BuildJudge;
use Brookstone\Core\Assessment\Routine\Neighbours;
use Brookstone\Core\Assessment\Routine\RoutineTimes;
use Brookstone\Core\Assessment\Subject\MotionFigures;
use Brookstone\Core\Assessment\Subject\MotionInBuild;
use Brookstone\Core\Build\Build;
use Brookstone\Core\Build\Editor;
use Brookstone\Core\Error\InvalidInput;
use Brookstone\Core\Finding\Fix;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Mend\Outlook;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Rehearsal\Rehearsal;
use Brookstone\Core\Rehearsal\Rehearsed;
use Brookstone\Core\Routine\Routine;

/** Which neighbouring steps could run together: not of one motion or motor, no rule broken, the supply not overdrawn; and the time that saves. */
final class Concurrency
{
    private const LEAST_S = 0.1; // saved, to be worth saying

    /** @return list<array{path: string, says: Sentence, saves_s: float, fix: Fix|null, why_not: Sentence|null}> the most time first */
    public static function of(Build $build, Routine $routine): array
    {
        $subjects = array_map(fn ($motion): MotionInBuild => new MotionInBuild($build, $motion, new MotionFigures($motion)), $build->motions);
        $times = new RoutineTimes($build, $subjects);
        $whole = $times->of($routine);
        $index = (int) array_search($routine->id, array_keys($build->routines), true);
        $before = Outlook::of($build, BuildJudge::atOnce($build), null);
        $rehearsed = $asRehearsed = null;
        $offers = [];
        $steps = iterator_to_array($routine->flat());
        foreach ($steps as $path => $step) {
            $next = Neighbours::next($build, $steps, $path);
            if ($whole === null || $next === null) {
                continue;
            }
            $change = Neighbours::beside($build, $index, $path);
            try {
                $changed = Editor::apply($build, [['path' => $change->path, 'value' => $change->value]]);
            } catch (InvalidInput) {
                continue;
            }
            $saves = $whole - ($times->of($changed->routines[$routine->id]) ?? $whole);
            if ($saves < self::LEAST_S) {
                continue;
            }
            $worse = Outlook::of($changed, BuildJudge::atOnce($changed), null)->worse($before);
            if ($worse === null) { // then it is tried on the whole build, all routines rehearsed
                $rehearsed ??= Rehearsal::of($build);
                $asRehearsed ??= self::rehearsed($build, $rehearsed);
                $worse = self::rehearsed($changed, Rehearsal::of($changed, $rehearsed))->worse($asRehearsed);
            }
            $offers[] = [
                'path' => $path, 'says' => $step->says($build)->goingOn(' — and beside it: ', $next->says($build)), 'saves_s' => $saves,
                'fix' => $worse === null ? new Fix(new Sentence('Run them together: it saves {saves}', ['saves' => Quantity::of($saves, 's')]),
                    [$change]) : null,
                'why_not' => $worse?->says,
            ];
        }
        usort($offers, fn (array $a, array $b): int => [$a['fix'] === null, -$a['saves_s']] <=> [$b['fix'] === null, -$b['saves_s']]);

        return $offers;
    }

    private static function rehearsed(Build $build, Rehearsed $rehearsed): Outlook
    {
        return Outlook::of($build, BuildJudge::atOnce($build, null, $rehearsed), $rehearsed);
    }
}
