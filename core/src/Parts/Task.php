<?php

declare(strict_types=1);

namespace Brookstone\Core\Parts;

use Brookstone\Core\Load\Profile;

/**
 * What a motion is asked to do. Tolerance in its own unit (degrees or metres); turn is `any`, `same` or `reversed`, seen from the drive; shuts_at is
 * the place where a door is shut in which somebody can be.
 */
final readonly class Task
{
    public function __construct(
        public string $from,
        public string $to,
        public float $move_s,
        public Profile $profile,
        public Payload $payload,
        public float $per_day,
        public bool $keeps_turning,
        public bool $knocked,
        public bool $holds_unpowered,
        public bool $mass_guessed,
        public ?float $tolerance,
        public bool $over_people,
        public string $turn = 'any',
        public ?float $comes_round = null,
        public ?string $shuts_at = null,
    ) {
    }

    /** The same with its payload on both ways. */
    public function carryingAlways(): self
    {
        return new self(...['payload' => Payload::Both] + get_object_vars($this));
    }
}
