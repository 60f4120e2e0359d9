<?php

declare(strict_types=1);

namespace Brookstone\Core\Train;

/** Something in a layout that is in the way of something else. */
final readonly class Clash
{
    public const WHEELS = 'wheels';

    public const SHAFT = 'shaft';

    public const OBSTACLE = 'obstacle';

    public const ROOM = 'room';

    public const FACE = 'face';

    /** @param  float  $by_mm  so much room is missing */
    public function __construct(
        public string $kind,
        public Wheel $wheel,
        public int $shaft,
        public float $by_mm,
        public ?Wheel $other = null,
        public ?Obstacle $obstacle = null,
    ) {
    }
}
