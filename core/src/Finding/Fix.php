<?php

declare(strict_types=1);

namespace Brookstone\Core\Finding;

/** What can be done about a finding, ready to be applied. */
final readonly class Fix implements \JsonSerializable
{
    /**
     * @param  non-empty-list<Change>  $changes  applied one after the other
     * @param  list<Sentence>  $costs  what it costs in time, current, mass and parts, where that was looked at
     */
    public function __construct(public Sentence $does, public array $changes, public array $costs = [])
    {
    }

    /** Both as one: this first, then what it needs besides. */
    public function and(self $other): self
    {
        return new self($this->does->goingOn('; ', $other->does), [...$this->changes, ...$other->changes]);
    }

    /** @param  list<Sentence>  $costs */
    public function costing(array $costs): self
    {
        return new self($this->does, $this->changes, $costs);
    }

    /** @return array{does: Sentence, changes: list<Change>, costs: list<Sentence>} */
    public function jsonSerialize(): array
    {
        return ['does' => $this->does, 'changes' => $this->changes, 'costs' => $this->costs];
    }
}
