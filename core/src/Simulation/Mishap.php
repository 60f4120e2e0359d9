<?php

declare(strict_types=1);

namespace Brookstone\Core\Simulation;

use Brookstone\Core\Finding\Sentence;

/** Something that went wrong in a run. */
final readonly class Mishap
{
    public const OF_NO_MOTION = ['rule', 'sag', 'reset', 'burns', 'vain', 'air'];

    /**
     * @param  string  $kind  `hit`, `snap`, `sag`, `reset`, `burns`, `rule`, `stall`, `elsewhere`, `left_powered`, `vain`, `touch`, `near`, `air`, `kept`, `crooked`
     * @param  string  $of  the motion, supply, tank, rule or routine
     * @param  string|null  $routine  whose step moved it, or was done at the time
     * @param  string|null  $path  of that step inside the routine
     * @param  array<string, float>  $pose  of two things that meet, where the motions stand by which they do
     * @param  string|null  $pair  the two things, as Nearest has them
     */
    public function __construct(public string $kind, public string $of, public float $at_s, public Sentence $says, public ?string $routine = null,
        public ?string $path = null, public array $pose = [],
        public ?string $pair = null)
    {
    }

    /** What only came near is no fault of the run. */
    public function isFault(): bool
    {
        return $this->kind !== 'near';
    }

    /**
     * It went wrong.
     *
     * @param  list<self>  $mishaps
     */
    public static function wentWrong(array $mishaps): bool
    {
        return array_filter($mishaps, fn (self $mishap): bool => $mishap->isFault()) !== [];
    }

    /** The motion that it happens to; null where it is no motion's. */
    public function motion(): ?string
    {
        return in_array($this->kind, self::OF_NO_MOTION, true) ? null : $this->of;
    }

    /** @return array{kind: string, of: string, routine: ?string, path: ?string, says: Sentence} */
    public function written(): array
    {
        return ['kind' => $this->kind, 'of' => $this->of, 'routine' => $this->routine, 'path' => $this->path, 'says' => $this->says];
    }
}
