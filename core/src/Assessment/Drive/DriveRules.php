<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment\Drive;

use Brookstone\Core\Assessment\Subject\DriveFigures;
use Brookstone\Core\Drive\Stepper;
use Brookstone\Core\Drive\SupplyFit;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Load\Profile;
use Brookstone\Core\Parts\Settings;
use Brookstone\Core\Quantity\Constants;

/** The limits of drives. The judge puts what they find into sentences, the choice sorts by it; nothing else decides. */
final class DriveRules
{
    public const SUPPLY_TIGHT = 0.8;   // of what the supply gives

    private const KNOCK_NOTE = 2.0;    // times what the gears survive: worth knowing even where nothing bumps into it

    private const RESONATES = 0.25;     // of the rate at which it swings by itself, to either side

    private const SMOOTH = 8;          // microsteps: from here on it is hardly pushed at that rate

    private const CLUTCH_TIGHT = 1.2;  // a clutch nearer to the work than this slips when it is cold or greasy

    /** @return list<LimitViolation> */
    public static function strains(DriveFigures $f, Settings $settings): array
    {
        return [...self::ofSupply($f), ...self::atWorst($f, $settings), ...self::forLong($f, $settings), ...self::unpowered($f, $settings)];
    }

    /**
     * What its supply gives.
     *
     * @return list<LimitViolation>
     */
    private static function ofSupply(DriveFigures $f): array
    {
        $strains = [];
        $over = 1 + Constants::TIE;
        if ($f->fit === SupplyFit::Low) {
            $strains[] = new LimitViolation('drive.supply_low', $f->positional || $f->counts ? Severity::Fails : Severity::Tight, INF);
        } elseif ($f->fit !== SupplyFit::Fits) {
            $strains[] = new LimitViolation('drive.supply_high', $f->fit === SupplyFit::FarTooHigh ? Severity::Fails : Severity::Tight, INF);
        }
        $start = $f->on->starts_A * ($f->drive->ramp_s > 0.0 ? min(1.0, $f->peak_Nm / max($f->stall_Nm, 1e-12)) : 1.0);
        if ($start > self::SUPPLY_TIGHT * $f->drive->supply->max_A) {
            $strains[] = new LimitViolation('drive.supply_current', $start > $f->drive->supply->max_A * $over ? Severity::Fails : Severity::Tight,
                $start / $f->drive->supply->max_A);
        }

        return $strains;
    }

    /**
     * At the worst instant of the move.
     *
     * @return list<LimitViolation>
     */
    private static function atWorst(DriveFigures $f, Settings $settings): array
    {
        $strains = [];
        $over = 1 + Constants::TIE;
        if ($f->margin < $settings->peak_margin * (1 - Constants::TIE)) {
            $strains[] = new LimitViolation('drive.peak_margin', $f->margin < 1.0 - Constants::TIE ? Severity::Fails : Severity::Tight,
                1 / max($f->margin, 1e-12));
        }
        if ($f->through_motor_Nm > $f->gear_limit_motor_Nm * $over) {
            $strains[] = new LimitViolation('drive.gearbox_limit', Severity::Fails, $f->through_motor_Nm / $f->gear_limit_motor_Nm);
        } elseif ($f->task->knocked && ! $f->survivesABump()) {
            $strains[] = new LimitViolation('drive.knock', Severity::Fails, $f->knock_motor_Nm / $f->gear_limit_motor_Nm);
        } elseif ($f->drive->clutch_Nm === null && $f->on->most_Nm > $f->gear_limit_motor_Nm * $over) {
            $strains[] = new LimitViolation('drive.jam_breaks_gears', Severity::Note, $f->on->most_Nm / $f->gear_limit_motor_Nm);
        } elseif ($f->knock_motor_Nm > self::KNOCK_NOTE * $f->gear_limit_motor_Nm) {
            $strains[] = new LimitViolation('drive.knock', Severity::Note, $f->knock_motor_Nm / $f->gear_limit_motor_Nm);
        }
        if ($f->drive->clutch_Nm !== null && $f->drive->clutch_Nm < self::CLUTCH_TIGHT * $f->peak_Nm * (1 - Constants::TIE)) {
            $strains[] = new LimitViolation('drive.clutch_slips', $f->drive->clutch_Nm < $f->peak_Nm ? Severity::Fails : Severity::Tight,
                $f->peak_Nm / $f->drive->clutch_Nm);
        }
        if ($f->counts) {
            array_push($strains, ...self::steps($f));
        }
        if ($f->turn_deg > $f->travel_deg * $over || ($f->task->keeps_turning && is_finite($f->travel_deg))) {
            $strains[] = new LimitViolation('drive.servo_travel', Severity::Fails, $f->turn_deg / $f->travel_deg);
        }

        return $strains;
    }

    /**
     * For long. A drive that stalls has a worse finding already; a servo is judged by what it holds.
     *
     * @return list<LimitViolation>
     */
    private static function forLong(DriveFigures $f, Settings $settings): array
    {
        $strains = [];
        $over = 1 + Constants::TIE;
        $bears = $f->bears_motor_Nm($f->positional ? $settings->servo_continuous_share : $settings->motor_continuous_share);
        if (! $f->positional && ! $f->counts && $f->margin >= 1.0 && $f->rms_motor_Nm > $bears * $over) {
            $strains[] = new LimitViolation('drive.continuous', Severity::Fails, $f->rms_motor_Nm / max($bears, 1e-12));
        }
        if ($f->positional && ! $f->drive->gated && $f->hold_motor_Nm > $bears * $over) {
            $strains[] = new LimitViolation('drive.holding', Severity::Fails, $f->hold_motor_Nm / max($bears, 1e-12));
        }
        $settles = $f->thermal->settles_C($f->hold_heat_W, $settings->ambient_C);
        if ($settles > $f->thermal->limit_C()) {
            $strains[] = new LimitViolation('drive.hot_holding', Severity::Fails, $settles / $f->thermal->limit_C());
        } elseif ($f->margin >= 1.0) {
            $settles = $f->thermal->settles_C($f->cycle_heat_W, $settings->ambient_C);
            if ($settles > $f->thermal->limit_C()) {
                $strains[] = new LimitViolation('drive.hot_cycle', Severity::Fails, $settles / $f->thermal->limit_C());
            }
        }

        return $strains;
    }

    /**
     * With the power off.
     *
     * @return list<LimitViolation>
     */
    private static function unpowered(DriveFigures $f, Settings $settings): array
    {
        $strains = [];
        $over = 1 + Constants::TIE;
        if ($f->task->holds_unpowered || $f->drive->gated) {
            if ($f->hold_Nm * $settings->hold_margin > $f->holds_unpowered_Nm * $over) {
                $strains[] = new LimitViolation($f->task->holds_unpowered ? 'drive.lets_go' : 'drive.gate_lets_go',
                    $f->hold_Nm > $f->holds_unpowered_Nm * (1 - Constants::TIE) ? Severity::Fails : Severity::Tight,
                    $f->hold_Nm / max($f->holds_unpowered_Nm, 1e-12));
            }
        }

        return $strains;
    }

    /**
     * What keeps turning is started by its ramp, or without one; and at some speeds a stepper shakes itself out of step.
     *
     * @return list<LimitViolation>
     */
    private static function steps(DriveFigures $f): array
    {
        $motor = $f->drive->motor;
        if (! $motor instanceof Stepper || $f->margin < 1.0) {
            return [];
        }
        $strains = [];
        $speed = $f->fastest_rad_s * $f->ratio;
        if ($f->task->profile === Profile::Steady) {
            $share = $f->drive->ramp_s > 0.0
                ? $f->startsWith_Nm($f->drive->ramp_s) / max(1e-12, $motor->available_Nm($f->on->volts_V, $speed))
                : $speed / max(1e-12, $motor->startsUpTo_rad_s($f->on->volts_V, $f->through_motor_Nm, $f->atMotor_kgm2()));
            if ($share > 1 + Constants::TIE) {
                $strains[] = new LimitViolation('drive.step_start', Severity::Fails, $share);
            }
        }
        $share = $motor->stepRate_hz($speed) / $motor->swings_hz($f->atMotor_kgm2());
        if (abs($share - 1) <= self::RESONATES) {
            $strains[] = new LimitViolation('drive.resonates', $motor->microsteps < self::SMOOTH ? Severity::Tight : Severity::Note, $share);
        }

        return $strains;
    }

    /**
     * Whether it is quick enough.
     *
     * @param  float|null  $there_s  null where it never gets there
     */
    public static function time(?float $there_s, ?float $back_s, float $target_s, Settings $settings): ?LimitViolation
    {
        if ($there_s === null || $back_s === null) {
            return new LimitViolation('drive.over_target', Severity::Fails, INF);
        }

        return match (true) {
            $there_s > $target_s * (1 + Constants::TIE) => new LimitViolation('drive.over_target', Severity::Fails, $there_s / $target_s),
            $there_s > $target_s * (1 - $settings->over_time_share) => new LimitViolation('drive.over_target', Severity::Tight, $there_s / $target_s),
            default => null,
        };
    }
}
