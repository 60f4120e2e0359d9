<?php

declare(strict_types=1);

namespace Brookstone\Core\Making;

use Brookstone\Core\Assessment\Subject\MotionFigures;
use Brookstone\Core\Build\Build;
use Brookstone\Core\Drive\AirCylinder;
use Brookstone\Core\Drive\Brushless;
use Brookstone\Core\Drive\Stepper;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Mechanism\Hoist;
use Brookstone\Core\Parts\Motion;
use Brookstone\Core\Parts\Supply;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Train\GearMaterial;
use Brookstone\Core\Train\StageType;
use Brookstone\Core\Train\Tooth;

/**
 * What of a build wears, and how soon: intervals from how often and how hard it is used. Rules of thumb of the trade where nothing else is said: brushes of
 * small motors last about a thousand hours; a plastic tooth at the stress that it bears for long stands about a million loads, and a sixth power more or
 * fewer below or above that (an S–N line as in Shigley, Mechanical Engineering Design, 10th ed., §6–4, with the slope usual for plastics).
 */
final class Wear
{
    private const BRUSHES_H = 1000.0;

    private const EARLY = 0.8; // of its life: then it is seen to

    private const LOADS = 1e6;

    private const SLOPE = 6.0;

    private const FEWEST = 100.0; // cycles between two looks: what wears faster is named by the judge

    private const MOST = 1e8;

    private const CORD = [5000.0, 180.0];

    private const GRUB = [2000.0, 90.0];

    private const GREASE = [20000.0, 365.0];

    private const BUSHES = [50000.0, 365.0];

    private const BELT = [30000.0, 730.0];

    private const SWITCH = [50000.0, 365.0];

    private const CONTACTS = 100000.0; // times that a relay switches

    private const BATTERY_LOOK_DAYS = 30.0;

    private const BATTERY_YEARS = ['lead' => 3.0, 'lithium' => 3.0, 'nickel' => 4.0, 'alkaline' => 2.0, 'other' => 2.0];

    private const YEAR = 365.0;

    /** @var array<string, Job> */
    private array $jobs = [];

    /** @return array<string, Job> by id */
    public static function of(Build $build): array
    {
        $wear = new self;
        foreach ($build->motions as $motion) {
            if ($motion->drive !== null) {
                $wear->motion($motion, new MotionFigures($motion));
            }
        }
        array_map($wear->battery(...), array_values($build->supplies));
        foreach ($build->outputs as $output) {
            if ($output->kind === 'relay') {
                $wear->job("contacts.{$output->id}", null, "Look at the contacts of {$output->named()}", self::CONTACTS, self::YEAR,
                    'Contacts burn a little each time.');
            }
        }
        $changed = $build->upkeep->changed;
        $jobs = array_map(fn (Job $job): Job => $job->but($changed[$job->id] ?? null), $wear->jobs);
        foreach ($build->upkeep->jobs as $own) {
            $jobs['own.'.$own['id']] = new Job('own.'.$own['id'], isset($build->motions[$own['motion'] ?? '']) ? $own['motion'] : null,
                new Sentence(Sentence::quote($own['name'])), $own['every_cycles'], $own['every_days'] ?? ($own['every_cycles'] === null ? self::YEAR : null),
                new Sentence(''), true);
        }

        return $jobs;
    }

    /** @param  array<string, Quantity>  $values */
    private function job(string $id, ?string $motion, string $does, ?float $cycles, ?float $days, string $why, array $values = []): void
    {
        $this->jobs[$id] = new Job($id, $motion, new Sentence($does), $cycles === null ? null : self::even($cycles), $days, new Sentence($why, $values));
    }

    /** To two figures: more would only seem exact. */
    private static function even(float $cycles): float
    {
        $cycles = max(self::FEWEST, min(self::MOST, $cycles));
        $step = 10 ** (floor(log10($cycles)) - 1);

        return max(self::FEWEST, floor($cycles / $step) * $step);
    }

    private function motion(Motion $motion, MotionFigures $figures): void
    {
        [$id, $name, $motor] = [$motion->id, $motion->named(), $motion->drive?->motor];
        $cycle_s = $figures->runThere()['time_s'] ?? $motion->task->move_s;
        $cycle_s += $motion->isOneWay() ? 0.0 : ($figures->runBack()['time_s'] ?? $motion->task->move_s);
        if ($motor !== null && ! $motor instanceof Stepper && ! $motor instanceof Brushless && ! $motor instanceof AirCylinder && $cycle_s > 0.0) {
            $this->job("brushes.{$id}", $id, "Listen to the motor of {$name} and measure its time; put in a new one when it slows",
                self::EARLY * self::BRUSHES_H * 3600 / $cycle_s, null, 'Brushes of small motors last about {life} hours; it turns for {cycle} each time.',
                ['life' => Quantity::number(self::BRUSHES_H), 'cycle' => Quantity::of($cycle_s, 's')]);
        }
        $this->teeth($motion, $figures);
        if ($motion->thing() instanceof Hoist) {
            $this->job("cord.{$id}", $id, "Look at the cord of {$name} where it leaves the drum, and at its knots", self::CORD[0], self::CORD[1],
                'Cord frays where it bends.');
        }
        $types = array_map(fn ($stage): StageType => $stage->type, $motion->train->stages);
        if ($types !== []) {
            $this->job("grub.{$id}", $id, "Tighten the grub screws of {$name}", self::GRUB[0], self::GRUB[1], 'They work loose.');
            $this->job("bushes.{$id}", $id, "Feel for play in the bushes of {$name}", self::BUSHES[0], self::BUSHES[1], 'Bushes wear round to oval.');
        }
        if (array_filter($types, fn (StageType $type): bool => $type->runsOver()) !== []) {
            $this->job("belt.{$id}", $id, "Look at the belt of {$name}, and at its tension", self::BELT[0], self::BELT[1], 'Belts stretch and crack.');
        }
        $this->job("grease.{$id}", $id, "Clean and grease {$name}", self::GREASE[0], self::GREASE[1], 'Grease dries and gathers dust.');
        if ($motion->stops->switches !== []) {
            $this->job("switches.{$id}", $id, "Try each switch of {$name} by hand", self::SWITCH[0], self::SWITCH[1], 'Levers bend, contacts dirty.');
        }
    }

    /** The plastic gear of its train that lasts least. */
    private function teeth(Motion $motion, MotionFigures $figures): void
    {
        $turns = $motion->turn_rad() / (2 * M_PI) * ($motion->isOneWay() ? 1 : 2); // of the load, there and back
        $torque = $figures->peak_Nm();
        $least = null;
        foreach (array_reverse($motion->train->stages) as $stage) {
            $metal = in_array($stage->material, [GearMaterial::Brass, GearMaterial::Steel], true);
            $toothed = in_array($stage->type, [StageType::Spur, StageType::Bevel, StageType::Crown, StageType::Worm], true);
            if (! $metal && $toothed && $torque > 0.0 && $turns > 0.0) {
                foreach ([[$stage->driven, $torque, $turns], [$stage->driver, $torque / $stage->ratio() / $stage->efficiency,
                    $turns * $stage->ratio()]] as [$teeth,
                        $at_Nm, $rounds]) {
                    if ($teeth < Tooth::LEAST_TEETH) {
                        continue;
                    }
                    $tooth = new Tooth($teeth, $stage->module_mm, $stage->face_mm, $at_Nm, $stage->material->allowable_MPa());
                    $cycles = self::LOADS * min($tooth->safety, 1e3) ** self::SLOPE / max(1.0, $rounds);
                    $least = $least === null || $cycles < $least[0] ? [$cycles, $teeth, $stage, $tooth] : $least;
                }
            }
            $torque /= $stage->ratio() * $stage->efficiency;
            $turns *= $stage->ratio();
        }
        if ($least !== null && $least[0] < self::MOST) {
            [$cycles, $teeth, $stage, $tooth] = $least;
            $this->job("teeth.{$motion->id}", $motion->id,
                "Look at the gear of {$teeth} teeth of {$motion->named()}, and put in a new one when its teeth are thin",
                self::EARLY * $cycles, null, "Its teeth of {$stage->material->inWords()} are stressed to {stress}; for long they bear {bears}.",
                ['stress' => Quantity::of($tooth->stress_MPa, 'MPa'), 'bears' => Quantity::of($stage->material->allowable_MPa(), 'MPa')]);
        }
    }

    private function battery(Supply $supply): void
    {
        if ($supply->capacity_Ah === null) {
            return;
        }
        $this->job("charge.{$supply->id}", null, "Measure {$supply->named()} and charge it", null, self::BATTERY_LOOK_DAYS,
            'A battery that stands empty is spoilt.');
        $years = self::BATTERY_YEARS[$supply->cells] ?? self::BATTERY_YEARS['other'];
        $this->job("battery.{$supply->id}", null, "Put in a new {$supply->named()}", null, $years * self::YEAR, 'It holds less from year to year.');
    }
}
