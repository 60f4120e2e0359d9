<?php

declare(strict_types=1);

namespace Brookstone\Core\Parts;

/** A motion that must stay level with another: the two ends of a gantry. */
final readonly class Level
{
    /** @param  float  $within  how far apart the two may get, in their own unit */
    public function __construct(public string $with, public float $within)
    {
    }
}
