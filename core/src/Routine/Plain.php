<?php

declare(strict_types=1);

namespace Brookstone\Core\Routine;

/** A step that holds no others and asks nothing. */
trait Plain
{
    public function inner(): array
    {
        return [];
    }

    public function conditions(): array
    {
        return [];
    }
}
