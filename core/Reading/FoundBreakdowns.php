<?php

declare(strict_types=1);

namespace DuskRail\Reading;

use DuskRail\Data\Breakdown;
use DuskRail\Data\Cell;

/** What the figures that were read are split by, laid over what a data set is split by already. */
final readonly class FoundBreakdowns
{
    /** Groups of figures that a total is looked for in. */
    private const TRIED = 200;

    /** How far a sum may be off, for the rounding of its parts. */
    private const NEAR = 0.002;

    /**
     * @param array<string, Breakdown> $all by key
     * @param list<string> $keys of those in the file, in its order
     */
    private function __construct(private Observations $read, public array $all, private array $keys) {}

    /** @param array<string, Breakdown> $known of the data set, by key */
    public static function of(Observations $read, array $known = []): self
    {
        $keys = [];
        foreach ($read->beside->breakdowns as $place => $name) {
            $key = self::key($name, array_fill_keys($keys, true));
            $keys[] = $key;
            $categories = $known[$key]->categories ?? [];
            foreach (array_slice($read->beside->combinations, 1) as $combination) {
                $category = $combination[$place];
                if ($category !== '') {
                    $categories[self::key($category)] ??= $category;
                }
            }
            if ($categories === []) {
                continue;
            }
            $known[$key] = new Breakdown(
                $key,
                $known[$key]->name ?? Heading::read(Vocabulary::words($name))->name,
                $categories,
                $known[$key]->total ?? '' ?: self::total($read, $place, $categories),
            );
        }

        return new self($read, $known, $keys);
    }

    /** The categories of a series, as they are kept with it. */
    public function cell(ReadSeries $series): string
    {
        $categories = [];
        foreach ($this->read->beside->combinations[$series->combination] as $place => $category) {
            if ($category !== '') {
                $categories[$this->keys[$place]] = self::key($category);
            }
        }

        return Cell::of($categories)->text();
    }

    /** @param array<string, true> $taken */
    private static function key(string $name, array $taken = []): string
    {
        $key = trim((string) preg_replace('/[^\p{L}\p{N}+<>_]+/u', '-', mb_strtolower(trim($name))), '-');
        $key = $key === '' ? 'x' . substr(hash('sha256', $name), 0, 8) : mb_substr($key, 0, 80);

        return isset($taken[$key]) ? "{$key}-2" : $key;
    }

    /**
     * Key of the category that stands for all others, by its name or since they add up to it; nothing for none.
     *
     * @param array<array-key, string> $categories
     */
    private static function total(Observations $read, int $place, array $categories): string
    {
        foreach ($categories as $key => $name) {
            if (Vocabulary::isTotal($name)) {
                return (string) $key;
            }
        }
        if (count($categories) < 3) {
            return '';
        }
        $agree = $tried = [];
        foreach (self::groups($read, $place) as $group) {
            $sum = array_sum($group);
            foreach ($group as $category => $value) {
                $tried[$category] = ($tried[$category] ?? 0) + 1;
                $isSum = $value > 0.0 && abs($sum - 2.0 * $value) <= self::NEAR * $value;
                $agree[$category] = ($agree[$category] ?? 0) + ($isSum ? 1 : 0);
            }
        }
        foreach ($agree as $category => $count) {
            if ($tried[$category] >= 3 && $count >= 0.95 * $tried[$category]) {
                return self::key((string) $category);
            }
        }

        return '';
    }

    /** @return list<array<string, float>> values by category, of figures that are alike in all else */
    private static function groups(Observations $read, int $place): array
    {
        $groups = [];
        foreach ($read->series() as $series) {
            $combination = $read->beside->combinations[$series->combination];
            $category = $combination[$place] ?? '';
            unset($combination[$place]);
            foreach (array_slice($series->values, 0, 20, true) as $i => $value) {
                $ordinal = $series->first + $i;
                $key = implode("\t", [$series->measure, $series->entity, $ordinal, ...$combination]);
                if (!is_nan($value) && (isset($groups[$key]) || count($groups) < self::TRIED)) {
                    $groups[$key][$category] = $value;
                }
            }
        }

        return array_values(array_filter($groups, static fn(array $group): bool => count($group) >= 3));
    }
}
