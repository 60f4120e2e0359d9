<?php

declare(strict_types=1);

namespace Brookstone\Core\Train;

use Brookstone\Core\Error\ImpossibleValue;

/** The plate that carries a train: its holes, the room above it, its shafts and planes. */
final readonly class Plate
{
    /**
     * @param  float|null  $grid_mm  between its holes; null is drilled anywhere
     * @param  bool  $half  shafts may also stand half way between holes
     * @param  float|null  $width_mm  room for wheels, from 0; null without end
     * @param  float  $shaft_mm  diameter of the shafts
     * @param  float  $plane_mm  from one plane of wheels to the next
     */
    public function __construct(
        public ?float $grid_mm = 8.0,
        public bool $half = true,
        public ?float $width_mm = null,
        public ?float $height_mm = null,
        public float $shaft_mm = 3.0,
        public float $plane_mm = 8.0,
    ) {
        ImpossibleValue::unlessPositive('shaft_mm', $shaft_mm);
        ImpossibleValue::unlessPositive('plane_mm', $plane_mm);
        ImpossibleValue::unlessPositive('grid_mm', $grid_mm ?? 1.0);
    }

    /** Between places for shafts, mm; null is anywhere. */
    public function step_mm(): ?float
    {
        return $this->grid_mm === null ? null : ($this->half ? $this->grid_mm / 2 : $this->grid_mm);
    }

    /** How far a wheel reaches out of the room, mm; 0 or less is inside. */
    public function overhang_mm(Wheel $wheel): float
    {
        [$x, $y] = $wheel->at;
        $over = -INF;
        if ($this->width_mm !== null) {
            $over = max($over, $wheel->outside_mm - $x, $x + $wheel->outside_mm - $this->width_mm);
        }
        if ($this->height_mm !== null) {
            $over = max($over, $wheel->outside_mm - $y, $y + $wheel->outside_mm - $this->height_mm);
        }

        return $over;
    }
}
