<?php

declare(strict_types=1);

namespace Brookstone\Core\Routine;

use Brookstone\Core\Shape\BooleanShape;
use Brookstone\Core\Shape\ChoiceShape;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\NumberShape;
use Brookstone\Core\Shape\RecordShape;
use Brookstone\Core\Shape\TextShape;
use Brookstone\Core\Shape\UnionShape;

/** The register of what the world may do in a scenario. */
final class WorldEvents
{
    /** @var array<string, array{string, string}> by word: the field that names what it happens to, and its kind */
    public const OF = [
        'sensor' => ['sensor', 'outside'], 'level' => ['sensor', 'analog'], 'load' => ['motion', 'motion'], 'hold' => ['motion', 'motion'],
        'drag' => ['motion', 'motion'],
        'heavier' => ['motion', 'motion'], 'stuck' => ['sensor', 'sensor'], 'late' => ['sensor', 'sensor'], 'wire' => ['sensor', 'sensor'],
        'supply' => ['supply', 'supply'], 'selector' => ['motion', 'motion'], 'hose' => ['motion', 'motion'], 'compressor' => ['tank', 'tank'],
    ];

    /** What the world does now: the same without a time. */
    public static function now(): UnionShape
    {
        $shape = self::shape();

        return new UnionShape($shape->tag,
            array_map(fn (RecordShape $record): RecordShape => new RecordShape(array_diff_key($record->fields, ['at_s' => true])), $shape->variants),
            usual: 'sensor');
    }

    /** @return array<string, mixed> as a document has it */
    public static function write(WorldEvent $event): array
    {
        $written = ['what' => $event->what, 'at_s' => $event->at_s];
        if (isset(self::OF[$event->what])) {
            $written[self::OF[$event->what][0]] = $event->of;
        }

        return $written + match ($event->what) {
            'sensor', 'power' => ['is' => $event->on === true ? 'on' : 'off'],
            'stuck' => ['is' => $event->on === null ? 'free' : ($event->on ? 'on' : 'off')],
            'load' => ['carries' => $event->on === true],
            'wire' => ['is' => $event->on === true ? 'broken' : 'mended'],
            'hose' => ['is' => $event->on === true ? 'off' : 'on'],
            'selector' => [],
            'hold' => ['is' => $event->on === true ? 'on' : 'off', 'at' => $event->at],
            default => ['value' => $event->value],
        };
    }

    public static function shape(): UnionShape
    {
        $at = Field::needed(NumberShape::notNegative(3600.0));
        $id = Field::needed(TextShape::id());
        $onOff = ChoiceShape::of('on', 'off');

        return new UnionShape('what', [
            'sensor' => new RecordShape(['at_s' => $at, 'sensor' => $id, 'is' => Field::needed($onOff, 'On is pressed, or broken.')], 'SensorEvent'),
            'level' => new RecordShape(['at_s' => $at, 'sensor' => $id, 'value' => Field::needed(NumberShape::between(-1e6, 1e6),
                'What it reads from now on.')], 'LevelEvent'),
            'load' => new RecordShape(['at_s' => $at, 'motion' => $id, 'carries' => Field::needed(new BooleanShape,
                'It carries its payload from now on, or no longer.')], 'LoadEvent'),
            'hold' => new RecordShape(['at_s' => $at, 'motion' => $id, 'is' => Field::or('on', $onOff, 'Held fast, or let go.'),
                'at' => Field::or(null, NumberShape::between(-720.0, 720.0)->orNull(), 'Only where it comes here: it jams; empty is wherever it is.')],
                'HoldEvent'),
            'drag' => new RecordShape(['at_s' => $at, 'motion' => $id, 'value' => Field::needed(NumberShape::between(1.0, 100.0),
                'So many times its friction, and a tenth of its load besides.')], 'DragEvent'),
            'heavier' => new RecordShape(['at_s' => $at, 'motion' => $id, 'value' => Field::needed(NumberShape::between(0.1, 10.0),
                'So many times its load.')], 'HeavierEvent'),
            'stuck' => new RecordShape(['at_s' => $at, 'sensor' => $id, 'is' => Field::or('on', ChoiceShape::of('on', 'off', 'free'),
                'What it says from now on, whatever is so.')], 'StuckEvent'),
            'wire' => new RecordShape(['at_s' => $at, 'sensor' => $id, 'is' => Field::or('broken', ChoiceShape::of('broken', 'mended'),
                'A broken wire reads as on where the contact is normally closed, otherwise as off.')], 'WireEvent'),
            'late' => new RecordShape(['at_s' => $at, 'sensor' => $id, 'value' => Field::needed(NumberShape::between(0.0, 60.0),
                'So many seconds later than it should.')], 'LateEvent'),
            'supply' => new RecordShape(['at_s' => $at, 'supply' => $id, 'value' => Field::needed(NumberShape::between(0.1, 1.5),
                'So many times its voltage.')], 'SupplyEvent'),
            'selector' => new RecordShape(['at_s' => $at, 'motion' => $id], 'SelectorEvent'),
            'hose' => new RecordShape(['at_s' => $at, 'motion' => $id, 'is' => Field::or('off', $onOff, 'The hose of its cylinder comes off, or is put on.')],
                'HoseEvent'),
            'compressor' => new RecordShape(['at_s' => $at, 'tank' => $id, 'value' => Field::needed(NumberShape::between(0.0, 10.0),
                'So many times the air that its compressor gives.')], 'CompressorEvent'),
            'power' => new RecordShape(['at_s' => $at, 'is' => Field::needed($onOff, 'The power of everything goes, or comes back.')], 'PowerEvent'),
        ], 'ScenarioEvent', usual: 'sensor');
    }

    /** @param  array<string, mixed>  $read */
    public static function make(array $read): WorldEvent
    {
        $on = match ($read['is'] ?? null) {
            'on', 'broken' => true, 'off', 'mended' => false, default => $read['carries'] ?? null,
        };

        $on = $read['what'] === 'hose' ? ! $on : $on;

        return new WorldEvent($read['at_s'], $read['what'], isset(self::OF[$read['what']]) ? $read[self::OF[$read['what']][0]] : null, $on,
            (float) ($read['value'] ?? 0.0), $read['at'] ?? null);
    }
}
