<?php

declare(strict_types=1);

use Brookstone\Core\Assessment\Subject\MotionFigures;
use Brookstone\Core\Assessment\Subject\MotionInBuild;
use Brookstone\Core\Assessment\Wiring\Assembly;
use Brookstone\Core\Assessment\Wiring\BatteryCurve;
use Brookstone\Core\Assessment\Wiring\DayTable;
use Brookstone\Core\Assessment\Wiring\Shopping;
use Brookstone\Core\Assessment\Wiring\WiringCost;
use Brookstone\Core\Assessment\Wiring\WiringPlanner;
use Brookstone\Core\Assessment\Wiring\WiringReport;
use Brookstone\Core\Build\Build;
use Brookstone\Core\Build\Editor;
use Brookstone\Core\Drive\DcMotor;
use Brookstone\Core\Drive\Drawer;
use Brookstone\Core\Error\InvalidInput;
use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Parts\Motion;
use Brookstone\Core\Rehearsal\Day;
use Brookstone\Core\Rehearsal\Rehearsal;
use Brookstone\Core\Wiring\BoardStock;
use Brookstone\Core\Wiring\PreferredNumber;
use Tests\Support\Builds;

/** @return array<string, MotionInBuild> */
function subjectsOf(Build $build): array
{
    return array_map(fn (Motion $motion): MotionInBuild => new MotionInBuild($build, $motion, new MotionFigures($motion)), $build->motions);
}

function dayTableOf(Build $build, string $supply, bool $rehearsed = true): DayTable
{
    return new DayTable($build, $build->supplies[$supply], subjectsOf($build), $rehearsed ? Day::of($build, Rehearsal::of($build)) : null);
}

it('adds up the day of a battery: what moves, the controller awake or asleep, converters, and what it loses by itself', function () {
    $build = Builds::planted(array_replace(Builds::wired(), ['supplies.0.capacity_Ah' => 6.0, 'supplies.0.self_discharge_per_month' => 0.05,
        'supplies.2' => ['id' => 'rail', 'name' => 'Rail', 'volts_V' => 5, 'max_A' => 1, 'from' => 'main', 'idle_A' => 0.002]]));
    $table = dayTableOf($build, 'main');
    $takes = array_column($table->takes, 'charge_Ah', 'of');
    $busy = 1 - $takes['controller'] / (0.02 * 24);

    expect($busy)->toBeGreaterThan(0.005)->toBeLessThan(0.02) // a hundred shows of nine seconds
        ->and($takes['supplies.rail'])->toBeAbout(0.048, 1e-9)->and($takes['itself'])->toBeAbout(6 * 0.05 / 30, 1e-9)
        ->and($takes['boards.bridge-1'] ?? 0.0)->toBe(0.0)->and($table->takes[0]['of'])->toBe('controller')
        ->and($table->day_Ah)->toBeAbout(array_sum($takes), 1e-12)->and($table->lasts_days)->toBeAbout(6.0 / $table->day_Ah, 1e-9);

    $asleep = array_column(dayTableOf(Editor::apply($build, [['path' => 'wiring.sleeps', 'value' => true]]), 'main')->takes, 'charge_Ah', 'of');
    expect($asleep['controller'])->toBeAbout(3e-5 * 24 * (1 - $busy), 1e-6)->and(dayTableOf(Builds::sound(), 'main')->lasts_days)->toBeNull();
});

it('takes of a battery what hangs on its rails, by the power of their converters', function () {
    $build = Builds::planted(array_replace(Builds::wired(), ['supplies.0.capacity_Ah' => 6.0, 'wiring.boards.0.supply' => 'rail',
        'supplies.2' => ['id' => 'rail', 'name' => 'Rail', 'volts_V' => 6, 'max_A' => 1, 'from' => 'main', 'efficiency' => 0.8]]));
    $takes = array_column(dayTableOf($build, 'main', false)->takes, 'charge_Ah', 'of');
    expect($takes['controller'])->toBeAbout(0.02 * 24 * 6 / 12 / 0.8, 1e-9)->and(dayTableOf($build, 'servos', false)->takes)->toBe([]);
});

it('runs Star Dial for a month awake, and as long as is asked for asleep', function () {
    $demo = Builds::demo('star-dial');
    $asleep = Editor::apply($demo, [['path' => 'wiring.sleeps', 'value' => true]]);
    $says = array_map(fn (Finding $finding): string => $finding->says->text(), Builds::found($demo, 'wiring.battery_days'));

    expect($says)->toHaveCount(1)->and($says[0])->toStartWith('Battery pack with 8 Ah lasts 33')->toContain('548 days are asked for: Controller 1 awake takes')
        ->and(dayTableOf($asleep, 'pack')->lasts_days)->toBeGreaterThan(548.0)
        ->and(Builds::found($asleep, 'wiring.battery_days'))->toBe([]);
});

it('puts it together flat parts first and power last, each step under a name of its own', function () {
    $build = Builds::planted(array_replace(Builds::wired(), ['sensors.0.pulled' => true, 'sensors.1.signal_V' => 12.0, 'sensors.1.divided' => true, 'supplies.0.capacitor_uF' => 470.0,
        'wiring.done' => ['polarity']]));
    $steps = Assembly::of($build);
    $says = array_map(fn (array $step): string => $step['says']->text(), array_column($steps, null, 'id'));
    $stages = array_values(array_unique(array_column($steps, 'stage')));

    expect($stages)->toBe(['Resistors', 'Capacitors', 'Boards', 'Wires', 'Checks', 'First power', 'Motors, one at a time', 'Sensors'])
        ->and(array_unique(array_column($steps, 'id')))->toHaveCount(count($steps))
        ->and($says['pulls.button'])->toBe('Solder 10 kΩ from the signal of Button to 5 V: brown, black, orange and gold, either way round.')
        ->and(array_column($steps, 'bands', 'id')['divides.beam.lower'])->toBe(PreferredNumber::bands(4700.0, 5)) // 5 V at 1 mA, rounded down
        ->and($says['capacitor.main'])->toBe('Solder 470 µF across Main: its stripe to ground, its long leg to the supply.')
        ->and($says['first.main'])->toContain('through a limit of 0.1 A: 12 V at its clamps')
        ->and($says['turn.lift'])->toStartWith('Plug Lift in and move it a little forwards: it must go ')
        ->and(array_intersect_key(array_column($steps, 'picture', 'id'), array_flip(['capacitor.main', 'pulls.button', 'place.bridge-1', 'short.main', 'quiet.beam'])))
        ->toEqual(['capacitor.main' => 'striped', 'pulls.button' => null, 'place.bridge-1' => 'board', 'short.main' => 'meter', 'quiet.beam' => 'flat'])
        ->and(array_column($steps, 'done', 'id')['polarity'])->toBeTrue()->and(array_sum(array_column($steps, 'done')))->toBe(1)
        ->and(array_merge(...array_column($steps, 'wires')))->toEqualCanonicalizing(array_column($build->wiring->joins, 'number'))
        ->and(Assembly::of(Builds::sound()))->toBe([]);
});

it('puts together what a piezo, a wheel and an echo ask for', function () {
    $build = Builds::planted(array_replace(Builds::wired(['sensors.2' => ['id' => 'tap', 'name' => 'Tap', 'kind' => 'knock', 'filtered' => true],
        'sensors.3' => ['id' => 'wheel', 'name' => 'Wheel', 'kind' => 'wheel'], 'sensors.4' => ['id' => 'echo', 'name' => 'Echo', 'kind' => 'sonar', 'divided' => true]]),
        ['wiring.boards.0.board.logic_V' => 3.3]));
    $says = array_map(fn (array $step): string => $step['says']->text(), array_column(Assembly::of($build), null, 'id'));
    expect($says['bleeds.tap'])->toBe('Solder 1 MΩ across Tap: brown, black, green and gold, either way round.')
        ->and($says['clamp.tap'])->toBe('Solder a clamp diode of 3.3 V from the pin of Tap to ground: its stripe to the pin.')
        ->and($says['filters.tap'])->toStartWith('Solder 10 kΩ between Tap and its pin')->and($says['filter.tap'])->toStartWith('Solder 100 nF from the pin of Tap to ground')
        ->and($says['quiet.wheel'])->toStartWith('Solder 100 nF across the supply of Wheel')
        ->and($says)->toHaveKeys(['divides.echo.upper', 'divides.echo.lower'])->not->toHaveKey('filters.wheel')->not->toHaveKey('bleeds.wheel');
});

it('counts sensors, and what is left on, in the day of a battery; not what goes off by itself', function () {
    $build = fn (array $more): Build => Builds::planted(array_replace(Builds::wired(), ['supplies.0.capacity_Ah' => 6.0], $more));
    $takes = fn (array $more): array => array_column(dayTableOf($build($more), 'main')->takes, 'charge_Ah', 'of');
    expect($takes([])['sensors.beam'])->toBeAbout(0.02 * 24, 0.02)->and($takes([])['sensors.button'] ?? 0.0)->toBe(0.0)
        ->and($takes(['sensors.1.current_A' => 0.005])['sensors.beam'])->toBeAbout($takes([])['sensors.beam'] / 4, 1e-9)
        ->and($takes([])['rest'] ?? 0.0)->toBeLessThan(0.01)
        ->and($takes(['routines.1.steps.8.for_s' => null])['rest'])->toBeAbout(0.02 * 24, 0.02);
});

it('wires a build from nothing, then only what is new, and all anew but for what is fixed', function () {
    $sound = Builds::sound();
    $stock = BoardStock::shipped();
    $first = WiringPlanner::plan($sound, subjectsOf($sound), $stock, false)['fix'];
    assert($first !== null);
    $wired = Builds::mended($sound, $first);
    expect($first->does->text())->toBe('Wire it, with 1 controller K20 and 1 bridge board H2 small')
        ->and(WiringPlanner::plan($wired, subjectsOf($wired), $stock, false))->toBe(['fix' => null, 'short' => []])
        ->and(WiringPlanner::plan($wired, subjectsOf($wired), $stock, true)['fix'])->toBeNull(); // anew it would be the same

    $i = array_search('sensors.button', array_column($wired->document['wiring']['wires'], 'signal'), true);
    $fixed = Editor::apply($wired, [['path' => "wiring.wires.{$i}.pin", 'value' => 'p1'], ['path' => "wiring.wires.{$i}.fixed", 'value' => true]]);
    $anew = WiringPlanner::plan($fixed, subjectsOf($fixed), $stock, true)['fix'];
    assert($anew !== null);
    $again = Builds::mended($fixed, $anew);
    expect($anew->does->text())->toBe('Wire everything anew, with 1 bridge board H2 small')->and($again->wiring->bySignal['sensors.button']->pin)->toBe('p1')
        ->and(array_unique(array_map(fn (Finding $finding): string => $finding->code, Builds::assessed($again)->wiring['findings'])))->toBe(['wiring.no_fuse']);
});

it('says what a kind of drive takes of boards more than the rest needs anyway', function () {
    $wired = Builds::planted(Builds::wired());
    $supply = $wired->supplies['main'];
    $drives = ['dc_motor' => [Drawer::get('G25-60'), $supply], 'stepper' => [Drawer::get('P42-48'), $supply], 'servo' => [Drawer::get('S20 metal'), $wired->supplies['servos']],
        'huge' => [new DcMotor(12.0, 100.0, 0.5, 10.0, 40.0), $supply]];
    $says = fn (Build $build, string $motion): array => array_map(fn (array $cost): string => $cost['says']->text(),
        WiringCost::ofKinds($build, $build->motions[$motion], $drives, BoardStock::shipped()));

    // The lift has a channel of the bridge already.
    expect($says($wired, 'lift'))->toBe(['no board more', '1 stepper driver D1 large more', 'no board more', 'No board in the drawer bears Lift motor: 40 A at 12 V, its speed set.']);
    // The jaw had a servo: with a motor it needs a channel that is not there.
    expect($says($wired, 'jaw'))->toBe(['1 bridge board H2 small more', '1 stepper driver D1 large more', 'no board more', 'No board in the drawer bears Jaw motor: 40 A at 12 V.']);
    $none = Editor::apply($wired, [['path' => 'motions.2.drive', 'value' => null]]);
    expect($says($none, 'lift'))->toBe($says($wired, 'lift'));
});

it('tells of each supply what it feeds, and of a charged battery how long it lasts through a cut', function () {
    $build = Builds::planted(array_replace(Builds::wired(), ['supplies.0.capacity_Ah' => 10.0, 'supplies.0.charger_A' => 0.5]));
    $report = WiringReport::of($build, BoardStock::shipped(), null);
    [$main, $servos] = $report['supplies'];

    expect($main['feeds'])->toBe(['Controller 1', 'Bridge 1', 'Lid', 'Lift'])->and($servos['feeds'])->toBe(['Jaw'])
        ->and($main['gives_Ah_day'])->toBeAbout(24 * 0.5 * 0.7, 1e-9)->and($main['balance_Ah_day'])->toBeAbout($main['gives_Ah_day'] - $main['day_Ah'], 1e-9)
        ->and($main['through_cut_h'])->toBeAbout(24 * 10.0 * 0.8 / $main['day_Ah'], 1e-9)->and($servos['through_cut_h'])->toBeNull()
        ->and($report['room'][0])->toBe(['board' => 'controller-1', 'name' => 'Controller 1', 'used' => 14, 'of' => 20])
        ->and(array_column($report['cautions'], 'code'))->toBe(['mains', 'tools'])
        ->and(array_column(WiringReport::of(Builds::planted(['around.public' => true, 'around.animals' => true, 'supplies.0.capacity_Ah' => 2.0, 'supplies.0.cells' => 'lithium',
            'supplies.1.capacity_Ah' => 2.0, 'supplies.1.charger_A' => 0.1, 'supplies.1.boxed' => true]), BoardStock::shipped(), null)['cautions'], 'code'))
        ->toBe(['gas', 'lithium', 'stop', 'animals']);
});

it('draws what a battery gives over its charge, and says until when that is enough for what hangs on it', function () {
    // Four cells, 6 V and 0.5 Ω: open 4.0 V empty to 6.4 V full. The controller starts anew under 4.3 V.
    $curve = function (array $changes, float $most_A): array {
        $build = Builds::planted(array_replace(Builds::wired(), ['supplies.0.capacity_Ah' => 2.0, 'supplies.0.volts_V' => 6.0, 'supplies.0.cells' => 'alkaline',
            'supplies.0.resistance_ohm' => 0.5, 'wiring.boards.0.board.least_V' => 4.3, 'wiring.boards.0.board.low_V' => 4.5, 'supplies.1.dropout_V' => 0.0], $changes));

        return BatteryCurve::of($build, $build->supplies['main'], $most_A);
    };
    $rest = $curve(['supplies.1.from' => null], 0.0);
    expect($rest['rest_V'][0])->toBeAbout(6.4, 1e-9)->and(end($rest['rest_V']))->toBeAbout(4.0, 1e-9)->and($rest['most_V'])->toBe($rest['rest_V'])
        ->and(end($rest['taken_Ah']))->toBe(2.0)->and($rest['needs_V'])->toBe(4.3)
        ->and($rest['says']->text())->toBe('Controller 1 needs 4.3 V, and gets it until 92.5% of the charge is gone.'); // 4.0 V + 0.4 V · 0.75 = 4.3 V

    $asked = $curve(['supplies.1.from' => null], 1.0);
    expect($asked['most_V'][0])->toBeAbout(5.9, 1e-9)->and($asked['says']->text())->toBe('Controller 1 needs 4.3 V, and gets it while 1 A is asked of it until 70% of the charge is gone.');
    expect($curve(['supplies.1.from' => null, 'supplies.0.max_A' => 0.5], 1.0)['most_A'])->toBe(0.5)
        ->and($curve(['supplies.1.from' => null], 5.0)['says']->text())->toContain('does not get it while 5 A is asked of it, not even of a full battery.')
        ->and($curve(['supplies.1.from' => null, 'supplies.0.cutoff_V' => 4.3], 0.0)['says']->text())->toContain('gets it for as long as there is charge.')
        ->and($curve(['supplies.1.from' => null, 'wiring.boards.0.supply' => 'servos'], 0.0)['says'])->toBeNull();

    // A rail that needs more than the controller is named instead.
    expect($curve(['supplies.1.volts_V' => 5.0, 'supplies.1.dropout_V' => 0.4, 'supplies.1.converter' => 'linear', 'supplies.1.from' => 'main'], 0.0)['says']->text())
        ->toStartWith('Servo rail needs 5.4 V');
});

it('says while a sensor or an output is chosen what one more takes, and how many pins are left then', function () {
    $says = fn (array $changes, string $list, string $kind): string => WiringCost::ofOneMore(Builds::planted($changes), $list, $kind, BoardStock::shipped())->text();
    $wired = Builds::wired();
    expect($says($wired, 'sensors', 'press'))->toBe('takes 1 input: no board more, 5 pins are left') // 14 of 20 are wired
        ->and($says($wired, 'sensors', 'light'))->toBe('takes 1 analogue input: 1 analogue pin too few. Controller 1 as a K34 would do.')
        ->and($says($wired, 'sensors', 'sonar'))->toBe('takes 1 quick input and 1 output: no board more, 4 pins are left')
        ->and($says($wired, 'outputs', 'track'))->toBe('takes 1 two-way channel: 1 bridge board H2 small more, 4 pins are left')
        ->and($says([], 'sensors', 'press'))->toStartWith('takes 1 input: no board more, ')
        ->and($says($wired, 'outputs', 'sound'))->not->toContain('input');

    // The sound build takes 14 pins of 20: the seventh button more needs a larger controller, or an expander.
    $more = array_map(fn (int $i): array => ['id' => "more-{$i}", 'name' => "Button {$i}", 'kind' => 'press'], range(1, 6));
    $full = Builds::planted(['sensors' => [...Builds::planted($wired)->document['sensors'], ...$more]] + $wired);
    expect(WiringCost::ofOneMore($full, 'sensors', 'press', BoardStock::shipped())->text())->toMatch('/^takes 1 input: 1 .* more, \d+ pins are left$/');
    expect(fn (): Sentence => WiringCost::ofOneMore($full, 'sensors', 'eye', BoardStock::shipped()))->toThrow(InvalidInput::class);
});

it('lists what has to lie on the bench: boards with their cost, supplies, fuses, what is soldered, wire by its cross-section, plugs', function () {
    $lines = fn (Build $build): array => array_map(fn (array $line): string => "{$line['count']} {$line['says']->text()}".($line['cost'] === null ? '' : " for {$line['cost']}"),
        Shopping::of($build));
    $plain = Builds::planted(Builds::wired());
    expect(Shopping::of(Builds::sound()))->toBe([])->and($lines($plain))->toBe(['1 controller K20 for 7', '1 bridge board H2 small for 4',
        '1 Main: a closed supply of 12 V that gives 5 A', '1 fuse of 4 A with its holder', '1 Servo rail: a closed supply of 6 V that gives 4 A',
        '1 fuse of 3.15 A with its holder', '1 capacitor of 100 nF', '1 wire of 0.08 mm², 10.5 m of it', '1 wire of 0.25 mm², 5.5 m of it']);

    $wire = fn (string $motion, string $field): string => 'wiring.wires.'.array_search("motions.{$motion}", array_column($plain->document['wiring']['wires'], 'signal'), true).".{$field}";
    // Two buttons with resistors of their own, a filter, a rail out of the main supply with a capacitor, a battery, a plug at both wires of a motor.
    $more = Builds::planted(array_replace(Builds::wired(), ['sensors.0.pulled' => true, 'sensors.0.filtered' => true, 'sensors.1.pulled' => true, 'supplies.0.capacity_Ah' => 7.0,
        'supplies.0.diode' => true, 'supplies.1.from' => 'main', 'supplies.1.capacitor_uF' => 470.0, 'supplies.1.fuse_A' => 4.0,
        $wire('lid', 'plug') => 'J2 small', $wire('lift', 'plug') => 'J2 small',
        $wire('lid', 'length_m') => 2.04]));
    expect($lines($more))->toContain('1 Main: a battery of 12 V and 7 Ah that gives 5 A', '1 Servo rail: a converter to 6 V that gives 4 A', '2 fuse of 4 A with its holder',
        '3 resistor of 10 kΩ: brown, black, orange and gold', '2 capacitor of 100 nF', '1 capacitor of 470 µF, with a stripe', '1 diode for 5 A', '2 plug J2 small');
});
