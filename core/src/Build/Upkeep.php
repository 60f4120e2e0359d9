<?php

declare(strict_types=1);

namespace Brookstone\Core\Build;

use Brookstone\Core\Shape\ChoiceShape;
use Brookstone\Core\Shape\DayShape;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\ListShape;
use Brookstone\Core\Shape\NumberShape;
use Brookstone\Core\Shape\RecordShape;
use Brookstone\Core\Shape\TextShape;

/** How the build is kept alive: what its builder says of access, jobs and who notices that it stopped. */
final readonly class Upkeep
{
    private const MOST = 400;

    private const MOST_CYCLES = 1e9;

    /** @var array<string, array{id: string, access: string, held_by: string, frees: string, by_hand: string}> by motion */
    public array $motions;

    /** @var array<string, array{id: string, every_cycles: float|null, every_days: float|null}> by job */
    public array $changed;

    /**
     * @param  string|null  $since  day from which it is in use
     * @param  string  $way_in  when all fails: battery dead, door shut
     * @param  list<array{id: string, access: string, held_by: string, frees: string, by_hand: string}>  $motions
     * @param  list<array{id: string, name: string, motion: string|null, every_cycles: float|null, every_days: float|null}>  $jobs  of the builder's own
     * @param  list<array{id: string, every_cycles: float|null, every_days: float|null}>  $changed
     * @param  list<array{id: string, job: string, on: string, note: string}>  $done
     * @param  list<array{id: string, motion: string, on: string, cycles: float}>  $counts  read off the controller's own counters
     * @param  array{every_h: float|null, shows: string, on_miss: string, seen_on: string|null}  $watch
     */
    public function __construct(public ?string $since = null, public string $way_in = '', array $motions = [], public array $jobs = [], array $changed = [],
        public array $done = [], public array $counts = [], public array $watch = ['every_h' => null, 'shows' => '', 'on_miss' => '', 'seen_on' => null])
    {
        $this->motions = array_column($motions, null, 'id');
        $this->changed = array_column($changed, null, 'id');
    }

    public static function shape(): RecordShape
    {
        $key = new TextShape(1, 160);
        $text = new TextShape(0, 300);
        $every = ['every_cycles' => Field::or(null, NumberShape::between(1.0, self::MOST_CYCLES)->orNull(), 'So often it goes there and back between.'),
            'every_days' => Field::or(null, NumberShape::between(1.0, Making::MOST_DAYS)->orNull(), 'So many days between, however little it runs.')];

        return new RecordShape([
            'since' => Field::or(null, Making::maybeDay(), 'Day from which it is in use.'),
            'way_in' => Field::or('', $text, 'How to get in when all fails: battery dead, door shut.'),
            'motions' => Field::or([], self::list(new RecordShape(['id' => Field::needed(TextShape::id(), 'The motion.'),
                'access' => Field::or('', $text, 'How to get at it.'), 'held_by' => Field::or('screws', ChoiceShape::of('screws', 'clips', 'pins', 'glue')),
                'frees' => Field::or('', $text, 'How to free it when it jams.'), 'by_hand' => Field::or('', $text, 'How to move it with the power off.'),
            ], 'Access'))),
            'jobs' => Field::or([], self::list(new RecordShape(['id' => Field::needed(TextShape::id()), 'name' => Field::needed(TextShape::name()),
                'motion' => Field::or(null, TextShape::id()->orNull())] + $every, 'OwnJob')), 'Jobs of the builder’s own.'),
            'changed' => Field::or([], self::list(new RecordShape(['id' => Field::needed($key, 'A job that is proposed.')] + $every, 'JobChange'))),
            'done' => Field::or([], self::list(new RecordShape(['id' => Field::needed(TextShape::id()), 'job' => Field::needed($key),
                'on' => Field::needed(new DayShape), 'note' => Field::or('', $text, 'What was found, and what was changed.')], 'JobDone'))),
            'counts' => Field::or([], self::list(new RecordShape(['id' => Field::needed(TextShape::id()), 'motion' => Field::needed(TextShape::id()),
                'on' => Field::needed(new DayShape), 'cycles' => Field::needed(NumberShape::between(0.0, self::MOST_CYCLES),
                    'There and back since it is in use, as its controller counts them.')], 'CyclesRead'))),
            'watch' => Field::or([], new RecordShape([
                'every_h' => Field::or(null, NumberShape::between(0.01, 24.0 * 366)->orNull(), 'It should have run at least once in so many hours.'),
                'shows' => Field::or('', $text, 'What shows that it did: a count, a lamp that must blink, a message that must come.'),
                'on_miss' => Field::or('', $text, 'What to do when it did not.'),
                'seen_on' => Field::or(null, Making::maybeDay(), 'Day on which that was last seen.'),
            ], 'Watch'), 'Who notices that it stopped.'),
        ], 'Upkeep');
    }

    private static function list(RecordShape $of): ListShape
    {
        return new ListShape($of, 0, self::MOST, 'entries');
    }
}
