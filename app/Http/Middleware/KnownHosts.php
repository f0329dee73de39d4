<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Exception\HttpException;

/**
 * Answers under known names alone: a page elsewhere whose name leads to this machine reads nothing, and none writes.
 *
 * Known are the names of the loopback, the host of APP_URL, and those in DUSK_RAIL_HOSTS.
 */
final class KnownHosts
{
    private const LOOPBACK = ['127.0.0.1', 'localhost', '[::1]'];

    /** @param Closure(Request): Response $next */
    public function handle(Request $request, Closure $next): Response
    {
        if (!self::knows(strtolower($request->headers->get('Host') ?? ''))) {
            throw new HttpException(421);
        }
        $origin = $request->headers->get('Origin');
        if (!$request->isMethodSafe() && $origin !== null && !self::isOwn($origin, $request)) {
            throw new HttpException(403, __('A change must come from a page of this program, not from another site.'));
        }

        // A form that is refused leads back to where it came from: to a page of this program, or to its first one.
        $from = parse_url($request->headers->get('Referer') ?? '') ?: [];
        if (!self::isOwn('//' . ($from['host'] ?? '') . (isset($from['port']) ? ":{$from['port']}" : ''), $request)) {
            $request->headers->remove('Referer');
        }

        return $next($request);
    }

    private static function knows(string $host): bool
    {
        $name = preg_replace('/:\d*$/', '', $host) ?? '';
        $own = parse_url(config()->string('app.url'), PHP_URL_HOST);

        return in_array($name, [...self::LOOPBACK, ...config()->array('duskrail.hosts'), $own], true);
    }

    private static function isOwn(string $origin, Request $request): bool
    {
        return strtolower((string) preg_replace('~^(https?:)?//~i', '', $origin)) ===
            strtolower($request->headers->get('Host') ?? '');
    }
}
