<?php

declare(strict_types=1);

namespace Brookstone\Core\Calculator\Power;

use Brookstone\Core\Calculator\Calculator;
use Brookstone\Core\Calculator\Results;
use Brookstone\Core\Shape\BooleanShape;
use Brookstone\Core\Shape\ErrorList;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\NumberShape;
use Brookstone\Core\Shape\RecordShape;
use Brookstone\Core\Wiring\PortCount;

final readonly class PortsCalculator implements Calculator
{
    public function name(): string
    {
        return 'power.ports';
    }

    public function says(): string
    {
        return 'How many pins are wanted, and what makes up for those that a controller lacks.';
    }

    public function inputs(): RecordShape
    {
        $count = NumberShape::whole(0, 10_000);
        $pins = new RecordShape([
            'digital' => Field::or(0, $count, 'Of the controller, those that are only digital.'),
            'pwm' => Field::or(0, $count, 'Of the controller, those that also do pulse width.'),
            'analogue' => Field::or(0, $count, 'Of the controller, those that also read a voltage.'),
        ]);

        return new RecordShape([
            'two_way' => Field::or(0, $count, 'Motors that turn both ways: two digital pins each, and one of pulse width where their speed is set.'),
            'one_way' => Field::or(0, $count, 'Motors that turn one way: one pin each, of pulse width where their speed is set.'),
            'servos' => Field::or(0, $count, 'One pulse-width pin each.'),
            'steppers' => Field::or(0, $count, 'Two digital pins each: step and direction.'),
            'coils' => Field::or(0, $count, 'Coils that are switched on briefly: a point with two counts two.'),
            'relays' => Field::or(0, $count, 'One digital pin each.'),
            'lamps' => Field::or(0, $count, 'One digital pin each.'),
            'switches' => Field::or(0, $count, 'End switches: one digital pin each.'),
            'buttons' => Field::or(0, $count, 'One digital pin each.'),
            'pulses' => Field::or(0, $count, 'Inputs that count pulses: one digital pin each.'),
            'analogue' => Field::or(0, $count, 'Inputs that read a voltage.'),
            'speed_control' => Field::or(true, new BooleanShape, 'Motors are driven at any speed, not only on and off.'),
            'channels_per_bridge' => Field::or(2, NumberShape::whole(1, 100), 'Motors on one bridge board.'),
            'relays_per_board' => Field::or(4, NumberShape::whole(1, 100), 'Relays on one board.'),
            'pins' => Field::needed($pins, 'Of the controller, each kind by itself.'),
        ]);
    }

    public function results(): RecordShape
    {
        return Results::of([
            'digital' => 'number', 'pwm' => 'number', 'analogue' => 'number', 'bridge_boards' => 'number',
            'relay_boards' => 'number', 'digital_short' => 'number', 'pwm_short' => 'number', 'analogue_short' => 'number',
            'pwm_expanders' => 'number', 'io_expanders' => 'number',
        ]);
    }

    public function check(array $inputs, ErrorList $errors): void
    {
    }

    public function compute(array $inputs): array
    {
        return ['inputs' => $inputs, 'results' => get_object_vars(new PortCount(...$inputs)), 'findings' => []];
    }
}
