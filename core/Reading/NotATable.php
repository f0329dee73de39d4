<?php

declare(strict_types=1);

namespace DuskRail\Reading;

use DuskRail\Refusal;

/** The file as a whole cannot be read; the message says why and what to do. */
final class NotATable extends Refusal
{
    public static function because(string $reason, string $remedy): self
    {
        return new self(trim("{$reason} {$remedy}"));
    }

    public static function empty(): self
    {
        return self::because(
            'The file is empty.',
            'It needs a header row and at least one row of values. Upload it again.',
        );
    }
}
