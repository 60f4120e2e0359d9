<?php

declare(strict_types=1);

namespace Brookstone\Core\Drive;

use Brookstone\Core\Error\ImpossibleValue;
use Brookstone\Core\Finding\Sentence;

/** What a drive is as a thing: its name, mass, size, shaft and gears. */
final readonly class Body
{
    /**
     * @param  string  $code  its name in the drawer, `G25-60`
     * @param  string  $series  the family that shares its motor, `G25`
     * @param  float  $back_drive_Nm  torque at its output shaft below which its unpowered gears stay put, ≥ 0
     * @param  float  $gearbox_limit_Nm  torque at its output shaft that its gears survive, > 0
     * @param  string  $page  what its seller says of it, copied
     * @param  int  $count  of equal ones that push together
     */
    public function __construct(
        public string $code,
        public string $series,
        public float $mass_kg,
        public float $length_mm,
        public float $width_mm,
        public float $height_mm,
        public string $shaft,
        public string $gear_material,
        public float $back_drive_Nm,
        public float $gearbox_limit_Nm,
        public ThermalClass $thermal,
        public string $page = '',
        public int $count = 1,
    ) {
        ImpossibleValue::unlessPositive('mass_kg', $mass_kg);
        ImpossibleValue::unlessPositive('length_mm', $length_mm);
        ImpossibleValue::unlessPositive('width_mm', $width_mm);
        ImpossibleValue::unlessPositive('height_mm', $height_mm);
        ImpossibleValue::unlessNotNegative('back_drive_Nm', $back_drive_Nm);
        ImpossibleValue::unlessPositive('gearbox_limit_Nm', $gearbox_limit_Nm);
    }

    /** How far gears, shaft, bracket and the part behind wind up before the gears break, rad at its output shaft. Rule of thumb. */
    public function windUp_rad(): float
    {
        return match ($this->gear_material) {
            'nylon', 'acetal' => 0.25,
            'brass' => 0.15,
            'bronze and steel' => 0.12,
            default => 0.12,
        };
    }

    /** Stiffness of its gears, N·m/rad at its output shaft: what they survive over how far they wind up. */
    public function stiffness_Nm_rad(): float
    {
        return $this->gearbox_limit_Nm / $this->windUp_rad();
    }

    /** What breaks first when it is knocked. */
    public function breaks(): string
    {
        return in_array($this->gear_material, ['nylon', 'acetal'], true) ? 'teeth strip' : 'the horn bends or a tooth breaks';
    }

    /** Of so many that push the same thing: their gears share what is put on them. */
    public function times(int $count): self
    {
        return new self($this->code, $this->series, $this->mass_kg * $count, $this->length_mm, $this->width_mm, $this->height_mm, $this->shaft,
            $this->gear_material, $this->back_drive_Nm * $count, $this->gearbox_limit_Nm * $count, $this->thermal, $this->page, $count);
    }

    /** The same that holds so much unpowered, N·m. */
    public function holding(float $back_drive_Nm): self
    {
        return new self(...array_replace(get_object_vars($this), ['back_drive_Nm' => $back_drive_Nm]));
    }

    public function cooling(): Cooling
    {
        return new Cooling($this->thermal, $this->count);
    }

    /** Its name in the drawer as it stands in the template of a sentence. */
    public function named(): string
    {
        return ($this->count > 1 ? "{$this->count} × " : '').Sentence::quote($this->code);
    }
}
