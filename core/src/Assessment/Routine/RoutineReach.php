<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment\Routine;

use Brookstone\Core\Assessment\Stops\StopsJudge;
use Brookstone\Core\Build\Build;
use Brookstone\Core\Build\Rule;
use Brookstone\Core\Condition\AtPlace;
use Brookstone\Core\Condition\Condition;
use Brookstone\Core\Condition\InputIs;
use Brookstone\Core\Condition\NotSo;
use Brookstone\Core\Finding\Change;
use Brookstone\Core\Finding\DocumentPath;
use Brookstone\Core\Finding\Fix;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Parts\LimitSwitch;
use Brookstone\Core\Parts\Motion;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Reach\Conflict;
use Brookstone\Core\Reach\Happening;
use Brookstone\Core\Reach\Reached;
use Brookstone\Core\Routine\Routine;
use Brookstone\Core\Routine\Step;

/** What the search of all states finds, told of the steps where it happens; and what a step waits for that can never come. */
final readonly class RoutineReach
{
    private const CHANGE_OVER_S = 0.5;

    private const SETTLE_S = 0.2;

    private Build $build;

    public function __construct(private RoutineContext $context, private Reached $reached)
    {
        $this->build = $context->build;
    }

    public function check(): void
    {
        $routines = array_values($this->build->routines);
        $this->known();
        $this->claimed();
        $this->coupled();
        $this->changesNothing($routines);
        $this->powered();
        $this->within();
        foreach ($this->reached->of('rule') as $conflict) {
            $this->broken($conflict);
        }
        foreach ($this->reached->unreached as $path => $i) {
            if (! $this->startsNever($routines[$i]) && ! str_contains($path, 'if_fails')) {
                $this->context->find($routines[$i], 'routine.unreached', Severity::Tight, $path, "Nothing ever gets to “{$this->context->sentence($path)}”.",
                    [], [$this->without($path)]);

                break; // what comes after it is not reached either
            }
        }
        foreach ($this->reached->endless as $path) {
            $this->context->find($this->routineOf($path), 'routine.calls_itself', Severity::Fails, $path,
                'This leads back to where it came from: the routines call each other without end.', [], [$this->without($path)]);
        }
        if (! $this->reached->complete && $routines !== []) {
            $this->context->find($routines[0], 'routine.search_bound', Severity::Note, 'routines',
                'The search of everything that can happen was ended after {states} states: what is said of two things at once, of rules and of steps that nothing gets to is not complete.', ['states' => Quantity::number($this->reached->states)]);
        }
        foreach ($routines as $i => $routine) {
            $this->unreachable($routine, $i);
        }
    }

    /**
     * Whether it is known where a move begins.
     */
    private function known(): void
    {
        $lost = [];
        foreach ($this->reached->of('not_known') as $conflict) {
            [$path, $motion] = [(string) $conflict->path, $conflict->about];
            $lost["{$this->routineOf($path)->id} {$motion}"] ??= true;
            if ($lost["{$this->routineOf($path)->id} {$motion}"] === true) {
                $lost["{$this->routineOf($path)->id} {$motion}"] = $path; // the first step of a routine is enough
                $name = $this->build->motions[$motion]->named();
                $this->context->find($this->routineOf($path), 'routine.moves_before_home', Severity::Fails, $path,
                    "{$name} moves here before it has been homed: after a power cut it may stand anywhere.", [], $this->homeFirst($path, $motion), $motion);
            }
        }
        foreach ($this->reached->of('place_lost') as $conflict) {
            [$path, $motion] = [(string) $conflict->path, $conflict->about];
            $name = $this->build->motions[$motion]->named();
            $this->context->find($this->routineOf($path), 'routine.place_lost', Severity::Tight, $path,
                "{$name} goes by time here, but it may have been left somewhere between its places, by a run or when something gave up: then nobody knows how long to go, and the step refuses.", [], array_slice($this->homeFirst($path, $motion), 0, 1), $motion);
        }
    }

    /**
     * Whether anybody else moves the same thing, or has its motor.
     */
    private function claimed(): void
    {
        foreach ($this->reached->of('same_motion') as $conflict) {
            [$path, $motion, $other] = [(string) $conflict->path, $conflict->about, (string) $conflict->with];
            $this->context->find($this->routineOf($path), 'routine.same_motion', Severity::Fails, $path,
                "{$this->build->motions[$motion]->named()} may still be moved by “{$this->context->sentence($other)}” when this begins: two orders for one motor.", [], $this->alone($this->routineOf($path), $other === '' ? null : $this->routineOf($other)), $motion);
        }
        foreach ($this->reached->of('same_motor') as $conflict) {
            [$path, $moved, $other] = [(string) $conflict->path, $conflict->about, (string) $conflict->with];
            $step = $this->stepAt($path);
            $motion = $step?->motion() ?? $moved;
            $words = $other === '' ? 'may still be powered' : "may be moved by “{$this->context->sentence($other)}”";
            $this->context->find($this->routineOf($path), 'routine.shared_drive', Severity::Fails, $path,
                "{$this->build->motions[$motion]->named()} and {$this->build->motions[$moved]->named()} are moved by one motor, and {$this->build->motions[$moved]->named()} {$words} when this begins: only one of them can have it.", [], [
                    ...$this->alone($this->routineOf($path), $other === '' ? null : $this->routineOf($other)),
                    ...($other === '' ? [$this->context->before($path, ['do' => 'stop', 'motion' => $moved, 'how' => 'brake'],
                        new Sentence("Brake {$this->build->motions[$moved]->named()} first"))] : []),
                ], $motion);
        }
    }

    /** @param  list<Routine>  $routines */
    private function changesNothing(array $routines): void
    {
        foreach ($routines as $i => $routine) {
            foreach ($routine->flat() as $path => $step) {
                $couples = $step->effect($this->build)->couples;
                if ($couples !== null && ! $this->isSelected($couples)) {
                    $this->context->find($routine, 'routine.nothing_to_change', Severity::Tight, "routines.{$i}.{$path}",
                        "{$this->build->motions[$couples]->named()} has its motor to itself: there is nothing to change over.", [],
                        [$this->without("routines.{$i}.{$path}")], $couples);
                }
            }
        }
    }

    /**
     * Whether a move may find its power switched off.
     */
    private function powered(): void
    {
        $told = [];
        foreach ($this->reached->of('no_power') as $conflict) {
            [$path, $motion] = [(string) $conflict->path, $conflict->about];
            if (! isset($told["{$this->routineOf($path)->id} {$motion}"])) {
                $told["{$this->routineOf($path)->id} {$motion}"] = true;
                $name = $this->build->motions[$motion]->named();
                $this->context->find($this->routineOf($path), 'routine.no_power', Severity::Fails, $path,
                    "The power of {$name} may be switched off here: then the step refuses.", [], [
                        $this->context->before($path, ['do' => 'power', 'motion' => $motion, 'state' => 'on', 'settle_s' => self::SETTLE_S],
                            new Sentence("Switch the power of {$name} on first")),
                    ], $motion);
            }
        }
    }

    /**
     * Whether a move by an amount may go past a hard stop.
     */
    private function within(): void
    {
        foreach ($this->reached->of('past_end') as $conflict) {
            [$path, $motion, $to] = [(string) $conflict->path, $conflict->about, (float) $conflict->to];
            $unit = $this->build->motions[$motion]->unit();
            $stops = $this->build->motions[$motion]->stops;
            $stop = $stops->hard_high !== null && $to > $stops->hard_high ? $stops->hard_high : (float) $stops->hard_low;
            $this->context->find($this->routineOf($path), 'routine.by_past_stop', Severity::Fails, "{$path}.by",
                "This can take {$this->build->motions[$motion]->named()} to {at}, past its hard stop at {stop}.",
                ['at' => $unit->quantity($to), 'stop' => $unit->quantity($stop)], [
                    ...$this->smaller($path, $this->build->motions[$motion], $to, $stop), $this->without($path),
                ], $motion);
        }
    }

    /** It shares its motor with another through a selector. */
    private function isSelected(string $id): bool
    {
        return ($this->build->motorGroups[$id]->by ?? null) === 'selector';
    }

    /**
     * Moves of a shared motor that its selector may not hold: of each routine and motion the first.
     */
    private function coupled(): void
    {
        $told = [];
        foreach ($this->reached->of('not_coupled') as $conflict) {
            [$path, $motion] = [(string) $conflict->path, $conflict->about];
            if (isset($told["{$this->routineOf($path)->id} {$motion}"])) {
                continue;
            }
            $told["{$this->routineOf($path)->id} {$motion}"] = true;
            $name = $this->build->motions[$motion]->named();
            $this->context->find($this->routineOf($path), 'routine.not_changed_over', Severity::Fails, $path,
                "{$name} has its motor through a selector, and that may still hold another here; after power-on nobody knows which.", [], [
                    $this->context->before($path, ['do' => 'change_over', 'motion' => $motion, 'takes_s' => self::CHANGE_OVER_S],
                        new Sentence("Change over to {$name} first")),
                ], $motion);
        }
    }

    /**
     * A sensor that a run waits for and that lies the other way, or past the hard stop.
     */
    private function unreachable(Routine $routine, int $i): void
    {
        foreach ($routine->flat() as $path => $step) {
            $effect = $step->effect($this->build);
            [$move, $until, $way] = [$effect->move, $effect->until, $effect->move->way ?? 0];
            if ($move === null || ! $until instanceof InputIs || ! $until->on) {
                continue;
            }
            $switch = $move->onto;
            $motion = $this->build->motions[$move->motion];
            if ($motion->period() !== null) {
                continue; // it comes round to everything
            }
            $sensor = $this->build->sensors[$until->sensor] ?? null;
            $at = $switch->at ?? ($sensor?->motion === $move->motion ? $sensor->at : null);
            $name = $switch?->named() ?? $sensor?->named() ?? '';
            $stop = $way > 0 ? $motion->stops->hard_high : $motion->stops->hard_low;
            if ($switch !== null && $switch->direction() !== $way) {
                $this->context->find($routine, 'routine.until_unreachable', Severity::Fails, "routines.{$i}.{$path}.direction",
                    "{$motion->named()} runs {$motion->way($way)} here and cannot reach {$name}, which lies the other way.", [], [
                        new Fix(new Sentence('Run it '.$motion->way(-$way)), [new Change("routines.{$i}.{$path}.direction", $way > 0 ? 'down' : 'up')]),
                    ], $move->motion);
            } elseif ($switch === null && $at !== null && $stop !== null && ($at - ($sensor->reach ?? 0.0) * $way - $stop) * $way > 0.0) {
                $this->context->find($routine, 'routine.past_stop', Severity::Fails, "routines.{$i}.{$path}.until",
                    "{$name} sits at {at}, past the hard stop at {stop}: the run never gets there.",
                    ['at' => $motion->unit()->quantity($at), 'stop' => $motion->unit()->quantity($stop)], [
                        new Fix(new Sentence('Move the sensor to {stop}', ['stop' => $motion->unit()->quantity($stop)]),
                            [new Change('sensors.'.array_search($until->sensor, array_keys($this->build->sensors), true).'.at', $stop)]),
                    ], $move->motion);
            }
        }
    }

    private function broken(Conflict $conflict): void
    {
        $rule = $this->build->rules[$conflict->about];
        $steps = array_filter($conflict->story, fn (Happening $each): bool => in_array($each->what, ['ends', 'gives_up'], true));
        $last = array_key_last($steps) === null ? null : $steps[array_key_last($steps)]->of;
        $says = $rule->says($this->build);
        $at = 'rules.'.array_search($rule->id, array_keys($this->build->rules), true);
        $in = $conflict->path ?? $last;
        $this->context->find($in === null ? array_values($this->build->routines)[0] : $this->routineOf($in), 'routine.rule_broken', Severity::Fails,
            $conflict->path ?? $at,
            "The rule {$rule->named()} can be broken, {$says->template}: ".implode('; ',
                array_map($this->happened(...), array_slice($conflict->story, -4))).'.', $says->values,
            $conflict->path === null || $rule->while === null ? [] : $this->guard($rule, $conflict->path));
    }

    private function happened(Happening $happening): string
    {
        return match ($happening->what) {
            'power_on' => 'the power comes on',
            'starts' => $this->build->routineNamed((string) $happening->of).' starts',
            'gives_up' => "“{$this->context->sentence((string) $happening->of)}” gives up",
            default => "“{$this->context->sentence((string) $happening->of)}” ends",
        };
    }

    /** @return list<Fix> what must be out of the way goes there first */
    private function first(?Condition $while, string $path): array
    {
        $place = $while instanceof NotSo ? $while->that : $while;
        if (! $place instanceof AtPlace) {
            return [];
        }
        $motion = $this->build->motions[$place->motion];
        $away = array_values(array_filter([$motion->task->to, $motion->task->from], fn (string $id): bool => $id !== $place->place))[0] ?? $motion->task->to;
        $to = $while instanceof NotSo ? $place->place : $away;
        $time = $this->context->subjects[$motion->id]->facts->longestTimeTo($to);

        return [$this->context->before($path, ['do' => 'go', 'motion' => $motion->id, 'place' => $to, 'give_up_s' => $time === null ? null
            : RoutineContext::patienceFor($time)], new Sentence("Take {$motion->named()} to {$motion->place($to)?->named()} first"))];
    }

    /** @return list<Fix> the step only if the rule does not forbid it, otherwise a fault */
    private function guard(Rule $rule, string $path): array
    {
        $at = DocumentPath::of($path);
        $ruleAt = (int) array_search($rule->id, array_keys($this->build->rules), true);
        $while = $this->build->document['rules'][$ruleAt]['while'];
        $choose = ['do' => 'choose', 'if' => ['test' => 'not', 'that' => $while], 'then' => [$at->in($this->build->document)],
            'otherwise' => [['do' => 'fault', 'message' => "rule: {$rule->name}"]]];

        return [...$this->first($rule->while, $path), new Fix(new Sentence('Do it only while that is not so, and stop with a fault otherwise'),
            [$at->replaced($this->build->document, [$choose])])];
    }

    /** @return list<Fix> in the routine itself, and when the power comes on */
    private function homeFirst(string $path, string $motion): array
    {
        $subject = $this->context->subjects[$motion];
        $home = $subject->motion->positioning->homesOnto();
        $added = [];
        if ($home === null) {
            $switch = StopsJudge::firstSwitch($subject->motion);
            $added = [new Change($subject->path.'.stops.switches', [$switch])];
            $home = new LimitSwitch(...$switch);
        }
        $time = $subject->facts->longestTimeTo($home->place, RoutineContext::HOME_SPEED);
        $step = $subject->motion->homing($home, RoutineContext::HOME_SPEED, $time === null ? null : RoutineContext::patienceFor($time));
        $i = (int) DocumentPath::of($path)->key(1);
        $first = "routines.{$i}.steps.0";

        $says = $added === [] ? "Home {$subject->motion->named()} onto {$home->named()} first"
            : "Put a switch at {$subject->facts->placeName($home->place)}, and home {$subject->motion->named()} onto it first";
        $fix = $this->context->before(str_contains($path, '.if_fails.') ? $path : $first, $step, new Sentence($says));

        return [new Fix($fix->does, [...$added, ...$fix->changes]), new Fix(
            new Sentence($added === [] ? "When the power comes on, home {$subject->motion->named()} onto {$home->named()}"
                : "Put a switch at {$subject->facts->placeName($home->place)}, and when the power comes on home {$subject->motion->named()} onto it"),
            [...$added, $this->atPowerOn($step, $i)],
        )];
    }

    /**
     * At the end of what another routine does when the power comes on, or in one of its own.
     *
     * @param  array<string, mixed>  $step
     * @param  int  $but  the routine that it is done for
     */
    private function atPowerOn(array $step, int $but): Change
    {
        foreach (array_values($this->build->routines) as $i => $routine) {
            if ($i !== $but && $routine->startsAtPowerOn()) {
                return new Change("routines.{$i}.steps", [...$this->context->stepsAt("routines.{$i}.steps"), $step]);
            }
        }

        return new Change('routines.'.count($this->build->routines), ['id' => 'find-the-ends', 'name' => 'Find the ends',
            'starts' => [['when' => 'power_on']], 'steps' => [$step]]);
    }

    /** @return list<Fix> the one starts only when the other does not run */
    private function alone(Routine $routine, ?Routine $other): array
    {
        if ($other === null || $other->id === $routine->id) {
            return [];
        }
        $changes = [];
        foreach ([$routine, $other] as $each) {
            if (! $each->alone && ! $each->startsAtPowerOn()) {
                $changes[] = new Change('routines.'.array_search($each->id, array_keys($this->build->routines), true).'.alone', true);
            }
        }

        return $changes === [] ? [] : [new Fix(new Sentence('Let '.($routine->startsAtPowerOn() ? $other->named()
            : $routine->named()).' start only while nothing runs that moves the same things'), $changes)];
    }

    private function without(string $path): Fix
    {
        return new Fix(new Sentence('Take this step out'), [DocumentPath::of($path)->replaced($this->build->document, [])]);
    }

    /** @return list<Fix> a smaller portion of its travel at a time: no further than to its outermost place */
    private function smaller(string $path, Motion $motion, float $to, float $stop): array
    {
        $step = $this->stepAt($path);
        [$low, $high] = $motion->range();
        $whole = $step?->effect($this->build)->move->by ?? 0.0;
        $by = round($whole - ($to - ($to > $stop ? $high : $low)), 6);

        return $by * $whole <= 0.0 ? []
            : [new Fix(new Sentence("Move it only {by} {$motion->way($by > 0.0 ? 1 : -1)}", ['by' => $motion->unit()->quantity(abs($by))]),
                [new Change("{$path}.by", $by)])];
    }

    private function startsNever(Routine $routine): bool
    {
        return $routine->starts === [];
    }

    private function stepAt(string $path): ?Step
    {
        return $this->routineOf($path)->stepAt(substr($path, strlen('routines.'.DocumentPath::of($path)->key(1).'.')));
    }

    /** The routine that a path lies in. */
    private function routineOf(string $path): Routine
    {
        return array_values($this->build->routines)[(int) DocumentPath::of($path)->key(1)];
    }
}
