<?php

declare(strict_types=1);

namespace Brookstone\Core\Simulation;

use Brookstone\Core\Build\Rule;
use Brookstone\Core\Condition\Conditions;

/** Watches the rules of a build during a run: each time that one comes to be broken is told once. */
final class RuleWatch
{
    /** Some rule may come to be broken by nothing but time. */
    public readonly bool $hangOnTime;

    /** @var array<string, true> rules that are broken at the moment */
    private array $broken = [];

    private int $lookedAt = -1;

    public function __construct(private readonly World $world)
    {
        $this->hangOnTime = array_filter($world->build->rules, fn (Rule $rule): bool => Conditions::hangOnTime($rule->never, $rule->while)) !== [];
    }

    /** @param  int  $state  how far the world has come: at the same, nothing is otherwise than it was */
    public function look(int $state): void
    {
        if ($this->world->build->rules === [] || ($state === $this->lookedAt && ! $this->hangOnTime)) {
            return;
        }
        $this->lookedAt = $state;
        foreach ($this->world->build->rules as $id => $rule) {
            $is = $rule->never->holds($this->world);
            if (($is || $rule->remembers) && $rule->while !== null) {
                $is = $rule->while->holds($this->world) && $is;
            }
            if ($is && ! isset($this->broken[$id])) {
                $this->broken[$id] = true;
                $this->world->recorder->broken($this->world->now(), $rule);
            } elseif (! $is) {
                unset($this->broken[$id]);
            }
        }
    }
}
