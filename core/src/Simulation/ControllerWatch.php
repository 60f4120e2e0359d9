<?php

declare(strict_types=1);

namespace Brookstone\Core\Simulation;

use Brookstone\Core\Build\Build;
use Brookstone\Core\Quantity\Constants;

/** Whether the controller of a run has as much voltage as it needs, and when it has started again after it had not. */
final class ControllerWatch
{
    private float $startsAgain_s = INF;

    /** @param  array<string, SupplyState>  $feeds */
    public function __construct(private readonly Build $build, private readonly array $feeds, private readonly Recorder $recorder)
    {
    }

    /** When it will have started again; INF while it works, or has no power for another reason. */
    public function startsAgain_s(): float
    {
        return $this->startsAgain_s;
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
