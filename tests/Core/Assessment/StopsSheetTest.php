<?php

declare(strict_types=1);

use Brookstone\Core\Assessment\Sheet\StopsSheet;
use Brookstone\Core\Assessment\Subject\MotionFigures;
use Brookstone\Core\Assessment\Subject\MotionInBuild;
use Brookstone\Core\Stops\RunOn;
use Tests\Support\Builds;

/** @param  array<string, mixed>  $planted */
function sheetOfStops(string $motion, array $planted = []): StopsSheet
{
    $build = Builds::planted($planted);

    return new StopsSheet(new MotionInBuild($build, $build->motions[$motion], new MotionFigures($build->motions[$motion])));
}

/** @return array<string, list<mixed>> what is offered of a switch, by what it says: what it would change, without whole routines */
function offeredAt(string $motion, int $switch, array $planted = []): array
{
    $offers = sheetOfStops($motion, $planted)->sheet()['switches'][$switch]['offers'];

    return array_combine(array_map(fn (array $offer): string => $offer['says']->text(), $offers),
        array_map(fn (array $offer): array => array_map(fn ($change): mixed => is_array($change->value) ? $change->path : $change->value, $offer['fix']->changes ?? []), $offers));
}

const BROKEN_WIRE = 'Wire it to open when it trips: a broken wire then stops the motion, where now it would drive on.';

it('has of each switch what it runs on at 85, 100 and 110 % of its supply, loaded and empty', function () {
    $build = Builds::planted(['motions.2.mechanism.payload_kg' => 0.3]);
    $motion = $build->motions['lift'];
    $drive = $motion->drive;
    $row = sheetOfStops('lift', ['motions.2.mechanism.payload_kg' => 0.3])->sheet()['switches'][1];
    $should = [];
    foreach ([0.85, 1.0, 1.1] as $share) {
        foreach ([$motion, $motion->withMechanism($motion->mechanism->unloaded())] as $each) {
            $fed = $each->withDrive($drive->but(['supply' => Builds::planted(['supplies.0.volts_V' => 12 * $share])->supplies['main']]));
            $should[] = RunOn::of($fed, $motion->stops->switches[1], $build->settings)?->distance;
        }
    }

    expect(array_column($row['rows'], 'distance'))->toEqualWithDelta($should, 1e-12)->and($row['worst'])->toBe(max($should))->and($row['left'])->toBeAbout(0.01 - max($should), 1e-9)
        ->and(array_column($row['rows'], 'supply'))->toBe(['low', 'low', 'rated', 'rated', 'high', 'high'])->and(array_column($row['rows'], 'load'))->toBe(['loaded', 'empty', 'loaded', 'empty', 'loaded', 'empty']);
});

it('offers what is enough for the room that there is, and says what each costs', function () {
    // 1.5° of room: two thirds of that at 60 % duty; 3.5°, a twentieth of its way, takes up 0.202 J with 2 · 0.202 J ÷ 0.0611; 1.5 × 1.988° before the stop
    expect(offeredAt('lid', 1, ['motions.0.stops.hard_high' => 71.5]))->toEqual([
        'At 60% duty throughout it runs on 0.996°, and every move takes 0.728 s longer.' => [0.6],
        'Slow only over the last 17.5°, in Show, it runs on the same and takes only about 0.182 s longer.' => ['routines.1.steps'],
        'A stop that gives 3.5°, of foam or a spring, takes up its 0.202 J with no more than 6.6 N·m, and no time is lost.' => [],
        BROKEN_WIRE => [true],
        'Move the switch to 68.5°: what is left to the hard stop is then enough, and it stops that much short of its place.' => [68.5179],
    ])
        // 0.4 mm of room; the lift is run up in Show, and not sent: where to slow it is for its owner to say
        ->and(offeredAt('lift', 1, ['motions.2.stops.hard_high' => 0.1004]))->toEqual([
            'At 30% duty throughout it runs on 0.184 mm, and every move takes 8.76 s longer.' => [0.3],
            'Slow only over the last 25 mm, by a step of its own in the routine, it runs on the same and takes only about 2.19 s longer.' => [],
            'A stop that gives 5 mm, of foam or a spring, takes up its 0.167 J with no more than 67 N, and no time is lost.' => [],
            BROKEN_WIRE => [true],
            'Move the switch to 99.1 mm: what is left to the hard stop is then enough, and it stops that much short of its place.' => [0.0991],
        ]);
});

it('brakes what coasts, at no cost, and offers nothing where steps or a servo end by themselves', function () {
    expect(array_key_first(offeredAt('lift', 0, ['motions.2.stops.brakes' => false])))->toBe('Brake instead of letting it coast: it runs on 0.817 mm, and takes no longer.')
        ->and(offeredAt('lift', 0, ['motions.2.drive.motor' => Builds::motor('P57-56')]))->toBe([])
        ->and(sheetOfStops('jaw')->sheet()['switches'])->toBe([]);
});

it('leaves alone a switch that is wired to open, and far enough from its stop', function () {
    expect(array_keys(offeredAt('lid', 1, ['motions.0.stops.hard_high' => 90.0, 'motions.0.stops.switches.1.closed' => true])))->toBe([
        'At 75% duty throughout it runs on 1.29°, and every move takes 0.344 s longer.', 'Slow only over the last 17.5°, in Show, it runs on the same and takes only about 0.0861 s longer.',
    ]);
});

it('knows how exactly a motion stops by the way in which it knows where it is', function (string $motion, array $planted, ?float $within, float $share) {
    expect(sheetOfStops($motion, $planted)->stopsWithin())->toBeAbout($within, $share);
})->with([
    // half of what the run-on differs by between 85 and 110 % of its supply: 1.988 − 1.492°
    'switches at both ends' => ['lid', [], 0.248, 2e-3],
    // half of 0.8° and 0.6° of play
    'a servo' => ['jaw', [], 1.0, 1e-9],
    // steps end where they are told: half of what its two switches differ by is nothing
    'a stepper between two switches' => ['lift', ['motions.2.drive.motor' => Builds::motor('P57-56')], 0.0, 1e-9],
    // a twelfth of a turn on a drum of 10 mm, and what its run-on differs by
    'an encoder, to a place without a switch' => ['lift', ['motions.2.stops.encoder_pulses' => 12, 'motions.2.places.2' => ['id' => 'm', 'name' => 'M', 'at' => 0.05]], 0.01 * M_PI / 6 + 0.000109087, 1e-5],
    'by time, from one switch' => ['lift', ['motions.2.stops.switches' => [['id' => 'lift-low', 'name' => 'Lift low switch', 'place' => 'low', 'at' => 0.0, 'end' => 'low']],
        'routines.1.steps' => [['do' => 'wait', 'for_s' => 1]]], 0.003595, 1e-3],
]);

it('drifts with every move that is timed, and not where something tells', function () {
    $ways = array_column(sheetOfStops('lift', ['motions.2.task.tolerance' => 0.001])->sheet()['ways'], null, 'way');

    // the bias fifty times and the spread √50 times, but never further than its range; as a whole
    expect($ways['by time, and a switch to home on']['after_many'])->toBeGreaterThan(7 * $ways['by time, and a switch to home on']['error'])->toBeLessThan(0.1)
        ->and($ways['by time, and a switch to home on']['within'])->toBeFalse()->and($ways['a switch at each end']['within'])->toBeTrue()
        ->and($ways['a switch at each end']['after_many'])->toBe($ways['a switch at each end']['error'])
        ->and(array_column(sheetOfStops('lift', ['motions.2.stops.brakes' => false])->sheet()['ways'], 'after_many', 'way')['by time, and a switch to home on'])->toBe(0.1)
        ->and(array_column(sheetOfStops('lift', ['motions.2.drive.motor' => Builds::motor('P57-56')])->sheet()['ways'], 'error', 'way')['by time, and a switch to home on'])->toBeNull();
});

it('offers foam that gives what is missing, a twentieth of the travel at least, and says how hard that is pressed', function (float $hard_high, string $gives, string $push) {
    $offers = array_keys(offeredAt('lift', 1, ['motions.2.stops.brakes' => false, 'motions.2.mechanism.mass_kg' => 0.05, 'motions.2.stops.hard_high' => $hard_high]));

    // coasting it runs on 5.62 mm on 110 % of its supply; 0.174 J over so much way, twice that at its end
    expect($offers)->toContain("A stop that gives {$gives}, of foam or a spring, takes up its 0.174 J with no more than {$push}, and no time is lost.");
})->with([[0.104, '5 mm', '69.5 N'], [0.102, '5 mm', '69.5 N'], [0.1001, '5.52 mm', '63 N']]);
