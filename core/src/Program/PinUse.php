<?php

declare(strict_types=1);

namespace Brookstone\Core\Program;

use Brookstone\Core\Wiring\PlacedBoard;

/** A pin that a program uses: under which name and number, on which board, and for what. */
final readonly class PinUse
{
    /** @param  string  $as  `out`, `pulse`, `servo`, `in`, `pull`, `analogue`, `count` */
    public function __construct(public string $name, public int $number, public string $signal, public string $says, public PlacedBoard $board,
        public string $pin,
        public string $as)
    {
    }

    /** Its number on its own board: the figures in its name. */
    public function figure(): int
    {
        return (int) preg_replace('/\D+/', '', $this->pin);
    }

    public function isOnController(): bool
    {
        return $this->board->board->kind->lends() === [];
    }
}
