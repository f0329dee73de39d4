<?php

declare(strict_types=1);

namespace DuskRail\Settings\Kinds;

use Attribute;
use DuskRail\Settings\Declaration;
use DuskRail\Settings\Field;
use DuskRail\Settings\HasSettings;
use DuskRail\Settings\Offer;
use DuskRail\Settings\Setting;
use DuskRail\Settings\UnfitValue;

/** What single things have for themselves, by key: settings of their own class. What is as usual is left out. */
#[Attribute(Attribute::TARGET_PARAMETER)]
final readonly class ByKey extends Setting
{
    /**
     * @param class-string<HasSettings> $class of each
     * @param string $pattern that a key must fit
     * @param string $unfit why a key does not
     */
    public function __construct(
        string $label,
        public string $class,
        public string $by = 'line',
        public string $pattern = '//',
        public string $unfit = '',
        string $about = '',
    ) {
        parent::__construct($label, '', false, [], null, [], $about);
    }

    /** @return array<string, HasSettings> */
    public function read(string $name, mixed $given, mixed $default): array
    {
        if ($given === '') {
            return [];
        }
        $read = [];
        $usual = self::default($this->class);
        foreach (
            is_array($given) ? $given : throw UnfitValue::because("“{$name}” must be a list by {$this->by}.")
            as $key => $one
        ) {
            if (preg_match($this->pattern, (string) $key) !== 1) {
                throw UnfitValue::because($this->unfit);
            }
            $each =
                $one instanceof $this->class ? $one : Declaration::of($this->class)->read(is_array($one) ? $one : []);
            if ($each != $usual) {
                $read[(string) $key] = $each;
            }
        }

        return $read;
    }

    public function write(mixed $value): mixed
    {
        return array_map(
            static fn(mixed $one): mixed => $one instanceof HasSettings ? $one->settings() : $one,
            is_array($value) ? $value : [],
        );
    }

    public function field(string $name, mixed $value, Offer $offer, string $lead): ?Field
    {
        return null;
    }

    public function schema(): array
    {
        // PHP writes an empty map as an empty list.
        return [
            'oneOf' => [
                ['type' => 'array', 'maxItems' => 0],
                ['type' => 'object', 'additionalProperties' => Declaration::of($this->class)->schema()],
            ],
        ];
    }

    public function allowed(): string
    {
        $each = [];
        foreach (Declaration::of($this->class)->settings as $setting) {
            $each[] = "`{$setting->name}`: {$setting->kind->allowed()}";
        }

        return "by {$this->by}: " . implode('; ', $each);
    }

    public function inWords(mixed $value, Offer $offer): string
    {
        return '';
    }

    /** @param class-string<HasSettings> $class */
    private static function default(string $class): ?HasSettings
    {
        $declaration = Declaration::of($class);
        foreach ($declaration->settings as $setting) {
            if ($setting->required) {
                return null;
            }
        }

        return $declaration->read([]);
    }
}
