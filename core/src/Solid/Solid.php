<?php

declare(strict_types=1);

namespace Brookstone\Core\Solid;

/**
 * A simple body about its own zero: a box or plate, a ball, a rod with round ends along its x. Each is a core (a point, a line, a box) with a skin of one
 * thickness around it, so that all gaps between them are found in one way.
 */
final readonly class Solid
{
    /**
     * @param  Vector  $half  of its core, m: 0 where it is flat
     * @param  float  $skin_m  around that
     */
    private function __construct(public Vector $half, public float $skin_m)
    {
    }

    /** Its edges, m, each > 0; a plate is a thin one. */
    public static function box(float $x_m, float $y_m, float $z_m): self
    {
        return new self(new Vector($x_m / 2, $y_m / 2, $z_m / 2), 0.0);
    }

    /** @param  float  $radius_m  > 0 */
    public static function ball(float $radius_m): self
    {
        return new self(Vector::zero(), $radius_m);
    }

    /**
     * @param  float  $length_m  in all, with its round ends; no less than twice the radius
     * @param  float  $radius_m  > 0
     */
    public static function rod(float $length_m, float $radius_m): self
    {
        return new self(new Vector(max(0.0, $length_m / 2 - $radius_m), 0.0, 0.0), $radius_m);
    }

    /** A box by its edges; a rod is a barrel and two halves of a ball. */
    public function volume_m3(): float
    {
        return $this->skin_m > 0.0 ? M_PI * $this->skin_m ** 2 * (2 * $this->half->x + 4 / 3 * $this->skin_m)
            : 8 * $this->half->x * $this->half->y * $this->half->z;
    }

    /** With its mass spread evenly. Beer & Johnston, Vector Mechanics: Dynamics, app. B. */
    public function inertia(float $mass_kg): Inertia
    {
        [$x, $y, $z, $r] = [$this->half->x, $this->half->y, $this->half->z, $this->skin_m];
        if ($r <= 0.0) {
            return new Inertia($mass_kg, Vector::zero(), [$mass_kg * ($y ** 2 + $z ** 2) / 3, $mass_kg * ($z ** 2 + $x ** 2) / 3,
                $mass_kg * ($x ** 2 + $y ** 2) / 3, 0.0, 0.0, 0.0]);
        }
        $barrel_kg = $mass_kg * 2 * $x / (2 * $x + 4 / 3 * $r);
        $ends_kg = $mass_kg - $barrel_kg; // two halves of a ball, whose centres lie 3/8 r outside of the barrel
        $across = $barrel_kg * ($x ** 2 / 3 + $r ** 2 / 4) + $ends_kg * (2 / 5 * $r ** 2 + $x ** 2 + 3 / 4 * $x * $r);

        return new Inertia($mass_kg, Vector::zero(), [$barrel_kg * $r ** 2 / 2 + $ends_kg * 2 / 5 * $r ** 2, $across, $across, 0.0, 0.0, 0.0]);
    }

    /** @return non-empty-list<Vector> of its core: eight of a box, two of a rod, one of a ball */
    public function corners(): array
    {
        $corners = [Vector::zero()];
        foreach ([new Vector($this->half->x, 0.0, 0.0), new Vector(0.0, $this->half->y, 0.0), new Vector(0.0, 0.0, $this->half->z)] as $half) {
            $corners = $half->length() > 0.0
                ? array_merge(...array_map(fn (Vector $corner): array => [$corner->minus($half), $corner->plus($half)], $corners)) : $corners;
        }

        return $corners;
    }

    /** How far anything of it is from its zero at most, m. */
    public function reach_m(): float
    {
        return $this->half->length() + $this->skin_m;
    }

    /** The point of its core that lies farthest along a way of its own. */
    public function farthest(Vector $way): Vector
    {
        return new Vector($way->x < 0.0 ? -$this->half->x : $this->half->x, $way->y < 0.0 ? -$this->half->y : $this->half->y,
            $way->z < 0.0 ? -$this->half->z : $this->half->z);
    }
}
