<?php

declare(strict_types=1);

use Brookstone\Core\Bench\Comparison;
use Brookstone\Core\Bench\Happened;
use Brookstone\Core\Bench\ProgramTrace;
use Brookstone\Core\Bench\Trials;
use Brookstone\Core\Program\Language;
use Brookstone\Core\Program\Package;
use Tests\Support\Programs;

it('does what the routines do, to the scan: every shipped build, in every language, over its scenarios and by chance', function (string $name, Language $language, int $chance) {
    $of = Programs::composed($name);
    $trials = [...Trials::scenarios($of->build), ...Trials::byChance($of->build, $chance)];

    expect($trials)->not->toBe([])->and(Programs::differs($of, Programs::bench()->start($of, $language), $trials))->toBeNull();
})->with([
    ['heron-wharf', Language::C, 6], ['heron-wharf', Language::Sketch, 2], ['heron-wharf', Language::Python, 2],
    ['bale-loft', Language::C, 2], ['bale-loft', Language::Sketch, 0], ['bale-loft', Language::Python, 0],
    ['star-dial', Language::C, 15], ['star-dial', Language::Sketch, 4], ['star-dial', Language::Python, 3],
    ['signal-garden', Language::C, 20], ['signal-garden', Language::Sketch, 8], ['signal-garden', Language::Python, 6],
    ['grumbling-troll', Language::C, 2], ['grumbling-troll', Language::Sketch, 1], ['grumbling-troll', Language::Python, 1],
    ['moth-lantern', Language::Sketch, 0], ['quarry-tram', Language::Sketch, 0], ['bell-hammer', Language::Sketch, 0], ['bell-hammer', Language::Python, 0],
    ['casket-lid', Language::Sketch, 0], ['casket-lid', Language::Python, 0], ['seed-feeder', Language::Sketch, 2], ['seed-feeder', Language::Python, 2],
    ['crate-imp', Language::Sketch, 0], ['crate-imp', Language::Python, 0], ['sun-and-moon', Language::Sketch, 0], ['sun-and-moon', Language::Python, 0],
    ['moth-lantern', Language::C, 10], ['quarry-tram', Language::C, 20], ['bell-hammer', Language::C, 6], ['casket-lid', Language::C, 10],
    ['seed-feeder', Language::C, 10], ['crate-imp', Language::C, 8], ['sun-and-moon', Language::C, 4], ['moth-lantern', Language::Python, 2], ['quarry-tram', Language::Python, 4],
]);

it('does so with every fault of the sweep too', function (string $name, ?string $routine, Language $language) {
    $of = Programs::composed($name);
    $faults = Trials::faults($of->build, $routine);

    expect(count($faults))->toBeGreaterThan(5)->and(Programs::differs($of, Programs::bench()->start($of, $language), $faults))->toBeNull();
})->with([['quarry-tram', 'shunt', Language::C], ['star-dial', 'show', Language::C], ['signal-garden', 'up', Language::C], ['seed-feeder', null, Language::Python]]);

it('notices a wrong program', function (string $name, string $right, string $wrong, ?string $routine = null) {
    $of = Programs::composed($name);
    $text = Package::routine($of, Language::C);
    $planted = preg_replace($right, $wrong, $text, 1);

    expect($planted)->not->toBe($text)
        ->and(Programs::differs($of, Programs::bench()->startText((string) $planted, Language::C), match ($routine) {
            null => Trials::scenarios($of->build), 'chance' => Trials::byChance($of->build, 60), default => Trials::faults($of->build, $routine),
        }))
        ->not->toBeNull();
})->with([
    'a wait that is too short' => ['signal-garden', '/passed\(since\[0\], 300\)/', 'passed(since[0], 280)'],
    'a motor that turns the wrong way' => ['quarry-tram', '/push_motion\((\w+), 1,/', 'push_motion($1, (-1),'],
    'a switch that is another' => ['quarry-tram', '/on\[INPUT_AT_QUARRY\]/', 'on[INPUT_AT_TIP]'],
    'a give-up that is missing' => ['quarry-tram', '/if \(passed\(since\[0\], 12000\)\) \{/', 'if (false) {', 'haul'],
    'a stop that is missing' => ['quarry-tram', '/stop_motion\(MOTION_RAMP_WINCH, BRAKE\);/', ';'],
    'a press that is let go instead' => ['quarry-tram', '/edge\[INPUT_WHISTLE\] == 1/', 'edge[INPUT_WHISTLE] == 2'],
    'a routine that does not want to be alone' => ['heron-wharf', '/halted \|\| running\[ROUTINE_HARBOUR_SHOW\] \|\| [^)]+\)/', 'halted || running[ROUTINE_HARBOUR_SHOW])', 'chance'],
    'a lamp that stays on' => ['heron-wharf', '/switch_output\(OUTPUT_LANTERN_LAMP, true, 1000\)/', 'switch_output(OUTPUT_LANTERN_LAMP, true, 0)'],
    'a servo that goes to another place' => ['grumbling-troll', '/send_motion\(MOTION_NECK, [^,]+,/', 'send_motion(MOTION_NECK, 5000,'],
    'a contact that is not waited for' => ['star-dial', '/look_at\(INPUT_LID_SHUT, drive_input\(INPUT_LID_SHUT\), \d+\)/', 'look_at(INPUT_LID_SHUT, drive_input(INPUT_LID_SHUT), 60)'],
    'a branch that nobody waits for' => ['grumbling-troll', '/if \(where\[\d+\] == ENDS && where\[\d+\] == ENDS/', 'if (true', 'chance'],
    'a round too many' => ['heron-wharf', '/round\[0\] >= 2/', 'round[0] >= 3', 'harbour-show'],
]);

it('calls two scans the same, and three not', function (float $late_s, ?int $at) {
    $trace = fn (float $late_s): ProgramTrace => new ProgramTrace([new Happened(1.0, 'routine', 'wake', 'starts'), new Happened(2.0 + $late_s, 'output', 'lamp', 'on')],
        [], 5.0);
    $comparison = Comparison::of($trace(0.0), $trace($late_s), 0.005);

    expect($comparison->at)->toBe($at)->and($comparison->same)->toBe($at ?? 2);
})->with([[0.0, null], [0.01, null], [-0.01, null], [0.0101, 1], [0.015, 1], [-0.015, 1]]);

it('wants the same things, all of them, in their order', function (array $came, ?int $at) {
    $of = fn (array $names): ProgramTrace => new ProgramTrace(array_map(fn (string $name): Happened => new Happened(1.0, 'step', $name, 'done'), $names), [], 5.0);

    expect(Comparison::of($of(['a', 'b', 'c']), $of($came), 0.005)->at)->toBe($at);
})->with([[['a', 'b', 'c'], null], [['a', 'c', 'b'], 1], [['a', 'b'], 2], [['a', 'b', 'c', 'd'], 3], [[], 0]]);

it('must stop everything where a rule is broken that it keeps, and nowhere else', function (?float $broken_s, ?string $brokeOff, float $ran_s, bool $isSame) {
    $happened = [new Happened(1.0, 'routine', 'wake', 'starts')];
    $wanted = new ProgramTrace([...$happened, ...($broken_s === null ? [] : [new Happened($broken_s, 'rule', 'apart', 'broken')])], [], 9.0);

    expect(Comparison::of($wanted, new ProgramTrace($happened, [], $ran_s, $brokeOff, ['apart']), 0.005)->isSame())->toBe($isSame);
})->with([[null, null, 9.0, true], [2.0, 'rule', 2.005, true], [2.0, 'rule', 2.01, true], [2.0, 'rule', 2.5, false], [2.0, null, 9.0, false], [null, 'rule', 2.0, false],
    [8.999, null, 9.0, true]]);

it('comes by chance as it came before', function () {
    $build = Programs::shipped('heron-wharf');

    expect(Trials::byChance($build, 5))->toEqual(Trials::byChance($build, 5))
        ->and(array_unique(array_map(fn ($trial): string => serialize($trial->scenario?->events), Trials::byChance($build, 40))))->toHaveCount(40);
});
