<?php

declare(strict_types=1);

namespace Brookstone\Core\Program;

use Brookstone\Core\Build\Build;
use Brookstone\Core\Parts\Motion;
use Brookstone\Core\Proof\Repeats;
use Brookstone\Core\Routine\GoByStep;
use Brookstone\Core\Simulation\ComputedTimes;

/** What a program is told of moves before it makes any: from where each may begin, how long it takes, how far it runs on. */
final class MoveTimes
{
    private const MOST_PLACES = 48; // from which a motion that only knows its last move may set off

    private readonly ComputedTimes $computed;

    /** @var array<string, list<float>> */
    private array $from = [];

    /** @var array<string, list<Repeats>> by motion */
    private array $repeats = [];

    /** @param  bool  $measured  where a move was measured, that time counts instead of the computed one */
    public function __construct(private readonly Build $build, private readonly bool $measured = false)
    {
        $this->computed = new ComputedTimes($build->settings);
    }

    /** Time of a move, ms; null where its drive cannot make it. */
    public function ms(Motion $motion, float $from, float $to, float $speed): ?int
    {
        $time_s = ($this->measured ? $this->measured_s($motion, $from, $to, $speed) : null) ?? $this->computed->time_s($motion, $from, $to, $speed);

        return $time_s === null ? null : Roster::ms($time_s);
    }

    /** What such a move was measured to take, on the average; null where nobody did. */
    private function measured_s(Motion $motion, float $from, float $to, float $speed): ?float
    {
        $is = fn (string $place, float $at): bool => abs(($motion->place($place)->at ?? INF) - $at) < 1e-9;
        foreach ($this->repeats[$motion->id] ??= Repeats::all($this->build, $motion->id) as $each) {
            if ($is($each->from(), $from) && $is($each->to(), $to) && $each->circumstance()->isUsual($speed)) {
                return $each->mean_s;
            }
        }

        return null;
    }

    /** How long it runs on once it is told to stop, tenths of a millisecond. */
    public function runsOn(Motion $motion, float $to, int $direction, float $speed): int
    {
        return (int) round($this->computed->runsOn_s($motion, $to, $direction, $speed) * 1e4);
    }

    /**
     * Where a motion that only knows where its last move should have ended may stand: at its places, and so far from them as steps take it that go by an
     * amount.
     *
     * @return list<float> own unit, each once
     *
     * @throws CannotBeWritten when there is no end to it
     */
    public function positions(Motion $motion): array
    {
        if (isset($this->from[$motion->id])) {
            return $this->from[$motion->id];
        }
        $by = [];
        foreach ($this->build->routines as $routine) {
            foreach ($routine->flat() as $step) {
                $by += $step instanceof GoByStep && $step->motion === $motion->id ? [(string) $step->by => $step->by] : [];
            }
        }
        $found = [];
        foreach ($motion->places as $place) {
            $found[self::key($motion, $place->at)] = $place->at;
        }
        for ($open = array_values($found); $open !== [];) {
            $at = array_shift($open);
            foreach ($by as $each) {
                $next = $at + $each;
                if (! isset($found[self::key($motion, $next)])) {
                    $found[self::key($motion, $next)] = $open[] = $motion->comesTo($next);
                }
            }
            if (count($found) > self::MOST_PLACES) {
                throw CannotBeWritten::because("motions.{$this->build->indexOf($motion->id)}", "{$motion->named()} goes on by an amount again and again, and"
                    .' only the time of its moves tells where it is then: take it to a place in between.');
            }
        }

        return $this->from[$motion->id] = array_values($found);
    }

    private static function key(Motion $motion, float $at): string
    {
        return sprintf('%.6f', $motion->comesTo(round($at, 9)));
    }
}
