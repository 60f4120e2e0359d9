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

final readonly class CordCalculator implements Calculator
{
    private const SAFE = 5.0; // times what it carries, over nobody: knots, wear and jerks eat most of it

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
        return Results::of(['bears_N' => 'number', 'safety' => 'number', 'fleet_deg' => 'number', 'lead_for_2_deg_m' => 'number', 'thread_pitch_m' => 'number']);
    }

    public function check(array $inputs, ErrorList $errors): void
    {
        if ($errors->count() === 0 && ($inputs['drum_width_m'] === null) !== ($inputs['lead_m'] === null)) {
            $errors->add($inputs['lead_m'] === null ? 'lead_m' : 'drum_width_m', 'The fleet angle needs both the width of the drum and the distance to the first pulley.');
        }
    }

    public function compute(array $inputs): array
    {
        $bears = $inputs['breaking_N'] * $inputs['knot_share'];
        $safety = $bears / ($inputs['load_N'] * $inputs['shock_factor']);
        $width = $inputs['drum_width_m'];
        $fleet = $width === null ? null : atan($width / 2 / $inputs['lead_m']) * 180 / M_PI;
        $findings = [];
        if ($safety < self::SAFE) {
            $findings[] = new Finding('winding.cord_weak', $safety < 1.0 ? Severity::Fails : Severity::Tight, 'breaking_N', new Sentence(
                'With its knot it bears {bears} and is pulled with {pull}: take one that breaks at {wanted} or more.',
                ['bears' => Quantity::of($bears, 'N'), 'pull' => Quantity::of($inputs['load_N'] * $inputs['shock_factor'], 'N'), 'wanted' => Quantity::of(self::SAFE * $inputs['load_N'] * $inputs['shock_factor'] / $inputs['knot_share'], 'N')],
            ));
        }
        if ($fleet !== null && $fleet > 2.0) {
            $findings[] = new Finding('winding.fleet', $fleet > 4.0 ? Severity::Fails : Severity::Tight, 'lead_m', new Sentence(
                'At the flanges the cord runs on {angle} slantwise: over about 2° it climbs on itself. Lead it from {lead} away, or let the drum travel on a thread of the cord’s pitch.',
                ['angle' => Quantity::of($fleet, '°'), 'lead' => Quantity::of((float) $width / 2 / tan(M_PI / 90), 'm')],
            ));
        }

        return ['inputs' => $inputs, 'results' => [
            'bears_N' => $bears, 'safety' => $safety, 'fleet_deg' => $fleet, 'lead_for_2_deg_m' => $width === null ? null : $width / 2 / tan(M_PI / 90), 'thread_pitch_m' => $inputs['cord_m'],
        ], 'findings' => $findings];
    }
}
