<?php

declare(strict_types=1);

namespace Brookstone\Core\Wiring;

use Brookstone\Core\Error\ImpossibleValue;
use Brookstone\Core\Quantity\NotUnderstood;
use Brookstone\Core\Shape\ChoiceShape;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\NumberShape;
use Brookstone\Core\Shape\RecordShape;
use Brookstone\Core\Shape\TextShape;

/** A controller, a driver or what makes more pins, as its maker tells of it. */
final readonly class Board
{
    private const MOST_CHANNELS = 32;

    private const YES = 'yes';

    public BoardKind $kind;

    private string $pinsSaid;

    /** @var array<string, Pin> what others are wired to, by name: of a controller its pins, of an expander its channels, of a driver what carries the loads */
    public array $pins;

    /** It lets the speed be set by the width of pulses. */
    public bool $speed;

    /** It takes up what a coil gives back when it is switched off. */
    public bool $diode;

    /**
     * @param  string  $name  of its series
     * @param  float  $cost  in whatever the builder counts in, ≥ 0
     * @param  float  $logic_V  of its signals
     * @param  float  $low_V  of its supply, at least
     * @param  float  $high_V  and at most
     * @param  float  $least_V  of its supply, under which a controller starts anew
     * @param  float  $awake_A  that it takes itself
     * @param  float  $pin_A  that one pin gives or takes
     * @param  float  $pins_A  that all together do
     * @param  int  $channels  of a driver or expander
     * @param  float  $continuous_A  of a channel
     * @param  float  $peak_A  for a start
     * @param  float  $lost_V  in a channel, whatever flows
     * @param  float  $lost_ohm  in a channel besides
     * @param  int  $directions  pins for the way of one channel
     * @param  float  $on_A  that a channel takes itself while it is on: the coil of a relay
     * @param  float  $delay_s  until it has switched
     * @param  float  $regulator_A  that its own small regulator gives to others; 0 is none
     *
     * @throws ImpossibleValue
     */
    public function __construct(
        string $kind,
        public string $name,
        string $pins = '',
        public float $cost = 0.0,
        public float $logic_V = 5.0,
        public float $low_V = 4.5,
        public float $high_V = 5.5,
        public float $least_V = 0.0,
        public float $awake_A = 0.0,
        public float $asleep_A = 0.0,
        public float $starts_s = 0.0,
        public float $pin_A = 0.02,
        public float $pins_A = 0.2,
        public int $channels = 0,
        public float $continuous_A = 0.0,
        public float $peak_A = 0.0,
        public float $lost_V = 0.0,
        public float $lost_ohm = 0.0,
        public int $directions = 0,
        string $speed = 'no',
        string $diode = self::YES,
        public float $on_A = 0.0,
        public float $delay_s = 0.0,
        public float $regulator_A = 0.0,
        public ?int $address_low = null,
        public ?int $address_high = null,
        public float $width_mm = 50.0,
        public float $height_mm = 30.0,
    ) {
        $this->kind = BoardKind::from($kind);
        $this->pinsSaid = $pins;
        $this->speed = $speed === self::YES;
        $this->diode = $diode === self::YES;
        ImpossibleValue::unlessNone($this->problems());
        if ($this->kind === BoardKind::Controller) {
            try {
                $this->pins = PinList::read($pins);
            } catch (NotUnderstood $wrong) {
                throw ImpossibleValue::because('pins', $wrong->getMessage());
            }

            return;
        }
        $can = $this->kind->drives() ? [Ability::Channel] : $this->kind->lends();
        $names = array_map(fn (int $i): string => $this->kind->drives() ? self::letter($i) : 'e'.($i + 1), range(0, $channels - 1));
        $this->pins = array_combine($names, array_map(fn (string $name): Pin => new Pin($name, $can), $names));
    }

    /** Its fields, in the document as in a table. */
    public static function shape(): RecordShape
    {
        $amps = NumberShape::between(0.0, 100.0);
        $volts = NumberShape::between(0.0, 60.0);

        return new RecordShape([
            'kind' => Field::needed(ChoiceShape::of(...array_column(BoardKind::cases(), 'value')), 'What it is for.'),
            'name' => Field::needed(TextShape::name(), 'Of its series.'),
            'cost' => Field::or(0.0, NumberShape::between(0.0, 1e5), 'What it costs; of boards that serve alike the cheaper is taken.'),
            'pins' => Field::or('', new TextShape(0, 2000), 'Of a controller, in their order: D2–D9: in out pull; A0: in analogue.'),
            'logic_V' => Field::or(5.0, NumberShape::between(1.0, 24.0), 'Of its signals.'),
            'low_V' => Field::or(4.5, $volts, 'Of its supply, or of what it drives: at least.'),
            'high_V' => Field::or(5.5, NumberShape::between(0.5, 60.0), 'At most.'),
            'least_V' => Field::or(0.0, $volts, 'Of a controller: below this it starts anew.'),
            'awake_A' => Field::or(0.0, $amps, 'What it takes itself.'),
            'asleep_A' => Field::or(0.0, $amps, 'What it takes asleep.'),
            'starts_s' => Field::or(0.0, NumberShape::between(0.0, 60.0), 'From power to its first step.'),
            'pin_A' => Field::or(0.02, $amps, 'What one pin gives.'),
            'pins_A' => Field::or(0.2, $amps, 'What all pins give together.'),
            'channels' => Field::or(0, NumberShape::whole(0, self::MOST_CHANNELS), 'Of a driver or an expander.'),
            'continuous_A' => Field::or(0.0, $amps, 'Of a channel, for good.'),
            'peak_A' => Field::or(0.0, $amps, 'Of a channel, for a start.'),
            'lost_V' => Field::or(0.0, NumberShape::between(0.0, 10.0), 'In a channel, whatever flows.'),
            'lost_ohm' => Field::or(0.0, NumberShape::between(0.0, 100.0), 'In a channel besides.'),
            'directions' => Field::or(0, NumberShape::whole(0, 3), 'Pins for the way of one channel.'),
            'speed' => Field::or('no', ChoiceShape::of(self::YES, 'no'), 'Its speed can be set.'),
            'diode' => Field::or(self::YES, ChoiceShape::of(self::YES, 'no'), 'It takes up what a coil gives back.'),
            'on_A' => Field::or(0.0, $amps, 'What a channel takes itself while it is on.'),
            'delay_s' => Field::or(0.0, NumberShape::between(0.0, 1.0), 'Until it has switched.'),
            'regulator_A' => Field::or(0.0, $amps, 'What its own small regulator gives to others.'),
            'address_low' => Field::or(null, NumberShape::whole(0, 127)->orNull(), 'Of the bus: its first address.'),
            'address_high' => Field::or(null, NumberShape::whole(0, 127)->orNull(), 'And its last.'),
            'width_mm' => Field::or(50.0, NumberShape::between(5.0, 500.0), 'Of the board.'),
            'height_mm' => Field::or(30.0, NumberShape::between(5.0, 500.0)),
        ], 'Board');
    }

    /** @return array<string, mixed> as shape() reads it */
    public function write(): array
    {
        $written = [];
        foreach (array_keys(self::shape()->fields) as $field) {
            $written[$field] = match ($field) {
                'kind' => $this->kind->value,
                'pins' => $this->pinsSaid,
                'speed' => $this->speed ? self::YES : 'no',
                'diode' => $this->diode ? self::YES : 'no',
                default => $this->{$field},
            };
        }

        return $written;
    }

    /** 0x40 */
    public static function address(int $address): string
    {
        return sprintf('0x%02X', $address);
    }

    private static function letter(int $i): string
    {
        return $i < 26 ? chr(65 + $i) : 'A'.chr(65 + $i - 26);
    }

    /** @return array<string, string> what cannot be although each figure could, by field */
    private function problems(): array
    {
        return array_filter([
            'high_V' => $this->high_V < $this->low_V ? 'Must be no less than the lowest.' : '',
            'least_V' => $this->kind === BoardKind::Controller && $this->least_V > $this->low_V ? 'Must be no more than the lowest it is rated for.' : '',
            'channels' => $this->kind !== BoardKind::Controller && $this->channels < 1 ? 'Must be 1 or more.' : '',
            'continuous_A' => $this->kind->drives() && $this->continuous_A <= 0.0 ? 'Say what a channel bears.' : '',
            'peak_A' => $this->kind->drives() && $this->peak_A < $this->continuous_A ? 'Must be no less than what it bears for good.' : '',
            'directions' => $this->kind->drives() && $this->directions < 1 && ! $this->speed ? 'A channel needs a pin that tells it.' : '',
            'address_low' => $this->kind->isOnBus() && $this->address_low === null ? 'Say its first address on the bus.' : '',
            'address_high' => $this->kind->isOnBus() && ($this->address_high ?? -1) < ($this->address_low ?? 0) ? 'Must be no less than the first.' : '',
        ], fn (string $problem): bool => $problem !== '');
    }
}
