<?php

declare(strict_types=1);

namespace Brookstone\Core\Drive;

use Brookstone\Core\Air\Cylinder;
use Brookstone\Core\Error\ImpossibleValue;
use Brookstone\Core\Quantity\Constants;
use Brookstone\Core\Shape\ChoiceShape;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\NumberShape;

/**
 * A cylinder behind a regulator and a valve with two coils, or one that a small servo turns. It acts at a lever on the shaft of the mechanism as the rod of a
 * linear actuator does: torque = force · lever, turn = stroke / lever. Both ways count with the weaker side, that of the rod.
 *
 * As a line of torque over speed: all its force up to half of the speed that its valve lets air through for, and none at all of it: what flows through a valve
 * falls little until the pressure behind it is more than half of that before it (ISO 6358-1, §5), drawn straight.
 */
final readonly class AirCylinder implements Drive
{
    use HoldsWithoutCurrent;
    use StrokesOnLever;

    public const VALVES = ['shuts_in', 'vents'];

    public const WORKED_BY = ['coils', 'servo'];

    public const SHIFTS_S = 0.02; // that a valve takes to shift: of small ones about so much

    private const LINE = 2.0; // times its force, where its line would begin without the limit

    private const RANGE = [0.85, 1.1]; // of the rated voltage that coils of valves open at: a usual band

    private Cylinder $cylinder;

    private Body $body;

    /**
     * @param  float  $bore_m  > 0
     * @param  float  $rod_m  of the piston rod, 0 or more, less than the bore
     * @param  float  $stroke_m  > 0
     * @param  float  $lever_m  where it acts, from the shaft, > 0
     * @param  float  $pressure_bar  that its regulator is set to, over the room's, > 0
     * @param  float  $flow_l_min  of free air that its valve passes, > 0
     * @param  float  $cushion_J  that its ends take up without harm, 0 or more
     * @param  float  $friction_fraction  of its force that the seals take, 0 to less than 1
     * @param  float  $friction_N  and besides, 0 or more
     * @param  string  $valve  told nothing, it `shuts_in` the air or `vents` both sides
     * @param  string  $worked_by  `coils` or a `servo`
     * @param  float  $rated_V  of what works the valve, > 0
     * @param  float  $valve_A  that it takes while it is told to move, > 0
     *
     * @throws ImpossibleValue
     */
    public function __construct(
        public float $bore_m,
        public float $rod_m,
        public float $stroke_m,
        public float $lever_m,
        public float $pressure_bar,
        public float $flow_l_min,
        public float $cushion_J,
        public float $friction_fraction,
        public float $friction_N,
        public string $valve,
        public string $worked_by,
        public float $rated_V,
        public float $valve_A,
        Body $body,
    ) {
        foreach (['bore_m' => $bore_m, 'stroke_m' => $stroke_m, 'lever_m' => $lever_m, 'pressure_bar' => $pressure_bar, 'flow_l_min' => $flow_l_min,
            'rated_V' => $rated_V, 'valve_A' => $valve_A] as $field => $value) {
            ImpossibleValue::unlessPositive($field, $value);
        }
        if (! ($rod_m >= 0.0 && $rod_m < $bore_m)) {
            throw ImpossibleValue::because('rod_m', 'must be thinner than the bore.');
        }
        $this->cylinder = new Cylinder($bore_m, $rod_m, $stroke_m, $rod_m <= 0.0);
        $this->body = $body->holding($lever_m * ($friction_N + ($valve === 'shuts_in' ? $pressure_bar * Constants::BAR_PA * $this->cylinder->area_m2 : 0.0)));
    }

    public static function fields(): array
    {
        return [
            'bore_m' => Field::needed(NumberShape::positive(1.0), 'Inside.'),
            'rod_m' => Field::or(0.0, NumberShape::between(0.0, 1.0), 'Of its rod; thinner than the bore.'),
            'stroke_m' => Field::needed(NumberShape::positive(10.0), 'How far it pushes out.'),
            'lever_m' => Field::or(0.04, NumberShape::positive(10.0), 'From the shaft to where it acts; for a carriage its pulley’s radius.'),
            'pressure_bar' => Field::needed(NumberShape::positive(20.0), 'That its regulator is set to, over the room’s.'),
            'flow_l_min' => Field::needed(NumberShape::positive(1e5), 'Free air that its valve and throttle pass in a minute, at that pressure.'),
            'cushion_J' => Field::or(0.1, NumberShape::notNegative(Drives::MOST), 'Energy that its ends take up without harm.'),
            'friction_fraction' => Field::or(0.1, NumberShape::between(0.0, 0.9), 'Of its force that the seals take.'),
            'friction_N' => Field::or(10.0, NumberShape::notNegative(Drives::MOST), 'And besides.'),
            'valve' => Field::or('shuts_in', ChoiceShape::of(...self::VALVES), 'What its valve does while it is told nothing.'),
            'worked_by' => Field::or('coils', ChoiceShape::of(...self::WORKED_BY), 'What moves the valve.'),
            'rated_V' => Field::needed(Drives::volts(), 'Of what works the valve.'),
            'valve_A' => Field::needed(NumberShape::positive(Drives::MOST), 'What that takes while it is told to move.'),
        ];
    }

    public static function make(array $read, Body $body): self
    {
        return new self(...['body' => $body] + $read);
    }

    public function write(): array
    {
        return array_diff_key(get_object_vars($this), ['body' => true, 'cylinder' => true]);
    }

    public function kind(): string
    {
        return 'air_cylinder';
    }

    /** The same with less pressure before it than its regulator is set to: its valve passes so much less too, by what there is before it (ISO 6358-1, §5). */
    public function fedWith(float $bar): self
    {
        return $bar >= $this->pressure_bar ? $this : self::make(array_replace($this->write(), ['pressure_bar' => $bar,
            'flow_l_min' => $this->flow_l_min * ($bar + Constants::ROOM_BAR) / ($this->pressure_bar + Constants::ROOM_BAR)]), $this->body);
    }

    /** The same with a throttle that lets so much free air through. */
    public function throttled(float $flow_l_min): self
    {
        return self::make(array_replace($this->write(), ['flow_l_min' => $flow_l_min]), $this->body);
    }

    /** The same with a valve, or a hose, that lets its air out. */
    public function venting(): self
    {
        return self::make(array_replace($this->write(), ['valve' => 'vents']), $this->body);
    }

    /** The least force either way at a pressure in front of its regulator, N. */
    public function force_N(float $bar = INF): float
    {
        return $this->cylinder->force_N(min($bar, $this->pressure_bar), $this->friction_fraction, $this->friction_N);
    }

    /** The pressure at which it just gives a force, bar: the other way round. */
    public function needs_bar(float $force_N): float
    {
        return ($force_N + $this->friction_N) / (1 - $this->friction_fraction) / $this->cylinder->area_m2 / Constants::BAR_PA;
    }

    /** Free air that it takes on the way, l for each m of stroke: of both ways the mean. */
    public function air_l_m(float $bar = INF): float
    {
        $bar = min($bar, $this->pressure_bar);
        $out = new Cylinder($this->bore_m, $this->rod_m, 1.0, true);
        $in = new Cylinder($this->bore_m, $this->rod_m, 1.0, false);

        return ($out->air_l($bar) + $in->air_l($bar)) / 2;
    }

    public function line(float $supply_V, float $duty): TorqueLine
    {
        $most = $this->force_N() * $this->lever_m;
        $free_rad_s = $this->flow_l_min / 60 / $this->air_l_m() / $this->lever_m;
        $amps = $this->valve_A * $supply_V / $this->rated_V;
        $line = new TorqueLine(self::LINE * $most, self::LINE * $most / $free_rad_s, $amps, $amps, 0.0, $most,
            opens: self::RANGE[0] * $this->rated_V / $supply_V);

        return $line->atShare(1.0);
    }

    public function rotorKgm2(): float
    {
        return 0.0;
    }

    public function resistance_ohm(): float
    {
        return $this->rated_V / $this->valve_A;
    }

    public function supplyFit(float $supply_V): SupplyFit
    {
        [$low, $high] = $this->voltageRange();

        return match (true) {
            $supply_V < $low * (1 - Constants::TIE) => SupplyFit::Low,
            $supply_V <= $high * (1 + Constants::TIE) => SupplyFit::Fits,
            default => SupplyFit::FarTooHigh,
        };
    }

    public function voltageRange(): array
    {
        return [self::RANGE[0] * $this->rated_V, self::RANGE[1] * $this->rated_V];
    }

    public function endsItself(): bool
    {
        return true;
    }

    public function locks(): bool
    {
        return $this->valve === 'shuts_in';
    }

    /** What it holds unpowered follows from its valve: what is shut in, and what rubs. */
    public function body(): Body
    {
        return $this->body;
    }

    /** What rubs without pressure behind the seals. */
    public function drag_Nm(bool $alone): float
    {
        return $this->friction_N * $this->lever_m;
    }

    public function noise(): float
    {
        return 7.0;
    }
}
