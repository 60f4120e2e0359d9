<?php

declare(strict_types=1);

namespace Brookstone\Core\Drive;

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
    public const MOST = 1e6;

    public const MATERIALS = ['nylon', 'acetal', 'brass', 'steel', 'bronze and steel', 'none'];

    /** @var array<string, class-string<Drive>> by kind; the title of each in the schema is the name of its class */
    private const KINDS = [
        'dc_motor' => DcMotor::class,
        'servo' => Servo::class,
        'continuous_servo' => ContinuousServo::class,
        'stepper' => Stepper::class,
        'brushless' => Brushless::class,
        'linear_actuator' => LinearActuator::class,
        'air_cylinder' => AirCylinder::class,
    ];

    private const ADD_UP = ['no_load_A', 'stall_A', 'idle_A', 'stall_Nm', 'stall_N', 'rotor_kgm2'];

    /** What people call each kind. */
    private const WORDS = [
        'dc_motor' => 'gear motor', 'servo' => 'servo', 'continuous_servo' => 'continuous-rotation servo',
        'stepper' => 'stepper', 'brushless' => 'brushless wheel motor', 'linear_actuator' => 'linear actuator',
        'air_cylinder' => 'air cylinder',
    ];

    /** The ratings of a brushed motor, shared by the document and the calculators. */
    public static function motorShape(?float $most = null): RecordShape
    {
        return new RecordShape([
            'rated_V' => Field::needed($most === null ? NumberShape::positive() : self::volts(), 'Voltage of the ratings.'),
            'no_load_rpm' => Field::needed(NumberShape::positive($most), 'Speed without load.'),
            'no_load_A' => Field::needed(NumberShape::positive($most), 'Current without load.'),
            'stall_Nm' => Field::needed(NumberShape::positive($most), 'Torque when held.'),
            'stall_A' => Field::needed(NumberShape::positive($most), 'Current when held; over the no-load current.'),
        ]);
    }

    public static function ratingsShape(?float $most = null): ListShape
    {
        return new ListShape(new RecordShape([
            'volts_V' => Field::needed($most === null ? NumberShape::positive() : self::volts(), 'Voltage of this rating.'),
            'stall_Nm' => Field::needed(NumberShape::positive($most), 'Torque when held.'),
            'speed_deg_s' => Field::needed(NumberShape::positive($most), 'Speed without load.'),
        ]), 1, 20, 'ratings');
    }

    /** What motors for models are rated at. On a supply of many thousand times that, one would be faster than can be followed. */
    public static function volts(): NumberShape
    {
        return NumberShape::between(0.5, 1000.0);
    }

    /** @return array<string, Field> */
    public static function rotor(): array
    {
        return ['rotor_kgm2' => Field::or(0.0, NumberShape::notNegative(self::MOST), 'Rotor inertia at the output shaft.')];
    }

    public static function shape(): UnionShape
    {
        $kinds = [];
        foreach (self::KINDS as $kind => $class) {
            $kinds[$kind] = new RecordShape([...$class::fields(), ...self::bodyFields()], substr($class, strlen(__NAMESPACE__) + 1));
        }

        return new UnionShape('kind', $kinds, 'Drive');
    }

    /** @return list<string> */
    public static function kinds(): array
    {
        return array_keys(self::KINDS);
    }

    public static function word(string $kind): string
    {
        return self::WORDS[$kind];
    }

    /** @param  array<string, mixed>  $read as read by shape() */
    public static function make(array $read): Drive
    {
        $class = self::KINDS[$read['kind']];
        $about = array_intersect_key($read, self::bodyFields());
        $about['thermal'] = ThermalClass::from($about['thermal']);

        return $class::make(array_diff_key($read, $about, ['kind' => true]), new Body(...$about));
    }

    /** @return array<string, mixed> as shape() reads it */
    public static function write(Drive $drive): array
    {
        $body = array_diff_key(get_object_vars($drive->body()), ['count' => true]);
        $body['thermal'] = $drive->body()->thermal->value;

        return ['kind' => $drive->kind(), ...$drive->write(), ...$body];
    }

    /**
     * Equal motors that push the same thing, seen as one: torques, currents and what turns in them add up, speeds and volts stay. Hughes, Electric Motors
     * and Drives, 4th ed., §3.4: at one speed, each carries its part.
     *
     * @param  int  $count  1 or more; of what cannot share its driver 1
     */
    public static function together(Drive $drive, int $count): Drive
    {
        if ($count <= 1) {
            return $drive;
        }
        $read = $drive->write();
        foreach (self::ADD_UP as $key) {
            $read = isset($read[$key]) ? array_replace($read, [$key => $read[$key] * $count]) : $read;
        }
        if (isset($read['ratings'])) {
            $read['ratings'] = array_map(fn (array $rating): array => array_replace($rating, ['stall_Nm' => $rating['stall_Nm'] * $count]), $read['ratings']);
        }

        return $drive::make($read, $drive->body()->times($count));
    }

    /** What has a driver of its own, which another cannot share. */
    public static function isAlone(Drive $drive): bool
    {
        return $drive instanceof Stepper || $drive instanceof Brushless || $drive instanceof AirCylinder;
    }

    /** @return array<string, Field> */
    private static function bodyFields(): array
    {
        return [
            'code' => Field::needed(new TextShape(1, 40), 'Its name in the drawer.'),
            'series' => Field::or('', new TextShape(0, 40), 'The family that shares its motor.'),
            'mass_kg' => Field::needed(NumberShape::positive(100.0), 'What it weighs.'),
            'length_mm' => Field::needed(NumberShape::positive(1000.0), 'Body, along the shaft.'),
            'width_mm' => Field::needed(NumberShape::positive(1000.0)),
            'height_mm' => Field::needed(NumberShape::positive(1000.0)),
            'shaft' => Field::needed(new TextShape(1, 60), 'Its shaft or spline, in words.'),
            'gear_material' => Field::needed(ChoiceShape::of(...self::MATERIALS), 'Of its own gears.'),
            'back_drive_Nm' => Field::needed(NumberShape::notNegative(self::MOST), 'Torque at its shaft below which its unpowered gears stay put.'),
            'gearbox_limit_Nm' => Field::needed(NumberShape::positive(self::MOST), 'Torque at its shaft that its gears survive.'),
            'thermal' => Field::needed(ChoiceShape::of(...array_column(ThermalClass::cases(), 'value')), 'Size class for heat.'),
            'page' => Field::or('', new TextShape(0, 4000), 'What its seller says of it, copied; its figures are compared.'),
        ];
    }
}
