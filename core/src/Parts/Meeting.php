<?php

declare(strict_types=1);

namespace Brookstone\Core\Parts;

use Brookstone\Core\Finding\Named;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\ListShape;
use Brookstone\Core\Shape\NumberShape;
use Brookstone\Core\Shape\RecordShape;
use Brookstone\Core\Shape\TextShape;
use Brookstone\Core\Solid\Vector;

/** Two points of the stage that must meet, with the motions at places: a hook and its eye, a grab and a box, a wagon and a platform. */
final readonly class Meeting
{
    use Named;

    /**
     * @param  string|null  $one  motion that moves the first point; null stands on the base
     * @param  Vector  $at  that point where its motion is at zero, m
     * @param  string|null  $other  of the second
     * @param  array<string, string>  $places  by motion the place that it is at; where its task begins if it is left out
     * @param  float  $forgives_m  so far apart they still meet
     * @param  float  $stands_m  so far off what stands on the base can be, either way
     */
    public function __construct(public string $id, public string $name, public ?string $one, public Vector $at, public ?string $other, public Vector $to,
        public array $places, public float $forgives_m, public float $stands_m)
    {
    }

    public static function shape(): RecordShape
    {
        $length = NumberShape::between(0.0, Mount::FAR_M);
        $far = NumberShape::between(-Mount::FAR_M, Mount::FAR_M);
        $end = new RecordShape([
            'motion' => Field::or(null, TextShape::id()->orNull(), 'What moves it; empty: it stands on the base.'),
            'x_m' => Field::or(0.0, $far, 'Where it is on what moves it, as that stands at its zero.'),
            'y_m' => Field::or(0.0, $far),
            'z_m' => Field::or(0.0, $far),
        ], 'MeetingEnd');

        return new RecordShape([
            'id' => Field::needed(TextShape::id()),
            'name' => Field::needed(TextShape::name()),
            'one' => Field::needed($end, 'The point that comes.'),
            'other' => Field::needed($end, 'The point that it shall meet.'),
            'at' => Field::or([], new ListShape(new RecordShape([
                'motion' => Field::needed(TextShape::id()),
                'place' => Field::needed(TextShape::id(), 'Where it stands then.'),
            ], 'MeetingPlace'), 0, 40, 'places'), 'Where motions stand when they meet; others where their task begins.'),
            'forgives_m' => Field::or(0.005, NumberShape::positive(Mount::FAR_M), 'So far off the grab, funnel or magnet still takes it.'),
            'stands_m' => Field::or(0.0, $length, 'So far off what stands on the base can be, either way.'),
        ], 'Meeting');
    }

    /** @param  array<string, mixed>  $read  by its shape */
    public static function make(array $read): self
    {
        return new self($read['id'], $read['name'], $read['one']['motion'], new Vector($read['one']['x_m'], $read['one']['y_m'], $read['one']['z_m']),
            $read['other']['motion'], new Vector($read['other']['x_m'], $read['other']['y_m'], $read['other']['z_m']),
            array_column($read['at'], 'place', 'motion'), $read['forgives_m'], $read['stands_m']);
    }
}
