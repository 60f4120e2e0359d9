<?php

declare(strict_types=1);

namespace Brookstone\Core\Simulation;

use Brookstone\Core\Build\Build;
use Brookstone\Core\Build\OtherLoads;
use Brookstone\Core\Finding\Sentence;
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

    private ?bool $sleeps = null; // null: it never has

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

    /**
     * The controller sleeps, or wakes: boards take less meanwhile, and what it left on nothing stops.
     *
     * @param  array<string, Axis>  $axes
     */
    public function sleeps(bool $does, float $now, array $axes): void
    {
        $this->sleeps = $does;
        $this->recorder->routine($now, 'power', $does ? 'The controller sleeps.' : 'The controller wakes.');
        foreach ($does ? $axes : [] as $axis) {
            if ($axis->motion->positioning->isSwitched() && $axis->isPowered()) {
                $this->recorder->mishap('left_powered', $axis->motion->id, $now,
                    new Sentence("{$axis->motion->named()} is still powered while the controller sleeps: nothing stops it."));
            }
        }
    }

    public function mayHaveSlept(): bool
    {
        return $this->sleeps !== null;
    }

    /** What boards take less of a supply now than awake, A. */
    private function saved_A(string $supply): float
    {
        $standing = $this->sleeps === true ? (new OtherLoads($this->build))->standing() : [];

        return array_sum(array_map(fn (array $each): float => $each['supply'] === $supply ? $each['awake_A'] - $each['asleep_A'] : 0.0, $standing));
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
            $feed->feedsOutputs($sums[$id] + $this->air->takes_A((string) $id) - $this->saved_A((string) $id), $passing[$id]);
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
