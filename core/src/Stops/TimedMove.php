<?php

declare(strict_types=1);

namespace Brookstone\Core\Stops;

use Brookstone\Core\Dynamics\DriverCommand;
use Brookstone\Core\Dynamics\HardStops;
use Brookstone\Core\Dynamics\MotionRun;
use Brookstone\Core\Dynamics\MotorShaft;
use Brookstone\Core\Dynamics\Plant;
use Brookstone\Core\Mechanism\Burdened;
use Brookstone\Core\Parts\Motion;
use Brookstone\Core\Parts\Settings;

/**
 * A move that lasts a set time: the time that it takes at the rated voltage and load, whatever they are when it is made. Where it
 * ends follows from the motion's own plant. Positions and errors in the motion's own unit, towards larger positions positive.
 */
final readonly class TimedMove
{
    public const FRICTION_SD = 0.15; // of the friction

    public const LOAD_SD = 0.03;     // of the load

    /** So many times of one move taken at the bench tell their spread. */
    public const REPEATS = 3;

    private const NUDGE = 0.01; // of its way

    private const LONGEST_S = 60.0;

    private const REST_S = 5.0;

    /** Set time, s; null where the drive cannot make the move. */
    public ?float $time_s;

    /** Of its time as it was taken at the bench, s; null where that was not done often enough. */
    public ?float $measured_sd_s;

    /** @param  list<float>  $measured_s  times of it taken at the bench */
    public function __construct(private Motion $motion, private Settings $settings, private float $from, private float $to, private float $speed = 1.0,
        array $measured_s = [])
    {
        $count = count($measured_s);
        $mean = array_sum($measured_s) / max(1, $count);
        $this->measured_sd_s = $count < self::REPEATS ? null
            : sqrt(array_sum(array_map(fn (float $each): float => ($each - $mean) ** 2, $measured_s)) / ($count - 1));
        $unit = $motion->unit();
        $this->time_s = $motion->drive === null ? null : MotionRun::of(Plant::of($motion), $motion->drive->line($speed), $unit->toSi($from),
            $unit->toSi($to), self::LONGEST_S, ramp_s: $motion->drive->ramp_s)->time_s;
    }

    /** How far past its place it comes to rest, setting out so far off its start; signed. */
    public function error(float $supply = 1.0, float $friction = 1.0, float $load = 1.0, float $off = 0.0): float
    {
        $drive = $this->motion->drive;
        if ($drive === null || $this->time_s === null) {
            return 0.0;
        }
        $unit = $this->motion->unit();
        $plant = $this->plant($friction, $load);
        $state = $plant->stateAt($unit->toSi($this->from + $off));
        $direction = $this->to > $this->from ? 1 : -1;
        $line = $drive->line($this->speed);
        $nothing = new HardStops(-INF, INF);
        $motor = new MotorShaft($plant, $drive->ramp_s);
        $motor->fedWith($supply);
        $motor->switch(new DriverCommand($line, $direction, true, null, 0.0));
        for ($left = $this->time_s + $this->settings->scan_s / 2 + $this->motion->obeysWithin_s($this->settings); $left > 1e-12;) {
            $left -= $motor->step($state, $nothing, $left, null);
        }
        $motor->switch(new DriverCommand($this->motion->stops->brakes ? $line->shorted() : null, $direction, false, null, 0.0));
        for ($time = 0.0; $time < self::REST_S && $state->speed !== 0.0;) {
            $time += $motor->step($state, $nothing, 0.05, null);
        }

        return $unit->fromSi($plant->position($state)) - $this->to;
    }

    /** Of the voltage, as a share. */
    public function supplySd(): float
    {
        return $this->motion->drive?->supply->spread() ?? 0.0;
    }

    /** Spread of that from one move to the next, one standard deviation: each cause by itself, added as they are independent. */
    public function spread(): float
    {
        [, , $supply, $variance] = $this->linear();

        return sqrt($supply ** 2 + $variance);
    }

    /**
     * The same near where nothing scatters: the error, how much of that of its start it passes on, what one standard deviation of the supply adds, and
     * the variance of all that is of this move alone. Where the time was measured often enough, its spread says all of that.
     *
     * @return array{float, float, float, float} in the motion's own unit, and its square
     */
    public function linear(): array
    {
        $bias = $this->error();
        $nudge = self::NUDGE * ($this->to - $this->from);
        $gain = $this->time_s === null ? 1.0 : ($this->error(off: $nudge) - $this->error(off: -$nudge)) / 2 / $nudge;
        if ($this->measured_sd_s !== null) {
            return [$bias, $gain, 0.0, ($this->measured_sd_s * $this->endSpeed()) ** 2];
        }
        $half = fn (\Closure $error, float $sd): float => ($error(1 + $sd) - $error(1 - $sd)) / 2;

        return [
            $bias, $gain, $half(fn (float $share): float => $this->error(supply: $share), $this->supplySd()),
            $half(fn (float $share): float => $this->error(friction: $share), self::FRICTION_SD) ** 2
                + $half(fn (float $share): float => $this->error(load: $share), self::LOAD_SD) ** 2,
        ];
    }

    /** When it is switched off, own unit per second, ≥ 0: what a second more or less of its time is worth. */
    private function endSpeed(): float
    {
        $drive = $this->motion->drive;
        $unit = $this->motion->unit();

        return $drive === null ? 0.0 : abs($unit->fromSi((float) MotionRun::of(Plant::of($this->motion), $drive->line($this->speed),
            $unit->toSi($this->from), $unit->toSi($this->to), self::LONGEST_S, ramp_s: $drive->ramp_s)->end_speed));
    }

    private function plant(float $friction, float $load): Plant
    {
        return $friction === 1.0 && $load === 1.0 ? Plant::of($this->motion)
            : Plant::of($this->motion->withMechanism(new Burdened($this->motion->mechanism, $load, rubs: $friction)));
    }
}
