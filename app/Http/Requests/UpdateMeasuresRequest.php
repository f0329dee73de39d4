<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\Dataset;
use App\Models\Measure;
use DuskRail\Data\Better;
use DuskRail\Data\MeasureKind;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use Illuminate\Validation\Validator;

/** Names, units and kinds of the measures of a data set; what is left out stays. */
final class UpdateMeasuresRequest extends FormRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'measures.*.name' => ['required', 'string', 'max:120'],
            'measures.*.unit' => ['nullable', 'string', 'max:60'],
            'measures.*.kind' => [Rule::enum(MeasureKind::class)],
            'measures.*.better' => [Rule::enum(Better::class)],
            'measures.*.per' => ['nullable', 'string', Rule::in($this->dataset()->measures->pluck('key'))],
            'measures.*.decimals' => ['nullable', 'integer', 'between:0,8'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'measures.*.name.required' => __('Enter a name for each measure.'),
            'measures.*.per.in' => __('A rate can only be weighted by a measure of this data set.'),
            'measures.*.decimals.between' => __('Enter 0 to 8 decimals.'),
        ];
    }

    /** @return list<callable(Validator): void> */
    public function after(): array
    {
        return [
            function (Validator $validator): void {
                $names = [];
                foreach ($this->dataset()->measures as $measure) {
                    $names[] = mb_strtolower($this->name($measure));
                    if ($measure->formula !== '' && $this->unit($measure) !== $measure->unit) {
                        $validator->errors()->add('measures', $this->unitOfFormula($measure));
                    }
                }
                if (count(array_unique($names)) < count($names)) {
                    $message = __('Two measures have the same name. Use different names.');
                    $validator->errors()->add('measures', $message);
                }
            },
        ];
    }

    private function unitOfFormula(Measure $measure): string
    {
        $said = ['name' => $measure->name, 'unit' => $measure->unit, 'other' => $this->unit($measure)];

        return __('The unit of :name follows from its formula: :unit. It cannot be “:other”.', $said) .
            ' ' .
            __('A power of ten in the formula changes the unit: kg ÷ 1,000 is t.');
    }

    private function name(Measure $measure): string
    {
        return $this->string("measures.{$measure->id}.name", $measure->name)->trim()->value();
    }

    private function unit(Measure $measure): string
    {
        return $this->string("measures.{$measure->id}.unit", $measure->unit)->trim()->value();
    }

    /** @return array<string, mixed> what is said of a measure; nothing where it is left out */
    public function description(Measure $measure): array
    {
        $at = "measures.{$measure->id}";

        return !$this->has($at)
            ? []
            : [
                'name' => $this->name($measure),
                'unit' => $this->string("{$at}.unit")->trim()->value(),
                'kind' => $this->string("{$at}.kind")->value(),
                'better' => $this->string("{$at}.better")->value(),
                'per' => $this->string("{$at}.per", $measure->per)->value(),
                'decimals' => $this->input("{$at}.decimals"),
            ];
    }

    private function dataset(): Dataset
    {
        $dataset = $this->route('dataset');

        return $dataset instanceof Dataset ? $dataset : abort(404);
    }
}
