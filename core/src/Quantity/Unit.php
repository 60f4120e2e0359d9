<?php

declare(strict_types=1);

namespace Brookstone\Core\Quantity;

/**
 * A unit people type or read. `si = number × factor`, or for a unit that counts the other way round (seconds per 60°)
 * `si = factor ÷ number`.
 */
final readonly class Unit
{
    /** @param  list<string>  $aliases other spellings, already folded (see QuantityParser::fold) */
    public function __construct(
        public string $symbol,
        public Dimension $dimension,
        public float $factor,
        public array $aliases = [],
        public bool $inverse = false,
    ) {
    }

    public function toSi(float $number): float
    {
        return $this->inverse ? $this->factor / $number : $number * $this->factor;
    }

    public function fromSi(float $si): float
    {
        return $this->inverse ? $this->factor / $si : $si / $this->factor;
    }
}
