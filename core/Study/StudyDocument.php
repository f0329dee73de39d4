<?php

declare(strict_types=1);

namespace DuskRail\Study;

use BackedEnum;
use DomainException;
use DuskRail\Rail\PlacedStop;
use DuskRail\Rail\Rail;
use DuskRail\Rail\StopCatalogue;
use DuskRail\Time\PeriodRange;

/** The written form of a study, as docs/study-format.md describes it. */
final class StudyDocument
{
    public const FORMAT = 'dusk-rail/study';

    public const VERSION = 1;

    /** @return array<string, mixed> */
    public static function write(Study $study): array
    {
        $focus = [];
        foreach ($study->focus as $entity => $hue) {
            $focus[] = ['entity' => (string) $entity, 'hue' => $hue];
        }

        return [
            'format' => self::FORMAT,
            'version' => self::VERSION,
            'name' => $study->name,
            'measure' => $study->measure,
            'rail' => array_map(static fn(PlacedStop $placed): array => [
                'id' => $placed->id,
                'stop' => $placed->stop::type(),
                'settings' => $placed->stop->settings(),
                'bypassed' => $placed->bypassed,
            ], $study->rail->stops),
            'focus' => $focus,
            'off' => $study->off,
            'range' => $study->range?->code(),
            'view' => $study->view->value,
            'sort' => $study->sort->value,
            'peers' => $study->peers->toArray(),
            'words' => $study->words->toArray(),
            'fromZero' => $study->fromZero,
            'dismissed' => $study->dismissed,
        ];
    }

    /**
     * @param array<array-key, mixed> $document
     *
     * @throws InvalidStudy with the path of what is wrong
     */
    public static function read(array $document): Study
    {
        if (($document['format'] ?? null) !== self::FORMAT || ($document['version'] ?? null) !== self::VERSION) {
            throw InvalidStudy::at('format', 'this is not a study of version '.self::VERSION.' ('.self::FORMAT.').');
        }
        $words = new Words();
        foreach (self::list($document, 'words') as $part => $text) {
            $words = $text === null ? $words : self::at("words.{$part}", static fn(): Words => $words->with((string) $part, self::string($text)));
        }
        $stops = [];
        foreach (self::list($document, 'rail') as $i => $stop) {
            $stops[] = self::at("rail.{$i}", static fn(): PlacedStop => self::stop($stop));
        }
        $range = $document['range'] ?? null;

        return new Study(
            self::at('name', static fn(): string => self::string($document['name'] ?? null)),
            self::at('measure', static fn(): string => self::string($document['measure'] ?? null)),
            self::at('rail', static fn(): Rail => Rail::of(...$stops)),
            self::focus(self::list($document, 'focus')),
            array_values(array_map(self::string(...), self::list($document, 'off'))),
            $range === null ? null : self::at('range', static fn(): PeriodRange => PeriodRange::parse(self::string($range))),
            self::enum(View::class, $document['view'] ?? View::Lines->value, 'view'),
            self::enum(RosterSort::class, $document['sort'] ?? RosterSort::Name->value, 'sort'),
            self::at('peers', static fn(): PeerSummary => PeerSummary::read(self::list($document, 'peers'))),
            $words,
            ($document['fromZero'] ?? false) === true,
            array_values(array_map(self::string(...), self::list($document, 'dismissed'))),
        );
    }

    private static function stop(mixed $stop): PlacedStop
    {
        if (! is_array($stop)) {
            throw InvalidStudy::because('must be an object.');
        }
        $settings = $stop['settings'] ?? [];

        return new PlacedStop(
            self::string($stop['id'] ?? null),
            StopCatalogue::make(self::string($stop['stop'] ?? null), is_array($settings) ? self::named($settings) : []),
            ($stop['bypassed'] ?? false) === true,
        );
    }

    /**
     * @param array<array-key, mixed> $list
     * @return array<string, int>
     */
    private static function focus(array $list): array
    {
        $focus = [];
        foreach ($list as $i => $one) {
            $hue = is_array($one) ? ($one['hue'] ?? null) : null;
            $entity = is_array($one) ? ($one['entity'] ?? null) : null;
            if (! is_string($entity) || ! is_int($hue) || $hue < 1 || $hue > Study::MOST_FOCUS || in_array($hue, $focus, true) || isset($focus[$entity])) {
                throw InvalidStudy::at("focus.{$i}", 'must name an entity and a hue from 1 to '.Study::MOST_FOCUS.', each once.');
            }
            $focus[$entity] = $hue;
        }

        return $focus;
    }

    /**
     * @param array<array-key, mixed> $document
     * @return array<array-key, mixed>
     */
    private static function list(array $document, string $name): array
    {
        $list = $document[$name] ?? [];

        return is_array($list) ? $list : throw InvalidStudy::at($name, 'must be a list.');
    }

    private static function string(mixed $text): string
    {
        return is_string($text) && $text !== '' ? $text : throw InvalidStudy::because('must be a text that is not empty.');
    }

    /**
     * @param array<array-key, mixed> $values
     * @return array<string, mixed>
     */
    private static function named(array $values): array
    {
        $named = [];
        foreach ($values as $name => $value) {
            $named[(string) $name] = $value;
        }

        return $named;
    }

    /**
     * @template T of BackedEnum
     *
     * @param class-string<T> $enum
     * @return T
     */
    private static function enum(string $enum, mixed $value, string $path): BackedEnum
    {
        return (is_string($value) ? $enum::tryFrom($value) : null) ?? throw InvalidStudy::at($path, 'can be '.implode(', ', array_column($enum::cases(), 'value')).'.');
    }

    /**
     * @template T
     *
     * @param callable(): T $read
     * @return T
     */
    private static function at(string $path, callable $read): mixed
    {
        try {
            return $read();
        } catch (DomainException $problem) {
            throw InvalidStudy::at($path, $problem->getMessage());
        }
    }
}
