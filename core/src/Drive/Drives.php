<?php

declare(strict_types=1);

namespace Brookstone\Core\Drive;

use Brookstone\Core\Shape\BooleanShape;
use Brookstone\Core\Shape\ChoiceShape;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\ListShape;
use Brookstone\Core\Shape\NumberShape;
use Brookstone\Core\Shape\RecordShape;
use Brookstone\Core\Shape\TextShape;
use Brookstone\Core\Shape\UnionShape;

/** The register of drives: their fields in documents, and how each is made from them and written back. */
final class Drives
{
    private const MOST = 1e6;

    private const BODY = ['code', 'series', 'mass_kg', 'length_mm', 'width_mm', 'height_mm', 'shaft', 'gear_material', 'back_drive_Nm', 'gearbox_limit_Nm', 'thermal'];

    /** The ratings of a brushed motor, shared by the document and the calculators. */
    public static function motorShape(?float $most = null): RecordShape
    {
        return new RecordShape([
            'rated_V' => Field::needed(NumberShape::positive($most), 'Voltage of the ratings.'),
            'no_load_rpm' => Field::needed(NumberShape::positive($most), 'Speed without load.'),
            'no_load_A' => Field::needed(NumberShape::positive($most), 'Current without load.'),
            'stall_Nm' => Field::needed(NumberShape::positive($most), 'Torque when held.'),
            'stall_A' => Field::needed(NumberShape::positive($most), 'Current when held; over the no-load current.'),
        ]);
    }

    public static function ratingsShape(?float $most = null): ListShape
    {
        return new ListShape(new RecordShape([
            'volts_V' => Field::needed(NumberShape::positive($most), 'Voltage of this rating.'),
            'stall_Nm' => Field::needed(NumberShape::positive($most), 'Torque when held.'),
            'speed_deg_s' => Field::needed(NumberShape::positive($most), 'Speed without load.'),
        ]), 1, 20, 'ratings');
    }

    public static function shape(): UnionShape
    {
        $body = [
            'code' => Field::needed(new TextShape(1, 40), 'Its name in the drawer.'),
            'series' => Field::needed(new TextShape(1, 40), 'The family that shares its motor.'),
            'mass_kg' => Field::needed(NumberShape::positive(100.0)),
            'length_mm' => Field::needed(NumberShape::positive(1000.0)),
            'width_mm' => Field::needed(NumberShape::positive(1000.0)),
            'height_mm' => Field::needed(NumberShape::positive(1000.0)),
            'shaft' => Field::needed(new TextShape(1, 60)),
            'gear_material' => Field::needed(ChoiceShape::of('nylon', 'acetal', 'brass', 'steel', 'bronze and steel', 'none')),
            'back_drive_Nm' => Field::needed(NumberShape::notNegative(self::MOST), 'Torque at its shaft below which its unpowered gears stay put.'),
            'gearbox_limit_Nm' => Field::needed(NumberShape::positive(self::MOST), 'Torque at its shaft that its gears survive.'),
            'thermal' => Field::needed(ChoiceShape::of(...array_column(ThermalClass::cases(), 'value')), 'Size class for heat.'),
        ];
        $rotor = ['rotor_kgm2' => Field::or(0.0, NumberShape::notNegative(self::MOST), 'Rotor inertia at the output shaft.')];

        return new UnionShape('kind', [
            'dc_motor' => new RecordShape([...self::motorShape(self::MOST)->fields, ...$rotor, 'worm' => Field::or(false, new BooleanShape, 'Its last stage is a worm.'), ...$body], 'DcMotor'),
            'servo' => new RecordShape([
                'ratings' => Field::needed(self::ratingsShape(self::MOST)),
                'stall_A' => Field::needed(NumberShape::positive(self::MOST)),
                'idle_A' => Field::needed(NumberShape::positive(self::MOST)),
                'travel_deg' => Field::needed(NumberShape::positive(720.0)),
                'deadband_deg' => Field::or(0.5, NumberShape::notNegative(20.0)),
                'digital' => Field::or(false, new BooleanShape),
                ...$rotor,
                ...$body,
            ], 'Servo'),
        ], 'Drive');
    }

    /** @param  array<string, mixed>  $read as read by shape() */
    public static function make(array $read): Drive
    {
        $kind = $read['kind'];
        $about = array_intersect_key($read, array_flip(self::BODY));
        $about['thermal'] = ThermalClass::from($about['thermal']);
        $ratings = array_diff_key($read, $about, ['kind' => true]);
        if ($kind === 'servo') {
            $ratings['ratings'] = array_map(fn (array $rating): ServoRating => new ServoRating(...$rating), $ratings['ratings']);

            return new Servo(...$ratings, body: new Body(...$about));
        }

        return new DcMotor(...['body' => new Body(...$about)] + $ratings);
    }

    /** @return array<string, mixed> as shape() reads it */
    public static function write(Drive $drive): array
    {
        $body = get_object_vars($drive->body());
        $body['thermal'] = $drive->body()->thermal->value;

        return ['kind' => $drive->kind(), ...match (true) {
            $drive instanceof DcMotor => [
                'rated_V' => $drive->rated_V, 'no_load_rpm' => $drive->no_load_rpm, 'no_load_A' => $drive->no_load_A,
                'stall_Nm' => $drive->stall_Nm, 'stall_A' => $drive->stall_A, 'rotor_kgm2' => $drive->rotor_kgm2, 'worm' => $drive->worm,
            ],
            $drive instanceof Servo => [
                'ratings' => array_map(get_object_vars(...), $drive->ratings),
                'stall_A' => $drive->stall_A, 'idle_A' => $drive->idle_A, 'travel_deg' => $drive->travel_deg,
                'deadband_deg' => $drive->deadband_deg, 'digital' => $drive->digital, 'rotor_kgm2' => $drive->rotor_kgm2,
            ],
            default => throw new \LogicException('No way to write a '.$drive->kind()),
        }, ...$body];
    }
}
