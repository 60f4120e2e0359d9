<?php

declare(strict_types=1);

namespace Brookstone\Core\Simulation;

/** One motor that moves two things, and what of them it can move now. */
final class SharedMotor
{
    private ?Axis $coupled; // null while the selector changes over

    /** @param  bool  $selected  a selector says which of the two it moves; the first as it was built */
    public function __construct(private readonly Axis $first, private readonly Axis $second, private readonly bool $selected)
    {
        $this->coupled = $first;
        $first->shares($this);
        $second->shares($this);
    }

    /** @throws StepFailed when it cannot */
    public function mayMove(Axis $axis): void
    {
        $partner = $axis === $this->first ? $this->second : $this->first;
        if ($partner->isPowered()) {
            throw new StepFailed("{$axis->motion->name} needs the motor that {$partner->motion->name} is using");
        }
        if ($this->selected && $this->coupled !== $axis) {
            throw new StepFailed("{$axis->motion->name} is not coupled to its motor: the selector holds ".($this->coupled === null ? 'neither' : $this->coupled->motion->name));
        }
    }

    /** @throws StepFailed while it turns */
    public function beginChange(): void
    {
        foreach ([$this->first, $this->second] as $axis) {
            if ($axis->isMoving()) {
                throw new StepFailed("{$axis->motion->name} still moves, and its selector must not be changed over under way");
            }
        }
        $this->coupled = null;
    }

    public function endChange(Axis $to): void
    {
        $this->coupled = $to;
    }
}
