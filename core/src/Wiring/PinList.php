<?php

declare(strict_types=1);

namespace Brookstone\Core\Wiring;

use Brookstone\Core\Error\Describe;
use Brookstone\Core\Quantity\NotUnderstood;

/**
 * The pins of a board in their order, as one line of text: `D2–D4: in out pull; A0, A1: in out analogue`. Each group is names, alone or from one number
 * to another, and what they can do.
 */
final class PinList
{
    public const MOST = 128;

    private const LONGEST_NAME = 8;

    /**
     * @return array<string, Pin> by name
     *
     * @throws NotUnderstood
     */
    public static function read(string $text): array
    {
        $pins = [];
        foreach (array_filter(array_map(trim(...), explode(';', $text)), fn (string $group): bool => $group !== '') as $group) {
            $parts = array_map(trim(...), explode(':', $group));
            if (count($parts) !== 2 || $parts[0] === '' || $parts[1] === '') {
                throw new NotUnderstood('“'.Describe::cut($group).'” must be names and what they can do, such as D2–D9: in out pull.');
            }
            $can = self::abilities($parts[1]);
            foreach (self::names($parts[0]) as $name) {
                if (isset($pins[$name])) {
                    throw new NotUnderstood("Pin {$name} stands there twice.");
                }
                $pins[$name] = new Pin($name, $can);
            }
        }
        if ($pins === []) {
            throw new NotUnderstood('A board without pins can do nothing: name them, such as D2–D9: in out pull.');
        }
        if (count($pins) > self::MOST) {
            throw new NotUnderstood('May have at most '.self::MOST.' pins, but has '.count($pins).'.');
        }

        return $pins;
    }

    /** @return list<Ability> */
    private static function abilities(string $text): array
    {
        $can = [];
        foreach (preg_split('/[\s,]+/', $text, -1, PREG_SPLIT_NO_EMPTY) ?: [] as $word) {
            $ability = Ability::tryFrom($word);
            if ($ability === null || $ability === Ability::Channel) {
                throw new NotUnderstood('“'.Describe::cut($word).'” is nothing that a pin can do. There are: '
                    .implode(', ', array_column(array_filter(Ability::cases(), fn (Ability $each): bool => $each !== Ability::Channel), 'value')).'.');
            }
            $can[] = $ability;
        }

        return $can;
    }

    /** @return list<string> */
    private static function names(string $text): array
    {
        $names = [];
        foreach (array_map(trim(...), explode(',', $text)) as $each) {
            if (preg_match('/^([A-Za-z]{0,4})(\d{1,3})\s*[–-]\s*\1(\d{1,3})$/u', $each, $range) === 1 && (int) $range[2] <= (int) $range[3]
                && (int) $range[3] - (int) $range[2] < self::MOST) {
                array_push($names, ...array_map(fn (int $i): string => $range[1].$i, range((int) $range[2], (int) $range[3])));
            } elseif (preg_match('/^[A-Za-z0-9+]{1,'.self::LONGEST_NAME.'}$/', $each) === 1) {
                $names[] = $each;
            } else {
                throw new NotUnderstood('“'.Describe::cut($each).'” is no name of a pin: letters and figures, at most '.self::LONGEST_NAME.'.');
            }
        }

        return $names;
    }
}
