<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment\Proof;

use Brookstone\Core\Build\Build;
use Brookstone\Core\Build\Measurement;
use Brookstone\Core\Finding\Change;
use Brookstone\Core\Finding\Fix;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Parts\Motion;
use Brookstone\Core\Proof\Found;
use Brookstone\Core\Proof\Observed;
use Brookstone\Core\Proof\Refit;
use Brookstone\Core\Quantity\Quantity;

/** What a refit of one motion says, in words, and what keeping it would change. */
final class RefitReport
{
    private const WORDS = [
        MotionRefit::EFFICIENCY_ID => 'Efficiency of its train', MotionRefit::SUPPLY_ID => 'What its supply gives', 'payload_kg' => 'Mass of what it carries',
        'shell_mass_kg' => 'Mass of the ball', 'slider_mass_kg' => 'Mass of the slider', 'item_kg' => 'Mass of one item', 'mass_kg' => 'Its mass',
    ];

    private const UNITS = ['_kg' => 'kg', '_Nm' => 'N·m', '_N' => 'N', '_V' => 'V'];

    private const STILL_OFF = 2.0; // times what measuring scatters by

    /** @return array<string, mixed> */
    public static function of(Build $build, Motion $motion): array
    {
        $of = new MotionRefit($build, $motion->id);
        $refit = $of->refit;

        return [
            'motion' => $motion->id,
            'says' => self::says($motion, $refit),
            'still_off' => $refit->off_after !== null && $refit->off_after > self::STILL_OFF ? new Sentence('Even so they lie {times} times further off than '
                .'measuring scatters: something else is different from what was said.', ['times' => Quantity::number($refit->off_after)]) : null,
            'counted' => count($refit->counted),
            'values' => array_map(fn (Found $each): array => ['id' => $each->of->id, 'name' => self::word($each), 'told' => $each->told,
                'differs' => $each->differs(), 'said' => self::value($each, $each->of->said),
                'found' => $each->told ? new Sentence('{value} ± {doubt}', ['value' => self::quantity($each, $each->value),
                    'doubt' => self::quantity($each, $each->doubt)]) : null,
                'remark' => self::remark($each)], $refit->found),
            'far_off' => array_map(fn (Observed $each): Sentence => self::farOff($of, $each), $refit->farOff),
            'fix' => self::fix($build, $motion, $of),
            'kept' => $motion->measured === null ? null : self::kept($build, $motion),
        ];
    }

    private static function says(Motion $motion, Refit $refit): Sentence
    {
        if ($motion->drive === null) {
            return new Sentence('It has no drive yet: there is nothing computed to compare with.');
        }
        if ($refit->counted === []) {
            return new Sentence('Nothing that tells it was measured yet: the times of its moves and the currents it draws do.');
        }
        $differing = $refit->differing();
        if ($differing === []) {
            $more = 'Measure it there and back, loaded and empty, with the current on the way.';

            return new Sentence(match (true) {
                ($refit->off_before ?? INF) > self::STILL_OFF => 'What was measured is not as computed, and does not tell why: several things would explain it. '.$more,
                array_filter($refit->found, fn (Found $each): bool => $each->told) === [] => 'This cannot be told from what was measured. '.$more,
                default => 'What was measured agrees with what was said, as far as it tells.',
            });
        }
        $says = new Sentence('');
        foreach ($differing as $i => $each) {
            $name = lcfirst(self::word($each));
            $says = $says->goingOn($i === 0 ? 'Best explained by this: ' : '; ', new Sentence("{$name} {value} ± {doubt} instead of {said}", [
                'value' => self::quantity($each, $each->value), 'doubt' => self::quantity($each, $each->doubt),
                'said' => self::quantity($each, $each->of->said)]));
        }

        return $says->goingOn('', new Sentence('.'));
    }

    private static function remark(Found $each): Sentence
    {
        return match (true) {
            $each->differs() => new Sentence('Not as it was said.'),
            $each->told => new Sentence('As it was said.'),
            $each->alone !== null => new Sentence('Cannot be told apart from the others; alone it would have to be {alone}.',
                ['alone' => self::quantity($each, $each->alone)]),
            default => new Sentence('Cannot be told from what was measured.'),
        };
    }

    private static function farOff(MotionRefit $of, Observed $each): Sentence
    {
        $entries = $of->entries[$each->id];
        $count = count($entries);
        [$what, $unit] = ['time' => ['time', 's'], 'current' => ['current on the way', 'A'], 'stalled' => ['current held fast', 'A'],
            'pull' => ['pull on the balance', 'N']][$of->kinds[$each->id]];
        $days = array_values(array_unique(array_map(fn (Measurement $entry): string => $entry->on, $entries)));

        $often = $count > 1 ? " ({$count} times)" : '';

        return new Sentence("The {$what} of {value}{$often} on {$days[0]} lies far off what all others say: it does not count.",
            ['value' => Quantity::of($each->value, $unit)]);
    }

    private static function fix(Build $build, Motion $motion, MotionRefit $of): ?Fix
    {
        if ($of->refit->differing() === []) {
            return null;
        }
        $told = [];
        foreach ($of->refit->found as $each) {
            $told += $each->told ? [$each->of->id => self::rounded($each)] : [];
        }
        $value = ['mechanism' => array_diff_key($told, [MotionRefit::EFFICIENCY_ID => 0, MotionRefit::SUPPLY_ID => 0]),
            'efficiency' => $told[MotionRefit::EFFICIENCY_ID] ?? null, 'supply_V' => $told[MotionRefit::SUPPLY_ID] ?? null,
            'on' => array_reduce(array_merge(...array_values($of->entries)), fn (string $last, Measurement $entry): string => max($last, $entry->on), '')];
        $same = $motion->measured !== null && [$motion->measured->mechanism, $motion->measured->efficiency, $motion->measured->supply_V]
            == [$value['mechanism'], $value['efficiency'], $value['supply_V']];

        return $same ? null : new Fix(new Sentence("go by what was measured of {$motion->named()}"),
            [new Change("motions.{$build->indexOf($motion->id)}.measured", $value)]);
    }

    /** What it goes by now, of what was measured, and how it goes by what was said again. */
    public static function kept(Build $build, Motion $motion): Fix
    {
        return new Fix(new Sentence("go by what was said of {$motion->named()} again"), [new Change("motions.{$build->indexOf($motion->id)}.measured", null)]);
    }

    /** To a hundredth of its doubt: more would only seem exact. */
    private static function rounded(Found $each): float
    {
        $digits = $each->doubt > 0.0 ? 2 - (int) floor(log10($each->doubt)) : 9;

        return round($each->value, max(0, min(9, $digits)));
    }

    private static function word(Found $each): string
    {
        return self::WORDS[$each->of->id] ?? (str_ends_with($each->of->id, '_kg') ? 'Mass ('.strtr(substr($each->of->id, 0, -3), '_', ' ').')' : 'How it rubs');
    }

    private static function value(Found $each, float $value): Sentence
    {
        return new Sentence('{value}', ['value' => self::quantity($each, $value)]);
    }

    private static function quantity(Found $each, float $value): Quantity
    {
        foreach (self::UNITS as $ending => $unit) {
            if (str_ends_with($each->of->id, $ending)) {
                return Quantity::of($value, $unit);
            }
        }

        return $each->of->id === MotionRefit::EFFICIENCY_ID ? Quantity::share($value) : Quantity::number($value);
    }
}
