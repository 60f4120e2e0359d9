<?php

declare(strict_types=1);

namespace Brookstone\Core\Machine;

use Brookstone\Core\Mechanism\OnStage;
use Brookstone\Core\Parts\Body;
use Brookstone\Core\Parts\Motion;
use Brookstone\Core\Solid\Inertia;
use Brookstone\Core\Solid\Placement;
use Brookstone\Core\Solid\Vector;

/**
 * The motions of a build that have been given a place, and what stands on what. A pose is where each motion is, in its own unit; one that a pose leaves out is
 * where its task begins. Frames of a chain of joints: Craig, Introduction to Robotics, 3rd ed., §2.3 and §3.
 */
final readonly class Stage
{
    /** @var array<string, Motion> by id, each after what it stands on */
    public array $motions;

    /** @var array<string, OnStage> */
    private array $goes;

    /** @var array<string, list<string>> what stands on each */
    private array $children;

    /** @var array<string, Placement> of its mount on what it stands on */
    private array $mounts;

    private const MOST_PLACES = 8;

    private const MOST_POSES = 200;

    /** @var array<string, Inertia> what each takes up at most, as it lies in what it moves */
    private array $loads;

    /** @var array<string, Inertia> what each moves by itself, and the drives that sit on that */
    private array $own;

    /**
     * @param  array<string, Motion>  $motions  by id; no ring of mounts among them
     * @param  list<Body>  $things  that stand on the base
     * @param  list<array{string, string}>  $takes  motions, and what they take up
     */
    public function __construct(array $motions, public array $things = [], array $takes = [])
    {
        $mounted = array_filter($motions, fn (Motion $motion): bool => $motion->mount !== null);
        $ordered = $children = [];
        while (count($ordered) < count($mounted)) {
            $before = count($ordered);
            foreach ($mounted as $id => $motion) {
                $on = $motion->mount->on ?? null;
                if (! isset($ordered[$id]) && ($on === null || isset($ordered[$on]))) {
                    $ordered[$id] = $motion;
                    $children[$id] ??= [];
                    if ($on !== null) {
                        $children[$on][] = $id;
                    }
                }
            }
            if (count($ordered) === $before) {
                throw new \LogicException('A ring of mounts.');
            }
        }
        $this->motions = $ordered;
        $this->children = $children;
        $this->goes = array_map(fn (Motion $motion): OnStage => $motion->mechanism->onStage(), $ordered);
        $this->mounts = array_map(fn (Motion $motion): Placement => $motion->mount?->placement() ?? Placement::still(), $ordered);
        $own = [];
        foreach ($ordered as $id => $motion) {
            $all = $this->moved($id);
            foreach ($children[$id] as $child) {
                $all = $all->plus($this->driveOf($child));
            }
            $own[$id] = $all;
        }
        $this->own = $own;
        $loads = [];
        foreach ($takes as [$motion, $id]) {
            $thing = isset($ordered[$motion]) ? $this->thing($id) : null;
            if ($thing !== null && $thing->inertia()->mass_kg > ($loads[$motion] ?? Inertia::none())->mass_kg) {
                $loads[$motion] = $thing->inertia()->placed($this->heldAt($motion, $thing));
            }
        }
        $this->loads = $loads;
    }

    public function thing(string $id): ?Body
    {
        foreach ($this->things as $thing) {
            if ($thing->id === $id) {
                return $thing;
            }
        }

        return null;
    }

    /** It takes something up, or something that stands on it does. */
    public function takes(string $motion): bool
    {
        return array_intersect_key($this->loads, array_flip([$motion, ...$this->above($motion)])) !== [];
    }

    /** Where a thing is on what takes it up, from where it stands: as it is at the places at which that comes nearest to it. */
    private function heldAt(string $motion, Body $thing): Placement
    {
        $poses = [[]];
        foreach ([$motion, ...$this->under($motion)] as $id) {
            $with = [];
            foreach ($poses as $pose) {
                foreach (array_slice($this->motions[$id]->places, 0, self::MOST_PLACES) as $place) {
                    $with[] = [$id => $place->at] + $pose;
                }
            }
            $poses = count($with) <= self::MOST_POSES ? $with : $poses;
        }
        $nearest = [INF, Placement::still()];
        foreach ($poses as $pose) {
            $moved = $this->placed($pose)[1][$motion];
            $far = INF;
            foreach ($this->motions[$motion]->bodies as $body) {
                $far = min($far, $moved->point($body->placement->at)->minus($thing->placement->at)->length() - $body->solid->reach_m());
            }
            $far = min($far, $moved->at->minus($thing->placement->at)->length());
            $nearest = $far < $nearest[0] ? [$far, $moved] : $nearest;
        }

        return $nearest[1]->back();
    }

    public function goes(string $motion): OnStage
    {
        return $this->goes[$motion];
    }

    /** Where it stands, on what it stands on. */
    public function mount(string $motion): Placement
    {
        return $this->mounts[$motion];
    }

    /** What it moves by itself, and the drives that sit on that, at its zero. */
    public function own(string $motion): Inertia
    {
        return $this->own[$motion];
    }

    /** @return list<string> what stands on it */
    public function on(string $motion): array
    {
        return $this->children[$motion];
    }

    /** @return list<string> what it stands on, and what that stands on, to the base */
    public function under(string $motion): array
    {
        $under = [];
        for ($on = $this->motions[$motion]->mount?->on; $on !== null; $on = $this->motions[$on]->mount?->on) {
            $under[] = $on;
        }

        return $under;
    }

    /** @return list<string> what stands on it, and on that, and so on */
    public function above(string $motion): array
    {
        $above = $this->children[$motion];
        for ($i = 0; $i < count($above); $i++) {
            array_push($above, ...$this->children[$above[$i]]);
        }

        return $above;
    }

    /** @return list<string> all that stand on the base together with it, itself too; itself alone where it is not on the stage */
    public function family(string $motion): array
    {
        $under = isset($this->motions[$motion]) ? $this->under($motion) : [];
        $root = $under === [] ? $motion : $under[count($under) - 1];

        return [$root, ...(isset($this->motions[$root]) ? $this->above($root) : [])];
    }

    /** The masses of its bodies are what it moves, and not what its mechanism was told. */
    public function isWeighed(string $motion): bool
    {
        return array_filter($this->motions[$motion]->bodies, fn (Body $body): bool => $body->mass_kg !== null) !== [];
    }

    /** What it moves by itself, at its zero: its bodies, or what its mechanism was told. */
    public function moved(string $motion): Inertia
    {
        if (! $this->isWeighed($motion)) {
            return $this->goes[$motion]->told();
        }
        $all = Inertia::none();
        foreach ($this->motions[$motion]->bodies as $body) {
            $all = $all->plus($body->inertia());
        }

        return $all;
    }

    /** Its drive, on what it stands on; none where that stays on the base. */
    public function driveOf(string $motion): Inertia
    {
        $drive = $this->motions[$motion]->drive;
        $rides = $drive !== null && $drive->shares === null && $this->motions[$motion]->mount?->drive === 'rides';

        return new Inertia($rides ? $drive->motor->body()->mass_kg : 0.0, $this->mounts[$motion]->at, [0.0, 0.0, 0.0, 0.0, 0.0, 0.0]);
    }

    /**
     * How far it has turned or slid in a pose, rad or m.
     *
     * @param  array<string, float>  $pose
     */
    public function at(string $motion, array $pose): float
    {
        $its = $this->motions[$motion];

        return $this->goes[$motion]->at($its->mechanism, $its->unit()->toSi($pose[$motion] ?? $its->at($its->task->from)));
    }

    /** What it moves, from its mount. */
    public function moves(string $motion, float $at): Placement
    {
        $goes = $this->goes[$motion];

        return $goes->turns ? Placement::turned($goes->along, $at) : Placement::shifted($goes->along->times($at));
    }

    /**
     * Where each mount is in a pose, and what each moves.
     *
     * @param  array<string, float>  $pose
     * @param  list<string>|null  $only  of these; all that they stand on are among them
     * @return array{array<string, Placement>, array<string, Placement>}
     */
    public function placed(array $pose, ?array $only = null): array
    {
        $stands = $moved = [];
        foreach ($this->motions as $id => $motion) {
            if ($only !== null && ! in_array($id, $only, true)) {
                continue;
            }
            $on = $motion->mount?->on;
            $stands[$id] = $on === null ? $this->mounts[$id] : $moved[$on]->then($this->mounts[$id]);
            $moved[$id] = $stands[$id]->then($this->moves($id, $this->at($id, $pose)));
        }

        return [$stands, $moved];
    }

    /**
     * Where the mount of one is.
     *
     * @param  array<string, float>  $pose
     */
    public function stands(string $motion, array $pose): Placement
    {
        $stands = $this->mounts[$motion];
        foreach ($this->under($motion) as $on) {
            $stands = $this->mounts[$on]->then($this->moves($on, $this->at($on, $pose)))->then($stands);
        }

        return $stands;
    }

    /**
     * All that it moves and carries, as it lies in what it moves.
     *
     * @param  array<string, float>  $pose
     * @param  bool  $loaded  with what is taken up
     */
    public function carried(string $motion, array $pose, bool $loaded = false): Inertia
    {
        $all = $loaded && isset($this->loads[$motion]) ? $this->own[$motion]->plus($this->loads[$motion]) : $this->own[$motion];
        foreach ($this->children[$motion] as $child) {
            $carried = $this->carried($child, $pose, $loaded);
            $all = $carried->mass_kg > 0.0
                ? $all->plus($carried->placed($this->mounts[$child]->then($this->moves($child, $this->at($child, $pose))))) : $all;
        }

        return $all;
    }

    /**
     * What it has to move in a pose of everything else.
     *
     * @param  array<string, float>  $pose
     */
    public function posture(string $motion, array $pose, bool $loaded = false): Posture
    {
        return new Posture($this->goes[$motion], $this->carried($motion, $pose, $loaded), $this->goes[$motion]->told(),
            $this->stands($motion, $pose)->wayBack(new Vector(0.0, 0.0, -1.0)));
    }

    /** Anything but what its mechanism was told is moved by it, or it can be tilted: its load is not that of its mechanism alone. */
    public function counts(string $motion): bool
    {
        return $this->isWeighed($motion) || $this->children[$motion] !== [] || $this->under($motion) !== [] || isset($this->loads[$motion]);
    }
}
