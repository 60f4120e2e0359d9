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
use Brookstone\Core\Train\BeltDrive;

final readonly class BeltCalculator implements Calculator
{
    public function name(): string
    {
        return 'train.belt';
    }

    public function says(): string
    {
        return 'Length of a toothed belt or chain over two wheels, how many teeth hold it, and how hard it is pulled.';
    }

    public function inputs(): RecordShape
    {
        $positive = NumberShape::positive();

        return new RecordShape([
            'pitch_mm' => Field::needed($positive, 'From tooth to tooth of the belt.'),
            'driver' => Field::needed(NumberShape::whole(4, 10000), 'Teeth of the driving wheel.'),
            'driven' => Field::needed(NumberShape::whole(4, 10000), 'Teeth of the driven wheel.'),
            'centre_mm' => Field::or(null, $positive->orNull(), 'Between the shafts; left out, the belt’s teeth say it.'),
            'belt_teeth' => Field::or(null, NumberShape::whole(1, 100000)->orNull(), 'Teeth of the belt; left out, the centres say it.'),
            'torque_Nm' => Field::or(0.0, NumberShape::notNegative(), 'Torque at the driving wheel.'),
        ]);
    }

    public function results(): RecordShape
    {
        return Results::of(['ratio' => 'number', 'centre_mm' => 'number', 'belt_teeth' => 'number', 'length_mm' => 'number', 'span_mm' => 'number',
            'wrap_deg' => 'number', 'teeth_in_mesh' => 'number', 'pull_N' => 'number', 'pretension_N' => 'number']);
    }

    public function check(array $inputs, ErrorList $errors): void
    {
        if (($inputs['centre_mm'] === null) === ($inputs['belt_teeth'] === null) && $errors->count() === 0) {
            $errors->add('belt_teeth', 'Give either the teeth of the belt or how far apart the shafts stand.');
        }
        if ($errors->count() === 0 && $inputs['belt_teeth'] !== null && BeltDrive::centreFor($inputs['pitch_mm'], $inputs['driver'], $inputs['driven'],
            $inputs['belt_teeth']) === null) {
            $errors->add('belt_teeth', 'Is too short to go round both wheels.');
        }
        foreach (BeltDrive::problems($inputs) as $field => $message) {
            $errors->add($field, $message);
        }
    }

    public function compute(array $inputs): array
    {
        $centre = $inputs['centre_mm'] ?? (float) BeltDrive::centreFor($inputs['pitch_mm'], $inputs['driver'], $inputs['driven'], $inputs['belt_teeth']);
        $belt = new BeltDrive($inputs['pitch_mm'], $inputs['driver'], $inputs['driven'], $centre);
        $findings = $belt->teeth_in_mesh < BeltDrive::LEAST_IN_MESH ? [new Finding('train.belt_jumps', Severity::Tight, 'driver', new Sentence(
            'Only {teeth} teeth of the smaller wheel hold the belt: under six it jumps when it is knocked. Take a larger wheel, or set the shafts further apart.', ['teeth' => Quantity::number($belt->teeth_in_mesh)],
        ))] : [];

        return ['inputs' => $inputs, 'results' => [
            'ratio' => $inputs['driven'] / $inputs['driver'], 'centre_mm' => $centre, 'belt_teeth' => $belt->length_mm / $inputs['pitch_mm'],
            'length_mm' => $belt->length_mm, 'span_mm' => $belt->span_mm,
            'wrap_deg' => $belt->small_wrap_deg, 'teeth_in_mesh' => $belt->teeth_in_mesh, 'pull_N' => $belt->pull_N($inputs['torque_Nm']),
            'pretension_N' => $belt->pretension_N($inputs['torque_Nm']),
        ], 'findings' => $findings];
    }
}
