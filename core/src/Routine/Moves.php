<?php

declare(strict_types=1);

namespace Brookstone\Core\Routine;

/** A step that moves one motion, as the controller does it. */
interface Moves extends Step
{
    public function motion(): string;

    /** Share of its usual speed. */
    public function speed(): float;

    /** When it gives up, s; null if never. */
    public function giveUp_s(): ?float;
}
