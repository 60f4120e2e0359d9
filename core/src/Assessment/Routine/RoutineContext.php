<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment\Routine;

use Brookstone\Core\Assessment\Subject\MotionInBuild;
use Brookstone\Core\Build\Build;
use Brookstone\Core\Finding\DocumentPath;
use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Finding\Fix;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Rehearsal\Performance;
use Brookstone\Core\Rehearsal\Rehearsed;
use Brookstone\Core\Routine\Routine;

/** What the checks of routines share: the build, the figures of its motions, and where their findings go. */
final class RoutineContext
{
    private const GIVE_UP = 2.0;        // what a fix sets: so many times the move

    private const LEAST_GIVE_UP_S = 1.0;

    public const HOME_SPEED = 0.5;

    /** @var array<string, list<array{Routine, Finding}>> by motion */
    private array $byMotion = [];

    /** @var array<string, list<Finding>> by routine */
    private array $byRoutine = [];

    /**
     * @var array<string, array{string, int, list<string>}> by code and sentence, of what is mended outside of the routines: where it is told, and
     *     which routines it concerns
     */
    private array $common = [];

    public readonly RoutineTimes $times;

    /**
     * @param  array<string, MotionInBuild>  $subjects by motion
     * @param  Rehearsed|null  $rehearsed  what its rehearsals showed, where they have been run
     */
    public function __construct(public readonly Build $build, public readonly array $subjects, private readonly ?Rehearsed $rehearsed = null)
    {
        $this->times = new RoutineTimes($build, $subjects);
        $this->byRoutine = array_fill_keys(array_keys($build->routines), []);
    }

    /** Before that its times are sums of moves, which a rehearsal may take back. */
    public function isRehearsed(): bool
    {
        return $this->rehearsed !== null;
    }

    /** One usual cycle of a routine, as it was rehearsed; null before that, and of what never begins. */
    public function cycle(Routine $routine): ?Performance
    {
        return $this->rehearsed?->usual($routine->id);
    }

    /** Longest that a step which moves something took to be done in the rehearsals, s; null before them, and where it never was. */
    public function took_s(Routine $routine, string $path): ?float
    {
        return $this->rehearsed?->longestOfStep_s($routine->id, $path);
    }

    /** Whether a step was given up in a rehearsal. */
    public function gaveUp(Routine $routine, string $path): bool
    {
        return $this->rehearsed?->gaveUp($routine->id, $path) ?? false;
    }

    /** How long a routine takes at most, as rehearsed, s; before that from the computed times of its moves; null where it has no end. */
    public function takes_s(Routine $routine): ?float
    {
        return $this->rehearsed?->longest_s($routine->id) ?? $this->times->of($routine);
    }

    /** What is mended outside of the routines is told once, with the first of them that it concerns. */
    public function add(Routine $routine, Finding $finding, ?string $motion = null): void
    {
        if ($motion !== null) {
            $this->byMotion[$motion][] = [$routine, $finding];
        }
        if (! str_starts_with($finding->place, 'routines.')) {
            $key = "{$finding->code} {$finding->place} {$finding->says->text()}";
            if (isset($this->common[$key])) {
                $this->common[$key][2][] = $routine->named();

                return;
            }
            $this->common[$key] = [$routine->id, count($this->byRoutine[$routine->id]), [$routine->named()]];
        }
        $this->byRoutine[$routine->id][] = $finding;
    }

    /**
     * One of these is told already of a routine, worse than a note; of one motion where that is named.
     *
     * @param  list<string>  $codes
     */
    public function tells(Routine $routine, ?string $motion, array $codes): bool
    {
        $findings = $motion === null ? $this->byRoutine[$routine->id]
            : array_column(array_filter($this->byMotion[$motion] ?? [], fn (array $each): bool => $each[0]->id === $routine->id), 1);
        $tell = fn (Finding $finding): bool => $finding->severity !== Severity::Note && in_array($finding->code, $codes, true);

        return array_filter($findings, $tell) !== [];
    }

    public function fails(Routine $routine): bool
    {
        return in_array(Severity::Fails, array_column($this->byRoutine[$routine->id], 'severity'), true);
    }

    /** @return list<Finding> of one routine */
    public function ofRoutine(string $id): array
    {
        $findings = $this->byRoutine[$id];
        foreach ($this->common as [$routine, $i, $names]) {
            if ($routine === $id) {
                $findings[$i] = $findings[$i]->concerning($names);
            }
        }

        return array_values($findings);
    }

    /** @return list<Finding> of one motion, each said once: what several steps or routines have in common is one finding, and mended together */
    public function ofMotion(string $id): array
    {
        $groups = [];
        foreach ($this->byMotion[$id] ?? [] as [$routine, $finding]) {
            $groups["{$finding->code} {$finding->says->text()}"][] = [$routine->named(), $finding];
        }

        return array_map(fn (array $group): Finding => Finding::together(array_column($group, 1))->concerning(array_column($group, 0)), array_values($groups));
    }

    /**
     * @param  array<string, Quantity>  $values
     * @param  list<Fix>  $fixes
     */
    public function find(Routine $routine, string $code, Severity $severity, string $place, string $says, array $values = [], array $fixes = [],
        ?string $motion = null): void
    {
        $this->add($routine, new Finding($code, $severity, $place, new Sentence($says, $values), $fixes), $motion);
    }

    /** @return array<array-key, mixed> the steps, or the step, at a path, as the document has it */
    public function stepsAt(string $path): array
    {
        $found = DocumentPath::of($path)->in($this->build->document);
        assert(is_array($found));

        return $found;
    }

    /** The step at a path of the document, as a sentence; empty where there is none. */
    public function sentence(string $path): string
    {
        if (preg_match('/^routines\.(\d+)\.(.+)$/', $path, $parts) !== 1) {
            return '';
        }
        $step = (array_values($this->build->routines)[(int) $parts[1]] ?? null)?->stepAt($parts[2]);

        return $step === null ? '' : Sentence::quote(rtrim($step->says($this->build)->text(), '.:'));
    }

    public static function patienceFor(float $time): float
    {
        return max(self::LEAST_GIVE_UP_S, ceil($time * self::GIVE_UP * 2) / 2);
    }

    /**
     * A fix that puts a step before the one at a path.
     *
     * @param  array<string, mixed>  $step
     */
    public function before(string $path, array $step, Sentence $says): Fix
    {
        return new Fix($says, [DocumentPath::of($path)->replaced($this->build->document, [$step], 0)]);
    }

    /**
     * A fix that puts a step after the one at a path.
     *
     * @param  array<string, mixed>  $step
     */
    public function after(string $path, array $step, Sentence $says): Fix
    {
        $at = DocumentPath::of($path);

        return new Fix($says, [$at->replaced($this->build->document, [$at->in($this->build->document), $step])]);
    }
}
