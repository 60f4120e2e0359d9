<?php

declare(strict_types=1);

namespace Brookstone\Core\Calculator;

use Brookstone\Core\Drive\Drives;
use Brookstone\Core\Drive\Servo;
use Brookstone\Core\Drive\ServoPoint;
use Brookstone\Core\Drive\ServoRating;
use Brookstone\Core\Drive\SupplyFit;
use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Quantity\Constants;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Shape\ErrorList;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\NumberShape;
use Brookstone\Core\Shape\RecordShape;

final readonly class ServoPointCalculator implements Calculator
{
    public function name(): string
    {
        return 'drive.servo_point';
    }

    public function says(): string
    {
        return 'Torque, speed and time of a positional servo at a voltage against a steady load.';
    }

    public function inputs(): RecordShape
    {
        return new RecordShape([
            'ratings' => Field::needed(Drives::ratingsShape(), 'What it gives at each rated voltage, in any order.'),
            'supply_V' => Field::needed(NumberShape::positive(), 'Voltage of the supply.'),
            'load_Nm' => Field::needed(NumberShape::notNegative(), 'Load at the horn.'),
            'angle_deg' => Field::needed(NumberShape::between(-720.0, 720.0), 'Angle of the move; its size counts.'),
        ]);
    }

    public function results(): RecordShape
    {
        return Results::of(['stall_Nm' => 'number', 'no_load_deg_s' => 'number', 'speed_deg_s' => 'number', 'margin' => 'number', 'stalled' => 'boolean',
            'move_s' => 'number']);
    }

    public function check(array $inputs, ErrorList $errors): void
    {
        foreach ($inputs['ratings'] ?? [] as $i => $rating) {
            foreach (array_slice($inputs['ratings'], 0, $i) as $earlier) {
                if (isset($rating['volts_V'], $earlier['volts_V']) && abs($rating['volts_V'] - $earlier['volts_V']) <= Constants::TIE * $rating['volts_V']) {
                    $errors->add("ratings.{$i}.volts_V", 'This voltage has a rating already: '.$rating['volts_V'].' V.');
                }
            }
        }
    }

    public function compute(array $inputs): array
    {
        $servo = new Servo(array_map(fn (array $rating): ServoRating => new ServoRating(...$rating), $inputs['ratings']));
        $point = ServoPoint::of($servo, $inputs['supply_V'], $inputs['load_Nm'], $inputs['angle_deg']);

        return ['inputs' => $inputs, 'results' => get_object_vars($point), 'findings' => self::rating($servo, $inputs['supply_V'])];
    }

    /** @return list<Finding> */
    private static function rating(Servo $servo, float $supply_V): array
    {
        $fit = $servo->supplyFit($supply_V);
        if ($fit === SupplyFit::Fits) {
            return [];
        }
        [$low, $high] = $servo->voltageRange();

        return [new Finding($fit === SupplyFit::Low ? 'drive.supply_low' : 'drive.supply_high', Severity::Fails, 'supply_V', new Sentence(
            'The supply of {supply} lies outside the rating of {low} to {high}.',
            ['supply' => Quantity::of($supply_V, 'V'), 'low' => Quantity::of($low, 'V'), 'high' => Quantity::of($high, 'V')],
        ))];
    }
}
