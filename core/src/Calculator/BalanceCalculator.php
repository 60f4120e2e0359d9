<?php

declare(strict_types=1);

namespace Brookstone\Core\Calculator;

use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Quantity\Constants;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Rolling\BalancingBase;
use Brookstone\Core\Shape\ErrorList;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\NumberShape;
use Brookstone\Core\Shape\RecordShape;

final readonly class BalanceCalculator implements Calculator
{
    private const LEAST_CATCH_DEG = 5.0;

    public function name(): string
    {
        return 'rolling.balance';
    }

    public function says(): string
    {
        return 'Whether something on a ball or on wheels side by side can be kept upright.';
    }

    public function inputs(): RecordShape
    {
        return new RecordShape([
            'height_m' => Field::needed(NumberShape::positive(100.0), 'Of its centre of mass over the contact.'),
            'mass_kg' => Field::needed(NumberShape::positive(1e4), 'All that stands on the wheels.'),
            'inertia_kgm2' => Field::or(0.0, NumberShape::notNegative(1e6), 'About its centre of mass; 0 for a small heavy thing on a stick.'),
            'wheel_radius_m' => Field::needed(NumberShape::positive(10.0), 'Of the wheels.'),
            'stall_Nm' => Field::needed(NumberShape::notNegative(1e6), 'Of all wheels together.'),
            'no_load_rpm' => Field::needed(NumberShape::notNegative(1e6), 'Of the wheels.'),
            'friction_coefficient' => Field::or(0.6, NumberShape::notNegative(10.0), 'Of the wheels on the ball or floor.'),
            'delay_s' => Field::needed(NumberShape::notNegative(60.0), 'From the sensor to the motor.'),
            'loop_hz' => Field::needed(NumberShape::positive(1e6), 'How often the controller looks.'),
        ]);
    }

    public function results(): RecordShape
    {
        return Results::of(['fall_s' => 'number', 'doubles_s' => 'number', 'catch_deg' => 'number', 'top_speed_m_s' => 'number', 'wanted_loop_hz' => 'number',
            'fast_enough' => 'boolean']);
    }

    public function check(array $inputs, ErrorList $errors): void
    {
    }

    public function compute(array $inputs): array
    {
        $base = new BalancingBase(...$inputs);
        $values = ['catch' => Quantity::of($base->catch_deg, '°'), 'least' => Quantity::of(self::LEAST_CATCH_DEG, '°'),
            'loop' => Quantity::of($inputs['loop_hz'], 'Hz'), 'wanted' => Quantity::of($base->wanted_loop_hz, 'Hz'),
            'delay' => Quantity::of($inputs['delay_s'], 's'), 'latest' => Quantity::of($base->latest_s, 's')];
        $findings = [];
        if ($base->catch_deg < self::LEAST_CATCH_DEG * (1 - Constants::TIE)) {
            $findings[] = new Finding('rolling.bump_fells', Severity::Tight, 'stall_Nm',
                new Sentence('It comes back from a lean of {catch} at most, less than {least}: a bump fells it.', $values));
        }
        if (! $base->fast_enough) {
            $findings[] = new Finding('rolling.too_slow', Severity::Fails, $inputs['delay_s'] > $base->latest_s ? 'delay_s' : 'loop_hz',
                new Sentence('It looks with {loop} and answers after {delay}; as fast as it falls it must look with {wanted} and answer within {latest}.', $values));
        }
        $findings[] = new Finding('rolling.ground_hard', Severity::Note, 'friction_coefficient',
            new Sentence('A ball or floor that gives way is not in these figures: on a carpet it sways more.'));

        return ['inputs' => $inputs, 'results' => array_diff_key(get_object_vars($base), ['latest_s' => true]), 'findings' => $findings];
    }
}
