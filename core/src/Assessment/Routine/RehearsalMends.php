<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment\Routine;

use Brookstone\Core\Assessment\Repair\SupplyMends;
use Brookstone\Core\Assessment\Wiring\AirRules;
use Brookstone\Core\Finding\Change;
use Brookstone\Core\Finding\Fix;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Machine\Clearance;
use Brookstone\Core\Parts\Motion;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Routine\Effect;
use Brookstone\Core\Routine\Routine;
use Brookstone\Core\Simulation\Mishap;

/** What may mend that which only a rehearsal shows: at the step that it came about at. Whether it does, a rehearsal shows too. */
final class RehearsalMends
{
    private const FINE_M = 0.001;

    private const SAME_PLACE = 0.02; // of its travel

    private const SLOWER = [0.5, 0.25];

    private const PATIENCE = 3.0; // times what it waited

    public function __construct(private readonly RoutineContext $context)
    {
    }

    /**
     * @param  string  $place  of the step in the document, or of its routine
     * @return list<Fix>
     */
    public function of(Mishap $mishap, Routine $routine, string $place): array
    {
        $build = $this->context->build;
        $step = $mishap->path === null ? null : (iterator_to_array($routine->flat())[$mishap->path] ?? null);
        if ($mishap->kind === 'sag') {
            $moved = array_intersect_key($build->motions, array_flip($routine->motions()));

            return [...SupplyMends::softly($build, $build->supplies[$mishap->of], $moved), ...SupplyMends::stronger($build, $build->supplies[$mishap->of],
                $mishap->says->values['asked']->si)];
        }
        if ($mishap->kind === 'reset') {
            return SupplyMends::keepsController($build, array_intersect_key($build->motions, array_flip($routine->motions())));
        }
        if ($mishap->kind === 'air') {
            return AirRules::forRoutine($build->tanks[$mishap->of], 'tanks.'.array_search($mishap->of, array_keys($build->tanks), true),
                $mishap->says->values['bar']->in('bar'));
        }
        $motion = $build->motions[$step?->motion() ?? ''] ?? null;
        if ($step === null || $motion === null) {
            return [];
        }
        $effect = $step->effect($build);

        return match ($mishap->kind) {
            'hit', 'stall' => [...$this->untilItsSwitch($motion, $effect, $place), ...($effect->move?->staysOn ? [$this->stop($motion, $place)] : []),
                ...$this->slower($effect, $place), ...$this->homeFirst($motion, $place)],
            'vain' => [...$this->longer($effect, $place), ...$this->homeFirst($motion, $place)],
            'elsewhere' => $this->homeFirst($motion, $place),
            'left_powered' => [$this->stop($motion, $place)],
            'touch', 'near' => [...$this->higher($mishap), ...$this->outOfTheWay($motion, $mishap->pose, $place)],
            default => [],
        };
    }

    /** @return list<Fix> the place at which what is carried is held is set to where it clears */
    private function higher(Mishap $mishap): array
    {
        $clears = $mishap->says->values['clears'] ?? null;
        if ($clears === null) {
            return [];
        }
        foreach ($mishap->pose as $id => $at) {
            $motion = $this->context->build->motions[$id];
            $place = $motion->placeNear($at, self::SAME_PLACE);
            $lifts = str_contains($mishap->says->template, "clears with {$motion->named()} at");
            $i = $lifts && $place !== null ? array_search($place, $motion->places, true) : false;
            if ($place !== null && $i !== false) {
                return [new Fix(new Sentence("Set {$place->named()} of {$motion->named()} to {at}", ['at' => $clears]),
                    [new Change("motions.{$this->context->build->indexOf((string) $id)}.places.{$i}.at", round($motion->unit()->fromSi($clears->si), 6))])];
            }
        }

        return [];
    }

    /**
     * Another motion is moved out of the way before.
     *
     * @param  array<string, float>  $pose  in which it met something
     * @return list<Fix>
     */
    private function outOfTheWay(Motion $motion, array $pose, string $place): array
    {
        $build = $this->context->build;
        $clearance = Clearance::of($build->stage);
        $fixes = [];
        foreach (array_keys(array_diff_key($pose, [$motion->id => true])) as $id) {
            $other = $build->motions[$id];
            $pairs = $clearance->between($motion->id, $id, $build->settings->clear_m);
            foreach ($other->places as $to) {
                if (! $clearance->comeWithin($pairs, $motion->id, $motion->range(), [$id => $to->at] + $pose, $build->settings->clear_m, self::FINE_M)) {
                    $time = $this->context->subjects[$id]->facts->longestTimeTo($to->id);
                    $fixes[] = $this->context->before($place, ['do' => 'go', 'motion' => $id, 'place' => $to->id,
                        'give_up_s' => RoutineContext::patienceFor($time ?? 0.0)], new Sentence("Send {$other->named()} to {$to->named()} first"));
                }
            }
        }

        return $fixes;
    }

    private function stop(Motion $motion, string $place): Fix
    {
        return $this->context->after($place, ['do' => 'stop', 'motion' => $motion->id, 'how' => $motion->positioning->isAbsolute() ? 'hold' : 'brake'],
            new Sentence('Stop it then'));
    }

    /** @return list<Fix> a run for a time is ended by the switch that lies that way */
    private function untilItsSwitch(Motion $motion, Effect $effect, string $place): array
    {
        $move = $effect->move;
        if ($move === null || ! $move->staysOn || $effect->until !== null) {
            return [];
        }
        foreach ($motion->stops->switches as $switch) {
            if ($switch->direction() === $move->way) {
                $time = $this->context->subjects[$motion->id]->facts->longestTimeTo($switch->place, $move->speed);
                $run = array_diff_key($this->context->stepsAt($place), ['for_s' => true]);

                return [new Fix(new Sentence("Run it until {$switch->named()} trips"),
                    [new Change($place, ['until' => ['sensor' => $switch->id, 'is' => 'on'],
                        'give_up_s' => RoutineContext::patienceFor($time ?? $effect->for_s ?? 0.0)] + $run)])];
            }
        }

        return [];
    }

    /** @return list<Fix> unless it goes by time, and would end elsewhere */
    private function slower(Effect $effect, string $place): array
    {
        $fixes = [];
        $move = $effect->move;
        if ($move === null || ($move->staysOn && $effect->until === null)) {
            return [];
        }
        foreach (self::SLOWER as $share) {
            if ($share < $move->speed) {
                $patience = $effect->giveUp_s === null ? [] : [new Change("{$place}.give_up_s", ceil($effect->giveUp_s * $move->speed / $share))];
                $fixes[] = new Fix(new Sentence('Move it at {speed} speed', ['speed' => Quantity::share($share)]),
                    [new Change("{$place}.speed", $share), ...$patience]);
            }
        }

        return $fixes;
    }

    /** @return list<Fix> */
    private function longer(Effect $effect, string $place): array
    {
        $waits = $effect->move === null ? null : $effect->giveUp_s;
        $longer = ceil(($waits ?? 0.0) * self::PATIENCE);

        return $waits === null ? [] : [new Fix(new Sentence('Give up after {wait}', ['wait' => Quantity::of($longer, 's')]),
            [new Change("{$place}.give_up_s", $longer)])];
    }

    /** @return list<Fix> */
    private function homeFirst(Motion $motion, string $place): array
    {
        $home = $motion->positioning->homesOnto();
        if ($home === null || $motion->positioning->isAbsolute()) {
            return [];
        }
        $time = $this->context->subjects[$motion->id]->facts->longestTimeTo($home->place, RoutineContext::HOME_SPEED);

        return [$this->context->before($place, $motion->homing($home, RoutineContext::HOME_SPEED, $time === null ? null
            : RoutineContext::patienceFor($time)), new Sentence("Home {$motion->named()} onto {$home->named()} first"))];
    }
}
