<?php

declare(strict_types=1);

use Brookstone\Core\Assessment\BuildJudge;
use Brookstone\Core\Assessment\Drive\DriveRepairs;
use Brookstone\Core\Assessment\Selection\DriveRanking;
use Brookstone\Core\Assessment\Selection\DriveSearch;
use Brookstone\Core\Assessment\Selection\Goal;
use Brookstone\Core\Assessment\Selection\RatedDrive;
use Brookstone\Core\Assessment\Sheet\StopsSheet;
use Brookstone\Core\Assessment\Subject\DriveFigures;
use Brookstone\Core\Assessment\Subject\MotionFigures;
use Brookstone\Core\Assessment\Subject\MotionInBuild;
use Brookstone\Core\Assessment\Subject\MoveTable;
use Brookstone\Core\Drive\Stock;
use Brookstone\Core\Dynamics\Plant;
use Brookstone\Core\Finding\Fix;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Rehearsal\Rehearsal;
use Tests\Support\Builds;

/** @param  array<string, mixed>  $planted */
function subjectOf(string $motion, array $planted = []): MotionInBuild
{
    $build = Builds::planted($planted);

    return new MotionInBuild($build, $build->motions[$motion], new MotionFigures($build->motions[$motion]));
}

/** @param  array<string, mixed>  $planted  @return array<string, mixed> */
function stopsOf(string $motion, array $planted = []): array
{
    return (new StopsSheet(subjectOf($motion, $planted)))->sheet();
}

/** @return list<string> */
function offersOf(array $switch): array
{
    return array_map(fn (array $offer): string => $offer['says']->text(), $switch['offers']);
}

/** @param  list<Fix>  $fixes  @return list<string> */
function doesOf(array $fixes): array
{
    return array_map(fn (Fix $fix): string => $fix->does->text(), $fixes);
}

describe('the sheet of stops', function () {
    it('has every supply and load of each switch, further the more it gets', function () {
        $high = stopsOf('lift', ['motions.2.mechanism.payload_kg' => 0.3])['switches'][1];
        expect(array_map(fn (array $row): string => "{$row['supply']} {$row['load']}", $high['rows']))->toBe(['low loaded', 'low empty', 'rated loaded',
            'rated empty', 'high loaded', 'high empty']);
        $of = array_column(array_map(fn (array $row): array => ["{$row['supply']} {$row['load']}", $row['distance']], $high['rows']), 1, 0);
        expect($of['low loaded'])->toBeLessThan($of['rated loaded'])->and($of['rated loaded'])->toBeLessThan($of['high loaded'])
            ->and($of['high loaded'])->toBeLessThan($of['high empty']) // what weighs less is faster, and stops later
            ->and($high['worst'])->toBe(max($of))->and($high['room'])->toBeAbout(0.01, 1e-9)->and($high['left'])->toBeAbout(0.01 - $high['worst'], 1e-9);
    });

    it('offers what makes it run on less, with what that costs', function () {
        $tight = stopsOf('lid', ['motions.0.stops.hard_high' => 71.5])['switches'][1];
        $offers = offersOf($tight);
        expect($tight['left'])->toBeLessThan(0.0)->and($offers[0])->toMatch('/^At \d+% duty throughout it runs on [\d.]+°, and every move takes [\d.]+ s longer\.$/')
            ->and($offers[1])->toMatch('/^Slow only over the last 17\.5°, in Show, it runs on the same and takes only about [\d.]+ s longer\.$/')
            ->and($offers[2])->toMatch('/^A stop that gives 3\.5°, of foam or a spring, takes up its [\d.]+ J with no more than [\d.]+ N·m, and no time is lost\.$/')
            ->and($offers[3])->toStartWith('Wire it to open when it trips')->and($offers[4])->toMatch('/^Move the switch to 68\.[\d]+°/');
        preg_match('/takes ([\d.]+) s longer/', $offers[0], $throughout);
        preg_match('/about ([\d.]+) s longer/', $offers[1], $last);
        expect((float) $last[1])->toBeAbout((float) $throughout[1] / 4, 0.02); // a quarter of the way
    });

    it('takes up the energy over the way that a soft stop gives', function () {
        $tight = stopsOf('lift', ['motions.2.stops.hard_high' => 0.1004])['switches'][1];
        $soft = array_values(array_filter($tight['offers'], fn (array $offer): bool => str_starts_with($offer['says']->text(), 'A stop that gives')))[0]['says'];
        assert($soft instanceof Sentence);
        $values = array_map(fn ($quantity): float => $quantity->si, $soft->values);
        expect($values['gives'])->toBeAbout(0.005, 1e-6)->and($values['push'])->toBeAbout(2 * $values['energy'] / $values['gives'], 1e-9);
    });

    it('asks for nothing more where there is room enough', function () {
        $wide = stopsOf('lid', ['motions.0.stops.hard_high' => 90.0, 'motions.0.stops.switches.1.closed' => true])['switches'][1];
        expect(offersOf($wide))->toBe(['At 75% duty throughout it runs on '.preg_replace('/^.*runs on ([^,]+),.*$/', '$1', offersOf($wide)[0]).', and every move takes '
            .preg_replace('/^.*takes ([^ ]+) s.*$/', '$1', offersOf($wide)[0]).' s longer.', offersOf($wide)[1]]);
    });

    it('brakes what coasts, for nothing', function () {
        $coasts = stopsOf('lid', ['motions.0.stops.brakes' => false])['switches'][1];
        expect(offersOf($coasts)[0])->toMatch('/^Brake instead of letting it coast: it runs on 1\.79°, and takes no longer\.$/');
    });

    it('compares the ways of knowing where it is', function () {
        $ways = array_column(stopsOf('lid', ['motions.0.task.tolerance' => 2.0])['ways'], null, 'way');
        expect(array_keys($ways))->toBe(['by time, and a switch to home on', 'a switch at each end', 'an encoder of 12 pulses on its shaft', 'a positional servo', 'a stepper that counts'])
            ->and(array_keys(array_filter(array_column($ways, 'is_used', 'way'))))->toBe(['a switch at each end']);
        $spread = $ways['a switch at each end']['error'];
        expect($ways['an encoder of 12 pulses on its shaft']['error'])->toBeAbout(30.0 + $spread, 1e-6) // straight on the shaft: a pulse is 30°
            ->and($ways['a positional servo']['error'])->toBeAbout(1.0, 1e-6)->and($ways['a stepper that counts']['error'])->toBeAbout(0.9, 1e-6)
            ->and($ways['a stepper that counts']['within'])->toBeTrue()->and($ways['an encoder of 12 pulses on its shaft']['within'])->toBeFalse()
            ->and($ways['an encoder of 12 pulses on its shaft']['after_many'])->toBeAbout(30.0 + $spread, 1e-6);
        $geared = array_column(stopsOf('lid', ['motions.0.train' => [['type' => 'belt', 'driver' => 20, 'driven' => 60]]])['ways'], null, 'way');
        expect($geared['a positional servo']['error'])->toBeAbout(1.0 / 3 + 0.0, 0.05);
    });

    it('says nothing of where something stands that turns on and on', function () {
        expect(stopsOf('lid', ['motions.0.task.keeps_turning' => true, 'motions.0.stops.hard_high' => null, 'motions.0.stops.hard_low' => null])['ways'])->toBe([]);
    });
});

describe('what a move asks of any rotor', function () {
    it('grows with the rotor, never less than in proportion to nothing', function () {
        $table = new MoveTable(Builds::planted(['motions.0.task.move_s' => 0.4])->motions['lid']);
        $last = 0.0;
        foreach ([0.0, 1e-4, 1e-3, 1e-2, 1e-1] as $rotor) {
            expect($table->peak_Nm($rotor))->toBeGreaterThanOrEqual($last)->and($table->rms_Nm($rotor))->toBeLessThanOrEqual($table->peak_Nm($rotor) * 1.0001);
            $last = $table->peak_Nm($rotor);
        }
        // Far out it is the rotor alone: in proportion to it.
        expect($table->peak_Nm(2e3))->toBeAbout(2 * $table->peak_Nm(1e3), 1e-3)->and($table->rms_Nm(2e3))->toBeAbout(2 * $table->rms_Nm(1e3), 1e-3);
    });

    it('is what the drive is judged by', function (string $id, float $move_s) {
        $motion = Builds::planted(['motions.0.task.move_s' => $move_s])->motions[$id];
        $table = new MoveTable($motion);
        $rotor = Plant::of($motion)->rotor_kgm2();
        $facts = new MotionFigures($motion);
        expect($table->peak_Nm($rotor))->toBeAbout($facts->peak_Nm(), 5e-3)->and($table->hold_Nm)->toBeAbout($facts->hold_Nm(), 1e-9);
    })->with([['lid', 2.5], ['lid', 0.5], ['jaw', 2.5], ['lift', 2.5]]);
});

describe('repairs', function () {
    it('puts a clutch between what the move needs and what the gears survive', function (float $limit, ?float $clutch) {
        $subject = subjectOf('lid', ['motions.0.drive.motor' => ['gearbox_limit_Nm' => $limit] + Builds::motor('W40-400')]);
        $fixes = DriveRepairs::clutch($subject, DriveFigures::of($subject));
        expect($fixes[0]->changes[0]->value ?? null)->toBe($clutch);
    })->with([[4.0, 1.6], [2.0, 0.8], [1.5, 0.665], [0.9, 0.665], [0.8, null]]); // 0.4 · limit, but no less than 1.25 · 0.532 N·m nor more than 0.8 · limit

    it('sets a clutch a little over what makes it slip', function () {
        $subject = subjectOf('lid', ['motions.0.drive.clutch_Nm' => 0.4]);
        expect(doesOf(DriveRepairs::tighterClutch($subject, DriveFigures::of($subject))))->toBe(['Set the clutch to 0.7 N·m']); // 1.25 · 1.05 · 0.532
    });

    it('starts softly with the shortest ramp that is enough', function () {
        $start_A = Builds::sound()->motions['lid']->drive?->startsWith_A() ?? 0.0;
        $fixes = DriveRepairs::softStart(subjectOf('lid', ['supplies.0.max_A' => 0.9 * $start_A]));
        expect($fixes)->toHaveCount(1)->and(in_array($fixes[0]->changes[0]->value, DriveRepairs::RAMPS_S, true))->toBeTrue();
        $shorter = DriveRepairs::RAMPS_S[(int) array_search($fixes[0]->changes[0]->value, DriveRepairs::RAMPS_S, true) - 1] ?? null;
        $mends = fn (float $ramp): bool => DriveRepairs::mends(subjectOf('lid', ['supplies.0.max_A' => 0.9 * $start_A, 'motions.0.drive.ramp_s' => $ramp]));
        expect($mends($fixes[0]->changes[0]->value))->toBeTrue()->and($shorter === null || ! $mends($shorter))->toBeTrue()
            ->and(DriveRepairs::softStart(subjectOf('lid', ['motions.0.drive.ramp_s' => 0.1])))->toBe([])->and(DriveRepairs::softStart(subjectOf('jaw')))->toBe([]);
    });

    it('sets finer steps where they are coarse', function (int $now, array $does) {
        $subject = subjectOf('lid', ['motions.0.drive' => ['motor' => ['microsteps' => $now] + Builds::motor('P57-56'), 'supply' => 'main']]);
        expect(doesOf(DriveRepairs::finerSteps($subject, DriveFigures::of($subject))))->toBe($does);
    })->with([[1, ['Set its driver to 16 microsteps']], [8, ['Set its driver to 16 microsteps']], [16, []]]);

    it('cuts the power of a servo whose gears hold its load, and of no other', function (float $mass, array $does) {
        expect(doesOf(DriveRepairs::gate(subjectOf('jaw', ['motions.1.mechanism.mass_kg' => $mass]))))->toBe($does);
    })->with([[0.06, ['Cut its power between moves: its gears hold the load by themselves']], [0.07, []]]); // they hold 0.045 N·m: 1.5 times 0.03

    it('hurries what is driven at less than its full duty', function () {
        expect(doesOf(DriveRepairs::hurry(subjectOf('lid', ['motions.0.drive.duty' => 0.5, 'motions.0.task.move_s' => 1.2]))))->toBe(['Drive it at full duty'])
            ->and(doesOf(DriveRepairs::hurry(subjectOf('lid', ['motions.0.task.move_s' => 0.8]))))->not->toContain('Drive it at full duty');
    });

    it('mends nothing that still fails', function () {
        expect(DriveRepairs::mends(subjectOf('lid')))->toBeTrue()->and(DriveRepairs::mends(subjectOf('lid', ['motions.0.mechanism.mass_kg' => 3.0])))->toBeFalse()
            ->and(DriveRepairs::mends(subjectOf('lid', ['motions.0.task.move_s' => 0.9])))->toBeFalse();
        foreach (DriveRepairs::carry($weak = subjectOf('lid', ['motions.0.mechanism.mass_kg' => 1.6])) as $fix) {
            $mended = Builds::mended($weak->build, $fix);
            expect(DriveRepairs::mends(new MotionInBuild($mended, $mended->motions['lid'], new MotionFigures($mended->motions['lid']))))->toBeTrue($fix->does->text());
        }
    });
});

describe('the list of drives', function () {
    $list = fn (Goal $goal): array => (new DriveSearch($build = Builds::sound(), $build->motions['lid'], Stock::shipped()))->ranked($goal);

    it('is in the order of its goal among those that hold', function (Goal $goal, Closure $measure) use ($list) {
        $holds = array_values(array_filter($list($goal), fn (RatedDrive $each): bool => $each->verdict->value === 'holds'));
        $values = array_map($measure, $holds);
        $sorted = $values;
        sort($sorted);
        expect(count($values))->toBeGreaterThan(5)->and($values)->toBe($sorted);
    })->with([
        'smallest' => [Goal::Smallest, fn (RatedDrive $each): float => $each->figures->drive->motor->body()->length_mm * $each->figures->drive->motor->body()->width_mm
            * $each->figures->drive->motor->body()->height_mm],
        'lightest' => [Goal::Lightest, fn (RatedDrive $each): float => $each->figures->drive->motor->body()->mass_kg],
        'least current' => [Goal::LeastCurrent, fn (RatedDrive $each): float => $each->figures->mean_A],
        'quietest' => [Goal::Quietest, fn (RatedDrive $each): float => $each->noise()],
        'safest' => [Goal::Safest, fn (RatedDrive $each): float => -min($each->figures->margin, $each->figures->gear_limit_motor_Nm / $each->figures->knock_motor_Nm)],
    ]);

    it('puts what survives a bump before what does not, then the quicker', function () use ($list) {
        $holds = array_values(array_filter($list(Goal::Fastest), fn (RatedDrive $each): bool => $each->verdict->value === 'holds' && $each->time_s !== null));
        $keys = array_map(fn (RatedDrive $each): array => [$each->figures->survivesABump() ? 0 : 1, $each->time_s], $holds);
        $sorted = $keys;
        sort($sorted);
        expect($keys)->toBe($sorted);
    });

    it('has the front of those that nothing beats in both time and margin', function () {
        $build = Builds::sound();
        $points = DriveRanking::of($build, $build->motions['lid'], Stock::shipped())['points'];
        $front = array_values(array_filter($points, fn (array $point): bool => $point['front']));
        expect(count($front))->toBeGreaterThan(2);
        foreach ($points as $point) {
            $beaten = array_filter($points, fn (array $other): bool => $other['time_s'] < $point['time_s'] && $other['margin'] > $point['margin']);
            expect($point['front'] && $beaten !== [])->toBeFalse();
        }
        for ($i = 1; $i < count($front); $i++) {
            usort($front, fn (array $a, array $b): int => $a['time_s'] <=> $b['time_s']);
            expect($front[$i]['margin'])->toBeGreaterThanOrEqual($front[$i - 1]['margin']);
        }
    });

    it('counts what fails by what fails first, the most frequent first', function () {
        $build = Builds::planted(['motions.0.mechanism.mass_kg' => 1.6]);
        $ranking = DriveRanking::of($build, $build->motions['lid'], Stock::shipped());
        $counts = array_column($ranking['fails'], 'count');
        $sorted = $counts;
        rsort($sorted);
        expect($counts)->toBe($sorted)->and(array_sum($counts))->toBe($ranking['tried'] - $ranking['carries'])->and(array_column($ranking['fails'], 'says'))->not->toContain('fails otherwise');
    });

    it('hears a step for each doubling of speed over 60 rpm, and half a one for each stage', function () use ($list) {
        foreach (array_slice($list(Goal::Quietest), 0, 40) as $each) {
            $rpm = $each->figures->line->noLoad_rad_s() * 30 / M_PI;
            $should = $each->figures->drive->motor->noise() + max(0.0, log($rpm / 60, 2)) / 2 + count($each->extra->stages) / 2;
            expect($each->noise())->toBeAbout($should, 1e-9);
        }
    });
});

describe('a battery', function () {
    it('lasts hours under two days, and days from there on', function (float $capacity, string $says) {
        $build = Builds::planted(['supplies.1.capacity_Ah' => $capacity, 'settings.battery_days' => 0.1]);
        $sheet = BuildJudge::atOnce($build, null, Rehearsal::of($build));
        expect(json_encode($sheet, JSON_UNESCAPED_UNICODE))->toContain($says);
    })->with([[4.0, '46.8 hours'], [4.2, '2.05 days']]);
});
