<?php

declare(strict_types=1);

namespace Brookstone\Core\Machine;

use Brookstone\Core\Load\Move;
use Brookstone\Core\Mechanism\OnStage;
use Brookstone\Core\Mechanism\Ride;
use Brookstone\Core\Parts\Motion;

/**
 * The load of a motion in the pose of everything else in which its task asks most of it: that of all poses that what it stands on and what stands on it can
 * take between their places. Found when it is first asked for.
 */
final class WorstPose implements Ride
{
    private const SAMPLES = 16;    // of the time of the move

    /** @var array<string, float>|null */
    private ?array $pose = null;

    private Posture $posture;

    private ?self $empty = null;

    /** @param  bool  $loaded  with what it and what stands on it take up */
    public function __construct(private readonly Stage $stage, private readonly string $motion, private readonly bool $loaded = true)
    {
    }

    /** @return array<string, float> where each of the others is, in its own unit */
    public function pose(): array
    {
        $this->look();

        return $this->pose ?? [];
    }

    public function force(float $at): float
    {
        return $this->look()->force($at);
    }

    public function mass(): float
    {
        return $this->look()->mass();
    }

    public function kg(): float
    {
        return $this->look()->kg();
    }

    public function empty(): self
    {
        return ! $this->loaded || ! $this->stage->takes($this->motion) ? $this : $this->empty ??= new self($this->stage, $this->motion, false);
    }

    private function look(): Posture
    {
        if ($this->pose === null) {
            $this->pose = $this->found();
            $this->posture = $this->stage->posture($this->motion, $this->pose, $this->loaded);
        }

        return $this->posture;
    }

    /** @return array<string, float> */
    private function found(): array
    {
        return PoseSearch::most($this->stage, [...$this->stage->under($this->motion), ...$this->stage->above($this->motion)], $this->asks())[0];
    }

    /** @return \Closure(array<string, float>): float the largest torque that its task asks for in a pose, there or back, N·m at its shaft */
    private function asks(): \Closure
    {
        $motion = $this->stage->motions[$this->motion];
        $stage = $this->stage->goes($this->motion);
        $samples = self::samples($motion, $stage);

        return function (array $pose) use ($samples): float {
            $posture = $this->stage->posture($this->motion, $pose, $this->loaded);
            $mass = $posture->mass();
            $most = 0.0;
            foreach ($samples as [$at, $slope, $accel, $static, $friction, $inertia]) {
                $holds = $static + $posture->force($at) * $slope;
                $most = max($most, abs($holds + max(0.0, $inertia + $mass * $slope ** 2) * $accel) + $friction, abs($holds) + $friction);
            }

            return $most;
        };
    }

    /** @return list<array{float, float, float, float, float, float}> how far it has gone, what a radian of the shaft takes it, how it speeds up, its own load */
    private static function samples(Motion $motion, OnStage $stage): array
    {
        $thing = $motion->thing();
        $move = $motion->move();
        $samples = [];
        foreach ($move->profile->pieces() as $piece) {
            for ($i = 0; $i <= self::SAMPLES / 2; $i++) {
                [$way, , $accel] = $move->profile->at($piece[0] + ($piece[1] - $piece[0]) * $i / (self::SAMPLES / 2), $piece);
                $position = $move->from + $move->distance() * $way;
                $perRad = $thing->travelPerRad($position);
                $h = 1e-4 * $perRad;
                $slope = ($stage->at($thing, $position + $h) - $stage->at($thing, $position - $h)) / (2 * $h) * $perRad;
                [$static, $friction, $inertia] = $thing->dynamics($position);
                $samples[] = [$stage->at($thing, $position), $slope, $accel * $move->distance() / $move->seconds ** 2 / $perRad, $static, $friction,
                    $inertia + $motion->rotorFelt()];
            }
        }

        return $samples;
    }
}
