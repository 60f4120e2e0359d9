<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment;

use Brookstone\Core\Build\Build;
use Brookstone\Core\Finding\Change;
use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Finding\Fix;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Routine\Routine;

/** Two motions on one motor: only one of them can run, and two routines that may run at once must not ask for both. */
final class SharedDrives
{
    /** @return list<array{Routine, Finding, string}> */
    public static function findings(Build $build): array
    {
        $found = [];
        foreach ($build->motions as $motion) {
            $other = $motion->drive?->shares === null ? null : $build->motions[$motion->drive->shares] ?? null;
            if ($other === null) {
                continue;
            }
            foreach ($build->routines as $first) {
                foreach ($build->routines as $second) {
                    if ($first === $second || $first->starts === [] || $second->starts === [] || ! in_array($motion->id, $first->motions(), true) || ! in_array($other->id, $second->motions(), true)) {
                        continue;
                    }
                    $place = 'motions.'.$build->indexOf($motion->id).'.drive.shares';
                    $found[] = [$first, new Finding('routine.shared_drive', Severity::Fails, $place, new Sentence(
                        "{$motion->name} and {$other->name} are moved by one motor, but {$second->name} can ask for {$other->name} while {$first->name} moves {$motion->name}: only one of them can have it.",
                    ), self::fixes($build, $motion->id, $first, $second)), $motion->id];
                }
            }
        }

        return $found;
    }

    /** @return list<Fix> */
    private static function fixes(Build $build, string $motion, Routine $first, Routine $second): array
    {
        $i = (int) array_search($first->id, array_keys($build->routines), true);
        $j = (int) array_search($second->id, array_keys($build->routines), true);
        $routines = $build->document['routines'];

        return [
            new Fix(
                new Sentence("Do the steps of {$second->name} at the end of {$first->name}, so that one comes after the other"),
                [new Change("routines.{$i}.steps", [...$routines[$i]['steps'], ...$routines[$j]['steps']]), new Change("routines.{$j}.starts", []), new Change("routines.{$j}.steps", [])],
            ),
            new Fix(new Sentence("Give {$build->motions[$motion]->name} a motor of its own"), [new Change('motions.'.$build->indexOf($motion).'.drive.shares', null)]),
        ];
    }
}
