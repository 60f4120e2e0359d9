<?php

declare(strict_types=1);

namespace Brookstone\Core\Solid;

/**
 * Mass, where its centre is, and how it is spread about that: what stands on one another adds up. Goldstein, Classical Mechanics, 3rd ed., §5.3 (the tensor)
 * and §5.4 (about another point).
 */
final readonly class Inertia
{
    /**
     * @param  float  $mass_kg  0 or more
     * @param  Vector  $centre  m
     * @param  array{float, float, float, float, float, float}  $about  kg·m² about the centre, along the axes of space: xx, yy, zz, xy, yz, zx; of products the
     *                                                                  sum of m·x·y itself, without the minus
     */
    public function __construct(public float $mass_kg, public Vector $centre, public array $about)
    {
    }

    public static function none(): self
    {
        return new self(0.0, Vector::zero(), [0.0, 0.0, 0.0, 0.0, 0.0, 0.0]);
    }

    /** Of both as one thing. */
    public function plus(self $other): self
    {
        $mass = $this->mass_kg + $other->mass_kg;
        if ($mass <= 0.0) {
            return self::none();
        }
        $centre = $this->centre->times($this->mass_kg / $mass)->plus($other->centre->times($other->mass_kg / $mass));

        return new self($mass, $centre, self::sum($this->aboutPoint($centre), $other->aboutPoint($centre)));
    }

    /** The same thing placed otherwise. */
    public function placed(Placement $placement): self
    {
        // Its spread Σ m·r·rᵀ turns as a tensor: the columns of what it does to each axis.
        [$xx, $yy, $zz, $xy, $yz, $zx] = $this->about;
        $half = ($xx + $yy + $zz) / 2; // Σ m·r²
        $spread = fn (Vector $v): Vector => new Vector(($half - $xx) * $v->x + $xy * $v->y + $zx * $v->z, $xy * $v->x + ($half - $yy) * $v->y + $yz * $v->z,
            $zx * $v->x + $yz * $v->y + ($half - $zz) * $v->z);
        $of = fn (Vector $axis): Vector => $placement->way($spread($placement->wayBack($axis)));
        [$x, $y, $z] = [$of(new Vector(1.0, 0.0, 0.0)), $of(new Vector(0.0, 1.0, 0.0)), $of(new Vector(0.0, 0.0, 1.0))];

        return new self($this->mass_kg, $placement->point($this->centre), [$half - $x->x, $half - $y->y, $half - $z->z, $x->y, $y->z, $z->x]);
    }

    /**
     * About an axis, kg·m²: I = n·I·n + m·d².
     *
     * @param  Vector  $point  on the axis
     * @param  Vector  $axis  not zero
     */
    public function aboutAxis(Vector $point, Vector $axis): float
    {
        $n = $axis->unit();
        [$xx, $yy, $zz, $xy, $yz, $zx] = $this->about;
        $off = $this->centre->minus($point)->cross($n)->length();

        return $xx * $n->x ** 2 + $yy * $n->y ** 2 + $zz * $n->z ** 2 - 2 * ($xy * $n->x * $n->y + $yz * $n->y * $n->z + $zx * $n->z * $n->x)
            + $this->mass_kg * $off ** 2;
    }

    /** What a turn does to it: I·v, about its centre. */
    public function times(Vector $v): Vector
    {
        [$xx, $yy, $zz, $xy, $yz, $zx] = $this->about;

        return new Vector($xx * $v->x - $xy * $v->y - $zx * $v->z, -$xy * $v->x + $yy * $v->y - $yz * $v->z, -$zx * $v->x - $yz * $v->y + $zz * $v->z);
    }

    /** What its weight turns about an axis, N·m, by the right hand: n · (r × m·g). */
    public function torqueAbout(Vector $point, Vector $axis, float $gravity_m_s2): float
    {
        return $axis->unit()->dot($this->centre->minus($point)->cross(new Vector(0.0, 0.0, -$this->mass_kg * $gravity_m_s2)));
    }

    /** @return array{float, float, float, float, float, float} */
    private function aboutPoint(Vector $point): array
    {
        $r = $this->centre->minus($point);
        $m = $this->mass_kg;

        return self::sum($this->about, [$m * ($r->y ** 2 + $r->z ** 2), $m * ($r->z ** 2 + $r->x ** 2), $m * ($r->x ** 2 + $r->y ** 2),
            $m * $r->x * $r->y, $m * $r->y * $r->z, $m * $r->z * $r->x]);
    }

    /**
     * @param  array{float, float, float, float, float, float}  $one
     * @param  array{float, float, float, float, float, float}  $other
     * @return array{float, float, float, float, float, float}
     */
    private static function sum(array $one, array $other): array
    {
        return [$one[0] + $other[0], $one[1] + $other[1], $one[2] + $other[2], $one[3] + $other[3], $one[4] + $other[4], $one[5] + $other[5]];
    }
}
