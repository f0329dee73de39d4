<?php

declare(strict_types=1);

namespace DuskRail\Reading;

use DuskRail\Data\Benchmark;
use DuskRail\Data\MeasureKind;
use DuskRail\Data\Numerals;

/**
 * Entities of several levels in one table, as a country, its regions and their towns: known by indentation, by codes,
 * or by each of the upper ones being the sum of those that follow it, or go before it. The upper ones are no peers of
 * their parts.
 */
final readonly class Hierarchy
{
    private const MOST = 600;

    /** Values of an entity that are compared. */
    private const COMPARED = 24;

    /** Values that must be sums; of small numbers others come to the same by chance. */
    private const FEWEST = 3;

    /** Sums of rounded parts are off by up to half a last digit for each; that must be little of the sum. */
    private const LITTLE = 0.005;

    /** Share of the entities that must be over others or under one. */
    private const COVERED = 0.5;

    /** @param array<string, string> $parents name of the entity that one is directly part of, by its name */
    private function __construct(public array $parents, public bool $areSums) {}

    public static function among(Observations $read, Sample $sample, Plan $plan): self
    {
        if (count($read->entities) < self::FEWEST || count($read->entities) > self::MOST) {
            return new self([], false);
        }
        $indented = self::byIndentation($read, $sample, $plan) ?: self::byCodes($read);
        $values = self::values($read);
        $decimals = Numerals::carried(array_merge([], ...array_map(array_values(...), $values)), 8);
        $half = 0.5 / 10.0 ** $decimals;
        $all = array_keys($read->entities);
        $summed = self::bySums($all, $values, $half) ?: self::bySums(array_reverse($all), $values, $half);
        $parents = $indented ?: $summed;
        $named = [];
        foreach ($parents as $child => $parent) {
            $named[$read->entities[$child]] = $read->entities[$parent];
        }

        return new self($named, $summed !== []);
    }

    /** @return array<string, string> a value of `Benchmark` of each that is over others, by name */
    public function benchmarks(): array
    {
        $kind = $this->areSums ? Benchmark::Total : Benchmark::Other;

        return array_fill_keys(array_unique(array_values($this->parents)), $kind->value);
    }

    /**
     * @return array<int, int> parent by child, by the spaces that names begin with
     */
    private static function byIndentation(Observations $read, Sample $sample, Plan $plan): array
    {
        $column = $plan->columns->entity;
        $ids = array_flip($read->entities);
        $depths = [];
        for ($row = ($plan->heading ?? -1) + 1; $column !== null && isset($sample->rows[$row]); $row++) {
            $cell = $sample->rows[$row][$column] ?? '';
            $id = $ids[trim((string) preg_replace('/\s+/u', ' ', $cell))] ?? null;
            if ($id !== null && !isset($depths[$id])) {
                preg_match('/^[\s\x{00A0}\x{2003}]*/u', $cell, $m);
                $depths[$id] = mb_strlen($m[0] ?? '');
            }
        }
        $parents = $over = [];
        foreach (count(array_unique($depths)) < 2 ? [] : $depths as $id => $depth) {
            while ($over !== [] && end($over)[1] >= $depth) {
                array_pop($over);
            }
            if ($over !== []) {
                $parents[$id] = end($over)[0];
            }
            $over[] = [$id, $depth];
        }

        return $parents;
    }

    /**
     * @return array<int, int> parent by child, by the numbers that names begin with (`1.2 North`), or by a code of each
     *     entity that begins with the code of its parent
     */
    private static function byCodes(Observations $read): array
    {
        $attributes = [];
        foreach ($read->entities as $id => $name) {
            foreach ($read->metadata->attributes[$name] ?? [] as $about => $text) {
                $attributes[$about][$id] = $text;
            }
        }
        foreach ([$read->entities, ...array_values($attributes)] as $texts) {
            $codes = [];
            foreach ($texts as $id => $text) {
                $isCode = preg_match('/^(\d+(?:\.\d+)*)\.?(?=\s|$)|^([A-Z]{1,3}[A-Z0-9]*)$/u', $text, $m) === 1;
                $codes[$id] = $isCode ? ($m[2] ?? "{$m[1]}.") : '';
            }
            $parents = count($texts) === count($read->entities) ? self::byPrefix($codes) : [];
            if ($parents !== []) {
                return $parents;
            }
        }

        return [];
    }

    /**
     * @param array<int, string> $codes by entity
     * @return array<int, int> parent by child; none where a code that is longer than the shortest has no parent, or a
     *     parent only one child
     */
    private static function byPrefix(array $codes): array
    {
        $ids = array_flip($codes);
        if (isset($ids['']) || count($ids) < count($codes)) {
            return [];
        }
        $depth = static fn(string $code): int => str_ends_with($code, '.') ? substr_count($code, '.') : strlen($code);
        $least = min([PHP_INT_MAX, ...array_values(array_map($depth, $codes))]);
        $parents = [];
        foreach ($codes as $id => $code) {
            for ($length = strlen($code) - 1; $length > 0 && !isset($parents[$id]); $length--) {
                $prefix = substr($code, 0, $length);
                if (isset($ids[$prefix]) && (!str_ends_with($code, '.') || str_ends_with($prefix, '.'))) {
                    $parents[$id] = $ids[$prefix];
                }
            }
            if (!isset($parents[$id]) && $depth($code) > $least) {
                return [];
            }
        }
        $lonely = array_filter(array_count_values($parents), static fn(int $children): bool => $children < 2);

        return $lonely === [] && count($parents) >= self::COVERED * count($codes) ? $parents : [];
    }

    /**
     * Each entity's values of amounts, by what and when they are.
     *
     * @return array<int, array<string, float>>
     */
    private static function values(Observations $read): array
    {
        $values = [];
        foreach ($read->series() as $series) {
            if ($read->measures[$series->measure]->kind === MeasureKind::Rate) {
                continue;
            }
            foreach ($series->values as $i => $value) {
                $at = "{$series->measure} {$series->combination} " . ($series->first + $i);
                if (!is_nan($value) && count($values[$series->entity] ?? []) < self::COMPARED) {
                    $values[$series->entity][$at] = $value;
                }
            }
        }

        return $values;
    }

    /**
     * From the last to the first, each is tried as the sum of the next ones that are not under another yet.
     *
     * @param list<int> $order of entities, the sum before its parts
     * @param array<int, array<string, float>> $values
     * @return array<int, int> parent by child; none where too few are in it
     */
    private static function bySums(array $order, array $values, float $half): array
    {
        $parents = $roots = [];
        foreach (array_reverse($order) as $entity) {
            $next = array_map(static fn(int $root): array => $values[$root] ?? [], $roots);
            $count = self::partsOf($values[$entity] ?? [], $next, $half);
            for ($i = 0; $i < $count; $i++) {
                $parents[(int) array_shift($roots)] = $entity;
            }
            array_unshift($roots, $entity);
        }
        $in = array_unique([...array_keys($parents), ...array_values($parents)]);

        return count($in) >= self::COVERED * count($order) ? $parents : [];
    }

    /**
     * How many of the next ones add up to it; 0 where none do.
     *
     * @param array<string, float> $whole
     * @param list<array<string, float>> $next
     */
    private static function partsOf(array $whole, array $next, float $half): int
    {
        if (count($whole) < self::FEWEST) {
            return 0;
        }
        $rest = $whole;
        foreach ($next as $n => $part) {
            $isOver = true;
            $isZero = true;
            foreach ($rest as $key => $value) {
                if (!isset($part[$key])) {
                    return 0;
                }
                $rest[$key] = $left = $value - $part[$key];
                $near = self::near($whole[$key], $half, $n + 1);
                $isZero = $isZero && abs($left) <= $near;
                $isOver = $isOver && $left < -$near;
            }
            if ($isZero && $n > 0) {
                return $n + 1;
            }
            // With parts that are not below zero, what is over it stays over it.
            if ($isOver) {
                return 0;
            }
        }

        return 0;
    }

    /** How far a sum of so many parts may be off. */
    private static function near(float $whole, float $half, int $parts): float
    {
        $rounding = $half * ($parts + 1);

        return $rounding <= self::LITTLE * abs($whole) ? $rounding : 1e-9 * max(1.0, abs($whole));
    }
}
