<?php

declare(strict_types=1);

namespace Brookstone\Core\Simulation;

use Brookstone\Core\Build\Build;
use Brookstone\Core\Build\Rule;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Machine\Clearance;
use Brookstone\Core\Machine\Nearest;
use Brookstone\Core\Parts\AirTank;
use Brookstone\Core\Parts\Motion;
use Brookstone\Core\Parts\Output;
use Brookstone\Core\Parts\Supply;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Routine\Routine;
use Brookstone\Core\Routine\Step;
use Brookstone\Core\Routine\Steps;
use Brookstone\Core\Wiring\PlacedBoard;

/** Writes down what happens during a run. */
final class Recorder
{
    private const MOST_RECORDS = 2000; // of steps and of events: a routine that repeats for ever would fill the memory

    public const DIGITS = 6;          // of positions, speeds and currents: far below what anybody can measure

    private const PER_UNIT = 10 ** self::DIGITS;

    /** @var array<string, list<float>> by motion, in its own unit */
    private array $positions = [];

    /** @var array<string, list<float>> by motion, in its own unit per second */
    private array $speeds = [];

    /** @var array<string, list<float>> by motion, A */
    private array $currents = [];

    /** @var array<string, list<array{at_s: float, on: bool}>> */
    private array $inputs = [];

    /** @var array<string, list<array{at_s: float, on: bool}>> */
    private array $outputs = [];

    /** @var list<array{at_s: float, kind: string, says: Sentence}> */
    private array $events = [];

    /** @var array<int, array<string, mixed>> as Schemas has them */
    private array $steps = [];

    public ?Listens $listener = null;

    /** @var array<int, Step> steps that are being done, by record */
    private array $underWay = [];

    /** @var list<Mishap> */
    private array $mishaps = [];

    /** @var array<string, array<string, mixed>|null> by motion that pushes in vain: the step that does it */
    private array $stalls = [];

    private int $taken = 0;

    /** @var array<string, int> steps that each motion had gone through at the sample before */
    private array $stepsBefore = [];

    /**
     * @param  array<string, Axis>  $axes
     * @param  array<string, SupplyState>  $feeds
     */
    public function __construct(private readonly Build $build, private readonly array $axes, private readonly array $feeds, private readonly float $sample_s,
        private readonly ?Air $air = null)
    {
        $this->sample(0.0);
    }

    /** When it is to write down where everything is. */
    public function sampleDue_s(): float
    {
        return $this->taken * $this->sample_s;
    }

    public function sample(float $now): void
    {
        if ($this->taken > 0 && $now < $this->taken * $this->sample_s - 1e-9) {
            return;
        }
        foreach ($this->axes as $id => $axis) {
            $steps = $axis->steps();
            if (($this->stepsBefore[$id] ?? -1) === $steps) { // it has not moved since
                $this->positions[$id][] = $this->positions[$id][$this->taken - 1];
                $this->speeds[$id][] = $this->speeds[$id][$this->taken - 1];
                $this->currents[$id][] = $this->currents[$id][$this->taken - 1];

                continue;
            }
            $this->stepsBefore[$id] = $steps;
            $this->positions[$id][] = floor($axis->thingAt() * self::PER_UNIT + 0.5) / self::PER_UNIT;
            $this->speeds[$id][] = floor($axis->speed() * self::PER_UNIT + 0.5) / self::PER_UNIT;
            $this->currents[$id][] = floor($axis->current_A() * self::PER_UNIT + 0.5) / self::PER_UNIT;
        }
        foreach ([...$this->feeds, ...$this->air->tanks ?? []] as $feed) {
            $feed->sample();
        }
        $this->taken++;
    }

    public function input(string $id, float $at, bool $on): void
    {
        $this->inputs[$id][] = ['at_s' => $at, 'on' => $on];
        if ($at > 0.0) {
            $this->event($at, 'input', new Sentence($this->build->condition($id, $on).'.'));
        }
    }

    public function output(string $id, float $at, bool $on): void
    {
        $this->listener?->happens($at, 'output', $id, $on ? 'on' : 'off');
        $this->outputs[$id][] = ['at_s' => $at, 'on' => $on];
        $this->event($at, 'output', new Sentence($this->build->outputs[$id]->named().($on ? ' goes on.' : ' goes off.')));
    }

    /** Two things on the stage, because of a motion. */
    public function meets(string $kind, string $motion, float $at, Sentence $says, Nearest $nearest): void
    {
        $this->mishap($kind, $motion, $at, $says, array_intersect_key($nearest->pose, array_flip(Clearance::joints($nearest->one, $nearest->other))),
            $nearest->pair());
    }

    /** @param  float  $speed in the motion's own unit per second */
    public function hit(float $at, Motion $motion, float $speed, float $energy_J): void
    {
        $this->mishap('hit', $motion->id, $at, new Sentence("{$motion->named()} hits its hard stop at {speed} with {energy}.", [
            'speed' => $motion->unit()->speed($motion->unit()->toSi(abs($speed))),
            'energy' => Quantity::of($energy_J, 'J'),
        ]));
    }

    /** @param  float  $speed in the motion's own unit per second */
    public function lands(float $at, Motion $motion, float $speed, float $energy_J): void
    {
        $this->event($at, 'hit', new Sentence("{$motion->named()} lands at {speed} with {energy} and stays: its cord goes slack while the drum turns on.", [
            'speed' => $motion->unit()->speed($motion->unit()->toSi(abs($speed))),
            'energy' => Quantity::of($energy_J, 'J'),
        ]));
    }

    /** It and what it must stay level with are too far apart, by so much in their own unit. */
    public function isCrooked(float $at, Motion $motion, Motion $with, float $by): void
    {
        $unit = $motion->unit();
        $this->mishap('crooked', $motion->id, $at, new Sentence("{$motion->named()} and {$with->named()} are {by} apart, and may be {within}.",
            ['by' => $unit->quantity($by), 'within' => $unit->quantity($motion->level->within ?? 0.0)]));
    }

    /** Its latch holds it from now on. */
    public function caught(float $at, Motion $motion): void
    {
        $this->event($at, 'latch', new Sentence("{$motion->named()} is caught by its latch."));
    }

    /** @param  bool  $isKept  nothing comes of it: its drive still holds it, or nothing pulls it */
    public function letGo(float $at, Motion $motion, bool $isKept): void
    {
        $isKept ? $this->mishap('kept', $motion->id, $at, new Sentence("The latch of {$motion->named()} lets it go, and its drive still holds it."))
            : $this->event($at, 'latch', new Sentence("The latch of {$motion->named()} lets it go."));
    }

    /** @param  float  $speed in the motion's own unit per second */
    public function strikes(float $at, Motion $motion, float $speed, float $energy_J): void
    {
        $this->event($at, 'latch', new Sentence("{$motion->named()} strikes at {speed} with {energy}.", [
            'speed' => $motion->unit()->speed($motion->unit()->toSi(abs($speed))), 'energy' => Quantity::of($energy_J, 'J')]));
    }

    public function snaps(float $at, Motion $motion, float $pull_N, float $bears_N): void
    {
        $this->mishap('snap', $motion->id, $at, new Sentence("The cord of {$motion->named()} breaks: it is pulled with {pull}, and its knot holds {bears}.",
            ['pull' => Quantity::of($pull_N, 'N'), 'bears' => Quantity::of($bears_N, 'N')]));
    }

    public function broken(float $at, Rule $rule): void
    {
        $this->listener?->happens($at, 'rule', $rule->id, 'broken');
        $says = $rule->says($this->build);
        $this->mishap('rule', $rule->id, $at, new Sentence("The rule {$rule->named()} is broken: {$says->template}.", $says->values));
    }

    public function sag(float $at, Supply $supply, float $asked_A): void
    {
        $this->mishap('sag', $supply->id, $at, new Sentence("{$supply->named()} sags: it is asked for {asked} and gives {most}.",
            ['asked' => Quantity::of($asked_A, 'A'), 'most' => Quantity::of($supply->max_A, 'A')]));
    }

    /** A tank has less left than what its cylinders are reckoned with. */
    public function runsOut(float $at, AirTank $tank, float $bar): void
    {
        $this->mishap('air', $tank->id, $at, new Sentence("{$tank->named()} falls to {bar}, under the {low} ".($tank->hasCompressor()
            ? 'at which its compressor starts: that does not keep up.' : 'that is reckoned with: it has to be filled before.'),
            ['bar' => Quantity::of($bar, 'bar'), 'low' => Quantity::of($tank->low_bar, 'bar')]));
    }

    public function burns(float $at, Output $output): void
    {
        $this->mishap('burns', $output->id, $at, new Sentence("The coil of {$output->named()} burns: it has been on for longer than {bears}.",
            ['bears' => Quantity::of($output->bears_s(), 's')]));
    }

    public function resets(float $at, PlacedBoard $controller, Supply $supply, float $volts): void
    {
        $this->mishap('reset', $supply->id, $at, new Sentence("{$controller->named()} starts anew: {$supply->named()} gives it {volts}, and it needs {least}.",
            ['volts' => Quantity::of($volts, 'V'), 'least' => Quantity::of($controller->board->least_V, 'V')]));
    }

    public function routine(float $at, string $kind, string $text): void
    {
        $this->event($at, $kind, new Sentence(Sentence::quote($text)));
    }

    public function stepStarts(Routine $routine, string $path, Step $step, float $at): int
    {
        if (count($this->steps) >= self::MOST_RECORDS) {
            return -1;
        }
        $this->listener?->happens($at, 'step', "{$routine->id} {$path}", 'begins');
        $this->steps[] = [
            'routine' => $routine->id, 'path' => $path, 'do' => Steps::kindOf($step), 'motion' => $step->motion(),
            'says' => $step->says($this->build), 'start_s' => $at, 'end_s' => null, 'outcome' => 'running', 'from' => $this->standing($step->motion()),
            'at' => null, 'carries' => null,
        ];

        $this->underWay[count($this->steps) - 1] = $step;

        return count($this->steps) - 1;
    }

    public function stepEnds(int $record, float $at, string $outcome): void
    {
        unset($this->underWay[$record]);
        if (isset($this->steps[$record])) {
            $this->listener?->happens($at, 'step', "{$this->steps[$record]['routine']} {$this->steps[$record]['path']}", $outcome);
            $motion = $this->steps[$record]['motion'];
            $this->steps[$record] = array_replace($this->steps[$record], ['end_s' => $at, 'outcome' => $outcome, 'at' => $this->standing($motion),
                'carries' => $motion === null ? null : $this->axes[$motion]->burden()->isCarrying()]);
        }
    }

    private function standing(?string $motion): ?float
    {
        return $motion === null ? null : round($this->axes[$motion]->position(), self::DIGITS) + 0.0;
    }

    /** @return array<int, Step> steps that are being done, by record */
    public function underWay(): array
    {
        return $this->underWay;
    }

    /** @return array<int, array<string, mixed>> steps that were begun, as Schemas has them */
    public function steps(): array
    {
        return $this->steps;
    }

    /** How many steps were begun. */
    public function begun(): int
    {
        return count($this->steps);
    }

    /** @return list<Mishap> */
    public function mishaps(): array
    {
        return $this->mishaps;
    }

    /** It has come to push in vain. */
    public function stalls(Motion $motion): void
    {
        $this->stalls[$motion->id] = $this->stepOf($motion->id);
    }

    /** It does so no more, or the run is over. */
    public function stalled(float $at, Motion $motion, float $for_s, float $current_A): void
    {
        $step = $this->stalls[$motion->id] ?? null;
        $this->mishaps[] = new Mishap('stall', $motion->id, $at, new Sentence("{$motion->named()} stalls for {time} at {current}.",
            ['time' => Quantity::of($for_s, 's'), 'current' => Quantity::of($current_A, 'A')]), $step['routine'] ?? null, $step['path'] ?? null);
    }

    /** A routine gave up, at the step that did. */
    public function vain(float $at, Routine $routine, string $because): void
    {
        $this->mishaps[] = new Mishap('vain', $routine->id, $at, new Sentence("{$routine->named()} gives up: ".Sentence::quote($because).'.'), $routine->id,
            $this->gaveUp($routine->id)['path'] ?? null);
    }

    /** @return array<string, mixed>|null the last step of a routine that gave up */
    public function gaveUp(string $routine): ?array
    {
        $gaveUp = array_filter($this->steps, fn (array $step): bool => $step['routine'] === $routine && $step['outcome'] === 'gave_up');

        return end($gaveUp) ?: null;
    }

    /** @return array<string, mixed>|null the last step that moved a motion; of anything else, the last that is still being done */
    private function stepOf(?string $motion): ?array
    {
        for ($i = count($this->steps) - 1; $i >= 0; $i--) {
            if ($motion !== null ? $this->steps[$i]['motion'] === $motion : $this->steps[$i]['end_s'] === null) {
                return $this->steps[$i];
            }
        }

        return null;
    }

    /**
     * Something went wrong: with a motion it is the last step that moved it, with anything else the last that was begun.
     *
     * @param  array<string, float>  $pose  where motions stand that it hangs on
     */
    public function mishap(string $kind, string $of, float $at, Sentence $says, array $pose = [], ?string $pair = null): void
    {
        $step = $this->stepOf(in_array($kind, Mishap::OF_NO_MOTION, true) ? null : $of);
        $this->mishaps[] = new Mishap($kind, $of, $at, $says, $step['routine'] ?? null, $step['path'] ?? null, $pose, $pair);
        $this->event($at, $kind, $says);
    }

    /**
     * @param  float  $ran_s  how long it ran
     * @return array<string, mixed>
     */
    public function written(float $ran_s): array
    {
        $lanes = [];
        foreach ($this->axes as $id => $axis) {
            $lanes[] = ['motion' => $id, 'name' => $axis->motion->name, 'position_unit' => $axis->motion->unit()->value, 'position' => $this->positions[$id],
                'speed' => $this->speeds[$id], 'current_A' => $this->currents[$id]];
        }
        $named = fn (array $changes, callable $name): array => array_map(
            fn (string $id): array => ['id' => $id, 'name' => $name($id), 'changes' => $changes[$id]],
            array_map(strval(...), array_keys($changes)),
        );

        $rounded = fn (\Closure $of): array => array_map(fn (Axis $axis): float => round($of($axis), self::DIGITS), $this->axes);

        return [
            'ran_s' => $ran_s,
            'stalled_s' => $rounded(fn (Axis $axis): float => $axis->stalled_s()),
            'stalled_A' => $rounded(fn (Axis $axis): float => $axis->stalledWith_A()),
            'stalled_at_end_s' => $rounded(fn (Axis $axis): float => $axis->pushedInVain_s()),
            'mishaps' => array_map(fn (Mishap $mishap): array => $mishap->written(), $this->mishaps),
            'ends' => array_values(array_map(fn (Axis $axis): array => ['motion' => $axis->motion->id, 'at' => round($axis->position(), self::DIGITS) + 0.0,
                'known' => $axis->knownPlace()], $this->axes)),
            'sample_s' => is_finite($this->sample_s) ? $this->sample_s : 1e9,
            'motions' => $lanes,
            'supplies' => array_values(array_map(fn (SupplyState $feed): array => $feed->written($ran_s), $this->feeds)),
            'tanks' => array_map(fn (AirState $tank): array => $tank->written($ran_s), $this->air->tanks ?? []),
            'inputs' => $named($this->inputs, fn (string $id): string => $this->build->sensors[$id]->name ?? $this->build->switch($id)->name ?? $id),
            'outputs' => $named($this->outputs, fn (string $id): string => $this->build->outputs[$id]->name),
            'steps' => array_values($this->steps),
            'events' => $this->events,
        ];
    }

    private function event(float $at, string $kind, Sentence $says): void
    {
        if (count($this->events) < self::MOST_RECORDS) {
            $this->events[] = ['at_s' => $at, 'kind' => $kind, 'says' => $says];
        }
    }
}
