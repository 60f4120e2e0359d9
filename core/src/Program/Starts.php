<?php

declare(strict_types=1);

namespace Brookstone\Core\Program;

use Brookstone\Core\Code\Does;
use Brookstone\Core\Code\Line;
use Brookstone\Core\Code\Set;
use Brookstone\Core\Code\When;
use Brookstone\Core\Reach\StepGraph;
use Brookstone\Core\Routine\Routine;
use Brookstone\Core\Routine\Trigger;

/** What starts routines, as lines of a program. */
final class Starts
{
    /** @var array<string, int> number of each button whose presses are told apart */
    private array $buttons = [];

    public int $remembered = 0;

    public bool $looksAtClock = false;

    public function __construct(private readonly Roster $roster, private readonly Asked $asked)
    {
        foreach ($roster->build->routines as $routine) {
            foreach ($routine->starts as $trigger) {
                if ($trigger->when === 'press' && $trigger->how !== 'any' && $trigger->sensor !== null) {
                    $this->buttons[$trigger->sensor] ??= count($this->buttons);
                }
                $this->looksAtClock = $this->looksAtClock || $trigger->when === 'time_of_day';
            }
        }
    }

    public function buttons(): int
    {
        return count($this->buttons);
    }

    /** @return list<Line> tells which routines start now: `fire` */
    public function lines(): array
    {
        $lines = [];
        foreach ($this->buttons as $sensor => $g) {
            $button = $this->roster->build->sensors[$sensor];
            $i = $this->roster->number('INPUT', (string) $sensor);
            // Pressed again just when the time of a double press is over still counts as one.
            $lines[] = new Does("look_for_press({$g}, {$i}, ".Roster::ms($button->long_s).', '.(Roster::ms($button->double_s) + 1).')');
        }
        array_push($lines, ...($this->looksAtClock ? [new Set('day', 'board_day()'), new When('fresh', [new Set('day_before', 'day')])] : []));
        foreach ($this->roster->build->routines as $id => $routine) {
            $r = $this->roster->number('ROUTINE', (string) $id);
            $lines[] = new Set("fire[{$r}]", 'false');
            foreach ($routine->starts as $trigger) {
                $lines[] = new When($this->fires($trigger), [new Set("fire[{$r}]", 'true')]);
            }
            $bars = ['halted', "running[{$r}]", ...$this->bars($routine)];
            $lines[] = new When(implode(' || ', $bars), [new Set("fire[{$r}]", 'false')]);
        }

        return [...$lines, ...($this->looksAtClock ? [new Set('day_before', 'day')] : [])];
    }

    private function fires(Trigger $trigger): string
    {
        $i = $trigger->sensor === null ? '' : 'edge['.$this->roster->number('INPUT', $trigger->sensor).']';

        return match ($trigger->when) {
            'power_on' => 'fresh',
            'press' => $trigger->how === 'any' ? "{$i} == 1"
                : "press[{$this->buttons[$trigger->sensor]}] == ".['short' => 1, 'long' => 2, 'double' => 3][$trigger->how],
            'beam', 'input' => "{$i} == ".($trigger->on ? 1 : 2),
            'knock' => "{$i} == 1",
            'level', 'count' => $trigger->condition === null ? 'false' : 'becomes('.$this->remembered++.', '.$trigger->condition->asked($this->asked).', '
                .Roster::ms($trigger->for_s ?? 0.0).', '.($trigger->when === 'level' ? 'true' : 'false').')',
            'every' => $trigger->every_s === null ? 'false' : 'comes_again('.$this->remembered++.', '.Roster::ms($trigger->every_s).')',
            'time_of_day' => 'day_passes('.Roster::ms($trigger->clock_s ?? 0.0).')',
            default => 'false',
        };
    }

    /** @return list<string> what one that wants to be alone waits for: that nothing runs that moves the same */
    private function bars(Routine $routine): array
    {
        $graph = new StepGraph($this->roster->build);
        $index = array_flip(array_map(strval(...), array_keys($this->roster->build->routines)));
        $others = array_filter($routine->alone ? $index : [], fn (int $other): bool => $other !== $index[$routine->id] && $graph->meet($index[$routine->id],
            $other));

        return array_values(array_map(fn (string|int $other): string => 'running['.$this->roster->number('ROUTINE', (string) $other).']', array_keys($others)));
    }
}
