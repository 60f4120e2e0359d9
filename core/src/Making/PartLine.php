<?php

declare(strict_types=1);

namespace Brookstone\Core\Making;

/** A line of the bill with what its builder knows of it. */
final readonly class PartLine
{
    /**
     * @param  bool  $have  it lies in the drawer
     * @param  float|null  $price  of one
     * @param  float|null  $days  until it is here once it is ordered; null is what is usual
     */
    public function __construct(public Item $item, public bool $have, public string $place, public ?float $price, public ?float $days, public ?string $comes_on,
        public string $note)
    {
    }

    public function cost(): ?float
    {
        return $this->price === null ? null : $this->price * $this->item->count;
    }
}
