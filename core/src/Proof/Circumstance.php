<?php

declare(strict_types=1);

namespace Brookstone\Core\Proof;

use Brookstone\Core\Build\Measurement;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Parts\Motion;
use Brookstone\Core\Quantity\Quantity;

/** How it was when something was measured: what is measured otherwise is not the same thing again. */
final readonly class Circumstance
{
    private function __construct(public float $speed, public string $carries, public ?float $supply_V, public bool $warm)
    {
    }

    public static function of(Measurement $entry): self
    {
        return new self($entry->speed, $entry->carries, $entry->supply_V, $entry->warm);
    }

    /** The same for all that was measured in the same way; a supply is the same within a tenth of a volt. */
    public function key(): string
    {
        return sprintf('%s %s %s %d', round($this->speed, 4), $this->carries, $this->supply_V === null ? '' : round($this->supply_V, 1), $this->warm);
    }

    /** As its task has it, at its usual voltage. */
    public function isUsual(float $speed): bool
    {
        return $this->carries === 'as_task' && $this->supply_V === null && abs($this->speed - $speed) < 1e-9;
    }

    /** The motion as it was then: what it carried, and what its supply gave. */
    public function motion(Motion $motion): Motion
    {
        $motion = match ($this->carries) {
            'loaded' => $motion->carrying(true),
            'empty' => $motion->carrying(false),
            default => $motion,
        };

        return $this->supply_V === null || $motion->drive === null ? $motion : $motion->withDrive($motion->drive->on($this->supply_V));
    }

    /** `loaded` or `empty`, as it was on that way. */
    public function carried(Motion $motion, string $from, string $to): string
    {
        if ($this->carries !== 'as_task') {
            return $this->carries;
        }
        $there = $motion->place($from) === null || $motion->place($to) === null || $motion->isThere($motion->at($from), $motion->at($to));

        return $motion->task->payload->isOn($there) ? 'loaded' : 'empty';
    }

    public function says(): Sentence
    {
        $parts = [...($this->carries === 'as_task' ? [] : [$this->carries]), ...($this->speed === 1.0 ? [] : ['at {speed} speed']),
            ...($this->supply_V === null ? [] : ['on {volts}']), ...($this->warm ? ['warm'] : [])];

        return new Sentence(implode(', ', $parts), ($this->speed === 1.0 ? [] : ['speed' => Quantity::share($this->speed)])
            + ($this->supply_V === null ? [] : ['volts' => Quantity::of($this->supply_V, 'V')]));
    }
}
