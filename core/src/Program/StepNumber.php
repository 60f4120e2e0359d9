<?php

declare(strict_types=1);

namespace Brookstone\Core\Program;

/** A step by the number under which the program tells of it. */
final readonly class StepNumber
{
    public function __construct(public string $routine, public string $path)
    {
    }
}
