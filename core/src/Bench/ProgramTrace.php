<?php

declare(strict_types=1);

namespace Brookstone\Core\Bench;

/** What a controller did in a run. */
final readonly class ProgramTrace
{
    /**
     * @param  list<Happened>  $happened  in the order of time
     * @param  array<string, int>  $counters  at the end
     * @param  string|null  $brokeOff  why it cannot be gone on with: `rule` where it kept one, or what it wanted and could not be
     * @param  list<string>  $guards  rules that it keeps
     */
    public function __construct(public array $happened, public array $counters, public float $ran_s, public ?string $brokeOff = null, public array $guards = [])
    {
    }
}
