<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Nothing is loaded from elsewhere, nothing runs that is written into a page, and no other site may frame it. */
final class SecurityHeaders
{
    private const POLICY =
        "default-src 'none'; script-src 'self'; style-src 'self'; img-src 'self' data:; font-src 'self'; " .
        "connect-src 'self'; form-action 'self'; base-uri 'none'; frame-ancestors 'none'";

    /** @param Closure(Request): Response $next */
    public function handle(Request $request, Closure $next): Response
    {
        return self::on($next($request), $request);
    }

    public static function on(Response $response, Request $request): Response
    {
        $response->headers->add([
            'Content-Security-Policy' => self::POLICY,
            'Cross-Origin-Opener-Policy' => 'same-origin',
            'Cross-Origin-Resource-Policy' => 'same-origin',
            'Permissions-Policy' => 'camera=(), geolocation=(), microphone=(), payment=(), usb=()',
            'Referrer-Policy' => 'same-origin',
            'X-Content-Type-Options' => 'nosniff',
            'X-Frame-Options' => 'DENY',
            'X-Robots-Tag' => 'noindex, nofollow',
            ...$request->isSecure() ? ['Strict-Transport-Security' => 'max-age=31536000'] : [],
        ]);
        // PHP names its version unless it is told not to.
        if (!headers_sent()) {
            header_remove('X-Powered-By');
        }

        return $response;
    }
}
