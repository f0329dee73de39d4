<?php

declare(strict_types=1);

namespace DuskRail\Settings\Kinds;

use Attribute;
use DuskRail\Data\Numerals;
use DuskRail\Settings\Field;
use DuskRail\Settings\Offer;
use DuskRail\Settings\Setting;

/** All of something, or so many of it. The property is a whole number, 0 for all. */
#[Attribute(Attribute::TARGET_PARAMETER)]
final readonly class AllOrWhole extends Setting
{
    public const HINT = '“all”, or a number';

    public function __construct(string $label, public int $high, string $lead = '', string $about = '')
    {
        parent::__construct($label, $lead, true, [], null, [], $about);
    }

    public function read(string $name, mixed $given, mixed $default): int
    {
        return in_array($given, ['all', '', '0', 0], true)
            ? 0
            : (new Whole($this->label, 1, $this->high))->read($name, $given, $default);
    }

    public function write(mixed $value): int|string
    {
        return is_int($value) && $value > 0 ? $value : 'all';
    }

    public function field(string $name, mixed $value, Offer $offer, string $lead): Field
    {
        return Field::text($name, $lead, (string) $this->write($value), self::HINT);
    }

    public function schema(): array
    {
        return ['oneOf' => [['const' => 'all'], ['type' => 'integer', 'minimum' => 1, 'maximum' => $this->high]]];
    }

    public function allowed(): string
    {
        return '`all`, or 1 to ' . Numerals::count($this->high);
    }

    public function inWords(mixed $value, Offer $offer): string
    {
        return (string) $this->write($value);
    }
}
