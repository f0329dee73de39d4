<?php

declare(strict_types=1);

namespace DuskRail\Reading;

/** What is done to the rows of a table before they are read, so that each cell is in the column that it belongs to. */
final readonly class Arrangement
{
    /**
     * @param Split|null $split of a column that holds several keys
     * @param FillDown|null $fill of columns that are blank where the cell above holds
     * @param Indentation|null $indentation of names that begin with marks for their level
     * @param Sections|null $sections texts in rows of their own, over those that they are said of
     */
    public function __construct(
        public ?Split $split = null,
        public ?FillDown $fill = null,
        public ?Indentation $indentation = null,
        public ?Sections $sections = null,
    ) {}

    public static function of(Sample $sample, ?int $heading): self
    {
        $split = Split::of($sample, $heading);
        $fill = FillDown::of($sample, $heading);

        return new self(
            $split,
            $fill,
            Indentation::of($sample, $heading),
            $split === null && $fill === null ? Sections::of($sample, $heading) : null,
        );
    }

    /** @param array<string, mixed> $plan as Plan::toArray() gives it */
    public static function from(array $plan): self
    {
        $listed = static fn(string $name): array => is_array($plan[$name] ?? null) ? $plan[$name] : [];

        return new self(
            Split::from($listed('split')),
            FillDown::from($listed('filled'), ($plan['outline'] ?? false) === true),
            is_int($plan['indented'] ?? null) ? new Indentation($plan['indented']) : null,
            Sections::from($listed('sections')),
        );
    }

    /** The same with blank cells of the first columns repeating the cell above, or being blank. */
    public function filling(bool $fills, Sample $sample, ?int $heading): self
    {
        $fill = $fills ? FillDown::possible($sample, $heading) : null;

        return new self($this->split, $fill, $this->indentation, $fill === null ? $this->sections : null);
    }

    /** @return array<string, mixed> of a plan */
    public function toArray(): array
    {
        return [
            'split' => $this->split === null ? null : (array) $this->split,
            'filled' => $this->fill->columns ?? [],
            'outline' => $this->fill->isOutline ?? false,
            'indented' => $this->indentation?->column,
            'sections' => $this->sections === null ? null : (array) $this->sections,
        ];
    }

    /**
     * @param iterable<int, list<string>> $rows by number
     * @return iterable<int, list<string>>
     */
    public function rows(iterable $rows, ?int $heading): iterable
    {
        $rows = $this->fill === null ? $rows : $this->fill->rows($rows, $heading);
        $rows = $this->sections === null ? $rows : $this->sections->rows($rows, $heading);

        return $this->split === null && $this->indentation === null ? $rows : $this->each($rows, $heading);
    }

    /**
     * @param iterable<int, list<string>> $rows
     * @return iterable<int, list<string>>
     */
    private function each(iterable $rows, ?int $heading): iterable
    {
        foreach ($rows as $number => $row) {
            $row = $this->split === null ? $row : $this->split->row($row);
            yield $number => $this->indentation === null || $number <= ($heading ?? -1)
                ? $row
                : $this->indentation->row($row);
        }
    }

    public function sample(Sample $sample, ?int $heading): Sample
    {
        if (array_filter((array) $this) === []) {
            return $sample;
        }
        $rows = [];
        foreach ($this->rows($sample->rows, $heading) as $row) {
            $rows[] = $row;
        }

        return new Sample($rows, $sample->fileName, $sample->delimiter);
    }

    /**
     * What is done, in words.
     *
     * @return list<string>
     */
    public function inWords(Sample $sample, ?int $heading): array
    {
        $named = static fn(int $column): string => "“{$sample->heading($column, $heading)}”";

        return [
            ...$this->split === null
                ? []
                : ["{$named($this->split->column)} contains {$this->split->count} keys in each cell"],
            ...$this->fill === null
                ? []
                : [
                    'a blank cell in ' . implode(' or ', array_map($named, $this->fill->columns)) .
                    ' repeats the cell above it',
                ],
            ...$this->sections === null
                ? []
                : ["rows with one text and no value head the rows below them (“{$this->sections->name}”)"],
            ...$this->indentation === null
                ? []
                : ["marks before the names in {$named($this->indentation->column)} are levels"],
        ];
    }
}
