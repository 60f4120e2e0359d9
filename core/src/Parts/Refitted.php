<?php

declare(strict_types=1);

namespace Brookstone\Core\Parts;

use Brookstone\Core\Shape\DayShape;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\MapShape;
use Brookstone\Core\Shape\NumberShape;
use Brookstone\Core\Shape\RecordShape;
use Brookstone\Core\Train\Train;

/** What measuring has told of a motion: it counts instead of what was said, which stays beside it. */
final readonly class Refitted
{
    /**
     * @param  array<string, float>  $mechanism  its masses and its rub, by their fields
     * @param  float|null  $efficiency  of its train in all
     * @param  float|null  $supply_V  that arrives where its drive hangs
     * @param  string  $on  day
     */
    public function __construct(public array $mechanism, public ?float $efficiency, public ?float $supply_V, public string $on)
    {
    }

    public static function shape(float $most): RecordShape
    {
        return new RecordShape([
            'mechanism' => Field::or([], new MapShape(NumberShape::notNegative($most)), 'Masses and rub, by the fields of its mechanism.'),
            'efficiency' => Field::or(null, NumberShape::between(0.01, 1.0)->orNull(), 'Of its train in all.'),
            'supply_V' => Field::or(null, NumberShape::positive(60.0)->orNull(), 'What its supply gives.'),
            'on' => Field::needed(new DayShape, 'Day on which that was found.'),
        ], 'Refitted');
    }

    /**
     * @param  array<string, mixed>  $said  a mechanism in a document
     * @return array<string, mixed> the same with what was measured of it; what it has not is left aside
     */
    public function over(array $said): array
    {
        return array_replace($said, array_intersect_key($this->mechanism, $said));
    }

    public function train(Train $said): Train
    {
        return $this->efficiency === null || $said->stages === [] ? $said : $said->withEfficiency($this->efficiency);
    }

    public function drive(?DriveChoice $said): ?DriveChoice
    {
        return $this->supply_V === null ? $said : $said?->on($this->supply_V);
    }
}
