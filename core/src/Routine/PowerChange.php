<?php

declare(strict_types=1);

namespace Brookstone\Core\Routine;

/** That a step switches the power of motions. */
final readonly class PowerChange
{
    /** @param  list<string>  $motions */
    public function __construct(public array $motions, public bool $on)
    {
    }
}
