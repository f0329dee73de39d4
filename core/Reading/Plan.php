<?php

declare(strict_types=1);

namespace DuskRail\Reading;

use DuskRail\Data\Better;
use DuskRail\Data\MeasureKind;
use DuskRail\Time\Frequency;
use DuskRail\Time\PeriodNotation;
use DuskRail\Time\PeriodReading;
use DuskRail\Time\YearPart;

/**
 * What a table was understood to be. Every part is a guess that the user can change; the reader does as the plan says.
 *
 * Columns and rows are counted from 0; null means that there is no such column.
 */
final readonly class Plan
{
    /**
     * @param string $shape name of the way that it is, as TableShapes has it
     * @param int|null $heading row of the headings
     * @param int|null $above row of a second row of headings: measures over periods, or periods over measures
     * @param bool $joined whether each heading holds a measure and a period together: `Leakage 2022`
     */
    public function __construct(
        public string $shape,
        public ?int $heading,
        public Columns $columns,
        public PeriodReading $periods,
        public NumberNotation $numbers,
        public Duplicates $duplicates,
        public Stated $stated,
        public ?int $above = null,
        public bool $joined = false,
        public EventCount $events = new EventCount(),
        public Arrangement $arrangement = new Arrangement(),
        public RowRoles $rows = new RowRoles(),
    ) {}

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'shape' => $this->shape,
            'heading' => $this->heading,
            'roles' => array_map(static fn(Role $role): string => $role->value, $this->columns->roles),
            'notation' => $this->periods->notation->value,
            'frequency' => $this->periods->frequency->value,
            'year' => $this->periods->year,
            'numbers' => $this->numbers->value,
            'duplicates' => $this->duplicates->value,
            'measures' => $this->stated->measures,
            'columnUnits' => $this->stated->columnUnits,
            'missing' => $this->stated->missing,
            'measureName' => $this->stated->measureName,
            'entityName' => $this->stated->entityName,
            'unitName' => $this->stated->unit,
            'letter' => $this->stated->letter,
            'above' => $this->above,
            'ways' => array_map(static fn(EventSummary $way): string => $way->value, $this->events->aggregations),
            'counted' => $this->events->counted,
            'moment' => $this->stated->moment,
            'joined' => $this->joined,
            'benchmarks' => $this->rows->benchmarks,
            'found' => $this->rows->found,
            'parents' => $this->rows->parents,
            'attributes' => $this->rows->attributes,
            'asides' => $this->rows->asides,
            ...$this->arrangement->toArray(),
        ];
    }

    /** @param array<string, mixed> $changes some of what toArray() gives; of the roles, those that change */
    public function with(array $changes): self
    {
        $columns = $this->columns;
        foreach (is_array($changes['roles'] ?? null) ? $changes['roles'] : [] as $column => $role) {
            $role = Role::tryFrom(is_string($role) ? $role : '');
            $columns = $role === null ? $columns : $columns->with((int) $column, $role);
        }
        $roles = array_map(static fn(Role $role): string => $role->value, $columns->roles);

        return self::fromArray([...$this->toArray(), ...$changes, 'roles' => $roles]);
    }

    /** @param array<string, mixed> $plan as toArray() gives it, with what a form may have changed */
    public static function fromArray(array $plan): self
    {
        $row = static fn(string $name): ?int => is_numeric($plan[$name] ?? null) ? (int) $plan[$name] : null;
        $text = static fn(string $name): string => is_string($plan[$name] ?? null) ? trim($plan[$name]) : '';
        $flag = static fn(string $name, bool $otherwise): bool => in_array(
            $plan[$name] ?? $otherwise,
            [true, '1', 1],
            true,
        );
        $columns = self::columns($plan['roles'] ?? []);

        return new self(
            $text('shape'),
            $row('heading'),
            $columns,
            PeriodReading::of(
                self::notation($text('notation'), $columns),
                Frequency::tryFrom($text('frequency')),
                $row('year'),
            ),
            NumberNotation::tryFrom($text('numbers')) ?? NumberNotation::Point,
            Duplicates::tryFrom($text('duplicates')) ?? Duplicates::Ask,
            new Stated(
                $text('measureName') ?: 'Value',
                $text('entityName') ?: 'All',
                $text('moment'),
                $text('unitName'),
                $text('letter'),
                self::described($plan['measures'] ?? []),
                self::units($plan['columnUnits'] ?? []),
                $text('missing'),
            ),
            $row('above'),
            $flag('joined', false),
            new EventCount(self::ways($plan['ways'] ?? []), $flag('counted', true)),
            Arrangement::from($plan),
            RowRoles::from($plan),
        );
    }

    private static function notation(string $text, Columns $columns): PeriodNotation
    {
        $notation = PeriodNotation::tryFrom($text) ?? throw UnreadablePlan::because('Choose a period format.');
        if ($columns->month === null) {
            return $notation;
        }

        // Put together from several columns it is written as the reader puts it.
        return $columns->day === null ? YearPart::of($notation)->notation() : PeriodNotation::YearFirst;
    }

    private static function columns(mixed $roles): Columns
    {
        $read = $holders = [];
        foreach (is_array($roles) ? $roles : [] as $column => $role) {
            $known = Role::tryFrom(is_string($role) ? $role : '');
            if ($known === null || !is_int($column) || $column < 0 || $column >= Observations::COLUMNS) {
                continue;
            }
            $read[$column] = $known;
            // What only one can be is the last of several; one after the other would take long for thousands.
            if (!$known->isShared()) {
                $before = $holders[$known->value] ?? $column;
                $read[$before] = $before === $column ? $known : Role::Out;
                $holders[$known->value] = $column;
            }
        }
        ksort($read);

        return new Columns($read);
    }

    /** @return array<int, string> */
    private static function units(mixed $given): array
    {
        $units = [];
        foreach (is_array($given) ? $given : [] as $column => $unit) {
            if (is_string($unit)) {
                $units[(int) $column] = $unit;
            }
        }

        return $units;
    }

    /** @return array<string, array{unit?: string, kind?: string, better?: string, per?: string}> */
    private static function described(mixed $measures): array
    {
        $described = [];
        foreach (is_array($measures) ? $measures : [] as $name => $about) {
            foreach (['unit', 'kind', 'better', 'per'] as $part) {
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
                ] as [$measure, $period]
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
    private static function ways(mixed $aggregations): array
    {
        $read = [];
        foreach (is_array($aggregations) ? $aggregations : [] as $column => $way) {
            $read[(int) $column] = EventSummary::tryFrom(is_string($way) ? $way : '') ?? EventSummary::Out;
        }

        return $read;
    }

    /**
     * Of what kind a measure is by its name, its unit and its periods: several years together do not add up; what is
     * counted since the beginning of the year does.
     */
    private function kindOf(string $measure, string $unit): MeasureKind
    {
        [$kind, $why] = MeasureKind::guessed($measure, $unit);
        $notation = $this->periods->notation;

        return match (true) {
            $notation === PeriodNotation::YearSpan && $kind === MeasureKind::Flow => MeasureKind::Stock,
            $notation === PeriodNotation::YearToDate && $why === MeasureKind::NO_SIGN => MeasureKind::Flow,
            default => $kind,
        };
    }

    /** What a measure of the file is, from what the user or the file said of it, else by a guess from its name. */
    public function describe(string $measure, string $unitInFile, ?MeasureKind $kind = null): ReadMeasure
    {
        $about = $this->stated->measures[$measure] ?? [];
        $unit = $about['unit'] ?? ($unitInFile === '' ? $this->stated->unit : $unitInFile);

        return new ReadMeasure(
            $measure,
            $unit,
            MeasureKind::tryFrom($about['kind'] ?? '') ?? ($kind ?? $this->kindOf($measure, $unit)),
            Better::tryFrom($about['better'] ?? '') ?? Better::Neither,
            per: $about['per'] ?? '',
        );
    }
}
