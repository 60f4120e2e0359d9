<?php

declare(strict_types=1);

use Brookstone\Core\Assessment\BuildJudge;
use Brookstone\Core\Assessment\Chain;
use Brookstone\Core\Assessment\Subject\Link;
use Brookstone\Core\Build\Build;
use Brookstone\Core\Build\Editor;
use Brookstone\Core\Build\Twin;
use Brookstone\Core\Error\InvalidInput;
use Brookstone\Core\Finding\Change;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Parts\Motion;
use Tests\Support\Builds;

/** @return array{Build, list<string>} the build with a twin, and what is said of it */
function twinned(Build $build, string $motion, string $name, bool $mirrored = false, bool $together = false): array
{
    ['changes' => $changes, 'says' => $says] = Twin::of($build, $build->motions[$motion], $name, $mirrored, $together);

    return [Editor::apply($build, array_map(fn (Change $change): array => ['path' => $change->path, 'value' => $change->value], $changes)),
        array_map(fn (Sentence $each): string => $each->text(), $says)];
}

it('copies every motion of every demo so that the copy is judged as the first', function (string $demo) {
    $build = Build::read(['wiring' => [], 'meetings' => []] + Builds::demo($demo)->document); // what is wired is not copied: a wire takes its volts
    // What stands on a motion, what it takes up and what sits on it to look at it are not taken along.
    $carriers = [...array_filter(array_map(fn (Motion $motion): ?string => $motion->mount?->on, $build->motions)),
        ...array_filter(array_column($build->document['sensors'], 'motion')), ...array_filter(array_keys($build->stage->motions), $build->stage->takes(...))];
    foreach (array_diff_key($build->motions, array_flip($carriers)) as $id => $motion) {
        foreach ([false, true] as $mirrored) {
            if ($mirrored && $motion->mechanism->kind() === 'turntable' && $motion->task->keeps_turning) {
                continue;
            }
            [$with] = twinned($build, $id, 'Another', $mirrored);
            $judged = BuildJudge::atOnce($with);
            $links = fn (Chain $chain): array => array_map(fn (Link $link): array => [$link->link, $link->figure->text()],
                array_values(array_filter($chain->links, fn (Link $link): bool => in_array($link->link, ['task', 'load', 'drive', 'train', 'stops'], true))));
            $at = [$demo, $id, $mirrored];
            [$one, $other] = [$judged->chain($id), $judged->chain('another')];
            expect([...$at, $links($other)])->toBe([...$at, $links($one)])->and($other->margin)->toBeAbout((float) $one->margin, 1e-6);
        }
    }
})->with(['heron-wharf', 'quarry-tram', 'signal-garden', 'grumbling-troll', 'star-dial', 'moth-lantern']);

it('is its own image’s image', function (string $demo) {
    $build = Builds::demo($demo);
    foreach ($build->document['motions'] as $record) {
        if ($record['mechanism']['kind'] === 'turntable' && $record['task']['keeps_turning']) {
            continue;
        }
        [$once] = twinned($build, $record['id'], 'Image', true);
        [$twice] = twinned($once, 'image', 'Again', true);
        $again = array_values(array_filter($twice->document['motions'], fn (array $motion): bool => $motion['id'] === 'again'))[0];
        $plain = function (array $motion): array {
            $motion['stops']['switches'] = array_map(fn (array $switch): array => array_diff_key($switch, ['id' => 0, 'name' => 0]), $motion['stops']['switches']);

            return array_diff_key($motion, ['id' => 0, 'name' => 0, 'marker' => 0, 'measured' => 0, 'level' => 0]);
        };
        $record['drive'] = $record['drive'] === null ? null : ['shares' => null, 'selector' => null] + $record['drive'];
        expect($plain($again))->toEqual($plain($record));
    }
})->with(['heron-wharf', 'bale-loft', 'grumbling-troll', 'moth-lantern']);

it('stands and moves on the other side of the plane', function (string $id, float $share) {
    $build = Builds::demo('grumbling-troll');
    $at = $build->indexOf($id);
    $build = Editor::apply($build, [['path' => "motions.{$at}.mount.x_m", 'value' => 0.07], ['path' => "motions.{$at}.mount.heading_deg", 'value' => 25.0],
        ['path' => "motions.{$at}.bodies.0.y_m", 'value' => 0.013], ['path' => "motions.{$at}.bodies.0.heading_deg", 'value' => 31.0]]);
    [$with] = twinned($build, $id, 'Image', true);
    [$one, $image] = [$with->motions[$id], $with->motions['image']];
    $lies = function (string $motion) use ($with, $share): array {
        $its = $with->motions[$motion];
        $from = $its->at($its->task->from);
        [, $moved] = $with->stage->placed([$motion => $from + $share * ($its->at($its->task->to) - $from)]);
        $below = $its->mount?->on;
        $middle = $moved[$motion]->then($its->bodies[0]->placement);
        $tip = $middle->point(new Brookstone\Core\Solid\Vector(0.02, 0.01, 0.03));
        $side = $middle->point(new Brookstone\Core\Solid\Vector(0.02, -0.01, 0.03));

        return array_map(fn ($point) => $below === null ? $point : $moved[$below]->back()->point($point), [$middle->at, $tip, $side]);
    };
    [$middle, $tip, $side] = $lies($id);
    [$imageMiddle, $imageTip, $imageSide] = $lies('image');

    expect([$imageMiddle->x, $imageMiddle->y, $imageMiddle->z])->toEqualWithDelta([-$middle->x, $middle->y, $middle->z], 1e-9)
        ->and([$imageSide->x, $imageSide->y, $imageSide->z])->toEqualWithDelta([-$tip->x, $tip->y, $tip->z], 1e-9)
        ->and([$imageTip->x, $imageTip->y, $imageTip->z])->toEqualWithDelta([-$side->x, $side->y, $side->z], 1e-9)
        ->and($image->drive?->reversed)->toBe(! $one->drive?->reversed);
})->with(['neck', 'head', 'jaw', 'eyes', 'arm'])->with([0.0, 0.4, 1.0]);

it('moves together with the first in its routines, with switches of its own', function () {
    [$with, $says] = twinned(Builds::sound(), 'lift', 'Lift 2', true, true);
    $steps = array_column($with->document['routines'], 'steps', 'id');

    expect($steps['wake'][1])->toMatchArray(['do' => 'together', 'until' => 'all'])
        ->and($steps['wake'][1]['branches'][1][0])->toMatchArray(['do' => 'home', 'motion' => 'lift-2', 'switch' => 'lift-2-low-switch'])
        ->and($steps['show'][1]['branches'][0][0])->toEqual(Builds::sound()->document['routines'][1]['steps'][1])
        ->and($steps['show'][1]['branches'][1][0])->toMatchArray(['do' => 'run', 'motion' => 'lift-2', 'direction' => 'up'])
        ->and($steps['show'][1]['branches'][1][0]['until'])->toMatchArray(['sensor' => 'lift-2-high-switch', 'is' => 'on'])
        ->and($steps['show'][0])->toEqual(Builds::sound()->document['routines'][1]['steps'][0])
        ->and($says)->toBe(['It gets switches of its own: Lift 2 low switch, Lift 2 high switch.', 'Its drive turns the other way.',
            'Both move together in 4 steps of Wake, Show.']);
    $takes = array_column(BuildJudge::atOnce($with, null, Brookstone\Core\Rehearsal\Rehearsal::of($with))->routines, 'takes_s', 'id');
    $alone = array_column(BuildJudge::atOnce(Builds::sound(), null, Brookstone\Core\Rehearsal\Rehearsal::of(Builds::sound()))->routines, 'takes_s', 'id');
    expect($takes['show'])->toBeAbout($alone['show'], 0.02);
});

it('takes part in what steps hold, and beside others in one more branch', function () {
    $go = fn (string $motion, string $place): array => ['do' => 'go', 'motion' => $motion, 'place' => $place, 'give_up_s' => 4];
    $build = Builds::planted(['routines.1.steps' => [['do' => 'repeat', 'times' => 2, 'steps' => [
        ['do' => 'together', 'branches' => [[$go('jaw', 'wide')], [$go('lid', 'open')], [$go('lift', 'high'), ['do' => 'wait', 'for_s' => 1]]]],
        ['do' => 'choose', 'if' => ['sensor' => 'beam', 'is' => 'on'], 'then' => [$go('jaw', 'closed')], 'otherwise' => [$go('lid', 'shut')]],
        ['do' => 'together', 'until' => 'any', 'branches' => [[$go('jaw', 'wide')], [$go('lid', 'open')]]],
    ]]]]);
    [$with] = twinned($build, 'jaw', 'Jaw 2', false, true);
    [$all, $choose, $any] = $with->document['routines'][1]['steps'][0]['steps'];
    $moved = fn (array $steps): array => array_map(fn (array $step): array => [$step['do'], $step['motion'] ?? null], $steps);

    expect(array_map($moved, $all['branches']))->toBe([[['go', 'jaw']], [['go', 'lid']], [['go', 'lift'], ['wait', null]], [['go', 'jaw-2']]])
        ->and(array_map($moved, $choose['then'][0]['branches']))->toBe([[['go', 'jaw']], [['go', 'jaw-2']]])->and($moved($choose['otherwise']))->toBe([['go', 'lid']])
        ->and(array_map($moved, $any['branches']))->toBe([[['together', null]], [['go', 'lid']]]);
});

it('goes to the other side of 0 where it turns about an upright axis', function () {
    $build = Builds::demo('grumbling-troll');
    $neck = $build->indexOf('neck');
    $build = Editor::apply($build, [['path' => "motions.{$neck}.segments", 'value' => [['name' => 'Rub', 'from' => 5, 'to' => 10, 'load_Nm' => 0.01]]]]);
    [$with, $says] = twinned($build, 'neck', 'Second neck', true, true);
    [$one, $other] = [$build->motions['neck'], $with->motions['second-neck']];
    foreach ($one->places as $place) {
        expect($other->at($place->id))->toBe(-$one->at($place->id) + 0.0);
    }
    $record = array_column($with->document['motions'], null, 'id')['second-neck'];
    expect([$other->stops->hard_low, $other->stops->hard_high])->toBe([-$one->stops->hard_high, -$one->stops->hard_low])
        ->and($record['segments'][0])->toMatchArray(['from' => -10.0, 'to' => -5.0, 'load_Nm' => -0.01])
        ->and($says)->toContain('Its places lie on the other side of 0.')->and(implode(' ', $says))->toContain('What stands on the first is not taken along:');
});

it('refuses a name that is none, and the image of what turns on and on', function (array $how, string $field) {
    $build = Builds::demo('star-dial');
    expect(fn () => Twin::of($build, $build->motions['dial'], ...$how))->toThrow(function (InvalidInput $refused) use ($field) {
        expect(array_column($refused->errors, 'field'))->toBe([$field]);
    });
})->with([[[' ', false, false], 'name'], [[str_repeat('x', 81), false, false], 'name'], [['Image', true, false], 'mirrored']]);

it('names left after right, and another by its number', function (string $name, string $image, string $another) {
    expect(Twin::imageOf($name))->toBe($image)->and(Twin::another($name))->toBe($another);
})->with([['Left wing', 'Right wing', 'Left wing 2'], ['Wing, right', 'Wing, left', 'Wing, right 2'], ['Jaw', 'Jaw 2', 'Jaw 2'], ['Jaw 9', 'Jaw 10', 'Jaw 10']]);

it('gives ids that are free, whatever the names are', function () {
    $build = Builds::sound();
    foreach (['Lid', 'lid', '9 lives', 'Ärm', '😀', str_repeat('long ', 16)] as $name) {
        [$build] = twinned($build, 'lid', $name, false, true);
    }

    expect(array_keys($build->motions))->toBe(['lid', 'jaw', 'lift', 'lid-2', 'lid-3', 'n9-lives', 'rm', 'n', 'long-long-long-long-long-long-long-l']);
});
