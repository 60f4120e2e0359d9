<?php

declare(strict_types=1);

namespace Brookstone\Core\Drive;

/** What tells a controller where a shaft stands. */
enum PositionSource
{
    /** Its own sensor: known whenever it has power, and it goes where it is sent. */
    case Feedback;

    /** The steps that it was sent: it goes where it is sent, from where it was homed until the power goes or it slips. */
    case Steps;

    /** The pulses of an encoder, from where it was homed until the power goes. */
    case Pulses;

    /** Nothing but the time that it runs, between the switches that it meets. */
    case Time;

    /** It goes where it is sent, not only on and off. */
    public function isSent(): bool
    {
        return $this === self::Feedback || $this === self::Steps;
    }

    /** It knows where it is only from where it was homed. */
    public function counts(): bool
    {
        return $this === self::Steps || $this === self::Pulses;
    }
}
