<?php

declare(strict_types=1);

namespace Brookstone\Core\Mechanism;

/** Something at the end of a linkage, turning about a pivot of its own at which a spring may sit. */
interface SprungAtPivot extends Mechanism
{
    /** Turn of what sits there, degrees, at a position of the drive, rad. */
    public function follower(float $position): float;

    /**
     * What holds it at its own pivot without a spring, and how far the drive turns it.
     *
     * @return array{float, float} N·m and rad/rad
     */
    public function atPivot(float $position): array;

    /** The same with a spring there. */
    public function withSpring(float $spring_Nm_per_deg, float $spring_rest_deg): self;
}
