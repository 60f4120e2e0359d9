<?php

declare(strict_types=1);

namespace Brookstone\Core\Error;

/** Words for values in error messages. */
final class Describe
{
    private const LONGEST = 40;

    /** Says in a few words what was given, cut short and without control characters. */
    public static function value(mixed $value): string
    {
        return match (true) {
            $value === null => 'nothing',
            is_bool($value) => $value ? 'true' : 'false',
            is_int($value) => (string) $value,
            is_float($value) => self::number($value),
            is_string($value) => 'the text “'.self::cut($value).'”',
            is_array($value) => array_is_list($value) ? 'a list' : 'a group of fields',
            default => 'something else',
        };
    }

    public static function number(float $value): string
    {
        return match (true) {
            is_nan($value) => 'not a number',
            is_infinite($value) => 'endless',
            default => (string) json_encode($value),
        };
    }

    public static function cut(string $text): string
    {
        $clean = (string) preg_replace('/[\x00-\x1F\x7F]+/u', ' ', mb_scrub($text));

        return mb_strlen($clean) > self::LONGEST ? mb_substr($clean, 0, self::LONGEST).'…' : $clean;
    }
}
