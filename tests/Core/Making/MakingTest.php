<?php

declare(strict_types=1);

use Brookstone\Core\Assessment\BuildJudge;
use Brookstone\Core\Build\Build;
use Brookstone\Core\Build\Editor;
use Brookstone\Core\Error\InvalidInput;
use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Making\BenchReport;
use Brookstone\Core\Making\BenchTests;
use Brookstone\Core\Making\Bill;
use Brookstone\Core\Making\Item;
use Brookstone\Core\Making\PartsList;
use Brookstone\Core\Making\PlanReport;
use Tests\Support\Builds;

/** @param  array<string, mixed>  $changes  by path */
function making(array $changes, ?Build $build = null): Build
{
    return Editor::apply($build ?? Builds::sound(), array_map(fn (string $path, mixed $value): array => ['path' => $path, 'value' => $value], array_keys($changes), $changes));
}

/** @return array<string, string> count, name and for what of each item */
function billed(Build $build, string $group): array
{
    return array_map(fn (Item $item): string => "{$item->count} {$item->name->text()} | ".implode(', ', $item->for),
        array_filter(Bill::of($build), fn (Item $item): bool => $item->group === $group));
}

/** @return array<string, array<string, mixed>> tasks of the plan, by id */
function planned(Build $build): array
{
    return array_column((new PlanReport($build))->written()['tasks'], null, 'id');
}

/** @return list<string> */
function refusedAt(callable $what): array
{
    try {
        $what();
    } catch (InvalidInput $invalid) {
        return array_column($invalid->errors, 'field');
    }

    return [];
}

it('lists drives, each kind once, with what fixes them and what breaks first', function () {
    $build = Builds::sound();
    $bill = Bill::of($build);

    expect(billed($build, 'drives'))->toBe(['drives/W40-400' => '1 gear motor W40-400: 170 g | Lid', 'drives/S20 nylon' => '1 servo S20 nylon: 38 g | Jaw',
        'drives/G25-227' => '1 gear motor G25-227: 98 g | Lift'])
        ->and($bill['drives/S20 nylon']->spares)->toBe(1)->and($bill['drives/S20 nylon']->why)->toBe('its nylon gears strip first')
        ->and($bill['drives/W40-400']->spares)->toBe(0)
        ->and($bill['screws/M2 × 8']->count)->toBe(4.0)->and($bill['screws/M3 × 8']->count)->toBe(4.0); // a servo has four, each of two motors two
});

it('counts a motor that two motions share once, and equal motors each', function () {
    $tram = Builds::demo('quarry-tram');
    $shared = array_filter($tram->motions, fn ($motion): bool => $motion->drive?->shares !== null);
    $two = making(['motions.0.drive.motors' => 2]);

    expect(count(billed($tram, 'drives')))->toBe(count($tram->motions) - count($shared))
        ->and(Bill::of($two)['drives/W40-400']->count)->toBe(2.0);
});

it('lists the wheels, shafts, bearings and belts of a train', function () {
    $build = making(['motions.2.train' => [['type' => 'spur', 'driver' => 12, 'driven' => 36, 'module_mm' => 1, 'face_mm' => 6, 'material' => 'acetal'],
        ['type' => 'belt', 'driver' => 20, 'driven' => 20, 'module_mm' => 0.8, 'face_mm' => 6, 'material' => 'brass']]]);
    $train = billed($build, 'train');

    expect($train['train/spur gear 12 1 6 acetal'])->toBe('1 spur gear of 12 teeth, module 1 mm, 6 mm wide, acetal | Lift')
        ->and($train['train/pulley 20 0.8 6 brass'])->toStartWith('2 pulley of 20 teeth, pitch 2.51 mm, 6 mm wide, brass')
        ->and($train['train/shaft 3 any'])->toStartWith('2 shaft of 3 mm, as long as its wheels need')->and($train['train/bearing 3'])->toStartWith('4 bearing')
        ->and($train['train/belt 0.8 lift1'])->toBe('1 belt, as long as its wheels stand apart | Lift')
        ->and(Bill::of($build)['train/spur gear 12 1 6 acetal']->spares)->toBe(1)->and(Bill::of($build)['train/pulley 20 0.8 6 brass']->spares)->toBe(0);
});

it('says how much cord the winding and its knots take', function () {
    // the lift goes 0.2 m on a drum of 10 mm: wound 0.2, three turns that stay 0.188, from drum to load 1, two knots 0.3: 1.69 m, taken for 1.7
    $lift = Builds::sound()->motions['lift'];
    [$low, $high] = $lift->range();
    $hoist = $lift->thing();
    $length = ($high - $low) + 3 * 2 * M_PI * $hoist->drum_radius_m + max($hoist->lift_m, $high) + 0.3;

    expect(array_values(array_filter(Bill::of(Builds::sound()), fn (Item $item): bool => str_starts_with($item->id, 'winding/cord')))[0]->count)
        ->toBeAbout(ceil(10 * $length) / 10);
});

it('lists wire by colour and cross-section with its length, and boards with their price', function () {
    $harbour = Builds::demo('heron-wharf');
    $wiring = billed($harbour, 'wiring');
    $red = array_sum(array_map(fn (Item $item): float => str_contains($item->id, ' red') ? $item->count : 0.0, Bill::of($harbour)));

    expect(array_filter(array_keys($wiring), fn (string $id): bool => str_contains($id, 'wire of')))->toBe([])
        ->and($red)->toBeGreaterThan(1.0)->and($wiring)->toHaveKey('wiring/controller K34')
        ->and(Bill::of($harbour)['screws/M2.5 × 8']->count)->toBe(4.0 * count($harbour->wiring->boards));
});

it('knows what lies in the drawer, where to get the rest, for how much', function () {
    $build = making(['making.parts' => [['id' => 'drives/W40-400', 'have' => true, 'price' => 9], ['id' => 'drives/S20 nylon', 'place' => 'shop in town',
        'price' => 12.5, 'days' => 21], ['id' => 'no/longer needed', 'have' => true]], 'making.own_parts' => [['id' => 'varnish', 'name' => 'Varnish, matt',
            'count' => 2, 'price' => 4]]]);
    $report = PartsList::of($build)->written();
    $lines = array_column($report['lines'], null, 'id');
    $kinds = count($report['lines']);
    $bare = PartsList::of(making(['making.parts' => array_map(fn (string $id): array => ['id' => $id, 'have' => true], array_keys(Bill::of(Builds::sound())))]));

    expect($report['cost'])->toBeAbout(12.5 + 8)->and($report['cost_all'])->toBeAbout(9 + 12.5 + 8)->and($report['to_get'])->toBe($kinds - 1)
        ->and($report['says']->text())->toBe(($kinds - 1)." of {$kinds} kinds are still to get. Those with a price cost 20.5; ".($kinds - 3).' have none yet.')
        ->and($lines['drives/S20 nylon']['why'])->toBe('its nylon gears strip first')->and($lines['own/varnish']['count'])->toBe(2.0)
        ->and($bare->written()['says']->text())->toBe('Everything is there.')
        ->and(PartsList::of(Build::read(['format' => 'brookstone-build', 'version' => 1, 'name' => 'Empty']))->written()['says']->text())->toStartWith('Nothing is needed yet');
});

it('advises a spare of what takes long to come', function (float $days, int $spares) {
    $build = making(['making.parts' => [['id' => 'drives/W40-400', 'days' => $days]]]);

    expect(array_column(PartsList::of($build)->written()['lines'], 'spares', 'id')['drives/W40-400'])->toBe($spares);
})->with([[13.0, 0], [14.0, 1]]);

it('writes its parts as a table that reads back', function () {
    $build = making(['making.own_parts' => [['id' => 'p', 'name' => 'Plate, "old"', 'count' => 1]]]);
    $rows = array_map(fn (string $line): array => str_getcsv($line, escape: ''), explode("\n", trim(PartsList::of($build)->csv())));

    expect($rows[0][1])->toBe('part')->and(array_unique(array_map(count(...), $rows)))->toBe([count($rows[0])])
        ->and($rows[count($rows) - 1][1])->toBe('Plate, "old"')->and(count($rows) - 1)->toBe(count(PartsList::of($build)->lines));
});

it('plans from parts to paint, each motion in its order', function () {
    $tasks = planned(making(['motions.2.train' => [['type' => 'spur', 'driver' => 12, 'driven' => 36]]]));
    $before = fn (string $a, string $b): bool => $tasks[$a]['ends'] <= $tasks[$b]['begins'] + 1e-9;

    expect($before('bare/lift', 'drive/lift'))->toBeTrue()->and($before('drive/lift', 'train/lift'))->toBeTrue()->and($before('train/lift', 'stops/lift'))->toBeTrue()
        ->and($before('get/drives', 'drive/jaw'))->toBeTrue()->and($before('stops/lid', 'program'))->toBeTrue()->and($before('program', 'test/routine'))->toBeTrue()
        ->and($before('test/hand', 'test/direction'))->toBeTrue()->and($before('test/night', 'cover'))->toBeTrue()->and($tasks)->not->toHaveKey('train/lid')
        ->and($tasks['stops/lid']['says']->text())->toBe('Set the stops of Lid and its 2 switches');
});

it('says when it can first run and when all is done, and what decides', function () {
    $report = (new PlanReport(making(['making.begins_on' => '2026-06-01'])))->written();
    $open = count($report['tasks']);
    $runs = max(array_map(fn (array $task): string => $task['stage'] === 'routine' ? $task['ends_on'] : '', $report['tasks']));

    expect($report['says']->text())->toMatch("/^It can first run on {$runs}\\. {$open} of {$open} tasks are open, [\\d.]+ hours of work: done on {$report['ends_on']}\\.$/")
        ->and($report['remarks'][0]->text())->toMatch('/^This decides when all is done: get .*, which takes 7 days\. Meanwhile \d+ tasks go on, [\d.]+ hours of work\.$/');
});

it('goes on from today where its first day has passed', function (?string $today, string $first) {
    $report = (new PlanReport(making(['making.begins_on' => '2026-06-01']), $today))->written();

    expect([$report['begins_on'], $report['from_on']])->toBe(['2026-06-01', $first])->and(min(array_column($report['tasks'], 'begins_on')))->toBe($first);
})->with([['2026-05-20', '2026-06-01'], ['2026-06-01', '2026-06-01'], ['2026-07-04', '2026-07-04'], [null, '2026-06-01']]);

it('warns of the work that it plans', function () {
    $codes = fn (Build $build): array => array_column((new PlanReport($build))->written()['cautions'], 'code');
    $bare = Build::read(['format' => 'brookstone-build', 'version' => 1, 'name' => 'Empty']);

    expect($codes(Builds::demo('heron-wharf')))->toBe(['printing', 'sawing', 'soldering'])->and($codes($bare))->toBe([])->and($codes(Builds::sound()))->not->toContain('sawing');
});

it('survives a late parcel: all that hangs on it is later, the rest goes on', function () {
    $on = ['making.begins_on' => '2026-06-01'];
    $early = planned(making($on));
    $late = planned(making($on + ['making.parts' => [['id' => 'drives/W40-400', 'comes_on' => '2026-07-10']]]));

    expect($late['get/drives/W40-400']['ends_on'])->toBe('2026-07-09')->and($late['drive/lid']['begins_on'])->toBe('2026-07-10')
        ->and($late['drive/jaw']['begins'])->toBeLessThan(20.0)->and($late['drive/lid']['begins'])->toBeGreaterThan($early['drive/lid']['begins'] + 20)
        ->and($late['get/drives/W40-400']['critical'])->toBeTrue();
});

it('takes a stand-in for trials, and says what carries over', function () {
    $late = ['making.parts' => [['id' => 'drives/W40-400', 'days' => 60]]];
    $waits = planned(making($late));
    $report = (new PlanReport(making($late + ['making.changed' => [['id' => 'get/drives/W40-400', 'stand_in' => 'an old motor']]])))->written();
    $tasks = array_column($report['tasks'], null, 'id');
    $says = implode("\n", array_map(fn ($each): string => $each->text(), $report['remarks']));

    expect($waits['drive/lid']['begins'])->toBeGreaterThan(59.0)->and($tasks['drive/lid']['begins'])->toBeLessThan(30.0)
        ->and($tasks['test/direction']['begins'])->toBeLessThan(40.0)->and($tasks['test/current']['begins'])->toBeGreaterThan(59.0)
        ->and($tasks['swap/get/drives/W40-400']['says']->text())->toBe('Put in, instead of an old motor, what was waited for: gear motor W40-400: 170 g')
        ->and($says)->toContain('With an old motor in its place, this carries over: how it is fixed, the direction, wiring, switches and program. This does not: times, '
            .'currents, run-on, heat.');
});

it('takes its own word for a task, and a task of its own', function () {
    $tasks = planned(making(['making.changed' => [['id' => 'bare/lid', 'hours' => 5, 'late_days' => 3]], 'making.done' => [['id' => 'get/drives', 'on' => '2026-05-01']],
        'making.tasks' => [['id' => 'resin', 'name' => 'Cast the water', 'hours' => 2, 'waits_days' => 2, 'needs' => ['bare/lift'], 'before' => ['cover']]]]));

    expect($tasks['bare/lid']['hours'])->toBe(5.0)->and($tasks['bare/lid']['late_days'])->toBe(3.0)->and($tasks['bare/lid']['ends'])
        ->toBeAbout($tasks['bare/lid']['worked'] + 3.0)->and($tasks['get/drives']['done'])->toBeTrue()->and($tasks['get/drives']['begins'])->toBeNull()
        ->and($tasks['resin']['begins'])->toBeGreaterThanOrEqual($tasks['bare/lift']['ends'])->and($tasks['cover']['begins'])->toBeGreaterThanOrEqual($tasks['resin']['ends'])
        ->and($tasks['cover']['needs'])->toContain('resin');
});

it('is done where its parts are there and its tests came out', function () {
    $build = making(['making.parts' => array_map(fn (string $id): array => ['id' => $id, 'have' => true], array_keys(Bill::of(Builds::sound()))),
        'making.tests' => array_map(fn (string $motion): array => ['id' => "hand.{$motion}", 'on' => '2026-05-30'], ['lid', 'jaw', 'lift'])]);
    $tasks = planned($build);
    $one = planned(making(['making.tests' => [['id' => 'hand.lid', 'on' => '2026-05-30'], ['id' => 'hand.jaw', 'on' => '2026-05-30', 'good' => false],
        ['id' => 'hand.lift', 'on' => '2026-05-30']]]));

    expect($tasks['get/drives']['done'])->toBeTrue()->and($tasks['test/hand']['done'])->toBeTrue()->and($one['test/hand']['done'])->toBeFalse();
});

it('refuses a task that needs itself, and two of one name', function (array $tasks, string $field) {
    expect(refusedAt(fn () => making(['making.tasks' => $tasks])))->toBe([$field]);
})->with([
    [[['id' => 'a', 'name' => 'A', 'needs' => ['a']]], 'making.tasks.0.needs'],
    [[['id' => 'a', 'name' => 'A', 'needs' => ['b']], ['id' => 'b', 'name' => 'B', 'needs' => ['a']]], 'making.tasks.0.needs'],
    [[['id' => 'a', 'name' => 'A', 'before' => ['a']]], 'making.tasks.0.before'],
    [[['id' => 'a', 'name' => 'A', 'needs' => ['b']], ['id' => 'b', 'name' => 'B', 'needs' => ['c']], ['id' => 'c', 'name' => 'C', 'before' => ['x', 'b'], 'needs' => ['a']]],
        'making.tasks.0.needs'],
    [[['id' => 'a', 'name' => 'A'], ['id' => 'a', 'name' => 'A']], 'making.tasks.1.id'],
]);

it('leaves out what a task of its own would turn into a circle, and says so', function () {
    $report = (new PlanReport(making(['making.tasks' => [['id' => 'a', 'name' => 'Paint the lid', 'needs' => ['cover'], 'before' => ['bare/lid']]]])))->written();
    $says = implode("\n", array_map(fn ($each): string => $each->text(), $report['remarks']));

    expect($says)->toContain('A need is left out, for it would go round in a circle: ')->and(count($report['tasks']))->toBeGreaterThan(10);
});

it('refuses nonsense at its field', function (array $changes, string $field) {
    expect(refusedAt(fn () => making($changes)))->toBe([$field]);
})->with([
    [['making.begins_on' => '0000-01-01'], 'making.begins_on'],
    [['making.begins_on' => '2026-02-30'], 'making.begins_on'],
    [['making.hours_a_day' => 0], 'making.hours_a_day'],
    [['making.hours_a_day' => 25], 'making.hours_a_day'],
    [['making.rests_on' => ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun']], 'making.rests_on'],
    [['making.parts' => [['id' => 'x', 'price' => -1]]], 'making.parts.0.price'],
    [['making.changed' => [['id' => 'x', 'hours' => -1]]], 'making.changed.0.hours'],
    [['making.tests' => [['id' => 'x', 'on' => 'soon']]], 'making.tests.0.on'],
    [['endurance' => [['id' => 'a', 'motion' => 'lid', 'target' => 0]]], 'endurance.0.target'],
    [['endurance' => [['id' => 'a', 'motion' => 'lid', 'target' => 10, 'marks' => [['id' => 'm', 'on' => '2026-05-01', 'at' => -1]]]]], 'endurance.0.marks.0.at'],
    [['upkeep.since' => '0000-01-01'], 'upkeep.since'],
    [['upkeep.watch' => ['every_h' => 0]], 'upkeep.watch.every_h'],
]);

it('tests in the order in which a fault costs least, with what is computed', function () {
    $tests = BenchTests::of(Builds::sound());
    $kinds = array_values(array_unique(array_column($tests, 'kind')));
    $of = array_column($tests, null, 'id');

    expect($kinds)->toBe(array_keys(BenchTests::KINDS))->and(array_unique(array_column($tests, 'id')))->toHaveCount(count($tests))
        ->and($of['hand.lid']['expects']->text())->toBe('It goes from 0° to 70°, and nowhere harder than elsewhere.')
        ->and($of['direction.lid']['expects']->text())->toBe('On 6 V it moves towards Open, and not away from it.')
        ->and($of['direction.jaw']['does']->text())->toContain('its horn not yet on')
        ->and($of['loaded.lid']['expects']->text())->toMatch('/^0\.9\d+ s there, 0\.8\d+ s back\.$/')->and($of['loaded.lid']['stops']->text())->toMatch('/^Stop it after 1\.9\d s,/')
        ->and($of['current.lid']['expects']->text())->toMatch('/^At the start up to [\d.]+ A, on the way [\d.]+ A on the average\.$/')
        ->and($of['stops.lid-open']['expects']->text())->toMatch('/^It stops and comes to rest [\d.]+° past it\.$/')
        ->and($of['stops.lid-open']['stops']->text())->toBe('Stop it where it comes nearer to its hard stop, 5° on.');
});

it('does not send to the bench what cannot work', function () {
    $of = array_column(BenchTests::of(making(['motions.0.mechanism.mass_kg' => 9, 'motions.0.stops.hard_high' => 70.1])), null, 'id');

    expect($of['loaded.lid']['expects']->text())->toBe('As it is said, it never gets there: the judgement says why.')
        ->and($of['loaded.lid']['stops']->text())->toBe('Do not run it before that is mended.');
});

it('names the next test, and the one that did not come out, at the bench and in the chain', function () {
    $next = BenchReport::of(making(['making.tests' => [['id' => 'hand.lid', 'on' => '2026-05-30']]]));
    $bad = making(['making.tests' => [['id' => 'hand.lid', 'on' => '2026-05-30'], ['id' => 'direction.lid', 'on' => '2026-05-30', 'good' => false, 'note' => 'It went down']]]);
    $proof = fn (Build $build): array => array_values(array_map(fn (Finding $finding): string => "{$finding->severity->value} {$finding->says->text()}",
        array_filter(BuildJudge::atOnce($build)->chain('lid')->links[7]->findings, fn (Finding $finding): bool => $finding->code === 'proof.test')));

    expect($next['says']->text())->toStartWith('1 of ')->toContain('Next: move Jaw by hand')
        ->and(BenchReport::of($bad)['says']->text())->toContain('Did not come out: turn the drive of Lid on for an instant')
        ->and($proof($bad))->toBe(['tight A bench test did not come out on 2026-05-30: It went down.'])->and($proof(Builds::sound()))->toBe([]);
});

it('counts an endurance run and says plainly what it tells', function (array $marks, string $says, ?int $oil, string $severity) {
    $build = making(['endurance' => [['id' => 'a', 'motion' => 'lid', 'target' => 1000, 'oil_every' => 300,
        'marks' => array_map(fn (array $mark, int $i): array => $mark + ['id' => "m{$i}", 'on' => '2026-05-30'], $marks, array_keys($marks))]]]);
    [$run] = BenchReport::of($build)['runs'];
    $findings = array_values(array_filter(BuildJudge::atOnce($build)->chain('lid')->links[7]->findings, fn (Finding $finding): bool => $finding->code === 'proof.endurance'));

    expect($run['says']->text())->toBe($says)->and($run['oil_at'])->toBe($oil)->and($findings[0]->severity->value ?? '')->toBe($severity);
})->with([
    [[], 'Not begun yet.', 300, ''],
    [[['at' => 200]], '0 failures in 200: with 95% it fails in no more than 1.49% of its runs.', 300, 'note'],
    [[['at' => 120, 'failed' => true], ['at' => 310]], '1 failure in 310: with 95% it fails in no more than 1.52% of its runs.', 600, 'tight'],
    [[['at' => 400, 'failed' => true], ['at' => 500]], '1 failure in 500: with 95% it fails in no more than 0.945% of its runs.', 600, 'note'],
    [[['at' => 950]], '0 failures in 950: with 95% it fails in no more than 0.315% of its runs.', null, 'note'],
]);
