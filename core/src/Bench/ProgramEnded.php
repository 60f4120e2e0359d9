<?php

declare(strict_types=1);

namespace Brookstone\Core\Bench;

/** A program that answers no more, or with what is no answer. */
final class ProgramEnded extends \RuntimeException
{
}
