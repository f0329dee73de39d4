<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Dataset;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;

/** What breakdowns and their categories are called, in which order they are, and which one is the total. */
final class BreakdownController
{
    public function update(Request $request, Dataset $dataset): RedirectResponse
    {
        $request->validate([
            'breakdowns.*.name' => ['required', 'string', 'max:120'],
            'breakdowns.*.total' => ['nullable', 'string', 'max:120'],
            'breakdowns.*.categories.*.name' => ['required', 'string', 'max:120'],
            'breakdowns.*.categories.*.order' => ['nullable', 'integer', 'between:1,100000'],
        ]);
        $breakdowns = $dataset->breakdowns;
        foreach ($breakdowns as $n => $one) {
            $said = $request->array("breakdowns.{$one['key']}");
            if ($said !== []) {
                $breakdowns[$n] = self::changed($one, $said);
            }
        }
        DB::transaction(static function () use ($dataset, $breakdowns): void {
            $dataset->update(['breakdowns' => $breakdowns]);
        });

        return redirect()->route('datasets.show', $dataset)->with('message', __('Breakdowns saved.'));
    }

    /**
     * @param array{key: string, name: string, total: string, categories: array<array-key, string>} $breakdown
     * @param array<mixed> $said
     * @return array{key: string, name: string, total: string, categories: array<array-key, string>}
     *
     * @throws ValidationException when two categories would be called the same
     */
    private static function changed(array $breakdown, array $said): array
    {
        $places = $names = $taken = [];
        foreach (array_keys($breakdown['categories']) as $place => $key) {
            $name = data_get($said, ['categories', $key, 'name']);
            $order = data_get($said, ['categories', $key, 'order']);
            $names[$key] = is_string($name) ? trim($name) : $breakdown['categories'][$key];
            // Beside others of the same number, one stays behind those that were before it.
            $places[$key] = [is_numeric($order) ? (int) $order : $place + 1, $place];
            $folded = mb_strtolower($names[$key]);
            if (isset($taken[$folded])) {
                throw ValidationException::withMessages([
                    'breakdowns' => __('Two categories of :breakdown have the name “:name”. Use different names.', [
                        'breakdown' => $breakdown['name'],
                        'name' => $names[$key],
                    ]),
                ]);
            }
            $taken[$folded] = true;
        }
        asort($places);
        $named = array_values($names);
        $total = $said['total'] ?? '';

        return [
            'key' => $breakdown['key'],
            'name' => is_string($said['name'] ?? null) ? trim($said['name']) : $breakdown['name'],
            'total' => is_string($total) && isset($names[$total]) ? $total : '',
            'categories' => array_map(static fn(array $place): string => $named[$place[1]], $places),
        ];
    }
}
