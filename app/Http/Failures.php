<?php

declare(strict_types=1);

namespace App\Http;

use App\Data\FailureWords;
use App\Http\Middleware\SecurityHeaders;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;
use Throwable;

/** What went wrong as an answer in the looks of the program, or as the kind that was asked for. */
final class Failures
{
    public static function response(Throwable $problem, Request $request): Response
    {
        [$status, $sentence, $again] = FailureWords::said($problem);
        if ($request->expectsJson()) {
            $response = response()->json(['message' => $sentence], $status);
        } elseif ($request->hasHeader('HX-Request')) {
            $response = response($sentence, $status, ['Content-Type' => 'text/plain; charset=UTF-8']);
        } else {
            $response = self::page($sentence, $status);
        }
        if ($again > 0) {
            $response->headers->set('Retry-After', (string) $again);
        }

        // What fails before it reaches the middleware has the same headers.
        return SecurityHeaders::on($response, $request);
    }

    private static function page(string $sentence, int $status): Response
    {
        try {
            return response()->view('problem', ['sentence' => $sentence, 'status' => $status], $status);
        } catch (Throwable) {
            // A page that was never shown before has to be written down first, which a full disk does not let.
            return response($sentence, $status, ['Content-Type' => 'text/plain; charset=UTF-8']);
        }
    }
}
