<?php

declare(strict_types=1);

namespace App\Formats;

use DuskRail\Data\Numerals;
use DuskRail\Reading\FormulaGuard;
use DuskRail\Reading\NotATable;
use DuskRail\Reading\Preamble;
use DuskRail\Reading\Vocabulary;

/**
 * JSON-stat 2.0 (json-stat.org/full): a dataset, or a collection of them. Time, metric and geo are told by their roles;
 * what else varies breaks the data down, or names the entities where nothing else does.
 */
final readonly class JsonStatFile implements TableSource
{
    public const MOST_CELLS = 4_000_000;

    /** @param array<string, array<array-key, mixed>> $datasets by label */
    private function __construct(private array $datasets) {}

    public static function names(): array
    {
        return ['JSON-stat'];
    }

    public static function endings(): array
    {
        return ['json'];
    }

    public static function isOne(string $path): bool
    {
        $read = JsonDocument::read($path);

        return $read === null
            ? JsonDocument::seemsToHave($path, ['class', 'dimension', 'dataset'])
            : self::isDataset($read) ||
                    ($read['class'] ?? '') === 'collection' ||
                    array_filter($read, self::isDataset(...)) !== [];
    }

    private static function isDataset(mixed $read): bool
    {
        return is_array($read) && isset($read['value'], $read['dimension']);
    }

    /** @param array<string, array<array-key, mixed>> $datasets by label, as JSON-stat has them */
    public static function of(array $datasets): self
    {
        return new self($datasets);
    }

    public static function open(string $path): self
    {
        $read = JsonDocument::whole($path);
        $items = match (true) {
            self::isDataset($read) => [$read],
            is_array(data_get($read, 'link.item')) => data_get($read, 'link.item'),
            // Before 2.0 a bundle of datasets was side by side.
            default => array_values(array_filter($read, self::isDataset(...))),
        };
        $datasets = [];
        foreach ($items as $number => $item) {
            if (is_array($item) && self::isDataset($item)) {
                $label =
                    is_string($item['label'] ?? null) && $item['label'] !== ''
                        ? $item['label']
                        : 'Table ' . ((int) $number + 1);
                $datasets[isset($datasets[$label]) ? "{$label} " . ((int) $number + 1) : $label] = $item;
            }
        }

        return $datasets === []
            ? throw NotATable::because(
                'The file is JSON but has no JSON-stat data with values.',
                'If it links to data sets, upload one of those.',
            )
            : new self($datasets);
    }

    public function tables(): array
    {
        return array_map(strval(...), array_keys($this->datasets));
    }

    public function write(string $table, string $path): void
    {
        $dataset =
            $this->datasets[$table] ?? throw NotATable::because("The file has no table “{$table}”.", 'Choose another.');
        $dimensions = self::dimensions($dataset);
        $cells = array_product(array_map(static fn(JsonStatDimension $d): int => $d->size(), $dimensions));
        if ($cells > self::MOST_CELLS) {
            throw NotATable::because(
                'The table has ' . Numerals::count($cells) . ' cells, which is too many.',
                'Download a smaller part from its source.',
            );
        }
        $out = fopen($path, 'wb');
        if ($out === false) {
            throw NotATable::because('The table could not be stored on the server.', 'Try again.');
        }
        $put = static fn(string ...$row): int|false => fputcsv($out, $row, ',', '"', '');
        $headings = array_map(
            static fn(JsonStatDimension $d): string => FormulaGuard::guard($d->label),
            self::keys($dimensions),
        );
        foreach (
            [...self::remarks($dataset, $dimensions), [...$headings, 'Measure', 'Unit', 'Period', 'Value', 'Status']]
            as $row
        ) {
            $put(...$row);
        }
        $values = is_array($dataset['value']) ? $dataset['value'] : [];
        $statuses = $dataset['status'] ?? [];
        $label = is_string($dataset['label'] ?? null) ? Preamble::measure($dataset['label']) : 'Value';
        for ($cell = 0; $cell < $cells; $cell++) {
            $figure = self::figure($values, $statuses, $cell);
            if ($figure !== null) {
                $put(...self::namesOf($dimensions, $cell, $label), ...$figure);
            }
        }
        fclose($out);
    }

    /**
     * @param array<array-key, mixed> $values
     * @return array{string, string}|null value and status; null where there is neither a value nor a reason for none
     */
    private static function figure(array $values, mixed $statuses, int $cell): ?array
    {
        $value = $values[$cell] ?? null;
        $status = is_array($statuses) ? $statuses[$cell] ?? '' : $statuses;
        $status = is_string($status) ? $status : '';

        return match (true) {
            is_int($value) || is_float($value) => [(string) json_encode($value), $status],
            $status !== '' && array_key_exists($cell, $values) => ['', $status],
            default => null,
        };
    }

    /**
     * @param list<JsonStatDimension> $dimensions
     * @return list<JsonStatDimension> those that name entities or break values down
     */
    private static function keys(array $dimensions): array
    {
        return array_values(
            array_filter(
                $dimensions,
                static fn(JsonStatDimension $d): bool => in_array($d->role, ['entity', 'other'], true),
            ),
        );
    }

    /**
     * Remarks above the table; those of the measures are of this program's own making.
     *
     * @param array<array-key, mixed> $dataset
     * @param list<JsonStatDimension> $dimensions
     * @return list<list<string>>
     */
    private static function remarks(array $dataset, array $dimensions): array
    {
        $title = is_string($dataset['label'] ?? null) ? $dataset['label'] : '';
        $remarks = [['# title', $title], ['# source', is_string($dataset['source'] ?? null) ? $dataset['source'] : '']];
        foreach (self::keys($dimensions) as $dimension) {
            $remarks[] =
                $dimension->role === 'entity'
                    ? ['# entity', $dimension->label]
                    : ["# breakdown {$dimension->label}", ''];
        }
        $described = data_get($dataset, 'extension.measures');
        if (!is_array($described)) {
            return $remarks;
        }
        $remarks[] = ['# periods', 'code'];
        foreach ($described as $name => $about) {
            $words = is_array($about) ? implode('; ', array_filter($about, is_string(...))) : '';
            $remarks[] = ["# about {$name}", $words];
        }
        $notes = data_get($dataset, 'extension.notes');
        foreach (is_array($notes) ? array_filter($notes, is_string(...)) : [] as $name => $text) {
            $remarks[] = ["# {$name}", $text];
        }

        return $remarks;
    }

    /**
     * What the categories of a cell are called.
     *
     * @param list<JsonStatDimension> $dimensions
     * @param int $cell number of the cell, the last dimension varying first
     * @param string $label of the table, for one whose dimensions name no measure
     * @return list<string> what it is of, measure, unit and period
     */
    private static function namesOf(array $dimensions, int $cell, string $label): array
    {
        $names = $period = [];
        $measure = new JsonStatCategory($label);
        foreach (array_reverse($dimensions) as $dimension) {
            $category = $dimension->categories[$cell % $dimension->size()] ?? new JsonStatCategory('');
            $cell = intdiv($cell, $dimension->size());
            match ($dimension->role) {
                'metric' => ($measure = $category),
                'time' => array_unshift($period, $category->label),
                'constant' => null,
                default => array_unshift($names, FormulaGuard::guard($category->label)),
            };
        }

        return [...$names, FormulaGuard::guard($measure->label), FormulaGuard::guard($measure->unit), implode($period)];
    }

    /**
     * @param array<array-key, mixed> $dataset
     * @return list<JsonStatDimension>
     */
    private static function dimensions(array $dataset): array
    {
        $ids = $dataset['id'] ?? data_get($dataset, 'dimension.id');
        $roles = is_array($dataset['role'] ?? null) ? $dataset['role'] : [];
        $all = is_array($dataset['dimension']) ? $dataset['dimension'] : [];
        $dimensions = [];
        foreach (is_array($ids) ? array_values($ids) : [] as $id) {
            $name = is_string($id) ? $id : '?';
            $dimensions[] = JsonStatDimension::read($name, is_array($all[$name] ?? null) ? $all[$name] : [], $roles);
        }
        return self::withEntity($dimensions);
    }

    /**
     * One of the dimensions names the entities: that of places, or the one that is headed so, or the largest; where all
     * have a single category, the first of those.
     *
     * @param list<JsonStatDimension> $dimensions
     * @return list<JsonStatDimension>
     */
    private static function withEntity(array $dimensions): array
    {
        if (array_filter($dimensions, static fn(JsonStatDimension $d): bool => $d->role === 'entity') !== []) {
            return $dimensions;
        }
        $best = null;
        foreach ($dimensions as $n => $dimension) {
            $weight = match (true) {
                in_array($dimension->role, ['time', 'metric'], true) => -1,
                preg_match(Vocabulary::ENTITY, Vocabulary::words($dimension->label)) === 1 => 1_000_000,
                $dimension->role === 'constant' => 0,
                default => $dimension->size(),
            };
            if ($weight > ($best[0] ?? -1)) {
                $best = [$weight, $n];
            }
        }
        if ($best !== null) {
            $dimensions[$best[1]] = $dimensions[$best[1]]->as('entity');
        }

        return array_values($dimensions);
    }
}
