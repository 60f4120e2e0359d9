<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** What is asked for stands in the address, what changes something in the body: what is checked is then what is read. */
final class ReadsOnePlace
{
    public function handle(Request $request, Closure $next): Response
    {
        if ($request->isMethodSafe()) {
            $request->headers->remove('Content-Type');
        } else {
            $request->query->replace();
        }

        return $next($request);
    }
}
