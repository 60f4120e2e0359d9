<?php

declare(strict_types=1);

namespace Brookstone\Core\Calculator;

use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Sensing\Daylight;
use Brookstone\Core\Shape\ErrorList;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\NumberShape;
use Brookstone\Core\Shape\RecordShape;

final readonly class DaylightCalculator implements Calculator
{
    private const MOST = 1e6;

    public function name(): string
    {
        return 'sense.daylight';
    }

    public function says(): string
    {
        return 'Two thresholds and a wait by which a light sensor tells day from night, and does not see its own lamp.';
    }

    public function inputs(): RecordShape
    {
        $reading = NumberShape::positive(self::MOST);
        $none = NumberShape::notNegative(self::MOST);

        return new RecordShape([
            'day_least' => Field::needed($reading, 'The darkest reading that is still day: an overcast noon, people before it.'),
            'night_most' => Field::needed($reading, 'The brightest reading that is still night: street lamp, moon.'),
            'lamp_adds' => Field::or(0.0, $none, 'What the lamp that it switches adds to its own reading.'),
            'flicker' => Field::or(0.0, $none, 'From the highest to the lowest reading while the light stays as it is.'),
            'passing_s' => Field::or(5.0, NumberShape::notNegative(3600.0), 'The longest shadow or headlight that shall not count.'),
            'night_below' => Field::or(null, $reading->orNull(), 'The lower threshold to be checked; empty for the best.'),
            'day_above' => Field::or(null, $reading->orNull(), 'The upper threshold to be checked; empty for the best.'),
            'wait_s' => Field::or(null, NumberShape::notNegative(3600.0)->orNull(), 'The time it must be so, to be checked; empty for the best.'),
        ]);
    }

    public function results(): RecordShape
    {
        return Results::of(['least_apart' => 'number', 'best_night_below' => 'number', 'best_day_above' => 'number', 'best_wait_s' => 'number',
            'tells_apart' => 'boolean', 'switches_itself' => 'boolean', 'follows_passing' => 'boolean', 'misreads' => 'boolean']);
    }

    public function check(array $inputs, ErrorList $errors): void
    {
        if ($inputs['night_most'] >= $inputs['day_least']) {
            $errors->add('night_most', 'Must be darker than the darkest day, or no threshold tells them apart.');
        }
        if ($inputs['night_below'] !== null && $inputs['day_above'] !== null && $inputs['night_below'] > $inputs['day_above']) {
            $errors->add('day_above', 'Must not lie under the threshold of the night.');
        }
    }

    public function compute(array $inputs): array
    {
        $set = new Daylight(...$inputs);
        $number = Quantity::number(...);
        $findings = [];
        if (! $set->tells_apart) {
            $findings[] = new Finding('sense.light_overlaps', Severity::Fails, 'lamp_adds',
                new Sentence('Its lamp and flicker lift the reading by {more}: with that to spare no two thresholds fit between {night} and {day}. Shade the sensor from its own lamp.', ['more' => $number($inputs['lamp_adds'] + $inputs['flicker']), 'night' => $number($inputs['night_most']), 'day' => $number($inputs['day_least'])]));
        }
        if ($set->switches_itself) {
            $findings[] = new Finding('sense.light_blinks', Severity::Fails, 'day_above',
                new Sentence('The thresholds are no further apart than the {more} that its lamp and flicker add: it switches itself off and on again. They should be {apart} apart.', ['more' => $number($inputs['lamp_adds'] + $inputs['flicker']), 'apart' => $number($set->least_apart)]));
        }
        if ($set->misreads && $set->tells_apart) {
            $findings[] = new Finding('sense.light_misread', Severity::Fails, $inputs['night_below'] !== null
                && $inputs['night_below'] < $inputs['night_most'] ? 'night_below' : 'day_above',
                new Sentence('Night reads up to {night} and day from {day}: a threshold outside of that takes one for the other.',
                    ['night' => $number($inputs['night_most']), 'day' => $number($inputs['day_least'])]));
        }
        if ($set->follows_passing) {
            $findings[] = new Finding('sense.light_passing', Severity::Tight, 'wait_s',
                new Sentence('What passes by takes {passing}: it must be dark or bright for longer than that, {wait} is safe.',
                    ['passing' => Quantity::of($inputs['passing_s'], 's'), 'wait' => Quantity::of($set->best_wait_s, 's')]));
        }

        return ['inputs' => $inputs, 'results' => get_object_vars($set), 'findings' => $findings];
    }
}
