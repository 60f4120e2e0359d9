<?php

declare(strict_types=1);

namespace Brookstone\Core\Parts;

/** Where a motion ends by force, and the switches before that. Positions in the motion's own unit. */
final readonly class Stops
{
    /**
     * @param  list<LimitSwitch>  $switches
     * @param  list<LimitSwitch>  $marks  sensors that it passes
     * @param  float|null  $encoder_pulses  for each turn of the drive's shaft; null without an encoder
     */
    public function __construct(public ?float $hard_low, public ?float $hard_high, public array $switches, public bool $brakes,
        public ?float $encoder_pulses = null, public array $marks = [])
    {
    }

    /** @return list<LimitSwitch> what tells where it is: its switches, and the sensors that it passes */
    public function tellers(): array
    {
        return [...$this->switches, ...$this->marks];
    }

    /** @param  array<string, mixed>  $changes  named as the fields */
    public function but(array $changes): self
    {
        return new self(...$changes + get_object_vars($this));
    }

    /** From where a switch trips to the hard stop behind it, in the motion's own unit; null without one. */
    public function roomAfter(LimitSwitch $switch): ?float
    {
        $stop = $switch->end === 'low' ? $this->hard_low : $this->hard_high;

        return $stop === null ? null : ($stop - $switch->at) * $switch->direction();
    }

    public function switchAt(string $place): ?LimitSwitch
    {
        foreach ($this->tellers() as $switch) {
            if ($switch->place === $place) {
                return $switch;
            }
        }

        return null;
    }

    public function switch(string $id): ?LimitSwitch
    {
        foreach ($this->tellers() as $switch) {
            if ($switch->id === $id) {
                return $switch;
            }
        }

        return null;
    }
}
