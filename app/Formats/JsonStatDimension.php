<?php

declare(strict_types=1);

namespace App\Formats;

use DuskRail\Reading\NotATable;

/** One dimension of a JSON-stat table (json-stat.org/full): what it tells, and its categories in order. */
final readonly class JsonStatDimension
{
    /**
     * @param 'time'|'metric'|'entity'|'other'|'constant' $role a constant has a single category and tells nothing apart
     * @param list<JsonStatCategory> $categories
     */
    public function __construct(public string $role, public array $categories, public string $label) {}

    /** @param 'time'|'metric'|'entity'|'other'|'constant' $role */
    public function as(string $role): self
    {
        return new self($role, $this->categories, $this->label);
    }

    /**
     * @param array<array-key, mixed> $dimension
     * @param array<array-key, mixed> $roles ids by role
     *
     * @throws NotATable when it has no categories
     */
    public static function read(string $id, array $dimension, array $roles): self
    {
        $category =
            $dimension['category'] ??
            throw NotATable::because(
                "A dimension of the table has no categories: {$id}.",
                'The file does not follow JSON-stat; download it again from its source.',
            );
        $label = is_string($dimension['label'] ?? null) && $dimension['label'] !== '' ? $dimension['label'] : $id;
        $category = is_array($category) ? $category : [];
        $keys = self::keys($category);
        $role = self::role($id, $roles, count($keys));
        $categories = [];
        foreach ($keys as $key) {
            $categories[] = self::category($category, $key, $role);
        }

        return new self($role, $categories, $label);
    }

    public function size(): int
    {
        return max(1, count($this->categories));
    }

    /**
     * @param array<array-key, mixed> $category
     * @return list<string> in the order of the cells
     */
    private static function keys(array $category): array
    {
        $labels = is_array($category['label'] ?? null) ? $category['label'] : ['' => ''];
        $index = $category['index'] ?? array_keys($labels);
        if (is_array($index) && !array_is_list($index)) {
            asort($index);
            $index = array_keys($index);
        }

        return array_map(
            static fn(mixed $key): string => is_scalar($key) ? (string) $key : '',
            is_array($index) ? array_values($index) : [],
        );
    }

    /**
     * @param array<array-key, mixed> $roles
     * @return 'time'|'metric'|'entity'|'other'|'constant'
     */
    private static function role(string $id, array $roles, int $count): string
    {
        $in = static fn(string $role): bool => in_array($id, (array) ($roles[$role] ?? []), true);
        $namesTime = $roles === [] && preg_match('/^(time|year|month|quarter|period|date)/i', $id) === 1;

        return match (true) {
            $namesTime, $in('time') => 'time',
            $in('metric') => 'metric',
            $in('geo') => 'entity',
            $count === 1 => 'constant',
            default => 'other',
        };
    }

    /** @param array<array-key, mixed> $category */
    private static function category(array $category, string $key, string $role): JsonStatCategory
    {
        $label = data_get($category, ['label', $key]);
        $unit = data_get($category, ['unit', $key, 'label']) ?? data_get($category, ['unit', $key, 'base']);
        // Codes of periods are plainer than their names.
        $isPeriod = $role === 'time' && preg_match('/^\d{4}/', $key) === 1;

        return new JsonStatCategory(is_string($label) && !$isPeriod ? $label : $key, is_string($unit) ? $unit : '');
    }
}
