<?php

declare(strict_types=1);

namespace Brookstone\Core\Dynamics;

/** What hangs on a cord is put down, and the cord goes slack; or it is taken up again with a jerk. */
final class SlackCord
{
    private const TAUT_RAD = 1e-6;

    /**
     * Passes between the two, from one angle of the shaft to that of the state, whose speed it changes.
     *
     * @return float|null J with which it lands; null where it does not
     */
    public static function passes(Plant $plant, PlantState $state, float $was, ?Ledger $ledger): ?float
    {
        $edge = $plant->slackBelow;
        if ($edge === INF || ($was > $edge) === ($state->angle > $edge)) {
            return null;
        }
        $taut = $plant->ownAt($edge + self::TAUT_RAD);
        if ($state->angle <= $edge) {
            $energy = 0.5 * $taut * $state->speed ** 2;
            $ledger?->lost($energy);

            return $energy;
        }
        $rotor = $plant->rotor_kgm2(); // it comes along as in a blow that does not rebound: J_r·ω = (J_r + J_l)·ω′
        $ledger?->lost(0.5 * $rotor * $state->speed ** 2 * $taut / ($rotor + $taut));
        $state->speed *= $rotor / ($rotor + $taut);

        return null;
    }
}
