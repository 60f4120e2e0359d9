<?php

declare(strict_types=1);

namespace Brookstone\Core\Rehearsal;

use Brookstone\Core\Build\Build;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Parts\Motion;
use Brookstone\Core\Routine\Routine;
use Brookstone\Core\Routine\Scenario;
use Brookstone\Core\Routine\Trigger;
use Brookstone\Core\Routine\WorldEvent;
use Brookstone\Core\Simulation\Axis;
use Brookstone\Core\Simulation\Mishap;
use Brookstone\Core\Simulation\Program;
use Brookstone\Core\Simulation\RoutineRun;
use Brookstone\Core\Simulation\SupplyState;
use Brookstone\Core\Simulation\World;

/** One performance: the power comes on, what starts by itself starts, what comes before is done, and then the routine. Nothing in it is random. */
final class Stage
{
    public const MOST_S = 120.0; // of one performance: what takes longer is not looked at to its end

    private const SAMPLE_S = 0.02;

    private const SAMPLES = 3000; // of each motion, at most, where it is written down

    private const LOOKS_ON_S = 0.5; // when all is done: what still moves, or runs into a stop only then, is found

    private const STARTS_WITHIN_S = 1.5; // of what its trigger wants; then it is started by hand

    private const SAME_SHARE = 0.01; // of its range: so near two ends are one

    private readonly World $world;

    private readonly Program $program;

    private readonly Stagehand $hand;

    private ?float $began_s = null;

    private ?float $ended_s = null;

    private ?float $asked_s = null; // since when the routine has been asked for

    private ?string $fault = null;

    private string $began = '';

    /** @var array<string, true> routines that were begun, and those that they call */
    private array $begun = [];

    private bool $comesRound = false;

    /** @var array<string, array{float, float}> of each supply what it had given, C, and what it gave, A, when the routine began */
    private array $before = [];

    /** @var array<string, float> of each supply what it had given when the routine ended, C */
    private array $until = [];

    /** @var array<string, float> of each tank what had been taken of it when the routine began, l; and when it ended */
    private array $breathed = [];

    /** @var array<string, float> */
    private array $breathedUntil = [];

    /** What was written down before: steps, and mishaps. */
    private int $stepsBefore = 0;

    private int $mishapsBefore = 0;

    /** @var array<string, array<string, true>> states in which the first step of a loop without end was begun */
    private array $rounds = [];

    private int $seen = 0; // records of steps looked at for that

    /** @var array<string, true> paths of first steps of such loops, with their routine before them */
    private readonly array $roundsOf;

    private function __construct(private readonly Build $build, private Routine $routine, private Start $start, float $sample_s = INF)
    {
        $given = $start->scenario;
        $this->world = new World($build, $given ?? new Scenario('', '', self::MOST_S, $start->at, []), $sample_s);
        foreach ($start->fed as $supply => $share) {
            $this->world->happens(new WorldEvent(0.0, 'supply', $supply, value: $share));
        }
        $this->program = new Program($this->world, $this->begins(...), $this->ends(...));
        $this->hand = new Stagehand($this->world);
        $roundsOf = [];
        foreach ($build->routines as $id => $each) {
            foreach ($each->flat() as $path => $step) {
                if ($step->effect($build)->goesRound) {
                    $roundsOf["{$id} {$path}.steps.0"] = true;
                }
            }
        }
        $this->roundsOf = $roundsOf;
    }

    /**
     * @param  (\Closure(Performance): ?array{Routine, Start})|null  $next  what is done then, on the same stage, as long as all went well
     */
    public static function perform(Build $build, Footing $footing, Routine $routine, Start $start, ?\Closure $next = null): Performed
    {
        $stage = new self($build, $routine, $start);
        $stood = array_map(fn (Axis $axis): float => $axis->position(), $stage->world->axes);
        for ($done = [$stage->run()]; $next !== null; $done[] = $stage->run()) {
            $last = $done[count($done) - 1];
            $then = $last->outcome === 'ends' && ! Mishap::wentWrong($last->mishaps) ? $next($last) : null;
            if ($then === null) {
                break;
            }
            $stage->goesOn(...$then);
        }
        $routines = array_map(strval(...), array_keys($stage->begun));
        $rested = $footing->resting($stage->world->axes, array_diff_key($stood, $stage->told()));

        return new Performed($routines, $rested, $footing->of($routines, array_keys($rested)), $done);
    }

    /** @return array<string, true> motions that a step was about, or that the world did something to; with its power cut anything may slide */
    private function told(): array
    {
        $told = [];
        $isCut = false;
        foreach (array_keys($this->begun) as $routine) {
            foreach ($this->build->routines[$routine]->flat() as $step) {
                $isCut = $isCut || $step->effect($this->build)->power !== null;
                $told[$step->motion() ?? ''] = true;
            }
        }
        foreach ($this->start->scenario->events ?? [] as $event) {
            $isCut = $isCut || $event->what === 'power';
            $told[$event->of ?? ''] = true;
        }

        return $isCut ? array_fill_keys(array_keys($this->build->motions), true) : $told;
    }

    /**
     * A performance once more, with everything written down that there is to see.
     *
     * @return array<string, mixed> the trace, as Schemas has it
     */
    public static function play(Build $build, Performance $performance): array
    {
        $line = [...$performance->start->before, $performance->routine];
        $start = $performance->start->before === [] ? $performance->start : new Start('');
        $stage = new self($build, $build->routines[$line[0]], $start, max(self::SAMPLE_S, $build->settings->scan_s, $performance->until_s / self::SAMPLES));
        $done = $stage->run();
        foreach (array_slice($line, 1) as $routine) {
            $stage->goesOn($build->routines[$routine], $performance->start);
            $done = $stage->run();
        }

        return $stage->trace($done);
    }

    /** @return array<string, mixed> */
    private function trace(Performance $done): array
    {
        $took = $this->began_s === null || $this->ended_s === null ? null : round($this->ended_s - $this->began_s, 9);

        return [
            'routine' => $this->routine->id,
            'scenario' => $this->start->scenario?->id,
            'outcome' => ['ends' => 'finished', 'gives_up' => 'faulted', 'never_begins' => 'never_started'][$done->outcome] ?? 'still_running',
            'fault' => $this->fault,
            'start_s' => $this->began_s,
            'end_s' => $this->ended_s,
            'took_s' => $took,
            'verdict' => RoutineRun::verdictOf($this->world, Mishap::wentWrong($done->mishaps), $done->outcome === 'comes_round' ? 0.0 : $took,
                $this->routine->target_s)->value,
            'target_s' => $this->routine->target_s,
            ...$this->world->written(),
            'mishaps' => array_map(fn (Mishap $mishap): array => $mishap->written(), $done->mishaps), // of this one alone, and how things stand in the end
        ];
    }

    private function goesOn(Routine $routine, Start $start): void
    {
        [$this->routine, $this->start] = [$routine, $start];
        $this->began_s = $this->ended_s = null;
        $this->before = $this->until = $this->breathed = $this->breathedUntil = [];
        $this->fault = null;
        $this->comesRound = false;
        $this->stepsBefore = $this->world->recorder->begun();
        $this->mishapsBefore = count($this->world->recorder->mishaps());
    }

    private function begins(string $routine): void
    {
        $this->begun += array_fill_keys($this->build->calledBy($this->build->routines[$routine]), true);
        if ($routine === $this->routine->id && $this->began_s === null) {
            $this->began_s = $this->world->now();
            $this->began = $this->state();
            $this->breathed = $this->world->air->used_l();
            foreach ($this->world->feeds as $id => $feed) {
                $this->before[$id] = [$feed->charge_C(), $feed->flows_A()];
                $feed->forgetsPeak();
            }
        }
    }

    private function ends(string $routine, ?string $fault): void
    {
        if ($fault !== null && $this->world->isPowered() && ! $this->waitedForPeople($routine)) {
            $this->world->recorder->vain($this->world->now(), $this->build->routines[$routine], $fault);
        }
        if ($routine === $this->routine->id && $this->began_s !== null && $this->ended_s === null) {
            $this->ended_s = $this->world->now();
            $this->fault = $fault;
            $this->breathedUntil = $this->world->air->used_l();
            $this->until = array_map(fn (SupplyState $feed): float => $feed->charge_C(), $this->world->feeds);
        }
    }

    /** @return array<string, Drawn> by supply, since the routine began */
    private function drawn(): array
    {
        $drawn = [];
        foreach ($this->world->feeds as $id => $feed) {
            [$before_C, $before_A] = $this->before[$id] ?? [0.0, 0.0];
            $drawn[$id] = new Drawn(($this->until[$id] ?? $feed->charge_C()) - $before_C, $feed->peak_A(), $before_A, $feed->left_A(),
                ($this->ended_s ?? $this->world->now()) - ($this->began_s ?? 0.0));
        }

        return $drawn;
    }

    /** @return array<string, Breathed> by tank, since the routine began */
    private function breathed(): array
    {
        $breathed = [];
        foreach ($this->world->air->used_l() as $tank => $used_l) {
            $breathed[$tank] = new Breathed(($this->breathedUntil[$tank] ?? $used_l) - ($this->breathed[$tank] ?? 0.0),
                ($this->ended_s ?? $this->world->now()) - ($this->began_s ?? 0.0));
        }

        return $breathed;
    }

    /** In a scenario people do what that says, and no more: a routine that gives them up does what it should. */
    private function waitedForPeople(string $routine): bool
    {
        $last = $this->start->scenario === null ? null : $this->world->recorder->gaveUp($routine);
        $step = $last === null ? null : $this->build->routines[$last['routine']]->stepAt($last['path']);
        $until = $step?->effect($this->build)->until;

        return $until !== null && Stagehand::events($this->build->sensors, $until, true) !== [];
    }

    private function run(): Performance
    {
        $until = $this->world->now() + ($this->start->scenario->until_s ?? self::MOST_S);
        $this->asked_s = null;
        $asked = false;
        while ($this->world->now() < $until - 1e-9 && ! $this->isOver()) {
            $this->scan($until);
            if (! $this->isToAsk()) {
                $this->asked_s = null;
            } elseif ($this->asked_s === null && ! $asked) {
                $this->asked_s = $this->world->now();
                $asked = true;
                $this->ask();
            } elseif ($this->asked_s === null || $this->world->now() - $this->asked_s >= self::STARTS_WITHIN_S) {
                $this->program->start($this->routine); // something else took what should start it, or nothing came of it
            }
        }
        for ($end = $this->world->now() + self::LOOKS_ON_S; $this->world->now() < $end - 1e-9;) {
            $this->scan($end, true);
        }

        return $this->written();
    }

    /** All is quiet, and the routine has not begun. */
    private function isToAsk(): bool
    {
        return $this->start->scenario === null && $this->began_s === null && $this->isQuiet();
    }

    /**
     * @param  float  $until  when it is over
     * @param  bool  $looksOn  it is over already
     */
    private function scan(float $until, bool $looksOn = false): void
    {
        $this->program->look();
        if ($this->start->scenario === null) {
            $this->hand->look();
        }
        $this->lookForRounds();
        $this->world->pass(! $this->world->mayStride() || (! $looksOn && $this->isOver()) ? null : min(
            $until, $this->program->due_s(),
            $this->start->scenario === null ? $this->hand->due_s() : INF,
            $this->isToAsk() ? ($this->asked_s === null ? -INF : $this->asked_s + self::STARTS_WITHIN_S) : INF,
        ));
    }

    /** Nothing runs but what runs for ever. */
    private function isQuiet(): bool
    {
        foreach ($this->program->isIdle() ? [] : $this->program->running() as $id) {
            if (! isset($this->rounds[$id])) {
                return false;
            }
        }

        return true;
    }

    private function isOver(): bool
    {
        return $this->comesRound || ($this->ended_s !== null && $this->isQuiet() && ($this->start->scenario === null || ! $this->world->hasMoreToCome()));
    }

    /** Does what starts a routine; what hangs on no person's hand is started by hand. */
    private function ask(): void
    {
        $routine = $this->routine;
        if ($this->start->so !== null) {
            $this->hand->makes($this->start->so[0], $this->start->so[1], null);
        }
        $trigger = array_values(array_filter($routine->starts, fn (Trigger $trigger): bool => $trigger->sensor !== null
            && in_array($trigger->when, ['press', 'beam', 'input', 'knock'], true) && in_array($trigger->how, ['any', 'short'], true)))[0] ?? null;
        $sensor = $this->build->sensors[$trigger->sensor ?? ''] ?? null;
        if ($trigger === null || $sensor === null || $sensor->motion !== null || $sensor->measures() || $this->world->isOn($sensor->id) === $trigger->on) {
            $this->program->start($routine);

            return;
        }
        $this->world->happens(new WorldEvent(0.0, 'sensor', $sensor->id, $trigger->on));
        $this->hand->later(new WorldEvent(0.0, 'sensor', $sensor->id, ! $trigger->on));
    }

    /** A loop without end that begins a round as it began one before goes on for ever in the same way. */
    private function lookForRounds(): void
    {
        $count = $this->roundsOf === [] ? 0 : $this->world->recorder->begun();
        if ($this->seen >= $count) {
            return;
        }
        for ($steps = $this->world->recorder->steps(); $this->seen < $count; $this->seen++) {
            $key = "{$steps[$this->seen]['routine']} {$steps[$this->seen]['path']}";
            if (! isset($this->roundsOf[$key])) {
                continue;
            }
            $id = $steps[$this->seen]['routine'];
            $state = $key.$this->state();
            $this->comesRound = $this->comesRound || ($id === $this->routine->id && isset($this->rounds[$id][$state]));
            $this->rounds[$id][$state] = true;
        }
    }

    private function state(): string
    {
        $state = [];
        foreach ($this->world->axes as $id => $axis) {
            [$low, $high] = $axis->motion->range();
            $width = max(1e-9, $axis->motion->period() ?? $high - $low) * self::SAME_SHARE;
            $at = self::isAlikeEverywhere($axis->motion) ? 0.0 : round($axis->position() / $width);
            $held = $axis->motion->latch === null ? '' : round($axis->thingAt() / $width).' ';
            $state[] = $held.$at.($axis->isStill() ? '' : '~').' '.$axis->knownPlace().($axis->believed() === null ? '?' : '').$axis->isPowered();
        }

        return json_encode([$state, $this->world->counters(), $this->world->outputs(), $this->world->hands()], JSON_THROW_ON_ERROR);
    }

    /** It turns on and on, and nothing tells where it is: where it begins makes no difference, as its drive is judged by its heaviest angle. */
    public static function isAlikeEverywhere(Motion $motion): bool
    {
        return $motion->task->keeps_turning && $motion->stops->tellers() === [];
    }

    private function written(): Performance
    {
        $axes = $this->world->axes;
        $idle = $this->program->isIdle();
        $this->world->ends();
        $mishaps = array_slice($this->world->recorder->mishaps(), $this->mishapsBefore);
        foreach ($axes as $axis) {
            array_push($mishaps, ...$this->standing($axis, $idle));
        }
        $took = $this->began_s === null || $this->ended_s === null ? null : round($this->ended_s - $this->began_s, 9);

        return new Performance(
            $this->start, $this->routine->id,
            match (true) {
                $this->began_s === null => 'never_begins',
                $this->fault !== null => 'gives_up',
                $took !== null => 'ends',
                $this->comesRound => 'comes_round',
                default => 'bounded',
            },
            $this->fault === null ? $took : null,
            array_slice($this->world->recorder->steps(), $this->stepsBefore), $mishaps,
            array_map(fn (Axis $axis): float => $axis->position(), $axes),
            $this->began, $this->state(), $this->drawn(), $this->world->now(), $this->breathed(),
        );
    }

    /** @return list<Mishap> what is wrong with how a motion stands in the end */
    private function standing(Axis $axis, bool $idle): array
    {
        $motion = $axis->motion;
        $last = $this->lastMove($motion->id);
        $found = [];
        if (! $idle || $last === null) {
            return $found;
        }
        if ($motion->positioning->isSwitched() && $axis->isPowered()) {
            $found[] = new Mishap('left_powered', $motion->id, $this->world->now(), new Sentence("{$motion->named()} is still powered at the end"),
                $last['routine'], $last['path']);
        }
        $step = $this->build->routines[$last['routine']]->stepAt($last['path']);
        $move = $step?->effect($this->build)->move;
        $place = $move?->endsAt;
        $off = $place === null || $last['outcome'] !== 'done' || ! $move->isSent() ? 0.0
            : abs(Motion::wrapped($motion->at($place) - $axis->position(), $motion->period()));
        if ($place !== null && $motion->isElsewhere($off)) {
            $found[] = new Mishap('elsewhere', $motion->id, $this->world->now(),
                new Sentence("{$motion->named()} ends {off} off {$motion->place($place)?->named()}", ['off' => $motion->unit()->quantity($off)]),
                $last['routine'], $last['path']);
        }

        return $found;
    }

    /** @return array<string, mixed>|null the last step that moved it */
    private function lastMove(string $motion): ?array
    {
        $moves = array_filter(array_slice($this->world->recorder->steps(), $this->stepsBefore), fn (array $step): bool => $step['motion'] === $motion);

        return end($moves) ?: null;
    }
}
