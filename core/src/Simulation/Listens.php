<?php

declare(strict_types=1);

namespace Brookstone\Core\Simulation;

/** Is told of everything that a controller does, in its order. */
interface Listens
{
    /**
     * @param  string  $what  `step`, `routine`, `output`, `count`, `rule`
     * @param  string  $of  which: of a step its routine and its path
     * @param  string  $how  `begins`, `done`, `gave_up`; `starts`, `ends`, `fails`; `on`, `off`; the number; `broken`
     */
    public function happens(float $at_s, string $what, string $of, string $how): void;
}
