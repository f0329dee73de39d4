<?php

declare(strict_types=1);

namespace DuskRail\Settings\Kinds;

use Attribute;
use DuskRail\Settings\Field;
use DuskRail\Settings\Offer;
use DuskRail\Settings\Setting;
use DuskRail\Settings\UnfitValue;

/** One of a few words for each of some things, by key. */
#[Attribute(Attribute::TARGET_PARAMETER)]
final readonly class Words extends Setting
{
    /** @param list<string> $words */
    public function __construct(
        string $label,
        public array $words,
        public string $unfit,
        public string $by = 'row',
        string $about = '',
    ) {
        parent::__construct($label, '', false, [], null, [], $about);
    }

    /** @return array<string, string> */
    public function read(string $name, mixed $given, mixed $default): array
    {
        $read = [];
        $list = $given === '' ? [] : $given;
        foreach (
            is_array($list) ? $list : throw UnfitValue::because("“{$name}” must be a list by {$this->by}.")
            as $key => $word
        ) {
            $read[(string) $key] =
                is_string($word) && in_array($word, $this->words, true)
                    ? $word
                    : throw UnfitValue::because($this->unfit);
        }

        return $read;
    }

    public function field(string $name, mixed $value, Offer $offer, string $lead): ?Field
    {
        return null;
    }

    public function schema(): array
    {
        return [
            'oneOf' => [
                ['type' => 'array', 'maxItems' => 0],
                ['type' => 'object', 'additionalProperties' => ['enum' => $this->words]],
            ],
        ];
    }

    public function allowed(): string
    {
        return "by {$this->by}: " . implode(', ', array_map(static fn(string $w): string => "`{$w}`", $this->words));
    }

    public function inWords(mixed $value, Offer $offer): string
    {
        return '';
    }
}
