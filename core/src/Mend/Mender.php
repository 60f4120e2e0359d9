<?php

declare(strict_types=1);

namespace Brookstone\Core\Mend;

use Brookstone\Core\Assessment\Assessment;
use Brookstone\Core\Assessment\BuildJudge;
use Brookstone\Core\Assessment\Remembered;
use Brookstone\Core\Build\Build;
use Brookstone\Core\Build\Editor;
use Brookstone\Core\Drive\Stock;
use Brookstone\Core\Error\InvalidInput;
use Brookstone\Core\Finding\Change;
use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Finding\Fix;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Rehearsal\Rehearsal;
use Brookstone\Core\Rehearsal\Rehearsed;

/**
 * Tries what the rules propose. Each mend is applied to the whole build, which is judged anew with all its routines rehearsed; it is offered when what it
 * mends is gone, nothing anywhere is worse, and the machine still does what it did. Where it brings something that can itself be mended, both are one mend.
 */
final class Mender
{
    private const MOST_TRIALS = 8; // of one proposal, with what it needs besides

    private const KNOWN = 20; // builds whose judgement is remembered

    private const MOST_TOGETHER = 6; // changes that are offered as one mend

    private ?Outlook $atOnce = null;

    private ?Outlook $before = null;

    /** @var array<string, array{Outlook, Rehearsed}> */
    private array $known = [];

    /** @var array<string, array{Finding, Fix}>|null */
    private ?array $proposals = null;

    private int $trials = 0; // left, of the proposal that is being tried

    private ?Sentence $brings = null;

    private readonly Assessment $proposed;

    private readonly Remembered $remembered; // a mend leaves most motions, and what the routines can get to, as they are

    public function __construct(public readonly Build $build, private readonly ?Stock $stock, private readonly Rehearsed $rehearsed)
    {
        $this->remembered = new Remembered;
        $this->proposed = BuildJudge::proposed($build, $stock, $rehearsed, $this->remembered);
    }

    /** The judgement of the build, with what mends it. */
    public function offered(): Assessment
    {
        for ($tried = []; ($next = $this->next($tried)) !== null;) {
            $tried[$next] = $this->tried($next);
        }

        return $this->offering($tried);
    }

    /**
     * The key of what is to be tried next, of the worst first; null when all is. No other drive where one has been found that will do.
     *
     * @param  array<string, Tried>  $tried
     */
    public function next(array $tried): ?string
    {
        foreach (array_diff_key($this->proposals(), $tried) as $key => [$finding, $fix]) {
            if (! Scale::takesDrive($fix->changes) || ! $this->hasDrive($finding, $tried)) {
                return $key;
            }
        }

        return null;
    }

    /** @return array<string, array{Finding, Fix}> what there is to be tried, each once: of the worst first, and of that the least change */
    public function proposals(): array
    {
        if ($this->proposals !== null) {
            return $this->proposals;
        }
        $proposals = [];
        $findings = $this->proposed->findings();
        usort($findings, fn (Finding $a, Finding $b): int => $b->severity->rank() <=> $a->severity->rank());
        foreach ($findings as $finding) {
            foreach ($this->leastFirst($finding->fixes) as $fix) {
                $proposals[self::key($finding, $fix)] ??= [$finding, $fix];
            }
        }

        return $this->proposals = $proposals;
    }

    /**
     * The judgement with what has been tried so far.
     *
     * @param  array<string, Tried>  $tried  by the keys of the proposals
     */
    public function offering(array $tried): Assessment
    {
        return $this->proposed->offering(fn (Finding $finding): Finding => $this->offers($finding, $tried), $this->next($tried) === null);
    }

    /**
     * The key of the first proposal that does, for what is worst; or of what is to be tried to know that. Null when nothing that can be tried mends what
     * fails or is tight.
     *
     * @param  array<string, Tried>  $tried
     * @param  list<string>  $dropped  marks of what is not wanted
     */
    public function wants(array $tried, array $dropped): ?string
    {
        foreach ($this->proposals() as $key => [$finding, $fix]) {
            if ($finding->severity !== Severity::Note && (! isset($tried[$key]) || $tried[$key]->fix !== null) && ! in_array(self::mark($fix), $dropped,
                true)) {
                return $key;
            }
        }

        return null;
    }

    /** The same for the same changes, whatever they mend. */
    public static function mark(Fix $proposal): string
    {
        return self::hash($proposal->changes);
    }

    /** @return array{fails: int, tight: int} what is wrong with the build */
    public function count(): array
    {
        return $this->before()->count();
    }

    /** What becomes of a proposal on the whole build. */
    public function tried(string $key): Tried
    {
        [$finding, $fix] = $this->proposals()[$key];
        $this->trials = self::MOST_TRIALS;
        $this->brings = null;
        $mended = $this->complete($finding, $fix);

        return new Tried($mended, $mended === null ? $this->brings : null);
    }

    /** A choice of the builder, with what it needs besides; as it is, with what it brings, where nothing that can be tried makes that good. */
    public function completed(Fix $choice): Tried
    {
        $this->trials = self::MOST_TRIALS;
        $this->brings = null;
        $whole = $this->complete(null, $choice);

        return new Tried($whole ?? $choice, $whole === null ? $this->brings : null);
    }

    /**
     * With what it needs besides; null where it comes to nothing.
     *
     * @param  Finding|null  $finding  what it is to mend, if anything
     */
    private function complete(?Finding $finding, Fix $fix): ?Fix
    {
        try {
            $build = Editor::with($this->build, $fix);
        } catch (InvalidInput) {
            return null;
        }
        if ($this->trials-- <= 0 || $build->document === $this->build->document) {
            return null;
        }
        $outlook = Outlook::of($build, BuildJudge::proposed($build, $this->stock, null, $this->remembered), null);
        $worse = $outlook->worse($this->atOnce ??= Outlook::of($this->build, BuildJudge::proposed($this->build, $this->stock, null, $this->remembered), null));
        if ($worse === null) { // then it is worth while to rehearse it
            $outlook = $this->whole($build);
            $worse = $outlook->worse($this->before());
        }
        if ($worse === null) {
            return $finding === null || $outlook->lacks($finding, $this->before())
                ? $fix->costing(Cost::of($this->build, $build, $this->before(), $outlook)) : null;
        }
        $this->brings ??= $worse->says;

        return $this->besides($finding, $fix, $worse->finding);
    }

    /** Two findings may be mended by the same: that is judged once. */
    private function whole(Build $build): Outlook
    {
        $key = self::hash($build->document);
        if (! isset($this->known[$key])) {
            $rehearsed = Rehearsal::of($build, $this->rehearsed);
            $this->known = array_slice([$key => [Outlook::of($build, BuildJudge::proposed($build, $this->stock, $rehearsed, $this->remembered), $rehearsed),
                $rehearsed]] + $this->known, 0, self::KNOWN);
        }

        return $this->known[$key][0];
    }

    /** Its rehearsals, where it has just been tried. */
    public function rehearsedOf(Build $build): ?Rehearsed
    {
        return $this->known[self::hash($build->document)][1] ?? null;
    }

    /** The first of what mends that which it brings, with which it comes to something. */
    private function besides(?Finding $finding, Fix $fix, ?Finding $brings): ?Fix
    {
        foreach (count($fix->changes) < self::MOST_TOGETHER ? $brings->fixes ?? [] : [] as $more) {
            $takesBack = array_filter($more->changes, fn (Change $change): bool => self::takesBack($change, $fix->changes));
            $whole = $takesBack !== [] ? null : $this->complete($finding, $fix->and($more));
            if ($whole !== null) {
                return $whole;
            }
        }

        return null;
    }

    /**
     * It undoes one of the others: another value at the same place, unless that is a list that grows; another drive after a drive.
     *
     * @param  list<Change>  $changes
     */
    private static function takesBack(Change $change, array $changes): bool
    {
        foreach ($changes as $other) {
            $grows = is_array($change->value) && is_array($other->value) && count($change->value) > count($other->value);
            if (($change->path === $other->path && ! $grows) || (Scale::takesDrive([$change]) && Scale::takesDrive([$other]))) {
                return true;
            }
        }

        return false;
    }

    private function before(): Outlook
    {
        return $this->before ??= Outlook::of($this->build, $this->proposed, $this->rehearsed);
    }

    /** @param  array<string, Tried>  $tried */
    private function offers(Finding $finding, array $tried): Finding
    {
        $offers = [];
        $closest = null;
        $isDone = true;
        foreach ($finding->fixes as $fix) {
            $became = $tried[self::key($finding, $fix)] ?? null;
            $isDone = $isDone && $became !== null;
            if ($became?->fix !== null) {
                $offers[$became->fix->does->text()] ??= $became->fix;
            } elseif ($became?->brings !== null) {
                $closest ??= [$fix, $became->brings];
            }
        }
        $offers = $this->leastFirst(array_values($offers));

        return $finding->offering($offers, $offers !== [] || ! $isDone || $finding->severity === Severity::Note ? null : ByHand::of($finding, $closest));
    }

    /**
     * A drive has been found that mends it.
     *
     * @param  array<string, Tried>  $tried
     */
    private function hasDrive(Finding $finding, array $tried): bool
    {
        return array_filter($finding->fixes, fn (Fix $fix): bool => Scale::takesDrive(($tried[self::key($finding, $fix)] ?? null)?->fix->changes ?? [])) !== [];
    }

    /**
     * @param  list<Fix>  $fixes
     * @return list<Fix>
     */
    private function leastFirst(array $fixes): array
    {
        usort($fixes, fn (Fix $a, Fix $b): int => [Scale::of($this->build, $a)->value, count($a->changes)] <=> [Scale::of($this->build, $b)->value,
            count($b->changes)]);

        return $fixes;
    }

    private static function key(Finding $finding, Fix $fix): string
    {
        return self::hash([$finding->code, $finding->place, $finding->severity, $fix->changes]);
    }

    private static function hash(mixed $of): string
    {
        return hash('xxh128', json_encode($of, JSON_THROW_ON_ERROR));
    }
}
