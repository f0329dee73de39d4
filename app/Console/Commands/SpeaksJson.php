<?php

declare(strict_types=1);

namespace App\Console\Commands;

/** For commands that answer scripts. */
trait SpeaksJson
{
    /** @param array<array-key, mixed> $value */
    protected function json(array $value): void
    {
        $this->line(json_encode($value, JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR));
    }
}
