<?php

declare(strict_types=1);

namespace Brookstone\Core\Trainer;

use Brookstone\Core\Build\Build;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Parts\Motion;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Routine\Routine;
use Brookstone\Core\Routine\Scenario;
use Brookstone\Core\Simulation\RoutineRun;

/** What somebody at the bench sees of a routine, and what can be measured there: in words, whatever is wrong. */
final class Observer
{
    private const AT_PLACE = 0.08; // of the travel: nearer nobody sees that it stands beside it

    private const SLOWLY = 1.35; // times as long as usual: that is seen without a watch

    private const OFF = 0.1; // what a watch in a hand and a cheap meter are off by

    private const MOVING = 0.02; // of the travel

    /** @var array<string, array{asks: Sentence, says: Sentence}>|null */
    private ?array $measured = null;

    /** @var array<string, mixed> */
    private array $run;

    private readonly Build $build;

    /** @param  self|null  $usual  how it goes when nothing is wrong */
    public function __construct(private readonly Build $planned, private readonly Routine $routine, private readonly ?Scenario $scenario,
        private readonly ?HiddenFault $fault, private readonly ?self $usual = null)
    {
        $this->build = $fault?->in($planned) ?? $planned;
        $events = $fault === null ? [] : $fault->events;
        $with = $events === [] ? $scenario : ($scenario ?? new Scenario('', 'Started by hand', 120.0, [], []))->with(...$events);
        $this->run = RoutineRun::of($this->build, $this->build->routines[$routine->id], $with, byHand: $scenario === null, after_s: 1.0);
    }

    /** It goes as it should. */
    public function isDone(): bool
    {
        return $this->run['outcome'] === 'finished' && $this->run['mishaps'] === [];
    }

    /** @return list<Sentence> what is seen without any instrument */
    public function seen(): array
    {
        $says = [];
        foreach ($this->steps() as $i => $step) {
            $says[] = $this->move($step, $this->usual?->steps()[$i] ?? null);
        }
        foreach ($this->run['mishaps'] as $mishap) {
            if ($mishap['kind'] === 'hit' && isset($this->planned->motions[$mishap['of']])) {
                $says[] = new Sentence("{$this->planned->motions[$mishap['of']]->named()} knocked against its stop.");
            }
        }
        $says[] = new Sentence(match ($this->run['outcome']) {
            'finished' => 'Then it was done.',
            'faulted' => 'Then the controller gave up, and nothing more moved.',
            'never_started' => 'It never began.',
            default => 'Then nothing more happened.',
        });

        return $says;
    }

    /** @return array<string, array{asks: Sentence, says: Sentence}> by what is measured */
    public function measured(): array
    {
        return $this->measured ??= $this->measure();
    }

    /** @return array<string, array{asks: Sentence, says: Sentence}> */
    private function measure(): array
    {
        $measured = [];
        foreach ($this->motions() as $id => $motion) {
            $name = $motion->named();
            $measured["time {$id}"] = ['asks' => new Sentence("Time {$name} with a watch"), 'says' => $this->times($id)];
            $measured["current {$id}"] = ['asks' => new Sentence("Measure what {$name} draws on its way"), 'says' => $this->current($id)];
            $measured["hand {$id}"] = ['asks' => new Sentence("Power off: move {$name} by hand"), 'says' => $this->byHand($motion)];
            foreach ($this->build->document['motions'][$this->build->indexOf($id)]['stops']['switches'] as $switch) {
                $switchName = Sentence::quote($switch['name']);
                $measured["reads {$switch['id']}"] = ['asks' => new Sentence("Press {$switchName} and see what the controller reads"),
                    'says' => $this->reads($switch['id'])];
                $measured["trips {$switch['id']}"] = ['asks' => new Sentence("Look where {$switchName} trips"),
                    'says' => new Sentence('It trips at {at}.', ['at' => $motion->unit()->quantity((float) $switch['at'])])];
            }
            if ($motion->train->stages !== []) {
                $measured["count {$id}"] = ['asks' => new Sentence("Count the teeth in the train of {$name}"), 'says' => $this->teeth($id)];
            }
        }
        foreach ($this->asked() as $id) {
            $measured["reads {$id}"] ??= ['asks' => new Sentence("Set off {$this->planned->sensors[$id]->named()} and see what the controller reads"),
                'says' => $this->reads($id)];
        }
        foreach ($this->run['supplies'] as $supply) {
            $volts = $this->planned->supplies[$supply['supply']]->volts_V * $this->factor('supply', $supply['supply'], 1.0);
            $measured["volts {$supply['supply']}"] = ['asks' => new Sentence('Measure the voltage of '.Sentence::quote($supply['name']).' while it runs'),
                'says' => new Sentence('It gives {volts}.', ['volts' => Quantity::of($volts, 'V')])];
        }
        foreach ($this->program() as $id => [$asks, $says]) {
            $measured[$id] = ['asks' => $asks, 'says' => $says];
        }

        return $measured;
    }

    /** @return list<string> what is seen, as text */
    public function story(): array
    {
        return array_map(fn (Sentence $each): string => $each->text(), $this->seen());
    }

    /**
     * What would be measured otherwise than by another, beyond what instruments are off by.
     *
     * @return list<string> keys of what is measured
     */
    public function differing(self $other): array
    {
        $theirs = $other->measured();

        return array_values(array_filter(array_keys($this->measured()), fn (string $id): bool => isset($theirs[$id])
            && ! self::areAlike($this->measured()[$id]['says'], $theirs[$id]['says'])));
    }

    private static function areAlike(Sentence $one, Sentence $other): bool
    {
        if ($one->template !== $other->template) {
            return false;
        }
        foreach ($one->values as $name => $value) {
            if (abs($value->si - $other->values[$name]->si) > self::OFF * max(abs($value->si), abs($other->values[$name]->si), 0.05)) {
                return false;
            }
        }

        return true;
    }

    /** @return list<array<string, mixed>> steps that moved something */
    private function steps(): array
    {
        return array_values(array_filter($this->run['steps'], fn (array $step): bool => $step['motion'] !== null && $step['from'] !== null
            && ! in_array($step['do'], ['stop', 'power'], true)));
    }

    /** @return array<string, Motion> that the routine moves, as they were planned */
    private function motions(): array
    {
        $ids = [];
        foreach ($this->routine->flat() as $step) {
            $ids[$step->motion() ?? ''] = true;
        }

        return array_intersect_key($this->planned->motions, $ids);
    }

    /**
     * @param  array<string, mixed>  $step
     * @param  array<string, mixed>|null  $usual
     */
    private function move(array $step, ?array $usual): Sentence
    {
        $motion = $this->planned->motions[$step['motion']];
        $name = $motion->named();
        $at = $step['at'] ?? $this->at($motion->id, $step['end_s'] ?? $this->run['ran_s']);
        $went = abs($at - $step['from']) > self::MOVING * $this->travel($motion);
        $takes = ($step['end_s'] ?? $this->run['ran_s']) - $step['start_s'];
        $isSlow = $usual !== null && $usual['motion'] === $step['motion'] && $usual['end_s'] !== null
            && $takes > self::SLOWLY * ($usual['end_s'] - $usual['start_s']) + 0.2;
        $where = $this->where($motion, $at);
        $hums = ! $went && $this->draws($motion->id, $step['start_s'], $step['end_s'] ?? $this->run['ran_s']) > 0.0;

        return new Sentence(match (true) {
            ! $went => "{$name} stayed {$where->template}".($step['outcome'] === 'done' ? '.' : ($hums ? '; its motor hummed.' : '; nothing was to be heard.')),
            $step['outcome'] === 'done' => "{$name} went".($isSlow ? ' slowly' : '')." and stood {$where->template}.",
            default => "{$name} went and was stopped {$where->template}.",
        }, $where->values);
    }

    private function where(Motion $motion, float $at): Sentence
    {
        $travel = $this->travel($motion);
        foreach ($this->placesOf($motion) as $name => $place) {
            if (abs($at - $place) <= self::AT_PLACE * $travel) {
                return new Sentence('at '.Sentence::quote($name));
            }
        }
        $low = min($this->placesOf($motion));

        return new Sentence(match (true) {
            $at < $low => 'below all its places',
            $at > $low + $travel => 'above all its places',
            default => 'between its places',
        });
    }

    private function times(string $id): Sentence
    {
        $says = $values = [];
        foreach ($this->steps() as $i => $step) {
            if ($step['motion'] === $id) {
                $says[] = $step['outcome'] === 'done' ? "{time{$i}}" : 'never there';
                $values += $step['outcome'] === 'done' ? ["time{$i}" => Quantity::of((float) sprintf('%.1f', $step['end_s'] - $step['start_s']), 's')] : [];
            }
        }

        return new Sentence($says === [] ? 'It does not move.' : implode(', ', $says).'.', $values);
    }

    private function current(string $id): Sentence
    {
        $most = 0.0;
        foreach ($this->steps() as $step) {
            $most = $step['motion'] === $id ? max($most, $this->draws($id, $step['start_s'], $step['end_s'] ?? $this->run['ran_s'])) : $most;
        }

        return $most <= 0.0 ? new Sentence('It draws nothing.') : new Sentence('It draws {current} on the average of the move that takes most.',
            ['current' => Quantity::of((float) sprintf('%.2g', $most), 'A')]);
    }

    private function byHand(Motion $motion): Sentence
    {
        return new Sentence(match (true) {
            $this->has('hold', $motion->id) => 'It sticks half way: something holds it there.',
            $this->factor('drag', $motion->id, 1.0) > 1.0 => 'It goes stiffly all the way, empty too.',
            $this->factor('heavier', $motion->id, 1.0) > 1.0 => 'It goes freely; on the scale it is much heavier than was said.',
            default => 'It goes freely, and weighs what was said.',
        });
    }

    private function reads(string $id): Sentence
    {
        foreach ($this->fault === null ? [] : $this->fault->events as $event) {
            if ($event->of === $id && $event->what === 'stuck') {
                return new Sentence($event->on === true ? 'It reads on, pressed or not.' : 'It reads off, pressed or not.');
            }
            if ($event->of === $id && $event->what === 'late') {
                return new Sentence('It reads on half a second after it is pressed.');
            }
        }
        if (str_starts_with($this->fault->id ?? '', 'swapped ')) {
            foreach ($this->build->motions[explode(' ', (string) $this->fault?->id)[1]]->stops->switches as $switch) {
                if ($switch->id === $id) {
                    return new Sentence('Another input reads on when it is pressed.');
                }
            }
        }

        return new Sentence('It reads on when it is pressed, and off when it is let go.');
    }

    private function teeth(string $id): Sentence
    {
        $stages = $this->build->document['motions'][$this->build->indexOf($id)]['train'];

        return new Sentence(implode(', ', array_map(fn (array $stage): string => "{$stage['driver']} on {$stage['driven']}", $stages)).'.');
    }

    /** @return array<string, array{Sentence, Sentence}> what its steps say, as they were put into the controller */
    private function program(): array
    {
        $says = [];
        foreach ($this->build->routines[$this->routine->id]->steps as $i => $step) {
            if ($step->motion() !== null) {
                $says["program {$i}"] = [new Sentence('Read step '.($i + 1).' in the controller'), $step->says($this->build)];
            }
        }

        return $says;
    }

    /** @return list<string> sensors that its steps ask */
    private function asked(): array
    {
        $ids = array_map(fn (HiddenFault $fault): string => explode(' ', $fault->id)[1], Faults::of($this->planned, $this->routine));

        return array_values(array_unique(array_filter($ids, fn (string $id): bool => isset($this->planned->sensors[$id]))));
    }

    private function has(string $what, string $of): bool
    {
        return $this->fault !== null && array_filter($this->fault->events, fn ($event): bool => $event->what === $what && $event->of === $of) !== [];
    }

    private function factor(string $what, string $of, float $usual): float
    {
        foreach ($this->fault === null ? [] : $this->fault->events as $event) {
            if ($event->what === $what && $event->of === $of) {
                return $event->value;
            }
        }

        return $usual;
    }

    /** The mean of its current between two times, A. */
    private function draws(string $id, float $from_s, float $to_s): float
    {
        $currents = $this->currents($id, $from_s, $to_s);

        return $currents === [] ? 0.0 : array_sum($currents) / count($currents);
    }

    /** @return list<float> A */
    private function currents(string $id, float $from_s, float $to_s): array
    {
        $trace = array_column($this->run['motions'], null, 'motion')[$id] ?? null;
        $first = (int) floor($from_s / $this->run['sample_s']);

        return $trace === null ? [] : array_values(array_map(floatval(...),
            array_slice($trace['current_A'], $first, max(1, (int) ceil($to_s / $this->run['sample_s']) - $first))));
    }

    private function at(string $id, float $time_s): float
    {
        $positions = array_column($this->run['motions'], null, 'motion')[$id]['position'] ?? [0.0];

        return $positions[min(count($positions) - 1, (int) round($time_s / $this->run['sample_s']))];
    }

    private function travel(Motion $motion): float
    {
        $places = $this->placesOf($motion);

        return max(1e-9, max($places) - min($places));
    }

    /** @return non-empty-array<string, float> by name */
    private function placesOf(Motion $motion): array
    {
        $places = $this->planned->document['motions'][$this->planned->indexOf($motion->id)]['places'];

        return array_map(floatval(...), array_column($places, 'at', 'name')) ?: ['' => 0.0];
    }
}
