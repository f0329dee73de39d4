<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Formats\DelimitedFile;
use App\Models\Upload;
use DomainException;
use DuskRail\Reading\Detection;
use DuskRail\Reading\Dialect;
use DuskRail\Reading\Shape;
use DuskRail\Reading\Way;
use DuskRail\Time\Period;
use Illuminate\Foundation\Http\FormRequest;

final class CorrectReadingRequest extends FormRequest
{
    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return [];
    }

    /** @throws DomainException when the file cannot be read like that at all */
    public function correct(Upload $upload): void
    {
        if ($upload->sheets !== null && in_array($this->input('sheet'), $upload->sheets, true) && $this->input('sheet') !== $upload->sheet) {
            $upload->readSheet($this->string('sheet')->value());

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
        $plan = $upload->readPlan();
        $dialect = $upload->readDialect();
        $shape = Shape::tryFrom($this->string('shape')->value()) ?? $plan->shape;
        $row = $this->integer('row', $plan->heading ?? -1);
        $encoding = in_array($this->input('encoding'), Dialect::ENCODINGS, true) ? $this->string('encoding')->value() : $dialect->encoding;
        // By name, since a tab would be trimmed on the way.
        $delimiter = array_search($this->input('delimiter'), Dialect::DELIMITERS, true) ?: $dialect->delimiter;
        $written = $encoding !== $dialect->encoding || $delimiter !== $dialect->delimiter;
        if ($written || $shape !== $plan->shape || $row !== ($plan->heading ?? -1)) {
            $dialect = Dialect::of($encoding, $delimiter, $dialect->skip);
            [$sample] = DelimitedFile::with($upload->path(), $dialect)->sample($upload->name, config()->integer('duskrail.preview_rows'));
            $upload->dialect = (array) $dialect;
            $upload->plan = Detection::of($sample, $shape === $plan->shape && $written ? null : $shape, $row)->plan->toArray();

            return;
        }
        /** @var array<string, mixed> $changes */
        $changes = $this->except(['_token', '_method', 'shape', 'row', 'encoding', 'delimiter', 'value', 'sheet', 'way', 'same']);
        $ways = $this->input('ways');
        if (is_array($ways)) {
            $changes['ways'] = $ways + array_map(static fn(Way $way): string => $way->value, $plan->ways);
            $changes['values'] = array_keys(array_filter($changes['ways'], static fn(mixed $way): bool => $way !== 'out'));
        }
        $moment = trim($this->string('moment')->value());
        if ($moment !== '') {
            Period::parse($moment);
        }
        $value = $this->input('value');
        if ($value === 'all') {
            [$sample] = DelimitedFile::with($upload->path(), $dialect)->sample($upload->name, ($plan->heading ?? 0) + 10);
            $changes['values'] = array_values(array_diff(
                range(0, $sample->breadth($plan->heading) - 1),
                [$plan->entity, $plan->period, $plan->measure, $plan->unit, $plan->status],
            ));
        } elseif (is_numeric($value)) {
            $changes['values'] = [(int) $value];
        }
        $upload->plan = $plan->with($changes)->toArray();
    }
}
