<?php

declare(strict_types=1);

namespace Brookstone\Core\Calculator\Power;

use Brookstone\Core\Calculator\Calculator;
use Brookstone\Core\Calculator\Results;
use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Shape\ErrorList;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\NumberShape;
use Brookstone\Core\Shape\RecordShape;
use Brookstone\Core\Wiring\Wire;

final readonly class WireCalculator implements Calculator
{
    private const MOTORS = 0.03;  // of the supply, that may be lost on the way to a motor

    private const SENSORS = 0.01; // and to logic and sensors

    public function name(): string
    {
        return 'power.wire';
    }

    public function says(): string
    {
        return 'What a pair of wires loses on the way to something and back.';
    }

    public function inputs(): RecordShape
    {
        return new RecordShape([
            'length_m' => Field::needed(NumberShape::positive(1e6), 'One way; the way back is counted.'),
            'area_mm2' => Field::needed(NumberShape::positive(1e6), 'Cross-section of the copper.'),
            'current_A' => Field::needed(NumberShape::notNegative(1e6), 'What flows.'),
            'supply_V' => Field::needed(NumberShape::positive(1e6), 'What is put in.'),
            'temperature_C' => Field::or(20.0, NumberShape::between(-60.0, 200.0), 'Of the copper: warm wires lose more.'),
        ]);
    }

    public function results(): RecordShape
    {
        return Results::of(['resistance_ohm' => 'number', 'drop_V' => 'number', 'drop_fraction' => 'number', 'loss_W' => 'number']);
    }

    public function check(array $inputs, ErrorList $errors): void
    {
    }

    public function compute(array $inputs): array
    {
        $wire = new Wire(...$inputs);
        $says = 'It loses {drop} on the way, {share} of its supply: more than {most} '
            .($wire->drop_fraction > self::MOTORS ? 'makes motors weak and slow' : 'disturbs sensors').'. Twice the cross-section halves it.';
        $most = $wire->drop_fraction > self::MOTORS ? self::MOTORS : self::SENSORS;

        return ['inputs' => $inputs, 'results' => get_object_vars($wire), 'findings' => $wire->drop_fraction <= self::SENSORS ? [] : [
            new Finding('power.wire_drops', $wire->drop_fraction > self::MOTORS ? Severity::Tight : Severity::Note, 'area_mm2', new Sentence($says,
                ['drop' => Quantity::of($wire->drop_V, 'V'), 'share' => Quantity::share($wire->drop_fraction), 'most' => Quantity::share($most)])),
        ]];
    }
}
