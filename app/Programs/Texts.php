<?php

declare(strict_types=1);

namespace App\Programs;

use Brookstone\Core\Program\Package;

/** The files of written programs that are the same for every build. */
final class Texts
{
    /** @return array<string, string> by name */
    public static function all(): array
    {
        $names = array_unique(array_merge(...array_values(Package::FIXED)));

        return array_combine($names, array_map(fn (string $name): string => (string) file_get_contents(self::path($name)), $names));
    }

    public static function path(string $name): string
    {
        return dirname(__DIR__, 2)."/resources/controller/{$name}";
    }
}
