<?php

declare(strict_types=1);

namespace Brookstone\Core\Routine;

/** What steps that move something have in common. */
trait MovesAtSpeed
{
    public function motion(): string
    {
        return $this->motion;
    }

    public function speed(): float
    {
        return $this->speed;
    }

    public function giveUp_s(): ?float
    {
        return $this->give_up_s;
    }
}
