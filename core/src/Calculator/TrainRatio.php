<?php

declare(strict_types=1);

namespace Brookstone\Core\Calculator;

use Brookstone\Core\Shape\ChoiceShape;
use Brookstone\Core\Shape\ErrorList;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\ListShape;
use Brookstone\Core\Shape\NumberShape;
use Brookstone\Core\Shape\RecordShape;
use Brookstone\Core\Train\Stage;
use Brookstone\Core\Train\Stages;

final readonly class TrainRatio implements Calculator
{
    private const MOST_STAGES = 100;

    public function name(): string
    {
        return 'train.ratio';
    }

    public function says(): string
    {
        return 'Ratio, efficiency, direction and slop of a train, and speed and torque of each of its shafts.';
    }

    public function inputs(): RecordShape
    {
        return new RecordShape([
            'stages' => Field::needed(Stages::forRatio(1, self::MOST_STAGES), 'From the motor to the load.'),
            'input_rpm' => Field::or(0.0, NumberShape::notNegative(), 'Speed of the first shaft.'),
            'input_Nm' => Field::or(0.0, NumberShape::notNegative(), 'Torque at the first shaft.'),
        ]);
    }

    public function results(): RecordShape
    {
        $number = NumberShape::any()->orNull();

        return new RecordShape([
            'ratio' => Field::needed($number),
            'efficiency' => Field::needed($number),
            'direction' => Field::needed(ChoiceShape::of(1, -1)),
            'backlash_deg' => Field::needed($number),
            'centre_distances_mm' => Field::needed(new ListShape($number, 1, self::MOST_STAGES)),
            'shafts' => Field::needed(new ListShape(new RecordShape(['rpm' => Field::needed($number), 'torque_Nm' => Field::needed($number)]), 2,
                self::MOST_STAGES + 1)),
        ]);
    }

    public function check(array $inputs, ErrorList $errors): void
    {
    }

    public function compute(array $inputs): array
    {
        $inputs['stages'] = Stages::complete($inputs['stages']);
        $train = Stages::make($inputs['stages']);

        return ['inputs' => $inputs, 'results' => [
            'ratio' => $train->ratio(),
            'efficiency' => $train->efficiency(),
            'direction' => $train->direction(),
            'backlash_deg' => $train->backlash_deg(),
            'centre_distances_mm' => array_map(fn (Stage $stage): ?float => $stage->centreDistance_mm(), $train->stages),
            'shafts' => $train->shafts($inputs['input_rpm'], $inputs['input_Nm']),
        ], 'findings' => []];
    }
}
