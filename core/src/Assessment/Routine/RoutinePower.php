<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment\Routine;

use Brookstone\Core\Assessment\Repair\SupplyMends;
use Brookstone\Core\Assessment\Subject\MotionInBuild;
use Brookstone\Core\Build\Build;
use Brookstone\Core\Finding\Change;
use Brookstone\Core\Finding\Fix;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Parts\LimitSwitch;
use Brookstone\Core\Parts\Motion;
use Brookstone\Core\Quantity\Constants;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Routine\Effect;
use Brookstone\Core\Routine\Movement;
use Brookstone\Core\Routine\RepeatStep;
use Brookstone\Core\Routine\Routine;
use Brookstone\Core\Routine\Step;
use Brookstone\Core\Routine\TogetherStep;

/** Motors left powered, reversed at speed, started all at once, run into their stops, or let go under a load. */
final readonly class RoutinePower
{
    private const RESTS_S = 0.2; // a wait so long lets a motion come to rest

    private const SLOWER = [0.75, 0.5, 0.35, 0.25, 0.15];

    private Build $build;

    public function __construct(private RoutineContext $context)
    {
        $this->build = $context->build;
    }

    public function check(Routine $routine, int $i): void
    {
        $this->leftPowered($routine, $routine->steps, "routines.{$i}.steps");
        $this->lists($routine, $routine->steps, "routines.{$i}.steps");
        $this->intoStops($routine, $i);
        $this->turnedBack($routine, $i);
        $this->falls($routine, $i);
        $this->holds($routine, $i);
    }

    private function drives(Motion $motion): bool
    {
        return $motion->positioning->isSwitched();
    }

    /**
     * @param  list<Step>  $steps
     * @param  list<Step>  $rest  what comes after all of them
     */
    private function leftPowered(Routine $routine, array $steps, string $path, array $rest = []): void
    {
        foreach ($steps as $i => $step) {
            $after = [...array_slice($steps, $i + 1), ...$rest];
            foreach ($step->inner() as $field => $inner) {
                $this->leftPowered($routine, $inner, "{$path}.{$i}.{$field}", [...($step->effect($this->build)->goesRound ? $inner : []), ...$after]);
            }
            $move = $step->effect($this->build)->move;
            $motion = $this->build->motions[$move->motion ?? ''] ?? null;
            if ($move === null || $motion === null || ! $move->staysOn || $motion->positioning->isAbsolute() || $motion->task->keeps_turning) {
                continue;
            }
            $later = array_filter($after, fn (Step $next): bool => $next !== $step && ($next->motion() === $motion->id
                || ($next->inner() !== [] && in_array($motion->id, Routine::motionsOf([$next]), true))));
            if ($later === []) {
                $this->context->find($routine, 'routine.left_powered', Severity::Fails, "{$path}.{$i}",
                    "Nothing stops {$motion->named()} after this run: its motor goes on pushing against the stop and burns out its driver.", [], [
                        $this->context->after("{$path}.{$i}", ['do' => 'stop', 'motion' => $motion->id, 'how' => 'brake'],
                            new Sentence('Brake it after the run')),
                    ], $motion->id);
            }
        }
    }

    /**
     * Reversed without a stop between, and together at once.
     *
     * @param  list<Step>  $steps
     * @param  bool  $again  from their end they begin anew
     */
    private function lists(Routine $routine, array $steps, string $path, bool $again = false): void
    {
        foreach ($steps as $i => $step) {
            foreach ($step->inner() as $field => $inner) {
                $this->lists($routine, $inner, "{$path}.{$i}.{$field}", $step instanceof RepeatStep && $step->times !== 1);
            }
            if ($step instanceof TogetherStep) {
                $this->together($routine, $step, "{$path}.{$i}");
            }
            $run = $step->effect($this->build)->move;
            if ($run === null || ! $run->staysOn || ! $this->drives($this->build->motions[$run->motion])) {
                continue;
            }
            for ($k = $i + 1; $k < ($again ? $i + count($steps) : count($steps)); $k++) {
                $j = $k % count($steps);
                $next = $steps[$j];
                $effect = $next->effect($this->build);
                $way = $effect->move?->motion === $run->motion ? $effect->move->way : null;
                if ($this->rests($next, $run->motion) || ($next->motion() === $run->motion && ($way === null || $way === $run->way))) {
                    break;
                }
                if ($next->motion() === $run->motion) {
                    $name = $this->build->motions[$run->motion]->named();
                    $this->context->find($routine, 'routine.reversed', Severity::Fails, "{$path}.{$j}",
                        "{$name} is turned round here while it still runs the other way: the current of twice the voltage goes through its driver, and its teeth take the knock.", [], [
                            $this->context->before("{$path}.{$j}", ['do' => 'stop', 'motion' => $run->motion, 'how' => 'brake'],
                                new Sentence('Brake it first')),
                        ], $run->motion);

                    break;
                }
            }
        }
    }

    /** After it a motion may be at rest: it waits long enough, stops it, or has something in it that does. */
    private function rests(Step $step, string $motion): bool
    {
        $effect = $step->effect($this->build);
        $inner = array_merge(...array_values($step->inner()));

        return ($effect->rests && $effect->couples === null && ($effect->for_s ?? 0.0) >= self::RESTS_S && $effect->until === null)
            || $effect->halt?->motion === $motion
            || array_filter($inner, fn (Step $each): bool => $each->motion() === $motion || $this->rests($each, $motion)) !== [];
    }

    /** The starting currents of all branches at once, against what their supply gives. */
    private function together(Routine $routine, TogetherStep $step, string $path): void
    {
        $sums = $names = $starting = [];
        foreach ($step->branches as $branch) {
            $effects = array_map(fn (Step $each): Effect => $each->effect($this->build), $branch);
            $first = array_values(array_filter($effects, fn (Effect $each): bool => $each->move !== null || $each->halt !== null || $each->rests))[0]->move
                ?? null;
            $motion = $this->build->motions[$first->motion ?? ''] ?? null;
            if ($first === null || $motion?->drive === null) {
                continue;
            }
            $id = $motion->drive->supply->id;
            $sums[$id] = ($sums[$id] ?? 0.0) + $motion->drive->startsWith_A($first->speed) * ($motion->drive->ramp_s > 0.0 ? 0.5 : 1.0);
            $names[$id][] = $motion->named();
            $starting[$id][] = $motion;
        }
        foreach ($sums as $id => $sum) {
            $supply = $this->build->supplies[$id];
            if (count($names[$id]) < 2 || $sum <= $supply->max_A * (1 + Constants::TIE)) {
                continue;
            }
            $branches = $this->context->stepsAt("{$path}.branches");
            foreach ($branches as $i => $branch) {
                $branches[$i] = $i === 0 ? $branch : [['do' => 'wait', 'for_s' => round(0.3 * $i, 2)], ...$branch];
            }
            $this->context->find($routine, 'routine.starts_together', Severity::Fails, $path,
                Sentence::listed($names[$id]).' start at once and draw {sum}, but '.$supply->named().' gives {most}: it sags, and the controller may reset.',
                ['sum' => Quantity::of($sum, 'A'), 'most' => Quantity::of($supply->max_A, 'A')], [
                    new Fix(new Sentence('Start them 0.3 s after one another'), [new Change("{$path}.branches", $branches)]),
                    ...SupplyMends::softly($this->build, $supply, $starting[$id]),
                    ...SupplyMends::stronger($this->build, $supply, $sum),
                ]);
        }
    }

    /** A step that is so fast that the run-on after its switch reaches the hard stop. */
    private function intoStops(Routine $routine, int $i): void
    {
        foreach ($routine->flat() as $path => $step) {
            $effect = $step->effect($this->build);
            [$move, $switch] = [$effect->move, $effect->move?->onto];
            if ($move === null || $switch === null) {
                continue;
            }
            $motion = $this->build->motions[$move->motion];
            $room = $motion->stops->roomAfter($switch);
            if ($room === null || ! $this->drives($motion) || $room <= 0.0) {
                continue;
            }
            $subject = $this->context->subjects[$motion->id];
            $runOn = $subject->facts->runOn($switch, $this->build->settings, $move->speed);
            if ($runOn?->distance === null || $runOn->distance < $room) {
                continue;
            }
            $place = "routines.{$i}.{$path}.speed";
            $this->context->find($routine, 'routine.into_stop', Severity::Fails, $place,
                "At this speed it coasts {run_on} past {$switch->named()}, and the hard stop is {room} away: it hits with {energy}.", [
                    'run_on' => $motion->unit()->quantity($runOn->distance), 'room' => $motion->unit()->quantity($room),
                    'energy' => Quantity::of($runOn->energy_J, 'J'),
                ], $subject->proposals(fn (): array => $this->short($subject, $effect, $move, $switch, $runOn->distance, $room, $i, $path)), $motion->id);
        }
    }

    /** @return list<Fix> speeds from which the room after the switch does; else the hard stop set back */
    private function short(MotionInBuild $subject, Effect $effect, Movement $move, LimitSwitch $switch, float $runs, float $room, int $i, string $path): array
    {
        $settings = $this->build->settings;
        foreach (self::SLOWER as $speed) {
            $slower = $speed < $move->speed ? $subject->facts->runOn($switch, $settings, $speed)?->distance : null;
            if ($slower === null || $slower * $settings->stop_clearance > $room) {
                continue;
            }
            $time = $subject->facts->longestTimeTo($switch->place, $speed);
            $last = SlowApproach::fix($this->build, $i, $path, $effect, $switch, $speed, $time);

            return [
                new Fix(new Sentence('Move it at {speed} speed'.($time === null ? '' : ': it then takes up to {time}'), ['speed' => Quantity::share($speed)]
                    + ($time === null ? [] : ['time' => Quantity::of($time, 's')])), [
                        new Change("routines.{$i}.{$path}.speed", $speed), ...($time === null || $effect->giveUp_s === null || $effect->giveUp_s >= 1.5 * $time
                            ? [] : [new Change("routines.{$i}.{$path}.give_up_s", RoutineContext::patienceFor($time))]),
                    ]),
                ...($last === null ? [] : [$last]),
            ];
        }
        $back = $switch->at + $switch->direction() * ceil(1e4 * $runs * $settings->stop_clearance) / 1e4;

        return [new Fix(new Sentence('Set the hard stop back to {at}, {past} past the switch', ['at' => $subject->motion->unit()->quantity($back),
            'past' => $subject->motion->unit()->quantity(abs($back - $switch->at))]),
            [new Change($subject->path.'.stops.'.($switch->end === 'low' ? 'hard_low' : 'hard_high'), $back)])];
    }

    /** Asked to turn back what only ever turns forwards. */
    private function turnedBack(Routine $routine, int $i): void
    {
        foreach ($routine->flat() as $path => $step) {
            $move = $step->effect($this->build)->move;
            $motion = $this->build->motions[$move->motion ?? ''] ?? null;
            if ($move === null || $motion === null || ! $motion->isOneWay() || $move->way !== -1) {
                continue;
            }
            $forwards = match (true) {
                $move->staysOn => [new Fix(new Sentence("Run it {$motion->way(1)}".($motion->period() === null ? '' : ', to its next coming')),
                    [new Change("routines.{$i}.{$path}.direction", 'up')])],
                $move->by !== null && $motion->period() !== null => [new Fix(new Sentence('Go on to the same place the other way round'),
                    [new Change("routines.{$i}.{$path}.by", $move->by + ceil(-$move->by / $motion->period()) * $motion->period())])],
                default => [],
            };
            $this->context->find($routine, 'routine.turned_back', Severity::Fails, "routines.{$i}.{$path}",
                "{$motion->named()} only ever turns {$motion->way(1)}: it cannot be turned back here.", [], $forwards, $motion->id);
        }
    }

    /** Unpowered at its end, and its load drives it. */
    private function falls(Routine $routine, int $i): void
    {
        $last = [];
        foreach ($routine->flat() as $path => $step) {
            if ($step->motion() !== null && ! str_starts_with($path, 'if_fails')) {
                $last[$step->motion()] = [$path, $step];
            }
            $power = $step->effect($this->build)->power;
            foreach ($power === null || $power->on ? [] : $power->motions as $cut) {
                $last[$cut] = [$path, $step];
            }
        }
        foreach ($last as $id => [$path, $step]) {
            $motion = $this->build->motions[$id];
            $facts = $this->context->subjects[$id]->facts;
            $effect = $step->effect($this->build);
            $halt = $effect->halt;
            $letsGo = $halt?->how === 'coast' || $effect->power !== null || ($this->drives($motion) && ! $motion->stops->brakes && $halt === null);
            if (! $letsGo || $motion->drive === null || $motion->task->keeps_turning || $facts->hold_Nm() <= $facts->holdsUnpowered_Nm()) {
                continue;
            }
            $this->context->find($routine, 'routine.falls', Severity::Fails, "routines.{$i}.{$path}",
                "After {$routine->named()} nothing holds {$motion->named()}: its load of {load} turns the unpowered drive, whose gears hold {holds}.", [
                    'load' => Quantity::of($facts->hold_Nm(), 'N·m'), 'holds' => Quantity::of($facts->holdsUnpowered_Nm(), 'N·m'),
                ], $halt !== null ? [new Fix(new Sentence($motion->positioning->isAbsolute() ? 'Hold it powered' : 'Brake it'),
                    [new Change("routines.{$i}.{$path}.how", $motion->positioning->isSent() ? 'hold' : 'brake')])] : [], $id);
        }
    }

    /** Told to hold, powered, more than it bears all day. */
    private function holds(Routine $routine, int $i): void
    {
        foreach ($routine->flat() as $path => $step) {
            $halt = $step->effect($this->build)->halt;
            $motion = $halt?->how === 'hold' ? $this->build->motions[$halt->motion] : null;
            if ($motion?->drive === null) {
                continue;
            }
            $facts = $this->context->subjects[$motion->id]->facts;
            $settings = $this->build->settings;
            $bears = $facts->continuousShare($settings->motor_continuous_share, $settings->servo_continuous_share) * $facts->stallAtLoad_Nm();
            if ($facts->hold_Nm() > $bears) {
                $this->context->find($routine, 'routine.holds_hot', Severity::Tight, "routines.{$i}.{$path}.how",
                    "{$motion->named()} is held here with {load}, and its drive can hold {bears} all day: it gets hot.",
                    ['load' => Quantity::of($facts->hold_Nm(), 'N·m'), 'bears' => Quantity::of($bears, 'N·m')], [], $motion->id);
            }
        }
    }
}
