<?php

declare(strict_types=1);

namespace Brookstone\Core\Load;

use Brookstone\Core\Error\ImpossibleValue;

/** A wanted move between two positions (rad or m) in a time. */
final readonly class Move
{
    /** @throws ImpossibleValue when it goes nowhere or takes no time */
    public function __construct(public float $from, public float $to, public float $seconds, public Profile $profile = Profile::Trapezoid)
    {
        ImpossibleValue::unlessPositive('move_s', $seconds);
        if ($from === $to) {
            throw ImpossibleValue::because('to', 'must differ from where the move starts.');
        }
    }

    public function distance(): float
    {
        return $this->to - $this->from;
    }

    public function direction(): int
    {
        return $this->to > $this->from ? 1 : -1;
    }

    public function peakSpeed(): float
    {
        return $this->profile->peakSpeed() * abs($this->distance()) / $this->seconds;
    }

    public function peakAccel(): float
    {
        return $this->profile->peakAccel() * abs($this->distance()) / $this->seconds ** 2;
    }

    public function back(): self
    {
        return new self($this->to, $this->from, $this->seconds, $this->profile);
    }
}
