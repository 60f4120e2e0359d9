<?php

declare(strict_types=1);

use Brookstone\Core\Build\Build;
use Brookstone\Core\Build\Editor;
use Brookstone\Core\Error\InvalidInput;
use Brookstone\Core\Rehearsal\Rehearsal;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\Support\Builds;
use Tests\Support\Changes;
use Tests\Support\Faulty;

/** @return array{int, int, int} changes that were tried; stages that were not performed again, of how many */
function rehearsedAgain(Build $build, int $seed, int $most): array
{
    $random = new Randomizer(new Mt19937($seed));
    $before = Rehearsal::of($build);
    $tried = $again = $of = 0;
    foreach ($random->shuffleArray(Changes::of(array_intersect_key($build->document,
        array_flip(['settings', 'supplies', 'motions', 'sensors', 'routines', 'rules', 'scenarios', 'counters'])))) as $change) {
        try {
            $changed = Editor::apply($build, [$change]);
        } catch (InvalidInput) {
            continue;
        }
        $with = Rehearsal::of($changed, $before);
        $without = Rehearsal::of($changed);
        expect(serialize($with->performances))->toBe(serialize($without->performances), "{$change['path']} is ".json_encode($change['value']));
        $again += $with->again;
        $of += array_sum(array_map('count', $with->stages));
        if (++$tried >= $most) {
            break;
        }
    }

    return [$tried, $again, $of];
}

it('comes to the same as if everything were run again, whatever changes', function (int $seed) {
    [$tried, $again, $of] = rehearsedAgain(Faulty::build($seed), $seed, (int) (getenv('BROOKSTONE_RUNS') ?: 8));

    expect($tried)->toBeGreaterThan(5)->and($again)->toBeLessThan($of);
})->with(range(1, 6));

it('runs only what a change can touch again', function (array $change, bool $all) {
    $build = Builds::planted(['log' => []] + Builds::beside(5.0));
    $before = Rehearsal::of($build);
    $after = Rehearsal::of(Editor::apply($build, [$change]), $before);
    $stages = array_sum(array_map('count', $after->stages));

    expect($all ? $after->again === $stages : $after->again > 0 && $after->again < $stages)->toBeTrue("{$after->again} of {$stages}")
        ->and($before->again)->toBe(0);
})->with([
    'its name' => [['path' => 'name', 'value' => 'Other'], true],
    'a note' => [['path' => 'note', 'value' => 'Sunday'], true],
    'a step of one routine' => [['path' => 'routines.2.steps.0.speed', 'value' => 0.9], false],
]);

it('takes a changed byte for a change', function (array $change) {
    $build = Builds::planted(['log' => []] + Builds::beside(5.0));

    expect(Rehearsal::of(Editor::apply($build, [$change]), Rehearsal::of($build))->again)->toBe(0);
})->with([
    'a supply' => [['path' => 'supplies.0.max_A', 'value' => 5.000001]],
    'a motion that every routine waits for' => [['path' => 'motions.0.mechanism.mass_kg', 'value' => 0.300001]],
    'what starts a routine' => [['path' => 'routines.2.starts.0', 'value' => ['when' => 'press', 'sensor' => 'button', 'how' => 'long']]],
]);

it('sees that what rested would slide when it is heavier, held or let go', function (array $steps, float $light, float $heavy) {
    $lid = [['do' => 'home', 'motion' => 'lid', 'switch' => 'lid-shut', 'give_up_s' => 5]];
    $build = Builds::planted(['log' => [], 'scenarios' => [], 'motions.2.mechanism.mass_kg' => $light, 'motions.2.task.from' => 'high',
        'motions.2.task.to' => 'low', 'routines' => [['id' => 'wake', 'name' => 'Wake', 'starts' => [['when' => 'power_on']],
            'steps' => [...$lid, ...$steps, ['do' => 'wait', 'for_s' => 1]]]]]);
    $changed = Editor::apply($build, [['path' => 'motions.2.mechanism.mass_kg', 'value' => $heavy]]);
    $before = Rehearsal::of($build);
    $after = Rehearsal::of($changed, $before);

    expect($before->of('wake')[0]->ends['lift'])->toBe(0.1) // it stays
        ->and(Rehearsal::of($changed)->of('wake')[0]->ends['lift'])->toBeLessThan(0.09)
        ->and(serialize($after->performances))->toBe(serialize(Rehearsal::of($changed)->performances))
        ->and(Rehearsal::of(Editor::apply($build, [['path' => 'motions.2.mechanism.mass_kg', 'value' => 1.01 * $light]]),
            $before)->again > 0)->toBe($steps === []);
})->with([
    'shorted at rest' => [[], 0.01, 60.0],
    'let go by a step' => [[['do' => 'stop', 'motion' => 'lift', 'how' => 'coast']], 0.01, 60.0],
    'its power cut with its supply' => [[['do' => 'power', 'supply' => 'main', 'state' => 'off']], 0.01, 60.0],
]);
