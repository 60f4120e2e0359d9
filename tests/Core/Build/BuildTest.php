<?php

declare(strict_types=1);

use Brookstone\Core\Build\Build;
use Brookstone\Core\Build\BuildShape;
use Brookstone\Core\Error\InvalidInput;
use Brookstone\Core\Schemas;
use Brookstone\Core\Simulation\RoutineRun;
use Opis\JsonSchema\Validator;
use Symfony\Component\Yaml\Yaml;
use Tests\Support\Builds;

dataset('demos', ['heron-wharf', 'moth-lantern', 'quarry-tram']);

/** @return list<string> */
function placesRefused(mixed $document): array
{
    try {
        Build::read($document);
    } catch (InvalidInput $refused) {
        return array_column($refused->errors, 'field');
    }

    return [];
}

it('writes the file it has read, byte for byte', function (string $demo) {
    $file = (string) file_get_contents(__DIR__."/../../../database/demo/{$demo}.brookstone.json");

    expect(Build::fromJson($file)->toJson())->toBe($file)
        ->and(Build::fromJson(Build::fromJson($file)->toJson())->toJson())->toBe($file);
})->with('demos');

it('reads a file whose keys stand in another order to the same bytes', function (string $demo) {
    $build = Builds::demo($demo);
    $turned = fn (array $part): array => array_is_list($part) ? array_map(fn ($each) => is_array($each) ? $GLOBALS['turn']($each) : $each, $part)
        : array_reverse(array_map(fn ($each) => is_array($each) ? $GLOBALS['turn']($each) : $each, $part), true);
    $GLOBALS['turn'] = $turned;

    expect(Build::read($turned($build->document))->toJson())->toBe($build->toJson());
})->with('demos');

it('fits the schema that is published, and so does what is judged and run', function (string $demo) {
    $build = Builds::demo($demo);
    $valid = fn (mixed $data, array $schema): bool => (new Validator)->validate(json_decode((string) json_encode($data)),
        (string) json_encode($schema))->isValid();
    $schemas = Schemas::all();

    expect($valid(json_decode($build->toJson()), $schemas['Build']))->toBeTrue()
        ->and($valid(Builds::assessed($build), $schemas['Assessment']))->toBeTrue();
    foreach ($build->routines as $routine) {
        expect($valid(RoutineRun::of($build, $routine, array_values($build->scenarios)[0]), $schemas['Trace']))->toBeTrue();
    }
})->with('demos');

it('publishes the schemas that it reads by', function (string $name, array $schema) {
    $published = (string) file_get_contents(__DIR__."/../../../docs/schema/{$name}.schema.json");

    expect($published)->toBe(json_encode($schema, JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES)."\n");
})->with(fn (): array => [['build', BuildShape::schema()], ['routine', BuildShape::routineSchema()]]);

it('fits its published schema in the short form that the program writes', function (string $text) {
    [$schemas, $valid] = [Schemas::all(), fn (mixed $data): bool => (new Validator)->validate(json_decode((string) json_encode($data)),
        (string) json_encode(BuildShape::routineSchema()))->isValid()];
    $read = Yaml::parse($text);

    expect($schemas)->toHaveKey('Build')->and($valid($read))->toBeTrue()
        ->and($valid(['steps' => [['do' => 'wait', 'until' => ['sensor' => 'beam', 'test' => 'nothing']]]] + $read))->toBeFalse();
})->with([
    'an input without its test' => ["id: a\nname: A\nsteps:\n  - do: wait\n    until:\n      sensor: beam\n      is: 'off'\n"],
    'one inside of others' => ["id: a\nname: A\nsteps:\n  - do: choose\n    if:\n      test: all\n      of:\n        - sensor: beam\n        - test: not\n          that:\n            sensor: button\n    then:\n      - do: wait\n        for_s: 1\n"],
]);

it('reads every example of the guide to routines', function () {
    $guide = (string) file_get_contents(__DIR__.'/../../../docs/routines.md');
    preg_match_all('/^```yaml\n(.*?)^```$/ms', $guide, $found);
    expect(count($found[1]))->toBeGreaterThanOrEqual(5);
    $whole = array_filter($found[1], fn (string $text): bool => str_starts_with($text, 'id:'));
    foreach ($found[1] as $text) {
        $read = Yaml::parse($text);
        $routine = in_array($text, $whole, true) ? $read : ['id' => 'example', 'name' => 'Example'] + (array_is_list($read) ? ['steps' => $read]
            : $read + ['steps' => []]);
        $build = Builds::planted([
            'motions.2.latch' => ['place' => 'high', 'motion' => 'jaw', 'lets_go' => 'wide'],
            'things' => [['id' => 'crate', 'name' => 'Crate', 'is' => 'carried', 'length_m' => 0.1]],
            'counters' => [['id' => 'visits', 'name' => 'Visits', 'kind' => 'counter']], 'routines.2' => ['id' => 'bow', 'name' => 'Bow', 'steps' => []],
            'sensors.2' => ['id' => 'daylight', 'name' => 'Daylight', 'kind' => 'light', 'rest' => 80, 'upper' => 45, 'lower' => 35],
            'sensors.3' => ['id' => 'stick', 'name' => 'Stick', 'kind' => 'knob', 'rest' => 50], 'routines.3' => $routine,
        ]);
        expect($build->routines[$routine['id']]->name)->toBe($routine['name']);
    }
});

it('refuses what its schema refuses', function (array $values) {
    $document = Builds::sound()->document;
    foreach ($values as $path => $value) {
        data_set($document, $path, $value);
    }

    expect(placesRefused($document))->not->toBeEmpty()
        ->and((new Validator)->validate(json_decode((string) json_encode($document)), (string) json_encode(BuildShape::schema()))->isValid())->toBeFalse();
})->with([
    [['version' => 2]], [['format' => 'other']], [['name' => '']], [['motions.0.mechanism.mass_kg' => 1e9]], [['motions.0.mechanism.kind' => 'rocket']],
    [['motions.0.marker' => 'mauve']], [['motions.0.task.move_s' => 0]], [['motions.0.extra' => 1]], [['routines.0.steps.0.do' => 'explode']],
    [['supplies.0.volts_V' => '12']], [['motions.0.places' => []]],
]);

it('names the place that is wrong', function (mixed $document, array $places) {
    expect(placesRefused($document))->toEqualCanonicalizing($places);
})->with(fn () => [
    'a text' => ['hello', ['']],
    'a number' => [7, ['']],
    'nothing' => [null, ['']],
    'empty' => [[], ['format', 'version', 'name']],
    'of another time' => [['format' => 'brookstone-build', 'version' => 99, 'name' => 'x'], ['version']],
    'ten thousand motions' => [['format' => 'brookstone-build', 'version' => 1, 'name' => 'x', 'motions' => array_fill(0, 10000, [])], ['motions']],
    'a reference to itself' => [['format' => 'brookstone-build', 'version' => 1, 'name' => 'x', 'motions' => [['$ref' => '#/motions/0']]],
        ['motions.0.$ref', 'motions.0.id', 'motions.0.name', 'motions.0.mechanism', 'motions.0.places', 'motions.0.task']],
    'a novel for a name' => [['format' => 'brookstone-build', 'version' => 1, 'name' => str_repeat('x', 9000)], ['name']],
]);

it('names the reference that leads nowhere', function (array $values, array $places) {
    $document = Builds::sound()->document;
    foreach ($values as $path => $value) {
        data_set($document, $path, $value);
    }

    expect(placesRefused($document))->toEqualCanonicalizing($places);
})->with([
    [['motions.0.task.to' => 'moon'], ['motions.0.task.to']],
    [['motions.0.task.to' => 'shut'], ['motions.0.task.to']],
    [['motions.0.drive.supply' => 'sun'], ['motions.0.drive.supply']],
    [['motions.1.id' => 'lid'], ['motions.1.id', 'routines.1.steps.3.motion', 'routines.1.steps.5.motion']],
    [['motions.0.stops.switches.1.id' => 'lid-shut'], ['motions.0.stops.switches.1.id']],
    [['motions.0.stops.switches.1.place' => 'moon'], ['motions.0.stops.switches.1.place']],
    [['motions.0.stops.hard_low' => 80.0], ['motions.0.stops.hard_high']],
    [['routines.1.steps.0.place' => 'moon'], ['routines.1.steps.0.place']],
    [['routines.0.steps.0.switch' => 'lift-low'], ['routines.0.steps.0.switch']],
    [['routines.1.steps.1.until.sensor' => 'moon'], ['routines.1.steps.1.until.sensor']],
    [['routines.1.steps.4.for_s' => null], ['routines.1.steps.4.for_s']],
    [['routines.1.starts.0.sensor' => 'beam'], ['routines.1.starts.0.sensor']],
    [['scenarios.0.events.0.sensor' => 'moon'], ['scenarios.0.events.0.sensor']],
    [['motions.2.mechanism.counterweight_kg' => 0.6], ['motions.2.mechanism.counterweight_kg']],
    [['motions.0.drive.motor.stall_A' => 0.01], ['motions.0.drive.motor.stall_A']],
]);

it('says of what cannot start a routine whether there is no such thing, or what it is instead', function (array $start, string $says) {
    expect(fn () => Builds::planted(['sensors.2' => ['id' => 'stick', 'name' => 'Stick', 'kind' => 'knob'], 'routines.1.starts' => [$start]]))
        ->toThrow(function (InvalidInput $invalid) use ($says) {
            expect($invalid->errors)->toBe([['field' => 'routines.1.starts.0.sensor', 'message' => $says]]);
        });
})->with([
    [['when' => 'press', 'sensor' => 'nope'], 'There is no sensor nope in this build.'],
    [['when' => 'press', 'sensor' => 'stick'], 'stick is a knob, and this listens to a button.'],
    [['when' => 'level', 'sensor' => 'button', 'value' => 3],
        'button is a button, and this listens to a light sensor, colour sensor, distance sensor, sonar or knob.'],
]);

it('refuses steps nested too deep', function () {
    $steps = [['do' => 'wait', 'for_s' => 1]];
    for ($i = 0; $i < 20; $i++) {
        $steps = [['do' => 'repeat', 'times' => 2, 'steps' => $steps]];
    }
    $document = Builds::sound()->document;
    $document['routines'][1]['steps'] = $steps;

    expect(placesRefused($document)[0])->toStartWith('routines.1.steps.0.steps');
});

it('refuses files that are no JSON', function (string $file) {
    expect(fn () => Build::fromJson($file))->toThrow(InvalidInput::class);
})->with(['', 'null', '{"format":', "\xff\xfe", '[]', str_repeat('[', 2000).str_repeat(']', 2000)]);
