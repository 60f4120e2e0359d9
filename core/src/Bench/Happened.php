<?php

declare(strict_types=1);

namespace Brookstone\Core\Bench;

use Brookstone\Core\Build\Build;
use Brookstone\Core\Finding\Sentence;

/** Something that a controller did: a step of it, a routine, an output, a counter. */
final readonly class Happened
{
    public const MOST = 3000; // in one run

    /**
     * @param  string  $what  `step`, `routine`, `output`, `count`, `rule`
     * @param  string  $of  which: of a step its routine and its path
     * @param  string  $how  `begins`, `done`, `gave_up`; `starts`, `ends`, `fails`; `on`, `off`; the number; `broken`
     */
    public function __construct(public float $at_s, public string $what, public string $of, public string $how)
    {
    }

    /** In words. */
    public function says(Build $build): Sentence
    {
        if ($this->what === 'step') {
            [$routine, $path] = explode(' ', $this->of);
            $step = $build->routines[$routine]->stepAt($path)?->says($build);

            return new Sentence(rtrim($step->template ?? '', '.:').': '.['begins' => 'begins.', 'done' => 'done.', 'gave_up' => 'gives up.'][$this->how],
                $step->values ?? []);
        }

        return new Sentence(match ($this->what) {
            'routine' => $build->routines[$this->of]->named().' '.$this->how.'.',
            'output' => $build->outputs[$this->of]->named()." goes {$this->how}.",
            'count' => $build->counters[$this->of]->named()." is {$this->how}.",
            default => 'The rule '.$build->rules[$this->of]->named().' is broken.',
        });
    }

    public function isSame(self $other): bool
    {
        return $this->what === $other->what && $this->of === $other->of && $this->how === $other->how;
    }
}
