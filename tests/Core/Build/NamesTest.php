<?php

declare(strict_types=1);

use Brookstone\Core\Assessment\BuildJudge;
use Brookstone\Core\Build\Build;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Rehearsal\Rehearsal;
use Brookstone\Core\Routine\Step;
use Brookstone\Core\Simulation\RoutineRun;
use Tests\Support\Builds;
use Tests\Support\Faulty;

/** @param  array<string, mixed>  $document  where every name and message is another */
function newlyNamed(array $document, Closure $is): Build
{
    array_walk_recursive($document, function (mixed &$value, string|int $key) use ($is): void {
        $value = is_string($value) && in_array($key, ['name', 'message', 'code', 'shaft', 'series', 'note'], true) ? $is($value) : $value;
    });

    return Build::read($document);
}

/** @return list<string> every text that a build's judgement, its routines' runs and its parts say */
function allThatIsSaid(Build $build): array
{
    static $known = []; // the plain one is asked for again with each of the hostile names
    $key = hash('xxh128', $build->toJson());
    if (isset($known[$key])) {
        return $known[$key];
    }
    $rehearsal = Rehearsal::of($build);
    $said = [BuildJudge::atOnce($build, null, $rehearsal)];
    foreach ($build->routines as $routine) {
        $said[] = RoutineRun::of($build, $routine, array_values($build->scenarios)[0] ?? null);
        $said[] = array_map(fn (Step $step): Sentence => $step->says($build), iterator_to_array($routine->flat(), false));
    }
    $texts = [];
    $plain = json_decode(json_encode($said, JSON_THROW_ON_ERROR), true);
    array_walk_recursive($plain, function (mixed $value) use (&$texts): void {
        $texts[] = is_string($value) ? $value : gettype($value);
    });

    return $known[$key] = $texts;
}

it('says the same of a build whatever people call its parts, and says the name as they typed it', function (string|int $demo, string $before, string $after) {
    $document = (is_int($demo) ? Faulty::build($demo) : Builds::demo($demo))->document;
    $plain = newlyNamed($document, fn (string $name): string => "‹{$name}›");
    $hostile = newlyNamed($document, fn (string $name): string => "{$before}‹{$name}›{$after}");
    $said = allThatIsSaid($hostile);
    $back = array_map(fn (string $text): string => str_replace(["{$before}‹", "›{$after}"], ['‹', '›'], $text), $said);

    $differs = array_diff_assoc($back, allThatIsSaid($plain));
    $unnamed = array_filter($said, fn (string $text): bool => str_contains($text, '‹') && ! str_contains($text, "{$before}‹"));

    expect(array_slice($differs, 0, 3))->toBe([])->and(array_slice($unnamed, 0, 3))->toBe([]);
})->with(['heron-wharf', 'moth-lantern', 'quarry-tram', ...range(1, 12)])->with([
    'marks of sentences' => ['', ' {needs} {at} {time} {name1}'],
    'what a name is written as' => ['{"', '"} \\ \\u007b %s $1'],
    'the first word of a sentence' => ['In A ', ' so'],
]);
