<?php

declare(strict_types=1);

namespace Brookstone\Core\Simulation;

use Brookstone\Core\Build\Build;
use Brookstone\Core\Parts\LimitSwitch;
use Brookstone\Core\Parts\Sensor;

/** What the controller believes of its switches and sensors: after bounce, lateness, and whatever is stuck. */
final class Inputs
{
    private const BELOW = 0.01; // of a reading

    private float $now = 0.0; // s, of the last look

    /** @var array<string, float> s, when each message came last, or the power came on */
    private array $heard = [];

    /** @var array<string, array{float, float}> lower and upper, of sensors that were calibrated */
    private array $thresholds = [];

    /** @var array<string, bool> as the controller believes */
    private array $on = [];

    /** @var array<string, bool> as the world has it, of sensors that hang on no motion */
    private array $outside = [];

    /** @var array<string, float> readings of those that measure */
    private array $levels = [];

    /** @var array<string, true> outputs that are on */
    private array $lit = [];

    /** @var array<string, float> since when an input has differed from what is believed */
    private array $differsSince = [];

    /** @var array<string, bool> what says the same whatever is so */
    private array $stuck = [];

    /** @var array<string, float> s more than usual until it tells */
    private array $late = [];

    /** @var array<string, Gestures> of buttons whose presses are told apart */
    private array $gestures = [];

    /** @var array<string, true> sensors that must be looked at each time: all but those that only the world changes */
    private array $watched = [];

    /** @var list<array{Axis, list<LimitSwitch>}> of each motion that has any: its own and those inside of its drive */
    private array $switched = [];

    /** @var array<int, float> position above which no switch of such a motion changes what it says */
    private array $above = [];

    /** @var array<int, float> and below which */
    private array $below = [];

    /** @var array<string, ?float> of each motion, after how far its switches and sensors come again */
    private array $periods = [];

    private bool $changedHands = false; // something was stuck or freed: look at switches of what stands still too

    /** @param  array<string, Axis>  $axes */
    public function __construct(private readonly Build $build, private readonly array $axes)
    {
        foreach ($build->sensors as $id => $sensor) {
            $this->outside[$id] = false;
            $this->levels[$id] = $sensor->rest;
            if ($sensor->motion !== null) {
                $this->watched[$id] = true;
            }
        }
        foreach ($build->routines as $routine) {
            foreach ($routine->starts as $trigger) {
                if ($trigger->when === 'press' && $trigger->how !== 'any' && $trigger->sensor !== null) {
                    $this->gestures[$trigger->sensor] ??= new Gestures($build->sensors[$trigger->sensor]);
                }
            }
        }
        foreach ($axes as $id => $axis) {
            $this->periods[$id] = $axis->motion->period();
            $switches = array_values(array_filter($axis->motion->stops->tellers(), fn (LimitSwitch $switch): bool => ! $switch->isMark || $switch->isOwn));
            if ($switches !== []) {
                $this->switched[] = [$axis, $switches];
            }
        }
        $this->begin();
    }

    /** Believes what is so, without any change being told: when the power comes on. */
    public function begin(): void
    {
        $this->thresholds = [];
        foreach ($this->build->sensors as $id => $sensor) {
            if ($sensor->fallsSilent_s() !== null) {
                [$this->heard[$id], $this->watched[$id]] = [$this->now, true];
            }
        }
        foreach ($this->switched as $i => [$axis, $switches]) {
            [$this->above[$i], $this->below[$i]] = [INF, -INF];
            foreach ($switches as $switch) {
                $this->on[$switch->id] = $this->stuck[$switch->id] ?? $switch->isOnAt($axis->position(), $this->on[$switch->id] ?? false,
                    $this->periods[$axis->motion->id]);
            }
        }
        foreach ($this->build->sensors as $id => $sensor) {
            $this->on[$id] = $this->rawSensor($sensor);
        }
        $this->differsSince = [];
    }

    /** @return array<string, bool> */
    public function all(): array
    {
        return $this->on;
    }

    public function isOn(string $input): bool
    {
        return $this->on[$input];
    }

    /** What its wire says now, before the controller has made sure that it goes on saying so. */
    public function says(string $input, float $now): bool
    {
        $since = $this->differsSince[$input] ?? null;
        $late_s = ($this->build->sensors[$input]->late_s ?? 0.0) + ($this->late[$input] ?? 0.0);

        return $since !== null && $now - $since >= $late_s - 1e-9 ? ! $this->on[$input] : $this->on[$input];
    }

    public function level(string $sensor): float
    {
        $of = $this->build->sensors[$sensor];
        $level = $this->levels[$sensor] + ($of->lamp !== null && isset($this->lit[$of->lamp]) ? $of->lamp_adds : 0.0);

        [$lower, $upper] = $this->threshold($of);

        return match ($upper === null ? null : $this->stuck[$sensor] ?? null) {
            null => $level,
            true => max($level, $upper), // what is stuck reads nothing else
            false => min($level, ($lower ?? $upper) - self::BELOW),
        };
    }

    /** Its threshold is another until the power goes. */
    public function calibrate(string $sensor, float $lower, float $upper): void
    {
        $this->thresholds[$sensor] = [$lower, $upper];
        $this->watched[$sensor] = true;
    }

    /** @return array{float|null, float|null} lower and upper */
    private function threshold(Sensor $sensor): array
    {
        return $this->thresholds[$sensor->id] ?? [$sensor->lower, $sensor->upper];
    }

    /** What it would read without any lamp of the build. */
    public function around(string $sensor): float
    {
        return $this->levels[$sensor];
    }

    /** An output is switched: what sees its light reads otherwise. */
    public function light(string $output, bool $on): void
    {
        unset($this->lit[$output]);
        if ($on) {
            $this->lit[$output] = true;
        }
        foreach ($this->build->sensors as $id => $sensor) {
            if ($sensor->lamp === $output) {
                $this->watched[$id] = true;
            }
        }
    }

    public function set(string $sensor, bool $on, float $now): void
    {
        $this->outside[$sensor] = $on;
        $this->watched[$sensor] = true;
        $this->heard[$sensor] = $now;
    }

    public function setLevel(string $sensor, float $value): void
    {
        $this->levels[$sensor] = $value;
        $this->watched[$sensor] = true;
    }

    public function stick(string $input, ?bool $on): void
    {
        unset($this->stuck[$input]);
        if ($on !== null) {
            $this->stuck[$input] = $on;
        }
        $this->watched[$input] = true;
        $this->changedHands = true;
        foreach (array_keys($this->switched) as $i) {
            [$this->above[$i], $this->below[$i]] = [INF, -INF];
        }
    }

    /** Its wire breaks, or is mended: a contact that is normally closed then reads as on, any other as off. */
    public function cut(string $input, bool $broken): void
    {
        $this->stick($input, $broken ? $this->build->sensors[$input]->closed ?? $this->build->switch($input)->closed ?? false : null);
    }

    public function delay(string $input, float $seconds): void
    {
        $this->late[$input] = $seconds;
    }

    /**
     * Looks at all of them.
     *
     * @return list<array{string, bool}> those that changed as the controller believes
     */
    public function look(float $now): array
    {
        $this->now = $now;
        $changed = [];
        foreach ($this->switched as $i => [$axis, $switches]) {
            if ($axis->isStill() && ! $this->changedHands && $this->differsSince === [] && $this->stuck === []) {
                continue;
            }
            $at = $axis->position();
            if ($at > $this->above[$i] && $at < $this->below[$i]) {
                continue;
            }
            $period = $this->periods[$axis->motion->id];
            foreach ($switches as $switch) {
                $id = $switch->id;
                $raw = $this->stuck[$id] ?? $switch->isOnAt($at, $this->on[$id], $period);
                if ($raw === $this->on[$id] && $this->differsSince === []) {
                    continue;
                }
                if ($this->believes($id, $raw, $this->build->settings->debounce_s + $switch->bounce_s, $now)) {
                    $changed[] = [$id, $raw];
                }
            }
            $this->saysTheSame($i, $switches, $period);
        }
        $this->changedHands = false;
        foreach ($this->watched as $id => $is) {
            $sensor = $this->build->sensors[$id] ?? null;
            if ($sensor === null) {
                continue; // a switch that is stuck
            }
            $raw = $this->rawSensor($sensor);
            if ($this->believes($sensor->id, $raw, ($sensor->bounce_s > 0.0 ? $this->build->settings->debounce_s + $sensor->bounce_s : 0.0)
                + $sensor->late_s, $now)) {
                $changed[] = [$sensor->id, $raw];
            }
            if ($sensor->motion === null && $raw === $this->on[$sensor->id] && ($sensor->fallsSilent_s() === null || $this->isSilent($sensor))) {
                unset($this->watched[$id]);
            }
        }

        return $changed;
    }

    /**
     * @param  list<array{string, bool}>  $changed
     * @return list<array{string, string}> buttons and what was done with them: `short`, `long`, `double`
     */
    public function gestures(array $changed, float $now): array
    {
        $done = [];
        foreach ($this->gestures as $id => $gestures) {
            foreach ($changed as [$input, $on]) {
                if ($input === $id) {
                    array_push($done, ...array_map(fn (string $how): array => [$id, $how], $gestures->changes($on, $now)));
                }
            }
            array_push($done, ...array_map(fn (string $how): array => [$id, $how], $gestures->waits($now)));
        }

        return $done;
    }

    /** Some press is not told apart yet. */
    public function awaitsGesture(): bool
    {
        foreach ($this->gestures as $gestures) {
            if ($gestures->isOpen()) {
                return true;
            }
        }

        return false;
    }

    /** Nothing is about to be believed, or stuck: as long as nothing moves past a switch or sensor, all say what they say now. */
    public function isQuiet(): bool
    {
        if ($this->differsSince !== [] || $this->stuck !== [] || $this->changedHands) {
            return false;
        }
        foreach ($this->watched as $id => $is) {
            if (($this->build->sensors[$id]->motion ?? null) === null) {
                return false;
            }
        }

        return true;
    }

    /** @return array{float, float} between which positions nothing that sits on a motion changes what it says; nothing between where that is not known */
    public function saysTheSameBetween(string $motion): array
    {
        foreach ($this->build->sensors as $sensor) {
            if ($sensor->motion === $motion) {
                return [INF, -INF];
            }
        }
        foreach ($this->switched as $i => [$axis]) {
            if ($axis->motion->id === $motion) {
                return [$this->above[$i], $this->below[$i]];
            }
        }

        return [-INF, INF];
    }

    /**
     * Where the switches of a motion need not be looked at: none is about to tell something, or stuck.
     *
     * @param  list<LimitSwitch>  $switches
     */
    private function saysTheSame(int $i, array $switches, ?float $period): void
    {
        [$above, $below] = $this->differsSince === [] && $this->stuck === [] ? [-INF, INF] : [INF, -INF];
        foreach ($switches as $switch) {
            [$from, $to] = $switch->saysTheSame($this->on[$switch->id], $period);
            $above = max($above, $from);
            $below = min($below, $to);
        }
        [$this->above[$i], $this->below[$i]] = [$above, $below];
    }

    private function rawSensor(Sensor $sensor): bool
    {
        $stuck = $this->stuck[$sensor->id] ?? null;
        if ($stuck !== null) {
            return $stuck;
        }
        if ($sensor->motion !== null) {
            return ($sensor->isOnAt($this->axes[$sensor->motion]->thingAt(), $this->periods[$sensor->motion]) ?? false) || $this->outside[$sensor->id];
        }
        if (! $sensor->measures()) {
            return $this->isSilent($sensor) ? $sensor->silent_is === 'on' : $this->outside[$sensor->id];
        }
        $level = $this->level($sensor->id);
        $was = $this->on[$sensor->id] ?? false;

        [$lower, $upper] = $this->threshold($sensor);

        return $upper !== null && ($level >= $upper || ($was && $level > ($lower ?? $upper)));
    }

    private function isSilent(Sensor $sensor): bool
    {
        return $this->now - ($this->heard[$sensor->id] ?? 0.0) >= ($sensor->fallsSilent_s() ?? INF) - 1e-9;
    }

    private function believes(string $id, bool $raw, float $after_s, float $now): bool
    {
        if ($raw === $this->on[$id]) {
            unset($this->differsSince[$id]);

            return false;
        }
        $since = $this->differsSince[$id] ??= $now;
        if ($now - $since < $after_s + ($this->late[$id] ?? 0.0) - 1e-9) {
            return false;
        }
        unset($this->differsSince[$id]);
        $this->on[$id] = $raw;

        return true;
    }
}
