<?php

declare(strict_types=1);

namespace Tests\Core\Reach;

use Brookstone\Core\Build\Build;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\Support\Builds;

/** Builds with routines, and scenarios for them, made by a seed. */
final class RandomRoutines
{
    private readonly Randomizer $random;

    private bool $shared = false; // lid and lift are on one motor, behind a selector

    public function __construct(int $seed)
    {
        $this->random = new Randomizer(new Mt19937($seed));
    }

    public function build(): Build
    {
        $this->shared = $this->random->getInt(0, 4) === 0;
        $over = fn (string $motion): array => $this->shared && $this->random->getInt(0, 4) > 0
            ? [['do' => 'change_over', 'motion' => $motion, 'takes_s' => 0.2]] : [];
        $routines = [['id' => 'wake', 'name' => 'Wake', 'starts' => [['when' => 'power_on']], 'steps' => [
            ...$over('lid'), ['do' => 'home', 'motion' => 'lid', 'switch' => 'lid-shut', 'give_up_s' => 5], ...$over('lift'),
            ['do' => 'home', 'motion' => 'lift', 'switch' => 'lift-low', 'give_up_s' => 9],
        ]]];
        foreach (['button' => 'press', 'beam' => 'beam'] as $sensor => $when) {
            $routines[] = ['id' => $sensor, 'name' => ucfirst($sensor), 'alone' => $this->random->getInt(0, 2) > 0,
                'starts' => [['when' => $when, 'sensor' => $sensor]], 'steps' => $this->steps(0), 'if_fails' => $this->random->getInt(0, 2) === 0
                ? [['do' => 'signal', 'output' => 'lamp']] : []];
        }
        $events = [];
        for ($i = 0, $at = 0.0; $i < 10; $i++) {
            $at += $this->random->getInt(2, 40) / 10;
            $sensor = ['button', 'beam'][$this->random->getInt(0, 1)];
            array_push($events, ['at_s' => $at, 'sensor' => $sensor, 'is' => 'on'], ['at_s' => $at + 0.1, 'sensor' => $sensor, 'is' => 'off']);
            if ($this->random->getInt(0, 5) === 0) {
                $events[] = [
                    ['what' => 'hold', 'at_s' => $at, 'motion' => 'lift', 'is' => ['on', 'off'][$this->random->getInt(0, 1)]],
                    ['what' => 'heavier', 'at_s' => $at, 'motion' => 'lid', 'value' => 2.0],
                    ['what' => 'stuck', 'at_s' => $at, 'sensor' => 'lift-high', 'is' => 'off'], ['what' => 'supply', 'at_s' => $at, 'supply' => 'main',
                        'value' => 0.7], ['what' => 'late', 'at_s' => $at, 'sensor' => 'lid-open', 'value' => 0.2],
                    ['what' => 'wire', 'at_s' => $at, 'sensor' => 'lift-low', 'is' => ['broken', 'mended'][$this->random->getInt(0, 1)]],
                ][$this->random->getInt(0, 5)];
            }
        }

        $lift = $this->random->getInt(0, 2) === 0 ? ['motions.2.stops.encoder_pulses' => 48] : [];
        $lift += $this->shared ? ['motions.2.drive.shares' => 'lid'] : [];

        return Builds::planted($lift + ['motions.2.places.2' => ['id' => 'middle', 'name' => 'Middle', 'at' => 0.05], 'motions.2.stops.switches.1.closed' => $this->random->getInt(0, 1) === 1, 'motions.2.stops.switches.1.travel' => 0.003, 'counters' => [['id' => 'n', 'name' => 'Times']],
            'routines' => $routines, 'log' => [], 'scenarios.0.events' => $events, 'scenarios.0.until_s' => 30]);
    }

    /** @return array<string, mixed> */
    private function power(): array
    {
        $of = [['motion' => 'jaw'], ['motion' => 'lift'], ['supply' => 'servos'], ['supply' => 'main']][$this->random->getInt(0, 3)];

        return ['do' => 'power', ...$of, 'state' => $this->random->getInt(0, 3) === 0 ? 'off' : 'on', 'settle_s' => 0.1];
    }

    /** @return list<array<string, mixed>> */
    private function steps(int $depth): array
    {
        return array_map(fn (): array => $this->step($depth), range(1, $this->random->getInt(1, $depth === 0 ? 4 : 2)));
    }

    /** @return array<string, mixed> */
    private function step(int $depth): array
    {
        $kind = $this->random->getInt(0, $depth < 2 ? 17 : 13);
        $kind = $depth < 2 || $kind < 8 ? $kind : $kind + 4; // no more lists of steps so deep down

        return match (true) {
            $kind === 0 => ['do' => 'go', 'motion' => 'lid', 'place' => ['shut', 'open'][$this->random->getInt(0, 1)], 'give_up_s' => 3],
            $kind === 1 => ['do' => 'go', 'motion' => 'lift', 'place' => ['low', 'high', 'middle'][$this->random->getInt(0, 2)], 'give_up_s' => 5],
            $kind === 2 => ['do' => 'go', 'motion' => 'jaw', 'place' => ['closed', 'wide'][$this->random->getInt(0, 1)], 'give_up_s' => 1],
            $kind === 3 => ['do' => 'run', 'motion' => 'lift', 'direction' => ['up', 'down'][$this->random->getInt(0, 1)],
                'speed' => [1.0, 0.5][$this->random->getInt(0, 1)], 'for_s' => $this->random->getInt(1, 20) / 10],
            $kind === 4 => ['do' => 'stop', 'motion' => ['lift', 'lid'][$this->random->getInt(0, 1)], 'how' => ['brake', 'coast'][$this->random->getInt(0, 1)]],
            $kind === 5 => ['do' => 'wait', 'for_s' => $this->random->getInt(1, 15) / 10],
            $kind === 12 => ['do' => 'go_by', 'motion' => 'lift', 'by' => $this->random->getInt(1, 4) * [0.01, -0.01][$this->random->getInt(0, 1)],
                'give_up_s' => 4],
            $kind === 13 && $this->shared => ['do' => 'change_over', 'motion' => ['lid', 'lift'][$this->random->getInt(0, 1)], 'takes_s' => 0.1],
            $kind === 14 => ['do' => 'home', 'motion' => 'lift', 'switch' => ['lift-low', 'lift-high'][$this->random->getInt(0, 1)], 'give_up_s' => 6],
            $kind === 15 => $this->power(),
            $kind === 16 => ['do' => 'signal', 'output' => 'lamp', 'state' => ['on', 'off'][$this->random->getInt(0, 1)],
                'for_s' => [null, 0.5][$this->random->getInt(0, 1)]],
            $kind === 17 => $this->random->getInt(0, 2) === 0 ? ['do' => 'fault', 'message' => 'on purpose'] : ['do' => 'wait', 'for_s' => 0.2],
            $kind === 6 || $kind === 13 => ['do' => 'set', 'counter' => 'n', 'add' => 1],
            $kind === 7 => ['do' => 'wait', 'until' => ['sensor' => 'beam'], 'give_up_s' => 2],
            $kind === 8 => ['do' => 'repeat', 'times' => $this->random->getInt(1, 3), 'steps' => $this->steps($depth + 1)],
            $kind === 9 => ['do' => 'choose', 'if' => ['test' => 'counter', 'counter' => 'n', 'value' => 2], 'then' => $this->steps($depth + 1),
                'otherwise' => $this->steps($depth + 1)],
            default => ['do' => 'together', 'until' => ['all', 'any'][$this->random->getInt(0, 1)],
                'branches' => [$this->steps($depth + 1), $this->steps($depth + 1)]],
        };
    }
}
