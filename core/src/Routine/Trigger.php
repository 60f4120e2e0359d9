<?php

declare(strict_types=1);

namespace Brookstone\Core\Routine;

/** What starts a routine: the power coming on, or a sensor changing. */
final readonly class Trigger
{
    public function __construct(public string $when, public ?string $sensor = null, public bool $on = true)
    {
    }
}
