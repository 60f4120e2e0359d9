<?php

declare(strict_types=1);

namespace Brookstone\Core\Routine;

use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\NumberShape;

/** What steps that may give up, or end by a time, have in common. */
final class GiveUp
{
    public const DAY_S = 86400.0; // a move takes no longer

    public const LONGEST_S = 604800.0; // a week

    public static function field(string $what = 'When to give up.'): Field
    {
        return Field::or(null, NumberShape::positive(self::LONGEST_S)->orNull(), $what);
    }

    /** @param  array<string, Quantity>  $values */
    public static function add(string $template, array $values, ?float $give_up_s): Sentence
    {
        return $give_up_s === null
            ? new Sentence($template.'.', $values)
            : new Sentence($template.'; give up after {give_up}.', [...$values, 'give_up' => Quantity::of($give_up_s, 's')]);
    }

    /** @return array<string, string> of a step that ends by a time or by a condition */
    public static function timeProblem(bool $hasUntil, bool $hasTime): array
    {
        return $hasUntil !== $hasTime ? [] : ['for_s' => 'Needs either a time or something that ends it, not '.($hasTime ? 'both' : 'neither').'.'];
    }

    /** Until when nothing but an input, or the world, has anything to say: the first of some times, s after another; null never comes. */
    public static function by(float $since, ?float ...$after_s): float
    {
        return $since + min(INF, ...array_map(fn (?float $seconds): float => $seconds ?? INF, $after_s));
    }
}
