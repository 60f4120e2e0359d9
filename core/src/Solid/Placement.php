<?php

declare(strict_types=1);

namespace Brookstone\Core\Solid;

/** Where a body stands and how it is turned: a rotation, then a shift. Craig, Introduction to Robotics, 3rd ed., §2.3 (frames). */
final readonly class Placement
{
    /**
     * @param  Vector  $x  where its own x points, of length 1
     * @param  Vector  $y  its y, square to that
     * @param  Vector  $z  its z: x × y
     * @param  Vector  $at  where its own zero is, m
     */
    private function __construct(private Vector $x, private Vector $y, private Vector $z, public Vector $at)
    {
    }

    public static function still(): self
    {
        return self::shifted(Vector::zero());
    }

    public static function shifted(Vector $by): self
    {
        return new self(new Vector(1.0, 0.0, 0.0), new Vector(0.0, 1.0, 0.0), new Vector(0.0, 0.0, 1.0), $by);
    }

    /**
     * Turned about an axis through zero, by the right hand. Rodrigues’ formula; Craig, §2.8.
     *
     * @param  Vector  $axis  not zero
     */
    public static function turned(Vector $axis, float $angle_rad): self
    {
        $k = $axis->unit();
        $of = fn (Vector $v): Vector => $v->times(cos($angle_rad))->plus($k->cross($v)->times(sin($angle_rad)))
            ->plus($k->times($k->dot($v) * (1 - cos($angle_rad))));

        return new self($of(new Vector(1.0, 0.0, 0.0)), $of(new Vector(0.0, 1.0, 0.0)), $of(new Vector(0.0, 0.0, 1.0)), Vector::zero());
    }

    /** The same turn about an axis through a point. */
    public static function turnedAbout(Vector $point, Vector $axis, float $angle_rad): self
    {
        return self::shifted($point)->then(self::turned($axis, $angle_rad))->then(self::shifted($point->times(-1.0)));
    }

    /** Of what stands so within this. */
    public function then(self $inner): self
    {
        return new self($this->way($inner->x), $this->way($inner->y), $this->way($inner->z), $this->point($inner->at));
    }

    /** A point of the body, in space. */
    public function point(Vector $own): Vector
    {
        return $this->way($own)->plus($this->at);
    }

    /** A way of the body, in space. */
    public function way(Vector $own): Vector
    {
        return $this->x->times($own->x)->plus($this->y->times($own->y))->plus($this->z->times($own->z));
    }

    /** A way in space, of the body. */
    public function wayBack(Vector $v): Vector
    {
        return new Vector($this->x->dot($v), $this->y->dot($v), $this->z->dot($v));
    }

    public function back(): self
    {
        return new self(new Vector($this->x->x, $this->y->x, $this->z->x), new Vector($this->x->y, $this->y->y, $this->z->y),
            new Vector($this->x->z, $this->y->z, $this->z->z), $this->wayBack($this->at)->times(-1.0));
    }
}
