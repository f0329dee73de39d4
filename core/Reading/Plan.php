<?php

declare(strict_types=1);

namespace DuskRail\Reading;

use DomainException;
use DuskRail\Data\Better;
use DuskRail\Data\Kind;
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
     * @param list<int> $values columns that hold figures
     * @param array<string, array{unit?: string, kind?: string, better?: string}> $measures what is known of a measure, by its name in the file
     * @param string $measureName name of the one measure, where no column or heading names it
     * @param string $entityName name of the one entity, where no column or heading names it
     * @param int|null $above row of a second row of headings: measures over periods, or periods over measures
     * @param bool $joined whether each heading holds a measure and a period together: `Leakage 2022`
     * @param int|null $month column of the month, where the period column holds the year alone
     * @param int|null $day column of the day, beside that
     * @param array<int, Way> $ways of events, by column, how they are made into one figure
     * @param bool $counted of events, whether the rows themselves are counted
     * @param string $moment period that a table without periods is of; nothing for none
     */
    public function __construct(
        public Shape $shape,
        public ?int $heading,
        public ?int $entity,
        public ?int $period,
        public ?int $measure,
        public ?int $unit,
        public ?int $status,
        public array $values,
        public PeriodReading $periods,
        public NumberNotation $numbers,
        public Duplicates $duplicates,
        public array $measures,
        public string $measureName,
        public string $entityName,
        public ?int $group = null,
        public ?int $above = null,
        public array $ways = [],
        public bool $counted = true,
        public string $moment = '',
        public bool $joined = false,
        public ?int $month = null,
        public ?int $day = null,
    ) {}

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'shape' => $this->shape->value,
            'heading' => $this->heading,
            'entity' => $this->entity,
            'period' => $this->period,
            'measure' => $this->measure,
            'unit' => $this->unit,
            'status' => $this->status,
            'values' => $this->values,
            'notation' => $this->periods->notation->value,
            'frequency' => $this->periods->frequency->value,
            'numbers' => $this->numbers->value,
            'duplicates' => $this->duplicates->value,
            'measures' => $this->measures,
            'measureName' => $this->measureName,
            'entityName' => $this->entityName,
            'group' => $this->group,
            'above' => $this->above,
            'ways' => array_map(static fn(Way $way): string => $way->value, $this->ways),
            'counted' => $this->counted,
            'moment' => $this->moment,
            'joined' => $this->joined,
            'month' => $this->month,
            'day' => $this->day,
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
        $values = array_filter(is_array($plan['values'] ?? null) ? $plan['values'] : [], is_numeric(...));
        $notation = PeriodNotation::tryFrom($text('notation')) ?? throw new DomainException('Choose how the periods are written.');
        if ($column('month') !== null) {
            // Put together from several columns it is written as the reader puts it.
            $notation = $column('day') === null ? PeriodNotation::MonthNumber : PeriodNotation::YearFirst;
        }

        return new self(
            Shape::tryFrom($text('shape')) ?? throw new DomainException('Choose how the table lies.'),
            $column('heading'),
            $column('entity'),
            $column('period'),
            $column('measure'),
            $column('unit'),
            $column('status'),
            array_map(static fn(mixed $c): int => (int) $c, array_values($values)),
            PeriodReading::of($notation, Frequency::tryFrom($text('frequency'))),
            NumberNotation::tryFrom($text('numbers')) ?? NumberNotation::Point,
            Duplicates::tryFrom($text('duplicates')) ?? Duplicates::Ask,
            self::described($plan['measures'] ?? []),
            $text('measureName') === '' ? 'Value' : $text('measureName'),
            $text('entityName') === '' ? 'All' : $text('entityName'),
            $column('group'),
            $column('above'),
            self::ways($plan['ways'] ?? []),
            in_array($plan['counted'] ?? true, [true, '1', 1], true),
            $text('moment'),
            in_array($plan['joined'] ?? false, [true, '1', 1], true),
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
                $said = is_array($about) && array_key_exists($part, $about) ? $about[$part] ?? '' : null;
                if (is_string($said)) {
                    $described[(string) $name][$part] = trim($said);
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
            foreach ([[array_slice($words, 0, -$length), array_slice($words, -$length)], [array_slice($words, $length), array_slice($words, 0, $length)]] as [$measure, $period]) {
                if ($periods->read(trim(implode(' ', $period), '()[]')) !== null && preg_match('/\p{L}/u', implode($measure)) === 1) {
                    return [rtrim(implode(' ', $measure), ' -–'), trim(implode(' ', $period), '()[]')];
                }
            }
        }

        return null;
    }

    /** @return array<int, Way> */
    private static function ways(mixed $ways): array
    {
        $read = [];
        foreach (is_array($ways) ? $ways : [] as $column => $way) {
            $read[(int) $column] = Way::tryFrom(is_string($way) ? $way : '') ?? Way::Out;
        }

        return $read;
    }

    /** What a measure of the file is, from what the user or the file said of it, else by a guess from its name. */
    public function describe(string $measure, string $unitInFile, ?Kind $kind = null): ReadMeasure
    {
        $about = $this->measures[$measure] ?? [];
        $unit = $about['unit'] ?? $unitInFile;

        return new ReadMeasure(
            $measure,
            $unit,
            Kind::tryFrom($about['kind'] ?? '') ?? $kind ?? Kind::guess($measure, $unit),
            Better::tryFrom($about['better'] ?? '') ?? Better::Neither,
        );
    }
}
