<?php

declare(strict_types=1);

namespace Brookstone\Core\Bench;

use Brookstone\Core\Program\Composition;
use Brookstone\Core\Routine\Routine;
use Brookstone\Core\Routine\Scenario;

/** Something that a written program is tried with: what the world does, and what is started by hand. */
final readonly class Trial
{
    private const LOOK_ON_S = 1.0; // when all is done

    /**
     * @param  string  $kind  `scenario`, `fault` or `chance`
     * @param  string  $says  which one, for people
     * @param  Scenario|null  $scenario  null where nothing happens but the start by hand
     * @param  Routine|null  $of  it is over when this one is; null goes on to the end
     */
    public function __construct(public string $kind, public string $says, public ?Scenario $scenario, public ?Routine $byHand, public ?Routine $of,
        public float $until_s)
    {
    }

    /**
     * The routines of the build and the written program, each with the same.
     *
     * @throws ProgramEnded
     */
    public function of(Composition $of, Talks $program): Comparison
    {
        $wanted = RoutinesRun::of($of->build, $this->scenario, $this->byHand, $this->of, $this->until_s, self::LOOK_ON_S);
        $came = ProgramRun::of($of, $program, $this->scenario, $this->byHand, $wanted->ran_s);

        return Comparison::of($wanted, $came, $of->build->settings->scan_s);
    }
}
