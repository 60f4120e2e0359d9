<?php

declare(strict_types=1);

namespace Brookstone\Core\Shape;

use Brookstone\Core\Error\Describe;
use Brookstone\Core\Quantity\Units;

/**
 * A number in a range, and of a size that can be reckoned with: what is nearer to 0 than anything real is 0. The unit in messages comes from the suffix of
 * the field's key.
 */
final readonly class NumberShape implements Shape
{
    private const NEXT_TO_NOTHING = 1e-9;

    /** Squares and products of anything within can be computed. */
    public const LARGEST = 1e12;

    public const LARGEST_WHOLE = 1e9;

    public const SMALLEST = 1e-15;

    public function __construct(
        public ?float $min = null,
        public ?float $max = null,
        public bool $minExcluded = false,
        public bool $maxExcluded = false,
        public bool $whole = false,
        public bool $nullable = false,
    ) {
    }

    public static function any(): self
    {
        return new self;
    }

    /** With an upper limit there is a lower one too, far under anything that can be measured: numbers stay computable. */
    public static function positive(?float $max = null): self
    {
        return new self($max === null ? 0.0 : self::NEXT_TO_NOTHING, $max, minExcluded: true);
    }

    public static function notNegative(?float $max = null): self
    {
        return new self(0.0, $max);
    }

    public static function between(float $min, float $max): self
    {
        return new self($min, $max);
    }

    /** Over 0 to 1, as a duty or an efficiency. */
    public static function share(): self
    {
        return new self(0.0, 1.0, minExcluded: true);
    }

    public static function whole(int $min, ?int $max = null): self
    {
        return new self($min, $max, whole: true);
    }

    public function orNull(): self
    {
        return new self($this->min, $this->max, $this->minExcluded, $this->maxExcluded, $this->whole, true);
    }

    public function read(mixed $value, string $path, ErrorList $errors): float|int|null
    {
        if ($value === null && $this->nullable) {
            return null;
        }
        if (! is_int($value) && ! is_float($value)) {
            $errors->add($path, 'Must be '.$this->wanted($path).', but is '.Describe::value($value).'.');

            return null;
        }
        $number = abs((float) $value) < self::SMALLEST ? 0.0 : (float) $value;
        if (! is_finite($number) || abs($number) > ($this->whole ? self::LARGEST_WHOLE : self::LARGEST)) {
            $errors->add($path, 'Must be '.$this->wanted($path).', but is '.Describe::number($number).': that is more than can be reckoned with.');

            return null;
        }
        if (! $this->allows($number)) {
            $errors->add($path, 'Must be '.$this->wanted($path).', but is '.Describe::number($number).'.');

            return null;
        }

        return $this->whole ? (int) $number : $number + 0.0; // + 0.0 turns −0 into 0
    }

    public function schema(): array
    {
        $schema = ['type' => $this->whole ? 'integer' : 'number'];
        if ($this->nullable) {
            $schema['type'] = [$schema['type'], 'null'];
        }
        if ($this->min !== null) {
            $schema[$this->minExcluded ? 'exclusiveMinimum' : 'minimum'] = $this->plain($this->min);
        }
        if ($this->max !== null) {
            $schema[$this->maxExcluded ? 'exclusiveMaximum' : 'maximum'] = $this->plain($this->max);
        }

        return $schema;
    }

    private function allows(float $number): bool
    {
        return ! ($this->min !== null && ($number < $this->min || ($this->minExcluded && $number === $this->min)))
            && ! ($this->max !== null && ($number > $this->max || ($this->maxExcluded && $number === $this->max)))
            && ! ($this->whole && floor($number) !== $number);
    }

    private function wanted(string $path): string
    {
        $unit = Units::symbolOfKey($path);
        $say = fn (float $bound): string => Describe::number($this->plain($bound === self::NEXT_TO_NOTHING ? 0.0 : $bound)).($unit === null ? '' : ' '.$unit);
        $kind = $this->whole ? 'a whole number' : 'a number';

        return match (true) {
            $this->min !== null && $this->max !== null => $kind.($this->minExcluded ? ' over ' : ' from ').$say($this->min)
                .($this->maxExcluded ? ' to under ' : ' to ').$say($this->max),
            $this->min !== null => $kind.($this->minExcluded ? ' over ' : ' of at least ').$say($this->min),
            $this->max !== null => $kind.($this->maxExcluded ? ' under ' : ' of at most ').$say($this->max),
            default => $kind,
        };
    }

    private function plain(float $bound): float|int
    {
        return floor($bound) === $bound && abs($bound) < 1e15 ? (int) $bound : $bound;
    }
}
