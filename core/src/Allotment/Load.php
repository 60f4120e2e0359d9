<?php

declare(strict_types=1);

namespace Brookstone\Core\Allotment;

use Brookstone\Core\Wiring\Board;
use Brookstone\Core\Wiring\BoardKind;

/** Something that needs a channel of a driver: a motor, a coil, a lamp. */
final readonly class Load
{
    /**
     * @param  string  $signal  as joins name it
     * @param  string  $name  for people
     * @param  list<BoardKind>  $kinds  of drivers that will do
     * @param  string  $supply  that feeds it
     * @param  float  $runs_A  for good
     * @param  float  $starts_A  for a start
     * @param  bool  $speed  it is driven at any speed
     * @param  bool  $isCoil  what is switched off gives its current back
     * @param  string|null  $motion  that it moves
     */
    public function __construct(public string $signal, public string $name, public array $kinds, public string $supply, public float $volts_V,
        public float $runs_A, public float $starts_A, public bool $speed, public bool $isCoil, public ?string $motion = null)
    {
    }

    /** A channel of such a board carries it, and does all that is asked of it. */
    public function fits(Board $board): bool
    {
        return in_array($board->kind, $this->kinds, true)
            && (! $this->speed || $board->speed)
            && (! $this->isCoil || $board->diode)
            && $this->isBorne($board);
    }

    /** As the board is rated: by its voltage, for a start and for good. */
    public function isBorne(Board $board): bool
    {
        return $this->volts_V >= $board->low_V && $this->volts_V <= $board->high_V && $this->starts_A <= $board->peak_A
            && $this->runs_A <= $board->continuous_A;
    }
}
