<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Data\Description;
use App\Data\RenamedMeasures;
use App\Data\SeriesKey;
use App\Data\StoredData;
use App\Data\VersionKind;
use App\Data\Versions;
use App\Models\Dataset;
use App\Models\Entity;
use App\Models\ImportedFile;
use App\Models\Measure;
use App\Models\Study;
use App\View\ChosenFigure;
use DuskRail\Data\Cell;
use DuskRail\Data\Status;
use DuskRail\Reading\NumberNotation;
use DuskRail\Refusal;
use DuskRail\Time\Period;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\Rule;

/** The versions of a data set: looked at, compared, gone back to, corrected; and studies held to one. */
final class VersionController
{
    /** Periods to a page of values. */
    private const ACROSS = 12;

    public function show(Dataset $dataset, int $version): View
    {
        abort_unless($version >= 1 && $version <= $dataset->version, 404);

        return view('data.version', [
            'dataset' => $dataset,
            'version' => $version,
            'studies' => Study::of($dataset)->get(),
            'measures' => (new StoredData($dataset, $version))->measures(),
            'file' => $dataset->files->firstWhere('version', $version),
            'came' => (new Versions($dataset))->revision($version - 1, $version),
            'since' => (new Versions($dataset))->revision($version, $dataset->version),
        ]);
    }

    public function restore(Dataset $dataset, int $version): RedirectResponse
    {
        abort_unless($version >= 1 && $version < $dataset->version, 404);
        (new Versions($dataset))->restore($version);

        return redirect()->route('datasets.show', $dataset)->with(
            'message',
            __('Version :version was restored as version :latest.', [
                'version' => $version,
                'latest' => $dataset->version,
            ]),
        );
    }

    /** The values of a measure as they are, twelve periods at a time, each to be corrected. */
    public function figures(Request $request, Dataset $dataset, string $measure): View
    {
        $version = min($dataset->version, max(1, $request->integer('version', $dataset->version)));
        $data = new StoredData($dataset, $version);
        abort_unless(isset($data->measures()[$measure]), 404);
        $cell = $data->cell($measure, Cell::parse($request->string('cell')->value()));
        $table = $data->table($measure, Cell::parse($cell));
        $last = max(0, $table->axis->count - 1);
        $to = min($last, max(0, $request->integer('to', $last)));
        $entity = $request->string('entity')->value();
        $position = $request->has('at') ? $request->integer('at') : null;
        $chosen =
            $position !== null &&
            $position >= 0 &&
            $position < $table->axis->count &&
            isset($data->entities()[$entity]);

        return view('data.figures', [
            'dataset' => $dataset,
            'version' => $version,
            'measure' => $data->measures()[$measure],
            'entities' => $data->entities(),
            'table' => $table,
            'cell' => $cell,
            'breakdowns' => array_intersect_key($data->breakdowns(), Cell::parse($cell)->categories),
            'from' => max(0, $to - self::ACROSS + 1),
            'to' => $to,
            'across' => self::ACROSS,
            'chosen' => $chosen
                ? new ChosenFigure(
                    $data->entities()[$entity],
                    $position,
                    $table->series[$entity]->values[$position] ?? NAN,
                    $data->origin($measure, $entity, $table->axis->first + $position, Cell::parse($cell)),
                )
                : null,
        ]);
    }

    public function correct(Request $request, Dataset $dataset): RedirectResponse
    {
        $request->validate(
            [
                'measure' => ['required', 'string'],
                'entity' => ['required', 'string'],
                'period' => ['required', 'string'],
                'value' => ['nullable', 'string', 'max:40'],
                'status' => ['required', Rule::enum(Status::class)],
                'why' => ['required', 'string', 'max:200'],
            ],
            ['why.required' => __('Enter a reason.')],
        );
        $measure = Measure::where('dataset_id', $dataset->id)->where('key', $request->string('measure'))->firstOrFail();
        $entity = Entity::where('dataset_id', $dataset->id)->where('key', $request->string('entity'))->firstOrFail();
        if ($measure->formula !== '') {
            return back()->withErrors([
                'value' => "{$measure->name} is calculated from other measures. Correct the source value instead.",
            ]);
        }
        $value = NumberNotation::Point->read($request->string('value')->value());
        try {
            $period = Period::parse($request->string('period')->value());
        } catch (Refusal $problem) {
            return back()->withInput()->withErrors(['period' => $problem->getMessage()]);
        }
        if ($period->frequency !== $measure->frequency) {
            return back()
                ->withInput()
                ->withErrors([
                    'period' =>
                        "{$measure->name} has {$measure->frequency->adjective()} values, and {$period->label()} is " .
                        'not one of their periods. Enter it like them.',
                ]);
        }
        if ($value === null) {
            return back()
                ->withInput()
                ->withErrors([
                    'value' => __(
                        '“:value” is not a number. Enter it like 1,234.5, or leave it empty for a missing value.',
                        ['value' => $request->string('value')->value()],
                    ),
                ]);
        }
        try {
            $cell = (new StoredData($dataset))->cell($measure->key, Cell::parse($request->string('cell')->value()));
            (new Versions($dataset))->correct(
                new SeriesKey($measure, $entity, $cell),
                $period->ordinal,
                $value,
                Status::from($request->integer('status')),
                $request->string('why')->trim()->value(),
            );
        } catch (Refusal $problem) {
            return back()->withInput()->withErrors(['value' => $problem->getMessage()]);
        }

        return redirect()
            ->route('datasets.show', $dataset)
            ->with(
                'message',
                __('Correction saved as version :version. You can undo it below.', ['version' => $dataset->version]),
            );
    }

    /** Puts back what a correction replaced. */
    public function takeBack(Dataset $dataset, ImportedFile $file): RedirectResponse
    {
        abort_unless($file->dataset_id === $dataset->id && $file->kind === VersionKind::Correction, 404);
        try {
            (new Versions($dataset))->takeBack($file);
        } catch (Refusal $problem) {
            return back()->withErrors(['correction' => $problem->getMessage()]);
        }

        return redirect()->route('datasets.show', $dataset)->with('message', __('The correction was undone.'));
    }

    /** Pins a study to the version and the description that it shows, or lets it follow the latest again. */
    public function pin(Request $request, Study $study): RedirectResponse
    {
        DB::transaction(static function () use ($request, $study): void {
            $study->refresh();
            $dataset = $study->dataset;
            if ($request->boolean('pinned')) {
                $study->version ??= $dataset->version;
                $study->described ??= Description::latest($dataset);
                $study->save();
            } elseif ($study->version !== null) {
                $names = Description::of($dataset, $study->version, $study->described)->measureNames();
                $study->update(['version' => null, 'described' => null]);
                RenamedMeasures::inStudy($study, $names, Description::of($dataset)->measureNames());
            }
        });

        return redirect()->route('studies.show', $study);
    }
}
