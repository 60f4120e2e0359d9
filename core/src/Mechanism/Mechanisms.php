<?php

declare(strict_types=1);

namespace Brookstone\Core\Mechanism;

use Brookstone\Core\Shape\RecordShape;

/** The register of mechanisms: how each is read from documents and calculators, and made. */
final class Mechanisms
{
    /** @var array<string, class-string<Mechanism>> by kind; the title of each in the schema is the name of its class */
    private const KINDS = [
        'arm' => Arm::class,
        'turntable' => Turntable::class,
        'hoist' => Hoist::class,
        'slide' => Slide::class,
        'wheels' => Wheels::class,
        'crank' => Crank::class,
        'crank_rocker' => CrankRocker::class,
        'pushed' => PushrodLever::class,
        'ball' => Ball::class,
        'balancer' => Balancer::class,
        'spring_lever' => SpringLever::class,
        'feeder' => Feeder::class,
        'measured' => Measured::class,
    ];

    /** @return array<string, RecordShape> by kind, as documents of builds have them */
    public static function shapes(?float $most = null): array
    {
        $shapes = [];
        foreach (self::KINDS as $kind => $class) {
            $shapes[$kind] = new RecordShape($class::fields($most), substr($class, strlen(__NAMESPACE__) + 1));
        }

        return $shapes;
    }

    /** As the calculators have it: without what only builds know, and without upper limits. */
    public static function calculated(string $kind): RecordShape
    {
        return new RecordShape(array_diff_key((self::KINDS[$kind])::fields(), array_flip((self::KINDS[$kind])::BUILD_ONLY)));
    }

    /** Of the positions of a kind. */
    public static function unit(string $kind): PositionUnit
    {
        return (self::KINDS[$kind])::UNIT;
    }

    /** The field of a kind that says how it rubs; null where none does. */
    public static function rub(string $kind): ?string
    {
        return (self::KINDS[$kind])::RUB;
    }

    /** @return list<string> */
    public static function kinds(): array
    {
        return array_keys(self::KINDS);
    }

    /**
     * @param  array<string, mixed>  $read  a field that was wrong by itself is null
     * @return array<string, string> what its fields are not to each other, by field
     */
    public static function problems(string $kind, array $read): array
    {
        return (self::KINDS[$kind])::problems($read);
    }

    /**
     * @param  array<string, mixed>  $read  as read by the shape of its kind, with the word `kind`
     */
    public static function make(array $read): Mechanism
    {
        $class = self::KINDS[$read['kind']] ?? throw new \OutOfBoundsException('No mechanism '.$read['kind']);
        unset($read['kind']);

        return new $class(...$read);
    }
}
