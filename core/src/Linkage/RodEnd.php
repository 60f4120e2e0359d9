<?php

declare(strict_types=1);

namespace Brookstone\Core\Linkage;

/** How a rod is hooked into an arm: the room it needs beside it, and its play when new. Rules of thumb at this size. */
enum RodEnd: string
{
    case BentWire = 'bent_wire';
    case Clevis = 'clevis';
    case Ball = 'ball';

    public function room_m(): float
    {
        return match ($this) {
            self::BentWire => 0.003,
            self::Clevis => 0.005,
            self::Ball => 0.009,
        };
    }

    public function play_m(): float
    {
        return match ($this) {
            self::BentWire => 0.0003,
            self::Clevis => 0.0001,
            self::Ball => 0.00005,
        };
    }
}
