<?php

declare(strict_types=1);

namespace Brookstone\Core\Wiring;

/** A pin of a board, by the name that stands beside it. */
final readonly class Pin
{
    /** @param  list<Ability>  $can */
    public function __construct(public string $name, public array $can)
    {
    }

    public function can(Ability ...$all): bool
    {
        foreach ($all as $each) {
            if (! in_array($each, $this->can, true)) {
                return false;
            }
        }

        return true;
    }
}
