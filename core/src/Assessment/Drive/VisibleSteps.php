<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment\Drive;

use Brookstone\Core\Assessment\Subject\MotionInBuild;
use Brookstone\Core\Drive\Stepper;
use Brookstone\Core\Finding\Change;
use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Finding\Fix;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Quantity\Constants;
use Brookstone\Core\Quantity\Quantity;

/** Steps of a slow stepper are seen one by one when they come less often than pictures of a film, and each is wider than an eye tells apart. */
final class VisibleSteps
{
    public const PER_S = 25.0;

    private const WIDE = ['m' => 1e-4, 'deg' => 0.1]; // own unit

    private const MOST_MICROSTEPS = 256;

    public static function of(MotionInBuild $subject): ?Finding
    {
        $motion = $subject->motion;
        $motor = $motion->drive?->motor;
        if (! $motor instanceof Stepper) {
            return null;
        }
        $unit = $motion->unit();
        $turn_rad = 2 * M_PI / $motor->steps_per_rev / $motor->microsteps / $motion->train->ratio(); // of the shaft, for a step
        $step = abs($unit->fromSi($turn_rad * $motion->mechanism->travelPerRad()));
        $per_s = $motion->ramp(self::slowest($subject))->speed / $turn_rad;
        if ($step <= self::WIDE[$unit->value] * (1 + Constants::TIE) || $per_s >= self::PER_S * (1 - Constants::TIE)) {
            return null;
        }
        $finer = $motor->microsteps;
        while ($finer < self::MOST_MICROSTEPS && $per_s * $finer / $motor->microsteps < self::PER_S
            && $step * $motor->microsteps / $finer > self::WIDE[$unit->value]) {
            $finer *= 2;
        }

        return new Finding('drive.steps_show', Severity::Note, "{$subject->path}.drive.motor.microsteps", new Sentence(
            'Its steps show: at its slowest {rate} come in a second, and each moves it {step}.',
            ['rate' => Quantity::number(round($per_s, 2)), 'step' => $unit->quantity($step)],
        ), $finer === $motor->microsteps ? [] : [new Fix(new Sentence("Drive it in {$finer} microsteps to a full step"),
            [new Change("{$subject->path}.drive.motor.microsteps", $finer)])]);
    }

    /** The least share of its usual speed at which a routine moves it; its usual one where none does. */
    private static function slowest(MotionInBuild $subject): float
    {
        $shares = [1.0];
        foreach ($subject->build->routines as $routine) {
            foreach ($routine->flat() as $step) {
                $move = $step->effect($subject->build)->move;
                if ($move !== null && $move->motion === $subject->motion->id) {
                    $shares[] = $move->slowest ?? $move->speed;
                }
            }
        }

        return min($shares);
    }
}
