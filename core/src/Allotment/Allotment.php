<?php

declare(strict_types=1);

namespace Brookstone\Core\Allotment;

use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Wiring\Join;
use Brookstone\Core\Wiring\PlacedBoard;

/** What is to be added to the wiring of a build so that everything has its channel and its pin, or why that cannot be. */
final readonly class Allotment
{
    /**
     * @param  list<PlacedBoard>  $boards
     * @param  list<Join>  $joins
     * @param  list<Sentence>  $short  what is missing, and what would do; empty where everything is wired
     */
    public function __construct(public array $boards, public array $joins, public array $short)
    {
    }

    /** Nothing is to be done, or nothing can be. */
    public function isNothing(): bool
    {
        return $this->boards === [] && $this->joins === [];
    }
}
