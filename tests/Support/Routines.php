<?php

declare(strict_types=1);

namespace Tests\Support;

use Brookstone\Core\Build\Build;
use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;

/** Routines at random over the motions, sensors and outputs of a build: every kind of step and condition, started in every way. */
final class Routines
{
    private readonly Randomizer $random;

    private int $left = 40; // steps that may still be made

    /** @param  array<string, mixed>  $document */
    private function __construct(private array $document, int $seed)
    {
        $this->random = new Randomizer(new Xoshiro256StarStar($seed));
    }

    public static function over(Build $build, int $seed): Build
    {
        $document = $build->document;
        $document['counters'] = [['id' => 'rounds', 'name' => 'Rounds', 'kind' => 'counter', 'start' => 0, 'kept' => true], ['id' => 'armed', 'name' => 'Armed', 'kind' => 'mark', 'start' => 0, 'kept' => false]];
        $document['sensors'][] = ['id' => 'dial', 'name' => 'Dial', 'kind' => 'knob', 'upper' => 60, 'lower' => 40, 'rest' => 30];
        $document['rules'] = [];
        $document['scenarios'] = [];
        $document['routines'] = [];
        $made = new self($document, $seed);
        $ids = ['one', 'two', 'three', 'four'];
        foreach ($ids as $i => $id) {
            $document['routines'][] = ['id' => $id, 'name' => ucfirst($id), 'starts' => $made->starts($i), 'alone' => $made->chance(3), 'steps' => $made->steps(0, array_slice($ids, $i + 1)),
                'if_fails' => $made->chance(2) ? $made->steps(1, []) : []];
        }

        return Build::read($document);
    }

    private function chance(int $of): bool
    {
        return $this->random->getInt(1, $of) === 1;
    }

    /**
     * @template T
     *
     * @param  list<T>  $of
     * @return T
     */
    private function pick(array $of): mixed
    {
        return $of[$this->random->getInt(0, count($of) - 1)];
    }

    private function seconds(float $most): float
    {
        return $this->random->getInt(1, (int) ($most * 100)) / 100.0;
    }

    private function motion(): array
    {
        return $this->pick($this->document['motions']);
    }

    private function outside(): string
    {
        return $this->pick(array_values(array_column(array_filter($this->document['sensors'], fn (array $each): bool => ! in_array($each['kind'], ['light', 'knob'], true)), 'id')));
    }

    /** @return list<array<string, mixed>> */
    private function starts(int $i): array
    {
        return [$i === 0 && $this->chance(3) ? ['when' => 'power_on'] : match ($this->random->getInt(0, 7)) {
            0 => ['when' => 'every', 'every_s' => 2.0 + $this->seconds(4.0)],
            1 => ['when' => 'level', 'for_s' => $this->seconds(0.4)] + array_diff_key($this->level(), ['test' => true]),
            2 => ['when' => 'count', 'counter' => 'rounds', 'value' => $this->random->getInt(1, 3)],
            3 => ['when' => 'press', 'sensor' => 'attendant', 'how' => $this->pick(['short', 'long', 'double'])],
            4 => ['when' => 'beam', 'sensor' => 'visitor-beam', 'is' => 'made'],
            default => ['when' => 'press', 'sensor' => $this->pick(['attendant', 'ferry-bell', 'dusk-switch']), 'how' => 'any'],
        }];
    }

    private function level(): array
    {
        return ['test' => 'level', 'sensor' => $this->pick(['daylight', 'dial']), 'is' => $this->pick(['above', 'below']), 'value' => $this->random->getInt(10, 90),
            'hysteresis' => $this->random->getInt(0, 10)];
    }

    /** @return array<string, mixed> */
    private function condition(int $deep = 0): array
    {
        $motion = $this->motion();

        return match ($this->random->getInt(0, $deep > 1 ? 6 : 9)) {
            0 => $this->level(),
            1 => ['test' => 'place', 'motion' => $motion['id'], 'place' => $this->pick($motion['places'])['id']],
            2 => ['test' => 'moving', 'motion' => $motion['id']],
            3 => ['test' => 'counter', 'counter' => 'rounds', 'is' => $this->pick(['at_least', 'exactly', 'under']), 'value' => $this->random->getInt(0, 4)],
            4 => ['test' => 'routine', 'routine' => $this->pick(['one', 'two', 'three', 'four'])],
            5 => ['test' => 'clock', 'from' => '06:00', 'to' => $this->pick(['18:00', '02:00'])],
            7 => ['test' => 'all', 'of' => [$this->condition($deep + 1), $this->condition($deep + 1)]],
            8 => ['test' => 'any', 'of' => [$this->condition($deep + 1), $this->condition($deep + 1)]],
            9 => ['test' => 'not', 'that' => $this->condition($deep + 1)],
            default => ['test' => 'input', 'sensor' => $this->outside(), 'is' => $this->pick(['on', 'off']), 'for_s' => $this->chance(3) ? $this->seconds(0.5) : null],
        };
    }

    /**
     * @param  list<string>  $others  routines that may be called
     * @return list<array<string, mixed>>
     */
    private function steps(int $deep, array $others): array
    {
        $steps = [];
        for ($count = $this->random->getInt(1, $deep === 0 ? 6 : 3); $count > 0 && $this->left > 0; $count--) {
            $this->left--;
            $steps[] = $this->step($deep, $others);
        }

        return $steps === [] ? [['do' => 'wait', 'for_s' => 0.1]] : $steps;
    }

    /**
     * @param  list<string>  $others
     * @return array<string, mixed>
     */
    private function step(int $deep, array $others): array
    {
        $motion = $this->motion();
        $place = $this->pick($motion['places'])['id'];
        $switched = array_values(array_filter($this->document['motions'], fn (array $each): bool => $each['stops']['switches'] !== []));
        $homed = $this->pick($switched);
        $gives = fn (float $most): float => 0.5 + $this->seconds($most);
        $speed = $this->pick([1.0, 0.5, 0.37]);
        $inner = $deep >= 2 ? 13 : 17;

        return match ($this->random->getInt(0, $inner)) {
            0, 1 => ['do' => 'go', 'motion' => $motion['id'], 'place' => $place, 'speed' => $speed, 'give_up_s' => $this->chance(4) ? null : $gives(6.0)],
            2, 3 => ['do' => 'home', 'motion' => $homed['id'], 'switch' => $homed['stops']['switches'][0]['id'], 'speed' => $speed, 'give_up_s' => $gives(8.0)],
            4 => ['do' => 'run', 'motion' => $motion['id'], 'direction' => $this->pick(['up', 'down']), 'speed' => $speed, ...($this->chance(2)
                ? ['until' => $this->condition(), 'for_s' => null, 'give_up_s' => $gives(2.0)] : ['until' => null, 'for_s' => $this->seconds(1.5), 'give_up_s' => null])],
            5 => ['do' => 'stop', 'motion' => $motion['id'], 'how' => $this->pick(['brake', 'coast', 'hold'])],
            6 => ['do' => 'wait', 'for_s' => null, 'until' => $this->condition(), 'give_up_s' => $gives(1.5)],
            7 => ['do' => 'signal', 'output' => $this->pick($this->document['outputs'])['id'], 'state' => $this->pick(['on', 'off']), 'for_s' => $this->chance(2) ? $this->seconds(1.0) : null],
            8 => ['do' => 'set', 'counter' => 'rounds', ...($this->chance(3) ? ['to' => 0] : ['add' => $this->random->getInt(-1, 2)])],
            9 => ['do' => 'power', 'motion' => $motion['id'], 'state' => $this->pick(['on', 'on', 'off']), 'settle_s' => $this->seconds(0.3)],
            10 => ['do' => 'follow', 'motion' => $this->pick(['heron-neck', 'drawbridge', 'ferry']), 'sensor' => 'dial', 'as' => $this->pick(['place', 'speed']), 'smooth_s' => $this->pick([0.0, 0.2]),
                'for_s' => $this->seconds(1.5), 'give_up_s' => null],
            11 => ['do' => 'pace', 'motion' => $motion['id'], 'place' => $place, 'sensor' => 'dial', 'slowest' => 0.2, 'speed' => 1.0, 'give_up_s' => $gives(4.0)],
            12 => ['do' => 'calibrate', 'sensor' => 'dial', 'button' => $this->chance(2) ? 'attendant' : null, 'for_s' => $this->seconds(1.0), 'gap' => 5, 'give_up_s' => $gives(2.0)],
            13 => $this->chance(3) ? ['do' => 'fault', 'message' => 'by chance'] : ['do' => 'go_by', 'motion' => $this->pick(['lantern', 'rower']), 'by' => $this->pick([40, 90]), 'speed' => $speed,
                'give_up_s' => $gives(4.0)],
            14 => ['do' => 'repeat', 'times' => $this->chance(4) ? null : $this->random->getInt(1, 3), 'until' => $this->chance(2) ? $this->condition() : null, 'steps' => $this->steps($deep + 1, $others)],
            15 => ['do' => 'together', 'until' => $this->pick(['all', 'any']), 'branches' => [$this->steps($deep + 1, $others), $this->steps($deep + 1, $others)]],
            16 => ['do' => 'choose', 'if' => $this->condition(), 'then' => $this->steps($deep + 1, $others), 'otherwise' => $this->steps($deep + 1, $others)],
            default => $others === [] ? ['do' => 'sleep', 'until' => ['test' => 'input', 'sensor' => $this->outside(), 'is' => 'on', 'for_s' => null]]
                : ['do' => 'call', 'routine' => $this->pick($others)],
        };
    }
}
