<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Drawing\HouseNotation;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Whatever is answered is written in the notation of the house. */
final class WriteAsTheHouse
{
    /** @param Closure(Request): Response $next */
    public function handle(Request $request, Closure $next): Response
    {
        HouseNotation::apply();

        return $next($request);
    }
}
