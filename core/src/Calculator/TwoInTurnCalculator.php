<?php

declare(strict_types=1);

namespace Brookstone\Core\Calculator;

use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Shape\ChoiceShape;
use Brookstone\Core\Shape\ErrorList;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\NumberShape;
use Brookstone\Core\Shape\RecordShape;
use Brookstone\Core\Winding\TwoInTurn;

final readonly class TwoInTurnCalculator implements Calculator
{
    public function name(): string
    {
        return 'winding.two_in_turn';
    }

    public function says(): string
    {
        return 'One cord or shaft that moves two things one after the other: which goes first, and how surely.';
    }

    public function inputs(): RecordShape
    {
        $force = NumberShape::positive();

        return new RecordShape([
            'one_most_N' => Field::needed($force, 'What the one needs at its hardest point.'),
            'one_least_N' => Field::needed($force, 'What it needs at its easiest, when it begins.'),
            'other_most_N' => Field::needed($force, 'What the other needs at its hardest point.'),
            'other_least_N' => Field::needed($force, 'What it needs at its easiest, when it begins.'),
        ]);
    }

    public function results(): RecordShape
    {
        return new RecordShape(['first' => Field::needed(ChoiceShape::of('one', 'other', 'neither')), 'margin' => Field::needed(NumberShape::any()),
            'pull_first_N' => Field::needed(NumberShape::any()->orNull()), 'pull_then_N' => Field::needed(NumberShape::any()->orNull())]);
    }

    public function check(array $inputs, ErrorList $errors): void
    {
        foreach (['one', 'other'] as $each) {
            if ($errors->count() === 0 && $inputs["{$each}_least_N"] > $inputs["{$each}_most_N"]) {
                $errors->add("{$each}_least_N", 'Cannot be more than at its hardest point.');
            }
        }
    }

    public function compute(array $inputs): array
    {
        $pair = new TwoInTurn($inputs['one_most_N'], $inputs['one_least_N'], $inputs['other_most_N'], $inputs['other_least_N']);
        [$first, $margin] = [$pair->first, $pair->margin];
        $second = $first === 'one' ? 'other' : 'one';
        $findings = $margin < TwoInTurn::CLEARLY ? [new Finding('winding.order_unsure', $margin <= 1.0 ? Severity::Fails : Severity::Tight,
            "{$second}_least_N", new Sentence(
                $margin <= 1.0 ? 'Neither goes surely first: they move by turns as they please. Weigh one of them down.'
                    : 'The second holds on with only {margin} times what the first needs at its hardest: a little rub turns the order round. One and a half times is sure.',
                $margin <= 1.0 ? [] : ['margin' => Quantity::number($margin)],
            ))] : [];

        return ['inputs' => $inputs, 'results' => [
            'first' => $first, 'margin' => $margin, 'pull_first_N' => $first === 'neither' ? null : $inputs["{$first}_most_N"],
            'pull_then_N' => $first === 'neither' ? null : $inputs["{$second}_most_N"],
        ], 'findings' => $findings];
    }
}
