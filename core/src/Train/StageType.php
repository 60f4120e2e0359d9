<?php

declare(strict_types=1);

namespace Brookstone\Core\Train;

enum StageType: string
{
    case Spur = 'spur';
    case Bevel = 'bevel';
    case Belt = 'belt';
    case Chain = 'chain';
    case Worm = 'worm';

    /** A spur or bevel mesh reverses the turn; belt, chain and worm keep it. */
    public function direction(): int
    {
        return $this === self::Spur || $this === self::Bevel ? -1 : 1;
    }

    public function usualEfficiency(): float
    {
        return $this === self::Worm ? 0.4 : 0.95;
    }
}
