<?php

declare(strict_types=1);

namespace DuskRail\Rail;

use DomainException;

final class InvalidSetting extends DomainException
{
    public static function because(string $stop, string $reason): self
    {
        return new self("{$stop}: {$reason}");
    }

    public static function unknownStop(string $type): self
    {
        return new self(sprintf(
            'There is no calculation called “%s”. There are: %s.',
            mb_strimwidth($type, 0, 40, '…'),
            implode(', ', array_keys(StopCatalogue::all())),
        ));
    }
}
