<?php

declare(strict_types=1);

namespace Brookstone\Core\Program;

use Brookstone\Core\Build\Build;
use Brookstone\Core\Code\Program;

/** A program with what its numbers stand for. */
final readonly class Composition
{
    /** @param  list<string>  $guards  rules that it keeps: those of which the controller can know whether they are broken */
    public function __construct(public Build $build, public Roster $roster, public Program $program, public array $guards)
    {
    }
}
