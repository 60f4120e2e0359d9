<?php

declare(strict_types=1);

namespace Brookstone\Core\Dynamics;

use Brookstone\Core\Drive\TorqueLine;

/** A motor that runs as long as it is told to, or turns shorted or free. */
final class MotorShaft
{
    private const RAMP_STEPS = 40;

    private float $pushedFor_s = 0.0; // since it was last switched

    private ?TorqueLine $line = null; // null with its terminals open

    private int $command = 1;

    private bool $powered = false;

    private float $fed = 1.0;

    private bool $leaks = false; // nothing arrives of what air pushes

    private float $blown = 1.0; // of what air pushes, times the force that is reckoned with

    private float $share = 1.0; // of the time that its driver connects it

    public float $current_A = 0.0; // at the end of the last step

    /** @param  float  $ramp_s  in which its command goes from nothing to full */
    public function __construct(private Plant $plant, private readonly float $ramp_s)
    {
    }

    /** The machine that it turns has changed. @param  bool  $leaks  nothing arrives of what air pushes */
    public function moves(Plant $plant, bool $leaks = false): void
    {
        $this->plant = $plant;
        $this->leaks = $leaks;
    }

    /** Share of the voltage that its supply gives. */
    public function fedWith(float $share): void
    {
        $this->fed = $share;
    }

    private function blown(): float
    {
        return $this->leaks ? 0.0 : $this->blown;
    }

    /** What air pushes with, times the force that is reckoned with. */
    public function blownWith(float $share): void
    {
        $this->blown = $share;
    }

    public function switch(DriverCommand $order): void
    {
        [$this->line, $this->command, $this->powered, $this->share] = [$order->line, $order->command, $order->powered, $order->share];
        $this->pushedFor_s = 0.0;
    }

    public function command(): int
    {
        return $this->command;
    }

    public function isRamping(): bool
    {
        return $this->powered && $this->pushedFor_s < $this->ramp_s;
    }

    /** The most that it pushes with under its command. */
    public function most_Nm(): float
    {
        return $this->powered ? $this->blown() * ($this->line?->atShare($this->fed)->most_Nm() ?? 0.0) : 0.0;
    }

    /** It pushes with all that it is told to: what then does not move is stuck. */
    public function isAtFull(): bool
    {
        return $this->powered && ! $this->isRamping() && $this->line !== null;
    }

    /**
     * What its driver draws from the supply at its present speed, A, if the supply gave a share of its voltage; what the load gives back is burnt there.
     *
     * @param  DriverCommand|null  $next  that it is about to obey; what it does now when null
     */
    public function drawn_A(PlantState $state, float $fed, ?DriverCommand $next = null): float
    {
        [$line, $command, $powered, $share, $pushed] = $next === null
            ? [$this->line, $this->command, $this->powered, $this->share, $this->pushedFor_s]
            : [$next->line, $next->command, $next->powered, $next->share, 0.0];
        if (! $powered || $line === null) {
            return 0.0;
        }
        $ramp = $this->ramp_s > 0.0 ? min(1.0, $pushed / $this->ramp_s) : 1.0;

        return $share * $ramp * $line->flowsAtShare_A($fed * $ramp, $this->plant->ratio * $command * $state->speed);
    }

    /**
     * What it drew on the average while it turned from one angle of the shaft to another and did nothing else: its current is a straight line of its speed.
     *
     * @param  float  $speed  on the average, rad/s
     */
    public function drewOnAverage_A(float $speed, float $fed): float
    {
        return $this->line === null ? 0.0 : $this->share * $this->line->flowsAtShare_A($fed, $this->plant->ratio * $this->command * $speed);
    }

    /** How fast it turns by itself as it is driven now, rad/s. */
    public function noLoad_rad_s(): float
    {
        return $this->line === null ? 0.0 : $this->line->noLoad_rad_s();
    }

    /** The most that it can draw as it is driven now. */
    public function most_A(): float
    {
        return $this->line === null ? 0.0 : $this->share * $this->line->stall_A;
    }

    /** @return float the seconds used, of those given */
    public function step(PlantState $state, HardStops $stops, float $seconds, ?Ledger $ledger): float
    {
        $line = $this->line ?? TorqueLine::none();
        if ($this->fed !== 1.0 && $this->powered) {
            $line = $line->atShare($this->fed);
        }
        if ($this->leaks || ($this->powered && $this->blown !== 1.0)) { // what is off at its hose does not brake either
            $line = $line->atPressure($this->blown());
        }
        if ($stops->at() !== 0 && $stops->at() === $this->command && $this->powered) {
            $ledger?->held($line->stall_A, $seconds);

            $this->current_A = $line->stall_A;

            return $seconds;
        }
        if ($this->isRamping()) {
            $seconds = min($seconds, $this->ramp_s / self::RAMP_STEPS);
            $line = $line->atShare(min(1.0, ($this->pushedFor_s + $seconds / 2) / $this->ramp_s));
        }
        $used = $this->plant->stepInto($ledger, $state, $line, $this->command, $this->powered, $seconds, $this->isRamping());
        $this->pushedFor_s += $used;
        $this->current_A = $this->powered ? $line->currentAt($state->motor_Nm) : 0.0;

        return $used;
    }
}
