<?php

declare(strict_types=1);

namespace App\Programs;

/** A program cannot be run here: in words that say what to do about it. */
final class CannotRun extends \RuntimeException
{
}
