<?php

declare(strict_types=1);

namespace Brookstone\Core\Condition;

/** A condition that is made of no others. */
trait Atom
{
    public function parts(): array
    {
        return [];
    }
}
