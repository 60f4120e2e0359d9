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
use Brookstone\Core\Wiring\Fuse;

final readonly class FuseCalculator implements Calculator
{
    public function name(): string
    {
        return 'power.fuse';
    }

    public function says(): string
    {
        return 'Which fuse protects a wire and bears what runs through it.';
    }

    public function inputs(): RecordShape
    {
        return new RecordShape([
            'run_A' => Field::needed(NumberShape::notNegative(1e6), 'What flows all the time.'),
            'start_A' => Field::or(null, NumberShape::notNegative(1e6)->orNull(), 'What flows at a start.'),
            'start_s' => Field::or(0.0, NumberShape::notNegative(1e6), 'For how long.'),
            'wire_limit_A' => Field::or(null, NumberShape::positive(1e6)->orNull(), 'What the thinnest wire behind it bears.'),
        ]);
    }

    public function results(): RecordShape
    {
        return Results::of(['rating_A' => 'number', 'slow' => 'boolean', 'protects_wire' => 'boolean']);
    }

    public function check(array $inputs, ErrorList $errors): void
    {
    }

    public function compute(array $inputs): array
    {
        $fuse = new Fuse(...$inputs);
        $values = ['runs' => Quantity::of($inputs['run_A'], 'A')];
        $findings = match (true) {
            $fuse->rating_A === null => [new Finding('power.fuse_none', Severity::Fails, 'run_A', new Sentence(
                'No fuse of the row bears {runs} all the time: split it into several, each with its own fuse.', $values))],
            $inputs['wire_limit_A'] !== null && ! $fuse->protects_wire => [new Finding('power.fuse_over_wire', Severity::Fails, 'wire_limit_A', new Sentence(
                'The fuse of {rating} lets more through than the {limit} the wire bears: a thicker wire, or less on it.',
                ['rating' => Quantity::of($fuse->rating_A, 'A'), 'limit' => Quantity::of($inputs['wire_limit_A'], 'A')]))],
            default => [],
        };

        return ['inputs' => $inputs, 'results' => get_object_vars($fuse), 'findings' => $findings];
    }
}
