<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment\Wiring;

use Brookstone\Core\Assessment\Subject\DriveFigures;
use Brookstone\Core\Assessment\Subject\MotionInBuild;
use Brookstone\Core\Build\Build;
use Brookstone\Core\Build\OtherLoads;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Parts\Supply;
use Brookstone\Core\Rehearsal\Day;
use Brookstone\Core\Wiring\BatteryLife;

/**
 * What takes how much of a source in a day: its routines, motions that no routine moves, what is drawn at rest, the controller awake or asleep, boards and
 * converters that are always on, and what a battery loses by itself.
 */
final readonly class DayTable
{
    private const LEAST_AH = 1e-6;

    private const HOURS = 24.0;

    private const DAY_S = 86400.0;

    /** @var list<array{of: string, says: string, charge_Ah: float}> the most first */
    public array $takes;

    public float $day_Ah;

    /** null where nothing is taken, or it is no battery. */
    public ?float $lasts_days;

    /** What motions and routines take by themselves. */
    public float $moves_Ah;

    /**
     * @param  array<string, MotionInBuild>  $subjects  by motion
     * @param  Day|null  $day  of the rehearsals, where they have been run
     */
    public function __construct(private Build $build, public Supply $supply, private array $subjects, private ?Day $day)
    {
        $moves = $this->moves();
        $takes = array_filter([...$moves, ...$this->always()], fn (array $take): bool => $take['charge_Ah'] > self::LEAST_AH);
        usort($takes, fn (array $a, array $b): int => $b['charge_Ah'] <=> $a['charge_Ah']);
        $this->takes = $takes;
        $this->moves_Ah = array_sum(array_column($moves, 'charge_Ah'));
        $this->day_Ah = array_sum(array_column($takes, 'charge_Ah'));
        $this->lasts_days = $supply->capacity_Ah === null || $this->day_Ah <= 0.0 ? null
            : (new BatteryLife($supply->capacity_Ah, [], $this->day_Ah / self::HOURS, $supply->usable()))->life_days;
    }

    /** @return list<array{of: string, says: string, charge_Ah: float}> */
    private function moves(): array
    {
        $takes = [];
        $id = $this->supply->id;
        foreach ($this->day->charge_Ah[$id] ?? [] as $routine => $charge) {
            $takes[] = ['of' => "routines.{$routine}", 'says' => $this->build->routines[$routine]->name, 'charge_Ah' => $charge];
        }
        foreach ($this->subjects as $motion => $subject) {
            $drive = $subject->motion->drive;
            if ($drive !== null && $drive->shares === null && ! $this->build->isRehearsed((string) $motion)) { // else its routines tell it
                $share = $this->of($drive->supply);
                $takes[] = ['of' => "motions.{$motion}", 'says' => $subject->motion->name,
                    'charge_Ah' => $share * DriveFigures::of($subject)->charge_Ah_day()];
            }
        }
        if ($this->day !== null && ($this->day->rest_Ah[$id] ?? 0.0) > 0.0) {
            $awake = $this->standing_A() * max(0.0, 1 - $this->busy()) * self::HOURS; // told of each by itself
            $takes[] = ['of' => 'rest', 'says' => 'Held at rest and left on', 'charge_Ah' => max(0.0, $this->day->rest_Ah[$id] - $awake)];
        }

        return $takes;
    }

    /** @return list<array{of: string, says: string, charge_Ah: float}> */
    private function always(): array
    {
        $takes = [];
        $plan = $this->build->wiring;
        $rest = max(0.0, 1 - $this->busy()); // what is taken while something runs is told of that
        foreach ((new OtherLoads($this->build))->standing() as $each) {
            $isController = $each['of'] === "boards.{$plan->controller()?->id}";
            $takes[] = ['of' => $isController ? 'controller' : $each['of'], 'says' => $each['says'].($isController ? ($plan->sleeps ? ' asleep'
                : ' awake') : ''),
                'charge_Ah' => $this->of($this->build->supplies[$each['supply']]) * ($plan->sleeps ? $each['asleep_A']
                    : $each['awake_A']) * $rest * self::HOURS];
        }
        foreach ($this->build->supplies as $rail) {
            if ($rail->from !== null && $rail->idle_A > 0.0) {
                $takes[] = ['of' => "supplies.{$rail->id}", 'says' => "{$rail->name}, its converter", 'charge_Ah' => $rail->idle_A * self::HOURS
                    * $this->of($this->build->supplies[$rail->from])];
            }
        }
        $takes[] = ['of' => 'itself', 'says' => 'Lost by itself',
            'charge_Ah' => $this->supply->loses_Ah_day()];

        return $takes;
    }

    /** What boards and sensors take of this source, awake, A. */
    private function standing_A(): float
    {
        return array_sum(array_map(fn (array $each): float => $this->of($this->build->supplies[$each['supply']]) * $each['awake_A'],
            (new OtherLoads($this->build))->standing()));
    }

    /** Share of the day in which something runs. */
    private function busy(): float
    {
        return $this->day === null ? 0.0 : min(1.0, $this->day->busy_s / self::DAY_S);
    }

    /** So much is taken of this source for each ampere of a supply: 1 of itself, through converters by their power, nothing of what hangs elsewhere. */
    private function of(Supply $supply): float
    {
        $share = 1.0;
        for ($at = $supply; $at->id !== $this->supply->id; $at = $from) {
            $from = $this->build->supplies[$at->from ?? ''] ?? null;
            if ($from === null) {
                return 0.0;
            }
            $share *= $at->takes_A(1.0, $at->volts_V, $from->volts_V) - $at->idle_A;
        }

        return $share;
    }

    /** In words for what takes the most. */
    public function most(): Sentence
    {
        return new Sentence($this->takes === [] ? 'nothing' : Sentence::quote($this->takes[0]['says']));
    }
}
