<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment\Routine;

use Brookstone\Core\Build\Build;
use Brookstone\Core\Condition\Condition;
use Brookstone\Core\Condition\Conditions;
use Brookstone\Core\Condition\LevelIs;
use Brookstone\Core\Finding\Change;
use Brookstone\Core\Finding\Fix;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Parts\Motion;
use Brookstone\Core\Parts\Sensor;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Routine\Movement;
use Brookstone\Core\Routine\OutputChange;
use Brookstone\Core\Routine\Routine;
use Brookstone\Core\Routine\Step;
use Brookstone\Core\Sensing\Daylight;

/** What a routine does to what is around it: a lamp that its own sensor sees, a door that shuts on somebody. */
final readonly class RoutineSurroundings
{
    private const LOOKS_S = 60.0; // somebody in a door goes on in less

    private Build $build;

    public function __construct(private RoutineContext $context)
    {
        $this->build = $context->build;
    }

    public function check(Routine $routine, int $i): void
    {
        foreach ($routine->starts as $j => $trigger) {
            if ($trigger->condition instanceof LevelIs) {
                $this->ownLamp($routine, $trigger->condition, "routines.{$i}.starts.{$j}");
            } elseif ($trigger->sensor !== null && $this->build->sensors[$trigger->sensor]->measures()) {
                $this->ownThresholds($routine, $this->build->sensors[$trigger->sensor]);
            }
        }
        $this->doors($routine, $i);
    }

    /** It starts at a level that the lamp which it switches on brings about again by going out, or takes back by its own light. */
    private function ownLamp(Routine $routine, LevelIs $level, string $at): void
    {
        $sensor = $this->build->sensors[$level->sensor];
        $path = 'sensors.'.array_search($sensor->id, array_keys($this->build->sensors), true);
        if ($sensor->lamp === null) {
            $lamp = $this->switched($routine, fn (OutputChange $change): bool => $change->on && $this->build->outputs[$change->output]->kind === 'lamp');
            if ($sensor->kind === 'light' && $lamp !== null) {
                $this->context->find($routine, 'routine.lamp_unasked', Severity::Note, "{$path}.lamp",
                    "{$routine->named()} switches {$this->build->outputs[$lamp]->named()} on by what {$sensor->named()} reads: read it once with the lamp on and once with it off, and say what the lamp adds.");
            }

            return;
        }
        $adds = abs($sensor->lamp_adds);
        if ($adds <= 0.0 || $this->switched($routine, fn (OutputChange $change): bool => $change->output === $sensor->lamp && $change->on) === null) {
            return;
        }
        $apart = Daylight::SPARE * $adds;
        $goesOut = $this->switched($routine, fn (OutputChange $change): bool => $change->output === $sensor->lamp
            && (! $change->on || $change->for_s !== null)) !== null;
        if ($goesOut && $level->hysteresis <= $adds) {
            $this->tell($routine, $sensor, $path, $level->hysteresis,
                [new Fix(new Sentence('Let it come back by {by} first', ['by' => Quantity::number($apart)]),
                    [new Change("{$at}.hysteresis", round($apart, 6))])]);
        }
        foreach ($this->build->routines as $other) {
            foreach ($other->starts as $j => $trigger) {
                $back = $trigger->condition;
                if (! $back instanceof LevelIs || $back->sensor !== $sensor->id || $back->above === $level->above
                    || $this->switched($other, fn (OutputChange $change): bool => $change->output === $sensor->lamp && ! $change->on) === null) {
                    continue;
                }
                $lies = ($back->value - $level->value) * ($level->above ? -1 : 1);
                if ($lies <= $adds) {
                    $value = $level->value + ($level->above ? -1 : 1) * $apart;
                    $k = array_search($other->id, array_keys($this->build->routines), true);
                    $this->tell($routine, $sensor, $path, $lies,
                        [new Fix(new Sentence("Start {$other->named()} at {value}", ['value' => Quantity::number($value)]),
                            [new Change("routines.{$k}.starts.{$j}.value", round($value, 6))])]);
                }
            }
        }
    }

    /** The same with the two thresholds of the sensor itself. */
    private function ownThresholds(Routine $routine, Sensor $sensor): void
    {
        $adds = abs($sensor->lamp_adds);
        $apart = $sensor->upper === null ? INF : $sensor->upper - ($sensor->lower ?? $sensor->upper);
        if ($sensor->lamp === null || $adds <= 0.0 || $apart > $adds
            || $this->switched($routine, fn (OutputChange $change): bool => $change->output === $sensor->lamp) === null) {
            return;
        }
        $path = 'sensors.'.array_search($sensor->id, array_keys($this->build->sensors), true);
        $lower = (float) $sensor->upper - Daylight::SPARE * $adds;
        $this->tell($routine, $sensor, $path, $apart, [new Fix(new Sentence('Let it be off below {lower}', ['lower' => Quantity::number($lower)]),
            [new Change("{$path}.lower", round($lower, 6))])]);
    }

    /** @param  list<Fix>  $fixes */
    private function tell(Routine $routine, Sensor $sensor, string $path, float $apart, array $fixes): void
    {
        $lamp = $this->build->outputs[$sensor->lamp ?? '']->named();
        $this->context->find($routine, 'routine.sees_own_lamp', Severity::Fails, "{$path}.lamp_adds", $apart < 0.0
            ? "{$lamp} changes what {$sensor->named()} reads by {adds}, and the values that switch it on and off overlap: it switches itself on and off without end. Shade the sensor from it."
            : "{$lamp} changes what {$sensor->named()} reads by {adds}, and what switches it on and off lies only {apart} apart: it switches itself on and off without end. Shade the sensor from it.",
            ['adds' => Quantity::number(abs($sensor->lamp_adds)), 'apart' => Quantity::number($apart)], $fixes);
    }

    /** @param  \Closure(OutputChange): bool  $wanted  @return string|null the output of the first such step */
    private function switched(Routine $routine, \Closure $wanted): ?string
    {
        foreach ($routine->flat() as $step) {
            $change = $step->effect($this->build)->output;
            if ($change !== null && $wanted($change)) {
                return $change->output;
            }
        }

        return null;
    }

    /** A door is shut, and nothing has looked since it was last moved whether somebody is in it. */
    private function doors(Routine $routine, int $i): void
    {
        $looked = [];
        foreach ($routine->flat() as $path => $step) {
            $looks = $this->looks($step);
            $move = $step->effect($this->build)->move;
            $motion = $this->build->motions[$move->motion ?? ''] ?? null;
            if ($looks) {
                $looked = array_fill_keys(array_keys($this->build->motions), true);
            }
            if ($move === null || $motion?->task->shuts_at === null) {
                continue;
            }
            if ($this->shuts($move, $motion) && ! isset($looked[$motion->id])) {
                $this->unlooked($routine, $motion, "routines.{$i}.{$path}");
            }
            unset($looked[$motion->id]);
        }
    }

    /** It asks a sensor that tells of the world and not of a motion. */
    private function looks(Step $step): bool
    {
        foreach ($step->conditions() as $condition) {
            if ($this->outside($condition)) {
                return true;
            }
        }

        return false;
    }

    private function outside(?Condition $condition): bool
    {
        foreach (Conditions::all($condition) as $part) {
            $sensor = $this->build->sensors[$part->refersTo()['sensor'][1] ?? ''] ?? null;
            if ($sensor !== null && $sensor->motion === null) {
                return true;
            }
        }

        return false;
    }

    private function shuts(Movement $move, Motion $motion): bool
    {
        $shut = $motion->at((string) $motion->task->shuts_at);
        [$low, $high] = $motion->range();
        $way = abs($shut - $low) < abs($shut - $high) ? -1 : 1;

        return match (true) {
            $move->endsAt !== null => $move->endsAt === $motion->task->shuts_at,
            $motion->period() !== null => true, // it comes by there
            default => $move->way === $way,
        };
    }

    private function unlooked(Routine $routine, Motion $motion, string $path): void
    {
        $eye = null;
        foreach ($this->build->sensors as $sensor) {
            $eye ??= $sensor->motion === null && in_array($sensor->kind, ['beam', 'reflective'], true) ? $sensor : null;
        }
        $this->context->find($routine, 'routine.shuts_unlooked', $this->build->around->public ? Severity::Fails : Severity::Tight, $path,
            "{$motion->named()} shuts, and nothing has checked whether somebody is in it: let it wait until a sensor is clear, limit its force, and leave a way out by hand. Local rules decide.", [], $eye === null ? [] : [
                $this->context->before($path, ['do' => 'wait', 'until' => ['sensor' => $eye->id, 'is' => 'off'], 'give_up_s' => self::LOOKS_S],
                    new Sentence("Wait first until {$eye->named()} is clear")),
            ], $motion->id);
    }
}
