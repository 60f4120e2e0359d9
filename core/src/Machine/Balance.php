<?php

declare(strict_types=1);

namespace Brookstone\Core\Machine;

use Brookstone\Core\Numeric\Hull;
use Brookstone\Core\Parts\Body;
use Brookstone\Core\Quantity\Constants;
use Brookstone\Core\Solid\Inertia;
use Brookstone\Core\Solid\Vector;

/**
 * Everything on the stage as one thing: what it weighs, where its centre is, and whether it tips over its feet. Those are where its frame is lowest.
 *
 * While something speeds up or brakes, what counts is where the pull of weight and of what is braked passes the ground (zero moment point: Vukobratović &
 * Borovac, Int. J. Humanoid Robotics 1 (2004), §2).
 */
final readonly class Balance
{
    private const LEVEL_M = 0.001; // feet stand level to that

    /** @var list<Vector> corners of what it stands on, anticlockwise from above; none without a frame */
    public array $feet;

    private Inertia $frame;

    public function __construct(private Stage $stage)
    {
        $frame = array_values(array_filter($stage->things, fn (Body $thing): bool => $thing->is === 'frame'));
        $all = Inertia::none();
        foreach ($frame as $body) {
            $all = $all->plus($body->inertia());
        }
        foreach ($stage->motions as $id => $motion) {
            $all = $motion->mount?->on === null ? $all->plus($stage->driveOf($id)) : $all;
        }
        $this->frame = $all;
        $lowest = self::lowest($frame);
        $feet = Hull::around(array_map(fn (Vector $point): array => [$point->x, $point->y], $lowest));
        $this->feet = count($feet) < 3 ? [] : array_map(fn (array $corner): Vector => new Vector($corner[0], $corner[1], $lowest[0]->z), $feet);
    }

    /**
     * All of it in a pose.
     *
     * @param  array<string, float>  $pose
     */
    public function all(array $pose): Inertia
    {
        $all = $this->frame;
        [, $moved] = $this->stage->placed($pose);
        foreach ($this->stage->motions as $id => $motion) {
            $all = $all->plus($this->stage->own($id)->placed($moved[$id]));
        }

        return $all;
    }

    /** It has feet, and something weighs on them. */
    public function canTip(): bool
    {
        return count($this->feet) > 2 && $this->all([])->mass_kg > 0.0;
    }

    /**
     * How far inside of its feet the centre is, over the nearest edge, m; below 0 where it tips.
     *
     * @param  array<string, float>  $pose
     */
    public function margin_m(array $pose): float
    {
        $centre = $this->all($pose)->centre;

        return $this->inside($centre->x, $centre->y);
    }

    /**
     * So far it can be tilted until it tips, degrees.
     *
     * @param  array<string, float>  $pose
     */
    public function tilt_deg(array $pose): float
    {
        $all = $this->all($pose);
        $ground = $this->feet === [] ? 0.0 : $this->feet[0]->z;

        return atan2($this->inside($all->centre->x, $all->centre->y), max(1e-9, $all->centre->z - $ground)) / Constants::RAD_PER_DEG;
    }

    /**
     * The pose in which it takes the least tilt to tip it.
     *
     * @return array<string, float>
     */
    public function worst(): array
    {
        return PoseSearch::most($this->stage, array_keys($this->stage->motions), fn (array $pose): float => -$this->tilt_deg($pose))[0];
    }

    /**
     * The same as margin_m() while one motion speeds up or slows down, as hard as its task asks for, the worse way.
     *
     * @param  array<string, float>  $pose
     */
    public function braking_m(string $motion, array $pose): float
    {
        $its = $this->stage->motions[$motion];
        $accel = $its->move()->peakAccel() / $its->mechanism->travelPerRad() * abs($this->perRad($motion, $pose));
        $all = $this->all($pose);
        $stands = $this->stage->stands($motion, $pose);
        $along = $stands->way($this->stage->goes($motion)->along);
        $carried = $this->stage->carried($motion, $pose)->placed($stands->then($this->stage->moves($motion, $this->stage->at($motion, $pose))));
        $ground = $this->feet === [] ? 0.0 : $this->feet[0]->z;
        $margin = INF;
        foreach ([$accel, -$accel] as $hard) {
            $goes = $this->stage->goes($motion)->turns ? $along->cross($carried->centre->minus($stands->at))->times($hard) : $along->times($hard);
            $force = $goes->times($carried->mass_kg);
            $down = $all->mass_kg * Constants::GRAVITY_M_S2 + $force->z;
            $up = $carried->centre->z - $ground;
            $margin = $down <= 0.0 ? -INF : min($margin, $this->inside(
                ($all->mass_kg * Constants::GRAVITY_M_S2 * $all->centre->x + $force->z * $carried->centre->x - $force->x * $up) / $down,
                ($all->mass_kg * Constants::GRAVITY_M_S2 * $all->centre->y + $force->z * $carried->centre->y - $force->y * $up) / $down,
            ));
        }

        return $margin;
    }

    /**
     * How far its follower turns or slides for a radian of its shaft.
     *
     * @param  array<string, float>  $pose
     */
    private function perRad(string $motion, array $pose): float
    {
        $its = $this->stage->motions[$motion];
        $at = $pose[$motion] ?? $its->at($its->task->from);
        $h = 1e-4;
        $more = $its->unit()->fromSi($its->unit()->toSi($at) + $h);
        $less = $its->unit()->fromSi($its->unit()->toSi($at) - $h);

        return ($this->stage->at($motion, [$motion => $more] + $pose) - $this->stage->at($motion, [$motion => $less] + $pose)) / (2 * $h)
            * $its->mechanism->travelPerRad();
    }

    private function inside(float $x, float $y): float
    {
        $least = INF;
        foreach ($this->feet as $i => $corner) {
            $next = $this->feet[($i + 1) % count($this->feet)];
            [$dx, $dy] = [$next->x - $corner->x, $next->y - $corner->y];
            $least = min($least, ($dx * ($y - $corner->y) - $dy * ($x - $corner->x)) / hypot($dx, $dy));
        }

        return $least;
    }

    /**
     * Where the frame stands: the lowest corners of its boxes, and what is lowest of its rods and balls.
     *
     * @param  list<Body>  $frame
     * @return list<Vector>
     */
    private static function lowest(array $frame): array
    {
        $points = [];
        foreach ($frame as $body) {
            foreach ($body->solid->corners() as $corner) {
                $points[] = $body->placement->point($corner)->minus(new Vector(0.0, 0.0, $body->solid->skin_m));
            }
        }
        $ground = $points === [] ? 0.0 : min(array_map(fn (Vector $point): float => $point->z, $points));

        return array_values(array_filter($points, fn (Vector $point): bool => $point->z <= $ground + self::LEVEL_M));
    }
}
