<?php

declare(strict_types=1);

namespace Brookstone\Core\Simulation;

use Brookstone\Core\Build\Motion;
use Brookstone\Core\Build\Selector;

/**
 * One motor that moves two things: which of them goes, and which way, when it turns.
 *
 * - `selector`: what the selector holds, whoever was meant.
 * - `direction`: what its pawl takes along in that turning; and what its load brings back, as fast as the motor lets it.
 * - `rectifier`: both, the first always up.
 * - `in_turn`: what needs less of the motor where it stands, until the other needs less; the one that waits is held by the other's pull.
 *
 * What goes at once shares what the motor gives: each is moved with the load and the inertia of the other on top of its own, looked up once a scan, and
 * the motor's current is drawn once. What a pawl lets go by while its load brings it back goes by itself. Both have the same motor, so that its turning decides: a way of one is a way of the other
 * by the sides of their trains and of their wires.
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
     * @param  string  $by  `selector`, that holds the first as it was built, `direction`, `in_turn` or `rectifier`
     * @param  Selector  $selector  of the second
     * @param  Axis|null  $servo  that moves it
     */
    public function __construct(private readonly Axis $first, private readonly Axis $second, private readonly string $by, private readonly Selector $selector, public readonly ?Axis $servo)
    {
        $this->coupled = $servo === null ? $first : $this->coupledByServo();
        $first->shares($this);
        $second->shares($this);
    }

    /** @throws StepFailed when the other has it */
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
        if ($this->by === 'selector' && $this->coupled !== $axis) {
            throw new StepFailed("{$axis->motion->name} is not coupled to its motor: the selector holds ".($this->coupled === null ? 'neither' : $this->coupled->motion->name));
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
            if ($this->by === 'rectifier') {
                $axis->leaves();
            }
        }
        if ($goes === [] || ! in_array($asked, array_column($goes, 0), true)) {
            $instead = $goes === [] ? 'turns nothing' : 'moves '.$goes[0][0]->motion->name;
            $this->told[] = "The motor of {$asked->motion->name} {$instead}".match ($this->by) {
                'selector' => ': the selector holds '.($this->coupled === null ? 'neither' : 'that').'.',
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
        if ($this->by === 'in_turn' && $this->goes !== [] && $this->asked !== null && $this->isTurning()) {
            [$goes, $way] = $this->goes[0];
            $other = $this->other($goes);
            $turns = $this->waysOf($goes, $way, $other);
            if ($other->needs_Nm($turns) < $goes->needs_Nm($way) - self::CLEARLY) {
                $goes->halt();
                $goes->waits(true);
                $other->waits(false);
                $this->goes = [[$other, $turns]];
                $other->drive($turns, $this->speed);
            }
        }
        $this->together();
        [$told, $this->told] = [$this->told, []];

        return $told;
    }

    /** Both are on the motor at once, or no longer. */
    private function together(): void
    {
        $taken = array_values(array_filter($this->goes, fn (array $each): bool => in_array($each[0]->motion->pawlTakes(), [null, $each[1]], true)));
        if (count($taken) > 1 && $this->turns) {
            [[$one, $way], [$other, $way2]] = $taken;
            [$weighs, $weighs2] = [$one->weighs($way), $other->weighs($way2)];
            $one->takesAlong($way, $weighs2[0], $weighs2[1], false);
            $other->takesAlong($way2, $weighs[0], $weighs[1], true);
            $this->isTogether = true;
        } elseif ($this->isTogether) {
            $this->isTogether = false;
            $this->first->goesAlone();
            $this->second->goesAlone();
        }
    }

    /** @throws StepFailed while it turns */
    public function beginChange(): void
    {
        foreach ([$this->first, $this->second] as $axis) {
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

    /** Its selector now holds this, or neither, whether the motor turns or not. */
    public function holds(?Axis $axis): void
    {
        $this->coupled = $axis;
        if ($this->by === 'selector' && $this->asked !== null && $this->turns) {
            $this->turn($this->asked, $this->direction, $this->speed);
        }
    }

    public function isOf(Axis $axis): bool
    {
        return $axis === $this->first || $axis === $this->second;
    }

    /** What its telling switch says: it holds the second. */
    public function tells(): bool
    {
        return $this->coupled === $this->second;
    }

    /** Where its servo must stand to couple this one, own unit. */
    public function servoAt(Axis $axis): float
    {
        return $this->servo?->motion->at((string) ($axis === $this->second ? $this->selector->place : $this->selector->other)) ?? 0.0;
    }

    private function coupledByServo(): ?Axis
    {
        $servo = $this->servo;
        $place = $servo === null ? null : $servo->motion->placeNear($servo->position(), self::NEAR_SHARE)?->id;

        return match (true) {
            $place === null => null,
            $place === $this->selector->place => $this->second,
            $place === $this->selector->other => $this->first,
            default => null,
        };
    }

    /** @return list<array{Axis, int}> */
    private function goesBy(Axis $asked, int $direction): array
    {
        $other = $this->other($asked);
        $both = [[$asked, $direction], [$other, $this->waysOf($asked, $direction, $other)]];

        return match ($this->by) {
            'selector' => array_values(array_filter($both, fn (array $each): bool => $each[0] === $this->coupled)),
            'rectifier' => array_map(fn (array $each): array => [$each[0], $each[0] === $this->first ? 1 : $each[1]], $both),
            'direction' => array_values(array_filter($both, fn (array $each): bool => $each[0]->goesAlong($each[1]))),
            default => [$both[0][0]->needs_Nm($both[0][1]) <= $both[1][0]->needs_Nm($both[1][1]) ? $both[0] : $both[1]],
        };
    }

    /** The way that the other goes when this one goes so. */
    private function waysOf(Axis $axis, int $way, Axis $other): int
    {
        return $way * self::side($axis->motion) * self::side($other->motion);
    }

    /** Whether the motor must turn forward (1) or back (−1) to move it up. */
    private static function side(Motion $motion): int
    {
        return $motion->train->direction() * (($motion->drive->reversed ?? false) ? -1 : 1);
    }

    private function other(Axis $axis): Axis
    {
        return $axis === $this->first ? $this->second : $this->first;
    }

    private function isTurning(): bool
    {
        return $this->turns || $this->first->isPowered() || $this->second->isPowered();
    }

    /** Nothing is ordered of it any more. */
    public function release(): void
    {
        [$this->asked, $this->goes, $this->turns] = [null, [], false];
        $this->together();
        $this->first->waits(false);
        $this->second->waits(false);
    }
}
