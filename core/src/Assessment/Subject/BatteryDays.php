<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment\Subject;

use Brookstone\Core\Parts\Supply;
use Brookstone\Core\Quantity\Constants;
use Brookstone\Core\Quantity\Quantity;

/** How long a battery lasts at so much a day, where somebody asks for how long; in words too. */
final readonly class BatteryDays
{
    private const IN_HOURS = 2.0; // days: what lasts less is told in hours

    public float $lasts;

    /**
     * @param  Supply  $supply  a battery
     * @param  float  $day_Ah  what it gives in a day, > 0
     * @param  float  $wanted  days
     */
    public function __construct(private Supply $supply, private float $day_Ah, private float $wanted)
    {
        $this->lasts = (float) $supply->usable_Ah() / $day_Ah;
    }

    public function isEnough(): bool
    {
        return $this->lasts >= $this->wanted * (1 - Constants::TIE);
    }

    /** “Main with {capacity} lasts {lasts} hours, where {wanted} day is asked for”, for values(). */
    public function says(): string
    {
        return "{$this->supply->named()} with {capacity} lasts {lasts} ".self::unit($this->lasts).', where {wanted} '
            .($this->wanted === 1.0 ? 'day is' : 'days are').' asked for';
    }

    /** @return array<string, Quantity> */
    public function values(): array
    {
        return ['capacity' => Quantity::of((float) $this->supply->capacity_Ah, 'Ah'), 'lasts' => self::told($this->lasts),
            'wanted' => Quantity::number($this->wanted),
            'day' => Quantity::of($this->day_Ah, 'Ah')];
    }

    /** In what so many days are told. */
    public static function unit(float $days): string
    {
        return $days < self::IN_HOURS ? 'hours' : 'days';
    }

    /** So many days, in their unit. */
    public static function told(float $days): Quantity
    {
        return Quantity::number($days < self::IN_HOURS ? 24 * $days : $days);
    }
}
