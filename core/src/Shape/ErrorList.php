<?php

declare(strict_types=1);

namespace Brookstone\Core\Shape;

use Brookstone\Core\Error\InvalidInput;

/** Collects what is wrong with an input while it is read, so that the user hears of everything at once. */
final class ErrorList
{
    /** More than this many are of no use to anybody, and a hostile file could make millions. */
    private const MOST = 50;

    /** @var list<array{field: string, message: string}> */
    private array $errors = [];

    public function add(string $field, string $message): void
    {
        if (count($this->errors) < self::MOST) {
            $this->errors[] = ['field' => $field, 'message' => $message];
        }
    }

    public function isFull(): bool
    {
        return count($this->errors) >= self::MOST;
    }

    public function count(): int
    {
        return count($this->errors);
    }

    /** @return list<array{field: string, message: string}> */
    public function all(): array
    {
        return $this->errors;
    }

    /** @throws InvalidInput when anything was added */
    public function throwIfAny(): void
    {
        if ($this->errors !== []) {
            throw new InvalidInput($this->errors);
        }
    }
}
