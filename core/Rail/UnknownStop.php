<?php

declare(strict_types=1);

namespace DuskRail\Rail;

use DuskRail\Refusal;

final class UnknownStop extends Refusal
{
    /** @param list<string> $known types of all stops */
    public static function called(string $type, array $known): self
    {
        return new self(
            sprintf(
                'There is no stop “%s”. Available stops: %s.',
                mb_strimwidth($type, 0, 40, '…'),
                implode(', ', $known),
            ),
        );
    }
}
