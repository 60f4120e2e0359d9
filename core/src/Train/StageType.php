<?php

declare(strict_types=1);

namespace Brookstone\Core\Train;

enum StageType: string
{
    case Spur = 'spur';
    case Bevel = 'bevel';
    case Crown = 'crown';
    case Belt = 'belt';
    case Round = 'round';
    case Chain = 'chain';
    case Worm = 'worm';
    case Rack = 'rack';
    case Screw = 'screw';
    case Pawl = 'pawl';

    /** A mesh of two gears reverses the turn; the others keep it. */
    public function direction(): int
    {
        return $this === self::Spur || $this->turnsCorner() ? -1 : 1;
    }

    public function usualEfficiency(): float
    {
        return match ($this) {
            self::Worm, self::Screw => 0.4,
            self::Crown, self::Round => 0.9,
            self::Pawl => 0.98,
            default => 0.95,
        };
    }

    /** Its shafts meet at a right angle: a pair of cones, or a pinion on the face of a crown wheel. */
    public function turnsCorner(): bool
    {
        return $this === self::Bevel || $this === self::Crown;
    }

    /** Its wheels stand apart and something flexible runs over them. */
    public function runsOver(): bool
    {
        return $this === self::Belt || $this === self::Round || $this === self::Chain;
    }

    /** A thread that slides on its counterpart: lead and friction say what passes and whether it locks. */
    public function isThread(): bool
    {
        return $this === self::Worm || $this === self::Screw;
    }

    /** It pushes what slides: the last stage, whose ratio is that of a turn to itself. */
    public function pushes(): bool
    {
        return $this === self::Rack || $this === self::Screw;
    }

    /** Both its sides turn alike: what one driven wheel would be is the same wheel, thread or pawl. */
    public function isOneToOne(): bool
    {
        return $this->pushes() || $this === self::Pawl;
    }

    public function inWords(): string
    {
        return match ($this) {
            self::Spur => 'spur gears', self::Bevel => 'bevel gears', self::Crown => 'crown gear', self::Belt => 'belt', self::Round => 'round belt',
            self::Chain => 'chain',
            self::Worm => 'worm', self::Rack => 'rack', self::Screw => 'lead screw', self::Pawl => 'pawl',
        };
    }

    /** What its driving wheel is called, or its driven one. */
    public function wheel(bool $driver): string
    {
        return match ($this) {
            self::Spur => 'spur gear', self::Bevel => 'bevel gear', self::Belt => 'pulley', self::Round => 'grooved pulley', self::Chain => 'sprocket',
            self::Crown => $driver ? 'spur gear' : 'crown wheel', self::Worm => $driver ? 'worm' : 'worm wheel',
            self::Rack => $driver ? 'spur gear' : 'rack', self::Screw => $driver ? 'lead screw' : 'nut', self::Pawl => $driver ? 'pawl' : 'ratchet wheel',
        };
    }
}
