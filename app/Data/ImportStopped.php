<?php

declare(strict_types=1);

namespace App\Data;

use DuskRail\Reading\Observations;
use DuskRail\Refusal;

/** Some of a file could not be read and nobody has said to go on without it. Nothing was stored. */
final class ImportStopped extends Refusal
{
    private function __construct(string $message, public readonly ?Observations $observations = null)
    {
        parent::__construct($message);
    }

    public static function byProblems(Observations $observations): self
    {
        return new self(
            'Some cells could not be read. Nothing was stored. Change the settings below, or use “Import ' .
                'without these cells”.',
            $observations,
        );
    }

    public static function because(string $reason): self
    {
        return new self($reason);
    }
}
