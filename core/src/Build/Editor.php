<?php

declare(strict_types=1);

namespace Brookstone\Core\Build;

use Brookstone\Core\Error\Describe;
use Brookstone\Core\Error\InvalidInput;
use Brookstone\Core\Finding\Change;
use Brookstone\Core\Finding\Fix;
use Brookstone\Core\Parts\Motion;
use Brookstone\Core\Quantity\NotUnderstood;
use Brookstone\Core\Quantity\QuantityParser;
use Brookstone\Core\Quantity\Units;

/**
 * Changes a build by dotted paths into its document. A change carries a value, or the text that somebody typed; the unit
 * that was typed is kept with the motion, so that the field goes on showing it.
 */
final class Editor
{
    /** Keys that hold a position in the motion's own unit and so carry no unit of their own. */
    private const POSITIONS = ['at', 'hard_low', 'hard_high', 'tolerance', 'travel', 'by', 'reach', 'within', 'at_low', 'at_high'];

    /** Positions too, but words elsewhere: `task.from` names a place. */
    private const SEGMENT_ENDS = ['from', 'to'];

    private const LONGEST_PATH = 200;

    /**
     * @param  list<array{path: string, value?: mixed, text?: string, unit?: ?string}>  $changes  `unit` is the one a bare number is in
     *
     * @throws InvalidInput at the path that is wrong
     */
    public static function apply(Build $build, array $changes): Build
    {
        $document = $build->document;
        foreach ($changes as $change) {
            if (array_key_exists('text', $change)) {
                $document = self::typed($build, $document, $change['path'], $change['text'], $change['unit'] ?? null);
            } else {
                $document = self::set($document, $change['path'], $change['value'] ?? null);
            }
        }

        return Build::read($document);
    }

    /**
     * The build as a fix makes it.
     *
     * @throws InvalidInput at the path that is wrong
     */
    public static function with(Build $build, Fix $fix): Build
    {
        return self::apply($build, array_map(fn (Change $change): array => ['path' => $change->path, 'value' => $change->value], $fix->changes));
    }

    /** The symbol of the unit in which the document keeps the number at a path; `` for a plain number. */
    public static function unitOf(Build $build, string $path): string
    {
        $segments = explode('.', $path);
        $key = $segments[count($segments) - 1];
        $motion = match (true) {
            ! in_array($key, self::POSITIONS, true) && ! (in_array($key, self::SEGMENT_ENDS, true) && ($segments[2] ?? '') === 'segments') => null,
            $segments[0] === 'motions' => array_values($build->motions)[(int) ($segments[1] ?? -1)] ?? null,
            default => self::namedBeside($build, $segments),
        };

        return $motion !== null ? $motion->unit()->symbol() : Units::symbolOfKey($path) ?? '';
    }

    /**
     * The motion that the record of a field names: a step, a sensor, an event.
     *
     * @param  list<string>  $segments
     */
    private static function namedBeside(Build $build, array $segments): ?Motion
    {
        $record = $build->document;
        foreach (array_slice($segments, 0, -1) as $segment) {
            $record = is_array($record) ? $record[$segment] ?? null : null;
        }
        $motion = is_array($record) ? $record['motion'] ?? null : null;

        return is_string($motion) ? $build->motions[$motion] ?? null : null;
    }

    /**
     * @param  array<string, mixed>  $document
     * @return array<string, mixed>
     */
    private static function typed(Build $build, array $document, string $path, string $text, ?string $unit): array
    {
        $kept = self::unitOf($build, $path);
        $segments = explode('.', $path);
        $bare = $unit !== null && isset(Units::all()[$unit]) && Units::get($unit)->dimension === Units::get($kept)->dimension ? $unit : $kept;
        try {
            ['quantity' => $quantity, 'unit' => $used] = QuantityParser::parse($text, $bare);
        } catch (NotUnderstood $notUnderstood) {
            throw InvalidInput::at($path, $notUnderstood->getMessage());
        }
        $number = $quantity->in($kept);
        $document = self::set($document, $path, floor($number) === $number && abs($number) < 1e15 ? (int) $number : self::tidy($number));
        if ($segments[0] === 'motions' && count($segments) > 2 && $used !== '') {
            $document['motions'][(int) $segments[1]]['units'][implode('.', array_slice($segments, 2))] = $used;
        }

        return $document;
    }

    /** Twelve figures: what unit conversion adds beyond them is noise. */
    private static function tidy(float $number): float
    {
        return (float) sprintf('%.12g', $number);
    }

    /**
     * @param  array<string, mixed>  $document
     * @return array<string, mixed>
     */
    private static function set(array $document, string $path, mixed $value): array
    {
        if ($path === '' || strlen($path) > self::LONGEST_PATH) {
            throw InvalidInput::at('path', 'Must name a place in the document, such as motions.0.task.move_s.');
        }
        $place = &$document;
        $segments = explode('.', $path);
        foreach ($segments as $depth => $segment) {
            $last = $depth === count($segments) - 1;
            if (! is_array($place) || (! array_key_exists($segment, $place) && ! ($last && self::grows($place, $segment)))) {
                throw InvalidInput::at(Describe::cut($path), 'There is no such place in this build.');
            }
            $place = &$place[$segment];
        }
        $place = $value;

        return $document;
    }

    /**
     * A list grows by its next index, and a group of units by any key.
     *
     * @param  array<mixed>  $place
     */
    private static function grows(array $place, string $segment): bool
    {
        return array_is_list($place) && $segment === (string) count($place);
    }
}
