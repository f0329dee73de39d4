<?php

declare(strict_types=1);

namespace App\Maintenance;

use Illuminate\Support\Carbon;

/** One thing that is in the bin. */
final readonly class Binned
{
    /** @param 'dataset'|'study'|'brief' $kind */
    public function __construct(
        public string $kind,
        public int $id,
        public string $name,
        public Carbon $since,
        public Carbon $until,
    ) {}

    public function noun(): string
    {
        return $this->kind === 'dataset' ? 'data set with its studies' : $this->kind;
    }
}
