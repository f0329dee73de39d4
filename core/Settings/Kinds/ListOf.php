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

/** A list of things with settings of their own class. */
#[Attribute(Attribute::TARGET_PARAMETER)]
final readonly class ListOf extends Setting
{
    /** @param class-string<HasSettings> $class of each */
    public function __construct(
        string $label,
        public string $class,
        public int $most,
        public string $tooMany,
        string $about = '',
    ) {
        parent::__construct($label, '', false, [], null, [], $about);
    }

    /** @return list<HasSettings> */
    public function read(string $name, mixed $given, mixed $default): array
    {
        $list = $given === '' ? [] : $given;
        $read = [];
        foreach (is_array($list) ? $list : throw UnfitValue::because("“{$name}” must be a list.") as $one) {
            $read[] =
                $one instanceof $this->class ? $one : Declaration::of($this->class)->read(is_array($one) ? $one : []);
        }

        return count($read) <= $this->most ? $read : throw UnfitValue::because($this->tooMany);
    }

    public function write(mixed $value): mixed
    {
        return array_map(
            static fn(mixed $one): mixed => $one instanceof HasSettings ? $one->settings() : $one,
            is_array($value) ? array_values($value) : [],
        );
    }

    public function field(string $name, mixed $value, Offer $offer, string $lead): ?Field
    {
        return null;
    }

    public function schema(): array
    {
        return ['type' => 'array', 'maxItems' => $this->most, 'items' => Declaration::of($this->class)->schema()];
    }

    public function allowed(): string
    {
        $each = [];
        foreach (Declaration::of($this->class)->settings as $setting) {
            $each[] = "`{$setting->name}`: {$setting->kind->allowed()}";
        }

        return "a list of at most {$this->most}, each with " . implode('; ', $each);
    }

    public function inWords(mixed $value, Offer $offer): string
    {
        return '';
    }
}
