<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Data\StoredData;
use App\Formats\JsonRecords;
use App\Formats\JsonStatFile;
use App\Formats\Workbook;
use App\Http\SeenRevision;
use App\Models\Brief;
use App\Models\BriefBlock;
use App\Models\Dataset;
use App\Models\ImportedFile;
use App\Models\Study;
use Illuminate\Http\UploadedFile;
use PhpOffice\PhpSpreadsheet\Spreadsheet;
use PhpOffice\PhpSpreadsheet\Worksheet\Worksheet;
use PhpOffice\PhpSpreadsheet\Writer\Xlsx;

/** What the application must not do with data: each guard has a case on either side of it. */
final class GuardsTest extends ApplicationTestCase
{
    public function testAnUpdateKeepsTheStatusOfValuesThatItDoesNotGive(): void
    {
        $study = $this->imported(
            "Utility,Month,Leakage,Status\nA,2024-01,1,p\nA,2024-02,2,p\nB,2024-01,3,\nB,2024-02,4,\n",
        );
        $this->added($study, "Utility,Month,Leakage,Status\nA,2024-02,5,\nB,2024-02,4,\n", 'update.csv');
        $statuses = (new StoredData(Dataset::firstOrFail()))->statuses('leakage');
        $first = 12 * 2024;
        self::assertSame(['provisional', null], [
            isset($statuses['a'][$first]) ? mb_strtolower($statuses['a'][$first]->name) : null,
            isset($statuses['a'][$first + 1]) ? mb_strtolower($statuses['a'][$first + 1]->name) : null,
        ]);
    }

    public function testARestoredVersionHasNoSeriesOfLaterOnes(): void
    {
        $study = $this->imported();
        $this->added($study, "Utility,Month,Leakage (Ml)\nBland,2024-01,9\nBland,2024-02,9\n", 'more.csv');
        $dataset = $study->dataset->refresh();
        self::assertArrayHasKey('bland', (new StoredData($dataset))->table('leakage')->series);
        $this->post(route('versions.restore', [$dataset, 1]));
        $data = new StoredData($dataset->refresh());
        self::assertArrayNotHasKey('bland', $data->table('leakage')->series);
        self::assertArrayNotHasKey('bland', $data->entities());
        // A later file brings it back.
        $this->added($study->refresh(), "Utility,Month,Leakage (Ml)\nBland,2024-03,8\n", 'again.csv');
        $data = new StoredData(Dataset::findOrFail($dataset->id));
        self::assertSame(
            [8.0],
            array_values(array_filter($data->table('leakage')->series['bland']->values, is_finite(...))),
        );
    }

    public function testACorrectionIsTakenBackOnlyWhileNoLaterFileHasGivenTheValue(): void
    {
        foreach (["2024-02,7\nTarrow,2024-03,8" => false, '2024-03,8' => true] as $later => $isPossible) {
            $study = $this->imported();
            $dataset = $study->dataset;
            $correction = ['measure' => 'leakage', 'entity' => 'tarrow', 'period' => '2024-02', 'value' => '7'];
            $this->post(route('corrections.store', $dataset), [...$correction, 'status' => '0', 'why' => 'misread']);
            // A file that gives the corrected value as well confirms it.
            $this->added($study, "Utility,Month,Leakage (Ml)\nTarrow,{$later}\n", 'later.csv');
            $file = ImportedFile::where('dataset_id', $dataset->id)->where('kind', 'correction')->sole();
            $answer = $this->delete(route('corrections.destroy', [$dataset, $file]));
            $isPossible ? $answer->assertSessionHasNoErrors() : $answer->assertSessionHasErrors('correction');
        }
    }

    public function testAMergerLeavesTheHistoryOutWhereItIsNotWanted(): void
    {
        foreach (['0' => [null, 10.0, 11.0], '1' => [13.0, 10.0, 11.0]] as $back => $values) {
            $study = $this->imported(
                str_replace(['2024-02,6', '2024-02,5'], ['2024-02,5', '2024-02,5'], self::MONTHLY),
                "{$back}.csv",
            );
            $dataset = $study->dataset;
            $this->post(route('mergers.store', $dataset), [
                'parts' => $dataset->entities()->whereIn('key', ['tarrow', 'marl'])->pluck('id')->all(),
                'whole' => 'Both',
                'from' => '2024-02',
                'back' => (string) $back,
            ]);
            $data = new StoredData($dataset->refresh());
            $given = [];
            foreach ($data->table('leakage')->series['both']->values as $value) {
                $given[] = is_nan($value) ? null : $value;
            }
            self::assertSame($values, $given);
            // The parts end before the first period of the whole.
            foreach (['tarrow', 'marl'] as $part) {
                $own = array_filter($data->table('leakage')->series[$part]->values, is_finite(...));
                self::assertSame([0], array_keys($own));
            }
        }
    }

    public function testAPartThatBeginsWithTheMergerHasNoValuesOfItsOwn(): void
    {
        $dataset = $this->imported(str_replace("Marl,2024-01,8\n", '', self::MONTHLY))->dataset;
        $this->post(route('mergers.store', $dataset), [
            'parts' => $dataset->entities()->whereIn('key', ['tarrow', 'marl'])->pluck('id')->all(),
            'whole' => 'Both',
            'from' => '2024-02',
        ])->assertSessionHasNoErrors();
        $series = (new StoredData($dataset->refresh()))->table('leakage')->series;
        self::assertSame(['veldmere', 'tarrow', 'both'], array_keys($series));
    }

    public function testTwoMeasuresOfAFileAreTwoOfTheDataSet(): void
    {
        $study = $this->imported();
        // Both names come to the key of the measure that is there.
        $this->added(
            $study,
            "Utility,Month,Leakage (Ml),Leakage! (Ml)\nMarl,2024-04,1,2\nTarrow,2024-04,3,4\n",
            'two.csv',
        );
        $data = new StoredData(Dataset::firstOrFail());
        $last = static fn(string $key): float => array_slice($data->table($key)->series['marl']->values, -1)[0];
        self::assertSame([1.0, 2.0], array_map($last, array_map(strval(...), array_keys($data->measures()))));
    }

    public function testASeriesStandsOnceInAStudyFile(): void
    {
        $study = $this->imported();
        $file = json_decode((string) $this->get(route('hand-over', [$study, 'data.json']))->getContent(), true);
        assert(is_array($file) && is_array($file['data']) && is_array($file['data']['series']));
        $bring = fn(array $file): mixed => $this->post(route('study-files.carried'), [
            'study' => UploadedFile::fake()->createWithContent('study.json', (string) json_encode($file)),
        ]);
        $bring($file);
        self::assertSame(2, Dataset::count());
        $file['data']['series'][] = $file['data']['series'][0];
        $bring($file)->assertSessionHas('message', static fn(string $m): bool => str_contains($m, 'appears twice'));
        self::assertSame(2, Dataset::count());
    }

    public function testABlockIsEditedInItsOwnBriefAlone(): void
    {
        $briefs = [Brief::begin('One'), Brief::begin('Two')];
        $briefs[1]->add(null, 'mine');
        $block = BriefBlock::sole();
        foreach ([['text' => 'yours'], ['do' => 'remove'], ['do' => 'up']] as $edit) {
            $this->put(route('briefs.update', $briefs[0]), ['block' => $block->id, ...$edit])->assertNotFound();
        }
        self::assertSame('mine', $block->refresh()->text);
        $this->put(route('briefs.update', $briefs[1]), ['block' => $block->id, 'text' => 'yours'])->assertRedirect();
        self::assertSame('yours', $block->refresh()->text);
    }

    /** An edit that says it saw the revision of another study is taken as one that says none. */
    public function testARevisionOfAnotherStudyIsNotBelieved(): void
    {
        $study = $this->imported();
        $this->post(route('studies.copy', $study));
        $other = Study::latest('id')->firstOrFail();
        $this->change($study, 'state', ['entity' => 'marl', 'state' => 'focus'])->assertOk();
        $undo = fn(int $seen): int => $this->put(
            route('history.update', $study),
            ['step' => 'undo'],
            [SeenRevision::HEADER => (string) $seen],
        )->getStatusCode();
        self::assertSame(409, $undo($study->refresh()->revision_id - 2));
        self::assertSame(200, $undo($other->revision_id));
    }

    public function testSavingAPeerSetAgainMakesNoSecondOne(): void
    {
        $dataset = $this->imported()->dataset;
        $form = ['name' => 'Two', 'kind' => 'hand', 'hand' => ['marl', 'tarrow']];
        $this->post(route('peer-sets.store', $dataset), $form);
        $this->post(route('peer-sets.store', $dataset), [...$form, 'key' => 'two', 'name' => 'Other name']);
        self::assertSame(['two' => 'Other name'], array_map(
            static fn($set): string => $set->name,
            $dataset->refresh()->asPeerSets(),
        ));
        $this->post(route('peer-sets.store', $dataset), $form);
        self::assertCount(2, $dataset->refresh()->asPeerSets());
    }

    public function testACellOfJsonStatIsARowIfItHasAValueOrAStatusForNone(): void
    {
        $dataset = [
            'version' => '2.0',
            'class' => 'dataset',
            'id' => ['geo', 'time'],
            'size' => [1, 4],
            'role' => ['time' => ['time'], 'geo' => ['geo']],
            'dimension' => [
                'geo' => ['category' => ['index' => ['a']]],
                'time' => ['category' => ['index' => ['2020', '2021', '2022', '2023']]],
            ],
            // The third has a status and is given as missing; the fourth is not given at all.
            'value' => ['0' => 1, '1' => 2, '2' => null],
            'status' => ['2' => 'c', '3' => 'c'],
        ];
        $rows = $this->written(JsonStatFile::class, (string) json_encode($dataset));
        $found = preg_match_all('/^a,.*\b(20\d\d)\b/m', implode("\n", $rows), $years);
        self::assertSame([3, ['2020', '2021', '2022']], [$found, $years[1]]);
    }

    public function testANumberWrittenAsATextInJsonIsNoFormula(): void
    {
        $rows = $this->written(JsonRecords::class, '[{"a": "-5", "b": "-5+A1"}, {"a": "+1.5", "b": "=A1"}]');
        self::assertSame(['a,b', '-5,\'-5+A1', '+1.5,\'=A1'], $rows);
    }

    public function testAMergedCellLeavesWhatItsNeighboursHold(): void
    {
        $book = new Spreadsheet();
        $sheet = $book->getActiveSheet();
        $sheet->fromArray([['2023', null, '2024'], ['a', 'b', 'c']]);
        $sheet->setCellValue('B1', 'own');
        $sheet->mergeCells('A1:B1', Worksheet::MERGE_CELL_CONTENT_HIDE);
        $sheet->mergeCells('A3:B3');
        $sheet->setCellValue('A3', 'both');
        $path = tempnam(sys_get_temp_dir(), 'dusk') . '.xlsx';
        (new Xlsx($book))->save($path);
        $workbook = Workbook::open($path);
        $workbook->write($workbook->tables()[0], "{$path}.csv");
        self::assertSame("2023,own,2024\na,b,c\nboth,both,\n", file_get_contents("{$path}.csv"));
        array_map(unlink(...), [$path, "{$path}.csv"]);
    }

    /**
     * @param class-string<JsonRecords|JsonStatFile> $format
     * @return list<string> the lines of its first table
     */
    private function written(string $format, string $content): array
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'dusk');
        file_put_contents($path, $content);
        $file = $format::open($path);
        $file->write($file->tables()[0], "{$path}.csv");
        $lines = explode("\n", trim((string) file_get_contents("{$path}.csv")));
        array_map(unlink(...), [$path, "{$path}.csv"]);

        return $lines;
    }
}
