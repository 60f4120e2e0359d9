<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment\Routine;

use Brookstone\Core\Build\Build;
use Brookstone\Core\Finding\Change;
use Brookstone\Core\Routine\Step;

/** Steps that follow one another and could be done beside each other. */
final class Neighbours
{
    /**
     * The step after one, where the two may be thought of beside each other: both move something, and not the same.
     *
     * @param  array<string, Step>  $steps  of a routine, by path
     */
    public static function next(Build $build, array $steps, string $path): ?Step
    {
        $in = substr($path, 0, (int) strrpos($path, '.'));
        $next = $steps["{$in}.".((int) substr($path, strlen($in) + 1) + 1)] ?? null;

        if ($next === null || str_starts_with($path, 'if_fails')) {
            return null;
        }
        [$first, $second] = [$steps[$path]->effect($build)->move, $next->effect($build)->move];

        return $first === null || $second === null || $first->staysOn || $second->staysOn || $first->motion === $second->motion ? null : $next;
    }

    /** That step and the next, beside each other. */
    public static function beside(Build $build, int $routine, string $path): Change
    {
        $in = substr($path, 0, (int) strrpos($path, '.'));
        $i = (int) substr($path, strlen($in) + 1);
        $list = array_reduce(explode('.', $in), fn (array $place, string $key): array => $place[$key], $build->document['routines'][$routine]);
        $together = ['do' => 'together', 'until' => 'all', 'branches' => [[$list[$i]], [$list[$i + 1]]]];

        return new Change("routines.{$routine}.{$in}", [...array_slice($list, 0, $i), $together, ...array_slice($list, $i + 2)]);
    }
}
