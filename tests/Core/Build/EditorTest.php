<?php

declare(strict_types=1);

use Brookstone\Core\Build\Editor;
use Brookstone\Core\Error\InvalidInput;
use Tests\Support\Builds;

it('takes what is typed, in any unit, and keeps that unit', function (string $path, string $text, float $value, ?string $unit) {
    $build = Editor::apply(Builds::sound(), [['path' => $path, 'text' => $text]]);

    expect(data_get($build->document, $path))->toBeAbout($value, 1e-9)
        ->and(data_get($build->document, 'motions.0.units')[substr($path, strlen('motions.0.'))] ?? null)->toBe($unit);
})->with([
    ['motions.0.mechanism.mass_kg', '26 oz', 26 * 0.028349523125, 'oz'],
    ['motions.0.mechanism.cg_m', '1/2 in', 0.0127, 'in'],
    ['motions.0.mechanism.counterbalance_Nm', '3.5 kg cm', 0.34323275, 'kg·cm'],
    ['motions.0.places.1.at', '1 rad', 57.29577951308, 'rad'],
    ['motions.0.task.move_s', '500 ms', 0.5, 'ms'],
    ['motions.0.drive.duty', '80 %', 0.8, '%'],
    ['supplies.0.volts_V', '9', 9.0, null],
]);

it('reads a bare number in the unit the field shows', function () {
    $path = 'motions.0.mechanism.mass_kg';

    expect(data_get(Editor::apply(Builds::sound(), [['path' => $path, 'text' => '300', 'unit' => 'g']])->document, $path))->toBeAbout(0.3, 1e-12)
        ->and(data_get(Editor::apply(Builds::sound(), [['path' => $path, 'text' => '3', 'unit' => 'N·m']])->document, $path))->toBeAbout(3.0, 1e-12);
});

it('reads a position of a lift in metres and of an arm in degrees', function () {
    expect(Editor::unitOf(Builds::sound(), 'motions.2.places.0.at'))->toBe('m')
        ->and(Editor::unitOf(Builds::sound(), 'motions.0.stops.hard_low'))->toBe('°')
        ->and(Editor::unitOf(Builds::planted(['routines.1.steps.0' => ['do' => 'repeat', 'times' => 2,
            'steps' => [['do' => 'go_by', 'motion' => 'lift', 'by' => 0.01]]]]), 'routines.1.steps.0.steps.0.by'))->toBe('m')
        ->and(Editor::unitOf(Builds::planted(['sensors.2' => ['id' => 'mark', 'name' => 'Mark', 'kind' => 'magnet', 'motion' => 'lid', 'at' => 20,
            'reach' => 2]]), 'sensors.2.reach'))->toBe('°')
        ->and(Editor::unitOf(Builds::planted(['scenarios.0.events.2' => ['what' => 'hold', 'at_s' => 9, 'motion' => 'lift', 'at' => 0.05]]),
            'scenarios.0.events.2.at'))->toBe('m')
        ->and(data_get(Editor::apply(Builds::sound(), [['path' => 'motions.2.places.1.at', 'text' => '80 mm']])->document,
            'motions.2.places.1.at'))->toBeAbout(0.08, 1e-12);
});

it('refuses at the path, and leaves the build alone', function (string $path, array $change) {
    $build = Builds::sound();
    $before = $build->toJson();
    try {
        Editor::apply($build, [['path' => $path] + $change]);
        $field = null;
    } catch (InvalidInput $refused) {
        $field = $refused->errors[0]['field'];
    }

    expect($field)->toBe($path)->and($build->toJson())->toBe($before);
})->with([
    'a mass in a torque' => ['motions.0.mechanism.friction_Nm', ['text' => '3 kg']],
    'a billion kilograms' => ['motions.0.mechanism.mass_kg', ['text' => '1e9 kg']],
    'not a number' => ['motions.0.mechanism.mass_kg', ['text' => 'NaN']],
    'minus nothing' => ['motions.0.mechanism.mass_kg', ['text' => '-0']],
    'nothing' => ['motions.0.mechanism.mass_kg', ['text' => '']],
    'a novel' => ['motions.0.mechanism.mass_kg', ['text' => str_repeat('and then ', 5000)]],
    'half a gear' => ['motions.0.train', ['value' => 'gears']],
    'no such place' => ['motions.0.mechanism.colour', ['value' => 1]],
    'no such motion' => ['motions.9.name', ['value' => 'x']],
    'into a number' => ['motions.0.mechanism.mass_kg.deep', ['value' => 1]],
]);

it('lets lists grow by one', function () {
    $added = ['id' => 'bell', 'name' => 'Bell', 'kind' => 'sound'];

    expect(Editor::apply(Builds::sound(), [['path' => 'outputs.1', 'value' => $added]])->outputs)->toHaveKey('bell')
        ->and(fn () => Editor::apply(Builds::sound(), [['path' => 'outputs.2', 'value' => $added]]))->toThrow(InvalidInput::class);
});
