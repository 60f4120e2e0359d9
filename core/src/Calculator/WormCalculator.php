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
use Brookstone\Core\Train\WormPair;

final readonly class WormCalculator implements Calculator
{
    public function name(): string
    {
        return 'train.worm';
    }

    public function says(): string
    {
        return 'What a worm and its wheel pass on, and whether the load can turn them back.';
    }

    public function inputs(): RecordShape
    {
        return new RecordShape([
            'module_mm' => Field::needed(NumberShape::positive(), 'Module.'),
            'diameter_quotient' => Field::needed(NumberShape::positive(), 'Pitch diameter of the worm over the module.'),
            'starts' => Field::needed(NumberShape::whole(1, 100), 'Threads of the worm.'),
            'wheel' => Field::needed(NumberShape::whole(1, 10000), 'Teeth of the wheel.'),
            'friction_coefficient' => Field::needed(NumberShape::notNegative(), 'Running: 0.05 oiled bronze, 0.15 to 0.25 dry plastic.'),
            'pressure_angle_deg' => Field::or(20.0, NumberShape::between(5.0, 35.0), 'Pressure angle.'),
        ]);
    }

    public function results(): RecordShape
    {
        return Results::of(['lead_angle_deg' => 'number', 'ratio' => 'number', 'efficiency' => 'number', 'back_efficiency' => 'number',
            'self_locking' => 'boolean', 'centre_mm' => 'number']);
    }

    public function check(array $inputs, ErrorList $errors): void
    {
    }

    public function compute(array $inputs): array
    {
        $worm = new WormPair(...$inputs);
        $findings = $worm->self_locking ? [new Finding('train.worm_locks', Severity::Note, 'friction_coefficient', new Sentence(
            'It locks itself: its lead is {by} under the friction angle. Vibration and fresh grease lower that; never trust it over people.',
            ['by' => Quantity::of($worm->locks_by_deg, '°')],
        ))] : [];

        return ['inputs' => $inputs, 'results' => array_intersect_key(get_object_vars($worm), $this->results()->fields), 'findings' => $findings];
    }
}
