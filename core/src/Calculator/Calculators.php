<?php

declare(strict_types=1);

namespace Brookstone\Core\Calculator;

use Brookstone\Core\Calculator\Air\CylinderCalculator;
use Brookstone\Core\Calculator\Air\TankCalculator;
use Brookstone\Core\Calculator\Power\BatteryCalculator;
use Brookstone\Core\Calculator\Power\CapacitorCalculator;
use Brookstone\Core\Calculator\Power\ChargeCalculator;
use Brookstone\Core\Calculator\Power\CoilCalculator;
use Brookstone\Core\Calculator\Power\DividerCalculator;
use Brookstone\Core\Calculator\Power\FilterCalculator;
use Brookstone\Core\Calculator\Power\FuseCalculator;
use Brookstone\Core\Calculator\Power\LampCalculator;
use Brookstone\Core\Calculator\Power\PortsCalculator;
use Brookstone\Core\Calculator\Power\PullUpCalculator;
use Brookstone\Core\Calculator\Power\RegulatorCalculator;
use Brookstone\Core\Calculator\Power\ResistorCalculator;
use Brookstone\Core\Calculator\Power\WireCalculator;
use Brookstone\Core\Error\InvalidInput;
use Brookstone\Core\Mechanism\PositionUnit;
use Brookstone\Core\Shape\ErrorList;

/** The register of calculators, and the one way to run them. */
final class Calculators
{
    /** @return array<string, Calculator> by name */
    public static function all(): array
    {
        $all = [];
        foreach ([
            new ArmLoad, new TurntableLoad, new HoistLoad, new SlideLoad, new WheelsLoad, new CrankLoad, new BallLoad, new SpringLeverLoad,
            new MoveLoadCalculator('crank_rocker', 'What a figure rocked to and fro by a crank asks of that crank.', PositionUnit::Degrees),
            new MoveLoadCalculator('pushed', 'What a part moved through a rod asks of the servo’s arm.', PositionUnit::Degrees),
            new MoveLoadCalculator('feeder', 'What a conveyor or feeder drum asks of its shaft for a step of one item or more.', PositionUnit::Metres),
            new MoveLoadCalculator('measured', 'What a move needs whose pull was measured with a spring balance.', PositionUnit::Degrees),
            new DcPointCalculator, new ServoPointCalculator, new StepperPointCalculator, new BenchRatingsCalculator, new ClaimsCheck,
            new TrainRatio, new MeshCalculator, new ToothCalculator, new WormCalculator, new SearchCalculator, new PushrodCalculator, new FourBarCalculator,
            new RodHolesCalculator, new SwingCalculator, new BeltCalculator, new WindingDrum, new CordCalculator, new TwoInTurnCalculator,
            new SidewaysWheelsCalculator, new MagnetHeadCalculator, new BalanceCalculator, new MotionRunCalculator, new ThrowCalculator,
            new CylinderCalculator, new TankCalculator,
            new OverrunCalculator, new DebounceCalculator, new ThresholdCalculator, new StickCalculator, new PressCalculator, new KnockCalculator,
            new DaylightCalculator, new RepeatabilityCalculator, new IntervalCalculator, new FilterCalculator,
            new EnduranceCalculator,
            new BatteryCalculator, new ChargeCalculator, new WireCalculator, new FuseCalculator, new RegulatorCalculator, new CapacitorCalculator,
            new ResistorCalculator, new LampCalculator, new DividerCalculator, new PullUpCalculator, new CoilCalculator, new PortsCalculator,
        ] as $calculator) {
            $all[$calculator->name()] = $calculator;
        }

        return $all;
    }

    /**
     * @param  mixed  $inputs  decoded JSON from outside
     * @return array{calculator: string, inputs: array<string, mixed>, results: array<string, mixed>, findings: list<mixed>} numbers are finite;
     *                                                                                                                      what has no bound is null
     *
     * @throws InvalidInput every wrong field at once
     */
    public static function run(Calculator $calculator, mixed $inputs): array
    {
        $errors = new ErrorList;
        $read = $calculator->inputs()->read($inputs, '', $errors);
        if (is_array($read)) {
            $calculator->check($read, $errors);
        }
        $errors->throwIfAny();
        assert(is_array($read));
        $done = $calculator->compute($read);

        return ['calculator' => $calculator->name(), 'inputs' => $done['inputs'], 'results' => self::finite($done['results']), 'findings' => $done['findings']];
    }

    /** @return array<string, mixed> JSON Schema of inputs and results */
    public static function schema(Calculator $calculator): array
    {
        $results = $calculator->results()->schema();
        foreach ($results['properties'] as $key => $property) {
            $words = ResultWords::of($calculator->name(), $key);
            if ($words !== null && ! isset($property['description'])) {
                $results['properties'][$key]['description'] = $words.'.';
            }
        }

        return [
            '$schema' => 'https://json-schema.org/draft/2020-12/schema',
            'title' => $calculator->name(),
            'description' => $calculator->says(),
            'type' => 'object',
            'properties' => ['inputs' => $calculator->inputs()->schema(), 'results' => $results],
            'required' => ['inputs', 'results'],
        ];
    }

    /**
     * @param  array<mixed>  $results
     * @return array<mixed>
     */
    private static function finite(array $results): array
    {
        return array_map(fn (mixed $value): mixed => match (true) {
            is_array($value) => self::finite($value),
            is_float($value) => is_finite($value) ? $value + 0.0 : null,
            default => $value,
        }, $results);
    }
}
