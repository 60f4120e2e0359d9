<?php

declare(strict_types=1);

use Brookstone\Core\Build\Build;
use Brookstone\Core\Dynamics\Ledger;
use Brookstone\Core\Routine\Scenario;
use Brookstone\Core\Simulation\World;
use Tests\Support\Builds;
use Tests\Support\Trees;

/** A heavy arm that carries a turntable that carries an arm, each on a gear motor, none of them rubbing. */
function nested(float $scan_s, array $more = []): Build
{
    $box = fn (float $x, float $kg, float $y = 0.0): array => [['id' => 'b', 'name' => 'Body', 'x_m' => $x, 'y_m' => $y, 'length_m' => 0.1, 'width_m' => 0.04,
        'height_m' => 0.05, 'mass_kg' => $kg]];
    $motion = fn (string $kind, string $id, ?string $on, float $x, array $bodies, string $motor): array => ['drive' => ['motor' => Builds::motor($motor),
        'supply' => 'main'], 'train' => [], 'mount' => ['on' => $on, 'x_m' => $x, 'z_m' => 0.05, 'heading_deg' => $on === null ? 30 : 40], 'bodies' => $bodies,
        'mechanism' => ['friction_Nm' => 0.0] + Trees::motion($kind, $id)['mechanism']] + Trees::motion($kind, $id);

    return Build::read(['format' => 'brookstone-build', 'version' => 1, 'name' => 'Nested', 'settings' => ['scan_s' => $scan_s],
        'supplies' => [['id' => 'main', 'name' => 'Main', 'volts_V' => 12, 'max_A' => 50]],
        'motions' => [
            $motion('arm', 'boom', null, 0.0, $box(0.15, 0.5), 'G37-70'),
            $motion('turntable', 'slew', 'boom', 0.2, $box(0.05, 0.2, 0.03), 'G25-60'),
            $motion('arm', 'jib', 'slew', 0.05, $box(0.1, 0.4), 'G25-60'),
        ], ...$more]);
}

/** @return float kinetic energy of all that is moved, and what was lifted, J: by mass points on a pose a moment before and a moment after */
function stage_J(World $world): float
{
    $h = 1e-5;
    [$pose, $back, $on] = [[], [], []];
    $rotors = 0.0;
    foreach ($world->axes as $id => $axis) {
        $pose[$id] = $axis->position();
        $back[$id] = $axis->position() - $h * $axis->speed();
        $on[$id] = $axis->position() + $h * $axis->speed();
        $rotors += 0.5 * $axis->plant()->rotor_kgm2() * $axis->shaftSpeed() ** 2;
    }
    $stage = $world->build->stage;
    $before = Trees::points($stage, 'boom', $back);
    $kinetic = 0.0;
    foreach (Trees::points($stage, 'boom', $on) as $i => [$kg, $at]) {
        $kinetic += 0.5 * $kg * ($at->minus($before[$i][1])->length() / (2 * $h)) ** 2;
    }
    foreach (['slew', 'jib'] as $id) { // their drives ride as points
        $kg = $stage->driveOf($id)->mass_kg;
        $where = fn (array $pose) => $stage->placed($pose)[0][$id]->at;
        $kinetic += 0.5 * $kg * ($where($on)->minus($where($back))->length() / (2 * $h)) ** 2 + $kg * 9.80665 * $where($pose)->z;
    }

    return $kinetic + $rotors + array_sum(array_map(fn (array $point): float => $point[0] * 9.80665 * $point[1]->z, Trees::points($stage, 'boom', $pose)));
}

/** @return array{float, float} what the motors gave the machine, and what that has more of it than at first, J */
function driven(float $scan_s): array
{
    $build = nested($scan_s);
    $ledgers = [];
    foreach ($build->motions as $id => $motion) {
        $ledgers[$id] = new Ledger(Brookstone\Core\Dynamics\Plant::of($motion), (float) $motion->drive?->motor->resistance_ohm());
    }
    $world = new World($build, new Scenario('s', 'S', 10.0, [], []), 1.0, $ledgers);
    $first = stage_J($world);
    $most = 0.0;
    foreach ([['boom' => 1], ['slew' => 1, 'jib' => 1], ['boom' => -1], ['slew' => -1]] as $orders) {
        foreach ($orders as $id => $way) {
            $world->axes[$id]->push($way, 1.0);
        }
        for ($i = 0; $i < 0.25 / $scan_s; $i++) {
            $world->pass();
        }
    }
    $gave = 0.0;
    foreach ($ledgers as $ledger) {
        $gave += $ledger->in_J - $ledger->copper_J - $ledger->motor_J - $ledger->train_J - $ledger->friction_J - $ledger->locked_J - $ledger->stopped_J;
    }

    return [$gave, stage_J($world) - $first];
}

describe('motions that ride on one another', function () {
    it('keep their energy: what the motors give is what the machine has more', function () {
        [$gave, $has] = driven(0.02);
        [$usuallyGave, $usuallyHas] = driven(0.01);
        [$finelyGave, $finelyHas] = driven(0.002);
        expect($finelyHas)->toBeGreaterThan(3.0)
            ->and(abs($gave - $has))->toBeLessThan(0.013 * $has)
            ->and(abs($usuallyGave - $usuallyHas))->toBeLessThan(0.009 * $usuallyHas)
            ->and(abs($finelyGave - $finelyHas))->toBeLessThan(0.009 * $finelyHas);
    });
});
