<?php

declare(strict_types=1);

namespace DuskRail\Study;

use DomainException;

/** A study document or a change to one that cannot be accepted; the message says where and why. */
final class InvalidStudy extends DomainException
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
