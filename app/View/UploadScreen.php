<?php

declare(strict_types=1);

namespace App\View;

use App\Data\Foreseen;
use App\Data\Matching;
use App\Formats\DelimitedFile;
use App\Models\Upload;
use DuskRail\Data\Numerals;
use DuskRail\Reading\Alternative;
use DuskRail\Reading\Detection;
use DuskRail\Reading\FillDown;
use DuskRail\Reading\FirstMeasure;
use DuskRail\Reading\Heading;
use DuskRail\Reading\LeftOutColumn;
use DuskRail\Reading\NearNames;
use DuskRail\Reading\Observations;
use DuskRail\Reading\Plan;
use DuskRail\Reading\Preamble;
use DuskRail\Reading\Problem;
use DuskRail\Reading\Reader;
use DuskRail\Reading\ReadMeasure;
use DuskRail\Reading\Role;
use DuskRail\Reading\Sample;
use DuskRail\Reading\Shapes\Attributes;
use DuskRail\Reading\Shapes\Shape;
use DuskRail\Reading\Table;
use DuskRail\Reading\TableShapes;
use DuskRail\Reading\Vocabulary;
use DuskRail\Refusal;
use DuskRail\Time\Period;
use Illuminate\Support\Str;

/** What was understood of a file, for the preview. */
final readonly class UploadScreen
{
    private const ROWS_SHOWN = 9;

    private const ABOVE_SHOWN = 3;

    private const COLUMNS_SHOWN = 200;

    private const STRANGERS_SHOWN = 40;

    /**
     * @param bool $whole whether all of the file was looked at, or its beginning
     * @param list<string> $evidence what the plan says, in words
     * @param list<Alternative> $others other ways it could be
     * @param Foreseen|null $foreseen what it would change in the data set that it is added to
     * @param array<string, string> $strangers names that the data set does not know, each with the key of the one
     *     that may be meant, or nothing
     * @param array<string, string> $merged names of entities that have become part of another, with the key of that
     * @param array<string, string> $benchmarks values of `Benchmark` by name, nothing for one said to be none
     */
    private function __construct(
        public Upload $upload,
        public Plan $plan,
        public Sample $sample,
        public Observations $observations,
        public bool $whole,
        public array $evidence,
        public string $message,
        public array $others,
        public ?Foreseen $foreseen,
        public array $strangers,
        public array $merged,
        public array $benchmarks,
    ) {}

    public static function of(Upload $upload, string $message = ''): self
    {
        [$sample, $whole] = DelimitedFile::with($upload->path(), $upload->readDialect())->sample(
            $upload->name,
            config()->integer('duskrail.preview_rows'),
        );
        $plan = $upload->readPlan();
        $written = $sample;
        $sample = $plan->arrangement->sample($written, $plan->heading);
        try {
            $observations = Reader::read($written->rows, $plan);
            if ($upload->problems !== null) {
                // An import that was stopped has seen the whole file.
                $observations = $observations->withProblems(
                    array_map(static fn(array $p): Problem => Problem::cell(...$p), $upload->problems['list']),
                    $upload->problems['count'],
                    $upload->problems['duplicates'],
                );
            }
            $evidence = Detection::explain($written, $plan);
        } catch (Refusal $problem) {
            $message = $message === '' ? $problem->getMessage() : $message;
            $observations = new Observations($plan->periods->frequency, [], [], [], [], [], [], 0, 0, 0);
            $evidence = [];
        }

        $foreseen = null;
        $strangers = $merged = [];
        $benchmarks = [...$observations->metadata->benchmarks, ...$observations->metadata->said];
        if ($upload->dataset !== null && !$observations->isEmpty()) {
            $names = [];
            try {
                $matching = Matching::of($upload->dataset, $observations, $upload->answers());
                $names = array_slice($matching->strangers($observations), 0, self::STRANGERS_SHOWN);
                $merged = $matching->merged($observations);
                $benchmarks = $matching->benchmarks($observations);
                $isOfAttributes = $plan->shape === Attributes::NAME;
                $foreseen = $isOfAttributes
                    ? null
                    : Foreseen::of($upload->dataset, $observations, $upload->answers());
            } catch (Refusal $problem) {
                $message = $message === '' ? $problem->getMessage() : $message;
            }
            $known = [];
            // What has become part of another is nobody's other name.
            foreach ($upload->dataset->entities->where('part_of', '') as $entity) {
                $known[$entity->key] = $entity->name;
            }
            foreach ($names as $name) {
                $near = NearNames::of($name, array_values($known));
                $strangers[$name] = $near === null ? '' : (string) array_search($near, $known, true);
            }
        }

        return new self(
            $upload,
            $plan,
            $sample,
            $observations,
            $whole,
            $evidence,
            $message,
            array_slice(Detection::alternatives($written, $plan), 0, 3),
            $foreseen,
            $strangers,
            $merged,
            array_slice($benchmarks, 0, self::STRANGERS_SHOWN),
        );
    }

    /** @return list<int> numbers of the rows that the preview shows: those above, the headings, and what follows */
    public function shownRows(): array
    {
        $heading = $this->plan->heading ?? -1;
        $above = array_values(
            array_filter(
                range(0, max(0, $heading)),
                fn(int $row): bool => $row < $heading &&
                    !$this->sample->isNote($row) &&
                    trim(implode('', $this->sample->rows[$row])) !== '',
            ),
        );

        return [
            ...array_slice($above, -self::ABOVE_SHOWN),
            ...range(max(0, $heading), min(count($this->sample->rows) - 1, max(0, $heading) + self::ROWS_SHOWN)),
        ];
    }

    /**
     * What a row is: `title`, `heading`, `note`, `benchmark`, or nothing for one of values.
     */
    public function rowRole(int $row): string
    {
        return match (true) {
            $row === $this->plan->heading, $row === $this->plan->above => 'heading',
            $row < ($this->plan->heading ?? -1) => 'title',
            in_array($row, $this->plan->rows->asides, true) => 'note',
            ($this->benchmarks[$this->entityIn($row)] ?? '') !== '' => 'benchmark',
            default => '',
        };
    }

    /** The name of the entity in a row. */
    public function entityIn(int $row): string
    {
        return $this->plan->columns->entity === null ? '' : $this->sample->cell($row, $this->plan->columns->entity);
    }

    /** @return list<LeftOutColumn> columns that hold numbers and are not read */
    public function leftOut(): array
    {
        $account = $this->observations->metadata->account;

        return $account->columns === []
            ? []
            : LeftOutColumn::all($account, new Table($this->sample, $this->plan->heading), $this->plan);
    }

    /** @return list<int> columns that are shown: keys that were taken apart are where they came from */
    public function columns(): array
    {
        $all = range(0, max(0, min($this->sample->width, self::COLUMNS_SHOWN) - 1));
        $split = $this->plan->arrangement->split;
        if ($split === null) {
            return $all;
        }
        $keys = range($split->at, $split->at + $split->count - 1);

        return [
            ...array_values(array_filter($all, static fn(int $c): bool => $c < $split->column)),
            ...$keys,
            ...array_values(array_filter($all, static fn(int $c): bool => $c > $split->column && $c < $split->at)),
        ];
    }

    /** Names of the columns whose blank cells may repeat the cell above, in words; nothing where there are none. */
    public function fillable(): string
    {
        $fill = $this->plan->arrangement->fill ?? FillDown::possible($this->sample, $this->plan->heading);
        $names = array_map(
            fn(int $column): string => "“{$this->sample->heading($column, $this->plan->heading)}”",
            $fill->columns ?? [],
        );

        return implode(', ', $names);
    }

    /** The way that the table is. */
    public function shape(): Shape
    {
        return TableShapes::named($this->plan->shape);
    }

    /** What a column is called at its head: that of values by what its heading names. */
    public function roleName(int $column): string
    {
        $role = $this->plan->columns->role($column);

        return $role === Role::Figures ? $this->shape()->across() : $role->label();
    }

    /** What will be made of the file, in one sentence. */
    public function sentence(): string
    {
        $observations = $this->observations;
        $measures = $observations->measures;
        $first = $this->firstMeasure();
        $words = count($measures) > 1 ? count($measures) . ' measures' : $measures[$first]->name ?? '';
        $all = count($observations->entities);
        $count = $all - count(array_filter($this->benchmarks)) ?: $all;
        $by = array_map(
            static fn(string $name): string => mb_strtolower(Heading::read(Vocabulary::words($name))->name),
            $observations->metadata->breakdowns,
        );

        return Str::ucfirst(
            count($observations->entities) === 1
                ? "{$words} of {$observations->entities[0]}"
                : "{$words} of " . Numerals::count($count) . " {$this->entityWord($count)}",
        ) .
            ($by === [] ? '' : ', by ' . implode(' and ', $by)) .
            ($this->span() === '' ? '' : ", {$this->span()}");
    }

    /** What entities are called here: by the heading of their column, where that is one word. */
    private function entityWord(int $count): string
    {
        $column = $this->plan->columns->entity;
        $heading = $column === null ? '' : mb_strtolower($this->sample->heading($column, $this->plan->heading));
        $heading = (string) preg_replace('/[ _]name$/u', '', $heading);
        $isWord = preg_match('/^(?!column|geo|name|entity|unit)\p{Ll}{3,20}$/u', $heading) === 1;

        return Str::plural($isWord ? $heading : 'entity', $count);
    }

    /** Number of the measure that the first study opens on. */
    public function firstMeasure(): int
    {
        $all = array_map(static fn(ReadMeasure $m): array => [$m->name, $m->unit], $this->observations->measures);

        return (int) FirstMeasure::of($all);
    }

    /** What the data set may be called: as the lines above the table say, or the file is named. */
    public function title(): string
    {
        return $this->sample->notes()['title'] ?? ($this->preamble()->title ?: $this->sample->title());
    }

    /** Who published it, as far as the file says. */
    public function source(): string
    {
        $noted = $this->sample->notes()['source'] ?? $this->preamble()->source;
        foreach ($noted === '' ? $this->observations->metadata->notes : [] as $note) {
            if (
                preg_match('/^(?:data )?(?:source|sources|quelle|quellen|fuente|fonte)\b\s*:\s*(.+)$/iu', $note, $m) ===
                1
            ) {
                return $m[1];
            }
        }

        return $noted;
    }

    private function preamble(): Preamble
    {
        return Preamble::of($this->sample, $this->plan->above ?? $this->plan->heading);
    }

    /** The entity that is proposed as home: the first that is no benchmark. */
    public function home(): string
    {
        $noted = $this->sample->notes()['home'] ?? '';
        if (in_array($noted, $this->observations->entities, true)) {
            return $noted;
        }
        foreach ($this->observations->entities as $name) {
            if (($this->benchmarks[$name] ?? '') === '') {
                return $name;
            }
        }

        return $this->observations->entities[0] ?? '';
    }

    /** A picture of the first lines; nothing for a file without any. */
    public function firstLook(): string
    {
        return $this->plan->shape === Attributes::NAME
            ? ''
            : FirstLook::of($this->observations, $this->firstMeasure(), $this->home());
    }

    public function span(): string
    {
        $span = $this->observations->span();
        if ($span === null) {
            return '';
        }
        [$first, $last] = array_map(
            fn(int $ordinal): Period => Period::at($this->observations->frequencyOf(0), $ordinal),
            $span,
        );

        return $first->ordinal === $last->ordinal ? $first->label() : "{$first->label()} to {$last->label()}";
    }

    public function periodCount(): int
    {
        $span = $this->observations->span();

        return $span === null ? 0 : $span[1] - $span[0] + 1;
    }
}
