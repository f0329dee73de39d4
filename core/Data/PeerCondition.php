<?php

declare(strict_types=1);

namespace DuskRail\Data;

/**
 * What an entity must be like to be in a peer set: a characteristic within bounds, or one of some values.
 *
 * A characteristic is `measure:` and the key of a measure, or `about:` and the name of an attribute; the group is
 * `about:group`.
 */
final readonly class PeerCondition
{
    /**
     * @param float|null $from lowest value; null without a bound
     * @param float|null $to highest value, itself included
     * @param list<string> $among values of which it must have one; none where it has bounds
     */
    public function __construct(
        public string $of,
        public ?float $from = null,
        public ?float $to = null,
        public array $among = [],
    ) {}

    /** Whether a value meets it; what is missing does not. */
    public function admits(float|string|null $value): bool
    {
        if ($this->among !== []) {
            return is_string($value) && in_array($value, $this->among, true);
        }

        return is_float($value) &&
            !is_nan($value) &&
            ($this->from === null || $value >= $this->from) &&
            ($this->to === null || $value <= $this->to);
    }
}
