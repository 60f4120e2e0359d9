<?php

declare(strict_types=1);

namespace Brookstone\Core\Mechanism;

/** A mechanism that meets something more on parts of its travel. */
final readonly class Segmented implements Mechanism
{
    use DelegatesToInner;

    private const EVEN_SHARE = 1 / 12; // of the shortest segment

    private float $even_rad;

    /** @param  non-empty-list<Segment>  $segments */
    public function __construct(public Mechanism $inner, public array $segments)
    {
        $shortest = min(array_map(fn (Segment $segment): float => $segment->to - $segment->from, $segments));
        $this->even_rad = min($inner->evenOverRad(), self::EVEN_SHARE * $shortest / $inner->travelPerRad());
    }

    /** @param  list<Segment>  $segments */
    public static function over(Mechanism $mechanism, array $segments): Mechanism
    {
        return $segments === [] ? $mechanism : new self($mechanism, $segments);
    }

    public function staticTorqueNm(float $position): float
    {
        $torque = $this->inner->staticTorqueNm($position);
        foreach ($this->segments as $segment) {
            $torque += $segment->holds($position) ? $segment->load_Nm : 0.0;
        }

        return $torque;
    }

    public function frictionNm(float $position): float
    {
        $friction = $this->inner->frictionNm($position);
        foreach ($this->segments as $segment) {
            $friction += $segment->holds($position) ? $segment->drag_Nm : 0.0;
        }

        return $friction;
    }

    public function inertiaKgm2(float $position): float
    {
        return $this->inner->inertiaKgm2($position);
    }

    public function inertiaSlopeKgm2(float $position): float
    {
        return $this->inner->inertiaSlopeKgm2($position);
    }

    public function dynamics(float $position): array
    {
        [$static, $friction, $inertia, $slope] = $this->inner->dynamics($position);
        foreach ($this->segments as $segment) {
            if ($segment->holds($position)) {
                $static += $segment->load_Nm;
                $friction += $segment->drag_Nm;
            }
        }

        return [$static, $friction, $inertia, $slope];
    }

    public function evenOverRad(): float
    {
        return $this->even_rad;
    }

    public function breaks(): array
    {
        $breaks = $this->inner->breaks();
        foreach ($this->segments as $segment) {
            array_push($breaks, $segment->from, $segment->to);
        }
        sort($breaks);

        return $breaks;
    }

    public function unloaded(): self
    {
        return new self($this->inner->unloaded(), $this->segments);
    }
}
