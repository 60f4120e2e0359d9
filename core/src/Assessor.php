<?php

declare(strict_types=1);

namespace Brookstone\Core;

use Brookstone\Core\Assessment\Assessment;
use Brookstone\Core\Build\Build;
use Brookstone\Core\Drive\Stock;
use Brookstone\Core\Mend\Mender;
use Brookstone\Core\Rehearsal\Rehearsal;
use Brookstone\Core\Rehearsal\Rehearsed;

/** The one judge. Page, command line, printed sheet and tests show what it says; nothing else decides. */
final class Assessor
{
    /**
     * A pure function: the same build is judged the same way, always. All its routines are rehearsed, and what is offered to mend it has been tried.
     *
     * @param  Stock|null  $stock  the drawer that mends choose from; what comes with Brookstone when null
     * @param  Rehearsed|null  $rehearsed  of this build, where that is known already
     */
    public static function assess(Build $build, ?Stock $stock = null, ?Rehearsed $rehearsed = null): Assessment
    {
        return (new Mender($build, $stock, $rehearsed ?? Rehearsal::of($build)))->offered();
    }
}
