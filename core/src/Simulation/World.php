<?php

declare(strict_types=1);

namespace Brookstone\Core\Simulation;

use Brookstone\Core\Build\Build;
use Brookstone\Core\Condition\Condition;
use Brookstone\Core\Condition\Senses;
use Brookstone\Core\Dynamics\Ledger;
use Brookstone\Core\Machine\Clearance;
use Brookstone\Core\Machine\LiveStage;
use Brookstone\Core\Routine\Scenario;
use Brookstone\Core\Routine\StepFailed;

/** Everything that the controllers of a run share: the clock, the motions, what the sensors say, what is recorded. */
final class World implements Senses
{
    use AnswersConditions;
    use LetsThingsHappen;

    private const TRIES_EVERY = 16; // scans

    private const DAY_S = 86400.0;

    /** @var array<string, Axis> */
    public readonly array $axes;

    public readonly Recorder $recorder;

    public readonly Inputs $inputs;

    /** What the controller was told of its moves before. */
    public readonly ComputedTimes $computed;

    private readonly Outputs $outputs;

    private int $scans = 0;

    private int $looksUntil = 0; // scans

    /** Of anything but motions under way, and scans in which one was, or a driver about to obey. */
    private int $changes = 0;

    private int $stirs = 0;

    private int $fedAt = -1;  // changes when the supplies were last asked

    private int $litAt = -1;  // changes when it was last told what outputs take of them

    private int $nextEvent = 0;

    private bool $powered = true;

    private ?Condition $wakes = null; // what the controller sleeps until

    /** @var array<string, int> */
    private array $counters = [];

    /** @var \SplObjectStorage<Condition, bool|float|null> */
    private \SplObjectStorage $memory;

    /** @var array<string, true> */
    private array $running = [];

    /** @var array<string, int> steps that move each motion at the moment */
    private array $claimed = [];

    /** @var list<SharedMotor> */
    private array $shared = [];

    private readonly RuleWatch $rules;

    /** @var list<Riders> */
    private readonly array $riders;

    private readonly ?ClearanceWatch $clear;

    private readonly CarriedThings $things;

    private readonly Stride $stride;

    private readonly PowerWatch $power;

    /** @var array<string, SupplyState> by supply */
    public readonly array $feeds;

    public readonly Air $air;

    private readonly Latches $latches;

    private readonly LevelWatch $level;

    /** @param  array<string, Ledger>  $ledgers  of motions whose energy is written down */
    public function __construct(public readonly Build $build, public readonly Scenario $scenario, float $sample_s, array $ledgers = [])
    {
        $axes = [];
        $families = LiveStage::all($build->stage);
        $live = [];
        foreach ($families as $family) {
            $live += array_fill_keys($family->motions(), $family);
        }
        foreach ($build->motions as $id => $motion) {
            $axes[$id] = new Axis(($live[$id] ?? null)?->live($motion) ?? $motion, $scenario->startsAt[$id] ?? $motion->at($motion->task->from),
                $motion->obeysWithin_s($build->settings));
        }
        foreach ($build->motorGroups as $id => $group) {
            if ($id === $group->members[0]) {
                $this->shared[] = new SharedMotor(array_intersect_key($axes, array_flip($group->members)), $group, $group->servo() === null ? null
                    : $axes[$group->servo()]);
            }
        }
        foreach ($ledgers as $id => $ledger) {
            $axes[$id]->watch($ledger);
        }
        $this->axes = $axes;
        $this->riders = array_map(fn (LiveStage $family): Riders => new Riders($family, array_intersect_key($axes, array_flip($family->motions()))), $families);
        $this->memory = new \SplObjectStorage;
        $this->computed = new ComputedTimes($build->settings);
        $this->inputs = new Inputs($build, $axes);
        $this->feeds = SupplyState::all($build, $axes);
        $this->air = new Air($build, $axes);
        $this->latches = new Latches($axes);
        $this->level = new LevelWatch($axes);
        $this->recorder = new Recorder($build, $axes, $this->feeds, $sample_s, $this->air);
        foreach ($this->inputs->all() as $input => $on) {
            $this->recorder->input((string) $input, 0.0, $on);
        }
        $this->outputs = new Outputs($build->outputs, $this->inputs, $this->recorder);
        foreach ($build->counters as $id => $counter) {
            $this->counters[$id] = $counter->start;
        }
        $this->power = new PowerWatch($build, $this->feeds, $this->recorder, $this->air);
        $this->stride = new Stride($build, $this->inputs, $this->feeds);
        $this->rules = new RuleWatch($this);
        $clearance = Clearance::of($build->stage);
        $this->clear = $clearance->isNeeded() ? new ClearanceWatch($clearance, $axes, $this->recorder, $build->settings->clear_m) : null;
        $this->things = new CarriedThings($build, $axes, $live, $this->clear);
    }

    /** Goes on counting as anything changes, except where motions under way are. */
    public function changes(): int
    {
        return $this->changes;
    }

    /** The same of motions under way. */
    public function stirs(): int
    {
        return $this->stirs;
    }

    public function now(): float
    {
        return $this->scans * $this->build->settings->scan_s;
    }

    public function isPowered(): bool
    {
        return $this->powered;
    }

    public function runs(string $routine, bool $is): void
    {
        $this->changes++;
        unset($this->running[$routine]);
        if ($is) {
            $this->running[$routine] = true;
        }
    }

    /** A step begins or ends to move a motion: two at once are two orders for one motor. */
    public function claims(?string $motion, int $by): void
    {
        $this->changes++;
        if ($motion === null) {
            return;
        }
        $this->claimed[$motion] = ($this->claimed[$motion] ?? 0) + $by;
        if ($by > 0 && $this->claimed[$motion] > 1) {
            $this->recorder->routine($this->now(), 'conflict', "{$this->build->motions[$motion]->name} is told two things at once.");
        }
    }

    /** The controller sleeps until something is so; null: it is awake. */
    public function sleeps(?Condition $until): void
    {
        if (($until === null) !== ($this->wakes === null)) {
            $this->changes++;
            $this->power->sleeps($until !== null, $this->now(), $this->axes);
        }
        $this->wakes = $until;
    }

    /** It sleeps on. */
    public function isAsleep(): bool
    {
        return $this->wakes !== null && ! $this->wakes->holds($this);
    }

    public function set(string $counter, ?int $to, ?int $add): void
    {
        $this->changes++;
        $this->counters[$counter] = $to ?? $this->counters[$counter] + ($add ?? 0);
        $this->recorder->listener?->happens($this->now(), 'count', $counter, (string) $this->counters[$counter]);
        $this->recorder->routine($this->now(), 'count', $this->build->counters[$counter]->name." is {$this->counters[$counter]}.");
    }

    /** @return array<string, int> */
    public function counters(): array
    {
        return $this->counters;
    }

    /** @return array<string, mixed> what every trace has of a run, as Schemas has it */
    public function written(): array
    {
        return [
            'counters' => array_map(fn (string $id): array => ['counter' => $id, 'count' => $this->counters[$id]],
                array_map(strval(...), array_keys($this->counters))),
            ...$this->recorder->written($this->now()),
            'things' => $this->things->written(),
        ];
    }

    /** @return array<string, bool> */
    public function outputs(): array
    {
        return $this->outputs->all();
    }

    /** Something is still to come: an event of the scenario, or an output that goes back. */
    public function hasMoreToCome(): bool
    {
        return $this->nextEvent < count($this->scenario->events) || $this->outputs->nextBack_s() < INF || $this->power->isStarting();
    }

    /**
     * Lets the world do what it does by now, and looks at the inputs.
     *
     * @return list<array{string, bool}> inputs that changed since the last look
     */
    public function look(): array
    {
        $events = $this->scenario->events;
        while ($this->nextEvent < count($events) && $events[$this->nextEvent]->at_s <= $this->now() + 1e-9) {
            $this->happens($events[$this->nextEvent++]);
        }
        $this->changes += (int) $this->power->hasSettled($this->now());
        if ($this->power->isBack($this->now())) {
            $this->changes++;
            $this->power(true);
        }
        if (! $this->powered) {
            return [];
        }
        $changed = $this->inputs->look($this->now());
        foreach ($changed as [$input, $on]) {
            $this->changes++;
            $this->recorder->input($input, $this->now(), $on);
        }

        return $changed;
    }

    public function signal(string $output, bool $on, ?float $for_s): void
    {
        $this->power->switches($output, $on, $this->now());
        $this->changes += (int) $this->outputs->switch($output, $on, $this->now(), $for_s);
    }

    /**
     * A motion takes a thing up, or puts down what it carries.
     *
     * @throws StepFailed where that is not there
     */
    public function takes(string $motion, ?string $thing): void
    {
        $this->changes++;
        $thing === null ? $this->things->put($this->now(), $motion) : $this->things->take($this->now(), $motion, $thing);
        $this->recorder->routine($this->now(), $thing === null ? 'put' : 'take', $this->build->motions[$motion]->name.($thing === null
            ? ' puts down what it carried.' : " takes up {$this->build->stage->thing($thing)?->name}."));
    }

    /** @return array<string, string> by motion, what it carries */
    public function hands(): array
    {
        return $this->things->hands();
    }

    /** The run is over: what still pushes in vain has done so until now. */
    public function ends(): void
    {
        $this->clear?->ends($this->now());
        foreach ($this->axes as $axis) {
            if ($axis->pushedInVain_s() > StallWatch::STALLED_S) {
                $this->recorder->stalled($this->now(), $axis->motion, $axis->pushedInVain_s(), $axis->current_A());
            }
        }
    }

    /**
     * Lets time pass: one scan, or as many at once as nothing can happen in.
     *
     * @param  float|null  $until  before which nobody wants to look, unless an input changes; null is one scan
     */
    public function pass(?float $until = null): void
    {
        foreach ($this->shared as $motor) {
            foreach ($motor->look() as $says) {
                $this->recorder->routine($this->now(), 'astray', $says);
            }
            foreach ($motor->tells() as $sensor => $holds) {
                $this->inputs->set($sensor, $holds, $this->now());
            }
        }
        $awake = [];
        foreach ($this->axes as $axis) {
            if (! $axis->isIdle()) {
                $awake[] = $axis;
            }
        }
        $asleep = $awake === [];
        $scans = $until === null || ($asleep && $this->fedAt !== $this->changes) ? 1 : $this->stride($awake, $until);
        $for_s = $scans * $this->build->settings->scan_s;
        $angles = $scans === 1 || $asleep ? [] : array_combine(array_map(fn (Axis $axis): string => $axis->motion->id, $awake),
            array_map(fn (Axis $axis): float => $axis->angle(), $awake));
        $this->stirs += $asleep ? 0 : 1;
        if (! $asleep || $this->fedAt !== $this->changes) {
            $this->feed();
            $this->fedAt = $asleep ? $this->changes : -1;
        } else {
            foreach ($this->feeds as $feed) {
                $feed->goesOn($this->now(), $for_s);
            }
        }
        $parts = $this->riders === [] ? 1 : max(array_map(fn (Riders $riders): int => $riders->parts($awake, $for_s), $this->riders));
        for ($part = 0; $part < $parts; $part++) {
            foreach ($awake as $axis) {
                foreach ($axis->advance($for_s / $parts) as [$what, $one, $other]) {
                    $this->happened($axis, $what, $one, $other);
                }
            }
            foreach ($asleep ? [] : $this->riders as $riders) {
                $riders->go($for_s / $parts);
            }
        }
        if ($angles !== []) {
            foreach ($this->feeds as $feed) {
                $feed->wentOn($angles, $this->build->settings->scan_s, $for_s);
            }
        }
        $this->latches->isNone() ? null : $this->latches->look($this->now(), $this->outputs->all(), $this->recorder);
        $asleep || $this->level->isNone() ? null : $this->level->look($this->now(), $this->recorder);
        $this->scans += $scans;
        $this->changes += $this->air->goesOn($this->now(), $for_s, $this->powered, $this->recorder);
        $asleep ? null : $this->clear?->look($this->now());
        $this->changes += $this->outputs->goBack($this->now());
        $this->rules->look($this->changes + $this->stirs);
        $this->recorder->sample($this->now());
    }

    private function happened(Axis $axis, string $what, float $one, float $other): void
    {
        match ($what) {
            'snaps' => $this->recorder->snaps($this->now(), $axis->motion, $one, $other),
            'stalls' => $this->recorder->stalls($axis->motion),
            'stalled' => $this->recorder->stalled($this->now(), $axis->motion, $one, $other),
            'strikes' => $this->recorder->strikes($this->now(), $axis->motion, $one, $other),
            'caught' => $this->recorder->caught($this->now(), $axis->motion),
            'lands' => $this->recorder->lands($this->now(), $axis->motion, $one, $other),
            default => $this->recorder->hit($this->now(), $axis->motion, $one, $other),
        };
    }

    /**
     * @param  list<Axis>  $awake
     * @return int scans that can pass at once
     */
    private function stride(array $awake, float $until): int
    {
        $scans = $this->air->isUsed() || ($awake !== [] && ! ($this->latches->isNone() && $this->level->isNone()))
            || array_filter($this->riders, fn (Riders $riders): bool => $riders->mustBeLookedAt($awake, $this->build->settings->scan_s)) !== [] ? 1
            : $this->stride->scans($awake, $this->now(), $this->nothingUntil($until));
        $this->looksUntil = $scans === 1 && $awake !== [] ? $this->scans + self::TRIES_EVERY : 0;

        return max(1, $scans);
    }

    /** It may be that more than one scan can pass at once; where that was not so just before, it is not asked again at each scan. */
    public function mayStride(): bool
    {
        return $this->scans >= $this->looksUntil && $this->shared === [] && ! $this->rules->hangOnTime;
    }

    /** Until when nothing happens in the world by itself, and nothing is to be written down. */
    private function nothingUntil(float $until): float
    {
        return min($until, $this->recorder->sampleDue_s(), $this->scenario->events[$this->nextEvent]->at_s ?? INF, $this->outputs->nextBack_s(),
            $this->power->due_s(), $this->now() + $this->air->staysFor_s());
    }

    /** Whatever was just starting again does not, or does so with everything else. */
    private function powerOutside(bool $on): void
    {
        $this->power->forgets();
        $this->power($on);
    }

    /** All power goes, or comes back: what only counts forgets where it is, counters that are not kept begin anew. */
    private function power(bool $on): void
    {
        if ($on === $this->powered) {
            return;
        }
        $this->powered = $on;
        $this->sleeps(null);
        $this->recorder->routine($this->now(), 'power', $on ? 'The power comes back.' : 'The power goes.');
        foreach ($this->axes as $axis) {
            $on ? $axis->wake() : $axis->lose();
        }
        foreach ($on ? [] : $this->outputs->lose() as $output) {
            $this->signal($output, false, null);
        }
        foreach ($on ? $this->build->counters : [] as $id => $counter) {
            $this->counters[$id] = $counter->kept ? $this->counters[$id] : $counter->start;
        }
        if ($on) {
            $this->memory = new \SplObjectStorage;
            $this->inputs->begin();
        }
    }

    private function feed(): void
    {
        if ($this->litAt !== $this->changes && ($this->build->outputs !== [] || $this->air->tanks !== [] || $this->power->mayHaveSlept())) {
            $this->power->feeds($this->outputs->drawing());
            $this->litAt = $this->changes;
        }
        foreach ($this->feeds as $feed) {
            foreach ($feed->isSource() ? $feed->look($this->now(), $this->build->settings->scan_s) : [] as $sags) {
                $this->recorder->sag($this->now(), $sags->supply, $sags->asked_A());
            }
        }
        if ($this->powered && $this->power->resets($this->now())) {
            $this->power(false);
        }
    }
}
