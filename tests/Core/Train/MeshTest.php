<?php

declare(strict_types=1);

use Brookstone\Core\Calculator\MeshRules;
use Brookstone\Core\Error\ImpossibleValue;
use Brookstone\Core\Train\Mesh;
use Brookstone\Core\Train\Tooth;
use Brookstone\Core\Train\WormPair;

it('runs without play at the standard distance, and with more the further apart', function () {
    $last = (new Mesh(1.0, 20, 40))->backlash_mm;
    expect($last)->toBe(0.0);
    foreach ([30.02, 30.05, 30.1, 30.3] as $centre) {
        $mesh = new Mesh(1.0, 20, 40, 20.0, $centre);
        // For little: Δj ≈ 2 Δa tan α.
        expect($mesh->backlash_mm)->toBeGreaterThan($last)->toBeAbout(2 * ($centre - 30.0) * tan($mesh->working_pressure_angle_deg * M_PI / 180), 0.05)
            ->and($mesh->contact_ratio)->toBeLessThan((new Mesh(1.0, 20, 40))->contact_ratio);
        $last = $mesh->backlash_mm;
    }
});

it('is the same whichever of the two is called the pinion', function () {
    $one = new Mesh(0.8, 13, 44, 20.0, 23.1);
    $other = new Mesh(0.8, 44, 13, 20.0, 23.1);

    expect($one->contact_ratio)->toBeAbout($other->contact_ratio)->and($one->backlash_mm)->toBeAbout($other->backlash_mm)
        ->and($one->outside_pinion_mm)->toBe($other->outside_gear_mm)->and($one->undercut)->toBe($other->undercut);
});

it('grows with the module and nothing else changes', function () {
    $small = new Mesh(0.5, 17, 30, 20.0, 11.85);
    $large = new Mesh(2.0, 17, 30, 20.0, 47.4);

    expect($large->contact_ratio)->toBeAbout($small->contact_ratio)->and($large->backlash_mm)->toBeAbout(4 * $small->backlash_mm);
});

it('says what is wrong with a mesh', function (Mesh $mesh, array $codes) {
    expect(array_map(fn ($finding): string => $finding->code, MeshRules::findings($mesh, 'centre_mm')))->toBe($codes);
})->with([
    'too far' => [fn () => new Mesh(1.0, 20, 40, 20.0, 31.4), ['train.contact_ratio']],
    'no play' => [fn () => new Mesh(1.0, 20, 40), ['train.no_backlash']],
    'small and tight' => [fn () => new Mesh(1.0, 10, 40), ['train.no_backlash', 'train.undercut']],
    'sound' => [fn () => new Mesh(1.0, 20, 40, 20.0, 30.1), []],
]);

it('refuses what cannot mesh', function () {
    expect(fn () => new Mesh(1.0, 20, 40, 20.0, 28.0))->toThrow(ImpossibleValue::class)
        ->and(fn () => new Tooth(7, 1.0, 5.0, 0.1, 30.0))->toThrow(ImpossibleValue::class)
        ->and(fn () => new Mesh(0.0, 20, 40))->toThrow(ImpossibleValue::class);
});

it('bends a tooth in proportion to the torque, and less the larger it is', function () {
    $tooth = new Tooth(20, 1.0, 5.0, 0.2, 30.0);

    expect($tooth->stress_MPa)->toBeAbout(2 * (new Tooth(20, 1.0, 5.0, 0.1, 30.0))->stress_MPa)
        ->and((new Tooth(20, 2.0, 5.0, 0.2, 30.0))->stress_MPa)->toBeAbout($tooth->stress_MPa / 4)
        ->and((new Tooth(40, 1.0, 5.0, 0.2, 30.0))->stress_MPa)->toBeLessThan($tooth->stress_MPa / 2)
        ->and((new Tooth(20, 1.0, 5.0, 0.0, 30.0))->safety)->toBe(INF);
});

it('locks a worm exactly where its lead is under the friction angle', function (float $friction) {
    $worm = new WormPair(1.0, 12.0, 2, 40, $friction);

    expect($worm->self_locking)->toBe($worm->locks_by_deg >= 0.0)
        ->and($worm->self_locking)->toBe($worm->back_efficiency === 0.0)
        ->and($worm->efficiency)->toBeLessThanOrEqual(1.0);
})->with([0.0, 0.05, 0.1, 0.15, 0.157, 0.16, 0.3, 1.0]);

it('knows which pairs interfere: of full-depth teeth at 20° a pinion of so many turns no larger gear than that', function (int $pinion, int $largest) {
    // The known limits of involute interference without undercutting, z₂ = (z₁² sin²α − 4)/(4 − 2 z₁ sin²α).
    expect((new Mesh(1.0, $pinion, $largest))->interferes)->toBeFalse()->and((new Mesh(1.0, $pinion, $largest + 1))->interferes)->toBeTrue()
        ->and($largest)->toBe((int) floor(($pinion ** 2 * sin(deg2rad(20)) ** 2 - 4) / (4 - 2 * $pinion * sin(deg2rad(20)) ** 2)));
})->with([[13, 16], [14, 26], [15, 45], [16, 101], [17, 1309]]);

it('finds interference whichever of the two is the smaller, and at any size of tooth', function () {
    foreach ([0.5, 1.0, 2.5] as $module) {
        expect((new Mesh($module, 12, 12))->interferes)->toBeTrue()->and((new Mesh($module, 13, 13))->interferes)->toBeFalse()
            ->and((new Mesh($module, 17, 13))->interferes)->toBeTrue()->and((new Mesh($module, 16, 13))->interferes)->toBeFalse();
    }
});
