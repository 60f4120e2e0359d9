<?php

declare(strict_types=1);

namespace Brookstone\Core\Calculator;

use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Quantity\Constants;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Rolling\Throwing;
use Brookstone\Core\Shape\ErrorList;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\NumberShape;
use Brookstone\Core\Shape\RecordShape;

final readonly class ThrowCalculator implements Calculator
{
    private const HARMLESS_J = 0.5; // what toys may throw at most

    public function name(): string
    {
        return 'motion.throw';
    }

    public function says(): string
    {
        return 'Where something lands that is thrown, and how hard.';
    }

    public function inputs(): RecordShape
    {
        return new RecordShape([
            'speed_m_s' => Field::needed(NumberShape::notNegative(200.0), 'With which it is let go.'),
            'angle_deg' => Field::or(45.0, NumberShape::between(-90.0, 90.0), 'Above level.'),
            'height_m' => Field::or(0.0, NumberShape::notNegative(1000.0), 'Of where it is let go over where it lands.'),
            'mass_kg' => Field::or(0.0, NumberShape::notNegative(1000.0), 'Of what is thrown; 0 leaves out how hard it hits.'),
        ]);
    }

    public function results(): RecordShape
    {
        return Results::of(['lands_m' => 'number', 'flies_s' => 'number', 'highest_m' => 'number', 'lands_m_s' => 'number', 'lands_deg' => 'number',
            'energy_J' => 'number']);
    }

    public function check(array $inputs, ErrorList $errors): void
    {
    }

    public function compute(array $inputs): array
    {
        $throw = new Throwing($inputs['speed_m_s'], $inputs['angle_deg'], $inputs['height_m']);
        $energy = 0.5 * $inputs['mass_kg'] * $throw->lands_m_s ** 2;
        $findings = [new Finding('motion.no_drag', Severity::Note, 'speed_m_s', new Sentence(
            'The drag of the air is not in this: something light or large lands nearer.'))];
        if ($energy > self::HARMLESS_J * (1 + Constants::TIE)) {
            $findings[] = new Finding('motion.throws_hard', Severity::Tight, 'speed_m_s', new Sentence(
                'It hits with {energy}, more than the {most} that hurts nobody: keep eyes and faces out of its way, or throw something softer.',
                ['energy' => Quantity::of($energy, 'J'), 'most' => Quantity::of(self::HARMLESS_J, 'J')]));
        }

        return ['inputs' => $inputs, 'results' => get_object_vars($throw) + ['energy_J' => $energy], 'findings' => $findings];
    }
}
