<?php

declare(strict_types=1);

namespace Brookstone\Core\Build;

use Brookstone\Core\Finding\Change;
use Brookstone\Core\Finding\Fix;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Parts\Counter;
use Brookstone\Core\Parts\LimitSwitch;
use Brookstone\Core\Parts\Motion;
use Brookstone\Core\Parts\Sensor;
use Brookstone\Core\Routine\Routine;

/** Ready routines to start from, made for the motions and sensors that a build has. */
final class RoutineLibrary
{
    /** @return list<array{key: string, name: string, says: string, lacks: string|null, begin: Fix|null}> */
    public static function of(Build $build): array
    {
        $library = new self($build);
        /** @var list<array{string, string, string, non-empty-list<Change>|string}> $entries */
        $entries = [
            ['home', 'Home at power-on', 'Drives every motion that has a switch gently onto it when the power comes on.', $library->home()],
            ['there-and-back', 'There and back', 'A press takes a motion to its far place, waits, and brings it back.', $library->thereAndBack()],
            ['toggle', 'Toggle by last state', 'Each press takes it to where it is not.', $library->toggle()],
            ['gate', 'Power only to move', 'Switches the power of a servo on, moves it, lets it settle and switches it off again.', $library->gate()],
            ['feed', 'Feed one item', 'A press runs a feeder until a sensor has seen one item go by.', $library->feed()],
            ['dial', 'The next place of a dial', 'A press turns a dial on by one place, and round again after the last.', $library->dial()],
            ['crank', 'Open and shut in one direction',
                'A press turns a crank on past its one switch, waits, and on past the other: it is never turned back.', $library->crank()],
            ['visitor', 'Wait for a visitor', 'A broken beam starts it; then it is quiet for a while whoever comes.', $library->visitor()],
            ['count', 'Every tenth time', 'Counts, and does something more each time the count is full.', $library->count()],
            ['release', 'Let go, and wind again', 'A press lets go what a latch holds, and its drive winds it for the next time.', $library->release()],
            ['knob', 'As fast as a knob says', 'A press takes a motion to its far place and back, as fast as a knob says.', $library->knob()],
            ['stick', 'Follow a stick', 'After a press a motion goes where a stick or knob says, until the next press.', $library->stick()],
            ['asleep', 'Asleep until pressed', 'A press moves it there and back once; then the controller sleeps until the next.', $library->asleep()],
            ['threshold', 'Set a threshold', 'After power-on a button is pressed without the thing and with it: the threshold of a sensor lies between.',
                $library->threshold()],
            ['day-and-night', 'Day and night', 'A light level starts it at dusk, with hysteresis, and once only until it was day again.', $library->night()],
        ];

        return array_map(fn (array $entry): array => [
            'key' => $entry[0], 'name' => $entry[1], 'says' => $entry[2],
            'lacks' => is_string($entry[3]) ? $entry[3] : null, 'begin' => is_string($entry[3]) ? null : new Fix(new Sentence("Begin “{$entry[1]}”"),
                $entry[3]),
        ], $entries);
    }

    private function __construct(private readonly Build $build)
    {
    }

    /** @return non-empty-list<Change>|string */
    private function home(): array|string
    {
        $steps = [];
        foreach ($this->build->motions as $id => $motion) {
            $switch = $motion->positioning->homesOnto();
            if ($switch !== null && $motion->drive !== null && ! $motion->positioning->isAbsolute()) {
                $steps[] = $motion->homing($switch, 0.5, $motion->patience_s(0.5));
            }
        }

        $homed = array_column($steps, 'motion');
        foreach ($this->build->routines as $routine) {
            if ($routine->startsAtPowerOn() && array_intersect($routine->motions(), $homed) !== []) {
                return "{$routine->name} moves some of them at power-on already: two orders for one motor.";
            }
        }

        return $steps === [] ? 'No motion has a switch to home on.' : $this->routine('Home', [['when' => 'power_on']], $steps, false);
    }

    /** @return non-empty-list<Change>|string */
    private function thereAndBack(): array|string
    {
        [$motion, $start] = [$this->moved(), $this->start()];

        return match (true) {
            $motion === null => 'There is no motion with a drive yet.',
            $start === null => 'There is no button or beam yet.',
            default => $this->routine("{$motion->name} there and back", [$start], [$this->go($motion, $motion->task->to), ['do' => 'wait', 'for_s' => 2],
                $this->go($motion, $motion->task->from)]),
        };
    }

    /** @return non-empty-list<Change>|string */
    private function toggle(): array|string
    {
        [$motion, $start] = [$this->moved(), $this->start()];

        return match (true) {
            $motion === null => 'There is no motion with a drive yet.',
            $start === null => 'There is no button or beam yet.',
            default => $this->routine("Toggle {$motion->name}", [$start], [[
                'do' => 'choose', 'if' => ['test' => 'place', 'motion' => $motion->id, 'place' => $motion->task->to],
                'then' => [$this->go($motion, $motion->task->from)], 'otherwise' => [$this->go($motion, $motion->task->to)],
            ]]),
        };
    }

    /** @return non-empty-list<Change>|string */
    private function gate(): array|string
    {
        $servo = $this->moved(fn (Motion $motion): bool => $motion->positioning->isAbsolute());
        $start = $this->start();

        return match (true) {
            $servo === null => 'No motion is moved by a servo.',
            $start === null => 'There is no button or beam yet.',
            default => $this->routine("{$servo->name}, power only to move", [$start], [
                ['do' => 'power', 'motion' => $servo->id, 'state' => 'on', 'settle_s' => 0.2], $this->go($servo, $servo->task->to),
                ['do' => 'wait', 'for_s' => 1],
                $this->go($servo, $servo->task->from), ['do' => 'wait', 'for_s' => 0.3], ['do' => 'power', 'motion' => $servo->id, 'state' => 'off',
                    'settle_s' => 0],
            ]),
        };
    }

    /** @return non-empty-list<Change>|string */
    private function feed(): array|string
    {
        $feeder = $this->moved(fn (Motion $motion): bool => $motion->task->keeps_turning && ! $motion->positioning->isAbsolute());
        $sees = $this->sensor('reflective', 'beam', 'magnet');
        $start = $this->start(except: $sees?->id);

        return match (true) {
            $feeder === null => 'There is no motor that can run on.',
            $sees === null => 'There is no sensor that could see an item go by: a beam, a reflective sensor or a magnet.',
            $start === null => 'There is no button to start it.',
            default => $this->routine('Feed one item', [$start], [
                ['do' => 'run', 'motion' => $feeder->id, 'direction' => 'up', 'until' => ['sensor' => $sees->id, 'is' => 'on'],
                    'give_up_s' => $feeder->patience_s()],
                ['do' => 'run', 'motion' => $feeder->id, 'direction' => 'up', 'until' => ['sensor' => $sees->id, 'is' => 'off'], 'give_up_s' => 3],
                ['do' => 'stop', 'motion' => $feeder->id, 'how' => 'brake'],
            ]),
        };
    }

    /** @return non-empty-list<Change>|string */
    private function dial(): array|string
    {
        $dial = $this->moved(fn (Motion $motion): bool => ($this->build->document['motions'][$this->build->indexOf($motion->id)]['dial'] ?? null) !== null
            && ! $motion->positioning->isTimed());
        $start = $this->start();

        return match (true) {
            $dial === null => 'No dial is turned by what counts its steps or pulses, or knows its angle.',
            $start === null => 'There is no button or beam yet.',
            default => $this->routine("Next place of {$dial->name}", [$start], [
                ['do' => 'go_by', 'motion' => $dial->id,
                    'by' => (float) $dial->period() / $this->build->document['motions'][$this->build->indexOf($dial->id)]['dial']['places'],
                    'give_up_s' => $dial->patience_s()],
            ]),
        };
    }

    /** @return non-empty-list<Change>|string */
    private function crank(): array|string
    {
        $crank = $this->moved(fn (Motion $motion): bool => $motion->period() !== null && count($motion->stops->switches) > 1);
        $start = $this->start();
        if ($crank === null || $start === null) {
            return $crank === null ? 'Nothing that comes round passes two switches of its own.' : 'There is no button or beam yet.';
        }
        $past = fn (LimitSwitch $switch): array => [
            ['do' => 'run', 'motion' => $crank->id, 'direction' => 'up', 'until' => ['sensor' => $switch->id, 'is' => 'on'],
                'give_up_s' => $crank->patience_s()],
            ['do' => 'stop', 'motion' => $crank->id, 'how' => 'brake'],
        ];
        $there = $crank->stops->switchAt($crank->task->to) ?? $crank->stops->switches[1];
        $back = $crank->stops->switchAt($crank->task->from) ?? $crank->stops->switches[0];

        return $this->routine("{$crank->name} open and shut", [$start], [...$past($there), ['do' => 'wait', 'for_s' => 2], ...$past($back)]);
    }

    /** @return non-empty-list<Change>|string */
    private function visitor(): array|string
    {
        [$motion, $beam] = [$this->moved(), $this->sensor('beam', 'reflective', 'press')];

        return match (true) {
            $motion === null => 'There is no motion with a drive yet.',
            $beam === null => 'There is no beam, reflective sensor or button yet.',
            default => $this->routine('For a visitor', [$this->startOf($beam)], [$this->go($motion, $motion->task->to), ['do' => 'wait', 'for_s' => 2],
                $this->go($motion, $motion->task->from), ['do' => 'wait', 'for_s' => 60]]),
        };
    }

    /** @return non-empty-list<Change>|string */
    private function count(): array|string
    {
        $start = $this->start();
        $output = array_key_first($this->build->outputs);
        if ($start === null || $output === null) {
            return $start === null ? 'There is no button or beam yet.' : 'There is no lamp, sound or relay yet.';
        }
        $counter = array_values(array_filter($this->build->counters, fn (Counter $each): bool => ! $each->isMark))[0] ?? null;
        $id = $counter->id ?? $this->free('times', array_keys($this->build->counters));
        $steps = [
            ['do' => 'set', 'counter' => $id, 'add' => 1],
            ['do' => 'choose', 'if' => ['test' => 'counter', 'counter' => $id, 'is' => 'at_least', 'value' => 10],
                'then' => [['do' => 'signal', 'output' => $output, 'state' => 'on', 'for_s' => 2], ['do' => 'set', 'counter' => $id, 'to' => 0]],
                'otherwise' => []],
        ];

        return [...($counter === null ? [new Change('counters.'.count($this->build->counters), ['id' => $id, 'name' => 'Times', 'kept' => true])] : []),
            ...$this->routine('Every tenth time', [$start], $steps)];
    }

    /** @return non-empty-list<Change>|string */
    private function release(): array|string
    {
        $held = $this->moved(fn (Motion $motion): bool => $motion->latch !== null);
        $start = $this->start();
        if ($held === null || $start === null) {
            return $held === null ? 'No motion with a drive is held by a latch.' : 'There is no button or beam yet.';
        }
        $latch = $held->latch;
        $by = $this->build->motions[$latch->motion ?? ''] ?? null;
        $rest = $by === null ? null : ($by->task->from !== $latch?->lets_go ? $by->task->from : $by->task->to);

        return $this->routine("Let {$held->name} go", [$start], [
            ['do' => 'release', 'motion' => $held->id, 'by' => $by?->id, 'give_up_s' => $by?->patience_s()], ['do' => 'wait', 'for_s' => 0.3],
            ...($by === null || $rest === null ? [] : [$this->go($by, $rest)]), $this->go($held, $held->task->to), $this->go($held, $held->task->from),
        ]);
    }

    /** @return non-empty-list<Change>|string */
    private function knob(): array|string
    {
        [$motion, $knob, $start] = [$this->moved(), $this->sensor('knob', ...Sensor::ANALOG), $this->start()];
        $go = fn (Motion $motion, Sensor $knob, string $place): array => ['do' => 'pace', 'motion' => $motion->id, 'place' => $place, 'sensor' => $knob->id,
            'give_up_s' => $motion->patience_s(0.1)];

        return match (true) {
            $motion === null => 'There is no motion with a drive yet.',
            $knob === null => 'There is no knob, or anything else that measures, yet.',
            $start === null => 'There is no button or beam yet.',
            default => $this->routine("{$motion->name} as fast as {$knob->name} says", [$start], [$go($motion, $knob, $motion->task->to),
                $go($motion, $knob, $motion->task->from)]),
        };
    }

    /** @return non-empty-list<Change>|string */
    private function stick(): array|string
    {
        $servo = $this->moved(fn (Motion $motion): bool => $motion->positioning->isAbsolute());
        [$stick, $button] = [$this->sensor('knob', ...Sensor::ANALOG), $this->sensor('press')];

        return match (true) {
            $servo === null => 'No motion is moved by a servo.',
            $stick === null => 'There is no stick or knob, or anything else that measures, yet.',
            $button === null => 'There is no button yet.',
            default => $this->routine("{$servo->name} by hand", [$this->startOf($button)], [
                ['do' => 'wait', 'until' => ['sensor' => $button->id, 'is' => 'off']],
                ['do' => 'follow', 'motion' => $servo->id, 'sensor' => $stick->id, 'as' => 'place', 'until' => ['sensor' => $button->id, 'is' => 'on']],
            ]),
        };
    }

    /** @return non-empty-list<Change>|string */
    private function asleep(): array|string
    {
        [$motion, $button] = [$this->moved(), $this->sensor('press', 'magnet', 'beam')];

        return match (true) {
            $motion === null => 'There is no motion with a drive yet.',
            $button === null => 'There is no button, magnet switch or beam yet.',
            default => $this->routine("{$motion->name}, asleep between", [$this->startOf($button)], [$this->go($motion, $motion->task->to),
                ['do' => 'wait', 'for_s' => 2], $this->go($motion, $motion->task->from),
                ['do' => 'sleep', 'until' => ['sensor' => $button->id, 'is' => 'on']]]),
        };
    }

    /** @return non-empty-list<Change>|string */
    private function threshold(): array|string
    {
        [$sensor, $button] = [$this->sensor(...Sensor::ANALOG), $this->sensor('press')];

        return match (true) {
            $sensor === null => 'There is no sensor that measures yet.',
            $button === null => 'There is no button yet.',
            default => $this->routine("Threshold of {$sensor->name}", [['when' => 'power_on']],
                [['do' => 'calibrate', 'sensor' => $sensor->id, 'button' => $button->id]], false),
        };
    }

    /** @return non-empty-list<Change>|string */
    private function night(): array|string
    {
        $light = $this->sensor('light');
        $output = array_key_first($this->build->outputs);

        return match (true) {
            $light === null => 'There is no light sensor yet.',
            $output === null => 'There is no lamp, sound or relay yet.',
            default => $this->routine('At dusk',
                [['when' => 'level', 'sensor' => $light->id, 'is' => 'below', 'value' => round(0.4 * max(1.0, $light->rest), 2),
                    'hysteresis' => round(0.15 * max(1.0, $light->rest), 2), 'for_s' => 5]], [
                        ['do' => 'signal', 'output' => $output, 'state' => 'on'],
                        ['do' => 'wait', 'until' => ['test' => 'level', 'sensor' => $light->id, 'is' => 'above', 'value' => round(0.55 * max(1.0, $light->rest),
                            2)]], ['do' => 'signal', 'output' => $output, 'state' => 'off'],
                    ]),
        };
    }

    /**
     * @param  list<array<string, mixed>>  $starts
     * @param  list<array<string, mixed>>  $steps
     * @return non-empty-list<Change>
     */
    private function routine(string $name, array $starts, array $steps, bool $alone = true): array
    {
        $taken = array_map(fn (Routine $routine): string => $routine->name, array_values($this->build->routines));
        $free = mb_substr($name, 0, 70);
        for ($i = 2; in_array($free, $taken, true); $i++) {
            $free = mb_substr($name, 0, 70)." {$i}";
        }
        $id = $this->free(preg_replace(['/[^a-z0-9]+/', '/^[^a-z]+|-+$/'], ['-', ''], strtolower($name)) ?: 'routine', array_keys($this->build->routines));

        return [new Change('routines.'.count($this->build->routines), ['id' => $id, 'name' => $free, 'starts' => $starts, 'alone' => $alone,
            'steps' => $steps])];
    }

    /** @return array<string, mixed> */
    private function go(Motion $motion, string $place): array
    {
        return ['do' => 'go', 'motion' => $motion->id, 'place' => $place, 'give_up_s' => $motion->patience_s()];
    }

    /** @param  (\Closure(Motion): bool)|null  $fits */
    private function moved(?\Closure $fits = null): ?Motion
    {
        return array_values(array_filter($this->build->motions, fn (Motion $motion): bool => $motion->drive !== null
            && ($fits === null ? ! $motion->task->keeps_turning : $fits($motion))))[0] ?? null;
    }

    private function sensor(string ...$kinds): ?Sensor
    {
        foreach ($kinds as $kind) {
            foreach ($this->build->sensors as $sensor) {
                if ($sensor->kind === $kind) {
                    return $sensor;
                }
            }
        }

        return null;
    }

    /** @return array<string, mixed>|null a press, or a beam */
    private function start(?string $except = null): ?array
    {
        foreach ($this->build->sensors as $sensor) {
            if (in_array($sensor->kind, ['press', 'beam'], true) && $sensor->id !== $except) {
                return $this->startOf($sensor);
            }
        }

        return null;
    }

    /** @return array<string, mixed> */
    private function startOf(Sensor $sensor): array
    {
        return ['when' => in_array($sensor->kind, ['press', 'beam'], true) ? $sensor->kind : 'input', 'sensor' => $sensor->id];
    }

    /** @param  array<int|string>  $taken */
    private function free(string $wanted, array $taken): string
    {
        $id = substr($wanted, 0, 34) ?: 'routine';
        for ($i = 2, $free = $id; in_array($free, array_map(strval(...), $taken), true); $i++) {
            $free = "{$id}-{$i}";
        }

        return $free;
    }
}
