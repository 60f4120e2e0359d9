<?php

declare(strict_types=1);

use Brookstone\Core\Assessment\Stage\StageReport;
use Brookstone\Core\Machine\Cable;
use Tests\Support\Builds;

/** The jaw out on the lid, pulled from the base. @return array<string, mixed> */
function pulledJaw(array $mount = []): array
{
    return ['motions.0.mount' => ['x_m' => 0.4, 'z_m' => 0.2], 'motions.1.mount' => $mount + ['on' => 'lid', 'x_m' => 0.1, 'z_m' => -0.05, 'drive' => 'base']];
}

it('keeps its length where it only turns about the foot of what it stands on', function () {
    $cable = Cable::of(Builds::planted(pulledJaw())->stage, 'jaw');

    expect($cable->shortest_m)->toBeAbout(hypot(0.1, 0.05), 1e-9)->and($cable->changes_m())->toBeLessThan(1e-9)->and($cable->passes)->toBe(['lid']);
});

it('gets longer by what slides between it and the base', function () {
    $stage = Builds::planted(['motions.2.mount' => ['z_m' => 0.1], 'motions.0.mount' => ['on' => 'lift', 'z_m' => 0.05],
        'motions.1.mount' => ['on' => 'lid', 'x_m' => 0.0, 'z_m' => 0.0, 'drive' => 'base']])->stage;

    // the lift goes up by 0.1 m, straight away from its foot; the lid turns about where the jaw stands
    expect(Cable::of($stage, 'jaw')->shortest_m)->toBeAbout(0.05, 1e-9)->and(Cable::of($stage, 'jaw')->longest_m)->toBeAbout(0.15, 1e-9)
        ->and(Cable::of($stage, 'jaw')->passes)->toBe(['lift', 'lid']);
});

it('is none where the drive rides, or stands on the base itself', function () {
    expect(Cable::of(Builds::planted(pulledJaw(['drive' => 'rides']))->stage, 'jaw'))->toBeNull()
        ->and(Cable::of(Builds::planted(['motions.0.mount' => ['drive' => 'base']])->stage, 'lid'))->toBeNull();
});

it('is told with what it passes and how much its length changes', function () {
    $build = Builds::planted(['motions.2.mount' => ['z_m' => 0.1], 'motions.1.mount' => ['on' => 'lift', 'z_m' => 0.05, 'drive' => 'base']]);
    $motions = array_column((new StageReport($build))->written()['motions'], null, 'id');

    expect($motions['jaw']['cable']->text())->toBe('Its cord or cable from the base passes Lift: on the straight way it is 50 mm to 150 mm long, 100 mm more or less as that moves. Lead it through their axes, or in a sheath.')
        ->and($motions['lift']['cable'])->toBeNull();
});
