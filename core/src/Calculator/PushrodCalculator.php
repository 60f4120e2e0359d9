<?php

declare(strict_types=1);

namespace Brookstone\Core\Calculator;

use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Linkage\Pushrod;
use Brookstone\Core\Quantity\Constants;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Shape\BooleanShape;
use Brookstone\Core\Shape\ErrorList;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\NumberShape;
use Brookstone\Core\Shape\RecordShape;

final readonly class PushrodCalculator implements Calculator
{
    private const FLAT_DEG = 30.0; // a rod flatter to its horn than this binds with the least play

    public function name(): string
    {
        return 'linkage.pushrod';
    }

    public function says(): string
    {
        return 'What a servo arm, a rod and a horn make of the servo’s travel: angles, force and where it binds.';
    }

    public function inputs(): RecordShape
    {
        $positive = NumberShape::positive();

        return new RecordShape([
            'arm_m' => Field::needed($positive, 'From the servo’s shaft to the hole in its arm.'),
            'horn_m' => Field::needed($positive, 'From the pivot of the part to the hole in its horn.'),
            'pivot_distance_m' => Field::needed($positive, 'From the servo’s shaft to that pivot.'),
            'opposite_sides' => Field::or(false, new BooleanShape, 'Arm and horn stand on opposite sides of the line between the pivots.'),
            'servo_half_travel_deg' => Field::needed(new NumberShape(0.0, 180.0, minExcluded: true), 'How far the servo goes from neutral either way.'),
            'deadband_us' => Field::or(0.0, NumberShape::notNegative(), 'Dead band of the servo.'),
            'us_per_deg' => Field::or(10.0, $positive, 'Pulse for each degree of the servo.'),
        ]);
    }

    public function results(): RecordShape
    {
        return Results::of([
            'rod_m' => 'number', 'horn_at_plus_deg' => 'number', 'horn_at_minus_deg' => 'number', 'travel_deg' => 'number', 'gain_at_neutral' => 'number',
            'max_gain' => 'number',
            'min_torque_ratio' => 'number', 'min_transmission_deg' => 'number', 'reversed' => 'boolean', 'binds' => 'boolean', 'resolution_deg' => 'number',
        ]);
    }

    public function check(array $inputs, ErrorList $errors): void
    {
    }

    public function compute(array $inputs): array
    {
        $rod = new Pushrod($inputs['arm_m'], $inputs['horn_m'], $inputs['pivot_distance_m'], $inputs['servo_half_travel_deg'], $inputs['opposite_sides']);
        $results = ['rod_m' => $rod->rod_m, 'gain_at_neutral' => $rod->gainAtNeutral(), 'reversed' => $inputs['opposite_sides'], 'binds' => $rod->binds];
        if ($rod->binds) {
            return ['inputs' => $inputs, 'results' => $results + array_fill_keys(array_keys($this->results()->fields), null),
                'findings' => [new Finding('linkage.binds', Severity::Fails, 'servo_half_travel_deg', new Sentence(
                    'The rod cannot follow over this travel: it would have to be longer or shorter than it is. Take a shorter hole on the arm, a longer one on the horn, or less travel.',
                ))]];
        }
        $half = $inputs['servo_half_travel_deg'] * Constants::RAD_PER_DEG;
        [$plus, $minus] = [$rod->horn($half) / Constants::RAD_PER_DEG, $rod->horn(-$half) / Constants::RAD_PER_DEG];
        $gain = $rod->maxGain();
        $flat = $rod->minTransmission_deg();

        return ['inputs' => $inputs, 'results' => $results + [
            'horn_at_plus_deg' => $plus, 'horn_at_minus_deg' => $minus, 'travel_deg' => abs($plus - $minus), 'max_gain' => $gain,
            'min_torque_ratio' => 1 / $gain,
            'min_transmission_deg' => $flat, 'resolution_deg' => $inputs['deadband_us'] / $inputs['us_per_deg'] * $gain,
        ], 'findings' => $flat < self::FLAT_DEG ? [new Finding('linkage.flat', Severity::Tight, 'servo_half_travel_deg', new Sentence(
            'At the end of its travel the rod lies only {angle} off the line of the horn: it pushes mostly on the pivot, and a little play lets it stick.',
            ['angle' => Quantity::of($flat, '°')],
        ))] : []];
    }
}
