<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Exception\HttpException;

/** Only what a page could have sent: texts in UTF-8, and lists where a form has lists. */
final class PlainInput
{
    /** Fields of forms that hold several values. */
    private const LISTS = [
        'files',
        'settings',
        'same',
        'units',
        'ways',
        'roles',
        'rows',
        'benchmarks',
        'measures',
        'entities',
        'breakdowns',
        'parts',
        'conditions',
        'weights',
        'hand',
        'hues',
        'controls',
        'to',
        'file',
    ];

    private const DEEPEST = 4;

    /** @param Closure(Request): Response $next */
    public function handle(Request $request, Closure $next): Response
    {
        foreach ([...$request->query->all(), ...$request->request->all()] as $name => $value) {
            if (is_array($value) && !in_array($name, self::LISTS, true)) {
                throw new HttpException(422, __('A field has several values where one is expected.'));
            }
            self::mustBeText($name);
            self::mustBeText($value);
        }

        return $next($request);
    }

    private static function mustBeText(mixed $value, int $depth = 0): void
    {
        if (is_array($value)) {
            foreach ($value as $name => $one) {
                self::mustBeText($name);
                self::mustBeText($depth < self::DEEPEST ? $one : "\xFF", $depth + 1);
            }
        } elseif (is_string($value) && (!mb_check_encoding($value, 'UTF-8') || str_contains($value, "\0"))) {
            throw new HttpException(422, __('A text is not UTF-8 and cannot be saved. Type it again.'));
        }
    }
}
