<?php

declare(strict_types=1);

namespace Brookstone\Core\Train;

use Brookstone\Core\Error\ImpossibleValue;

/** Two wheels that turn each other. A worm's driver counts its starts. */
final readonly class Stage
{
    /**
     * @param  float  $face_mm  width of the teeth
     * @param  bool  $idler  its driver is the very wheel that the stage before drives
     * @param  float|null  $joint_mm  of a belt or chain: along itself from where its pulling side leaves the driving wheel to its joint, at the start
     *     of the task; null is endless
     * @param  float|null  $second_joint_mm  the same, of one made of two pieces
     * @param  float  $quotient  of a worm or screw: its pitch diameter over the module
     * @param  float|null  $friction  of a worm or screw: coefficient between the flanks; lead and friction then say its efficiency
     * @param  float  $tension_N  of a round belt: pull of either side at rest
     * @param  string  $passes  of a pawl: `forward` or `back`, the turning that it takes along; the other it lets go by
     */
    public function __construct(
        public StageType $type,
        public int $driver,
        public int $driven,
        public float $module_mm = 1.0,
        public float $backlash_mm = 0.0,
        public float $efficiency = 0.95,
        public float $face_mm = 6.0,
        public GearMaterial $material = GearMaterial::Acetal,
        public bool $idler = false,
        public ?float $joint_mm = null,
        public float $quotient = 10.0,
        public ?float $friction = null,
        public float $tension_N = 10.0,
        public string $passes = 'forward',
        public ?float $second_joint_mm = null,
    ) {
        ImpossibleValue::unlessPositive('driver', $driver);
        ImpossibleValue::unlessPositive('driven', $driven);
        ImpossibleValue::unlessPositive('module_mm', $module_mm);
        ImpossibleValue::unlessNotNegative('backlash_mm', $backlash_mm);
        ImpossibleValue::unlessWithin('efficiency', $efficiency, 0.0, 1.0);
        ImpossibleValue::unlessPositive('face_mm', $face_mm);
        ImpossibleValue::unlessPositive('quotient', $quotient);
        ImpossibleValue::unlessPositive('tension_N', $tension_N);
    }

    public function withEfficiency(float $efficiency): self
    {
        return new self(...['efficiency' => $efficiency] + get_object_vars($this));
    }

    /** Input turns for one output turn. */
    public function ratio(): float
    {
        return $this->driven / $this->driver;
    }

    public function drivenPitchRadius_mm(): float
    {
        return $this->module_mm * $this->driven / 2;
    }

    public function driverPitchRadius_mm(): float
    {
        return $this->module_mm * ($this->type->isThread() ? $this->quotient : $this->driver) / 2;
    }

    /** Its thread, of a worm or screw whose friction is told: from lead and friction its efficiency, both ways. */
    public function thread(): ?WormPair
    {
        return $this->type->isThread() && $this->friction !== null ? new WormPair($this->module_mm, $this->quotient, $this->driver, $this->driven,
            $this->friction) : null;
    }

    /** What slides for one radian of its shaft, m: a rack its pinion's pitch radius, a screw its lead over 2π. Null where it turns. */
    public function slides_m(): ?float
    {
        return $this->type->pushes() ? $this->module_mm * $this->driver / 2 / 1000 : null;
    }

    /** a = m (z1 + z2)/2 for a spur pair; null for the others. */
    public function centreDistance_mm(): ?float
    {
        return $this->type === StageType::Spur ? $this->module_mm * ($this->driver + $this->driven) / 2 : null;
    }

    /** How far apart its shafts must stand; null where they may stand anywhere or meet. What turns one to one sits on one axis. */
    public function shaftsApart_mm(): ?float
    {
        if ($this->type->isOneToOne()) {
            return 0.0;
        }

        return $this->type === StageType::Spur || $this->type === StageType::Worm ? $this->driverPitchRadius_mm() + $this->drivenPitchRadius_mm() : null;
    }

    /** Outside radius: one module over the pitch circle; of pulleys the pitch circle. */
    public function outside_mm(bool $driver): float
    {
        $pitch = $driver ? $this->driverPitchRadius_mm() : $this->drivenPitchRadius_mm();

        return $this->type === StageType::Belt || $this->type === StageType::Round ? $pitch : $pitch + $this->module_mm;
    }

    /** The largest factor that both wheels' teeth have in common; 1 is a hunting pair, whose every tooth meets every other. */
    public function commonFactor(): int
    {
        [$a, $b] = [$this->driver, $this->driven];
        while ($b !== 0) {
            [$a, $b] = [$b, $a % $b];
        }

        return $a;
    }

    /** Whether the same few pairs of teeth keep meeting. A belt wears itself, and a worm's wheel meets the one thread. */
    public function wearsUnevenly(): bool
    {
        return $this->type === StageType::Spur && $this->commonFactor() > 1;
    }

    /** @return array<string, mixed> as its document has it */
    public function write(): array
    {
        return ['type' => $this->type->value, 'material' => $this->material->value] + get_object_vars($this);
    }
}
