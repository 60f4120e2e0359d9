<?php

declare(strict_types=1);

use Brookstone\Core\Quantity\Dimension;
use Brookstone\Core\Quantity\Format;
use Brookstone\Core\Quantity\NotUnderstood;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Quantity\QuantityParser;
use Brookstone\Core\Quantity\Unit;
use Brookstone\Core\Quantity\Units;

it('reads what people type', function (string $text, string $unit, float $si) {
    expect(QuantityParser::parse($text, $unit)['quantity']->si)->toBeAbout($si, 1e-9);
})->with([
    ['3.5 kg cm', 'N·m', 3.5 * 0.0980665],
    ['3.5 kg·cm', 'N·m', 3.5 * 0.0980665],
    ['3.5kgf-cm', 'N·m', 3.5 * 0.0980665],
    ['48 oz-in', 'N·m', 48 * 0.028349523125 * 9.80665 * 0.0254],
    ['48 oz in', 'N·m', 48 * 0.028349523125 * 9.80665 * 0.0254],
    ['20 N.cm', 'N·m', 0.2],
    ['150 mN·m', 'N·m', 0.15],
    ['1/2 in', 'mm', 0.0127],
    ['1 1/2 in', 'mm', 0.0381],
    ['2-3/4 "', 'mm', 0.06985],
    ['½ in', 'mm', 0.0127],
    ['12', 'mm', 0.012],
    ['1,5', 'mm', 0.0015],
    ['1,234.5', 'mm', 1.2345],
    ['.5 lb', 'kg', 0.226796185],
    ['26 oz', 'g', 26 * 0.028349523125],
    ['1e3 g', 'kg', 1.0],
    ['−20 °', '°', -20 * M_PI / 180],
    ['90deg', '°', M_PI / 2],
    ['0.16 s/60°', '°/s', M_PI / 3 / 0.16],
    ['0.16 s per 60', '°/s', M_PI / 3 / 0.16],
    ['0,16 sec/60deg', 'rpm', M_PI / 3 / 0.16],
    ['60 RPM', '°/s', 2 * M_PI],
    ['2 kgf', 'N', 19.6133],
    ['800 mAh', 'Ah', 2880.0],
    ['40 %', '', 0.4],
    ["\u{00A0}7 mm ", 'mm', 0.007],
    ['-0', 'mm', 0.0],
    ['１２ mm', 'mm', 0.012],
    ['٣٫٥ kg', 'kg', 3.5],
    ['३', 'mm', 0.003],
]);

it('refuses what is ambiguous or absurd and says what would be understood', function (string $text, string $unit, string $says) {
    expect(fn () => QuantityParser::parse($text, $unit))->toThrow(NotUnderstood::class, $says);
})->with([
    'mass for torque' => ['3.5 kg', 'N·m', '3.5 kg·cm (0.343 N·m)'],
    'ounces for torque' => ['48 oz', 'N·m', '48 oz·in'],
    'kg per cm' => ['3.5 kg/cm', 'N·m', 'type 3.5 kg·cm'],
    'mass for force' => ['2 kg', 'N', '2 kgf'],
    'thousand or one and a half' => ['1,500', 'mm', '1500 for the large number or 1.500'],
    'a share for a length' => ['40 %', 'mm', '% is a share, but a length is wanted here'],
    'a length for a number' => ['40 mm', '', 'mm is a length, but a plain number is wanted here'],
    'two points' => ['1.2.3', 'mm', 'too many points'],
    'mega' => ['20 MNm', 'N·m', 'N·m'],
    'words' => ['heavy', 'kg', 'is not a number'],
    'empty' => ['  ', 'kg', 'Nothing is entered'],
    'not a number' => ['NaN', 'kg', 'is not a number'],
    'a novel' => [str_repeat('It was a dark and stormy night. ', 400), 'kg', 'too long'],
    'unknown unit' => ['5 furlongs', 'mm', 'Understood: m, cm, mm, in, ft'],
    'divided by nothing' => ['1/0 in', 'mm', 'divided by 0'],
    'no time for an angle' => ['0 s/60°', '°/s', 'more than 0'],
    'a bare time that is none' => ['0 s', '°/s', 'Type a turning speed, for example 12 °/s.'],
    'a time for a speed' => ['0.2 s', '°/s', 'Understood would be 0.2 s/60° (300 °/s).'],
    'too large' => ['1e999', 'kg', 'too large'],
    'capital mega' => ['5 MAh', 'Ah', 'thousandths'],
]);

it('keeps the unit that was typed', function () {
    expect(QuantityParser::parse('26 oz', 'g')['unit'])->toBe('oz')
        ->and(QuantityParser::parse('26', 'g')['unit'])->toBe('g');
});

it('understands every unit by its own symbol, there and back', function (Unit $unit) {
    $read = QuantityParser::parse('2.5 '.$unit->symbol, $unit->symbol)['quantity'];

    expect($read->in($unit->symbol))->toBeAbout(2.5, 1e-12)
        ->and($read->dimension)->toBe($unit->dimension);
})->with(fn () => array_filter(Units::all(), fn (Unit $unit): bool => $unit->symbol !== ''));

it('agrees with itself about units', function () {
    expect(Quantity::of(1, 'kg·cm')->si)->toBeAbout(0.0980665, 1e-12)
        ->and(Quantity::of(1, 'oz·in')->si)->toBeAbout(0.00706155, 1e-6)
        ->and(Quantity::of(16, 'oz')->in('lb'))->toBeAbout(1.0, 1e-12)
        ->and(Quantity::of(192, 'oz·in')->in('lb·ft'))->toBeAbout(1.0, 1e-12)
        ->and(Quantity::of(1, 'rpm')->in('°/s'))->toBeAbout(6.0, 1e-12);
});

it('knows the unit that a key carries', function (string $key, ?string $symbol) {
    expect(Units::symbolOfKey($key))->toBe($symbol);
})->with([
    ['motions.0.mechanism.mass_kg', 'kg'], ['spring_Nm_per_deg', 'N·m/°'], ['speed_m_s', 'm/s'], ['speed_deg_s', '°/s'],
    ['rated_V', 'V'], ['inertia_kgm2', 'kg·m²'], ['duty', null], ['lines', null], ['give_up_s', 's'],
]);

it('writes numbers with three figures', function (float $number, string $text) {
    expect(Format::significant($number, 3))->toBe($text);
})->with([[0.34299, '0.343'], [1234.5, '1230'], [-2.0, '−2'], [0.0, '0'], [99.96, '100'], [0.00012, '0.00012']]);

it('chooses the unit by system and size', function () {
    expect((new Quantity(0.343, Dimension::Torque))->text('bench'))->toBe('3.5 kg·cm')
        ->and((new Quantity(0.8, Dimension::Mass))->text())->toBe('800 g')
        ->and((new Quantity(1.2, Dimension::Mass))->text())->toBe('1.2 kg')
        ->and((new Quantity(0.4, Dimension::Share))->text())->toBe('40%');
});
