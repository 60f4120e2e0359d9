<?php

declare(strict_types=1);

namespace Brookstone\Core\Making;

use Brookstone\Core\Finding\Sentence;

/** One line of what a build needs. */
final readonly class Item
{
    /**
     * @param  string  $id  stays the same as long as the same thing is needed
     * @param  string  $group  of GROUPS of the bill
     * @param  float  $count  pieces, or metres
     * @param  string  $per  `piece`, `m`
     * @param  list<string>  $for  what it is for, in words
     * @param  string  $made  `bought`, `printed`, `cut`
     * @param  float|null  $price  of one, where it is known of itself
     * @param  int  $spares  worth having besides
     * @param  string  $why  of those: what wears, what breaks, what takes long to come
     */
    public function __construct(public string $id, public string $group, public Sentence $name, public float $count, public string $per, public array $for,
        public string $made = 'bought', public ?float $price = null, public int $spares = 0, public string $why = '')
    {
    }

    public function and(float $more, string $for): self
    {
        return new self($this->id, $this->group, $this->name, $this->count + $more, $this->per, array_values(array_unique([...$this->for, $for])), $this->made,
            $this->price, $this->spares, $this->why);
    }
}
