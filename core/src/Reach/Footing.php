<?php

declare(strict_types=1);

namespace Brookstone\Core\Reach;

use Brookstone\Core\Build\Build;
use Brookstone\Core\Parts\Motion;

/** What a search of the states hangs on: all of a build but what its motions are made of. Builds with the same footing are searched alike. */
final class Footing
{
    /** Of a document, what no routine and no rule asks for. */
    private const ASIDE = ['name', 'note', 'log', 'endurance', 'making', 'upkeep', 'pictures', 'scenarios', 'settings', 'supplies', 'motions', 'wiring'];

    /** Of a motion, what decides how it gets there, and not where to. */
    private const INSIDE = ['mechanism', 'train', 'layout', 'drive', 'units', 'marker', 'measured'];

    public static function of(Build $build): string
    {
        $motions = array_map(fn (array $said): array => [array_diff_key($said, array_flip(self::INSIDE)), self::shows($build->motions[$said['id']])],
            $build->document['motions']);

        return hash('xxh128', json_encode([array_diff_key($build->document, array_flip(self::ASIDE)), $motions],
            JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION));
    }

    /** @return list<mixed> what a search asks of what a motion is made of */
    private static function shows(Motion $motion): array
    {
        $drive = $motion->drive;

        return [
            $drive === null ? null : [$drive->supply->id, $drive->shares, $drive->shares_by, $drive->selector, $drive->one_way],
            $motion->positioning->source?->name, $motion->period(), $motion->stops,
        ];
    }
}
