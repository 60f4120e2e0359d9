<?php

declare(strict_types=1);

namespace Brookstone\Core\Calculator;

use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Shape\ErrorList;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\NumberShape;
use Brookstone\Core\Shape\RecordShape;
use Brookstone\Core\Winding\Cord;
use Brookstone\Core\Winding\Fleet;

final readonly class CordCalculator implements Calculator
{
    public function name(): string
    {
        return 'winding.cord';
    }

    public function says(): string
    {
        return 'Whether a cord carries its load: knots and jerks counted, and how slantwise it runs onto its drum.';
    }

    public function inputs(): RecordShape
    {
        $positive = NumberShape::positive();

        return new RecordShape([
            'breaking_N' => Field::needed($positive, 'What the cord breaks at, straight and new.'),
            'load_N' => Field::needed($positive, 'What it carries at rest.'),
            'knot_share' => Field::or(0.5, NumberShape::share(), 'What a knot leaves of its strength: 0.4 to 0.6.'),
            'shock_factor' => Field::or(1.5, NumberShape::between(1.0, 20.0), 'How much more a start or a stop pulls.'),
            'drum_width_m' => Field::or(null, $positive->orNull(), 'Between the flanges of the drum.'),
            'lead_m' => Field::or(null, $positive->orNull(), 'From the drum to the first pulley or eye, opposite its middle.'),
            'cord_m' => Field::or(null, $positive->orNull(), 'Thickness of the cord.'),
        ]);
    }

    public function results(): RecordShape
    {
        return Results::of(['bears_N' => 'number', 'safety' => 'number', 'fleet_deg' => 'number', 'lead_for_2_deg_m' => 'number',
            'thread_pitch_m' => 'number']);
    }

    public function check(array $inputs, ErrorList $errors): void
    {
        if ($errors->count() === 0 && ($inputs['drum_width_m'] === null) !== ($inputs['lead_m'] === null)) {
            $errors->add($inputs['lead_m'] === null ? 'lead_m' : 'drum_width_m',
                'The fleet angle needs both the width of the drum and the distance to the first pulley.');
        }
    }

    public function compute(array $inputs): array
    {
        $cord = new Cord($inputs['breaking_N'], $inputs['knot_share']);
        $safety = $cord->safety($inputs['load_N'], $inputs['shock_factor']);
        $fleet = $inputs['drum_width_m'] === null ? null : new Fleet($inputs['drum_width_m'], $inputs['lead_m']);
        $findings = [];
        if ($safety < Cord::SAFE) {
            $findings[] = new Finding('winding.cord_weak', $safety < 1.0 ? Severity::Fails : Severity::Tight, 'breaking_N', new Sentence(
                'With its knot it holds {bears} and is pulled with {pull}: take one that breaks at {wanted} or more.',
                ['bears' => Quantity::of($cord->bears_N, 'N'), 'pull' => Quantity::of($inputs['load_N'] * $inputs['shock_factor'], 'N'),
                    'wanted' => Quantity::of(Cord::wanted_N($inputs['load_N'], $inputs['knot_share'], $inputs['shock_factor']), 'N')],
            ));
        }
        if ($fleet !== null && $fleet->angle_deg > Fleet::EVEN_DEG) {
            $findings[] = new Finding('winding.fleet', $fleet->angle_deg > Fleet::CLIMBS_DEG ? Severity::Fails : Severity::Tight, 'lead_m', new Sentence(
                'At the flanges the cord runs on {angle} slantwise: over about 2° it climbs on itself. Lead it from {lead} away, or let the drum travel on a thread of the cord’s pitch.',
                ['angle' => Quantity::of($fleet->angle_deg, '°'), 'lead' => Quantity::of($fleet->lead_even_m, 'm')],
            ));
        }

        return ['inputs' => $inputs, 'results' => [
            'bears_N' => $cord->bears_N, 'safety' => $safety, 'fleet_deg' => $fleet?->angle_deg, 'lead_for_2_deg_m' => $fleet?->lead_even_m,
            'thread_pitch_m' => $inputs['cord_m'],
        ], 'findings' => $findings];
    }
}
