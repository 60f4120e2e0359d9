<?php

declare(strict_types=1);

namespace Brookstone\Core\Calculator;

use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Shape\ErrorList;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\NumberShape;
use Brookstone\Core\Shape\RecordShape;
use Brookstone\Core\Stops\Overrun;

final readonly class OverrunCalculator implements Calculator
{
    private const CLEAR = 1.5; // times the run-on should fit before the hard stop

    public function name(): string
    {
        return 'stop.overrun';
    }

    public function says(): string
    {
        return 'How far something runs on after its switch trips, and how hard it hits the stop if that does not fit.';
    }

    public function inputs(): RecordShape
    {
        $positive = NumberShape::positive();
        $none = NumberShape::notNegative();

        return new RecordShape([
            'speed_m_s' => Field::needed($none, 'Speed when the switch trips.'),
            'debounce_s' => Field::or(0.0, $none, 'Time that the switch must be steady.'),
            'loop_s' => Field::or(0.0, $none, 'Longest time between two looks.'),
            'driver_s' => Field::or(0.0, $none, 'Delay of the driver.'),
            'moving_mass_kg' => Field::needed($positive, 'What moves.'),
            'rotor_equivalent_kg' => Field::or(0.0, $none, 'Rotor · ratio² / radius²; often the larger part.'),
            'overtravel_m' => Field::needed($none, 'From the switch to the hard stop.'),
            'stiffness_N_per_m' => Field::needed($positive, 'How stiff the stop is.'),
            'drive_force_N' => Field::or(0.0, $none, 'Push of the drive, if it hits before it is cut off.'),
            'decel_force_N' => Field::or(null, $positive->orNull(), 'Force that brakes a coasting load.'),
            'brake_time_constant_s' => Field::or(null, $positive->orNull(), 'Or, of a shorted motor: its speed falls by e in this time.'),
        ]);
    }

    public function results(): RecordShape
    {
        return Results::of([
            'delay_travel_m' => 'number', 'braking_m' => 'number', 'overrun_m' => 'number', 'clearance_m' => 'number', 'hits' => 'boolean',
            'impact_speed_m_s' => 'number', 'impact_energy_J' => 'number', 'impact_force_N' => 'number',
        ]);
    }

    public function check(array $inputs, ErrorList $errors): void
    {
        if ($errors->count() === 0 && ($inputs['decel_force_N'] === null) === ($inputs['brake_time_constant_s'] === null)) {
            $errors->add('decel_force_N', 'Give either the force that brakes it, or the time constant of the shorted motor.');
        }
    }

    public function compute(array $inputs): array
    {
        $run = new Overrun(...$inputs);
        $values = ['runs' => Quantity::of($run->overrun_m, 'm'), 'has' => Quantity::of($inputs['overtravel_m'], 'm')];
        $findings = match (true) {
            $run->hits => [new Finding('stop.hits', Severity::Fails, 'overtravel_m',
                new Sentence('It runs on {runs} and has {has}: it hits the stop with {energy} and {force}.', $values + [
                    'energy' => Quantity::of($run->impact_energy_J, 'J'), 'force' => Quantity::of($run->impact_force_N, 'N'),
                ]))],
            $inputs['overtravel_m'] < self::CLEAR * $run->overrun_m => [new Finding('stop.close', Severity::Tight, 'overtravel_m',
                new Sentence('It runs on {runs} of the {has} to the hard stop: one and a half times should fit.', $values))],
            default => [],
        };

        return ['inputs' => $inputs, 'results' => array_intersect_key(get_object_vars($run), $this->results()->fields), 'findings' => $findings];
    }
}
