<?php

declare(strict_types=1);

namespace Brookstone\Core\Finding;

/** Has a name that people gave it, and that may read like anything. */
trait Named
{
    /** Its name as it stands in the template of a sentence. */
    public function named(): string
    {
        return Sentence::quote($this->name);
    }
}
