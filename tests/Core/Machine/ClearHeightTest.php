<?php

declare(strict_types=1);

use Brookstone\Core\Assessment\Assessment;
use Brookstone\Core\Build\Build;
use Brookstone\Core\Machine\Clearance;
use Brookstone\Core\Machine\ClearHeight;
use Brookstone\Core\Machine\Piece;
use Brookstone\Core\Parts\Body;
use Brookstone\Core\Solid\Placement;
use Brookstone\Core\Solid\Vector;
use Tests\Support\Builds;

/** A bale of 0.1 m that hangs 0.08 m under the hook. @return array{Clearance, Piece, Piece} */
function baleAndStack(): array
{
    $stage = Builds::demo('bale-loft')->stage;
    $bale = new Body('test', 'Bale', 'box', 0.0, 0.0, 0.0, 0.1, 0.08, 0.06, 0.0, 0.0, null, null, null, 'carried');
    $clearance = Clearance::of($stage);
    $stack = array_values(array_filter($clearance->pieces, fn (Piece $piece): bool => $piece->body->name === 'Stack'))[0];

    return [$clearance, new Piece($bale, $stage->motions['hoist'], ['hoist', ...$stage->under('hoist')], Placement::shifted(new Vector(0.0, 0.0, -0.08))), $stack];
}

it('finds the lowest position that clears what stands on the way, to a millimetre', function (float $asked_m) {
    [$clearance, $bale, $stack] = baleAndStack();
    $pose = ['trolley' => 0.0, 'hoist' => 0.1];
    [$lifts, $at] = (new ClearHeight($clearance))->over($bale, $stack, 'trolley', $pose, $asked_m);
    $comes = fn (float $hoist): bool => $clearance->comeWithin([[$bale, $stack]], 'trolley', [0.0, 0.6], ['hoist' => $hoist] + $pose, $asked_m - Clearance::NEITHER_M, 0.0005);

    expect($lifts->id)->toBe('hoist')->and($comes($at))->toBeFalse()->and($comes($at - 0.002))->toBeTrue();
})->with([0.005, 0.02, 0.001]);

it('says nothing where no motion lifts it that high, or only what brings it there does', function () {
    [$clearance, $bale, $stack] = baleAndStack();

    expect((new ClearHeight($clearance))->over($bale, $stack, 'trolley', ['trolley' => 0.0, 'hoist' => 0.1], 0.3))->toBeNull()
        ->and((new ClearHeight($clearance))->over($bale, $stack, 'hoist', ['trolley' => 0.0, 'hoist' => 0.1], 0.005))->toBeNull()
        ->and((new ClearHeight($clearance))->over($bale, $stack, 'trolley', ['trolley' => 0.0, 'hoist' => 0.36], 0.005))->toBeNull(); // it is at its top
});

/** @return list<string> */
function touchesOf(Assessment $assessment): array
{
    return array_map(fn ($finding): string => $finding->says->text(), Builds::findings($assessment, 'routine.touches'));
}

it('is told where a bale touches the stack, and setting that height mends it', function () {
    $document = Builds::demo('bale-loft')->document;
    $document['scenarios'] = []; // the routine is rehearsed without them
    $build = Build::read($document);
    $found = Builds::found($build, 'routine.touches')[0];
    $low = $build->document;
    $low['motions'][1]['places'][2]['at'] = $found->says->values['clears']->si - 0.004;

    expect($found->says->text())->toContain(' (it clears with Hoist at 295 mm) when')
        ->and($found->fixes[0]->does->text())->toBe('Set Half way up of Hoist to 295 mm')
        ->and(touchesOf(Builds::assessed(Builds::mended($build, $found->fixes[0]))))->toBe([])
        ->and(Builds::assessed(Build::read($low))->codes())->toContain('routine.comes_near');
});
