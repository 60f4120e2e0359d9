<?php

declare(strict_types=1);

namespace Brookstone\Core\Finding;

enum Severity: string
{
    case Fails = 'fails';
    case Tight = 'tight';
    case Note = 'note';

    /** Larger is worse. */
    public function rank(): int
    {
        return match ($this) {
            self::Fails => 2,
            self::Tight => 1,
            self::Note => 0,
        };
    }
}
