<?php

declare(strict_types=1);

namespace Brookstone\Core\Simulation;

use Brookstone\Core\Parts\Motion;
use Brookstone\Core\Parts\MotorGroup;
use Brookstone\Core\Routine\StepFailed;

/**
 * One motor that moves several things: which of them goes, and which way, when it turns.
 *
 * - `selector`: what the selector holds, whoever was meant.
 * - `direction`: what its pawl takes along in that turning; and what its load brings back, as fast as the motor lets it.
 * - `rectifier`: all, the first always up.
 * - `in_turn`: what needs least of the motor where it stands, until another needs less; the ones that wait are held by its pull.
 *
 * What goes at once shares what the motor gives: each is moved with the load and the inertia of the others on top of its own, looked up once a scan, and
 * the motor's current is drawn once. What a pawl lets go by while its load brings it back goes by itself. All have the same motor, so that its turning
 * decides: a way of one is a way of the others by the sides of their trains and of their wires. It is claimed when it is ordered: an order for another
 * in the same look is refused.
 */
final class SharedMotor
{
    private const NEAR_SHARE = 0.05; // of its servo's travel

    private const CLEARLY = 1e-9; // N·m less

    private ?Axis $coupled;       // by the selector; null while it changes over

    private ?Axis $asked = null;  // whose order the motor follows

    /** @var list<array{Axis, int}> what goes by that, and its way */
    private array $goes = [];

    private bool $isTogether = false;

    private bool $turns = false;  // by an order that was not ended yet, whether anything goes or not

    private int $direction = 1;   // of what was asked

    private float $speed = 1.0;

    /** @var list<string> what went wrong since it was last asked for */
    private array $told = [];

    /**
     * @param  array<string, Axis>  $axes  by motion, in the order of the group; a selector holds the first as it was built
     * @param  Axis|null  $servo  that moves the selector
     */
    public function __construct(private readonly array $axes, private readonly MotorGroup $group, public readonly ?Axis $servo)
    {
        $this->coupled = $servo === null ? $this->first() : $this->coupledByServo();
        foreach ($axes as $axis) {
            $axis->shares($this);
        }
    }

    /** @throws StepFailed when another has it */
    public function mayMove(Axis $axis): void
    {
        if ($this->asked !== null && $this->asked !== $axis && $this->isTurning()) {
            throw new StepFailed("{$axis->motion->name} needs the motor that {$this->asked->motion->name} is using");
        }
    }

    /**
     * Of what follows a command, which cannot be led astray.
     *
     * @throws StepFailed when it is not coupled
     */
    public function mayFollow(Axis $axis): void
    {
        $this->mayMove($axis);
        if ($this->group->by === 'selector' && $this->coupled !== $axis) {
            throw new StepFailed("{$axis->motion->name} is not coupled to its motor: the selector holds ".($this->coupled === null ? 'none of them'
                : $this->coupled->motion->name));
        }
        $this->asked = $axis;
        $this->goes = [[$axis, 1]];
    }

    /** Turns as this one's order has it: up (1) or down (−1) for that one. */
    public function turn(Axis $asked, int $direction, float $speed): void
    {
        $this->mayMove($asked);
        $goes = $this->goesBy($asked, $direction);
        foreach ($this->goes as [$axis]) {
            if (! in_array($axis, array_column($goes, 0), true)) {
                $axis->halt();
            }
        }
        [$this->asked, $this->goes, $this->turns, $this->direction, $this->speed] = [$asked, $goes, true, $direction, $speed];
        $this->together();
        foreach ($goes as [$axis, $way]) {
            $axis->drive($way, $speed);
            if ($this->group->by === 'rectifier') {
                $axis->leaves();
            }
        }
        if ($goes === [] || ! in_array($asked, array_column($goes, 0), true)) {
            $instead = $goes === [] ? 'turns nothing' : 'moves '.$goes[0][0]->motion->name;
            $this->told[] = "The motor of {$asked->motion->name} {$instead}".match ($this->group->by) {
                'selector' => ': the selector holds '.($this->coupled === null ? 'none of them' : 'that').'.',
                'direction' => ': its pawl lets this turning go by.',
                default => ' first, which needs less.',
            };
        }
    }

    /** Stops what goes by an order for this one. @return bool whether that is so */
    public function stop(Axis $asked, string $how): bool
    {
        if ($this->asked !== $asked) {
            return false;
        }
        foreach ($this->goes as [$axis]) {
            $axis->halt($how);
        }
        $this->release();

        return true;
    }

    /**
     * Lets what goes in turn change places; once a scan.
     *
     * @return list<string> what went astray since it was last asked for
     */
    public function look(): array
    {
        if ($this->servo !== null && $this->coupledByServo() !== $this->coupled) {
            $this->holds($this->coupledByServo());
        }
        if ($this->group->by === 'in_turn' && $this->goes !== [] && $this->asked !== null && $this->isTurning()) {
            [$goes, $way] = $this->goes[0];
            [$next, $turns] = $this->least($goes, $way);
            if ($next !== $goes && $next->needs_Nm($turns) < $goes->needs_Nm($way) - self::CLEARLY) {
                $goes->halt();
                $goes->waits(true);
                $next->waits(false);
                $this->goes = [[$next, $turns]];
                $next->drive($turns, $this->speed);
            }
        }
        $this->together();
        [$told, $this->told] = [$this->told, []];

        return $told;
    }

    /** Several are on the motor at once, or no longer. */
    private function together(): void
    {
        $taken = array_values(array_filter($this->goes, fn (array $each): bool => in_array($each[0]->motion->pawlTakes(), [null, $each[1]], true)));
        if (count($taken) > 1 && $this->turns) {
            $weighs = array_map(fn (array $each): array => $each[0]->weighs($each[1]), $taken);
            foreach ($taken as $i => [$axis, $way]) {
                $others = array_diff_key($weighs, [$i => true]);
                $axis->takesAlong($way, array_sum(array_column($others, 0)), array_sum(array_column($others, 1)), $i > 0);
            }
            $this->isTogether = true;
        } elseif ($this->isTogether) {
            $this->isTogether = false;
            foreach ($this->axes as $axis) {
                $axis->goesAlone();
            }
        }
    }

    /** @throws StepFailed while it turns */
    public function beginChange(): void
    {
        foreach ($this->axes as $axis) {
            if ($axis->isMoving()) {
                throw new StepFailed("{$axis->motion->name} still moves, and its selector must not be changed over under way");
            }
        }
        $this->coupled = null;
    }

    public function endChange(Axis $to): void
    {
        $this->coupled = $this->servo === null ? $to : $this->coupledByServo();
    }

    /** Its selector now holds this, or none, whether the motor turns or not. */
    public function holds(?Axis $axis): void
    {
        $this->coupled = $axis;
        if ($this->group->by === 'selector' && $this->asked !== null && $this->turns) {
            $this->turn($this->asked, $this->direction, $this->speed);
        }
    }

    public function isOf(Axis $axis): bool
    {
        return in_array($axis, $this->axes, true);
    }

    /** @return array<string, bool> by sensor that tells what its selector holds */
    public function tells(): array
    {
        $tells = [];
        foreach ($this->group->tellers() as $id => $sensor) {
            $tells[$sensor] = $this->coupled === $this->axes[$id];
        }

        return $tells;
    }

    /** Where its servo must stand to couple this one, own unit. */
    public function servoAt(Axis $axis): float
    {
        return $this->servo?->motion->at((string) $this->group->couplesAt($axis->motion->id)) ?? 0.0;
    }

    private function coupledByServo(): ?Axis
    {
        $servo = $this->servo;
        $place = $servo === null ? null : $servo->motion->placeNear($servo->position(), self::NEAR_SHARE)?->id;
        foreach ($place === null ? [] : $this->axes as $id => $axis) {
            if ($this->group->couplesAt((string) $id) === $place) {
                return $axis;
            }
        }

        return null;
    }

    private function first(): Axis
    {
        return $this->axes[$this->group->members[0]];
    }

    /** @return non-empty-list<array{Axis, int}> all of them, this one first, and the way of each when this one goes so */
    private function all(Axis $asked, int $direction): array
    {
        return [[$asked, $direction], ...array_map(fn (string $id): array => [$this->axes[$id], $this->waysOf($asked, $direction, $this->axes[$id])],
            $this->group->others($asked->motion->id))];
    }

    /** @return array{Axis, int} what needs least of the motor when this one would go so; of several this one, or the first */
    private function least(Axis $asked, int $direction): array
    {
        $all = $this->all($asked, $direction);
        $needs = array_map(fn (array $each): float => $each[0]->needs_Nm($each[1]), $all);

        return $all[(int) array_search(min($needs), $needs, true)];
    }

    /** @return list<array{Axis, int}> */
    private function goesBy(Axis $asked, int $direction): array
    {
        $all = $this->all($asked, $direction);

        return match ($this->group->by) {
            'selector' => array_values(array_filter($all, fn (array $each): bool => $each[0] === $this->coupled)),
            'rectifier' => array_map(fn (array $each): array => [$each[0], $each[0] === $this->first() ? 1 : $each[1]], $all),
            'direction' => array_values(array_filter($all, fn (array $each): bool => $each[0]->goesAlong($each[1]))),
            default => [$this->least($asked, $direction)],
        };
    }

    /** The way that another goes when this one goes so. */
    private function waysOf(Axis $axis, int $way, Axis $other): int
    {
        return $way * self::side($axis->motion) * self::side($other->motion);
    }

    /** Whether the motor must turn forward (1) or back (−1) to move it up. */
    private static function side(Motion $motion): int
    {
        return $motion->train->direction() * (($motion->drive->reversed ?? false) ? -1 : 1);
    }

    private function isTurning(): bool
    {
        return $this->turns || array_filter($this->axes, fn (Axis $axis): bool => $axis->isPowered() || $axis->isToldToMove()) !== [];
    }

    /** Nothing is ordered of it any more. */
    public function release(): void
    {
        [$this->asked, $this->goes, $this->turns] = [null, [], false];
        $this->together();
        foreach ($this->axes as $axis) {
            $axis->waits(false);
        }
    }
}
