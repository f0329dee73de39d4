<?php

declare(strict_types=1);

namespace DuskRail\Reading;

use DuskRail\Data\Better;
use DuskRail\Data\MeasureKind;
use DuskRail\Time\Frequency;
use DuskRail\Time\PeriodNotation;
use DuskRail\Time\PeriodReading;

/**
 * What a table was understood to be. Every part is a guess that the user can change; the reader does as the plan says.
 *
 * Columns and rows are counted from 0; null means that there is no such column.
 */
final readonly class Plan
{
    /**
     * @param int|null $heading row of the headings
     * @param array<string, array{unit?: string, kind?: string, better?: string}> $measures what is known of a
     *     measure, by its name in the file
     * @param int|null $above row of a second row of headings: measures over periods, or periods over measures
     * @param bool $joined whether each heading holds a measure and a period together: `Leakage 2022`
     */
    public function __construct(
        public TableShape $shape,
        public ?int $heading,
        public Columns $columns,
        public PeriodReading $periods,
        public NumberNotation $numbers,
        public Duplicates $duplicates,
        public array $measures,
        public Stated $stated,
        public ?int $above = null,
        public bool $joined = false,
        public EventCount $events = new EventCount(),
    ) {}

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'shape' => $this->shape->value,
            'heading' => $this->heading,
            'entity' => $this->columns->entity,
            'period' => $this->columns->period,
            'measure' => $this->columns->measure,
            'unit' => $this->columns->unit,
            'status' => $this->columns->status,
            'values' => $this->columns->values,
            'notation' => $this->periods->notation->value,
            'frequency' => $this->periods->frequency->value,
            'numbers' => $this->numbers->value,
            'duplicates' => $this->duplicates->value,
            'measures' => $this->measures,
            'measureName' => $this->stated->measureName,
            'entityName' => $this->stated->entityName,
            'group' => $this->columns->group,
            'above' => $this->above,
            'ways' => array_map(static fn(EventSummary $way): string => $way->value, $this->events->ways),
            'counted' => $this->events->counted,
            'moment' => $this->stated->moment,
            'joined' => $this->joined,
            'month' => $this->columns->month,
            'day' => $this->columns->day,
        ];
    }

    /** @param array<string, mixed> $changes some of what toArray() gives */
    public function with(array $changes): self
    {
        return self::fromArray([...$this->toArray(), ...$changes]);
    }

    /** @param array<string, mixed> $plan as toArray() gives it, with what a form may have changed */
    public static function fromArray(array $plan): self
    {
        $column = static function (string $name) use ($plan): ?int {
            $value = $plan[$name] ?? null;

            return is_numeric($value) ? (int) $value : null;
        };
        $text = static fn(string $name): string => is_string($plan[$name] ?? null) ? trim($plan[$name]) : '';
        $flag = static fn(string $name, bool $otherwise): bool => in_array(
            $plan[$name] ?? $otherwise,
            [true, '1', 1],
            true,
        );

        return new self(
            TableShape::tryFrom($text('shape')) ?? throw UnreadablePlan::because('Choose how the table lies.'),
            $column('heading'),
            self::columns($plan, $column),
            PeriodReading::of(self::notation($text('notation'), $column), Frequency::tryFrom($text('frequency'))),
            NumberNotation::tryFrom($text('numbers')) ?? NumberNotation::Point,
            Duplicates::tryFrom($text('duplicates')) ?? Duplicates::Ask,
            self::described($plan['measures'] ?? []),
            new Stated($text('measureName') ?: 'Value', $text('entityName') ?: 'All', $text('moment')),
            $column('above'),
            $flag('joined', false),
            new EventCount(self::ways($plan['ways'] ?? []), $flag('counted', true)),
        );
    }

    /** @param callable(string): ?int $column number of a column by what it is */
    private static function notation(string $text, callable $column): PeriodNotation
    {
        $notation =
            PeriodNotation::tryFrom($text) ?? throw UnreadablePlan::because('Choose how the periods are written.');
        if ($column('month') === null) {
            return $notation;
        }

        // Put together from several columns it is written as the reader puts it.
        return $column('day') === null ? PeriodNotation::MonthNumber : PeriodNotation::YearFirst;
    }

    /**
     * @param array<string, mixed> $plan
     * @param callable(string): ?int $column number of a column by what it is
     */
    private static function columns(array $plan, callable $column): Columns
    {
        $values = array_filter(is_array($plan['values'] ?? null) ? $plan['values'] : [], is_numeric(...));

        return new Columns(
            array_map(static fn(mixed $c): int => (int) $c, array_values($values)),
            $column('entity'),
            $column('period'),
            $column('measure'),
            $column('unit'),
            $column('status'),
            $column('group'),
            $column('month'),
            $column('day'),
        );
    }

    /** @return array<string, array{unit?: string, kind?: string, better?: string}> */
    private static function described(mixed $measures): array
    {
        $described = [];
        foreach (is_array($measures) ? $measures : [] as $name => $about) {
            foreach (['unit', 'kind', 'better'] as $part) {
                $given = is_array($about) && array_key_exists($part, $about) ? $about[$part] ?? '' : null;
                if (is_string($given)) {
                    $described[(string) $name][$part] = trim($given);
                }
            }
        }

        return $described;
    }

    /** Whether the headings name measures and periods alike, in two rows or joined in one. */
    public function isPaired(): bool
    {
        return $this->above !== null || $this->joined;
    }

    /**
     * A heading that holds a measure and a period, taken apart.
     *
     * @return array{string, string}|null the measure and the period
     */
    public static function parted(string $heading, PeriodReading $periods): ?array
    {
        $words = preg_split('/[\s_,:;|]+|\s[-–]\s/u', trim($heading)) ?: [];
        // The period is as long as it reads: `Leakage Mar 2024`, `2024-Q1 Leakage`.
        for ($length = min(3, count($words) - 1); $length >= 1; $length--) {
            foreach (
                [
                    [array_slice($words, 0, -$length), array_slice($words, -$length)],
                    [array_slice($words, $length), array_slice($words, 0, $length)],
                ]
                as [$measure, $period]
            ) {
                if (
                    $periods->read(trim(implode(' ', $period), '()[]')) !== null &&
                    preg_match('/\p{L}/u', implode($measure)) === 1
                ) {
                    return [rtrim(implode(' ', $measure), ' -–'), trim(implode(' ', $period), '()[]')];
                }
            }
        }

        return null;
    }

    /** @return array<int, EventSummary> */
    private static function ways(mixed $ways): array
    {
        $read = [];
        foreach (is_array($ways) ? $ways : [] as $column => $way) {
            $read[(int) $column] = EventSummary::tryFrom(is_string($way) ? $way : '') ?? EventSummary::Out;
        }

        return $read;
    }

    /** What a measure of the file is, from what the user or the file said of it, else by a guess from its name. */
    public function describe(string $measure, string $unitInFile, ?MeasureKind $kind = null): ReadMeasure
    {
        $about = $this->measures[$measure] ?? [];
        $unit = $about['unit'] ?? $unitInFile;

        return new ReadMeasure(
            $measure,
            $unit,
            MeasureKind::tryFrom($about['kind'] ?? '') ?? ($kind ?? MeasureKind::guess($measure, $unit)),
            Better::tryFrom($about['better'] ?? '') ?? Better::Neither,
        );
    }
}
