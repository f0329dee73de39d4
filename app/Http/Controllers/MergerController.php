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
                'parts' => ['required', 'array', 'min:2'],
                'parts.*' => ['integer'],
                'whole' => ['required', 'string', 'max:120'],
                'from' => ['required', 'string', 'max:40'],
            ],
            [
                'parts.required' => __('Choose the entities that merged.'),
                'parts.min' => __('Choose at least two entities that merged.'),
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
        $said = match (true) {
            count($parts) < 2 => __('Choose at least two entities of this data set.'),
            self::isOneOf($whole, $parts) => __(
                '“:whole” is one of those that merged. Enter another name, or choose others.',
                ['whole' => $whole],
            ),
            default => '',
        };
        if ($said !== '') {
            throw ValidationException::withMessages(['parts' => $said]);
        }
        (new Merger($dataset, $parts, $whole, $from, $request->boolean('back')))->carryOut();

        return redirect()
            ->route('datasets.show', $dataset)
            ->with(
                'message',
                "{$whole} is the merged entity since version {$dataset->version}. Restore the version before to undo.",
            );
    }

    /** @param list<Entity> $parts */
    private static function isOneOf(string $name, array $parts): bool
    {
        foreach ($parts as $part) {
            if (mb_strtolower($part->name) === mb_strtolower($name)) {
                return true;
            }
        }

        return false;
    }
}
