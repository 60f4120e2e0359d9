<?php

declare(strict_types=1);

namespace Brookstone\Core\Train;

use Brookstone\Core\Quantity\Constants;

/**
 * Stages one after the other, from the motor to the load. No stage is a train too: a shaft straight through.
 *
 * Ratios multiply, efficiencies multiply, slop is seen through the ratio that follows it: Shigley, Mechanical
 * Engineering Design, 10th ed., §13–13 (gear trains).
 */
final readonly class Train
{
    /** @param  list<Stage>  $stages */
    public function __construct(public array $stages = [])
    {
    }

    public function ratio(): float
    {
        return array_product(array_map(fn (Stage $stage): float => $stage->ratio(), $this->stages));
    }

    public function efficiency(): float
    {
        return array_product(array_map(fn (Stage $stage): float => $stage->efficiency, $this->stages));
    }

    /** The same with another efficiency in all, each stage the worse the worse it was said to be: one that loses nothing stays so. */
    public function withEfficiency(float $efficiency): self
    {
        $said = $this->efficiency();
        $power = $said < 1.0 ? log($efficiency) / log($said) : null;

        return new self(array_map(fn (Stage $stage): Stage => $stage->withEfficiency($power === null ? $efficiency ** (1 / count($this->stages))
            : $stage->efficiency ** $power), $this->stages));
    }

    /**
     * What is left of a load's push when it drives the train backwards: max(0, 2 − 1/η), and of threads whose friction is told what
     * their lead says; 0 is self-locking.
     */
    public function backEfficiency(): float
    {
        $forward = $back = 1.0;
        foreach ($this->stages as $stage) {
            $thread = $stage->thread();
            $thread === null ? $forward *= $stage->efficiency : $back *= $thread->back_efficiency;
        }

        return $back * self::backOf($forward);
    }

    /** Friction loses as much backwards as forwards: Shigley, Mechanical Engineering Design, 10th ed., §8–2 (screws, the same wedge). */
    public static function backOf(float $efficiency): float
    {
        return max(0.0, 2.0 - 1.0 / $efficiency);
    }

    /** 1 turns as the motor does, −1 the other way. */
    public function direction(): int
    {
        return (int) array_product(array_map(fn (Stage $stage): int => $stage->type->direction(), $this->stages));
    }

    /** Slop at the output, degrees. */
    public function backlash_deg(): float
    {
        $slop = 0.0;
        $after = 1.0;
        foreach (array_reverse($this->stages) as $stage) {
            $slop += $stage->backlash_mm / $stage->drivenPitchRadius_mm() / $after;
            $after *= $stage->ratio();
        }

        return $slop / Constants::RAD_PER_DEG;
    }

    /** @return list<array{rpm: float, torque_Nm: float}> from input to output */
    public function shafts(float $input_rpm, float $input_Nm): array
    {
        $shafts = [['rpm' => $input_rpm, 'torque_Nm' => $input_Nm]];
        foreach ($this->stages as $stage) {
            $input_rpm /= $stage->ratio();
            $input_Nm *= $stage->ratio() * $stage->efficiency;
            $shafts[] = ['rpm' => $input_rpm, 'torque_Nm' => $input_Nm];
        }

        return $shafts;
    }
}
