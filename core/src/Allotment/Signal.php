<?php

declare(strict_types=1);

namespace Brookstone\Core\Allotment;

use Brookstone\Core\Wiring\Ability;
use Brookstone\Core\Wiring\Pin;
use Brookstone\Core\Wiring\PlacedBoard;

/** Something that needs a pin. */
final readonly class Signal
{
    /**
     * @param  string  $key  as joins name it
     * @param  string  $name  for people
     * @param  list<Ability>  $needs  of its pin
     * @param  bool  $direct  only a pin of the controller itself will do: an expander is too slow for it
     * @param  float  $takes_A  that its pin must give
     * @param  string|null  $motion  that it belongs to
     * @param  string|null  $board  that it comes from, of a driver's control
     */
    public function __construct(public string $key, public string $name, public array $needs, public bool $direct = false, public float $takes_A = 0.0,
        public ?string $motion = null, public ?string $board = null)
    {
    }

    public function fits(PlacedBoard $board, Pin $pin): bool
    {
        return $pin->can(...$this->needs) && (! $this->direct || $board->board->kind->lends() === []) && $this->takes_A <= $board->board->pin_A;
    }

    /** Signals that any pin serves alike. */
    public function like(): string
    {
        return implode(' ', array_column($this->needs, 'value')).($this->direct ? ' !' : '').($this->takes_A > 0.0 ? " {$this->takes_A}" : '');
    }
}
