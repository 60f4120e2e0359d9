<?php

declare(strict_types=1);

namespace Brookstone\Core\Program;

use Brookstone\Core\Code\Does;
use Brookstone\Core\Code\Gives;
use Brookstone\Core\Code\Line;
use Brookstone\Core\Code\Program;
use Brookstone\Core\Code\Set;
use Brookstone\Core\Code\Store;
use Brookstone\Core\Code\Task;
use Brookstone\Core\Code\Type;
use Brookstone\Core\Code\When;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Parts\Sensor;

/** What lies between the routines of a program and the pins of its board: motors, inputs and outputs by the wiring of the build. */
final class Drives
{
    private readonly Pins $pins;

    /** @var array<string, Driver> by motion */
    private array $drivers = [];

    private function __construct(private readonly Composition $of)
    {
        $this->pins = new Pins($of->build);
    }

    /** @throws CannotBeWritten where something has no pin */
    public static function of(Composition $of): DriveProgram
    {
        return (new self($of))->compose();
    }

    private function compose(): DriveProgram
    {
        foreach ($this->of->build->motions as $id => $motion) {
            if ($motion->drive !== null) {
                $this->drivers[(string) $id] = Driver::of($motion, $this->of, $this->pins);
            }
        }
        $inputs = $this->inputs();
        $levels = $this->levels();
        $outputs = $this->outputs();
        $tasks = [...$this->orders($inputs, $levels, $outputs), ...$this->answers()]; // first: they ask for pins
        if ($this->pins->missing !== []) {
            throw new CannotBeWritten(array_map(fn (string $says): Obstacle => new Obstacle('wiring',
                new Sentence(Sentence::quote($says).' has no pin yet: give it one on the Wiring page, and a program can be written.')),
                array_values($this->pins->missing)));
        }

        return new DriveProgram($this->pins, new Program($this->head(), $this->pins->numbers() + $this->of->roster->numbers(), $this->stores(), $tasks));
    }

    /**
     * @param  list<Line>  $inputs
     * @param  list<Line>  $levels
     * @param  list<Line>  $outputs
     * @return list<Task> what it is asked for and told
     */
    private function orders(array $inputs, array $levels, array $outputs): array
    {
        $m = ['m' => Type::Byte];

        return [
            new Task('since', 'So long ago, in milliseconds', ['then_ms' => Type::Time], Type::Time, [new Gives('now - then_ms')]),
            new Task('lasted', 'So many milliseconds ago, or more', ['then_ms' => Type::Time, 'span_ms' => Type::Time], Type::Truth,
                [new Gives('now - then_ms >= span_ms')]),
            ...$this->places(),
            new Task('drive_input', 'Pressed, broken, tripped', ['i' => Type::Byte], Type::Truth, [...$inputs, new Gives('false')], isOpen: true),
            new Task('drive_hear', 'A message came: from whoever receives them', ['i' => Type::Byte, 'is_on' => Type::Truth], null,
                [new Set('heard[i]', 'is_on'), new Set('heard_ms[i]', 'now')], isOpen: true),
            new Task('drive_level', 'Thousandths of a reading', ['l' => Type::Byte], Type::Number, [...$levels, new Gives('0')], isOpen: true),
            new Task('drive_output', 'A lamp, a sound, a coil', ['o' => Type::Byte, 'is_on' => Type::Truth, 'coil_ms' => Type::Time], null,
                $outputs, isOpen: true),
            new Task('drive_push', 'On and on, up 1 or down -1', [...$m, 'way' => Type::Number, 'speed' => Type::Number], null, [
                new Set('driven[m]', 'true'), new Set('sent[m]', 'false'), new Set('since_ms[m]', 'now'), new Set('at_end[m]', '0'),
                new Set('pushed[m]', 'way'), new Set('pushed_at[m]', 'speed'),
                ...$this->each(fn (Driver $driver): array => $driver->pushes()),
            ], isOpen: true),
            new Task('drive_send', 'To a position', [...$m, 'to' => Type::Number, 'speed' => Type::Number], null, [
                new Set('driven[m]', 'true'), new Set('sent[m]', 'true'), new Set('since_ms[m]', 'now'),
                ...$this->each(fn (Driver $driver): array => $driver->sends()),
            ], isOpen: true),
            new Task('drive_stop', '0 brakes, 1 lets it run out, 2 holds it', [...$m, 'how' => Type::Byte], null, [
                new Set('driven[m]', 'false'), new Set('sent[m]', 'false'), new Set('since_ms[m]', 'now'),
                ...$this->each(fn (Driver $driver): array => $driver->stops()),
            ], isOpen: true),
            new Task('drive_power', 'Its power, as far as its driver can switch that', [...$m, 'is_on' => Type::Truth], null,
                [new When('!is_on', [new Does('drive_stop(m, 1)')])], isOpen: true),
            new Task('drive_found', 'A switch tells where it stands', [...$m, 'at' => Type::Number], null,
                [new Set('zero[m]', 'zero[m] + at - drive_position(m)')], isOpen: true),
            new Task('drive_is_at', 'Where it should be: for who shows it', [...$m, 'is_known' => Type::Truth, 'at' => Type::Number], null,
                [new When('is_known', [new Set('shown[m]', 'at')])], isOpen: true),
            new Task('drive_takes', 'It carries something from now on', [...$m, 'thing' => Type::Byte], null, [new Set('carries[m]', 'thing')], isOpen: true),
        ];
    }

    /** @return list<Task> what is to be known of motions, and what goes on by itself */
    private function answers(): array
    {
        $m = ['m' => Type::Byte];

        return [
            new Task('drive_couples', 'Its shared motor is being coupled to it, or is by now: where a hand or a coil does that', [...$m,
                'is_done' => Type::Truth], null,
                [], isOpen: true),
            new Task('drive_still', 'It has come to rest: what counts nothing, after the time that takes', $m, Type::Truth,
                [...$this->each(fn (Driver $driver): array => $driver->still()), new Gives('true')], isOpen: true),
            new Task('drive_arrived', 'It is where it was sent', $m, Type::Truth,
                [...$this->each(fn (Driver $driver): array => $driver->arrived()), new Gives('false')], isOpen: true),
            new Task('drive_moving', 'It is driven, or still turns', $m, Type::Truth, [new When('sent[m]', [new Gives('!drive_arrived(m)')]),
                new Gives('driven[m] || !drive_still(m)')], isOpen: true),
            new Task('drive_feels', 'It knows where it is whenever it has power', $m, Type::Truth,
                [...$this->each(fn (Driver $driver): array => $driver->feels() ? [new Gives('true')] : []), new Gives('false')], isOpen: true),
            new Task('drive_position', 'As it counts, or was sent', $m, Type::Number,
                [...$this->each(fn (Driver $driver): array => $driver->position()), new Gives('0')], isOpen: true),
            new Task('drive_speed', 'For each second', $m, Type::Number, [new Gives('speed_of[m]')], isOpen: true),
            new Task('drive_begin', 'When the power comes on', [], null, [...$this->begins(), ...$this->all(fn (Driver $driver): array => $driver->begins())],
                isOpen: true),
            new Task('drive_run', 'Call it as often as can be: ramps, pulses and steps', ['at_ms' => Type::Time, 'at_us' => Type::Time], null, $this->runs(),
                ['passed_us' => Type::Number], isOpen: true),
        ];
    }

    /** @return list<string> */
    private function head(): array
    {
        return ["{$this->of->build->name}: its motors, inputs and outputs",
            ...array_values(array_map(fn (PinUse $pin): string => str_pad("{$pin->board->name} {$pin->pin}", 24)
            .$pin->says, $this->pins->used))];
    }

    /** @return list<Store> */
    private function stores(): array
    {
        $motions = max(1, count($this->of->build->motions));
        $outputs = max(1, count($this->of->roster->all('OUTPUT')));
        $inputs = max(1, count($this->of->roster->all('INPUT')));
        $row = fn (string $name, Type $type, string $note, int $many): Store => new Store($name, $type, $many, $note);

        return [
            new Store('now', Type::Time, null, 'milliseconds'), new Store('last_us', Type::Time, null, 'when it was called last'),
            $row('driven', Type::Truth, 'it was told to go', $motions), $row('sent', Type::Truth, 'to a position', $motions),
            $row('since_ms', Type::Time, 'since then', $motions), $row('share', Type::Number, 'of full speed that its driver gives', $motions),
            $row('wanted', Type::Number, 'that it shall give', $motions), $row('goal', Type::Number, 'what its driver is told at the end', $motions),
            $row('stands_at', Type::Number, 'what its driver has done of it', $motions), $row('part', Type::Number, 'millionths of one more', $motions),
            $row('pace', Type::Number, 'so much of it in a second', $motions), $row('going', Type::Number, 'by now', $motions),
            $row('zero', Type::Number, 'where counting began', $motions), $row('speed_of', Type::Number, 'for each second', $motions),
            $row('was_at', Type::Number, 'a moment ago', $motions), $row('looked_ms', Type::Time, 'when that was', $motions),
            $row('pushed', Type::Number, 'which way', $motions), $row('pushed_at', Type::Number, 'how fast', $motions),
            $row('at_end', Type::Number, 'its drive has come to an end of its own: 1 up, -1 down', $motions),
            $row('shown', Type::Number, 'where it should be', $motions), $row('carries', Type::Byte, 'what', $motions),
            $row('coil_since', Type::Time, 'coils that are on', $outputs), $row('coil_after', Type::Time, 'for so long', $outputs),
            $row('coil_on', Type::Truth, 'by now', $outputs), $row('turned_ms', Type::Time, 'when its wheel turned last', $inputs),
            $row('turned', Type::Truth, 'as it was then', $inputs), $row('heard', Type::Truth, 'what messages said last', $inputs),
            $row('heard_ms', Type::Time, 'when that was', $inputs),
        ];
    }

    /**
     * @param  \Closure(Driver): list<Line>  $of
     * @return list<Line> of each motion, where it is that
     */
    private function each(\Closure $of): array
    {
        $lines = [];
        foreach ($this->drivers as $id => $driver) {
            $own = $of($driver);
            $lines = [...$lines, ...($own === [] ? [] : [new When('m == '.$this->of->roster->number('MOTION', $id), $own)])];
        }

        return $lines;
    }

    /**
     * @param  \Closure(Driver): list<Line>  $of
     * @return list<Line>
     */
    private function all(\Closure $of): array
    {
        return array_merge(...array_values(array_map($of, $this->drivers)));
    }

    /** @return list<Task> */
    private function places(): array
    {
        return array_merge(...array_values(array_map(fn (Driver $driver): array => $driver->tasks(), $this->drivers)));
    }

    /** @return list<Line> */
    private function inputs(): array
    {
        $lines = [];
        foreach ($this->of->roster->all('INPUT') as $i => $id) {
            $switch = $this->of->build->switch($id);
            $sensor = $this->of->build->sensors[$id] ?? null;
            if ($sensor?->measures() ?? false) {
                continue;
            }
            if ($switch !== null && $switch->isOwn) { // inside of its drive: no wire of it leads here
                $m = $this->of->roster->number('MOTION', $this->motionOf($id));
                $lines[] = new When('i == '.$this->of->roster->number('INPUT', $id), [new Gives("at_end[{$m}] == ".Asked::literal($switch->direction()))]);

                continue;
            }
            if ($sensor?->kind === 'message' && $sensor->over !== 'contact') {
                $lines[] = new When('i == '.$this->of->roster->number('INPUT', $id), $this->hears($sensor));

                continue;
            }
            $isOpen = $sensor === null || $sensor->isOpen();
            $pin = $this->pins->of($sensor === null ? "switches.{$id}" : "sensors.{$id}", $isOpen && ! ($sensor->pulled ?? false) ? 'pull' : 'in');
            $closed = $sensor->closed ?? $switch->closed ?? false;
            // A contact pulls its pin down; what is normally closed is on when the pin is up, and so is a broken wire.
            $reads = $isOpen ? ($closed ? "board_read({$pin})" : "!board_read({$pin})") : ($closed ? "!board_read({$pin})" : "board_read({$pin})");
            $lines[] = new When('i == '.$this->of->roster->number('INPUT', $id), $sensor?->kind === 'wheel'
                ? [new When("board_read({$pin}) != turned[i]", [new Set('turned[i]', '!turned[i]'), new Set('turned_ms[i]', 'now')]),
                    new Gives('since(turned_ms[i]) < 200')]
                : [new Gives($reads)]);
        }

        return $lines;
    }

    private function motionOf(string $switch): string
    {
        foreach ($this->of->build->motions as $id => $motion) {
            if ($motion->stops->switch($switch) !== null) {
                return (string) $id;
            }
        }
        throw new \LogicException("No motion has a switch {$switch}.");
    }

    /** @return list<Line> what was told last, unless that is too long ago */
    private function hears(Sensor $sensor): array
    {
        $silent = $sensor->fallsSilent_s();

        return [...($silent === null ? [] : [new When('since(heard_ms[i]) >= '.Roster::ms($silent), [new Gives($sensor->silent_is === 'on' ? 'true'
            : 'false')])]),
            new Gives('heard[i]')];
    }

    /** @return list<Line> */
    private function levels(): array
    {
        return array_map(function (string $id): When {
            $pin = $this->pins->of("sensors.{$id}", 'analogue');
            $is = 'l == '.$this->of->roster->number('LEVEL', $id);

            return $this->of->build->sensors[$id]->kind === 'sonar'
                ? new When($is, [new Gives('board_echo('.$this->pins->of("sensors.{$id}.trigger", 'out').", {$pin})")])
                : new When($is, [new Gives("scaled(board_analogue({$pin}), ".Roster::READING.', 1)')]);
        }, $this->of->roster->all('LEVEL'));
    }

    /** @return list<Line> */
    private function outputs(): array
    {
        $lines = [];
        foreach ($this->of->roster->all('OUTPUT') as $id) {
            $output = $this->of->build->outputs[$id];
            $o = $this->of->roster->number('OUTPUT', $id);
            $lines[] = new When("o == {$o}", match (true) {
                $output->isThrown() => [
                    new When('is_on', $this->writes("outputs.{$id}.1", 'true'), $this->writes("outputs.{$id}.2", 'true')),
                    new Set('coil_on[o]', 'true'), new Set('coil_since[o]', 'now'), new Set('coil_after[o]', 'coil_ms'),
                ],
                $output->kind === 'servo_valve' => [new When('is_on', [new Does('board_servo('.$this->pins->of("outputs.{$id}", 'servo').', 2000)')],
                    [new Does('board_servo('.$this->pins->of("outputs.{$id}", 'servo').', 1000)')])],
                $output->kind === 'display' => [new Does('board_show(o, is_on)')],
                default => $this->writes("outputs.{$id}", 'is_on'),
            });
        }

        return $lines;
    }

    /** @return list<Line> switches what hangs on a driver or on a pin */
    private function writes(string $signal, string $on): array
    {
        $board = $this->of->build->wiring->at($signal);
        if ($board === null || ! $board->board->kind->drives()) {
            return [new Does('board_write('.$this->pins->of($signal, 'out').", {$on})")];
        }

        return (new Channel($this->pins, $board, $this->of->build->wiring->bySignal[$signal]->pin))->switches($on);
    }

    /** @return list<Line> */
    private function begins(): array
    {
        $lines = [];
        foreach ($this->pins->used as $pin) {
            $lines[] = new Does(match ($pin->as) {
                'in' => "board_input({$pin->name}, false)",
                'pull' => "board_input({$pin->name}, true)",
                'count' => "board_input({$pin->name}, true)",
                'analogue' => "board_input({$pin->name}, false)",
                default => "board_output({$pin->name})",
            });
        }

        return $lines;
    }

    /** @return list<Line> */
    private function runs(): array
    {
        $coils = [];
        foreach ($this->of->roster->all('OUTPUT') as $id) {
            $o = $this->of->roster->number('OUTPUT', $id);
            if ($this->of->build->outputs[$id]->isThrown()) {
                $coils[] = new When("coil_on[{$o}] && (coil_after[{$o}] > 0) && (since(coil_since[{$o}]) >= coil_after[{$o}])", [
                    ...$this->writes("outputs.{$id}.1", 'false'), ...$this->writes("outputs.{$id}.2", 'false'), new Set("coil_on[{$o}]", 'false')]);
            }
        }

        return [
            new Set('now', 'at_ms'), new Set('passed_us', 'at_us - last_us'), new Set('last_us', 'at_us'),
            new When('passed_us > 100000', [new Set('passed_us', '100000')]),
            ...$coils, ...$this->all(fn (Driver $driver): array => $driver->runs()),
        ];
    }
}
