<?php

declare(strict_types=1);

use Brookstone\Core\Drive\DcMotor;
use Brookstone\Core\Drive\Drawer;
use Brookstone\Core\Drive\DrawerCsv;
use Brookstone\Core\Drive\Drives;
use Brookstone\Core\Drive\Servo;
use Brookstone\Core\Error\InvalidInput;

const HEAD = 'kind,code,series,mass_kg,rated_V,no_load_rpm,no_load_A,stall_Nm,stall_A,length_mm,width_mm,height_mm,shaft,gear_material,back_drive_Nm,gearbox_limit_Nm,thermal';

it('writes the whole drawer and reads it back the same', function () {
    $read = DrawerCsv::read(DrawerCsv::write(Drawer::all()));

    expect($read['errors'])->toBe([])->and($read['drives'])->toHaveCount(count(Drawer::all()));
    foreach ($read['drives'] as $drive) {
        expect(Drives::write($drive))->toEqual(Drives::write(Drawer::get($drive->body()->code)));
    }
});

it('writes the same bytes when what was read is written again', function () {
    $csv = DrawerCsv::write(Drawer::all());

    expect(DrawerCsv::write(DrawerCsv::read($csv)['drives']))->toBe($csv);
});

it('reads any unit, and any of the usual separators', function (string $separator) {
    $csv = str_replace(',', $separator, HEAD)."\n".implode($separator, ['dc_motor', 'Mine', 'Own', '98 g', '12 V', '76', '90 mA', '14 kg cm', '1.9', '62',
        '1 in', '25', 'round', 'brass', '0', '2.6', 'small']);
    $read = DrawerCsv::read($csv);
    $motor = $read['drives'][0] ?? null;

    expect($read['errors'])->toBe([])->and($motor)->toBeInstanceOf(DcMotor::class);
    assert($motor instanceof DcMotor);
    expect($motor->stall_Nm)->toBeAbout(14 * 0.0980665)->and($motor->no_load_A)->toBeAbout(0.09)->and($motor->body()->mass_kg)->toBeAbout(0.098)
        ->and($motor->body()->width_mm)->toBeAbout(25.4);
})->with([',', ';', "\t"]);

it('reads ratings and quoted texts over several lines', function () {
    $csv = "kind,code,series,mass_kg,ratings,stall_A,idle_A,travel_deg,length_mm,width_mm,height_mm,shaft,gear_material,back_drive_Nm,gearbox_limit_Nm,thermal,page\n"
        .'servo,Mine,Own,0.05,"4.8 V: 9.4 kg·cm, 0.2 s/60°; 6 V: 1.1 N·m, 350 °/s",2,0.01,120,40,20,38,"6 mm, splined",nylon,0.05,1.5,small,"He says ""strong"""'."\n";
    $read = DrawerCsv::read(str_replace('He says', "He\nsays", $csv));
    $servo = $read['drives'][0] ?? null;

    expect($read['errors'])->toBe([])->and($servo)->toBeInstanceOf(Servo::class);
    assert($servo instanceof Servo);
    expect($servo->ratings)->toHaveCount(2)->and($servo->ratings[0]->stall_Nm)->toBeAbout(9.4 * 0.0980665)
        ->and($servo->ratings[0]->speed_deg_s)->toBeAbout(300.0)
        ->and($servo->body()->shaft)->toBe('6 mm, splined')->and($servo->body()->page)->toBe("He\nsays \"strong\"");
});

it('names every bad row with its line and column, and takes the others', function () {
    $good = 'dc_motor,%s,Own,0.1,12,76,0.09,1,1.9,62,25,25,round,brass,0,2.6,small';
    $csv = implode("\n", [
        HEAD, sprintf($good, 'One'), sprintf('rocket'.substr($good, 8), 'Two'), '', sprintf(str_replace(',12,', ',twelve,', $good), 'Three'),
        sprintf(str_replace(',1.9,', ',0.05,', $good), 'Four'),
        sprintf($good, 'One'), sprintf(str_replace('brass', 'cheese', $good), 'Five'), sprintf($good, 'Six').',more',
        sprintf(str_replace(',0.1,', ',,', $good), 'Seven'), sprintf($good, 'Eight'),
    ]);
    $read = DrawerCsv::read($csv);

    expect(array_map(fn ($drive): string => $drive->body()->code, $read['drives']))->toBe(['One', 'Eight'])
        ->and(array_map(fn (array $error): array => [$error['line'], $error['column']], $read['errors']))
        ->toBe([[3, 'kind'], [5, 'rated_V'], [6, 'stall_A'], [7, 'code'], [8, 'gear_material'], [9, ''], [10, 'mass_kg']])
        ->and($read['errors'][3]['message'])->toContain('line 2');
});

it('refuses tables that are none', function (string $csv, string $says) {
    $read = DrawerCsv::read($csv);

    expect($read['drives'])->toBe([])->and($read['errors'][0]['message'])->toContain($says);
})->with([
    'a column twice' => ["kind,code,code\nservo,a,b", 'Stands there more than once.'],
    'nothing' => ['', 'must name the columns'],
    'a picture' => ["\x89PNG\r\n\x1a\n\0\0", 'no such column'],
    'a wrong column' => [HEAD.",torque\n", 'no such column'],
    'no kinds' => ["code,mass_kg\nMine,1\n", 'must name the columns'],
    'thousands' => [HEAD."\n".str_repeat("dc_motor,a\n", 2001), 'at most 2000 rows'],
]);

it('guides through every column that it writes', function () {
    $head = explode(',', explode("\r\n", DrawerCsv::write([]))[0]);

    expect(array_column(DrawerCsv::guide(), 'column'))->toBe($head)
        ->and(array_filter(DrawerCsv::guide(), fn (array $column): bool => $column['kinds'] === []))->toBeEmpty();
});

it('reads what is typed into a form, and gives it back as it would be typed', function (string $code) {
    $drive = Drawer::get($code);

    expect(Drives::write(DrawerCsv::typed(DrawerCsv::cells($drive))))->toEqual(Drives::write($drive));
})->with(['G25-60', 'W40-260', 'S20 digital', 'C20 turning', 'P42-40', 'B65-12', 'L50-12']);

it('names every field that was typed wrong', function () {
    try {
        DrawerCsv::typed(['kind' => 'stepper', 'code' => 'Mine', 'holding_Nm' => 'much', 'steps_per_rev' => '1.5', 'phase_A' => '-1', 'stall_Nm' => '4']
            + DrawerCsv::cells(Drawer::get('P42-40')));
        $this->fail('It was not refused.');
    } catch (InvalidInput $invalid) {
        expect(array_column($invalid->errors, 'field'))->toEqualCanonicalizing(['holding_Nm', 'stall_Nm', 'steps_per_rev', 'phase_A']);
    }
});

it('ships the drawer that is kept beside this test: a figure of it that changes is seen', function () {
    $csv = DrawerCsv::write(Drawer::all());

    expect($csv === file_get_contents(__DIR__.'/drawer.csv'))->toBeTrue('php bin/support/rewrite.php writes it anew: '.substr($csv, 0, 60));
});

it('reckons a geared motor from its motor, its ratio and what its gears take', function () {
    [$g25, $w40] = [Drawer::get('G25-227'), Drawer::get('W40-400')];
    assert($g25 instanceof DcMotor && $w40 instanceof DcMotor);

    // 22 mN·m and 7600 rpm at the motor, 227 : 1 with 56 %; 34 mN·m and 6000 rpm, 400 : 1 with 27 %, a worm.
    expect($g25->stall_Nm)->toBeAbout(0.022 * 227 * 0.56, 1e-3)->and($g25->no_load_rpm)->toBeAbout(7600 / 227, 2e-3)->and($g25->rotorKgm2())->toBeAbout(5.5e-7 * 227 ** 2, 1e-3)
        ->and($g25->locks())->toBeFalse()->and($g25->body()->back_drive_Nm)->toBeAbout(0.15 * $g25->stall_Nm, 1e-3) // 0.012·√227 is more than 0.15
        ->and(Drawer::get('G25-34')->body()->back_drive_Nm)->toBeAbout(0.012 * sqrt(34) * 0.022 * 34 * 0.73, 2e-3)
        ->and($w40->stall_Nm)->toBeAbout(0.034 * 400 * 0.27, 1e-3)->and($w40->locks())->toBeTrue()->and($w40->body()->back_drive_Nm)->toBeAbout(1.1 * 4.0, 1e-9);
});
