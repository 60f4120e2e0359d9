<?php

declare(strict_types=1);

namespace Brookstone\Core\Program;

use Brookstone\Core\Code\Program;

/** The motors, inputs and outputs of a build as a program, and the pins that it uses. */
final readonly class DriveProgram
{
    public function __construct(public Pins $pins, public Program $program)
    {
    }
}
