<?php

declare(strict_types=1);

namespace Brookstone\Core\Routine;

use Brookstone\Core\Build\Build;
use Brookstone\Core\Build\LimitSwitch;

/** A step that moves one motion. */
interface Moves extends Step
{
    public function motion(): string;

    /** Share of its usual speed. */
    public function speed(): float;

    /** When it gives up, s; null if never. */
    public function giveUp_s(): ?float;

    /** The switch of its own motion that ends it; null where something else does. */
    public function ontoSwitch(Build $build): ?LimitSwitch;

    /** Where it ends; null where that cannot be told from the step alone. */
    public function endsAt(Build $build): ?string;
}
