<?php

declare(strict_types=1);

namespace Brookstone\Core\Mend;

use Brookstone\Core\Rehearsal\Performance;
use Brookstone\Core\Simulation\Mishap;

/** How a routine goes, as far as a mend must not spoil it. */
final readonly class Course
{
    /**
     * @param  bool  $ends  from its plainest start it comes to an end, or round
     * @param  bool  $isSound  and nothing goes wrong in that
     * @param  int  $reached  steps that are begun in it, those for when it fails left out
     * @param  int  $unreached  the others
     * @param  float|null  $takes_s  longest that it took
     * @param  array<string, float>  $leaves  where each motion that it moved stands at the end of the plainest, in its own unit
     */
    public function __construct(public bool $ends, public bool $isSound, public int $reached, public int $unreached, public ?float $takes_s,
        public array $leaves)
    {
    }

    public static function of(Performance $plainest, int $reached, int $unreached, ?float $takes_s): self
    {
        $moved = array_filter(array_column($plainest->steps, 'motion'), fn (?string $motion): bool => $motion !== null);

        return new self(
            in_array($plainest->outcome, ['ends', 'comes_round'], true), ! Mishap::wentWrong($plainest->mishaps), $reached, $unreached, $takes_s,
            array_intersect_key($plainest->ends, array_flip($moved)),
        );
    }
}
