<?php

declare(strict_types=1);

namespace App\View;

use App\Models\CacheEntry;
use App\Models\Dataset;
use App\Models\StoredSeries;
use DuskRail\Time\Frequency;
use DuskRail\Time\Period;
use DuskRail\Time\PeriodRange;
use Illuminate\Database\Eloquent\Collection;

/** The time that the data of data sets span, as the first page shows it; kept until there is another version. */
final class DatasetRow
{
    private const KIND = 'dataset';

    /**
     * @param Collection<int, Dataset> $datasets
     * @return array<int, string> by id: `Jan 2016 – Oct 2025, monthly; 2016 – 2024, yearly`
     */
    public static function spans(Collection $datasets): array
    {
        $kept = CacheEntry::where('kind', self::KIND)->whereIn('of', $datasets->modelKeys())->get()->keyBy('of');
        $spans = [];
        foreach ($datasets as $dataset) {
            $card = $kept->get($dataset->id);
            $madeOf = "{$dataset->version}/" . config()->string('duskrail.version');
            $known = $card?->made_of === $madeOf ? $card->content['span'] ?? null : null;
            if (!is_string($known)) {
                $known = self::span($dataset);
                CacheEntry::keep(self::KIND, $dataset->id, $madeOf, ['span' => $known]);
            }
            $spans[$dataset->id] = $known;
        }

        return $spans;
    }

    private static function span(Dataset $dataset): string
    {
        $rows = StoredSeries::query()
            ->toBase()
            ->join('measures', 'measures.id', '=', 'series.measure_id')
            ->where('measures.dataset_id', $dataset->id)
            ->whereNull('series.until')
            ->groupBy('measures.frequency')
            ->orderByRaw('count(distinct measures.id) desc')
            // Eight bytes to a value.
            ->selectRaw('measures.frequency as frequency, min(series.first) as first')
            ->selectRaw('max(series.first + length(series."values") / 8) - 1 as last')
            ->get();
        $spans = [];
        foreach ($rows as $row) {
            $frequency = Frequency::tryFrom(is_string($row->frequency) ? $row->frequency : '');
            if ($frequency !== null && is_numeric($row->first) && is_numeric($row->last)) {
                $range = PeriodRange::between(
                    Period::at($frequency, (int) $row->first),
                    Period::at($frequency, (int) $row->last),
                );
                $spans[] = "{$range->label()}, {$frequency->adjective()}";
            }
        }

        return implode('; ', $spans);
    }
}
