<?php

declare(strict_types=1);

namespace App\Actions;

use App\Http\Problem;
use Illuminate\Http\JsonResponse;

/** Somebody else changed it since it was read. */
final class Overtaken extends \RuntimeException
{
    public function __construct(private readonly string $what = 'This build')
    {
        parent::__construct();
    }

    public function render(): JsonResponse
    {
        return Problem::response(409, "{$this->what} was changed elsewhere in the meantime. Nothing of that was overwritten.");
    }

    public function report(): bool
    {
        return true; // it is told to the user and is no fault to be logged
    }
}
