<?php

declare(strict_types=1);

use Brookstone\Core\Build\Build;
use Brookstone\Core\Build\Editor;
use Brookstone\Core\Build\Removal;
use Brookstone\Core\Finding\Change;
use Brookstone\Core\Finding\Sentence;
use Tests\Support\Builds;

/** @return array{Build, list<string>} */
function without(Build $build, string $motion): array
{
    ['changes' => $changes, 'says' => $says] = Removal::of($build, $build->motions[$motion]);

    return [Editor::apply($build, array_map(fn (Change $change): array => ['path' => $change->path, 'value' => $change->value], $changes)),
        array_map(fn (Sentence $each): string => $each->text(), $says)];
}

it('takes any motion out of any demo, one after the other, until none is left', function (string $demo) {
    $build = Builds::demo($demo);
    foreach (array_keys($build->motions) as $id) {
        [$build] = without($build, $id);
        expect($build->motions)->not->toHaveKey($id);
        $rest = $build->document;
        unset($rest['pictures'], $rest['note'], $rest['name'], $rest['making'], $rest['upkeep']);
        expect((string) json_encode($rest))->not->toContain("\"motion\":\"{$id}\"");
    }
    expect($build->motions)->toBe([]);
})->with(['heron-wharf', 'quarry-tram', 'signal-garden', 'bale-loft', 'grumbling-troll', 'star-dial', 'moth-lantern']);

it('takes out what names it and leaves the rest as it is', function () {
    $build = Builds::sound();
    [$left, $says] = without($build, 'lift');
    $steps = array_column($left->document['routines'], 'steps', 'id');
    $before = array_column($build->document['routines'], 'steps', 'id');

    expect($steps['wake'])->toEqual([$before['wake'][0]])
        ->and($steps['show'])->toEqual(array_values(array_filter($before['show'], fn (array $step): bool => ($step['motion'] ?? '') !== 'lift')))
        ->and(array_column($left->document['log'], 'id'))->toBe(['a', 'b'])->and($left->document['sensors'])->toEqual($build->document['sensors'])
        ->and(array_slice($left->document['motions'], 0, 2))->toEqual(array_slice($build->document['motions'], 0, 2))
        ->and($says)->toBe(['4 steps go with it, of Wake, Show.', '2 switches go with it.', 'A measurement goes with it.']);
});

it('takes a step with what it holds when nothing is left in that', function () {
    $build = Builds::planted(['routines.1.steps.0' => ['do' => 'repeat', 'times' => 2, 'steps' => [
        ['do' => 'together', 'branches' => [[['do' => 'go', 'motion' => 'jaw', 'place' => 'wide', 'give_up_s' => 1]], [['do' => 'stop', 'motion' => 'jaw']]]]]]]);
    [$left, $says] = without($build, 'jaw');

    expect(array_column($left->document['routines'][1]['steps'], 'do'))->toBe(['run', 'stop', 'wait', 'go', 'go', 'signal'])
        ->and($says[0])->toBe('6 steps go with it, of Show.');
});

it('puts what stood on it on the base, and takes along what looked at it', function () {
    [$left, $says] = without(Builds::demo('grumbling-troll'), 'head');

    expect($left->motions['jaw']->mount?->on)->toBeNull()->and(implode(' ', $says))->toMatch('/Jaw.* stands? on the base then\./');
});
