<?php

declare(strict_types=1);

namespace Brookstone\Core\Calculator;

use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Mechanism\Ball;
use Brookstone\Core\Mechanism\Mechanisms;
use Brookstone\Core\Quantity\Constants;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Shape\ErrorList;
use Brookstone\Core\Shape\RecordShape;

final readonly class BallLoad implements Calculator
{
    private const LEANS_FAR_DEG = 45.0; // leaves nothing for starting

    public function name(): string
    {
        return 'load.ball';
    }

    public function says(): string
    {
        return 'Torque, lean, steepest grade and turn of a ball driven by a hung weight.';
    }

    public function inputs(): RecordShape
    {
        return Mechanisms::calculated('ball');
    }

    public function results(): RecordShape
    {
        return Results::of([
            'pendulum_capacity_Nm' => 'number', 'drive_torque_Nm' => 'number', 'climbs' => 'boolean', 'lean_deg' => 'number', 'max_grade_deg' => 'number',
            'turn_radius_m' => 'number',
        ]);
    }

    public function check(array $inputs, ErrorList $errors): void
    {
        Check::mechanism('ball', $inputs, '', $errors);
    }

    public function compute(array $inputs): array
    {
        $ball = new Ball(...array_intersect_key($inputs, Mechanisms::calculated('ball')->fields));
        $lean = $ball->lean($ball->rollingNm());

        return ['inputs' => $inputs, 'results' => [
            'pendulum_capacity_Nm' => $ball->capacityNm(),
            'drive_torque_Nm' => $ball->rollingNm(),
            'climbs' => $lean !== null,
            'lean_deg' => $lean === null ? null : $lean / Constants::RAD_PER_DEG,
            'max_grade_deg' => $ball->steepest() / Constants::RAD_PER_DEG,
            'turn_radius_m' => $ball->turnRadius_m(),
        ], 'findings' => array_values(array_filter([self::leans($ball, $ball->rollingNm(), 'grade_deg')]))];
    }

    /** How far the hung weight must lean for a torque, if that is too far. */
    public static function leans(Ball $ball, float $torque_Nm, string $place): ?Finding
    {
        $lean = $ball->lean($torque_Nm);
        $values = ['needs' => Quantity::of(abs($torque_Nm), 'N·m'), 'has' => Quantity::of($ball->capacityNm(), 'N·m')];
        if ($lean === null) {
            return new Finding('load.ball_stays', Severity::Fails, $place,
                new Sentence('It needs {needs}, but the hung weight gives {has} at most: the weight goes over the top and the ball stays.', $values));
        }

        return $lean / Constants::RAD_PER_DEG > self::LEANS_FAR_DEG ? new Finding('load.ball_leans', Severity::Tight, $place, new Sentence(
            'The hung weight leans {lean}, over {limit}: that leaves nothing for starting or a bump.',
            ['lean' => Quantity::of($lean / Constants::RAD_PER_DEG, '°'), 'limit' => Quantity::of(self::LEANS_FAR_DEG, '°')],
        )) : null;
    }
}
