<?php

declare(strict_types=1);

namespace Brookstone\Core\Drawer;

use Brookstone\Core\Parts\Sensor;
use Brookstone\Core\Shape\ChoiceShape;
use Brookstone\Core\Shape\Field;
use Brookstone\Core\Shape\ListShape;
use Brookstone\Core\Shape\NumberShape;
use Brookstone\Core\Shape\RecordShape;
use Brookstone\Core\Shape\TextShape;
use Brookstone\Core\Wiring\Discharge;

/** Drawers of what is wired besides boards: what feeds, what tells, and what lies between. A build keeps a copy of what it takes. */
enum PartTable: string
{
    case Supplies = 'supplies';
    case Sensors = 'sensors';
    case Leads = 'leads';

    private const MOST = 400;

    public function shape(): ListShape
    {
        return new ListShape(match ($this) {
            self::Supplies => self::supply(),
            self::Sensors => self::sensor(),
            self::Leads => self::lead(),
        }, 0, self::MOST, $this->value);
    }

    /**
     * What a line of its kind cannot be without.
     *
     * @param  array<string, mixed>  $line  as shape() read it
     * @return array<string, string> what is wrong, by field
     */
    public function problems(array $line): array
    {
        $needs = match ("{$this->value} {$line['kind']}") {
            'supplies battery' => ['capacity_Ah' => 'A battery has a charge.'],
            'leads wire' => ['area_mm2' => 'A wire has a cross-section.'],
            default => [],
        };
        $wrong = array_filter($needs, fn (string $field): bool => $line[$field] === null, ARRAY_FILTER_USE_KEY);
        if ($this === self::Supplies && $line['cutoff_V'] !== null && $line['cutoff_V'] >= $line['volts_V']) {
            $wrong['cutoff_V'] = 'Must lie below its voltage.';
        }

        return $wrong;
    }

    private static function cost(): Field
    {
        return Field::or(0.0, NumberShape::between(0.0, 1e5), 'What it costs.');
    }

    private static function supply(): RecordShape
    {
        return new RecordShape([
            'kind' => Field::needed(ChoiceShape::of('mains', 'battery', 'converter'), 'A closed supply for the mains, a battery, or what makes one voltage of another.'),
            'name' => Field::needed(TextShape::name(), 'Of its series.'),
            'cost' => self::cost(),
            'volts_V' => Field::needed(NumberShape::positive(60.0), 'What it gives; of a switch, what comes.'),
            'max_A' => Field::needed(NumberShape::positive(100.0), 'Largest current it gives.'),
            'overload' => Field::or('sags', ChoiceShape::of('sags', 'folds', 'trips'), 'What it does when it is asked for more.'),
            'resistance_ohm' => Field::or(0.0, NumberShape::between(0.0, 100.0), 'Inside.'),
            'capacity_Ah' => Field::or(null, NumberShape::positive(1000.0)->orNull(), 'Of a battery.'),
            'cells' => Field::or('other', ChoiceShape::of(...Discharge::CELLS), 'Of a battery.'),
            'cutoff_V' => Field::or(null, NumberShape::positive(60.0)->orNull(), 'Where a battery switches itself off.'),
            'self_discharge_per_month' => Field::or(0.0, NumberShape::between(0.0, 1.0), 'Share of its charge.'),
            'converter' => Field::or('down', ChoiceShape::of('linear', 'down', 'up', 'gate'), 'How a converter works; gate: a switch.'),
            'efficiency' => Field::or(0.85, NumberShape::between(0.05, 1.0), 'Of a switching converter.'),
            'dropout_V' => Field::or(0.0, NumberShape::between(0.0, 60.0), 'So much more than its own must come in; of one that goes up: so much at least.'),
            'idle_A' => Field::or(0.0, NumberShape::between(0.0, 100.0), 'What it takes without load.'),
            'settles_s' => Field::or(0.0, NumberShape::between(0.0, 60.0), 'After it is switched on.'),
            'theta_C_per_W' => Field::or(null, NumberShape::between(0.1, 500.0)->orNull(), 'How much hotter it gets for each watt.'),
        ], 'StockSupply');
    }

    private static function sensor(): RecordShape
    {
        return new RecordShape([
            'kind' => Field::needed(ChoiceShape::of(...Sensor::ON_OFF, ...Sensor::ANALOG), 'What it senses.'),
            'name' => Field::needed(TextShape::name(), 'Of its series.'),
            'cost' => self::cost(),
            'current_A' => Field::or(0.0, NumberShape::between(0.0, 10.0), 'What it takes itself.'),
            'signal_V' => Field::or(null, NumberShape::positive(60.0)->orNull(), 'What it puts out at most; empty is what the controller works with.'),
            'bounce_s' => Field::or(0.0, NumberShape::between(0.0, 1.0), 'For which its contact chatters.'),
            'late_s' => Field::or(0.0, NumberShape::between(0.0, 60.0), 'Until it tells.'),
            'closed' => Field::or('no', ChoiceShape::of('yes', 'no'), 'It opens when it is on.'),
            'pulled' => Field::or('no', ChoiceShape::of('yes', 'no'), 'It has its own pull-up.'),
            'filtered' => Field::or('no', ChoiceShape::of('yes', 'no'), 'It has its own filter.'),
        ], 'StockSensor');
    }

    private static function lead(): RecordShape
    {
        return new RecordShape([
            'kind' => Field::needed(ChoiceShape::of('wire', 'fuse', 'plug'), 'What it is.'),
            'name' => Field::needed(TextShape::name(), 'What you call it.'),
            'cost' => Field::or(0.0, NumberShape::between(0.0, 1e5), 'What it costs; of wire, a metre.'),
            'area_mm2' => Field::or(null, NumberShape::between(0.02, 100.0)->orNull(), 'Of a wire.'),
            'bears_A' => Field::needed(NumberShape::positive(200.0), 'What it bears for good; of a fuse its rating.'),
            'contacts' => Field::or(1, NumberShape::whole(1, 100), 'Of a plug.'),
        ], 'StockLead');
    }
}
