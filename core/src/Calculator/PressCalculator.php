<?php

declare(strict_types=1);

namespace Brookstone\Core\Calculator;

use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Sensing\PressWindows;
use Brookstone\Core\Shape\ErrorList;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\NumberShape;
use Brookstone\Core\Shape\RecordShape;

final readonly class PressCalculator implements Calculator
{
    public function name(): string
    {
        return 'sense.press';
    }

    public function says(): string
    {
        return 'Whether short, long and double presses of a button can be taken for one another.';
    }

    public function inputs(): RecordShape
    {
        $positive = NumberShape::positive(60000.0);

        return new RecordShape([
            'long_ms' => Field::or(600.0, $positive, 'Held so long is a long press.'),
            'double_ms' => Field::or(350.0, NumberShape::between(0.0, 60000.0), 'Pressed again within so long is a double press; 0 where none count.'),
            'tap_ms' => Field::or(250.0, $positive, 'The longest that people take for a short press.'),
            'hold_ms' => Field::or(1000.0, $positive, 'The shortest that they take for a long one.'),
            'gap_ms' => Field::or(250.0, $positive, 'The longest pause within a double press.'),
            'apart_ms' => Field::or(700.0, $positive, 'The shortest pause between two presses that are meant as two.'),
        ]);
    }

    public function results(): RecordShape
    {
        return Results::of(['short_answer_ms' => 'number', 'short_taken_for_long' => 'boolean', 'double_taken_for_two' => 'boolean',
            'two_taken_for_double' => 'boolean', 'best_long_ms' => 'number', 'best_double_ms' => 'number']);
    }

    public function check(array $inputs, ErrorList $errors): void
    {
    }

    public function compute(array $inputs): array
    {
        $windows = new PressWindows(...$inputs);
        $ms = fn (float $value): Quantity => Quantity::of($value, 'ms');
        $findings = [];
        if ($windows->short_taken_for_long || $inputs['long_ms'] > $inputs['hold_ms']) {
            $findings[] = new Finding('sense.press_confused', Severity::Fails, 'long_ms',
                new Sentence('Short presses last up to {tap} and long ones from {hold}, but {long} parts them: {best} would.',
                    ['tap' => $ms($inputs['tap_ms']), 'hold' => $ms($inputs['hold_ms']), 'long' => $ms($inputs['long_ms']),
                        'best' => $ms($windows->best_long_ms)]));
        }
        if ($windows->double_taken_for_two || $windows->two_taken_for_double) {
            $findings[] = new Finding('sense.double_confused', Severity::Fails, 'double_ms',
                new Sentence('A double press pauses up to {gap} and two presses at least {apart}, but {double} parts them: {best} would.',
                    ['gap' => $ms($inputs['gap_ms']), 'apart' => $ms($inputs['apart_ms']), 'double' => $ms($inputs['double_ms']),
                        'best' => $ms($windows->best_double_ms)]));
        }

        return ['inputs' => $inputs, 'results' => get_object_vars($windows), 'findings' => $findings];
    }
}
