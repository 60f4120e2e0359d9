<?php

declare(strict_types=1);

namespace Brookstone\Core\Error;

/** A value that cannot exist (a negative mass, a motor without speed) was about to be built by code. */
final class ImpossibleValue extends \InvalidArgumentException implements CoreException
{
    private function __construct(public readonly string $field, string $message)
    {
        parent::__construct($field.' '.$message);
    }

    /** Accepts finite numbers over 0. */
    public static function unlessPositive(string $field, float $value): void
    {
        if (! is_finite($value) || $value <= 0.0) {
            throw new self($field, 'must be more than 0, but is '.$value.'.');
        }
    }

    /** Accepts finite numbers from 0 up. */
    public static function unlessNotNegative(string $field, float $value): void
    {
        if (! is_finite($value) || $value < 0.0) {
            throw new self($field, 'must be 0 or more, but is '.$value.'.');
        }
    }

    /** Accepts numbers over $over up to $to. */
    public static function unlessWithin(string $field, float $value, float $over, float $to): void
    {
        if (! ($value > $over && $value <= $to)) {
            throw new self($field, 'must be over '.$over.' and at most '.$to.', but is '.$value.'.');
        }
    }

    /** @param  array<string, string>  $problems what is wrong, by field, as Mechanism::problems() gives it */
    public static function unlessNone(array $problems): void
    {
        foreach ($problems as $field => $message) {
            throw new self($field, lcfirst($message));
        }
    }

    public static function because(string $field, string $message): self
    {
        return new self($field, $message);
    }
}
