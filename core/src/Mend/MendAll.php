<?php

declare(strict_types=1);

namespace Brookstone\Core\Mend;

use Brookstone\Core\Build\Build;
use Brookstone\Core\Build\Editor;
use Brookstone\Core\Drive\Stock;
use Brookstone\Core\Finding\DocumentPath;
use Brookstone\Core\Finding\Sentence;

/**
 * Mend after mend until the whole build holds, or nothing that can be tried mends what is left: each is the first that does of what is worst, tried on the
 * build as those before it leave it. As each makes what is wrong less, there is an end.
 */
final class MendAll
{
    private const MOST_STEPS = 40;

    /**
     * @param  list<string>  $dropped  marks of steps that are not wanted
     * @return \Generator<int, Step|null, mixed, Mender> a step, or null after each trial on the way to one; in the end the build as it is left, with
     *     what is known of it
     */
    public static function of(Build $build, ?Stock $stock, Memory $memory, array $dropped = []): \Generator
    {
        for ($steps = 0; ; $steps++) {
            $mender = new Mender($build, $stock, $memory->rehearsed($build));
            $tried = $memory->tried($build);
            while (($key = $mender->wants($tried, $dropped)) !== null && ! isset($tried[$key])) {
                $tried[$key] = $mender->tried($key);
                $memory->keepTried($build, $tried);
                $mended = $tried[$key]->fix === null ? null : Editor::with($build, $tried[$key]->fix);
                $rehearsed = $mended === null ? null : $mender->rehearsedOf($mended);
                if ($mended !== null && $rehearsed !== null) {
                    $memory->keepRehearsed($mended, $rehearsed); // the next step begins there
                }
                yield null;
            }
            $fix = $key === null ? null : $tried[$key]->fix;
            if ($fix === null || $steps === self::MOST_STEPS) {
                return $mender;
            }
            [$finding, $proposal] = $mender->proposals()[$key];
            yield new Step(Mender::mark($proposal), $finding->about(self::nameAt($build, $finding->place)), $fix, $mender->count());
            $build = Editor::with($build, $fix);
        }
    }

    /** Of the motion, routine or sensor that a place lies in. */
    private static function nameAt(Build $build, string $place): string
    {
        return Sentence::quote($build->recordAt($place)['name'] ?? ucfirst((string) DocumentPath::of($place)->key(0)));
    }
}
