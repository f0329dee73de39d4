<?php

declare(strict_types=1);

namespace Tests\Own;

use DuskRail\Peers\Coverage;
use DuskRail\Peers\PeerRule;
use DuskRail\Settings\Kinds\Whole;
use DuskRail\Settings\ReadsSettings;

/** A rule of peer sets that the program does not have: at most so many values. */
final readonly class MostValues implements PeerRule
{
    use ReadsSettings;

    public function __construct(#[Whole('most values', 0, 1_000, lead: 'most values')] public int $most = 0) {}

    public static function title(): string
    {
        return 'Most values';
    }

    public function isNone(): bool
    {
        return $this->most === 0;
    }

    public function refusal(string $key, Coverage $coverage): string
    {
        return $coverage->count($key) > $this->most ? "{$coverage->count($key)} values are too many" : '';
    }

    public function inWords(): string
    {
        return "at most {$this->most} values";
    }
}
