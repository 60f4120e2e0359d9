<?php

declare(strict_types=1);

use Brookstone\Core\Build\Build;
use Brookstone\Core\Error\InvalidInput;
use Brookstone\Core\Load\MoveLoad;
use Brookstone\Core\Machine\Stage;
use Brookstone\Core\Machine\WorstPose;
use Brookstone\Core\Quantity\Constants;
use Tests\Support\Builds;
use Tests\Support\Trees;

/** How far in its own unit a motion must be moved for its follower to go on by a little, by halving. */
function movedOn(Stage $stage, string $id, array $pose, float $by): array
{
    $motion = $stage->motions[$id];
    $unit = $motion->unit();

    return [$id => $unit->fromSi($unit->toSi($pose[$id]) + $by)] + $pose;
}

function weight_J(array $points): float
{
    return array_sum(array_map(fn (array $point): float => $point[0] * Constants::GRAVITY_M_S2 * $point[1]->z, $points));
}

/** @return array{float, float} torque or force, and inertia or mass, at the shaft: by the energy of small turns */
function bySmallTurns(Stage $stage, string $id, array $pose): array
{
    $h = 1e-4;
    [$back, $on] = [Trees::points($stage, $id, movedOn($stage, $id, $pose, -$h)), Trees::points($stage, $id, movedOn($stage, $id, $pose, $h))];
    $perRad = $stage->motions[$id]->mechanism->travelPerRad();
    $moves = 0.0;
    foreach ($back as $i => [$kg, $at]) {
        $moves += $kg * $at->minus($on[$i][1])->length() ** 2;
    }

    return [(weight_J($on) - weight_J($back)) / (2 * $h) * $perRad, $moves / (2 * $h) ** 2 * $perRad ** 2];
}

describe('what rides', function () {
    it('weighs what the energy of small turns says, in any tree and any pose', function () {
        for ($seed = 1; $seed <= 80; $seed++) {
            $trees = new Trees($seed);
            $stage = $trees->build(2 + $seed % 5)->stage;
            $pose = $trees->pose($stage);
            foreach ($stage->motions as $id => $motion) {
                [$torque] = bySmallTurns($stage, $id, $pose);
                $static = $motion->withRide($stage->posture($id, $pose))->mechanism->staticTorqueNm($motion->unit()->toSi($pose[$id]));
                expect($static)->toEqualWithDelta($torque, 1e-6 * max(0.1, abs($torque)), "{$id}, seed {$seed}");
            }
        }
    });

    it('is as hard to speed up as small turns say', function () {
        for ($seed = 1; $seed <= 80; $seed++) {
            $trees = new Trees($seed);
            $stage = $trees->build(2 + $seed % 5, ['arm', 'turntable', 'slide', 'hoist'], bare: 0.0)->stage;
            $pose = $trees->pose($stage);
            foreach ($stage->motions as $id => $motion) {
                [, $inertia] = bySmallTurns($stage, $id, $pose);
                $mechanism = $motion->withRide($stage->posture($id, $pose))->mechanism;
                expect($mechanism->inertiaKgm2($motion->unit()->toSi($pose[$id])))->toEqualWithDelta($inertia, 1e-6 * $inertia, "{$id}, seed {$seed}");
            }
        }
    });

    it('asks of a linkage what it asks of its follower', function () {
        foreach (['pushed', 'crank', 'crank_rocker'] as $kind) {
            $trees = new Trees(5);
            $stage = $trees->build(3, [$kind], bare: 0.0)->stage;
            $pose = $trees->pose($stage);
            $motion = $stage->motions['m0'];
            [, $inertia] = bySmallTurns($stage, 'm0', $pose);
            $at = $motion->unit()->toSi($pose['m0']);
            $mechanism = $motion->withRide($stage->posture('m0', $pose))->mechanism;
            $h = 1e-4;
            expect($mechanism->inertiaKgm2($at))->toEqualWithDelta($inertia, 2e-3 * $inertia, $kind) // its crank has a little of its own
                ->and($mechanism->inertiaSlopeKgm2($at))->toEqualWithDelta(($mechanism->inertiaKgm2($at + $h) - $mechanism->inertiaKgm2($at - $h)) / (2 * $h),
                    1e-3 * $inertia);
        }
    });

    it('takes the drive of what stands on it along, and none that stays on the base', function () {
        $head = Trees::motion('arm', 'head') + ['mount' => ['x_m' => 0.0]];
        $jaw = Trees::motion('arm', 'jaw') + ['drive' => ['motor' => Builds::motor('S20 metal'), 'supply' => 'main']];
        $on = fn (string $drive): Stage => Build::read(['format' => 'brookstone-build', 'version' => 1, 'name' => 'Head',
            'supplies' => [['id' => 'main', 'name' => 'Main', 'volts_V' => 6, 'max_A' => 3]],
            'motions' => [$head, $jaw + ['mount' => ['on' => 'head', 'x_m' => 0.1, 'drive' => $drive]]]])->stage;
        $its_kg = Builds::motor('S20 metal')['mass_kg'];
        expect($on('rides')->carried('head', [])->mass_kg)->toEqualWithDelta(0.35 + 0.35 + $its_kg, 1e-12)
            ->and($on('base')->carried('head', [])->mass_kg)->toEqualWithDelta(0.7, 1e-12)
            ->and($on('rides')->posture('head', [])->mass() - $on('base')->posture('head', [])->mass())->toEqualWithDelta($its_kg * 0.01, 1e-12);
    });

    it('is nothing where nothing rides, is tilted or has bodies that weigh', function () {
        $alone = fn (array $more): Build => Build::read(['format' => 'brookstone-build', 'version' => 1, 'name' => 'Arm',
            'motions' => [Trees::motion('arm', 'm0') + $more]]);
        $shape = ['id' => 'b', 'name' => 'B', 'length_m' => 0.1];
        expect($alone([])->motions['m0']->ride())->toBeNull()
            ->and($alone(['mount' => ['z_m' => 0.2]])->motions['m0']->ride())->toBeNull()
            ->and($alone(['mount' => ['z_m' => 0.2], 'bodies' => [$shape]])->motions['m0']->ride())->toBeNull()
            ->and($alone(['mount' => ['z_m' => 0.2], 'bodies' => [$shape + ['mass_kg' => 0.1]]])->motions['m0']->ride())->not->toBeNull();
    });
});

describe('the worst pose', function () {
    it('is beaten by no other, as the move is sized', function () {
        for ($seed = 1; $seed <= 15; $seed++) {
            $trees = new Trees($seed);
            $build = $trees->build(2 + $seed % 4, ['arm', 'turntable', 'slide', 'pushed'], bare: 0.2);
            foreach ($build->stage->motions as $id => $mounted) {
                $motion = $build->motions[$id];
                $ride = $motion->ride();
                if (! $ride instanceof WorstPose) {
                    continue;
                }
                $sized = MoveLoad::of($motion->mechanism, $motion->move());
                $most = max($sized->peak_Nm, $sized->steady_peak_Nm);
                $beaten = 0.0;
                for ($i = 0; $i < 25; $i++) {
                    $other = MoveLoad::of($motion->withRide($build->stage->posture($id, $trees->pose($build->stage)))->mechanism, $motion->move());
                    $beaten = max($beaten, $other->peak_Nm, $other->steady_peak_Nm);
                }
                expect($beaten)->toBeLessThanOrEqual($most * 1.002, "{$id}, seed {$seed}");
            }
        }
    });

    it('is where a jaw is stretched out, on a neck that nods', function () {
        $jaw = ['places' => [['id' => 'shut', 'name' => 'Shut', 'at' => -90], ['id' => 'out', 'name' => 'Out', 'at' => 0]],
            'task' => ['from' => 'shut', 'to' => 'out', 'move_s' => 1.0]] + Trees::motion('arm', 'jaw');
        $neck = ['places' => [['id' => 'down', 'name' => 'Down', 'at' => 0], ['id' => 'up', 'name' => 'Up', 'at' => 40]],
            'task' => ['from' => 'down', 'to' => 'up', 'move_s' => 4.0]] + Trees::motion('arm', 'neck');
        $build = Build::read(['format' => 'brookstone-build', 'version' => 1, 'name' => 'Neck', 'motions' => [$neck + ['mount' => ['x_m' => 0.0]],
            $jaw + ['mount' => ['on' => 'neck', 'x_m' => 0.2]]]]);
        $worst = $build->motions['neck']->ride();
        assert($worst instanceof WorstPose);
        expect($worst->pose()['jaw'])->toEqualWithDelta(0.0, 1.0)
            // 0.3·0.1 + 0.05·0.2 of its own jaw, at 0.2 m: (0.35·0.2 + 0.04)·g
            ->and($worst->force(0.0))->toEqualWithDelta((0.35 * 0.2 + 0.04) * Constants::GRAVITY_M_S2, 1e-3)
            ->and($build->motions['jaw']->ride()?->force(0.0))->toEqualWithDelta(0.0, 0.4);
    });
});

describe('a document', function () {
    it('refuses a ring of mounts, and what stands on nothing', function () {
        $said = function (array $mounts): array {
            $motions = [];
            foreach ($mounts as $id => $mount) {
                $motions[] = Trees::motion('arm', $id) + ['mount' => $mount];
            }
            try {
                Build::read(['format' => 'brookstone-build', 'version' => 1, 'name' => 'Ring', 'motions' => $motions]);
            } catch (InvalidInput $wrong) {
                return array_column($wrong->errors, 'message', 'field');
            }

            return [];
        };
        expect($said(['a' => ['on' => 'a']]))->toBe(['motions.0.mount.on' => 'It cannot stand on itself.'])
            ->and($said(['a' => ['on' => 'b'], 'b' => ['on' => 'c'], 'c' => ['on' => 'a']]))->toHaveCount(3)
            ->and($said(['a' => ['on' => 'b'], 'b' => ['on' => 'a']])['motions.0.mount.on'])->toBe('B stands on A already: nothing can stand on what it carries.')
            ->and($said(['a' => ['on' => 'b'], 'b' => null]))->toBe(['motions.0.mount.on' => 'B has no place on the stage yet: put it there first.'])
            ->and($said(['a' => ['on' => 'nobody']]))->toBe(['motions.0.mount.on' => 'There is no motion nobody in this build.'])
            ->and($said(['a' => ['on' => 'b'], 'b' => ['z_m' => 1.0], 'c' => ['on' => 'a']]))->toBe([]);
    });

    it('refuses bodies that cannot be', function (array $body, string $field, string $says) {
        $document = ['format' => 'brookstone-build', 'version' => 1, 'name' => 'Bodies', 'things' => [$body + ['id' => 'b', 'name' => 'B']]];
        expect(fn () => Build::read($document))->toThrow(fn (InvalidInput $wrong) => expect($wrong->errors)->toBe([['field' => "things.0.{$field}",
            'message' => $says]]));
    })->with([
        'of no size' => [['length_m' => 0], 'length_m', 'Must be a number over 0 m to 100 m, but is 0.'],
        'of no size given' => [[], 'length_m', 'Is missing.'],
        'a rod thicker than long' => [['shape' => 'rod', 'length_m' => 0.1, 'width_m' => 0.11], 'width_m',
            'A rod with round ends cannot be thicker than it is long.'],
        'walls too thick' => [['length_m' => 0.2, 'width_m' => 0.1, 'height_m' => 0.3, 'wall_m' => 0.05], 'wall_m',
            'Such walls leave nothing hollow: they must be thinner than half of its least size.'],
    ]);

    it('refuses more bodies in all than can be looked at', function () {
        $of = fn (int $bodies): array => Trees::motion('arm', "m{$bodies}") + ['mount' => [], 'bodies' => array_map(fn (int $i): array => ['id' => "b{$i}", 'name' => 'B',
            'length_m' => 0.01], range(1, $bodies))];
        $read = fn (array $counts): Build => Build::read(['format' => 'brookstone-build', 'version' => 1, 'name' => 'Many', 'motions' => array_map(
            fn (int $bodies, int $i): array => ['id' => "m{$i}"] + $of($bodies), $counts, array_keys($counts))]);
        expect(count($read(array_fill(0, 8, 30))->stage->motions))->toBe(8)
            ->and(fn () => $read([...array_fill(0, 8, 30), 1]))->toThrow(InvalidInput::class, 'motions.8.bodies: More than 240 bodies in all');
    });

    it('refuses more bodies than anybody draws', function () {
        $body = ['id' => 'b', 'name' => 'B', 'length_m' => 0.1];
        expect(fn () => Build::read(['format' => 'brookstone-build', 'version' => 1, 'name' => 'Many',
            'things' => array_map(fn (int $i): array => ['id' => "b{$i}"] + $body, range(1, 10_000))]))
            ->toThrow(InvalidInput::class, 'things');
    });
});

describe('a body', function () {
    it('weighs what was weighed, else what its material does, hollow or not', function () {
        $kg = fn (array $more): ?float => Build::read(['format' => 'brookstone-build', 'version' => 1, 'name' => 'B',
            'things' => [$more + ['id' => 'b', 'name' => 'B', 'length_m' => 0.2, 'width_m' => 0.1, 'height_m' => 0.05]]])->stage->things[0]->mass_kg;
        expect($kg([]))->toBeNull()
            ->and($kg(['mass_kg' => 0.3, 'material' => 'steel']))->toBe(0.3)
            ->and($kg(['material' => 'plywood']))->toEqualWithDelta(680 * 0.001, 1e-12)
            ->and($kg(['material' => 'plywood', 'wall_m' => 0.01]))->toEqualWithDelta(680 * (0.001 - 0.18 * 0.08 * 0.03), 1e-12)
            ->and($kg(['material' => 'steel', 'shape' => 'ball', 'wall_m' => 0.002]))->toEqualWithDelta(7850 * 4 / 3 * M_PI * (0.1 ** 3 - 0.098 ** 3), 1e-9)
            ->and($kg(['material' => 'steel', 'shape' => 'rod', 'width_m' => 0.02]))->toEqualWithDelta(7850 * M_PI * 1e-4 * (0.18 + 4 / 3 * 0.01), 1e-9);
    });
});
