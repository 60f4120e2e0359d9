<?php

declare(strict_types=1);

use Brookstone\Core\Export\Bore;
use Brookstone\Core\Export\GearOutline;
use Brookstone\Core\Export\Stl;

/** Distance of a point from a closed line, mm. @param  list<array{float, float}>  $line */
function awayFrom(array $point, array $line): float
{
    $least = INF;
    foreach ($line as $i => [$x, $y]) {
        [$nx, $ny] = $line[($i + 1) % count($line)];
        $square = ($nx - $x) ** 2 + ($ny - $y) ** 2;
        $share = max(0.0, min(1.0, (($point[0] - $x) * ($nx - $x) + ($point[1] - $y) * ($ny - $y)) / $square));
        $least = min($least, hypot($point[0] - $x - $share * ($nx - $x), $point[1] - $y - $share * ($ny - $y)));
    }

    return $least;
}

/** How often a closed line crosses itself. @param  list<array{float, float}>  $line */
function crossings(array $line): int
{
    $side = fn (array $a, array $b, array $c): int => ($b[0] - $a[0]) * ($c[1] - $a[1]) - ($b[1] - $a[1]) * ($c[0] - $a[0]) <=> 0.0;
    $count = count($line);
    $found = 0;
    for ($i = 0; $i < $count; $i++) {
        [$a, $b] = [$line[$i], $line[($i + 1) % $count]];
        for ($j = $i + 2; $j < $count - ($i === 0 ? 1 : 0); $j++) {
            [$c, $d] = [$line[$j], $line[($j + 1) % $count]];
            $found += $side($a, $b, $c) !== $side($a, $b, $d) && $side($c, $d, $a) !== $side($c, $d, $b) ? 1 : 0;
        }
    }

    return $found;
}

it('moves the outline of a gear by just half of the kerf, and never across itself', function (int $teeth, float $module, float $kerf) {
    $plain = (new GearOutline($teeth, $module, new Bore(1.5)))->outline();
    $moved = (new GearOutline($teeth, $module, new Bore(1.5), kerf_mm: $kerf))->outline();
    $off = [];
    foreach (array_slice($moved, 0, 120) as $i => [$x, $y]) {
        [$nx, $ny] = $moved[$i + 1];
        array_push($off, awayFrom([$x, $y], $plain) - $kerf / 2, awayFrom([($x + $nx) / 2, ($y + $ny) / 2], $plain) - $kerf / 2);
    }

    expect(crossings($moved))->toBe(0)->and(max($off))->toBeLessThan(0.002)->and(min($off))->toBeGreaterThan(-0.002);
})->with([[8, 1.0, 0.2], [12, 1.0, 0.4], [20, 1.0, 0.15], [16, 0.5, 0.4], [17, 2.0, 0.3]]);

it('shrinks a hole by it, keyway and flat too', function (Bore $bore) {
    $plain = (new GearOutline(30, 1.0, $bore))->hole();
    $moved = (new GearOutline(30, 1.0, $bore, kerf_mm: 0.2))->hole();
    $off = array_map(fn (array $point): float => awayFrom($point, $plain), $moved);

    expect(crossings($moved))->toBe(0)->and(max($off))->toBeLessThan(0.102)->and(min($off))->toBeGreaterThan(0.098)
        ->and(max(array_map(fn (array $point): float => hypot(...$point), $moved)))->toBeLessThan(max(array_map(fn (array $point): float => hypot(...$point),
            $plain)));
})->with([[new Bore(5.0)], [new Bore(5.0, 0.5)], [new Bore(5.0, 0.0, 1.5, 0.8)]]);

it('makes solids without facets that have no area', function (int $teeth, float $kerf) {
    $gear = new GearOutline($teeth, 1.0, new Bore(3.0), kerf_mm: $kerf);
    $solid = Stl::write('gear', $gear->outline(), $gear->hole(), 5.0);
    $count = unpack('V', substr($solid, 80, 4))[1];
    for ($i = 0; $i < $count; $i++) {
        [, , , $ax, $ay, $az, $bx, $by, $bz, $cx, $cy, $cz] = array_values(unpack('g12', substr($solid, 84 + 50 * $i, 48)));
        [$ux, $uy, $uz, $vx, $vy, $vz] = [$bx - $ax, $by - $ay, $bz - $az, $cx - $ax, $cy - $ay, $cz - $az];
        expect(sqrt(($uy * $vz - $uz * $vy) ** 2 + ($uz * $vx - $ux * $vz) ** 2 + ($ux * $vy - $uy * $vx) ** 2))->toBeGreaterThan(1e-6);
    }
    expect($count)->toBeGreaterThan(1000);
})->with([[10, 0.0], [18, 0.2], [40, 0.0]]);
