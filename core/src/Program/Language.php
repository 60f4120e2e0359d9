<?php

declare(strict_types=1);

namespace Brookstone\Core\Program;

/** What a program is printed as. */
enum Language: string
{
    case C = 'c';
    case Sketch = 'sketch';
    case Python = 'python';

    public function word(): string
    {
        return match ($this) {
            self::C => 'portable C',
            self::Sketch => 'setup and loop',
            self::Python => 'MicroPython',
        };
    }
}
