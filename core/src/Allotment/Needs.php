<?php

declare(strict_types=1);

namespace Brookstone\Core\Allotment;

use Brookstone\Core\Build\Build;
use Brookstone\Core\Drive\AirCylinder;
use Brookstone\Core\Drive\Stepper;
use Brookstone\Core\Parts\LimitSwitch;
use Brookstone\Core\Parts\Motion;
use Brookstone\Core\Parts\Output;
use Brookstone\Core\Parts\Sensor;
use Brookstone\Core\Routine\SleepStep;
use Brookstone\Core\Wiring\Ability;
use Brookstone\Core\Wiring\Board;
use Brookstone\Core\Wiring\BoardKind;
use Brookstone\Core\Wiring\PlacedBoard;
use Brookstone\Core\Wiring\WiringPlan;

/** What a build needs channels and pins for, counted from its motions, sensors and outputs. */
final readonly class Needs
{
    private const PIN_A = 0.02; // what takes more needs a driver

    /** @var array<string, Load> by signal */
    public array $loads;

    /** @var array<string, Signal> by key: what goes to a pin whatever drivers there are */
    public array $signals;

    /**
     * @param  list<Load>  $loads
     * @param  list<Signal>  $signals
     */
    private function __construct(public Build $build, array $loads, array $signals)
    {
        $this->loads = array_combine(array_column($loads, 'signal'), $loads);
        $this->signals = array_combine(array_column($signals, 'key'), $signals);
    }

    /** @param  array<string, float>  $runs_A  what motors draw on the average while they run, by motion, where that is known */
    public static function of(Build $build, array $runs_A = []): self
    {
        $loads = $signals = [];
        foreach ($build->motions as $id => $motion) {
            self::motion($build, $motion, $runs_A[$id] ?? null, $loads, $signals);
        }
        $wakers = ($build->wiring->sleeps ? self::wakers($build) : []) + self::sleepers($build);
        foreach ($build->sensors as $sensor) {
            if ($sensor->kind === 'message' && $sensor->over === 'network') {
                continue; // no wire of its own leads there
            }
            $signals[] = new Signal("sensors.{$sensor->id}", $sensor->name, self::asks($sensor, isset($wakers[$sensor->id])), $sensor->isTimed());
            if ($sensor->kind === 'sonar') {
                $signals[] = new Signal("sensors.{$sensor->id}.trigger", "{$sensor->name} trigger", [Ability::Out], true);
            }
        }
        foreach ($build->outputs as $output) {
            self::output($build, $output, $loads, $signals);
        }

        return new self($build, $loads, $signals);
    }

    /**
     * All that needs a pin, with what tells the drivers that carry something, and what expanders take.
     *
     * @return array<string, Signal> by key
     */
    public function on(WiringPlan $plan): array
    {
        $signals = $this->signals;
        foreach ($plan->joins as $join) {
            $load = $this->loads[$join->signal] ?? null;
            $board = $plan->boards[$join->board] ?? null;
            foreach ($load === null || $board === null || ! $board->board->kind->drives() ? [] : self::controls($board, $join->pin, $load) as $signal) {
                $signals[$signal->key] = $signal;
            }
        }
        foreach (Allotter::ofBoards($plan->boards) as $signal) {
            $signals[$signal->key] = $signal;
        }

        return $signals;
    }

    /**
     * What tells a channel of a driver what to do.
     *
     * @return list<Signal>
     */
    public static function controls(PlacedBoard $board, string $channel, Load $load): array
    {
        $signal = fn (string $does, string $says, Ability $needs, bool $direct = false): Signal => new Signal("boards.{$board->id}.{$channel}.{$does}",
            "{$load->name}: {$says}", [$needs], $direct, motion: $load->motion, board: $board->id);
        if ($board->board->kind === BoardKind::Stepper) {
            return [$signal('step', 'step', Ability::Out, true), $signal('way-1', 'direction', Ability::Out)];
        }
        $ways = $board->board->directions;
        $controls = array_map(fn (int $i): Signal => $signal("way-{$i}", $ways === 1 ? ($board->board->kind === BoardKind::Bridge ? 'direction' : 'on')
            : ($i === 1 ? 'forwards' : 'back'), Ability::Out), $ways === 0 ? [] : range(1, $ways));

        return [...$controls, ...match (true) {
            $load->speed && $board->board->speed => [$signal('speed', 'speed', Ability::Pulse)],
            $ways === 0 || ($ways === 1 && $board->board->kind === BoardKind::Bridge) => [$signal('speed', 'on', Ability::Out)],
            default => [],
        }];
    }

    /**
     * So many pins such a board takes of the controller for a channel.
     *
     * @return array{int, int} outputs, and those of pulse width
     */
    public static function pinsFor(Board $board, Load $load): array
    {
        $controls = self::controls(new PlacedBoard('b', 'b', $board, ''), 'A', $load);
        $pulses = count(array_filter($controls, fn (Signal $signal): bool => in_array(Ability::Pulse, $signal->needs, true)));

        return [count($controls) - $pulses, $pulses];
    }

    /**
     * @param  list<Load>  $loads
     * @param  list<Signal>  $signals
     */
    private static function motion(Build $build, Motion $motion, ?float $runs_A, array &$loads, array &$signals): void
    {
        foreach ($motion->stops->switches as $switch) {
            $signals[] = self::switch($motion, $switch);
        }
        foreach ($motion->stops->encoder_pulses === null ? [] : ['a', 'b'] as $track) {
            $signals[] = new Signal("encoders.{$motion->id}.{$track}", "{$motion->name} encoder {$track}", [Ability::In, Ability::Interrupt], true,
                motion: $motion->id);
        }
        $drive = $motion->drive;
        if ($drive === null || $drive->shares !== null) {
            return; // it has none, or another has it
        }
        $key = "motions.{$motion->id}";
        $name = "{$motion->name} ".($drive->motor->positionSource()->isSent() ? '' : 'motor');
        if ($drive->motor instanceof Stepper) {
            $loads[] = new Load($key, "{$motion->name} stepper", [BoardKind::Stepper], $drive->supply->id, $drive->supply->volts_V, $drive->motor->phase_A,
                $drive->motor->phase_A, false, false, $motion->id);
        } elseif ($drive->motor instanceof AirCylinder && $drive->motor->worked_by === 'servo') {
            $signals[] = new Signal($key, "{$motion->name} valve servo", [Ability::Pulse], motion: $motion->id);
        } elseif ($drive->motor instanceof AirCylinder) {
            $amps = $drive->line()->stall_A;
            foreach ($drive->one_way ? ['' => ''] : ['' => ' out', '.back' => ' back'] as $coil => $says) {
                $loads[] = new Load($key.$coil, "{$motion->name} valve{$says}", [BoardKind::Relay, BoardKind::Single], $drive->supply->id,
                    $drive->supply->volts_V, $amps, $amps, false, true, $motion->id);
            }
        } elseif (in_array($drive->motor->kind(), ['servo', 'continuous_servo', 'brushless'], true)) {
            $signals[] = new Signal($key, trim($name)." {$drive->motor->kind()}", [Ability::Pulse], motion: $motion->id);
            if ($drive->motor->kind() === 'brushless') {
                $signals[] = new Signal("{$key}.way", "{$motion->name} direction", [Ability::Out], motion: $motion->id);
            }
        } else {
            $speed = $drive->duty < 1.0 || $drive->ramp_s > 0.0 || self::isSlowed($build, $motion);
            $line = $drive->motor->line($drive->supply->volts_V, $drive->duty);
            $loads[] = new Load($key, "{$motion->name} motor", match (true) {
                ! $drive->one_way => [BoardKind::Bridge],
                $speed => [BoardKind::Single, BoardKind::Bridge],
                default => [BoardKind::Single, BoardKind::Relay, BoardKind::Bridge],
            }, $drive->supply->id, $drive->supply->volts_V,
                min($line->stall_A, $runs_A ?? $line->stall_A * $build->settings->motor_continuous_share), $line->stall_A, $speed, true, $motion->id);
        }
    }

    private static function switch(Motion $motion, LimitSwitch $switch): Signal
    {
        return new Signal("switches.{$switch->id}", $switch->name, [Ability::In, Ability::Pull], motion: $motion->id);
    }

    /** @return list<Ability> */
    private static function asks(Sensor $sensor, bool $wakes): array
    {
        return match (true) {
            $sensor->isTimed() => [Ability::In, Ability::Interrupt],
            $sensor->measures() => [Ability::Analogue],
            $sensor->kind === 'message' && in_array($sensor->over, ['serial', 'radio'], true) => [Ability::Receive],
            $sensor->kind === 'message' && $sensor->over === 'infrared' => [Ability::In, Ability::Interrupt],
            default => [Ability::In, ...($sensor->isOpen() && ! $sensor->pulled ? [Ability::Pull] : []), ...($wakes ? [Ability::Wake] : [])],
        };
    }

    /**
     * @param  list<Load>  $loads
     * @param  list<Signal>  $signals
     */
    private static function output(Build $build, Output $output, array &$loads, array &$signals): void
    {
        $key = "outputs.{$output->id}";
        $takes = $output->takes_A();
        $supply = $build->supplies[$output->supply ?? ''] ?? null;
        $kinds = match (true) {
            $output->kind === 'relay' => [BoardKind::Relay],
            $output->kind === 'track' => [BoardKind::Bridge],
            in_array($output->kind, Output::COILS, true), $output->kind === 'lamp' && ! $output->speed => [BoardKind::Relay, BoardKind::Single],
            default => [BoardKind::Single],
        };
        $isSmall = $takes <= self::PIN_A && in_array($output->kind, ['lamp', 'sound'], true) && $supply === null;
        if ($output->kind === 'display') {
            $signals[] = new Signal("{$key}.data", "{$output->name} data", [Ability::Data]);
            $signals[] = new Signal("{$key}.clock", "{$output->name} clock", [Ability::Clock]);
        } elseif ($output->kind === 'servo_valve') {
            $signals[] = new Signal($key, "{$output->name} servo", [Ability::Pulse]);
        } elseif ($isSmall || $output->kind === 'sound' || $output->gates !== null) {
            $signals[] = new Signal($key, $output->name, [$output->speed ? Ability::Pulse : Ability::Out], takes_A: $isSmall ? $takes : 0.0);
        } else {
            $feeds = $supply ?? array_values($build->supplies)[0] ?? null;
            foreach ($output->kind === 'points' ? ['.1' => ' coil 1', '.2' => ' coil 2'] : ['' => ''] as $end => $says) {
                $loads[] = new Load($key.$end, $output->name.$says, $kinds, $feeds->id ?? '', $feeds->volts_V ?? 0.0,
                    in_array($output->kind, Output::HIT, true) ? 0.0 : $takes, $takes, $output->speed, in_array($output->kind, Output::COILS, true));
            }
        }
    }

    private static function isSlowed(Build $build, Motion $motion): bool
    {
        foreach ($build->routines as $routine) {
            foreach ($routine->flat() as $step) {
                $move = $step->effect($build)->move;
                if ($move !== null && $move->motion === $motion->id && $move->speed < 1.0) {
                    return true;
                }
            }
        }

        return false;
    }

    /** @return array<string, true> sensors that start routines: they end its sleep */
    private static function wakers(Build $build): array
    {
        $wakers = [];
        foreach ($build->routines as $routine) {
            foreach ($routine->starts as $trigger) {
                $wakers += $trigger->sensor === null ? [] : [$trigger->sensor => true];
            }
        }

        return $wakers;
    }

    /** @return array<string, true> what ends a sleep that a step begins */
    private static function sleepers(Build $build): array
    {
        $wakers = [];
        foreach ($build->routines as $routine) {
            foreach ($routine->flat() as $step) {
                $wakers += $step instanceof SleepStep ? array_fill_keys($step->wakers(), true) : [];
            }
        }

        return $wakers;
    }
}
