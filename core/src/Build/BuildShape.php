<?php

declare(strict_types=1);

namespace Brookstone\Core\Build;

use Brookstone\Core\Condition\Conditions;
use Brookstone\Core\Drive\Drives;
use Brookstone\Core\Mechanism\Mechanisms;
use Brookstone\Core\Parts\AirTank;
use Brookstone\Core\Parts\Body;
use Brookstone\Core\Parts\DriveChoice;
use Brookstone\Core\Parts\Meeting;
use Brookstone\Core\Parts\Mount;
use Brookstone\Core\Parts\Output;
use Brookstone\Core\Parts\Refitted;
use Brookstone\Core\Parts\Sensor;
use Brookstone\Core\Parts\Settings;
use Brookstone\Core\Parts\Supply;
use Brookstone\Core\Routine\GiveUp;
use Brookstone\Core\Routine\Steps;
use Brookstone\Core\Routine\Triggers;
use Brookstone\Core\Routine\WorldEvents;
use Brookstone\Core\Shape\BooleanShape;
use Brookstone\Core\Shape\ChoiceShape;
use Brookstone\Core\Shape\ClockShape;
use Brookstone\Core\Shape\DayShape;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\ListShape;
use Brookstone\Core\Shape\MapShape;
use Brookstone\Core\Shape\NumberShape;
use Brookstone\Core\Shape\RecordShape;
use Brookstone\Core\Shape\TextShape;
use Brookstone\Core\Shape\UnionShape;
use Brookstone\Core\Train\Layouts;
use Brookstone\Core\Train\Stages;
use Brookstone\Core\Wiring\WiringPlan;

/** The document of a build, as it stands in a `*.brookstone.json` file. */
final class BuildShape
{
    public const FORMAT = 'brookstone-build';

    public const VERSION = 1;

    public const MOST_MOTIONS = 40;

    private const MOST_BODIES = 30; // of a motion

    private const MOST_THINGS = 100;

    /** Upper limit of masses (kg), lengths (m) and torques: nothing in this trade comes near it. */
    private const MOST = 1000.0;

    private static ?RecordShape $shape = null;

    public static function shape(): RecordShape
    {
        return self::$shape ??= new RecordShape([
            'format' => Field::needed(ChoiceShape::of(self::FORMAT), 'Says that this is a build.'),
            'version' => Field::needed(ChoiceShape::of(self::VERSION), 'Version of the format.'),
            'name' => Field::needed(TextShape::name(), 'What the build is called.'),
            'note' => Field::or('', new TextShape, 'What it is.'),
            'settings' => Field::or([], Settings::shape()),
            'supplies' => Field::or([], self::list(Supply::shape(), 20, 'supplies')),
            'tanks' => Field::or([], self::list(AirTank::shape(), 10, 'tanks'), 'What feeds cylinders.'),
            'around' => Field::or([], new RecordShape([
                'public' => Field::or(false, new BooleanShape, 'Strangers or children come near it, or nobody watches it.'),
                'worn' => Field::or(false, new BooleanShape, 'It is worn on the body.'),
                'animals' => Field::or(false, new BooleanShape, 'It feeds or shelters animals.'),
            ], 'Bystanders'), 'Who is near it.'),
            'motions' => Field::or([], self::list(self::motion(), self::MOST_MOTIONS, 'motions')),
            'things' => Field::or([], self::list(Body::shape(true), self::MOST_THINGS, 'things'), 'What stands on the base: frame, what is in the way, hands.'),
            'meetings' => Field::or([], self::list(Meeting::shape(), 40, 'meetings'), 'What must meet, and how exactly.'),
            'sensors' => Field::or([], self::list(self::sensor(), 120, 'sensors')),
            'outputs' => Field::or([], self::list(Output::shape(), 120, 'outputs')),
            'counters' => Field::or([], self::list(self::counter(), 40, 'counters')),
            'rules' => Field::or([], self::list(self::rule(), 40, 'rules'), 'What must never be so.'),
            'routines' => Field::or([], self::list(self::routine(), 40, 'routines')),
            'scenarios' => Field::or([], self::list(self::scenario(), 40, 'scenarios')),
            'wiring' => Field::or([], WiringPlan::shape(), 'Boards, and what is wired to their pins.'),
            'pictures' => Field::or([], self::list(self::picture(), 40, 'pictures')),
            'log' => Field::or([], self::list(self::measurement(), 10_000, 'measurements')),
            'endurance' => Field::or([], self::list(EnduranceRun::shape(), 40, 'runs'), 'Motions that are run again and again at the bench.'),
            'making' => Field::or([], Making::shape(), 'Plan, parts and bench tests: what the builder says of them.'),
            'upkeep' => Field::or([], Upkeep::shape(), 'Service, once it runs.'),
        ], 'Build');
    }

    /** @return array<string, mixed> the published JSON Schema */
    public static function schema(): array
    {
        return ['$schema' => 'https://json-schema.org/draft/2020-12/schema'] + self::shape()->schema()
            + ['$defs' => ['Steps' => Steps::definition(), 'Condition' => Conditions::definition()]];
    }

    /** @return array<string, mixed> JSON Schema of one routine: what its text form holds */
    public static function routineSchema(): array
    {
        $build = self::schema();
        $routine = $build['properties']['routines']['items'];

        return ['$schema' => $build['$schema'], 'title' => 'Routine'] + $routine + ['$defs' => $build['$defs']];
    }

    private static function list(RecordShape $of, int $most, string $things): ListShape
    {
        return new ListShape($of, 0, $most, $things);
    }

    private static function motion(): RecordShape
    {
        $position = NumberShape::between(-720.0, 720.0);

        return new RecordShape([
            'id' => Field::needed(TextShape::id()),
            'name' => Field::needed(TextShape::name()),
            'marker' => Field::or('yellow', ChoiceShape::of('yellow', 'coral', 'sky', 'lilac'), 'Its colour wherever it appears.'),
            'mechanism' => Field::needed(new UnionShape('kind', Mechanisms::shapes(self::MOST), 'Mechanism'), 'What is moved.'),
            'places' => Field::needed(new ListShape(new RecordShape([
                'id' => Field::needed(TextShape::id()),
                'name' => Field::needed(TextShape::name()),
                'at' => Field::needed($position, 'Degrees, or metres of height.'),
            ], 'Place'), 2, 200, 'places'), 'Its named positions.'),
            'dial' => Field::or(null, (new RecordShape([
                'places' => Field::needed(NumberShape::whole(2, 200), 'How many, evenly over what it comes round in.'),
                'name' => Field::or('Place', TextShape::name(), 'Of each, before its number.'),
            ], 'Dial'))->orNull(), 'More places, made from a pitch: 1, 2, 3 … with the ids dial-1, dial-2, dial-3.'),
            'segments' => Field::or([], new ListShape(new RecordShape([
                'name' => Field::needed(TextShape::name(), 'What is met there.'),
                'from' => Field::needed($position, 'Where it begins, in the motion’s own unit.'),
                'to' => Field::needed($position, 'Where it ends.'),
                'load_Nm' => Field::or(0.0, NumberShape::between(-self::MOST, self::MOST), 'Torque that it adds and gives back, of a motion that turns.'),
                'drag_Nm' => Field::or(0.0, NumberShape::notNegative(self::MOST), 'Torque that it rubs with, of a motion that turns.'),
                'load_N' => Field::or(0.0, NumberShape::between(-self::MOST, self::MOST), 'Force that it adds and gives back, of a motion that slides.'),
                'drag_N' => Field::or(0.0, NumberShape::notNegative(self::MOST), 'Force that it rubs with, of a motion that slides.'),
            ], 'Segment'), 0, 20, 'segments'), 'What is met on parts of the travel only.'),
            'task' => Field::needed(self::task()),
            'drive' => Field::or(null, self::driveChoice()->orNull()),
            'train' => Field::or([], Stages::shape(0, 12, 1000), 'Stages between motor and load.'),
            'layout' => Field::or(null, Layouts::shape()->orNull(), 'Where its shafts stand.'),
            'stops' => Field::or([], self::stops()),
            'latch' => Field::or(null, (new RecordShape([
                'place' => Field::needed(TextShape::id(), 'From this place on it is held.'),
                'motion' => Field::or(null, TextShape::id()->orNull(), 'Another motion that lets it go; empty: an output.'),
                'lets_go' => Field::or(null, TextShape::id()->orNull(), 'The place of that at which it does.'),
                'output' => Field::or(null, TextShape::id()->orNull(), 'An output that lets it go while it is on.'),
                'friction_coefficient' => Field::or(0.3, NumberShape::between(0.0, 2.0), 'Of the latch on what it holds.'),
            ], 'Latch'))->orNull(), 'What holds it once its drive has wound it, and lets it go.'),
            'level' => Field::or(null, (new RecordShape([
                'with' => Field::needed(TextShape::id(), 'Another motion, the other end of the same thing.'),
                'within' => Field::needed(NumberShape::positive(720.0), 'How far apart the two may get; degrees or metres.'),
            ], 'Level'))->orNull(), 'It must stay level with another: both ends of a gantry.'),
            'mount' => Field::or(null, Mount::shape()->orNull(), 'Where it stands; empty: it has no place on the stage yet.'),
            'bodies' => Field::or([], self::list(Body::shape(false), self::MOST_BODIES, 'bodies'), 'What it moves, as it stands where its follower is at 0.'),
            'measured' => Field::or(null, Refitted::shape(self::MOST)->orNull(), 'What measuring has told of it; counts instead of what is said.'),
            'units' => Field::or([], new MapShape(new TextShape(0, 12)), 'The unit each field was typed in, by its path inside the motion.'),
        ], 'Motion');
    }

    private static function task(): RecordShape
    {
        return new RecordShape([
            'from' => Field::needed(TextShape::id(), 'The place where it starts.'),
            'to' => Field::needed(TextShape::id(), 'The place where it goes.'),
            'move_s' => Field::needed(NumberShape::positive(GiveUp::DAY_S), 'The move shall take no longer.'),
            'profile' => Field::or('trapezoid', ChoiceShape::of('trapezoid', 'cosine', 'steady'),
                'How the wanted move spends its time; steady: it turns already.'),
            'payload' => Field::or('both', ChoiceShape::of('both', 'there', 'back'), 'Which way it carries its payload.'),
            'per_day' => Field::or(100.0, NumberShape::between(0.0, 86400.0), 'How often it goes there and back in a day.'),
            'keeps_turning' => Field::or(false, new BooleanShape, 'It turns or rolls on; where it stops does not matter.'),
            'comes_round' => Field::or(null, NumberShape::positive(720.0)->orNull(),
                'So often its places, switches and sensors repeat, in its own unit; empty: each turn of what keeps turning, each item of a feeder.'),
            'knocked' => Field::or(false, new BooleanShape, 'Somebody or something can bump into it while it moves.'),
            'holds_unpowered' => Field::or(false, new BooleanShape, 'It must stay put with the power off.'),
            'mass_guessed' => Field::or(false, new BooleanShape, 'Its mass is a guess, not weighed.'),
            'tolerance' => Field::or(null, NumberShape::positive(720.0)->orNull(), 'How far off its place it may stop; degrees or metres.'),
            'turn' => Field::or('any', ChoiceShape::of('any', 'same', 'reversed'),
                'Which way the load must turn, seen from the drive: the wheels may be counted, or it does not matter.'),
            'over_people' => Field::or(false, new BooleanShape, 'It hangs or swings where someone can stand.'),
            'shuts_at' => Field::or(null, TextShape::id()->orNull(), 'The place where it is shut, of a door or lid in which people or animals can be.'),
        ], 'Task');
    }

    private static function driveChoice(): RecordShape
    {
        return new RecordShape([
            'motor' => Field::needed(Drives::shape(), 'The drive, with all its data.'),
            'supply' => Field::needed(TextShape::id(), 'The supply it hangs on.'),
            'motors' => Field::or(1, NumberShape::whole(1, DriveChoice::MOST_MOTORS), 'Equal ones on the same thing: on one axle, or one at each side.'),
            'duty' => Field::or(1.0, NumberShape::between(0.01, 1.0), 'Share of the time that the bridge is on; a servo has none.'),
            'gated' => Field::or(false, new BooleanShape, 'Its power is cut between moves.'),
            'ramp_s' => Field::or(0.0, NumberShape::between(0.0, 60.0), 'Time in which the bridge goes from nothing to its duty.'),
            'clutch_Nm' => Field::or(null, NumberShape::positive(self::MOST)->orNull(), 'A clutch at the load slips above this torque.'),
            'reversed' => Field::or(false, new BooleanShape, 'Its wires are swapped, or the servo is turned round: it turns the other way.'),
            'one_way' => Field::or(false, new BooleanShape, 'It only ever turns forwards: a single transistor instead of a bridge, or a pawl.'),
            'air' => Field::or(null, TextShape::id()->orNull(), 'The tank of a cylinder; empty: the first there is.'),
            'soft_Nm_per_deg' => Field::or(null, NumberShape::positive(self::MOST)->orNull(), 'Rate of a springy coupling between train and load.'),
            'shares' => Field::or(null, TextShape::id()->orNull(), 'Another motion on whose motor it is; any number may share one.'),
            'shares_by' => Field::or('selector', ChoiceShape::of('selector', 'direction', 'in_turn', 'rectifier'),
                'What decides which of them the motor moves, the same for all on it; rectifier: all, what has the motor forwards whichever way it turns.'),
            'selector' => Field::or(null, (new RecordShape([
                'motion' => Field::or(null, TextShape::id()->orNull(), 'The servo that moves it; empty: a hand.'),
                'place' => Field::or(null, TextShape::id()->orNull(), 'The place of that servo at which the motor moves this motion.'),
                'other' => Field::or(null, TextShape::id()->orNull(), 'The place of that servo at which it moves the other.'),
                'tells' => Field::or(null, TextShape::id()->orNull(), 'A sensor that is on while it holds this motion.'),
            ], 'Selector'))->orNull(), 'What changes the motor over, and what tells.'),
        ], 'DriveChoice');
    }

    private static function stops(): RecordShape
    {
        $position = NumberShape::between(-720.0, 720.0);

        return new RecordShape([
            'hard_low' => Field::or(null, $position->orNull(), 'Where it ends by force below.'),
            'hard_high' => Field::or(null, $position->orNull(), 'Where it ends by force above.'),
            'switches' => Field::or([], new ListShape(new RecordShape([
                'id' => Field::needed(TextShape::id()),
                'name' => Field::needed(TextShape::name()),
                'place' => Field::needed(TextShape::id(), 'The place it tells of.'),
                'at' => Field::needed($position, 'Where it trips.'),
                'end' => Field::needed(ChoiceShape::of('low', 'high'), 'Which end it guards: it stays on from there outwards.'),
                'travel' => Field::or(0.0, NumberShape::between(0.0, 720.0), 'So far before that it is touched, and so far back it lets go.'),
                'bounce_s' => Field::or(0.0, NumberShape::between(0.0, 0.5), 'For which its contact chatters.'),
                'closed' => Field::or(false, new BooleanShape, 'Its contact is normally closed: a broken wire reads as on.'),
            ], 'LimitSwitch'), 0, 8, 'switches')),
            'brakes' => Field::or(true, new BooleanShape, 'The driver shorts the motor to stop it; otherwise it coasts.'),
            'encoder_pulses' => Field::or(null, NumberShape::between(1.0, 100_000.0)->orNull(),
                'An encoder on the shaft of its motor or gear motor gives so many pulses each turn.'),
        ], 'Stops');
    }

    private static function picture(): RecordShape
    {
        $pixel = NumberShape::between(0.0, 100000.0);
        $line = ['x1' => Field::needed($pixel), 'y1' => Field::needed($pixel), 'x2' => Field::needed($pixel), 'y2' => Field::needed($pixel)];

        return new RecordShape([
            'id' => Field::needed(TextShape::key(), 'Also the name of the stored picture.'),
            'name' => Field::needed(TextShape::name()),
            'width_px' => Field::needed(NumberShape::whole(1, 100000)),
            'height_px' => Field::needed(NumberShape::whole(1, 100000)),
            'known' => Field::or(null, (new RecordShape([...$line, 'length_m' => Field::needed(NumberShape::positive(10000.0),
                'What it measures in the real thing.')], 'KnownLength'))->orNull(), 'The one length that is known.'),
            'scale' => Field::or(1.0, NumberShape::between(0.0001, 1000.0), 'Size of the model over that of the real thing: 1, 0.9, 1/12.'),
            'readings' => Field::or([], new ListShape(new RecordShape(['id' => Field::needed(TextShape::id()), 'name' => Field::needed(TextShape::name()),
                ...$line], 'Reading'), 0, 60, 'readings')),
        ], 'Picture');
    }

    private static function sensor(): RecordShape
    {
        return new RecordShape([
            'id' => Field::needed(TextShape::id()),
            'name' => Field::needed(TextShape::name()),
            'kind' => Field::needed(ChoiceShape::of(...Sensor::ON_OFF, ...Sensor::ANALOG)),
            'motion' => Field::or(null, TextShape::id()->orNull(), 'A motion that passes by it.'),
            'at' => Field::or(null, NumberShape::between(-720.0, 720.0)->orNull(), 'Where on that motion it is on.'),
            'reach' => Field::or(null, NumberShape::positive(720.0)->orNull(), 'So far to either side.'),
            'closed' => Field::or(false, new BooleanShape, 'Its contact is normally closed: a broken wire reads as on.'),
            'bounce_s' => Field::or(0.0, NumberShape::between(0.0, 1.0), 'For which its contact chatters.'),
            'late_s' => Field::or(0.0, NumberShape::between(0.0, 60.0), 'Until it tells.'),
            'upper' => Field::or(null, NumberShape::between(-1e6, 1e6)->orNull(), 'Of one that measures: on from here up.'),
            'lower' => Field::or(null, NumberShape::between(-1e6, 1e6)->orNull(), 'And off from here down.'),
            'rest' => Field::or(0.0, NumberShape::between(-1e6, 1e6), 'What one that measures reads at first.'),
            'lamp' => Field::or(null, TextShape::id()->orNull(), 'Of one that measures: an output whose light, or whatever it gives, falls on it.'),
            'lamp_adds' => Field::or(0.0, NumberShape::between(-1e6, 1e6), 'What that adds to its reading; 0 is nothing.'),
            'long_s' => Field::or(0.6, NumberShape::between(0.05, 10.0), 'Of a button: held so long is a long press.'),
            'double_s' => Field::or(0.35, NumberShape::between(0.05, 5.0), 'Of a button: pressed again within so long is a double press.'),
            'signal_V' => Field::or(null, NumberShape::positive(60.0)->orNull(), 'What it puts out at most; empty is what the controller works with.'),
            'divided' => Field::or(false, new BooleanShape, 'Two resistors bring that down to what a pin stands.'),
            'pulled' => Field::or(false, new BooleanShape, 'A resistor of its own pulls it up.'),
            'filtered' => Field::or(false, new BooleanShape, 'A resistor and a capacitor keep short pulses out.'),
            'cuts' => Field::or(null, TextShape::id()->orNull(), 'Of a button: the supply whose lead it opens.'),
            'current_A' => Field::or(null, NumberShape::between(0.0, 10.0)->orNull(), 'What it takes itself; empty is what is usual.'),
            'over' => Field::or('serial', ChoiceShape::of(...Sensor::OVER), 'Of a message: how it comes.'),
            'silent_s' => Field::or(null, NumberShape::between(0.05, 86400.0)->orNull(), 'Of a message: silent for so long it counts no more; empty: never.'),
            'silent_is' => Field::or('off', ChoiceShape::of('off', 'on'), 'Of a message: what it is taken to say then.'),
            'absent' => Field::or([], new ListShape(NumberShape::between(-1e6, 1e6), 0, 500, 'readings'), 'Readings without the thing.'),
            'present' => Field::or([], new ListShape(NumberShape::between(-1e6, 1e6), 0, 500, 'readings'), 'Readings with it.'),
        ], 'Sensor');
    }

    private static function counter(): RecordShape
    {
        return new RecordShape([
            'id' => Field::needed(TextShape::id()),
            'name' => Field::needed(TextShape::name()),
            'kind' => Field::or('counter', ChoiceShape::of('counter', 'mark'), 'A mark is set or not.'),
            'start' => Field::or(0, NumberShape::whole(-1000000, 1000000), 'What it is when the power comes on.'),
            'kept' => Field::or(false, new BooleanShape, 'It is kept over a power cut.'),
        ], 'Counter');
    }

    private static function rule(): RecordShape
    {
        return new RecordShape([
            'id' => Field::needed(TextShape::id()),
            'name' => Field::needed(TextShape::name()),
            'never' => Field::needed(Conditions::shape(), 'What must never be so.'),
            'while' => Field::or(null, Conditions::orNull(), 'As long as this is so; empty is always.'),
        ], 'Rule');
    }

    private static function routine(): RecordShape
    {
        return new RecordShape([
            'id' => Field::needed(TextShape::id()),
            'name' => Field::needed(TextShape::name()),
            'starts' => Field::or([], new ListShape(Triggers::shape(), 0, 10, 'triggers'), 'What starts it.'),
            'alone' => Field::or(false, new BooleanShape, 'It starts only while nothing runs that moves the same things.'),
            'target_s' => Field::or(null, NumberShape::positive(86400.0)->orNull(), 'The whole routine shall take no longer.'),
            'steps' => Field::or([], Steps::shape(), 'What it does, in order.'),
            'if_fails' => Field::or([], Steps::shape(), 'What is done once a step has failed; by default everything it moves is stopped.'),
        ], 'Routine');
    }

    private static function scenario(): RecordShape
    {
        return new RecordShape([
            'id' => Field::needed(TextShape::id()),
            'name' => Field::needed(TextShape::name()),
            'until_s' => Field::or(60.0, NumberShape::positive(600.0), 'The run ends here at the latest.'),
            'starts_at' => Field::or([], new ListShape(new RecordShape([
                'motion' => Field::needed(TextShape::id()),
                'at' => Field::needed(NumberShape::between(-720.0, 720.0), 'Degrees, or metres of height.'),
            ], 'StartPosition'), 0, self::MOST_MOTIONS, 'positions'), 'Where motions stand when the power comes on; elsewhere at the start of their task.'),
            'clock' => Field::or('12:00', new ClockShape, 'Time of day at its beginning.'),
            'events' => Field::or([], new ListShape(WorldEvents::shape(), 0, 500, 'events'), 'What the world does.'),
        ], 'Scenario');
    }

    public const NOTHING_MEASURED = 'Nothing is measured: give a time, a current, a pull, a temperature, where it stopped, or what failed.';

    /** @param  array<string, mixed>  $entry  of the log, as measurement() read it */
    public static function isNothing(array $entry): bool
    {
        return $entry['measured_s'] === null && $entry['current_A'] === null && $entry['stalled_A'] === null && $entry['stopped_at'] === null
            && $entry['failed'] === '' && $entry['temperature_C'] === null && $entry['pull_N'] === null && $entry['picture'] === null;
    }

    public static function measurement(): RecordShape
    {
        return new RecordShape([
            'id' => Field::needed(TextShape::id()),
            'motion' => Field::needed(TextShape::id()),
            'from' => Field::needed(TextShape::id(), 'Place where the move began.'),
            'to' => Field::needed(TextShape::id(), 'Place where it ended.'),
            'measured_s' => Field::or(null, NumberShape::positive(GiveUp::DAY_S)->orNull(), 'Time of the move.'),
            'current_A' => Field::or(null, NumberShape::between(0.0, 100.0)->orNull(), 'What its drive drew on the way, on the average.'),
            'stalled_A' => Field::or(null, NumberShape::between(0.0, 100.0)->orNull(), 'What it drew held fast.'),
            'stopped_at' => Field::or(null, NumberShape::between(-1e6, 1e6)->orNull(), 'Where it came to rest, as its places are given.'),
            'failed' => Field::or('', new TextShape(0, 200), 'What failed, in words.'),
            'speed' => Field::or(1.0, NumberShape::between(0.01, 1.0), 'Share of its usual speed.'),
            'carries' => Field::or('as_task', ChoiceShape::of('as_task', 'loaded', 'empty'), 'What it carried; as_task: as its task says for that way.'),
            'supply_V' => Field::or(null, NumberShape::positive(60.0)->orNull(), 'What its supply gave, where that was measured too.'),
            'warm' => Field::or(false, new BooleanShape, 'After it had run for a while.'),
            'temperature_C' => Field::or(null, NumberShape::between(-50.0, 400.0)->orNull(), 'Of its drive, outside.'),
            'after_s' => Field::or(null, NumberShape::positive(1e7)->orNull(), 'For which it had run by then.'),
            'pull_N' => Field::or(null, NumberShape::between(0.0, 1e5)->orNull(), 'On a balance where it presses, that moves it slowly.'),
            'picture' => Field::or(null, TextShape::key()->orNull(), 'A photograph, by the name it is stored under.'),
            'on' => Field::needed(new DayShape, 'Day of the measurement, as 2026-05-31.'),
            'note' => Field::or('', new TextShape(0, 500)),
        ], 'Measurement');
    }
}
