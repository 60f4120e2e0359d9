<?php

declare(strict_types=1);

namespace Brookstone\Core\Build\Internal;

use Brookstone\Core\Shape\ErrorList;
use Brookstone\Core\Wiring\BoardStock;

/**
 * Checks what supplies, tanks, outputs and boards say of each other: no supply feeds itself, and whatever is fed is fed by one that is there. What is wired
 * wrongly is no error: the judge tells it.
 *
 * @internal
 */
final class WiringReferences
{
    /** @var array<string, string|null> by supply what feeds it */
    private array $from;

    public function __construct(private readonly ErrorList $errors)
    {
    }

    /** @param  array<string, mixed>  $document read by its shape */
    public function check(array $document): void
    {
        $this->from = array_column($document['supplies'], 'from', 'id');
        foreach ($document['supplies'] as $i => $supply) {
            $this->supply($supply, "supplies.{$i}");
        }
        foreach ($document['tanks'] as $i => $tank) {
            $this->knows($tank['supply'], "tanks.{$i}.supply");
            if ($tank['low_bar'] >= $tank['high_bar']) {
                $this->errors->add("tanks.{$i}.low_bar", 'Must be less than the pressure at which the compressor stops.');
            }
        }
        $tanks = array_column($document['tanks'], 'id', 'id');
        foreach ($document['motions'] as $i => $motion) {
            $air = $motion['drive']['air'] ?? null;
            if ($air !== null && ! isset($tanks[$air])) {
                $this->errors->add("motions.{$i}.drive.air", "There is no tank {$air} in this build.");
            }
        }
        foreach ($document['outputs'] as $i => $output) {
            $this->knows($output['supply'], "outputs.{$i}.supply");
            $this->knows($output['gates'], "outputs.{$i}.gates");
        }
        foreach ($document['sensors'] as $i => $sensor) {
            $this->knows($sensor['cuts'], "sensors.{$i}.cuts");
        }
        $seen = [];
        foreach ($document['wiring']['boards'] as $i => $board) {
            $path = "wiring.boards.{$i}";
            if (isset($seen[$board['id']])) {
                $this->errors->add("{$path}.id", "The board {$board['id']} is there twice.");
            }
            $seen[$board['id']] = true;
            $this->knows($board['supply'], "{$path}.supply");
            $problem = BoardStock::problem($board['board']);
            if ($problem !== null) {
                $this->errors->add("{$path}.board.{$problem[0]}", $problem[1]);
            }
        }
    }

    /** @param  array<string, mixed>  $supply */
    private function supply(array $supply, string $path): void
    {
        $this->knows($supply['from'], "{$path}.from");
        $this->knows($supply['beside'], "{$path}.beside");
        if ($supply['beside'] === $supply['id']) {
            $this->errors->add("{$path}.beside", 'Must be another one.');
        }
        $passed = [$supply['id'] => true];
        for ($at = $supply['from']; $at !== null && isset($this->from[$at]); $at = $this->from[$at]) {
            if (isset($passed[$at])) {
                $this->errors->add("{$path}.from", $at === $supply['id'] ? 'It would feed itself.' : "What feeds it goes round: {$at} feeds itself.");

                return;
            }
            $passed[$at] = true;
        }
        if ($supply['from'] !== null && $supply['capacity_Ah'] !== null) {
            $this->errors->add("{$path}.from", 'A battery is a source itself: what charges it is its charger.');
        }
        if ($supply['cutoff_V'] !== null && $supply['cutoff_V'] >= $supply['volts_V']) {
            $this->errors->add("{$path}.cutoff_V", 'Must be less than its voltage.');
        }
    }

    private function knows(?string $supply, string $path): void
    {
        if ($supply !== null && ! array_key_exists($supply, $this->from)) {
            $this->errors->add($path, "There is no supply {$supply}.");
        }
    }
}
