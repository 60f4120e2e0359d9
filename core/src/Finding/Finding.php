<?php

declare(strict_types=1);

namespace Brookstone\Core\Finding;

/** Something that is wrong, close to it, or worth knowing: one sentence with the numbers that were compared. */
final readonly class Finding implements \JsonSerializable
{
    /**
     * @param  string  $code  listed in docs/findings.md
     * @param  string  $place  dotted path in the document, or a field of a calculator
     * @param  list<Fix>  $fixes
     * @param  Sentence|null  $instead  what a person would do, where nothing that was tried mends it
     */
    public function __construct(
        public string $code,
        public Severity $severity,
        public string $place,
        public Sentence $says,
        public array $fixes = [],
        public ?Sentence $instead = null,
    ) {
    }

    /** @param  list<Fix>  $fixes */
    public function offering(array $fixes, ?Sentence $instead = null): self
    {
        return new self($this->code, $this->severity, $this->place, $this->says, $fixes, $instead);
    }

    /**
     * One finding for several that say the same: what mends the first is done for all of them, where that does not do one thing twice.
     *
     * @param  non-empty-list<self>  $same
     */
    public static function together(array $same): self
    {
        $first = $same[0];
        if (count($same) === 1) {
            return $first;
        }
        $fixes = [];
        foreach ($first->fixes as $i => $fix) {
            $changes = array_merge(...array_map(fn (self $each): array => $each->fixes[$i]->changes ?? [], $same));
            $paths = array_map(fn (Change $change): string => $change->path.'.', $changes);
            $apart = array_filter($paths,
                fn (string $path): bool => count(array_filter($paths, fn (string $other): bool => str_starts_with($other, $path))) > 1) === [];
            $fixes[] = new Fix($fix->does, $apart && $changes !== [] ? $changes : $fix->changes);
        }

        return new self($first->code, $first->severity, $first->place, $first->says, $fixes);
    }

    /**
     * What it says, after the name of what it says it of, where it does not begin with that itself.
     *
     * @param  string  $name  as it stands in a template: see Sentence::quote()
     */
    public function about(string $name): Sentence
    {
        return str_starts_with($this->says->template, "{$name} ") ? $this->says : new Sentence("{$name}: ".Sentence::lower($this->says->template),
            $this->says->values);
    }

    /** @param  list<string>  $names  of the routines that it concerns, as they stand in a template: said where there are several */
    public function concerning(array $names): self
    {
        $names = array_values(array_unique($names));
        $last = array_pop($names);
        if ($names === []) {
            return $this;
        }

        return new self($this->code, $this->severity, $this->place,
            new Sentence("{$this->says->template} So it is in ".implode(', ', $names)." and {$last}.", $this->says->values), $this->fixes);
    }

    /** @return array{code: string, severity: string, place: string, says: Sentence, fixes: list<Fix>, instead: ?Sentence} */
    public function jsonSerialize(): array
    {
        return ['code' => $this->code, 'severity' => $this->severity->value, 'place' => $this->place, 'says' => $this->says, 'fixes' => $this->fixes,
            'instead' => $this->instead];
    }
}
