<?php

declare(strict_types=1);

namespace Tests\Support;

use Brookstone\Core\Build\Build;
use Brookstone\Core\Machine\Stage;
use Brookstone\Core\Solid\Vector;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** Machines in which motions stand on one another, made by a seed. */
final class Trees
{
    private Randomizer $random;

    public function __construct(int $seed)
    {
        $this->random = new Randomizer(new Mt19937($seed));
    }

    public function number(float $from, float $to): float
    {
        return $from + ($to - $from) * $this->random->getInt(0, 1_000_000) / 1_000_000;
    }

    /**
     * Each of its motions stands on the base or on one before it; its bodies are boxes.
     *
     * @param  list<string>|null  $kinds  of mechanisms; null is any
     * @param  float  $bare  share of motions without bodies: only what their mechanism was told
     */
    public function build(int $motions, ?array $kinds = null, float $bare = 0.3): Build
    {
        $kinds ??= ['arm', 'turntable', 'slide', 'hoist', 'pushed', 'crank', 'crank_rocker'];
        $made = [];
        for ($i = 0; $i < $motions; $i++) {
            $kind = $kinds[$this->random->getInt(0, count($kinds) - 1)];
            $made[] = self::motion($kind, "m{$i}") + [
                'mount' => ['on' => $i === 0 || $this->number(0, 1) < 0.15 ? null : 'm'.$this->random->getInt(0, $i - 1), 'x_m' => $this->number(-0.2, 0.2),
                    'y_m' => $this->number(-0.2, 0.2), 'z_m' => $this->number(-0.2, 0.4), 'heading_deg' => $this->number(-180, 180)],
                'bodies' => $this->number(0, 1) < $bare ? [] : array_map($this->box(...), range(0, $this->random->getInt(0, 2))),
            ];
        }

        return Build::read(['format' => 'brookstone-build', 'version' => 1, 'name' => 'Tree', 'motions' => $made]);
    }

    /** @return array<string, float> any position of each motion between its places */
    public function pose(Stage $stage): array
    {
        $pose = [];
        foreach ($stage->motions as $id => $motion) {
            $pose[$id] = $this->number(...$motion->range());
        }

        return $pose;
    }

    /** @return array<string, mixed> */
    public function box(int $i): array
    {
        return ['id' => "b{$i}", 'name' => "Box {$i}", 'x_m' => $this->number(-0.2, 0.2), 'y_m' => $this->number(-0.2, 0.2), 'z_m' => $this->number(-0.2, 0.2),
            'length_m' => $this->number(0.01, 0.2), 'width_m' => $this->number(0.01, 0.2), 'height_m' => $this->number(0.01, 0.2),
            'heading_deg' => $this->number(-180, 180), 'lean_deg' => $this->number(-90, 90), 'mass_kg' => $this->number(0.05, 0.5)];
    }

    /** @return array<string, mixed> one that moves, as documents have it */
    public static function motion(string $kind, string $id): array
    {
        [$mechanism, $low, $high] = match ($kind) {
            'arm' => [['mass_kg' => 0.3, 'cg_m' => 0.1, 'payload_kg' => 0.05, 'payload_m' => 0.2, 'inertia_kgm2' => 0.006], -40.0, 60.0],
            'turntable' => [['disc_mass_kg' => 0.4, 'disc_radius_m' => 0.06, 'friction_Nm' => 0.01, 'tilt_deg' => 15.0], -70.0, 50.0],
            'slide' => [['mass_kg' => 0.5, 'pulley_radius_m' => 0.01, 'friction_coefficient' => 0.1, 'incline_deg' => 20.0], 0.0, 0.2],
            'hoist' => [['mass_kg' => 0.4, 'drum_radius_m' => 0.01], 0.0, 0.3],
            'pushed' => [['arm_m' => 0.01, 'horn_m' => 0.02, 'pivot_distance_m' => 0.08, 'mass_kg' => 0.05, 'cg_m' => 0.04, 'balance_deg' => 25.0], -40.0,
                40.0],
            'crank' => [['crank_m' => 0.02, 'rod_m' => 0.08, 'slider_mass_kg' => 0.2, 'axis_deg' => 40.0], 20.0, 160.0],
            'crank_rocker' => [['crank_m' => 0.012, 'coupler_m' => 0.05, 'rocker_m' => 0.035, 'ground_m' => 0.055, 'mass_kg' => 0.1, 'cg_m' => 0.05,
                'figure_deg' => 30.0], 0.0, 180.0],
            default => throw new \OutOfBoundsException($kind),
        };

        return [
            'id' => $id, 'name' => ucfirst($id), 'mechanism' => ['kind' => $kind] + $mechanism,
            'places' => [['id' => 'low', 'name' => 'Low', 'at' => $low], ['id' => 'high', 'name' => 'High', 'at' => $high]],
            'task' => ['from' => 'low', 'to' => 'high', 'move_s' => 1.0],
        ];
    }

    /**
     * All that a motion moves and carries, as mass points in space: a box moves as six of them in the middles of its faces would, and a point is one.
     *
     * @param  array<string, float>  $pose
     * @return list<array{float, Vector}> kg, m
     */
    public static function points(Stage $stage, string $motion, array $pose): array
    {
        [, $moved] = $stage->placed($pose);
        $points = [];
        foreach ([$motion, ...$stage->above($motion)] as $id) {
            foreach ($stage->motions[$id]->bodies as $body) {
                $at = $moved[$id]->then($body->placement);
                foreach ([[1, 0, 0], [-1, 0, 0], [0, 1, 0], [0, -1, 0], [0, 0, 1], [0, 0, -1]] as [$x, $y, $z]) {
                    $half = $body->solid->half;
                    $points[] = [$body->mass_kg / 6, $at->point(new Vector($x * $half->x, $y * $half->y, $z * $half->z))];
                }
            }
            foreach ($stage->isWeighed($id) ? [] : $stage->goes($id)->masses as [$kg, $own]) {
                $points[] = [$kg, $moved[$id]->point($own)];
            }
        }

        return $points;
    }
}
