<?php

declare(strict_types=1);

namespace Brookstone\Core\Program;

use Brookstone\Core\Code\Gives;
use Brookstone\Core\Code\Line;
use Brookstone\Core\Code\Set;
use Brookstone\Core\Code\Task;
use Brookstone\Core\Code\Type;
use Brookstone\Core\Code\When;
use Brookstone\Core\Condition\Asking;
use Brookstone\Core\Condition\Condition;
use Brookstone\Core\Condition\LevelIs;

/** Conditions as expressions of a program; those that remember something are tasks of their own. */
final class Asked implements Asking
{
    private const NEAR_SHARE = 0.01; // of its travel: how near a servo feels itself there

    /** @var list<Task> */
    public array $tasks = [];

    /** @var \SplObjectStorage<Condition, int> */
    private \SplObjectStorage $kept;

    public function __construct(private readonly Roster $roster)
    {
        $this->kept = new \SplObjectStorage;
    }

    /** How many of them remember something. */
    public function remembered(): int
    {
        return count($this->kept);
    }

    public function input(string $sensor): string
    {
        return 'on['.$this->roster->number('INPUT', $sensor).']';
    }

    public function reads(LevelIs $condition): string
    {
        $level = $this->roster->number('LEVEL', $condition->sensor);
        $edge = fn (float $at): string => self::literal((int) round($at * Roster::READING));
        [$sign, $away] = $condition->above ? ['>=', -1] : ['<=', 1];

        return $this->once($condition, "{$condition->sensor} reads ".($condition->above ? 'above' : 'below')." {$condition->value}", [], fn (int $k): array => [
            new When("met[{$k}]", [new Set("met[{$k}]", "drive_level({$level}) {$sign} ".$edge($condition->value + $away * $condition->hysteresis))],
                [new Set("met[{$k}]", "drive_level({$level}) {$sign} ".$edge($condition->value))]),
            new Gives("met[{$k}]"),
        ]);
    }

    public function place(string $motion, string $place): string
    {
        foreach ($this->roster->build->motions[$motion]->places as $i => $each) {
            if ($each->id === $place) {
                return "{$this->placeOf($motion)}() == {$i}";
            }
        }

        return 'false';
    }

    public function moving(string $motion): string
    {
        return 'drive_moving('.$this->roster->number('MOTION', $motion).')';
    }

    public function between(string $motion, float $from, float $to): string
    {
        $of = $this->roster->build->motions[$motion];
        if (! $of->positioning->isSent() && ! $of->positioning->countsPulses()) {
            throw CannotBeWritten::because("motions.{$this->roster->build->indexOf($motion)}",
                "Nothing tells the controller where {$of->named()} stands between"
                .' its places: ask for a place or a switch of it instead.');
        }
        $at = 'drive_position('.$this->roster->number('MOTION', $motion).')';

        return "({$at} >= ".self::literal($this->roster->position($motion, $from)).") & ({$at} <= ".self::literal($this->roster->position($motion, $to)).')';
    }

    public function count(string $counter): string
    {
        return 'count['.$this->roster->number('COUNT', $counter).']';
    }

    public function clock(float $from_s, float $to_s): string
    {
        [$from, $to] = [Roster::ms($from_s), Roster::ms($to_s)];

        return "(board_day() >= {$from}) ".($from <= $to ? '&' : '|')." (board_day() < {$to})";
    }

    public function runs(string $routine): string
    {
        return 'running['.$this->roster->number('ROUTINE', $routine).']';
    }

    public function lasting(Condition $of, string $now, float $for_s): string
    {
        return $this->once($of, "so for {$for_s} s", [], fn (int $k): array => [
            new When("!({$now})", [new Set("met[{$k}]", 'false'), new Gives('false')]),
            new When("!met[{$k}]", [new Set("met[{$k}]", 'true'), new Set("met_at[{$k}]", 'now')]),
            new Gives("passed(met_at[{$k}], ".Roster::ms($for_s).')'),
        ]);
    }

    /** @return string the task that tells at which of its places, by number, a motion stands as far as the controller knows */
    private function placeOf(string $motion): string
    {
        $name = $this->roster->name('place_of', $motion);
        if (in_array($name, array_column($this->tasks, 'name'), true)) {
            return $name;
        }
        $of = $this->roster->build->motions[$motion];
        $m = $this->roster->number('MOTION', $motion);
        $period = $of->period() === null ? 0 : $this->roster->position($motion, $of->period());
        $near = self::NEAR_SHARE * ($of->range()[1] - $of->range()[0]);
        $known = $felt = [];
        foreach ($of->places as $i => $place) {
            $at = self::literal($this->roster->position($motion, $place->at));
            $known[] = new When("is_same(stands[{$m}], {$at}, {$period}, 0)", [new Gives((string) $i)]);
            $felt[] = new When("is_same(drive_position({$m}), {$at}, {$period}, {$this->roster->position($motion, $near)})", [new Gives((string) $i)]);
        }
        $this->tasks[] = new Task($name, "The place at which {$of->name} stands, as far as the controller knows; 255 is none", [], Type::Byte, [
            new When("known[{$m}]", $known),
            ...($of->positioning->isAbsolute() ? [new When("is_still({$m})", $felt)] : []),
            new Gives('255'),
        ]);

        return $name;
    }

    public static function literal(int $number): string
    {
        return $number < 0 ? "({$number})" : (string) $number;
    }

    /**
     * @param  array<string, Type>  $takes
     * @param  \Closure(int): list<Line>  $lines  by what it remembers
     */
    private function once(Condition $condition, string $note, array $takes, \Closure $lines): string
    {
        if (! isset($this->kept[$condition])) {
            $this->kept[$condition] = $k = count($this->kept);
            $this->tasks[] = new Task("is_so_{$k}", $note, $takes, Type::Truth, $lines($k));
        }

        return "is_so_{$this->kept[$condition]}()";
    }
}
