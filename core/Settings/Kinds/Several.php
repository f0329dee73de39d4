<?php

declare(strict_types=1);

namespace DuskRail\Settings\Kinds;

use Attribute;
use DuskRail\Settings\Field;
use DuskRail\Settings\Names;
use DuskRail\Settings\Offer;
use DuskRail\Settings\Setting;
use DuskRail\Settings\UnfitValue;

/** Several texts: of some words, of things that the data hold, or any. A text that commas part is a list too. */
#[Attribute(Attribute::TARGET_PARAMETER)]
final readonly class Several extends Setting
{
    /**
     * @param array<string, string> $options label by word; none for any text
     * @param Names|null $of what can be chosen
     * @param string $unknown why another word is none of them
     * @param bool $ordered whether one text can be in it twice, and its place matters
     * @param int $longest characters of each
     */
    public function __construct(
        string $label,
        public array $options = [],
        public ?Names $of = null,
        public string $unknown = '',
        public bool $ordered = false,
        public int $longest = 300,
        public string $hint = '',
        string $lead = '',
        string $about = '',
        bool $shown = true,
    ) {
        parent::__construct($label, $lead, $shown, [], null, [], $about);
    }

    /** @return list<string> */
    public function read(string $name, mixed $given, mixed $default): array
    {
        $list = is_string($given) ? ($given === '' ? [] : explode(',', $given)) : $given;
        if (!is_array($list)) {
            throw UnfitValue::because("“{$name}” must be a list of texts.");
        }
        $texts = [];
        foreach ($list as $one) {
            $text = is_string($one) ? $one : throw UnfitValue::because("“{$name}” must be a list of texts.");
            if ($this->options !== [] && !isset($this->options[$text])) {
                throw UnfitValue::because($this->unknown . ' ' . implode(', ', array_keys($this->options)) . '.');
            }
            $texts[] = $this->ordered ? mb_substr(trim($text), 0, $this->longest) : $text;
        }

        return $this->ordered ? $texts : array_values(array_unique($texts));
    }

    public function field(string $name, mixed $value, Offer $offer, string $lead): ?Field
    {
        $chosen = is_array($value) ? array_values(array_filter($value, is_string(...))) : [];
        if ($this->options === [] && $this->of === null) {
            return Field::text($name, $lead, rtrim(implode(',', $chosen), ','), $this->hint, true);
        }
        $options = $this->of === null ? array_map(self::capital(...), $this->options) : $offer->names($this->of);

        return $options === [] ? null : Field::several($name, $lead, $chosen, $options);
    }

    public function schema(): array
    {
        return [
            'type' => 'array',
            'items' => $this->options === [] ? ['type' => 'string'] : ['enum' => array_keys($this->options)],
        ];
    }

    public function allowed(): string
    {
        return match (true) {
            $this->options !== [] => 'any of ' .
                implode(', ', array_map(static fn(string $w): string => "`{$w}`", array_keys($this->options))),
            $this->of !== null => "any of the {$this->of->value}",
            default => 'a list of texts',
        };
    }

    public function inWords(mixed $value, Offer $offer): string
    {
        $labels = $this->of === null ? $this->options : $offer->names($this->of);
        $words = [];
        foreach (is_array($value) ? $value : [] as $one) {
            $words[] = is_string($one) ? $labels[$one] ?? $one : '';
        }

        return implode(', ', array_filter($words)) ?: 'none';
    }
}
