<?php

declare(strict_types=1);

namespace Brookstone\Core\Routine;

use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\NumberShape;

/** A stick or knob of which a controller asks where it is between its ends. */
final class Stick
{
    /** Of the span: readings so far outside come from no stick. */
    public const LOST = 0.1;

    /** Of full speed: less of a change is not told to the driver. */
    public const STEP = 0.02;

    /** @return array<string, Field> what it reads at its ends */
    public static function fields(): array
    {
        $reading = NumberShape::between(-1e6, 1e6);

        return ['low' => Field::or(0.0, $reading, 'What it reads at one end.'), 'high' => Field::or(100.0, $reading, 'And at the other.')];
    }

    /** @return array<string, string> of a stick that reads the same at both ends */
    public static function problem(float $low, float $high): array
    {
        return $low === $high ? ['high' => 'Must be another reading than at the other end.'] : [];
    }

    /**
     * Where it is between its ends, 0 to 1.
     *
     * @throws StepFailed when it reads what no stick does: its wire is off; the motion is stopped then
     */
    public static function reads(Controller $controller, DrivenMotion $axis, string $sensor, float $low, float $high): float
    {
        $share = ($controller->senses()->level($sensor) - $low) / ($high - $low);
        if ($share < -self::LOST || $share > 1 + self::LOST) {
            $axis->stop('brake');
            throw new StepFailed("{$axis->motion()->name} has lost what it follows: {$controller->build()->sensors[$sensor]->name} reads what it never does");
        }

        return max(0.0, min(1.0, $share));
    }
}
