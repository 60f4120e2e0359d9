<?php

declare(strict_types=1);

namespace Brookstone\Core\Build;

/** Something that tells the controller of the world: a push button or a light beam. On is pressed, or broken. */
final readonly class Sensor
{
    public function __construct(public string $id, public string $name, public string $kind)
    {
    }

    /** The word for its state in sentences. */
    public function word(bool $on): string
    {
        return match ($this->kind) {
            'beam' => $on ? 'is broken' : 'is clear',
            default => $on ? 'is pressed' : 'is let go',
        };
    }
}
