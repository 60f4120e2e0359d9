<?php

declare(strict_types=1);

namespace Brookstone\Core\Machine;

use Brookstone\Core\Parts\Meeting;
use Brookstone\Core\Solid\Placement;
use Brookstone\Core\Solid\Vector;

/**
 * How exactly two points meet: what each motion of both chains may be off, as far as it moves the one against the other, at worst and by the root of the
 * squares (tolerance stacks: Shigley, Mechanical Engineering Design, 10th ed., §1–14; errors that add up at random: Taylor, An Introduction to Error
 * Analysis, 2nd ed., §3.5).
 */
final readonly class Stack
{
    private const NEITHER_M = 1e-9;

    private const LITTLE = 1e-5; // rad or m, for slopes

    /** How far apart they are where everything is just where it should be, m. */
    public float $off_m;

    /** All errors one way, m. */
    public float $worst_m;

    /** As they fall by chance, m. */
    public float $usual_m;

    /** @var list<array{?string, string, float}> by motion, what makes it, and how far it takes them apart, m; the largest first */
    public array $parts;

    public Vector $at;

    public Vector $to;

    /** @param  array<string, array<string, float>>  $errors  of each motion by what makes it: how far off it may stand either way, its own unit */
    public function __construct(Stage $stage, Meeting $meeting, array $errors)
    {
        $pose = [];
        foreach ($meeting->places as $motion => $place) {
            $pose[$motion] = $stage->motions[$motion]->at($place);
        }
        [$this->at, $this->to] = self::ends($stage, $meeting, $pose);
        $this->off_m = $this->to->minus($this->at)->length();
        $parts = $meeting->stands_m > 0.0 ? [[null, 'where it stands', $meeting->stands_m]] : [];
        foreach (self::joints($stage, $meeting) as $id) {
            foreach ($errors[$id] ?? [] as $what => $error) {
                $by = self::slope($stage, $meeting, $id, $pose) * $error;
                $parts = $by > 0.0 ? [...$parts, [$id, $what, $by]] : $parts;
            }
        }
        usort($parts, fn (array $a, array $b): int => $b[2] <=> $a[2]);
        $this->parts = $parts;
        $sizes = array_column($parts, 2);
        $this->worst_m = $this->off_m + array_sum($sizes);
        $this->usual_m = $this->off_m + sqrt(array_sum(array_map(fn (float $size): float => $size ** 2, $sizes)));
    }

    /** With all errors at their worst they still meet. */
    public function holds(float $forgives_m): bool
    {
        return $this->worst_m <= $forgives_m + self::NEITHER_M;
    }

    /** As a rule they meet. */
    public function usuallyHolds(float $forgives_m): bool
    {
        return $this->usual_m <= $forgives_m + self::NEITHER_M;
    }

    /** @return list<string> motions that move the one point against the other */
    public static function joints(Stage $stage, Meeting $meeting): array
    {
        $chain = fn (?string $id): array => $id === null ? [] : [$id, ...$stage->under($id)];
        [$one, $other] = [$chain($meeting->one), $chain($meeting->other)];

        return [...array_diff($one, $other), ...array_diff($other, $one)];
    }

    /**
     * @param  array<string, float>  $pose
     * @return array{Vector, Vector} in space
     */
    private static function ends(Stage $stage, Meeting $meeting, array $pose): array
    {
        [, $moved] = $stage->placed($pose);
        $place = fn (?string $id): Placement => $id === null ? Placement::still() : $moved[$id];

        return [$place($meeting->one)->point($meeting->at), $place($meeting->other)->point($meeting->to)];
    }

    /**
     * How far a motion takes the one from the other, m for a unit of its own.
     *
     * @param  array<string, float>  $pose
     */
    private static function slope(Stage $stage, Meeting $meeting, string $motion, array $pose): float
    {
        $its = $stage->motions[$motion];
        $at = $pose[$motion] ?? $its->at($its->task->from);
        $by = $its->unit()->fromSi(self::LITTLE);
        [$one, $other] = self::ends($stage, $meeting, [$motion => $at - $by] + $pose);
        [$then, $there] = self::ends($stage, $meeting, [$motion => $at + $by] + $pose);

        return $then->minus($one)->minus($there->minus($other))->length() / (2 * $by);
    }
}
