<?php

declare(strict_types=1);

namespace Brookstone\Core\Parts;

use Brookstone\Core\Finding\Named;

/**
 * Something that tells the controller of the world. On is pressed, broken, near, turning, or above its upper threshold.
 */
final readonly class Sensor
{
    use Named;

    /** @var list<string> */
    public const ON_OFF = ['press', 'beam', 'magnet', 'reflective', 'knock', 'wheel', 'message'];

    /** @var list<string> ways in which something outside tells */
    public const OVER = ['contact', 'serial', 'network', 'radio', 'infrared'];

    /** @var list<string> that measure */
    public const ANALOG = ['light', 'colour', 'distance', 'sonar', 'knob'];

    public const WORDS = ['press' => 'button', 'beam' => 'light barrier', 'magnet' => 'magnetic switch', 'reflective' => 'reflective sensor',
        'knock' => 'knock sensor', 'wheel' => 'slotted wheel', 'message' => 'receiver', 'light' => 'light sensor', 'colour' => 'colour sensor',
        'distance' => 'distance sensor', 'sonar' => 'sonar', 'knob' => 'knob'];

    private const SONAR_V = 5.0;

    /**
     * @param  string|null  $motion  that passes by it
     * @param  float|null  $at  where on that motion it is on, in the motion's own unit
     * @param  float|null  $reach  so far to either side of it
     * @param  bool  $closed  its contact is normally closed: a broken wire reads as on
     * @param  float  $bounce_s  for which a contact chatters
     * @param  float  $late_s  until it tells
     * @param  float|null  $upper  of one that measures: on from here up
     * @param  float|null  $lower  and off from here down
     * @param  list<float>  $absent  readings without the thing
     * @param  list<float>  $present  readings with it
     * @param  float  $rest  what one that measures reads at first
     * @param  string|null  $lamp  an output whose light falls on it
     * @param  float  $lamp_adds  to its reading
     * @param  float  $long_s  of a button: held so long is a long press
     * @param  float  $double_s  of a button: pressed again within so long is a double press
     * @param  float|null  $signal_V  what it puts out at most; null is what the controller works with
     * @param  bool  $divided  by two resistors, to what a pin stands
     * @param  bool  $pulled  up by a resistor of its own
     * @param  bool  $filtered  by a resistor and a capacitor
     * @param  float|null  $current_A  that it takes itself; null is what is usual
     * @param  string  $over  of a message: a word of OVER
     * @param  float|null  $silent_s  of a message: after so long without another it counts as silent; null never
     * @param  string  $silent_is  of a message: `on` or `off`, what it is taken to say then
     * @param  string|null  $cuts  of a button: the supply whose lead it opens
     */
    public function __construct(
        public string $id,
        public string $name,
        public string $kind,
        public ?string $motion = null,
        public ?float $at = null,
        public ?float $reach = null,
        public bool $closed = false,
        public float $bounce_s = 0.0,
        public float $late_s = 0.0,
        public ?float $upper = null,
        public ?float $lower = null,
        public float $rest = 0.0,
        public float $long_s = 0.6,
        public float $double_s = 0.35,
        public array $absent = [],
        public array $present = [],
        public ?string $lamp = null,
        public float $lamp_adds = 0.0,
        public ?float $signal_V = null,
        public bool $divided = false,
        public bool $pulled = false,
        public bool $filtered = false,
        public ?string $cuts = null,
        public ?float $current_A = null,
        public string $over = 'serial',
        public ?float $silent_s = null,
        public string $silent_is = 'off',
    ) {
    }

    /** A contact or an open collector: while it is off nothing but a pull-up says so. */
    public function isOpen(): bool
    {
        return in_array($this->kind, ['press', 'magnet'], true) || ($this->kind === 'message' && $this->over === 'contact');
    }

    /** Its pulses come too fast for a scan, or must be timed: each interrupts the controller. */
    public function isTimed(): bool
    {
        return in_array($this->kind, ['knock', 'wheel', 'sonar'], true);
    }

    /** What it says counts no more once it has been silent for that long, s; null where it never falls silent. */
    public function fallsSilent_s(): ?float
    {
        return $this->kind === 'message' ? $this->silent_s : null;
    }

    /** Something else than itself moves its pin now and then: it counts that too unless a resistor and a capacitor keep it away. */
    public function isRinging(): bool
    {
        return in_array($this->kind, ['knock', 'wheel'], true);
    }

    /** What it puts out at most, V: one that listens to its own sound what feeds it. */
    public function puts_V(): ?float
    {
        return $this->signal_V ?? ($this->kind === 'sonar' ? self::SONAR_V : null);
    }

    public function measures(): bool
    {
        return in_array($this->kind, self::ANALOG, true);
    }

    /** On where the motion that it sits on passes it, each time that comes round; null where it does not hang on a motion. */
    public function isOnAt(float $position, ?float $period = null): ?bool
    {
        return $this->motion === null || $this->at === null ? null : abs(Motion::wrapped($position - $this->at, $period)) <= ($this->reach ?? 0.0);
    }

    /** What it takes itself, all the time, A: of contacts nothing. */
    public function takes_A(): float
    {
        return $this->current_A ?? match ($this->kind) {
            'beam', 'reflective' => 0.02,
            'distance' => 0.03,
            'sonar' => 0.015,
            'wheel', 'colour' => 0.01,
            'light', 'knob' => 0.0005,
            default => 0.0,
        };
    }

    /** The word for its state in sentences. */
    public function word(bool $on): string
    {
        return match ($this->kind) {
            'beam' => $on ? 'is broken' : 'is clear',
            'magnet', 'reflective' => $on ? 'sees it' : 'sees nothing',
            'knock' => $on ? 'is knocked' : 'is quiet',
            'wheel' => $on ? 'turns' : 'stands still',
            'message' => $on ? 'says on' : 'says off',
            'light', 'colour', 'distance', 'sonar', 'knob' => $on ? 'is above its threshold' : 'is below its threshold',
            default => $on ? 'is pressed' : 'is let go',
        };
    }
}
