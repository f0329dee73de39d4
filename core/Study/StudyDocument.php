<?php

declare(strict_types=1);

namespace DuskRail\Study;

use BackedEnum;
use DomainException;
use DuskRail\Rail\PlacedStop;
use DuskRail\Rail\Rail;
use DuskRail\Rail\StopCatalogue;
use DuskRail\Study\Parts\Part;
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
            $focus[] = ['line' => (string) $entity, 'hue' => $hue];
        }

        return [
            'format' => self::FORMAT,
            'version' => self::VERSION,
            'name' => $study->name,
            'measure' => $study->measure,
            'rail' => self::stops($study->rail),
            'focus' => $focus,
            'off' => $study->off,
            'range' => $study->range?->code(),
            'view' => $study->view->value,
            'sort' => $study->sort->value,
            'words' => $study->words->toArray(),
            'dismissed' => $study->dismissed,
            ...array_map(static fn(string $part): array => $study->part($part)->toArray(), array_combine(array_keys(Study::PARTS), array_keys(Study::PARTS))),
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
        $range = $document['range'] ?? null;

        $study = new Study(
            self::at('name', static fn(): string => self::string($document['name'] ?? null)),
            self::at('measure', static fn(): string => self::string($document['measure'] ?? null)),
            self::rail(self::list($document, 'rail'), 'rail'),
            self::focus(self::list($document, 'focus')),
            self::texts($document, 'off'),
            $range === null ? null : self::at('range', static fn(): PeriodRange => PeriodRange::parse(self::string($range))),
            self::enum(View::class, $document['view'] ?? View::Lines->value, 'view'),
            self::enum(RosterSort::class, $document['sort'] ?? RosterSort::Name->value, 'sort'),
            $words,
            self::texts($document, 'dismissed'),
        );
        foreach (Study::PARTS as $name => $class) {
            $study = $study->withPart($name, self::at($name, static fn(): Part => $class::read(self::named(self::list($document, $name)))));
        }

        return $study;
    }

    /** @return list<array{id: string, stop: string, settings: array<string, scalar>, bypassed: bool}> */
    public static function stops(Rail $rail): array
    {
        return array_map(static fn(PlacedStop $placed): array => [
            'id' => $placed->id,
            'stop' => $placed->stop::type(),
            'settings' => $placed->stop->settings(),
            'bypassed' => $placed->bypassed,
        ], $rail->stops);
    }

    /**
     * @param array<array-key, mixed> $stops
     *
     * @param string $path of the list in the document
     *
     * @throws InvalidStudy with the path of the stop that is wrong
     */
    public static function rail(array $stops, string $path): Rail
    {
        $placed = [];
        foreach ($stops as $i => $stop) {
            $placed[] = self::at("{$path}.{$i}", static fn(): PlacedStop => self::stop($stop));
        }

        return self::at($path, static fn(): Rail => Rail::of(...$placed));
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
        $focus = $hues = [];
        foreach ($list as $i => $one) {
            $hue = is_array($one) ? ($one['hue'] ?? null) : null;
            $entity = is_array($one) ? ($one['line'] ?? null) : null;
            if (! is_string($entity) || ! is_int($hue) || $hue < 1 || $hue > Study::MOST_FOCUS || isset($focus[$entity]) || isset($hues[Study::dimension($entity).$hue])) {
                throw InvalidStudy::at("focus.{$i}", 'must name a line and a hue from 1 to '.Study::MOST_FOCUS.', each once.');
            }
            $hues[Study::dimension($entity).$hue] = true;
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

    /**
     * @param array<array-key, mixed> $document
     * @return list<string>
     */
    private static function texts(array $document, string $name): array
    {
        $texts = [];
        foreach (self::list($document, $name) as $i => $text) {
            $texts[] = self::at("{$name}.{$i}", static fn(): string => self::string($text));
        }

        return $texts;
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
