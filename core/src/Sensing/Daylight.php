<?php

declare(strict_types=1);

namespace Brookstone\Core\Sensing;

/**
 * Day and night by one light sensor: two thresholds far enough apart that neither flicker nor the lamp that is switched on brings the day
 * back, halfway between the darkest day and the brightest night by ratio, as light goes; and a wait longer than what passes by.
 */
final readonly class Daylight
{
    public const SPARE = 1.5;

    /** The thresholds must be so far apart. */
    public float $least_apart;

    public float $best_night_below;

    public float $best_day_above;

    public float $best_wait_s;

    /** There is room for both thresholds between the brightest night and the darkest day. */
    public bool $tells_apart;

    /** The lamp itself, or flicker, takes the reading over the upper threshold: it switches itself off, and on again. */
    public bool $switches_itself;

    /** A cloud or a headlight is taken for night or day. */
    public bool $follows_passing;

    /** A dark day counts as night, or a bright night as day. */
    public bool $misreads;

    /**
     * @param  float  $day_least  the darkest reading that is still day, > 0
     * @param  float  $night_most  the brightest that is still night, > 0 and less
     * @param  float  $lamp_adds  to the reading, by what is switched on at night, ≥ 0
     * @param  float  $flicker  from peak to peak, of lamps on the mains and of the reading itself, ≥ 0
     * @param  float  $passing_s  the longest shadow or headlight that shall not count
     * @param  float|null  $night_below  thresholds to be checked; the best where they are not given
     */
    public function __construct(float $day_least, float $night_most, float $lamp_adds, float $flicker, float $passing_s, ?float $night_below = null,
        ?float $day_above = null, ?float $wait_s = null)
    {
        $this->least_apart = self::SPARE * ($lamp_adds + $flicker);
        $middle = sqrt($day_least * $night_most);
        // As far apart as asked, and still inside where that fits.
        $below = max($night_most, min($middle - $this->least_apart / 2, $day_least - $this->least_apart));
        $this->best_night_below = $below;
        $this->best_day_above = $below + $this->least_apart;
        $this->best_wait_s = self::SPARE * $passing_s;
        $this->tells_apart = $this->best_day_above <= $day_least * (1 + 1e-12);
        $night = $night_below ?? $this->best_night_below;
        $day = $day_above ?? $this->best_day_above;
        $this->switches_itself = $day - $night <= $lamp_adds + $flicker && $lamp_adds + $flicker > 0.0;
        $this->follows_passing = ($wait_s ?? $this->best_wait_s) <= $passing_s && $passing_s > 0.0;
        $this->misreads = $night < $night_most || $day > $day_least * (1 + 1e-12);
    }
}
