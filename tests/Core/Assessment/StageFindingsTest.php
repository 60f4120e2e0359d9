<?php

declare(strict_types=1);

use Brookstone\Core\Assessment\Cautions;
use Brookstone\Core\Assessment\Subject\MotionFigures;
use Brookstone\Core\Assessment\Subject\MotionInBuild;
use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Finding\Severity;
use Tests\Support\Builds;
use Tests\Support\Said;

/**
 * The lift of the sound build on the stage: a hoist that lifts a box of 0.1 m from z = 0.1 to 0.2, and what stands about it.
 *
 * @param  list<array<string, mixed>>  $things
 * @param  array<string, mixed>  $more
 * @return array<string, mixed>
 */
function liftOnStage(array $things, array $more = [], ?float $kg = null): array
{
    return [
        'motions.2.mount' => ['z_m' => 0.1],
        'motions.2.bodies' => [['id' => 'box', 'name' => 'Box', 'length_m' => 0.1] + ($kg === null ? [] : ['mass_kg' => $kg])],
        'things' => array_map(fn (array $thing, int $i): array => $thing + ['id' => "t{$i}", 'name' => 'Shelf', 'length_m' => 0.1, 'height_m' => 0.02], $things,
            array_keys($things)),
        ...$more,
    ];
}

/** A shelf over the lift whose lower side lies so far above where the box gets: 0.25 at its place, and on by what it runs past its switch. */
function shelfAbove(float $gap_m): array
{
    return [['z_m' => 0.25 + runsOn() + $gap_m + 0.01]];
}

/** What the lift runs past its upper switch, m. */
function runsOn(): float
{
    $build = Builds::planted(liftOnStage([]));
    $motion = $build->motions['lift'];

    return min(0.01, (float) (new Brookstone\Core\Assessment\Subject\MotionFigures($motion))->runOn($motion->stops->switches[1], $build->settings)?->distance);
}

/**
 * The lid over the lift: shut it lies so far above where the box gets.
 *
 * @return array<string, mixed>
 */
function lidOverLift(float $gap_m = -0.02): array
{
    return liftOnStage([], ['motions.0.mount' => ['x_m' => -0.25, 'z_m' => 0.25 + runsOn() + $gap_m + 0.005],
        'motions.0.bodies' => [['id' => 'bar', 'name' => 'Bar', 'x_m' => 0.15, 'length_m' => 0.3, 'width_m' => 0.1, 'height_m' => 0.01]]]);
}

/**
 * Three motions that pass one another with many plates, a few millimetres apart.
 *
 * @return array<string, mixed>
 */
function crowded(): array
{
    $plates = fn (float $y): array => array_map(fn (int $i): array => ['id' => "p{$i}", 'name' => "Plate {$i}", 'x_m' => 0.02 * ($i % 6), 'y_m' => $y,
        'z_m' => 0.03 * intdiv($i, 6), 'length_m' => 0.3, 'width_m' => 0.002, 'height_m' => 0.3], range(0, 23));

    return ['motions.0.mount' => ['z_m' => 0.2], 'motions.0.bodies' => $plates(0.0), 'motions.1.mount' => ['z_m' => 0.2], 'motions.1.bodies' => $plates(0.008),
        'motions.2.mount' => ['z_m' => 0.2], 'motions.2.bodies' => $plates(0.016), 'routines' => [], 'scenarios' => [], 'log' => []];
}

/**
 * The jaw with its servo on the lid.
 *
 * @param  array<string, mixed>  $more
 * @return array<string, mixed>
 */
function jawOnLid(array $more = []): array
{
    return ['motions.0.mount' => ['z_m' => 0.2], 'motions.1.mount' => ['on' => 'lid', 'x_m' => 0.1], ...$more];
}

/** @return list<Finding> */
function ofStage(array $planted, string $code): array
{
    return Builds::found(Builds::planted($planted), $code);
}

describe('what is planted on the stage', function () {
    it('is found', function (string $code, Closure $values, Severity $severity, bool $mends) {
        $build = Builds::planted($values());
        $findings = Builds::found($build, $code);
        expect($findings)->not->toBeEmpty("{$code} was not found; found: ".implode(', ', Builds::assessed($build)->codes()))
            ->and($findings[0]->severity)->toBe($severity)
            ->and(Said::by($findings[0]))->toBe(Said::of($code))
            ->and($findings[0]->fixes !== [])->toBe($mends, $code);
        foreach ($findings[0]->fixes as $fix) {
            $left = array_filter(Builds::stillSaid($build, $fix, $code), fn (Finding $finding): bool => $finding->place === $findings[0]->place);
            expect($left)->toBe([], $fix->does->text());
        }
    })->with(fn () => array_map(fn (array $row, string $code): array => [$code, ...$row], $rows = [
        'stage.touches' => [fn () => liftOnStage(shelfAbove(-0.004)), Severity::Fails, true],
        'stage.near' => [fn () => liftOnStage(shelfAbove(0.004)), Severity::Tight, true],
        'stage.pinches' => [fn () => liftOnStage([['is' => 'hands'] + shelfAbove(0.02)[0]]), Severity::Tight, false],
        'stage.can_meet' => [fn () => lidOverLift(), Severity::Note, true],
        'stage.looked_in_part' => [fn () => crowded(), Severity::Note, false],
        'stage.misses' => [fn () => liftOnStage([], ['meetings.0' => ['id' => 'hook', 'name' => 'Hook on box', 'one' => ['motion' => 'lift'],
            'other' => ['z_m' => 0.12]]]), Severity::Fails, true],
        'stage.wires_wind' => [fn () => jawOnLid(['motions.0.task.keeps_turning' => true, 'motions.0.mechanism' => ['kind' => 'turntable', 'disc_mass_kg' => 0.3,
            'disc_radius_m' => 0.1]]), Severity::Fails, false],
        'stage.drive_room' => [fn () => jawOnLid(['motions.1.mount' => ['on' => 'lid', 'x_m' => 0.1, 'drive_side' => 'behind'],
            'motions.0.bodies' => [['id' => 'shell', 'name' => 'Shell', 'x_m' => 0.1, 'y_m' => 0.03, 'length_m' => 0.05, 'mass_kg' => 0.1]]]), Severity::Tight, true],
        'stage.magnets_let_go' => [fn () => jawOnLid(['motions.1.mount' => ['on' => 'lid', 'x_m' => 0.1,
            'magnets' => ['contact_N' => 0.5, 'magnet_m' => 0.01, 'gap_m' => 0.002]]]), Severity::Fails, true],
        'drive.runs_apart' => [fn () => ['motions.0.level' => ['with' => 'jaw', 'within' => 2.0]], Severity::Fails, false],
        'routine.runs_apart' => [fn () => ['motions.0.level' => ['with' => 'jaw', 'within' => 20.0]], Severity::Fails, false],
        'stage.mass_differs' => [fn () => liftOnStage([], kg: 0.68), Severity::Tight, true],
        'stage.tips' => [fn () => liftOnStage([['is' => 'frame', 'x_m' => 0.2, 'mass_kg' => 0.1]], kg: 0.6), Severity::Fails, false],
        'stage.worn_heavy' => [fn () => liftOnStage([['is' => 'frame', 'mass_kg' => 6.6, 'length_m' => 0.5]], ['around.worn' => true], 0.6), Severity::Tight, false],
        'routine.touches' => [fn () => lidOverLift(), Severity::Fails, false],
        'routine.comes_near' => [fn () => lidOverLift(0.004), Severity::Tight, true],
    ], array_keys($rows)));
});

describe('the words and thresholds of the stage', function () {
    it('touches from no gap down, is near under what is asked for, and says by how much', function () {
        expect(ofStage(liftOnStage(shelfAbove(-0.0003)), 'stage.touches')[0]->says->text())->toMatch('/^Box of Lift touches Shelf with Lift at 10\d mm\.$/u')
            ->and(ofStage(liftOnStage(shelfAbove(0.0003)), 'stage.touches'))->toBe([])
            ->and(ofStage(liftOnStage(shelfAbove(0.0049)), 'stage.near')[0]->says->text())
            ->toMatch('/^Box of Lift comes within 4\.[89]\d? mm of Shelf with Lift at 10\d mm; 5 mm is asked for\.$/u')
            ->and(ofStage(liftOnStage(shelfAbove(0.0053)), 'stage.near'))->toBe([])
            ->and(ofStage(liftOnStage(shelfAbove(0.0053), ['settings.clear_m' => 0.006]), 'stage.near'))->toHaveCount(1)
            ->and(ofStage(liftOnStage(shelfAbove(-0.0003)), 'stage.near'))->toBe([]);
    });

    it('counts play: half of it at either end', function () {
        $geared = ['motions.2.train' => [['type' => 'spur', 'driver' => 20, 'driven' => 20, 'module_mm' => 1.0, 'backlash_mm' => 2.0]]];
        $below = [['z_m' => 0.05 - runsOn() - 0.0053 - 0.01]]; // low the underside of the box is at 0.05
        // 2 mm at a pitch radius of 10 mm, on a drum of 10 mm: 2 mm of play, 1 mm of it upwards and 1 mm downwards
        expect(ofStage(liftOnStage(shelfAbove(0.0053), $geared), 'stage.near'))->toHaveCount(1)
            ->and(ofStage(liftOnStage($below), 'stage.near'))->toBe([])
            ->and(ofStage(liftOnStage($below, $geared), 'stage.near')[0]->says->text())
            ->toMatch('/^Box of Lift comes within 4\.[23]\d? mm of Shelf with Lift at −\d/u');
    });

    it('warns for fingers of what pinches them on the stage, and of nothing else for that', function (string $code, string $place, bool $warned) {
        $build = Builds::sound();
        $lift = new MotionInBuild($build, $build->motions['lift'], new MotionFigures($build->motions['lift']));
        $cautions = Cautions::of($lift, [], [new Finding($code, Severity::Tight, $place, new Sentence('It is near.'))]);

        expect(in_array('fingers', array_column($cautions, 'code'), true))->toBe($warned);
    })->with([
        ['stage.pinches', 'motions.2.bodies.0', true], ['stage.pinches', 'motions.2', true], ['stage.pinches', 'motions.20.bodies.0', false],
        ['stage.pinches', 'motions.1.bodies.0', false], ['stage.near', 'motions.2.bodies.0', false],
    ]);

    it('pinches where a gap closes further than fingers are thick, on either side of that', function () {
        $hands = fn (float $gap): array => liftOnStage([['is' => 'hands', 'name' => 'Hands'] + shelfAbove($gap)[0]]);
        expect(ofStage($hands(0.0249), 'stage.pinches')[0]->says->text())
            ->toMatch('/^Box of Lift closes to 24\.\d+ mm of Hands, where hands can be with Lift at 10\d mm: under 25 mm it pinches\.$/u')
            ->and(ofStage($hands(0.0253), 'stage.pinches'))->toBe([])
            ->and(ofStage($hands(-0.01), 'stage.pinches')[0]->says->text())->toMatch('/^Box of Lift sweeps through Hands, where hands can be with Lift at \d+/u')
            ->and(ofStage($hands(-0.01), 'stage.touches'))->toBe([]);
    });

    it('offers as a mend what clears, by whole millimetres: aside, or lower', function () {
        $does = array_map(fn ($fix): string => $fix->does->text(), ofStage(liftOnStage(shelfAbove(0.0)), 'stage.touches')[0]->fixes);
        // Both are 0.1 m wide: 105 mm aside. No lower shelf clears, as its lower side stays; it ends at its top.
        expect($does)->toBe(['Put Shelf 105 mm to the right', 'Put Shelf 105 mm to the left', 'Put Shelf 105 mm further away']);
        $stack = ['name' => 'Stack', 'x_m' => 0.0, 'z_m' => 0.03, 'height_m' => 0.06];
        $fix = ofStage(liftOnStage([$stack]), 'stage.touches')[0]->fixes[0];
        // The box is at z = 0.05 when the lift is low, and its stop lets it 10 mm lower.
        expect($fix->does->text())->toMatch('/^Let Stack be no higher than 4\d mm$/u');
    });

    it('tells what was typed from what the bodies weigh, over a tenth of the larger', function () {
        expect(ofStage(liftOnStage([], kg: 0.665), 'stage.mass_differs'))->toBe([])
            ->and(ofStage(liftOnStage([], kg: 0.668), 'stage.mass_differs')[0]->says->text())->toBe('Lift was typed as 600 g; its bodies add up to 668 g, and those count.')
            ->and(ofStage(liftOnStage([], kg: 0.541), 'stage.mass_differs'))->toBe([])
            ->and(ofStage(liftOnStage([], kg: 0.539), 'stage.mass_differs'))->toHaveCount(1)
            ->and(ofStage(liftOnStage([]), 'stage.mass_differs'))->toBe([]);
    });

    it('counts the masses of bodies as the load', function () {
        $peak = fn (array $planted): float => (new Brookstone\Core\Assessment\Subject\MotionFigures(Builds::planted($planted)->motions['lift']))->there()->static_peak_Nm;
        expect($peak(liftOnStage([], kg: 0.9)))->toEqualWithDelta(0.9 * 9.80665 * 0.01, 1e-6)
            ->and($peak(liftOnStage([])))->toEqualWithDelta(0.6 * 9.80665 * 0.01, 1e-6);
    });

    it('tips where its centre is outside of its feet, is tight under ten degrees, and says by how much', function () {
        // A plate of 0.2 m of no weight to speak of, the lift off its middle: the centre is that of the box.
        $on = fn (float $x, float $z = 0.0): array => liftOnStage([['is' => 'frame', 'name' => 'Plate', 'x_m' => $x, 'z_m' => -0.1 + $z, 'length_m' => 0.2,
            'mass_kg' => 1e-6]], ['motions.2.drive' => null], 0.6);
        $says = fn (array $planted): array => array_map(fn (Finding $finding): string => $finding->severity->value.' '.$finding->says->text(),
            ofStage($planted, 'stage.tips'));
        expect($says($on(0.103)))->toBe(['fails It tips over: its centre is 3 mm outside of its feet, as it rests.'])
            // 0.31 m over its feet when it is up: atan(57/310) is over ten degrees, atan(53/310) under
            ->and($says($on(0.043)))->toBe([])
            ->and($says($on(0.047)))->toBe(['tight Tilted by 9.7° it tips over: its centre is 53 mm inside of its feet, with Lift at 100 mm. 10° is little enough for a bump.']);
    });

    it('warns of what is worn from a tenth of a body', function () {
        $worn = fn (float $kg, bool $is = true): array => ofStage(liftOnStage([['is' => 'frame', 'z_m' => -0.5, 'length_m' => 1.0, 'width_m' => 1.0, 'mass_kg' => $kg]],
            ['around.worn' => $is, 'motions.2.drive' => null], 0.5), 'stage.worn_heavy');
        expect($worn(6.49))->toBe([])
            ->and($worn(6.51)[0]->says->text())->toBe('Worn it weighs 7.01 kg; for an hour a tenth of the body is usual, 7 kg for 70 kg. How it feels decides.')
            ->and($worn(6.51, false))->toBe([]);
    });

    it('minds wires that pass a joint, from a turn on, and none of a drive that stays on the base', function () {
        $turns = fn (float $to, string $drive = 'rides'): array => jawOnLid(['motions.0.mechanism' => ['kind' => 'turntable', 'disc_mass_kg' => 0.3,
            'disc_radius_m' => 0.1], 'motions.0.places.1.at' => $to, 'motions.1.mount' => ['on' => 'lid', 'drive' => $drive]]);
        expect(ofStage($turns(359.0), 'stage.wires_wind'))->toBe([])
            ->and(ofStage($turns(365.0), 'stage.wires_wind')[0]->says->text())->toBe('Lid turns 365° in all, and the wires of Jaw pass it: 360° is what they stand, coiled with care.')
            ->and(ofStage($turns(365.0, 'base'), 'stage.wires_wind'))->toBe([]);
        $says = fn (array $planted, int $i): ?string => (new Brookstone\Core\Assessment\Stage\StageReport(Builds::planted($planted)))->written()['motions'][$i]['wires']?->text();
        // 90° at 10 mm from the axis
        expect($says($turns(90.0), 0))->toBe('Wires of Jaw pass it: leave 15.7 mm of slack, 10 mm from its axis.')->and($says($turns(90.0), 1))->toBeNull();
    });

    it('offers the rule that keeps two motions apart, with the angle from which they are', function () {
        $build = Builds::planted(lidOverLift());
        $finding = Builds::found($build, 'stage.can_meet')[0];
        expect($finding->says->text())->toMatch('/^Bar of Lid and Box of Lift can meet with .*Kept apart, Lid moves only while Lift is outside of [67]\d mm to 100 mm\.$/u');
        $rules = Builds::mended($build, $finding->fixes[0])->rules;
        $says = array_map(fn ($rule): string => $rule->says($build)->text(), array_values($rules));
        expect($says[0])->toMatch('/^never Lid moves while Lift stands between [67]\d mm and 100 mm$/u')
            ->and($says[1])->toMatch('/^never Lift moves while Lid stands between 0° and \d\d?°$/u');
        // Where the lid is past that angle, the lift's whole way is clear of it; a little below, it is not.
        $edge = $rules[array_keys($rules)[1]]->while->to ?? 0.0;
        $clearance = Brookstone\Core\Machine\Clearance::of($build->stage);
        $clear = fn (float $at): bool => $clearance->over('lift', [0.0, 0.1], ['lid' => $at], 0.005) === [];
        expect($clear($edge + 1.0))->toBeTrue()->and($clear($edge - 3.0))->toBeFalse();
    });

    it('says nothing of two that a rule keeps apart already, or that never meet', function () {
        $rule = ['id' => 'apart', 'name' => 'Apart', 'never' => ['test' => 'moving', 'motion' => 'lift'],
            'while' => ['test' => 'not', 'that' => ['test' => 'place', 'motion' => 'lid', 'place' => 'open']]];
        expect(ofStage(['rules.0' => $rule] + lidOverLift(), 'stage.can_meet'))->toBe([])
            ->and(ofStage(lidOverLift(0.1), 'stage.can_meet'))->toBe([]);
    });

    it('mends a touch in a run by sending what is in the way elsewhere first', function () {
        $build = Builds::planted(['routines.1.steps.0' => ['do' => 'wait', 'for_s' => 0.1]] + lidOverLift());
        $findings = array_values(array_filter(Builds::found($build, 'routine.touches'),
            fn (Finding $finding): bool => str_starts_with($finding->place, 'routines.1.steps.1')));
        expect($findings)->not->toBe([])
            ->and($findings[0]->says->text())->toMatch('/^B.* of L.* touches B.* of L.* when Show is run from power-on/')
            ->and(array_map(fn ($fix): string => $fix->does->text(), $findings[0]->fixes))->toContain('Send Lid to Open first');
    });
});
