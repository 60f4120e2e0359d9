<?php

declare(strict_types=1);

namespace Brookstone\Core\Train;

use Brookstone\Core\Shape\BooleanShape;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\ListShape;
use Brookstone\Core\Shape\NumberShape;
use Brookstone\Core\Shape\RecordShape;
use Brookstone\Core\Shape\TextShape;

/** The fields of a layout in documents. */
final class Layouts
{
    private const MOST_MM = 2000.0;

    /** @return array<string, Field> of the plate alone */
    public static function plate(): array
    {
        return [
            'grid_mm' => Field::or(8.0, NumberShape::between(1.0, 100.0)->orNull(), 'Between the holes of the plate; empty where they are drilled anywhere.'),
            'half' => Field::or(true, new BooleanShape, 'Shafts may also stand half way between holes.'),
            'width_mm' => Field::or(null, NumberShape::positive(self::MOST_MM)->orNull(), 'Room for wheels to the right; empty without end.'),
            'height_mm' => Field::or(null, NumberShape::positive(self::MOST_MM)->orNull(), 'Room for wheels upwards.'),
            'shaft_mm' => Field::or(3.0, NumberShape::positive(50.0), 'Diameter of the shafts.'),
            'plane_mm' => Field::or(8.0, NumberShape::positive(200.0), 'From one plane of wheels to the next.'),
        ];
    }

    public static function shape(): RecordShape
    {
        $place = NumberShape::between(-self::MOST_MM, self::MOST_MM);

        return new RecordShape([
            ...self::plate(),
            'shafts' => Field::needed(new ListShape(new RecordShape(['x_mm' => Field::needed($place), 'y_mm' => Field::needed($place)], 'ShaftAt'), 1, 13,
                'shafts'), 'From the drive to the load.'),
            'planes' => Field::needed(new ListShape(NumberShape::whole(0, 11), 0, 12, 'planes'), 'Plane of each stage, 0 next to the plate.'),
            'obstacles' => Field::or([], new ListShape(new RecordShape([
                'name' => Field::needed(TextShape::name(), 'A nut, a boss, a post.'),
                'x_mm' => Field::needed($place), 'y_mm' => Field::needed($place),
                'radius_mm' => Field::needed(NumberShape::positive(500.0)),
                'plane' => Field::or(null, NumberShape::whole(0, 11)->orNull(), 'On which plane; empty on all.'),
                'to_x_mm' => Field::or(null, $place->orNull(), 'Of a wall: where it ends; empty is round.'),
                'to_y_mm' => Field::or(null, $place->orNull()),
            ], 'Obstacle'), 0, 40, 'obstacles'), 'What else stands on the plate.'),
            'plates' => Field::or([], new ListShape(new RecordShape([
                'name' => Field::needed(TextShape::name()),
                'above_plane' => Field::needed(NumberShape::whole(0, 11), 'It lies between this plane and the next.'),
                'x_mm' => Field::needed($place, 'Its left edge.'), 'y_mm' => Field::needed($place, 'Its lower edge.'),
                'width_mm' => Field::needed(NumberShape::positive(self::MOST_MM)),
                'height_mm' => Field::needed(NumberShape::positive(self::MOST_MM)),
            ], 'UpperPlate'), 0, 6, 'plates'), 'Plates above the first, with the same holes.'),
            'linkage' => Field::or(null, (new RecordShape([
                'plane' => Field::needed(NumberShape::whole(0, 12), 'Plane of its bars.'),
                'x_mm' => Field::needed($place, 'Its other pivot, or a point on the way of its slider.'), 'y_mm' => Field::needed($place),
                'bar_mm' => Field::or(8.0, NumberShape::positive(200.0), 'Width of its bars.'),
            ], 'LinkageAt'))->orNull(), 'Where the linkage at the load runs.'),
        ], 'Layout');
    }

    /** @param  array<string, mixed>  $read */
    public static function make(array $read): Layout
    {
        return new Layout(
            new Plate(...array_intersect_key($read, self::plate())),
            array_values(array_map(fn (array $shaft): array => [$shaft['x_mm'], $shaft['y_mm']], $read['shafts'])),
            $read['planes'],
            array_values(array_map(fn (array $obstacle): Obstacle => new Obstacle(...$obstacle), $read['obstacles'])),
            array_values(array_map(fn (array $plate): UpperPlate => new UpperPlate(...$plate), $read['plates'])),
            $read['linkage'] === null ? null : new LinkageAt(...$read['linkage']),
        );
    }

    /** @return array<string, mixed> */
    public static function write(Layout $layout): array
    {
        return [
            ...get_object_vars($layout->plate),
            'shafts' => array_map(fn (array $shaft): array => ['x_mm' => round($shaft[0], 4), 'y_mm' => round($shaft[1], 4)], $layout->shafts),
            'planes' => $layout->planes,
            'obstacles' => array_map(get_object_vars(...), $layout->obstacles),
            'plates' => array_map(get_object_vars(...), $layout->plates),
            'linkage' => $layout->linkage === null ? null : get_object_vars($layout->linkage),
        ];
    }
}
