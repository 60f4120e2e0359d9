<?php

declare(strict_types=1);

namespace Brookstone\Core\Condition;

/** So for a time without a break. */
final class Lasting
{
    public static function holds(Senses $senses, Condition $of, bool $now, ?float $for_s): bool
    {
        if ($for_s === null) {
            return $now;
        }
        $since = $senses->kept($of);
        if (! $now) {
            $senses->keep($of, null);

            return false;
        }
        if (! is_float($since)) {
            $senses->keep($of, $since = $senses->now());
        }

        return $senses->now() - $since >= $for_s - 1e-9;
    }
}
