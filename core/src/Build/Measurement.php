<?php

declare(strict_types=1);

namespace Brookstone\Core\Build;

/** A time taken at the bench. */
final readonly class Measurement
{
    public function __construct(
        public string $id,
        public string $motion,
        public string $from,
        public string $to,
        public float $measured_s,
        public string $on,
        public string $note,
    ) {
    }
}
