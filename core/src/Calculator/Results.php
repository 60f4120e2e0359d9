<?php

declare(strict_types=1);

namespace Brookstone\Core\Calculator;

use Brookstone\Core\Shape\BooleanShape;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\NumberShape;
use Brookstone\Core\Shape\RecordShape;

/** Shapes of results: every key always present, null where it does not apply or has no bound. */
final class Results
{
    /** @param  array<string, string>  $keys key => 'number' or 'boolean' */
    public static function of(array $keys): RecordShape
    {
        return new RecordShape(array_map(
            fn (string $type): Field => Field::needed($type === 'boolean' ? new BooleanShape : NumberShape::any()->orNull()),
            $keys,
        ));
    }
}
