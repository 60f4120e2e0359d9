<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment\Selection;

/** What the drives that carry a load are sorted by. */
enum Goal: string
{
    case AsAsked = 'as_asked';
    case Fastest = 'fastest';
    case Safest = 'safest';
    case Smallest = 'smallest';
    case Lightest = 'lightest';
    case LeastCurrent = 'least_current';
    case Coolest = 'coolest';
    case Quietest = 'quietest';
    case HoldsUnpowered = 'holds_unpowered';

    /** Longer than any move: what breaks when it is bumped comes after all that does not. */
    private const BREAKS_S = 1e7;

    /** The same for what is put in order by its volume, mm³; and for what moves much faster than was asked. */
    private const BREAKS_MM3 = 1e12;

    private const HASTY_MM3 = 1e10;

    /** The smaller, the further up. */
    public function measure(RatedDrive $candidate): float
    {
        $f = $candidate->figures;
        $body = $f->drive->motor->body();

        return match ($this) {
            // In the time asked for and with the margin asked for it is, or it would fail: calmly, surviving a bump, the smallest; of one drive that
            // which takes its time.
            self::AsAsked => ($f->survivesABump() ? 0.0 : self::BREAKS_MM3) + ($candidate->isHasty() ? self::HASTY_MM3 : 0.0)
                + $body->length_mm * $body->width_mm * $body->height_mm - min(1.0, ($candidate->time_s ?? 0.0) / $f->task->move_s),
            self::Fastest => ($candidate->time_s ?? INF) + ($f->survivesABump() ? 0.0 : self::BREAKS_S),
            self::Safest => -$candidate->safety(),
            self::Smallest => $body->length_mm * $body->width_mm * $body->height_mm,
            self::Lightest => $body->mass_kg,
            self::LeastCurrent => $f->mean_A,
            self::Coolest => $f->thermal->settles_C($f->cycle_heat_W, 0.0),
            self::Quietest => $candidate->noise(),
            self::HoldsUnpowered => $f->hold_Nm <= 0.0 ? -INF : -min(100.0, $f->holds_unpowered_Nm / $f->hold_Nm),
        };
    }
}
