<?php

declare(strict_types=1);

namespace Brookstone\Core\Parts;

use Brookstone\Core\Finding\Named;

/** A number that routines count with, or a mark that is set or not. */
final readonly class Counter
{
    use Named;

    /** @param  bool  $kept  over a power cut */
    public function __construct(public string $id, public string $name, public bool $isMark = false, public int $start = 0, public bool $kept = false)
    {
    }
}
