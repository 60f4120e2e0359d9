<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment;

use Brookstone\Core\Assessment\Drive\DriveJudge;
use Brookstone\Core\Assessment\Load\LoadJudge;
use Brookstone\Core\Assessment\Proof\ProofJudge;
use Brookstone\Core\Assessment\Routine\RoutineJudge;
use Brookstone\Core\Assessment\Stops\StopsJudge;
use Brookstone\Core\Assessment\Subject\Judge;
use Brookstone\Core\Assessment\Subject\Link;
use Brookstone\Core\Assessment\Subject\MotionInBuild;
use Brookstone\Core\Assessment\Task\TaskJudge;
use Brookstone\Core\Assessment\Train\TrainJudge;
use Brookstone\Core\Assessment\Wiring\WiringJudge;

/** The stations of a chain in the order of the work: the word for each, and who judges it. A new one is its judge, a line here, and its page. */
final class Stations
{
    /** Of one motion by itself. What the judge says is kept until something changes that the motion hangs on. */
    private const OF_MOTION = [
        'task' => TaskJudge::class,
        'load' => LoadJudge::class,
        'drive' => DriveJudge::class,
        'train' => TrainJudge::class,
        'stops' => StopsJudge::class,
    ];

    /** Of the wiring, which is judged on the whole build. */
    private const OF_WIRING = ['wiring' => WiringJudge::class];

    /** Of the routines, which are judged on the whole build. */
    private const OF_ROUTINES = ['routine' => RoutineJudge::class];

    /** Of one motion, with what was measured. */
    private const OF_BENCH = ['proof' => ProofJudge::class];

    /** @return list<string> */
    public static function names(): array
    {
        return array_keys([...self::OF_MOTION, ...self::OF_WIRING, ...self::OF_ROUTINES, ...self::OF_BENCH]);
    }

    /** @return list<Link> */
    public static function ofMotion(MotionInBuild $subject): array
    {
        return self::judged(self::OF_MOTION, $subject);
    }

    /**
     * @param  list<Link>  $ofMotion  what ofMotion() said of it
     * @return non-empty-list<Link> the whole chain
     */
    public static function chain(MotionInBuild $subject, array $ofMotion, WiringJudge $wiring, RoutineJudge $routines): array
    {
        return [...$ofMotion, $wiring->link($subject), $routines->link($subject), ...self::judged(self::OF_BENCH, $subject)];
    }

    /**
     * @param  array<string, class-string<Judge>>  $judges
     * @return list<Link>
     */
    private static function judged(array $judges, MotionInBuild $subject): array
    {
        return array_values(array_map(fn (string $judge): Link => (new $judge)->judge($subject), $judges));
    }
}
