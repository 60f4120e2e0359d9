<?php

declare(strict_types=1);

namespace Brookstone\Core\Proof;

/** What a refit says of one unknown value. */
final readonly class Found
{
    /**
     * @param  float  $value  that explains best what was measured; what was said where it cannot be told
     * @param  float  $doubt  so far off it may be, with 95 %
     * @param  bool  $told  what was measured tells it; otherwise much else explains it as well
     * @param  float|null  $alone  of what cannot be told: what it would have to be if all the rest were as said; null where even that explains nothing
     */
    public function __construct(public Unknown $of, public float $value, public float $doubt, public bool $told, public ?float $alone = null)
    {
    }

    /** It is told, and is another than was said. */
    public function differs(): bool
    {
        return $this->told && abs($this->value - $this->of->said) > $this->doubt;
    }
}
