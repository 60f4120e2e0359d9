<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\Build;
use Brookstone\Core\Assessment\Assessment;
use Brookstone\Core\Build\Build as CoreBuild;

/** A build as it was stored, read and judged once. */
final readonly class Kept
{
    public function __construct(public Build $build, public CoreBuild $core, public Assessment $assessment)
    {
    }
}
