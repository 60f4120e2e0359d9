<?php

declare(strict_types=1);

use Brookstone\Core\Build\Build;
use Brookstone\Core\Error\InvalidInput;
use Brookstone\Core\Finding\Finding;
use Tests\Support\Builds;

/** Two ends of a gantry: the lid and a copy of it. @param  array<string, mixed>  $changes */
function gantry(array $changes = []): Build
{
    $document = Builds::sound()->document;
    $other = array_replace($document['motions'][0], ['id' => 'far', 'name' => 'Far end']);
    $other['stops']['switches'] = array_map(fn (array $switch): array => array_replace($switch, ['id' => "far-{$switch['id']}", 'name' => "Far {$switch['name']}"]),
        $other['stops']['switches']);
    $document['motions'][] = $other;
    $document['motions'][0]['level'] = ['with' => 'far', 'within' => 8.0];
    $go = fn (string $motion, string $place): array => ['do' => 'go', 'motion' => $motion, 'place' => $place, 'give_up_s' => 20];
    $task = $document['motions'][0]['task'];
    $home = fn (string $motion, string $switch): array => ['do' => 'home', 'motion' => $motion, 'switch' => $switch, 'give_up_s' => 20];
    $document['routines'] = [['id' => 'both', 'name' => 'Both', 'starts' => [['when' => 'press', 'sensor' => 'button']], 'steps' => [
        ['do' => 'together', 'branches' => [[$home('lid', 'lid-shut')], [$home('far', 'far-lid-shut')]]],
        ['do' => 'together', 'branches' => [[$go('lid', $task['to'])], [$go('far', $task['to'])]]]]]];
    foreach ($changes as $path => $value) {
        data_set($document, $path, $value);
    }

    return Build::read($document);
}

/** @return list<string> */
function saidOfLevel(Build $build, string $code): array
{
    return array_map(fn (Finding $finding): string => $finding->says->text(), Builds::found($build, $code));
}

it('stays level where both ends set off together, and does not where one waits for the other', function () {
    $alone = gantry();
    $task = $alone->document['motions'][0]['task'];
    $steps = array_map(fn (string $motion): array => ['do' => 'go', 'motion' => $motion, 'place' => $task['to'], 'give_up_s' => 20], ['lid', 'far']);

    expect(saidOfLevel(gantry(), 'routine.runs_apart'))->toBe([])
        ->and(saidOfLevel(gantry(['routines.0.steps.1' => $steps[0], 'routines.0.steps.2' => $steps[1]]), 'routine.runs_apart')[0])->toMatch('/^Lid and Far end are 8\.\d*° apart, and may be 8° when Both is run /u');
});

it('says that two motors run apart by a twentieth of the way, from where on that is too much', function () {
    $motion = Builds::sound()->motions['lid'];
    $by = 0.05 * abs($motion->at($motion->task->to) - $motion->at($motion->task->from));

    expect(saidOfLevel(gantry(['motions.0.level.within' => $by * 1.001]), 'drive.runs_apart'))->toBe([])
        ->and(saidOfLevel(gantry(['motions.0.level.within' => $by * 0.999]), 'drive.runs_apart')[0])->toContain('have a motor each')->toContain('with a usual spread of 5%');
});

it('takes steppers for level, and servos within their dead band and play', function () {
    $drives = fn (string $code): array => ['motions.0.drive.motor' => Builds::motor($code), 'motions.3.drive.motor' => Builds::motor($code), 'motions.0.train' => [],
        'motions.3.train' => [], 'motions.0.level.within' => 0.5];

    expect(saidOfLevel(gantry($drives('P42-48')), 'drive.runs_apart'))->toBe([])
        // half a dead band of 0.7° and 0.25° of play, twice: 1.2°
        ->and(saidOfLevel(gantry($drives('S20 metal')), 'drive.runs_apart')[0])->toContain('may stand 1.2° apart there')
        ->and(saidOfLevel(gantry(['motions.0.level.within' => 1.3] + $drives('S20 metal')), 'drive.runs_apart'))->toBe([]);
});

it('refuses to be level with itself, with nothing, or with what slides', function (string $with) {
    expect(fn () => gantry(['motions.0.level' => ['with' => $with, 'within' => 1.0]]))->toThrow(InvalidInput::class, 'motions.0.level.with');
})->with(['lid', 'gone', 'lift']);
