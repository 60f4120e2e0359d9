<?php

declare(strict_types=1);

namespace Tests\Support;

use Brookstone\Core\Allotment\Allotter;
use Brookstone\Core\Allotment\Needs;
use Brookstone\Core\Assessment\Assessment;
use Brookstone\Core\Assessment\BuildJudge;
use Brookstone\Core\Assessment\Known;
use Brookstone\Core\Assessment\Remembered;
use Brookstone\Core\Assessment\Wiring\WiringContext;
use Brookstone\Core\Build\Build;
use Brookstone\Core\Build\Editor;
use Brookstone\Core\Drive\Drawer;
use Brookstone\Core\Drive\Drives;
use Brookstone\Core\Finding\Change;
use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Finding\Fix;
use Brookstone\Core\Rehearsal\Rehearsal;
use Brookstone\Core\Wiring\BoardStock;

/** Builds for tests: the demos, and a small sound one in which mistakes can be planted. */
final class Builds
{
    public static function demo(string $name): Build
    {
        return Build::fromJson((string) file_get_contents(__DIR__."/../../database/demo/{$name}.brookstone.json"));
    }

    /** @return array<string, mixed> */
    public static function motor(string $code): array
    {
        return Drives::write(Drawer::get($code));
    }

    /** A lid on a worm motor, a jaw on a servo and a lift on a gear motor, homed at power-on, run by a button: nothing to blame. */
    public static function sound(): Build
    {
        return Build::read([
            'format' => 'brookstone-build', 'version' => 1, 'name' => 'Sound',
            'supplies' => [['id' => 'main', 'name' => 'Main', 'volts_V' => 12, 'max_A' => 5], ['id' => 'servos', 'name' => 'Servo rail', 'volts_V' => 6,
                'max_A' => 4]],
            'motions' => [
                [
                    'id' => 'lid', 'name' => 'Lid',
                    'mechanism' => ['kind' => 'arm', 'mass_kg' => 0.3, 'cg_m' => 0.12, 'friction_Nm' => 0.02],
                    'places' => [['id' => 'shut', 'name' => 'Shut', 'at' => 0], ['id' => 'open', 'name' => 'Open', 'at' => 70]],
                    'task' => ['from' => 'shut', 'to' => 'open', 'move_s' => 2.5, 'holds_unpowered' => true],
                    'drive' => ['motor' => self::motor('W40-400'), 'supply' => 'main'],
                    'stops' => ['hard_low' => -5, 'hard_high' => 75, 'switches' => [
                        ['id' => 'lid-shut', 'name' => 'Lid shut switch', 'place' => 'shut', 'at' => 0, 'end' => 'low'],
                        ['id' => 'lid-open', 'name' => 'Lid open switch', 'place' => 'open', 'at' => 70, 'end' => 'high'],
                    ]],
                ],
                [
                    'id' => 'jaw', 'name' => 'Jaw',
                    'mechanism' => ['kind' => 'arm', 'mass_kg' => 0.062, 'cg_m' => 0.05],
                    'places' => [['id' => 'closed', 'name' => 'Closed', 'at' => 0], ['id' => 'wide', 'name' => 'Wide', 'at' => -40]],
                    'task' => ['from' => 'closed', 'to' => 'wide', 'move_s' => 0.3],
                    'drive' => ['motor' => self::motor('S20 nylon'), 'supply' => 'servos'],
                ],
                [
                    'id' => 'lift', 'name' => 'Lift',
                    'mechanism' => ['kind' => 'hoist', 'mass_kg' => 0.6, 'drum_radius_m' => 0.01],
                    'places' => [['id' => 'low', 'name' => 'Low', 'at' => 0], ['id' => 'high', 'name' => 'High', 'at' => 0.1]],
                    'task' => ['from' => 'low', 'to' => 'high', 'move_s' => 4],
                    'drive' => ['motor' => self::motor('G25-227'), 'supply' => 'main'],
                    'stops' => ['hard_low' => -0.01, 'hard_high' => 0.11, 'switches' => [
                        ['id' => 'lift-low', 'name' => 'Lift low switch', 'place' => 'low', 'at' => 0, 'end' => 'low'],
                        ['id' => 'lift-high', 'name' => 'Lift high switch', 'place' => 'high', 'at' => 0.1, 'end' => 'high'],
                    ]],
                ],
            ],
            'sensors' => [['id' => 'button', 'name' => 'Button', 'kind' => 'press'], ['id' => 'beam', 'name' => 'Beam', 'kind' => 'beam']],
            'outputs' => [['id' => 'lamp', 'name' => 'Lamp', 'kind' => 'lamp']],
            'routines' => [
                ['id' => 'wake', 'name' => 'Wake', 'starts' => [['when' => 'power_on']], 'steps' => [
                    ['do' => 'home', 'motion' => 'lid', 'switch' => 'lid-shut', 'give_up_s' => 5],
                    ['do' => 'home', 'motion' => 'lift', 'switch' => 'lift-low', 'give_up_s' => 9],
                ]],
                ['id' => 'show', 'name' => 'Show', 'alone' => true, 'starts' => [['when' => 'press', 'sensor' => 'button']], 'target_s' => 20, 'steps' => [
                    ['do' => 'go', 'motion' => 'lid', 'place' => 'open', 'give_up_s' => 4],
                    ['do' => 'run', 'motion' => 'lift', 'direction' => 'up', 'until' => ['sensor' => 'lift-high', 'is' => 'on'], 'give_up_s' => 6],
                    ['do' => 'stop', 'motion' => 'lift'],
                    ['do' => 'go', 'motion' => 'jaw', 'place' => 'wide', 'give_up_s' => 1],
                    ['do' => 'wait', 'for_s' => 0.5],
                    ['do' => 'go', 'motion' => 'jaw', 'place' => 'closed', 'give_up_s' => 1],
                    ['do' => 'go', 'motion' => 'lift', 'place' => 'low', 'give_up_s' => 6],
                    ['do' => 'go', 'motion' => 'lid', 'place' => 'shut', 'give_up_s' => 4],
                    ['do' => 'signal', 'output' => 'lamp', 'state' => 'on', 'for_s' => 1],
                ]],
            ],
            'scenarios' => [['id' => 'pressed', 'name' => 'The button is pressed', 'until_s' => 60, 'events' => [
                ['at_s' => 8, 'sensor' => 'button', 'is' => 'on'], ['at_s' => 8.2, 'sensor' => 'button', 'is' => 'off'],
            ]]],
            'log' => [
                ['id' => 'a', 'motion' => 'lid', 'from' => 'shut', 'to' => 'open', 'measured_s' => 0.98, 'on' => '2026-05-30'],
                ['id' => 'b', 'motion' => 'jaw', 'from' => 'closed', 'to' => 'wide', 'measured_s' => 0.11, 'on' => '2026-05-30'],
                ['id' => 'c', 'motion' => 'lift', 'from' => 'low', 'to' => 'high', 'measured_s' => 3.0, 'on' => '2026-05-30'],
            ],
        ]);
    }

    public static function example(string $name): Build
    {
        return Build::fromJson((string) file_get_contents(__DIR__."/../../database/examples/{$name}.brookstone.json"));
    }

    /** @return list<string> */
    public static function examples(): array
    {
        return array_map(fn (string $file): string => basename($file, '.brookstone.json'), glob(__DIR__.'/../../database/examples/*.brookstone.json') ?: []);
    }

    /** @param  array<string, mixed>  $values by path */
    public static function planted(array $values): Build
    {
        return self::changed(self::sound(), array_map(fn (string $path, mixed $value): Change => new Change($path, $value), array_keys($values), $values));
    }

    /**
     * What wires the sound build: to plant.
     *
     * @param  array<string, mixed>  $first  planted before it is wired
     * @return array<string, mixed> what is planted and what wires it, by path
     */
    public static function wired(array $first = []): array
    {
        static $known = []; // what is planted before is of few kinds
        $key = serialize($first);
        if (isset($known[$key])) {
            return $known[$key];
        }
        $build = self::planted($first);
        $planted = [];
        foreach (WiringContext::changes([], [], Allotter::of(Needs::of($build), $build->wiring, BoardStock::shipped())) as $change) {
            foreach ($change->value as $i => $each) {
                $planted["{$change->path}.{$i}"] = $each;
            }
        }

        return $known[$key] = $first + $planted + ['supplies.0.fuse_A' => 4.0, 'supplies.1.fuse_A' => 3.15];
    }

    public static function mended(Build $build, Fix $fix): Build
    {
        return self::changed($build, $fix->changes);
    }

    /** @return list<Finding> of a code, wherever it stands */
    public static function findings(Assessment $assessment, string $code): array
    {
        return array_values(array_filter($assessment->findings(), fn (Finding $finding): bool => $finding->code === $code));
    }

    /**
     * To plant: the lift goes by time, homed when the power comes on and then never again.
     *
     * @return array<string, mixed>
     */
    public static function byTime(): array
    {
        $go = fn (string $place): array => ['do' => 'go', 'motion' => 'lift', 'place' => $place, 'give_up_s' => 6];

        return [
            'motions.2.stops.switches' => [['id' => 'lift-low', 'name' => 'Lift low switch', 'place' => 'low', 'at' => 0.0, 'end' => 'low']],
            'motions.2.places.2' => ['id' => 'middle', 'name' => 'Middle', 'at' => 0.05], 'routines.1.steps' => [$go('high'), $go('middle')],
        ];
    }

    /**
     * To plant: the lift is run by the button, and beside it the lid by the beam, from a supply that gives so much.
     *
     * @return array<string, mixed>
     */
    public static function beside(float $gives_A): array
    {
        $go = fn (string $motion, string $place): array => ['do' => 'go', 'motion' => $motion, 'place' => $place, 'give_up_s' => 6];

        return ['supplies.0.max_A' => $gives_A, 'routines.1.steps' => [$go('lift', 'high'), $go('lift', 'low')], 'routines.2' => [
            'id' => 'wave', 'name' => 'Wave', 'alone' => true, 'starts' => [['when' => 'beam', 'sensor' => 'beam']],
            'steps' => [$go('lid', 'open'), $go('lid', 'shut')],
        ]];
    }

    /**
     * What is said of a code, with all that is proposed: what the first look says stays said, all else with everything rehearsed.
     *
     * @return list<Finding>
     */
    public static function found(Build $build, string $code): array
    {
        $atOnce = self::findings(BuildJudge::proposed($build, known: self::known()), $code);

        return $atOnce !== [] ? $atOnce : self::findings(self::assessed($build), $code);
    }

    /** The judgement of a build with all that its rules propose; the same build is rehearsed once in a process. */
    public static function assessed(Build $build): Assessment
    {
        static $rehearsed = [];
        $key = hash('xxh128', $build->toJson());

        $rehearsed = [$key => $rehearsed[$key] ?? Rehearsal::of($build)] + array_slice($rehearsed, 0, 30, true);

        return BuildJudge::proposed($build, null, $rehearsed[$key], self::known());
    }

    /**
     * What is still said of a code once a build is mended: what the first look says is looked for at once, all else with everything rehearsed.
     *
     * @return list<Finding>
     */
    public static function stillSaid(Build $build, Fix $fix, string $code): array
    {
        $mended = self::mended($build, $fix);

        return self::findings(self::findings(BuildJudge::atOnce($build), $code) === [] ? self::assessed($mended) : BuildJudge::atOnce($mended), $code);
    }

    /** What two builds have in common is judged once. */
    private static function known(): Known
    {
        static $known = null;

        return $known ??= new Remembered;
    }

    /** @param  list<Change>  $changes */
    private static function changed(Build $build, array $changes): Build
    {
        return Editor::apply($build, array_map(fn (Change $change): array => ['path' => $change->path, 'value' => $change->value], $changes));
    }
}
