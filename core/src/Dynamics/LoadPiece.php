<?php

declare(strict_types=1);

namespace Brookstone\Core\Dynamics;

use Brookstone\Core\Mechanism\Mechanism;

/** The load between two places where it jumps, of a mechanism whose load is else the same everywhere: as it was last looked up. */
final class LoadPiece
{
    /** Angles between which it holds, rad; it holds nowhere at first. */
    public float $from = INF;

    public float $to = -INF;

    public float $load_Nm = 0.0;

    public float $friction_Nm = 0.0;

    public float $own_kgm2 = 0.0;

    /** @param  list<float>  $breaks  angles, rising */
    public function __construct(private readonly Mechanism $mechanism, private readonly array $breaks)
    {
    }

    /** The piece around an angle; on a break itself it is that of the break alone. */
    public function find(float $angle): void
    {
        [$this->load_Nm, $this->friction_Nm, $this->own_kgm2] = $this->mechanism->dynamics($this->mechanism->positionAt($angle));
        [$this->from, $this->to] = [-INF, INF];
        foreach ($this->breaks as $break) {
            if ($break === $angle) {
                [$this->from, $this->to] = [$angle, $angle];

                return;
            }
            if ($break < $angle) {
                $this->from = $break;
            } elseif ($break < $this->to) {
                $this->to = $break;
            }
        }
    }
}
