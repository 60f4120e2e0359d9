<?php

declare(strict_types=1);

namespace Brookstone\Core\Calculator;

use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Sensing\Stick;
use Brookstone\Core\Shape\ErrorList;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\NumberShape;
use Brookstone\Core\Shape\RecordShape;

final readonly class StickCalculator implements Calculator
{
    public function name(): string
    {
        return 'sense.stick';
    }

    public function says(): string
    {
        return 'What a stick or knob commands, with a dead band, end points and a gentle middle.';
    }

    public function inputs(): RecordShape
    {
        $reading = NumberShape::between(-1e6, 1e6);
        $place = NumberShape::between(-720.0, 720.0);

        return new RecordShape([
            'reading' => Field::needed($reading, 'What it reads now.'),
            'low' => Field::or(0.0, $reading, 'What it reads at its one end.'),
            'middle' => Field::or(512.0, $reading, 'What it reads when it is let go.'),
            'high' => Field::or(1023.0, $reading, 'What it reads at its other end.'),
            'dead_band' => Field::or(0.05, NumberShape::between(0.0, 0.9), 'Share of the way to each side where nothing happens.'),
            'expo' => Field::or(0.3, NumberShape::between(0.0, 1.0), 'How gentle it is near the middle: 0 even, 1 all with the cube.'),
            'from_deg' => Field::or(-45.0, $place, 'Command at the one end.'),
            'rest_deg' => Field::or(0.0, $place, 'Command in the middle.'),
            'to_deg' => Field::or(45.0, $place, 'Command at the other end.'),
            'jitter' => Field::or(2.0, NumberShape::notNegative(), 'How far its reading scatters when nobody touches it.'),
        ]);
    }

    public function results(): RecordShape
    {
        return Results::of(['share' => 'number', 'shaped' => 'number', 'command_deg' => 'number', 'first_step_deg' => 'number', 'swallows' => 'number']);
    }

    public function check(array $inputs, ErrorList $errors): void
    {
        if (($inputs['middle'] - $inputs['low']) * ($inputs['high'] - $inputs['middle']) <= 0.0) {
            $errors->add('middle', 'Must lie between the readings at both ends.');
        }
    }

    public function compute(array $inputs): array
    {
        $stick = new Stick($inputs['reading'], $inputs['low'], $inputs['middle'], $inputs['high'], $inputs['dead_band'], $inputs['expo'],
            $inputs['from_deg'], $inputs['rest_deg'], $inputs['to_deg']);
        $findings = [];
        if ($inputs['jitter'] >= $stick->swallows) {
            $findings[] = new Finding('sense.stick_jitters', Severity::Tight, 'dead_band',
                new Sentence('Let go, it scatters by {jitter}, and the dead band swallows {swallows}: what it commands is never still.',
                    ['jitter' => Quantity::number($inputs['jitter']), 'swallows' => Quantity::number($stick->swallows)]));
        }

        return ['inputs' => $inputs, 'results' => ['share' => $stick->share, 'shaped' => $stick->shaped, 'command_deg' => $stick->command,
            'first_step_deg' => $stick->first_step, 'swallows' => $stick->swallows], 'findings' => $findings];
    }
}
