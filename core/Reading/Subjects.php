<?php

declare(strict_types=1);

namespace DuskRail\Reading;

/**
 * Those that a table has values of. A subject is an entity, or where values are broken down an entity and a category of
 * each breakdown, in one number: combination × Observations::SUBJECTS + entity.
 */
final class Subjects
{
    /** @var list<string> */
    public array $entities = [];

    /** @var array<string, int> by what is in the cells */
    public array $entityIds = [];

    /** @var array<string, int> by name in lower case */
    private array $entityFolds = [];

    /** @var list<list<string>> the categories of each combination, in the order of the columns; the first has none */
    public array $combinations = [[]];

    /** @var array<string, int> */
    private array $combinationIds = [];

    /** @var array<string, array<string, string>> texts by heading, by name of the entity */
    public array $attributes = [];

    public function __construct(
        private readonly Plan $plan,
        private readonly TableHeadings $headings,
        private readonly ProblemList $problems,
    ) {}

    /**
     * The subject of a row; null, with a problem noted, if it names no entity.
     *
     * @param list<string> $row
     */
    public function ofRow(int $number, array $row): ?int
    {
        $columns = $this->plan->columns;
        $name = $columns->entity === null ? $this->plan->stated->entityName : $row[$columns->entity] ?? '';
        $entity = $this->entityIds[$name] ?? $this->entity($number, $name);
        if ($entity === null) {
            return null;
        }
        $hasAttributes = $columns->about !== [] || $columns->group !== null;
        if ($hasAttributes && !isset($this->attributes[$this->entities[$entity]])) {
            $this->describe($this->entities[$entity], $row);
        }
        if ($columns->breakdowns === []) {
            return $entity;
        }
        $categories = [];
        foreach ($columns->breakdowns as $column) {
            $categories[] = FormulaGuard::unguard(trim($row[$column] ?? ''));
        }
        $key = implode("\t", $categories);
        if (!isset($this->combinationIds[$key])) {
            $this->combinations[] = $categories;
            $this->combinationIds[$key] = count($this->combinations) - 1;
        }

        return $this->combinationIds[$key] * Observations::SUBJECTS + $entity;
    }

    /** @param list<string> $row */
    private function describe(string $entity, array $row): void
    {
        $columns = $this->plan->columns;
        $this->attributes[$entity] = [];
        foreach ($columns->about as $column) {
            $this->attributes[$entity][$this->headings->text($column)] = trim($row[$column] ?? '');
        }
        if ($columns->group !== null) {
            $group = trim($row[$columns->group] ?? '');
            $this->attributes[$entity][$this->headings->text($columns->group)] = $group;
            $this->attributes[$entity]['group'] = $group;
        }
    }

    /** The number of an entity; null, with a problem noted, if the name cannot be read. */
    public function entity(int $row, string $name): ?int
    {
        if (isset($this->entityIds[$name])) {
            return $this->entityIds[$name];
        }
        if (!mb_check_encoding($name, 'UTF-8')) {
            return $this->unnamed($row, $name, 'UTF-8 text; from here the file may use another encoding');
        }
        $clean = FormulaGuard::unguard(trim((string) preg_replace('/\s+/u', ' ', $name)));
        if ($clean === '') {
            return $this->unnamed($row, $name, 'an entity name');
        }
        // Capitals tell no entities apart, as they do not where values are kept.
        $folded = mb_strtolower($clean);
        if (!isset($this->entityFolds[$folded])) {
            $this->entities[] = $clean;
            $this->entityFolds[$folded] = count($this->entities) - 1;
        }

        return $this->entityIds[$name] = $this->entityFolds[$folded];
    }

    private function unnamed(int $row, string $found, string $expected): null
    {
        $column = $this->plan->columns->entity;
        $where = $column === null ? 'heading' : $this->headings->text($column);
        $this->problems->cell($row, $where, $found, $expected);

        return null;
    }

    public function name(int $subject): string
    {
        $categories = $this->combinations[intdiv($subject, Observations::SUBJECTS)];

        return implode(', ', [$this->entities[$subject % Observations::SUBJECTS], ...$categories]);
    }

    /**
     * What is said of entities; where they have levels and no group of their own, the group is the one above.
     *
     * @return array<string, array<string, string>> texts by heading, by name
     */
    public function described(): array
    {
        $described = $this->attributes;
        foreach ($this->plan->rows->attributes as $name => $said) {
            if (isset($this->entityFolds[mb_strtolower((string) $name)])) {
                $described[(string) $name] = [...$described[$name] ?? [], ...$said];
            }
        }
        $parents = $this->plan->columns->group === null ? $this->plan->rows->parents : [];
        $over = array_flip($parents);
        // All under one are no groups.
        foreach (count($over) > 1 ? $parents : [] as $child => $parent) {
            if (!isset($over[$child]) && isset($this->entityFolds[mb_strtolower((string) $child)])) {
                $described[(string) $child]['group'] = $parent;
            }
        }

        return $described;
    }

    /**
     * Entities that others are measured by: those that the plan says, and those whose name says so, where there are
     * others.
     *
     * @return array<string, string> a value of `Benchmark`, by name
     */
    public function benchmarks(): array
    {
        $rows = $this->plan->rows;
        $benchmarks = [];
        foreach ($this->entities as $name) {
            $guess = $rows->found[$name] ?? Vocabulary::benchmark($name)->value ?? '';
            $kind = $rows->benchmarks[$name] ?? $guess;
            if ($kind !== '') {
                $benchmarks[$name] = $kind;
            }
        }

        return count($this->entities) - count($benchmarks) >= 2 ? $benchmarks : [];
    }
}
