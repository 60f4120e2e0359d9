<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment\Selection;

use Brookstone\Core\Assessment\Drive\DriveJudge;
use Brookstone\Core\Assessment\Drive\LimitViolation;
use Brookstone\Core\Assessment\Subject\ChosenDrive;
use Brookstone\Core\Assessment\Subject\DriveFigures;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Finding\Verdict;
use Brookstone\Core\Train\Train;

/** One drive with one ratio, judged for one motion. */
final readonly class RatedDrive
{
    private const MISSES_AT_MOST = 1e3;

    private const MORE_THAN_FAIL = 1000;

    private const MORE_THAN_CANDIDATES = 10_000_000;

    public Verdict $verdict;

    /** Worst severity, and how many fail. */
    private int $class;

    /** Among those of its class: by how much the worst misses, or where none does the goal's measure. */
    private float $by;

    /**
     * @param  Train  $extra  the stages that are tried right behind the drive
     * @param  Train  $train  those and the ones that the motion has
     * @param  list<LimitViolation>  $strains
     * @param  float|null  $time_s  of the move there; null where it was not run or does not arrive
     */
    public function __construct(
        public ChosenDrive $on,
        public Train $extra,
        public Train $train,
        public DriveFigures $figures,
        public array $strains,
        public ?float $time_s,
        Goal $goal,
    ) {
        $worst = 0;
        $fails = 0;
        $misses = 0.0;
        foreach ($strains as $strain) {
            $rank = $strain->severity->rank();
            $worst = $rank > $worst ? $rank : $worst;
            if ($strain->severity === Severity::Fails) {
                $fails++;
                $misses = $strain->share > $misses ? $strain->share : $misses;
            }
        }
        $this->verdict = $worst === 2 ? Verdict::Fails : ($worst === 1 ? Verdict::Tight : Verdict::Holds);
        $this->class = $worst * self::MORE_THAN_FAIL + $fails;
        $this->by = $worst === 2 ? min(self::MISSES_AT_MOST, $misses) : $goal->measure($this);
    }

    /**
     * In order: what holds, what is tight, what fails; by the goal, or by how little it misses. Among those that are as good
     * the one with fewer stages, and then the one that came first.
     *
     * @param  list<self>  $candidates
     * @return list<self>
     */
    public static function sorted(array $candidates): array
    {
        $classes = $by = $last = []; // numbers alone: they sort many times faster than things
        foreach ($candidates as $number => $each) {
            $classes[] = $each->class;
            $by[] = $each->by;
            $last[] = count($each->extra->stages) * self::MORE_THAN_CANDIDATES + $number;
        }
        array_multisort($classes, $by, $last);

        return array_map(fn (int $number): self => $candidates[$number % self::MORE_THAN_CANDIDATES], $last);
    }

    /** @return array{int, float} smaller is further up */
    public function rank(): array
    {
        return [$this->class, $this->by];
    }

    public function code(): string
    {
        return $this->on->choice->motor->body()->code;
    }

    /** The least of what is in hand: torque over the worst instant, and what the gears survive over a knock. */
    public function safety(): float
    {
        return min($this->figures->margin, $this->figures->gear_limit_motor_Nm / max(1e-12, $this->figures->knock_motor_Nm));
    }

    /** There much sooner than was asked for. */
    public function isHasty(): bool
    {
        return $this->time_s !== null && $this->time_s < DriveJudge::MUCH_FASTER * $this->figures->task->move_s;
    }

    /** In steps, as Drive has it: its kind, and a step for each doubling of its speed above 60 rpm at the shaft, and for each stage. */
    public function noise(): float
    {
        $rpm = $this->figures->line->noLoad_rad_s() * 60 / 2 / M_PI;

        return $this->figures->drive->motor->noise() + max(0.0, log($rpm / 60, 2)) / 2 + 0.5 * count($this->extra->stages);
    }

    /** The worst limit that it reaches; null where it reaches none. */
    public function worst(): ?LimitViolation
    {
        $worst = null;
        foreach ($this->strains as $strain) {
            if ($worst === null || [$strain->severity->rank(), $strain->share] > [$worst->severity->rank(), $worst->share]) {
                $worst = $strain;
            }
        }

        return $worst;
    }
}
