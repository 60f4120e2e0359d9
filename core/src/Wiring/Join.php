<?php

declare(strict_types=1);

namespace Brookstone\Core\Wiring;

/**
 * A signal on a pin: one wire, or the pair that carries a load. The signal is named as the document names what it comes from: `motions.lift`,
 * `switches.top`, `boards.bridge.A.way-1`.
 */
final readonly class Join
{
    /**
     * @param  int  $number  that stands on both of its ends
     * @param  bool  $fixed  by the builder: it is never moved
     * @param  string|null  $colour  null is the usual one
     * @param  float|null  $area_mm2  of its copper; null is what serves
     * @param  float|null  $length_m  one way; null is what the sheet says
     * @param  string  $plug  between its ends, in words
     * @param  float|null  $plug_A  what a contact of that bears; null where nobody said
     */
    public function __construct(public int $number, public string $signal, public string $board, public string $pin, public bool $fixed = false,
        public ?string $colour = null, public ?float $area_mm2 = null, public ?float $length_m = null, public string $plug = '',
        public ?float $plug_A = null)
    {
    }

    /** `bridge.A`: what two joins cannot both have. */
    public function at(): string
    {
        return "{$this->board}.{$this->pin}";
    }
}
