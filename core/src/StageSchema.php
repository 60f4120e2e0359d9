<?php

declare(strict_types=1);

namespace Brookstone\Core;

use Brookstone\Core\Shape\BooleanShape;
use Brookstone\Core\Shape\ListShape;
use Brookstone\Core\Shape\RecordShape;
use Brookstone\Core\Shape\TextShape;

/** The shape of what is drawn and said of a machine as it stands. */
final class StageSchema
{
    /** What the page of the stage shows. */
    public static function report(): RecordShape
    {
        $number = Schemas::number();
        $text = new TextShape;

        return Schemas::record('StageReport', [
            'version' => $number,
            'motions' => Schemas::list(Schemas::record('StageMotion', [
                'id' => $text, 'on' => $text->orNull(), 'mount' => self::numbers(12), 'turns' => new BooleanShape, 'along' => self::numbers(3),
                'position_unit' => $text, 'low' => $number, 'high' => $number, 'rest' => $number, 'follows' => Schemas::list(self::numbers(2)),
                'carries' => Schemas::sentence(), 'wires' => Schemas::sentence()->orNull(), 'cable' => Schemas::sentence()->orNull(),
                'worst' => Schemas::list(Schemas::record('StandsAt', ['motion' => $text, 'at' => $number])),
            ])),
            'bodies' => Schemas::list(self::body()),
            'drives' => Schemas::list(self::body()),
            'feet' => Schemas::list(self::numbers(2)),
            'masses' => Schemas::list(Schemas::record('StageMass', ['name' => Schemas::sentence(), 'kg' => $number])),
            'meetings' => Schemas::list(Schemas::record('StageMeeting', ['id' => $text, 'verdict' => Schemas::verdict(), 'says' => Schemas::sentence(),
                'off_m' => $number, 'parts' => Schemas::list(Schemas::record('StackPart', ['says' => Schemas::sentence(), 'm' => $number])),
                'at_m' => self::numbers(3), 'to_m' => self::numbers(3)])),
            'pose' => self::pose(),
        ]);
    }

    private static function body(): RecordShape
    {
        $number = Schemas::number();
        $text = new TextShape;

        return Schemas::record('StageBody', ['id' => $text, 'motion' => $text->orNull(), 'index' => $number, 'half_m' => self::numbers(3), 'skin_m' => $number,
            'at' => self::numbers(12), 'mass_kg' => $number->orNull()]);
    }

    /** How it looks from the front, small. */
    public static function front(): ListShape
    {
        return Schemas::list(Schemas::record('FrontOutline', ['is' => new TextShape, 'marker' => new TextShape, 'radius_mm' => Schemas::number(),
            'points_mm' => Schemas::list(self::numbers(2))]));
    }

    /** What is so in one pose. */
    public static function pose(): RecordShape
    {
        $number = Schemas::number();

        return Schemas::record('StagePose', [
            'nearest' => Schemas::record('StageNearest', ['gap_m' => $number, 'says' => Schemas::sentence(), 'at_m' => self::numbers(3),
                'to_m' => self::numbers(3)])->orNull(),
            'centre_m' => Schemas::list($number), // empty where nothing weighs anything
            'stands' => Schemas::sentence()->orNull(),
        ]);
    }

    private static function numbers(int $count): ListShape
    {
        return new ListShape(Schemas::number(), $count, $count, 'numbers');
    }
}
