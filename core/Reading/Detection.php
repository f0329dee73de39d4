<?php

declare(strict_types=1);

namespace DuskRail\Reading;

use DuskRail\Data\Numerals;
use DuskRail\Refusal;
use DuskRail\Time\Frequency;
use DuskRail\Time\PeriodNotation;
use DuskRail\Time\PeriodReading;

/** Works out what a table is from its first rows, and says in words what it went by. */
final readonly class Detection
{
    /** Headings by which columns are known; common practice, no source. */
    private const ENTITY =
        '/^(entity|entities|utility|company|organi[sz]ation|provider|name|country|area|' .
        'region|site|plant|place|city|town|state|station|unit name|geo|ref area|' .
        'reporting area|location|district|branch|school|hospital)\b/i';

    private const PERIOD =
        '/\b(period|date|month|year|quarter|week|day|time|opened|closed|jahr|monat|quartal|' .
        'woche|datum|tag|zeit|periode|année|mois|trimestre|semaine|jour|fecha|mes|año|data|' .
        'mese|anno|jaar|maand|rok|år|måned)\b/iu';

    private const MEASURE = '/^(measure|indicator|variable|item|metric|what)\b/i';

    private const UNIT = '/^units?( measure)?\b/i';

    private const STATUS = '/^(status|flag|state of|quality|obs status)\b/i';

    /** Headings of plain numbers that are in order: of an age, of what came since. */
    private const ORDER =
        '/\b(age|since|lap|round|step|stage|dose|depth|distance|minutes?|hours?|days?|weeks?|' .
        'months?|time|cycle|trial|iteration)\b/i';

    private const ID = '/\b(id|job|case|ref|reference|ticket|order|invoice|number|no)\b/i';

    private const GROUP = '/\b(group|class|type|region|category|kind)\b/i';

    /** @param list<string> $evidence */
    private function __construct(public Plan $plan, public array $evidence) {}

    /**
     * @param TableShape|null $shape the shape the user says it has; null to find out
     * @param int|null $heading the row that the headings are said to be in, -1 for none; null to find out
     *
     * @throws NotATable
     */
    public static function of(Sample $sample, ?TableShape $shape = null, ?int $heading = null): self
    {
        self::check($sample);
        $heading = match (true) {
            $heading === null => self::headingRow($sample),
            $heading < 0 => null,
            default => min($heading, count($sample->rows) - 1),
        };
        if ($heading !== null && $sample->column(0, $heading) === []) {
            throw NotATable::because(
                'There is a heading row and nothing below it.',
                'Bring a file that holds the figures too.',
            );
        }
        $mayPair = $heading !== null && in_array($shape, [null, TableShape::PeriodsAcross], true);
        $paired = $mayPair ? PairedHeadings::inTwoRows($sample, $heading) : null;
        if ($paired !== null) {
            return self::pairedPlan($sample, $paired);
        }
        $across = self::periodsAcross($sample, $heading);
        $down = self::periodColumn($sample, $heading) ?? self::orderColumn($sample, $heading);
        $paired = $mayPair && $across === null && $down === null ? PairedHeadings::inOne($sample, $heading) : null;
        if ($paired !== null) {
            return self::pairedPlan($sample, $paired);
        }
        $shape ??= self::shape($sample, $heading, $across, $down);

        $dated = in_array($shape, [TableShape::Long, TableShape::EntitiesAcross, TableShape::Events], true);
        if ($dated && $down !== null && $down[1]->notation === PeriodNotation::Year) {
            $parts = self::partsOfDate($sample, $heading, $down[0]);
            if ($parts !== null) {
                return self::inParts($sample, $heading, $shape, $down, $parts);
            }
        }

        return self::inShape($shape, $sample, $heading, $across, $down)->doubting($sample, $heading);
    }

    /** Says so where the numbers could as well be read with the other decimal mark. */
    private function doubting(Sample $sample, ?int $heading): self
    {
        foreach ($this->plan->columns->values as $column) {
            $doubt = NumberNotation::doubt($sample->column($column, $heading));
            if ($doubt !== null) {
                [$text, $point, $comma] = $doubt;
                $both = [Numerals::plain($point), Numerals::plain($comma)];
                [$read, $other] = $this->plan->numbers === NumberNotation::Point ? $both : array_reverse($both);

                return new self($this->plan, [
                    ...$this->evidence,
                    "“{$text}” is read as {$read}; with the other decimal mark it would be {$other}",
                ]);
            }
        }

        return $this;
    }

    /** @throws NotATable where it is too narrow or too wide */
    private static function check(Sample $sample): void
    {
        if ($sample->width < 2) {
            throw NotATable::because(
                'The table has a single column.',
                'A table needs at least a column of periods or names and a column of figures; if its cells ' .
                    'are parted by something else than comma, semicolon, tab or bar, save it as CSV.',
            );
        }
        if ($sample->width > Observations::COLUMNS) {
            throw NotATable::because(
                'The table has ' .
                    number_format($sample->width) .
                    ' columns, more than ' .
                    number_format(Observations::COLUMNS) .
                    '.',
                'Write it with one row per figure, or split it.',
            );
        }
    }

    /**
     * @param array{list<int>, PeriodReading}|null $across
     * @param array{int, PeriodReading}|null $down
     */
    private static function inShape(
        TableShape $shape,
        Sample $sample,
        ?int $heading,
        ?array $across,
        ?array $down,
    ): self {
        return match ($shape) {
            TableShape::PeriodsAcross => self::acrossPlan($sample, $heading ?? 0, $across),
            TableShape::YearsAcross => self::yearsPlan($sample, $heading ?? 0, $across),
            TableShape::EntitiesAcross => self::entitiesPlan($sample, $heading ?? 0, $down),
            TableShape::Attributes => self::attributesPlan($sample, $heading ?? 0),
            TableShape::Moment => self::momentPlan($sample, $heading ?? 0),
            TableShape::Events => self::eventsPlan($sample, $heading, $down),
            TableShape::Long => self::longPlan($sample, $heading, $down),
        };
    }

    /**
     * @param array{list<int>, PeriodReading}|null $across
     * @param array{int, PeriodReading}|null $down
     */
    private static function shape(Sample $sample, ?int $heading, ?array $across, ?array $down): TableShape
    {
        if ($across !== null && count($across[0]) >= 2) {
            return self::monthsColumn($sample, $heading) !== null && $across[1]->notation === PeriodNotation::Year
                ? TableShape::YearsAcross
                : TableShape::PeriodsAcross;
        }
        if ($down === null) {
            $others = array_values(
                array_diff(range(0, $sample->breadth($heading) - 1), [
                    self::mostVaried($sample, $heading, self::textColumns($sample, $heading, [])),
                ]),
            );
            $figures = array_filter(
                $others,
                static fn(int $c): bool => self::isNumeric($sample->column($c, $heading), $sample->delimiter),
            );

            return count($figures) > count($others) / 2 ? TableShape::Moment : TableShape::Attributes;
        }

        $texts = self::textColumns($sample, $heading, [$down[0]]);
        if ($texts === []) {
            // One column of figures alone is what was measured of one entity.
            return $sample->breadth($heading) === 2 && !isset($sample->notes()['measure'])
                ? TableShape::Long
                : TableShape::EntitiesAcross;
        }

        // With a year (of joining, of opening) but no figure beside it, the rows describe entities.
        return match (true) {
            count($texts) === $sample->breadth($heading) - 1 && $down[1]->notation->frequency() !== Frequency::Day
                => TableShape::Attributes,
            self::eventsEvidence($sample, $heading, $down) !== '' => TableShape::Events,
            default => count($texts) === $sample->breadth($heading) - 1 ? TableShape::Attributes : TableShape::Long,
        };
    }

    /**
     * The other ways a table could lie, the most readable first, with how much of it each reads.
     *
     * @return list<Alternative>
     */
    public static function alternatives(Sample $sample, Plan $plan): array
    {
        $few = new Sample(array_slice($sample->rows, 0, 120), $sample->fileName, $sample->delimiter);
        $found = [];
        foreach (TableShape::cases() as $shape) {
            // Whole months are no moments at which things happen.
            if (
                $shape === $plan->shape ||
                $shape === TableShape::Attributes ||
                ($shape === TableShape::Events && $plan->periods->notation->frequency() !== Frequency::Day)
            ) {
                continue;
            }
            try {
                $read = Reader::read(
                    $few->rows,
                    self::of($few, $shape, $plan->heading ?? -1)->plan->with(['duplicates' => Duplicates::Last->value]),
                );
            } catch (Refusal) {
                continue;
            }
            $figures = $read->valueCount();
            $share = $figures / max(1, $figures + $read->problemCount);
            if ($share >= 0.5 && $figures > 1) {
                $found[] = new Alternative($shape, $figures, $share);
            }
        }
        usort(
            $found,
            static fn(Alternative $a, Alternative $b): int => [$b->share, $b->figures] <=> [$a->share, $a->figures],
        );

        return $found;
    }

    /**
     * Why rows are things that happened rather than figures; nothing where they are figures.
     *
     * @param array{int, PeriodReading} $down
     */
    private static function eventsEvidence(Sample $sample, ?int $heading, array $down): string
    {
        if (
            $down[1]->notation->frequency() !== Frequency::Day ||
            self::named($sample, $heading, range(0, $sample->breadth($heading) - 1), self::MEASURE) !== null
        ) {
            return '';
        }
        $columns = array_values(array_diff(range(0, $sample->breadth($heading) - 1), [$down[0]]));
        $id = self::identifier($sample, $heading, $columns);
        if ($id !== null) {
            return "“{$sample->heading($id, $heading)}” tells single things apart";
        }
        $entity =
            self::named($sample, $heading, $columns, self::ENTITY) ??
            self::mostVaried($sample, $heading, self::textColumns($sample, $heading, [$down[0]]));
        $rows = count($sample->rows) - 1 - ($heading ?? -1);
        $pairs = [];
        for ($row = ($heading ?? -1) + 1, $count = count($sample->rows); $row < $count; $row++) {
            $pairs[
                $sample->cell($row, $down[0]) . "\t" . ($entity === null ? '' : $sample->cell($row, $entity))
            ] = true;
        }
        $again = $rows - count($pairs);

        return $again >= 2 && $again >= 0.15 * $rows
            ? "{$again} of {$rows} rows are for an entity and a day that another row is for"
            : '';
    }

    /** @param list<int> $among */
    private static function identifier(Sample $sample, ?int $heading, array $among): ?int
    {
        foreach ($among as $column) {
            $cells = array_filter($sample->column($column, $heading), static fn(string $c): bool => $c !== '');
            if (
                preg_match(self::ID, self::plain($sample->heading($column, $heading))) === 1 &&
                count($cells) >= 3 &&
                count(array_unique($cells)) >= 0.7 * count($cells)
            ) {
                return $column;
            }
        }

        return null;
    }

    /** @return array{int, PeriodReading}|null a column of plain numbers whose heading says that they are in order */
    private static function orderColumn(Sample $sample, ?int $heading): ?array
    {
        for ($column = 0; $heading !== null && $column < $sample->breadth($heading); $column++) {
            $cells = array_filter($sample->column($column, $heading), static fn(string $c): bool => $c !== '');
            $read = array_filter($cells, static fn(string $c): bool => PeriodNotation::Number->read($c) !== null);
            if (
                preg_match(self::ORDER, self::plain($sample->heading($column, $heading))) === 1 &&
                count($cells) >= 3 &&
                count($read) === count($cells) &&
                count(array_unique($cells)) >= 3
            ) {
                return [$column, PeriodReading::of(PeriodNotation::Number)];
            }
        }

        return null;
    }

    /**
     * Where a year stands by itself: the columns of its month and of its day.
     *
     * @return array{int, int|null}|null
     */
    private static function partsOfDate(Sample $sample, ?int $heading, int $year): ?array
    {
        $within = static function (string $pattern, int $most, ?int $except) use ($sample, $heading, $year): ?int {
            for ($column = 0; $column < $sample->breadth($heading); $column++) {
                $cells = array_filter($sample->column($column, $heading), static fn(string $c): bool => $c !== '');
                $fits = array_filter(
                    $cells,
                    static fn(string $c): bool => (preg_match('/^\d{1,2}$/', $c) === 1 &&
                        (int) $c >= 1 &&
                        (int) $c <= $most) ||
                        ($most === 12 && PeriodNotation::monthOfYear($c) !== null),
                );
                if (
                    $column !== $year &&
                    $column !== $except &&
                    $cells !== [] &&
                    count($fits) === count($cells) &&
                    preg_match($pattern, self::plain($sample->heading($column, $heading))) === 1
                ) {
                    return $column;
                }
            }

            return null;
        };
        $month = $heading === null ? null : $within('/\b(month|monat|mois|mes|mese|maand|måned)\b/iu', 12, null);

        return $month === null ? null : [$month, $within('/\b(day|tag|jour|día|giorno|dag)\b/iu', 31, $month)];
    }

    /**
     * @param array{int, PeriodReading} $down
     * @param array{int, int|null} $parts
     */
    private static function inParts(Sample $sample, ?int $heading, TableShape $shape, array $down, array $parts): self
    {
        [$month, $day] = $parts;
        $reading = PeriodReading::of($day === null ? PeriodNotation::MonthNumber : PeriodNotation::YearFirst);
        $apart = array_values(array_filter([$month, $day], is_int(...)));
        $guess = match ($shape) {
            TableShape::EntitiesAcross => self::entitiesPlan($sample, $heading ?? 0, $down, $apart),
            TableShape::Events => self::eventsPlan($sample, $heading, $down, $apart),
            default => self::longPlan($sample, $heading, $down, $apart),
        };
        $plan = $guess->plan->with([
            'notation' => $reading->notation->value,
            'frequency' => $reading->frequency->value,
            'month' => $month,
            'day' => $day,
        ]);
        $columns = implode(
            ' and ',
            array_map(static fn(int $c): string => "“{$sample->heading($c, $heading)}”", [$down[0], ...$apart]),
        );

        return new self($plan, ["{$columns} together say when", ...array_slice($guess->evidence, 1)]);
    }

    /** Headings that name measures and periods alike. */
    private static function pairedPlan(Sample $sample, PairedHeadings $paired): self
    {
        $labels = array_values(array_diff(range(0, max(1, $sample->breadth($paired->heading)) - 1), $paired->columns));
        $entity =
            self::named($sample, $paired->heading, $labels, self::ENTITY) ??
            self::mostVaried($sample, $paired->heading, $labels);
        $plan = self::plan(
            $sample,
            TableShape::PeriodsAcross,
            $paired->heading,
            new Columns($paired->columns, entity: $entity),
            $paired->periods,
        );

        return new self($plan->with(['above' => $paired->above, 'joined' => $paired->above === null]), [
            $paired->evidence(),
        ]);
    }

    private static function momentPlan(Sample $sample, int $heading): self
    {
        $columns = range(0, $sample->breadth($heading) - 1);
        $entity =
            self::named($sample, $heading, $columns, self::ENTITY) ??
            self::mostVaried($sample, $heading, self::textColumns($sample, $heading, []));
        $figures = array_values(
            array_filter(
                $columns,
                static fn(int $c): bool => $c !== $entity &&
                    self::isNumeric($sample->column($c, $heading), $sample->delimiter),
            ),
        );

        return new self(
            self::plan(
                $sample,
                TableShape::Moment,
                $heading,
                new Columns($figures, entity: $entity),
                PeriodReading::of(PeriodNotation::Number),
            ),
            [
                'no column and no heading says when, so all of it is of one moment; what stands in the ' .
                'headings are measures or categories, and no time',
            ],
        );
    }

    /**
     * @param array{int, PeriodReading}|null $down
     * @param list<int> $apart columns that hold other parts of the period
     */
    private static function eventsPlan(Sample $sample, ?int $heading, ?array $down, array $apart = []): self
    {
        [$period, $periods] = $down ?? [0, PeriodReading::of(PeriodNotation::YearFirst)];
        $columns = array_values(array_diff(range(0, $sample->breadth($heading) - 1), [$period, ...$apart]));
        $id = self::identifier($sample, $heading, $columns);
        $texts = array_values(array_diff(self::textColumns($sample, $heading, [$period, ...$apart]), [$id]));
        $entity = self::named($sample, $heading, $texts, self::ENTITY) ?? self::mostVaried($sample, $heading, $texts);
        $ways = [];
        foreach (array_diff($columns, [$entity]) as $column) {
            $ways[$column] = match (true) {
                $column === $id => EventSummary::Different,
                in_array($column, $texts, true) => EventSummary::Out,
                default => EventSummary::Sum,
            };
        }
        $monthly =
            $periods->notation->frequency() === Frequency::Day
                ? PeriodReading::of($periods->notation, Frequency::Month)
                : $periods;
        $evidence = $down === null ? '' : self::eventsEvidence($sample, $heading, $down);
        $plan = self::plan(
            $sample,
            TableShape::Events,
            $heading,
            new Columns(
                array_keys(array_filter($ways, static fn(EventSummary $way): bool => $way !== EventSummary::Out)),
                entity: $entity,
                period: $period,
            ),
            $monthly,
        );

        return new self(
            $plan->with(['ways' => array_map(static fn(EventSummary $way): string => $way->value, $ways)]),
            [
                ...$evidence === '' ? [] : [$evidence],
                ...self::periodEvidence($sample, $heading, $period, $periods),
                'a period in which nothing happened counts as none',
            ],
        );
    }

    /** A heading as words: `REF_AREA` is `REF AREA`. */
    private static function plain(string $heading): string
    {
        return str_replace('_', ' ', $heading);
    }

    /** The first row that is about as full as the fullest: titles and notes above a table leave most cells empty. */
    private static function headingRow(Sample $sample): ?int
    {
        foreach (array_slice($sample->rows, 0, 30) as $row => $cells) {
            $filled = count(array_filter($cells, static fn(string $c): bool => trim($c) !== ''));
            if ($filled >= 2 && $filled >= 0.6 * $sample->width && !$sample->isNote($row)) {
                return self::looksLikeData($sample, $row) ? null : $row;
            }
        }

        return 0;
    }

    /**
     * A first row is data when a cell in it reads as a period in a column of such periods, and another as a number
     * among numbers.
     */
    private static function looksLikeData(Sample $sample, int $row): bool
    {
        $period = $number = false;
        for ($column = 0; $column < $sample->width; $column++) {
            $cell = $sample->cell($row, $column);
            $below = array_slice($sample->column($column, $row), 0, 50);
            $reading = PeriodReading::detect($below);
            if ($reading !== null) {
                $period = $period || $reading->read($cell) !== null;
            } elseif (self::isNumeric($below, $sample->delimiter)) {
                $number =
                    $number ||
                    (preg_match('/\d/', $cell) === 1 &&
                        NumberNotation::detect([$cell], $sample->delimiter)->read($cell) !== null);
            }
        }

        return $period && $number;
    }

    /** @return array{list<int>, PeriodReading}|null columns whose headings are periods, and how they read */
    private static function periodsAcross(Sample $sample, ?int $heading): ?array
    {
        $best = null;
        foreach (PeriodNotation::recognisable() as $notation) {
            $columns = [];
            $texts = [];
            for ($column = 0; $heading !== null && $column < $sample->breadth($heading); $column++) {
                if ($notation->read($sample->cell($heading, $column)) !== null) {
                    $columns[] = $column;
                    $texts[] = $sample->cell($heading, $column);
                }
            }
            if (count($columns) > ($best === null ? 0 : count($best[0]))) {
                $reading = PeriodReading::detect($texts);
                $all = $reading !== null && !in_array(null, array_map($reading->notation->read(...), $texts), true);
                $best = [$columns, $reading !== null && $all ? $reading : PeriodReading::of($notation)];
            }
        }

        return $best;
    }

    /**
     * @return array{int, PeriodReading}|null the column of periods: one that says so in its heading before any
     *     other
     */
    private static function periodColumn(Sample $sample, ?int $heading): ?array
    {
        $found = null;
        for ($column = 0; $column < $sample->breadth($heading); $column++) {
            $saysSo = preg_match(self::PERIOD, self::plain($sample->heading($column, $heading))) === 1;
            // A table of this program's own may hold periods of several kinds, each written as what it is.
            if ($saysSo && ($sample->notes()['periods'] ?? '') === 'code') {
                return [$column, PeriodReading::of(PeriodNotation::Code)];
            }
            $reading = PeriodReading::detect($sample->column($column, $heading), $saysSo ? 0.5 : 0.9);
            if ($reading === null) {
                continue;
            }
            if ($saysSo) {
                return [$column, $reading];
            }
            $found ??= [$column, $reading];
        }

        return $found;
    }

    private static function monthsColumn(Sample $sample, ?int $heading): ?int
    {
        for ($column = 0; $column < $sample->breadth($heading); $column++) {
            $cells = array_filter($sample->column($column, $heading), static fn(string $c): bool => $c !== '');
            $months = array_filter($cells, static fn(string $c): bool => PeriodNotation::monthOfYear($c) !== null);
            if (count($months) >= 2 && count($months) >= 0.8 * count($cells)) {
                return $column;
            }
        }

        return null;
    }

    /**
     * @param list<int> $except
     * @return list<int> columns that do not hold numbers
     */
    private static function textColumns(Sample $sample, ?int $heading, array $except): array
    {
        $columns = [];
        for ($column = 0; $column < $sample->breadth($heading); $column++) {
            if (
                !in_array($column, $except, true) &&
                !self::isNumeric($sample->column($column, $heading), $sample->delimiter)
            ) {
                $columns[] = $column;
            }
        }

        return $columns;
    }

    /** @param list<string> $cells */
    private static function isNumeric(array $cells, string $delimiter): bool
    {
        $cells = array_filter($cells, static fn(string $c): bool => !NumberNotation::isMissing($c));
        if ($cells === []) {
            return false;
        }
        $notation = NumberNotation::detect(array_values($cells), $delimiter);
        $read = array_filter($cells, static fn(string $c): bool => Figure::read($notation, $c) !== null);

        return count($read) > 0.5 * count($cells);
    }

    /** @param list<int> $among */
    private static function named(Sample $sample, ?int $heading, array $among, string $pattern): ?int
    {
        foreach ($among as $column) {
            if (preg_match($pattern, self::plain($sample->heading($column, $heading))) === 1) {
                return $column;
            }
        }

        return null;
    }

    /**
     * @param list<int> $among the column with the most different texts: names of entities rather than of groups or
     *     units
     */
    private static function mostVaried(Sample $sample, ?int $heading, array $among): ?int
    {
        $best = null;
        $most = 0;
        foreach ($among as $column) {
            $different = count(array_unique($sample->column($column, $heading)));
            if ($different > $most) {
                [$best, $most] = [$column, $different];
            }
        }

        return $best;
    }

    /** @param list<int> $columns */
    private static function numbers(Sample $sample, ?int $heading, array $columns): NumberNotation
    {
        $texts = [];
        foreach (array_slice($columns, 0, 40) as $column) {
            array_push($texts, ...$sample->column($column, $heading));
        }

        return NumberNotation::detect($texts, $sample->delimiter);
    }

    /** @param array{list<int>, PeriodReading}|null $across */
    private static function acrossPlan(Sample $sample, int $heading, ?array $across): self
    {
        // The other way round may be asked for although no heading reads as a period; the reader will say which do not.
        [$columns, $periods] = $across ?? [
            range(1, $sample->breadth($heading) - 1),
            PeriodReading::of(PeriodNotation::Year),
        ];
        $labels = array_values(array_diff(range(0, $sample->breadth($heading) - 1), $columns));
        $unit = self::named($sample, $heading, $labels, self::UNIT);
        $measure = self::named($sample, $heading, $labels, self::MEASURE);
        $free = array_values(array_diff($labels, [$unit, $measure]));
        $entity = self::named($sample, $heading, $free, self::ENTITY) ?? self::mostVaried($sample, $heading, $free);

        return new self(
            self::plan(
                $sample,
                TableShape::PeriodsAcross,
                $heading,
                new Columns($columns, entity: $entity, measure: $measure, unit: $unit),
                $periods,
            ),
            [
                count($columns) .
                ' column headings read as periods, from ' .
                $sample->cell($heading, $columns[0]) .
                ' to ' .
                $sample->cell($heading, $columns[count($columns) - 1]),
            ],
        );
    }

    /** @param array{list<int>, PeriodReading}|null $across */
    private static function yearsPlan(Sample $sample, int $heading, ?array $across): self
    {
        [$columns, $periods] = $across ?? [
            range(1, $sample->breadth($heading) - 1),
            PeriodReading::of(PeriodNotation::Year),
        ];
        $months = self::monthsColumn($sample, $heading) ?? 0;
        $corner = $sample->cell($heading, $months);
        $plan = self::plan(
            $sample,
            TableShape::YearsAcross,
            $heading,
            new Columns($columns, period: $months),
            $periods,
        );

        return new self(
            // What stands in the corner is what is counted, unless it only says “month”.
            $corner === '' || preg_match(self::PERIOD, $corner) === 1 ? $plan : $plan->with(['measureName' => $corner]),
            [
                count($columns) . ' column headings read as years',
                "“{$sample->heading($months, $heading)}” holds the months of the year",
            ],
        );
    }

    /**
     * @param array{int, PeriodReading}|null $down
     * @param list<int> $apart columns that hold other parts of the period
     */
    private static function entitiesPlan(Sample $sample, int $heading, ?array $down, array $apart = []): self
    {
        [$period, $periods] = $down ?? [0, PeriodReading::of(PeriodNotation::Year)];
        $columns = array_values(array_diff(range(0, $sample->breadth($heading) - 1), [$period, ...$apart]));

        return new self(
            self::plan($sample, TableShape::EntitiesAcross, $heading, new Columns($columns, period: $period), $periods),
            [
                ...self::periodEvidence($sample, $heading, $period, $periods),
                'every other column holds figures, so its heading names an entity',
            ],
        );
    }

    private static function attributesPlan(Sample $sample, int $heading): self
    {
        $columns = range(0, $sample->breadth($heading) - 1);
        $entity =
            self::named($sample, $heading, $columns, self::ENTITY) ?? self::mostVaried($sample, $heading, $columns);
        $others = array_values(array_diff($columns, [$entity]));
        $plan = self::plan(
            $sample,
            TableShape::Attributes,
            $heading,
            new Columns($others, entity: $entity),
            PeriodReading::of(PeriodNotation::Year),
        );

        return new self($plan, ['no column and no row of headings holds periods, so the rows describe entities']);
    }

    /**
     * @param array{int, PeriodReading}|null $down
     * @param list<int> $apart columns that hold other parts of the period
     */
    private static function longPlan(Sample $sample, ?int $heading, ?array $down, array $apart = []): self
    {
        [$period, $periods] = $down ?? [0, PeriodReading::of(PeriodNotation::Year)];
        $texts = self::textColumns($sample, $heading, [$period, ...$apart]);
        $all = array_values(array_diff(range(0, $sample->breadth($heading) - 1), [$period, ...$apart]));
        $unit = self::named($sample, $heading, $texts, self::UNIT);
        $status = self::named($sample, $heading, $texts, self::STATUS);
        $measure = self::named($sample, $heading, $texts, self::MEASURE);
        $free = array_values(array_diff($texts, [$unit, $status, $measure]));
        $entity = self::named($sample, $heading, $all, self::ENTITY) ?? self::mostVaried($sample, $heading, $free);
        $values = array_values(array_diff($all, $texts, [$entity]));
        $observed = self::named($sample, $heading, $values, '/^(obs )?value$/i');
        if ($observed !== null) {
            $values = [$observed];
        } elseif ($values === []) {
            $values = array_slice(array_values(array_diff($all, [$unit, $status, $measure, $entity])), -1);
        }
        $evidence = self::periodEvidence($sample, $heading, $period, $periods);
        if ($entity !== null) {
            $evidence[] = "“{$sample->heading($entity, $heading)}” names the entities";
        }

        return new self(
            self::plan(
                $sample,
                TableShape::Long,
                $heading,
                new Columns(
                    $measure === null ? $values : array_slice($values, -1),
                    entity: $entity,
                    period: $period,
                    measure: $measure,
                    unit: $unit,
                    status: $status,
                ),
                $periods,
            ),
            $evidence,
        );
    }

    /** @return list<string> */
    private static function periodEvidence(Sample $sample, ?int $heading, int $column, PeriodReading $periods): array
    {
        $evidence = [
            "“{$sample->heading($column, $heading)}” holds periods such as {$sample->cell(
                ($heading ?? -1) + 1,
                $column,
            )}",
        ];
        if ($periods->isAmbiguous($sample->column($column, $heading))) {
            $evidence[] =
                'day and month could be the other way round; they are read as in ' . "{$periods->notation->example()}";
        }

        return $evidence;
    }

    private static function plan(
        Sample $sample,
        TableShape $shape,
        ?int $heading,
        Columns $columns,
        PeriodReading $periods,
    ): Plan {
        $notes = $sample->notes();
        $name = $notes['measure'] ?? $sample->title();
        if ($shape === TableShape::Attributes) {
            $group = self::named($sample, $heading, $columns->values, self::GROUP);
            $columns = new Columns($columns->values, $columns->entity, group: $group);
        }

        return new Plan(
            $shape,
            $heading,
            $columns,
            $periods,
            self::numbers($sample, $heading, $columns->values),
            Duplicates::Ask,
            self::described($notes, $name),
            new Stated($name, $sample->title()),
        );
    }

    /**
     * What remarks above a table say of its measures.
     *
     * @param array<string, string> $notes
     * @param string $only the one measure that they are about where they do not name it
     * @return array<string, array{unit?: string, kind?: string, better?: string}>
     */
    private static function described(array $notes, string $only): array
    {
        $described = array_filter([$only => array_intersect_key($notes, ['unit' => 1, 'kind' => 1, 'better' => 1])]);
        foreach ($notes as $name => $text) {
            if (str_starts_with($name, 'about ')) {
                [$kind, $better] = [...explode('; ', $text), '', ''];
                $described[substr($name, 6)] = ['kind' => $kind, 'better' => $better];
            }
        }

        return $described;
    }
}
