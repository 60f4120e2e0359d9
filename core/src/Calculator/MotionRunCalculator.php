<?php

declare(strict_types=1);

namespace Brookstone\Core\Calculator;

use Brookstone\Core\Drive\Drives;
use Brookstone\Core\Dynamics\MotionRun;
use Brookstone\Core\Dynamics\Plant;
use Brookstone\Core\Mechanism\Arm;
use Brookstone\Core\Mechanism\Mechanisms;
use Brookstone\Core\Mechanism\PositionUnit;
use Brookstone\Core\Shape\BooleanShape;
use Brookstone\Core\Shape\ChoiceShape;
use Brookstone\Core\Shape\ErrorList;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\NumberShape;
use Brookstone\Core\Shape\RecordShape;
use Brookstone\Core\Shape\UnionShape;
use Brookstone\Core\Train\Train;

final readonly class MotionRunCalculator implements Calculator
{
    public function name(): string
    {
        return 'motion.run';
    }

    public function says(): string
    {
        return 'One motion run forward in time at a fixed duty: whether it arrives, when, how fast, and the largest current.';
    }

    public function inputs(): RecordShape
    {
        $kinds = [];
        foreach (Mechanisms::kinds() as $kind) {
            $kinds[$kind] = Mechanisms::calculated($kind);
        }
        $hoist = $kinds['hoist']->fields;
        unset($hoist['lines']);
        $kinds['hoist'] = new RecordShape($hoist);

        return new RecordShape([
            'motor' => Field::needed(Drives::motorShape()
                ->with(['rotor_kgm2' => Field::or(0.0, NumberShape::notNegative(), 'Rotor inertia at its output shaft.')])),
            'supply_V' => Field::needed(NumberShape::positive(), 'Voltage of the supply.'),
            'duty' => Field::or(1.0, NumberShape::share(), 'Share of the time that the bridge is on.'),
            'ratio' => Field::needed(NumberShape::positive(), 'Motor turns for one turn of the load.'),
            'efficiency' => Field::or(1.0, NumberShape::share(), 'Of the train, forwards.'),
            'back_efficiency' => Field::or(null, NumberShape::between(0.0, 1.0), 'Of the train when the load drives; 0 is self-locking.'),
            'mechanism' => Field::needed(new UnionShape('kind', $kinds)),
            'from' => Field::needed(NumberShape::any(), 'Degrees, or metres of height.'),
            'to' => Field::needed(NumberShape::any(), 'Degrees, or metres of height.'),
            'give_up_s' => Field::or(20.0, NumberShape::positive(), 'Time after which it gives up.'),
        ]);
    }

    public function results(): RecordShape
    {
        $number = NumberShape::any()->orNull();

        return new RecordShape([
            'reached' => Field::needed(new BooleanShape),
            'why' => Field::needed(ChoiceShape::of('stuck', 'ran_back', 'gave_up')->orNull()),
            'time_s' => Field::needed($number),
            'end_speed' => Field::needed($number, 'Signed, °/s or m/s.'),
            'stopped_at' => Field::needed($number, 'Degrees or metres.'),
            'peak_current_A' => Field::needed($number),
        ]);
    }

    public function check(array $inputs, ErrorList $errors): void
    {
        $mechanism = $inputs['mechanism'];
        Check::goesSomewhere($inputs, 'from', 'to', $errors);
        $kind = $mechanism['kind'] ?? null;
        if ($kind === null) {
            return;
        }
        Check::mechanism($kind, $mechanism, 'mechanism.', $errors);
        $isSwung = Mechanisms::unit($kind) === PositionUnit::Degrees;
        foreach (['from', 'to'] as $end) {
            if ($isSwung && abs($inputs[$end] ?? 0.0) > 720.0) {
                $errors->add($end, 'Must be a number from -720 ° to 720 °, but is '.$inputs[$end].'.');
            }
        }
        if ($inputs['motor'] !== null) {
            DcPointCalculator::checkCurrents($inputs['motor'], 'motor.', $errors);
        }
    }

    public function compute(array $inputs): array
    {
        $inputs['back_efficiency'] ??= Train::backOf($inputs['efficiency']);
        if ($inputs['mechanism']['kind'] === 'arm') {
            $arm = $inputs['mechanism'];
            $inputs['mechanism']['inertia_kgm2'] ??= Arm::pointInertia($arm['mass_kg'], $arm['cg_m'], $arm['payload_kg'], $arm['payload_m']);
        }
        $mechanism = Mechanisms::make($inputs['mechanism']);
        $unit = $mechanism->positionUnit();
        $motor = DcPointCalculator::motor($inputs['motor']);
        $plant = new Plant($mechanism, $inputs['ratio'], $inputs['efficiency'], $inputs['back_efficiency'], $motor->rotor_kgm2);
        $run = MotionRun::of($plant, $motor->line($inputs['supply_V'], $inputs['duty']), $unit->toSi($inputs['from']), $unit->toSi($inputs['to']),
            $inputs['give_up_s']);

        return ['inputs' => $inputs, 'results' => [
            'reached' => $run->reached,
            'why' => $run->why?->value,
            'time_s' => $run->time_s,
            'end_speed' => $run->end_speed === null ? null : $unit->fromSi($run->end_speed),
            'stopped_at' => $run->stopped_at === null ? null : $unit->fromSi($run->stopped_at),
            'peak_current_A' => $run->peak_current_A,
        ], 'findings' => []];
    }
}
