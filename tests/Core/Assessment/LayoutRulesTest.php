<?php

declare(strict_types=1);

use Tests\Support\Said;

/**
 * To plant: stages whose shafts stand in a row, so far from one another.
 *
 * @param  list<float|int>  $apart_mm
 * @param  array<string, mixed>  $more
 * @return array<string, mixed>
 */
function inARow(array $apart_mm, array $more = [], ?array $stages = null): array
{
    $stages ??= array_fill(0, count($apart_mm), ['type' => 'spur', 'driver' => 20, 'driven' => 30, 'module_mm' => 1, 'backlash_mm' => 0.05, 'material' => 'steel']);
    $shafts = [['x_mm' => 20, 'y_mm' => 20]];
    foreach ($apart_mm as $i => $apart) {
        $shafts[] = ['x_mm' => $shafts[$i]['x_mm'] + $apart, 'y_mm' => 20];
    }

    return ['motions.0.train' => $stages, 'motions.0.layout' => $more + ['grid_mm' => null, 'shafts' => $shafts, 'planes' => array_fill(0, count($stages), 0)]];
}

function looseBy(string $severity, string $apart, string $off, string $contact, string $play, string $how): string
{
    return "{$severity} train.loose at motions.0.layout.shafts.1: The shafts of stage 1 stand {$apart} mm apart, {$off} mm too far for 20 and 30 teeth: {$contact} pairs touch on the mean, with {$play} mm of play. {$how}";
}

// 20 and 30 teeth of 1 mm mesh at 25 mm; with 0.05 mm of play they may stand 0.05 ÷ 2 tan 20° = 0.069 mm nearer.
it('says of a laid out train what is so on one side of a threshold, and not on the other', function (string $codes, array $planted, array $says) {
    expect(Said::atOnce($codes, $planted))->toBe($says);
})->with([
    'as near as play allows' => ['train.(binds|loose)', inARow([24.94]), []],
    'nearer' => ['train.(binds|loose)', inARow([24.92]), ['fails train.binds at motions.0.layout.shafts.1: The shafts of stage 1 stand 24.9 mm apart, 0.08 mm too near for 20 and 30 teeth: they bind.']],
    'a tenth of a module too far' => ['train.(binds|loose)', inARow([25.1]), []],
    'further' => ['train.(binds|loose)', inARow([25.15]), [looseBy('tight', '25.2', '0.15', '1.46', '0.162', 'They run rough.')]],
    'one pair touches, on the mean' => ['train.(binds|loose)', inARow([25.6]), [looseBy('tight', '25.6', '0.6', '1.06', '0.535', 'They run rough.')]],
    'not even one' => ['train.(binds|loose)', inARow([25.7]), [looseBy('fails', '25.7', '0.7', '0.972', '0.624', 'They skip.')]],
    'a belt too short for its wheels' => ['train.(binds|loose)', inARow([20], stages: [['type' => 'belt', 'driver' => 20, 'driven' => 40]]), [
        'fails train.binds at motions.0.layout.shafts.1: The shafts of stage 1 stand 20 mm apart, 10 mm too near for 20 and 40 teeth: they bind.',
    ]],
    'two wheels on one shaft and plane' => ['train.(clash|outside|overhung)', inARow([25, 25]), [
        'fails train.clash at motions.0.layout.shafts.1: The wheel of 30 teeth of stage 1 and the one of 20 of stage 2 sit on one shaft and one plane.',
    ]],
    'on two planes' => ['train.(clash|outside|overhung)', inARow([25, 25], ['planes' => [0, 1]]), []],
    'back over the first shaft' => ['train.(clash|outside|overhung)', inARow([25, -25], ['planes' => [0, 1]]), [
        'fails train.clash at motions.0.layout.shafts.2: The wheel of 20 teeth of stage 1 runs into shaft 3: 12.7 mm too near.',
    ]],
    // planes are 8 mm apart, and six times 3 mm is much for a shaft
    'two planes up' => ['train.overhung', inARow([25, 25], ['planes' => [0, 2]]), [
        'note train.overhung at motions.0.layout.plates: Shaft 2 carries a wheel 20 mm above the only plate that holds it: it bends, and the wheels leave each other.',
    ]],
    'one plane up' => ['train.overhung', inARow([25, 25], ['planes' => [0, 1]]), []],
    // 16 mm of wheel and 2 mm of nut, and a little air
    'a nut in the way' => ['train.clash', inARow([25], ['obstacles' => [['name' => 'the nut', 'x_mm' => 63, 'y_mm' => 20, 'radius_mm' => 2, 'plane' => 0]]]), [
        'fails train.clash at motions.0.layout.shafts.1: The wheel of 30 teeth of stage 1 does not clear the nut: 0.2 mm too near.',
    ]],
    'a nut beside it' => ['train.clash', inARow([25], ['obstacles' => [['name' => 'the nut', 'x_mm' => 63.3, 'y_mm' => 20, 'radius_mm' => 2, 'plane' => 0]]]), []],
    'a nut on another plane' => ['train.clash', inARow([25], ['obstacles' => [['name' => 'the nut', 'x_mm' => 63, 'y_mm' => 20, 'radius_mm' => 2, 'plane' => 1]]]), []],
    // the outermost wheel ends at 20 + 25 + 16 mm
    'a room that ends before it' => ['train.outside', inARow([25], ['width_mm' => 60.9, 'height_mm' => 100]), [
        'fails train.outside at motions.0.layout.shafts.1: The wheel of 30 teeth of stage 1 reaches 0.1 mm out of the room that is allowed.',
    ]],
    'and after it' => ['train.outside', inARow([25], ['width_mm' => 61.1, 'height_mm' => 100]), []],
    'laid out for another train' => ['train.layout', ['motions.0.train' => inARow([25, 25])['motions.0.train']] + inARow([25]), [
        'note train.layout_stale at motions.0.layout: Its plate was laid out for another number of stages.',
    ]],
]);
