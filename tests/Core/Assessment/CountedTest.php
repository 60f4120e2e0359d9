<?php

declare(strict_types=1);

use Brookstone\Core\Allotment\Load;
use Brookstone\Core\Allotment\Signal;
use Brookstone\Core\Assessment\BuildJudge;
use Brookstone\Core\Assessment\Chain;
use Brookstone\Core\Assessment\Subject\Link;
use Brookstone\Core\Assessment\Wiring\Counted;
use Brookstone\Core\Assessment\Wiring\Shopping;
use Brookstone\Core\Wiring\Ability;
use Brookstone\Core\Wiring\BoardKind;
use Tests\Support\Builds;

it('calls what hangs on a channel by what it asks of it', function (string $word, array $kinds, bool $speed = false, bool $coil = false, ?string $motion = null) {
    expect(Counted::load(new Load('it', 'It', $kinds, 'main', 12.0, 0.5, 1.0, $speed, $coil, $motion)))->toBe($word);
})->with([
    ['stepper', [BoardKind::Stepper], true, true, 'arm'],
    ['two-way channel', [BoardKind::Bridge], false, true, 'arm'],
    ['two-way channel with speed', [BoardKind::Bridge], true],
    ['valve coil', [BoardKind::Relay, BoardKind::Single], false, true, 'arm'],
    ['one-way motor', [BoardKind::Bridge, BoardKind::Relay], false, true, 'arm'],
    ['one-way motor with speed', [BoardKind::Bridge, BoardKind::Single], true, true, 'arm'],
    ['relay contact', [BoardKind::Relay]],
    ['coil', [BoardKind::Relay, BoardKind::Single], false, true],
    ['switched load', [BoardKind::Relay, BoardKind::Single]],
]);

it('calls what needs a pin by what the pin must do', function (string $word, array $needs, string $key = 'sensors.it') {
    expect(Counted::signal(new Signal($key, 'It', $needs)))->toBe($word);
})->with([
    ['pulse-driven motor', [Ability::Pulse], 'motions.arm'], ['pulse-width output', [Ability::Pulse], 'outputs.arm'], ['input', [Ability::In]], ['input', [Ability::In, Ability::Pull]],
    ['quick input', [Ability::In, Ability::Interrupt]], ['waking input', [Ability::In, Ability::Wake]], ['analogue input', [Ability::Analogue]], ['output', [Ability::Out]],
    ['bus line', [Ability::Data]], ['bus line', [Ability::Clock]], ['output', [Ability::Out], 'motions.arm'],
]);

it('puts into the plural what is counted, and not what it has', function () {
    expect(Counted::plural('two-way channel with speed', 2))->toBe('two-way channels with speed')->and(Counted::plural('two-way channel with speed', 1))->toBe('two-way channel with speed')
        ->and(Counted::plural('coil', 0))->toBe('coils')->and(Counted::plural('coil', 1))->toBe('coil');
});

it('adds up what boards cost, and does not know it where one has no price', function () {
    $costs = fn (array $more): array => array_column(array_map(fn (array $line): array => ['says' => $line['says']->text(), 'cost' => $line['cost'], 'count' => $line['count']],
        Shopping::of(Builds::planted(array_merge(Builds::wired(), $more)))), null, 'says');
    $bridge = Builds::wired()['wiring.boards.1']['board'];
    $priced = $costs(['wiring.boards.1.board.cost' => 4.5])["bridge board {$bridge['name']}"];
    $free = $costs(['wiring.boards.1.board.cost' => 0.0])["bridge board {$bridge['name']}"];

    expect($priced['cost'])->toBe(4.5 + ($priced['count'] - 1) * $bridge['cost'])->and($free['cost'])->toBeNull()->and($free['count'])->toBe($priced['count'])
        ->and(Shopping::of(Builds::sound()))->toBe([]);
});

it('says of the wiring what is nearer to its limit: the start that a channel bears, or the volts that arrive', function (float $peak_A, string $figure, string $about) {
    $build = Builds::planted(array_merge(Builds::wired(), ['wiring.boards.1.board' => ['peak_A' => $peak_A] + Builds::wired()['wiring.boards.1']['board']]));
    $lid = array_values(array_filter(BuildJudge::atOnce($build)->chains, fn (Chain $chain): bool => $chain->motion === 'lid'))[0];
    $link = array_values(array_filter($lid->links, fn (Link $link): bool => $link->link === 'wiring'))[0];

    // of 12 V a tenth may be lost: 1.1 V are 0.92 of that, and 2.1 A of 2.2 A are 0.95, of 2.5 A 0.84
    expect([$link->figure->text(), $link->about->text()])->toBe([$figure, $about]);
})->with([[2.2, '2.1 A', 'of the 2.2 A that Bridge 1 A bears for a start'], [2.5, '10.9 V', 'of 12 V arrive from Bridge 1 A when it starts']]);

it('tells of every supply that is asked for something, and of no other', function () {
    $build = Builds::planted(['supplies.2' => ['id' => 'spare', 'name' => 'Spare', 'volts_V' => 5, 'max_A' => 1]]);

    expect(array_column(Builds::assessed($build)->supplies, 'id'))->toBe(['main', 'servos']);
});
