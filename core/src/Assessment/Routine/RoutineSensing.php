<?php

declare(strict_types=1);

namespace Brookstone\Core\Assessment\Routine;

use Brookstone\Core\Assessment\Sensing\ReadingsSheet;
use Brookstone\Core\Build\Build;
use Brookstone\Core\Condition\Conditions;
use Brookstone\Core\Condition\LevelIs;
use Brookstone\Core\Finding\Change;
use Brookstone\Core\Finding\Fix;
use Brookstone\Core\Finding\Sentence;
use Brookstone\Core\Finding\Severity;
use Brookstone\Core\Mechanism\Feeder;
use Brookstone\Core\Parts\Sensor;
use Brookstone\Core\Quantity\Format;
use Brookstone\Core\Quantity\Quantity;
use Brookstone\Core\Routine\Effect;
use Brookstone\Core\Routine\GiveUp;
use Brookstone\Core\Routine\Movement;
use Brookstone\Core\Routine\Routine;
use Brookstone\Core\Sensing\Debounce;

/** Whether the sensors that a routine hangs on can tell it what it asks, in time. */
final readonly class RoutineSensing
{
    private const LEAST_READINGS = 3;

    private const GHOSTS = 0.01; // of the readings on the wrong side

    private const SECONDS = 0.02; // of an interval: how near one that a counter gives must be

    private Build $build;

    public function __construct(private RoutineContext $context)
    {
        $this->build = $context->build;
    }

    public function check(Routine $routine, int $i): void
    {
        foreach ($this->asked($routine) as $id => $path) {
            $sensor = $this->build->sensors[$id] ?? null;
            if ($sensor !== null) {
                $this->chatters($routine, $sensor, $path, $i);
                $this->threshold($routine, $sensor);
            }
        }
        foreach ($routine->flat() as $path => $step) {
            $this->passes($routine, $step->effect($this->build), "routines.{$i}.{$path}");
        }
        $this->switches($routine);
        $this->levels($routine, $i);
        $this->noticed($routine, $i);
        $this->timer($routine, $i);
    }

    /** @return array<string, string> sensors that it hangs on, and where */
    private function asked(Routine $routine): array
    {
        $asked = [];
        foreach ($routine->starts as $j => $trigger) {
            if ($trigger->sensor !== null) {
                $asked[$trigger->sensor] ??= "starts.{$j}";
            }
        }
        foreach ($routine->flat() as $path => $step) {
            foreach ($step->conditions() as $condition) {
                foreach (Conditions::all($condition) as $part) {
                    $id = $part->refersTo()['sensor'][1] ?? null;
                    if ($id !== null) {
                        $asked[$id] ??= $path;
                    }
                }
            }
        }

        return $asked;
    }

    /** Believed sooner than it has stopped bouncing. */
    private function chatters(Routine $routine, Sensor $sensor, string $path, int $i): void
    {
        $debounce = $this->build->settings->debounce_s;
        if ($sensor->bounce_s > 0.0 && $debounce <= $sensor->bounce_s) {
            $wanted = ceil($sensor->bounce_s * 1500) / 1000;
            $this->context->find($routine, 'routine.chatters', Severity::Fails, "routines.{$i}.{$path}",
                "{$sensor->named()} bounces for {bounce} and is believed after {debounce}: one press counts as several.",
                ['bounce' => Quantity::of($sensor->bounce_s, 's'), 'debounce' => Quantity::of($debounce, 's')], [
                    new Fix(new Sentence('Believe switches only after {wanted}', ['wanted' => Quantity::of($wanted, 's')]),
                        [new Change('settings.debounce_s', min(0.5, $wanted))]),
                ]);
        }
    }

    /** End switches that are believed before they have stopped bouncing. */
    private function switches(Routine $routine): void
    {
        $debounce = $this->build->settings->debounce_s;
        foreach ($routine->motions() as $id) {
            foreach ($this->build->motions[$id]->stops->switches as $i => $switch) {
                if ($switch->bounce_s <= 0.0 || $debounce > $switch->bounce_s) {
                    continue;
                }
                $wanted = ceil($switch->bounce_s * 1500) / 1000;
                $this->context->find($routine, 'stops.switch_bounces', Severity::Fails,
                    'motions.'.$this->build->indexOf($id).".stops.switches.{$i}.bounce_s",
                    "{$switch->named()} bounces for {bounce} and is believed after {debounce}: while it still chatters it is on and off again.",
                    ['bounce' => Quantity::of($switch->bounce_s, 's'), 'debounce' => Quantity::of($debounce, 's')], [
                        new Fix(new Sentence('Believe switches only after {wanted}', ['wanted' => Quantity::of($wanted, 's')]),
                            [new Change('settings.debounce_s', min(0.5, $wanted))]),
                    ], $id);
            }
        }
    }

    /** Values that a routine compares a reading with, against the readings themselves. */
    private function levels(Routine $routine, int $i): void
    {
        $asked = [];
        foreach ($routine->starts as $j => $trigger) {
            foreach (Conditions::all($trigger->condition) as $part) {
                $asked[] = [$part, "routines.{$i}.starts.{$j}.value"];
            }
        }
        foreach ($routine->flat() as $path => $step) {
            foreach ($step->conditions() as $field => $condition) {
                foreach (Conditions::all($condition) as $part) {
                    $asked[] = [$part, "routines.{$i}.{$path}.{$field}"];
                }
            }
        }
        foreach ($asked as [$part, $place]) {
            $sensor = $part instanceof LevelIs ? $this->build->sensors[$part->sensor] : null;
            $best = $sensor === null ? null : ReadingsSheet::best($sensor);
            if ($sensor === null || $best === null || ! $part instanceof LevelIs) {
                continue;
            }
            $above = fn (array $readings): int => count(array_filter($readings, fn (float $reading): bool => $reading >= $part->value));
            $wrong = min($above($sensor->absent) + count($sensor->present) - $above($sensor->present), count($sensor->absent) - $above($sensor->absent)
                + $above($sensor->present));
            $share = $wrong / (count($sensor->absent) + count($sensor->present));
            if ($share > self::GHOSTS) {
                $fix = str_ends_with($place, '.value') ? [new Fix(new Sentence('Compare it with {value}', ['value' => Quantity::number($best->threshold)]),
                    [new Change($place, round($best->threshold, 6))])] : [];
                $this->context->find($routine, 'routine.level_misses', Severity::Fails, $place,
                    "{$routine->named()} compares {$sensor->named()} with {value}, and that misreads {wrong} of its own readings: {best} separates them best.", [
                        'value' => Quantity::number($part->value), 'wrong' => Quantity::share($share), 'best' => Quantity::number($best->threshold),
                    ], $fix);
            }
        }
    }

    /** @return non-empty-list<Change> it goes no faster, and is given as much more time */
    private function slowly(Effect $effect, Movement $move, string $path, float $speed): array
    {
        $patience = $effect->giveUp_s === null ? []
            : [new Change("{$path}.give_up_s", min(GiveUp::LONGEST_S, ceil($effect->giveUp_s * $move->speed / $speed)))];

        return [new Change("{$path}.speed", round($speed, 3)), ...$patience];
    }

    /** Passed by for a shorter time than it takes to be seen, or seen so late that the next item comes too. */
    private function passes(Routine $routine, Effect $effect, string $path): void
    {
        [$move, $until] = [$effect->move, $effect->until];
        if ($move === null || $until === null || ! $move->staysOn) {
            return;
        }
        $motion = $this->build->motions[$move->motion];
        $id = $until->refersTo()['sensor'][1] ?? '';
        $sensor = $this->build->sensors[$id] ?? null;
        if ($sensor === null || $motion->drive === null) {
            return;
        }
        $speed = $motion->drive->line($move->speed)->noLoad_rad_s() / $motion->train->ratio() * $motion->mechanism->travelPerRad();
        if ($speed <= 0.0) { // it does not turn at all: the judge of drives says so
            return;
        }
        $latency = $this->build->settings->scan_s + $motion->obeysWithin_s($this->build->settings) + $sensor->late_s
            + ($sensor->bounce_s > 0.0 ? $this->build->settings->debounce_s + $sensor->bounce_s : 0.0);
        if ($sensor->motion === $move->motion && $sensor->reach !== null) {
            $flag_mm = 2000 * $motion->unit()->toSi($sensor->reach);
            $seen = new Debounce(0.0, $this->build->settings->scan_s * 1000, ($latency - $this->build->settings->scan_s) * 1000, $flag_mm, $speed * 1000);
            if ($seen->missed) {
                $reach = Format::significantNumber($motion->unit()->fromSi($speed * $seen->latency_ms / 1000 / 2 / 0.8), 2);
                $slow = $move->speed * $seen->dwell_ms / $seen->latency_ms * 0.8;
                $this->context->find($routine, 'routine.runs_past', Severity::Fails, "{$path}.speed",
                    "{$motion->named()} is at {$sensor->named()} for {dwell} and that is seen only after {latency}: it runs past.",
                    ['dwell' => Quantity::of($seen->dwell_ms / 1000, 's'), 'latency' => Quantity::of($seen->latency_ms / 1000, 's')], [
                        new Fix(new Sentence('Make the mark wider: {reach} to either side', ['reach' => $motion->unit()->quantity($reach)]),
                            [new Change('sensors.'.array_search($id, array_keys($this->build->sensors), true).'.reach', $reach)]),
                        ...($slow < 0.01 ? [] : [new Fix(new Sentence('Move it at {speed} speed', ['speed' => Quantity::share($slow)]),
                            $this->slowly($effect, $move, $path, $slow))]),
                    ], $move->motion);
            }
        }
        $thing = $motion->thing();
        $period = $motion->period();
        $pitch = $thing instanceof Feeder && $thing->item_pitch_m > 0.0 ? $thing->item_pitch_m : ($period === null ? INF : $motion->unit()->toSi($period));
        $travel = $speed * $latency;
        if ($travel >= $pitch / 2) {
            $slow = $move->speed * $pitch / 2 / $travel * 0.8;
            $this->context->find($routine, 'routine.two_at_once', Severity::Fails, "{$path}.speed",
                "Until {$sensor->named()} tells and the motor is off, {$motion->named()} goes on {travel}, and the next item follows after {pitch}: two are taken for one.", [
                    'travel' => $motion->unit()->quantity($motion->unit()->fromSi($travel)),
                    'pitch' => $motion->unit()->quantity($motion->unit()->fromSi($pitch)),
                ], $slow < 0.01 ? [] : [
                    new Fix(new Sentence('Feed at {speed} speed', ['speed' => Quantity::share($slow)]), $this->slowly($effect, $move, $path, $slow)),
                ], $move->motion);
        }
    }

    /** A threshold that nobody measured, or that the readings do not bear out. */
    private function threshold(Routine $routine, Sensor $sensor): void
    {
        if ($sensor->upper === null || ! ($sensor->measures() || $sensor->absent !== [] || $sensor->present !== [])) {
            return;
        }
        $at = 'sensors.'.array_search($sensor->id, array_keys($this->build->sensors), true);
        if (count($sensor->absent) < self::LEAST_READINGS || count($sensor->present) < self::LEAST_READINGS) {
            $this->context->find($routine, 'routine.threshold_guessed', Severity::Note, "{$at}.upper",
                "The threshold of {$sensor->named()} is a guess: ten readings with the thing and ten without it, in the light it will live in, tell where it belongs.");

            return;
        }
        $best = ReadingsSheet::best($sensor);
        $share = ReadingsSheet::wrong($sensor, $best);
        if ($best === null) {
            return;
        }
        $most = $best->errorRateAtMost(count($sensor->absent), count($sensor->present));
        if ($share <= self::GHOSTS && $best->error_rate <= self::GHOSTS && $most > self::GHOSTS) {
            $this->context->find($routine, 'routine.few_readings', Severity::Note, "{$at}.absent",
                "{$sensor->named()} was read {absent} times without the thing and {present} times with it: that few cannot rule out that it misreads {most}. More of each tell the spread better.", [
                    'absent' => Quantity::number(count($sensor->absent)), 'present' => Quantity::number(count($sensor->present)),
                    'most' => Quantity::share($most),
                ]);
        }
        if (($share > self::GHOSTS || $best->error_rate > self::GHOSTS)) {
            $hopeless = $best->error_rate > self::GHOSTS;
            $this->context->find($routine, 'routine.sees_ghosts', Severity::Fails, "{$at}.upper",
                "With its threshold {$sensor->named()} misreads {wrong} of its own readings".($hopeless ? ', and no threshold separates the two' : '').'.',
                ['wrong' => Quantity::share((float) $share)], $hopeless ? [] : [ReadingsSheet::fix($best, $at)]);
        }
    }

    /** Something of it may give up: what only switches lamps does not. */
    private function canFail(Routine $routine): bool
    {
        foreach ($routine->flat() as $step) {
            if ($step->effect($this->build)->mayFail()) {
                return true;
            }
        }

        return false;
    }

    /** One that starts by itself: does anybody notice when it has stopped working? */
    private function noticed(Routine $routine, int $i): void
    {
        $alone = array_filter($routine->starts, fn ($trigger): bool => in_array($trigger->when, ['every', 'time_of_day', 'level', 'count'], true));
        if ($alone === [] || $routine->ifFails !== [] || ! $this->canFail($routine)) {
            return;
        }
        $output = array_key_first($this->build->outputs);
        $this->context->find($routine, 'routine.unnoticed', Severity::Tight, "routines.{$i}.if_fails",
            "{$routine->named()} starts by itself, and when it fails nobody is told: it may have stood still for days.", [], $output === null ? [] : [
                new Fix(new Sentence("Switch {$this->build->outputs[$output]->named()} on when it fails"),
                    [new Change("routines.{$i}.if_fails", [['do' => 'signal', 'output' => $output, 'state' => 'on']])]),
            ]);
    }

    /** An interval that its own clock and counter cannot give. */
    private function timer(Routine $routine, int $i): void
    {
        $clock = $this->build->settings->timer_Hz;
        if ($clock === null) {
            return;
        }
        foreach ($routine->starts as $j => $trigger) {
            $every = $trigger->every_s;
            if ($trigger->when !== 'every' || $every === null) {
                continue;
            }
            $intervals = array_map(fn (int $stages): float => 2 ** $stages / $clock, range(1, $this->build->settings->timer_stages));
            usort($intervals, fn (float $a, float $b): int => abs(log($a / $every)) <=> abs(log($b / $every)));
            if (abs($intervals[0] - $every) <= self::SECONDS * $every) {
                continue;
            }
            $this->context->find($routine, 'routine.timer_cannot', Severity::Fails, "routines.{$i}.starts.{$j}.every_s",
                'A clock of {clock} behind {stages} stages cannot give {wanted}: the nearest it gives is {nearest}.', [
                    'clock' => Quantity::of($clock, 'Hz'), 'stages' => Quantity::number($this->build->settings->timer_stages),
                    'wanted' => Quantity::of($every, 's'), 'nearest' => Quantity::of($intervals[0], 's'),
                ], $intervals[0] < 0.1 || $intervals[0] > 604800.0 ? []
                : [new Fix(new Sentence('Start it every {nearest}', ['nearest' => Quantity::of($intervals[0], 's')]),
                    [new Change("routines.{$i}.starts.{$j}.every_s", $intervals[0])])]);
        }
    }
}
