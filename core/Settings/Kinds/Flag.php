<?php

declare(strict_types=1);

namespace DuskRail\Settings\Kinds;

use Attribute;
use DuskRail\Settings\Field;
use DuskRail\Settings\Offer;
use DuskRail\Settings\Setting;
use DuskRail\Settings\UnfitValue;

/** Yes or no, each with its words. */
#[Attribute(Attribute::TARGET_PARAMETER)]
final readonly class Flag extends Setting
{
    /** @param array<string, string|list<string>> $when */
    public function __construct(
        string $label,
        public string $yes = 'yes',
        public string $no = 'no',
        string $lead = '',
        array $when = [],
        string $about = '',
        bool $shown = true,
    ) {
        parent::__construct($label, $lead, $shown, $when, null, [], $about);
    }

    public function read(string $name, mixed $given, mixed $default): bool
    {
        return match ($given) {
            true, 1, '1' => true,
            false, 0, '0', '' => false,
            default => throw UnfitValue::because("“{$name}” can be true or false."),
        };
    }

    public function field(string $name, mixed $value, Offer $offer, string $lead): Field
    {
        return Field::choice($name, $lead, $value === true ? '1' : '0', [
            '1' => self::capital($this->yes),
            '0' => self::capital($this->no),
        ]);
    }

    public function schema(): array
    {
        return ['type' => 'boolean'];
    }

    public function allowed(): string
    {
        return "`true` ({$this->yes}), `false` ({$this->no})";
    }

    public function inWords(mixed $value, Offer $offer): string
    {
        return $value === true ? $this->yes : $this->no;
    }
}
