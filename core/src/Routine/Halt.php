<?php

declare(strict_types=1);

namespace Brookstone\Core\Routine;

/** That a step stops a motion. */
final readonly class Halt
{
    /** @param  string  $how  `brake`, `coast` or `hold` */
    public function __construct(public string $motion, public string $how)
    {
    }
}
