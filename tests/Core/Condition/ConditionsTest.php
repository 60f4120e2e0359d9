<?php

declare(strict_types=1);

use Brookstone\Core\Build\Build;
use Brookstone\Core\Condition\AllOf;
use Brookstone\Core\Condition\AnyOf;
use Brookstone\Core\Condition\AtPlace;
use Brookstone\Core\Condition\Between;
use Brookstone\Core\Condition\ClockIs;
use Brookstone\Core\Condition\Condition;
use Brookstone\Core\Condition\Conditions;
use Brookstone\Core\Condition\CounterIs;
use Brookstone\Core\Condition\InputIs;
use Brookstone\Core\Condition\LevelIs;
use Brookstone\Core\Condition\Moving;
use Brookstone\Core\Condition\NotSo;
use Brookstone\Core\Condition\RoutineRuns;
use Brookstone\Core\Error\InvalidInput;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\Core\Condition\Told;
use Tests\Support\Builds;

it('lasts only without a break', function () {
    $told = new Told;
    $held = new InputIs('beam', true, 1.0);
    $at = function (float $now, bool $on) use ($told, $held): bool {
        [$told->now, $told->on['beam']] = [$now, $on];

        return $held->holds($told);
    };

    expect($at(0.0, true))->toBeFalse()->and($at(0.9, true))->toBeFalse()->and($at(1.0, true))->toBeTrue()
        ->and($at(1.1, false))->toBeFalse()->and($at(1.2, true))->toBeFalse()->and($at(2.1, true))->toBeFalse()->and($at(2.2, true))->toBeTrue();
});

it('lasts of what is off too, and at once where no time is asked', function () {
    $told = new Told;

    expect((new InputIs('beam', false))->holds($told))->toBeTrue()->and((new InputIs('beam', true))->holds($told))->toBeFalse();
    $quiet = new InputIs('beam', false, 0.5);
    expect($quiet->holds($told))->toBeFalse();
    $told->now = 0.5;
    expect($quiet->holds($told))->toBeTrue();
});

it('stays so until the reading has come back past the hysteresis', function (bool $above, array $readings, array $so) {
    $told = new Told;
    $level = new LevelIs('daylight', $above, 50.0, 8.0);
    $held = array_map(function (float $reading) use ($told, $level): bool {
        $told->levels['daylight'] = $reading;

        return $level->holds($told);
    }, $readings);

    expect($held)->toBe($so);
})->with([
    'rising' => [true, [49.9, 50.0, 45.0, 42.0, 41.9, 49.0, 51.0], [false, true, true, true, false, false, true]],
    'falling' => [false, [50.1, 50.0, 55.0, 58.0, 58.1, 51.0, 49.0], [false, true, true, true, false, false, true]],
]);

it('never blinks while a reading swings within its hysteresis', function (int $seed) {
    $random = new Randomizer(new Mt19937($seed));
    $told = new Told;
    $level = new LevelIs('daylight', true, 50.0, 10.0);
    $changes = 0;
    $was = null;
    for ($i = 0; $i < 300; $i++) {
        $told->levels['daylight'] = 45.5 + $random->getInt(0, 8000) / 1000; // from 45.5 to 53.5
        $is = $level->holds($told);
        $changes += $was !== null && $is !== $was ? 1 : 0;
        $was = $is;
    }

    expect($changes)->toBeLessThanOrEqual(1);
})->with(range(1, 6));

it('goes past midnight', function (string $from, string $to, string $now, bool $so) {
    $told = new Told;
    $told->clock_s = ClockIs::seconds($now);

    expect((new ClockIs($from, $to))->holds($told))->toBe($so);
})->with([
    ['08:00', '20:00', '08:00', true], ['08:00', '20:00', '20:00', false], ['08:00', '20:00', '07:59', false],
    ['20:00', '06:00', '23:59', true], ['20:00', '06:00', '00:00', true], ['20:00', '06:00', '06:00', false], ['20:00', '06:00', '12:00', false],
    ['12:00', '12:00', '12:00', false],
]);

it('lies always either in a span of the clock or in the rest of the day', function (string $from, string $to) {
    $told = new Told;
    for ($minute = 0; $minute < 1440; $minute += 7) {
        $told->clock_s = 60.0 * $minute;
        expect((new ClockIs($from, $to))->holds($told))->not->toBe((new ClockIs($to, $from))->holds($told));
    }
})->with([['08:00', '20:00'], ['22:30', '05:10'], ['00:00', '12:00']]);

it('asks counters, places, positions, moves and routines', function () {
    $told = new Told;
    [$told->counts['n'], $told->places['lid'], $told->positions['lift'], $told->moving, $told->running] = [3, 'open', 0.05, ['lift'], ['wake']];
    $so = fn (Condition $condition): bool => $condition->holds($told);

    expect($so(new CounterIs('n', 'at_least', 3)))->toBeTrue()->and($so(new CounterIs('n', 'at_least', 4)))->toBeFalse()
        ->and($so(new CounterIs('n', 'exactly', 3)))->toBeTrue()->and($so(new CounterIs('n', 'under', 3)))->toBeFalse()
        ->and($so(new AtPlace('lid', 'open')))->toBeTrue()->and($so(new AtPlace('lift', 'high')))->toBeFalse()
        ->and($so(new Between('lift', 0.05, 0.1)))->toBeTrue()->and($so(new Between('lift', 0.06, 0.1)))->toBeFalse()
        ->and($so(new Moving('lift')))->toBeTrue()->and($so(new Moving('lid')))->toBeFalse()
        ->and($so(new RoutineRuns('wake')))->toBeTrue()->and($so(new RoutineRuns('show')))->toBeFalse();
});

/** A random condition without memory, so deep at most. */
function anyCondition(Randomizer $random, int $depth): Condition
{
    $kind = $random->getInt(0, $depth > 0 ? 6 : 3);
    $list = fn (): array => array_map(fn (): Condition => anyCondition($random, $depth - 1), range(1, $random->getInt(1, 3)));

    return match ($kind) {
        0 => new InputIs(['beam', 'button'][$random->getInt(0, 1)], $random->getInt(0, 1) === 1),
        1 => new CounterIs('n', ['at_least', 'exactly', 'under'][$random->getInt(0, 2)], $random->getInt(0, 3)),
        2 => new AtPlace('lid', ['open', 'shut'][$random->getInt(0, 1)]),
        3 => new Moving(['lid', 'lift'][$random->getInt(0, 1)]),
        4 => new NotSo(anyCondition($random, $depth - 1)),
        5 => new AllOf($list()),
        default => new AnyOf($list()),
    };
}

function anySenses(Randomizer $random): Told
{
    $told = new Told;
    $told->on = ['beam' => $random->getInt(0, 1) === 1, 'button' => $random->getInt(0, 1) === 1];
    $told->counts = ['n' => $random->getInt(0, 3)];
    $told->places = ['lid' => [null, 'open', 'shut'][$random->getInt(0, 2)]];
    $told->moving = array_values(array_filter(['lid', 'lift'], fn (): bool => $random->getInt(0, 1) === 1));

    return $told;
}

it('follows the laws of and, or and not', function (int $seed) {
    $random = new Randomizer(new Mt19937($seed));
    for ($i = 0; $i < 40; $i++) {
        [$a, $b] = [anyCondition($random, 2), anyCondition($random, 2)];
        $told = anySenses($random);
        [$so, $other] = [$a->holds($told), $b->holds($told)];

        expect((new NotSo($a))->holds($told))->toBe(! $so)
            ->and((new AllOf([$a, $b]))->holds($told))->toBe($so && $other)
            ->and((new AnyOf([$a, $b]))->holds($told))->toBe($so || $other)
            ->and((new NotSo(new AllOf([$a, $b])))->holds($told))->toBe((new AnyOf([new NotSo($a), new NotSo($b)]))->holds($told));
    }
})->with(range(1, 8));

it('asks every part each time, whatever the first says: some of them remember', function () {
    $told = new Told;
    $lasting = new InputIs('beam', true, 1.0);
    foreach ([new AnyOf([new InputIs('button', true), $lasting]), new AllOf([new InputIs('button', false), $lasting])] as $both) {
        $told = new Told;
        $told->on = ['beam' => true, 'button' => $both instanceof AnyOf];
        $both->holds($told); // decided by the button alone
        [$told->now, $told->on['button']] = [1.0, false];
        expect($both->holds($told))->toBeTrue();
    }
});

it('names everything that it asks about, once', function () {
    $condition = new AnyOf([new NotSo(new AllOf([new Moving('lift'), new AtPlace('lid', 'open')])), new Between('lift', 0.0, 0.1), new InputIs('beam', true)]);

    expect(Conditions::motions($condition))->toBe(['lift', 'lid'])->and(Conditions::motions(null))->toBe([])
        ->and(array_map(fn (Condition $part): string => $part::class,
            array_values(array_filter(Conditions::all($condition), fn (Condition $part): bool => ! $part instanceof AnyOf && ! $part instanceof AllOf
            && ! $part instanceof NotSo))))
        ->toBe([Moving::class, AtPlace::class, Between::class, InputIs::class]);
});

it('says itself in words', function (array $written, string $words) {
    $build = Builds::planted(['counters' => [['id' => 'n', 'name' => 'Visits'], ['id' => 'm', 'name' => 'Night', 'kind' => 'mark']],
        'sensors.2' => ['id' => 'daylight', 'name' => 'Daylight', 'kind' => 'light'],
        'routines.1.steps' => [['do' => 'wait', 'until' => $written, 'give_up_s' => 9]]]);
    $step = iterator_to_array($build->routines['show']->flat())['steps.0'];

    expect($step->says($build)->text())->toBe("Wait until {$words}; give up after 9 s.");
})->with([
    [['sensor' => 'beam', 'is' => 'off', 'for_s' => 1.5], 'Beam is clear for 1.5 s'],
    [['test' => 'level', 'sensor' => 'daylight', 'is' => 'below', 'value' => 40], 'Daylight reads below 40'],
    [['test' => 'counter', 'counter' => 'n', 'value' => 2], 'Visits is at least 2'],
    [['test' => 'counter', 'counter' => 'm'], 'Night is set'],
    [['test' => 'place', 'motion' => 'lid', 'place' => 'open'], 'Lid is at Open'],
    [['test' => 'between', 'motion' => 'lift', 'from' => 0.08, 'to' => 0.02], 'Lift stands between 20 mm and 80 mm'],
    [['test' => 'clock', 'from' => '20:00', 'to' => '06:00'], 'it is between 20:00 and 06:00'],
    [['test' => 'not', 'that' => ['test' => 'moving', 'motion' => 'lift']], 'it is not so that Lift moves'],
]);

it('refuses what asks for nothing that there is, at its place', function (array $written, string $field) {
    $document = Builds::sound()->document;
    $document['routines'][1]['steps'] = [['do' => 'wait', 'until' => $written, 'give_up_s' => 9]];
    try {
        Build::read($document);
        $fields = [];
    } catch (InvalidInput $invalid) {
        $fields = array_column($invalid->errors, 'field');
    }

    expect($fields)->toContain("routines.1.steps.0.until{$field}");
})->with([
    [['sensor' => 'moon'], '.sensor'], [['test' => 'level', 'sensor' => 'beam', 'value' => 1], '.sensor'],
    [['test' => 'place', 'motion' => 'lid', 'place' => 'ajar'], '.place'],
    [['test' => 'counter', 'counter' => 'n'], '.counter'], [['test' => 'clock', 'from' => '24:00', 'to' => '06:00'], '.from'],
    [['test' => 'routine', 'routine' => 'moon'], '.routine'],
    [['test' => 'all', 'of' => [['sensor' => 'beam'], ['test' => 'any', 'of' => [['test' => 'not', 'that' => ['sensor' => 'moon']]]]]],
        '.of.1.of.0.that.sensor'],
    [['test' => 'all', 'of' => []], '.of'], [['test' => 'luck'], '.test'],
]);
