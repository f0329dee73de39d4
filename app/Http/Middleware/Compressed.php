<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Closure;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Symfony\Component\HttpFoundation\Response as AnyResponse;

/** Compresses pages where PHP's own server sends them, which does not; nginx does it by itself. */
final class Compressed
{
    /** Bytes that are not worth it. */
    private const FEW = 1_000;

    /** @param Closure(Request): AnyResponse $next */
    public function handle(Request $request, Closure $next): AnyResponse
    {
        $response = $next($request);
        if (PHP_SAPI !== 'cli-server' || !($response instanceof Response || $response instanceof JsonResponse)) {
            return $response;
        }
        $response->setVary('Accept-Encoding', false);
        $content = (string) $response->getContent();
        $takes = str_contains($request->header('Accept-Encoding') ?? '', 'gzip');
        $isText = preg_match('#^(text/|application/json|image/svg)#', $response->headers->get('Content-Type') ?? '');
        if ($takes && $isText === 1 && strlen($content) > self::FEW && !$response->headers->has('Content-Encoding')) {
            $response->setContent((string) gzencode($content, 5));
            $response->headers->set('Content-Encoding', 'gzip');
        }

        return $response;
    }
}
