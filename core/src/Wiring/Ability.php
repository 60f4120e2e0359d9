<?php

declare(strict_types=1);

namespace Brookstone\Core\Wiring;

/** What a pin can do. */
enum Ability: string
{
    case In = 'in';
    case Pull = 'pull';             // a pull-up inside
    case Out = 'out';
    case Pulse = 'pulse';           // width of pulses: speed, servos
    case Analogue = 'analogue';
    case Interrupt = 'interrupt';   // tells of a change at once
    case Wake = 'wake';             // ends sleep
    case Data = 'data';             // of the bus
    case Clock = 'clock';
    case Receive = 'receive';
    case Send = 'send';
    case Channel = 'channel';       // of a driver: what carries the load

    /** For a sentence: `pulse-width pin`. */
    public function pin(): string
    {
        return match ($this) {
            self::In => 'input pin',
            self::Pull => 'pull-up pin',
            self::Out => 'output pin',
            self::Pulse => 'pulse-width pin',
            self::Analogue => 'analogue pin',
            self::Interrupt => 'interrupt pin',
            self::Wake => 'waking pin',
            self::Data => 'bus data pin',
            self::Clock => 'bus clock pin',
            self::Receive => 'serial input pin',
            self::Send => 'serial output pin',
            self::Channel => 'channel',
        };
    }

    /** `an input pin` */
    public function aPin(): string
    {
        return (in_array($this->pin()[0], ['a', 'e', 'i', 'o', 'u'], true) ? 'an ' : 'a ').$this->pin();
    }
}
