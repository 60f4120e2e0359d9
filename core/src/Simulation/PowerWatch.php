<?php

declare(strict_types=1);

namespace Brookstone\Core\Simulation;

use Brookstone\Core\Build\Build;
use Brookstone\Core\Build\OtherLoads;
use Brookstone\Core\Quantity\Constants;

/**
 * What of a run hangs on its supplies: whether the controller has as much voltage as it needs, when it has started again after it had not, and supplies
 * that outputs switch.
 */
final class PowerWatch
{
    /** @var array<string, list<array{string, float}>> by output: what it takes of which supplies while it takes anything, A */
    private array $takes;

    private float $startsAgain_s = INF;

    private float $settles_s = INF; // when a supply that was switched on last has

    /**
     * @param  array<string, SupplyState>  $feeds
     * @param  Air  $air  whose compressors take their current too
     */
    public function __construct(private readonly Build $build, private readonly array $feeds, private readonly Recorder $recorder, private readonly Air $air)
    {
        $this->takes = array_map((new OtherLoads($build))->takenBy(...), $build->outputs);
        foreach (array_keys($build->outputs) as $output) {
            $this->switches((string) $output, false, 0.0); // outputs are off at first
        }
    }

    /** An output is switched: where that switches a supply, it settles first. */
    public function switches(string $output, bool $on, float $now): void
    {
        $gated = $this->build->outputs[$output]->gates;
        if ($gated !== null) {
            $this->feeds[$gated]->isSwitched($on, $now);
            $this->settles_s = $on ? $now + $this->build->supplies[$gated]->settles_s : $this->settles_s;
        }
    }

    /** @param  array<string, bool>  $drawing  outputs that take their current now: whether that ends by itself */
    public function feeds(array $drawing): void
    {
        $sums = $passing = array_map(fn (): float => 0.0, $this->feeds);
        foreach ($drawing as $output => $passes) {
            foreach ($this->takes[$output] as [$supply, $amps]) {
                $sums[$supply] += $amps;
                $passing[$supply] += $passes ? $amps : 0.0;
            }
        }
        foreach ($this->feeds as $id => $feed) {
            $feed->feedsOutputs($sums[$id] + $this->air->takes_A((string) $id), $passing[$id]);
        }
    }

    /** A supply that was switched on gives its volts by now; told once. */
    public function hasSettled(float $now): bool
    {
        $has = $this->settles_s <= $now + 1e-9;
        $this->settles_s = $has ? INF : $this->settles_s;

        return $has;
    }

    /** It is starting again. */
    public function isStarting(): bool
    {
        return $this->startsAgain_s < INF;
    }

    /** When something of it happens next. */
    public function due_s(): float
    {
        return min($this->startsAgain_s, $this->settles_s);
    }

    /** Its supply has come to give too little, now. */
    public function resets(float $now): bool
    {
        $controller = $this->build->wiring->controller();
        $feed = $controller === null ? null : $this->feeds[$controller->supply];
        if ($controller === null || $feed === null || $feed->volts_V() >= $controller->board->least_V * (1 - Constants::TIE)) {
            return false;
        }
        $this->recorder->resets($now, $controller, $feed->supply, $feed->volts_V());
        $this->startsAgain_s = $now + max($controller->board->starts_s, $this->build->settings->scan_s);

        return true;
    }

    /** It has started again by now, with its supply back; told once. Where that is not back, it never does. */
    public function isBack(float $now): bool
    {
        $controller = $this->build->wiring->controller();
        if ($controller === null || $this->startsAgain_s > $now + 1e-9) {
            return false;
        }
        $this->startsAgain_s = INF;

        return $this->feeds[$controller->supply]->volts_V() >= $controller->board->least_V;
    }

    /** The power goes or comes from outside: what was starting again starts with it. */
    public function forgets(): void
    {
        $this->startsAgain_s = INF;
    }
}
