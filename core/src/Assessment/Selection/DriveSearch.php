<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment\Selection;

use Brookstone\Core\Assessment\Drive\DriveRules;
use Brookstone\Core\Assessment\Subject\ChosenDrive;
use Brookstone\Core\Assessment\Subject\DriveFigures;
use Brookstone\Core\Assessment\Subject\MotionFigures;
use Brookstone\Core\Assessment\Subject\MoveTable;
use Brookstone\Core\Build\Build;
use Brookstone\Core\Drive\Drive;
use Brookstone\Core\Drive\Stepper;
use Brookstone\Core\Drive\Stock;
use Brookstone\Core\Drive\SupplyFit;
use Brookstone\Core\Dynamics\QuickRun;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Parts\DriveChoice;
use Brookstone\Core\Parts\Motion;
use Brookstone\Core\Parts\Supply;
use Brookstone\Core\Train\Ratios;
use Brookstone\Core\Train\Train;

/**
 * Every drive of a drawer with every ratio, for one motion: each is judged by the same rules as the drive that is chosen,
 * put in the order of a goal, and given the reason for its place. What fails comes after what carries, the one that
 * misses by least first. The list is the whole list: nothing is left out because it looks unlikely.
 */
final class DriveSearch
{
    private readonly MoveTable $table;

    private readonly QuickRun $there;

    private readonly QuickRun $back;

    private readonly float $patience_s;

    private readonly float $ramped_s;

    private readonly float $ramped_rad_s;

    private readonly float $reach_rad;

    /** @var array<int, array{Train, float, float, float}> behind an extra ratio stands the train that the motion has */
    private array $trains = [];

    public function __construct(private readonly Build $build, private readonly Motion $motion, private readonly Stock $stock)
    {
        $this->table = new MoveTable($motion);
        $this->patience_s = $motion->patience_s();
        $this->ramped_s = $motion->ramp()->time_s($motion->turn_rad());
        $this->reach_rad = $motion->reach_rad();
        $this->ramped_rad_s = $motion->ramp()->speed;
        $this->there = new QuickRun($motion->moved(true), $motion->move());
        $this->back = new QuickRun($motion->moved(false), $motion->move()->back());
    }

    /**
     * @param  list<Train>|null  $ratios  extra stages right behind the drive; the usual sixty when null
     * @param  \Closure(Drive): bool|null  $only  which drives are tried
     * @param  Supply|null  $from  what feeds them; that of the motion, or one that fits, when null
     * @return list<RatedDrive> in order
     */
    public function ranked(Goal $goal, ?array $ratios = null, ?\Closure $only = null, ?Supply $from = null): array
    {
        $ratios ??= Ratios::all();
        $candidates = [];
        foreach ($this->lightestFirst() as $drive) {
            $supply = $from ?? $this->motion->drive->supply ?? $this->fitting($drive);
            if ($supply === null || ($only !== null && ! $only($drive)) || ! $this->build->canFeed($drive)) {
                continue;
            }
            $on = new ChosenDrive($this->motion->drive?->with($drive, $supply, 1.0)
                ?? new DriveChoice($drive, $supply, 1.0, air: array_values($this->build->tanks)[0] ?? null));
            foreach ($ratios as $ratio) {
                $candidates[] = $this->candidate($on, $ratio, $goal);
            }
        }

        return RatedDrive::sorted($candidates);
    }

    /** @return list<Drive> */
    private function lightestFirst(): array
    {
        $drives = array_values($this->stock->drives());
        usort($drives, fn (Drive $a, Drive $b): int => [$a->body()->mass_kg, $a->body()->code] <=> [$b->body()->mass_kg, $b->body()->code]);

        return $drives;
    }

    private function candidate(ChosenDrive $on, Train $extra, Goal $goal): RatedDrive
    {
        [$train, $ratio, $efficiency, $back] = $this->trains[spl_object_id($extra)] ??= $this->behind($extra);
        $motor = $on->choice->motor;
        $rotor = $on->rotor_kgm2 * $ratio * $ratio;
        $felt = $rotor * $efficiency; // it speeds up before the train
        $peak = $this->table->peak_Nm($felt);
        $figures = new DriveFigures(
            $on, $this->motion->task, $ratio, $efficiency,
            $motor instanceof Stepper ? min(1e6, $this->table->stepperMargin($motor, $on->volts_V, $ratio, $efficiency, $on->locks ? 0.0 : $back,
                $rotor)) * $peak : $on->most_Nm * $ratio * $efficiency,
            $peak, $this->table->rms_Nm($felt), $this->table->hold_Nm, $back > 0.0 ? $ratio * $on->back_drive_Nm / $back : INF,
            $this->table->turn_rad, $this->table->inertia_kgm2 + $rotor, $this->fastestAtMost($on, $ratio, $efficiency, $back, $felt), $this->table->grip_Nm,
            $this->reach_rad,
        );
        $strains = DriveRules::strains($figures, $this->build->settings);
        $time = null;
        $fails = $knocks = false;
        foreach ($strains as $strain) {
            $fails = $fails || $strain->severity === Severity::Fails;
            $knocks = $knocks || $strain->code === 'drive.knock';
        }
        if (! $fails || ($knocks && count($strains) === 1)) {
            // How fast it really gets is of interest only where what it cannot get faster than would be knocked too hard.
            $isKnocked = $knocks || ($goal === Goal::Safest && $figures->gear_limit_motor_Nm < $figures->margin * $figures->knock_motor_Nm);
            [$time, $fastest] = $this->run($on, $train, $figures, $back, $isKnocked);
            if ($fastest < $figures->fastest_rad_s) {
                $figures = $figures->atMost($fastest);
                $strains = DriveRules::strains($figures, $this->build->settings);
            }
            $late = $on->counts ? null : DriveRules::time($time, $time, $this->motion->task->move_s, $this->build->settings);
            if ($late !== null) {
                $strains[] = $late;
            }
        }

        return new RatedDrive($on, $extra, $train, $figures, $strains, $time, $goal);
    }

    /**
     * What it cannot get faster than within the travel, rad/s: all the work that motor and load could do goes into speed; and no faster than the load
     * turns the motor against its braking.
     */
    private function fastestAtMost(ChosenDrive $on, float $ratio, float $efficiency, float $back, float $felt): float
    {
        if ($on->counts) {
            return $this->ramped_rad_s;
        }
        $work = ($on->most_Nm * $ratio * $efficiency + $this->table->static_Nm) * $this->table->turn_rad;
        $driven = $on->line->drivenFall_Nms > 0.0 ? $this->table->static_Nm * $back / $ratio / $on->line->drivenFall_Nms : 0.0;

        return min(sqrt(2 * $work / max(1e-12, $this->table->least_kgm2 + $felt)), ($on->noLoad_rad_s + $driven) / $ratio);
    }

    /** @return array{Train, float, float, float} the train with its ratio, efficiency and back efficiency */
    private function behind(Train $extra): array
    {
        $train = new Train([...$extra->stages, ...$this->motion->train->stages]);

        return [$train, $train->ratio(), $train->efficiency(), $train->backEfficiency()];
    }

    /** @return array{?float, float} the time of the move run forward, s, null where it does not arrive; and its fastest, there or back, rad/s, where that is of interest */
    private function run(ChosenDrive $on, Train $train, DriveFigures $figures, float $back, bool $isKnocked): array
    {
        if ($on->counts) {
            return [$this->ramped_s, $this->ramped_rad_s]; // it takes the time it is told
        }
        if (! $isKnocked && $this->table->turn_rad >= $this->patience_s * $figures->fastest_rad_s) {
            return [null, INF]; // not at its very fastest
        }
        if (! $on->positional && $this->there->appliesTo($on->line, $on->choice->ramp_s)) {
            $rotor = $on->rotor_kgm2 * $figures->ratio ** 2;
            $locks = $on->locks ? 0.0 : $back;
            $there = $this->there->run($on->line, $figures->ratio, $figures->efficiency, $rotor, $locks, $isKnocked ? INF : $this->patience_s);
            $comes = $there === null || ! $isKnocked ? $there : $this->back->run($on->line, $figures->ratio, $figures->efficiency, $rotor, $locks);
            if ($comes !== null) {
                return [$there[0] !== null && $there[0] < $this->patience_s ? $there[0] : null, $isKnocked ? max($there[1], $comes[1]) : INF];
            }
        }
        $facts = new MotionFigures($this->motion->withDrive($on->choice)->withTrain($train));

        return [$facts->runThere()['time_s'], $isKnocked ? $facts->fastest_rad_s() : INF];
    }

    private function fitting(Drive $drive): ?Supply
    {
        foreach ($this->build->supplies as $supply) {
            if ($drive->supplyFit($supply->volts_V) === SupplyFit::Fits) {
                return $supply;
            }
        }

        return array_values($this->build->supplies)[0] ?? null;
    }
}
