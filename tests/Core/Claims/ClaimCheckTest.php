<?php

declare(strict_types=1);

use Brookstone\Core\Calculator\Calculators;
use Brookstone\Core\Claims\ClaimCheck;
use Brookstone\Core\Claims\Contradiction;
use Brookstone\Core\Claims\Reader;
use Brookstone\Core\Drive\DcMotor;
use Brookstone\Core\Drive\Drawer;
use Brookstone\Core\Drive\Drives;

it('finds the figures of a page, whatever the spelling', function () {
    $figures = Reader::figures("Size: 40.5 x 20 x 38 mm\nStall torque 9.4 kg.cm / 130 oz-in @ 4.8V; 0,17 sec/60°\nEncoder 48 counts, nothing else 7 things");

    expect(array_map(fn ($figure): string => $figure->written, $figures))->toBe(['40.5 mm', '20 mm', '38 mm', '9.4 kg.cm', '130 oz-in', '4.8 V',
        '0,17 sec/60°', '48 counts'])
        ->and($figures[3]->quantity->si)->toBeAbout(9.4 * 0.0980665)->and($figures[6]->quantity->si)->toBeAbout(M_PI / 3 / 0.17);
});

it('says what is odd, and keeps quiet over what agrees', function (string $page, array $kinds) {
    expect(array_map(fn (Contradiction $odd): string => $odd->kind, ClaimCheck::ofText($page)))->toBe($kinds);
})->with([
    'a size that agrees' => ['40.5 x 20 x 38 mm (1.59 x 0.79 x 1.50 in)', []],
    'a size that does not' => ['40.5 x 20 x 38 mm (1.59 x 0.79 x 1.20 in)', ['same_twice']],
    'torque in two units' => ['Torque: 9.4 kg·cm (130.5 oz·in)', []],
    'units written apart' => ['Torque 12 kg cm (2.1 N m)', ['same_twice']],
    'torque in two units that differ' => ['Torque: 9.4 kg·cm (160 oz·in)', ['same_twice']],
    'torque on two lines' => ["Stall torque: 9.4 kg·cm\nStall torque 1.4 N·m", ['same_twice']],
    'a speed told twice' => ['Speed 0.17 s/60° (58.8 rpm)', []],
    'a speed that is another' => ['Speed 0.17 s/60° (100 rpm)', ['same_twice']],
    'two voltages are two things' => ['Speed 0.20 s/60° at 4.8 V, 0.17 s/60° at 6 V', []],
    'rounding is no lie' => ['Weight 9 g (0.32 oz)', []],
    'no-load over stall' => ["No-load current: 900 mA\nStall current 0.8 A", ['idle_over_stall']],
    'power that torque and speed cannot give' => ["Rated power: 20 W\nStall torque 1 N·m\nNo-load speed 100 rpm", ['power']],
    'power that they can' => ["Rated power: 2.5 W\nStall torque 1 N·m\nNo-load speed 100 rpm", []],
    'rated torque, speed and power' => ["Rated torque 0.5 N·m\nRated speed 100 rpm\nRated power 5.2 W", []],
    'rated ones that do not belong together' => ["Rated torque 0.5 N·m\nRated speed 100 rpm\nRated power 12 W", ['power']],
    'counts and resolution' => ['1024 counts per turn, resolution 0.352°', []],
    'edges counted four times' => ['256 pulses per turn, resolution 0.352°', []],
    'counts that do not' => ['1024 counts per turn, resolution 0.5°', ['counts']],
    'no figures at all' => ['The best motor ever!', []],
]);

it('finds nothing odd in the drives that come with it', function () {
    foreach (Drawer::all() as $code => $drive) {
        expect(ClaimCheck::of($drive))->toBe([], (string) $code);
    }
});

it('compares what was typed in with its page and with itself', function () {
    $with = fn (array $changes, string $code = 'G25-60'): array => array_map(fn (Contradiction $odd): string => $odd->kind,
        ClaimCheck::of(Drives::make($changes + Drives::write(Drawer::get($code)))));

    expect($with(['stall_Nm' => 30.0]))->toBe(['power'])
        ->and($with(['mass_kg' => 3.0]))->toBe(['density'])
        ->and($with(['page' => 'Stall torque 20 kg·cm']))->toBe(['same_twice'])
        ->and($with(['page' => 'Stall torque 8.9 kg·cm, weight 98 g']))->toBe([])
        ->and($with(['page' => 'Weight 200 g']))->toBe(['same_twice'])
        ->and($with(['ratings' => [['volts_V' => 4.8, 'stall_Nm' => 1.0, 'speed_deg_s' => 300.0],
            ['volts_V' => 6.0, 'stall_Nm' => 0.9, 'speed_deg_s' => 350.0]]], 'S20 metal'))->toBe(['ratings']);
});

it('is no worse for hostile text', function () {
    expect(ClaimCheck::ofText(str_repeat('9 x ', 20000).'9 mm'))->toBeArray()
        ->and(ClaimCheck::ofText("\xff\xfe 12 V \0"))->toBe([])
        ->and(ClaimCheck::ofText(str_repeat("Torque 1 N·m (2 N·m)\n", 5000)))->toBeArray();
});

it('gives the same as a calculator, with findings', function () {
    $answer = Calculators::run(Calculators::all()['claims.check'], ['page' => "Torque: 9.4 kg·cm (160 oz·in)\nWeight 55 g"]);

    expect($answer['results'])->toBe(['figures' => 3, 'odd' => 1])->and($answer['findings'][0]->code)->toBe('claims.disagree');
});

it('knows the most power of a straight line', function () {
    expect(ClaimCheck::peakPower_W(new DcMotor(12.0, 100.0, 0.1, 1.0, 2.0)))->toBeAbout(1.0 * 100 * M_PI / 30 / 4);
});
