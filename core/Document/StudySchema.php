<?php

declare(strict_types=1);

namespace DuskRail\Document;

use DuskRail\Rail\Rail;
use DuskRail\Rail\StopCatalogue;
use DuskRail\Settings\Declaration;

/** The JSON Schema of study documents, made from the declarations of all settings. */
final class StudySchema
{
    private const PERIOD = '(\d{4}(-H[12]|-Q[1-4]|-W\d{2}|-\d{2}(-\d{2})?)?|#-?\d+)';

    /** @return array<string, mixed> */
    public static function write(): array
    {
        $parts = [];
        foreach (PartCatalogue::all() as $name => $part) {
            $parts[$name] = Declaration::of($part)->schema();
        }
        $text = ['type' => 'string', 'minLength' => 1];

        return [
            '$schema' => 'https://json-schema.org/draft/2020-12/schema',
            'title' => 'A study of Dusk Rail',
            'type' => 'object',
            'properties' => [
                'format' => ['const' => StudyDocument::FORMAT],
                'version' => ['const' => StudyDocument::VERSION],
                'name' => $text,
                'measure' => $text,
                'rail' => ['$ref' => '#/$defs/rail'],
                'focus' => ['type' => 'array', 'items' => self::focus()],
                'off' => ['type' => 'array', 'items' => $text],
                'range' => ['oneOf' => [['type' => 'null'], ['$ref' => '#/$defs/range']]],
                'view' => ['enum' => array_keys(ViewCatalogue::all())],
                'sort' => ['enum' => array_column(RosterSort::cases(), 'value')],
                'words' => self::words(),
                'dismissed' => ['type' => 'array', 'items' => $text],
                'units' => ['type' => 'array', 'items' => self::unit($text)],
                ...$parts,
            ],
            'required' => ['format', 'version', 'name', 'measure'],
            'additionalProperties' => false,
            '$defs' => [
                'range' => ['type' => 'string', 'pattern' => '^' . self::PERIOD . '(\.\.' . self::PERIOD . ')?$'],
                'rail' => ['type' => 'array', 'maxItems' => Rail::MOST_STOPS, 'items' => ['oneOf' => self::stops()]],
            ],
        ];
    }

    /** @return list<array<string, mixed>> */
    private static function stops(): array
    {
        $stops = [];
        foreach (StopCatalogue::all() as $type => $class) {
            $stops[] = [
                'title' => $class::title(),
                'type' => 'object',
                'properties' => [
                    'id' => ['type' => 'string', 'minLength' => 1],
                    'stop' => ['const' => $type],
                    'settings' => Declaration::of($class)->schema(),
                    'bypassed' => ['type' => 'boolean'],
                ],
                'required' => ['id', 'stop', 'settings', 'bypassed'],
                'additionalProperties' => false,
            ];
        }

        return $stops;
    }

    /**
     * @param array<string, mixed> $text
     * @return array<string, mixed>
     */
    private static function unit(array $text): array
    {
        return [
            'type' => 'object',
            'properties' => ['value' => $text, 'unit' => $text],
            'required' => ['value', 'unit'],
            'additionalProperties' => false,
        ];
    }

    /** @return array<string, mixed> */
    private static function focus(): array
    {
        return [
            'type' => 'object',
            'properties' => [
                'line' => ['type' => 'string', 'minLength' => 1],
                'hue' => ['type' => 'integer', 'minimum' => 1, 'maximum' => Study::MOST_FOCUS],
            ],
            'required' => ['line', 'hue'],
            'additionalProperties' => false,
        ];
    }

    /** @return array<string, mixed> */
    private static function words(): array
    {
        return [
            'type' => 'object',
            'properties' => array_fill_keys(OwnWords::PARTS, [
                'type' => ['string', 'null'],
                'maxLength' => OwnWords::LONGEST,
            ]),
            'additionalProperties' => false,
        ];
    }
}
