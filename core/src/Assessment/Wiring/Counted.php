<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment\Wiring;

use Brookstone\Core\Allotment\Load;
use Brookstone\Core\Allotment\Needs;
use Brookstone\Core\Allotment\Signal;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Wiring\Ability;
use Brookstone\Core\Wiring\BoardKind;

/** What needs a channel or a pin, in the words of a list. */
final class Counted
{
    /**
     * @param  Needs|null  $less  what is there anyway
     * @return string|null “2 two-way motors with speed and 3 inputs”; null for nothing
     */
    public static function words(Needs $needs, ?Needs $less = null): ?string
    {
        $counts = self::counts($needs);
        foreach ($less === null ? [] : self::counts($less) as $word => $count) {
            $counts[$word] = ($counts[$word] ?? 0) - $count;
        }
        $counts = array_filter($counts, fn (int $count): bool => $count > 0);
        $parts = array_map(fn (string $word, int $count): string => "{$count} ".self::plural($word, $count), array_keys($counts), $counts);

        return $parts === [] ? null : Sentence::listed($parts);
    }

    /** @return array<string, int> by word */
    private static function counts(Needs $needs): array
    {
        return array_count_values([...array_map(self::load(...), array_values($needs->loads)), ...array_map(self::signal(...), array_values($needs->signals))]);
    }

    public static function load(Load $load): string
    {
        return match (true) {
            $load->kinds === [BoardKind::Stepper] => 'stepper',
            $load->kinds === [BoardKind::Bridge] => 'two-way channel'.($load->speed ? ' with speed' : ''),
            $load->motion !== null && ! in_array(BoardKind::Bridge, $load->kinds, true) => 'valve coil',
            $load->motion !== null => 'one-way motor'.($load->speed ? ' with speed' : ''),
            $load->kinds === [BoardKind::Relay] => 'relay contact',
            $load->isCoil => 'coil',
            default => 'switched load',
        };
    }

    public static function signal(Signal $signal): string
    {
        $last = $signal->needs[count($signal->needs) - 1];

        return match (true) {
            str_starts_with($signal->key, 'motions.') && $last === Ability::Pulse => 'pulse-driven motor',
            $last === Ability::In, $last === Ability::Pull => 'input',
            $last === Ability::Interrupt => 'quick input',
            $last === Ability::Wake => 'waking input',
            $last === Ability::Analogue => 'analogue input',
            $last === Ability::Pulse => 'pulse-width output',
            $last === Ability::Out => 'output',
            default => 'bus line',
        };
    }

    public static function plural(string $word, int $count): string
    {
        return $count === 1 ? $word : (str_contains($word, ' with ') ? str_replace(' with ', 's with ', $word) : "{$word}s");
    }
}
