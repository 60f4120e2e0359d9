<?php

declare(strict_types=1);

namespace Brookstone\Core\Simulation;

use Brookstone\Core\Build\Build;
use Brookstone\Core\Drive\AirCylinder;
use Brookstone\Core\Parts\AirTank;

/** All tanks of a build during a run. */
final readonly class Air
{
    /** @var list<AirState> */
    public array $tanks;

    /** @param  array<string, Axis>  $axes */
    public function __construct(Build $build, array $axes)
    {
        $feeds = fn (AirTank $tank, Axis $axis): bool => $axis->motion->drive?->motor instanceof AirCylinder && $axis->motion->drive->shares === null
            && $axis->motion->drive->air?->id === $tank->id;
        $this->tanks = array_values(array_map(fn (AirTank $tank): AirState => new AirState($tank, array_values(array_filter($axes,
            fn (Axis $axis): bool => $feeds($tank, $axis)))), $build->tanks));
    }

    /** Air is being taken now: it must be looked at each scan. */
    public function isUsed(): bool
    {
        foreach ($this->tanks as $tank) {
            if ($tank->isUsed()) {
                return true;
            }
        }

        return false;
    }

    /** The compressor of a tank gives so many times the air that it should. */
    public function gives(string $tank, float $share): void
    {
        foreach ($this->tanks as $each) {
            if ($each->tank->id === $tank) {
                $each->isGivenBy($share);
            }
        }
    }

    /** What compressors take of a supply now, A. */
    public function takes_A(string $supply): float
    {
        return array_sum(array_map(fn (AirState $tank): float => $tank->takes_A($supply), $this->tanks));
    }

    /** @return array<string, float> by tank, free air that was taken of it since the run began, l */
    public function used_l(): array
    {
        return array_combine(array_map(fn (AirState $tank): string => $tank->tank->id, $this->tanks),
            array_map(fn (AirState $tank): float => $tank->used_l(), $this->tanks));
    }

    /** For how long nothing of it changes by itself, s. */
    public function staysFor_s(): float
    {
        return min([INF, ...array_map(fn (AirState $tank): float => $tank->staysFor_s(), $this->tanks)]);
    }

    /**
     * So much time has gone by.
     *
     * @param  bool  $powered  the power is there: without it no compressor runs
     * @return int how many compressors were switched
     */
    public function goesOn(float $now, float $for_s, bool $powered, Recorder $recorder): int
    {
        $switched = 0;
        foreach ($this->tanks as $tank) {
            [$isSwitched, $ranOut] = $tank->goesOn($now, $for_s, $powered);
            $switched += (int) $isSwitched;
            if ($ranOut) {
                $recorder->runsOut($now, $tank->tank, $tank->bar());
            }
        }

        return $switched;
    }
}
