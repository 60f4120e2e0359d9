<?php

declare(strict_types=1);

namespace Brookstone\Core\Calculator;

use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Sensing\Repeatability;
use Brookstone\Core\Shape\ErrorList;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\NumberShape;
use Brookstone\Core\Shape\RecordShape;

final readonly class RepeatabilityCalculator implements Calculator
{
    public function name(): string
    {
        return 'sense.repeatability';
    }

    public function says(): string
    {
        return 'How far moves by time or count drift, and how many may come between two homings.';
    }

    public function inputs(): RecordShape
    {
        return new RecordShape([
            'bias_mm' => Field::needed(NumberShape::any(), 'Mean error of one move.'),
            'sd_mm' => Field::needed(NumberShape::notNegative(), 'Its spread.'),
            'moves' => Field::needed(NumberShape::whole(1, 1_000_000_000), 'Moves between two homings.'),
            'tolerance_mm' => Field::needed(NumberShape::positive(), 'What is allowed.'),
        ]);
    }

    public function results(): RecordShape
    {
        return Results::of(['worst_error_mm' => 'number', 'within' => 'boolean', 'max_moves' => 'number']);
    }

    public function check(array $inputs, ErrorList $errors): void
    {
    }

    public function compute(array $inputs): array
    {
        $repeat = new Repeatability($inputs['bias_mm'], $inputs['sd_mm'], $inputs['moves'], $inputs['tolerance_mm']);
        $within = $repeat->within;
        $most = is_finite($repeat->max_moves) ? (int) $repeat->max_moves : null;
        $findings = $within ? [] : [new Finding('sense.drifts', Severity::Fails, 'moves',
            new Sentence('After {moves} moves it can be {error} off, where {tolerance} is allowed: home it '.($most === 0
            ? 'before every move, and it still misses.' : 'every {most} moves.'), [
                'moves' => Quantity::number($inputs['moves']), 'error' => Quantity::of($repeat->worst_error / 1000, 'm'),
                'tolerance' => Quantity::of($inputs['tolerance_mm'] / 1000, 'm'),
            ] + ($most === 0 ? [] : ['most' => Quantity::number((float) $most)])))];

        return ['inputs' => $inputs, 'results' => ['worst_error_mm' => $repeat->worst_error, 'within' => $within, 'max_moves' => $most],
            'findings' => $findings];
    }
}
