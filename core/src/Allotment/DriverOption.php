<?php

declare(strict_types=1);

namespace Brookstone\Core\Allotment;

use Brookstone\Core\Wiring\Board;

/** Boards that carry all loads, and how many pins they take of the controller. */
final readonly class DriverOption
{
    /** @param  list<array{Board, string}>  $boards  each with its supply */
    public function __construct(public array $boards, public int $outs, public int $pulses)
    {
    }

    public static function none(): self
    {
        return new self([], 0, 0);
    }

    public function cost(): float
    {
        return array_sum(array_map(fn (array $board): float => $board[0]->cost, $this->boards));
    }

    public function and(self $other): self
    {
        return new self([...$this->boards, ...$other->boards], $this->outs + $other->outs, $this->pulses + $other->pulses);
    }

    /** @return array{int, float, int, int} fewer, then cheaper, then less wired */
    public function rank(): array
    {
        return [count($this->boards), $this->cost(), $this->pulses, $this->outs];
    }

    /** Nothing about the other is better. */
    public function beats(self $other): bool
    {
        [$boards, $cost, $pulses, $outs] = $other->rank();

        return count($this->boards) <= $boards && $this->cost() <= $cost && $this->pulses <= $pulses && $this->outs <= $outs;
    }
}
