<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Http\Problem;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/**
 * The application serves the person at this machine. A page from elsewhere cannot reach it through the browser: its name
 * must be this machine's, and whatever changes something must come as JSON, which a foreign page may not send unasked.
 */
final class OnlyFromHere
{
    private const HOSTS = ['127.0.0.1', 'localhost', '[::1]', '::1'];

    public const MOST_BYTES = 2 * 1024 * 1024;

    public function handle(Request $request, Closure $next): Response
    {
        if (! in_array($request->getHost(), self::HOSTS, true)) {
            return Problem::response(403, 'This application answers only to the machine it runs on.');
        }
        if (! $request->isMethodSafe() && ! $request->isJson()) {
            return Problem::response(415, 'Send JSON, with the content type application/json.');
        }
        if (strlen($request->getContent()) > self::MOST_BYTES) {
            return Problem::response(422, 'This is too large: at most 2 MB are read.');
        }

        return $next($request);
    }
}
