<?php

declare(strict_types=1);

namespace Brookstone\Core\Shape;

use Brookstone\Core\Error\Describe;

/** A day, as 2026-05-31; one that there is, between 1900 and 2199. */
final readonly class DayShape implements Shape
{
    private const PATTERN = '^(19|20|21)[0-9]{2}-(0[1-9]|1[0-2])-(0[1-9]|[12][0-9]|3[01])$';

    public function read(mixed $value, string $path, ErrorList $errors): ?string
    {
        if (is_string($value) && preg_match('/'.self::PATTERN.'/D', $value) === 1
            && checkdate((int) substr($value, 5, 2), (int) substr($value, 8, 2), (int) substr($value, 0, 4))) {
            return $value;
        }
        $errors->add($path, 'Must be a day as 2026-05-31, but is '.Describe::value($value).'.');

        return null;
    }

    public function schema(): array
    {
        return ['type' => 'string', 'pattern' => self::PATTERN];
    }
}
