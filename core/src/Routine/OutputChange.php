<?php

declare(strict_types=1);

namespace Brookstone\Core\Routine;

/** That a step switches an output. */
final readonly class OutputChange
{
    /** @param  float|null  $for_s  after which it is switched back; null for good */
    public function __construct(public string $output, public bool $on, public ?float $for_s)
    {
    }
}
