<?php

declare(strict_types=1);

namespace Brookstone\Core\Dynamics;

use Brookstone\Core\Drive\TorqueLine;

/**
 * A servo corrects again and again: it pushes with all it has while it is far from its command, in proportion within its band, and not at all within
 * its dead band, where what its gears rub with holds it.
 *
 * Assumed, not measured: that the band is 2° of its shaft beyond the dead band, whatever the servo. The dead band is that of its data.
 */
final class ServoShaft
{
    public const BAND_RAD = 0.035;           // of the servo's shaft: within 2° it pushes in proportion to what is missing

    private const FAR_RAD = 0.14;            // of the servo's shaft: from 8° on it pushes with all it has, whatever is missing

    private const RESTS_RAD_S = 1e-6;

    private const STEP_S = 0.0025;           // it corrects at least this often

    public float $current_A = 0.0;           // at the end of the last step

    public function __construct(private readonly Plant $plant, private readonly TorqueLine $line, private readonly float $dead_rad = 0.0 /* to either side */)
    {
    }

    /** @return float the seconds used, of those given */
    public function step(PlantState $state, CommandRamp $ramp, float $seconds, ?Ledger $ledger): float
    {
        $ratio = $this->plant->ratio;
        $isThere = $ramp->isThere();
        $missing = ($ramp->at() - $state->angle) * $ratio;
        $most = $isThere && abs($missing) > self::FAR_RAD
            ? (abs($missing) - self::BAND_RAD) / max(self::RESTS_RAD_S, $this->line->noLoad_rad_s(), abs($state->speed) * $ratio)
            : self::STEP_S;
        $seconds = $seconds < $most ? $seconds : $most;
        if (! $isThere) {
            $ramp->advance($seconds);
            $missing = ($ramp->at() - $state->angle) * $ratio;
        }
        $wrong = abs($missing) - $this->dead_rad;
        $wrong = $wrong > 0.0 ? $wrong : 0.0;
        $line = $wrong >= self::BAND_RAD ? $this->line : $this->line->scaled($wrong / self::BAND_RAD);
        $used = $this->plant->stepInto($ledger, $state, $line, $missing >= 0.0 ? 1 : -1, true, $seconds, $wrong <= 0.0);
        $this->current_A = $this->line->idle_A + $this->line->A_per_Nm * min(abs($state->motor_Nm), $this->line->stall_Nm);

        return $used;
    }
}
