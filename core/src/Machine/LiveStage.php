<?php

declare(strict_types=1);

namespace Brookstone\Core\Machine;

use Brookstone\Core\Parts\Motion;
use Brookstone\Core\Quantity\Constants;
use Brookstone\Core\Solid\Inertia;
use Brookstone\Core\Solid\Vector;

/**
 * Motions that stand on one another during a run: what each has to move at a moment, as all stand and speed up then. Forces on the chain of joints by
 * Newton and Euler, out from the base and back: Craig, Introduction to Robotics, 3rd ed., §6.5.
 */
final class LiveStage
{
    private const NEXT_S = 1e-7;

    private const SMALL_RAD = 5e-4; // or m: nothing has moved so far since the last look

    private const STEADY = 0.01; // of the same: it changes no more than that from one look to the next

    private const SMALL_ACCEL = 5e-3; // of its largest so far

    /** @var array<string, LiveRide> */
    private array $rides = [];

    /** @var array<string, array{float, float, float}> how far each had turned or slid when it was last worked out, and its speed and acceleration */
    private array $before = [];

    /** @var array<string, float> */
    private array $speeds = [];

    /** @var array<string, float> */
    private array $accels = [];

    /** @var array<string, Inertia> what they have taken up */
    private array $loads = [];

    private float $most = 0.0;

    private float $jerk = 0.0;

    /** @var array<string, Motion> each after what it stands on */
    private readonly array $motions;

    /** @param  list<string>  $family  motions that stand on one another */
    private function __construct(private readonly Stage $stage, array $family)
    {
        $this->motions = array_intersect_key($stage->motions, array_flip($family));
        foreach (array_keys($this->motions) as $id) {
            $this->rides[$id] = new LiveRide(new Posture($stage->goes($id), $stage->goes($id)->told(), Inertia::none(), new Vector(0.0, 0.0, -1.0)),
                $stage->goes($id)->turns);
            $this->speeds[$id] = 0.0;
        }
    }

    /** @return list<self> one for all that stand on one another; what stands alone has the same load whatever the others do */
    public static function all(Stage $stage): array
    {
        $all = [];
        foreach ($stage->motions as $id => $motion) {
            if ($motion->mount?->on === null && ($stage->on($id) !== [] || $stage->takes($id))) {
                $all[] = new self($stage, $stage->family($id));
            }
        }

        return $all;
    }

    /** What one of them weighs does not change as others go on evenly: none turns. */
    public function isEven(): bool
    {
        return array_filter(array_keys($this->motions), fn (string $id): bool => $this->stage->goes($id)->turns) === [];
    }

    /** @return list<string> */
    public function motions(): array
    {
        return array_keys($this->motions);
    }

    /** None will speed up or slow down otherwise than now within a time, as far as the last look tells. */
    public function isSteadyFor(float $seconds): bool
    {
        return $this->jerk * $seconds <= self::STEADY * $this->most;
    }

    /** The same motion with what it carries at the moment. */
    public function live(Motion $motion): Motion
    {
        return $motion->withRide($this->rides[$motion->id]);
    }

    /** A motion carries this from now on, as it lies in what it moves; null nothing. */
    public function carries(string $motion, ?Inertia $load): void
    {
        $this->loads[$motion] = $load ?? Inertia::none();
        $this->before = [];
    }

    /**
     * Where all are now.
     *
     * @param  array<string, array{float, float}>  $now  of each motion its position, SI, and its speed
     * @param  float  $seconds  since the last look; 0 at the beginning
     * @return list<string> motions whose load is another
     */
    public function moved(array $now, float $seconds): array
    {
        $states = [];
        $isOther = $this->before === [];
        $jerk = 0.0;
        foreach ($this->motions as $id => $motion) {
            [$position, $speed] = $now[$id];
            $goes = $this->stage->goes($id);
            $at = $goes->at($motion->mechanism, $position);
            $goesWith = $speed === 0.0 ? 0.0 : ($goes->at($motion->mechanism, $position + self::NEXT_S * $speed) - $at) / self::NEXT_S;
            $accel = $seconds > 0.0 ? ($goesWith - $this->speeds[$id]) / $seconds : 0.0;
            $this->speeds[$id] = $goesWith;
            $this->most = max($this->most, abs($accel));
            $states[$id] = [$at, $goesWith, $accel];
            $jerk = $seconds > 0.0 ? max($jerk, abs($accel - ($this->accels[$id] ?? 0.0)) / $seconds) : $jerk;
            $this->accels[$id] = $accel;
            $before = $this->before[$id] ?? null;
            $isOther = $isOther || $before === null || abs($before[0] - $at) > self::SMALL_RAD || abs($before[2] - $accel) > self::SMALL_ACCEL * $this->most
                || ($goesWith === 0.0) !== ($before[1] === 0.0);
        }
        $this->jerk = $jerk;
        if (! $isOther) {
            return [];
        }
        $this->before = $states;
        $half = $seconds / 2; // as it will be in the middle of what comes

        return $this->load(array_map(fn (array $state): array => [$state[0] + ($state[1] + $state[2] * $half / 2) * $half, $state[1] + $state[2] * $half,
            $state[2]], $states));
    }

    /**
     * @param  array<string, array{float, float, float}>  $states
     * @return list<string> motions whose load is another
     */
    private function load(array $states): array
    {
        $stands = $moved = $spins = $winds = $speedsUp = $own = [];
        foreach ($this->motions as $id => $motion) {
            [$at, $speed, $accel] = $states[$id];
            $on = $motion->mount?->on;
            $mount = $this->stage->mount($id);
            $goes = $this->stage->goes($id);
            $stands[$id] = $on === null ? $mount : $moved[$on]->then($mount);
            $moved[$id] = $stands[$id]->then($this->stage->moves($id, $at));
            $along = $stands[$id]->way($goes->along);
            $spin = $on === null ? Vector::zero() : $spins[$on];
            $wind = $on === null ? Vector::zero() : $winds[$on];
            $up = $on === null ? Vector::zero() : $speedsUp[$on]->plus(self::at($spin, $wind, $stands[$id]->at->minus($moved[$on]->at)));
            if ($goes->turns) {
                $wind = $wind->plus($along->times($accel))->plus($spin->cross($along->times($speed)));
                $spin = $spin->plus($along->times($speed));
            } else {
                $up = $up->plus(self::at($spin, $wind, $along->times($at)))->plus($spin->cross($along->times(2 * $speed)))->plus($along->times($accel));
            }
            [$spins[$id], $winds[$id], $speedsUp[$id]] = [$spin, $wind, $up];
            $own[$id] = $this->stage->own($id)->plus($this->loads[$id] ?? Inertia::none())->placed($moved[$id]);
        }
        $all = $own;
        $forces = $moments = $others = []; // about where each stands
        foreach (array_reverse(array_keys($this->motions)) as $id) {
            $zero = $stands[$id]->at;
            $its = $own[$id];
            $force = $speedsUp[$id]->plus(self::at($spins[$id], $winds[$id], $its->centre->minus($moved[$id]->at)))->times($its->mass_kg);
            $moment = $its->times($winds[$id])->plus($spins[$id]->cross($its->times($spins[$id])))->plus($its->centre->minus($zero)->cross($force));
            foreach ($this->stage->on($id) as $child) {
                $force = $force->plus($forces[$child]);
                $moment = $moment->plus($moments[$child])->plus($stands[$child]->at->minus($zero)->cross($forces[$child]));
                $all[$id] = $all[$id]->plus($all[$child]);
            }
            [$forces[$id], $moments[$id]] = [$force, $moment];
            if ($this->tell($id, $states[$id], $stands[$id]->way($this->stage->goes($id)->along), $zero, $all[$id], $force, $moment)) {
                $others[] = $id;
            }
        }

        return $others;
    }

    /** @param  array{float, float, float}  $state */
    private function tell(string $id, array $state, Vector $along, Vector $zero, Inertia $all, Vector $force, Vector $moment): bool
    {
        $weight = new Vector(0.0, 0.0, -$all->mass_kg * Constants::GRAVITY_M_S2);
        if ($this->stage->goes($id)->turns) {
            $mass = $all->aboutAxis($zero, $along);
            $ahead = $along->cross($all->centre->minus($zero));

            $pushes = $moment->dot($along) - $mass * $state[2];

            return $this->rides[$id]->is($state[0], -$ahead->dot($weight), -$along->cross($ahead)->dot($weight), $pushes, $mass, $all->mass_kg);
        }

        return $this->rides[$id]->is(0.0, -$weight->dot($along), 0.0, $force->dot($along) - $all->mass_kg * $state[2], $all->mass_kg, $all->mass_kg);
    }

    /** How a point of something that spins and winds up speeds up. */
    private static function at(Vector $spin, Vector $wind, Vector $from): Vector
    {
        return $wind->cross($from)->plus($spin->cross($spin->cross($from)));
    }
}
