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
        if ($other->mass_kg <= 0.0) {
            return $this;
        }
        if ($this->mass_kg <= 0.0) {
            return $other;
        }
        // About the common centre each has m·d² more; together that is what both as points have, m₁·m₂/(m₁ + m₂)·d².
        $d = $other->centre->minus($this->centre);
        $m = $this->mass_kg * $other->mass_kg / $mass;
        [$xx, $yy, $zz, $xy, $yz, $zx] = $this->about;
        [$a, $b, $c, $e, $f, $g] = $other->about;

        return new self($mass, $this->centre->plus($d->times($other->mass_kg / $mass)), [
            $xx + $a + $m * ($d->y * $d->y + $d->z * $d->z), $yy + $b + $m * ($d->z * $d->z + $d->x * $d->x), $zz + $c + $m * ($d->x * $d->x + $d->y * $d->y),
            $xy + $e + $m * $d->x * $d->y, $yz + $f + $m * $d->y * $d->z, $zx + $g + $m * $d->z * $d->x,
        ]);
    }

    /** The same thing placed otherwise: its spread about its centre turns as a tensor, whose products have their sign the other way round. */
    public function placed(Placement $placement): self
    {
        [$xx, $yy, $zz, $xy, $yz, $zx] = $this->about;
        [$xx, $yy, $zz, $xy, $yz, $zx] = $placement->tensor([$xx, $yy, $zz, -$xy, -$yz, -$zx]);

        return new self($this->mass_kg, $placement->point($this->centre), [$xx, $yy, $zz, -$xy, -$yz, -$zx]);
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
}
