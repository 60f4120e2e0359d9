<?php

declare(strict_types=1);

namespace Brookstone\Core\Reach;

/** Where one motion is: what the controller knows of it, and between which positions it really is. Positions are in the motion's own unit. */
final readonly class PositionKnowledge
{
    /**
     * @param  bool  $known  it was homed, or knows its place by itself
     * @param  string|null  $place  at which the controller takes it to be
     * @param  float|null  $at  where the controller takes it to be, at a place or not
     * @param  bool  $driven  on its way, or its motor is still on
     * @param  array{float, float}|null  $between  where it really is; null where it was left before the power came on, which nobody can help
     */
    public function __construct(public bool $known, public ?string $place = null, public ?float $at = null, public ?array $between = null,
        public bool $driven = false)
    {
    }

    /** It stands still where it has got to, and is not known to be at a place. */
    public function forgotten(bool $known): self
    {
        return new self($known, null, null, $this->between);
    }

    /** @param  float  $slack  to either side of what it is brought to */
    public function towards(float $to, float $slack, Travel $travel): self
    {
        [$low, $high] = $this->between ?? $travel->whole();

        return new self($this->known, null, null, $travel->within(min($low, $to - $slack), max($high, $to + $slack)), true);
    }

    /** It is driven on until something stops it. */
    public function along(int $direction, Travel $travel): self
    {
        [$low, $high] = $this->between ?? $travel->whole();

        return new self($this->known, null, null, $direction > 0 ? $travel->within($low, INF) : $travel->within(-INF, $high), true);
    }

    public function key(): string
    {
        return ($this->known ? 'k' : 'u').($this->driven ? '!' : '')." {$this->place} {$this->at} ".implode(' ', $this->between ?? []);
    }
}
