<?php

declare(strict_types=1);

namespace Brookstone\Core\Solid;

/** A point or a way in space: x to the right, y away from who looks, z up. */
final readonly class Vector
{
    public function __construct(public float $x, public float $y, public float $z)
    {
    }

    public static function zero(): self
    {
        return new self(0.0, 0.0, 0.0);
    }

    public function plus(self $other): self
    {
        return new self($this->x + $other->x, $this->y + $other->y, $this->z + $other->z);
    }

    public function minus(self $other): self
    {
        return new self($this->x - $other->x, $this->y - $other->y, $this->z - $other->z);
    }

    public function times(float $factor): self
    {
        return new self($this->x * $factor, $this->y * $factor, $this->z * $factor);
    }

    public function dot(self $other): float
    {
        return $this->x * $other->x + $this->y * $other->y + $this->z * $other->z;
    }

    public function cross(self $other): self
    {
        return new self($this->y * $other->z - $this->z * $other->y, $this->z * $other->x - $this->x * $other->z,
            $this->x * $other->y - $this->y * $other->x);
    }

    public function length(): float
    {
        return sqrt($this->dot($this));
    }

    /** Of length 1 the same way; zero stays zero. */
    public function unit(): self
    {
        $length = $this->length();

        return $length > 0.0 ? $this->times(1 / $length) : $this;
    }
}
