<?php

declare(strict_types=1);

namespace Brookstone\Core\Drive;

/** Of drives that nothing but the friction of their gears and brushes holds. */
trait RubsUnpowered
{
    public function endsItself(): bool
    {
        return false;
    }

    public function locks(): bool
    {
        return false;
    }

    public function drag_Nm(bool $alone): float
    {
        $line = $this->line($this->voltageRange()[1], 1.0);
        $idles = $line->A_per_Nm > 0.0 ? $line->idle_A / $line->A_per_Nm : 0.0;

        return $alone ? $idles : max($idles, $this->body()->back_drive_Nm);
    }
}
