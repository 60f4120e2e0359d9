<?php

declare(strict_types=1);

use Brookstone\Core\Assessment\BuildJudge;
use Brookstone\Core\Build\Build;
use Brookstone\Core\Build\Editor;
use Brookstone\Core\Error\InvalidInput;
use Brookstone\Core\Rehearsal\Rehearsal;
use Tests\Support\Builds;

it('judges and rehearses what is at the edge of what can be, in finite figures', function (string $name, string $path, mixed $value) {
    $build = Editor::apply(Builds::example($name), [['path' => $path, 'value' => $value]]);
    $judged = BuildJudge::atOnce($build, null, Rehearsal::of($build));

    expect(json_encode($judged, JSON_THROW_ON_ERROR))->toContain('"verdict"');
})->with([
    'a supply of nearly nothing' => ['seed-feeder', 'supplies.0.volts_V', 0.001],
    'a motor that hardly turns on its supply' => ['sun-and-moon', 'motions.0.drive.motor.rated_V', 1000],
    'a motor far too quick on its supply' => ['casket-lid', 'motions.0.drive.motor.rated_V', 0.5],
    'a place next to nothing from another' => ['casket-lid', 'motions.0.places.0.at', 5e-324],
    'a very small mass' => ['casket-lid', 'motions.0.mechanism.mass_kg', 2e-9],
]);

it('refuses a motor rated at what none is', function (float $volts, bool $takes) {
    $edit = fn (): Build => Editor::apply(Builds::example('casket-lid'), [['path' => 'motions.0.drive.motor.rated_V', 'value' => $volts]]);

    $takes ? expect($edit()->document['motions'][0]['drive']['motor']['rated_V'])->toBe($volts) : expect($edit)->toThrow(InvalidInput::class,
        'Must be a number from 0.5 V to 1000 V');
})->with([[0.49, false], [0.5, true], [1000.0, true], [1000.1, false], [1e-6, false]]);

it('takes moves of up to a day, and steps that give up after up to a week', function (string $path, float $most) {
    $edit = fn (float $value): Build => Editor::apply(Builds::example('star-dial'), [['path' => $path, 'value' => $value]]);

    expect(data_get($edit($most)->document, $path))->toBe($most)->and(fn (): Build => $edit($most + 1.0))->toThrow(InvalidInput::class);
})->with([['motions.0.task.move_s', 86400.0], ['routines.0.steps.0.give_up_s', 604800.0], ['routines.2.steps.0.give_up_s', 604800.0]]);
