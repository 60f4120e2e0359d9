<?php

declare(strict_types=1);

use Brookstone\Core\Allotment\Load;
use Brookstone\Core\Allotment\Signal;
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
