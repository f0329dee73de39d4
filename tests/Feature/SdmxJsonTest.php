<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Data\StoredData;
use App\Formats\SdmxJson;
use App\Formats\TableSources;
use App\Models\Dataset;
use DuskRail\Data\Cell;
use DuskRail\Data\Status;
use DuskRail\Time\Period;
use PHPUnit\Framework\Attributes\TestWith;

/** SDMX-JSON data messages (github.com/sdmx-twg/sdmx-json), as another writer would write them. */
final class SdmxJsonTest extends ApplicationTestCase
{
    private const AREAS = ['AY' => 'Ayle', 'BA' => 'Bask', 'CO' => 'Cole'];

    private const TARIFFS = ['P' => 'Peak', 'N' => 'Night'];

    private const TIMES = ['2022-Q3', '2022-Q4', '2023-Q1', '2023-Q2'];

    /** Random values and statuses by series or flat, in version 1.0, 2.0 and a draft. */
    #[TestWith(['1.0', false])]
    #[TestWith(['2.0', true])]
    #[TestWith(['draft', false])]
    public function testEveryObservationIsReadInItsPlace(string $version, bool $isFlat): void
    {
        mt_srand(crc32($version));
        $expected = $series = $flat = [];
        foreach (array_keys(self::AREAS) as $a => $area) {
            foreach (array_keys(self::TARIFFS) as $t => $tariff) {
                foreach (self::TIMES as $p => $time) {
                    if (mt_rand(0, 5) === 0) {
                        continue;
                    }
                    $value = mt_rand(-900, 900) * 0.125;
                    $status = mt_rand(0, 1);
                    $expected[self::AREAS[$area] . ' ' . self::TARIFFS[$tariff] . " {$time}"] = [
                        1000.0 * $value,
                        $status === 1 ? Status::Provisional : Status::Measured,
                    ];
                    $series["0:{$a}:{$t}"]['attributes'] = [0];
                    $series["0:{$a}:{$t}"]['observations'][(string) $p] = [$value, $status];
                    $flat["0:{$a}:{$t}:{$p}"] = [$value, $status];
                }
            }
        }
        $values = static fn(array $names): array => array_map(
            static fn(mixed $id, mixed $name): array => ['id' => $id, 'name' => $name],
            array_keys($names),
            $names,
        );
        $keys = [
            ['id' => 'FREQ', 'name' => 'Frequency', 'values' => [['id' => 'Q', 'name' => 'Quarterly']]],
            ['id' => 'REF_AREA', 'name' => 'Reference area', 'values' => $values(self::AREAS)],
            ['id' => 'TARIFF', 'name' => 'Tariff', 'values' => $values(self::TARIFFS)],
        ];
        $time = [
            'id' => 'TIME_PERIOD',
            'name' => 'Time',
            'values' => $values(array_combine(self::TIMES, self::TIMES)),
        ];
        $scale = ['id' => 'UNIT_MULT', 'name' => 'Multiplier', 'values' => [['id' => '3', 'name' => 'Thousands']]];
        $status = [
            'id' => 'OBS_STATUS',
            'values' => [['id' => 'A', 'name' => 'Normal'], ['id' => 'P', 'name' => 'Provisional']],
        ];
        $structure = [
            'names' => ['fr' => 'Fuites', 'en' => 'Leakage by quarter'],
            'dimensions' => $isFlat
                ? ['observation' => [...$keys, $time]]
                : ['dataSet' => [], 'series' => $keys, 'observation' => [$time]],
            'attributes' => $isFlat
                ? ['dataSet' => [$scale], 'observation' => [$status]]
                : ['series' => [$scale], 'observation' => [$status]],
        ];
        $dataSets = [$isFlat ? ['attributes' => [0], 'observations' => $flat] : ['series' => $series]];
        $message = match ($version) {
            '1.0' => ['meta' => [], 'data' => ['structure' => $structure, 'dataSets' => $dataSets]],
            '2.0' => ['meta' => [], 'data' => ['structures' => [$structure], 'dataSets' => $dataSets]],
            default => ['header' => ['id' => 'x'], 'dataSets' => $dataSets, 'structure' => $structure],
        };
        $path = (string) tempnam(sys_get_temp_dir(), 'dusk');
        file_put_contents($path, (string) json_encode($message));
        self::assertSame([SdmxJson::class], TableSources::claiming($path));
        unlink($path);
        $upload = $this->brought((string) json_encode($message), 'leakage.json');
        $this->get(route('uploads.show', $upload))->assertSee('value="Leakage by quarter"', false);
        $this->post(route('imports.store', $upload), ['name' => 'Leakage'])->assertOk();
        $data = new StoredData(Dataset::where('name', 'Leakage')->firstOrFail());
        $measure = (string) array_key_first($data->measures());
        $read = [];
        foreach (self::TARIFFS as $tariff) {
            $key = (string) array_key_first($data->breakdowns());
            $cell = Cell::of([$key => strtolower($tariff)]);
            $table = $data->table($measure, $cell);
            $statuses = $data->statuses($measure, $cell);
            foreach ($table->series as $entity => $of) {
                foreach ($of->values as $n => $value) {
                    $period = Period::at($data->measures()[$measure]->frequency, $table->axis->first + $n)->code();
                    if (!is_nan($value)) {
                        $read["{$data->entities()[$entity]->name} {$tariff} {$period}"] = [
                            $value,
                            $statuses[$entity][$table->axis->first + $n] ?? Status::Measured,
                        ];
                    }
                }
            }
        }
        ksort($expected);
        ksort($read);
        self::assertEquals($expected, $read);
    }

    #[TestWith(['{"data": {"dataSets": []}}', 'has no data, or no structure'])]
    #[TestWith(['{"dataSets": [{"series": {"0": {"observations": {"0": [1]}}}}], "structure": {}}', 'or no structure'])]
    public function testAMessageThatSaysNothingIsRefusedInWords(string $message, string $said): void
    {
        $this->from('/')->followingRedirects()->bring($message, 'data.json')->assertSee($said);
    }
}
