<?php

declare(strict_types=1);

namespace App\Formats;

/** One category of a dimension of a JSON-stat table. */
final readonly class JsonStatCategory
{
    public function __construct(public string $label, public string $unit = '') {}
}
