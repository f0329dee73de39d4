<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Data\StoredData;
use App\Data\Versions;
use App\Formats\Out\DatasetFormats;
use App\Formats\TooManyValues;
use App\Maintenance\Bin;
use App\Models\Dataset;
use DuskRail\Data\PeerSetRules;
use DuskRail\Peers\Membership;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Str;

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
