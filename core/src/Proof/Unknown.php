<?php

declare(strict_types=1);

namespace Brookstone\Core\Proof;

use Brookstone\Core\Error\ImpossibleValue;

/** A value of which only that is known which was said, and how far off such a value usually is. */
final readonly class Unknown
{
    /**
     * @param  string  $id  unique among those of one refit
     * @param  float  $said  within its bounds
     * @param  float  $usual  one standard deviation of what is usual, > 0
     */
    public function __construct(public string $id, public float $said, public float $usual, public float $low, public float $high)
    {
        ImpossibleValue::unlessPositive('usual', $usual);
        ImpossibleValue::unlessNotNegative('said', $said - $low);
        ImpossibleValue::unlessNotNegative('said', $high - $said);
    }
}
