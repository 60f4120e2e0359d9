<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment;

use Brookstone\Core\Assessment\Subject\Link;
use Brookstone\Core\Assessment\Subject\MotionInBuild;
use Brookstone\Core\Drive\AirCylinder;
use Brookstone\Core\Drive\Servo;
use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Mechanism\SpringLever;

/** The cautions that the design of a motion calls for, in plain words; each ends with who decides. */
final class Cautions
{
    private const LICENSED = 'Local rules decide; for hanging, public display or carrying people a licensed trade.';

    private const STORED_J = 1.0;

    /**
     * @param  list<Link>  $links
     * @param  list<Finding>  $ofStage  of the machine as it stands
     * @return list<array{code: string, says: string}>
     */
    public static function of(MotionInBuild $subject, array $links, array $ofStage = []): array
    {
        $pinches = array_filter($ofStage, fn (Finding $finding): bool => $finding->code === 'stage.pinches'
            && (str_starts_with($finding->place, "{$subject->path}.") || $finding->place === $subject->path)) !== [];
        $codes = array_map(fn (Finding $finding): string => $finding->code, array_merge(...array_map(fn (Link $link): array => $link->findings, $links)));
        $thing = $subject->motion->thing();
        $motor = $subject->motion->drive?->motor;
        $around = $subject->build->around;
        $says = array_filter([
            'fingers' => $pinches || in_array('drive.pinches', $codes, true)
                ? 'Fingers get trapped: cover it, limit the force, and put a stop within reach. Local rules decide.' : null,
            'overhead' => $subject->motion->task->over_people
                ? 'It moves above people: give it a second, independent hold, and do not rely on a worm or a servo. '.self::LICENSED : null,
            'energy' => $thing instanceof SpringLever && $thing->energy_J() > self::STORED_J
                ? 'Stored energy: guard your eyes, use a latch that cannot slip, never aim it at faces, and wind it down before you open it. Local rules decide.' : null,
            'thrown' => $thing instanceof SpringLever && $thing->energy_J() <= self::STORED_J
                ? 'What a spring lets go may be thrown, or throw something: guard your eyes, never aim it at faces, and wind it down before you open it. Local rules decide.' : null,
            'air' => $motor instanceof AirCylinder
                ? 'Air pushes at once and with all its force: a hose that comes off whips, a tank is a spring. Shut it off and let the air out before you reach in. Local rules decide.' : null,
            'door' => $subject->motion->task->shuts_at !== null
                ? 'It shuts by itself: limit its force, let it open again when it stalls, and leave a way out by hand for people and animals. Local rules decide.' : null,
            'hot' => array_intersect(['drive.hot_holding', 'drive.hot_cycle', 'drive.holding'], $codes) !== []
                || ($motor instanceof Servo && ! $subject->motion->drive->gated)
                ? 'A stalled drive or a servo that holds gets hot enough to burn or to start a fire: fuse it, and cut it out by temperature. Local rules decide.' : null,
            'public' => $around->public ? 'Strangers, children, nobody watching: guards, and an emergency stop that cuts the power of the motors, not only of the controller. '.self::LICENSED : null,
            'worn' => $around->worn ? 'Worn on the body: a quick release, little mass, and nothing that closes towards neck or face. Local rules decide.' : null,
        ]);

        return array_map(fn (string $code, string $text): array => ['code' => $code, 'says' => $text], array_keys($says), $says);
    }
}
