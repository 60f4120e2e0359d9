<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Closure;
use Illuminate\Foundation\Vite;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** What a browser may do with an answer: nothing that is not Brookstone's own, in no other page, and as the kind that it is said to be. */
final class SaysLittle
{
    private const POLICY = "default-src 'self'; img-src 'self' data: blob:; object-src 'none'; base-uri 'none'; form-action 'none'; frame-ancestors 'none'";

    public function __construct(private readonly Vite $vite)
    {
    }

    public function handle(Request $request, Closure $next): Response
    {
        $response = $next($request);
        if (! $this->vite->isRunningHot()) { // while the pages are being worked on they come from a server of their own
            $response->headers->set('Content-Security-Policy', self::POLICY);
        }
        $response->headers->set('X-Content-Type-Options', 'nosniff');
        $response->headers->set('Referrer-Policy', 'same-origin');
        $response->headers->set('Cross-Origin-Resource-Policy', 'same-origin');
        if (! headers_sent()) {
            header_remove('X-Powered-By');
        }

        return $response;
    }
}
