<?php

declare(strict_types=1);

namespace App\Data;

use App\Models\Dataset;
use App\Models\Entity;
use App\Models\Measure;
use App\Models\StoredSeries;
use DuskRail\Data\Revision;
use DuskRail\Data\Status;
use DuskRail\Reading\ReadSeries;
use DuskRail\Time\Period;
use Illuminate\Support\Facades\DB;

/** The states a data set has been in: compared, gone back to, and made new by a single correction. */
final readonly class Versions
{
    public function __construct(private Dataset $dataset) {}

    /** What changed from one version to another. */
    public function revision(int $from, int $to): Revision
    {
        $revision = new Revision();
        $measures = $this->dataset->measures->keyBy('id');
        $entities = $this->dataset->entities->keyBy('id');
        [$old, $new] = [$this->inVersion($from), $this->inVersion($to)];
        foreach ($old + $new as $key => $any) {
            [$was, $is] = [$old[$key] ?? null, $new[$key] ?? null];
            if ($was?->id !== $is?->id) {
                $revision->compare($measures[$any->measure_id]->name ?? '', $entities[$any->entity_id]->name ?? '', $was->first ?? 0, $was->values ?? [], $is->first ?? 0, $is->values ?? []);
            }
        }

        return $revision;
    }

    /** Makes the newest version what an older one was; nothing of those between is lost. */
    public function restore(int $version): void
    {
        DB::transaction(function () use ($version): void {
            [$old, $now] = [$this->inVersion($version), $this->inVersion($this->dataset->version)];
            $new = NewVersion::begin($this->dataset, "version {$version}", str_repeat('0', 64), 0, [], 'restored');
            foreach ($old as $key => $series) {
                if (($now[$key]->id ?? null) !== $series->id) {
                    $new->put($series->measure_id, $series->entity_id, new ReadSeries(0, 0, $series->first, $series->values, $series->statuses, array_fill(0, count($series->values), -1)), $now[$key] ?? null);
                }
            }
            foreach (array_diff_key($now, $old) as $series) {
                $new->end($series);
            }
            $new->flush();
        });
    }

    /** Sets one value by hand, as a version of its own that says what it was before and why. */
    public function correct(Measure $measure, Entity $entity, int $ordinal, float $value, Status $status, string $why): void
    {
        DB::transaction(function () use ($measure, $entity, $ordinal, $value, $status, $why): void {
            $old = StoredSeries::query()->inVersion($this->dataset->version)->where('measure_id', $measure->id)->where('entity_id', $entity->id)->first();
            $was = $old === null ? NAN : $old->values[$ordinal - $old->first] ?? NAN;
            $null = static fn(float $v): ?float => is_nan($v) ? null : $v;
            $new = NewVersion::begin($this->dataset, 'corrected by hand', str_repeat('0', 64), 1, ['measure' => $measure->key, 'entity' => $entity->key, 'ordinal' => $ordinal, 'old' => $null($was), 'new' => $null($value), 'status' => $old->statuses[$ordinal - ($old->first ?? 0)] ?? 0], 'correction');
            $new->file->update(['note' => $why]);
            $first = min($ordinal, $old->first ?? $ordinal);
            $end = max($ordinal + 1, $old === null ? 0 : $old->first + count($old->values));
            $values = $statuses = $places = [];
            for ($i = $first; $i < $end; $i++) {
                $here = $i === $ordinal;
                $values[] = $here ? $value : ($old === null ? NAN : $old->values[$i - $old->first] ?? NAN);
                $statuses[] = $here ? $status->value : ($old === null ? 0 : $old->statuses[$i - $old->first] ?? 0);
                $places[] = $here && ! is_nan($value) ? 0 : -1;
            }
            $new->put($measure->id, $entity->id, new ReadSeries(0, 0, $first, $values, $statuses, $places), $old);
            $new->flush();
        });
    }

    /** A correction in words: `Tarrow, Leakage, March 2024: 12 → 14`. */
    public function said(mixed $correction): string
    {
        if (! is_array($correction)) {
            return '';
        }
        $measure = $this->dataset->measures->firstWhere('key', $correction['measure'] ?? '');
        $entity = $this->dataset->entities->firstWhere('key', $correction['entity'] ?? '');
        $number = static fn(mixed $v): string => is_numeric($v) ? (string) json_encode((float) $v) : 'nothing';

        return $measure === null || $entity === null || ! is_int($correction['ordinal'] ?? null) ? '' : "{$entity->name}, {$measure->name}, ".Period::at($measure->frequency, $correction['ordinal'])->label().": {$number($correction['old'] ?? null)} → {$number($correction['new'] ?? null)}";
    }

    /** @return array<string, StoredSeries> by the ids of measure and entity */
    private function inVersion(int $version): array
    {
        $series = [];
        foreach (StoredSeries::query()->inVersion($version)->whereIn('measure_id', $this->dataset->measures->modelKeys())->get() as $one) {
            $series["{$one->measure_id}/{$one->entity_id}"] = $one;
        }

        return $series;
    }
}
