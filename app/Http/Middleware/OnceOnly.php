<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Closure;
use Illuminate\Contracts\Cache\Repository;
use Illuminate\Http\Request;
use Illuminate\Support\Sleep;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Exception\HttpException;

/**
 * A form that makes something new carries a word of its own (`once`). Sent twice, as by a double click or a page that
 * is loaded again, it is done once, and leads to the same place.
 */
final class OnceOnly
{
    private const UNDER_WAY = 'under way';

    private const KEPT = 86_400;

    public function __construct(private readonly Repository $cache) {}

    /** @param Closure(Request): Response $next */
    public function handle(Request $request, Closure $next): Response
    {
        $word = $request->input('once');
        if (!$request->isMethod('post') || !is_string($word) || preg_match('/^[0-9a-f-]{36}$/', $word) !== 1) {
            return $next($request);
        }
        $key = "once:{$word}";
        if (!$this->cache->add($key, self::UNDER_WAY, self::KEPT)) {
            return redirect($this->place($key));
        }
        $response = $next($request);
        $place = $response->isRedirect() ? $response->headers->get('Location') : null;
        // What was refused may be sent again.
        $place === null || $request->session()->has('errors')
            ? $this->cache->forget($key)
            : $this->cache->put($key, $place, self::KEPT);

        return $response;
    }

    private function place(string $key): string
    {
        for ($try = 0; $try < 100; $try++) {
            $place = $this->cache->get($key);
            if (is_string($place) && $place !== self::UNDER_WAY) {
                return $place;
            }
            Sleep::for(100)->milliseconds();
        }

        throw new HttpException(
            503,
            __('The same request was sent before and is still running. Look at the first page.'),
        );
    }
}
