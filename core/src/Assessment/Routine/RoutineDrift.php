<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment\Routine;

use Brookstone\Core\Drift\DriftPath;
use Brookstone\Core\Drift\DriftStop;
use Brookstone\Core\Finding\Change;
use Brookstone\Core\Finding\Fix;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Parts\Motion;
use Brookstone\Core\Parts\Place;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Routine\Movement;
use Brookstone\Core\Routine\Routine;

/** Moves by time, past the number that stays within tolerance without homing. */
final readonly class RoutineDrift
{
    private const MOST_CYCLES = 2000; // in a day, that are looked at

    public function __construct(private RoutineContext $context)
    {
    }

    public function check(Routine $routine, int $i): void
    {
        $cycle = $this->context->cycle($routine);
        foreach ($cycle === null ? [] : $this->context->build->motions as $motion) {
            if (! $motion->positioning->isTimed() || $motion->turnsAnywhere()) {
                continue;
            }
            $path = new DriftPath($this->context->build, $motion, $cycle);
            if (! $path->isByTime()) {
                continue;
            }
            $tolerance = $motion->task->tolerance ?? Motion::USUAL_TOLERANCE * self::apart($motion);
            $homed = $path->isHomed();
            $strays = $path->strays($tolerance, (int) min(self::MOST_CYCLES, max(1.0, $motion->task->per_day)));
            if ($strays !== null) {
                $this->tell($routine, $i, $motion, $tolerance, $homed, ...$strays);
            }
        }
    }

    /** How far it goes: its travel, or of what comes round from one place to the next. */
    private static function apart(Motion $motion): float
    {
        [$low, $high] = $motion->range();
        $period = $motion->period();
        if ($period === null) {
            return $high - $low;
        }
        $places = array_map(fn (Place $place): float => $motion->comesTo($place->at), $motion->places);
        sort($places);
        $places[] = $places[0] + $period;
        $gaps = array_filter(array_map(fn (float $to, float $from): float => $to - $from, array_slice($places, 1), array_slice($places, 0, -1)),
            fn (float $gap): bool => $gap > 1e-9 * $period);

        return min([...$gaps, $period]);
    }

    /** @param  int  $moves  that are still within */
    private function tell(Routine $routine, int $i, Motion $motion, float $tolerance, bool $homed, DriftStop $stop, float $off, int $moves): void
    {
        $by = $this->context->build->routines[$stop->routine];
        $move = $by->stepAt($stop->path)?->effect($this->context->build)->move;
        $at = array_search($by->id, array_keys($this->context->build->routines), true);
        $unit = $motion->unit();
        $once = $homed || $moves < 1;
        $values = ['tolerance' => $unit->quantity($tolerance), 'error' => $unit->quantity($off), 'moves' => Quantity::number($moves)];
        $this->context->find($routine, 'routine.drifts', $moves < 1 ? Severity::Fails : Severity::Tight, "routines.{$at}.{$stop->path}", $once
            ? "{$motion->named()} goes by time here, and with other voltage and friction ends up to {error} off its place, where {tolerance} is allowed."
            : "{$motion->named()} goes by time here and {$routine->named()} never homes it: after {moves} moves it can be more than {tolerance} off its place.", $values, $move !== null && ($move->by !== null || $move->isSent()) ? $this->fixes($motion, $move, $i, $once) : [], $motion->id);
    }

    /** @return list<Fix> */
    private function fixes(Motion $motion, Movement $move, int $i, bool $once): array
    {
        $m = $this->context->build->indexOf($motion->id);
        $place = $move->endsAt === null ? null : $motion->place($move->endsAt);
        [$low, $high] = $motion->range();
        $fixes = [];
        if ($place !== null && $motion->period() === null && (abs($place->at - $low) < 1e-9 || abs($place->at - $high) < 1e-9)) {
            $end = abs($place->at - $low) < 1e-9 ? 'low' : 'high';
            $fixes[] = new Fix(new Sentence("Put a switch at {$place->named()}"), [new Change("motions.{$m}.stops.switches", [
                ...$this->context->build->document['motions'][$m]['stops']['switches'],
                ['id' => substr($motion->id, 0, 26).'-'.substr($place->id, 0, 12), 'name' => "{$motion->name}: {$place->name} switch", 'place' => $place->id,
                    'at' => $place->at, 'end' => $end],
            ])]);
        }
        $home = $motion->positioning->homesOnto();
        if (! $once && $home !== null) {
            $time = $this->context->subjects[$motion->id]->facts->longestTimeTo($home->place, RoutineContext::HOME_SPEED);
            $fixes[] = $this->context->before("routines.{$i}.steps.0", $motion->homing($home, RoutineContext::HOME_SPEED, $time === null ? null
                : RoutineContext::patienceFor($time)), new Sentence("Home {$motion->named()} each time"));
        }

        return $fixes;
    }
}
