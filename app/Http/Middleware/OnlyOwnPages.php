<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Http\Problem;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/**
 * What is stored is told to the application's own pages, and changed by them alone: not by a page from elsewhere, nor from another port of this
 * machine. What changes something must come as JSON too, which a foreign page may not send unasked.
 */
final class OnlyOwnPages
{
    public const MOST_BYTES = 2 * 1024 * 1024;

    /** Of what may be long: what a program said all day, and a build with ten thousand measurements. */
    private const MOST_LONG_BYTES = 7 * 1024 * 1024;

    private const TEXTS = ['api/builds/*/spoken', 'api/builds/*/log/read'];

    private const BUILDS = ['api/builds/import', 'api/builds/*/edits', 'api/builds/*/try', 'api/assess'];

    /** Lists and records in a build that is longer than usual: each takes far more room once it is read than it does on the way. */
    private const MOST_PARTS = 200_000;

    public function handle(Request $request, Closure $next): Response
    {
        if ($this->isForAnother($request)) {
            return Problem::response(403, 'This application answers only to its own pages.');
        }
        if (! $request->isMethodSafe() && ! self::isJson((string) $request->headers->get('Content-Type'))) {
            return Problem::response(415, 'Send JSON, with the content type application/json.');
        }
        $isBuild = $request->is(...self::BUILDS);
        $most = $isBuild || $request->is(...self::TEXTS) ? self::MOST_LONG_BYTES : self::MOST_BYTES;
        $body = $request->getContent();
        if (strlen($body) > $most) {
            return Problem::response(422, 'This is too large: at most '.intdiv($most, 1024 * 1024).' MB are read.');
        }
        if ($isBuild && strlen($body) > self::MOST_BYTES && substr_count($body, '{') + substr_count($body, '[') > self::MOST_PARTS) {
            return Problem::response(422, 'This is too large: it has more than '.self::MOST_PARTS.' parts.');
        }

        return $next($request);
    }

    /** A browser says for whom it asks: of what site the page is, and with what changes something its origin. What is no browser says neither. */
    private function isForAnother(Request $request): bool
    {
        $origin = $request->headers->get('Origin');

        return ($origin !== null && $origin !== $request->getSchemeAndHttpHost())
            || ! in_array($request->headers->get('Sec-Fetch-Site') ?? 'none', ['same-origin', 'none'], true);
    }

    /** That very media type, whatever parameters follow it: `text/plain; x=/json` is sent by any page. */
    private static function isJson(string $contentType): bool
    {
        return trim(explode(';', $contentType, 2)[0]) === 'application/json';
    }
}
