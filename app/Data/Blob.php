<?php

declare(strict_types=1);

namespace App\Data;

use Stringable;

/** Bytes that are bound as such: what is bound as a text, other tools for SQLite cut at its first zero. */
final readonly class Blob implements Stringable
{
    public function __construct(private string $bytes) {}

    public function __toString(): string
    {
        return $this->bytes;
    }
}
