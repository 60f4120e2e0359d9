<?php

declare(strict_types=1);

namespace Brookstone\Core\Calculator;

use Brookstone\Core\Shape\ErrorList;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\NumberShape;
use Brookstone\Core\Shape\RecordShape;
use Brookstone\Core\Train\Mesh;

final readonly class MeshCalculator implements Calculator
{
    public function name(): string
    {
        return 'train.mesh';
    }

    public function says(): string
    {
        return 'Whether two gears run together at a distance of their shafts: contact, play and what wears.';
    }

    public function inputs(): RecordShape
    {
        return new RecordShape([
            'module_mm' => Field::needed(NumberShape::positive(), 'Module of both.'),
            'pinion' => Field::needed(NumberShape::whole(4, 1000), 'Teeth of one.'),
            'gear' => Field::needed(NumberShape::whole(4, 1000), 'Teeth of the other.'),
            'pressure_angle_deg' => Field::or(20.0, NumberShape::between(5.0, 35.0), 'Pressure angle.'),
            'centre_mm' => Field::or(null, NumberShape::positive()->orNull(), 'Between the shafts; where left out as far as the teeth say.'),
        ]);
    }

    public function results(): RecordShape
    {
        return Results::of([
            'standard_centre_mm' => 'number', 'working_pressure_angle_deg' => 'number', 'contact_ratio' => 'number', 'backlash_mm' => 'number',
            'outside_pinion_mm' => 'number', 'outside_gear_mm' => 'number', 'undercut' => 'boolean', 'interferes' => 'boolean',
        ]);
    }

    public function check(array $inputs, ErrorList $errors): void
    {
        foreach (Mesh::problems($inputs) as $field => $message) {
            $errors->add($field, $message);
        }
    }

    public function compute(array $inputs): array
    {
        $mesh = new Mesh(...$inputs);

        return ['inputs' => ['centre_mm' => $mesh->centre_mm] + $inputs, 'results' => array_intersect_key(get_object_vars($mesh), $this->results()->fields),
            'findings' => MeshRules::findings($mesh, 'centre_mm')];
    }
}
