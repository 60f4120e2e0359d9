<?php

declare(strict_types=1);

namespace Brookstone\Core;

use Brookstone\Core\Build\Making;
use Brookstone\Core\Making\BenchTests;
use Brookstone\Core\Shape\BooleanShape;
use Brookstone\Core\Shape\ChoiceShape;
use Brookstone\Core\Shape\RecordShape;
use Brookstone\Core\Shape\Shape;
use Brookstone\Core\Shape\TextShape;

/** The shapes of what is said of plan, parts, bench tests and service of a build. */
final class MakingSchema
{
    /** @return array<string, Shape> */
    public static function all(): array
    {
        return ['PlanReport' => self::plan(), 'PartsReport' => self::parts(), 'BenchReport' => self::bench(), 'ServiceReport' => self::service(),
            'ComparisonReport' => self::comparison()];
    }

    private static function comparison(): RecordShape
    {
        [$number, $text, $sentence] = [Schemas::number(), new TextShape, Schemas::sentence()];
        $cell = Schemas::record('ComparedCell', ['verdict' => Schemas::verdict()->orNull(), 'says' => $sentence, 'about' => $sentence->orNull()]);

        return Schemas::record('ComparisonReport', ['says' => $sentence, 'names' => Schemas::list($text), 'rehearsed' => new BooleanShape,
            'groups' => Schemas::list(Schemas::record('ComparedGroup', ['id' => $text, 'name' => $text, 'differing' => $number,
                'rows' => Schemas::list(Schemas::record('ComparedRow', ['what' => $text, 'cells' => Schemas::list($cell->orNull()),
                    'differs' => new BooleanShape, 'better' => $number->orNull()]))]))]);
    }

    private static function plan(): RecordShape
    {
        [$number, $text, $sentence, $stage] = [Schemas::number(), new TextShape, Schemas::sentence(), ChoiceShape::of(...Making::STAGES)];

        return Schemas::record('PlanReport', [
            'says' => $sentence, 'begins_on' => $text->orNull(), 'from_on' => $text->orNull(), 'ends_day' => $number, 'runs_day' => $number->orNull(),
            'runs_on' => $text->orNull(),
            'ends_on' => $text->orNull(), 'hours' => $number, 'path' => Schemas::list($text), 'remarks' => Schemas::list($sentence),
            'cautions' => Schemas::list(Schemas::record('Caution', ['code' => $text, 'says' => $text])),
            'stages' => Schemas::list(Schemas::record('PlanStage', ['id' => $stage, 'name' => $text, 'ends_in' => $text, 'of' => $number, 'done' => $number,
                'ends_day' => $number->orNull(), 'ends_on' => $text->orNull()])),
            'tasks' => Schemas::list(Schemas::record('PlanTask', ['id' => $text, 'stage' => $stage, 'says' => $sentence, 'own' => new BooleanShape,
                'hours' => $number, 'waits_days' => $number, 'late_days' => $number, 'stand_in' => $text, 'needs' => Schemas::list($text),
                'done' => new BooleanShape, 'done_on' => $text->orNull(), 'begins' => $number->orNull(), 'worked' => $number->orNull(),
                'ends' => $number->orNull(), 'spare_days' => $number->orNull(), 'critical' => new BooleanShape, 'begins_on' => $text->orNull(),
                'ends_on' => $text->orNull()])),
        ]);
    }

    private static function parts(): RecordShape
    {
        [$number, $text, $sentence] = [Schemas::number(), new TextShape, Schemas::sentence()];

        return Schemas::record('PartsReport', [
            'says' => $sentence, 'to_get' => $number, 'cost' => $number, 'cost_all' => $number,
            'groups' => Schemas::list(Schemas::record('PartGroup', ['id' => $text, 'name' => $text])),
            'lines' => Schemas::list(Schemas::record('PartLine', ['id' => $text, 'group' => $text, 'name' => $sentence, 'count' => $number,
                'per' => ChoiceShape::of('piece', 'm'), 'for' => Schemas::list($text), 'made' => ChoiceShape::of('bought', 'printed', 'cut'),
                'have' => new BooleanShape, 'place' => $text, 'price' => $number->orNull(), 'days' => $number->orNull(), 'comes_on' => $text->orNull(),
                'note' => $text, 'cost' => $number->orNull(), 'spares' => $number, 'why' => $text])),
        ]);
    }

    private static function bench(): RecordShape
    {
        [$number, $text, $sentence, $kind] = [Schemas::number(), new TextShape, Schemas::sentence(), ChoiceShape::of(...array_keys(BenchTests::KINDS))];

        return Schemas::record('BenchReport', [
            'says' => $sentence, 'kinds' => Schemas::list(Schemas::record('BenchKind', ['kind' => $kind, 'name' => $text])),
            'tests' => Schemas::list(Schemas::record('BenchTest', ['id' => $text, 'kind' => $kind, 'motion' => $text->orNull(), 'does' => $sentence,
                'expects' => $sentence, 'stops' => $sentence, 'done' => new BooleanShape, 'good' => new BooleanShape(nullable: true), 'on' => $text->orNull(),
                'note' => $text])),
            'runs' => Schemas::list(Schemas::record('EnduranceReport', ['id' => $text, 'motion' => $text, 'name' => $text, 'target' => $number,
                'count' => $number, 'failures' => $number, 'oil_at' => $number->orNull(), 'share' => $number, 'says' => $sentence,
                'days' => $number->orNull()])),
            'seasons' => Schemas::list(Schemas::record('Season', ['motion' => $text, 'name' => $text, 'cycles' => $number])),
        ]);
    }

    private static function service(): RecordShape
    {
        [$number, $text, $sentence] = [Schemas::number(), new TextShape, Schemas::sentence()];

        return Schemas::record('ServiceReport', [
            'says' => $sentence, 'since' => $text->orNull(),
            'jobs' => Schemas::list(Schemas::record('ServiceJob', ['id' => $text, 'motion' => $text->orNull(), 'does' => $sentence, 'why' => $sentence,
                'own' => new BooleanShape, 'every_cycles' => $number->orNull(), 'every_days' => $number->orNull(), 'last_on' => $text->orNull(),
                'left_cycles' => $number->orNull(), 'left_days' => $number, 'next_on' => $text->orNull(),
                'state' => ChoiceShape::of('open', 'due', 'soon', 'later')])),
            'motions' => Schemas::list(Schemas::record('ServiceMotion', ['id' => $text, 'name' => $text, 'access' => $text, 'held_by' => $text,
                'frees' => $text,
                'by_hand' => $text, 'moves' => $sentence, 'glued' => $sentence->orNull(), 'cycles' => $number->orNull(), 'per_day' => $number,
                'counted' => new BooleanShape])),
            'history' => Schemas::list(Schemas::record('ServiceEvent', ['on' => $text, 'what' => ChoiceShape::of('done', 'failed'), 'says' => $sentence,
                'note' => $text, 'helped' => $sentence->orNull()])),
            'watch' => Schemas::record('WatchReport', ['every_h' => $number->orNull(), 'shows' => $text, 'on_miss' => $text, 'seen_on' => $text->orNull(),
                'missed' => $sentence->orNull()]),
            'way_in' => $text,
        ]);
    }
}
