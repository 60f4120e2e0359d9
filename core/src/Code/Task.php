<?php

declare(strict_types=1);

namespace Brookstone\Core\Code;

/** A function. */
final readonly class Task
{
    /**
     * @param  array<string, Type>  $takes  by name
     * @param  Type|null  $gives  null is nothing
     * @param  array<string, Type>  $holds  values that last until it ends, by name
     * @param  list<Line>  $lines
     * @param  bool  $isOpen  called from outside
     */
    public function __construct(public string $name, public string $note, public array $takes, public ?Type $gives, public array $lines,
        public array $holds = [], public bool $isOpen = false)
    {
    }
}
