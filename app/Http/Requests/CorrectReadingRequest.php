<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Data\UnitQuestion;
use App\Formats\DelimitedFile;
use App\Models\Upload;
use DuskRail\Data\Benchmark;
use DuskRail\Reading\Corrections;
use DuskRail\Reading\Detection;
use DuskRail\Reading\Dialect;
use DuskRail\Reading\EventSummary;
use DuskRail\Reading\Plan;
use DuskRail\Reading\Sample;
use DuskRail\Reading\Table;
use DuskRail\Reading\TableShapes;
use DuskRail\Reading\UnreadablePlan;
use DuskRail\Reading\Vocabulary;
use DuskRail\Refusal;
use DuskRail\Time\Period;
use DuskRail\Time\YearPart;
use Illuminate\Foundation\Http\FormRequest;

final class CorrectReadingRequest extends FormRequest
{
    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return [];
    }

    /** @throws Refusal when the file cannot be read like that at all */
    public function correct(Upload $upload): void
    {
        $sheet = $this->input('sheet');
        if (is_string($sheet) && $sheet !== $upload->sheet && in_array($sheet, $upload->sheets ?? [], true)) {
            $upload->readSheet($sheet);

            return;
        }
        $this->setWay($upload);
        if ($this->boolean('anew')) {
            $upload->understand(false);

            return;
        }
        $plan = $upload->readPlan();
        if (!$this->startAnew($upload, $plan) && !$this->fills($upload, $plan)) {
            $upload->plan = $plan->with($this->changes($upload, $plan))->toArray();
        }
    }

    private function sample(Upload $upload, Dialect $dialect): Sample
    {
        return DelimitedFile::with($upload->path(), $dialect)->sample(
            $upload->name,
            config()->integer('duskrail.preview_rows'),
        )[0];
    }

    /** Guesses afresh where blank cells are now said to repeat the cell above, or not to; false elsewhere. */
    private function fills(Upload $upload, Plan $plan): bool
    {
        if (!in_array($this->input('fills'), ['0', '1'], true)) {
            return false;
        }
        $fills = $this->boolean('fills');
        if ($fills === ($plan->arrangement->fill !== null)) {
            return false;
        }
        $sample = $this->sample($upload, $upload->readDialect());
        $arrangement = $plan->arrangement->filling($fills, $sample, $plan->heading);
        $upload->plan = Detection::of($sample, null, $plan->heading ?? -1, $arrangement)->plan->toArray();

        return true;
    }

    /** What becomes of values that are there, and which unknown names are known ones. */
    private function setWay(Upload $upload): void
    {
        if ($upload->dataset === null) {
            return;
        }
        if (in_array($this->input('mode'), ['over', 'place'], true)) {
            $upload->mode = $this->input('mode');
        }
        if ($this->has('removes_withdrawn')) {
            $upload->removes_withdrawn = $this->boolean('removes_withdrawn');
        }
        foreach ($this->listed('units') as $name => $answer) {
            if ($answer === UnitQuestion::OWN || is_numeric($answer)) {
                $upload->units = [...$upload->units ?? [], (string) $name => (string) $answer];
            }
        }
        if (is_array($this->input('same'))) {
            $same = $upload->same ?? [];
            foreach ($this->input('same') as $name => $key) {
                $same[(string) $name] = is_string($key) ? $key : '';
            }
            $upload->same = array_filter($same, static fn(string $key): bool => $key !== '');
        }
    }

    /** Another shape, row of headings or way of writing starts from fresh guesses; whether it was one of those. */
    private function startAnew(Upload $upload, Plan $plan): bool
    {
        $dialect = $upload->readDialect();
        $shape = TableShapes::find($this->string('shape')->value()) ?? TableShapes::named($plan->shape);
        $row = $this->integer('row', $this->headingRow() ?? ($plan->heading ?? -1));
        $encoding = in_array($this->input('encoding'), Dialect::ENCODINGS, true)
            ? $this->string('encoding')->value()
            : $dialect->encoding;
        // By name, since a tab would be trimmed on the way.
        $delimiter = array_search($this->input('delimiter'), Dialect::DELIMITERS, true) ?: $dialect->delimiter;
        $written = $encoding !== $dialect->encoding || $delimiter !== $dialect->delimiter;
        if (!$written && $shape->name() === $plan->shape && $row === ($plan->heading ?? -1)) {
            return false;
        }
        $dialect = Dialect::of($encoding, $delimiter, $dialect->skip);
        $sample = $this->sample($upload, $dialect);
        $wanted = $shape->name() === $plan->shape && $written ? null : $shape;
        $upload->dialect = (array) $dialect;
        $upload->plan = Detection::of($sample, $wanted, $row)->plan->toArray();

        return true;
    }

    /** @return array<string, mixed> of the plan, as Plan::with() takes them */
    private function changes(Upload $upload, Plan $plan): array
    {
        /** @var array<string, mixed> $changes */
        $changes = $this->only([...Corrections::PARTS, 'year', 'above', 'moment']);
        $roles = $this->listed('roles');
        $aggregations = $this->listed('ways');
        // Of things that happen, what is counted goes with the column.
        foreach ($plan->shape === 'events' ? $roles : [] as $column => $role) {
            $aggregations[$column] ??= $role === 'figures' ? 'sum' : 'out';
        }
        foreach ($aggregations as $column => $way) {
            $roles[$column] ??= $way === 'out' ? 'out' : 'figures';
        }
        if ($aggregations !== []) {
            $changes['ways'] =
                $aggregations + array_map(
                    static fn(EventSummary $way): string => $way->value,
                    $plan->events->aggregations,
                );
        }
        $changes['roles'] = $roles;
        $part = array_search('month', $roles, true);
        if ($part !== false && !isset($changes['notation'])) {
            $changes['notation'] = $this->partOfYear($upload, $plan, (int) $part)->notation()->value;
        }
        if (is_array($this->input('measures'))) {
            // What is said of one measure leaves what was said of others.
            $changes['measures'] = array_replace_recursive($plan->stated->measures, $this->input('measures'));
        }
        $year = trim($this->string('year')->value());
        if ($year !== '' && preg_match('/^[12]\d{3}$/', $year) !== 1) {
            throw UnreadablePlan::because("“{$year}” is not a year. Enter four digits, for example 2024, or nothing.");
        }
        $moment = trim($this->string('moment')->value());
        if ($moment !== '') {
            Period::parse($moment);
        }

        return [...$changes, ...$this->asides($plan), ...$this->benchmarks($upload, $plan)];
    }

    /** What part of the year a column holds that is said to hold one. */
    private function partOfYear(Upload $upload, Plan $plan, int $column): YearPart
    {
        $sample = $this->sample($upload, $upload->readDialect());
        $table = new Table($plan->arrangement->sample($sample, $plan->heading), $plan->heading);
        $cells = $table->different($column);
        $fits = static fn(YearPart $part): bool => array_filter(
            $cells,
            static fn(string $cell): bool => $part->number($cell) === null,
        ) === [];

        return YearPart::in($table->words($column), $cells) ??
            (array_values(array_filter(YearPart::ofYear(), $fits))[0] ?? YearPart::Month);
    }

    /** @return array{benchmarks?: array<string, string>} entities that are said to be benchmarks, or none, by name */
    private function benchmarks(Upload $upload, Plan $plan): array
    {
        $benchmarks = [...$plan->rows->benchmarks, ...$this->kinds('benchmarks')];
        $rows = $plan->columns->entity === null ? [] : $this->kinds('rows');
        if ($rows !== []) {
            $last = min(max(array_map(intval(...), array_keys($rows))), config()->integer('duskrail.preview_rows'));
            [$sample] = DelimitedFile::with($upload->path(), $upload->readDialect())->sample($upload->name, $last + 1);
            $sample = $plan->arrangement->sample($sample, $plan->heading);
            foreach ($rows as $row => $kind) {
                $name = $sample->cell((int) $row, (int) $plan->columns->entity);
                $guess = $plan->rows->found[$name] ?? Vocabulary::benchmark($name)->value ?? '';
                // All rows are sent; what was guessed is not said by anybody.
                if ($name !== '' && (isset($benchmarks[$name]) || $kind !== $guess)) {
                    $benchmarks[$name] = $kind;
                }
            }
        }

        return $benchmarks === [] ? [] : ['benchmarks' => $benchmarks];
    }

    /** @return array<string, string> what is a value of `Benchmark`, or stands for none of them, in a list of the form */
    private function kinds(string $list): array
    {
        $kinds = [];
        foreach ($this->listed($list) as $name => $kind) {
            $kind = $kind === 'figures' ? '' : $kind;
            if (is_string($kind) && ($kind === '' || Benchmark::tryFrom($kind) !== null)) {
                $kinds[(string) $name] = $kind;
            }
        }

        return $kinds;
    }

    /** The row that is said to hold the headings. */
    private function headingRow(): ?int
    {
        $row = array_search('heading', $this->listed('rows'), true);

        return $row === false ? null : (int) $row;
    }

    /** @return array<array-key, mixed> */
    private function listed(string $name): array
    {
        $list = $this->input($name);

        return is_array($list) ? $list : [];
    }

    /** @return array{asides?: list<int>} rows that are passed over, where one is said to be a note or none */
    private function asides(Plan $plan): array
    {
        $rows = $this->input('rows');
        if (!is_array($rows)) {
            return [];
        }
        $asides = array_fill_keys($plan->rows->asides, true);
        foreach ($rows as $row => $what) {
            if ($what === 'note') {
                $asides[(int) $row] = true;
            } else {
                unset($asides[(int) $row]);
            }
        }

        return ['asides' => array_keys($asides)];
    }
}
