<?php

declare(strict_types=1);

namespace Brookstone\Core\Sensing;

/** After a knock the sensor rings on; for a while nothing counts, or one knock is taken for several. Too long, and the next knock is lost. */
final readonly class KnockWindow
{
    public bool $counts_twice;

    public bool $loses_next;

    /** Between ringing and the next knock, by ratio: √(ring · gap). */
    public float $best_ms;

    /** Within which a pattern of so many knocks is over, with half a gap to spare. */
    public float $pattern_ms;

    /** The loudest noise against the softest knock, as shares of the threshold: below 1 and above 1 if it tells them apart. */
    public bool $hears_noise;

    public bool $misses_soft;

    /**
     * @param  float  $quiet_ms  for which nothing counts after a knock
     * @param  float  $ring_ms  for which the sensor rings on
     * @param  float  $gap_ms  the shortest pause between two knocks
     * @param  int  $knocks  of a pattern, ≥ 1
     */
    public function __construct(float $quiet_ms, float $ring_ms, float $gap_ms, int $knocks, float $longest_gap_ms, float $threshold, float $noise,
        float $softest)
    {
        $this->counts_twice = $quiet_ms <= $ring_ms;
        $this->loses_next = $quiet_ms >= $gap_ms;
        $this->best_ms = sqrt($ring_ms * $gap_ms);
        $this->pattern_ms = ($knocks - 1) * $longest_gap_ms + $longest_gap_ms / 2;
        $this->hears_noise = $noise >= $threshold;
        $this->misses_soft = $softest < $threshold;
    }
}
