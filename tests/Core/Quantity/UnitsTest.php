<?php

declare(strict_types=1);

use Brookstone\Core\Quantity\Constants;
use Brookstone\Core\Quantity\Dimension;
use Brookstone\Core\Quantity\Format;
use Brookstone\Core\Quantity\NotUnderstood;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Quantity\QuantityParser;
use Brookstone\Core\Quantity\Units;

it('has the exact constants of the international yard and pound, of normal gravity and of the circle', function () {
    // NIST Special Publication 811, appendix B.8
    expect(Constants::POUND_KG)->toBe(0.45359237)->and(Constants::OUNCE_KG)->toBe(0.028349523125)->and(Constants::INCH_M)->toBe(0.0254)
        ->and(Constants::GRAVITY_M_S2)->toBe(9.80665)->and(Constants::RAD_PER_DEG)->toBeAbout(0.017453292519943295, 1e-15)
        ->and(Constants::RAD_S_PER_RPM)->toBeAbout(0.10471975511965977, 1e-15);
});

it('is so much of the unit of the international system', function (string $symbol, float $si) {
    expect(Units::all()[$symbol]->factor / $si)->toBeAbout(1.0, 5e-7);
})->with([ // NIST Special Publication 811, appendix B.9, and by definition
    ['m', 1.0], ['cm', 0.01], ['mm', 0.001], ['in', 0.0254], ['ft', 0.3048],
    ['kg', 1.0], ['g', 0.001], ['oz', 0.02834952], ['lb', 0.4535924],
    ['s', 1.0], ['ms', 0.001], ['min', 60.0], ['h', 3600.0],
    ['°', 0.01745329], ['rad', 1.0], ['turn', 6.283185],
    ['°/s', 0.01745329], ['rpm', 0.1047198], ['rad/s', 1.0], ['turn/s', 6.283185], ['s/60°', 1.047198],
    ['m/s', 1.0], ['km/h', 0.2777778], ['cm/s', 0.01], ['mm/s', 0.001], ['in/s', 0.0254], ['m/min', 0.01666667],
    ['N·m', 1.0], ['N·cm', 0.01], ['N·mm', 0.001], ['mN·m', 0.001], ['kg·cm', 0.0980665], ['kg·m', 9.80665], ['g·cm', 9.80665e-5],
    ['oz·in', 7.061552e-3], ['lb·in', 0.1129848], ['lb·ft', 1.355818],
    ['N', 1.0], ['mN', 0.001], ['kN', 1000.0], ['kgf', 9.80665], ['gf', 9.80665e-3], ['ozf', 0.2780139], ['lbf', 4.448222],
    ['V', 1.0], ['mV', 0.001], ['A', 1.0], ['mA', 0.001], ['Ah', 3600.0], ['mAh', 3.6],
    ['W', 1.0], ['mW', 0.001], ['J', 1.0], ['mJ', 0.001], ['Hz', 1.0], ['kHz', 1000.0], ['°C', 1.0], ['MPa', 1e6], ['kPa', 1000.0],
    ['kg·m²', 1.0], ['kg·cm²', 1e-4], ['g·cm²', 1e-7], ['oz·in²', 1.828998e-5],
    ['N·m/°', 57.29578], ['N·m/rad', 1.0], ['kg·cm/°', 5.618797], ['oz·in/°', 0.4045971],
    ['kΩ', 1e3], ['MΩ', 1e6], ['µF', 1e-6], ['nF', 1e-9], ['pF', 1e-12], ['F', 1.0], ['pF/m', 1e-12], ['K/W', 1.0], ['mm²', 1e-6], ['µs', 1e-6],
    ['N/m', 1.0], ['N/mm', 1000.0], ['lbf/in', 175.1268],
    ['bar', 1e5], ['psi', 6894.757], ['l', 1e-3], ['ml', 1e-6], ['l/min', 1.666667e-5],
    ['Ω', 1.0], ['mH', 0.001], ['H', 1.0], ['%', 0.01], ['', 1.0],
]);

it('says of every unit how much it is', function () {
    // Each has its row above, so that none is added unseen; only seconds for 60° count the other way round.
    expect(Units::all())->toHaveCount(90)->and(array_keys(array_filter(Units::all(), fn ($unit): bool => $unit->inverse)))->toBe(['s/60°']);
});

it('finds the unit of a key by its last part', function (string $key, ?string $symbol) {
    expect(Units::symbolOfKey($key))->toBe($symbol);
})->with([['cg_m', 'm'], ['motions.0.task.move_s', 's'], ['stall_Nm', 'N·m'], ['rotor_kgm2', 'kg·m²'], ['motions.0.mass_kg.name', null], ['teeth', null], ['m', 'm'], ['a.m', 'm'], ['arm', null]]);

it('shows the larger of two units from one of it on', function (float $si, string $text) {
    expect(Quantity::of($si, 'kg')->text())->toBe($text);
})->with([[0.9994, '999 g'], [1.0, '1 kg'], [-0.5, '−500 g'], [-2.0, '−2 kg'], [0.0, '0 g']]);

it('is nothing in a unit that counts the other way round where it does not turn', function () {
    expect((new Quantity(0.0, Dimension::AngularSpeed))->text())->toBe('0 °/s')->and((new Quantity(0.0, Dimension::AngularSpeed))->text('bench'))->toBe('0 s/60°')->and((new Quantity(M_PI / 3, Dimension::AngularSpeed))->text('bench'))->toBe('1 s/60°')->and(Quantity::of(1.0, 's/60°')->si)->toBeAbout(60 * Constants::RAD_PER_DEG, 1e-12)
        ->and((new Quantity(2.0, Dimension::AngularSpeed))->in('s/60°'))->toBeAbout(60 * Constants::RAD_PER_DEG / 2.0, 1e-12);
});

it('rounds to figures that matter, small and large', function (float $number, string $text) {
    expect(Format::significant($number, 3))->toBe($text);
})->with([[1234.4, '1230'], [0.0012345, '0.00123'], [-0.0004, '−0.0004'], [9.996, '10'], [0.0, '0'], [100.0, '100'], [-1e-20, '0']]);

it('reads numbers with marks of thousands, and refuses what could be two', function (string $text, ?float $number) {
    if ($number === null) {
        expect(fn () => QuantityParser::parse($text, ''))->toThrow(NotUnderstood::class);
    } else {
        expect(QuantityParser::parse($text, '')['quantity']->si)->toBe($number);
    }
})->with([
    ['1,234,567', 1234567.0], ['12,345.5', 12345.5], ['1,234.5.6', null], ['1,23,456', null], ['1234,567', 1234.567], ['0,123', 0.123], ['12,34', 12.34], ['100,000', null], ['1.234.567', null],
]);

it('names the units of what is wanted, and no others', function () {
    expect(fn () => QuantityParser::parse('3 furlong', 'A'))->toThrow(NotUnderstood::class, 'The unit “furlong” is not known here. Understood: A, mA.')
        ->and(fn () => QuantityParser::parse('3 furlong', ''))->toThrow(NotUnderstood::class, 'Type the number alone.');
});
