<?php

declare(strict_types=1);

namespace Brookstone\Core\Parts;

use Brookstone\Core\Drive\PositionSource;

/** How a motion knows where it is: by what, and with which switches. Resolved once, when the motion is made. */
final readonly class Positioning
{
    /** @param  PositionSource|null  $source  null without a drive */
    private function __construct(public ?PositionSource $source, private Stops $stops, private string $begins)
    {
    }

    /** @param  string  $begins  the place where its task starts */
    public static function of(?DriveChoice $drive, Stops $stops, string $begins): self
    {
        $own = $drive?->motor->positionSource();

        return new self($own === PositionSource::Time && $stops->encoder_pulses !== null ? PositionSource::Pulses : $own, $stops, $begins);
    }

    /** It knows where it is whenever it has power. */
    public function isAbsolute(): bool
    {
        return $this->source === PositionSource::Feedback;
    }

    /** It steps: it goes where it is sent and counts, but loses its place with the power or by slipping. */
    public function countsSteps(): bool
    {
        return $this->source === PositionSource::Steps;
    }

    /** It turns a motor that counts nothing by itself, and an encoder on its shaft counts for it, from where it was homed. */
    public function countsPulses(): bool
    {
        return $this->source === PositionSource::Pulses;
    }

    /** It turns a motor that nothing tells where it is between its switches. */
    public function isTimed(): bool
    {
        return $this->source === PositionSource::Time;
    }

    /** It knows where it is only from where it was homed. */
    public function counts(): bool
    {
        return $this->source?->counts() ?? false;
    }

    /** Its driver is told where to go. */
    public function isSent(): bool
    {
        return $this->source?->isSent() ?? false;
    }

    /** Its driver only turns it on and off, one way or the other. */
    public function isSwitched(): bool
    {
        return $this->source !== null && ! $this->source->isSent();
    }

    /** What ends a move to a place: the switch there, unless it knows that place by itself. */
    public function switchEnding(string $place): ?LimitSwitch
    {
        return $this->isAbsolute() ? null : $this->stops->switchAt($place);
    }

    /** What it is best homed onto: what tells the place where its task starts, or else the first that tells one; null where nothing does. */
    public function homesOnto(): ?LimitSwitch
    {
        return $this->stops->switchAt($this->begins) ?? $this->stops->tellers()[0] ?? null;
    }
}
