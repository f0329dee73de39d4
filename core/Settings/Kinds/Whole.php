<?php

declare(strict_types=1);

namespace DuskRail\Settings\Kinds;

use Attribute;
use DuskRail\Data\Numerals;
use DuskRail\Settings\Condition;
use DuskRail\Settings\Field;
use DuskRail\Settings\Offer;
use DuskRail\Settings\Setting;
use DuskRail\Settings\UnfitValue;

/** A whole number between two others; typed, or chosen of a few that have names. */
#[Attribute(Attribute::TARGET_PARAMETER)]
final readonly class Whole extends Setting
{
    /**
     * @param array<int, string> $options label by number of those that a form offers; none for one that is typed
     * @param array<string, string|list<string>> $when
     * @param array<string, string> $leads
     */
    public function __construct(
        string $label,
        public int $low,
        public int $high,
        public array $options = [],
        string $lead = '',
        array $when = [],
        ?Condition $if = null,
        array $leads = [],
        string $about = '',
    ) {
        parent::__construct($label, $lead, true, $when, $if, $leads, $about);
    }

    public function read(string $name, mixed $given, mixed $default): int
    {
        $given = is_string($given) ? Numerals::read($given) : $given;
        if (!is_numeric($given) || fmod((float) $given, 1.0) !== 0.0) {
            throw UnfitValue::because("“{$name}” must be a whole number, from {$this->low} to {$this->high}.");
        }
        $number = (int) $given;

        return $number >= $this->low && $number <= $this->high
            ? $number
            : throw UnfitValue::because("“{$name}” is {$number}; it can be from {$this->low} to {$this->high}.");
    }

    public function field(string $name, mixed $value, Offer $offer, string $lead): Field
    {
        $lead = str_replace('{periods}', $offer->periods(), $lead);
        $number = is_int($value) ? $value : 0;

        return $this->options === []
            ? Field::number($name, $lead, $number)
            : Field::choice(
                $name,
                $lead,
                (string) $number,
                array_map(self::capital(...), $this->options + [$number => (string) $number]),
            );
    }

    public function schema(): array
    {
        return ['type' => 'integer', 'minimum' => $this->low, 'maximum' => $this->high];
    }

    public function allowed(): string
    {
        return "{$this->low} to " . Numerals::count($this->high);
    }

    public function inWords(mixed $value, Offer $offer): string
    {
        return is_int($value) ? $this->options[$value] ?? (string) $value : '';
    }
}
