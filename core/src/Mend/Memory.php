<?php

declare(strict_types=1);

namespace Brookstone\Core\Mend;

use Brookstone\Core\Build\Build;
use Brookstone\Core\Rehearsal\Rehearsed;

/** What need not be done again: rehearsals, and what has been tried on a build. */
interface Memory
{
    public function rehearsed(Build $build): Rehearsed;

    /** A rehearsal that was run on the way. */
    public function keepRehearsed(Build $build, Rehearsed $rehearsed): void;

    /** @return array<string, Tried> by the keys of its proposals */
    public function tried(Build $build): array;

    /** @param  array<string, Tried>  $tried */
    public function keepTried(Build $build, array $tried): void;
}
