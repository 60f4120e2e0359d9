<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment\Wiring;

use Brookstone\Core\Build\Build;
use Brookstone\Core\Export\WiringSheet;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Parts\Supply;
use Brookstone\Core\Quantity\Quantity;

/** What has to lie on the bench before the wiring can begin: boards, what feeds them, what the assembly solders, wire by its cross-section, plugs. */
final class Shopping
{
    /** @var array<string, array{count: int, says: Sentence, cost: ?float}> by what it is */
    private array $lines = [];

    private function __construct(private readonly Build $build)
    {
    }

    /** @return list<array{count: int, says: Sentence, cost: ?float}> the cost of all of a line; null where nobody knows it */
    public static function of(Build $build): array
    {
        if ($build->wiring->boards === []) {
            return [];
        }
        $list = new self($build);
        $list->boards();
        $list->supplies();
        $list->soldered();
        $list->wires((new WiringSheet($build))->rows());

        return array_values($list->lines);
    }

    private function add(string $what, Sentence $says, ?float $cost = null): void
    {
        $line = $this->lines[$what] ?? ['count' => 0, 'says' => $says, 'cost' => $cost === null ? null : 0.0];
        $this->lines[$what] = ['count' => $line['count'] + 1, 'says' => $says,
            'cost' => $line['cost'] === null || $cost === null ? null : $line['cost'] + $cost];
    }

    private function boards(): void
    {
        foreach ($this->build->wiring->boards as $placed) {
            $board = $placed->board;
            $this->add("board {$board->kind->value} {$board->name}", new Sentence("{$board->kind->word()} ".Sentence::quote($board->name)),
                $board->cost > 0.0 ? $board->cost : null);
        }
    }

    private function supplies(): void
    {
        foreach ($this->build->supplies as $supply) {
            $values = ['volts' => Quantity::of($supply->volts_V, 'V'), 'amps' => Quantity::of($supply->max_A, 'A')]
                + ($supply->capacity_Ah === null ? [] : ['charge' => Quantity::of($supply->capacity_Ah, 'Ah')]);
            $this->add("supply {$supply->id}", new Sentence("{$supply->named()}: ".self::kind($supply), $values));
            if ($supply->fuse_A !== null) {
                $this->add("fuse {$supply->fuse_A}", new Sentence('fuse of {rating} with its holder', ['rating' => Quantity::of($supply->fuse_A, 'A')]));
            }
        }
    }

    private static function kind(Supply $supply): string
    {
        return match (true) {
            $supply->capacity_Ah !== null => 'a battery of {volts} and {charge} that gives {amps}',
            $supply->from === null => 'a closed supply of {volts} that gives {amps}',
            $supply->converter === 'gate' => 'a switch for {amps}',
            default => 'a converter to {volts} that gives {amps}',
        };
    }

    private function soldered(): void
    {
        foreach (Assembly::of($this->build) as $step) {
            if ($step['part'] !== null) {
                $this->add($step['part']->text(), $step['part']);
            }
        }
    }

    /** @param  list<array{number: string, from: string, to: string, colour: string, area_mm2: float, length_m: float, plug: string}>  $rows */
    private function wires(array $rows): void
    {
        $metres = $plugs = [];
        foreach ($rows as $row) {
            $metres[(string) $row['area_mm2']] = ($metres[(string) $row['area_mm2']] ?? 0.0) + $row['length_m'];
            $plugs[(int) $row['number'].$row['plug']] = $row['plug']; // one for all that goes to one thing
        }
        ksort($metres, SORT_NUMERIC);
        foreach ($metres as $area => $length) {
            $this->add("wire {$area}", new Sentence('wire of {area}, {metres} m of it', ['area' => Quantity::of((float) $area, 'mm²'),
                'metres' => Quantity::number(ceil(10 * $length) / 10)]));
        }
        foreach (array_filter($plugs, fn (string $plug): bool => $plug !== '') as $plug) {
            $this->add("plug {$plug}", new Sentence('plug '.Sentence::quote($plug)));
        }
    }
}
