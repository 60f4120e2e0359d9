<?php

declare(strict_types=1);

namespace Brookstone\Core\Reach;

/** A state of all routines: where their threads stand, and what is kept in the slots of a Layout, all of it whole numbers. It never changes. */
final class State
{
    private ?string $packed = null; // the slots: most states share theirs with the one before

    /**
     * @param  list<int>  $threads  numbers of nodes, rising
     * @param  list<int>  $slots
     */
    public function __construct(public readonly array $threads, public readonly array $slots)
    {
    }

    /** The same for two states that are the same. */
    public function key(): string
    {
        return pack('v*', ...$this->threads).($this->packed ??= pack('l*', ...$this->slots));
    }

    public function with(int $slot, int $value): self
    {
        if ($this->slots[$slot] === $value) {
            return $this;
        }
        $slots = $this->slots;
        $slots[$slot] = $value;
        assert(array_is_list($slots));

        return new self($this->threads, $slots);
    }

    /** One more thread stands at a node. */
    public function entering(int $at): self
    {
        $threads = [];
        $stands = false;
        foreach ($this->threads as $each) {
            if (! $stands && $each >= $at) {
                $stands = true;
                if ($each > $at) {
                    $threads[] = $at;
                }
            }
            $threads[] = $each;
        }
        if (! $stands) {
            $threads[] = $at;
        }

        return $this->threaded($threads);
    }

    /** None stands at a node any more. */
    public function leaving(int $at): self
    {
        $threads = [];
        foreach ($this->threads as $each) {
            if ($each !== $at) {
                $threads[] = $each;
            }
        }

        return $this->threaded($threads);
    }

    /** @param  list<int>  $threads */
    private function threaded(array $threads): self
    {
        $state = new self($threads, $this->slots);
        $state->packed = $this->packed;

        return $state;
    }
}
