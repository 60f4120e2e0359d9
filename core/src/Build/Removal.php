<?php

declare(strict_types=1);

namespace Brookstone\Core\Build;

use Brookstone\Core\Error\InvalidInput;
use Brookstone\Core\Finding\Change;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Parts\Motion;

/**
 * A motion taken out of its build, and with it all that cannot be without it: what still names it is what the reader of the document finds wrong, so
 * that is what goes, until nothing is wrong any more.
 */
final class Removal
{
    private const MOST_ROUNDS = 100; // each takes something out, and the reader tells of fifty things at once

    /** What a motion has of another one, and is nothing without it. */
    private const BONDS = '/^(motions\.\d+\.(?:latch|level|mount\.on|drive\.shares|drive\.selector))(?:\.|$)/';

    /** Where steps hold others. */
    private const HOLD = ['steps' => true, 'then' => true, 'otherwise' => true, 'branches' => true];

    /**
     * What it changes in the build, and what goes with the motion.
     *
     * @return array{changes: list<Change>, says: list<Sentence>}
     */
    public static function of(Build $build, Motion $motion): array
    {
        $document = $build->document;
        array_splice($document['motions'], $build->indexOf($motion->id), 1);
        $document['log'] = array_values(array_filter($document['log'], fn (array $entry): bool => $entry['motion'] !== $motion->id));
        $document['endurance'] = array_values(array_filter($document['endurance'], fn (array $run): bool => $run['motion'] !== $motion->id));
        $left = self::settled($document);
        $changes = [];
        foreach ($left->document as $key => $value) {
            if ($value !== $build->document[$key]) {
                $changes[] = new Change($key, $value);
            }
        }

        return ['changes' => $changes, 'says' => self::says($build, $motion, $left)];
    }

    /** @param  array<string, mixed>  $document */
    private static function settled(array $document): Build
    {
        for ($i = 0; $i < self::MOST_ROUNDS; $i++) {
            try {
                Build::read($document);

                return Build::read(['routines' => array_map(self::tidied(...), $document['routines'])] + $document);
            } catch (InvalidInput $wrong) {
                $fields = array_unique(array_map(fn (array $error): string => self::goes($document, $error['field']), $wrong->errors));
                rsort($fields, SORT_NATURAL); // the last of a list first: the others keep their places
                foreach ($fields as $field) {
                    $document = self::without($document, $field);
                }
            }
        }
        throw new \LogicException('It cannot be taken out.');
    }

    /**
     * @param  array<string, mixed>  $routine
     * @return array<string, mixed> without steps that hold others and are empty now
     */
    private static function tidied(array $routine): array
    {
        return ['steps' => self::filled($routine['steps']), 'if_fails' => self::filled($routine['if_fails'])] + $routine;
    }

    /**
     * @param  list<array<string, mixed>>  $steps
     * @return list<array<string, mixed>>
     */
    private static function filled(array $steps): array
    {
        $filled = [];
        foreach ($steps as $step) {
            $held = 0;
            $holds = false;
            foreach (array_intersect_key($step, self::HOLD) as $key => $list) {
                $holds = true;
                $step[$key] = $key === 'branches' ? array_values(array_filter(array_map(self::filled(...), $list))) : self::filled($list);
                $held += count($step[$key]);
            }
            if (! $holds || $held > 0) {
                $filled[] = $step;
            }
        }

        return $filled;
    }

    /**
     * The smallest thing around a field that can go.
     *
     * @param  array<string, mixed>  $document
     */
    private static function goes(array $document, string $field): string
    {
        if (preg_match(self::BONDS, $field, $found) === 1) {
            return $found[1];
        }
        $goes = $path = '';
        $place = $document;
        foreach (explode('.', $field) as $segment) {
            $isList = is_array($place) && array_is_list($place);
            $place = is_array($place) ? $place[$segment] ?? null : null;
            $path = $path === '' ? $segment : "{$path}.{$segment}";
            $goes = $goes === '' || ($isList && is_array($place) && ! array_is_list($place)) ? $path : $goes;
        }

        return $goes;
    }

    /**
     * @param  array<string, mixed>  $document
     * @return array<string, mixed>
     */
    private static function without(array $document, string $field): array
    {
        $place = &$document;
        $segments = explode('.', $field);
        $last = array_pop($segments);
        foreach ($segments as $segment) {
            if (! is_array($place) || ! array_key_exists($segment, $place)) {
                return $document; // it went with something else
            }
            $place = &$place[$segment];
        }
        if (is_array($place) && array_is_list($place) && $place !== []) {
            array_splice($place, (int) $last, 1);
        } elseif (is_array($place)) {
            $place[$last] = null;
        }

        return $document;
    }

    /** @return list<Sentence> */
    private static function says(Build $build, Motion $motion, Build $left): array
    {
        $says = [];
        $counted = function (int $count, string $one, string $many, string $ends = ' with it.') use (&$says): void {
            if ($count > 0) {
                $says[] = new Sentence(($count === 1 ? "{$one} goes" : "{$count} {$many} go").$ends);
            }
        };
        $steps = 0;
        $of = [];
        foreach ($build->routines as $id => $routine) {
            $gone = iterator_count($routine->flat()) - (isset($left->routines[$id]) ? iterator_count($left->routines[$id]->flat()) : 0);
            $steps += $gone;
            $of = $gone > 0 ? [...$of, Sentence::quote($routine->name)] : $of;
        }
        $counted($steps, 'A step', 'steps', ' with it, of '.implode(', ', $of).'.');
        $counted(count($motion->stops->switches), 'Its switch', 'switches');
        $gone = array_diff_key($build->sensors, $left->sensors);
        $named = array_map(fn ($sensor): string => Sentence::quote($sensor->name), array_values($gone));
        $counted(count($gone), 'A sensor', 'sensors', ' with it: '.implode(', ', $named).'.');
        $counted(count($build->log) - count($left->log), 'A measurement', 'measurements');
        $counted(count($build->rules) - count($left->rules), 'A rule', 'rules');
        $riding = array_filter($build->motions, fn (Motion $other): bool => $other->mount?->on === $motion->id);
        if ($riding !== []) {
            $says[] = new Sentence(implode(', ', array_map(fn (Motion $other): string => Sentence::quote($other->name), $riding)).' '
                .(count($riding) === 1 ? 'stands' : 'stand').' on the base then.');
        }

        return $says;
    }
}
