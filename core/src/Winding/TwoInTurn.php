<?php

declare(strict_types=1);

namespace Brookstone\Core\Winding;

/**
 * Two things on one cord or shaft, each free to move: the lighter goes until it meets its stop, then the other. That is sure while the
 * second needs at its easiest clearly more than the first at its hardest. All four in the same unit, N or N·m.
 */
final readonly class TwoInTurn
{
    public const CLEARLY = 1.5;

    /** `one`, `other` or `neither` */
    public string $first;

    /** What the second needs at its easiest over what the first needs at its hardest. */
    public float $margin;

    public function __construct(public float $one_most, public float $one_least, public float $other_most, public float $other_least)
    {
        [$one, $other] = [$other_least / $one_most, $one_least / $other_most];
        $this->margin = max($one, $other);
        $this->first = $this->margin <= 1.0 ? 'neither' : ($one >= $other ? 'one' : 'other');
    }
}
