<?php

declare(strict_types=1);

namespace Brookstone\Core\Error;

/** Marks every exception that the core throws on purpose. */
interface CoreException extends \Throwable
{
}
