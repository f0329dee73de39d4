<?php

declare(strict_types=1);

namespace App\View;

use Illuminate\Http\Request;

/** How much room the chart has in the window; the browser says so in a cookie, `width x height` in pixels. */
final readonly class SheetSize
{
    public const COOKIE = 'dusk-rail-sheet';

    private function __construct(public float $width, public float $height) {}

    /** Of a window that has said nothing, or where there is none. */
    public static function default(): self
    {
        return new self(956.0, 404.0);
    }

    public static function of(Request $request): self
    {
        $cookie = $request->cookie(self::COOKIE);
        if (is_string($cookie) && preg_match('/^(\d{2,4})x(\d{2,4})$/', $cookie, $m) === 1) {
            return new self((float) min(2400, max(260, (int) $m[1])), (float) min(1200, max(220, (int) $m[2])));
        }

        return self::default();
    }
}
