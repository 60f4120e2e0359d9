<?php

declare(strict_types=1);

namespace Brookstone\Core\Simulation;

/** Lamps and the like: which are on, and when they go back by themselves. */
final class Outputs
{
    /** @var array<string, float> s, by output */
    private array $backAt_s = [];

    /** @param  array<string, bool>  $on  by output */
    public function __construct(private array $on, private readonly Inputs $inputs, private readonly Recorder $recorder)
    {
    }

    /** @return array<string, bool> */
    public function all(): array
    {
        return $this->on;
    }

    /**
     * @param  float|null  $for_s  after which it goes back; null for good
     * @return bool whether that changes anything
     */
    public function switch(string $output, bool $on, float $now_s, ?float $for_s = null): bool
    {
        unset($this->backAt_s[$output]);
        if ($for_s !== null) {
            $this->backAt_s[$output] = $now_s + $for_s;
        }
        if ($this->on[$output] === $on) {
            return false;
        }
        $this->on[$output] = $on;
        $this->inputs->light($output, $on);
        $this->recorder->output($output, $now_s, $on);

        return true;
    }

    /** @return int how many went back by now */
    public function goBack(float $now_s): int
    {
        $due = array_keys(array_filter($this->backAt_s, fn (float $at_s): bool => $now_s >= $at_s - 1e-9));
        foreach ($due as $output) {
            $this->switch((string) $output, ! $this->on[$output], $now_s);
        }

        return count($due);
    }

    /** When the next of them goes back, s; INF where none does. */
    public function nextBack_s(): float
    {
        return min([INF, ...$this->backAt_s]);
    }
}
