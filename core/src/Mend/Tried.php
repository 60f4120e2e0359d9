<?php

declare(strict_types=1);

namespace Brookstone\Core\Mend;

use Brookstone\Core\Finding\Fix;
use Brookstone\Core\Finding\Sentence;

/** What became of a mend that was tried on the whole build. */
final readonly class Tried
{
    /**
     * @param  Fix|null  $fix  with all that it needs and what it costs; null where it mends nothing, or brings something as bad
     * @param  Sentence|null  $brings  that, where there is one
     */
    public function __construct(public ?Fix $fix, public ?Sentence $brings = null)
    {
    }
}
