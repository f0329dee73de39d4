<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Data\Description;
use App\Data\RenamedMeasures;
use App\Data\StoredData;
use App\Data\Versions;
use App\Formats\Out\DatasetFormats;
use App\Formats\TooManyValues;
use App\Maintenance\Bin;
use App\Models\Dataset;
use App\Models\Measure;
use DuskRail\Data\Better;
use DuskRail\Data\MeasureKind;
use DuskRail\Data\PeerSetRules;
use DuskRail\Peers\Membership;
use DuskRail\Rail\Derived;
use DuskRail\Refusal;
use Illuminate\Contracts\View\View;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Illuminate\Validation\Rule;

/** Data sets: what is known of them and of what is in them, edited in place, and handed on. */
final class DatasetController
{
    /** Entities to a page: each has four fields, and a form holds a thousand. */
    private const AT_ONCE = 200;

    public function show(Dataset $dataset): View
    {
        return view('data.dataset', [
            'dataset' => $dataset,
            'entities' => $dataset->entities()->paginate(self::AT_ONCE),
            'versions' => new Versions($dataset),
            'sets' => self::sets($dataset),
            'mergeable' => $dataset->entities()->where('part_of', '')->pluck('name', 'id')->all(),
            'formats' => DatasetFormats::ALL,
        ]);
    }

    /** @return list<Membership> the peer sets, each with who is in it */
    private static function sets(Dataset $dataset): array
    {
        $data = new StoredData($dataset);
        $first = (string) array_key_first($data->measures());

        return array_values(
            array_map(
                static fn(PeerSetRules $rules): Membership => Membership::of($rules, $data, $first),
                $data->peerSets(),
            ),
        );
    }

    public function update(Request $request, Dataset $dataset): RedirectResponse
    {
        $request->validate(
            [
                'name' => ['required', 'string', 'max:120'],
                'source' => ['nullable', 'string', 'max:300'],
                'licence' => ['nullable', 'string', 'max:120'],
                'retrieved' => ['nullable', 'string', 'max:60'],
                'notes' => ['nullable', 'string', 'max:4000'],
            ],
            ['name.required' => __('Enter a name for the data set.')],
        );
        foreach (['name', 'source', 'licence', 'retrieved', 'notes'] as $part) {
            $dataset->setAttribute($part, $request->string($part)->trim()->value());
        }
        $dataset->save();

        return redirect()->route('datasets.show', $dataset)->with('message', __('Details saved.'));
    }

    /** Names, units and kinds of all measures. */
    public function measures(Request $request, Dataset $dataset): RedirectResponse
    {
        $request->validate(
            [
                'measures.*.name' => ['required', 'string', 'max:120'],
                'measures.*.unit' => ['nullable', 'string', 'max:60'],
                'measures.*.kind' => [Rule::enum(MeasureKind::class)],
                'measures.*.better' => [Rule::enum(Better::class)],
                'measures.*.per' => ['nullable', 'string', Rule::in($dataset->measures->pluck('key'))],
                'measures.*.decimals' => ['nullable', 'integer', 'between:0,8'],
            ],
            [
                'measures.*.name.required' => __('Enter a name for each measure.'),
                'measures.*.per.in' => __('A rate can only be weighted by a measure of this data set.'),
                'measures.*.decimals.between' => __('Enter 0 to 8 decimals.'),
            ],
        );
        $names = [];
        foreach ($dataset->measures as $measure) {
            $names[$measure->name] = $request->string("measures.{$measure->id}.name", $measure->name)->trim()->value();
        }
        if (count(array_unique(array_map(mb_strtolower(...), $names))) < count($names)) {
            return back()
                ->withInput()
                ->withErrors([
                    'measures' => __('Two measures have the same name. Use different names.'),
                ]);
        }
        foreach ($dataset->measures->where('formula', '!=', '') as $derived) {
            $unit = $request->string("measures.{$derived->id}.unit", $derived->unit)->trim()->value();
            if ($unit !== $derived->unit) {
                return back()
                    ->withInput()
                    ->withErrors([
                        'measures' =>
                            __('The unit of :name follows from its formula: :unit. It cannot be “:other”.', [
                                'name' => $derived->name,
                                'unit' => $derived->unit,
                                'other' => $unit,
                            ]) .
                            ' ' .
                            __('A power of ten in the formula changes the unit: kg ÷ 1,000 is t.'),
                    ]);
            }
        }
        $before = Description::of($dataset)->measureNames();
        DB::transaction(static function () use ($request, $dataset, $names, $before): void {
            foreach ($dataset->measures as $measure) {
                $at = "measures.{$measure->id}";
                if ($request->has($at)) {
                    $measure->update([
                        'name' => $names[$measure->name],
                        'unit' => $request
                            ->string("{$at}.unit")
                            ->trim()
                            ->value(),
                        'kind' => $request->string("{$at}.kind")->value(),
                        'better' => $request->string("{$at}.better")->value(),
                        'per' => $request->string("{$at}.per", $measure->per)->value(),
                        'decimals' => $request->input("{$at}.decimals"),
                    ]);
                }
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
    public function derive(Request $request, Dataset $dataset): RedirectResponse
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

    /** Names, groups and notes of entities, and which of them is home. */
    public function entities(Request $request, Dataset $dataset): RedirectResponse
    {
        $request->validate(
            [
                'entities.*.name' => ['required', 'string', 'max:200'],
                'entities.*.group' => ['nullable', 'string', 'max:120'],
                'entities.*.note' => ['nullable', 'string', 'max:200'],
                'home' => ['nullable', 'integer'],
            ],
            ['entities.*.name.required' => __('Enter a name for each entity.')],
        );
        $names = [];
        foreach ($dataset->entities as $entity) {
            $name = mb_strtolower($request->string("entities.{$entity->id}.name", $entity->name)->trim()->value());
            if (isset($names[$name])) {
                return back()
                    ->withInput()
                    ->withErrors([
                        'entities' => __('Two entities have the name “:name”. Use different names.', [
                            'name' => $entity->name,
                        ]),
                    ]);
            }
            $names[$name] = true;
        }
        DB::transaction(static function () use ($request, $dataset): void {
            foreach ($dataset->entities as $entity) {
                $at = "entities.{$entity->id}";
                $home = $request->has('home') ? $request->integer('home') === $entity->id : $entity->home;
                if ($request->has($at)) {
                    $name = $request->string("{$at}.name")->trim()->value();
                    if (mb_strtolower($name) !== mb_strtolower($entity->name)) {
                        // Files go on calling it by its old name.
                        $dataset
                            ->aliases()
                            ->updateOrCreate(['name' => mb_strtolower($entity->name)], ['entity_id' => $entity->id]);
                    }
                    $entity->update([
                        'name' => $name,
                        'home' => $home,
                        'note' => $request
                            ->string("{$at}.note")
                            ->trim()
                            ->value(),
                        'about' => array_filter(
                            [
                                ...$entity->about,
                                'group' => $request
                                    ->string("{$at}.group")
                                    ->trim()
                                    ->value(),
                            ],
                            static fn(string $text): bool => $text !== '',
                        ),
                    ]);
                } elseif ($entity->home !== $home) {
                    $entity->update(['home' => $home]);
                }
            }
        });

        return redirect()
            ->route('datasets.show', [$dataset, 'page' => $request->integer('page', 1)])
            ->with('message', __('Entities saved.'));
    }

    public function out(Dataset $dataset, string $format): Response
    {
        $class = DatasetFormats::ALL[$format];

        try {
            $content = $class::write($dataset);
        } catch (TooManyValues $problem) {
            abort(422, $problem->getMessage());
        }

        return response($content, 200, [
            'Content-Type' => $class::type(),
            'Content-Disposition' =>
                'attachment; filename="' . (Str::slug($dataset->name) ?: 'data') . ".{$class::ending()}\"",
        ]);
    }

    public function destroy(Dataset $dataset): RedirectResponse
    {
        Bin::put($dataset);

        return redirect()->route('data.index')->with(
            'message',
            __('“:name” and its studies are in the bin for :days days.', [
                'name' => $dataset->name,
                'days' => Bin::DAYS,
            ]),
        );
    }
}
