<?php

declare(strict_types=1);

namespace Brookstone\Core\Wiring;

/** What a board is for. */
enum BoardKind: string
{
    case Controller = 'controller';
    case Bridge = 'bridge';
    case Single = 'single';
    case Relay = 'relay';
    case Stepper = 'stepper';
    case PulseExpander = 'pulse_expander';
    case Expander = 'expander';
    case ShiftOut = 'shift_out';
    case ShiftIn = 'shift_in';
    case Selector = 'selector';

    public function word(): string
    {
        return match ($this) {
            self::Controller => 'controller',
            self::Bridge => 'bridge board',
            self::Single => 'switch board',
            self::Relay => 'relay board',
            self::Stepper => 'stepper driver',
            self::PulseExpander => 'pulse-width expander',
            self::Expander => 'input and output expander',
            self::ShiftOut => 'output shift register',
            self::ShiftIn => 'input shift register',
            self::Selector => 'analogue selector',
        };
    }

    /** It carries loads: motors, coils, lamps. */
    public function drives(): bool
    {
        return in_array($this, [self::Bridge, self::Single, self::Relay, self::Stepper], true);
    }

    /** It stands on the two-wire bus under an address. */
    public function isOnBus(): bool
    {
        return $this === self::PulseExpander || $this === self::Expander;
    }

    /**
     * What its own pins can do for the controller, where it makes more of them.
     *
     * @return list<Ability>
     */
    public function lends(): array
    {
        return match ($this) {
            self::PulseExpander => [Ability::Out, Ability::Pulse],
            self::Expander => [Ability::In, Ability::Out, Ability::Pull],
            self::ShiftOut => [Ability::Out],
            self::ShiftIn => [Ability::In],
            self::Selector => [Ability::Analogue],
            default => [],
        };
    }
}
