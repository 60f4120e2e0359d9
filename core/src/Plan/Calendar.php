<?php

declare(strict_types=1);

namespace Brookstone\Core\Plan;

use Brookstone\Core\Error\ImpossibleValue;

/** The days of a plan: so many hours of work on each but those without work, counted from the first. */
final readonly class Calendar
{
    private const WEEK = ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'];

    private const DAY_S = 86400;

    /** @var list<int> days of a week from the first day, 0 to 6, on which there is work */
    private array $works;

    /**
     * @param  string|null  $begins_on  day as 2026-05-31; null where days are only counted: then there is work on each
     * @param  list<string>  $rests_on  `mon` to `sun`, not all of them
     */
    public function __construct(public ?string $begins_on, public float $hours_a_day, array $rests_on)
    {
        ImpossibleValue::unlessPositive('hours_a_day', $hours_a_day);
        $first = $begins_on === null ? 0 : (int) gmdate('N', self::seconds($begins_on)) - 1;
        $rests = $begins_on === null ? [] : $rests_on;
        $this->works = array_values(array_filter(range(0, 6), fn (int $day): bool => ! in_array(self::WEEK[($first + $day) % 7], $rests, true)));
        ImpossibleValue::unlessPositive('rests_on', count($this->works));
    }

    /** When work can begin after so many hours of it. */
    public function beginsAfter(float $hours): float
    {
        $days = self::even($hours / $this->hours_a_day);

        return $this->day((int) floor($days)) + $days - floor($days);
    }

    /** When so many hours of work are done. */
    public function done(float $hours): float
    {
        $days = self::even($hours / $this->hours_a_day);
        $last = max(0, (int) ceil($days) - 1);

        return $this->day($last) + $days - $last;
    }

    /** Hours of work that have passed at a time. */
    public function hoursAt(float $day): float
    {
        $week = (int) floor($day / 7);
        $in = $day - 7 * $week;
        $whole = count(array_filter($this->works, fn (int $each): bool => $each + 1 <= $in));
        $part = in_array((int) floor($in), $this->works, true) ? $in - floor($in) : 0.0;

        return ($week * count($this->works) + $whole + $part) * $this->hours_a_day;
    }

    /** The date of a day of the plan; null where none is said. */
    public function on(float $day): ?string
    {
        return $this->begins_on === null ? null : gmdate('Y-m-d', self::seconds($this->begins_on) + (int) floor($day + 1e-9) * self::DAY_S);
    }

    /** The day of the plan at which a date begins; null where none is said. */
    public function dayOf(string $date): ?float
    {
        return $this->begins_on === null ? null : (self::seconds($date) - self::seconds($this->begins_on)) / self::DAY_S;
    }

    /** Where the given working day lies, counted from 0. */
    private function day(int $working): int
    {
        $a = count($this->works);

        return intdiv($working, $a) * 7 + ($this->works[$working % $a] ?? 0);
    }

    /** Without what adding up hours has left over. */
    private static function even(float $days): float
    {
        return abs($days - round($days)) < 1e-9 ? round($days) : $days;
    }

    private static function seconds(string $date): int
    {
        return (int) gmmktime(0, 0, 0, (int) substr($date, 5, 2), (int) substr($date, 8, 2), (int) substr($date, 0, 4));
    }
}
