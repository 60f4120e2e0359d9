<?php

declare(strict_types=1);

namespace App\Actions;

use RuntimeException;

/** Why it does not start, in a sentence, and what to do. */
final class CannotStart extends RuntimeException
{
}
