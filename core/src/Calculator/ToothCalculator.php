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
use Brookstone\Core\Train\Tooth;

final readonly class ToothCalculator implements Calculator
{
    private const SHOCK = 2.0; // halve the allowance for shock

    public function name(): string
    {
        return 'train.tooth';
    }

    public function says(): string
    {
        return 'Stress at the root of a gear tooth against the limit of its material.';
    }

    public function inputs(): RecordShape
    {
        $positive = NumberShape::positive();

        return new RecordShape([
            'teeth' => Field::needed(NumberShape::whole(Tooth::LEAST_TEETH, 10000), 'Teeth of this gear.'),
            'module_mm' => Field::needed($positive, 'Module.'),
            'face_mm' => Field::needed($positive, 'Width of the teeth.'),
            'torque_Nm' => Field::needed(NumberShape::notNegative(), 'Torque at the shaft of this gear.'),
            'allowable_MPa' => Field::needed($positive,
                'The limit of its material for long use: acetal 25 to 35, nylon 20 to 30, printed 15 to 20, brass 60 to 100, steel 150.'),
        ]);
    }

    public function results(): RecordShape
    {
        return Results::of(['tangential_N' => 'number', 'form_factor' => 'number', 'stress_MPa' => 'number', 'safety' => 'number']);
    }

    public function check(array $inputs, ErrorList $errors): void
    {
    }

    public function compute(array $inputs): array
    {
        $tooth = new Tooth(...$inputs);
        $values = ['stress' => Quantity::of($tooth->stress_MPa, 'MPa'), 'bears' => Quantity::of($tooth->allowable_MPa, 'MPa')];
        $findings = match (true) {
            $tooth->safety < 1.0 => [new Finding('train.tooth_breaks', Severity::Fails, 'torque_Nm',
                new Sentence('Its teeth are stressed to {stress} at the root; the limit is {bears}.', $values))],
            $tooth->safety < self::SHOCK => [new Finding('train.tooth_tight', Severity::Tight, 'torque_Nm',
                new Sentence('Its teeth are stressed to {stress}; the limit is {bears}, and half of that where it is knocked.', $values))],
            default => [],
        };

        return ['inputs' => $inputs, 'results' => array_intersect_key(get_object_vars($tooth), $this->results()->fields), 'findings' => $findings];
    }
}
