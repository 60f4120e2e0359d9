<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment\Wiring;

use Brookstone\Core\Build\Build;
use Brookstone\Core\Drive\Stepper;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Parts\Sensor;
use Brookstone\Core\Parts\Supply;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Wiring\Divider;
use Brookstone\Core\Wiring\Join;
use Brookstone\Core\Wiring\Outline;
use Brookstone\Core\Wiring\PlacedBoard;
use Brookstone\Core\Wiring\PreferredNumber;

/**
 * What is soldered and plugged in which order, with a check between: flat parts first, then what has a stripe or a long leg, then wires, and power last
 * and a little at a time. Each step has a name of its own, so that it stays ticked off when others come or go.
 */
final class Assembly
{
    public const PULL_UP_OHM = 10_000.0;

    private const BLEED_OHM = 1_000_000.0; // lets the charge of a piezo go

    private const FILTER_NF = 100.0;

    private const QUIET_NF = 100.0;

    private const TOLERANCE_PERCENT = 5;

    private const CAREFUL_A = 0.1;

    /** What is drawn beside a step, by how its name begins: which way round it goes. */
    private const PICTURES = ['capacitor' => 'striped', 'diode' => 'banded', 'clamp' => 'banded', 'quiet' => 'flat', 'filter' => 'flat',
        'place' => 'board', 'short' => 'meter', 'first' => 'meter',
        'rail' => 'meter', 'logic' => 'meter'];

    /** @var list<array{id: string, stage: string, says: Sentence, bands: list<string>, wires: list<int>, picture: ?string, part: ?Sentence}> */
    private array $steps = [];

    private function __construct(private readonly Build $build)
    {
    }

    /** @return list<array{id: string, stage: string, says: Sentence, bands: list<string>, wires: list<int>, picture: ?string, part: ?Sentence, done: bool}> part: what lies ready for it */
    public static function of(Build $build): array
    {
        if ($build->wiring->boards === []) {
            return [];
        }
        $assembly = new self($build);
        $assembly->resistors();
        $assembly->polarised();
        $assembly->boards();
        $assembly->wires();
        $assembly->checks();
        $assembly->power();
        $done = array_flip($build->wiring->done);

        return array_map(fn (array $step): array => $step + ['done' => isset($done[$step['id']])], $assembly->steps);
    }

    /**
     * @param  array<string, Quantity>  $values
     * @param  list<string>  $bands
     * @param  list<int>  $wires  that it is about
     * @param  string|null  $part  what is soldered in, in the same values
     */
    private function step(string $id, string $stage, string $says, array $values = [], array $bands = [], array $wires = [], ?string $part = null): void
    {
        $this->steps[] = ['id' => substr($id, 0, 80), 'stage' => $stage, 'says' => new Sentence($says, $values), 'bands' => $bands, 'wires' => $wires,
            'picture' => self::PICTURES[explode('.', $id)[0]] ?? null, 'part' => $part === null ? null : new Sentence($part, $values)];
    }

    private function resistors(): void
    {
        $logic = $this->build->wiring->controller()->board->logic_V ?? 5.0;
        foreach ($this->build->sensors as $sensor) {
            if ($sensor->pulled) {
                $this->resistor("pulls.{$sensor->id}", self::PULL_UP_OHM, "from the signal of {$sensor->named()} to {logic}", $logic);
            }
            $puts = $sensor->puts_V();
            if ($sensor->divided && $puts !== null && $puts > $logic) {
                $divider = new Divider($puts, $logic);
                $this->resistor("divides.{$sensor->id}.upper", $divider->upper_ohm, "between {$sensor->named()} and its pin", $logic);
                $this->resistor("divides.{$sensor->id}.lower", $divider->lower_ohm, "from that pin to ground, beside {$sensor->named()}", $logic);
            }
            if ($sensor->filtered) {
                $this->resistor("filters.{$sensor->id}", self::PULL_UP_OHM, "between {$sensor->named()} and its pin", $logic);
            }
            if ($sensor->kind === 'knock') {
                $this->resistor("bleeds.{$sensor->id}", self::BLEED_OHM, "across {$sensor->named()}", $logic);
            }
        }
    }

    private function resistor(string $id, float $ohm, string $where, float $logic_V): void
    {
        $bands = PreferredNumber::bands($ohm, self::TOLERANCE_PERCENT);
        $this->step($id, 'Resistors', "Solder {value} {$where}: ".Sentence::listed($bands).', either way round.',
            ['value' => Quantity::of($ohm, 'Ω'), 'logic' => Quantity::of($logic_V, 'V')], $bands, part: 'resistor of {value}: '.Sentence::listed($bands));
    }

    private function polarised(): void
    {
        foreach ($this->build->supplies as $supply) {
            if ($supply->capacitor_uF > 0.0) {
                $this->step("capacitor.{$supply->id}", 'Capacitors', "Solder {size} across {$supply->named()}: its stripe to ground, its long leg to the supply.",
                    ['size' => Quantity::of($supply->capacitor_uF, 'µF')], part: 'capacitor of {size}, with a stripe');
            }
            if ($supply->diode) {
                $this->step("diode.{$supply->id}", 'Diodes', "Solder a diode into the lead of {$supply->named()}: its stripe to the rail.",
                    ['amps' => Quantity::of($supply->max_A, 'A')], part: 'diode for {amps}');
            }
        }
        foreach ($this->build->sensors as $sensor) {
            if ($sensor->kind === 'knock') {
                $this->step("clamp.{$sensor->id}", 'Diodes', "Solder a clamp diode of {logic} from the pin of {$sensor->named()} to ground: its stripe to the pin.",
                    ['logic' => Quantity::of($this->build->wiring->controller()->board->logic_V ?? 5.0, 'V')], part: 'clamp diode of {logic}');
            }
            if ($sensor->filtered) {
                $this->step("filter.{$sensor->id}", 'Capacitors', "Solder {size} from the pin of {$sensor->named()} to ground, behind its resistor; either way round.",
                    ['size' => Quantity::of(self::FILTER_NF, 'nF')], part: 'capacitor of {size}');
            }
        }
        foreach (array_filter($this->build->sensors, fn (Sensor $sensor): bool => in_array($sensor->kind, ['magnet', 'beam', 'reflective', 'wheel', 'sonar'],
            true)) as $sensor) {
            $this->step("quiet.{$sensor->id}", 'Capacitors', "Solder {size} across the supply of {$sensor->named()}, close to it; either way round.",
                ['size' => Quantity::of(self::QUIET_NF, 'nF')], part: 'capacitor of {size}');
        }
    }

    private function boards(): void
    {
        foreach ($this->build->wiring->boards as $board) {
            $first = array_values(Outline::of($board->board)->pins)[0]['label'];
            $set = $board->address === null ? '' : ', and set it to '.$board->board::address($board->address);
            $this->step("place.{$board->id}", 'Boards', "Screw {$board->named()} down, ".Sentence::quote($board->board->name)
                .", as on the sheet: {$first} at the upper left{$set}.");
        }
    }

    private function wires(): void
    {
        $plan = $this->build->wiring;
        foreach ($plan->boards as $board) {
            $supply = $this->build->supplies[$board->supply];
            $this->step("feed.{$board->id}", 'Wires', "Bring ground and then {$supply->named()} to {$board->named()}: black and red.");
        }
        foreach ($plan->boards as $board) {
            $mine = array_values(array_filter($plan->joins, fn (Join $join): bool => $join->board === $board->id));
            foreach (array_chunk($mine, 6) as $group) {
                $numbers = array_column($group, 'number');
                $this->step("wires.{$board->id}.".implode('-', $numbers), 'Wires', 'Wire '.Sentence::listed(array_map(strval(...), $numbers))." to {$board->named()}, pins "
                    .Sentence::listed(array_column($group, 'pin')).'.', wires: $numbers);
            }
        }
    }

    private function checks(): void
    {
        foreach ($this->sources() as $supply) {
            $this->step("short.{$supply->id}", 'Checks', "With no power, measure between {$supply->named()} and ground: not near {none}. If it is, look for the bridge of solder before you go on.",
                ['none' => Quantity::of(0.0, 'Ω')]);
        }
        $this->step('polarity', 'Checks', 'Look once more along every red and black wire, and at every stripe, notch and dot.');
    }

    private function power(): void
    {
        foreach ($this->sources() as $supply) {
            $this->step("first.{$supply->id}", 'First power', "Without motors, and without chips in sockets, switch {$supply->named()} on through a limit of {limit}: {volts} at its clamps.",
                ['limit' => Quantity::of(self::CAREFUL_A, 'A'), 'volts' => Quantity::of($supply->volts_V, 'V')]);
        }
        foreach ($this->build->supplies as $rail) {
            if ($rail->from !== null) {
                $this->step("rail.{$rail->id}", 'First power', "Measure {$rail->named()}: {volts}.", ['volts' => Quantity::of($rail->volts_V, 'V')]);
            }
        }
        $controller = $this->build->wiring->controller();
        if ($controller instanceof PlacedBoard) {
            $this->step("logic.{$controller->id}", 'First power', "Measure the signal supply of {$controller->named()}: {volts}.",
                ['volts' => Quantity::of($controller->board->logic_V, 'V')]);
        }
        foreach ($this->build->motions as $motion) {
            if ($motion->drive !== null && $motion->drive->shares === null) {
                [$forwards] = $motion->mechanism->ways();
                $all = $motion->drive->motors > 1 ? ' Do so with each of its {count} motors alone, before they are together.' : '';
                $this->step("turn.{$motion->id}", 'Motors, one at a time', "Plug {$motion->named()} in and move it a little forwards: it must go {$forwards}, else ".($motion->drive->motor instanceof Stepper
                    ? 'swap the two wires of one coil.' : 'swap its two wires.').$all,
                    $motion->drive->motors > 1 ? ['count' => Quantity::number($motion->drive->motors)] : []);
            }
        }
        foreach ($this->build->motions as $motion) {
            foreach ($motion->stops->switches as $switch) {
                $this->step("trip.{$switch->id}", 'Sensors', "Press {$switch->named()} by hand and see that its pin changes.");
            }
        }
        foreach ($this->build->sensors as $sensor) {
            $this->step("sense.{$sensor->id}", 'Sensors', $sensor->measures() ? "Note twenty readings of {$sensor->named()} with the thing, and twenty without."
                : "Try {$sensor->named()} by hand and see that its pin changes.");
        }
    }

    /** @return list<Supply> */
    private function sources(): array
    {
        return array_values(array_filter($this->build->supplies, fn (Supply $supply): bool => $supply->from === null));
    }
}
