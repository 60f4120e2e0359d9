<?php

declare(strict_types=1);

use Brookstone\Core\Calculator\Calculators;
use Brookstone\Core\Calculator\ResultWords;
use Brookstone\Core\Calculator\Sweep;
use Brookstone\Core\Error\InvalidInput;

const SWUNG = ['mass_kg' => 0.5, 'cg_m' => 0.16, 'from_deg' => 0.0, 'to_deg' => 80.0, 'move_s' => 4.0];

const WORM = ['module_mm' => 1.0, 'diameter_quotient' => 12.0, 'starts' => 1, 'wheel' => 30, 'friction_coefficient' => 0.1];

/** @return array<string, mixed> as Sweep gives it */
function drawnOver(string $name, array $inputs, ?string $over = null, ?string $of = null, int $runs = 1000): array
{
    return Sweep::of(Calculators::all()[$name], $inputs, $over, $of, function () use (&$runs): bool {
        return --$runs >= 0;
    });
}

it('draws each point as the calculator itself would work it out', function (string $name, array $inputs) {
    $sweep = drawnOver($name, $inputs);
    expect($sweep['points'])->not->toBeEmpty();
    foreach ($sweep['points'] as ['x' => $x, 'y' => $y]) {
        $whole = is_int($inputs[$sweep['over']] ?? null);
        $own = Calculators::run(Calculators::all()[$name], [$sweep['over'] => $whole ? (int) $x : $x] + $inputs)['results'][$sweep['of']];
        expect($y)->toBe((float) $own);
    }
})->with([
    'an arm' => ['load.arm', SWUNG],
    'a worm' => ['train.worm', WORM],
]);

it('goes from half to twice of what was given, rising, with what was given among it', function () {
    $sweep = drawnOver('load.arm', SWUNG, 'mass_kg');
    $xs = array_column($sweep['points'], 'x');
    $sorted = $xs;
    sort($sorted);
    expect($sweep['at'])->toBe(0.5)->and(min($xs))->toBe(0.25)->and(max($xs))->toBe(1.0)->and(in_array(0.5, $xs, true))->toBeTrue()
        ->and($xs)->toBe($sorted);
});

it('takes whole numbers where only those are meant', function () {
    $xs = array_column(drawnOver('train.worm', WORM, 'wheel')['points'], 'x');
    expect($xs)->toBe(array_unique($xs))->and(min($xs))->toBe(15.0)->and(max($xs))->toBe(60.0);
    foreach ($xs as $x) {
        expect(fmod($x, 1.0))->toBe(0.0);
    }
});

it('takes by itself the input that changes the first result most', function () {
    // Static torque is the same by mass and by distance, but of the first result nothing changes more than by them.
    $inputs = SWUNG + ['friction_Nm' => 0.001];
    $sweep = drawnOver('load.arm', $inputs);
    $result = fn (array $given): float => (float) Calculators::run(Calculators::all()['load.arm'], $given)['results'][$sweep['of']];
    $by = fn (string $key): float => abs($result([$key => $inputs[$key] * 1.1] + $inputs) - $result($inputs));
    foreach (array_intersect($sweep['inputs'], array_keys($inputs)) as $key) {
        expect($by($sweep['over']))->toBeGreaterThanOrEqual($by($key));
    }
    expect($sweep['inputs'])->not->toContain('from_deg'); // 0 has no half
});

it('takes that even where it is none of the first, and a whole number by one', function () {
    $loaded = drawnOver('load.arm', ['payload_kg' => 5.0, 'payload_m' => 0.3] + SWUNG);
    expect($loaded['of'])->toBe('static_peak_Nm')->and($loaded['over'])->toBeIn(['payload_kg', 'payload_m']);
    $worm = drawnOver('train.worm', WORM);
    expect($worm['of'])->toBe('lead_angle_deg')->and($worm['over'])->toBe('starts');
});

it('rises from the far end where what was given is below 0', function () {
    $sweep = drawnOver('load.arm', ['from_deg' => -30.0] + SWUNG, 'from_deg');
    $xs = array_column($sweep['points'], 'x');
    $sorted = $xs;
    sort($sorted);
    expect($xs)->toBe($sorted)->and($xs[0])->toBe(-60.0)->and(end($xs))->toBe(-15.0)->and(in_array(-30.0, $xs, true))->toBeTrue();
});

it('leaves out what there is no time for, and has no figure where the calculator refuses', function () {
    $result = drawnOver('load.arm', SWUNG)['of'];
    expect(drawnOver('load.arm', SWUNG, 'mass_kg', $result, 5)['points'])->toHaveCount(5);
    $cylinder = ['bore_m' => 0.016, 'stroke_m' => 0.1, 'pressure_bar' => 15.0, 'load_N' => 20.0, 'flow_l_min' => 100.0];
    $refused = drawnOver('air.cylinder', $cylinder, 'pressure_bar', 'force_N')['points'];
    foreach ($refused as ['x' => $x, 'y' => $y]) {
        expect($y === null)->toBe($x > 20.0); // more than 20 bar it does not take
    }
    expect(array_filter($refused, fn (array $each): bool => $each['y'] === null))->not->toBeEmpty();
});

it('tells what cannot be drawn', function (?string $over, ?string $of, string $field) {
    try {
        drawnOver('load.arm', SWUNG, $over, $of);
        $this->fail('It was drawn.');
    } catch (InvalidInput $refused) {
        expect($refused->errors[0]['field'])->toBe($field)->and($refused->errors[0]['message'])->toContain('these can: ');
    }
})->with([
    'no such input' => ['wings', null, 'over'],
    'an input of 0' => ['from_deg', null, 'over'],
    'no such result' => ['mass_kg', 'wings', 'of'],
]);

it('has words for every result, and none for what is no result', function () {
    $known = [];
    foreach (Calculators::all() as $name => $calculator) {
        foreach (Calculators::schema($calculator)['properties']['results']['properties'] as $key => $property) {
            expect($property['description'] ?? '')->toEndWith('.', "{$name} {$key}");
            $known[] = $key;
            $known[] = "{$name} {$key}";
        }
    }
    $words = (new ReflectionClassConstant(ResultWords::class, 'WORDS'))->getValue();
    expect(array_diff(array_keys($words), $known))->toBe([]);
});
