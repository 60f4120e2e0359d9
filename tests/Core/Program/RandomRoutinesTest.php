<?php

declare(strict_types=1);

use Brookstone\Core\Bench\Trials;
use Brookstone\Core\Program\Composer;
use Brookstone\Core\Program\Language;
use Brookstone\Core\Routine\Steps;
use Tests\Support\Programs;
use Tests\Support\Routines;

it('writes programs that do what routines do, whatever they are', function (int $seed, Language $language) {
    $build = Routines::over(Programs::shipped('heron-wharf'), $seed);
    $of = Composer::of($build);

    expect(Programs::differs($of, Programs::bench()->start($of, $language), Trials::byChance($build, 5)))->toBeNull();
})->with([...array_map(fn (int $seed): array => [$seed, Language::C], range(1, 16)), [17, Language::Sketch], [18, Language::Python], [19, Language::Python], [20, Language::Python]]);

it('has met every kind of step in those', function () {
    $kinds = [];
    foreach (range(1, 20) as $seed) {
        foreach (Routines::over(Programs::shipped('heron-wharf'), $seed)->routines as $routine) {
            foreach ($routine->flat() as $step) {
                $kinds[Steps::kindOf($step)] = true;
            }
        }
    }

    expect(array_values(array_diff(array_keys(Steps::KINDS), array_keys($kinds))))->toBe(['change_over', 'take', 'put', 'release']);
});

it('does so with every fault too, a power cut in the middle of everything among them', function (int $seed) {
    $build = Routines::over(Programs::shipped('heron-wharf'), $seed);
    $of = Composer::of($build);

    expect(Programs::differs($of, Programs::bench()->start($of, Language::C), Trials::faults($build)))->toBeNull();
})->with([1, 3, 13]);
