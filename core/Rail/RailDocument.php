<?php

declare(strict_types=1);

namespace DuskRail\Rail;

use DuskRail\Refusal;
use DuskRail\Settings\InvalidSetting;

/** The written form of a rail: a list of stops, each with its id, type and settings. */
final class RailDocument
{
    /** @return list<array{id: string, stop: string, settings: array<string, mixed>, bypassed: bool}> */
    public static function write(Rail $rail): array
    {
        return array_map(
            static fn(PlacedStop $placed): array => [
                'id' => $placed->id,
                'stop' => $placed->stop::type(),
                'settings' => $placed->stop->settings(),
                'bypassed' => $placed->bypassed,
            ],
            $rail->stops,
        );
    }

    /**
     * @param array<array-key, mixed> $stops
     *
     * @throws InvalidRail|InvalidSetting that says which stop is wrong
     */
    public static function read(array $stops): Rail
    {
        $placed = [];
        foreach ($stops as $i => $stop) {
            try {
                $placed[] = self::stop($stop);
            } catch (Refusal $problem) {
                throw InvalidRail::at((string) $i, $problem->getMessage());
            }
        }

        return Rail::of(...$placed);
    }

    private static function stop(mixed $stop): PlacedStop
    {
        if (!is_array($stop)) {
            throw InvalidRail::because('must be an object.');
        }
        $settings = $stop['settings'] ?? [];

        return new PlacedStop(
            self::text($stop['id'] ?? null),
            StopCatalogue::make(self::text($stop['stop'] ?? null), is_array($settings) ? $settings : []),
            ($stop['bypassed'] ?? false) === true,
        );
    }

    private static function text(mixed $text): string
    {
        return is_string($text) && $text !== '' ? $text : throw InvalidRail::because('must be text and not empty.');
    }
}
