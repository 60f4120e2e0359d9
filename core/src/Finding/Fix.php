<?php

declare(strict_types=1);

namespace Brookstone\Core\Finding;

/** What can be done about a finding, ready to be applied. */
final readonly class Fix implements \JsonSerializable
{
    /** @param  non-empty-list<Change>  $changes */
    public function __construct(public Sentence $does, public array $changes)
    {
    }

    /** @return array{does: Sentence, changes: list<Change>} */
    public function jsonSerialize(): array
    {
        return ['does' => $this->does, 'changes' => $this->changes];
    }
}
