<?php

declare(strict_types=1);

namespace DuskRail\Rail;

use Attribute;
use DuskRail\Settings\Field;
use DuskRail\Settings\Offer;
use DuskRail\Settings\Setting;
use DuskRail\Settings\UnfitValue;

/** A rail as a setting; null where it is empty. */
#[Attribute(Attribute::TARGET_PARAMETER)]
final readonly class RailSetting extends Setting
{
    public function __construct(string $label, string $about = '')
    {
        parent::__construct($label, '', false, [], null, [], $about);
    }

    public function read(string $name, mixed $given, mixed $default): ?Rail
    {
        if ($given instanceof Rail) {
            return $given->stops === [] ? null : $given;
        }
        $stops = $given === '' ? [] : $given;
        try {
            $rail = RailDocument::read(
                is_array($stops) ? $stops : throw UnfitValue::because("“{$name}” must be a list of stops."),
            );
        } catch (InvalidRail $problem) {
            throw UnfitValue::because("{$name}.{$problem->getMessage()}");
        }

        return $rail->stops === [] ? null : $rail;
    }

    public function write(mixed $value): mixed
    {
        return $value instanceof Rail ? RailDocument::write($value) : [];
    }

    public function field(string $name, mixed $value, Offer $offer, string $lead): ?Field
    {
        return null;
    }

    public function schema(): array
    {
        return ['$ref' => '#/$defs/rail'];
    }

    public function allowed(): string
    {
        return 'a list of stops, like `rail`';
    }

    public function inWords(mixed $value, Offer $offer): string
    {
        return '';
    }
}
