<?php

declare(strict_types=1);

namespace Brookstone\Core\Build;

use Brookstone\Core\Shape\BooleanShape;
use Brookstone\Core\Shape\DayShape;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\ListShape;
use Brookstone\Core\Shape\NumberShape;
use Brookstone\Core\Shape\RecordShape;
use Brookstone\Core\Shape\TextShape;

/** A motion that is run again and again at the bench: how often it shall, how often it did, and what happened at which count. */
final readonly class EnduranceRun
{
    public const MOST_CYCLES = 100_000_000;

    private const MOST = 500;

    /**
     * @param  int  $target  there and back so often: what a season means
     * @param  int|null  $oil_every  it stops for service after so many
     * @param  list<array{id: string, on: string, at: int, failed: bool, says: string}>  $marks  what happened, by its count; the last says how far it got
     */
    public function __construct(public string $id, public string $motion, public int $target, public ?int $oil_every, public array $marks)
    {
    }

    public static function shape(): RecordShape
    {
        $count = NumberShape::whole(0, self::MOST_CYCLES);

        return new RecordShape([
            'id' => Field::needed(TextShape::id()),
            'motion' => Field::needed(TextShape::id()),
            'target' => Field::needed(NumberShape::whole(1, self::MOST_CYCLES), 'There and back so often: what a season means.'),
            'oil_every' => Field::or(null, NumberShape::whole(1, self::MOST_CYCLES)->orNull(), 'It stops for oil and a look after so many.'),
            'marks' => Field::or([], new ListShape(new RecordShape([
                'id' => Field::needed(TextShape::id()), 'on' => Field::needed(new DayShape), 'at' => Field::needed($count, 'Count that it had reached.'),
                'failed' => Field::or(false, new BooleanShape, 'It failed there, and was mended.'), 'says' => Field::or('', new TextShape(0, 200),
                    'What was seen.'),
            ], 'EnduranceMark'), 0, self::MOST, 'marks')),
        ], 'EnduranceRun');
    }

    /** How often it has gone there and back. */
    public function count(): int
    {
        return array_reduce($this->marks, fn (int $most, array $mark): int => max($most, $mark['at']), 0);
    }

    public function failures(): int
    {
        return count(array_filter($this->marks, fn (array $mark): bool => $mark['failed']));
    }
}
