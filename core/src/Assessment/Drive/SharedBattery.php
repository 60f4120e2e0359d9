<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment\Drive;

use Brookstone\Core\Assessment\Repair\SupplyMends;
use Brookstone\Core\Assessment\Subject\BatteryDays;
use Brookstone\Core\Assessment\Subject\DriveFigures;
use Brookstone\Core\Assessment\Subject\Link;
use Brookstone\Core\Assessment\Subject\MotionInBuild;
use Brookstone\Core\Build\Build;
use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Finding\Fix;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Parts\Supply;
use Brookstone\Core\Quantity\Quantity;

/**
 * What motions on one battery take of it together, as long as no routine moves any of them: once one does, the rehearsals say it. It is told once, of the one
 * that takes the most, instead of what each of them would take alone.
 */
final readonly class SharedBattery
{
    private const NAMED = 2; // of several, those that take the most

    /** @var array<string, list<Finding>> by motion what is told of it; nothing where what it takes is told of another */
    private array $told;

    /** @param  array<string, MotionInBuild>  $subjects  by motion */
    public function __construct(private Build $build, private array $subjects)
    {
        $told = [];
        foreach ($build->supplies as $supply) {
            $days = $this->days_Ah($supply);
            $day = array_sum($days);
            $battery = count($days) < 2 ? null : new BatteryDays($supply, (float) $supply->capacity_Ah, $day, $build->settings->battery_days);
            if ($battery !== null && ! $battery->isEnough()) {
                arsort($days);
                $told += array_fill_keys(array_keys($days), []);
                $told[array_key_first($days)] = [$this->finding($supply, $battery, $days)];
            }
        }
        $this->told = $told;
    }

    /**
     * @param  list<Link>  $links
     * @return list<Link> with what all on its battery take in the place of what it takes alone
     */
    public function on(string $motion, array $links): array
    {
        if (! isset($this->told[$motion])) {
            return $links;
        }

        return array_map(fn (Link $link): Link => $link->link !== 'drive' ? $link
            : $link->saying([...array_filter($link->findings, fn (Finding $finding): bool => $finding->code !== 'drive.drains_battery'),
                ...$this->told[$motion]]), $links);
    }

    /**
     * The power of all on a supply that would stay by themselves cut between moves.
     *
     * @param  array<string, MotionInBuild>  $subjects
     * @return list<Fix>
     */
    public static function gates(array $subjects, Supply $supply): array
    {
        $gate = null;
        foreach ($subjects as $subject) {
            foreach ($subject->motion->drive?->supply->id === $supply->id ? DriveRepairs::gate($subject) : [] as $fix) {
                $named = new Fix(new Sentence("Cut the power of {$subject->motion->named()} between moves"), $fix->changes);
                $gate = $gate === null ? $named : $gate->and($named);
            }
        }

        return $gate === null ? [] : [$gate];
    }

    /** @return array<string, float> Ah a day, by motion; nothing where the rehearsals say it */
    private function days_Ah(Supply $supply): array
    {
        $days = [];
        foreach ($supply->capacity_Ah === null ? [] : $this->subjects as $id => $subject) {
            if ($subject->motion->drive?->supply->id === $supply->id) {
                if ($this->build->isRehearsed($id)) {
                    return [];
                }
                $days[$id] = DriveFigures::of($subject)->charge_Ah_day();
            }
        }

        return array_filter($days, fn (float $day): bool => $day > 0.0);
    }

    /** @param  non-empty-array<string, float>  $days  Ah a day by motion, the most first */
    private function finding(Supply $supply, BatteryDays $battery, array $days): Finding
    {
        $first = $this->subjects[array_key_first($days)];
        $names = array_map(fn (int|string $id): string => $this->subjects[$id]->motion->named(), array_slice(array_keys($days), 0, self::NAMED));
        $more = count($days) - count($names);
        $all = $more > 0 ? implode(', ', $names)." and {$more} more" : implode(' and ', $names);

        return new Finding('drive.drains_together', Severity::Tight, $first->path.'.drive.supply', new Sentence(
            "{$all} take {day} a day together, {$names[0]} the most with {most}: {$battery->says()}.", ['most' => Quantity::of(max($days), 'Ah')] + $battery->values(),
        ), $first->proposals(fn (): array => [...self::gates($this->subjects, $supply),
            ...SupplyMends::largerBattery($this->build, $supply, array_sum($days) * $this->build->settings->battery_days)]));
    }
}
