<?php

declare(strict_types=1);

namespace Brookstone\Core\Proof;

use Brookstone\Core\Error\ImpossibleValue;

/** A value that was measured, once or on the average of several times. */
final readonly class Observed
{
    /**
     * @param  string  $id  unique among those of one refit
     * @param  float  $doubt  one standard deviation of it, > 0
     */
    public function __construct(public string $id, public float $value, public float $doubt)
    {
        ImpossibleValue::unlessPositive('doubt', $doubt);
    }
}
