<?php

declare(strict_types=1);

namespace Brookstone\Core\Sensing;

/** Short, long and double presses told apart by two times: what is answered when, and what can be taken for something else. */
final readonly class PressWindows
{
    /** When a short press is answered: at once when it is let go, or, where double presses count, only once no second one can come. */
    public float $short_answer_ms;

    public bool $short_taken_for_long;

    public bool $double_taken_for_two;

    public bool $two_taken_for_double;

    /** In the middle of what people do, by ratio: √(longest short press · shortest long one). */
    public float $best_long_ms;

    public float $best_double_ms;

    /**
     * @param  float  $long_ms  held so long is a long press
     * @param  float  $double_ms  pressed again within so long is a double press; 0 where none count
     * @param  float  $tap_ms  the longest that people take for a short press
     * @param  float  $hold_ms  the shortest that they take for a long one
     * @param  float  $gap_ms  the longest pause within a double press
     * @param  float  $apart_ms  the shortest pause between two presses that are meant as two
     */
    public function __construct(float $long_ms, float $double_ms, float $tap_ms, float $hold_ms, float $gap_ms, float $apart_ms)
    {
        $this->short_answer_ms = $tap_ms + $double_ms;
        $this->short_taken_for_long = $long_ms <= $tap_ms;
        $this->double_taken_for_two = $double_ms > 0.0 && $double_ms <= $gap_ms;
        $this->two_taken_for_double = $double_ms > 0.0 && $double_ms >= $apart_ms;
        $this->best_long_ms = sqrt($tap_ms * $hold_ms);
        $this->best_double_ms = sqrt($gap_ms * $apart_ms);
    }
}
