<?php

declare(strict_types=1);

namespace Brookstone\Core\Routine;

use Brookstone\Core\Parts\LimitSwitch;

/** That a step moves a motion: how, and where to. */
final readonly class Movement
{
    /**
     * @param  float  $speed  share of its usual speed
     * @param  string|null  $endsAt  the place where it ends; null where the step alone does not tell
     * @param  LimitSwitch|null  $onto  the switch of its own that ends it
     * @param  float|null  $by  how far, in its own unit; null where a place or a condition ends it
     * @param  int|null  $way  1 up, −1 down; null where that hangs on where it is
     * @param  bool  $seeks  it finds where it ends from wherever it stands
     * @param  float|null  $slowest  share of its usual speed at which it may be made too; null is none
     * @param  bool  $staysOn  its motor is still on when the step is over
     */
    public function __construct(
        public string $motion,
        public float $speed,
        public ?string $endsAt = null,
        public ?LimitSwitch $onto = null,
        public ?float $by = null,
        public ?int $way = null,
        public bool $seeks = false,
        public bool $staysOn = false,
        public ?float $slowest = null,
    ) {
    }

    /** It goes to a place that the step names. */
    public function isSent(): bool
    {
        return $this->endsAt !== null && ! $this->staysOn;
    }
}
