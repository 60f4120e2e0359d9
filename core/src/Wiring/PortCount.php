<?php

declare(strict_types=1);

namespace Brookstone\Core\Wiring;

/** Pins that are wanted, and boards and expanders that make up for those that a controller lacks, counted without a build. */
final readonly class PortCount
{
    private const CHANNELS = 16; // of an expander

    private const BUS_PINS = 2;

    public int $digital;

    public int $pwm;

    public int $analogue;

    public int $bridge_boards;

    public int $relay_boards;

    public int $digital_short;

    public int $pwm_short;

    public int $analogue_short;

    public int $pwm_expanders;

    public int $io_expanders;

    /**
     * @param  int  $coils  points with two coils count two
     * @param  bool  $speed_control  motors are driven at any speed, not only on and off
     * @param  array{digital: int, pwm: int, analogue: int}  $pins  of the controller: only digital, those that also do pulse width, those that also read
     *                                                             analogue
     */
    public function __construct(int $two_way, int $one_way, int $servos, int $steppers, int $coils, int $relays, int $lamps, int $switches, int $buttons,
        int $pulses, int $analogue, bool $speed_control, int $channels_per_bridge, int $relays_per_board, array $pins)
    {
        $this->digital = 2 * $two_way + ($speed_control ? 0 : $one_way) + 2 * $steppers + $coils + $relays + $lamps + $switches + $buttons + $pulses;
        $this->pwm = $servos + ($speed_control ? $two_way + $one_way : 0);
        $this->analogue = $analogue;
        $this->bridge_boards = (int) ceil($two_way / $channels_per_bridge);
        $this->relay_boards = (int) ceil(($coils + $relays) / $relays_per_board);
        $this->pwm_short = max(0, $this->pwm - $pins['pwm']);
        $this->analogue_short = max(0, $analogue - $pins['analogue']);
        $spareAnalogue = max(0, $pins['analogue'] - $analogue);
        $this->digital_short = max(0, $this->digital - $pins['digital'] - max(0, $pins['pwm'] - $this->pwm) - $spareAnalogue);
        $this->pwm_expanders = $this->pwm_short > 0 ? (int) ceil($this->pwm / self::CHANNELS) : 0;
        // With an expander all pins of pulse width are free for other things, but for the two of its bus.
        $short = $this->pwm_expanders > 0 ? max(0, $this->digital - $pins['digital'] - $pins['pwm'] - $spareAnalogue + self::BUS_PINS)
            : ($this->digital_short > 0 ? $this->digital_short + self::BUS_PINS : 0);
        $this->io_expanders = (int) ceil($short / self::CHANNELS);
    }
}
