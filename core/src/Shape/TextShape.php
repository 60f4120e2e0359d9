<?php

declare(strict_types=1);

namespace Brookstone\Core\Shape;

use Brookstone\Core\Error\Describe;

/** A text of bounded length, or a short name that other places refer to. */
final readonly class TextShape implements Shape
{
    private const LONGEST_ID = 40;

    private const ID = '[a-z][a-z0-9-]{0,39}';

    private const KEY = '[a-z0-9][a-z0-9-]{0,39}';

    public function __construct(public int $min = 0, public int $max = 2000, public bool $isId = false, public bool $nullable = false,
        private string $pattern = self::ID)
    {
    }

    /**
     * Of a part of a build. It begins with a letter: a list by names that are numbers is a list by numbers. What was written before that was so is read
     * as if one stood before it, wherever it is named.
     */
    public static function id(): self
    {
        return new self(1, self::LONGEST_ID, isId: true);
    }

    /** Of something that is stored beside the build, and may begin with a figure. */
    public static function key(): self
    {
        return new self(1, self::LONGEST_ID, isId: true, pattern: self::KEY);
    }

    public static function name(): self
    {
        return new self(1, 80);
    }

    public function orNull(): self
    {
        return new self($this->min, $this->max, $this->isId, true, $this->pattern);
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
        if ($this->isId && $this->pattern === self::ID && ctype_digit($value[0] ?? '') && preg_match('/^[0-9][a-z0-9-]*$/D', $value) === 1) {
            $value = substr("n{$value}", 0, self::LONGEST_ID);
        }
        if ($this->isId && preg_match('/^'.$this->pattern.'$/D', $value) === 1) {
            return $value;
        }
        $length = mb_strlen($value);
        if (! mb_check_encoding($value, 'UTF-8')) {
            $errors->add($path, 'Must be readable text (UTF-8).');
        } elseif ($this->isId) {
            $errors->add($path, 'Must be a short name of small letters, figures and dashes that begins with a letter, but is '.Describe::value($value).'.');
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
            $schema['pattern'] = "^{$this->pattern}$";
        }

        return $schema;
    }
}
