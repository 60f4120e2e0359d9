<?php

declare(strict_types=1);

namespace Brookstone\Core\Parts;

use Brookstone\Core\Finding\Named;

/** A named position of a motion, in its own unit (degrees or metres). */
final readonly class Place
{
    use Named;

    public function __construct(public string $id, public string $name, public float $at)
    {
    }
}
