<?php

declare(strict_types=1);

namespace Brookstone\Core\Calculator;

use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Rolling\MagnetHead;
use Brookstone\Core\Shape\ErrorList;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\NumberShape;
use Brookstone\Core\Shape\RecordShape;

final readonly class MagnetHeadCalculator implements Calculator
{
    private const TIGHT = 1.5; // magnets differ, and the ball bumps

    public function name(): string
    {
        return 'rolling.magnet_head';
    }

    public function says(): string
    {
        return 'Whether magnets through the shell keep a head on its ball while it tilts and speeds up.';
    }

    public function inputs(): RecordShape
    {
        $positive = NumberShape::positive();

        return new RecordShape([
            'head_kg' => Field::needed($positive, 'Mass of the finished head.'),
            'contact_N' => Field::needed($positive, 'Pull of all magnets in contact, measured with a spring balance.'),
            'magnet_m' => Field::needed($positive, 'Length of a magnet along its pull.'),
            'gap_m' => Field::needed(NumberShape::notNegative(), 'Thickness of shell and sliders between them.'),
            'slide_coefficient' => Field::or(0.1, NumberShape::notNegative(), 'Of the head on the shell.'),
            'tilt_deg' => Field::or(20.0, NumberShape::between(0.0, 90.0), 'How far the ball tilts it.'),
            'accel_m_s2' => Field::or(1.0, NumberShape::notNegative(), 'How hard the ball speeds up or stops.'),
        ]);
    }

    public function results(): RecordShape
    {
        return Results::of(['pull_N' => 'number', 'needed_N' => 'number', 'margin' => 'number', 'thickest_gap_m' => 'number', 'stays' => 'boolean']);
    }

    public function check(array $inputs, ErrorList $errors): void
    {
    }

    public function compute(array $inputs): array
    {
        $head = new MagnetHead($inputs['head_kg'], $inputs['contact_N'], $inputs['magnet_m'], $inputs['gap_m'], $inputs['slide_coefficient']);
        $pull = $head->pull_N();
        $needed = $head->needed_N($inputs['tilt_deg'], $inputs['accel_m_s2']);
        $findings = $pull >= self::TIGHT * $needed ? [] : [new Finding('rolling.head_slides', $pull < $needed ? Severity::Fails : Severity::Tight, 'gap_m',
            new Sentence(
                $pull < $needed ? 'Across the gap the magnets pull with {pull}, but {needed} are needed: the head slides off.'
                    : 'Across the gap the magnets pull with {pull} for {needed} needed: a bump may take the head off.',
                ['pull' => Quantity::of($pull, 'N'), 'needed' => Quantity::of($needed, 'N')],
            ))];

        return ['inputs' => $inputs, 'results' => [
            'pull_N' => $pull, 'needed_N' => $needed, 'margin' => $needed > 0.0 ? $pull / $needed : null, 'thickest_gap_m' => $head->thickest_m($needed),
            'stays' => $pull >= $needed,
        ], 'findings' => $findings];
    }
}
