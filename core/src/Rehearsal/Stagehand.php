<?php

declare(strict_types=1);

namespace Brookstone\Core\Rehearsal;

use Brookstone\Core\Condition\AllOf;
use Brookstone\Core\Condition\AnyOf;
use Brookstone\Core\Condition\Condition;
use Brookstone\Core\Condition\InputIs;
use Brookstone\Core\Condition\LevelIs;
use Brookstone\Core\Condition\NotSo;
use Brookstone\Core\Parts\Sensor;
use Brookstone\Core\Routine\Effect;
use Brookstone\Core\Routine\Step;
use Brookstone\Core\Routine\WorldEvent;
use Brookstone\Core\Simulation\World;

/** Does what people and things around a machine do: answers what its routines wait for, after a plausible time, and lets go again. */
final class Stagehand
{
    public const ANSWERS_S = 1.0;

    public const LETS_GO_S = 0.3;

    private const LOOKS_S = 0.02;

    private const PLAINLY = 2.0; // times what it must read otherwise at least

    private const PAST = 0.05; // of its value: so far past what is waited for a reading goes

    /** @var array<int, Effect|null> of steps that it has seen, what they ask of people if anything */
    private array $asks = [];

    /** @var array<int, float> since when it has seen a step wait */
    private array $waiting = [];

    /** @var array<int, true> steps that were answered */
    private array $answered = [];

    /** @var array<int, array{float, WorldEvent}> what it lets go, and when */
    private array $letsGo = [];

    private float $looks_at_s = 0.0;

    public function __construct(private readonly World $world)
    {
    }

    public function look(): void
    {
        $now = $this->world->now();
        if ($now < $this->looks_at_s) {
            return;
        }
        $this->looks_at_s = $now + self::LOOKS_S;
        foreach ($this->letsGo as $i => [$at, $event]) {
            if ($at <= $now) {
                $this->world->happens($event);
                unset($this->letsGo[$i]);
            }
        }
        foreach ($this->world->recorder->underWay() as $record => $step) {
            $effect = isset($this->answered[$record]) ? null : $this->asks($record, $step);
            if ($effect === null) {
                continue;
            }
            $this->waiting[$record] ??= $now;
            if ($now - $this->waiting[$record] < self::ANSWERS_S) {
                continue;
            }
            $this->answered[$record] = true;
            if ($effect->shows !== null) {
                $this->shows(...$effect->shows);
            } elseif ($effect->until !== null) {
                $this->makes($effect->until, true, self::lasts_s($effect->until));
            }
        }
    }

    /** Until when it has nothing to do, unless a step is begun, s. */
    public function due_s(): float
    {
        $due = INF;
        foreach ($this->letsGo as [$at]) {
            $due = min($due, $at);
        }
        foreach ($this->world->recorder->underWay() as $record => $step) {
            if (! isset($this->answered[$record]) && $this->asks($record, $step) !== null) {
                $due = min($due, isset($this->waiting[$record]) ? $this->waiting[$record] + self::ANSWERS_S : -INF);
            }
        }

        return $due;
    }

    /** What a step that is being done asks of people; null where that is nothing. */
    private function asks(int $record, Step $step): ?Effect
    {
        if (! array_key_exists($record, $this->asks)) {
            $effect = $step->effect($this->world->build);
            $this->asks[$record] = $effect->until !== null || $effect->shows !== null ? $effect : null;
        }

        return $this->asks[$record];
    }

    /** Shows a sensor the thing, after a press without it and before a press with it where a button tells; and takes it away again. */
    private function shows(string $sensor, ?string $button, float $gap): void
    {
        $of = $this->world->build->sensors[$sensor];
        $presses = $button === null ? [] : [0, 2];
        foreach ($presses as $turn) {
            foreach (self::input($this->world->build->sensors[$button] ?? null, true)[0] ?? [] as $i => $event) {
                $this->letsGo[] = [$this->world->now() + $turn * self::ANSWERS_S + $i * self::LETS_GO_S, $event];
            }
        }
        if ($of->motion === null) {
            foreach ([$of->rest + self::PLAINLY * $gap, $of->rest] as $i => $value) {
                $this->letsGo[] = [$this->world->now() + (1 + 2 * $i) * self::ANSWERS_S, new WorldEvent(0.0, 'level', $sensor, value: $value)];
            }
        }
    }

    /** Does something when a hand lets go. */
    public function later(WorldEvent $event): void
    {
        $this->letsGo[] = [$this->world->now() + self::LETS_GO_S, $event];
    }

    /**
     * Makes something so, or not so, as far as that hangs on what people do.
     *
     * @param  float|null  $for_s  and lets go again after that; for good when null
     */
    public function makes(Condition $condition, bool $so, ?float $for_s): void
    {
        foreach (self::events($this->world->build->sensors, $condition, $so) as [$does, $undoes]) {
            $this->world->happens($does);
            if ($for_s !== null) {
                $this->letsGo[] = [$this->world->now() + $for_s, $undoes];
            }
        }
    }

    /**
     * @param  array<string, Sensor>  $sensors
     * @return list<array{WorldEvent, WorldEvent}> what makes it so, and what undoes that
     */
    public static function events(array $sensors, Condition $condition, bool $so): array
    {
        $all = fn (array $of): array => array_merge(...array_map(fn (Condition $each): array => self::events($sensors, $each, $so), $of));
        $first = fn (array $of): array => array_values(array_filter(array_map(fn (Condition $each): array => self::events($sensors, $each, $so),
            $of)))[0] ?? [];

        return match (true) {
            $condition instanceof NotSo => self::events($sensors, $condition->that, ! $so),
            $condition instanceof AllOf => $so ? $all($condition->of) : $first($condition->of),
            $condition instanceof AnyOf => $so ? $first($condition->of) : $all($condition->of),
            $condition instanceof InputIs => self::input($sensors[$condition->sensor] ?? null, $condition->on === $so),
            $condition instanceof LevelIs => self::level($sensors[$condition->sensor] ?? null, $condition->value, $condition->above === $so),
            default => [],
        };
    }

    /** @return list<array{WorldEvent, WorldEvent}> */
    private static function input(?Sensor $sensor, bool $on): array
    {
        if ($sensor === null || $sensor->motion !== null) {
            return []; // the machine itself does that, or does not
        }
        if ($sensor->measures()) {
            return $sensor->upper === null ? [] : self::level($sensor, $on ? $sensor->upper : $sensor->lower ?? $sensor->upper, $on);
        }

        return [[new WorldEvent(0.0, 'sensor', $sensor->id, $on), new WorldEvent(0.0, 'sensor', $sensor->id, ! $on)]];
    }

    /** @return list<array{WorldEvent, WorldEvent}> */
    private static function level(?Sensor $sensor, float $value, bool $above): array
    {
        $past = max(1e-3, self::PAST * abs($value));

        return $sensor === null || $sensor->motion !== null ? []
            : [[new WorldEvent(0.0, 'level', $sensor->id, value: $value + ($above ? $past : -$past)),
                new WorldEvent(0.0, 'level', $sensor->id, value: $sensor->rest)]];
    }

    /** Long enough for what must be so for a time. */
    private static function lasts_s(Condition $condition): float
    {
        $longest = $condition instanceof InputIs ? $condition->for_s ?? 0.0 : 0.0;
        foreach ($condition->parts() as $part) {
            $longest = max($longest, self::lasts_s($part) - self::LETS_GO_S);
        }

        return $longest + self::LETS_GO_S;
    }
}
