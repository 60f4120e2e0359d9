<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Http\Problem;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** The application serves the person at this machine: asked by another name, which may be one that was made to lead here, it does not answer. */
final class OnlyFromHere
{
    private const HOSTS = ['127.0.0.1', 'localhost', '[::1]', '::1'];

    public function handle(Request $request, Closure $next): Response
    {
        return in_array($request->getHost(), self::HOSTS, true) ? $next($request)
            : Problem::response(403, 'This application answers only to the machine it runs on.');
    }
}
