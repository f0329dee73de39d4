<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Data\Description;
use App\Data\RenamedMeasures;
use App\Data\StoredData;
use App\Http\Requests\UpdateMeasuresRequest;
use App\Models\Dataset;
use App\Models\Measure;
use DuskRail\Data\Better;
use DuskRail\Data\MeasureKind;
use DuskRail\Rail\Derived;
use DuskRail\Refusal;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;

/** The measures of a data set: what they are called, and those that are calculated from others. */
final class MeasureController
{
    public function update(UpdateMeasuresRequest $request, Dataset $dataset): RedirectResponse
    {
        DB::transaction(static function () use ($request, $dataset): void {
            $before = Description::of($dataset)->measureNames();
            foreach ($dataset->measures as $measure) {
                $measure->update($request->description($measure));
            }
            $after = Description::of($dataset)->measureNames();
            RenamedMeasures::inFormulas($dataset, $before, $after);
            RenamedMeasures::inStudies($dataset, $before, $after);
        });

        return redirect()
            ->route('datasets.show', $dataset)
            ->with('message', __('Measures saved. Studies are updated.'));
    }

    /** A measure that is calculated from others. */
    public function store(Request $request, Dataset $dataset): RedirectResponse
    {
        $request->validate(
            ['name' => ['required', 'string', 'max:120'], 'formula' => ['required', 'string', 'max:300']],
            [
                'name.required' => __('Enter a name for the new measure.'),
                'formula.required' => __('Enter a formula, for example “Leakage ÷ Water supplied × 100”.'),
            ],
        );
        $name = $request->string('name')->trim()->value();
        $key = Measure::keyOf($name);
        if (
            $dataset
                ->measures()
                ->where(
                    static fn(Builder $q): Builder => $q
                        ->where('key', $key)
                        ->orWhereRaw('lower(name) = ?', [mb_strtolower($name)]),
                )
                ->exists()
        ) {
            return back()
                ->withInput()
                ->withErrors(['name' => __('A measure “:name” already exists.', ['name' => $name])]);
        }
        $formula = $request->string('formula')->trim()->value();
        try {
            $table = Derived::table($formula, new StoredData($dataset, null, true));
        } catch (Refusal $problem) {
            return back()->withInput()->withErrors(['formula' => $problem->getMessage()]);
        }
        $dataset->measures()->create([
            'key' => Measure::freeKey($dataset->id, $key),
            'name' => $name,
            'formula' => $formula,
            'kind' => $table->kind,
            'better' => Better::Neither,
            'frequency' => $table->axis->frequency,
            // A flow's unit is without its period.
            'unit' => $table->kind === MeasureKind::Flow ? $table->unit->amount : $table->unit->text(),
        ]);

        return redirect()
            ->route('datasets.show', $dataset)
            ->with(
                'message',
                __('“:name” was added; its unit is :unit.', ['name' => $name, 'unit' => $table->unit->text()]),
            );
    }
}
