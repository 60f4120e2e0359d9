<?php

declare(strict_types=1);

namespace Brookstone\Core\Simulation;

use Brookstone\Core\Drive\TorqueLine;

/**
 * What Coupling says of a motor and a train at one speed, kept for as long as it stays so: the same piece of the motor's line, the same side that
 * drives. Then inertia and push are the same whatever the load, and nobody needs to ask again.
 */
final readonly class Piece
{
    public float $push;

    public float $fade;

    /** Of the rotor, as it is felt: it comes on top of the load's own inertia, kg·m². */
    public float $felt;

    /** Of the load and its inertia, as they are felt: 1, or 0 where the train locks and the rotor goes by itself. */
    public float $passes;

    /** Speeds between which it is the same piece of the line, rad/s. */
    private float $from;

    private float $to;

    /** What the motor gives before the train, and what it loses of it for each rad/s. */
    private float $given;

    private float $lost;

    /** 1 the motor drives, −1 the load; 0 is all the same to a train without loss. */
    private int $side;

    /** @param  array{float, float, float, float, float, float, float, list<float>}  $coupled  as Coupling::at() says; not of what goes at once */
    public function __construct(array $coupled, TorqueLine $line, float $ratio, float $efficiency, float $back, private float $rotor)
    {
        [, $this->push, $this->fade, , $pass, $base, $fall] = $coupled;
        $this->passes = $pass === Coupling::LOCKED ? 0.0 : 1.0;
        $this->felt = $this->passes > 0.0 ? $pass * $rotor : $rotor;
        $corner = $line->corner_rad_s() / $ratio;
        $free = $line->noLoad_rad_s() / $ratio;
        [$this->from, $this->to] = match (true) {
            $fall <= 0.0 => [0.0, $corner],
            $base === $line->stall_Nm => [$corner, $line->drivenFall_Nms === $line->fall_Nms ? INF : $free],
            default => [$free, INF],
        };
        $this->given = $ratio * $base;
        $this->lost = $ratio * $ratio * $fall;
        $this->side = $efficiency * $back === 1.0 ? 0 : ($pass === $efficiency ? 1 : -1);
    }

    /** Whether it is still so from one speed to another, against a load of an inertia of its own; both as Coupling has them. */
    public function lasts(float $speed, float $next, float $load, float $own): bool
    {
        if ($speed < $this->from || $next < $this->from || $speed > $this->to || $next > $this->to) {
            return false;
        }
        $enters = $this->given * $own + $this->rotor * $load;

        return $this->side === 0 || (($enters - $this->lost * $own * $speed) * $this->side >= 0.0 && ($enters - $this->lost * $own * $next) * $this->side >= 0.0);
    }
}
