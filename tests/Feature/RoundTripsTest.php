<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Data\StoredData;
use App\Formats\Out\DatasetFormats;
use App\Models\Dataset;
use DuskRail\Data\Cell;
use DuskRail\Time\Period;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Group;

/** A data set that leaves in any format comes back as it was, at first guess and without a correction. */
final class RoundTripsTest extends ApplicationTestCase
{
    /** @return iterable<string, array{string, int}> format and a seed */
    public static function formats(): iterable
    {
        foreach (array_keys(DatasetFormats::ALL) as $format) {
            foreach ([1, 2, 3] as $seed) {
                yield "{$format} {$seed}" => [$format, $seed];
            }
        }
    }

    /**
     * Random values of three measures, one of them yearly and one a weighted ratio, with gaps, marks, groups, a home
     * that is not the first, a benchmark by hand and, every other time, a breakdown.
     */
    #[Group('slow')]
    #[DataProvider('formats')]
    public function testAllOfItComesBack(string $format, int $seed): void
    {
        $first = $this->made($seed);
        $class = DatasetFormats::ALL[$format];
        $upload = $this->brought($class::write($first), "copy.{$class::ending()}");
        $home = $upload->isUnderWay() ? '' : $this->proposedHome($upload->id);
        $this->post(route('imports.store', $upload), ['name' => 'Copy', 'home' => $home])->assertOk();
        $copy = Dataset::where('name', 'Copy')->firstOrFail();
        self::assertSame(self::told($first), self::told($copy));
        self::assertNotSame([], $copy->files()->firstOrFail()->plan);
    }

    private function proposedHome(string $upload): string
    {
        $page = (string) $this->get(route('uploads.show', $upload))->assertOk()->getContent();
        self::assertStringNotContainsString('class="account"', $page);

        return preg_match('/name="home"[^>]*value="([^"]*)"/', $page, $m) === 1 ? html_entity_decode($m[1]) : '';
    }

    private function made(int $seed): Dataset
    {
        mt_srand($seed);
        $isSplit = $seed % 2 === 0;
        $names = ['Ayle', 'Bask', 'Cole & Sons', '=Dunn', 'Sector line'];
        // More entities than rows that are looked through for the headings.
        for ($more = 0; $seed === 3 && $more < 60; $more++) {
            $names[] = "Utility {$more}";
        }
        $rows = ['Utility,Region,Month,' . ($isSplit ? 'Tariff,' : '') . 'Leakage (Ml),Punctuality (%),Trips'];
        foreach ($names as $n => $name) {
            for ($month = 1; $month <= 6; $month++) {
                foreach ($isSplit ? ['peak', 'night'] : [''] as $tariff) {
                    $value = static fn(int $most): string => mt_rand(0, 7) === 0
                        ? [':', '', '[c]'][mt_rand(0, 2)]
                        : mt_rand(1, $most) / 8 . (mt_rand(0, 7) === 0 ? ' p' : '');
                    $rows[] =
                        "{$name}," . ($n % 2 === 0 ? 'North' : 'South') . ",2024-0{$month}," .
                        ($isSplit ? "{$tariff}," : '') . "{$value(900)},{$value(700)},{$value(99)}";
                }
            }
        }
        $upload = $this->brought(implode("\n", $rows) . "\n", 'returns.csv');
        $this->patch(route('uploads.update', $upload), ['benchmarks' => ['Sector line' => 'mean']])->assertOk();
        $this->post(route('imports.store', $upload), ['name' => 'Returns', 'home' => 'Bask'])->assertOk();
        $dataset = Dataset::where('name', 'Returns')->firstOrFail();
        $dataset->measures()->where('key', 'punctuality')->update(['per' => 'trips', 'better' => 'higher']);
        $yearly = "Utility,2022,2023\nAyle,5,6\nBask,7,8.25\nCole & Sons,9,10\n";
        $more = $this->brought("Staff (fte),,\n,,\n{$yearly}", 'staff.csv', $dataset);
        $this->post(route('imports.store', $more))->assertOk();

        return $dataset->refresh();
    }

    /** @return array<string, mixed> all that is known of it, but for keys that are made */
    private static function told(Dataset $dataset): array
    {
        $dataset = Dataset::findOrFail($dataset->id);
        $data = new StoredData($dataset);
        $measures = $values = $entities = [];
        foreach ($data->measures() as $key => $measure) {
            $per = $data->measures()[$measure->per]->name ?? '';
            $measures[$measure->name] = [
                ...[$measure->unit->text(), $measure->kind->value, $measure->better->value, $per],
                $measure->frequency->value,
            ];
            $cells = [null];
            foreach ($data->breakdowns() as $breakdown) {
                $isSplit = in_array($breakdown->key, $data->splitBy((string) $key), true);
                $cells = $isSplit
                    ? array_map(
                        static fn(int|string $c): Cell => Cell::of([$breakdown->key => (string) $c]),
                        array_keys($breakdown->categories),
                    )
                    : $cells;
            }
            foreach ($cells as $cell) {
                $table = $data->table((string) $key, $cell);
                $statuses = $data->statuses((string) $key, $cell);
                foreach ($table->series as $entity => $series) {
                    foreach ($series->values as $i => $value) {
                        $ordinal = $table->axis->first + $i;
                        $status = $statuses[$entity][$ordinal] ?? null;
                        if (!is_nan($value) || $status !== null) {
                            $at = Period::at($measure->frequency, $ordinal)->code();
                            $name = $data->entities()[$entity]->name;
                            $values["{$measure->name} {$name} {$cell} {$at}"] = [
                                is_nan($value) ? null : $value,
                                $status?->name,
                            ];
                        }
                    }
                }
            }
        }
        foreach ($data->entities() as $entity) {
            $entities[$entity->name] = [$entity->home, $entity->isBenchmark(), $entity->group];
        }
        ksort($measures);
        ksort($values);
        ksort($entities);

        return ['measures' => $measures, 'entities' => $entities, 'values' => $values];
    }
}
