<?php

declare(strict_types=1);

namespace Brookstone\Core\Build\Internal;

use Brookstone\Core\Build\Build;
use Brookstone\Core\Build\BuildShape;
use Brookstone\Core\Build\Bystanders;
use Brookstone\Core\Build\EnduranceRun;
use Brookstone\Core\Build\Making;
use Brookstone\Core\Build\Measurement;
use Brookstone\Core\Build\Picture;
use Brookstone\Core\Build\Rule;
use Brookstone\Core\Build\Upkeep;
use Brookstone\Core\Condition\ClockIs;
use Brookstone\Core\Condition\Conditions;
use Brookstone\Core\Drive\Drives;
use Brookstone\Core\Error\ImpossibleValue;
use Brookstone\Core\Error\InvalidInput;
use Brookstone\Core\Load\Profile;
use Brookstone\Core\Machine\Stage;
use Brookstone\Core\Machine\WorstPose;
use Brookstone\Core\Mechanism\Mechanism;
use Brookstone\Core\Mechanism\Mechanisms;
use Brookstone\Core\Mechanism\PositionUnit;
use Brookstone\Core\Mechanism\Segment;
use Brookstone\Core\Mechanism\Segmented;
use Brookstone\Core\Parts\AirTank;
use Brookstone\Core\Parts\Body;
use Brookstone\Core\Parts\Counter;
use Brookstone\Core\Parts\DriveChoice;
use Brookstone\Core\Parts\Latch;
use Brookstone\Core\Parts\Level;
use Brookstone\Core\Parts\LimitSwitch;
use Brookstone\Core\Parts\Meeting;
use Brookstone\Core\Parts\Motion;
use Brookstone\Core\Parts\MotorGroup;
use Brookstone\Core\Parts\Mount;
use Brookstone\Core\Parts\Output;
use Brookstone\Core\Parts\Payload;
use Brookstone\Core\Parts\Place;
use Brookstone\Core\Parts\Refitted;
use Brookstone\Core\Parts\Selector;
use Brookstone\Core\Parts\Sensor;
use Brookstone\Core\Parts\Settings;
use Brookstone\Core\Parts\Stops;
use Brookstone\Core\Parts\Supply;
use Brookstone\Core\Parts\Task;
use Brookstone\Core\Routine\Routine;
use Brookstone\Core\Routine\Scenario;
use Brookstone\Core\Routine\Steps;
use Brookstone\Core\Routine\TakeStep;
use Brookstone\Core\Routine\Triggers;
use Brookstone\Core\Routine\WorldEvents;
use Brookstone\Core\Shape\ErrorList;
use Brookstone\Core\Train\Layouts;
use Brookstone\Core\Train\Stages;
use Brookstone\Core\Wiring\WiringPlan;

/**
 * Turns a document into a build: its shape first, then what its parts say of each other. Each pass reports everything
 * it finds.
 *
 * @internal
 */
final class BuildReader
{
    private ErrorList $errors;

    /** @var array<string, string> by motion, that with which it shares its motor */
    private array $shares = [];

    public function __construct()
    {
        $this->errors = new ErrorList;
    }

    /** @throws InvalidInput */
    public function read(mixed $document): Build
    {
        $read = BuildShape::shape()->read($document, '', $this->errors);
        $this->errors->throwIfAny();
        assert(is_array($read));
        foreach ($read['motions'] as $i => $motion) {
            $read['motions'][$i]['train'] = Stages::complete($motion['train']);
        }
        $this->references($read);

        $supplies = $this->byId($read['supplies'], fn (array $supply): Supply => new Supply(...$supply));
        $tanks = $this->byId($read['tanks'], fn (array $tank): AirTank => new AirTank(...$tank));
        $motions = [];
        $wiring = WiringPlan::make($read['wiring']);
        $this->shares = array_filter(array_combine(array_column($read['motions'], 'id'),
            array_map(fn (array $motion): ?string => $motion['drive']['shares'] ?? null, $read['motions'])), is_string(...));
        foreach ($read['motions'] as $i => $motion) {
            $made = $this->motion($motion, $supplies, $tanks, $read['sensors'], $wiring, "motions.{$i}");
            if ($made !== null) {
                $motions[$made->id] = $made;
            }
        }
        $this->homes($read, $motions);
        $this->errors->throwIfAny();
        $stage = new Stage($motions, array_values(array_map(fn (array $thing): Body => new Body(...$thing), $read['things'])), self::takes($read));
        foreach ($stage->motions as $id => $motion) {
            $motions[$id] = $stage->counts($id) ? $motion->withRide(new WorstPose($stage, $id)) : $motion;
        }

        return new Build(
            $read,
            $read['name'],
            new Settings(...$read['settings']),
            $supplies,
            $motions,
            $this->byId($read['sensors'], fn (array $sensor): Sensor => new Sensor(...$sensor)),
            $this->byId($read['outputs'], fn (array $output): Output => new Output(...$output)),
            $this->byId($read['routines'], fn (array $routine): Routine => new Routine(
                $routine['id'], $routine['name'], array_values(array_map(Triggers::make(...), $routine['starts'])), $routine['target_s'],
                Steps::make($routine['steps']), Steps::make($routine['if_fails']), $routine['alone'],
            )),
            $this->byId($read['scenarios'], $this->scenario(...)),
            array_values(array_map(fn (array $entry): Measurement => new Measurement(...$entry), $read['log'])),
            new Bystanders(...$read['around']),
            array_values(array_map(fn (array $picture): Picture => new Picture(...$picture), $read['pictures'])),
            $this->byId($read['counters'], fn (array $counter): Counter => new Counter($counter['id'], $counter['name'], $counter['kind'] === 'mark',
                $counter['start'], $counter['kept'])),
            $this->byId($read['rules'], fn (array $rule): Rule => new Rule($rule['id'], $rule['name'], Conditions::make($rule['never']),
                Conditions::maybe($rule['while']))),
            $wiring,
            $stage,
            $this->byId($read['meetings'], Meeting::make(...)),
            $tanks,
            new Making(...$read['making']),
            new Upkeep(...$read['upkeep']),
            $this->byId($read['endurance'], fn (array $run): EnduranceRun => new EnduranceRun(...$run)),
        );
    }

    /** @param  array<string, mixed>  $read */
    private function references(array $read): void
    {
        (new References($this->errors))->check($read);
        (new MotorReferences($this->errors))->check($read);
        (new WiringReferences($this->errors))->check($read);
        (new StageReferences($this->errors))->check($read);
        (new PairReferences($this->errors))->check($read);
        (new MakingReferences($this->errors))->check($read);
        $this->errors->throwIfAny();
    }

    /**
     * @param  array<string, mixed>  $read
     * @return list<array{string, string}> motions, and what they take up
     */
    private static function takes(array $read): array
    {
        $takes = [];
        foreach ($read['routines'] as $routine) {
            $made = new Routine($routine['id'], $routine['name'], [], null, Steps::make($routine['steps']), Steps::make($routine['if_fails']));
            foreach ($made->flat() as $step) {
                $takes = $step instanceof TakeStep ? [...$takes, [$step->with, $step->thing]] : $takes;
            }
        }

        return $takes;
    }

    /**
     * A motion is homed onto a sensor only where that stands at an end of it, or comes round.
     *
     * @param  array<string, mixed>  $read
     * @param  array<string, Motion>  $motions
     */
    private function homes(array $read, array $motions): void
    {
        foreach ($read['routines'] as $i => $routine) {
            foreach ((new Routine($routine['id'], $routine['name'], [], null, Steps::make($routine['steps']),
                Steps::make($routine['if_fails'])))->flat() as $path => $step) {
                $switch = $step->refersTo()['switch'][1] ?? null;
                $motion = $motions[$step->motion() ?? ''] ?? null;
                if ($switch !== null && $motion !== null && $motion->stops->switch($switch) === null) {
                    $this->errors->add("routines.{$i}.{$path}.switch",
                        "{$switch} tells no place at an end of {$motion->name}: nothing finds it from anywhere.");
                }
            }
        }
    }

    /**
     * @template T
     *
     * @param  list<array<string, mixed>>  $entries
     * @param  callable(array<string, mixed>): T  $make
     * @return array<string, T>
     */
    private function byId(array $entries, callable $make): array
    {
        $made = [];
        foreach ($entries as $entry) {
            $made[$entry['id']] = $make($entry);
        }

        return $made;
    }

    /**
     * @param  array<string, mixed>  $read
     * @param  array<string, Supply>  $supplies
     * @param  array<string, AirTank>  $tanks
     * @param  list<array<string, mixed>>  $sensors
     */
    private function motion(array $read, array $supplies, array $tanks, array $sensors, WiringPlan $wiring, string $path): ?Motion
    {
        $measured = $read['measured'] === null ? null : new Refitted(...$read['measured']);
        try {
            $part = 'mechanism';
            Mechanisms::make($read['mechanism']);
            $part = $measured === null ? $part : 'measured.mechanism';
            $mechanism = Mechanisms::make($measured?->over($read['mechanism']) ?? $read['mechanism']);
            $part = 'drive.motor';
            $drive = $read['drive'] === null
                ? null
                : new DriveChoice(...['one' => Drives::make($read['drive']['motor']), 'supply' => $supplies[$read['drive']['supply']],
                    'selector' => new Selector(...$read['drive']['selector'] ?? []),
                    'air' => $tanks[$read['drive']['air'] ?? array_key_first($tanks) ?? ''] ?? null] + array_diff_key($read['drive'], ['motor' => true]));
            if ($drive !== null && $drive->motors > 1 && Drives::isAlone($drive->one)) {
                $this->errors->add("{$path}.drive.motors", 'Each of these needs a driver of its own: several of them cannot share one.');

                return null;
            }
            $drive = $drive === null ? null : Leads::to($drive, $wiring, $drive->shares === null ? $read['id'] : MotorGroup::owner($read['id'],
                $this->shares),
                Supply::sourceOf($drive->supply, $supplies)->fuse_A);
        } catch (ImpossibleValue $wrong) {
            $this->errors->add("{$path}.{$part}.{$wrong->field}", ucfirst(substr($wrong->getMessage(), strlen($wrong->field) + 1)));

            return null;
        }
        $task = $read['task'];
        $stops = $read['stops'];

        $motion = new Motion(
            $read['id'],
            $read['name'],
            Segmented::over($mechanism, self::segments($mechanism, $read['segments'])),
            array_values(array_map(fn (array $place): Place => new Place(...$place), [...$read['places'], ...Dial::places($read)])),
            new Task(...['profile' => Profile::from($task['profile']), 'payload' => Payload::from($task['payload'])] + $task),
            $measured === null ? $drive : $measured->drive($drive),
            $measured?->train(Stages::make($read['train'])) ?? Stages::make($read['train']),
            new Stops($stops['hard_low'], $stops['hard_high'],
                array_values(array_map(fn (array $switch): LimitSwitch => new LimitSwitch(...$switch), $stops['switches'])), $stops['brakes'],
                $stops['encoder_pulses']),
            $read['layout'] === null ? null : Layouts::make($read['layout']),
            $read['mount'] === null ? null : new Mount(...$read['mount']),
            array_values(array_map(fn (array $body): Body => new Body(...$body), $read['bodies'])),
            $read['latch'] === null ? null : new Latch(...$read['latch']),
            $read['level'] === null ? null : new Level(...$read['level']),
            $measured,
        );

        return $motion->withStops($motion->stops->but(['marks' => Marks::of($motion,
            array_filter($sensors, fn (array $sensor): bool => $sensor['motion'] === $motion->id))]));
    }

    /**
     * @param  list<array<string, mixed>>  $read
     * @return list<Segment>
     */
    private static function segments(Mechanism $mechanism, array $read): array
    {
        $unit = $mechanism->positionUnit();
        $lever = $mechanism->travelPerRad();

        return array_map(fn (array $segment): Segment => $unit === PositionUnit::Degrees
            ? new Segment($unit->toSi($segment['from']), $unit->toSi($segment['to']), $segment['load_Nm'], $segment['drag_Nm'])
            : new Segment($segment['from'], $segment['to'], $segment['load_N'] * $lever, $segment['drag_N'] * $lever), $read);
    }

    /** @param  array<string, mixed>  $read */
    private function scenario(array $read): Scenario
    {
        return (new Scenario($read['id'], $read['name'], $read['until_s'], array_column($read['starts_at'], 'at', 'motion'), [],
            ClockIs::seconds($read['clock'])))->with(...array_map(WorldEvents::make(...), $read['events']));
    }
}
