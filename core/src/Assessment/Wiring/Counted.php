<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment\Wiring;

use Brookstone\Core\Allotment\Load;
use Brookstone\Core\Allotment\Signal;
use Brookstone\Core\Wiring\Ability;
use Brookstone\Core\Wiring\BoardKind;

/** What needs a channel or a pin, in the words of a list. */
final class Counted
{
    public static function load(Load $load): string
    {
        return match (true) {
            $load->kinds === [BoardKind::Stepper] => 'stepper',
            $load->kinds === [BoardKind::Bridge] => 'two-way channel'.($load->speed ? ' with speed' : ''),
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
