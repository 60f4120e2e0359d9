<?php

declare(strict_types=1);

namespace Brookstone\Core\Calculator;

use Brookstone\Core\Load\Move;
use Brookstone\Core\Load\MoveTorque;
use Brookstone\Core\Load\Profile;
use Brookstone\Core\Mechanism\Crank;
use Brookstone\Core\Mechanism\Mechanisms;
use Brookstone\Core\Numeric\Extremum;
use Brookstone\Core\Quantity\Constants;
use Brookstone\Core\Shape\ErrorList;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\NumberShape;
use Brookstone\Core\Shape\RecordShape;

final readonly class CrankLoad implements Calculator
{
    private const SAMPLES = 4096; // over a turn: the torque's narrowest features are those of a rod hardly longer than its crank

    public function name(): string
    {
        return 'load.crank';
    }

    public function says(): string
    {
        return 'Stroke, torque, speed and acceleration of a slider on a crank that turns steadily.';
    }

    public function inputs(): RecordShape
    {
        return Mechanisms::calculated('crank')->with(['crank_rpm' => Field::needed(NumberShape::positive(), 'Steady speed of the crank.')]);
    }

    public function results(): RecordShape
    {
        return Results::of(['stroke_m' => 'number', 'peak_torque_Nm' => 'number', 'rms_torque_Nm' => 'number', 'peak_speed_m_s' => 'number',
            'peak_accel_m_s2' => 'number']);
    }

    public function check(array $inputs, ErrorList $errors): void
    {
        Check::mechanism('crank', $inputs, '', $errors);
    }

    public function compute(array $inputs): array
    {
        $crank = new Crank(...array_intersect_key($inputs, Mechanisms::calculated('crank')->fields));
        $omega = $inputs['crank_rpm'] * Constants::RAD_S_PER_RPM;
        $turn = new MoveTorque($crank, new Move(0.0, 2 * M_PI, 2 * M_PI / $omega, Profile::Steady));
        $torque = fn (float $angle): float => abs($turn->at($angle / 2 / M_PI, [0.0, 1.0], 0.5)[0]);
        $speed = fn (float $angle): float => abs($crank->slider($angle)[1]) * $omega;
        $accel = fn (float $angle): float => abs($crank->slider($angle)[2]) * $omega ** 2;
        $torques = $speeds = $accels = [];
        $squares = 0.0;
        for ($i = 0; $i <= self::SAMPLES; $i++) {
            $angle = 2 * M_PI * $i / self::SAMPLES;
            $torques[] = $here = $torque($angle);
            $speeds[] = $speed($angle);
            $accels[] = $accel($angle);
            $squares += $i < self::SAMPLES ? $here ** 2 : 0.0; // a periodic function: the plain mean is as good as any rule
        }

        return ['inputs' => $inputs, 'results' => [
            'stroke_m' => $crank->stroke_m(),
            'peak_torque_Nm' => Extremum::refine($torque, 0.0, 2 * M_PI, $torques)['value'],
            'rms_torque_Nm' => sqrt($squares / self::SAMPLES),
            'peak_speed_m_s' => Extremum::refine($speed, 0.0, 2 * M_PI, $speeds)['value'],
            'peak_accel_m_s2' => Extremum::refine($accel, 0.0, 2 * M_PI, $accels)['value'],
        ], 'findings' => []];
    }
}
