<?php

declare(strict_types=1);

namespace Brookstone\Core\Routine;

use Brookstone\Core\Condition\ClockIs;
use Brookstone\Core\Condition\CounterIs;
use Brookstone\Core\Condition\LevelIs;
use Brookstone\Core\Parts\Sensor;
use Brookstone\Core\Shape\ChoiceShape;
use Brookstone\Core\Shape\ClockShape;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\NumberShape;
use Brookstone\Core\Shape\RecordShape;
use Brookstone\Core\Shape\TextShape;
use Brookstone\Core\Shape\UnionShape;

/** The register of triggers. */
final class Triggers
{
    /** @var array<string, list<string>> kinds of sensor that a trigger listens to, by trigger */
    public const LISTENS = [
        'press' => ['press'],
        'beam' => ['beam'],
        'knock' => ['knock'],
        'input' => ['beam', 'magnet', 'reflective', 'wheel', 'message', 'light', 'colour', 'distance', 'sonar', 'knob'],
        'level' => Sensor::ANALOG,
    ];

    /**
     * Why a start does not hear a sensor, or null where it does, or listens to none.
     *
     * @param  string|null  $kind  of the sensor; null where there is none
     */
    public static function deafTo(string $when, string $sensor, ?string $kind): ?string
    {
        $hears = self::LISTENS[$when] ?? null;
        if ($hears === null || in_array($kind, $hears, true)) {
            return null;
        }
        $words = array_map(fn (string $each): string => Sensor::WORDS[$each], $hears);
        $last = array_pop($words);

        return $kind === null ? "There is no sensor {$sensor} in this build."
            : "{$sensor} is a ".Sensor::WORDS[$kind].', and this listens to a '.($words === [] ? '' : implode(', ', $words).' or ')."{$last}.";
    }

    public static function shape(): UnionShape
    {
        $sensor = fn (string $says): Field => Field::needed(TextShape::id(), $says);

        return new UnionShape('when', [
            'power_on' => new RecordShape([], 'PowerOnTrigger'),
            'press' => new RecordShape(['sensor' => $sensor('A push button.'), 'how' => Field::or('any', ChoiceShape::of('any', 'short', 'long', 'double'),
                'Any press counts at once; the others are told apart by time.')], 'PressTrigger'),
            'beam' => new RecordShape(['sensor' => $sensor('A light beam.'), 'is' => Field::or('broken', ChoiceShape::of('broken', 'made'))], 'BeamTrigger'),
            'input' => new RecordShape(['sensor' => $sensor('A sensor that is on or off.'), 'is' => Field::or('on', ChoiceShape::of('on', 'off'))],
                'InputTrigger'),
            'level' => new RecordShape([
                ...LevelIs::shape()->fields,
                'for_s' => Field::or(0.0, NumberShape::between(0.0, 3600.0), 'For so long without a break.'),
            ], 'LevelTrigger'),
            'knock' => new RecordShape(['sensor' => $sensor('A knock sensor.')], 'KnockTrigger'),
            'every' => new RecordShape(['every_s' => Field::needed(NumberShape::between(0.1, 604800.0), 'From one start to the next.')], 'EveryTrigger'),
            'time_of_day' => new RecordShape(['at' => Field::needed(new ClockShape, 'As 21:30.')], 'TimeOfDayTrigger'),
            'count' => new RecordShape(['counter' => $sensor('A counter.'), 'value' => Field::needed(NumberShape::whole(1, 1000000), 'What it must reach.')],
                'CountTrigger'),
        ], 'Trigger');
    }

    /** @param  array<string, mixed>  $read */
    public static function make(array $read): Trigger
    {
        $when = $read['when'];
        $sensor = $read['sensor'] ?? null;

        return match ($when) {
            'press' => new Trigger($when, $sensor, how: $read['how']),
            'beam' => new Trigger($when, $sensor, $read['is'] === 'broken'),
            'input' => new Trigger($when, $sensor, $read['is'] === 'on'),
            'level' => new Trigger($when, $sensor, condition: LevelIs::make($read), for_s: $read['for_s']),
            'every' => new Trigger($when, every_s: $read['every_s']),
            'time_of_day' => new Trigger($when, clock_s: ClockIs::seconds($read['at'])),
            'count' => new Trigger($when, condition: new CounterIs($read['counter'], 'at_least', $read['value'])),
            default => new Trigger($when, $sensor),
        };
    }
}
