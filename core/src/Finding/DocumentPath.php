<?php

declare(strict_types=1);

namespace Brookstone\Core\Finding;

/** A place in the document of a build, its keys from the outside to the inside: `routines.1.steps.0`. */
final readonly class DocumentPath
{
    /** @param  non-empty-list<string>  $keys */
    private function __construct(private array $keys)
    {
    }

    public static function of(string $dotted): self
    {
        return new self(explode('.', $dotted));
    }

    public function __toString(): string
    {
        return implode('.', $this->keys);
    }

    /** One of its keys, from the outside; null where it does not go so deep. */
    public function key(int $i): ?string
    {
        return $this->keys[$i] ?? null;
    }

    /** Its last key: its place in the list that it lies in. */
    public function index(): int
    {
        return (int) $this->keys[count($this->keys) - 1];
    }

    /** What it lies in, as its dotted path; empty at the outermost. */
    public function parent(): string
    {
        return implode('.', array_slice($this->keys, 0, -1));
    }

    /**
     * What the document has there.
     *
     * @param  array<array-key, mixed>  $document
     *
     * @throws \OutOfBoundsException
     */
    public function in(array $document): mixed
    {
        $found = $document;
        foreach ($this->keys as $key) {
            $found = is_array($found) && array_key_exists($key, $found) ? $found[$key] : throw new \OutOfBoundsException("There is no {$this}.");
        }

        return $found;
    }

    /**
     * The list that it lies in, with something else in its place.
     *
     * @param  array<array-key, mixed>  $document
     * @param  list<mixed>  $instead
     * @param  int  $of  so many that follow one another, from it on
     */
    public function replaced(array $document, array $instead, int $of = 1): Change
    {
        $parent = $this->parent();
        $list = self::of($parent)->in($document);
        assert(is_array($list));
        array_splice($list, $this->index(), $of, $instead);

        return new Change($parent, array_values($list));
    }
}
