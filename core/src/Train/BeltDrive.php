<?php

declare(strict_types=1);

namespace Brookstone\Core\Train;

use Brookstone\Core\Error\ImpossibleValue;

/**
 * An open belt or chain over two wheels: free span √(C² − (R − r)²), wrap π ∓ 2·asin((R − r)/C), length the two spans and the
 * two arcs; Shigley, Mechanical Engineering Design, 10th ed., §17–1.
 */
final readonly class BeltDrive
{
    public const LEAST_IN_MESH = 6.0; // fewer teeth jump

    private const PULL_IN_HAND = 1.5; // the slack side must still pull a little

    public float $span_mm;

    public float $small_wrap_deg;

    public float $length_mm;

    /** Teeth of the smaller wheel that hold the belt. */
    public float $teeth_in_mesh;

    public function __construct(public float $pitch_mm, public int $driver, public int $driven, public float $centre_mm)
    {
        ImpossibleValue::unlessPositive('pitch_mm', $pitch_mm);
        ImpossibleValue::unlessPositive('driver', $driver);
        ImpossibleValue::unlessPositive('driven', $driven);
        ImpossibleValue::unlessNone(self::problems(get_defined_vars()));
        [$small, $large] = [$pitch_mm * min($driver, $driven) / 2 / M_PI, $pitch_mm * max($driver, $driven) / 2 / M_PI];
        $lean = asin(($large - $small) / $centre_mm);
        $this->span_mm = sqrt($centre_mm ** 2 - ($large - $small) ** 2);
        $this->small_wrap_deg = (M_PI - 2 * $lean) * 180 / M_PI;
        $this->length_mm = 2 * $this->span_mm + $small * (M_PI - 2 * $lean) + $large * (M_PI + 2 * $lean);
        $this->teeth_in_mesh = min($driver, $driven) * (M_PI - 2 * $lean) / 2 / M_PI;
    }

    /**
     * Where it runs free, along itself from where its pulling side leaves the driving wheel: that side, and beyond the driven wheel the back run.
     *
     * @return array{array{float, float}, array{float, float}} from and to, mm
     */
    public function freeRuns_mm(): array
    {
        $radius = $this->pitch_mm * $this->driven / 2 / M_PI;
        $back = $this->span_mm + $radius * (M_PI + 2 * asin(($radius - $this->pitch_mm * $this->driver / 2 / M_PI) / $this->centre_mm));

        return [[0.0, $this->span_mm], [$back, $back + $this->span_mm]];
    }

    /** How much harder the one side pulls than the other, N. */
    public function pull_N(float $driver_Nm): float
    {
        return $driver_Nm / ($this->pitch_mm * $this->driver / 2 / M_PI / 1000);
    }

    /** Pull of each side at rest, N: half the difference, and half as much again. */
    public function pretension_N(float $driver_Nm): float
    {
        return self::PULL_IN_HAND * $this->pull_N($driver_Nm) / 2;
    }

    /**
     * @param  array<string, mixed>  $read
     * @return array<string, string>
     */
    public static function problems(array $read): array
    {
        if (! isset($read['pitch_mm'], $read['driver'], $read['driven'], $read['centre_mm'])) {
            return [];
        }
        $least = $read['pitch_mm'] * ($read['driver'] + $read['driven']) / 2 / M_PI;

        return $read['centre_mm'] <= $least ? ['centre_mm' => sprintf('Must be over %.4g mm, where the wheels touch.', $least)] : [];
    }

    /** Where the wheels must stand for a belt of so many teeth, mm; null where it is too short for them. */
    public static function centreFor(float $pitch_mm, int $driver, int $driven, int $belt_teeth): ?float
    {
        $low = $pitch_mm * ($driver + $driven) / 2 / M_PI * (1 + 1e-9);
        $wanted = $belt_teeth * $pitch_mm;
        if ((new self($pitch_mm, $driver, $driven, $low))->length_mm > $wanted) {
            return null;
        }
        for ($high = $wanted, $i = 0; $i < 80; $i++) {
            $middle = ($low + $high) / 2;
            (new self($pitch_mm, $driver, $driven, $middle))->length_mm < $wanted ? $low = $middle : $high = $middle;
        }

        return ($low + $high) / 2;
    }
}
