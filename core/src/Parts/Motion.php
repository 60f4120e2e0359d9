<?php

declare(strict_types=1);

namespace Brookstone\Core\Parts;

use Brookstone\Core\Drive\AirCylinder;
use Brookstone\Core\Finding\Named;
use Brookstone\Core\Load\Move;
use Brookstone\Core\Load\Ramp;
use Brookstone\Core\Mechanism\Carrying;
use Brookstone\Core\Mechanism\Feeder;
use Brookstone\Core\Mechanism\Mechanism;
use Brookstone\Core\Mechanism\PositionUnit;
use Brookstone\Core\Mechanism\Ride;
use Brookstone\Core\Mechanism\Segmented;
use Brookstone\Core\Quantity\Constants;
use Brookstone\Core\Train\Layout;
use Brookstone\Core\Train\Stage;
use Brookstone\Core\Train\StageType;
use Brookstone\Core\Train\Train;

/** One thing that moves: from its task to its stops. */
final readonly class Motion
{
    /** Of its travel: so far off it may be where nothing is asked. */
    public const USUAL_TOLERANCE = 0.05;

    private const ELSEWHERE = 0.2; // of its range

    use Named;

    private const LEAST_PATIENCE_S = 20.0;

    private const PATIENCE = 5.0; // times

    private const TURN_DEG = 360.0;

    private const SAMPLES = 24; // of its travel

    private const SAME = 1e-9; // of a period

    public Positioning $positioning;

    private ?float $period;

    /** Where one coming round begins: at 0, or at its lowest place where that lies below. */
    private float $begins;

    /**
     * @param  list<Place>  $places  two or more
     * @param  list<Body>  $bodies  that it moves
     * @param  Latch|null  $latch  that holds it once it is wound
     * @param  Level|null  $level  with what it must stay level
     * @param  Refitted|null  $measured  what measuring has told of it: it is made with that
     */
    public function __construct(
        public string $id,
        public string $name,
        public Mechanism $mechanism,
        public array $places,
        public Task $task,
        public ?DriveChoice $drive,
        public Train $train,
        public Stops $stops,
        public ?Layout $layout = null,
        public ?Mount $mount = null,
        public array $bodies = [],
        public ?Latch $latch = null,
        public ?Level $level = null,
        public ?Refitted $measured = null,
    ) {
        $this->positioning = Positioning::of($drive, $stops, $task->from);
        $thing = $this->thing();
        $this->period = match (true) {
            $task->comes_round !== null => $task->comes_round,
            ! $task->keeps_turning => null,
            $thing instanceof Feeder && $thing->item_pitch_m > 0.0 => $thing->item_pitch_m,
            $this->unit() === PositionUnit::Degrees && $thing->isEndless() => self::TURN_DEG,
            default => null,
        };
        $this->begins = $this->period === null ? 0.0 : min(0.0, $this->range()[0]);
    }

    /** So often its places, switches and sensors repeat, in its own unit; null where it has two ends. */
    public function period(): ?float
    {
        return $this->period;
    }

    /** It turns or rolls on, and no place of it comes round. */
    public function turnsAnywhere(): bool
    {
        return $this->task->keeps_turning && $this->period() === null;
    }

    /** A difference of positions, taken to the nearest coming round of it. */
    public static function wrapped(float $difference, ?float $period): float
    {
        return $period === null ? $difference : $difference - $period * round($difference / $period);
    }

    /** A position within one coming round. */
    public function comesTo(float $position): float
    {
        return $this->period === null ? $position : $position - $this->period * floor(($position - $this->begins) / $this->period);
    }

    /** The way that the pawl of this stage takes it along, 1 up, −1 down: by how that turns when the motion goes up. */
    public function pawlOfStageTakes(int $i): int
    {
        $turnsFor = (new Train(array_slice($this->train->stages, 0, $i)))->direction() * (($this->drive->reversed ?? false) ? -1 : 1);

        return $this->train->stages[$i]->passes === 'forward' ? $turnsFor : -$turnsFor;
    }

    /** The way that a pawl in its train takes it along, 1 up, −1 down; null without one: both. */
    public function pawlTakes(): ?int
    {
        foreach ($this->train->stages as $i => $stage) {
            if ($stage->type === StageType::Pawl) {
                return $this->pawlOfStageTakes($i);
            }
        }

        return null;
    }

    /** Its load, a spring or its weight, brings it back from wherever its pawl took it, once that lets it go by. */
    public function comesBackByItself(): bool
    {
        $takes = $this->pawlTakes();
        if ($takes === null || $this->task->keeps_turning) {
            return false;
        }
        [$low, $high] = array_map($this->unit()->toSi(...), $this->range());
        $after = array_slice($this->train->stages,
            1 + (int) array_key_last(array_filter($this->train->stages, fn (Stage $stage): bool => $stage->type === StageType::Pawl)));
        for ($i = 0; $i <= self::SAMPLES; $i++) {
            $position = $low + ($high - $low) * $i / self::SAMPLES;
            if ($takes * $this->mechanism->staticTorqueNm($position) <= $this->mechanism->frictionNm($position)) {
                return false;
            }
        }

        return (new Train($after))->backEfficiency() > 0.0;
    }

    /** It is never turned back: its driver is a single transistor, or a pawl stands in its train and nothing else brings it back. */
    public function isOneWay(): bool
    {
        return ($this->drive->one_way ?? false) || ($this->pawlTakes() !== null && ! $this->comesBackByItself());
    }

    /**
     * How far it goes from one position to another, own unit: of what comes round forwards to its next coming, or the shorter way where it can be sent
     * there and turned back.
     */
    public function distance(float $from, float $to): float
    {
        $period = $this->period();
        if ($period === null) {
            return $to - $from;
        }
        $forwards = fmod($to - $from, $period);
        $forwards += $forwards < -self::SAME * $period ? $period : 0.0;
        $forwards = $forwards >= $period * (1 - self::SAME) || abs($forwards) < self::SAME * $period ? 0.0 : $forwards;

        return $this->isOneWay() || ! $this->positioning->isSent() || $forwards <= $period / 2 ? $forwards : $forwards - $period;
    }

    public function unit(): PositionUnit
    {
        return $this->mechanism->positionUnit();
    }

    public function place(string $id): ?Place
    {
        foreach ($this->places as $place) {
            if ($place->id === $id) {
                return $place;
            }
        }

        return null;
    }

    /** From an order until its driver has obeyed, s. */
    public function obeysWithin_s(Settings $settings): float
    {
        $valve_s = $this->drive?->motor instanceof AirCylinder ? AirCylinder::SHIFTS_S : 0.0;

        return $settings->driver_s + ($this->drive->late_s ?? 0.0) + $valve_s;
    }

    /** Where a place is, in the motion's own unit. */
    public function at(string $id): float
    {
        return $this->place($id)->at ?? throw new \OutOfBoundsException("{$this->name} has no place {$id}.");
    }

    /** The place that lies exactly there. */
    public function placeAt(float $position): ?Place
    {
        return $this->placeNear($position, 1e-9);
    }

    /** The place that a position is at. @param  float  $share  of the way between its outermost places: how near counts as there */
    public function placeNear(float $position, float $share): ?Place
    {
        [$low, $high] = $this->range();
        $period = $this->period();
        foreach ($this->places as $place) {
            if (abs(self::wrapped($place->at - $position, $period)) <= $share * ($high - $low)) {
                return $place;
            }
        }

        return null;
    }

    /** So far off a place, in its own unit, it stands somewhere else, whatever tolerance is asked for. */
    public function isElsewhere(float $off): bool
    {
        [$low, $high] = $this->range();

        return $off > max($this->task->tolerance ?? 0.0, self::ELSEWHERE * ($high - $low)) * (1 + Constants::TIE);
    }

    /** @return array{float, float} lowest and highest of its places, in its own unit */
    public function range(): array
    {
        $low = INF;
        $high = -INF;
        foreach ($this->places as $place) {
            $low = min($low, $place->at);
            $high = max($high, $place->at);
        }

        return [$low, $high];
    }

    /**
     * The step that brings it there, as documents have it: what its own drive has inside it needs only be sent to.
     *
     * @return array<string, mixed>
     */
    public function homing(LimitSwitch $onto, float $speed, ?float $give_up_s): array
    {
        return ($onto->isOwn ? ['do' => 'go', 'motion' => $this->id, 'place' => $onto->place] : ['do' => 'home', 'motion' => $this->id,
            'switch' => $onto->id]) + ['speed' => $speed, 'give_up_s' => $give_up_s];
    }

    /** The move of its task, in SI. */
    public function move(): Move
    {
        $unit = $this->unit();

        return new Move($unit->toSi($this->at($this->task->from)), $unit->toSi($this->at($this->task->to)), $this->task->move_s, $this->task->profile);
    }

    /** After how long a move that is not there yet is taken for one that never gets there, s: 20 s, or five times what its task asks for. */
    public function patience_s(float $speed = 1.0): float
    {
        return max(self::LEAST_PATIENCE_S, self::PATIENCE * $this->task->move_s / $speed);
    }

    /** How far its shaft turns over the move of its task, rad. */
    public function turn_rad(): float
    {
        $move = $this->move();

        return abs($this->mechanism->turnAt($move->to) - $this->mechanism->turnAt($move->from));
    }

    /** How far its shaft turns from its lowest place to its highest, rad: more than its task where other places lie further out. */
    public function reach_rad(): float
    {
        [$low, $high] = array_map($this->unit()->toSi(...), $this->range());

        return $this->period() !== null ? $this->turn_rad() : max($this->turn_rad(), abs($this->mechanism->turnAt($high) - $this->mechanism->turnAt($low)));
    }

    /**
     * The same as it counts beside what the train has to give the load: the rotor speeds up before the train, and costs none of its losses.
     */
    public function rotorFelt(): float
    {
        return $this->rotorAtLoad() * $this->train->efficiency();
    }

    /**
     * How the command of a stepper goes, at a share of its usual speed: no faster, and no more suddenly, than its task asks; what keeps turning
     * over the time that its drive is ramped up in.
     */
    public function ramp(float $speed = 1.0): Ramp
    {
        $move = $this->move();
        $perRad = $this->mechanism->travelPerRad();
        $most = $move->peakSpeed() / $perRad;
        $ramp_s = $this->drive->ramp_s ?? 0.0;

        return new Ramp($speed * $most, match (true) {
            $move->peakAccel() > 0.0 => $speed ** 2 * $move->peakAccel() / $perRad,
            $ramp_s > 0.0 => $most / $ramp_s,
            default => INF,
        });
    }

    /** The word for a direction, 1 or −1. */
    public function way(int $direction): string
    {
        return $this->mechanism->ways()[$direction > 0 ? 0 : 1];
    }

    /** Inertia of the rotor as the load feels it, kg·m². */
    public function rotorAtLoad(): float
    {
        return ($this->drive?->motor->rotorKgm2() ?? 0.0) * $this->train->ratio() ** 2;
    }

    /** The thing itself, without what it meets on parts of its travel, and what rides on it. */
    public function thing(): Mechanism
    {
        $thing = $this->mechanism instanceof Segmented ? $this->mechanism->inner : $this->mechanism;

        return $thing instanceof Carrying ? $thing->inner : $thing;
    }

    /** What rides on what it moves; null where nothing does. */
    public function ride(): ?Ride
    {
        $thing = $this->mechanism instanceof Segmented ? $this->mechanism->inner : $this->mechanism;

        return $thing instanceof Carrying ? $thing->ride : null;
    }

    /** The same motion with another thing in the same place. */
    public function withThing(Mechanism $thing): self
    {
        return $this->made($thing, $this->ride());
    }

    public function withRide(?Ride $ride): self
    {
        return $this->made($this->thing(), $ride);
    }

    private function made(Mechanism $thing, ?Ride $ride): self
    {
        $thing = $ride === null ? $thing : new Carrying($thing, $ride);

        return $this->withMechanism($this->mechanism instanceof Segmented ? new Segmented($thing, $this->mechanism->segments) : $thing);
    }

    /** Turn of the output shaft for one pulse of its encoder, rad; null without one. */
    public function pulse_rad(): ?float
    {
        return $this->positioning->countsPulses() ? 2 * M_PI / (float) $this->stops->encoder_pulses / $this->train->ratio() : null;
    }

    /** How far one pulse of its encoder takes it, in its own unit; null without one. */
    public function pulseLength(): ?float
    {
        $turn = $this->pulse_rad();

        return $turn === null ? null : abs($this->unit()->fromSi($turn * $this->mechanism->travelPerRad()));
    }

    /** Which way its task goes. */
    public function isThere(float $from, float $to): bool
    {
        return ($to - $from) * ($this->at($this->task->to) - $this->at($this->task->from)) >= 0.0;
    }

    /** What is moved on the way of the task, or back: with its payload, or empty. */
    public function moved(bool $there): Mechanism
    {
        return $this->task->payload->isOn($there) ? $this->mechanism : $this->mechanism->unloaded();
    }

    /** The train with the play that the distances of its shafts add. */
    public function laidTrain(): Train
    {
        return $this->layout !== null && $this->layout->fits($this->train) ? $this->layout->train($this->train) : $this->train;
    }

    /** With its payload on every way, or empty on every way, whatever its task says. */
    public function carrying(bool $payload): self
    {
        return $this->but(['task' => $this->task->carryingAlways(), 'mechanism' => $payload ? $this->mechanism : $this->mechanism->unloaded()]);
    }

    public function withDrive(?DriveChoice $drive): self
    {
        return $this->but(['drive' => $drive]);
    }

    public function withTrain(Train $train): self
    {
        return $this->but(['train' => $train]);
    }

    public function withStops(Stops $stops): self
    {
        return $this->but(['stops' => $stops]);
    }

    public function withMechanism(Mechanism $mechanism): self
    {
        return $this->but(['mechanism' => $mechanism]);
    }

    /** @param  array{mechanism?: Mechanism, drive?: ?DriveChoice, train?: Train, stops?: Stops, task?: Task}  $other */
    private function but(array $other): self
    {
        return new self(...$other + ['id' => $this->id, 'name' => $this->name, 'mechanism' => $this->mechanism, 'places' => $this->places,
            'task' => $this->task, 'drive' => $this->drive, 'train' => $this->train, 'stops' => $this->stops, 'layout' => $this->layout,
            'mount' => $this->mount, 'bodies' => $this->bodies, 'latch' => $this->latch, 'level' => $this->level, 'measured' => $this->measured]);
    }
}
