<?php

declare(strict_types=1);

namespace App\Formats\Out;

use App\Models\Dataset;
use App\Models\Measure;
use App\Models\StoredSeries;
use DuskRail\Data\Status;
use DuskRail\Time\Frequency;
use DuskRail\Time\Period;

/** The figures of a data set one after the other, as the formats write them. */
final readonly class Figures
{
    /** @var array<int, string> */
    public array $entities;

    public function __construct(private Dataset $dataset)
    {
        $names = [];
        foreach ($dataset->entities as $entity) {
            $names[$entity->id] = $entity->name;
        }
        $this->entities = $names;
    }

    /**
     * @return iterable<array{entity: string, measure: Measure, period: string, ordinal: int, value: float,
     *     status: Status}> those that are there
     */
    public function of(Measure ...$measures): iterable
    {
        foreach ($measures as $measure) {
            foreach (
                StoredSeries::query()
                    ->inVersion($this->dataset->version)
                    ->where('measure_id', $measure->id)
                    ->orderBy('entity_id')
                    ->cursor()
                as $series
            ) {
                foreach ($series->values as $i => $value) {
                    if (!is_nan($value)) {
                        $ordinal = $series->first + $i;
                        yield [
                            'entity' => $this->entities[$series->entity_id],
                            'measure' => $measure,
                            'period' => Period::at($measure->frequency, $ordinal)->code(),
                            'ordinal' => $ordinal,
                            'value' => $value,
                            'status' => Status::from($series->statuses[$i] ?? 0),
                        ];
                    }
                }
            }
        }
    }

    /** @return array<string, list<Measure>> measures by how long their periods are */
    public function byFrequency(): array
    {
        $measures = [];
        foreach (Frequency::cases() as $frequency) {
            $these = $this->dataset->measures
                ->filter(static fn(Measure $m): bool => $m->frequency === $frequency && $m->formula === '')
                ->values()
                ->all();
            if ($these !== []) {
                $measures[$frequency->value] = array_values($these);
            }
        }

        return $measures;
    }

    /** What reading cannot tell of a measure from its figures. */
    public static function about(Measure $measure): string
    {
        return "{$measure->kind->value}; {$measure->better->value}";
    }

    /** @return array<string, string> remarks over a table, by name */
    public static function notes(Dataset $dataset, Measure ...$measures): array
    {
        $notes = ['title' => $dataset->name, 'source' => $dataset->source, 'periods' => 'code'];
        foreach ($measures as $measure) {
            $notes["about {$measure->name}"] = self::about($measure);
        }

        return $notes;
    }

    public static function mark(Status $status): string
    {
        return $status === Status::Measured ? '' : strtolower($status->name);
    }

    /** The shortest digits that give the same double again. */
    public static function digits(float $value): string
    {
        return (string) json_encode($value);
    }
}
