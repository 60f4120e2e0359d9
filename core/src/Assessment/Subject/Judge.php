<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment\Subject;

/** Judges one link of a motion's chain. */
interface Judge
{
    public function judge(MotionInBuild $subject): Link;
}
