<?php

declare(strict_types=1);

namespace Brookstone\Core\Reach;

/** One thing that happens in the states that a search goes through. */
final readonly class Happening
{
    /**
     * @param  string  $what  `power_on`, `starts`, `ends` or `gives_up`
     * @param  string|null  $of  the routine that starts, by id; the step that ends or gives up, by its path in the document
     */
    public function __construct(public string $what, public ?string $of = null)
    {
    }
}
