<?php

declare(strict_types=1);

namespace Brookstone\Core\Build;

/** What was taken down at the bench of one move of a motion: its time and what else was measured then, and how it was. */
final readonly class Measurement
{
    /**
     * @param  float|null  $measured_s  time of the move
     * @param  float|null  $current_A  that the drive drew from its supply on the way, on the average
     * @param  float|null  $stalled_A  the same while it was held fast
     * @param  float|null  $stopped_at  where it came to rest, in the motion's own unit
     * @param  string  $failed  what failed, in words; empty where nothing did
     * @param  float  $speed  share of its usual speed
     * @param  string  $carries  `as_task` as its task has it on that way, `loaded`, `empty`
     * @param  float|null  $supply_V  what the supply gave, where that was measured too
     * @param  bool  $warm  after it had run for a while
     * @param  float|null  $temperature_C  of its drive
     * @param  float|null  $after_s  for which it had run by then
     * @param  float|null  $pull_N  on a balance where it presses, that moves it slowly from where the move begins
     * @param  string|null  $picture  a stored photograph
     */
    public function __construct(
        public string $id,
        public string $motion,
        public string $from,
        public string $to,
        public ?float $measured_s,
        public string $on,
        public string $note,
        public ?float $current_A = null,
        public ?float $stalled_A = null,
        public ?float $stopped_at = null,
        public string $failed = '',
        public float $speed = 1.0,
        public string $carries = 'as_task',
        public ?float $supply_V = null,
        public bool $warm = false,
        public ?float $temperature_C = null,
        public ?float $after_s = null,
        public ?float $pull_N = null,
        public ?string $picture = null,
    ) {
    }
}
