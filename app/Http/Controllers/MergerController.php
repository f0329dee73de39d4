<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Data\Merger;
use App\Models\Dataset;
use App\Models\Entity;
use DuskRail\Time\Period;
use DuskRail\Time\UnknownPeriod;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;

/** Entities that became one on a date. */
final class MergerController
{
    public function store(Request $request, Dataset $dataset): RedirectResponse
    {
        $request->validate(
            [
                'parts' => ['required', 'array'],
                'parts.*' => ['integer'],
                'whole' => ['required', 'string', 'max:120'],
                'from' => ['required', 'string', 'max:40'],
            ],
            [
                'parts.required' => __('Choose the entities that merged.'),
                'whole.required' => __('Enter the name of the entity that they became.'),
                'from.required' => __('Enter the first period of the merged entity, for example 2023-04.'),
            ],
        );
        try {
            $from = Period::parse($request->string('from')->value());
        } catch (UnknownPeriod $problem) {
            throw ValidationException::withMessages(['from' => $problem->getMessage()]);
        }
        $parts = array_values(
            Entity::where('dataset_id', $dataset->id)
                ->whereIn('id', $request->array('parts'))
                ->orderBy('id')
                ->get()
                ->all(),
        );
        $whole = $request->string('whole')->trim()->value();
        $isWhole = static fn(Entity $entity): bool => mb_strtolower($entity->name) === mb_strtolower($whole);
        // One that keeps its name takes the others over.
        $ending = array_values(array_filter($parts, static fn(Entity $part): bool => !$isWhole($part)));
        $known = Entity::where('dataset_id', $dataset->id)->get()->first($isWhole);
        if ($ending === [] || ($known === null && count($ending) < 2)) {
            throw ValidationException::withMessages([
                'parts' => __(
                    'Choose at least two entities that merged, or one and the name of another that took it over.',
                ),
            ]);
        }
        if ($known !== null && $known->part_of !== '') {
            throw ValidationException::withMessages([
                'whole' => __('“:whole” has merged into another entity itself. Enter another name.', [
                    'whole' => $whole,
                ]),
            ]);
        }
        $merger = new Merger($dataset, $ending, $whole, $from, $request->boolean('back'));
        $unshared = $merger->unshared();
        $merger->carryOut();
        $more =
            $unshared === []
                ? ''
                : ' ' . __('Its parts differ in :what; enter what holds for it.', ['what' => implode(', ', $unshared)]);

        return redirect()
            ->route('datasets.show', $dataset)
            ->with(
                'message',
                "{$whole} is the merged entity since version {$dataset->version}. " .
                    "Restore the version before to undo.{$more}",
            );
    }
}
