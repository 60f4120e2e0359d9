<?php

declare(strict_types=1);

namespace Brookstone\Core\Simulation;

use Brookstone\Core\Build\Build;
use Brookstone\Core\Machine\LiveStage;
use Brookstone\Core\Parts\Body;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Routine\StepFailed;
use Brookstone\Core\Solid\Gap;
use Brookstone\Core\Solid\Placement;
use Brookstone\Core\Solid\Solid;

/** Where the things are, during a run, that are taken up and put down. Where one is gone, somebody has brought the next. */
final class CarriedThings
{
    private const REACH_M = 0.01;

    private const POINT_M = 0.001;

    /** @var array<string, Placement> of each that stands somewhere, in space */
    private array $stands = [];

    /** @var array<string, array{string, Placement}> by the motion that carries it, the thing and where it is on that */
    private array $carried = [];

    /** @var list<array{at_s: float, thing: string, motion: ?string, place: list<float>}> */
    private array $changes = [];

    /**
     * @param  array<string, Axis>  $axes
     * @param  array<string, LiveStage>  $live  by motion
     */
    public function __construct(private readonly Build $build, private readonly array $axes, private readonly array $live,
        private readonly ?ClearanceWatch $clear)
    {
        foreach ($build->stage->things as $thing) {
            if ($thing->is === 'carried') {
                $this->stands[$thing->id] = $thing->placement;
                $this->clear?->stands($thing, $thing->placement);
            }
        }
        foreach (array_keys($build->stage->motions) as $id) {
            if ($build->stage->takes($id)) {
                $axes[$id]->burden()->carries(false);
                $axes[$id]->burdened();
            }
        }
    }

    /** @throws StepFailed where it is out of reach, or its hands are full */
    public function take(float $now, string $motion, string $id): void
    {
        $thing = $this->build->stage->thing($id);
        $its = $this->build->motions[$motion];
        if ($thing === null || ! isset($this->build->stage->motions[$motion])) {
            throw new StepFailed("{$its->name} has no place on the stage: nothing tells whether it reaches that");
        }
        $full = $this->carried[$motion][0] ?? null;
        if ($full !== null) {
            throw new StepFailed("{$its->name} carries {$this->build->stage->thing($full)?->name} already");
        }
        $moved = $this->moved($motion);
        $from = isset($this->stands[$id]) && $this->away($motion, $moved, $thing, $this->stands[$id]) <= self::REACH_M ? $this->stands[$id] : $thing->placement;
        $away = $this->away($motion, $moved, $thing, $from);
        if ($away > self::REACH_M) {
            throw new StepFailed("{$its->name} does not reach {$thing->name}: that is ".Quantity::of($away, 'm')->text('metric').' away');
        }
        unset($this->stands[$id]);
        $on = $moved->back()->then($from);
        $this->carried[$motion] = [$id, $on];
        $this->changed($now, $id, $motion, $on);
        $this->clear?->rides($thing, $its, $on);
        $this->live[$motion]->carries($motion, $thing->mass_kg === null ? null : $thing->solid->inertia($thing->mass_kg)->placed($on));
        $this->loaded($motion, true);
    }

    /** @throws StepFailed where it carries nothing */
    public function put(float $now, string $motion): void
    {
        [$id, $on] = $this->carried[$motion] ?? throw new StepFailed("{$this->build->motions[$motion]->name} carries nothing");
        $at = $this->moved($motion)->then($on);
        unset($this->carried[$motion]);
        $this->stands[$id] = $at;
        $this->changed($now, $id, null, $at);
        $thing = $this->build->stage->thing($id);
        if ($thing !== null) {
            $this->clear?->stands($thing, $at);
        }
        $this->live[$motion]->carries($motion, null);
        $this->loaded($motion, false);
    }

    /** @return array<string, string> by motion, what it carries */
    public function hands(): array
    {
        return array_map(fn (array $carried): string => $carried[0], $this->carried);
    }

    /** @return list<array{at_s: float, thing: string, motion: ?string, place: list<float>}> as Schemas has it */
    public function written(): array
    {
        return $this->changes;
    }

    private function moved(string $motion): Placement
    {
        $pose = array_map(fn (Axis $axis): float => $axis->thingAt(), $this->axes);

        return $this->build->stage->placed($pose, [$motion, ...$this->build->stage->under($motion)])[1][$motion];
    }

    /** How far it is from what a motion moves, m. */
    private function away(string $motion, Placement $moved, Body $thing, Placement $at): float
    {
        $away = INF;
        foreach ($this->build->stage->motions[$motion]->bodies as $body) {
            $away = min($away, Gap::between($body->solid, $moved->then($body->placement), $thing->solid, $at)->distance_m);
        }

        return $away < INF ? $away : Gap::between(Solid::ball(self::POINT_M), $moved, $thing->solid, $at)->distance_m;
    }

    /** What carries it, and all that that stands on, has its load on it. */
    private function loaded(string $motion, bool $is): void
    {
        foreach ([$motion, ...$this->build->stage->under($motion)] as $id) {
            $this->axes[$id]->burden()->carries($is);
            $this->axes[$id]->burdened();
        }
    }

    private function changed(float $now, string $thing, ?string $motion, Placement $at): void
    {
        $this->changes[] = ['at_s' => $now, 'thing' => $thing, 'motion' => $motion, 'place' => $at->columns()];
    }
}
