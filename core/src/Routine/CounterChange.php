<?php

declare(strict_types=1);

namespace Brookstone\Core\Routine;

/** That a step changes a counter: to a number, or by one. */
final readonly class CounterChange
{
    public function __construct(public string $counter, public ?int $to, public int $add)
    {
    }
}
