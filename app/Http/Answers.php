<?php

declare(strict_types=1);

namespace App\Http;

use Brookstone\Core\Build\BuildShape;
use Brookstone\Core\Drive\Drives;
use Brookstone\Core\Routine\WorldEvents;
use Brookstone\Core\Schemas;
use Brookstone\Core\Shape\AnyShape;
use Brookstone\Core\Shape\BooleanShape;
use Brookstone\Core\Shape\ChoiceShape;
use Brookstone\Core\Shape\EitherShape;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\ListShape;
use Brookstone\Core\Shape\MapShape;
use Brookstone\Core\Shape\NothingShape;
use Brookstone\Core\Shape\RecordShape;
use Brookstone\Core\Shape\Shape;
use Brookstone\Core\Shape\TextShape;
use Brookstone\Core\StageSchema;
use Brookstone\Core\Study\FaultSweep;

/**
 * What is answered over HTTP, where it is not a value of the core as it is. The types of the page are made from these too, and a test reads every
 * answer by its own.
 */
final class Answers
{
    private const MOST_NAMES = 500;

    /** @return array<string, Shape> by name */
    public static function all(): array
    {
        return [
            'StoredBuild' => self::storedBuild(),
            'TrainerCase' => Schemas::record('TrainerCase', ['id' => new TextShape, 'build' => new TextShape, 'routine' => new TextShape,
                'scenario' => (new TextShape)->orNull(), 'usual' => Schemas::list(Schemas::sentence()), 'seen' => Schemas::list(Schemas::sentence()),
                'measures' => Schemas::list(Schemas::record('Measurable', ['id' => new TextShape, 'asks' => Schemas::sentence()])),
                'faults' => Schemas::list(Schemas::record('Nameable', ['id' => new TextShape, 'says' => Schemas::sentence()]))]),
            'TrainerSays' => Schemas::record('TrainerSays', ['says' => Schemas::sentence()]),
            'TrainerJudged' => Schemas::record('TrainerJudged', ['right' => new BooleanShape, 'says' => Schemas::sentence(),
                'why' => Schemas::list(Schemas::sentence()), 'was' => Schemas::sentence()->orNull(), 'kind' => new TextShape]),
            'TrainerTold' => Schemas::record('TrainerTold', ['says' => Schemas::sentence(), 'kind' => new TextShape,
                'why' => Schemas::list(Schemas::sentence())]),
            'ShelfEntry' => self::shelfEntry(),
            'RevisionEntry' => Schemas::record('RevisionEntry', ['number' => Schemas::number(), 'edit' => new TextShape, 'at' => new TextShape,
                'is_now' => new BooleanShape]),
            'Judgement' => Schemas::record('Judgement', ['version' => Schemas::number(), 'assessment' => Schemas::assessment()]),
            'Mends' => Schemas::record('Mends', ['version' => Schemas::number(), 'assessment' => Schemas::assessment(), 'done' => Schemas::number(),
                'of' => Schemas::number()]),
            'Completed' => Schemas::record('Completed', ['fix' => Schemas::fix(), 'brings' => Schemas::sentence()->orNull()]),
            'QuantityRead' => Schemas::record('QuantityRead', ['si' => Schemas::number(), 'dimension' => new TextShape, 'unit' => new TextShape,
                'text' => new TextShape]),
            'DrawerEntry' => self::drawerEntry(),
            'DrawerImport' => self::drawerImport(),
            'DrawerColumn' => Schemas::record('DrawerColumn', ['column' => new TextShape, 'kinds' => self::texts(), 'needed' => new BooleanShape,
                'says' => new TextShape]),
            'PictureKept' => Schemas::record('PictureKept', ['id' => new TextShape, 'name' => new TextShape, 'width_px' => Schemas::number(),
                'height_px' => Schemas::number()]),
            'ExampleEntry' => Schemas::record('ExampleEntry', ['example' => new TextShape, 'name' => new TextShape, 'note' => self::longText()]),
            'CalculatorEntry' => Schemas::record('CalculatorEntry', ['name' => new TextShape, 'says' => new TextShape]),
            'Calculated' => Schemas::record('Calculated', ['calculator' => new TextShape, 'inputs' => self::anything(), 'results' => self::anything(),
                'findings' => Schemas::list(Schemas::finding())]),
            'Swept' => Schemas::record('Swept', ['over' => (new TextShape)->orNull(), 'of' => (new TextShape)->orNull(), 'inputs' => self::texts(),
                'results' => self::texts(), 'at' => Schemas::number()->orNull(),
                'points' => Schemas::list(Schemas::record('SweptPoint', ['x' => Schemas::number(), 'y' => Schemas::number()->orNull()]))]),
            'StopsSheet' => self::stopsSheet(),
            'BesideOffer' => Schemas::record('BesideOffer', ['path' => new TextShape, 'says' => Schemas::sentence(), 'saves_s' => Schemas::number(),
                'fix' => Schemas::fix()->orNull(), 'why_not' => Schemas::sentence()->orNull()]),
            'ReadyRoutine' => Schemas::record('ReadyRoutine', ['key' => new TextShape, 'name' => new TextShape, 'says' => new TextShape,
                'lacks' => (new TextShape)->orNull(), 'begin' => Schemas::fix()->orNull()]),
            'OneMore' => Schemas::record('OneMore', ['says' => Schemas::sentence()]),
            'ReadingsRead' => Schemas::record('ReadingsRead', array_fill_keys(['all', 'absent', 'present'],
                new EitherShape([Schemas::list(Schemas::number()), new NothingShape]))),
            'SpokenRead' => Schemas::record('SpokenRead', ['lines' => Schemas::number(),
                'moves' => Schemas::list(Schemas::record('SpokenMove', ['motion' => new TextShape, 'from' => new TextShape, 'to' => new TextShape,
                    'measured_s' => Schemas::number(), 'speed' => Schemas::number(), 'line' => Schemas::number()])),
                'problems' => Schemas::list(Schemas::record('SpokenProblem', ['line' => Schemas::number(), 'message' => new TextShape]))]),
            'LogRead' => Schemas::record('LogRead', ['entries' => Schemas::list(BuildShape::measurement()), 'wrong' => Schemas::number(),
                'problems' => Schemas::list(Schemas::record('LogProblem', ['line' => Schemas::number(), 'field' => new TextShape,
                    'message' => self::longText()]))]),
            'Study' => self::study(),
            'RigOpened' => Schemas::record('RigOpened', ['id' => new TextShape, 'answers' => Schemas::list(self::rigAnswer())]),
            'RigSaid' => Schemas::record('RigSaid', ['answers' => Schemas::list(self::rigAnswer())]),
        ];
    }

    /** @return array<string, array<string, mixed>> JSON Schemas by name */
    public static function schemas(): array
    {
        return array_map(fn (Shape $shape): array => $shape->schema(), self::all());
    }

    private static function storedBuild(): RecordShape
    {
        return Schemas::record('StoredBuild', [
            'id' => new TextShape, 'version' => Schemas::number(), 'changed_on' => new TextShape, 'is_demo' => new BooleanShape, 'can_undo' => new BooleanShape,
            'can_redo' => new BooleanShape,
            'document' => BuildShape::shape(), 'assessment' => Schemas::assessment(),
        ]);
    }

    private static function shelfEntry(): RecordShape
    {
        return Schemas::record('ShelfEntry', [
            'id' => new TextShape, 'name' => new TextShape, 'note' => self::longText(), 'is_demo' => new BooleanShape, 'changed_at' => new TextShape,
            'verdict' => Schemas::verdict(), 'says' => Schemas::sentence(),
            'chains' => Schemas::list(Schemas::record('ShelfChain', ['name' => new TextShape, 'verdict' => Schemas::verdict(),
                'links' => Schemas::list(Schemas::verdict())])),
            'front' => StageSchema::front(), 'rehearsed' => new BooleanShape,
        ]);
    }

    /** A drive of the builder's drawer as it is and as its fields are typed, by column; and what is odd about its figures. */
    private static function drawerEntry(): RecordShape
    {
        return Schemas::record('DrawerEntry', [
            'id' => Schemas::number(), 'version' => Schemas::number(), 'drive' => Drives::shape(), 'typed' => new MapShape(new TextShape),
            'odd' => Schemas::list(Schemas::record('Oddity', ['kind' => new TextShape, 'says' => Schemas::sentence()])),
        ]);
    }

    private static function drawerImport(): RecordShape
    {
        return Schemas::record('DrawerImport', [
            'stored' => new BooleanShape, 'as_of' => new TextShape, 'new' => self::texts(), 'replaced' => self::texts(),
            'errors' => Schemas::list(Schemas::record('LineError', ['line' => Schemas::number(), 'column' => new TextShape, 'message' => self::longText()])),
        ]);
    }

    private static function stopsSheet(): RecordShape
    {
        $number = Schemas::number();

        return Schemas::record('StopsSheet', [
            'switches' => Schemas::list(Schemas::record('SwitchRoom', [
                'switch' => new TextShape, 'name' => new TextShape, 'room' => $number->orNull(), 'worst' => $number, 'left' => $number->orNull(),
                'rows' => Schemas::list(Schemas::record('RunOnRow', ['supply' => ChoiceShape::of('low', 'rated', 'high'),
                    'load' => ChoiceShape::of('loaded', 'empty'), 'distance' => $number->orNull(), 'speed' => $number->orNull()])),
                'offers' => Schemas::list(Schemas::record('RoomOffer', ['says' => Schemas::sentence(), 'fix' => Schemas::fix()->orNull()])),
            ])),
            'ways' => Schemas::list(Schemas::record('StopsWay', [
                'way' => new TextShape, 'error' => $number->orNull(), 'within' => new BooleanShape(nullable: true), 'after_many' => $number->orNull(),
                'at_power_on' => new TextShape, 'parts' => new TextShape, 'is_used' => new BooleanShape,
            ])),
            'tolerance' => $number->orNull(),
        ]);
    }

    private static function study(): RecordShape
    {
        $step = Schemas::record('StudyStep', ['path' => new TextShape, 'says' => Schemas::sentence()]);
        $number = Schemas::number();
        $cell = Schemas::record('FaultCell', [
            'fault' => new TextShape, 'step' => new TextShape, 'outcome' => ChoiceShape::of(...FaultSweep::OUTCOMES),
            'says' => Schemas::sentence(), 'events' => Schemas::list(WorldEvents::shape()),
        ]);
        $fan = Schemas::record('DriftFan', ['cycle' => $number, 'low' => $number, 'quarter' => $number, 'middle' => $number, 'three_quarters' => $number,
            'high' => $number]);

        return Schemas::record('Study', [
            'id' => new TextShape, 'kind' => ChoiceShape::of('faults', 'drift', 'states', 'proof'),
            'asked' => new RecordShape([
                ...array_fill_keys(['routine', 'motion', 'scenario', 'language'], Field::or(null, (new TextShape)->orNull())), ...array_fill_keys(['cycles',
                    'home_every', 'seed'],
                    Field::or(null, $number->orNull()))], 'StudyAsked'),
            'state' => ChoiceShape::of('queued', 'running', 'done', 'cancelled', 'failed'), 'done' => $number, 'parts' => $number,
            'is_stale' => new BooleanShape, 'failure' => (new TextShape)->orNull(),
            'result' => new EitherShape([
                Schemas::record('FaultResult',
                    ['steps' => Schemas::list($step),
                        'faults' => Schemas::list(Schemas::record('FaultSaid', ['fault' => new TextShape, 'says' => new TextShape])), 'cases' => $number,
                        'nothing' => (new TextShape)->orNull(), 'cells' => Schemas::list($cell)]),
                Schemas::record('DriftResult',
                    ['walks' => $number, 'stops' => Schemas::list(Schemas::record('DriftStop',
                        ['path' => new TextShape, 'at' => $number, 'says' => Schemas::sentence(), 'by_time' => new BooleanShape,
                            'fan' => Schemas::list($fan)])),
                        'unit' => ChoiceShape::of('deg', 'm'), 'tolerance' => $number->orNull(), 'cycles' => $number, 'nothing' => (new TextShape)->orNull()]),
                Schemas::record('StatesResult', ['states' => $number, 'complete' => new BooleanShape, 'found' => $number]),
                self::proof(),
                self::nothingYet(),
            ]),
        ]);
    }

    private static function proof(): RecordShape
    {
        $number = Schemas::number();
        $happened = Schemas::list(Schemas::record('ProofHappened', ['at_s' => $number, 'says' => Schemas::sentence()]));

        return Schemas::record('ProofResult', ['language' => new TextShape, 'word' => new TextShape, 'tried' => $number, 'differ' => $number, 'same' => $number,
            'most_s' => $number, 'scenarios' => $number, 'faults' => $number, 'chance' => $number,
            'first' => Schemas::record('ProofDifference', ['says' => new TextShape, 'same' => $number, 'because' => (new TextShape)->orNull(),
                'wanted' => $happened,
                'came' => $happened])->orNull()]);
    }

    private static function rigAnswer(): RecordShape
    {
        $number = Schemas::number();
        $state = Schemas::record('RigState', [
            'now_s' => $number, 'powered' => new BooleanShape,
            'motions' => Schemas::list(Schemas::record('RigMotion', ['motion' => new TextShape, 'position' => $number, 'speed' => $number,
                'current_A' => $number, 'place' => (new TextShape)->orNull(), 'powered' => new BooleanShape])),
            'inputs' => self::byName(new BooleanShape), 'levels' => self::byName($number), 'outputs' => self::byName(new BooleanShape),
            'counters' => self::byName($number), 'running' => self::texts(),
            'steps' => Schemas::list(Schemas::record('RigStep', ['routine' => new TextShape, 'path' => new TextShape, 'says' => Schemas::sentence()])),
            'events' => Schemas::list(Schemas::record('RigEvent', ['at_s' => $number, 'kind' => new TextShape, 'says' => Schemas::sentence()])),
        ]);

        return new RecordShape([
            'ok' => Field::needed(new BooleanShape), 'errors' => Field::or(null, new EitherShape([Schemas::list(self::fieldError()), new NothingShape])),
            'state' => Field::or(null, $state->orNull()), 'scenario' => Field::or(null, new AnyShape),
        ], 'RigAnswer');
    }

    private static function fieldError(): RecordShape
    {
        return Schemas::record('FieldError', ['field' => new TextShape, 'message' => self::longText()]);
    }

    private static function texts(): ListShape
    {
        return Schemas::list(new TextShape);
    }

    private static function longText(): TextShape
    {
        return new TextShape(0, 20_000);
    }

    private static function anything(): MapShape
    {
        return new MapShape(new AnyShape, self::MOST_NAMES);
    }

    private static function byName(Shape $of): MapShape
    {
        return new MapShape($of, self::MOST_NAMES);
    }

    private static function nothingYet(): RecordShape
    {
        return new RecordShape([], 'NothingYet');
    }
}
