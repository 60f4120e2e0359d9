<?php

declare(strict_types=1);

namespace Brookstone\Core\Calculator;

use Brookstone\Core\Load\Move;
use Brookstone\Core\Load\MoveLoad;
use Brookstone\Core\Load\Profile;
use Brookstone\Core\Mechanism\Mechanisms;
use Brookstone\Core\Mechanism\PositionUnit;
use Brookstone\Core\Quantity\Constants;
use Brookstone\Core\Shape\ChoiceShape;
use Brookstone\Core\Shape\ErrorList;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\NumberShape;
use Brookstone\Core\Shape\RecordShape;

/** What a move of a mechanism needs, for the mechanisms whose calculator asks for nothing but the move. */
final readonly class MoveLoadCalculator implements Calculator
{
    private string $unit;

    public function __construct(private string $kind, private string $says, private PositionUnit $positions)
    {
        $this->unit = $positions->value;
    }

    public function name(): string
    {
        return 'load.'.$this->kind;
    }

    public function says(): string
    {
        return $this->says;
    }

    public function inputs(): RecordShape
    {
        $place = $this->positions === PositionUnit::Degrees ? NumberShape::between(-720.0, 720.0) : NumberShape::any();

        return Mechanisms::calculated($this->kind)->with([
            'from_'.$this->unit => Field::needed($place, 'Where the move starts.'),
            'to_'.$this->unit => Field::needed($place, 'Where it ends.'),
            ...Check::time(),
            'profile' => Field::or('trapezoid', ChoiceShape::of(...array_column(Profile::cases(), 'value')),
                'How the move spends its time; steady: it turns already.'),
        ]);
    }

    public function results(): RecordShape
    {
        return Results::of([
            'static_peak_Nm' => 'number', 'worst_at_'.$this->unit => 'number', 'peak_Nm' => 'number', 'rms_Nm' => 'number', 'hold_from_Nm' => 'number',
            'hold_to_Nm' => 'number',
            'peak_speed_rpm' => 'number', 'peak_power_W' => 'number', 'overhauls' => 'boolean',
        ]);
    }

    public function check(array $inputs, ErrorList $errors): void
    {
        Check::mechanism($this->kind, $inputs, '', $errors);
        Check::goesSomewhere($inputs, 'from_'.$this->unit, 'to_'.$this->unit, $errors);
    }

    public function compute(array $inputs): array
    {
        $mechanism = Mechanisms::make(['kind' => $this->kind] + array_intersect_key($inputs, Mechanisms::calculated($this->kind)->fields));
        $load = MoveLoad::of($mechanism, new Move(
            $this->positions->toSi($inputs['from_'.$this->unit]), $this->positions->toSi($inputs['to_'.$this->unit]), $inputs['move_s'],
            Profile::from($inputs['profile']),
        ));

        return ['inputs' => $inputs, 'results' => [
            'static_peak_Nm' => $load->static_peak_Nm,
            'worst_at_'.$this->unit => $this->positions->fromSi($load->worst_at),
            'peak_Nm' => $load->peak_Nm,
            'rms_Nm' => $load->rms_Nm,
            'hold_from_Nm' => $load->hold_from_Nm,
            'hold_to_Nm' => $load->hold_to_Nm,
            'peak_speed_rpm' => $load->peak_speed_rad_s / Constants::RAD_S_PER_RPM,
            'peak_power_W' => $load->peak_power_W,
            'overhauls' => $load->overhauls,
        ], 'findings' => []];
    }
}
