<?php

declare(strict_types=1);

namespace Brookstone\Core\Train;

/** The straight piece between two points of a plan, mm. */
final readonly class Span
{
    /**
     * @param  array{float, float}  $from
     * @param  array{float, float}  $to
     */
    public function __construct(public array $from, public array $to)
    {
    }

    /** @param  array{float, float}  $point */
    public function awayFrom_mm(array $point): float
    {
        [$dx, $dy] = [$this->to[0] - $this->from[0], $this->to[1] - $this->from[1]];
        $square = $dx ** 2 + $dy ** 2;
        $share = $square > 0.0 ? max(0.0, min(1.0, (($point[0] - $this->from[0]) * $dx + ($point[1] - $this->from[1]) * $dy) / $square)) : 0.0;

        return hypot($point[0] - $this->from[0] - $share * $dx, $point[1] - $this->from[1] - $share * $dy);
    }

    /** 0 where they cross. */
    public function apartFrom_mm(self $other): float
    {
        $side = fn (array $a, array $b, array $p): float => ($b[0] - $a[0]) * ($p[1] - $a[1]) - ($b[1] - $a[1]) * ($p[0] - $a[0]);
        $cross = $side($this->from, $this->to, $other->from) * $side($this->from, $this->to, $other->to) < 0.0
            && $side($other->from, $other->to, $this->from) * $side($other->from, $other->to, $this->to) < 0.0;

        return $cross ? 0.0 : min($this->awayFrom_mm($other->from), $this->awayFrom_mm($other->to), $other->awayFrom_mm($this->from),
            $other->awayFrom_mm($this->to));
    }
}
