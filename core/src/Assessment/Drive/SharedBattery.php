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
 * What motions on one battery take of it together, as long as no routine moves any of them: once one does, the rehearsals say it, and of a build that is
 * wired the wiring. It is told once, of the first of them, instead of what each of them would take alone.
 */
final readonly class SharedBattery
{
    private const NAMED = 2; // of many

    /** @var array<string, list<Finding>> by motion what is told of it; nothing where what it takes is told of another */
    private array $told;

    /** @param  array<string, MotionInBuild>  $subjects  by motion */
    public function __construct(private Build $build, private array $subjects)
    {
        $told = [];
        if ($build->wiring->controller() !== null) { // the wiring tells what all on a battery take
            foreach ($subjects as $id => $subject) {
                $told += $subject->motion->drive?->supply->capacity_Ah === null ? [] : [$id => []];
            }
        }
        foreach ($told === [] ? $build->supplies : [] as $supply) {
            $days = $this->days_Ah($supply);
            $day = array_sum($days);
            $battery = count($days) < 2 ? null : new BatteryDays($supply, $day, $build->settings->battery_days);
            if ($battery !== null && ! $battery->isEnough()) {
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
        $gated = $changes = [];
        foreach ($subjects as $subject) {
            foreach ($subject->motion->drive?->supply->id === $supply->id ? DriveRepairs::gate($subject) : [] as $fix) {
                $gated[] = $subject;
                array_push($changes, ...$fix->changes);
            }
        }

        return $changes === [] ? [] : [new Fix(new Sentence('Cut the power of '.self::named($gated).' between moves'), $changes)];
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

    /** @param  non-empty-array<string, float>  $days  Ah a day by motion, as the build has them */
    private function finding(Supply $supply, BatteryDays $battery, array $days): Finding
    {
        $first = $this->subjects[array_key_first($days)];
        $most = $this->subjects[array_keys($days, max($days), true)[0]]->motion->named();
        $all = self::named(array_map(fn (int|string $id): MotionInBuild => $this->subjects[$id], array_keys($days)));
        $at = array_search($supply->id, array_keys($this->build->supplies), true);

        return new Finding('drive.drains_together', Severity::Tight, "supplies.{$at}.capacity_Ah", new Sentence(
            "{$battery->says()}: {$all} take {day} a day together, {$most} the most with {most}.", ['most' => Quantity::of(max($days), 'Ah')] + $battery->values(),
        ), $first->proposals(fn (): array => [...self::gates($this->subjects, $supply),
            ...SupplyMends::largerBattery($this->build, $supply, array_sum($days), $this->build->settings->battery_days)]));
    }

    /** @param  list<MotionInBuild>  $subjects  by their names, not all where they are many */
    private static function named(array $subjects): string
    {
        $names = array_map(fn (MotionInBuild $subject): string => $subject->motion->named(), $subjects);
        $more = count($names) - self::NAMED;

        return $more > 1 ? implode(', ', array_slice($names, 0, self::NAMED))." and {$more} more" : Sentence::listed($names);
    }
}
