<?php

declare(strict_types=1);

namespace Brookstone\Core\Rehearsal;

/** What was performed on one stage, and what of the build that hangs on: performed again for a build that is the same in that, it would be the same. */
final readonly class Performed
{
    /**
     * @param  list<string>  $routines  that were begun
     * @param  array<string, array{float, float}>  $rested  motions that did nothing: where each stood, in its own unit, and what it drew, A
     * @param  string  $footing  of the routines that were begun, and the motions that did something
     * @param  non-empty-list<Performance>  $performances
     */
    public function __construct(public array $routines, public array $rested, public string $footing, public array $performances)
    {
    }

    /** It would be the same with another build. */
    public function standsOn(Footing $other): bool
    {
        return $other->of($this->routines, array_keys($this->rested)) === $this->footing && $other->rest($this->rested);
    }
}
