<?php

declare(strict_types=1);

use Brookstone\Core\Build\Editor;
use Brookstone\Core\Export\WireColours;
use Brookstone\Core\Export\WiringSheet;
use Brookstone\Core\Export\WiringSvg;
use Brookstone\Core\Shape\Csv;
use Brookstone\Core\Wiring\Join;
use Brookstone\Core\Wiring\Outline;
use Brookstone\Core\Wiring\WireSize;
use Brookstone\Core\Wiring\WiringPlan;
use Tests\Support\Builds;

it('gives wires beside one another on a board colours that differ, and keeps them when something is added', function (string $demo) {
    $plan = Builds::demo($demo)->wiring;
    $colours = WireColours::of($plan);
    $at = [];
    foreach ($plan->joins as $join) {
        $at[$join->at()] = $colours[$join->signal];
    }
    foreach ($plan->boards as $board) {
        foreach ([-1, 1] as $side) {
            $pins = array_keys(array_filter(Outline::of($board->board)->pins, fn (array $pin): bool => $pin['side'] === $side));
            foreach (array_slice($pins, 1) as $i => $pin) {
                $near = $at["{$board->id}.{$pins[$i]}"] ?? null;
                expect($at["{$board->id}.{$pin}"] ?? 'none')->not->toBe($near, "{$board->id} {$pin}");
            }
        }
    }
    $last = array_key_last($plan->joins);
    expect(WireColours::of(new WiringPlan($plan->boards, array_slice($plan->joins, 0, $last))))->toBe(array_slice($colours, 0, $last))
        ->and(array_intersect($colours, ['red', 'black']))->toBe([]);
})->with(['heron-wharf', 'signal-garden', 'star-dial']);

it('takes the colour that somebody chose, and gives its neighbours another', function () {
    $plan = Builds::planted(Builds::wired())->wiring;
    $joins = array_map(fn (Join $join): Join => $join->signal === 'switches.lid-open' ? new Join($join->number, $join->signal, $join->board, $join->pin, colour: 'pink') : $join, $plan->joins);
    $colours = WireColours::of(new WiringPlan($plan->boards, $joins));
    expect($colours['switches.lid-open'])->toBe('pink')->and($colours['switches.lid-shut'])->not->toBe('pink')->and($colours['switches.lift-low'])->not->toBe('pink');
});

it('lists every wire with its two ends, its copper and its fellows', function () {
    $build = Builds::planted(array_replace(Builds::wired(), ['wiring.wires.2.length_m' => 1.25, 'wiring.wires.2.plug' => 'P1', 'wiring.wires.0.area_mm2' => 0.75]));
    $rows = array_column((new WiringSheet($build))->rows(), null, 'number');

    expect($rows['1a']['from'])->toBe('Lid motor')->and($rows['1a']['to'])->toBe('Bridge 1 A')->and($rows['1b']['colour'])->toBe($rows['1a']['colour'].' with white')
        ->and($rows['1a']['area_mm2'])->toBe(0.75)
        ->and($rows['3'])->toMatchArray(['from' => 'Lid shut switch', 'length_m' => 1.25, 'plug' => 'P1', 'area_mm2' => 0.08])
        ->and($rows['3−'])->toMatchArray(['to' => 'Ground', 'colour' => 'black'])
        ->and($rows['5+'])->toMatchArray(['from' => 'Jaw servo', 'to' => 'Servo rail +', 'colour' => 'red']) // from its own supply
        ->and($rows['9+']['to'])->toBe('Controller 1, 5 V') // a sensor from the controller
        ->and($rows['Controller 1 +']['to'])->toBe('Main +')->and($rows['Bridge 1 −']['to'])->toBe('Ground')
        ->and($rows['5']['area_mm2'])->toBe(WireSize::serving($build->motions['jaw']->drive?->line()->stall_A ?? 0.0, 0.5, 6.0, 3.15));
});

it('writes the wires as a table that reads back', function () {
    $sheet = new WiringSheet(Builds::demo('signal-garden'));
    $rows = Csv::rows($sheet->csv());
    $read = array_map(fn (array $row): array => $row['cells'], array_slice($rows, 1));

    expect($rows[0]['cells'])->toBe(['number', 'from', 'to', 'colour', 'cross_section_mm2', 'length_m', 'plug'])
        ->and($read)->toEqual(array_map(fn (array $row): array => array_map(strval(...), array_values($row)), $sheet->rows()));
});

it('draws the sheet with every board, pin and number, as a picture that can be read', function (string $demo) {
    $build = Builds::demo($demo);
    $svg = simplexml_load_string(WiringSvg::of($build));
    assert($svg !== false);
    $texts = array_map(strval(...), $svg->xpath('//*[local-name()="text"]') ?: []);

    expect(count(array_diff(array_map(fn (Join $join): string => (string) $join->number, $build->wiring->joins), $texts)))->toBe(0);
    foreach ($build->wiring->boards as $board) {
        expect($texts)->toContain($board->name);
    }
})->with(['heron-wharf', 'signal-garden']);

it('draws names as they were typed', function () {
    $build = Editor::apply(Builds::planted(Builds::wired()), [['path' => 'sensors.0.name', 'value' => '<b> & "Bell" {x}'], ['path' => 'wiring.boards.0.name', 'value' => 'A <&> B']]);
    $svg = simplexml_load_string(WiringSvg::of($build));
    expect($svg)->not->toBeFalse()->and(array_map(strval(...), ($svg ?: throw new LogicException)->xpath('//*[local-name()="text"]') ?: []))->toContain('<b> & "Bell" {x}', 'A <&> B')
        ->and((new WiringSheet($build))->csv())->toContain('"<b> & ""Bell"" {x}"');
});

it('offers other pins that can do it and are free', function () {
    $sheet = (new WiringSheet(Builds::planted(Builds::wired())))->written();
    $wires = array_column($sheet['wires'], null, 'signal');
    $others = array_column($wires['boards.bridge-1.A.speed']['others'], 'pin');

    expect($wires['motions.lid']['others'])->toBe([]) // its bridge has no third channel
        ->and($others)->each->toBeIn(['p3', 'p4', 'p5', 'p6', 'p7', 'p8'])
        ->and(array_intersect($others, array_column($sheet['wires'], 'pin')))->toBe([])
        ->and(array_column($wires['sensors.button']['others'], 'says'))->toContain('Controller 1 p1');
});

it('feeds a valve’s servo from its own supply and an echo with 5 V, and brings its trigger by one wire', function () {
    $build = Builds::planted(array_replace(Builds::wired(['outputs.1' => ['id' => 'valve', 'name' => 'Valve', 'kind' => 'servo_valve', 'supply' => 'servos'],
        'sensors.2' => ['id' => 'far', 'name' => 'Far', 'kind' => 'sonar']]), ['wiring.boards.0.board.logic_V' => 3.3]));
    $rows = (new WiringSheet($build))->rows();
    $ends = fn (string $signal): array => array_map(fn (array $row): string => $row['to'], array_values(array_filter($rows,
        fn (array $row): bool => $row['number'] === (string) $build->wiring->bySignal[$signal]->number
            || rtrim($row['number'], '+−') === (string) $build->wiring->bySignal[$signal]->number)));
    expect(array_slice($ends('outputs.valve'), 1))->toBe(['Servo rail +', 'Ground'])->and(array_slice($ends('sensors.far'), 1))->toBe(['Controller 1, 5 V', 'Ground'])
        ->and($ends('sensors.far.trigger'))->toHaveCount(1);
});
