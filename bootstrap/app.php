<?php

declare(strict_types=1);

use App\Http\Middleware\SecurityHeaders;
use App\View\SheetSize;
use Illuminate\Foundation\Application;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Foundation\Configuration\Middleware;

return Application::configure(basePath: dirname(__DIR__))
    ->withRouting(web: __DIR__ . '/../routes/web.php', commands: __DIR__ . '/../routes/console.php')
    ->withMiddleware(static function (Middleware $middleware): void {
        $middleware->append(SecurityHeaders::class);
        // Set by the browser, not by us, so they are not encrypted.
        $middleware->encryptCookies(except: [SheetSize::COOKIE, 'dusk-rail-ground']);
    })
    ->withExceptions(static function (Exceptions $exceptions): void {})
    ->create();
