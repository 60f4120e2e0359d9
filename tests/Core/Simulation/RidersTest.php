<?php

declare(strict_types=1);

use Brookstone\Core\Machine\LiveStage;
use Brookstone\Core\Simulation\Axis;
use Brookstone\Core\Simulation\Riders;
use Tests\Support\Builds;

it('looks at a family of motions several times in a scan while one of them speeds up, and once for anybody else', function () {
    $build = Builds::demo('grumbling-troll');
    $family = LiveStage::all($build->stage)[0];
    $axes = array_map(fn ($motion): Axis => new Axis($family->live($motion), $motion->at($motion->task->from), 0.0),
        array_intersect_key($build->motions, array_flip($family->motions())));
    $riders = new Riders($family, $axes);
    $moving = array_values($axes)[0];
    $alone = new Axis(Builds::sound()->motions['lift'], 0.0, 0.0);

    expect($riders->parts([$moving], 0.01))->toBe(1); // nothing has sped up yet
    $moving->follow($moving->position() + 20.0, 1.0);
    for ($i = 0; $i < 3; $i++) {
        $moving->advance(0.005);
        $riders->go(0.005);
    }

    expect($riders->parts([$moving], 0.01))->toBe(8)->and($riders->parts([$moving], 0.005))->toBe(4)->and($riders->parts([$moving], 0.00125))->toBe(1)
        ->and($riders->parts([$moving], 0.1))->toBe(8) // no oftener
        ->and($riders->parts([], 0.01))->toBe(1)->and($riders->parts([$alone], 0.01))->toBe(1)
        ->and($riders->mustBeLookedAt([$moving], 0.01))->toBeTrue()->and($riders->mustBeLookedAt([$alone], 0.01))->toBeFalse();
});
