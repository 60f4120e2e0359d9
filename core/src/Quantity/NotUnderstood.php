<?php

declare(strict_types=1);

namespace Brookstone\Core\Quantity;

use Brookstone\Core\Error\CoreException;

/** What was typed is no quantity of the kind wanted. The message says what would be understood. */
final class NotUnderstood extends \RuntimeException implements CoreException
{
}
