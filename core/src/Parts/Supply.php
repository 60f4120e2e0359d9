<?php

declare(strict_types=1);

namespace Brookstone\Core\Parts;

use Brookstone\Core\Finding\Named;
use Brookstone\Core\Quantity\Constants;
use Brookstone\Core\Shape\BooleanShape;
use Brookstone\Core\Shape\ChoiceShape;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\NumberShape;
use Brookstone\Core\Shape\RecordShape;
use Brookstone\Core\Shape\TextShape;
use Brookstone\Core\Wiring\Discharge;
use Brookstone\Core\Wiring\Regulator;

/** What feeds motors: what has a capacity is a battery, anything else is regulated. */
final readonly class Supply
{
    use Named;

    /**
     * @param  string|null  $from  another supply that feeds it
     * @param  string  $converter  between the two: `linear`, `down` or `up` (switching), `gate`: a switch
     * @param  float  $efficiency  of a switching one
     * @param  float  $idle_A  that it takes of the other without load
     * @param  float  $dropout_V  that the other must give more, at least
     * @param  float  $settles_s  after it is switched on
     * @param  float|null  $theta_C_per_W  how much hotter it gets for each watt of heat
     * @param  float  $resistance_ohm  inside
     * @param  string  $overload  what it does when it is asked for more than it gives: `sags`, `folds` (gives hardly anything), `trips` (nothing from then on)
     * @param  float  $capacitor_uF  across it
     * @param  string  $cells  of a battery: `other`, `alkaline`, `nickel`, `lead`, `lithium`
     * @param  float|null  $cutoff_V  at which something switches it off before it is empty
     * @param  float  $self_discharge_per_month  share of its charge
     * @param  float|null  $charger_A  that charges it all the time
     * @param  bool  $boxed  in a closed box
     * @param  float|null  $fuse_A  in its lead
     * @param  string|null  $beside  another source on the same rail
     * @param  bool  $diode  lets none of the two flow into the other
     * @param  bool  $listed  closed and tested, where it hangs on the mains
     */
    public function __construct(
        public string $id,
        public string $name,
        public float $volts_V,
        public float $max_A,
        public ?float $capacity_Ah = null,
        public ?string $from = null,
        public string $converter = 'down',
        public float $efficiency = 0.85,
        public float $idle_A = 0.0,
        public float $dropout_V = 0.0,
        public float $settles_s = 0.0,
        public ?float $theta_C_per_W = null,
        public float $resistance_ohm = 0.0,
        public string $overload = 'sags',
        public float $capacitor_uF = 0.0,
        public string $cells = 'other',
        public ?float $cutoff_V = null,
        public float $self_discharge_per_month = 0.0,
        public ?float $charger_A = null,
        public bool $boxed = false,
        public ?float $fuse_A = null,
        public ?string $beside = null,
        public bool $diode = false,
        public bool $listed = true,
    ) {
    }

    public static function shape(): RecordShape
    {
        $amps = NumberShape::between(0.0, 100.0);

        return new RecordShape([
            'id' => Field::needed(TextShape::id()),
            'name' => Field::needed(TextShape::name()),
            'volts_V' => Field::needed(NumberShape::positive(60.0), 'Voltage.'),
            'max_A' => Field::needed(NumberShape::positive(100.0), 'Largest current it gives.'),
            'capacity_Ah' => Field::or(null, NumberShape::positive(1000.0)->orNull(), 'Charge of a battery; none for a supply from the mains.'),
            'from' => Field::or(null, TextShape::id()->orNull(), 'Another supply that feeds it; empty where it is a source itself.'),
            'converter' => Field::or('down', ChoiceShape::of('linear', 'down', 'up', 'gate'), 'What makes its voltage out of that; gate: a switch.'),
            'efficiency' => Field::or(0.85, NumberShape::between(0.05, 1.0), 'Of a switching converter.'),
            'idle_A' => Field::or(0.0, $amps, 'What the converter takes without load.'),
            'dropout_V' => Field::or(0.0, NumberShape::between(0.0, 60.0), 'So much more than its own must come in; of one that goes up: so much at least.'),
            'settles_s' => Field::or(0.0, NumberShape::between(0.0, 60.0), 'After it is switched on.'),
            'theta_C_per_W' => Field::or(null, NumberShape::between(0.1, 500.0)->orNull(), 'How much hotter the converter gets for each watt.'),
            'resistance_ohm' => Field::or(0.0, NumberShape::between(0.0, 100.0), 'Inside.'),
            'overload' => Field::or('sags', ChoiceShape::of('sags', 'folds', 'trips'), 'What it does when it is asked for more than it gives.'),
            'capacitor_uF' => Field::or(0.0, NumberShape::between(0.0, 1e8), 'Across it.'),
            'cells' => Field::or('other', ChoiceShape::of(...Discharge::CELLS), 'Of a battery.'),
            'cutoff_V' => Field::or(null, NumberShape::positive(60.0)->orNull(), 'Something switches a battery off there, before it is empty.'),
            'self_discharge_per_month' => Field::or(0.0, NumberShape::between(0.0, 1.0), 'Share of its charge.'),
            'charger_A' => Field::or(null, NumberShape::positive(100.0)->orNull(), 'What charges it all the time.'),
            'boxed' => Field::or(false, new BooleanShape, 'It sits in a closed box.'),
            'fuse_A' => Field::or(null, NumberShape::positive(100.0)->orNull(), 'The fuse in its lead.'),
            'beside' => Field::or(null, TextShape::id()->orNull(), 'Another source on the same rail.'),
            'diode' => Field::or(false, new BooleanShape, 'Diodes keep one of the two from flowing into the other.'),
            'listed' => Field::or(true, new BooleanShape, 'Closed and tested, of one that hangs on the mains.'),
        ], 'Supply');
    }

    /** The same where it gives another voltage. */
    public function giving(float $volts_V): self
    {
        return new self(...['volts_V' => $volts_V] + get_object_vars($this));
    }

    /**
     * What feeds it in the end.
     *
     * @param  array<string, self>  $all  by id
     */
    public static function sourceOf(self $supply, array $all): self
    {
        for ($at = $supply; $at->from !== null; $at = $all[$at->from]);

        return $at;
    }

    /** What it gives, a battery full and nearly empty too, lies in a range. */
    public function staysWithin(float $low_V, float $high_V): bool
    {
        $ends = [1.0, ...$this->ends()];

        return $this->volts_V * min($ends) >= $low_V * (1 - Constants::TIE) && $this->volts_V * max($ends) <= $high_V * (1 + Constants::TIE);
    }

    /** The least voltage of what feeds it at which it gives its own. */
    public function needs_V(): float
    {
        return match ($this->converter) {
            'up' => min($this->volts_V, $this->dropout_V),
            'gate' => 0.0,
            default => $this->volts_V + $this->dropout_V,
        };
    }

    /**
     * What it gives when what feeds it gives so much, V: its own voltage, less what it needs for itself where that is not enough; a switch lets through what
     * comes.
     */
    public function givesFrom(float $fed_V): float
    {
        return match ($this->converter) {
            'gate' => max(0.0, $fed_V - $this->dropout_V),
            'up' => $fed_V >= $this->dropout_V ? $this->volts_V : 0.0,
            default => max(0.0, min($this->volts_V, $fed_V - $this->dropout_V)),
        };
    }

    /** What it takes of what feeds it at so many volts while it gives so much, A: a linear one as much, a switching one by its power. */
    public function takes_A(float $gives_A, float $gives_V, float $fed_V): float
    {
        return $this->idle_A + (in_array($this->converter, ['linear', 'gate'], true) || $fed_V <= 0.0 ? $gives_A
            : Regulator::switching($fed_V, $gives_V, $gives_A, $this->efficiency, 0.0)->input_A);
    }

    private const DAYS_A_MONTH = 30.0;

    private const REGULATED = 0.01;

    /**
     * How its voltage scatters from one run to another, one standard deviation as a share: a regulated supply by one per cent, a battery evenly over
     * its discharge, a/√3.
     */
    public function spread(): float
    {
        if ($this->capacity_Ah === null) {
            return self::REGULATED;
        }
        [$empty, $full] = $this->discharge();

        return ($full - $empty) / 2 / sqrt(3);
    }

    /** @return array{}|array{float, float} what it may give, empty or cut off, and full, over its nominal voltage; a regulated supply always the same */
    public function ends(): array
    {
        return $this->capacity_Ah === null ? [] : $this->discharge();
    }

    /** @return array{float, float} */
    private function discharge(): array
    {
        $cells = $this->dischargeCurve();

        return [$this->cutoff_V === null ? $cells->empty() : min(1.0, max($cells->empty(), $this->cutoff_V / $this->volts_V)), $cells->full()];
    }

    /** What the cells of a battery give at rest over the charge that is left. */
    public function dischargeCurve(): Discharge
    {
        return new Discharge($this->cells);
    }

    /** Share of the charge of a battery that can be had before it is empty or cut off. */
    public function usable(): float
    {
        return 1.0 - $this->dischargeCurve()->left($this->discharge()[0]);
    }

    /** The same as charge; null of what is no battery. */
    public function usable_Ah(): ?float
    {
        return $this->capacity_Ah === null ? null : $this->capacity_Ah * $this->usable();
    }

    /**
     * What arrives at the terminals of a battery, V: V = V₀ − I·R, what its cells give at rest less what is lost inside.
     *
     * @param  float  $left  share of its charge, 0 to 1
     * @param  float  $gives_A  no less than 0
     */
    public function terminal_V(float $left, float $gives_A): float
    {
        return max(0.0, $this->dischargeCurve()->volts($left) * $this->volts_V - $gives_A * $this->resistance_ohm);
    }

    /** What is left of its charge, 0 to 1, when terminal_V() falls to so much; where it is less from the beginning, 1. */
    public function leftAt(float $terminal_V, float $gives_A): float
    {
        return $this->dischargeCurve()->left(($terminal_V + $gives_A * $this->resistance_ohm) / $this->volts_V);
    }

    /** What a battery loses by itself in a day, Ah. */
    public function loses_Ah_day(): float
    {
        return ($this->capacity_Ah ?? 0.0) * $this->self_discharge_per_month / self::DAYS_A_MONTH;
    }
}
