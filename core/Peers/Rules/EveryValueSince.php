<?php

declare(strict_types=1);

namespace DuskRail\Peers\Rules;

use DuskRail\Peers\Coverage;
use DuskRail\Peers\PeerRule;
use DuskRail\Settings\Kinds\Written;
use DuskRail\Settings\ReadsSettings;
use DuskRail\Time\Period;
use DuskRail\Time\UnknownPeriod;

/** Members have a value of the compared measure in every period since one. */
final readonly class EveryValueSince implements PeerRule
{
    use ReadsSettings;

    public function __construct(
        #[Written('every value since', hint: '2019', longest: 20, lead: 'every value since', allowed: 'a period')]
        public string $since = '',
    ) {}

    public static function title(): string
    {
        return 'Every value since';
    }

    public function conflict(): ?string
    {
        if ($this->since === '') {
            return null;
        }
        try {
            Period::parse($this->since);

            return null;
        } catch (UnknownPeriod) {
            return "“{$this->since}” is not a period. Enter a year or a month: 2019 or 2019-03.";
        }
    }

    public function isNone(): bool
    {
        return $this->since === '';
    }

    public function refusal(string $key, Coverage $coverage): string
    {
        return $coverage->missing($key, $this->since);
    }

    public function inWords(): string
    {
        return "every value since {$this->since}";
    }
}
