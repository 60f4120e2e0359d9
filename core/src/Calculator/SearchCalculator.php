<?php

declare(strict_types=1);

namespace Brookstone\Core\Calculator;

use Brookstone\Core\Shape\ChoiceShape;
use Brookstone\Core\Shape\ErrorList;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\ListShape;
use Brookstone\Core\Shape\NumberShape;
use Brookstone\Core\Shape\RecordShape;
use Brookstone\Core\Train\Search;
use Brookstone\Core\Train\Stage;
use Brookstone\Core\Train\Train;

final readonly class SearchCalculator implements Calculator
{
    private const MOST_TEETH = 1000;

    public function name(): string
    {
        return 'train.search';
    }

    public function says(): string
    {
        return 'Trains of spur gears for a ratio out of the gears that are in the drawer, the nearest first.';
    }

    public function inputs(): RecordShape
    {
        return new RecordShape([
            'target_ratio' => Field::needed(NumberShape::positive(), 'Turns of the motor for one turn of the load.'),
            'stock' => Field::needed(new ListShape(new RecordShape([
                'teeth' => Field::needed(NumberShape::whole(4, self::MOST_TEETH), 'Teeth.'),
                'count' => Field::needed(NumberShape::whole(0, 1000), 'How many of them there are.'),
            ], 'GearInStock'), 1, Search::MOST_SIZES, 'sizes'), 'The gears in the drawer.'),
            'max_stages' => Field::or(3, NumberShape::whole(1, Search::MOST_STAGES), 'Stages at most.'),
            'module_mm' => Field::or(1.0, NumberShape::positive(), 'Module of the gears.'),
            'direction' => Field::or('any', ChoiceShape::of('any', 'same', 'reversed'), 'Whether the load shall turn as the motor does.'),
            'limit' => Field::or(20, NumberShape::whole(1, 200), 'How many trains are told.'),
        ]);
    }

    public function results(): RecordShape
    {
        $number = NumberShape::any();

        return new RecordShape(['trains' => Field::needed(new ListShape(new RecordShape([
            'stages' => Field::needed(new ListShape(new RecordShape(['driver' => Field::needed($number), 'driven' => Field::needed($number)]), 1,
                Search::MOST_STAGES)),
            'ratio' => Field::needed($number),
            'error' => Field::needed($number),
            'gears' => Field::needed($number),
        ]), 0, 200))]);
    }

    public function check(array $inputs, ErrorList $errors): void
    {
        $seen = [];
        foreach ($inputs['stock'] ?? [] as $i => $gear) {
            $teeth = $gear['teeth'] ?? null;
            if ($teeth !== null && in_array($teeth, $seen, true)) {
                $errors->add("stock.{$i}.teeth", 'Stands in the list twice: count them together.');
            }
            $seen[] = $teeth;
        }
    }

    public function compute(array $inputs): array
    {
        $direction = ['any' => null, 'same' => 1, 'reversed' => -1][$inputs['direction']];
        $trains = Search::best(array_column($inputs['stock'], 'count', 'teeth'), $inputs['target_ratio'], $inputs['max_stages'], $inputs['limit'],
            $inputs['module_mm'], $direction);

        return ['inputs' => $inputs, 'results' => ['trains' => array_map(fn (Train $train): array => [
            'stages' => array_map(fn (Stage $stage): array => ['driver' => $stage->driver, 'driven' => $stage->driven], $train->stages),
            'ratio' => $train->ratio(),
            'error' => Search::error($train->ratio(), $inputs['target_ratio']),
            'gears' => 2 * count($train->stages),
        ], $trains)], 'findings' => []];
    }
}
