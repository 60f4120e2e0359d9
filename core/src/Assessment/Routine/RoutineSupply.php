<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment\Routine;

use Brookstone\Core\Assessment\Drive\SharedBattery;
use Brookstone\Core\Assessment\Repair\SupplyMends;
use Brookstone\Core\Assessment\Subject\BatteryDays;
use Brookstone\Core\Build\Build;
use Brookstone\Core\Finding\Finding;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Parts\Motion;
use Brookstone\Core\Parts\Supply;
use Brookstone\Core\Quantity\Constants;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Reach\Reached;
use Brookstone\Core\Rehearsal\Day;
use Brookstone\Core\Rehearsal\Drawn;
use Brookstone\Core\Rehearsal\Performance;
use Brookstone\Core\Rehearsal\Rehearsed;
use Brookstone\Core\Routine\Routine;

/** What the rehearsals ask of each supply: at once, by routines that can run beside one another, and over the day. */
final readonly class RoutineSupply
{
    private const SAGS = ['routine.sags', 'routine.starts_together'];

    private const NOTHING_AH = 1e-4; // a day: not worth naming

    private Build $build;

    public Day $day;

    public function __construct(private RoutineContext $context, private Rehearsed $rehearsed, private Reached $reached)
    {
        $this->build = $context->build;
        $this->day = Day::of($this->build, $rehearsed);
    }

    public function check(): void
    {
        foreach (array_values($this->build->supplies) as $i => $supply) {
            $this->battery($supply, "supplies.{$i}.capacity_Ah");
            $this->beside($supply, "supplies.{$i}.max_A");
        }
    }

    /**
     * What is known of each supply that anything asks something of.
     *
     * @return list<array{id: string, name: string, max_A: float, most_A: float, together: list<string>, at_once: Sentence, day_Ah: float, rest_Ah: float, lasts_days: ?float, over_day: Sentence, takes: list<array{routine: string, runs: float, charge_Ah: float, says: Sentence}>}>
     */
    public function supplies(): array
    {
        $supplies = [];
        foreach ($this->build->supplies as $id => $supply) {
            [$most, $together] = $this->atMost($supply);
            $day = $this->day->charge_Ah($id);
            if ($most <= 0.0) {
                continue;
            }
            $takes = [];
            foreach ($this->day->charge_Ah[$id] as $routine => $charge) {
                if ($charge > self::NOTHING_AH) {
                    $takes[] = ['routine' => (string) $routine, 'runs' => $this->day->runs[$routine], 'charge_Ah' => $charge,
                        'says' => $this->takes((string) $routine, $charge)];
                }
            }
            $usable = $supply->usable_Ah();
            $lasts = $usable === null || $day <= 0.0 ? null : $usable / $day;
            $supplies[] = [
                'id' => $id, 'name' => $supply->name, 'max_A' => $supply->max_A, 'most_A' => $most, 'together' => $together,
                'at_once' => $this->atOnce($supply, $most, $together),
                'day_Ah' => $day, 'rest_Ah' => $this->day->rest_Ah[$id], 'lasts_days' => $lasts, 'over_day' => $this->overDay($supply, $day, $lasts),
                'takes' => $takes,
            ];
        }

        return $supplies;
    }

    /** @param  list<string>  $together */
    private function atOnce(Supply $supply, float $most, array $together): Sentence
    {
        $names = array_map(fn (string $id): string => $this->build->routines[$id]->named(), $together);

        return new Sentence('asked for {most} at most'.($names === [] ? '' : ' by '.Sentence::listed($names)).', gives {gives}',
            ['most' => Quantity::of($most, 'A'), 'gives' => Quantity::of($supply->max_A, 'A')]);
    }

    private function overDay(Supply $supply, float $day, ?float $lasts): Sentence
    {
        $values = ['day' => Quantity::of($day, 'Ah'), 'rest' => Quantity::of($this->day->rest_Ah[$supply->id], 'Ah')];
        $rests = $this->day->rest_Ah[$supply->id] > self::NOTHING_AH ? ', {rest} of it at rest' : '';

        return $lasts === null || $supply->capacity_Ah === null
            ? new Sentence("gives {day} a day{$rests}", $values)
            : new Sentence("gives {day} a day{$rests}: {capacity} last {lasts} ".BatteryDays::unit($lasts),
                $values + ['capacity' => Quantity::of($supply->capacity_Ah, 'Ah'), 'lasts' => BatteryDays::told($lasts)]);
    }

    private function takes(string $routine, float $charge_Ah): Sentence
    {
        $runs = $this->day->runs[$routine];

        return new Sentence($this->build->routines[$routine]->named().' {charge}'.($runs > 1.0 ? ' for {runs} times' : ''),
            ['charge' => Quantity::of($charge_Ah, 'Ah')] + ($runs > 1.0 ? ['runs' => Quantity::number(round($runs))] : []));
    }

    private function battery(Supply $supply, string $place): void
    {
        $day = $this->day->charge_Ah($supply->id);
        $wanted = $this->build->settings->battery_days;
        $first = array_key_first($this->day->runs);
        $battery = $supply->capacity_Ah === null || $first === null || $day <= 0.0 ? null : new BatteryDays($supply, $day, $wanted);
        if ($battery === null || $battery->isEnough() || $this->build->wiring->controller() !== null) { // then the wiring tells it
            return;
        }
        $most = $this->day->most($supply->id);
        $runs = $most === null ? 0.0 : $this->day->runs[$most];
        $takes = $most === null
            ? 'at rest it gives {most} of the {day} that it gives a day'
            : "{$this->build->routines[$most]->named()}".($runs > 1.0 ? ', {runs} times a day,' : '').' takes {most} of the {day} that it gives a day';
        $this->context->add($this->build->routines[$most ?? $first], new Finding('routine.drains_battery', Severity::Tight, $place, new Sentence(
            "{$battery->says()}: {$takes}.", $battery->values()
                + ['most' => Quantity::of($most === null ? $this->day->rest_Ah[$supply->id] : $this->day->charge_Ah[$supply->id][$most], 'Ah')]
                + ($runs > 1.0 ? ['runs' => Quantity::number(round($runs))] : []),
        ), [...SharedBattery::gates($this->context->subjects, $supply), ...SupplyMends::largerBattery($this->build, $supply, $day, $wanted)]));
    }

    /** Routines that can run beside one another, and at the worst moment ask for more than a supply gives; where that is not told of one of them already. */
    private function beside(Supply $supply, string $place): void
    {
        [$sum, $together] = $this->atMost($supply);
        $routines = array_map(fn (string $id): Routine => $this->build->routines[$id], $together);
        if (count($routines) < 2 || $sum <= $supply->max_A * (1 + Constants::TIE) || array_filter($this->build->routines,
            fn (Routine $routine): bool => $this->context->tells($routine, null, self::SAGS)) !== []) {
            return;
        }
        $names = array_map(fn (Routine $routine): string => $routine->named(), $routines);
        $moved = array_intersect_key($this->build->motions,
            array_flip(array_merge(...array_map(fn (Routine $routine): array => $routine->motions(), $routines))));
        $this->context->add($routines[0], new Finding('routine.together_sags', Severity::Tight, $place, new Sentence(
            Sentence::listed($names).' can run beside one another: if '.(count($names) > 2 ? 'all'
                : 'both').' are at their worst at the same moment they ask {sum} of '.$supply->named().', and it gives {most}.',
            ['sum' => Quantity::of($sum, 'A'), 'most' => Quantity::of($supply->max_A, 'A')],
        ), [...SupplyMends::softly($this->build, $supply, array_values(array_filter($moved, fn (Motion $motion): bool => $motion->drive !== null))),
            ...SupplyMends::stronger($this->build, $supply, $sum)]));
    }

    /** @return array{float, list<string>} the most that can be asked of a supply, A, and the routines that ask it together */
    private function atMost(Supply $supply): array
    {
        $worst = [0.0, []];
        foreach ([...array_map(fn (int|string $id): array => [(string) $id], array_keys($this->rehearsed->performances)),
            ...$this->reached->together] as $set) {
            $sum = $stands = 0.0;
            $asks = [];
            foreach ($set as $id) {
                $drawn = array_map(fn (Performance $performance): Drawn => $performance->drawn[$supply->id],
                    array_filter($this->rehearsed->of($id), fn (Performance $performance): bool => $performance->start->fed === []
                    && $performance->start->scenario === null));
                $more = max([0.0, ...array_map(fn (Drawn $each): float => $each->more_A(), $drawn)]);
                $stands = max([$stands, ...array_map(fn (Drawn $each): float => $each->before_A, $drawn)]);
                $sum += $more;
                array_push($asks, ...($more > 0.0 ? [$id] : []));
            }
            $worst = $sum + $stands > $worst[0] ? [$sum + $stands, $asks] : $worst;
        }

        return $worst;
    }
}
