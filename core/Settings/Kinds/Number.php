<?php

declare(strict_types=1);

namespace DuskRail\Settings\Kinds;

use Attribute;
use DuskRail\Data\Numerals;
use DuskRail\Settings\Field;
use DuskRail\Settings\Offer;
use DuskRail\Settings\Setting;
use DuskRail\Settings\UnfitValue;

/** A number; where the property can be null, one that may be left empty. */
#[Attribute(Attribute::TARGET_PARAMETER)]
final readonly class Number extends Setting
{
    /**
     * @param float|null $low least value
     * @param bool $positive above zero
     * @param array<array-key, string> $options label by value of those that a form offers; none for one that is typed
     * @param string $hint what is in an empty field
     * @param array<string, string|list<string>> $when
     * @param array<string, string> $leads
     */
    public function __construct(
        string $label,
        public ?float $low = null,
        public ?float $high = null,
        public bool $positive = false,
        public array $options = [],
        public string $hint = '',
        string $lead = '',
        array $when = [],
        array $leads = [],
        string $about = '',
        bool $shown = true,
        public string $outside = '',
    ) {
        parent::__construct($label, $lead, $shown, $when, null, $leads, $about);
    }

    public function read(string $name, mixed $given, mixed $default): ?float
    {
        if ($given === '') {
            return is_float($default) ? $default : null;
        }
        $number = match (true) {
            is_string($given) => Numerals::read($given),
            is_int($given), is_float($given) => is_finite((float) $given) ? (float) $given : null,
            default => null,
        };
        if ($this->positive && ($number === null || $number <= 0.0)) {
            throw UnfitValue::because("“{$name}” must be a number above zero.");
        }
        if ($number === null) {
            throw UnfitValue::because("“{$name}” must be a number, for example 45.5, or empty.");
        }
        if ($number < ($this->low ?? -INF) || $number > ($this->high ?? INF)) {
            throw UnfitValue::because(
                $this->outside === '' ? "“{$name}” is {$number}; it can be {$this->allowed()}." : $this->outside,
            );
        }

        return $number;
    }

    public function field(string $name, mixed $value, Offer $offer, string $lead): Field
    {
        $text = is_float($value) ? Numerals::plain($value) : '';

        return $this->options === []
            ? Field::number($name, $lead, $text, $this->hint)
            : Field::choice($name, $lead, $text, array_map(self::capital(...), $this->options + [$text => $text]));
    }

    public function schema(): array
    {
        return [
            'type' => ['number', 'null'],
            ...$this->low === null ? [] : ['minimum' => $this->low],
            ...$this->high === null ? [] : ['maximum' => $this->high],
            ...$this->positive ? ['exclusiveMinimum' => 0] : [],
        ];
    }

    public function allowed(): string
    {
        return match (true) {
            $this->low !== null && $this->high !== null => "{$this->low} to {$this->high}",
            $this->positive => 'a number above zero',
            default => 'a number, or null',
        };
    }

    public function inWords(mixed $value, Offer $offer): string
    {
        if (!is_float($value)) {
            return 'none';
        }

        return $this->options[Numerals::plain($value)] ?? str_replace('-', '−', Numerals::plain($value));
    }
}
