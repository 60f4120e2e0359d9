<?php

declare(strict_types=1);

namespace Brookstone\Core\Build;

use Brookstone\Core\Build\Internal\BuildReader;
use Brookstone\Core\Condition\AllOf;
use Brookstone\Core\Condition\AnyOf;
use Brookstone\Core\Condition\Condition;
use Brookstone\Core\Condition\InputIs;
use Brookstone\Core\Condition\NotSo;
use Brookstone\Core\Drive\AirCylinder;
use Brookstone\Core\Drive\Drive;
use Brookstone\Core\Error\InvalidInput;
use Brookstone\Core\Finding\DocumentPath;
use Brookstone\Core\Machine\Stage;
use Brookstone\Core\Parts\AirTank;
use Brookstone\Core\Parts\Counter;
use Brookstone\Core\Parts\Inventory;
use Brookstone\Core\Parts\LimitSwitch;
use Brookstone\Core\Parts\Meeting;
use Brookstone\Core\Parts\Motion;
use Brookstone\Core\Parts\Output;
use Brookstone\Core\Parts\Sensor;
use Brookstone\Core\Parts\Settings;
use Brookstone\Core\Parts\Supply;
use Brookstone\Core\Routine\Routine;
use Brookstone\Core\Routine\Scenario;
use Brookstone\Core\Wiring\WiringPlan;

/** A whole build: everything that is known of a model with moving parts. Made from its document, which it keeps. */
final readonly class Build extends Inventory
{
    /**
     * @param  array<string, mixed>  $document  canonical: every default filled in, every key in its place
     * @param  array<string, Supply>  $supplies  by id, as the others
     * @param  array<string, Motion>  $motions
     * @param  array<string, Sensor>  $sensors
     * @param  array<string, Output>  $outputs
     * @param  array<string, Routine>  $routines
     * @param  array<string, Scenario>  $scenarios
     * @param  list<Measurement>  $log
     * @param  list<Picture>  $pictures
     * @param  array<string, Counter>  $counters
     * @param  array<string, Rule>  $rules
     * @param  array<string, Meeting>  $meetings
     * @param  array<string, AirTank>  $tanks
     * @param  array<string, EnduranceRun>  $endurance
     */
    public function __construct(
        public array $document,
        public string $name,
        Settings $settings,
        array $supplies,
        array $motions,
        array $sensors,
        array $outputs,
        public array $routines,
        public array $scenarios,
        public array $log,
        public Bystanders $around = new Bystanders,
        public array $pictures = [],
        array $counters = [],
        public array $rules = [],
        public WiringPlan $wiring = new WiringPlan,
        public Stage $stage = new Stage([]),
        public array $meetings = [],
        public array $tanks = [],
        public Making $making = new Making,
        public Upkeep $upkeep = new Upkeep,
        public array $endurance = [],
    ) {
        parent::__construct($settings, $supplies, $motions, $sensors, $outputs, $counters);
    }

    /**
     * @param  mixed  $document  decoded JSON from outside
     *
     * @throws InvalidInput naming every wrong place by its dotted path
     */
    public static function read(mixed $document): self
    {
        return (new BuildReader)->read($document);
    }

    /** @throws InvalidInput */
    public static function fromJson(string $json): self
    {
        $document = json_decode($json, true, 64);
        if ($document === null && trim($json) !== 'null') {
            throw InvalidInput::at('', 'This is not JSON: '.json_last_error_msg().'.');
        }

        return self::read($document);
    }

    /** The file of the build. Reading it back and writing it again gives the same bytes. */
    public function toJson(): string
    {
        return json_encode($this->written(), JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR)."\n";
    }

    /** @return array<string, mixed> the document as JSON has it: what is empty and has names is not a list */
    public function written(): array
    {
        $document = $this->document;
        foreach ($document['motions'] as $i => $motion) {
            $document['motions'][$i]['units'] = (object) $motion['units'];
        }

        return $document;
    }

    /** It has what such a drive needs besides current: air, for a cylinder. */
    public function canFeed(Drive $drive): bool
    {
        return $this->tanks !== [] || ! $drive instanceof AirCylinder;
    }

    /** The index of a motion in the document, for the paths of findings. */
    public function indexOf(string $motion): int
    {
        return (int) array_search($motion, array_keys($this->motions), true);
    }

    /** @return list<float> the shares of its usual speed at which routines drive a motion onto one of its switches, each once, fastest first */
    public function speedsOnto(Motion $motion, LimitSwitch $switch): array
    {
        $speeds = [];
        foreach ($this->routines as $routine) {
            foreach ($routine->flat() as $step) {
                $move = $step->effect($this)->move;
                if ($move !== null && $move->motion === $motion->id && $move->onto?->id === $switch->id) {
                    $speeds[] = $move->speed;
                }
            }
        }
        rsort($speeds);

        return array_values(array_unique($speeds));
    }

    public function routineNamed(string $id): string
    {
        return ($this->routines[$id] ?? null)?->named() ?? $id;
    }

    public function thingNamed(string $id): string
    {
        return $this->stage->thing($id)?->named() ?? $id;
    }

    /**
     * What a condition tells of where motions stand, if it holds or does not: a switch that is on stands for its place.
     *
     * @return array<string, string> places by motion
     */
    public function toldBy(Condition $condition, bool $holds): array
    {
        $places = [];
        foreach (array_keys(array_filter($this->inputsSaid($condition, $holds))) as $input) {
            foreach ($this->motions as $id => $motion) {
                $teller = $motion->stops->switch((string) $input);
                $places += $teller === null ? [] : [$id => $teller->place];
            }
        }

        return $places;
    }

    /**
     * What selectors hold when a condition holds, or does not, where one is told of.
     *
     * @return array<string, bool> by the motion whose drive has the selector: it holds that, or it does not
     */
    public function heldBy(Condition $condition, bool $holds): array
    {
        $said = $this->inputsSaid($condition, $holds);

        $held = [];
        foreach ($this->motorGroups as $id => $group) {
            $tells = $said[$group->tellers()[$id] ?? ''] ?? null;
            $held += $tells === null ? [] : [$id => $tells];
        }

        return $held;
    }

    /** @return non-empty-list<string> a routine and those that it calls, and those that they call */
    public function calledBy(Routine $routine): array
    {
        $called = [$routine->id];
        for ($i = 0; $i < count($called); $i++) {
            foreach ($this->routines[$called[$i]]->flat() as $step) {
                $calls = $step->effect($this)->calls;
                if ($calls !== null && ! in_array($calls, $called, true)) {
                    $called[] = $calls;
                }
            }
        }

        return $called;
    }

    /** @return list<string> motions that a routine moves, by the routines that it calls too */
    public function movedBy(Routine $routine): array
    {
        $motions = [];
        foreach ($this->calledBy($routine) as $id) {
            foreach ($this->routines[$id]->flat() as $step) {
                $motions[] = $step->motion();
            }
        }

        return array_values(array_unique(array_filter($motions, fn (?string $motion): bool => $motion !== null)));
    }

    /** It has steps, and drives for all that it moves: it can be rehearsed. */
    public function isComplete(Routine $routine): bool
    {
        return $routine->steps !== [] && array_filter($this->movedBy($routine), fn (string $motion): bool => $this->motions[$motion]->drive === null) === [];
    }

    /** A routine moves it that can be rehearsed. */
    public function isRehearsed(string $motion): bool
    {
        return array_filter($this->routines, fn (Routine $routine): bool => in_array($motion, $this->movedBy($routine), true)
            && $this->isComplete($routine)) !== [];
    }

    /** @return array<string, bool> of each sensor and switch that must then be on or off */
    private function inputsSaid(Condition $condition, bool $holds): array
    {
        return match (true) {
            $condition instanceof NotSo => $this->inputsSaid($condition->that, ! $holds),
            ($condition instanceof AllOf && $holds) || ($condition instanceof AnyOf && ! $holds) => array_merge(
                ...array_map(fn (Condition $part): array => $this->inputsSaid($part, $holds), $condition->of)),
            $condition instanceof InputIs => [$condition->sensor => $condition->on === $holds],
            default => [],
        };
    }

    /** The same with another motion in the place of one: its document stays as it is. */
    public function withMotion(Motion $motion): self
    {
        return new self($this->document, $this->name, $this->settings, $this->supplies, [...$this->motions, $motion->id => $motion], $this->sensors,
            $this->outputs, $this->routines, $this->scenarios, $this->log, $this->around, $this->pictures, $this->counters, $this->rules, $this->wiring,
            $this->stage, $this->meetings, $this->tanks, $this->making, $this->upkeep, $this->endurance);
    }

    /** @return array<string, mixed>|null the motion, routine, sensor or the like that a path lies in, as the document has it */
    public function recordAt(string $path): ?array
    {
        $at = DocumentPath::of($path);
        $list = $this->document[$at->key(0)] ?? null;
        $record = is_array($list) ? $list[$at->key(1) ?? ''] ?? null : null;

        return is_array($record) ? $record : null;
    }
}
