<?php

declare(strict_types=1);

use Brookstone\Core\Bench\SimulatedBoard;
use Brookstone\Core\Program\Package;
use Brookstone\Core\Program\SpokenLines;
use Tests\Support\Programs;

/** @return list<array<string, mixed>> what it says in so many seconds */
function spoken(SimulatedBoard $board, float $seconds): array
{
    $said = [];
    for ($i = 0; $i < (int) round($seconds / 0.005); $i++) {
        array_push($said, ...$board->goesOn());
    }

    return array_map(fn (string $line): array => json_decode($line, true), $said);
}

it('says which program it is, and what it does, as the real one does; the log understands all of it', function () {
    $of = Programs::composed('quarry-tram');
    $said = spoken(new SimulatedBoard($of, $of->build->scenarios['whistle']), 60.0);
    $read = SpokenLines::read($of, implode("\n", array_map(json_encode(...), $said)));

    expect($said[0])->toBe(['ms' => 0, 'program' => Package::mark($of)])->and($said[1]['is'])->toBe('started')
        ->and($said[2])->toBe(['ms' => $said[1]['ms'], 'step' => 0, 'is' => 'begun'])->and($read['problems'])->toBe([])->and($read['lines'])->toBe(count($said))
        ->and($read['moves'])->not->toBe([]);
});

it('moves one thing by hand, and tells what it sees', function () {
    $of = Programs::composed('quarry-tram');
    $board = new SimulatedBoard($of);
    spoken($board, 0.5);
    $look = fn (): array => json_decode($board->hears('look')[0], true);
    $before = $look()['positions'];
    $board->hears('up 0');
    spoken($board, 0.5);
    $moved = $look()['positions'];
    $board->hears('stop 0');
    spoken($board, 1.0);
    $stopped = $look()['positions'];
    spoken($board, 1.0);

    expect($moved[0])->toBeGreaterThan($before[0])->and($moved[1])->toBe($before[1])->and($look()['positions'])->toBe($stopped);
    $board->hears('go 1 30000');
    spoken($board, 3.0);
    expect($look()['positions'][1])->toEqualWithDelta(30000, 600);
    $board->hears('tell 2 1');
    expect($board->hears('start 0'))->toBe(['{"ms":6000,"routine":0,"is":"started"}']);
});

it('says so when it does not understand', function (string $words) {
    $board = new SimulatedBoard(Programs::composed('quarry-tram'));
    $board->goesOn();

    expect($board->hears($words))->toBe(['{"ms":5,"understood":false}']);
})->with(['nonsense', 'up', 'up 99', 'up -1', 'go 0', 'on 9', 'start x', 'tell 77 1', 'go 0 12']);
