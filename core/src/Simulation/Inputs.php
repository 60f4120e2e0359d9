<?php

declare(strict_types=1);

namespace Brookstone\Core\Simulation;

use Brookstone\Core\Build\Build;
use Brookstone\Core\Parts\LimitSwitch;
use Brookstone\Core\Parts\Sensor;

/** What the controller believes of its switches and sensors: after bounce, lateness, and whatever is stuck. */
final class Inputs
{
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

    public function level(string $sensor): float
    {
        $of = $this->build->sensors[$sensor];

        return $this->levels[$sensor] + ($of->lamp !== null && isset($this->lit[$of->lamp]) ? $of->lamp_adds : 0.0);
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

    public function set(string $sensor, bool $on): void
    {
        $this->outside[$sensor] = $on;
        $this->watched[$sensor] = true;
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
            if ($sensor->motion === null && $raw === $this->on[$sensor->id]) {
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
            return $this->outside[$sensor->id];
        }
        $level = $this->level($sensor->id);
        $was = $this->on[$sensor->id] ?? false;

        return $sensor->upper !== null && ($level >= $sensor->upper || ($was && $level > ($sensor->lower ?? $sensor->upper)));
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
