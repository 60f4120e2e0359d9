<?php

declare(strict_types=1);

namespace Brookstone\Core\Mend;

use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Finding\Sentence;

/** What a change brings that was not there before. */
final readonly class Worse
{
    /** @param  Finding|null  $finding  where it is one; otherwise a routine that does not do any more what it did */
    public function __construct(public Sentence $says, public ?Finding $finding = null)
    {
    }
}
