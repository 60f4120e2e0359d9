<?php

declare(strict_types=1);

namespace Brookstone\Core\Shape;

use Brookstone\Core\Error\Describe;

/** A time of day, as 21:30. */
final readonly class ClockShape implements Shape
{
    private const PATTERN = '^([01][0-9]|2[0-3]):[0-5][0-9]$';

    public function read(mixed $value, string $path, ErrorList $errors): ?string
    {
        if (is_string($value) && preg_match('/'.self::PATTERN.'/D', $value) === 1) {
            return $value;
        }
        $errors->add($path, 'Must be a time of day as 21:30, but is '.Describe::value($value).'.');

        return null;
    }

    public function schema(): array
    {
        return ['type' => 'string', 'pattern' => self::PATTERN];
    }
}
