<?php

declare(strict_types=1);

namespace DuskRail\Document;

use BackedEnum;
use DuskRail\Rail\InvalidRail;
use DuskRail\Rail\Rail;
use DuskRail\Rail\RailDocument;
use DuskRail\Refusal;
use DuskRail\Settings\InvalidSetting;
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
            'rail' => RailDocument::write($study->rail),
            'focus' => $focus,
            'off' => $study->off,
            'range' => $study->range?->code(),
            'view' => $study->view,
            'sort' => $study->sort->value,
            'words' => $study->words->toArray(),
            'dismissed' => $study->dismissed,
            'units' => array_map(
                static fn(string $value, string $unit): array => ['value' => $value, 'unit' => $unit],
                array_keys($study->units),
                $study->units,
            ),
            ...array_map(static fn(string $part): array => $study->part($part)->settings(), PartCatalogue::all()),
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
            throw InvalidStudy::at(
                'format',
                'this is not a study of version ' . self::VERSION . ' (' . self::FORMAT . ').',
            );
        }
        $words = new OwnWords();
        foreach (self::list($document, 'words') as $part => $text) {
            $words =
                $text === null
                    ? $words
                    : self::at(
                        "words.{$part}",
                        static fn(): OwnWords => $words->with((string) $part, self::string($text)),
                    );
        }
        $range = $document['range'] ?? null;

        $study = new Study(
            self::at('name', static fn(): string => self::string($document['name'] ?? null)),
            self::at('measure', static fn(): string => self::string($document['measure'] ?? null)),
            self::rail(self::list($document, 'rail')),
            self::focus(self::list($document, 'focus')),
            self::texts($document, 'off'),
            $range === null
                ? null
                : self::at('range', static fn(): PeriodRange => PeriodRange::parse(self::string($range))),
            self::at(
                'view',
                static fn(): string => ViewCatalogue::named(self::string($document['view'] ?? 'lines'))->name(),
            ),
            self::enum(RosterSort::class, $document['sort'] ?? RosterSort::Name->value, 'sort'),
            $words,
            self::texts($document, 'dismissed'),
            units: self::units(self::list($document, 'units')),
        );
        foreach (PartCatalogue::all() as $name => $class) {
            $study = self::at(
                $name,
                static fn(): Study => $study->withPart($class::from(self::list($document, $name))),
            );
        }

        return $study;
    }

    /**
     * @param array<array-key, mixed> $stops
     *
     * @throws InvalidStudy with the path of the stop that is wrong
     */
    private static function rail(array $stops): Rail
    {
        try {
            return RailDocument::read($stops);
        } catch (InvalidRail $problem) {
            throw InvalidStudy::because("rail.{$problem->getMessage()}");
        } catch (InvalidSetting $problem) {
            throw InvalidStudy::at('rail', $problem->getMessage());
        }
    }

    /**
     * @param array<array-key, mixed> $list
     * @return array<string, int>
     */
    private static function focus(array $list): array
    {
        $focus = $hues = [];
        foreach ($list as $i => $one) {
            $hue = is_array($one) ? $one['hue'] ?? null : null;
            $entity = is_array($one) ? $one['line'] ?? null : null;
            if (
                !is_string($entity) ||
                !is_int($hue) ||
                $hue < 1 ||
                $hue > Study::MOST_FOCUS ||
                isset($focus[$entity]) ||
                isset($hues[Study::dimension($entity) . $hue])
            ) {
                throw InvalidStudy::at(
                    "focus.{$i}",
                    'must name a line and a hue from 1 to ' . Study::MOST_FOCUS . ', each once.',
                );
            }
            $hues[Study::dimension($entity) . $hue] = true;
            $focus[$entity] = $hue;
        }

        return $focus;
    }

    /**
     * @param array<array-key, mixed> $list
     * @return array<string, string>
     */
    private static function units(array $list): array
    {
        $units = [];
        foreach ($list as $i => $one) {
            [$value, $unit] = is_array($one) ? [$one['value'] ?? null, $one['unit'] ?? null] : [null, null];
            $units[self::at("units.{$i}.value", static fn(): string => self::string($value))] = self::at(
                "units.{$i}.unit",
                static fn(): string => self::string($unit),
            );
        }

        return $units;
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
        return is_string($text) && $text !== '' ? $text : throw InvalidStudy::because('must be text and not empty.');
    }

    /**
     * @template T of BackedEnum
     *
     * @param class-string<T> $enum
     * @return T
     */
    private static function enum(string $enum, mixed $value, string $path): BackedEnum
    {
        return (is_string($value) ? $enum::tryFrom($value) : null) ??
            throw InvalidStudy::at($path, 'can be ' . implode(', ', array_column($enum::cases(), 'value')) . '.');
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
        } catch (Refusal $problem) {
            throw InvalidStudy::at($path, $problem->getMessage());
        }
    }
}
