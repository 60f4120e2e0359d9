<?php

declare(strict_types=1);

use Brookstone\Core\Error\ImpossibleValue;
use Brookstone\Core\Export\Bore;
use Brookstone\Core\Export\Dxf;
use Brookstone\Core\Export\GearOutline;
use Brookstone\Core\Export\LinkageParts;
use Brookstone\Core\Export\Stl;
use Brookstone\Core\Export\Svg;
use Brookstone\Core\Export\TrainParts;
use Tests\Support\Builds;

/** A lid moved through two stages that are laid out. */
function gearedLid(): TrainParts
{
    return new TrainParts(Builds::planted([
        'motions.0.train' => [['type' => 'spur', 'driver' => 12, 'driven' => 36, 'backlash_mm' => 0.1], ['type' => 'spur', 'driver' => 16, 'driven' => 48,
            'backlash_mm' => 0.1]],
        'motions.0.layout' => ['grid_mm' => 8, 'half' => true, 'shafts' => [['x_mm' => 20, 'y_mm' => 40], ['x_mm' => 44, 'y_mm' => 40],
            ['x_mm' => 76, 'y_mm' => 40]], 'planes' => [0, 1], 'shaft_mm' => 3],
    ])->motions['lid']);
}

/** @return array{float, float, int} least and largest radius, and how many teeth stand out, of a line around a centre */
function measured(array $points, array $centre): array
{
    $radii = array_map(fn (array $point): float => hypot($point[0] - $centre[0], $point[1] - $centre[1]), $points);
    $middle = (min($radii) + max($radii)) / 2;
    $teeth = 0;
    foreach ($radii as $i => $radius) {
        $teeth += $radius < $middle && $radii[($i + 1) % count($radii)] >= $middle ? 1 : 0;
    }

    return [min($radii), max($radii), $teeth];
}

/** @return list<list<array{float, float}>> closed lines of a drawing exchange file */
function linesOfDxf(string $dxf, string $layer): array
{
    $values = explode("\n", $dxf);
    $lines = [];
    $entity = '';
    $x = 0.0;
    $on = '';
    for ($i = 0; $i + 1 < count($values); $i += 2) {
        [$code, $value] = [(int) $values[$i], $values[$i + 1]];
        if ($code === 0) {
            $entity = $value;
        } elseif ($code === 8) {
            $on = $value;
            if ($entity === 'POLYLINE' && $on === $layer) {
                $lines[] = [];
            }
        } elseif ($entity === 'VERTEX' && $on === $layer && $code === 10) {
            $x = (float) $value;
        } elseif ($entity === 'VERTEX' && $on === $layer && $code === 20) {
            $lines[count($lines) - 1][] = [$x, (float) $value];
        }
    }

    return $lines;
}

/** @return list<list<array{float, float}>> */
function linesOfSvg(string $svg, string $layer): array
{
    $xml = new SimpleXMLElement($svg);
    $lines = [];
    foreach ($xml->path as $path) {
        if ((string) $path['class'] === $layer) {
            $lines[] = array_map(fn (string $pair): array => array_map(floatval(...), explode(' ', $pair)), explode('L', trim((string) $path['d'], 'MZ')));
        }
    }

    return $lines;
}

function areaOf(array $points): float
{
    $twice = 0.0;
    foreach ($points as $i => [$x, $y]) {
        [$nx, $ny] = $points[($i + 1) % count($points)];
        $twice += $x * $ny - $nx * $y;
    }

    return $twice / 2;
}

function middleOf(array $points): array
{
    return [(max(array_column($points, 0)) + min(array_column($points, 0))) / 2, (max(array_column($points, 1)) + min(array_column($points, 1))) / 2];
}

it('draws gears to scale in both formats', function (string $format) {
    $sheet = gearedLid()->gearSheet();
    $cuts = $format === 'svg' ? linesOfSvg(Svg::write($sheet), 'cut') : linesOfDxf(Dxf::write($sheet), 'cut');
    $bores = $format === 'svg' ? linesOfSvg(Svg::write($sheet), 'bore') : linesOfDxf(Dxf::write($sheet), 'bore');

    expect($cuts)->toHaveCount(4)->and($bores)->toHaveCount(4);
    foreach ([12, 36, 16, 48] as $i => $teeth) {
        [$root, $outside, $seen] = measured($cuts[$i], middleOf($bores[$i]));
        expect($seen)->toBe($teeth)->and($outside)->toBeAbout(($teeth + 2) / 2, 1e-4)->and($root)->toBeAbout($teeth / 2 - 1.25, 1e-3)
            ->and(measured($bores[$i], middleOf($bores[$i]))[1])->toBeAbout(1.5, 1e-3);
    }
})->with(['svg', 'dxf']);

it('keeps gears apart on the sheet, and the sheet in millimetres', function () {
    $svg = new SimpleXMLElement(Svg::write(gearedLid()->gearSheet()));
    $cuts = linesOfSvg(Svg::write(gearedLid()->gearSheet()), 'cut');
    $discs = array_map(fn (array $cut): array => [...middleOf($cut), measured($cut, middleOf($cut))[1]], $cuts);
    foreach ($discs as $i => $one) {
        foreach (array_slice($discs, $i + 1) as $other) {
            expect(hypot($one[0] - $other[0], $one[1] - $other[1]))->toBeGreaterThan($one[2] + $other[2]);
        }
    }
    [, , $width, $height] = explode(' ', (string) $svg['viewBox']);
    expect((string) $svg['width'])->toBe("{$width}mm")->and((string) $svg['height'])->toBe("{$height}mm");
});

it('drills the shafts where the wheels mesh', function () {
    $xml = new SimpleXMLElement(Svg::write(gearedLid()->drilling()));
    $holes = [];
    foreach ($xml->circle as $circle) {
        $holes[] = [(float) $circle['cx'], (float) $circle['cy'], (float) $circle['r']];
    }

    expect($holes)->toHaveCount(3)->and(hypot($holes[1][0] - $holes[0][0], $holes[1][1] - $holes[0][1]))->toBeAbout(24.0)
        ->and(hypot($holes[2][0] - $holes[1][0], $holes[2][1] - $holes[1][1]))->toBeAbout(32.0)->and($holes[0][2])->toBeAbout(1.5);
});

it('rolls two outlines in one another: nowhere through, and no looser than asked for', function (int $pinion, int $gear, float $play) {
    $one = new GearOutline($pinion, 1.0, new Bore(1.0), $play / 2);
    $other = new GearOutline($gear, 1.0, new Bore(1.0), $play / 2);
    $centre = ($pinion + $gear) / 2;
    // The outline of the gear as its half tooth angle over the radius: how deep a point lies inside it.
    $profile = array_slice($other->outline(), 0, intdiv(count($other->outline()), $gear));
    $flank = array_map(fn (array $point): array => [hypot(...$point), abs(atan2($point[1], $point[0]))],
        array_slice($profile, 0, (int) floor(count($profile) / 2) - 1));
    $inside = function (array $point) use ($flank, $gear): float {
        $radius = hypot(...$point);
        $pitch = 2 * M_PI / $gear;
        $angle = abs(atan2($point[1], $point[0]) - $pitch * round(atan2($point[1], $point[0]) / $pitch));
        if ($radius > $flank[count($flank) - 1][0]) {
            return -INF;
        }
        foreach (array_slice($flank, 1) as $i => [$r, $half]) {
            if ($radius <= $r) {
                [$r0, $half0] = $flank[$i];

                return ($half0 + ($half - $half0) * max(0.0, ($radius - $r0) / ($r - $r0)) - $angle) * $radius;
            }
        }

        return -INF;
    };
    $deepest = -INF;
    $points = $one->outline();
    for ($step = 0; $step < 40; $step++) {
        $turn = 2 * M_PI / $pinion * $step / 40;
        // The pinion stands at the left with a gap towards the gear where the gear has a tooth.
        foreach ($points as [$x, $y]) {
            if (hypot($x, $y) < $pinion / 2 - 1.3) {
                continue;
            }
            $a = atan2($y, $x) + $turn + M_PI / $pinion;
            $r = hypot($x, $y);
            $at = [$r * cos($a) - $centre, $r * sin($a)];
            // Seen from the gear, which turns the other way; its first tooth points at the pinion.
            $b = atan2($at[1], $at[0]) - M_PI + $turn * $pinion / $gear;
            $deepest = max($deepest, $inside([hypot(...$at) * cos($b), hypot(...$at) * sin($b)]));
        }
    }

    // Each flank keeps half of the play, less what the tangents of the flank take.
    expect($deepest)->toBeLessThan(0.01)->toBeGreaterThan(-$play / 2 - 0.01);
})->with([[20, 40, 0.1], [12, 36, 0.1], [8, 30, 0.1], [17, 17, 0.05], [10, 10, 0.2], [30, 60, 0.0]]);

it('makes closed solids of the volume of their outline', function (Bore $bore, int $teeth) {
    $gear = new GearOutline($teeth, 1.0, $bore, 0.05);
    $solid = Stl::write('wheel', $gear->outline(), $gear->hole(), 6.0);
    ['count' => $count] = unpack('Vcount', substr($solid, 80, 4));
    expect(strlen($solid))->toBe(84 + 50 * $count);
    $edges = [];
    $volume = 0.0;
    for ($i = 0; $i < $count; $i++) {
        $numbers = array_values(unpack('g12', substr($solid, 84 + 50 * $i, 48)));
        $corners = array_chunk(array_slice($numbers, 3), 3);
        [$a, $b, $c] = $corners;
        $volume += ($a[0] * ($b[1] * $c[2] - $b[2] * $c[1]) - $a[1] * ($b[0] * $c[2] - $b[2] * $c[0]) + $a[2] * ($b[0] * $c[1] - $b[1] * $c[0])) / 6;
        foreach ([0, 1, 2] as $k) {
            [$from, $to] = [json_encode($corners[$k]), json_encode($corners[($k + 1) % 3])];
            $edges["{$from} {$to}"] = ($edges["{$from} {$to}"] ?? 0) + 1;
        }
    }
    $open = array_filter(array_keys($edges), fn (string $edge): bool => $edges[$edge] !== 1 || ($edges[implode(' ', array_reverse(explode(' ', $edge)))]
        ?? 0) !== 1);

    expect($open)->toBe([])->and($volume)->toBeAbout((areaOf($gear->outline()) - areaOf($gear->hole())) * 6.0, 1e-5)->toBeGreaterThan(0.0);
})->with([
    'round' => [fn () => new Bore(3.0), 20], 'with a flat' => [fn () => new Bore(4.0, 0.5), 24], 'with a key' => [fn () => new Bore(4.0, 0.0, 1.5, 0.8), 30],
    'undercut' => [fn () => new Bore(1.0), 8],
]);

it('grows by half of what the cutter burns, and its hole shrinks', function () {
    $plain = new GearOutline(20, 1.0, new Bore(3.0));
    $kerf = new GearOutline(20, 1.0, new Bore(3.0), 0.0, 0.2);

    expect(measured($kerf->outline(), [0, 0])[1])->toBeAbout(measured($plain->outline(), [0, 0])[1] + 0.1, 2e-3)
        ->and(measured($kerf->hole(), [0, 0])[1])->toBeAbout(1.4, 1e-2);
});

it('lists what has to be bought', function () {
    $list = gearedLid()->list();

    expect($list[0][0])->toBe('count')->and(array_column(array_slice($list, 1), 1))->toBe(['spur gear', 'spur gear', 'spur gear', 'spur gear', 'shaft',
        'drive W40-400']);
});

it('cuts the bars of a linkage to the length between their holes', function () {
    $parts = new LinkageParts(Builds::example('owl-eyelid')->motions['part'], 2.0, 8.0);
    $xml = new SimpleXMLElement(Svg::write($parts->sheet()));
    $holes = [];
    foreach ($xml->circle as $circle) {
        $holes[] = [(float) $circle['cx'], (float) $circle['cy']];
    }
    $bars = array_values($parts->bars());

    expect($bars)->toHaveCount(3)->and($bars[0])->toBeAbout(10.0)->and($bars[1])->toBeAbout(hypot(60, 4))->and($bars[2])->toBeAbout(14.0);
    foreach ($bars as $i => $length) {
        expect(hypot($holes[2 * $i + 1][0] - $holes[2 * $i][0], $holes[2 * $i + 1][1] - $holes[2 * $i][1]))->toBeAbout($length, 1e-4);
        expect(areaOf($parts->sheet()->outlines[$i][1]))->toBeAbout($length * 8 + M_PI * 16, 0.01);
    }
    expect(fn () => (new LinkageParts(Builds::sound()->motions['lid']))->sheet())->toThrow(ImpossibleValue::class)
        ->and(fn () => new LinkageParts(Builds::sound()->motions['lid'], 5.0, 8.0))->toThrow(ImpossibleValue::class);
});

it('refuses gears that cannot be cut', function (Closure $make) {
    expect($make)->toThrow(ImpossibleValue::class);
})->with([
    'three teeth' => fn () => new GearOutline(3, 1.0, new Bore(0.5)),
    'bore in the teeth' => fn () => new GearOutline(12, 1.0, new Bore(9.0)),
    'half of the tooth gone' => fn () => new GearOutline(12, 1.0, new Bore(1.0), 0.5),
    'a flat past the middle' => fn () => new Bore(3.0, 1.6),
]);

it('drills one hole for what turns on one axis, the pivot of a linkage, and shows every plate', function () {
    $parts = new TrainParts(Builds::planted([
        'motions.0.mechanism' => ['kind' => 'pushed', 'arm_m' => 0.012, 'horn_m' => 0.02, 'pivot_distance_m' => 0.05, 'mass_kg' => 0.05, 'cg_m' => 0.03,
            'half_travel_deg' => 75.0],
        'motions.0.train' => [['type' => 'spur', 'driver' => 20, 'driven' => 30], ['type' => 'pawl', 'driver' => 24, 'driven' => 24]],
        'motions.0.layout' => [
            'shafts' => [['x_mm' => 20, 'y_mm' => 20], ['x_mm' => 45, 'y_mm' => 20], ['x_mm' => 45, 'y_mm' => 20]], 'planes' => [0, 1],
            'linkage' => ['plane' => 2, 'x_mm' => 95, 'y_mm' => 20],
            'plates' => [['name' => 'front plate', 'above_plane' => 1, 'x_mm' => 0, 'y_mm' => 0, 'width_mm' => 110, 'height_mm' => 60]],
        ],
    ])->motions['lid']);
    $sheet = $parts->drilling();

    expect(array_map(fn (array $circle): array => [$circle[1], $circle[2]], $sheet->circles))->toBe([[20.0, 20.0], [45.0, 20.0], [95.0, 20.0]])
        ->and($sheet->outlines[0][1])->toBe([[0.0, 0.0], [110.0, 0.0], [110.0, 60.0], [0.0, 60.0]])
        ->and(array_column($parts->list(), 1))->toContain('pawl', 'ratchet wheel');
});
