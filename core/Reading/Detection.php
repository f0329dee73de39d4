<?php

declare(strict_types=1);

namespace DuskRail\Reading;

use DuskRail\Data\Numerals;
use DuskRail\Reading\Shapes\Attributes;
use DuskRail\Reading\Shapes\Events;
use DuskRail\Reading\Shapes\Shape;
use DuskRail\Refusal;
use DuskRail\Time\Frequency;
use DuskRail\Time\PeriodReading;

/** Works out what a table is from its first rows, and says in words what it went by. */
final class Detection
{
    /** Share of the data that another way to read a table must find as well to be worth a look. */
    private const WORTH = 0.4;

    /** Rows that other ways to read a table are tried on. */
    private const TRIED = 120;

    private const TRIED_COLUMNS = 120;

    /**
     * @param Shape|null $shape the shape the user says it has; null to find out
     * @param int|null $heading the row that the headings are said to be in, -1 for none; null to find out
     * @param Arrangement|null $arrangement what is said to be done to its rows; null to find out
     *
     * @throws NotATable
     */
    public static function of(
        Sample $sample,
        ?Shape $shape = null,
        ?int $heading = null,
        ?Arrangement $arrangement = null,
    ): Guess {
        self::check($sample);
        $heading = match (true) {
            $heading === null => self::headingRow($sample),
            $heading < 0 => null,
            default => min($heading, count($sample->rows) - 1),
        };
        if ($heading !== null && $sample->column(0, $heading) === []) {
            throw NotATable::because('The file has a header row but no data rows.', 'Upload a file with values.');
        }
        $arrangement ??= Arrangement::of($sample, $heading);
        $table = new Table($arrangement->sample($sample, $heading), $heading);
        $plan = ($shape ?? self::surest($table))->plan($table, $shape !== null)->with($arrangement->toArray());
        $plan = $plan->with(self::unitRow($table, $plan));
        $read = $shape === null ? Benchmarks::firstRows($sample, $plan) : null;
        if ($read !== null) {
            $levels = Hierarchy::among($read, $arrangement->sample($sample, $heading), $plan);
            $plan = $plan->with([
                'found' => Benchmarks::among($read) + $levels->benchmarks(),
                'parents' => $levels->parents,
            ]);
        }

        return new Guess(self::noted($plan, $sample), self::explain($sample, $plan));
    }

    /** A plan with what remarks over the table, as this program writes them, say of entities. */
    private static function noted(Plan $plan, Sample $sample): Plan
    {
        $benchmarks = $attributes = [];
        foreach ($sample->notes() as $name => $text) {
            if (str_starts_with($name, 'benchmark ')) {
                $benchmarks[substr($name, 10)] = $text;
            } elseif (str_starts_with($name, 'entity ')) {
                $attributes[substr($name, 7)] = json_decode($text, true);
            }
        }

        return $benchmarks === [] && $attributes === []
            ? $plan
            : $plan->with(['benchmarks' => $benchmarks + $plan->rows->benchmarks, 'attributes' => $attributes]);
    }

    /**
     * What a plan says of a table, and where it may err, in words.
     *
     * @return list<string>
     */
    public static function explain(Sample $sample, Plan $plan): array
    {
        $table = new Table($plan->arrangement->sample($sample, $plan->heading), $plan->heading);
        $unit = Preamble::of($sample, $plan->above ?? $plan->heading)->unit;

        return [
            ...TableShapes::named($plan->shape)->explain($plan, $table),
            ...$plan->arrangement->inWords($sample, $plan->heading),
            ...array_filter([$plan->periods->notation->remark()]),
            ...$unit === '' ? [] : ["the lines above give the unit {$unit}"],
            ...array_values(array_intersect_key($sample->notes(), ['tables' => 1])),
            ...$plan->stated->missing === '' ? [] : ["“{$plan->stated->missing}” is read as missing"],
            ...$table->passedOver,
            ...self::doubts($table, $plan),
            ...in_array($plan->shape, ['attributes', 'moment'], true)
                ? array_filter([$table->periods()->unknown()])
                : [],
        ];
    }

    /**
     * A row right under the headings that holds nothing but the units of the columns of values.
     *
     * @return array<string, mixed> of the plan
     */
    private static function unitRow(Table $table, Plan $plan): array
    {
        $row = ($plan->heading ?? -1) + 1;
        $units = [];
        foreach ($plan->heading === null ? [] : $table->columns as $column) {
            $cell = $table->sample->cell($row, $column);
            if (in_array($column, $plan->columns->values, true)) {
                $units[$column] = trim($cell, '()[] ');
            } elseif ($cell !== '') {
                return [];
            }
        }
        $are = array_filter(
            $units,
            static fn(string $unit): bool => preg_match('/^[\p{L}%‰€$£°][^\d]{0,19}$|^[\p{L}]+[23²³]$/u', $unit) ===
                1 && !NumberNotation::isMissing($unit),
        );
        if ($are === [] || count($are) < count($units)) {
            return [];
        }
        $isOne = count(array_unique($are)) === 1 && $plan->shape !== 'long';

        return [
            'asides' => [...$plan->rows->asides, $row],
            ...$plan->shape === 'long' ? ['columnUnits' => $are] : [],
            ...$isOne ? ['unitName' => reset($are)] : [],
        ];
    }

    private static function surest(Table $table): Shape
    {
        $best = TableShapes::named('attributes');
        $most = 0;
        foreach (TableShapes::all() as $shape) {
            $fits = $shape->fits($table);
            if ($fits > $most) {
                [$best, $most] = [$shape, $fits];
            }
        }

        return $best;
    }

    /**
     * Says so where the numbers could as well be read with the other decimal mark.
     *
     * @return list<string>
     */
    private static function doubts(Table $table, Plan $plan): array
    {
        foreach ($plan->columns->values as $column) {
            $doubt = NumberNotation::doubt($table->cells($column));
            if ($doubt !== null) {
                [$text, $point, $comma] = $doubt;
                $both = [Numerals::plain($point), Numerals::plain($comma)];
                [$read, $other] = $plan->numbers === NumberNotation::Point ? $both : array_reverse($both);

                return ["“{$text}” is read as {$read}; with the other decimal mark it would be {$other}"];
            }
        }

        return [];
    }

    /** @throws NotATable where it is too narrow or too wide */
    private static function check(Sample $sample): void
    {
        if ($sample->width < 2) {
            throw NotATable::because(
                'The table has only one column.',
                'It needs a column of periods or names and one of values. If the separator is not a comma, ' .
                    'semicolon, tab or vertical bar, save the file as CSV.',
            );
        }
        if ($sample->width > Observations::COLUMNS) {
            throw NotATable::because(
                'The table has ' .
                    Numerals::count($sample->width) .
                    ' columns; the limit is ' .
                    Numerals::count(Observations::COLUMNS) .
                    '.',
                'Use one row per value, or split the file.',
            );
        }
    }

    /**
     * The other ways a table could be, the most readable first, with how much of it each reads.
     *
     * @return list<Alternative>
     */
    public static function alternatives(Sample $sample, Plan $plan): array
    {
        $few = new Sample(
            array_map(
                static fn(array $row): array => array_slice($row, 0, self::TRIED_COLUMNS),
                array_slice($sample->rows, 0, ($plan->heading ?? 0) + self::TRIED),
            ),
            $sample->fileName,
            $sample->delimiter,
        );
        try {
            $own = Reader::read($few->rows, $plan)->valueCount();
        } catch (Refusal) {
            $own = 0;
        }
        $found = [];
        foreach (TableShapes::all() as $shape) {
            // Whole months are no moments at which things happen.
            if (
                $shape->name() === $plan->shape ||
                $shape instanceof Attributes ||
                ($shape instanceof Events && $plan->periods->notation->frequency() !== Frequency::Day)
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
            if ($share >= 0.5 && $figures > 1 && $figures >= self::WORTH * $own) {
                $found[] = new Alternative($shape, $figures, $share);
            }
        }
        usort(
            $found,
            static fn(Alternative $a, Alternative $b): int => [$b->share, $b->figures] <=> [$a->share, $a->figures],
        );

        return $found;
    }

    /** The first row that is about as full as the fullest: titles and notes above a table leave most cells empty. */
    private static function headingRow(Sample $sample): ?int
    {
        $notes = 0;
        while ($sample->isNote($notes)) {
            $notes++;
        }
        // Columns that are empty all through are none, however many of them a spreadsheet has left behind.
        $used = [];
        foreach (array_slice($sample->rows, 0, 200 + $notes) as $cells) {
            foreach ($cells as $column => $cell) {
                if (trim($cell) !== '') {
                    $used[$column] = true;
                }
            }
        }
        foreach (array_slice($sample->rows, $notes, 30, true) as $row => $cells) {
            $filled = count(array_filter($cells, static fn(string $c): bool => trim($c) !== ''));
            if ($filled >= 2 && $filled >= 0.6 * count($used) && !$sample->isNote($row)) {
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
        $below = array_map(
            static fn(array $cells): array => array_slice($cells, 0, self::TRIED_COLUMNS),
            array_slice($sample->rows, $row + 1, 50),
        );
        if ($below === []) {
            return false;
        }
        $table = new Table(new Sample($below, '', $sample->delimiter), null);
        $period = $number = false;
        foreach ($table->columns as $column) {
            $cell = $sample->cell($row, $column);
            $reading = PeriodReading::detect($table->different($column));
            if ($reading !== null) {
                $period = $period || $reading->read($cell) !== null;
            } elseif ($table->isNumeric($column)) {
                $number =
                    $number ||
                    (preg_match('/\d/', $cell) === 1 &&
                        NumberNotation::detect([$cell], $sample->delimiter)->read($cell) !== null);
            }
        }

        return $period && $number;
    }
}
