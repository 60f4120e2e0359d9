<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment\Wiring;

use Brookstone\Core\Assessment\Drive\SharedBattery;
use Brookstone\Core\Assessment\Repair\SupplyMends;
use Brookstone\Core\Assessment\Subject\BatteryDays;
use Brookstone\Core\Build\OtherLoads;
use Brookstone\Core\Finding\Change;
use Brookstone\Core\Finding\Fix;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Parts\Supply;
use Brookstone\Core\Quantity\Constants;
use Brookstone\Core\Quantity\Format;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Rehearsal\Day;
use Brookstone\Core\Wiring\BoardKind;
use Brookstone\Core\Wiring\ChargeBalance;
use Brookstone\Core\Wiring\Regulator;

/** What feeds what: converters and their heat, rails with a controller and servos on them, gates, batteries and their chargers. */
final readonly class SupplyRules
{
    private const JUNCTION_C = 125.0; // of a regulator (its usual rating)

    /** What a battery bears to be charged with for good, as a share of its capacity an hour (makers' usual limits by kind). */
    private const CHARGES = ['lead' => 0.2, 'nickel' => 0.1, 'lithium' => 0.5, 'alkaline' => 0.0, 'other' => 0.1];

    public function __construct(private WiringContext $on, private ?Day $day)
    {
    }

    public function check(): void
    {
        foreach ($this->on->build->supplies as $supply) {
            $path = $this->on->pathOfSupply($supply->id);
            $from = $this->on->build->supplies[$supply->from ?? ''] ?? null;
            if ($from !== null) {
                $this->converter($supply, $from, $path);
            }
            if ($supply->capacity_Ah !== null) {
                $this->battery($supply, $path);
            }
            if ($supply->beside !== null && ! $supply->diode) {
                $other = $this->on->build->supplies[$supply->beside];
                $this->on->find('wiring.two_supplies', Severity::Fails, "{$path}.diode", "{$supply->named()} and {$other->named()} are on one rail: without a diode in each lead one of them flows into the other.",
                    [], fn (): array => [new Fix(new Sentence('Put a diode into each lead'), [new Change("{$path}.diode", true)])]);
            }
        }
        $this->boards();
        $this->gates();
        $this->servos();
        $this->always();
    }

    private function converter(Supply $supply, Supply $from, string $path): void
    {
        $comes = $from->volts_V * ($from->ends()[0] ?? 1.0);
        $values = ['needs' => Quantity::of($supply->needs_V(), 'V'), 'comes' => Quantity::of($comes, 'V'), 'gives' => Quantity::of($supply->volts_V, 'V')];
        if ($comes < $supply->needs_V() * (1 - Constants::TIE)) {
            $this->on->find('wiring.dropout', Severity::Fails, "{$path}.from", "{$supply->named()} needs {needs} to give {gives}, and {$from->named()} gives "
                .($from->capacity_Ah !== null ? '{comes} when it is nearly empty.' : '{comes}.'), $values, fn (): array => $this->otherSource($supply,
                    $from, $path));
        }
        if ($supply->converter === 'up' && $supply->volts_V <= $from->volts_V * (1 + Constants::TIE)) {
            $this->on->find('wiring.converter_wrong', Severity::Fails, "{$path}.converter", "{$supply->named()} goes up, and is to give {gives} out of {in}.",
                $values + ['in' => Quantity::of($from->volts_V, 'V')], fn (): array => [new Fix(new Sentence('Take one that goes down'),
                    [new Change("{$path}.converter", 'down')])]);
        }
        if ($supply->theta_C_per_W === null || $supply->converter === 'gate') {
            return;
        }
        $amps = $this->alwaysOn_A($supply);
        $regulator = match (true) {
            $supply->converter === 'linear' && $from->volts_V > $supply->volts_V => Regulator::linear($from->volts_V, $supply->volts_V, $amps,
                $supply->theta_C_per_W,
                $this->on->build->settings->ambient_C),
            $supply->converter === 'linear' => null,
            default => Regulator::switching($from->volts_V, $supply->volts_V, $amps, $supply->efficiency, $supply->theta_C_per_W,
                $this->on->build->settings->ambient_C),
        };
        if ($regulator !== null && $regulator->junction_C > self::JUNCTION_C * (1 + Constants::TIE)) {
            $this->on->find('wiring.converter_hot', Severity::Fails, "{$path}.converter", "{$supply->named()} turns {heat} into heat and gets {hot}; it bears {most}.",
                ['heat' => Quantity::of($regulator->heat_W, 'W'), 'hot' => Quantity::of($regulator->junction_C, '°C'),
                    'most' => Quantity::of(self::JUNCTION_C, '°C')],
                fn (): array => $supply->converter === 'linear' ? [new Fix(new Sentence('Take a switching converter instead'),
                    [new Change("{$path}.converter", 'down')])] : []);
        }
    }

    /** @return list<Fix> */
    private function otherSource(Supply $supply, Supply $from, string $path): array
    {
        $fixes = $supply->volts_V > $from->volts_V ? [new Fix(new Sentence('Take a converter that goes up'),
            [new Change("{$path}.converter", 'up'), new Change("{$path}.dropout_V", min($supply->dropout_V, $from->volts_V / 2))])] : [];
        foreach ($this->on->build->supplies as $other) {
            if ($other->from === null && $other->id !== $from->id && $other->volts_V * ($other->ends()[0] ?? 1.0) >= $supply->needs_V()) {
                $fixes[] = new Fix(new Sentence("Feed it from {$other->named()}"), [new Change("{$path}.from", $other->id)]);
            }
        }

        return $fixes;
    }

    /** What boards, sensors, lamps and relay coils take of a supply with all of them on, A. */
    private function steady_A(Supply $supply): float
    {
        $others = new OtherLoads($this->on->build);
        $amps = $others->standing_A($supply->id);
        foreach ($this->on->build->outputs as $output) {
            foreach ($output->stays() ? $others->takenBy($output) : [] as [$of, $takes]) {
                $amps += $of === $supply->id ? $takes : 0.0;
            }
        }

        return $amps;
    }

    /** What flows through a supply with all that hangs on it at work, A. */
    private function alwaysOn_A(Supply $supply): float
    {
        $amps = $this->steady_A($supply);
        foreach ($this->on->build->motions as $motion) {
            $amps += $motion->drive?->supply->id === $supply->id && $motion->drive->shares === null
                ? $motion->drive->startsWith_A() * $this->on->build->settings->motor_continuous_share : 0.0;
        }

        return $amps;
    }

    private function always(): void
    {
        foreach ($this->on->build->supplies as $supply) {
            $amps = $this->steady_A($supply);
            if ($amps > $supply->max_A * (1 + Constants::TIE)) {
                $this->on->find('wiring.rail_overloaded', Severity::Fails, $this->on->pathOfSupply($supply->id).'.max_A', "Boards, lamps and coils on {$supply->named()} take {amps} together, and it gives {most}.",
                    ['amps' => Quantity::of($amps, 'A'), 'most' => Quantity::of($supply->max_A, 'A')],
                    fn (): array => SupplyMends::stronger($this->on->build, $supply, $amps));
            }
        }
    }

    private function boards(): void
    {
        foreach ($this->on->plan->boards as $board) {
            $supply = $this->on->build->supplies[$board->supply] ?? null;
            if ($supply === null || $board->board->kind !== BoardKind::Controller) {
                continue;
            }
            $path = $this->on->pathOfBoard($board->id);
            if (! $supply->staysWithin($board->board->low_V, $board->board->high_V)) {
                $this->on->find('wiring.board_volts', Severity::Fails, "{$path}.supply", "{$board->named()} takes {low} to {high}, and {$supply->named()} gives ".($supply->ends() === [] ? '{volts}.' : 'from {empty}, nearly empty, to {full}.'),
                    ['low' => Quantity::of($board->board->low_V, 'V'), 'high' => Quantity::of($board->board->high_V, 'V'),
                        'volts' => Quantity::of($supply->volts_V, 'V'), 'empty' => Quantity::of($supply->volts_V * ($supply->ends()[0] ?? 1.0), 'V'),
                        'full' => Quantity::of($supply->volts_V * ($supply->ends()[1] ?? 1.0), 'V')],
                    fn (): array => SupplyMends::forBoard($this->on->build, $board));
            }
            $asks = 0.0;
            foreach ($this->on->plan->boards as $other) {
                $asks += $other->board->kind->lends() !== [] ? $other->board->awake_A : 0.0;
            }
            foreach ($this->on->build->outputs as $output) {
                $asks += $output->supply === null && $this->on->plan->at("outputs.{$output->id}")?->id === $board->id ? $output->takes_A() : 0.0;
            }
            if ($board->board->regulator_A > 0.0 && $asks > $board->board->regulator_A * (1 + Constants::TIE)) {
                $this->on->find('wiring.regulator_over', Severity::Fails, "{$path}.board", "The small regulator of {$board->named()} gives {gives}, and what hangs on it takes {asks}.",
                    ['gives' => Quantity::of($board->board->regulator_A, 'A'), 'asks' => Quantity::of($asks, 'A')], fn (): array => []);
            }
        }
    }

    /** Servos on a rail that a linear regulator makes for the controller too. */
    private function servos(): void
    {
        $controller = $this->on->plan->controller();
        $rail = $this->on->build->supplies[$controller->supply ?? ''] ?? null;
        if ($controller === null || $rail === null || $rail->from === null || $rail->converter !== 'linear') {
            return;
        }
        foreach ($this->on->build->motions as $motion) {
            if ($motion->drive?->supply->id === $rail->id && in_array($motion->drive->motor->kind(), ['servo', 'continuous_servo'], true)) {
                $path = "motions.{$this->on->build->indexOf($motion->id)}.drive.supply";
                $from = $this->on->build->supplies[$rail->from];
                $this->on->find('wiring.servo_on_regulator', Severity::Fails, $path, "{$motion->named()} hangs on {$rail->named()}, the regulator of {$controller->named()}: it draws {starts} when it starts.",
                    ['starts' => Quantity::of($motion->drive->startsWith_A(), 'A')],
                    fn (): array => [new Fix(new Sentence("Feed it from {$from->named()}"), [new Change($path, $from->id)])], $motion->id);
            }
        }
    }

    /** What a gate feeds: is told what to do only once it has settled, and holds nothing that must hold without power. */
    private function gates(): void
    {
        $build = $this->on->build;
        foreach ($build->outputs as $output) {
            $gated = $build->supplies[$output->gates ?? ''] ?? null;
            if ($gated === null) {
                continue;
            }
            foreach ($build->motions as $motion) {
                $holds = $motion->drive?->supply->id === $gated->id && ($motion->task->holds_unpowered || $motion->task->over_people)
                    && ! $motion->drive->motor->locks()
                    && $motion->train->backEfficiency() > 0.0;
                if ($holds) {
                    $this->on->find('wiring.gate_drops', Severity::Fails, $this->on->pathOf('outputs', $output->id).'.gates', "{$output->named()} cuts {$gated->named()}, and {$motion->named()} must stay put without power: nothing in it holds.",
                        [], fn (): array => [new Fix(new Sentence("Let {$output->named()} cut nothing"), [new Change($this->on->pathOf('outputs',
                            $output->id).'.gates', null)])], $motion->id);
                }
            }
            foreach (array_values($build->routines) as $i => $routine) {
                $since = null;
                foreach ($routine->flat() as $path => $step) {
                    $effect = $step->effect($build);
                    $moves = $build->motions[$effect->move->motion ?? ''] ?? null;
                    if ($effect->output?->output === $output->id) {
                        $since = $effect->output->on ? 0.0 : null;
                    } elseif ($since !== null && $moves?->drive?->supply->id === $gated->id) {
                        if ($since < $gated->settles_s * (1 - Constants::TIE)) {
                            $this->settles($output->named(), $gated, $since, $routine->named(), "routines.{$i}.{$path}");
                        }
                        $since = null;
                    } elseif ($since !== null) {
                        $since += $effect->move === null && $effect->until === null ? $effect->for_s ?? 0.0 : INF;
                    }
                }
            }
        }
    }

    private function settles(string $output, Supply $gated, float $after_s, string $routine, string $place): void
    {
        $this->on->find('wiring.gate_settles', Severity::Tight, $place, "{$routine} moves what hangs on {$gated->named()} {after} after {$output} switches it on, and it needs {settles}.",
            ['after' => Quantity::of($after_s, 's'), 'settles' => Quantity::of($gated->settles_s, 's')], function () use ($place, $gated, $after_s): array {
                $list = substr($place, 0, (int) strrpos($place, '.'));
                $steps = $this->on->build->document;
                foreach (explode('.', $list) as $key) {
                    $steps = $steps[$key];
                }
                array_splice($steps, (int) substr($place, (int) strrpos($place, '.') + 1), 0, [['do' => 'wait', 'for_s' => $gated->settles_s - $after_s]]);

                return [new Fix(new Sentence('Wait {time} before that', ['time' => Quantity::of($gated->settles_s - $after_s, 's')]),
                    [new Change($list, $steps)])];
            });
    }

    private function battery(Supply $supply, string $path): void
    {
        $table = new DayTable($this->on->build, $supply, $this->on->subjects, $this->day);
        $capacity = (float) $supply->capacity_Ah;
        $wanted = $this->on->build->settings->battery_days;
        if ($table->day_Ah > 0.0) {
            $all = new BatteryDays($supply, $table->day_Ah, $wanted);
            if ($this->on->plan->controller() !== null && ! $all->isEnough()) { // without one, what moves is told of it
                $this->on->find('wiring.battery_days', Severity::Tight, "{$path}.capacity_Ah",
                    "{$all->says()}: {$table->most()->template} takes {most} of the {day} that it gives a day.",
                    $all->values() + ['most' => Quantity::of($table->takes[0]['charge_Ah'], 'Ah')],
                    fn (): array => [...$this->sleeps(), ...SharedBattery::gates($this->on->subjects, $supply),
                        ...SupplyMends::largerBattery($this->on->build, $supply, $table->day_Ah - $supply->loses_Ah_day(), $wanted)]);
            }
        }
        if ($supply->charger_A !== null) {
            $this->charger($supply, $supply->charger_A, $capacity, $table->day_Ah, $path);
        }
        if ($supply->cells === 'lithium' && $supply->cutoff_V === null) {
            $this->on->find('wiring.no_cutoff', Severity::Fails, "{$path}.cutoff_V", "{$supply->named()} has lithium cells, and nothing switches it off before they are empty: that ruins them, and can set them on fire.",
                [], fn (): array => [new Fix(new Sentence('Cut it off at {volts}', ['volts' => Quantity::of(round($supply->volts_V * 0.82, 1), 'V')]),
                    [new Change("{$path}.cutoff_V", round($supply->volts_V * 0.82, 1))])]);
        }
    }

    /** @return list<Fix> */
    private function sleeps(): array
    {
        $controller = $this->on->plan->controller();

        return $controller === null || $this->on->plan->sleeps || $controller->board->asleep_A >= $controller->board->awake_A ? []
            : [new Fix(new Sentence("Let {$controller->named()} sleep while nothing is to be done"), [new Change('wiring.sleeps', true)])];
    }

    private function charger(Supply $supply, float $charger_A, float $capacity_Ah, float $day_Ah, string $path): void
    {
        $balance = new ChargeBalance($charger_A, $capacity_Ah, $day_Ah);
        $values = ['gives' => Quantity::of($balance->gives_Ah_day, 'Ah'), 'takes' => Quantity::of($day_Ah, 'Ah'),
            'rate' => Quantity::share($balance->rate_fraction_per_hour),
            'most' => Quantity::share(self::CHARGES[$supply->cells]), 'charger' => Quantity::of($charger_A, 'A')];
        $bears = self::CHARGES[$supply->cells] * $capacity_Ah;
        if ($balance->balance_Ah_day < 0.0) {
            $this->on->find('wiring.charger_under', Severity::Tight, "{$path}.charger_A", "The charger of {$supply->named()} gives {gives} a day, and {takes} are taken.", $values,
                function () use ($balance, $bears, $path): array {
                    $spare = Format::roundedUp(SupplyMends::SPARE * $balance->least_A());

                    return $spare > $bears ? [] : [new Fix(new Sentence('Take a charger of {amps}', ['amps' => Quantity::of($spare, 'A')]),
                        [new Change("{$path}.charger_A", $spare)])];
                });
        }
        if ($balance->rate_fraction_per_hour > self::CHARGES[$supply->cells] * (1 + Constants::TIE)) {
            $this->on->find('wiring.charger_fast', Severity::Fails, "{$path}.charger_A", $supply->cells === 'alkaline'
                ? "{$supply->named()} cannot be charged: its cells burst."
                : "{$supply->named()} is charged with {charger}, {rate} of its capacity an hour; it bears {most} for good.", $values,
                fn (): array => $bears <= 0.0 ? [new Fix(new Sentence('Take the charger away'), [new Change("{$path}.charger_A", null)])]
                    : [new Fix(new Sentence('Charge it with {amps}', ['amps' => Quantity::of($bears, 'A')]), [new Change("{$path}.charger_A", $bears)])]);
        }
        if ($supply->boxed && $supply->cells !== 'lithium') {
            $this->on->find('wiring.boxed_charging', Severity::Tight, "{$path}.boxed", "{$supply->named()} is charged in a closed box: charging makes hydrogen, and a motor makes sparks.",
                [], fn (): array => [new Fix(new Sentence('Vent the box'), [new Change("{$path}.boxed", false)])]);
        }
    }
}
