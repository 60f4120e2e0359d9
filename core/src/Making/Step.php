<?php

declare(strict_types=1);

namespace Brookstone\Core\Making;

use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Plan\Task;

/** A task of a plan with what is said of it. */
final readonly class Step
{
    /**
     * @param  string  $stage  of the stages of a plan
     * @param  string  $stand_in  what stands in for what it brings, for trials
     */
    public function __construct(public Task $task, public string $stage, public Sentence $says, public bool $own = false, public float $late_days = 0.0,
        public string $stand_in = '', public ?string $done_on = null)
    {
    }
}
