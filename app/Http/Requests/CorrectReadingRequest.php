<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Formats\DelimitedFile;
use App\Models\Upload;
use DuskRail\Reading\Detection;
use DuskRail\Reading\Dialect;
use DuskRail\Reading\EventSummary;
use DuskRail\Reading\Plan;
use DuskRail\Reading\TableShape;
use DuskRail\Refusal;
use DuskRail\Time\Period;
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
        $plan = $upload->readPlan();
        if (!$this->startAnew($upload, $plan)) {
            $upload->plan = $plan->with($this->changes($upload, $plan))->toArray();
        }
    }

    /** What becomes of figures that are there, and which unknown names are known ones. */
    private function setWay(Upload $upload): void
    {
        if ($upload->dataset === null) {
            return;
        }
        if (in_array($this->input('way'), ['over', 'place'], true)) {
            $upload->way = $this->input('way');
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
        $shape = TableShape::tryFrom($this->string('shape')->value()) ?? $plan->shape;
        $row = $this->integer('row', $plan->heading ?? -1);
        $encoding = in_array($this->input('encoding'), Dialect::ENCODINGS, true)
            ? $this->string('encoding')->value()
            : $dialect->encoding;
        // By name, since a tab would be trimmed on the way.
        $delimiter = array_search($this->input('delimiter'), Dialect::DELIMITERS, true) ?: $dialect->delimiter;
        $written = $encoding !== $dialect->encoding || $delimiter !== $dialect->delimiter;
        if (!$written && $shape === $plan->shape && $row === ($plan->heading ?? -1)) {
            return false;
        }
        $dialect = Dialect::of($encoding, $delimiter, $dialect->skip);
        $most = config()->integer('duskrail.preview_rows');
        [$sample] = DelimitedFile::with($upload->path(), $dialect)->sample($upload->name, $most);
        $wanted = $shape === $plan->shape && $written ? null : $shape;
        $upload->dialect = (array) $dialect;
        $upload->plan = Detection::of($sample, $wanted, $row)->plan->toArray();

        return true;
    }

    /** @return array<string, mixed> of the plan, as Plan::with() takes them */
    private function changes(Upload $upload, Plan $plan): array
    {
        /** @var array<string, mixed> $changes */
        $changes = $this->except([
            '_token',
            '_method',
            'shape',
            'row',
            'encoding',
            'delimiter',
            'value',
            'sheet',
            'way',
            'same',
        ]);
        $ways = $this->input('ways');
        if (is_array($ways)) {
            $changes['ways'] =
                $ways + array_map(static fn(EventSummary $way): string => $way->value, $plan->events->ways);
            $changes['values'] = array_keys(
                array_filter($changes['ways'], static fn(mixed $way): bool => $way !== 'out'),
            );
        }
        $moment = trim($this->string('moment')->value());
        if ($moment !== '') {
            Period::parse($moment);
        }
        $value = $this->input('value');
        if ($value === 'all') {
            $changes['values'] = self::others($upload, $plan);
        } elseif (is_numeric($value)) {
            $changes['values'] = [(int) $value];
        }

        return $changes;
    }

    /** @return list<int> columns that are nothing else */
    private static function others(Upload $upload, Plan $plan): array
    {
        $file = DelimitedFile::with($upload->path(), $upload->readDialect());
        [$sample] = $file->sample($upload->name, ($plan->heading ?? 0) + 10);
        $columns = $plan->columns;
        $named = [$columns->entity, $columns->period, $columns->measure, $columns->unit, $columns->status];

        return array_values(array_diff(range(0, $sample->breadth($plan->heading) - 1), $named));
    }
}
