<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment\Wiring;

use Brookstone\Core\Build\Build;
use Brookstone\Core\Parts\Supply;

/** The cautions that the supplies of a build and who is near it call for, in plain words; each ends with who decides. */
final class WiringCautions
{
    /** @return list<array{code: string, says: string}> */
    public static function of(Build $build): array
    {
        $any = fn (\Closure $is): bool => array_filter($build->supplies, $is) !== [];
        $says = array_filter([
            'mains' => $any(fn (Supply $supply): bool => $supply->from === null && $supply->capacity_Ah === null)
                ? 'A supply on the mains: only a closed, listed one, its mains side wired by a licensed electrician, and every piece of metal earthed. Local rules decide.' : null,
            'gas' => $any(fn (Supply $supply): bool => $supply->charger_A !== null && ($supply->boxed || $supply->cells === 'lead'))
                ? 'A battery that is charged in a box makes hydrogen, and a motor makes sparks: vent it. Local rules decide.' : null,
            'lithium' => $any(fn (Supply $supply): bool => $supply->cells === 'lithium')
                ? 'Lithium cells: keep their charge limits, fuse them, cut them off, and never leave them alone without that. Local rules decide.' : null,
            'regulator' => $any(fn (Supply $supply): bool => $supply->from !== null && $supply->converter === 'linear')
                ? 'A linear regulator gets hot enough to burn: give it air, and a fuse before it. Local rules decide.' : null,
            'tank' => $build->tanks !== []
                ? 'A tank under pressure: only a tested one with a safety valve, no glued or printed ones; let the air out before you open anything. Local rules decide.' : null,
            'stop' => $build->around->public
                ? 'Strangers and children: a stop button that cuts the power of the motors and not only of the controller. For public display a licensed trade decides.' : null,
            'animals' => $build->around->animals
                ? 'It feeds or shelters animals: a second source of power, and an alarm when a run is missed. Local rules decide.' : null,
            'tools' => $build->wiring->boards === [] ? null : 'Soldering: fresh air, eyes and hands. Work without power.',
        ]);

        return array_map(fn (string $code, string $text): array => ['code' => $code, 'says' => $text], array_keys($says), $says);
    }
}
