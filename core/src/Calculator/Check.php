<?php

declare(strict_types=1);

namespace Brookstone\Core\Calculator;

use Brookstone\Core\Mechanism\Mechanisms;
use Brookstone\Core\Shape\ChoiceShape;
use Brookstone\Core\Shape\ErrorList;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\NumberShape;

/** What several calculators ask and check in the same way. */
final class Check
{
    /** @param  array<string, mixed>  $inputs a field that was wrong by itself is null */
    public static function mechanism(string $kind, array $inputs, string $under, ErrorList $errors): void
    {
        foreach (Mechanisms::problems($kind, $inputs) as $field => $message) {
            $errors->add($under.$field, $message);
        }
    }

    /**
     * @param  array<string, mixed>  $inputs
     */
    public static function goesSomewhere(array $inputs, string $from, string $to, ErrorList $errors): void
    {
        if ($inputs[$from] !== null && $inputs[$from] === $inputs[$to]) {
            $errors->add($to, "Must differ from {$from}: a move from a place to the same place is none.");
        }
    }

    /** @return array<string, Field> */
    public static function time(): array
    {
        return [
            'move_s' => Field::needed(NumberShape::positive(), 'Time of the move.'),
            'profile' => Field::or('trapezoid', ChoiceShape::of('trapezoid', 'cosine'), 'How the move spends its time.'),
        ];
    }

    /** @return array<string, Field> */
    public static function steadySpeed(): array
    {
        return [
            'speed_m_s' => Field::needed(NumberShape::positive(), 'Steady speed.'),
            'accel_s' => Field::needed(NumberShape::positive(), 'Time to get to that speed.'),
        ];
    }
}
