<?php

declare(strict_types=1);

namespace DuskRail\Settings\Kinds;

use Attribute;
use DuskRail\Settings\Field;
use DuskRail\Settings\Names;
use DuskRail\Settings\Offer;
use DuskRail\Settings\Setting;
use DuskRail\Settings\UnfitValue;

/** A text that the user writes. */
#[Attribute(Attribute::TARGET_PARAMETER)]
final readonly class Written extends Setting
{
    /**
     * @param string $hint what is in the empty field, and below a long one
     * @param bool $long needs a line of its own
     * @param int $longest characters; what is longer is cut
     * @param array<string, string|list<string>> $when
     * @param array<string, string> $leads
     * @param array<string, string> $hints other hints, by lead
     * @param Names|null $listed names that the hint goes on with
     */
    public function __construct(
        string $label,
        public string $hint = '',
        public bool $long = false,
        public int $longest = 2_000,
        string $lead = '',
        array $when = [],
        array $leads = [],
        string $about = '',
        bool $shown = true,
        public array $hints = [],
        public string $allowed = 'a text',
        public ?Names $listed = null,
    ) {
        parent::__construct($label, $lead, $shown, $when, null, $leads, $about);
    }

    public function read(string $name, mixed $given, mixed $default): string
    {
        return is_scalar($given)
            ? mb_substr(trim((string) $given), 0, $this->longest)
            : throw UnfitValue::because("“{$name}” must be a text.");
    }

    public function field(string $name, mixed $value, Offer $offer, string $lead): Field
    {
        $listed = $this->listed === null ? [] : array_values($offer->names($this->listed));

        return Field::text($name, $lead, self::text($value), $this->hints[$lead] ?? $this->hint, $this->long, $listed);
    }

    public function schema(): array
    {
        return ['type' => 'string', 'maxLength' => $this->longest];
    }

    public function allowed(): string
    {
        return $this->allowed;
    }

    public function inWords(mixed $value, Offer $offer): string
    {
        return $value === '' ? 'nothing' : mb_strimwidth(self::text($value), 0, 60, '…');
    }
}
