<?php

declare(strict_types=1);

namespace Brookstone\Core\Simulation;

use Brookstone\Core\Drive\AirCylinder;
use Brookstone\Core\Parts\AirTank;

/**
 * One tank during a run: what its cylinders take of it as they move, what its compressor puts in, and the pressure that is left for them. What moves
 * unpowered takes nothing of it.
 */
final class AirState
{
    private const UNDER = 0.98; // of the pressure at which its compressor starts: less counts as running out

    private float $bar;

    private bool $fills = false;

    private float $gives = 1.0; // times what its compressor should

    private bool $isOut = false; // it was told that it has run out

    private float $used_l = 0.0;

    private float $lowest_bar;

    private float $lowest_at_s = 0.0;

    private float $filled_s = 0.0;

    /** @var list<float> bar */
    private array $samples = [];

    /** @var array<int, float> by cylinder, how far it is out, m */
    private array $stood;

    /** @param  list<Axis>  $axes  what it feeds */
    public function __construct(public readonly AirTank $tank, private readonly array $axes)
    {
        $this->bar = $this->lowest_bar = $tank->high_bar;
        $this->blows();
        $this->stood = array_map(self::out_m(...), $axes);
    }

    /** Air is being taken of it now: it must be looked at each scan. */
    public function isUsed(): bool
    {
        return array_filter($this->axes, fn (Axis $axis): bool => $axis->isPowered() && $axis->shaftSpeed() > 0.0) !== [];
    }

    /** What its compressor takes of a supply now, A. */
    public function takes_A(string $supply): float
    {
        return $this->fills && $this->tank->supply === $supply ? $this->tank->compressor_A : 0.0;
    }

    /** Its compressor gives so many times what it should. */
    public function isGivenBy(float $share): void
    {
        $this->gives = $share;
    }

    /** For how long nothing of it changes by itself, s. */
    public function staysFor_s(): float
    {
        $gives = $this->gives * $this->tank->compressor_l_min / 60;

        return $this->fills && $gives > 0.0 ? $this->tank->gives_l($this->tank->high_bar, $this->bar) / $gives : INF;
    }

    public function bar(): float
    {
        return $this->bar;
    }

    /**
     * So much time has gone by.
     *
     * @param  bool  $powered  the power is there: without it no compressor runs
     * @return array{bool, bool} its compressor was switched; it has just run out
     */
    public function goesOn(float $now, float $for_s, bool $powered): array
    {
        $before = $this->bar;
        foreach ($this->axes as $i => $axis) {
            $out = self::out_m($axis);
            $moved = abs($out - $this->stood[$i]);
            $this->stood[$i] = $out;
            $cylinder = $axis->motion->drive?->motor;
            if ($moved > 0.0 && $axis->isPowered() && $cylinder instanceof AirCylinder) {
                $air = $moved * $cylinder->air_l_m($this->bar);
                $this->used_l += $air;
                $this->bar = max(0.0, $this->bar - $this->tank->falls_bar($air));
            }
        }
        if ($this->fills && $powered) {
            $fills_s = min($for_s, $this->staysFor_s());
            $this->bar = min($this->tank->high_bar, $this->bar + $this->tank->falls_bar($this->gives * $this->tank->compressor_l_min * $fills_s / 60));
            $this->filled_s += $fills_s;
        }
        if ($this->bar < $this->lowest_bar) {
            [$this->lowest_bar, $this->lowest_at_s] = [$this->bar, $now];
        }
        $filled = $this->fills;
        $this->fills = $this->tank->hasCompressor() && $powered && ($this->fills ? $this->bar < $this->tank->high_bar : $this->bar <= $this->tank->low_bar);
        if ($this->bar !== $before) {
            $this->blows();
        }
        $was = $this->isOut;
        $this->isOut = $this->bar < self::UNDER * $this->tank->low_bar;

        return [$filled !== $this->fills, $this->isOut && ! $was];
    }

    /** What each of its cylinders has to push with now, over what is reckoned with. */
    private function blows(): void
    {
        foreach ($this->axes as $axis) {
            $drive = $axis->motion->drive;
            $cylinder = $drive?->motor;
            if ($cylinder instanceof AirCylinder) {
                $least_N = $cylinder->force_N();
                $full = $drive->one;
                $axis->motor()->blownWith($least_N > 0.0 && $full instanceof AirCylinder ? $full->force_N($this->bar) / $least_N : 1.0);
            }
        }
    }

    private static function out_m(Axis $axis): float
    {
        $cylinder = $axis->motion->drive?->motor;

        return $cylinder instanceof AirCylinder ? $axis->angle() * $axis->motion->train->ratio() * $cylinder->lever_m : 0.0;
    }

    public function sample(): void
    {
        $this->samples[] = round($this->bar, Recorder::DIGITS) + 0.0;
    }

    /** @return array<string, mixed> as Schemas has it */
    public function written(float $ran_s): array
    {
        return [
            'tank' => $this->tank->id, 'name' => $this->tank->name, 'high_bar' => $this->tank->high_bar, 'low_bar' => $this->tank->low_bar,
            'pressure_bar' => $this->samples, 'lowest_bar' => round($this->lowest_bar, Recorder::DIGITS), 'lowest_at_s' => round($this->lowest_at_s, 9),
            'used_l' => round($this->used_l, Recorder::DIGITS), 'share_on' => $ran_s > 0.0 ? round($this->filled_s / $ran_s, Recorder::DIGITS) : 0.0,
        ];
    }

    /** Free air that was taken of it since the run began, l. */
    public function used_l(): float
    {
        return $this->used_l;
    }
}
