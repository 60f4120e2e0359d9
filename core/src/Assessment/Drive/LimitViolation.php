<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment\Drive;

use Brookstone\Core\Finding\Severity;

/** One limit of a drive that is reached or near: which, how bad, and what is needed over what there is. */
final readonly class LimitViolation
{
    /** @param  float  $share  needed over had; over 1 it is past the limit. INF where there is nothing to compare */
    public function __construct(public string $code, public Severity $severity, public float $share)
    {
    }
}
