<?php

declare(strict_types=1);

namespace Brookstone\Core;

use Brookstone\Core\Assessment\Selection\Goal;
use Brookstone\Core\Assessment\Stations;
use Brookstone\Core\Build\BuildShape;
use Brookstone\Core\Drive\Drives;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Finding\Verdict;
use Brookstone\Core\Shape\AnyShape;
use Brookstone\Core\Shape\BooleanShape;
use Brookstone\Core\Shape\ChoiceShape;
use Brookstone\Core\Shape\EitherShape;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\ListShape;
use Brookstone\Core\Shape\MapShape;
use Brookstone\Core\Shape\NumberShape;
use Brookstone\Core\Shape\RecordShape;
use Brookstone\Core\Shape\Shape;
use Brookstone\Core\Shape\TextShape;
use Brookstone\Core\Train\Stages;
use Brookstone\Core\Train\StageType;

/** JSON Schemas of what the core gives out. The types of the page are made from them. */
final class Schemas
{
    private const MANY = 100000;

    /** @return array<string, array<string, mixed>> by name */
    public static function all(): array
    {
        return [
            'Build' => BuildShape::schema(),
            'Assessment' => self::assessment()->schema(),
            'Trace' => TraceSchema::trace()->schema(),
            'Choice' => self::choice()->schema(),
            'ReadingsSheet' => self::readings()->schema(),
            'MendAll' => self::mendAll()->schema(),
            'School' => self::school()->schema(),
            'Counterbalance' => self::easing()->schema(),
            'TrainChoice' => self::trainChoice()->schema(),
            'MoveTimes' => self::times()->schema(),
            'Variation' => self::variation()->schema(),
            'RefitReport' => self::refit()->schema(),
            'WiringReport' => WiringSchema::report()->schema(),
            'ProgramReport' => ProgramSchema::report()->schema(),
            'StageReport' => StageSchema::report()->schema(),
            'StagePose' => StageSchema::pose()->schema(),
            ...array_map(fn (Shape $shape): array => $shape->schema(), MakingSchema::all()),
            'Drive' => Drives::shape()->schema(),
            'UnitTable' => self::units()->schema(),
        ];
    }

    public static function assessment(): RecordShape
    {
        return self::record('Assessment', [
            'verdict' => self::verdict(),
            'rehearsed' => new BooleanShape,
            'tried' => new BooleanShape,
            'says' => self::sentence(),
            'mend' => self::fix()->orNull(),
            'first' => (new TextShape)->orNull(),
            'chains' => self::list(self::chain()),
            'routines' => self::list(self::routine()),
            'supplies' => self::list(self::record('SupplyAsked', [
                'id' => new TextShape, 'name' => new TextShape, 'max_A' => self::number(), 'most_A' => self::number(),
                'together' => self::list(new TextShape), 'at_once' => self::sentence(),
                'day_Ah' => self::number(), 'rest_Ah' => self::number(), 'lasts_days' => self::number()->orNull(), 'over_day' => self::sentence(),
                'takes' => self::list(self::record('RoutineTakes', ['routine' => new TextShape, 'runs' => self::number(), 'charge_Ah' => self::number(),
                    'says' => self::sentence()])),
            ])),
            'log' => self::record('LogSaid', ['newest' => self::list(self::compared()), 'repeats' => self::list(self::repeats())]),
            'pictures' => self::list(self::record('PictureRead', [
                'id' => new TextShape,
                'readings' => self::list(self::record('ReadLength', [
                    'id' => new TextShape, 'real_m' => self::number()->orNull(), 'model_m' => self::number()->orNull(),
                    'error_share' => self::number()->orNull(),
                ])),
            ])),
            'wiring' => self::record('WiringSaid', ['verdict' => self::verdict(), 'findings' => self::list(self::finding()), 'counts' => self::sentence(),
                'boards' => self::number(), 'wires' => self::number()]),
            'stage' => self::record('StageSaid', ['verdict' => self::verdict(), 'findings' => self::list(self::finding()), 'motions' => self::number(),
                'mass_kg' => self::number()->orNull(), 'front' => StageSchema::front()]),
        ]);
    }

    /** An entry of the log, beside what is computed for how it was. */
    public static function compared(): RecordShape
    {
        return self::record('Compared', [
            'id' => new TextShape, 'says' => self::sentence(), 'computed_s' => self::number()->orNull(), 'difference' => self::number()->orNull(),
            'computed_A' => self::number()->orNull(), 'difference_A' => self::number()->orNull(), 'computed_stalled_A' => self::number()->orNull(),
            'difference_stalled_A' => self::number()->orNull(), 'stopped' => self::sentence()->orNull(), 'more' => self::list(self::sentence()),
            'far_off' => new BooleanShape,
        ]);
    }

    private static function repeats(): RecordShape
    {
        return self::record('Repeats', [
            'motion' => new TextShape, 'from' => new TextShape, 'to' => new TextShape, 'how' => self::sentence(), 'computed_s' => self::number()->orNull(),
            'count' => NumberShape::whole(0, 10_000), 'mean_s' => self::number(), 'sd_s' => self::number()->orNull(), 'doubt_s' => self::number()->orNull(),
            'longest_s' => self::number(), 'difference' => self::number()->orNull(), 'says' => self::sentence(),
        ]);
    }

    private static function chain(): RecordShape
    {
        return self::record('Chain', [
            'motion' => new TextShape,
            'name' => new TextShape,
            'verdict' => self::verdict(),
            'weakest' => ChoiceShape::of(...Stations::names()),
            'margin' => self::number()->orNull(),
            'links' => self::list(self::record('Link', [
                'link' => ChoiceShape::of(...Stations::names()),
                'verdict' => self::verdict(),
                'figure' => self::sentence(),
                'about' => self::sentence(),
                'findings' => self::list(self::finding()),
            ])),
            'curves' => self::curves(),
            'cautions' => self::list(self::record('Caution', ['code' => new TextShape, 'says' => new TextShape])),
            'drive' => self::record('DriveSheet', [
                'stall_Nm' => self::number(),
                'rows' => self::list(self::record('SheetRow', ['name' => new TextShape, 'says' => self::sentence()])),
                'heat' => self::record('HeatCurve', ['times_s' => self::list(self::number()), 'running_C' => self::list(self::number()),
                    'held_C' => self::list(self::number()), 'limit_C' => self::number()])->orNull(),
            ])->orNull(),
            'train' => self::trainSheet(),
        ]);
    }

    private static function routine(): RecordShape
    {
        return self::record('RoutineVerdict', [
            'id' => new TextShape,
            'name' => new TextShape,
            'verdict' => self::verdict(),
            'takes_s' => self::number()->orNull(),
            'target_s' => self::number()->orNull(),
            'steps' => self::list(self::record('StepSays', ['path' => new TextShape, 'says' => self::sentence()])),
            'findings' => self::list(self::finding()),
            'rehearsals' => self::list(self::record('RehearsedFrom', [
                'says' => new TextShape, 'outcome' => ChoiceShape::of('ends', 'gives_up', 'comes_round', 'bounded', 'never_begins'),
                'takes_s' => self::number()->orNull(), 'wrong' => self::number(),
            ])),
        ]);
    }

    public static function times(): RecordShape
    {
        return self::record('MoveTimes', ['moves' => self::list(self::record('MoveTime', [
            'motion' => new TextShape, 'name' => new TextShape, 'from' => new TextShape, 'to' => new TextShape, 'speed' => self::number(),
            'carries' => new TextShape,
            'computed_s' => self::number()->orNull(), 'measured_s' => self::number()->orNull(), 'routines' => self::list(new TextShape),
        ]))]);
    }

    public static function refit(): RecordShape
    {
        $sentence = self::sentence();

        return self::record('RefitReport', [
            'motion' => new TextShape, 'says' => $sentence, 'still_off' => $sentence->orNull(), 'counted' => NumberShape::whole(0, self::MANY),
            'values' => self::list(self::record('RefitValue', ['id' => new TextShape, 'name' => new TextShape, 'told' => new BooleanShape,
                'differs' => new BooleanShape, 'said' => $sentence, 'found' => $sentence->orNull(), 'remark' => $sentence])),
            'far_off' => self::list($sentence), 'fix' => self::fix()->orNull(), 'kept' => self::fix()->orNull(),
        ]);
    }

    private static function trainSheet(): RecordShape
    {
        $number = self::number();
        $fit = ChoiceShape::of('fits', 'tight', 'binds', 'loose', 'apart', 'free');

        return self::record('TrainSheet', [
            'shafts' => self::list(self::record('TrainShaft', ['x_mm' => self::number()->orNull(), 'y_mm' => self::number()->orNull(), 'rpm' => $number,
                'torque_Nm' => $number, 'turns' => $number, 'way' => $number, 'axis' => $number])),
            'wheels' => self::list(self::record('TrainWheel', [
                'stage' => $number, 'driver' => new BooleanShape, 'shaft' => $number, 'plane' => $number, 'teeth' => $number,
                'type' => ChoiceShape::of(...array_column(StageType::cases(), 'value')),
                'x_mm' => $number, 'y_mm' => $number, 'outside_mm' => $number, 'pitch_mm' => $number,
            ])),
            'meetings' => self::list(self::record('TrainMeeting', ['fit' => $fit, 'apart_mm' => $number, 'off_mm' => self::number()->orNull(),
                'play_mm' => self::number()->orNull(), 'contact' => self::number()->orNull()])),
            'clashes' => self::list(self::record('TrainClash', ['kind' => ChoiceShape::of('wheels', 'shaft', 'obstacle', 'room', 'face'), 'stage' => $number,
                'driver' => new BooleanShape, 'by_mm' => $number])),
            'holes' => self::list(self::list(self::record('TrainHole', ['x_mm' => $number, 'y_mm' => $number, 'fit' => $fit]))),
            'linkage' => self::record('TrainLinkage', ['plane' => $number, 'bar_mm' => $number, 'bars' => self::list(new TextShape),
                'ways' => self::list(self::list($number)), 'clashing' => self::list(new TextShape)])->orNull(),
            'rows' => self::list(self::record('SheetRow', ['name' => new TextShape, 'says' => self::sentence()])),
            'lay_out' => self::fix()->orNull(),
            'why_not' => (new TextShape)->orNull(),
            'at_least' => self::number()->orNull(),
            'ask_for' => self::number(),
            'at_most' => self::number()->orNull(),
        ]);
    }

    public static function trainChoice(): RecordShape
    {
        return self::record('TrainChoice', [
            'module_mm' => self::number(),
            'target' => self::number(),
            'rows' => self::list(self::record('MadeTrain', [
                'words' => new TextShape, 'stages' => Stages::shape(0, 12), 'ratio' => self::number(), 'error' => self::number(), 'gears' => self::number(),
                'efficiency' => self::number(), 'slop_deg' => self::number(),
                'way' => self::number(), 'box_mm' => new ListShape(self::number(), 0, 2), 'wears' => self::number(), 'why_not' => (new TextShape)->orNull(),
                'take' => self::fix(),
            ])),
        ]);
    }

    public static function readings(): RecordShape
    {
        return self::record('ReadingsSheet', [
            'bins' => self::list(self::record('ReadingsBin', ['from' => self::number(), 'to' => self::number(), 'absent' => self::number(),
                'present' => self::number()])),
            'absent' => self::number(), 'present' => self::number(), 'needed' => self::number(), 'wrong_now' => self::number()->orNull(),
            'best' => self::record('BestThreshold', ['threshold' => self::number(), 'upper' => self::number(), 'lower' => self::number(),
                'error_rate' => self::number(), 'error_rate_at_most' => self::number(), 'separation' => self::number()])->orNull(),
            'fix' => self::fix()->orNull(),
        ]);
    }

    public static function choice(): RecordShape
    {
        return self::record('Choice', [
            'goal' => ChoiceShape::of(...array_column(Goal::cases(), 'value')),
            'tried' => self::number(),
            'drives' => self::number(),
            'carries' => self::number(),
            'fails' => self::list(self::record('FailsBy', ['code' => new TextShape, 'count' => self::number(), 'says' => new TextShape])),
            'rows' => self::list(self::rankedDrive()),
            'wiring' => self::list(self::record('WiringCost', ['kind' => new TextShape, 'says' => self::sentence()])),
            'points' => self::list(self::record('ChoicePoint', [
                'code' => new TextShape, 'ratio' => self::number(), 'time_s' => self::number(), 'margin' => self::number(), 'mass_kg' => self::number(),
                'verdict' => self::verdict(), 'front' => new BooleanShape,
            ])),
        ]);
    }

    private static function rankedDrive(): RecordShape
    {
        return self::record('RankedDrive', [
            'place' => self::number(),
            'code' => new TextShape,
            'series' => new TextShape,
            'kind' => ChoiceShape::of(...Drives::kinds()),
            'verdict' => self::verdict(),
            'why' => self::sentence(),
            'ratio' => self::number(),
            'ratios' => self::number(),
            'stages' => Stages::shape(0, 12),
            'margin' => self::number()->orNull(),
            'time_s' => self::number()->orNull(),
            'current_A' => self::number(),
            'settles_C' => self::number(),
            'noise' => self::number(),
            'mass_kg' => self::number(),
            'holds_unpowered' => new BooleanShape,
            'gear_material' => new TextShape,
            'supply' => new TextShape,
            'motor' => Drives::shape(),
            'motors' => self::number(),
        ]);
    }

    public static function school(): RecordShape
    {
        return self::record('School', [
            'school' => new TextShape, 'name' => new TextShape, 'verdict' => self::verdict(), 'code' => (new TextShape)->orNull(),
            'ratio' => self::number()->orNull(),
            'time_s' => self::number()->orNull(), 'margin' => self::number()->orNull(), 'error' => self::number()->orNull(),
            'within' => new BooleanShape(nullable: true),
            'holds_unpowered' => new BooleanShape(nullable: true), 'charge_Ah_day' => self::number()->orNull(), 'after_power_cut' => new TextShape,
            'noise' => self::number()->orNull(),
            'parts' => self::number(), 'pins' => self::number(), 'why' => self::sentence(), 'take' => self::fix()->orNull(),
            'recommended' => new BooleanShape, 'reason' => new TextShape,
        ]);
    }

    public static function easing(): RecordShape
    {
        return self::record('Counterbalance', [
            'way' => ChoiceShape::of('counterweight', 'spring'), 'size' => self::sentence(), 'worst_before_Nm' => self::number(),
            'worst_after_Nm' => self::number(),
            'back' => self::sentence(), 'unpowered' => self::sentence(), 'margin_after' => self::number()->orNull(), 'fix' => self::fix(),
        ]);
    }

    public static function units(): RecordShape
    {
        return self::record('UnitTable', [
            'units' => self::list(self::record('Unit', ['symbol' => new TextShape, 'dimension' => new TextShape, 'factor' => self::number(),
                'inverse' => new BooleanShape])),
            'suffixes' => self::list(self::record('UnitSuffix', ['suffix' => new TextShape, 'symbol' => new TextShape])),
            'systems' => self::list(self::record('UnitSystem', ['name' => new TextShape, 'preferred' => new MapShape(self::list(new TextShape))])),
        ]);
    }

    private static function curves(): RecordShape
    {
        $numbers = self::list(self::number());
        $path = self::record('RunPath', [
            'time_s' => self::number()->orNull(),
            'why' => (new TextShape)->orNull(),
            'times_s' => $numbers,
            'positions' => $numbers,
            'currents_A' => $numbers,
        ])->orNull();

        return self::record('Curves', [
            'position_unit' => ChoiceShape::of('deg', 'm'),
            'ways' => self::list(new TextShape),
            'comes_round' => self::number()->orNull(),
            'dial' => $numbers,
            'homes_onto' => self::list(self::record('Teller', ['id' => new TextShape, 'name' => new TextShape])),
            'positions' => $numbers,
            'follower' => $numbers,
            'static_Nm' => $numbers,
            'rising_Nm' => $numbers,
            'falling_Nm' => $numbers,
            'speeding_up_Nm' => $numbers,
            'over_limit' => self::list(new BooleanShape),
            'limit_Nm' => self::number()->orNull(),
            'continuous_Nm' => self::number()->orNull(),
            'there' => $path,
            'back' => $path,
            'run_on' => self::list(self::record('SwitchRunOn', [
                'switch' => new TextShape, 'distance' => self::number()->orNull(), 'speed' => self::number(), 'energy_J' => self::number(),
                'left' => self::number()->orNull(),
                'slower' => self::list(self::record('SlowerRunOn', ['share' => self::number(), 'distance' => self::number()->orNull(),
                    'left' => self::number()->orNull()])),
            ])),
        ]);
    }

    public static function finding(): RecordShape
    {
        return self::record('Finding', [
            'code' => new TextShape,
            'severity' => ChoiceShape::of(...array_column(Severity::cases(), 'value')),
            'place' => new TextShape,
            'says' => self::sentence(),
            'fixes' => self::list(self::fix()),
            'instead' => self::sentence()->orNull(),
        ]);
    }

    public static function mendAll(): RecordShape
    {
        return self::record('MendAll', [
            'version' => self::number(), 'done' => new BooleanShape, 'verdict' => self::verdict()->orNull(), 'says' => self::sentence()->orNull(),
            'steps' => self::list(self::record('MendStep', ['mark' => new TextShape, 'mends' => self::sentence(), 'fix' => self::fix(),
                'before' => self::record('Faults', ['fails' => self::number(), 'tight' => self::number()])])),
            'left' => self::list(self::finding()),
        ]);
    }

    public static function fix(): RecordShape
    {
        return self::record('Fix', ['does' => self::sentence(), 'changes' => self::changes(), 'costs' => self::list(self::sentence())]);
    }

    /** A motion once more, or no more: what that changes, and what is worth knowing of it. */
    public static function variation(): RecordShape
    {
        return self::record('Variation', ['name' => new TextShape, 'changes' => self::changes(), 'says' => self::list(self::sentence())]);
    }

    private static function changes(): ListShape
    {
        return self::list(self::record('Change', ['path' => new TextShape, 'value' => new AnyShape]));
    }

    public static function sentence(): RecordShape
    {
        return self::record('Sentence', [
            'template' => new TextShape,
            'values' => new MapShape(new EitherShape([new TextShape, self::record('Quantity', ['si' => self::number(),
                'dimension' => new TextShape])])), // a text is a name
            'text' => new TextShape,
        ]);
    }

    public static function verdict(): ChoiceShape
    {
        return ChoiceShape::of(...array_column(Verdict::cases(), 'value'));
    }

    public static function number(): NumberShape
    {
        return NumberShape::any();
    }

    public static function list(Shape $of): ListShape
    {
        return new ListShape($of, 0, self::MANY);
    }

    /** @param  array<string, Shape>  $fields all of them always there */
    public static function record(string $title, array $fields): RecordShape
    {
        return new RecordShape(array_map(fn (Shape $shape): Field => Field::needed($shape), $fields), $title);
    }
}
