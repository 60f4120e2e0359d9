<?php

declare(strict_types=1);

namespace Brookstone\Core\Mend;

use Brookstone\Core\Build\Build;
use Brookstone\Core\Finding\Change;
use Brookstone\Core\Finding\Fix;

/**
 * How much of a machine a mend changes, the least first: a setting before a place, that before a step, a part, a principle; and what only asks for
 * less, last.
 */
enum Scale: int
{
    case Setting = 0;
    case Place = 1;
    case Step = 2;
    case Part = 3;
    case Principle = 4;
    case AsksLess = 5;

    /** By the end of the path in the document; the first that fits. */
    private const PATHS = [
        '/^motions\.\d+\.task\.|\.target_s$|mass_guessed$|mechanism\.mass_kg$/' => self::AsksLess,
        '/\.drive\.(shares|selector|one_way)$|\.mechanism\.type$|\.train\.\d+\.type$/' => self::Principle,
        '/\.drive\.(duty|ramp_s|gated|supply)$|\.microsteps$|^settings\.|\.(give_up_s|speed|value|lower|hysteresis|long_s|double_s|how|every_s|direction|by|to)$|\.tension_N$|^wiring\.sleeps$|\.address$/' => self::Setting,
        '/\.switches\.\d+\.(at|end|opens)$|\.hard_(low|high)$|^sensors\.\d+\.|\.places\.|\.layout|\.plane$|_mm$|\.starts|^wiring\.wires/' => self::Place,
        '/^routines\./' => self::Step,
    ];

    public static function of(Build $build, Fix $fix): self
    {
        return self::from(max(array_map(fn (Change $change): int => self::ofChange($build, $change)->value, $fix->changes)));
    }

    private static function ofChange(Build $build, Change $change): self
    {
        if (self::isOtherKind($build, $change)) {
            return self::Principle;
        }
        foreach (self::PATHS as $pattern => $scale) {
            if (preg_match($pattern, $change->path) === 1) {
                return $scale;
            }
        }

        return self::Part;
    }

    /** A drive of another kind than the one that is there. */
    private static function isOtherKind(Build $build, Change $change): bool
    {
        return preg_match('/^motions\.(\d+)\.drive\.motor$/', $change->path, $at) === 1
            && ($change->value['kind'] ?? null) !== (array_values($build->motions)[(int) $at[1]] ?? null)?->drive?->motor->kind();
    }

    /** @param  list<Change>  $changes */
    public static function takesDrive(array $changes): bool
    {
        return array_filter($changes, fn (Change $change): bool => preg_match('/\.drive(\.motor)?$/', $change->path) === 1) !== [];
    }
}
