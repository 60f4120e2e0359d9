<?php

declare(strict_types=1);

namespace Brookstone\Core\Calculator;

use Brookstone\Core\Quantity\Constants;
use Brookstone\Core\Shape\ChoiceShape;
use Brookstone\Core\Shape\ErrorList;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\NumberShape;
use Brookstone\Core\Shape\RecordShape;
use Brookstone\Core\Winding\Drum;

final readonly class WindingDrum implements Calculator
{
    public function name(): string
    {
        return 'winding.drum';
    }

    public function says(): string
    {
        return 'How cord climbs on a drum, and what that does to torque and speed at both ends of the winding.';
    }

    public function inputs(): RecordShape
    {
        $positive = NumberShape::positive();

        return new RecordShape([
            'core_diameter_m' => Field::needed($positive, 'Bare drum.'),
            'cord_m' => Field::needed($positive, 'Thickness of the cord.'),
            'width_m' => Field::needed($positive, 'Between the flanges.'),
            'length_m' => Field::needed($positive, 'Of the cord that is wound.'),
            'packing' => Field::or('nested', ChoiceShape::of('nested', 'stacked'), 'Each layer in the grooves of the one below, or on top of it.'),
            'drum_rpm' => Field::needed($positive, 'Speed of the drum.'),
            'line_N' => Field::or(0.0, NumberShape::notNegative(), 'Tension of the cord.'),
        ]);
    }

    public function results(): RecordShape
    {
        return Results::of([
            'turns_per_layer' => 'number', 'layers' => 'number', 'turns' => 'number', 'first_radius_m' => 'number', 'last_radius_m' => 'number',
            'wind_s' => 'number', 'first_speed_m_s' => 'number', 'last_speed_m_s' => 'number', 'first_torque_Nm' => 'number', 'last_torque_Nm' => 'number',
        ]);
    }

    public function check(array $inputs, ErrorList $errors): void
    {
    }

    public function compute(array $inputs): array
    {
        $drum = new Drum($inputs['core_diameter_m'], $inputs['cord_m'], $inputs['width_m'], $inputs['length_m'], $inputs['packing'] === 'nested');
        $omega = $inputs['drum_rpm'] * Constants::RAD_S_PER_RPM;
        $first = $drum->radius_m(0);
        $last = $drum->lastRadius_m();

        return ['inputs' => $inputs, 'results' => [
            'turns_per_layer' => $drum->turns_per_layer, 'layers' => $drum->layers, 'turns' => $drum->turns, 'first_radius_m' => $first,
            'last_radius_m' => $last,
            'wind_s' => $drum->turns * 2 * M_PI / $omega,
            'first_speed_m_s' => $omega * $first, 'last_speed_m_s' => $omega * $last,
            'first_torque_Nm' => $inputs['line_N'] * $first, 'last_torque_Nm' => $inputs['line_N'] * $last,
        ], 'findings' => []];
    }
}
