<?php

declare(strict_types=1);

namespace Brookstone\Core\Routine;

use Brookstone\Core\Shape\ListShape;
use Brookstone\Core\Shape\RecursiveShape;
use Brookstone\Core\Shape\Shape;
use Brookstone\Core\Shape\UnionShape;

/** The register of steps. */
final class Steps
{
    private const MOST = 200;

    /** @var array<string, class-string<Step>> by the word for it in documents */
    public const KINDS = [
        'home' => HomeStep::class,
        'go' => GoStep::class,
        'go_by' => GoByStep::class,
        'run' => RunStep::class,
        'follow' => FollowStep::class,
        'pace' => PaceStep::class,
        'wait' => WaitStep::class,
        'sleep' => SleepStep::class,
        'calibrate' => CalibrateStep::class,
        'stop' => StopStep::class,
        'signal' => SignalStep::class,
        'repeat' => RepeatStep::class,
        'together' => TogetherStep::class,
        'choose' => ChooseStep::class,
        'set' => SetStep::class,
        'call' => CallStep::class,
        'power' => PowerStep::class,
        'change_over' => ChangeOverStep::class,
        'take' => TakeStep::class,
        'put' => PutStep::class,
        'release' => ReleaseStep::class,
        'fault' => FaultStep::class,
    ];

    private static ?Shape $shape = null;

    /** A list of steps, which may hold steps themselves. */
    public static function shape(): Shape
    {
        return self::$shape ??= new RecursiveShape(
            static fn (): Shape => new ListShape(
                new UnionShape('do', array_map(fn (string $class) => $class::shape(), self::KINDS), 'Step'),
                0, self::MOST, 'steps',
            ),
            'Steps',
        );
    }

    /** @return array<string, mixed> JSON Schema of the list of steps itself */
    public static function definition(): array
    {
        return (new ListShape(new UnionShape('do', array_map(fn (string $class) => $class::shape(), self::KINDS), 'Step'), 0, self::MOST, 'steps'))->schema();
    }

    /**
     * @param  list<array<string, mixed>>  $read
     * @return list<Step>
     */
    public static function make(array $read): array
    {
        return array_map(fn (array $step): Step => self::KINDS[$step['do']]::make($step), $read);
    }

    public static function kindOf(Step $step): string
    {
        return (string) array_search($step::class, self::KINDS, true);
    }
}
