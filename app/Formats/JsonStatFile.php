<?php

declare(strict_types=1);

namespace App\Formats;

use DuskRail\Reading\FormulaGuard;
use DuskRail\Reading\NotATable;
use JsonException;

/**
 * JSON-stat 2.0 (json-stat.org/full): a dataset, or a collection of them. Time and metric are told by their roles; what
 * else varies names the entities, several dimensions together.
 */
final readonly class JsonStatFile implements TableSource
{
    private const MOST_CELLS = 4_000_000;

    /** Bytes of JSON that can be held whole. */
    private const LARGEST = 40_000_000;

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

    public static function open(string $path): self
    {
        if (filesize($path) > self::LARGEST) {
            throw NotATable::because(
                'The file is ' . number_format(filesize($path) / 1e6) . ' MB of JSON, more than can be read at once.',
                'Take a part of it where it comes from, or take it as CSV.',
            );
        }
        try {
            $read = JsonDocument::decoded((string) file_get_contents($path));
        } catch (JsonException $problem) {
            throw NotATable::because(
                "The file looks like JSON but is not: {$problem->getMessage()}.",
                'It may not have arrived whole; bring it again.',
            );
        }
        $items = match (true) {
            self::isDataset($read) => [$read],
            is_array(data_get($read, 'link.item')) => data_get($read, 'link.item'),
            // Before 2.0 a bundle of datasets stood side by side.
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
                'The file is JSON but holds no JSON-stat dataset with its values in it.',
                'If it lists datasets that lie elsewhere, bring one of those; a study file is brought below.',
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
            $this->datasets[$table] ??
            throw NotATable::because("There is no table “{$table}” in the file.", 'Choose another.');
        $dimensions = self::dimensions($dataset);
        $cells = array_product(array_map(static fn(JsonStatDimension $d): int => $d->size(), $dimensions));
        if ($cells > self::MOST_CELLS) {
            throw NotATable::because(
                'The table has ' . number_format($cells) . ' cells, more than can be read.',
                'Take a part of it where it comes from.',
            );
        }
        $out = fopen($path, 'wb');
        if ($out === false) {
            throw NotATable::because('The table cannot be written down.', 'Try again.');
        }
        $put = static fn(string ...$row): int|false => fputcsv($out, $row, ',', '"', '');
        foreach ([...self::remarks($dataset), ['Entity', 'Measure', 'Unit', 'Period', 'Value', 'Status']] as $row) {
            $put(...$row);
        }
        $values = is_array($dataset['value']) ? $dataset['value'] : [];
        $statuses = $dataset['status'] ?? [];
        $label = is_string($dataset['label'] ?? null) ? $dataset['label'] : 'Value';
        for ($cell = 0; $cell < $cells; $cell++) {
            $value = $values[$cell] ?? null;
            if (is_int($value) || is_float($value)) {
                $status = is_array($statuses) ? $statuses[$cell] ?? '' : $statuses;
                $figure = [(string) json_encode($value), is_string($status) ? $status : ''];
                $put(...self::namesOf($dimensions, $cell, $label), ...$figure);
            }
        }
        fclose($out);
    }

    /**
     * Remarks above the table; those of the measures are of this program's own making.
     *
     * @param array<array-key, mixed> $dataset
     * @return list<list<string>>
     */
    private static function remarks(array $dataset): array
    {
        $remarks = [['# source', is_string($dataset['source'] ?? null) ? $dataset['source'] : '']];
        $described = data_get($dataset, 'extension.measures');
        if (!is_array($described)) {
            return $remarks;
        }
        $remarks[] = ['# periods', 'code'];
        foreach ($described as $name => $about) {
            $words = is_array($about) ? implode('; ', array_filter($about, is_string(...))) : '';
            $remarks[] = ["# about {$name}", $words];
        }

        return $remarks;
    }

    /**
     * What the categories of a cell are called.
     *
     * @param list<JsonStatDimension> $dimensions
     * @param int $cell number of the cell, the last dimension varying first
     * @param string $label of the table, for one whose dimensions name no measure
     * @return array{string, string, string, string} entity, measure, unit and period
     */
    private static function namesOf(array $dimensions, int $cell, string $label): array
    {
        $names = ['entity' => [], 'time' => []];
        $measure = new JsonStatCategory($label);
        foreach (array_reverse($dimensions) as $dimension) {
            $category = $dimension->categories[$cell % $dimension->size()] ?? new JsonStatCategory('');
            $cell = intdiv($cell, $dimension->size());
            if ($dimension->role === 'metric') {
                $measure = $category;
            } elseif ($dimension->role !== 'constant') {
                array_unshift($names[$dimension->role], $category->label);
            }
        }

        return [
            FormulaGuard::guard($names['entity'] === [] ? 'All' : implode(', ', $names['entity'])),
            FormulaGuard::guard($measure->label),
            FormulaGuard::guard($measure->unit),
            implode($names['time']),
        ];
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
        $isEntity = static fn(JsonStatDimension $d): bool => $d->role === 'entity';
        $constants = array_keys(
            array_filter($dimensions, static fn(JsonStatDimension $d): bool => $d->role === 'constant'),
        );
        // What nothing else tells apart names the entity after all.
        if (array_filter($dimensions, $isEntity) === [] && $constants !== []) {
            $dimensions[$constants[0]] = new JsonStatDimension('entity', $dimensions[$constants[0]]->categories);
        }

        return array_values($dimensions);
    }
}
