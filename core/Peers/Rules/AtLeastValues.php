<?php

declare(strict_types=1);

namespace DuskRail\Peers\Rules;

use DuskRail\Peers\Coverage;
use DuskRail\Peers\PeerRule;
use DuskRail\Settings\Kinds\Whole;
use DuskRail\Settings\ReadsSettings;

/** Members have at least so many values of the compared measure. */
final readonly class AtLeastValues implements PeerRule
{
    use ReadsSettings;

    public function __construct(
        #[Whole('fewest values', 0, 100_000, lead: 'fewest values')] public int $values = 0,
    ) {}

    public static function title(): string
    {
        return 'Fewest values';
    }

    public function isNone(): bool
    {
        return $this->values === 0;
    }

    public function refusal(string $key, Coverage $coverage): string
    {
        $there = $coverage->count($key);

        return $there >= $this->values ? '' : "{$there} of at least {$this->values} values";
    }

    public function inWords(): string
    {
        return $this->values === 1 ? 'at least 1 value' : "at least {$this->values} values";
    }
}
