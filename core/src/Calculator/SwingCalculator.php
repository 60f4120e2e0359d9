<?php

declare(strict_types=1);

namespace Brookstone\Core\Calculator;

use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Linkage\FourBar;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Shape\ErrorList;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\NumberShape;
use Brookstone\Core\Shape\RecordShape;

final readonly class SwingCalculator implements Calculator
{
    private const FLAT_DEG = 30.0;

    public function name(): string
    {
        return 'linkage.swing';
    }

    public function says(): string
    {
        return 'Crank and rod that swing a lid by exactly so much with a motor that only turns one way, out as fast as back.';
    }

    public function inputs(): RecordShape
    {
        return new RecordShape([
            'swing_deg' => Field::needed(NumberShape::between(1.0, 170.0), 'How far the lid swings, end to end.'),
            'rocker_m' => Field::needed(NumberShape::positive(), 'From the lid’s pivot to where the rod holds it.'),
            'ground_m' => Field::needed(NumberShape::positive(), 'From the motor’s shaft to the lid’s pivot.'),
        ]);
    }

    public function results(): RecordShape
    {
        return Results::of(['crank_m' => 'number', 'coupler_m' => 'number', 'min_transmission_deg' => 'number', 'first_switch_deg' => 'number', 'second_switch_deg' => 'number']);
    }

    public function check(array $inputs, ErrorList $errors): void
    {
        if ($errors->count() === 0 && $inputs['ground_m'] <= $inputs['rocker_m']) {
            $errors->add('ground_m', 'The rod cannot reach round: the motor must stand further from the lid’s pivot than the rod holds it.');
        }
    }

    public function compute(array $inputs): array
    {
        // Both ends on one line through the motor's shaft: the crank is half the chord of the swing, and c² + g² = l² + r² (Norton, §3.4).
        $half = deg2rad($inputs['swing_deg']) / 2;
        $crank = $inputs['rocker_m'] * sin($half);
        $coupler = sqrt($inputs['ground_m'] ** 2 + $crank ** 2 - $inputs['rocker_m'] ** 2);
        $bars = new FourBar($crank, $coupler, $inputs['rocker_m'], $inputs['ground_m']);
        $swing = $bars->swing();
        $flat = $swing['min_transmission_deg'] ?? null;
        // The crank at the two ends, seen from the line to the lid's pivot.
        $out = rad2deg(acos(max(-1.0, min(1.0, ($inputs['ground_m'] ** 2 + ($coupler + $crank) ** 2 - $inputs['rocker_m'] ** 2) / (2 * $inputs['ground_m'] * ($coupler + $crank))))));
        $findings = $flat === null || $flat < self::FLAT_DEG ? [new Finding('linkage.flat', $flat === null ? Severity::Fails : Severity::Tight, 'ground_m', new Sentence(
            $flat === null ? 'With these lengths the crank cannot go round. Set the motor further away, or hold the lid nearer to its pivot.' : 'The rod lies only {angle} off the line of the lid at its worst: set the motor further away.',
            $flat === null ? [] : ['angle' => Quantity::of($flat, '°')],
        ))] : [];

        return ['inputs' => $inputs, 'results' => ['crank_m' => $crank, 'coupler_m' => $coupler, 'min_transmission_deg' => $flat, 'first_switch_deg' => $out, 'second_switch_deg' => $out + 180.0], 'findings' => $findings];
    }
}
