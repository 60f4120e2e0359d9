<?php

declare(strict_types=1);

namespace Brookstone\Core\Routine;

use Brookstone\Core\Condition\Condition;

/** What starts a routine. */
final readonly class Trigger
{
    /**
     * @param  string  $when  a word of Triggers
     * @param  string|null  $sensor  that it hangs on
     * @param  bool  $on  of a beam or another input: which change
     * @param  string  $how  of a press: `any`, `short`, `long`, `double`
     * @param  Condition|null  $condition  that becomes so
     * @param  float|null  $for_s  for which it must have been so
     * @param  float|null  $every_s  between one start and the next
     * @param  float|null  $clock_s  time of day, s since midnight
     */
    public function __construct(
        public string $when,
        public ?string $sensor = null,
        public bool $on = true,
        public string $how = 'any',
        public ?Condition $condition = null,
        public ?float $for_s = null,
        public ?float $every_s = null,
        public ?float $clock_s = null,
    ) {
    }
}
