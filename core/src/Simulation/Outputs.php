<?php

declare(strict_types=1);

namespace Brookstone\Core\Simulation;

use Brookstone\Core\Parts\Output;
use Brookstone\Core\Quantity\Constants;

/** Lamps and the like: which are on, when they go back by themselves, and which coils are on for too long. */
final class Outputs
{
    /** @var array<string, float> s, by output */
    private array $backAt_s = [];

    /** @var array<string, float> s, by output: when a coil that is on has been so for longer than it bears */
    private array $burnsAt_s = [];

    /** @var array<string, float> s, by output: until when the coil that was hit, or the servo that turns, takes its current */
    private array $hitUntil_s = [];

    /** @var array<string, bool> by output */
    private array $on;

    /** @param  array<string, Output>  $outputs  by id; all off at first */
    public function __construct(private readonly array $outputs, private readonly Inputs $inputs, private readonly Recorder $recorder)
    {
        $this->on = array_map(fn (): bool => false, $outputs);
    }

    /** @return array<string, bool> */
    public function all(): array
    {
        return $this->on;
    }

    /**
     * @param  float|null  $for_s  after which it goes back, of points for how long their coil is on; null for good
     * @return bool whether that changes anything
     */
    public function switch(string $output, bool $on, float $now_s, ?float $for_s = null): bool
    {
        $of = $this->outputs[$output];
        unset($this->backAt_s[$output], $this->burnsAt_s[$output]);
        if ($for_s !== null && ! $of->isThrown()) {
            $this->backAt_s[$output] = $now_s + $for_s;
        }
        if (($on || $of->isThrown()) && ($for_s ?? INF) > $of->bears_s() * (1 + Constants::TIE)) {
            $this->burnsAt_s[$output] = $now_s + $of->bears_s();
        }
        if ($of->isThrown() || $of->turns_s() !== null) {
            $this->hitUntil_s[$output] = $now_s + ($of->turns_s() ?? $for_s ?? INF);
        }
        if ($this->on[$output] === $on) {
            return $of->isThrown();
        }
        $this->on[$output] = $on;
        $this->inputs->light($output, $on);
        $this->recorder->output($output, $now_s, $on);

        return true;
    }

    /**
     * The power is gone, and with it whoever would have switched them back.
     *
     * @return list<string> those that were on
     */
    public function lose(): array
    {
        $this->backAt_s = [];

        return array_map(strval(...), array_keys(array_filter($this->on)));
    }

    /** @return int how many went back or take no more by now; coils that have been on for longer than they bear are told, each once */
    public function goBack(float $now_s): int
    {
        if ($this->burnsAt_s === [] && $this->hitUntil_s === [] && $this->backAt_s === []) {
            return 0;
        }
        foreach (array_keys(array_filter($this->burnsAt_s, fn (float $at_s): bool => $now_s >= $at_s - 1e-9)) as $output) {
            $this->recorder->burns($now_s, $this->outputs[$output]);
            unset($this->burnsAt_s[$output]);
        }
        $hit = array_keys(array_filter($this->hitUntil_s, fn (float $until_s): bool => $now_s >= $until_s - 1e-9));
        $this->hitUntil_s = array_diff_key($this->hitUntil_s, array_flip($hit));
        $due = array_keys(array_filter($this->backAt_s, fn (float $at_s): bool => $now_s >= $at_s - 1e-9));
        foreach ($due as $output) {
            $this->switch((string) $output, ! $this->on[$output], $now_s);
        }

        return count($due) + count($hit);
    }

    /** @return array<string, bool> outputs that take their current now: whether that ends by itself */
    public function drawing(): array
    {
        $drawing = [];
        foreach ($this->outputs as $id => $output) {
            $ends_s = $output->isThrown() || $output->turns_s() !== null ? $this->hitUntil_s[$id] ?? 0.0
                : ($this->on[$id] ? $this->backAt_s[$id] ?? INF : 0.0);
            $drawing += $ends_s > 0.0 ? [$id => $ends_s < INF] : [];
        }

        return $drawing;
    }

    /** When the next of them goes back, or burns, s; INF where none does. */
    public function nextBack_s(): float
    {
        return min([INF, ...$this->backAt_s, ...$this->burnsAt_s, ...$this->hitUntil_s]);
    }
}
