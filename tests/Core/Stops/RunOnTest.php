<?php

declare(strict_types=1);

use Brookstone\Core\Build\Build;
use Brookstone\Core\Build\Editor;
use Brookstone\Core\Parts\LimitSwitch;
use Brookstone\Core\Parts\Settings;
use Brookstone\Core\Stops\RunOn;
use Tests\Support\Builds;

/** @param  array<string, mixed>  $values changes to the sound build, by path */
function runOnOf(array $values = [], string $motion = 'lift', string $switch = 'lift-high', float $speed = 1.0, ?Settings $settings = null): ?RunOn
{
    $build = Builds::planted($values);

    return RunOn::of($build->motions[$motion], $build->motions[$motion]->stops->switch($switch) ?? throw new LogicException, $settings ?? $build->settings,
        $speed);
}

it('runs on at least for the time that the controller takes', function () {
    $runOn = runOnOf();
    $settings = new Settings;

    expect($runOn?->delay_s)->toBeAbout($settings->debounce_s + $settings->scan_s + $settings->driver_s)
        ->and($runOn?->distance)->toBeGreaterThan((float) $runOn?->speed * (float) $runOn?->delay_s * 0.999);
});

it('grows with debouncing, and by the way made meanwhile', function () {
    $short = runOnOf(settings: new Settings(debounce_s: 0.01));
    $long = runOnOf(settings: new Settings(debounce_s: 0.06));

    expect($long?->distance - $short?->distance)->toBeAbout(0.05 * (float) $short?->speed, 0.01);
});

it('shrinks with a lower speed', function () {
    $distances = array_map(fn (float $speed): float => (float) runOnOf(speed: $speed)?->distance, [1.0, 0.7, 0.4]);

    expect($distances[1])->toBeLessThan($distances[0])->and($distances[2])->toBeLessThan($distances[1]);
});

it('is longer when the motor coasts than when it brakes', function () {
    $coasting = runOnOf(['motions.2.stops.brakes' => false]);

    expect($coasting?->distance)->toBeGreaterThan((float) runOnOf()?->distance);
});

it('carries the energy of the rotor too', function () {
    $light = Builds::motor('G25-227');
    $light['rotor_kgm2'] = 0.0;

    expect(runOnOf()?->energy_J)->toBeGreaterThan(5 * (float) runOnOf(['motions.2.drive.motor' => $light])?->energy_J);
});

it('comes from the side of the switch', function () {
    $down = runOnOf(motion: 'lid', switch: 'lid-shut');

    expect($down)->not->toBeNull()->and($down?->speed)->toBeGreaterThan(0.0)->and($down?->distance)->toBeGreaterThan(0.0);
});

it('has none for a servo, without a drive, or where the switch is never reached', function () {
    $weak = ['motions.2.mechanism.mass_kg' => 900.0];

    expect(runOnOf($weak))->toBeNull()
        ->and(runOnOf(['motions.2.drive' => null]))->toBeNull()
        ->and(runOnOf(['motions.2.drive' => ['motor' => Builds::motor('S20 metal'), 'supply' => 'servos', 'duty' => 1.0]]))->toBeNull();
});

it('does not come to rest where the load drags the drive on', function () {
    $free = ['back_drive_Nm' => 0.0] + Builds::motor('G25-20');
    $build = Builds::planted(['motions.2.drive.motor' => $free]);
    $low = $build->motions['lift']->stops->switch('lift-low') ?? throw new LogicException;

    expect(RunOn::of($build->motions['lift'], $low, $build->settings)?->distance)->toBeNull();
});

it('agrees with what the simulated controller does', function () {
    $build = Editor::apply(Builds::sound(),
        [['path' => 'routines.1.steps', 'value' => [['do' => 'go', 'motion' => 'lift', 'place' => 'high', 'give_up_s' => 9]]]]);
    $trace = Brookstone\Core\Simulation\RoutineRun::of($build, $build->routines['show'], $build->scenarios['pressed']);
    $ended = end($trace['motions'][2]['position']);
    $computed = (float) runOnOf()?->distance;

    expect($ended - 0.1)->toBeLessThanOrEqual($computed + 1e-5)->toBeGreaterThan($computed * 0.5);
});

it('reads the same from the file of the build', function () {
    $again = Build::fromJson(Builds::sound()->toJson());

    expect(RunOn::of($again->motions['lift'], $again->motions['lift']->stops->switch('lift-high') ?? throw new LogicException,
        $again->settings)?->distance)->toBe(runOnOf()?->distance);
});

it('is shown at every speed at which routines drive onto the switch, with what is left', function () {
    $build = Builds::planted(['routines.1.steps.7' => ['do' => 'go', 'motion' => 'lid', 'place' => 'shut', 'speed' => 0.4, 'give_up_s' => 9],
        'routines.0.steps.0.speed' => 0.4]);
    $shown = Builds::assessed($build)->chains[0]->curves['run_on'];
    $low = array_column($shown, null, 'switch')['lid-shut'];
    $lid = $build->motions['lid'];
    $at = fn (float $share): float => (float) RunOn::of($lid, $lid->stops->switches[0], $build->settings, $share)?->distance;

    expect($build->speedsOnto($lid, $lid->stops->switches[0]))->toBe([0.4])->and($build->speedsOnto($lid, $lid->stops->switches[1]))->toBe([1.0])
        ->and($low['distance'])->toBeAbout($at(1.0))->and($low['left'])->toBeAbout(5.0 - $at(1.0))
        ->and($low['slower'])->toHaveCount(1)->and($low['slower'][0]['share'])->toBe(0.4)->and($low['slower'][0]['distance'])->toBeAbout($at(0.4))
        ->and($low['slower'][0]['left'])->toBeGreaterThan($low['left']);
});

it('leaves nothing to say where there is no hard stop, and no speeds where no routine goes', function () {
    $build = Builds::planted(['motions.0.stops.hard_low' => null, 'routines' => []]);
    $low = array_column(Builds::assessed($build)->chains[0]->curves['run_on'], null, 'switch')['lid-shut'];

    expect($low['left'])->toBeNull()->and($low['slower'])->toBe([])
        ->and($build->motions['lid']->stops->roomAfter($build->motions['lid']->stops->switches[0]))->toBeNull()
        ->and($build->motions['lid']->stops->roomAfter($build->motions['lid']->stops->switches[1]))->toBe(5.0);
});

it('waits for a mark that is passed only where its contact bounces', function (float $bounce, bool $isMark, float $wait) {
    $lift = Builds::sound()->motions['lift'];
    $settings = new Settings(scan_s: 0.01, debounce_s: 0.02, driver_s: 0.005);
    $switch = new LimitSwitch('s', 'S', 'high', 0.1, 'high', bounce_s: $bounce, isMark: $isMark);

    expect(RunOn::of($lift, $switch, $settings)?->delay_s)->toBeAbout($wait, 1e-9);
})->with(['a mark' => [0.0, true, 0.015], 'one that bounces' => [0.003, true, 0.038], 'a switch' => [0.0, false, 0.035], 'a switch that bounces' => [0.003, false, 0.038]]);
