<?php

declare(strict_types=1);

namespace Brookstone\Core\Solid;

/** Where a body stands and how it is turned: a rotation, then a shift. Craig, Introduction to Robotics, 3rd ed., §2.3 (frames). */
final readonly class Placement
{
    public Vector $at;

    /**
     * The columns of its rotation, of length 1 and square to each other, and where its own zero is, m: written out, because a run asks for thousands of them.
     */
    private function __construct(private float $xx, private float $xy, private float $xz, private float $yx, private float $yy, private float $yz,
        private float $zx, private float $zy, private float $zz, float $x_m, float $y_m, float $z_m)
    {
        $this->at = new Vector($x_m, $y_m, $z_m);
    }

    public static function still(): self
    {
        return self::shifted(Vector::zero());
    }

    public static function shifted(Vector $by): self
    {
        return new self(1.0, 0.0, 0.0, 0.0, 1.0, 0.0, 0.0, 0.0, 1.0, $by->x, $by->y, $by->z);
    }

    /**
     * Turned about an axis through zero, by the right hand. Rodrigues’ formula; Craig, §2.8.
     *
     * @param  Vector  $axis  not zero
     */
    public static function turned(Vector $axis, float $angle_rad): self
    {
        $k = $axis->unit();
        [$cos, $sin] = [cos($angle_rad), sin($angle_rad)];
        $rest = 1 - $cos;

        return new self(
            $cos + $k->x * $k->x * $rest, $k->x * $k->y * $rest + $k->z * $sin, $k->x * $k->z * $rest - $k->y * $sin,
            $k->x * $k->y * $rest - $k->z * $sin, $cos + $k->y * $k->y * $rest, $k->y * $k->z * $rest + $k->x * $sin,
            $k->x * $k->z * $rest + $k->y * $sin, $k->y * $k->z * $rest - $k->x * $sin, $cos + $k->z * $k->z * $rest,
            0.0, 0.0, 0.0,
        );
    }

    /** The same turn about an axis through a point. */
    public static function turnedAbout(Vector $point, Vector $axis, float $angle_rad): self
    {
        return self::shifted($point)->then(self::turned($axis, $angle_rad))->then(self::shifted($point->times(-1.0)));
    }

    /** Of what stands so within this. */
    public function then(self $inner): self
    {
        $at = $inner->at;

        return new self(
            $this->xx * $inner->xx + $this->yx * $inner->xy + $this->zx * $inner->xz,
            $this->xy * $inner->xx + $this->yy * $inner->xy + $this->zy * $inner->xz,
            $this->xz * $inner->xx + $this->yz * $inner->xy + $this->zz * $inner->xz,
            $this->xx * $inner->yx + $this->yx * $inner->yy + $this->zx * $inner->yz,
            $this->xy * $inner->yx + $this->yy * $inner->yy + $this->zy * $inner->yz,
            $this->xz * $inner->yx + $this->yz * $inner->yy + $this->zz * $inner->yz,
            $this->xx * $inner->zx + $this->yx * $inner->zy + $this->zx * $inner->zz,
            $this->xy * $inner->zx + $this->yy * $inner->zy + $this->zy * $inner->zz,
            $this->xz * $inner->zx + $this->yz * $inner->zy + $this->zz * $inner->zz,
            $this->xx * $at->x + $this->yx * $at->y + $this->zx * $at->z + $this->at->x,
            $this->xy * $at->x + $this->yy * $at->y + $this->zy * $at->z + $this->at->y,
            $this->xz * $at->x + $this->yz * $at->y + $this->zz * $at->z + $this->at->z,
        );
    }

    /** A point of the body, in space. */
    public function point(Vector $own): Vector
    {
        return new Vector($this->xx * $own->x + $this->yx * $own->y + $this->zx * $own->z + $this->at->x,
            $this->xy * $own->x + $this->yy * $own->y + $this->zy * $own->z + $this->at->y,
            $this->xz * $own->x + $this->yz * $own->y + $this->zz * $own->z + $this->at->z);
    }

    /** A way of the body, in space. */
    public function way(Vector $own): Vector
    {
        return new Vector($this->xx * $own->x + $this->yx * $own->y + $this->zx * $own->z,
            $this->xy * $own->x + $this->yy * $own->y + $this->zy * $own->z, $this->xz * $own->x + $this->yz * $own->y + $this->zz * $own->z);
    }

    /** A way in space, of the body. */
    public function wayBack(Vector $v): Vector
    {
        return new Vector($this->xx * $v->x + $this->xy * $v->y + $this->xz * $v->z, $this->yx * $v->x + $this->yy * $v->y + $this->yz * $v->z,
            $this->zx * $v->x + $this->zy * $v->y + $this->zz * $v->z);
    }

    public function back(): self
    {
        $at = $this->wayBack($this->at);

        return new self($this->xx, $this->yx, $this->zx, $this->xy, $this->yy, $this->zy, $this->xz, $this->yz, $this->zz, -$at->x, -$at->y, -$at->z);
    }

    /** @return array{float, float, float, float, float, float, float, float, float, float, float, float} its columns one after the other, then its zero */
    public function columns(): array
    {
        return [$this->xx, $this->xy, $this->xz, $this->yx, $this->yy, $this->yz, $this->zx, $this->zy, $this->zz, $this->at->x, $this->at->y, $this->at->z];
    }

    /**
     * A tensor of the body, in space: R·T·Rᵀ.
     *
     * @param  array{float, float, float, float, float, float}  $t  xx, yy, zz, xy, yz, zx
     * @return array{float, float, float, float, float, float}
     */
    public function tensor(array $t): array
    {
        [$a, $b, $c, $d, $e, $f] = $t;
        // T·Rᵀ, by the rows of R
        [$p0, $p1, $p2] = [$a * $this->xx + $d * $this->yx + $f * $this->zx, $d * $this->xx + $b * $this->yx + $e * $this->zx,
            $f * $this->xx + $e * $this->yx + $c * $this->zx];
        [$q0, $q1, $q2] = [$a * $this->xy + $d * $this->yy + $f * $this->zy, $d * $this->xy + $b * $this->yy + $e * $this->zy,
            $f * $this->xy + $e * $this->yy + $c * $this->zy];
        [$r0, $r1, $r2] = [$a * $this->xz + $d * $this->yz + $f * $this->zz, $d * $this->xz + $b * $this->yz + $e * $this->zz,
            $f * $this->xz + $e * $this->yz + $c * $this->zz];

        return [
            $this->xx * $p0 + $this->yx * $p1 + $this->zx * $p2, $this->xy * $q0 + $this->yy * $q1 + $this->zy * $q2,
            $this->xz * $r0 + $this->yz * $r1 + $this->zz * $r2, $this->xx * $q0 + $this->yx * $q1 + $this->zx * $q2,
            $this->xy * $r0 + $this->yy * $r1 + $this->zy * $r2, $this->xz * $p0 + $this->yz * $p1 + $this->zz * $p2,
        ];
    }
}
