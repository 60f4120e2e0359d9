<?php

declare(strict_types=1);

namespace Brookstone\Core\Program;

use Brookstone\Core\Code\Does;
use Brookstone\Core\Code\Line;
use Brookstone\Core\Code\When;
use Brookstone\Core\Wiring\BoardKind;
use Brookstone\Core\Wiring\PlacedBoard;

/** What tells a channel of a driver board what to do: its pins for the way, and the one for speed. */
final readonly class Channel
{
    public function __construct(private Pins $pins, private PlacedBoard $board, private string $channel)
    {
    }

    private function pin(string $does, string $as): ?string
    {
        $signal = "boards.{$this->board->id}.{$this->channel}.{$does}";

        return $this->pins->has($signal) || $this->isNeeded($does) ? $this->pins->of($signal, $as) : null;
    }

    /** Without it nothing can be told at all. */
    private function isNeeded(string $does): bool
    {
        $ways = $this->board->board->directions;

        return match ($does) {
            'speed' => $ways === 0 || ($ways === 1 && $this->board->board->kind === BoardKind::Bridge),
            default => (int) substr($does, 4) <= min(2, $ways),
        };
    }

    /** @return list<string> names of its pins for the way */
    private function ways(): array
    {
        return array_values(array_filter(array_map(fn (int $i): ?string => $this->pin("way-{$i}", 'out'), $this->board->board->directions === 0 ? []
            : range(1, $this->board->board->directions))));
    }

    /** @return list<Line> on or off, whichever way is the usual one */
    public function switches(string $on): array
    {
        $lines = [];
        foreach ($this->ways() as $i => $way) {
            $lines[] = new Does("board_write({$way}, ".($i === 0 ? $on : 'false').')');
        }

        return [...$lines, ...$this->gives(null, $on)];
    }

    /** @return list<Line> forwards, or back: an expression that is a truth; how fast is said apart */
    public function turns(string $forwards): array
    {
        $ways = $this->ways();
        if ($this->board->board->kind !== BoardKind::Bridge) {
            return array_map(fn (string $way): Does => new Does("board_write({$way}, true)"), array_slice($ways, 0, 1));
        }

        return [...(isset($ways[0]) ? [new Does("board_write({$ways[0]}, {$forwards})")] : []), ...(isset($ways[1])
            ? [new Does("board_write({$ways[1]}, !({$forwards}))")] : []),
            ...(isset($ways[2]) ? [new Does("board_write({$ways[2]}, true)")] : [])];
    }

    /** @return list<Line> both ways alike: up shorts its motor, down leaves it open */
    public function rests(string $shorts): array
    {
        $ways = $this->ways();
        $isShort = $this->board->board->kind === BoardKind::Bridge && count($ways) >= 2;
        $lines = array_map(fn (string $way): Does => new Does("board_write({$way}, ".($isShort ? $shorts : 'false').')'), $ways);

        return [...$lines, ...($isShort ? $this->gives(null, $shorts) : $this->gives('0', 'false'))];
    }

    /**
     * @param  string|null  $share  of 10000; null is all, while it is on
     * @param  string  $on  an expression that is a truth
     * @return list<Line>
     */
    public function gives(?string $share, string $on): array
    {
        $speed = $this->pin('speed', $this->board->board->speed ? 'pulse' : 'out');

        return match (true) {
            $speed === null => [],
            ! $this->board->board->speed => [new Does("board_write({$speed}, {$on})")],
            $share === null => [new When($on, [new Does("board_pulse({$speed}, 10000)")], [new Does("board_pulse({$speed}, 0)")])],
            default => [new Does("board_pulse({$speed}, {$share})")],
        };
    }
}
