<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment\Wiring;

use Brookstone\Core\Drive\DcMotor;
use Brookstone\Core\Finding\Change;
use Brookstone\Core\Finding\Fix;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Parts\LimitSwitch;
use Brookstone\Core\Parts\Motion;
use Brookstone\Core\Parts\Output;
use Brookstone\Core\Parts\Sensor;
use Brookstone\Core\Quantity\Constants;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Wiring\Ability;
use Brookstone\Core\Wiring\BoardKind;

/** Whether what comes in arrives as it should, and whether what goes out is let go in time. */
final readonly class SignalRules
{
    private const QUIET_UF = 100.0; // across a rail with a brushed motor on it

    private const HIT_S = 0.2;

    public function __construct(private WiringContext $on)
    {
    }

    public function check(): void
    {
        foreach (array_values($this->on->build->sensors) as $i => $sensor) {
            $this->sensor($sensor, "sensors.{$i}");
        }
        foreach ($this->on->build->motions as $motion) {
            foreach ($motion->stops->switches as $i => $switch) {
                $this->switch($motion, $switch, "motions.{$this->on->build->indexOf($motion->id)}.stops.switches.{$i}");
            }
            $this->brokenWires($motion);
        }
        foreach ($this->on->build->outputs as $output) {
            if (in_array($output->kind, Output::HIT, true)) {
                $this->hit($output);
            }
        }
        $this->noise();
        $this->mixed();
        $this->stop();
    }

    private function sensor(Sensor $sensor, string $path): void
    {
        $on = $this->on;
        $board = $on->plan->at("sensors.{$sensor->id}");
        $pin = $board?->board->pins[$on->plan->bySignal["sensors.{$sensor->id}"]->pin] ?? null;
        if ($board === null || $pin === null) {
            return;
        }
        $logic = $board->board->kind === BoardKind::Controller ? $board->board->logic_V : $on->plan->controller()->board->logic_V ?? $board->board->logic_V;
        $puts = $sensor->puts_V();
        if ($puts !== null && $puts > $logic * (1 + Constants::TIE) && ! $sensor->divided) {
            $on->find('wiring.signal_high', Severity::Fails, "{$path}.signal_V", "{$sensor->named()} puts out up to {signal}, and {$board->named()} {$pin->name} stands {logic}.",
                ['signal' => Quantity::of($puts, 'V'), 'logic' => Quantity::of($logic, 'V')],
                fn (): array => [new Fix(new Sentence('Divide it by two resistors'), [new Change("{$path}.divided", true)])]);
        }
        if ($sensor->isOpen() && ! $sensor->pulled && ! $pin->can(Ability::Pull)) {
            $this->floats($sensor->named(), $board->named()." {$pin->name}", "{$path}.pulled", "sensors.{$sensor->id}",
                [new Fix(new Sentence('Pull it up with 10 kΩ'), [new Change("{$path}.pulled", true)])]);
        }
        if ($sensor->isRinging() && ! $sensor->filtered) {
            $on->find('wiring.no_filter', Severity::Note, "{$path}.filtered", $sensor->kind === 'knock'
                ? "{$sensor->named()} rings when it is hit: without a resistor and a capacitor before its pin it counts more than once, and its peak may be more than the pin stands."
                : "{$sensor->named()} counts pulses: without a resistor and a capacitor before its pin it counts every spark of a motor too.",
                [], fn (): array => [new Fix(new Sentence('Filter it'), [new Change("{$path}.filtered", true)])]);
        }
    }

    /** @param  list<Fix>  $fixes */
    private function floats(string $it, string $at, string $path, string $signal, array $fixes, ?string $motion = null): void
    {
        $this->on->find('wiring.floats', Severity::Fails, $path, "{$it} is open while it is off, and nothing pulls {$at} up: it reads whatever is in the air.", [],
            fn (): array => [...$fixes, ...$this->on->toFreePin($this->on->plan->bySignal[$signal])], $motion);
    }

    private function switch(Motion $motion, LimitSwitch $switch, string $path): void
    {
        $signal = "switches.{$switch->id}";
        $board = $this->on->plan->at($signal);
        $pin = $board?->board->pins[$this->on->plan->bySignal[$signal]->pin] ?? null;
        if ($board === null || $pin === null) {
            return;
        }
        if (! $pin->can(Ability::Pull)) {
            $this->floats($switch->named(), "{$board->named()} {$pin->name}", $path, $signal, [], $motion->id);
        }
    }

    /** Switches that it is driven onto, and that close when they trip. */
    private function brokenWires(Motion $motion): void
    {
        $path = "motions.{$this->on->build->indexOf($motion->id)}.stops.switches";
        $open = array_filter($motion->stops->switches, fn (LimitSwitch $switch): bool => ! $switch->closed
            && $this->on->plan->at("switches.{$switch->id}") !== null
            && $this->on->build->speedsOnto($motion, $switch) !== []);
        if ($open === [] || $motion->task->keeps_turning) {
            return;
        }
        $names = Sentence::listed(array_map(fn (LimitSwitch $switch): string => $switch->named(), array_values($open)));
        $this->on->find('wiring.broken_wire', Severity::Note, "{$path}.".array_key_first($open).'.closed',
            "{$motion->named()} is driven onto {$names}, which "
            .(count($open) === 1 ? 'closes when it trips' : 'close when they trip').': with a broken wire it drives on.', [], fn (): array => [new Fix(
                new Sentence("Wire {$names} to open when ".(count($open) === 1 ? 'it trips' : 'they trip')),
                array_map(fn (int $i): Change => new Change("{$path}.{$i}.closed", true), array_keys($open)))], $motion->id);
    }

    /** A coil that must only be hit: each step that switches it on says for how long, or another switches it off again. */
    private function hit(Output $output): void
    {
        $longest = $output->bears_s();
        foreach (array_values($this->on->build->routines) as $i => $routine) {
            foreach (CoilTimes::of($this->on->build, $routine, $output) as $path => [$for_s, $goesOff]) {
                $place = "routines.{$i}.{$path}.for_s";
                $mends = fn (): array => [new Fix(new Sentence("Switch {$output->named()} for {time} only",
                    ['time' => Quantity::of(min($longest, self::HIT_S), 's')]), [new Change($place, min($longest, self::HIT_S))])];
                if ($for_s === null) {
                    $this->on->find('wiring.coil_stays_on', $goesOff ? Severity::Tight : Severity::Fails, $place,
                        "{$routine->named()} says no time for {$output->named()}: "
                        .($goesOff ? 'if it gives up in between, its coil burns after {longest}.' : 'its coil burns after {longest}.'),
                        ['longest' => Quantity::of($longest, 's')], $mends);
                } elseif ($for_s > $longest * (1 + Constants::TIE)) {
                    $this->on->find('wiring.coil_too_long', Severity::Fails, $place,
                        "{$routine->named()} leaves a coil of {$output->named()} on for {time}, and it bears {longest}.",
                        ['time' => Quantity::of($for_s, 's'), 'longest' => Quantity::of($longest, 's')], $mends);
                }
            }
        }
    }

    /** A brushed motor on the rail of the controller, which measures something. */
    private function noise(): void
    {
        $controller = $this->on->plan->controller();
        $supply = $this->on->build->supplies[$controller->supply ?? ''] ?? null;
        $measures = array_filter($this->on->build->sensors, fn (Sensor $sensor): bool => $sensor->measures()
            && $this->on->plan->at("sensors.{$sensor->id}") !== null);
        if ($supply === null || $measures === [] || $supply->capacitor_uF >= self::QUIET_UF) {
            return;
        }
        foreach ($this->on->build->motions as $motion) {
            if ($motion->drive?->motor instanceof DcMotor && $motion->drive->supply->id === $supply->id) {
                $first = array_values($measures)[0];
                $path = $this->on->pathOfSupply($supply->id).'.capacitor_uF';
                $this->on->find('wiring.noise', Severity::Note, $path, "The brushes of {$motion->named()} are on {$supply->named()} with the controller: {$first->named()} measures their noise with it.",
                    [], fn (): array => [new Fix(new Sentence("Put {size} across {$supply->named()}, and a small capacitor across the motor",
                        ['size' => Quantity::of(self::QUIET_UF, 'µF')]), [new Change($path, self::QUIET_UF)])]);

                return;
            }
        }
    }

    /** Expanders that work at other volts than the controller. */
    private function mixed(): void
    {
        $controller = $this->on->plan->controller();
        if ($controller === null) {
            return;
        }
        foreach ($this->on->plan->boards as $board) {
            $logic = $controller->board->logic_V;
            if ($board->board->kind->lends() !== [] && ($logic < $board->board->low_V * (1 - Constants::TIE)
                || $logic > $board->board->high_V * (1 + Constants::TIE))) {
                $this->on->find('wiring.logic_mixed', Severity::Fails, $this->on->pathOfBoard($board->id).'.board', "{$board->named()} works at {low} to {high}, and {$controller->named()} at {logic}: between them a level shifter is missing.",
                    ['low' => Quantity::of($board->board->low_V, 'V'), 'high' => Quantity::of($board->board->high_V, 'V'),
                        'logic' => Quantity::of($logic, 'V')],
                    fn (): array => $this->on->instead($board, fn ($other): bool => $logic >= $other->low_V && $logic <= $other->high_V
                        && $other->channels >= $board->board->channels));
            }
        }
    }

    /** A stop button that leaves motors under power. */
    private function stop(): void
    {
        foreach (array_values($this->on->build->sensors) as $i => $sensor) {
            if ($sensor->cuts === null) {
                continue;
            }
            foreach ($this->on->build->motions as $motion) {
                $supply = $motion->drive?->supply;
                for ($at = $supply; $at !== null && $at->id !== $sensor->cuts; $at = $this->on->build->supplies[$at->from ?? ''] ?? null);
                if ($supply !== null && $at === null) {
                    $this->on->find('wiring.stop_cuts_little', Severity::Fails, "sensors.{$i}.cuts", "{$sensor->named()} opens the lead of {$this->on->build->supplies[$sensor->cuts]->named()}, and {$motion->named()} hangs on {$supply->named()}: its motor stays under power.",
                        [], fn (): array => [new Fix(new Sentence("Let {$sensor->named()} cut {$supply->named()}"), [new Change("sensors.{$i}.cuts",
                            $supply->id)])]);

                    break;
                }
            }
        }
    }
}
