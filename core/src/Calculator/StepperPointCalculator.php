<?php

declare(strict_types=1);

namespace Brookstone\Core\Calculator;

use Brookstone\Core\Drive\StepperPoint;
use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Shape\ErrorList;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\NumberShape;
use Brookstone\Core\Shape\RecordShape;

final readonly class StepperPointCalculator implements Calculator
{
    private const NEAR_HALF = 0.45; // of what is available: from about a half on, resonance decides

    public function name(): string
    {
        return 'drive.stepper_point';
    }

    public function says(): string
    {
        return 'What a stepper pulls at a speed, as inductance and back-EMF eat the voltage.';
    }

    public function inputs(): RecordShape
    {
        $positive = NumberShape::positive();

        return new RecordShape([
            'holding_Nm' => Field::needed($positive, 'Torque at rest, both phases at their rated current.'),
            'steps_per_rev' => Field::needed(NumberShape::whole(1), 'Full steps for a turn.'),
            'phase_A' => Field::needed($positive, 'Rated current of a phase.'),
            'phase_ohm' => Field::needed($positive, 'Resistance of a phase.'),
            'phase_mH' => Field::needed($positive, 'Inductance of a phase.'),
            'supply_V' => Field::needed($positive, 'Voltage of the driver’s supply.'),
            'microsteps' => Field::or(1, NumberShape::whole(1), 'Microsteps for a full step.'),
            'speed_rpm' => Field::needed(NumberShape::notNegative(), 'Speed of the shaft.'),
            'load_Nm' => Field::or(null, NumberShape::notNegative()->orNull(), 'Load at the shaft.'),
        ]);
    }

    public function results(): RecordShape
    {
        return Results::of(['phase_current_A' => 'number', 'available_Nm' => 'number', 'step_rate_hz' => 'number', 'margin' => 'number']);
    }

    public function check(array $inputs, ErrorList $errors): void
    {
    }

    public function compute(array $inputs): array
    {
        $point = StepperPoint::of(...$inputs);

        return ['inputs' => $inputs, 'results' => get_object_vars($point), 'findings' => self::findings($point, $inputs['load_Nm'])];
    }

    /** @return list<Finding> */
    private static function findings(StepperPoint $point, ?float $load_Nm): array
    {
        if ($load_Nm === null || $load_Nm < self::NEAR_HALF * $point->available_Nm) {
            return [];
        }
        $slips = $load_Nm > $point->available_Nm * (1 + 1e-9);

        return [new Finding('drive.stepper_slips', $slips ? Severity::Fails : Severity::Tight, 'load_Nm', new Sentence(
            $slips
                ? 'At this speed it pulls {has} at most and must move {needs}: it loses steps.'
                : 'At this speed it must move {needs} of the {has} it pulls. That is an estimate without resonance: keep under half of it, or try it at the bench.',
            ['has' => Quantity::of($point->available_Nm, 'N·m'), 'needs' => Quantity::of($load_Nm, 'N·m')],
        ))];
    }
}
