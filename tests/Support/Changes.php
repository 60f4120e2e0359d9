<?php

declare(strict_types=1);

namespace Tests\Support;

/** Single changes all over a document. */
final class Changes
{
    /**
     * Something else of the same kind wherever a document says a number, a yes or no, or a list of steps.
     *
     * @return list<array{path: string, value: mixed}> each on its own
     */
    public static function of(mixed $document, string $path = ''): array
    {
        $changes = [];
        foreach ((array) $document as $key => $value) {
            $at = $path === '' ? (string) $key : "{$path}.{$key}";
            if (is_array($value)) {
                array_push($changes, ...self::of($value, $at));
                if (str_ends_with($at, '.steps') && $value !== []) {
                    $changes[] = ['path' => $at, 'value' => [...$value, ['do' => 'wait', 'for_s' => 0.3]]];
                }
            } elseif (is_bool($value)) {
                $changes[] = ['path' => $at, 'value' => ! $value];
            } elseif (is_float($value) || (is_int($value) && $key !== 'version')) {
                $changes[] = ['path' => $at, 'value' => $value === 0.0 || $value === 0 ? 1 : $value * 1.05];
            }
        }

        return $changes;
    }
}
