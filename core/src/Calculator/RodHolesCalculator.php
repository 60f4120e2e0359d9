<?php

declare(strict_types=1);

namespace Brookstone\Core\Calculator;

use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Linkage\Pushrod;
use Brookstone\Core\Linkage\RodEnd;
use Brookstone\Core\Quantity\Constants;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Shape\BooleanShape;
use Brookstone\Core\Shape\ChoiceShape;
use Brookstone\Core\Shape\ErrorList;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\ListShape;
use Brookstone\Core\Shape\NumberShape;
use Brookstone\Core\Shape\RecordShape;

final readonly class RodHolesCalculator implements Calculator
{
    private const MOST_HOLES = 20;

    public function name(): string
    {
        return 'linkage.holes';
    }

    public function says(): string
    {
        return 'Which hole of the servo arm and which of the horn give a wanted travel: every pair with its travel, force and fineness.';
    }

    public function inputs(): RecordShape
    {
        $positive = NumberShape::positive();
        $holes = new ListShape($positive, 1, self::MOST_HOLES, 'holes');

        return new RecordShape([
            'arm_holes_m' => Field::needed($holes, 'From the servo’s shaft to each hole of its arm.'),
            'horn_holes_m' => Field::needed($holes, 'From the pivot of the part to each hole of its horn.'),
            'pivot_distance_m' => Field::needed($positive, 'From the servo’s shaft to that pivot.'),
            'servo_half_travel_deg' => Field::needed(new NumberShape(0.0, 180.0, minExcluded: true), 'How far the servo goes from neutral either way.'),
            'wanted_travel_deg' => Field::needed(new NumberShape(0.0, 360.0, minExcluded: true), 'How far the part shall turn, end to end.'),
            'opposite_sides' => Field::or(false, new BooleanShape, 'Arm and horn on opposite sides: it turns the other way.'),
            'servo_Nm' => Field::or(0.0, NumberShape::notNegative(), 'Torque of the servo.'),
            'deadband_us' => Field::or(5.0, NumberShape::notNegative(), 'Dead band of the servo.'),
            'us_per_deg' => Field::or(10.0, $positive, 'Pulse for each degree of the servo.'),
            'rod_end' => Field::or('clevis', ChoiceShape::of(...array_column(RodEnd::cases(), 'value')), 'How the rod is hooked in.'),
        ]);
    }

    public function results(): RecordShape
    {
        $number = NumberShape::any()->orNull();

        return new RecordShape([
            'pairs' => Field::needed(new ListShape(new RecordShape([
                'arm_m' => Field::needed($number), 'horn_m' => Field::needed($number), 'rod_m' => Field::needed($number),
                'travel_deg' => Field::needed($number), 'off_deg' => Field::needed($number), 'least_Nm' => Field::needed($number),
                'resolution_deg' => Field::needed($number), 'min_transmission_deg' => Field::needed($number), 'binds' => Field::needed(new BooleanShape),
            ]), 0, self::MOST_HOLES ** 2)),
            'end_room_m' => Field::needed($number), 'end_play_deg' => Field::needed($number),
        ]);
    }

    public function check(array $inputs, ErrorList $errors): void
    {
    }

    public function compute(array $inputs): array
    {
        $pairs = [];
        foreach ($inputs['arm_holes_m'] as $arm) {
            foreach ($inputs['horn_holes_m'] as $horn) {
                $pairs[] = $this->pair(new Pushrod($arm, $horn, $inputs['pivot_distance_m'], $inputs['servo_half_travel_deg'], $inputs['opposite_sides']),
                    $inputs);
            }
        }
        usort($pairs, fn (array $a, array $b): int => [$a['binds'], $a['off_deg'] ?? INF, -($a['least_Nm'] ?? 0.0)] <=> [$b['binds'], $b['off_deg'] ?? INF,
            -($b['least_Nm'] ?? 0.0)]);
        $end = RodEnd::from($inputs['rod_end']);
        $best = $pairs[0];
        $findings = match (true) {
            $best['binds'] => [new Finding('linkage.no_pair', Severity::Fails, 'horn_holes_m',
                new Sentence('No pair of holes lets the rod follow over this travel: take less travel, or a longer horn.'))],
            $best['off_deg'] > 0.1 * $inputs['wanted_travel_deg'] => [new Finding('linkage.no_pair', Severity::Tight, 'horn_holes_m',
                new Sentence('The nearest pair gives {travel} where {wanted} is wanted: drill another hole.', [
                    'travel' => Quantity::of((float) $best['travel_deg'], '°'), 'wanted' => Quantity::of($inputs['wanted_travel_deg'], '°'),
                ]))],
            default => [],
        };

        return ['inputs' => $inputs, 'results' => [
            'pairs' => $pairs, 'end_room_m' => $end->room_m(), 'end_play_deg' => $best['binds'] ? null
                : $end->play_m() / $best['horn_m'] / Constants::RAD_PER_DEG,
        ], 'findings' => $findings];
    }

    /**
     * @param  array<string, mixed>  $inputs
     * @return array<string, mixed>
     */
    private function pair(Pushrod $rod, array $inputs): array
    {
        $pair = ['arm_m' => $rod->arm_m, 'horn_m' => $rod->horn_m, 'rod_m' => $rod->rod_m, 'travel_deg' => null, 'off_deg' => null, 'least_Nm' => null,
            'resolution_deg' => null, 'min_transmission_deg' => null, 'binds' => $rod->binds];
        if ($rod->binds) {
            return $pair;
        }
        $half = $inputs['servo_half_travel_deg'] * Constants::RAD_PER_DEG;
        $travel = abs($rod->horn($half) - $rod->horn(-$half)) / Constants::RAD_PER_DEG;
        $gain = $rod->maxGain();

        return [
            ...$pair, 'travel_deg' => $travel, 'off_deg' => abs($travel - $inputs['wanted_travel_deg']), 'least_Nm' => $inputs['servo_Nm'] / $gain,
            'resolution_deg' => $inputs['deadband_us'] / $inputs['us_per_deg'] * $gain,
            'min_transmission_deg' => $rod->minTransmission_deg(),
        ];
    }
}
