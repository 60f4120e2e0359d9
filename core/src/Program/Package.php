<?php

declare(strict_types=1);

namespace Brookstone\Core\Program;

use Brookstone\Core\Build\Build;
use Brookstone\Core\Code\CPrinter;
use Brookstone\Core\Code\Note;
use Brookstone\Core\Code\PythonPrinter;
use Brookstone\Core\Finding\Sentence;

/** The program of a build as a folder of files: what is written from it, and what is the same for every build. */
final readonly class Package
{
    private const DRIVES = ['drive_begin', 'drive_run', 'drive_push', 'drive_send', 'drive_stop', 'drive_power', 'drive_found', 'drive_is_at',
        'drive_takes', 'drive_couples',
        'drive_still', 'drive_arrived', 'drive_moving', 'drive_feels', 'drive_position', 'drive_speed', 'drive_input', 'drive_level', 'drive_output', 'scaled'];

    private const TELLS = ['board_says', 'board_keep', 'board_kept', 'board_day'];

    private const BOARD = ['board_output', 'board_input', 'board_read', 'board_write', 'board_pulse', 'board_servo', 'board_step', 'board_analogue',
        'board_count',
        'board_echo', 'board_show', 'scaled'];

    /** @var array<Language::*, list<string>>|array<string, list<string>> files that are the same for every build, by language */
    public const FIXED = [
        'c' => ['c/routine.h', 'c/drives.h', 'c/tells.h', 'c/board.h', 'c/says.h', 'c/says.c', 'c/main.c'],
        'sketch' => ['c/routine.h', 'c/drives.h', 'c/tells.h', 'c/board.h', 'c/says.h', 'c/says.c', 'sketch/board.cpp', 'sketch/sketch.txt'],
        'python' => ['python/board.py', 'python/tells.py', 'python/main.py'],
    ];

    public function __construct(private Composition $of, private DriveProgram $drives)
    {
    }

    /** @throws CannotBeWritten */
    public static function of(Build $build): self
    {
        $composition = Composer::of($build, measured: true);

        return new self($composition, Drives::of($composition));
    }

    /** The routines alone. */
    public static function routine(Composition $of, Language $language): string
    {
        $program = $of->program->pruned();

        return $language === Language::Python ? (new PythonPrinter(['drives' => self::DRIVES, 'tells' => self::TELLS]))->text($program)
            : (new CPrinter(['"routine.h"', '"drives.h"', '"tells.h"']))->text($program);
    }

    /**
     * What the page shows besides the files.
     *
     * @return array<string, mixed> as ProgramSchema has it
     */
    public function report(): array
    {
        $roster = $this->of->roster;
        $listed = fn (string $kind): array => array_map(fn (int $i, string $id): array => ['number' => $i, 'id' => $id, 'says' => $this->named($kind, $id)],
            array_keys($roster->all($kind)), $roster->all($kind));

        return [
            'folder' => $this->name(), 'mark' => self::mark($this->of),
            'pins' => array_values(array_map(fn (PinUse $pin): array => ['board' => $pin->board->name, 'pin' => $pin->pin, 'says' => $pin->says,
                'as' => $pin->as],
                $this->drives->pins->used)),
            'motions' => array_map(fn (array $each): array => $each + $this->moved($each['id']), $listed('MOTION')),
            'inputs' => $listed('INPUT'), 'levels' => $listed('LEVEL'), 'outputs' => $listed('OUTPUT'), 'routines' => $listed('ROUTINE'),
            'guards' => array_map(fn (string $id): string => $this->of->build->rules[$id]->name, $this->of->guards),
        ];
    }

    /** @return array{kind: string, up: string, down: string} */
    private function moved(string $motion): array
    {
        $of = $this->of->build->motions[$motion];

        return ['kind' => $of->drive === null ? 'none' : ($of->positioning->isSent() ? 'sent' : 'switched'), 'up' => $of->way(1), 'down' => $of->way(-1)];
    }

    /** A name for its folder. */
    public function name(): string
    {
        $name = trim((string) preg_replace('/[^a-z0-9]+/', '_', strtolower($this->of->build->name)), '_');

        return $name === '' || is_numeric($name[0]) ? "machine_{$name}" : substr($name, 0, 40);
    }

    /** What tells this program from any other: it says so as it starts, and who reads its lines knows what its numbers mean. */
    public static function mark(Composition $of): int
    {
        return crc32(json_encode([$of->roster->steps, array_map($of->roster->all(...), ['ROUTINE', 'COUNT', 'MOTION'])], JSON_THROW_ON_ERROR)) & 0x7FFFFFFF;
    }

    /**
     * @param  array<string, string>  $fixed  texts of the files of FIXED, by name
     * @return array<string, string> texts by name
     */
    public function files(Language $language, array $fixed): array
    {
        $files = [];
        foreach (self::FIXED[$language->value] as $name) {
            $own = basename($name);
            $files[match (true) {
                $own === 'sketch.txt' => "{$this->name()}.ino",
                $language === Language::Sketch && str_ends_with($own, '.c') => substr($own, 0, -2).'.cpp',
                default => $own,
            }] = $fixed[$name];
        }
        $routine = self::routine($this->of, $language);
        $drives = $this->drives->program->pruned();
        $files += $language === Language::Python ? [
            'routine.py' => $routine, 'drives.py' => (new PythonPrinter(['board' => self::BOARD]))->text($drives), 'pins.py' => $this->pins(true),
            'made.py' => $this->made(true),
        ] : [
            ($language === Language::C ? 'routine.c' : 'routine.cpp') => $routine,
            ($language === Language::C ? 'drives.c' : 'drives.cpp') => (new CPrinter(['"drives.h"', '"board.h"']))->text($drives),
            'pins.h' => $this->pins(false), 'made.h' => $this->made(false),
        ];
        $files['README.txt'] = $this->readme($language);
        ksort($files);

        return $files;
    }

    private function made(bool $inPython): string
    {
        $roster = $this->of->roster;
        $numbers = ['PROGRAM' => self::mark($this->of), 'SCAN_EVERY_MS' => (int) round($this->of->build->settings->scan_s * 1000.0),
            'MOTION_COUNT' => count($roster->all('MOTION')), 'ROUTINE_COUNT' => count($roster->all('ROUTINE')), 'INPUT_COUNT' => count($roster->all('INPUT')),
            'LEVEL_COUNT' => count($roster->all('LEVEL')), 'OUTPUT_COUNT' => count($roster->all('OUTPUT'))];

        return self::numbers($inPython, 'made', 'How much of everything there is, and which program this is', $numbers);
    }

    /** @param  array<string, int>  $numbers */
    private static function numbers(bool $inPython, string $file, string $note, array $numbers): string
    {
        $lines = $inPython ? ["# {$note}"] : ["// {$note}", '#ifndef '.strtoupper($file).'_H', '#define '.strtoupper($file).'_H'];
        foreach ($numbers as $name => $number) {
            $lines[] = $inPython ? "{$name} = {$number}" : "#define {$name} {$number}";
        }

        return implode("\n", [...$lines, ...($inPython ? [] : ['#endif'])])."\n";
    }

    /** Where each pin is. */
    private function pins(bool $inPython): string
    {
        $expanders = [];
        foreach ($this->drives->pins->used as $pin) {
            if (! $pin->isOnController() && ! isset($expanders[$pin->board->id])) {
                $expanders[$pin->board->id] = count($expanders) + 1;
            }
        }
        $boards = $this->of->build->wiring->boards;
        $of = array_map(fn (PinUse $pin): array => [$expanders[$pin->board->id] ?? 0, $pin->figure(), $pin->says, $pin->board->name, $pin->pin],
            array_values($this->drives->pins->used));
        $addresses = array_map(fn (string $id): int => $boards[$id]->address ?? 0x20, array_keys($expanders));
        if ($inPython) {
            $lines = array_map(fn (array $pin): string => "    ({$pin[0]}, {$pin[1]}),  # ".Note::clean("{$pin[2]}: {$pin[3]} {$pin[4]}"), $of);

            return implode("\n", ['# Where each pin is: on the controller (0) or an expander, and its figure there', 'DAY_STARTS_MS = 0',
                'EXPANDERS = ['.implode(', ', $addresses).']',
                'PINS = [', ...$lines, ']'])."\n";
        }
        $row = fn (string $type, string $name, array $values, string $note): array => $values === [] ? []
            : ["static const {$type} {$name}[] = {".implode(', ', $values)."}; // {$note}"];

        return implode("\n", ['// Where each pin is', '#ifndef PINS_H', '#define PINS_H', '#include <stdint.h>', '#define DAY_STARTS_MS 0u',
            '#define PIN_COUNT '.max(1, count($of)),
            '#define EXPANDER_COUNT '.count($expanders), ...array_map(fn (int $i,
                array $pin): string => "// {$i} ".Note::clean("{$pin[2]}: {$pin[3]} {$pin[4]}"), array_keys($of), $of),
            ...$row('uint8_t', 'pin_figures', array_column($of, 1), 'on its own board'),
            ...($expanders === [] ? [] : $row('uint8_t', 'pin_boards', array_column($of, 0), '0 is the controller, others are expanders')),
            ...$row('uint8_t', 'expander_addresses', $addresses, 'on the bus'), '#endif'])."\n";
    }

    private function readme(Language $language): string
    {
        $roster = $this->of->roster;
        $build = $this->of->build;
        $lines = [Note::clean($build->name), '', 'What its controller does, written from its routines.', '', 'Put it on the board', ...match ($language) {
            Language::C => ['  Write the functions of board.h, and board_keep, board_kept and board_day of tells.h, for your board; compile all files together.'],
            Language::Sketch => ["  Open {$this->name()}.ino in the program that your board came with: the folder must be called {$this->name()}.",
                '  Its board file takes the figure of each pin as its number there.'],
            Language::Python => ['  Copy all files onto the board; main.py starts by itself.'],
        }, '', 'Pins'];
        foreach ($this->drives->pins->used as $pin) {
            $lines[] = '  '.Note::clean(str_pad("{$pin->board->name} {$pin->pin}", 26).$pin->says);
        }
        array_push($lines, '', 'Two things that a plain motor cannot tell are taken from the computed times: when a motor has come to rest, and when a servo has arrived.',
            '', 'What it says', '  A line of JSON for each thing that happens, at 115200 signs a second. Paste the lines into the log.', '',
            'By hand, over the same line',
            '  up 0, down 0, stop 0    a motion, at half its speed',
            '  go 0 12000              a servo or stepper, in thousandths of a degree or millionths of a metre',
            '  on 0, off 0             an output', '  start 0                 a routine',
            '  tell 0 1                a message: the number of its input, 1 on or 0 off',
            '  look                    what inputs, readings and motions say now', '');
        foreach (['MOTION' => 'Motions', 'OUTPUT' => 'Outputs', 'INPUT' => 'Inputs', 'LEVEL' => 'Readings', 'ROUTINE' => 'Routines',
            'COUNT' => 'Counters'] as $kind => $title) {
            $ids = $roster->all($kind);
            array_push($lines, ...($ids === [] ? [] : [$title, ...array_map(fn (int $i, string $id): string => sprintf('  %-3d %s', $i,
                Note::clean($this->named($kind, $id))),
                array_keys($ids), $ids), '']));
        }
        $lines[] = 'Steps';
        foreach ($roster->steps as $i => $step) {
            $says = $build->routines[$step->routine]->stepAt($step->path)?->says($build) ?? new Sentence('');
            $lines[] = sprintf('  %-3d %s', $i, Note::clean("{$build->routines[$step->routine]->name}: {$says->text()}"));
        }

        return implode("\n", $lines)."\n";
    }

    private function named(string $kind, string $id): string
    {
        $build = $this->of->build;

        return match ($kind) {
            'MOTION' => $build->motions[$id]->name,
            'OUTPUT' => $build->outputs[$id]->name,
            'ROUTINE' => $build->routines[$id]->name,
            'COUNT' => $build->counters[$id]->name,
            default => $build->sensors[$id]->name ?? $build->switch($id)->name ?? $id,
        };
    }
}
