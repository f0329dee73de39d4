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

    public static function isOne(string $path): bool
    {
        $start = ltrim((string) file_get_contents($path, false, null, 0, 4_096), "\u{FEFF} \t\r\n");

        return str_starts_with($start, '{') && preg_match('/"(class|version|dimension|dataset|value|id|link|label)"\s*:/', $start) === 1 && ! str_contains($start, '"resources"');
    }

    public static function open(string $path): self
    {
        if (filesize($path) > self::LARGEST) {
            throw NotATable::because('The file is '.number_format(filesize($path) / 1e6).' MB of JSON, more than can be read at once.', 'Take a part of it where it comes from, or take it as CSV.');
        }
        try {
            $read = json_decode((string) file_get_contents($path), true, 64, JSON_THROW_ON_ERROR);
        } catch (JsonException $problem) {
            throw NotATable::because("The file looks like JSON but is not: {$problem->getMessage()}.", 'It may not have arrived whole; bring it again.');
        }
        $read = is_array($read) ? $read : [];
        $items = match (true) {
            isset($read['value'], $read['dimension']) => [$read],
            is_array(data_get($read, 'link.item')) => data_get($read, 'link.item'),
            // Before 2.0 a bundle of datasets stood side by side.
            default => array_values(array_filter($read, static fn(mixed $one): bool => is_array($one) && isset($one['value'], $one['dimension']))),
        };
        $datasets = [];
        foreach ($items as $number => $item) {
            if (is_array($item) && isset($item['value'], $item['dimension'])) {
                $label = is_string($item['label'] ?? null) && $item['label'] !== '' ? $item['label'] : 'Table '.((int) $number + 1);
                $datasets[isset($datasets[$label]) ? "{$label} ".((int) $number + 1) : $label] = $item;
            }
        }

        return $datasets === [] ? throw NotATable::because('The file is JSON but holds no JSON-stat dataset with its values in it.', 'If it lists datasets that lie elsewhere, bring one of those; a study file is brought below.') : new self($datasets);
    }

    public function tables(): array
    {
        return array_map(strval(...), array_keys($this->datasets));
    }

    public function write(string $table, string $path): void
    {
        $dataset = $this->datasets[$table] ?? throw NotATable::because("There is no table “{$table}” in the file.", 'Choose another.');
        [$dimensions, $sizes] = $this->dimensions($dataset);
        $cells = array_product($sizes);
        if ($cells > self::MOST_CELLS) {
            throw NotATable::because('The table has '.number_format($cells).' cells, more than can be read.', 'Take a part of it where it comes from.');
        }
        $out = fopen($path, 'wb');
        if ($out === false) {
            throw NotATable::because('The table cannot be written down.', 'Try again.');
        }
        $put = static fn(string ...$row): int|false => fputcsv($out, $row, ',', '"', '');
        $put('# source', is_string($dataset['source'] ?? null) ? $dataset['source'] : '');
        $described = data_get($dataset, 'extension.measures');
        if (is_array($described)) {
            // Of this program's own making.
            $put('# periods', 'code');
        }
        foreach (is_array($described) ? $described : [] as $name => $about) {
            $put("# about {$name}", is_array($about) ? implode('; ', array_filter($about, is_string(...))) : '');
        }
        $put('Entity', 'Measure', 'Unit', 'Period', 'Value', 'Status');
        $values = is_array($dataset['value']) ? $dataset['value'] : [];
        $statuses = $dataset['status'] ?? [];
        for ($cell = 0; $cell < $cells; $cell++) {
            $value = $values[$cell] ?? null;
            if (! is_int($value) && ! is_float($value)) {
                continue;
            }
            $names = ['entity' => [], 'metric' => [is_string($dataset['label'] ?? null) ? $dataset['label'] : 'Value'], 'unit' => [''], 'time' => []];
            $rest = $cell;
            for ($d = count($dimensions) - 1; $d >= 0; $d--) {
                $category = $dimensions[$d]['categories'][$rest % $sizes[$d]] ?? ['label' => '', 'unit' => ''];
                $rest = intdiv($rest, $sizes[$d]);
                if ($dimensions[$d]['role'] === 'metric') {
                    [$names['metric'], $names['unit']] = [[$category['label']], [$category['unit']]];
                } elseif ($dimensions[$d]['role'] !== 'constant') {
                    array_unshift($names[$dimensions[$d]['role']], $category['label']);
                }
            }
            $status = is_array($statuses) ? ($statuses[$cell] ?? '') : $statuses;
            $put(FormulaGuard::guard($names['entity'] === [] ? 'All' : implode(', ', $names['entity'])), FormulaGuard::guard(implode($names['metric'])), FormulaGuard::guard(implode($names['unit'])), implode($names['time']), (string) json_encode($value), is_string($status) ? $status : '');
        }
        fclose($out);
    }

    /**
     * @param array<array-key, mixed> $dataset
     * @return array{list<array{role: 'time'|'metric'|'entity'|'constant', categories: list<array{label: string, unit: string}>}>, list<int>}
     */
    private function dimensions(array $dataset): array
    {
        $ids = $dataset['id'] ?? data_get($dataset, 'dimension.id');
        $roles = is_array($dataset['role'] ?? null) ? $dataset['role'] : [];
        $dimensions = $sizes = [];
        foreach (is_array($ids) ? array_values($ids) : [] as $id) {
            $dimension = is_string($id) && is_array($dataset['dimension']) ? ($dataset['dimension'][$id] ?? null) : null;
            $category = is_array($dimension) && is_array($dimension['category'] ?? null) ? $dimension['category'] : throw NotATable::because('A dimension of the table has no categories: '.(is_string($id) ? $id : '?').'.', 'The file does not follow JSON-stat; take it anew from where it comes from.');
            $index = $category['index'] ?? array_keys(is_array($category['label'] ?? null) ? $category['label'] : ['' => '']);
            if (is_array($index) && ! array_is_list($index)) {
                asort($index);
                $index = array_keys($index);
            }
            $in = static fn(string $role): bool => in_array($id, is_array($roles[$role] ?? null) ? $roles[$role] : [], true);
            $role = match (true) {
                $in('time') || ($roles === [] && preg_match('/^(time|year|month|quarter|period|date)/i', (string) $id) === 1) => 'time',
                $in('metric') => 'metric',
                is_array($index) && count($index) === 1 => 'constant',
                default => 'entity',
            };
            $categories = [];
            $labels = is_array($category['label'] ?? null) ? $category['label'] : [];
            $units = is_array($category['unit'] ?? null) ? $category['unit'] : [];
            foreach (is_array($index) ? array_values($index) : [] as $key) {
                $key = is_scalar($key) ? (string) $key : '';
                $label = is_string($labels[$key] ?? null) ? $labels[$key] : $key;
                $unit = is_array($units[$key] ?? null) ? ($units[$key]['label'] ?? $units[$key]['base'] ?? '') : '';
                // Codes of periods are plainer than their names.
                $categories[] = ['label' => $role === 'time' && preg_match('/^\d{4}/', $key) === 1 ? $key : $label, 'unit' => is_string($unit) ? $unit : ''];
            }
            $dimensions[] = ['role' => $role, 'categories' => $categories];
            $sizes[] = max(1, count($categories));
        }
        // What nothing else tells apart names the entity after all.
        if (array_filter($dimensions, static fn(array $d): bool => $d['role'] === 'entity') === []) {
            foreach ($dimensions as $d => $dimension) {
                if ($dimension['role'] === 'constant') {
                    $dimensions[$d]['role'] = 'entity';
                    break;
                }
            }
        }

        return [$dimensions, $sizes];
    }
}
