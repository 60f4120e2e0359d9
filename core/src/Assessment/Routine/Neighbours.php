<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment\Routine;

use Brookstone\Core\Build\Build;
use Brookstone\Core\Finding\Change;
use Brookstone\Core\Finding\DocumentPath;
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
        $at = DocumentPath::of($path);
        $next = $steps["{$at->parent()}.".($at->index() + 1)] ?? null;

        if ($next === null || str_starts_with($path, 'if_fails')) {
            return null;
        }
        [$first, $second] = [$steps[$path]->effect($build)->move, $next->effect($build)->move];

        return $first === null || $second === null || $first->staysOn || $second->staysOn || $first->motion === $second->motion ? null : $next;
    }

    /** That step and the next, beside each other. */
    public static function beside(Build $build, int $routine, string $path): Change
    {
        $at = DocumentPath::of("routines.{$routine}.{$path}");
        $next = DocumentPath::of("{$at->parent()}.".($at->index() + 1));
        $together = ['do' => 'together', 'until' => 'all', 'branches' => [[$at->in($build->document)], [$next->in($build->document)]]];

        return $at->replaced($build->document, [$together], 2);
    }
}
