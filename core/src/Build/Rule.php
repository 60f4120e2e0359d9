<?php

declare(strict_types=1);

namespace Brookstone\Core\Build;

use Brookstone\Core\Condition\Condition;
use Brookstone\Core\Finding\Sentence;

/** Something that must never be so over the whole build: never this, while that. */
final readonly class Rule
{
    public function __construct(public string $id, public string $name, public Condition $never, public ?Condition $while = null)
    {
    }

    public function says(Build $build): Sentence
    {
        $never = $this->never->says($build);
        $while = $this->while?->says($build);

        return new Sentence("never {$never->template}".($while === null ? '' : " while {$while->template}"), [...$never->values, ...($while->values ?? [])]);
    }
}
