<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment\Sensing;

use Brookstone\Core\Finding\Change;
use Brookstone\Core\Finding\Fix;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Parts\Sensor;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Sensing\Readings;
use Brookstone\Core\Sensing\Threshold;

/** What the readings of a sensor say: how they lie, where its threshold belongs, and how often it is wrong there and as it is set. */
final class ReadingsSheet
{
    /**
     * @param  string  $path  of the sensor in the document
     * @return array<string, mixed> as Schemas has it
     */
    public static function of(Sensor $sensor, string $path): array
    {
        $best = self::best($sensor);

        return [
            'bins' => Readings::histogram($sensor->absent, $sensor->present), 'absent' => count($sensor->absent), 'present' => count($sensor->present),
            'needed' => Threshold::LEAST_READINGS,
            'wrong_now' => self::wrong($sensor, $best),
            'best' => $best === null ? null : ['threshold' => $best->threshold, 'upper' => max($best->upper, $best->lower),
                'lower' => min($best->upper, $best->lower), 'error_rate' => $best->error_rate,
                'error_rate_at_most' => $best->errorRateAtMost(count($sensor->absent), count($sensor->present)), 'separation' => $best->separation],
            'fix' => $best === null ? null : self::fix($best, $path),
        ];
    }

    /** The threshold that its readings ask for; null while there are too few, or both sets are the same on the mean. */
    public static function best(Sensor $sensor): ?Threshold
    {
        $few = min(count($sensor->absent), count($sensor->present)) < Threshold::LEAST_READINGS;

        return $few || array_sum($sensor->absent) / count($sensor->absent) === array_sum($sensor->present) / count($sensor->present) ? null
            : new Threshold($sensor->absent, $sensor->present, 1.0);
    }

    /** The share of its own readings that it takes wrongly as it is set. */
    public static function wrong(Sensor $sensor, ?Threshold $best): ?float
    {
        if ($best === null || $sensor->upper === null) {
            return null;
        }
        $rises = $best->present_mean > $best->absent_mean;
        $wrong = count(array_filter($sensor->absent, fn (float $reading): bool => ($reading >= $sensor->upper) === $rises))
            + count(array_filter($sensor->present, fn (float $reading): bool => ($reading >= ($sensor->lower ?? $sensor->upper)) !== $rises));

        return $wrong / (count($sensor->absent) + count($sensor->present));
    }

    public static function fix(Threshold $best, string $path): Fix
    {
        [$upper, $lower] = [max($best->upper, $best->lower), min($best->upper, $best->lower)];

        return new Fix(
            new Sentence('Set it on above {upper} and off below {lower}: by the spread of the readings, not their middle',
                ['upper' => Quantity::number($upper), 'lower' => Quantity::number($lower)]),
            [new Change("{$path}.upper", round($upper, 6)), new Change("{$path}.lower", round($lower, 6))],
        );
    }
}
