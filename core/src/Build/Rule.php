<?php

declare(strict_types=1);

namespace Brookstone\Core\Build;

use Brookstone\Core\Condition\Condition;
use Brookstone\Core\Condition\Conditions;
use Brookstone\Core\Condition\InputIs;
use Brookstone\Core\Condition\LevelIs;
use Brookstone\Core\Finding\Named;
use Brookstone\Core\Finding\Sentence;

/** Something that must never be so over the whole build: never this, while that. */
final readonly class Rule
{
    use Named;

    /** What it asks besides depends on what was before, and must be asked at every look. */
    public bool $remembers;

    public function __construct(public string $id, public string $name, public Condition $never, public ?Condition $while = null)
    {
        $this->remembers = array_filter(Conditions::all($while), fn (Condition $part): bool => $part instanceof LevelIs
            || ($part instanceof InputIs && $part->for_s !== null)) !== [];
    }

    public function says(Build $build): Sentence
    {
        $never = $this->never->says($build);
        $while = $this->while?->says($build)->named('while');

        return new Sentence("never {$never->template}".($while === null ? '' : " while {$while->template}"), [...$never->values, ...($while->values ?? [])]);
    }
}
