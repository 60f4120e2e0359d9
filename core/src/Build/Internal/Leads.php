<?php

declare(strict_types=1);

namespace Brookstone\Core\Build\Internal;

use Brookstone\Core\Drive\Stepper;
use Brookstone\Core\Parts\DriveChoice;
use Brookstone\Core\Wiring\Wire;
use Brookstone\Core\Wiring\WireSize;
use Brookstone\Core\Wiring\WiringPlan;

/**
 * What lies between a supply and a motor, where it is wired: the channel of its driver, and the wires there and back.
 *
 * @internal
 */
final class Leads
{
    /**
     * @param  string  $motion  that has the motor
     * @param  float|null  $fuse_A  of the source that feeds it
     */
    public static function to(DriveChoice $drive, WiringPlan $wiring, string $motion, ?float $fuse_A): DriveChoice
    {
        $join = $wiring->bySignal["motions.{$motion}"] ?? null;
        $board = $wiring->at("motions.{$motion}")?->board;
        if ($join === null || $board === null || $drive->motor instanceof Stepper) { // a stepper driver holds its current whatever is lost
            return $drive;
        }
        $drives = $board->kind->drives();
        $volts = $drive->supply->volts_V;
        $length = $wiring->length_m($join);
        $area = $join->area_mm2 ?? WireSize::serving($drive->line()->stall_A, $length, $volts, $fuse_A);

        return $drive->but(['late_s' => $drives ? $board->delay_s : 0.0, 'lost_V' => $drives ? $board->lost_V : 0.0,
            'lead_ohm' => ($drives ? $board->lost_ohm : 0.0) + (new Wire($length, $area, 0.0, $volts))->resistance_ohm]);
    }
}
