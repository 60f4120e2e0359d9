<?php

declare(strict_types=1);

namespace Brookstone\Core\Simulation;

use Brookstone\Core\Parts\Sensor;

/** Tells short, long and double presses of one button apart. */
final class Gestures
{
    private ?float $pressed = null; // since when

    private bool $told = false;     // what this press was

    private ?float $released = null; // after a press that may become a double one

    public function __construct(private readonly Sensor $button)
    {
    }

    /** What it was hangs on how long it lasts. */
    public function isOpen(): bool
    {
        return ($this->pressed !== null && ! $this->told) || $this->released !== null;
    }

    /** @return list<string> what is clear now that it is pressed or let go */
    public function changes(bool $on, float $now): array
    {
        if ($on) {
            $double = $this->released !== null && $now - $this->released <= $this->button->double_s + 1e-9;
            $was = match (true) {
                $double => ['double'],
                $this->released !== null => ['short'], // the press before this one, which nobody has looked at since it was clear
                default => [],
            };
            $this->pressed = $now;
            $this->told = $double;
            $this->released = null;

            return $was;
        }
        if ($this->pressed !== null && ! $this->told) {
            $this->released = $now;
        }
        $this->pressed = null;

        return [];
    }

    /** @return list<string> what is clear by now although nothing changed */
    public function waits(float $now): array
    {
        if ($this->pressed !== null && ! $this->told && $now - $this->pressed >= $this->button->long_s - 1e-9) {
            $this->told = true;

            return ['long'];
        }
        if ($this->released !== null && $now - $this->released > $this->button->double_s + 1e-9) {
            $this->released = null;

            return ['short'];
        }

        return [];
    }
}
