<?php

declare(strict_types=1);

namespace Brookstone\Core\Shape;

/** A text of bounded length, or a short name that other places refer to. */
final readonly class TextShape implements Shape
{
    public const ID_PATTERN = '^[a-z0-9][a-z0-9-]{0,39}$';

    public function __construct(public int $min = 0, public int $max = 2000, public bool $isId = false, public bool $nullable = false)
    {
    }

    public static function id(): self
    {
        return new self(1, 40, isId: true);
    }

    public static function name(): self
    {
        return new self(1, 80);
    }

    public function orNull(): self
    {
        return new self($this->min, $this->max, $this->isId, true);
    }

    public function read(mixed $value, string $path, ErrorList $errors): ?string
    {
        if ($value === null && $this->nullable) {
            return null;
        }
        if (! is_string($value)) {
            $errors->add($path, 'Must be a text, but is '.Describe::value($value).'.');

            return null;
        }
        $length = mb_strlen($value);
        if (! mb_check_encoding($value, 'UTF-8')) {
            $errors->add($path, 'Must be readable text (UTF-8).');
        } elseif ($this->isId && preg_match('/'.self::ID_PATTERN.'/D', $value) !== 1) {
            $errors->add($path, 'Must be a short name of small letters, figures and dashes, but is '.Describe::value($value).'.');
        } elseif ($length < $this->min || ($this->min > 0 && trim($value) === '')) {
            $errors->add($path, 'Must not be empty.');
        } elseif ($length > $this->max) {
            $errors->add($path, 'Must be at most '.$this->max.' characters long, but has '.$length.'.');
        } else {
            return $value;
        }

        return null;
    }

    public function schema(): array
    {
        $schema = ['type' => $this->nullable ? ['string', 'null'] : 'string', 'maxLength' => $this->max];
        if ($this->min > 0) {
            $schema['minLength'] = $this->min;
        }
        if ($this->isId) {
            $schema['pattern'] = self::ID_PATTERN;
        }

        return $schema;
    }
}
