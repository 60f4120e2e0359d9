<?php

declare(strict_types=1);

namespace Brookstone\Core\Mechanism;

/** A mechanism of which it is known how large and how heavy what it moves is. */
interface Sized extends Mechanism
{
    /** null where this one was given without */
    public function extent(): ?Extent;
}
