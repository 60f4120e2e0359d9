<?php

declare(strict_types=1);

use Brookstone\Core\Calculator\Calculators;
use Brookstone\Core\Error\InvalidInput;
use Brookstone\Core\Rolling\Throwing;

/** @return array{array<string, mixed>, list<string>} what comes out, and what is said */
function thrown(array $inputs): array
{
    $answer = Calculators::run(Calculators::all()['motion.throw'], $inputs);

    return [$answer['results'], array_map(fn ($finding): string => "{$finding->code} {$finding->says->text()}", $answer['findings'])];
}

it('lands where the textbook has it', function () {
    [$level] = thrown(['speed_m_s' => 5.0, 'angle_deg' => 30.0]);
    expect($level['lands_m'])->toBeAbout(25 * sin(M_PI / 3) / 9.80665, 1e-9)
        ->and($level['flies_s'])->toBeAbout(5.0 / 9.80665, 1e-9)
        ->and($level['highest_m'])->toBeAbout(2.5 ** 2 / (2 * 9.80665), 1e-9)
        ->and($level['lands_m_s'])->toBeAbout(5.0, 1e-9)
        ->and($level['lands_deg'])->toBeAbout(30.0, 1e-9);
    [$dropped] = thrown(['speed_m_s' => 0, 'height_m' => 2.0, 'mass_kg' => 0.1]);
    expect($dropped['lands_m'])->toBe(0.0)->and($dropped['energy_J'])->toBeAbout(0.1 * 9.80665 * 2.0, 1e-9)->and($dropped['lands_deg'])->toBeAbout(90.0, 1e-9);
});

it('keeps its energy, whatever the angle, and goes farthest by half a right angle from level ground', function () {
    for ($angle = -90.0; $angle <= 90.0; $angle += 7.5) {
        $throw = new Throwing(4.0, $angle, 1.2);
        expect($throw->lands_m_s)->toBeAbout(sqrt(16.0 + 2 * 9.80665 * 1.2), 1e-9)
            ->and((new Throwing(4.0, $angle, 0.0))->lands_m)->toBeLessThanOrEqual((new Throwing(4.0, 45.0, 0.0))->lands_m + 1e-12)
            // Where it is after that time, by the law of falling.
            ->and(1.2 + 4.0 * sin(deg2rad($angle)) * $throw->flies_s - 9.80665 / 2 * $throw->flies_s ** 2)->toEqualWithDelta(0.0, 1e-9);
    }
});

it('warns from half a joule on, and always says what is left out', function () {
    $speed = sqrt(2 * 0.5 / 0.02); // of 20 g with half a joule
    expect(thrown(['speed_m_s' => $speed * 0.999, 'mass_kg' => 0.02])[1])->toBe(['motion.no_drag The drag of the air is not in this: something light or large lands nearer.'])
        ->and(thrown(['speed_m_s' => $speed * 1.05, 'mass_kg' => 0.02])[1][1])
        ->toBe('motion.throws_hard It hits with 0.551 J, more than the 0.5 J that hurts nobody: keep eyes and faces out of its way, or throw something softer.');
});

it('refuses what cannot be, at its field', function (array $inputs, string $field) {
    expect(fn () => thrown($inputs))->toThrow(fn (InvalidInput $wrong) => expect($wrong->errors[0]['field'])->toBe($field));
})->with([[['speed_m_s' => -1], 'speed_m_s'], [['speed_m_s' => 1, 'angle_deg' => 91], 'angle_deg'], [['speed_m_s' => 1, 'height_m' => 'high'], 'height_m'], [[], 'speed_m_s']]);
