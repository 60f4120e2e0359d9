<?php

declare(strict_types=1);

namespace Brookstone\Core\Calculator;

use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Quantity\Constants;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Rolling\SidewaysWheels;
use Brookstone\Core\Shape\ErrorList;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\ListShape;
use Brookstone\Core\Shape\NumberShape;
use Brookstone\Core\Shape\RecordShape;

final readonly class SidewaysWheelsCalculator implements Calculator
{
    public function name(): string
    {
        return 'rolling.wheels';
    }

    public function says(): string
    {
        return 'Speeds and pushes of three and of four sideways-rolling wheels, side by side, under a base or on a ball, for a wanted motion.';
    }

    public function inputs(): RecordShape
    {
        return new RecordShape([
            'wheel_radius_m' => Field::needed(NumberShape::positive(), 'Radius of the wheels.'),
            'reach_m' => Field::needed(NumberShape::positive(), 'From the centre to each wheel; on a ball the ball’s radius.'),
            'contact_deg' => Field::or(null, (new NumberShape(0.0, 90.0, true, true))->orNull(),
                'From the top of the ball to where the wheels touch it; none on the floor.'),
            'speed_m_s' => Field::needed(NumberShape::notNegative(), 'Wanted speed.'),
            'heading_deg' => Field::or(0.0, NumberShape::between(-720.0, 720.0), 'Its direction, from the first wheel to the left.'),
            'spin_rpm' => Field::or(0.0, NumberShape::any(), 'Wanted spin, to the left.'),
            'push_N' => Field::or(0.0, NumberShape::notNegative(), 'Wanted push in that direction.'),
            'twist_Nm' => Field::or(0.0, NumberShape::any(), 'Wanted twist, to the left.'),
            'mass_kg' => Field::or(null, NumberShape::positive()->orNull(), 'What stands on the wheels: tells whether they slip.'),
            'friction_coefficient' => Field::or(0.6, NumberShape::notNegative(), 'Of the rims.'),
        ]);
    }

    public function results(): RecordShape
    {
        $speeds = new ListShape(NumberShape::any(), 3, 4, 'wheels');

        return new RecordShape([
            'three_rpm' => Field::needed($speeds, 'Speed of each of three wheels: the first ahead, the others evenly round to the left.'),
            'three_fastest' => Field::needed(NumberShape::whole(1), 'Which of the three turns fastest, counted from 1.'),
            'three_worst_rpm' => Field::needed(NumberShape::any(), 'The fastest of the three over every heading.'),
            'four_rpm' => Field::needed($speeds),
            'four_fastest' => Field::needed(NumberShape::whole(1)),
            'four_worst_rpm' => Field::needed(NumberShape::any()),
            'three_pushes_N' => Field::needed($speeds, 'What each of the three pushes with along its rim.'),
            'three_hardest_N' => Field::needed(NumberShape::any(), 'The most of any of the three over every heading.'),
            'three_torque_Nm' => Field::needed(NumberShape::any(), 'Torque that this takes on its shaft.'),
            'four_pushes_N' => Field::needed($speeds),
            'four_hardest_N' => Field::needed(NumberShape::any()),
            'four_torque_Nm' => Field::needed(NumberShape::any()),
        ]);
    }

    public function check(array $inputs, ErrorList $errors): void
    {
    }

    public function compute(array $inputs): array
    {
        $results = $findings = [];
        foreach (['three' => 3, 'four' => 4] as $name => $count) {
            $wheels = new SidewaysWheels($count, $inputs['wheel_radius_m'], $inputs['reach_m'], $inputs['contact_deg']);
            $speeds = $wheels->speeds_rpm($inputs['speed_m_s'], $inputs['heading_deg'], $inputs['spin_rpm']);
            $sizes = array_map(abs(...), $speeds);
            $results["{$name}_rpm"] = $speeds;
            $results["{$name}_fastest"] = 1 + (int) array_search(max(0.0, ...$sizes), $sizes, true);
            $results["{$name}_worst_rpm"] = $wheels->fastest_rpm($inputs['speed_m_s'], $inputs['spin_rpm']);
            $results["{$name}_pushes_N"] = $wheels->pushes_N($inputs['push_N'], $inputs['heading_deg'], $inputs['twist_Nm']);
            $hardest = $results["{$name}_hardest_N"] = $wheels->hardest_N($inputs['push_N'], $inputs['twist_Nm']);
            $results["{$name}_torque_Nm"] = $hardest * $inputs['wheel_radius_m'];
            $grips = $inputs['mass_kg'] === null ? INF : $inputs['friction_coefficient'] * $wheels->pressed_N($inputs['mass_kg']);
            if ($hardest > $grips * (1 + Constants::TIE)) {
                $findings[] = new Finding('rolling.wheel_slips', Severity::Fails, 'push_N', new Sentence(
                    "Of {$name} wheels one has to push with {push}, and it grips only {grips}: it slips.",
                    ['push' => Quantity::of($hardest, 'N'), 'grips' => Quantity::of($grips, 'N')],
                ));
            }
        }

        return ['inputs' => $inputs, 'results' => $results, 'findings' => $findings];
    }
}
