<?php

declare(strict_types=1);

namespace Brookstone\Core\Parts;

use Brookstone\Core\Finding\Named;

/** A lamp, a sound or a relay that a routine can switch. */
final readonly class Output
{
    use Named;

    public function __construct(public string $id, public string $name, public string $kind)
    {
    }
}
