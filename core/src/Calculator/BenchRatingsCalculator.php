<?php

declare(strict_types=1);

namespace Brookstone\Core\Calculator;

use Brookstone\Core\Drive\BenchRatings;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Shape\ErrorList;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\ListShape;
use Brookstone\Core\Shape\NumberShape;
use Brookstone\Core\Shape\RecordShape;
use Brookstone\Core\Shape\TextShape;

final readonly class BenchRatingsCalculator implements Calculator
{
    private const HELD = ['held_kg', 'arm_m', 'held_A'];

    private const LOADED = ['load_Nm', 'loaded_rpm', 'loaded_A'];

    public function name(): string
    {
        return 'drive.bench';
    }

    public function says(): string
    {
        return 'Ratings of a motor from what was measured: without load, and with a held weight or under a known load.';
    }

    public function inputs(): RecordShape
    {
        $positive = NumberShape::positive();
        $maybe = NumberShape::positive()->orNull();

        return new RecordShape([
            'no_load_rpm' => Field::needed($positive, 'Speed without load: count turns over half a minute.'),
            'no_load_A' => Field::needed($positive, 'Current without load.'),
            'held_kg' => Field::or(null, $maybe, 'The heaviest mass that an arm on its shaft just holds level.'),
            'arm_m' => Field::or(null, $maybe, 'From the shaft to that mass.'),
            'held_A' => Field::or(null, $maybe, 'Current while it holds it.'),
            'load_Nm' => Field::or(null, $maybe, 'Or: a known load that it turns against.'),
            'loaded_rpm' => Field::or(null, NumberShape::notNegative()->orNull(), 'Speed under that load.'),
            'loaded_A' => Field::or(null, $maybe, 'Current under that load.'),
        ]);
    }

    public function results(): RecordShape
    {
        return Results::of(['no_load_rpm' => 'number', 'no_load_A' => 'number', 'stall_Nm' => 'number', 'stall_A' => 'number'])
            ->with(['working' => Field::needed(new ListShape(new TextShape(0, 1000), 0, 10), 'How they follow.')]);
    }

    public function check(array $inputs, ErrorList $errors): void
    {
        $given = fn (array $keys): array => array_filter($keys, fn (string $key): bool => $inputs[$key] !== null);
        $ways = array_filter([self::HELD, self::LOADED], fn (array $keys): bool => $given($keys) !== []);
        if (count($ways) !== 1) {
            $errors->add($ways === [] ? 'held_kg' : 'load_Nm', $ways === []
                ? 'Is missing: give a held weight with its arm and current, or a known load with its speed and current.'
                : 'Give either a held weight or a known load, not both.');

            return;
        }
        foreach (array_diff(array_values($ways)[0], $given(array_values($ways)[0])) as $missing) {
            $errors->add($missing, 'Is missing.');
        }
        foreach (['held_A', 'loaded_A'] as $key) {
            if ($inputs[$key] !== null && $inputs['no_load_A'] !== null && $inputs[$key] <= $inputs['no_load_A']) {
                $errors->add($key, 'Must be more than the current without load of '.$inputs['no_load_A'].' A.');
            }
        }
        if ($inputs['loaded_rpm'] !== null && $inputs['no_load_rpm'] !== null && $inputs['loaded_rpm'] >= $inputs['no_load_rpm']) {
            $errors->add('loaded_rpm', 'Must be slower than without load ('.$inputs['no_load_rpm'].' rpm).');
        }
    }

    public function compute(array $inputs): array
    {
        $ratings = $inputs['held_kg'] !== null
            ? BenchRatings::held($inputs['no_load_rpm'], $inputs['no_load_A'], $inputs['held_kg'], $inputs['arm_m'], $inputs['held_A'])
            : BenchRatings::loaded($inputs['no_load_rpm'], $inputs['no_load_A'], $inputs['load_Nm'], $inputs['loaded_rpm'], $inputs['loaded_A']);

        return ['inputs' => $inputs, 'results' => [
            'no_load_rpm' => $ratings->no_load_rpm, 'no_load_A' => $ratings->no_load_A, 'stall_Nm' => $ratings->stall_Nm, 'stall_A' => $ratings->stall_A,
            'working' => array_map(fn (Sentence $step): string => $step->text(), $ratings->working),
        ], 'findings' => []];
    }
}
