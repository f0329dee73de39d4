<?php

declare(strict_types=1);

namespace App\Formats;

use App\Formats\Out\Figures;
use DuskRail\Data\Numerals;
use DuskRail\Data\Status;
use DuskRail\Reading\Detection;
use DuskRail\Reading\FormulaGuard;
use DuskRail\Reading\NotATable;
use DuskRail\Reading\Observations;
use DuskRail\Reading\Reader;
use DuskRail\Refusal;
use DuskRail\Time\Period;

/**
 * All tables of a file together, as one row per value: each is understood by itself, and what its name says, a
 * measure, a year, a region, goes with its values.
 */
final readonly class AllTables
{
    /** What it is called among the tables of a file. */
    public const NAME = 'All tables';

    /** Notes that are of one table and not of all. */
    private const OF_ONE = ['measure', 'unit', 'kind', 'better', 'per', 'periods'];

    private const MOST_TABLES = 100;

    private const MOST_VALUES = 2_000_000;

    /** Bytes of a file of which all tables are read without being asked. */
    private const UNASKED = 3_000_000;

    private const SAMPLED = 2_000;

    /** Cells that could not be read and are named. */
    private const NAMED = 20;

    /**
     * @param array<string, Observations> $read by name of the table
     * @param array<string, string> $shapes likewise
     * @param list<string> $without tables that hold no values
     * @param array<string, string> $notes what the tables say of themselves, as this program writes it
     * @param bool $areOwn true if this program has written them
     */
    private function __construct(
        private array $read,
        private array $shapes,
        private array $without,
        private array $notes,
        private bool $areOwn,
    ) {}

    /** Whether a file is small enough for all of it to be looked at first. */
    public static function isSmall(string $path): bool
    {
        return (int) filesize($path) <= self::UNASKED;
    }

    /**
     * @param string $scratch where a table may be written while it is read
     *
     * @throws NotATable where there are too many, or none holds values
     */
    public static function of(TableSource $source, string $scratch): self
    {
        $tables = $source->tables();
        if (count($tables) > self::MOST_TABLES) {
            throw NotATable::because(
                'The file has ' . Numerals::count(count($tables)) . ' tables, which is too many to read at once.',
                'Choose one of them, or upload parts of it.',
            );
        }
        $read = $shapes = $without = $notes = [];
        $areOwn = false;
        $values = 0;
        [$names, $common] = NameOfTable::toldApart($tables);
        foreach ($names as $written => $table) {
            try {
                $source->write((string) $written, $scratch);
                $file = DelimitedFile::open($scratch);
                [$sample] = $file->sample("{$table}.csv", self::SAMPLED);
                $plan = Detection::of($sample)->plan;
                $plan = NameOfTable::of($table)->saidTo($plan);
                // What the names have in common is what is measured, where only a name says it.
                $isUnnamed = in_array($plan->stated->measureName, [$sample->title(), 'Value'], true);
                $plan = $common !== '' && $isUnnamed ? $plan->with(['measureName' => $common]) : $plan;
                $one = Reader::read($file->rows(), $plan);
            } catch (Refusal) {
                $without[] = $table;
                continue;
            }
            $values += $one->valueCount();
            if ($one->valueCount() === 0) {
                $without[] = $table;
            } elseif ($values > self::MOST_VALUES) {
                throw NotATable::because(
                    'All tables together have more than ' . Numerals::count(self::MOST_VALUES) . ' values.',
                    'Choose one of them, and add the others to its data set.',
                );
            } else {
                [$read[$table], $shapes[$table]] = [$one, $plan->shape];
                $areOwn = $areOwn || isset($sample->notes()['periods']);
                $notes += array_diff_key($sample->notes(), array_flip(self::OF_ONE));
            }
        }

        return $read === []
            ? throw NotATable::because('None of the tables holds values.', 'Choose one of them to see why.')
            : new self($read, $shapes, $without, $notes, $areOwn);
    }

    /** Whether they are of one kind, so that one wants all of them: of one shape, or written by this program. */
    public function isUniform(): bool
    {
        return count($this->read) > 1 && ($this->areOwn || count(array_unique($this->shapes)) === 1);
    }

    /** @throws NotATable where it cannot be stored */
    public function write(string $path): void
    {
        $out = fopen($path, 'wb');
        if ($out === false) {
            throw NotATable::because('The tables could not be stored on the server.', 'Try again.');
        }
        $put = static fn(string ...$row): int|false => fputcsv($out, $row, ',', '"', '');
        $naming = new NamesOfTables($this->read);
        $breakdowns = $attributes = [];
        foreach ($this->read as $one) {
            $breakdowns += array_flip($one->metadata->breakdowns);
            foreach ($one->metadata->attributes as $said) {
                $attributes += array_flip(array_map(strval(...), array_keys($said)));
            }
        }
        $columns = [array_map(strval(...), array_keys($breakdowns)), array_map(strval(...), array_keys($attributes))];
        $remarks = $this->remarks($naming);
        foreach ([...$columns[1], ...$naming->columns()] as $attribute) {
            $remarks["attribute {$attribute}"] = mb_strtolower($attribute) === 'group' ? 'group' : '';
        }
        foreach ($remarks as $name => $text) {
            $put("# {$name}", FormulaGuard::guard($text));
        }
        $headings = array_map(FormulaGuard::guard(...), [...$columns[0], ...$columns[1], ...$naming->columns()]);
        $measure = $naming->haveMeasures() ? ['Measure'] : [];
        $put(...['Entity', ...$measure, 'Unit', ...$headings, 'Period', 'Value', 'Status']);
        foreach ($this->read as $table => $one) {
            foreach ($this->rows($one, (string) $table, $naming, $columns) as $row) {
                $put(...$row);
            }
        }
        fclose($out);
    }

    /** @return array<string, string> */
    private function remarks(NamesOfTables $naming): array
    {
        // What they say of entities has columns of its own.
        $notes = array_filter(
            $this->notes,
            static fn(string $name): bool => !str_starts_with($name, 'entity '),
            ARRAY_FILTER_USE_KEY,
        );
        $remarks = [...$notes, 'periods' => 'code'];
        foreach ($this->read as $table => $one) {
            foreach ($naming->haveMeasures() ? $one->measures : [] as $measure) {
                $name = $naming->measure((string) $table, $measure->name);
                $about = [$measure->kind->value, $measure->better->value, $measure->per];
                $remarks["about {$name}"] = implode('; ', array_filter($about));
            }
            foreach ($one->metadata->benchmarks as $entity => $kind) {
                $remarks["benchmark {$entity}"] = $kind;
            }
        }
        $said = count($this->read) . ' tables are read: ' . implode(', ', array_keys($this->read));
        $remarks['tables'] = $said . ($this->without === [] ? '' : '; no values in ' . implode(', ', $this->without));
        $lost = $this->lost();

        return $lost === '' ? $remarks : [...$remarks, 'not read' => $lost];
    }

    /** Cells and columns of numbers that are in no row, in words. */
    private function lost(): string
    {
        $lost = [];
        foreach ($this->read as $table => $one) {
            foreach ($one->problems as $problem) {
                $lost[] = "{$table}, row {$problem->row}, column {$problem->column}: “{$problem->found}”";
            }
            foreach ($one->metadata->account->columns as ['name' => $name, 'count' => $count]) {
                $lost[] = "{$table}, column {$name}: {$count} numbers";
            }
        }
        $more = count($lost) - self::NAMED;

        return implode('; ', array_slice($lost, 0, self::NAMED)) . ($more > 0 ? "; and {$more} more" : '');
    }

    /**
     * @param array{list<string>, list<string>} $columns breakdowns and attributes
     * @return iterable<list<string>>
     */
    private function rows(Observations $one, string $table, NamesOfTables $naming, array $columns): iterable
    {
        foreach ($one->series() as $series) {
            $measure = $one->measures[$series->measure];
            $entity = $one->entities[$series->entity];
            $names = $one->metadata->breakdowns;
            $categories = $one->metadata->combinations[$series->combination] ?: array_fill(0, count($names), '');
            $split = array_combine($names, $categories);
            $said = $one->metadata->attributes[$entity] ?? [];
            $keys = [
                $entity,
                ...$naming->haveMeasures() ? [$naming->measure($table, $measure->name)] : [],
                $measure->unit,
                ...array_map(static fn(string $name): string => $split[$name] ?? '', $columns[0]),
                ...array_map(static fn(string $name): string => $said[$name] ?? '', $columns[1]),
                ...$naming->cells($table),
            ];
            $frequency = $one->frequencyOf($series->measure);
            foreach ($series->values as $i => $value) {
                $status = Status::from($series->statuses[$i]);
                if (!is_nan($value) || $status !== Status::Measured) {
                    yield [
                        ...array_map(FormulaGuard::guard(...), $keys),
                        Period::at($frequency, $series->first + $i)->code(),
                        Figures::digits($value),
                        Figures::mark($status),
                    ];
                }
            }
        }
    }
}
