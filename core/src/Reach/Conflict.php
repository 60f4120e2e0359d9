<?php

declare(strict_types=1);

namespace Brookstone\Core\Reach;

/** Something that must not be, and can be: which step brings it about, what it is about, and how it comes to that. */
final readonly class Conflict
{
    /**
     * @param  string  $code  `not_known`, `place_lost`, `same_motion`, `same_motor`, `not_coupled`, `no_power`, `past_end` or `rule`
     * @param  string|null  $path  of the step that begins then, in the document; of a rule the step that moves what it is about, where one does
     * @param  string  $about  the motion, or the rule, by id
     * @param  string|null  $with  path of the step that is under way already, where that is one
     * @param  float|null  $to  where it would take the motion, in its own unit
     * @param  list<Happening>  $story  the last of what led to it
     */
    public function __construct(
        public string $code,
        public ?string $path,
        public string $about,
        public ?string $with = null,
        public ?float $to = null,
        public array $story = [],
    ) {
    }

    /** The same for what is told once. */
    public function key(): string
    {
        return $this->code === 'rule' ? "rule {$this->about} {$this->path}" : "{$this->code} {$this->path}";
    }

    /** @param  list<Happening>  $story */
    public function after(array $story): self
    {
        return new self($this->code, $this->path, $this->about, $this->with, $this->to, $story);
    }
}
