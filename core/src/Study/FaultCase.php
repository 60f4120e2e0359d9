<?php

declare(strict_types=1);

namespace Brookstone\Core\Study;

use Brookstone\Core\Routine\WorldEvent;

/** One fault at one step of a routine. */
final readonly class FaultCase
{
    /**
     * @param  string  $fault  its row in the table: `stuck on bridge-down`
     * @param  string  $says  in words
     * @param  string  $step  path of the step inside its routine, its column
     * @param  list<WorldEvent>  $events  what happens, from the start of that step on
     */
    public function __construct(public string $fault, public string $says, public string $step, public array $events)
    {
    }
}
