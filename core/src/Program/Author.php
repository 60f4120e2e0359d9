<?php

declare(strict_types=1);

namespace Brookstone\Core\Program;

use Brookstone\Core\Build\Build;
use Brookstone\Core\Code\Does;
use Brookstone\Core\Code\Gives;
use Brookstone\Core\Code\Line;
use Brookstone\Core\Code\Set;
use Brookstone\Core\Code\When;
use Brookstone\Core\Condition\Condition;
use Brookstone\Core\Routine\Routine;
use Brookstone\Core\Routine\Script;
use Brookstone\Core\Routine\Step;

/** Writes routines down as threads. What one calls is written into it; branches are threads of their own. */
final class Author implements Script
{
    use WritesCalibrating;
    use WritesFollowing;
    use WritesMoves;

    private const DEEPEST = 8; // routines that call routines

    private const MOST_STATES = 4000;

    /** @var list<Thread> those that others run before these */
    public array $threads = [];

    private Thread $thread;

    /** @var list<string> routines that led here by calling the next */
    private array $calls = [];

    private int $numbered = 0;

    public int $rounds = 0;

    public int $sleeps = 0;

    /** @var array<int, Condition> what wakes it, by number of the sleep */
    public array $wakes = [];

    /** @var array<string, true> motions that the routine may have been asked for besides its own, by routine and motion */
    public array $touched = [];

    private string $routine = '';

    public function __construct(private readonly Roster $roster, public readonly Asked $asked, private readonly MoveTimes $times)
    {
        $this->thread = new Thread(0, '', '');
    }

    public function build(): Build
    {
        return $this->roster->build;
    }

    /**
     * @param  list<Step>  $steps
     * @return Thread that does them and ends
     */
    public function thread(Routine $routine, array $steps, string $name, string $note): Thread
    {
        $this->routine = $routine->id;
        $this->calls = [$routine->id];

        return $this->branch($steps, $name, $note);
    }

    /** @param  list<Step>  $steps */
    private function branch(array $steps, string $name, string $note): Thread
    {
        $outer = $this->thread;
        $this->thread = $thread = new Thread($this->numbered++, $name, $note);
        $this->steps($steps);
        $this->thread->add(new Set($thread->where(), 'ENDS'), new Gives(Thread::ENDED));
        $this->threads[] = $thread;
        $this->thread = $outer;
        if (array_sum(array_map(fn (Thread $each): int => $each->count(), $this->threads)) > self::MOST_STATES) {
            throw CannotBeWritten::because("routines.{$this->indexOf($this->routine)}", 'This is too much for one program: routines that call others are'
                .' written out at every call.');
        }

        return $thread;
    }

    /** @param  list<Step>  $steps */
    private function steps(array $steps): void
    {
        $routine = $this->build()->routines[$this->calls[count($this->calls) - 1]];
        foreach ($steps as $step) {
            $number = $this->roster->step($routine->id, $this->pathOf($routine, $step));
            $this->thread->note("{$number}: ".$step->says($this->build())->text());
            $this->thread->add(new Does("board_says(STEP_BEGINS, {$number}, 0)"));
            $this->thread->under[] = $number;
            $step->writes($this);
            array_pop($this->thread->under);
            $this->thread->add(new Does("board_says(STEP_DONE, {$number}, 0)"));
        }
    }

    private function pathOf(Routine $routine, Step $step): string
    {
        foreach ($routine->flat() as $path => $each) {
            if ($each === $step) {
                return $path;
            }
        }

        throw new \LogicException('A step of another routine.');
    }

    private function indexOf(string $routine): int
    {
        return (int) array_search($routine, array_keys($this->build()->routines), true);
    }

    /** @return list<Line> it gives up here, and so does all that holds it */
    private function failing(): array
    {
        return [...array_map(fn (int $number): Does => new Does("board_says(STEP_GAVE_UP, {$number}, 0)"), array_reverse($this->thread->under)),
            new Gives(Thread::FAILED)];
    }

    /** @return list<Line> what gives up once a time since something is over; nothing without a time */
    private function giveUp(?float $give_up_s, ?string $since = null): array
    {
        return $give_up_s === null ? [] : [new When('passed('.($since ?? $this->thread->since()).', '.Roster::ms($give_up_s).')', $this->failing())];
    }

    private function marks(): void
    {
        $this->thread->add(new Set($this->thread->since(), 'now'));
    }

    public function waits(?Condition $until, ?float $for_s, ?float $give_up_s, bool $goesOn = false): void
    {
        if (! $goesOn) {
            $this->marks();
        }
        $over = $for_s === null ? null : 'passed('.$this->thread->since().', '.Roster::ms($for_s).')';
        $so = $until?->asked($this->asked);
        $this->thread->waits(match (true) {
            $over === null => $so ?? 'false',
            $so === null => $over,
            default => "({$over}) || ({$so})",
        }, $this->giveUp($give_up_s));
    }

    public function learns(Condition $condition, bool $holds): void
    {
        foreach ($this->build()->toldBy($condition, $holds) as $motion => $place) {
            $of = $this->build()->motions[$motion];
            $m = $this->roster->number('MOTION', (string) $motion);
            if (! $of->positioning->isAbsolute()) {
                $this->thread->add(new When("is_still({$m})", [new Does("found({$m}, ".Asked::literal($this->roster->position($of->id,
                    $of->at($place))).')')]));
            }
        }
    }

    public function together(array $branches, bool $any): void
    {
        $thread = $this->thread;
        $children = [];
        foreach ($branches as $i => $steps) {
            $children[] = [$this->branch($steps, "{$thread->name}_".($i + 1).'_of_'.$this->numbered, "Branch {$i} of {$thread->name}"), $steps];
        }
        $thread->add(...array_map(fn (array $child): Set => new Set($child[0]->where(), '0'), $children));
        $thread->opens();
        foreach ($children as [$child]) {
            $thread->add(new When("{$child->where()} != ENDS", [new When("{$child->name}() == FAILED", $this->failing())]));
        }
        $next = $thread->label();
        $is = implode($any ? ' || ' : ' && ', array_map(fn (array $child): string => "{$child[0]->where()} == ENDS", $children));
        $thread->add(new When($is, [$thread->goes($next)]), new Gives(Thread::WAITS));
        $thread->begin($next);
        foreach ($any ? $children : [] as [$child, $steps]) {
            $stops = array_map(fn (string $motion): Does => new Does('stop_motion('.$this->roster->number('MOTION', $motion).', BRAKE)'),
                array_values(array_filter(Routine::motionsOf($steps), fn (string $motion): bool => $this->build()->motions[$motion]->drive !== null)));
            $thread->add(...($stops === [] ? [] : [new When("{$child->where()} != ENDS", $stops)]));
        }
    }

    public function repeats(array $steps, ?int $times, ?Condition $until): void
    {
        $k = $this->rounds++;
        $thread = $this->thread;
        $thread->add(new Set("round[{$k}]", '0'));
        $top = $thread->opens();
        $end = $thread->label();
        $thread->add(...($times === null ? [] : [new When("round[{$k}] >= {$times}", [$thread->goes($end)])]),
            ...($until === null ? [] : [new When($until->asked($this->asked), [$thread->goes($end)])]));
        $thread->add(new Set("round_at[{$k}]", 'now'));
        $this->steps($steps);
        // A round that takes no time still takes one look.
        $thread->add(new Set("round[{$k}]", $times === null ? '1' : "round[{$k}] + 1"), new When("round_at[{$k}] == now", [new Set('soonest', '0'),
            $thread->rests($top)]), $thread->goes($top));
        $thread->begin($end);
    }

    public function chooses(Condition $if, array $then, array $otherwise): void
    {
        $thread = $this->thread;
        [$no, $end] = [$thread->label(), $thread->label()];
        $yes = $thread->label();
        $thread->add(new When($if->asked($this->asked), [$thread->goes($yes)]), $thread->goes($no));
        foreach ([[$yes, $then, true], [$no, $otherwise, false]] as [$label, $steps, $holds]) {
            $thread->begin($label);
            $this->learns($if, $holds);
            $this->steps($steps);
            $thread->add($thread->goes($end));
        }
        $thread->begin($end);
    }

    public function counts(string $counter, ?int $to, int $add): void
    {
        $c = $this->roster->number('COUNT', $counter);
        $this->thread->add(new Set("count[{$c}]", $to !== null ? Asked::literal($to) : "count[{$c}] + ".Asked::literal($add)),
            new Does("board_says(COUNTS, {$c}, count[{$c}])"),
            ...($this->build()->counters[$counter]->kept ? [new Does("board_keep({$c}, count[{$c}])")] : []));
    }

    public function signals(string $output, bool $on, ?float $for_s): void
    {
        $o = $this->roster->number('OUTPUT', $output);
        $of = $this->build()->outputs[$output];
        $this->thread->add(new Does(($of->isThrown() ? 'throw_points' : 'switch_output')."({$o}, ".($on ? 'true'
            : 'false').', '.Roster::ms($for_s ?? 0.0).')'));
    }

    public function calls(string $routine): void
    {
        if (count($this->calls) > self::DEEPEST) {
            $this->fails();

            return;
        }
        $this->calls[] = $routine;
        $this->steps($this->build()->routines[$routine]->steps);
        array_pop($this->calls);
    }

    public function fails(): void
    {
        $this->thread->add(...$this->failing());
        $this->thread->begin($this->thread->label());
    }

    public function sleeps(Condition $until): void
    {
        $k = ++$this->sleeps;
        $this->wakes[$k] = $until;
        $this->thread->add(new Set('asleep', (string) $k));
        $this->thread->waits($until->asked($this->asked));
        $this->thread->add(new Set('asleep', '0'));
    }

    /** A motion is asked for: it is stopped when the routine fails. */
    private function touches(string $motion): string
    {
        $m = $this->roster->number('MOTION', $motion);
        if (! in_array($motion, $this->build()->routines[$this->routine]->motions(), true)) {
            $this->touched["{$this->routine} {$motion}"] = true;
            $this->thread->add(new Set('touched['.array_search("{$this->routine} {$motion}", array_keys($this->touched), true).']', 'true'));
        }

        return $m;
    }
}
