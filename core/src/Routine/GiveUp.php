<?php

declare(strict_types=1);

namespace Brookstone\Core\Routine;

use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Quantity\Quantity;

/** The end of a sentence about a step that may give up. */
final class GiveUp
{
    /** @param  array<string, Quantity>  $values */
    public static function add(string $template, array $values, ?float $give_up_s): Sentence
    {
        return $give_up_s === null
            ? new Sentence($template.'.', $values)
            : new Sentence($template.'; give up after {give_up}.', [...$values, 'give_up' => Quantity::of($give_up_s, 's')]);
    }
}
