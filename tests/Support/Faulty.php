<?php

declare(strict_types=1);

namespace Tests\Support;

use Brookstone\Core\Build\Build;
use Brookstone\Core\Error\InvalidInput;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** Builds with mistakes in them, by a number: the same number gives the same build. */
final class Faulty
{
    /** Of the sound build: what may be changed, and to what. */
    private const MISTAKES = [
        'motions.0.mechanism.mass_kg' => [0.6, 1.2, 2.5],
        'motions.2.mechanism.mass_kg' => [1.5, 4.0, 9.0],
        'motions.0.task.move_s' => [0.2, 0.5],
        'motions.2.task.move_s' => [0.5, 1.5],
        'motions.0.stops.hard_high' => [91, 95],
        'motions.2.stops.hard_high' => [0.1005, 0.102],
        'motions.0.stops.switches.1.at' => [70, 86],
        'motions.2.drive.duty' => [0.4, 0.7],
        'supplies.0.max_A' => [0.8, 1.5],
        'settings.peak_margin' => [3.0],
        'routines.0.steps.0.give_up_s' => [0.3, 60],
        'routines.1.steps.0.give_up_s' => [0.4, 30],
        'routines.1.steps.6.give_up_s' => [1.0],
        'routines.1.target_s' => [3, 6],
        'routines.1.alone' => [false],
        'routines.1.starts' => [[['when' => 'every', 'every_s' => 4]], []],
        'routines.1.steps.2' => [['do' => 'wait', 'for_s' => 3]],
        'routines.1.steps.1' => [
            ['do' => 'run', 'motion' => 'lift', 'direction' => 'down', 'until' => ['sensor' => 'lift-high', 'is' => 'on'], 'give_up_s' => 6],
            ['do' => 'run', 'motion' => 'lift', 'direction' => 'up', 'for_s' => 1.5],
        ],
        'routines.0.steps' => [[], [['do' => 'home', 'motion' => 'lid', 'switch' => 'lid-shut', 'give_up_s' => 5]]],
        'routines.1.steps.3' => [['do' => 'together', 'until' => 'all',
            'branches' => [[['do' => 'go', 'motion' => 'jaw', 'place' => 'wide', 'give_up_s' => 1]],
                [['do' => 'go', 'motion' => 'lid', 'place' => 'shut', 'give_up_s' => 4]]]]],
    ];

    private const MOST_MISTAKES = 3;

    public static function build(int $number): Build
    {
        $random = new Randomizer(new Mt19937($number));
        while (true) {
            $paths = $random->pickArrayKeys(self::MISTAKES, $random->getInt(1, self::MOST_MISTAKES));
            $planted = [];
            foreach ($paths as $path) {
                $planted[$path] = self::MISTAKES[$path][$random->getInt(0, count(self::MISTAKES[$path]) - 1)];
            }
            try {
                return Builds::planted($planted + ['scenarios' => []]);
            } catch (InvalidInput) {
                continue; // two mistakes that cannot be made together
            }
        }
    }
}
