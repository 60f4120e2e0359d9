<?php

declare(strict_types=1);

use Brookstone\Core\Assessment\BuildJudge;
use Brookstone\Core\Build\Build;
use Brookstone\Core\Error\InvalidInput;
use Brookstone\Core\Rehearsal\Rehearsal;
use Brookstone\Core\Simulation\RoutineRun;
use Tests\Support\Builds;

/** The sound build with another name for one of its parts, wherever that stands. */
function renamed(string $was, string $is): Build
{
    $document = Builds::sound()->document;
    array_walk_recursive($document, function (mixed &$value) use ($was, $is): void {
        $value = $value === $was ? $is : $value;
    });

    return Build::read($document);
}

it('says the same of a build whatever its parts are called', function (string $is) {
    $sound = BuildJudge::atOnce(Builds::sound(), null, Rehearsal::of(Builds::sound()));
    $others = ['lid', 'lift', 'main', 'button', 'show', 'pressed', 'wide', 'lid-shut', 'lift-high'];
    // A place, with whose name most is done, and a third of the other parts: which third hangs on the name.
    $some = array_filter($others, fn (int $i): bool => getenv('BROOKSTONE_RUNS') !== false || ($i + crc32($is)) % 3 === 0, ARRAY_FILTER_USE_KEY);
    foreach (['open', ...$some] as $was) {
        $build = renamed($was, $is);
        $judged = BuildJudge::atOnce($build, null, Rehearsal::of($build));

        expect([$was, $judged->verdict])->toBe([$was, $sound->verdict])->and($judged->says->text())->toBe($sound->says->text())
            ->and(Build::fromJson($build->toJson())->document)->toBe($build->document);
        foreach ($build->routines as $routine) {
            expect(json_encode(RoutineRun::of($build, $routine), JSON_THROW_ON_ERROR))->toContain('"verdict":"');
        }
    }
})->with(['u', 'k', 'b', 'x', 'n', 'null', 'true', 'low', 'a-', 'constructor', '3', '0', '12-x', '007', '9'.str_repeat('x', 39)]);

it('reads what was written before names of parts began with a letter as if one stood before it', function () {
    expect(renamed('lid', '3')->motions)->toHaveKey('n3')->and(renamed('lid', '3')->routines['show']->motions())->toContain('n3')
        ->and(renamed('lid', '9'.str_repeat('x', 39))->motions)->toHaveKey('n9'.str_repeat('x', 38));
    foreach (['-a', 'A', 'ä', 'a b', '', 'a_b', "a\n", '3 b'] as $is) {
        expect(fn () => renamed('lid', $is))->toThrow(InvalidInput::class, 'that begins with a letter');
    }
    $pictured = Builds::demo('heron-wharf')->document;
    $pictured['pictures'][0]['id'] = '01kabc';

    expect(Build::read($pictured)->document['pictures'][0]['id'])->toBe('01kabc'); // a picture is stored under it
});
