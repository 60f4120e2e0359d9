<?php

declare(strict_types=1);

namespace Brookstone\Core\Mend;

use Brookstone\Core\Assessment\Assessment;
use Brookstone\Core\Build\Build;
use Brookstone\Core\Finding\DocumentPath;
use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Parts\Motion;
use Brookstone\Core\Rehearsal\Rehearsed;
use Brookstone\Core\Rehearsal\Stage;

/**
 * What is known of a build when mends are weighed: what is wrong with what, and how its routines go. Two of them are compared by code and by what is
 * concerned, not by sentence: numbers in sentences change with every mend.
 */
final readonly class Outlook
{
    private const MEASURED = 'proof.';

    /**
     * @param  array<string, array{int, int, int}>  $faults  by code and what is concerned: how many fail, are at least tight, are said at all
     * @param  array<string, list<Finding>>  $findings  the same, worst first
     * @param  array<string, Course>  $courses  by routine; empty before the rehearsals
     */
    private function __construct(private Build $build, private array $faults, private array $findings, private array $courses)
    {
    }

    public static function of(Build $build, Assessment $assessment, ?Rehearsed $rehearsed): self
    {
        $faults = $findings = $seen = [];
        foreach ($assessment->findings() as $finding) {
            if (isset($seen["{$finding->code} {$finding->place}"]) || str_starts_with($finding->code, self::MEASURED)) {
                continue; // a routine's findings stand with its motions too; and what was measured was measured before the mend
            }
            $seen["{$finding->code} {$finding->place}"] = true;
            $key = self::key($build, $finding);
            [$fails, $tight, $all] = $faults[$key] ?? [0, 0, 0];
            $rank = $finding->severity->rank();
            $faults[$key] = [$fails + ($rank >= Severity::Fails->rank() ? 1 : 0), $tight + ($rank >= Severity::Tight->rank() ? 1 : 0), $all + 1];
            $findings[$key][] = $finding;
        }
        foreach ($findings as &$same) {
            usort($same, fn (Finding $a, Finding $b): int => $b->severity->rank() <=> $a->severity->rank());
        }

        return new self($build, $faults, $findings, $rehearsed === null ? [] : self::courses($build, $rehearsed));
    }

    /** What is worse here than it was; null where nothing is. */
    public function worse(self $before): ?Worse
    {
        foreach ($this->faults as $key => [$fails, $tight]) {
            [$hadFails, $hadTight] = $before->faults[$key] ?? [0, 0];
            if ($fails > $hadFails || $tight > $hadTight) {
                return new Worse($this->findings[$key][0]->says, $this->newOf($key, $before));
            }
        }
        foreach ($before->courses as $id => $was) {
            $is = $this->courses[$id] ?? null;
            $name = $before->build->routines[$id]->named();
            $says = match (true) {
                $is === null => "{$name} has nothing left to do.",
                $was->ends && ! $is->ends => "{$name} does not come to its end any more.",
                $is->unreached > $was->unreached && $is->reached < $was->reached => "Steps of {$name} are not reached any more.",
                default => null,
            };
            if ($says !== null) {
                return new Worse(new Sentence($says));
            }
            $motion = $was->isSound ? $this->leftElsewhere($was, $is) : null;
            if ($motion !== null) {
                return new Worse(new Sentence("{$name} leaves {$before->build->motions[$motion]->named()} somewhere else."));
            }
        }

        return null;
    }

    /** Whether one of these is gone: there are fewer of it than there were. */
    public function lacks(Finding $finding, self $before): bool
    {
        $key = self::key($before->build, $finding);
        $level = $finding->severity === Severity::Note ? 2 : 1; // what failed and is tight now is not gone

        return ($this->faults[$key][$level] ?? 0) < ($before->faults[$key][$level] ?? 0);
    }

    /** @return array<string, ?float> longest that each routine takes, s */
    public function takes_s(): array
    {
        return array_map(fn (Course $course): ?float => $course->takes_s, $this->courses);
    }

    /** @return array{fails: int, tight: int} how many fail, and how many are tight */
    public function count(): array
    {
        $fails = array_sum(array_column($this->faults, 0));

        return ['fails' => $fails, 'tight' => array_sum(array_column($this->faults, 1)) - $fails];
    }

    /** The one that was not there: at a place where there was none, or the worst. */
    private function newOf(string $key, self $before): Finding
    {
        $places = array_column($before->findings[$key] ?? [], 'place');
        foreach ($this->findings[$key] as $finding) {
            if ($finding->severity !== Severity::Note && ! in_array($finding->place, $places, true)) {
                return $finding;
            }
        }

        return $this->findings[$key][0];
    }

    private function leftElsewhere(Course $was, Course $is): ?string
    {
        foreach ($was->leaves as $id => $at) {
            $motion = $this->build->motions[$id] ?? null;
            if ($motion === null || Stage::isAlikeEverywhere($motion)) {
                continue;
            }
            if (isset($is->leaves[$id]) && $motion->isElsewhere(abs(Motion::wrapped($at - $is->leaves[$id], $motion->period())))) {
                return $id;
            }
        }

        return null;
    }

    /** By its code and by what stands at its place: a motion, a routine, a sensor. */
    private static function key(Build $build, Finding $finding): string
    {
        $place = DocumentPath::of($finding->place);

        return "{$finding->code} {$place->key(0)} ".($build->recordAt($finding->place)['id'] ?? $place->key(1));
    }

    /** @return array<string, Course> */
    private static function courses(Build $build, Rehearsed $rehearsed): array
    {
        $courses = [];
        foreach (array_filter($rehearsed->performances) as $id => $performances) {
            $begun = array_map(fn (array $step): string => "{$step['routine']} {$step['path']}", $performances[0]->steps);
            $steps = array_filter(array_keys(iterator_to_array($build->routines[$id]->flat())), fn (string $path): bool => ! str_starts_with($path,
                'if_fails'));
            $reached = count(array_filter($steps, fn (string $path): bool => in_array("{$id} {$path}", $begun, true)));
            $courses[(string) $id] = Course::of($performances[0], $reached, count($steps) - $reached, $rehearsed->longest_s((string) $id));
        }

        return $courses;
    }
}
