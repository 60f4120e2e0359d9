<?php

declare(strict_types=1);

namespace Brookstone\Core\Routine;

/** A step whose fields go together whatever they are. */
trait HasNoProblems
{
    public function problems(): array
    {
        return [];
    }
}
