<?php

declare(strict_types=1);

namespace Brookstone\Core\Mechanism;

/** A mechanism to which something has happened: its load grew, it drags, or something holds it fast. */
final readonly class Burdened implements Mechanism
{
    use DelegatesToInner;

    private const HELD_NM = 1e4; // nothing in this trade pushes through that

    private const RUBS = 0.1; // of its load, that a dragging mechanism rubs besides

    /**
     * @param  float  $heavier  so many times its load and inertia
     * @param  float  $drags  so many times its friction; 1 is as usual
     * @param  float  $rubs  so many times its friction, and nothing else
     * @param  array{float, float}|null  $held  where it is held fast, SI, from lowest to highest
     * @param  float  $adds_Nm  load of something else that is moved with it
     * @param  float  $adds_kgm2  and the inertia of that
     */
    public function __construct(public Mechanism $inner, public float $heavier = 1.0, public float $drags = 1.0, public ?array $held = null,
        public float $rubs = 1.0, public float $adds_Nm = 0.0, public float $adds_kgm2 = 0.0)
    {
    }

    public function staticTorqueNm(float $position): float
    {
        return $this->heavier * $this->inner->staticTorqueNm($position) + $this->adds_Nm;
    }

    public function frictionNm(float $position): float
    {
        $holds = $this->held !== null && $position >= $this->held[0] && $position <= $this->held[1];
        $friction = $this->rubs * $this->inner->frictionNm($position);

        return ($this->drags > 1.0 ? $this->drags * $friction + self::RUBS * abs($this->inner->staticTorqueNm($position)) : $friction)
            + ($holds ? self::HELD_NM : 0.0);
    }

    public function inertiaKgm2(float $position): float
    {
        return $this->heavier * $this->inner->inertiaKgm2($position) + $this->adds_kgm2;
    }

    public function inertiaSlopeKgm2(float $position): float
    {
        return $this->heavier * $this->inner->inertiaSlopeKgm2($position);
    }

    public function dynamics(float $position): array
    {
        [$static, , $inertia, $slope] = $this->inner->dynamics($position);

        return [$this->heavier * $static + $this->adds_Nm, $this->frictionNm($position), $this->heavier * $inertia + $this->adds_kgm2, $this->heavier * $slope];
    }

    public function evenOverRad(): float
    {
        return $this->inner->evenOverRad();
    }

    public function breaks(): array
    {
        $breaks = [...$this->inner->breaks(), ...($this->held ?? [])];
        sort($breaks);

        return $breaks;
    }

    public function unloaded(): self
    {
        return new self($this->inner->unloaded(), $this->heavier, $this->drags, $this->held, $this->rubs, $this->adds_Nm, $this->adds_kgm2);
    }
}
