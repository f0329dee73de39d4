<?php

declare(strict_types=1);

namespace DuskRail\Settings\Kinds;

use Attribute;
use DuskRail\Data\Numerals;
use DuskRail\Settings\Field;
use DuskRail\Settings\Offer;
use DuskRail\Settings\Setting;

/** A number between the lowest and the highest of the data at hand; null while it is at its end. */
#[Attribute(Attribute::TARGET_PARAMETER)]
final readonly class Slider extends Setting
{
    /**
     * @param string $of whose span it moves in, as Offer knows them
     * @param bool $fromAbove whether its end is the highest value
     */
    public function __construct(
        string $label,
        public string $of,
        public bool $fromAbove,
        string $lead = '',
        string $about = '',
    ) {
        parent::__construct($label, $lead, true, [], null, [], $about);
    }

    public function read(string $name, mixed $given, mixed $default): ?float
    {
        return (new Number($this->label))->read($name, $given, $default);
    }

    public function field(string $name, mixed $value, Offer $offer, string $lead): ?Field
    {
        $span = $offer->span($this->of);

        return $span === null
            ? null
            : Field::slider($name, $lead, is_float($value) ? $value : null, $span, $this->fromAbove);
    }

    public function schema(): array
    {
        return ['type' => ['number', 'null']];
    }

    public function allowed(): string
    {
        return 'a number, or null';
    }

    public function inWords(mixed $value, Offer $offer): string
    {
        return is_float($value) ? Numerals::text($value, Numerals::decimals([$value])) : 'none';
    }
}
