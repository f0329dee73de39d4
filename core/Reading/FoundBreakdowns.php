<?php

declare(strict_types=1);

namespace DuskRail\Reading;

use DuskRail\Data\Breakdown;
use DuskRail\Data\Cell;

/** What the data that were read are split by, merged into what a data set is split by already. */
final readonly class FoundBreakdowns
{
    /** Groups of values that a total is looked for in. */
    private const TRIED = 200;

    /** How far a sum may be off, for the rounding of its parts. */
    private const NEAR = 0.002;

    /**
     * @param array<string, Breakdown> $all by key
     * @param list<string> $keys of those in the file, in its order
     * @param array<int, array<array-key, string>> $categories key of each category by what is written, likewise
     */
    private function __construct(
        private Observations $read,
        public array $all,
        private array $keys,
        private array $categories,
    ) {}

    /** @param array<string, Breakdown> $known of the data set, by key */
    public static function of(Observations $read, array $known = []): self
    {
        $keys = $written = [];
        foreach ($read->metadata->breakdowns as $place => $name) {
            $key = self::key($name, array_fill_keys($keys, true));
            $keys[] = $key;
            $before = $known[$key] ?? null;
            $categories = $before->categories ?? [];
            // A category may be written as its key, or by the name that it has been given.
            $byName = array_flip(array_map(mb_strtolower(...), $categories));
            $written[$place] = [];
            foreach (array_slice($read->metadata->combinations, 1) as $combination) {
                $category = $combination[$place];
                if ($category !== '') {
                    $written[$place][$category] ??=
                        (string) ($byName[mb_strtolower($category)] ?? self::key($category));
                    $categories[$written[$place][$category]] ??= CategoryCodes::name($name, $category);
                }
            }
            if ($categories === []) {
                continue;
            }
            // What was said of it holds, as long as there is nothing new.
            $total =
                $before !== null && count($categories) === count($before->categories)
                    ? $before->total
                    : ($before->total ?? '' ?:
                    self::total($read, $place, $categories));
            $title = $before->name ?? Heading::read(Vocabulary::words($name))->name;
            $known[$key] = new Breakdown($key, $title, $categories, $total);
        }

        return new self($read, $known, $keys, $written);
    }

    /** The categories of a series, as they are kept with it. */
    public function cell(ReadSeries $series): string
    {
        $categories = [];
        foreach ($this->read->metadata->combinations[$series->combination] as $place => $category) {
            if ($category !== '') {
                $categories[$this->keys[$place]] = $this->categories[$place][$category];
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

    /** @return list<array<string, float>> values by category, of values that are alike in all else */
    private static function groups(Observations $read, int $place): array
    {
        $groups = [];
        foreach ($read->series() as $series) {
            $combination = $read->metadata->combinations[$series->combination];
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
