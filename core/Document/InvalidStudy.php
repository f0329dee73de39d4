<?php

declare(strict_types=1);

namespace DuskRail\Document;

use DuskRail\Refusal;

/** A study document or a change to one that cannot be accepted; the message says where and why. */
final class InvalidStudy extends Refusal
{
    public static function at(string $path, string $reason): self
    {
        return new self("{$path}: {$reason}");
    }

    public static function because(string $reason): self
    {
        return new self($reason);
    }
}
