<?php

declare(strict_types=1);

use App\Http\Failures;
use App\Http\Middleware\Compressed;
use App\Http\Middleware\KnownHosts;
use App\Http\Middleware\OnceOnly;
use App\Http\Middleware\PlainInput;
use App\Http\Middleware\SecurityHeaders;
use App\Http\Middleware\WriteAsTheHouse;
use App\View\SheetSize;
use Illuminate\Foundation\Application;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Foundation\Configuration\Middleware;
use Illuminate\Http\Exceptions\HttpResponseException;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;
use Symfony\Component\HttpFoundation\Response;

return Application::configure(basePath: dirname(__DIR__))
    ->withRouting(web: __DIR__ . '/../routes/web.php', commands: __DIR__ . '/../routes/console.php')
    ->withMiddleware(static function (Middleware $middleware): void {
        $middleware->prepend(KnownHosts::class);
        $middleware->prepend(Compressed::class);
        $middleware->append(SecurityHeaders::class);
        // A pasted table may begin with an empty cell.
        $middleware->trimStrings(except: ['pasted']);
        $middleware->appendToGroup('web', [PlainInput::class, OnceOnly::class, WriteAsTheHouse::class]);
        // Set by the browser, not by us, so they are not encrypted.
        $middleware->encryptCookies(except: [SheetSize::COOKIE, 'dusk-rail-ground']);
    })->withExceptions(static function (Exceptions $exceptions): void {
        $exceptions->render(
            static fn(Throwable $problem, Request $request): ?Response => $problem instanceof ValidationException ||
            $problem instanceof HttpResponseException
                ? null
                : Failures::response($problem, $request),
        );
    })
    ->create();
