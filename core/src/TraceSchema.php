<?php

declare(strict_types=1);

namespace Brookstone\Core;

use Brookstone\Core\Shape\BooleanShape;
use Brookstone\Core\Shape\ChoiceShape;
use Brookstone\Core\Shape\MapShape;
use Brookstone\Core\Shape\RecordShape;
use Brookstone\Core\Shape\TextShape;

/** The shape of what a run writes down. */
final class TraceSchema
{
    public static function trace(): RecordShape
    {
        $switched = Schemas::list(Schemas::record('Switched', [
            'id' => new TextShape,
            'name' => new TextShape,
            'changes' => Schemas::list(Schemas::record('SwitchedAt', ['at_s' => Schemas::number(), 'on' => new BooleanShape])),
        ]));

        return Schemas::record('Trace', [
            'routine' => new TextShape,
            'scenario' => (new TextShape)->orNull(),
            'outcome' => ChoiceShape::of('finished', 'faulted', 'still_running', 'never_started'),
            'fault' => (new TextShape)->orNull(),
            'start_s' => Schemas::number()->orNull(),
            'end_s' => Schemas::number()->orNull(),
            'took_s' => Schemas::number()->orNull(),
            'verdict' => Schemas::verdict(),
            'target_s' => Schemas::number()->orNull(),
            'ran_s' => Schemas::number(),
            'mishaps' => Schemas::list(Schemas::record('Mishap', ['kind' => new TextShape, 'of' => new TextShape, 'routine' => (new TextShape)->orNull(),
                'path' => (new TextShape)->orNull(), 'says' => Schemas::sentence()])),
            'ends' => Schemas::list(Schemas::record('Standing', ['motion' => new TextShape, 'at' => Schemas::number(), 'known' => (new TextShape)->orNull()])),
            'counters' => Schemas::list(Schemas::record('Counted', ['counter' => new TextShape, 'count' => Schemas::number()])),
            'stalled_s' => new MapShape(Schemas::number()),
            'stalled_at_end_s' => new MapShape(Schemas::number()),
            'stalled_A' => new MapShape(Schemas::number()),
            'sample_s' => Schemas::number(),
            'motions' => Schemas::list(Schemas::record('MotionTrace', [
                'motion' => new TextShape,
                'name' => new TextShape,
                'position_unit' => ChoiceShape::of('deg', 'm'),
                'position' => Schemas::list(Schemas::number()),
                'speed' => Schemas::list(Schemas::number()),
                'current_A' => Schemas::list(Schemas::number()),
            ])),
            'supplies' => Schemas::list(self::supplyTrace()),
            'tanks' => Schemas::list(self::tankTrace()),
            'inputs' => $switched,
            'outputs' => $switched,
            'steps' => Schemas::list(Schemas::record('StepTrace', [
                'routine' => new TextShape,
                'path' => new TextShape,
                'do' => new TextShape,
                'motion' => (new TextShape)->orNull(),
                'says' => Schemas::sentence(),
                'start_s' => Schemas::number(),
                'from' => Schemas::number()->orNull(),
                'at' => Schemas::number()->orNull(),
                'carries' => (new BooleanShape)->orNull(),
                'end_s' => Schemas::number()->orNull(),
                'outcome' => ChoiceShape::of('done', 'gave_up', 'running'),
            ])),
            'events' => Schemas::list(Schemas::record('TraceEvent', ['at_s' => Schemas::number(), 'kind' => new TextShape, 'says' => Schemas::sentence()])),
            'things' => Schemas::list(Schemas::record('ThingMoved', [
                'at_s' => Schemas::number(), 'thing' => new TextShape, 'motion' => (new TextShape)->orNull(),
                'place' => Schemas::list(Schemas::number())])),
        ]);
    }

    private static function tankTrace(): RecordShape
    {
        return Schemas::record('TankTrace', [
            'tank' => new TextShape,
            'name' => new TextShape,
            'high_bar' => Schemas::number(),
            'low_bar' => Schemas::number(),
            'pressure_bar' => Schemas::list(Schemas::number()),
            'lowest_bar' => Schemas::number(),
            'lowest_at_s' => Schemas::number(),
            'used_l' => Schemas::number(),
            'share_on' => Schemas::number(),
        ]);
    }

    private static function supplyTrace(): RecordShape
    {
        return Schemas::record('SupplyTrace', [
            'supply' => new TextShape,
            'name' => new TextShape,
            'max_A' => Schemas::number(),
            'current_A' => Schemas::list(Schemas::number()),
            'peak_A' => Schemas::number(),
            'peak_at_s' => Schemas::number(),
            'mean_A' => Schemas::number(),
            'charge_C' => Schemas::number(),
            'runs_on_charge' => Schemas::number()->orNull(),
        ]);
    }
}
