<?php

declare(strict_types=1);

namespace Brookstone\Core\Drive;

use Brookstone\Core\Error\ImpossibleValue;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\NumberShape;

/**
 * A brushless wheel motor with its controller: the line of a direct-current motor, cut off at the current that the
 * controller gives (Hughes, Electric Motors and Drives, 4th ed., §9.3).
 */
final readonly class Brushless implements Drive
{
    use HasNoPlace;
    use HoldsWithoutCurrent;
    use RatedAsInside;
    use RubsUnpowered;

    private DcMotor $inside;

    /**
     * @param  float  $stall_Nm  that the motor would give at rest without the controller's limit, > 0
     * @param  float  $controller_A  the most that its controller gives, over the no-load current
     *
     * @throws ImpossibleValue
     */
    public function __construct(
        public float $rated_V,
        public float $no_load_rpm,
        public float $no_load_A,
        public float $stall_Nm,
        public float $stall_A,
        public float $controller_A,
        public float $rotor_kgm2,
        private Body $body,
    ) {
        $this->inside = new DcMotor($rated_V, $no_load_rpm, $no_load_A, $stall_Nm, $stall_A, $rotor_kgm2);
        if (! ($controller_A > $no_load_A && is_finite($controller_A))) {
            throw ImpossibleValue::because('controller_A', 'must be more than the no-load current.');
        }
    }

    public static function fields(): array
    {
        return [...Drives::motorShape(Drives::MOST)->fields, 'controller_A' => Field::needed(NumberShape::positive(Drives::MOST),
            'The most that its controller gives.'), ...Drives::rotor()];
    }

    public static function make(array $read, Body $body): self
    {
        return new self(...['body' => $body] + $read);
    }

    public function write(): array
    {
        return [
            'rated_V' => $this->rated_V, 'no_load_rpm' => $this->no_load_rpm, 'no_load_A' => $this->no_load_A,
            'stall_Nm' => $this->stall_Nm, 'stall_A' => $this->stall_A, 'controller_A' => $this->controller_A, 'rotor_kgm2' => $this->rotor_kgm2,
        ];
    }

    public function kind(): string
    {
        return 'brushless';
    }

    public function line(float $supply_V, float $duty): TorqueLine
    {
        $line = $this->inside->line($supply_V, $duty);

        return new TorqueLine($line->stall_Nm, $line->fall_Nms, $line->idle_A, min($line->stall_A, $this->controller_A), $line->A_per_Nm,
            ($this->controller_A - $this->no_load_A) / $line->A_per_Nm, $line->gears);
    }

    public function noise(): float
    {
        return 3.0;
    }
}
