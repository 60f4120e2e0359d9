<?php

declare(strict_types=1);

namespace Tests\Support;

use Brookstone\Core\Mechanism\Arm;
use Brookstone\Core\Mechanism\Balancer;
use Brookstone\Core\Mechanism\Ball;
use Brookstone\Core\Mechanism\Crank;
use Brookstone\Core\Mechanism\CrankRocker;
use Brookstone\Core\Mechanism\Feeder;
use Brookstone\Core\Mechanism\Hoist;
use Brookstone\Core\Mechanism\Measured;
use Brookstone\Core\Mechanism\Mechanism;
use Brookstone\Core\Mechanism\PositionUnit;
use Brookstone\Core\Mechanism\PushrodLever;
use Brookstone\Core\Mechanism\Segment;
use Brookstone\Core\Mechanism\Segmented;
use Brookstone\Core\Mechanism\Slide;
use Brookstone\Core\Mechanism\SpringLever;
use Brookstone\Core\Mechanism\Turntable;
use Brookstone\Core\Mechanism\Wheels;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** Things that move, made by a seed: the same seed gives the same thing. */
final class Things
{
    public const KINDS = ['arm', 'turntable', 'hoist', 'slide', 'wheels', 'crank', 'crank_rocker', 'pushed', 'ball', 'balancer', 'spring_lever', 'feeder', 'measured',
        'segmented', 'layered'];

    private Randomizer $random;

    public function __construct(int $seed)
    {
        $this->random = new Randomizer(new Mt19937($seed));
    }

    public function number(float $from, float $to): float
    {
        return $from + ($to - $from) * $this->random->getInt(0, 1_000_000) / 1_000_000;
    }

    /** @return array{Mechanism, float, float} a thing, and two positions in SI far enough apart */
    public function make(string $kind): array
    {
        $thing = match ($kind) {
            'arm' => new Arm($this->number(0.1, 1), $this->number(0.05, 0.2), $this->number(0, 0.3), $this->number(0, 0.3), $this->number(0, 0.05), null,
                $this->number(0, 0.3), $this->number(0, 0.01), $this->number(-90, 90)),
            'turntable' => new Turntable(null, $this->number(0.1, 2), $this->number(0.03, 0.2), $this->number(0, 0.05), $this->number(0, 0.01),
                $this->number(0, 40)),
            'hoist' => new Hoist($this->number(0.3, 2), $this->number(0.005, 0.03), $this->number(0, 0.2), $this->number(0, 2),
                1 + (int) $this->number(0, 2.9)),
            'slide' => new Slide($this->number(0.2, 2), $this->number(0.005, 0.03), $this->number(0, 0.4), $this->number(0, 40), $this->number(0, 3),
                $this->number(0, 1)),
            'wheels' => new Wheels($this->number(0.3, 3), $this->number(0.01, 0.05), $this->number(0, 0.08), 50.0, $this->number(0, 12)),
            'crank' => new Crank($this->number(0.01, 0.03), $this->number(0.06, 0.15), $this->number(0.1, 1), $this->number(-0.01, 0.01),
                $this->number(-90, 90), $this->number(0, 2), $this->number(0, 60), $this->number(0.03, 0.15)),
            'crank_rocker' => new CrankRocker($this->number(0.008, 0.013), $this->number(0.05, 0.056), $this->number(0.03, 0.04), $this->number(0.055, 0.06),
                $this->number(0.05, 0.3), $this->number(0.03, 0.06), null, $this->number(-90, 90), $this->number(-60, 60), $this->number(0, 0.01)),
            'pushed' => new PushrodLever($this->number(0.008, 0.012), $this->number(0.016, 0.025), $this->number(0.06, 0.12), $this->number(0.02, 0.2),
                $this->number(0.02, 0.06), 65.0, $this->number(0, 1) < 0.5, null, $this->number(-90, 90), $this->number(0, 0.01), $this->number(0, 1) < 0.5
                ? 0.0 : $this->number(0.0001, 0.002), $this->number(-90, 90)),
            'ball' => new Ball($this->number(0.08, 0.2), $this->number(0.1, 1), $this->number(5, 20), $this->number(0.05, 0.07), $this->number(0, 0.05),
                $this->number(0, 4)),
            'balancer' => new Balancer($this->number(0.5, 4), $this->number(0.1, 0.6), $this->number(0.02, 0.06), $this->number(0, 0.05), $this->number(0, 0.05),
                50.0),
            'spring_lever' => new SpringLever($this->number(100, 500), 0.05, $this->number(0.04, 0.1), $this->number(0.01, 0.1), $this->number(0, 5)),
            'feeder' => new Feeder($this->number(0.01, 0.04), 0.04, $this->number(0.005, 0.1), (int) $this->number(0, 5), $this->number(0.02, 0.3),
                $this->number(0, 3), $this->number(-20, 30)),
            'measured' => new Measured($this->number(0.05, 0.2), $this->number(0.001, 0.01), [
                ['at' => -40.0, 'raise_N' => $this->number(3, 5), 'lower_N' => $this->number(1, 3)],
                ['at' => 10.0, 'raise_N' => $this->number(4, 6), 'lower_N' => $this->number(2, 4)],
                ['at' => 60.0, 'raise_N' => $this->number(2, 4), 'lower_N' => $this->number(0, 2)],
            ]),
            'segmented' => $this->segmented(),
            'layered' => new Hoist($this->number(0.3, 2), 0.01, 0.0, $this->number(0, 1), 1, 0.0, 0.001, 0.006, 0.8),
            default => throw new \OutOfBoundsException($kind),
        };

        return match (true) {
            $thing instanceof SpringLever => [$thing, 0.0, 0.05],
            $kind === 'layered' => [$thing, 0.0, 0.8],
            $thing->positionUnit() === PositionUnit::Metres => [$thing, 0.0, $this->number(0.05, 0.3)],
            default => [$thing, $this->number(-0.6, 0.0), $this->number(0.4, 1.1)],
        };
    }

    private function segmented(): Segmented
    {
        return new Segmented(new Slide($this->number(0.2, 2), 0.01, $this->number(0, 0.3)),
            [new Segment(0.02, 0.035, $this->number(0.01, 0.05), $this->number(0, 0.02))]);
    }
}
