<?php

declare(strict_types=1);

namespace Brookstone\Core\Train;

/** What gears are made of, with what a tooth of it bears at its root for long. Halve it for shock. */
enum GearMaterial: string
{
    case PrintedPla = 'printed_pla';
    case PrintedNylon = 'printed_nylon';
    case Nylon = 'nylon';
    case Acetal = 'acetal';
    case Brass = 'brass';
    case Steel = 'steel';

    public function allowable_MPa(): float
    {
        return match ($this) {
            self::PrintedPla, self::PrintedNylon => 15.0,
            self::Nylon => 25.0,
            self::Acetal => 30.0,
            self::Brass => 80.0,
            self::Steel => 150.0,
        };
    }

    public function inWords(): string
    {
        return match ($this) {
            self::PrintedPla => 'printed PLA',
            self::PrintedNylon => 'printed nylon',
            self::Nylon => 'nylon',
            self::Acetal => 'acetal',
            self::Brass => 'brass',
            self::Steel => 'mild steel',
        };
    }
}
