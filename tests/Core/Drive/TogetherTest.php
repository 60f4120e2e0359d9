<?php

declare(strict_types=1);

use Brookstone\Core\Assessment\Drive\SeveralMotors;
use Brookstone\Core\Assessment\Subject\DriveFigures;
use Brookstone\Core\Assessment\Subject\MotionFigures;
use Brookstone\Core\Assessment\Subject\MotionInBuild;
use Brookstone\Core\Assessment\Wiring\Assembly;
use Brookstone\Core\Build\Build;
use Brookstone\Core\Drive\Drawer;
use Brookstone\Core\Drive\Drives;
use Brookstone\Core\Error\InvalidInput;
use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Finding\Fix;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Simulation\RoutineRun;
use Tests\Support\Builds;

/** What the lid of the sound build is like with so many times everything that the drive has to do, and so many drives. */
function lidTimes(float $load, int $motors, float $duty = 1.0): Build
{
    return Builds::planted(['motions.0.mechanism.mass_kg' => 0.3 * $load, 'motions.0.mechanism.friction_Nm' => 0.02 * $load, 'motions.0.drive.motors' => $motors,
        'motions.0.drive.duty' => $duty, 'supplies.0.max_A' => 40.0,
        'routines.0.steps' => [['do' => 'go', 'motion' => 'lid', 'place' => 'open', 'give_up_s' => 9]]]);
}

function figuresOfLid(Build $build): DriveFigures
{
    $motion = $build->motions['lid'];

    return DriveFigures::of(new MotionInBuild($build, $motion, new MotionFigures($motion)));
}

/** @return list<string> what is said of the several motors of the lid */
function saidOfSeveral(Build $build): array
{
    return array_map(fn (Finding $finding): string => $finding->says->text(), [...Builds::found($build, 'drive.motors_fight'),
        ...Builds::found($build, 'drive.one_fails')]);
}

it('adds up torques, currents and what turns, and leaves speeds as they are', function (string $code, int $count) {
    $one = Drawer::get($code);
    $all = Drives::together($one, $count);
    foreach ([[0.8, 1.0], [1.0, 0.6], [1.1, 1.0]] as [$share, $duty]) {
        $volts = $share * $one->voltageRange()[1] / 1.3;
        [$line, $sum] = [$one->line($volts, $duty), $all->line($volts, $duty)];
        expect($sum->stall_Nm)->toBeAbout($count * $line->stall_Nm, 1e-9)->and($sum->stall_A)->toBeAbout($count * $line->stall_A, 1e-9)
            ->and($sum->noLoad_rad_s())->toBeAbout($line->noLoad_rad_s(), 1e-9)->and($sum->idle_A)->toBeAbout($count * $line->idle_A, 1e-9)
            ->and($sum->currentAt($count * 0.3 * $line->stall_Nm))->toBeAbout($count * $line->currentAt(0.3 * $line->stall_Nm), 1e-9);
    }
    expect($all->rotorKgm2())->toBeAbout($count * $one->rotorKgm2(), 1e-12)->and($all->resistance_ohm())->toBeAbout($one->resistance_ohm() / $count, 1e-9)
        ->and($all->body()->mass_kg)->toBeAbout($count * $one->body()->mass_kg, 1e-9)->and($all->body()->gearbox_limit_Nm)->toBeAbout($count * $one->body()->gearbox_limit_Nm, 1e-9)
        ->and($all->body()->back_drive_Nm)->toBeAbout($count * $one->body()->back_drive_Nm, 1e-9)->and($all->travel_deg())->toBe($one->travel_deg())
        ->and($all->body()->cooling()->settles_C($count * 2.0, 20.0))->toBeAbout($one->body()->cooling()->settles_C(2.0, 20.0), 1e-9)
        ->and($all->body()->cooling()->secondsToLimit($count * 40.0, 20.0))->toBe($one->body()->cooling()->secondsToLimit(40.0, 20.0))
        ->and($all->body()->named())->toStartWith("{$count} × ")->and($all->body()->code)->toBe($code);
})->with(['G25-60', 'W40-400', 'S20 metal', 'C20 turning', 'L100-12'])->with([2, 3]);

it('is the same drive where there is one, and is written as one in the drawer', function () {
    $one = Drawer::get('G25-60');
    expect(Drives::together($one, 1))->toBe($one)->and(array_key_exists('count', Drives::write($one)))->toBeFalse();
});

it('carries so many times the load as one carries one, in the same time and as warm', function (int $count) {
    [$one, $all] = [figuresOfLid(lidTimes(1.0, 1)), figuresOfLid(lidTimes($count, $count))];
    expect($all->margin)->toBeAbout($one->margin, 1e-9)->and($all->mean_A)->toBeAbout($count * $one->mean_A, 1e-3)
        ->and($all->thermal->settles_C($all->cycle_heat_W, 20.0))->toBeAbout($one->thermal->settles_C($one->cycle_heat_W, 20.0), 1e-3);
    $took = fn (Build $build): float => RoutineRun::of($build, $build->routines['wake'])['took_s'];
    expect($took(lidTimes($count, $count)))->toBeAbout($took(lidTimes(1.0, 1)), 1e-2);
})->with([2, 3]);

it('is never weaker with one more', function (float $load) {
    $margins = array_map(fn (int $count): float => figuresOfLid(lidTimes($load, $count))->margin, [1, 2, 3, 4]);
    $sorted = $margins;
    sort($sorted);
    expect($margins)->toBe($sorted);
})->with([1.0, 6.0, 14.0]);

it('draws for all of them from its supply', function () {
    $peak = fn (int $count): float => array_column(RoutineRun::of(lidTimes(1.0, $count), lidTimes(1.0, $count)->routines['wake'])['supplies'], 'peak_A', 'supply')['main'];
    $stall = Builds::sound()->motions['lid']->drive?->line()->stall_A ?? 0.0;
    expect($peak(2))->toBeAbout(2 * $stall, 0.02)->and($peak(1))->toBeAbout($stall, 0.02);
});

it('says that they fight, and when one that fails is missed', function (float $mass, bool $misses) {
    $says = saidOfSeveral(Builds::planted(['motions.0.drive.motors' => 2, 'motions.0.mechanism.mass_kg' => $mass, 'supplies.0.max_A' => 40.0]));
    $stall = Builds::sound()->motions['lid']->drive?->line()->stall_A ?? 0.0;
    expect($says[0])->toBe('2 motors of one series differ by about 5% in speed: '.round(0.05 * $stall, 3).' A flows in each for nothing while the quicker drags the slower.')
        ->and(count($says))->toBe($misses ? 2 : 1);
    $margin = figuresOfLid(Builds::planted(['motions.0.mechanism.mass_kg' => $mass]))->margin;
    expect($margin < 1.0)->toBe($misses);
    if ($misses) {
        expect($says[1])->toBe('If one of the 2 fails, what is left has '.round(100 * $margin, 1).'% of what is needed: it stalls.');
    }
})->with([[1.0, false], [2.9, false], [3.6, true], [4.5, true]]);

it('says of servos that each goes to a place of its own', function () {
    $says = saidOfSeveral(Builds::planted(['motions.1.drive.motors' => 2]));
    expect($says[0])->toStartWith('2 servos each go to a place of their own: set them alike to within ')->and(saidOfSeveral(Builds::sound()))->toBe([]);
});

it('takes up to eight, and of what needs a driver of its own one', function (array $planted, string $says) {
    try {
        Builds::planted($planted);
        $errors = [];
    } catch (InvalidInput $wrong) {
        $errors = $wrong->errors;
    }
    expect($errors[0]['field'] ?? null)->toBe('motions.0.drive.motors')->and($errors[0]['message'] ?? '')->toContain($says);
})->with([
    [['motions.0.drive.motors' => 0], 'from 1 to 8'], [['motions.0.drive.motors' => 9], 'from 1 to 8'], [['motions.0.drive.motors' => 1.5], 'whole'],
    [['motions.0.drive.motors' => 2, 'motions.0.drive.motor' => Builds::motor('P42-40')], 'a driver of its own'],
]);

it('is one again where what is taken instead needs a driver of its own', function () {
    $build = lidTimes(1.0, 2);
    $subject = new MotionInBuild($build, $build->motions['lid'], new MotionFigures($build->motions['lid']));
    $paths = fn (string $code): array => array_column(SeveralMotors::taking($subject, Drawer::get($code)), 'path');
    expect($paths('G25-227'))->toBe(['motions.0.drive.motor'])->and($paths('P42-40'))->toBe(['motions.0.drive.motor', 'motions.0.drive.motors'])
        ->and(Builds::mended($build, new Fix(new Sentence('Take it'), SeveralMotors::taking($subject, Drawer::get('P42-40'))))->motions['lid']->drive?->motors)->toBe(1);
});

it('is tried with each alone when it is put together', function () {
    $turns = array_column(Assembly::of(Builds::planted(array_replace(Builds::wired(), ['motions.0.drive.motors' => 2]))), 'says', 'id');
    expect($turns['turn.lid']->text())->toEndWith(' Do so with each of its 2 motors alone, before they are together.')
        ->and($turns['turn.lift']->text())->not->toContain('alone');
});

it('needs a channel that bears all of them', function () {
    // Two motors of 2.1 A on a channel for 2.5 A at the start.
    $says = fn (int $count): array => array_map(fn (Finding $finding): string => $finding->says->text(), Builds::found(Builds::planted(array_replace(Builds::wired(),
        ['motions.0.drive.motors' => $count, 'supplies.0.max_A' => 20.0])), 'wiring.driver_stall'));
    expect($says(1))->toBe([])->and($says(2))->toBe(['Lid motor draws 4.2 A when it starts or is held, and Bridge 1 A bears 2.5 A.']);
});
