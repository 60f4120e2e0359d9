<?php

declare(strict_types=1);

namespace Brookstone\Core\Routine;

use Brookstone\Core\Error\CoreException;

/** A step gave up, or could not be done at all. The message completes “… gave up because …”. */
final class StepFailed extends \RuntimeException implements CoreException
{
}
