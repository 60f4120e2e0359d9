<?php

declare(strict_types=1);

use Brookstone\Core\Build\Editor;
use Brookstone\Core\Error\InvalidInput;
use Brookstone\Core\Reach\Footing;
use Brookstone\Core\Reach\Search;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\Support\Builds;
use Tests\Support\Changes;
use Tests\Support\Faulty;

it('finds the same wherever the footing is the same', function (int $seed) {
    $random = new Randomizer(new Mt19937($seed));
    $build = Faulty::build($seed);
    [$footing, $found] = [Footing::of($build), serialize(Search::of($build))];
    $same = $others = 0;
    foreach ($random->shuffleArray(Changes::of($build->document)) as $change) {
        try {
            $changed = Editor::apply($build, [$change]);
        } catch (InvalidInput) {
            continue;
        }
        if (Footing::of($changed) === $footing) {
            $same++;
            expect(serialize(Search::of($changed)))->toBe($found, "{$change['path']} is ".json_encode($change['value']));
        } else {
            $others++;
        }
    }

    expect($same)->toBeGreaterThan(10)->and($others)->toBeGreaterThan(10);
})->with(range(1, 6));

it('stands on routines, rules, places and what moves them, and not on loads', function (array $change, bool $same) {
    $build = Builds::demo('heron-wharf');

    expect(Footing::of(Editor::apply($build, [$change])) === Footing::of($build))->toBe($same);
})->with([
    'a mass' => [['path' => 'motions.1.mechanism.mass_kg', 'value' => 0.7], true],
    'a name' => [['path' => 'name', 'value' => 'Else'], true],
    'a motor' => [['path' => 'motions.1.drive.duty', 'value' => 0.4], true],
    'a place' => [['path' => 'motions.1.places.0.at', 'value' => -1], false],
    'another kind of motor' => [['path' => 'motions.1.drive.motor', 'value' => Builds::motor('S20 nylon')], false],
    'a step' => [['path' => 'routines.0.steps', 'value' => []], false],
]);
