<?php

declare(strict_types=1);

namespace Brookstone\Core\Train;

use Brookstone\Core\Shape\BooleanShape;
use Brookstone\Core\Shape\ChoiceShape;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\ListShape;
use Brookstone\Core\Shape\NumberShape;
use Brookstone\Core\Shape\RecordShape;

/** The fields of stages in documents and calculators. */
final class Stages
{
    private const LEAST = 0.01; // passes of the power

    public static function shape(int $min, int $max, ?int $mostTeeth = null): ListShape
    {
        $fields = self::plain($mostTeeth) + [
            'face_mm' => Field::or(6.0, NumberShape::positive($mostTeeth === null ? null : 200.0), 'Width of the teeth.'),
            'material' => Field::or('acetal', ChoiceShape::of(...array_column(GearMaterial::cases(), 'value')), 'Of the weaker wheel.'),
            'idler' => Field::or(false, new BooleanShape, 'Its driver is the wheel that the stage before drives.'),
            'joint_mm' => Field::or(null, NumberShape::between(-10000.0, 10000.0)->orNull(),
                'Of a belt or chain: from the driving wheel to its joint, along the pulling side and on over the driven wheel to the back run, at the start of the task; empty is endless.'),
            'second_joint_mm' => Field::or(null, NumberShape::between(-10000.0, 10000.0)->orNull(), 'The same to its second joint, of one made of two pieces.'),
            'quotient' => Field::or(10.0, NumberShape::between(3.0, 50.0), 'Of a worm or screw: its pitch diameter over the module.'),
            'friction' => Field::or(null, NumberShape::between(0.01, 0.8)->orNull(),
                'Of a worm or screw: coefficient between the flanks, 0.05 oiled steel on brass to 0.2 dry plastic; it then says what passes. Empty: the efficiency is believed.'),
            'tension_N' => Field::or(10.0, NumberShape::between(0.1, 5000.0), 'Of a round belt: pull of either side at rest.'),
            'passes' => Field::or('forward', ChoiceShape::of('forward', 'back'), 'Of a pawl: the turning that it takes along.'),
        ];

        return new ListShape(new RecordShape($fields, 'Stage'), $min, $max, 'stages');
    }

    /** What a ratio needs to know. */
    public static function forRatio(int $min, int $max): ListShape
    {
        return new ListShape(new RecordShape(self::plain(null), 'Stage'), $min, $max, 'stages');
    }

    /** @return array<string, Field> */
    private static function plain(?int $mostTeeth): array
    {
        return [
            'type' => Field::needed(ChoiceShape::of(...array_column(StageType::cases(), 'value')), 'What kind of mesh.'),
            'driver' => Field::needed(NumberShape::whole(1, $mostTeeth),
                'Teeth of the driving wheel or rack pinion, or starts of a worm or screw; of a round belt the pulley’s diameter in modules.'),
            'driven' => Field::needed(NumberShape::whole(1, $mostTeeth), 'Teeth of the driven wheel.'),
            'module_mm' => Field::or(1.0, NumberShape::positive($mostTeeth === null ? null : 20.0), 'Module; for belt and chain the pitch over π.'),
            'backlash_mm' => Field::or(0.0, NumberShape::notNegative($mostTeeth === null ? null : 10.0), 'Play at the pitch circle.'),
            'efficiency' => Field::or(null, $mostTeeth === null ? NumberShape::share() : NumberShape::between(self::LEAST, 1.0),
                'Share of the power that passes; what is usual for its kind where left out.'),
        ];
    }

    /**
     * Fills in what follows: the efficiency that is usual for the type of each stage or that its thread has, and the counterpart of what
     * turns one to one.
     *
     * @param  list<array<string, mixed>>  $stages
     * @return list<array<string, mixed>>
     */
    public static function complete(array $stages): array
    {
        return array_map(self::completed(...), $stages);
    }

    /**
     * @param  array<string, mixed>  $stage
     * @return array<string, mixed>
     */
    private static function completed(array $stage): array
    {
        $type = StageType::from($stage['type']);
        $stage['driven'] = $type->isOneToOne() ? $stage['driver'] : $stage['driven'];
        if ($type->isThread() && isset($stage['friction'])) {
            $thread = new WormPair($stage['module_mm'], $stage['quotient'], $stage['driver'], $stage['driven'], $stage['friction']);
            $stage['efficiency'] = max(self::LEAST, round($thread->efficiency, 6));
        }
        $stage['efficiency'] ??= $type->usualEfficiency();

        return $stage;
    }

    /** @param  list<array<string, mixed>>  $stages read and completed */
    public static function make(array $stages): Train
    {
        return new Train(array_map(fn (array $stage): Stage => new Stage(...[
            'type' => StageType::from($stage['type']),
        ] + (isset($stage['material']) ? ['material' => GearMaterial::from($stage['material'])] : []) + $stage), $stages));
    }

    /** @return list<array<string, mixed>> as documents have them */
    public static function write(Train $train): array
    {
        return array_map(fn (Stage $stage): array => $stage->write(), $train->stages);
    }
}
