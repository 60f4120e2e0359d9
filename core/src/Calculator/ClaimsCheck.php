<?php

declare(strict_types=1);

namespace Brookstone\Core\Calculator;

use Brookstone\Core\Claims\ClaimCheck;
use Brookstone\Core\Claims\Contradiction;
use Brookstone\Core\Claims\Reader;
use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Shape\ErrorList;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\RecordShape;
use Brookstone\Core\Shape\TextShape;

final readonly class ClaimsCheck implements Calculator
{
    public function name(): string
    {
        return 'claims.check';
    }

    public function says(): string
    {
        return 'Compares the figures of a page copied from a seller: what is told twice, power against torque and speed, currents, counts.';
    }

    public function inputs(): RecordShape
    {
        return new RecordShape(['page' => Field::needed(new TextShape(1, 20000), 'The text of the page, its lines as they stand.')]);
    }

    public function results(): RecordShape
    {
        return Results::of(['figures' => 'number', 'odd' => 'number']);
    }

    public function check(array $inputs, ErrorList $errors): void
    {
    }

    public function compute(array $inputs): array
    {
        $odd = ClaimCheck::ofText($inputs['page']);

        return [
            'inputs' => $inputs,
            'results' => ['figures' => count(Reader::figures($inputs['page'])), 'odd' => count($odd)],
            'findings' => array_map(fn (Contradiction $each): Finding => new Finding('claims.disagree', Severity::Tight, 'page', $each->says), $odd),
        ];
    }
}
