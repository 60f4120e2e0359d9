<?php

declare(strict_types=1);

use App\Http\Middleware\OnlyFromHere;
use App\Http\Middleware\OnlyOwnPages;
use App\Http\Middleware\ReadsOnePlace;
use App\Http\Middleware\SaysLittle;
use App\Http\Problem;
use Illuminate\Foundation\Application;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Foundation\Configuration\Middleware;
use Illuminate\Foundation\Http\Middleware\ConvertEmptyStringsToNull;
use Illuminate\Foundation\Http\Middleware\TrimStrings;
use Illuminate\Http\Middleware\HandleCors;
use Illuminate\Http\Request;
use Illuminate\Routing\Middleware\SubstituteBindings;

Request::setAllowedHttpMethodOverride([]); // a request is what it says in its first line

return Application::configure(basePath: dirname(__DIR__))
    ->withRouting(
        web: __DIR__.'/../routes/web.php',
        api: __DIR__.'/../routes/api.php',
        commands: __DIR__.'/../routes/console.php',
    )
    ->withMiddleware(function (Middleware $middleware): void {
        // Documents must arrive as they were sent: an empty note is a note.
        $middleware->remove([HandleCors::class, TrimStrings::class, ConvertEmptyStringsToNull::class]);
        $middleware->prepend([SaysLittle::class, OnlyFromHere::class]);
        $middleware->prependToGroup('api', [OnlyOwnPages::class, ReadsOnePlace::class]);
        $middleware->group('web', [SubstituteBindings::class]); // nobody signs in: no session, no cookie
    })
    ->withExceptions(function (Exceptions $exceptions): void {
        $exceptions->shouldRenderJsonWhen(fn (Request $request): bool => $request->is('api/*') || $request->expectsJson());
        $exceptions->dontReport([Brookstone\Core\Error\InvalidInput::class]);
        $exceptions->render(Problem::render(...));
    })
    ->create();
