<?php

declare(strict_types=1);

namespace Brookstone\Core\Build;

use Brookstone\Core\Shape\BooleanShape;
use Brookstone\Core\Shape\ChoiceShape;
use Brookstone\Core\Shape\DayShape;
use Brookstone\Core\Shape\EitherShape;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\ListShape;
use Brookstone\Core\Shape\NothingShape;
use Brookstone\Core\Shape\NumberShape;
use Brookstone\Core\Shape\RecordShape;
use Brookstone\Core\Shape\Shape;
use Brookstone\Core\Shape\TextShape;

/**
 * How the build is made: what its builder says of plan, parts and bench tests. All the rest of those follows from the build.
 *
 * @phpstan-type OwnPart array{id: string, name: string, count: int, have: bool, place: string, price: float|null, days: float|null,
 *     comes_on: string|null, note: string}
 */
final readonly class Making
{
    public const STAGES = ['parts', 'mechanism', 'drive', 'wiring', 'routine', 'tests', 'finish'];

    public const MOST_DAYS = 3650.0;

    private const MOST = 600;

    private const KEY = 160;

    /** @var array<string, array{id: string, hours: float|null, waits_days: float|null, late_days: float, stand_in: string}> by task */
    public array $changed;

    /** @var array<string, array{id: string, have: bool, place: string, price: float|null, days: float|null, comes_on: string|null, note: string}> by part */
    public array $parts;

    /** @var array<string, array{id: string, on: string, good: bool, note: string}> by bench test, the last of each */
    public array $tests;

    /**
     * @param  string|null  $begins_on  day
     * @param  float  $hours_a_day  of work, on a day of work
     * @param  list<string>  $rests_on  days of the week without work, `mon` to `sun`
     * @param  list<array{id: string, on: string|null}>  $done  tasks
     * @param  list<array{id: string, name: string, stage: string, hours: float, waits_days: float, needs: list<string>, before: list<string>}>  $tasks  of the
     *     builder's own
     * @param  list<array{id: string, hours: float|null, waits_days: float|null, late_days: float, stand_in: string}>  $changed
     * @param  list<array{id: string, have: bool, place: string, price: float|null, days: float|null, comes_on: string|null, note: string}>  $parts
     * @param  list<OwnPart>  $own_parts
     * @param  list<array{id: string, on: string, good: bool, note: string}>  $tests
     */
    public function __construct(public ?string $begins_on = null, public float $hours_a_day = 2.0, public array $rests_on = [], public array $done = [],
        public array $tasks = [], array $changed = [], array $parts = [], public array $own_parts = [], array $tests = [])
    {
        $this->changed = array_column($changed, null, 'id');
        $this->parts = array_column($parts, null, 'id');
        $this->tests = array_column($tests, null, 'id');
    }

    public static function shape(): RecordShape
    {
        $key = new TextShape(1, self::KEY);
        $days = NumberShape::between(0.0, self::MOST_DAYS);
        $hours = NumberShape::between(0.0, 1000.0);
        $got = ['have' => Field::or(false, new BooleanShape, 'It lies in the drawer.'), 'place' => Field::or('', new TextShape(0, 120), 'Where it is got.'),
            'price' => Field::or(null, NumberShape::between(0.0, 1e6)->orNull(), 'Of one.'),
            'days' => Field::or(null, $days->orNull(), 'Until it is here once it is ordered; empty is what is usual.'),
            'comes_on' => Field::or(null, self::maybeDay(), 'Day on which it comes, where that is known.'), 'note' => Field::or('', new TextShape(0, 200))];

        return new RecordShape([
            'begins_on' => Field::or(null, self::maybeDay(), 'Day on which work begins; empty: days are only counted.'),
            'hours_a_day' => Field::or(2.0, NumberShape::between(0.1, 24.0), 'Of work, on a day of work.'),
            'rests_on' => Field::or([], new ListShape(ChoiceShape::of('mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'), 0, 6, 'days'), 'Days without work.'),
            'done' => Field::or([], self::list(new RecordShape(['id' => Field::needed($key, 'A task.'), 'on' => Field::or(null, self::maybeDay())],
                'TaskDone'))),
            'tasks' => Field::or([], self::list(new RecordShape([
                'id' => Field::needed(TextShape::id()), 'name' => Field::needed(TextShape::name()),
                'stage' => Field::or('finish', ChoiceShape::of(...self::STAGES)),
                'hours' => Field::or(1.0, $hours, 'Of work.'),
                'waits_days' => Field::or(0.0, $days, 'That pass after the work until it is done: glue dries, a parcel comes.'),
                'needs' => Field::or([], new ListShape($key, 0, 60, 'tasks'), 'What must be done before.'),
                'before' => Field::or([], new ListShape($key, 0, 60, 'tasks'), 'What waits for it.'),
            ], 'OwnTask')), 'Tasks of the builder’s own.'),
            'changed' => Field::or([], self::list(new RecordShape([
                'id' => Field::needed($key, 'A task that the plan proposes.'), 'hours' => Field::or(null, $hours->orNull()),
                'waits_days' => Field::or(null, $days->orNull()), 'late_days' => Field::or(0.0, $days, 'So much longer it takes than thought.'),
                'stand_in' => Field::or('', new TextShape(0, 200), 'What stands in for trials while the right part is late.'),
            ], 'TaskChange')), 'Of tasks that the plan proposes, what is otherwise.'),
            'parts' => Field::or([], self::list(new RecordShape(['id' => Field::needed($key, 'A part of the list.')] + $got, 'PartKnown'))),
            'own_parts' => Field::or([], self::list(new RecordShape(['id' => Field::needed(TextShape::id()), 'name' => Field::needed(TextShape::name()),
                'count' => Field::or(1, NumberShape::whole(1, 10000))] + $got, 'OwnPart')), 'What it needs besides.'),
            'tests' => Field::or([], self::list(new RecordShape(['id' => Field::needed($key, 'A bench test.'), 'on' => Field::needed(new DayShape),
                'good' => Field::or(true, new BooleanShape, 'It came out as it should.'), 'note' => Field::or('', new TextShape(0, 300)),
            ], 'TestDone')), 'Bench tests that were done.'),
        ], 'Making');
    }

    public static function maybeDay(): Shape
    {
        return new EitherShape([new DayShape, new NothingShape]);
    }

    public function isDone(string $task): bool
    {
        return in_array($task, array_column($this->done, 'id'), true);
    }

    private static function list(RecordShape $of): ListShape
    {
        return new ListShape($of, 0, self::MOST, 'entries');
    }
}
