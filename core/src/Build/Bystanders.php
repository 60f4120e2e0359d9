<?php

declare(strict_types=1);

namespace Brookstone\Core\Build;

/** Who is near the build. */
final readonly class Bystanders
{
    public function __construct(public bool $public = false, public bool $worn = false, public bool $animals = false)
    {
    }
}
