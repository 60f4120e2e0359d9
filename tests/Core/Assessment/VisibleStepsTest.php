<?php

declare(strict_types=1);

use Tests\Support\Builds;

/** The lift as a dial that a stepper of 200 steps turns once in so long. @return list<string> what is said of its steps */
function stepsSaid(float $turn_s, int $microsteps, array $planted = []): array
{
    $build = Builds::planted([
        'routines' => [], 'motions.2' => [
            'id' => 'lift', 'name' => 'Dial', 'mechanism' => ['kind' => 'turntable', 'inertia_kgm2' => 0.0004, 'friction_Nm' => 0.01],
            'places' => [['id' => 'low', 'name' => 'Low', 'at' => 0], ['id' => 'high', 'name' => 'High', 'at' => 360]],
            'task' => ['from' => 'low', 'to' => 'high', 'move_s' => $turn_s, 'keeps_turning' => true, 'profile' => 'steady'],
            'drive' => ['motor' => ['microsteps' => $microsteps] + Builds::motor('P42-40'), 'supply' => 'main'],
        ], ...$planted,
    ]);

    return array_map(fn ($finding): string => $finding->says->text(), Builds::found($build, 'drive.steps_show'));
}

it('says that steps show where they come under 25 a second, each over a tenth of a degree', function (float $turn_s, int $microsteps, array $says) {
    expect(stepsSaid($turn_s, $microsteps))->toBe($says);
})->with([
    'just often enough' => [8.0, 1, []],
    'not quite' => [8.1, 1, ['Its steps show: at its slowest 24.7 come in a second, and each moves it 1.8°.']],
    'slow, and still wide' => [1800.0, 16, ['Its steps show: at its slowest 1.78 come in a second, and each moves it 0.113°.']],
    'slow and fine' => [1800.0, 32, []],
]);

it('goes by the slowest that a routine moves it', function () {
    $steps = [['do' => 'run', 'motion' => 'lift', 'direction' => 'up', 'speed' => 0.5, 'for_s' => 5]];
    $routine = ['id' => 'turn', 'name' => 'Turn', 'starts' => [['when' => 'power_on']], 'steps' => $steps];

    expect(stepsSaid(6.0, 1))->toBe([])->and(stepsSaid(6.0, 1, ['routines' => [$routine]]))->toBe(['Its steps show: at its slowest 16.7 come in a second, and each moves it 1.8°.']);
});
