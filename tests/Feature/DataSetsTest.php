<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Data\StoredData;
use App\Data\VersionKind;
use App\Data\Versions;
use App\Formats\Out\DatasetFormats;
use App\Models\Dataset;
use App\Models\ImportedFile;
use App\Models\Study;
use App\Models\Upload;
use DuskRail\Data\Benchmark;
use DuskRail\Data\MeasureKind;
use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\Line;
use DuskRail\Reading\NearNames;
use DuskRail\Time\Period;
use Illuminate\Support\Facades\DB;
use PhpOffice\PhpSpreadsheet\IOFactory;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Group;
use PHPUnit\Framework\Attributes\TestWith;
use ZipArchive;

/** A data set over time: brought up to date, revised, corrected, gone back, edited, handed on and read back. */
final class DataSetsTest extends ApplicationTestCase
{
    public function testAnUpdateShowsWhatItWouldChangeAndNamesThatAreAlmostKnown(): void
    {
        $study = $this->imported();
        $upload = $this->brought(
            "Utility,Month,Leakage (Ml)\nVeldmere " .
                "Ltd.,2024-03,28\nTarrow,2024-03,7\nTarrow,2024-04,8\nWendle,2024-04,1\n",
            'april.csv',
            $study->dataset,
        );
        // Veldmere Ltd. is not known yet, so its value would be a new one.
        $this->get(route('uploads.show', $upload))
            ->assertSee('2 names are not in the data set')
            ->assertSee('Use Veldmere')
            ->assertSee('3 new')
            ->assertDontSee(' 1 changed');
        $this->patch(route('uploads.update', $upload), ['same' => ['Veldmere Ltd.' => 'veldmere']])->assertSeeInOrder([
            '1 name is not in the data set',
            'Wendle',
            '2 new, 1 changed',
            '5 values',
            'The largest revisions',
            'Veldmere',
            'March 2024',
            '14',
            '28',
            '+100.0 %',
        ]);
        // In place of what was there, all that the file does not give would go.
        $this->patch(route('uploads.update', $upload), ['mode' => 'place'])->assertSee('2 new, 1 changed, 7 deleted');
        self::assertSame(1, $study->dataset->refresh()->version);
        $this->patch(route('uploads.update', $upload), ['mode' => 'over']);
        $this->post(route('imports.store', $upload))->assertOk();
        self::assertSame([10.0, 12.0, 28.0], array_slice($this->values($study, 'veldmere'), 0, 3));
        // The other name is known from now on.
        $again = $this->brought(
            "Utility,Month,Leakage (Ml)\nVeldmere Ltd.,2024-04,30\n",
            'more.csv',
            $study->dataset->refresh(),
        );
        $this->get(route('uploads.show', $again))->assertDontSee('not in the data set')->assertSee('1 new');
    }

    public function testFiguresInPlaceOfOthersLeaveNothingBehindAndCanBeGoneBackFrom(): void
    {
        $study = $this->imported();
        $dataset = $study->dataset;
        $before = serialize($study->data()->table('leakage')->series);
        $upload = $this->brought("Utility,Month,Leakage (Ml)\nVeldmere,2024-02,5\n", 'new.csv', $dataset);
        $this->patch(route('uploads.update', $upload), ['mode' => 'place']);
        $this->post(route('imports.store', $upload))->assertOk();
        self::assertSame(['veldmere' => [5.0]], $this->all($dataset));
        self::assertSame(
            [VersionKind::LaidOver, VersionKind::InPlace],
            ImportedFile::orderBy('version')->get()->map(static fn(ImportedFile $f): VersionKind => $f->kind)->all(),
        );
        $this->get(route('versions.show', [$dataset, 2]))->assertSee('Changes in this version: 1 changed, 8 deleted');
        $this->get(route('versions.show', [$dataset, 1]))
            ->assertSee('Changes in this version: 9 new')
            ->assertSee('Changes since then: 1 changed, 8 deleted');
        $this->get(route('datasets.figures', [$dataset, 'leakage', 'version' => 1]))
            ->assertSeeInOrder(['<td>10<', '<td>12<', '<td>14<'], false)
            ->assertDontSee('at=0', false);
        $this->post(route('versions.restore', [$dataset, 1]))->assertRedirect();
        self::assertSame(3, $dataset->refresh()->version);
        self::assertSame($before, serialize((new StoredData($dataset))->table('leakage')->series));
        // Where a value came from is known across all of it.
        self::assertSame('monthly.csv, row 4', $this->origin($dataset, 'veldmere', '2024-03'));
    }

    public function testASingleFigureIsCorrectedWithItsReasonAndTheCorrectionTakenBack(): void
    {
        $study = $this->imported();
        $dataset = $study->dataset;
        $this->get(route('datasets.figures', [$dataset, 'leakage', 'entity' => 'tarrow', 'at' => 1]))
            ->assertSee('Tarrow, February 2024')
            ->assertSee('monthly.csv, row 6');
        // Without a cell, or with one that is not there, the table alone is shown.
        foreach ([[], ['at' => -1], ['at' => 3], ['at' => 1, 'entity' => 'nobody']] as $none) {
            $this->get(route('datasets.figures', [$dataset, 'leakage', 'entity' => 'tarrow', ...$none]))
                ->assertOk()
                ->assertDontSee('monthly.csv, row');
        }
        $correct = [
            'measure' => 'leakage',
            'entity' => 'tarrow',
            'period' => '2024-02',
            'value' => '1,005.5',
            'status' => '1',
            'why' => 'meter read twice',
        ];
        $this->post(route('corrections.store', $dataset), [...$correct, 'why' => ''])->assertSessionHasErrors('why');
        $this->post(route('corrections.store', $dataset), [...$correct, 'value' => 'many'])->assertSessionHasErrors(
            'value',
        );
        $this->post(route('corrections.store', $dataset), [...$correct, 'period' => '2024'])->assertSessionHasErrors(
            'period',
        );
        self::assertSame(1, $dataset->refresh()->version);
        $this->post(route('corrections.store', $dataset), $correct)->assertRedirect();
        self::assertSame([5.0, 1005.5, 7.0], $this->values($study, 'tarrow'));
        $this->get(route('datasets.show', $dataset))
            ->assertSee('Tarrow, Leakage, February 2024: 5 → 1005.5')
            ->assertSee('meter read twice');
        // A value where there was none, and none where there was one.
        $this->post(route('corrections.store', $dataset), [
            ...$correct,
            'period' => '2024-05',
            'value' => '9',
            'status' => '0',
        ]);
        $this->post(route('corrections.store', $dataset), [
            ...$correct,
            'period' => '2024-01',
            'value' => '',
            'status' => '0',
        ]);
        self::assertSame([null, 1005.5, 7.0, null, 9.0], $this->values($study, 'tarrow'));
        foreach (ImportedFile::where('kind', 'correction')->get() as $file) {
            $this->delete(route('corrections.destroy', [$dataset, $file]))->assertRedirect();
        }
        self::assertSame([5.0, 5.0, 7.0], array_slice($this->values($study, 'tarrow'), 0, 3));
    }

    /**
     * Whatever is merged, replaced, corrected or restored: every version stays what it was, to the last bit.
     */
    #[Group('slow')]
    public function testEveryVersionStaysWhatItWas(): void
    {
        mt_srand(11);
        $study = $this->imported();
        $dataset = $study->dataset;
        $seen = [1 => $this->bits($dataset, 1)];
        for ($version = 2; $version <= 30; $version++) {
            $month = sprintf('2024-%02d', mt_rand(1, 9));
            match (mt_rand(0, 3)) {
                0 => (new Versions($dataset))->restore(mt_rand(1, $version - 1)),
                1 => $this->post(route('corrections.store', $dataset), [
                    'measure' => 'leakage',
                    'entity' => ['tarrow', 'veldmere'][mt_rand(0, 1)],
                    'period' => $month,
                    'value' => (string) mt_rand(-3, 99),
                    'status' => (string) mt_rand(0, 2),
                    'why' => 'x',
                ])->assertRedirect(),
                default => $this->revised(
                    $dataset,
                    "Utility,Month,Leakage (Ml)\nMarl,{$month}," .
                        mt_rand(0, 50) .
                        "\nTarrow,2024-0" .
                        mt_rand(1, 9) .
                        ",0.1\n",
                    ['over', 'over', 'place'][mt_rand(0, 2)],
                ),
            };
            self::assertSame($version, $dataset->refresh()->version);
            $seen[$version] = $this->bits($dataset, $version);
            // No series is in force twice.
            self::assertSame(
                [],
                DB::select(
                    'select 1 from series where until is null group by measure_id, entity_id having count(*) > 1',
                ),
            );
        }
        foreach ($seen as $version => $bits) {
            self::assertSame($bits, $this->bits($dataset, $version), "version {$version}");
        }
        self::assertGreaterThan(10, count(array_unique($seen)));
        $revision = (new Versions($dataset))->revision(1, 1);
        self::assertTrue($revision->isNone());
    }

    public function testAFreshFigureHasItsOwnStatusAndCellAndOneThatStaysKeepsThoseItHad(): void
    {
        $study = $this->imported(
            "Utility,Month,Leakage (Ml),Status\nVeldmere,2024-01,10,\nVeldmere,2024-02,12,p\nVeldmere,2024-03,14,p\n" .
                "Tarrow,2024-01,5,\nTarrow,2024-02,5,\nTarrow,2024-03,7,p\n",
        );
        $dataset = $study->dataset;
        self::assertSame(['veldmere' => 24289, 'tarrow' => 24290], $study->data()->unsettled('leakage'));
        // The final values of Veldmere; of Tarrow there is nothing new.
        $this->revised(
            $dataset,
            "Utility,Month,Leakage (Ml),Status\nVeldmere,2024-02,12.5,\nVeldmere,2024-03,14.5,\n",
            'over',
        );
        self::assertSame(['tarrow' => 24290], (new StoredData($dataset->refresh()))->unsettled('leakage'));
        self::assertSame(['veldmere' => 24289, 'tarrow' => 24290], (new StoredData($dataset, 1))->unsettled('leakage'));
        self::assertSame('revision.csv, row 2', $this->origin($dataset, 'veldmere', '2024-02'));
        self::assertSame('monthly.csv, row 2', $this->origin($dataset, 'veldmere', '2024-01'));
        // Gone back to the first version, a value comes from the first file again.
        (new Versions($dataset))->restore(1);
        self::assertSame('monthly.csv, row 3', $this->origin($dataset->refresh(), 'veldmere', '2024-02'));
    }

    public function testTwoMeasuresThatExchangeTheirNamesKeepTheirFormulasAndStudiesMeaningThem(): void
    {
        $study = $this->imported(
            "Utility,Month,Leakage (Ml),Water (Ml)\nVeldmere,2024-01,10,40\nVeldmere,2024-02,12,48\n",
        );
        $dataset = $study->dataset;
        $this->post(route('datasets.derive', $dataset), [
            'name' => 'Share lost',
            'formula' => 'Leakage ÷ Water × 100',
        ])->assertSessionHasNoErrors();
        $this->change($study, 'add-stop', ['stop' => 'formula'])->assertOk();
        $this->change($study, 'change-stop', ['id' => 's1', 'settings' => ['text' => 'here ÷ Water']])->assertOk();
        $before = $this->values($study, 'veldmere', 'share-lost');
        self::assertSame([25.0, 25.0], $before);
        $measures = $dataset->measures()->where('formula', '')->orderBy('id')->get();
        $renamed = [];
        foreach ($measures as $measure) {
            $other = $measure->name === 'Leakage' ? 'Water' : 'Leakage';
            $renamed[$measure->id] = ['name' => $other, 'unit' => 'Ml', 'kind' => 'flow', 'better' => 'neither'];
        }
        $this->patch(route('datasets.measures', $dataset), ['measures' => $renamed])->assertSessionHasNoErrors();
        self::assertSame('Water ÷ Leakage × 100', $dataset->measures()->where('name', 'Share lost')->value('formula'));
        self::assertSame($before, $this->values($study, 'veldmere', 'share-lost'));
        $stop = $study->refresh()->document()->rail->stops[0]->stop;
        self::assertSame('here ÷ Leakage', $stop->settings()['text'] ?? '');
    }

    private function revised(Dataset $dataset, string $content, string $way): void
    {
        $upload = $this->brought($content, 'revision.csv', $dataset);
        $this->patch(route('uploads.update', $upload), ['mode' => $way, 'duplicates' => 'last'])->assertOk();
        $this->post(route('imports.store', $upload))->assertOk();
    }

    /** Every value and status of a version, by entity and period. */
    private function bits(Dataset $dataset, int $version): string
    {
        $data = new StoredData($dataset->refresh(), $version);
        $table = $data->table('leakage');
        $told = [];
        foreach ($table->series as $key => $series) {
            foreach ($series->values as $i => $value) {
                if (!is_nan($value)) {
                    $told[] = "{$key} {$table->axis->period($i)->code()} " . bin2hex(pack('E', $value));
                }
            }
        }
        sort($told);

        return implode("\n", $told) . json_encode($data->unsettled('leakage'));
    }

    public function testAStudyFollowsTheNewestVersionUnlessItIsHeld(): void
    {
        $study = $this->imported();
        $this->post(route('studies.pin', $study), ['pinned' => '1']);
        $this->added($study, "Utility,Month,Leakage (Ml)\nVeldmere,2024-04,20\n", 'april.csv');
        $this->get(route('studies.show', $study))->assertSee('pinned to v1')->assertSee(': 14.0 in March 2024');
        $this->post(route('studies.pin', $study), ['pinned' => '0']);
        $this->get(route('studies.show', $study))->assertSee('20.0 in April 2024');
    }

    public function testWhatIsKnownOfADataSetIsEditedInPlaceAndStudiesFollow(): void
    {
        $study = $this->imported();
        $dataset = $study->dataset;
        $this->patch(route('datasets.update', $dataset), [
            'name' => 'Forum',
            'source' => 'The Forum',
            'licence' => 'open',
            'retrieved' => '3 May 2025',
            'notes' => 'by hand',
        ])->assertRedirect();
        $measure = $dataset->measures()->firstOrFail();
        $this->patch(route('datasets.measures', $dataset), [
            'measures' => [$measure->id => ['name' => '', 'unit' => 'm3', 'kind' => 'flow', 'better' => 'lower']],
        ])->assertSessionHasErrors();
        $this->patch(route('datasets.measures', $dataset), [
            'measures' => [
                $measure->id => [
                    'name' => 'Losses',
                    'unit' => 'm3',
                    'kind' => 'flow',
                    'better' => 'lower',
                    'decimals' => '3',
                ],
            ],
        ])->assertRedirect();
        $tarrow = $dataset->entities()->where('key', 'tarrow')->firstOrFail();
        $veldmere = $dataset->entities()->where('key', 'veldmere')->firstOrFail();
        $this->patch(route('datasets.entities', $dataset), [
            'entities' => [$tarrow->id => ['name' => 'Veldmere']],
        ])->assertSessionHasErrors('entities');
        $this->patch(route('datasets.entities', $dataset), [
            'home' => $tarrow->id,
            'entities' => [$tarrow->id => ['name' => 'Tarrow Water', 'group' => 'Coast', 'note' => 'renamed 2024']],
        ])->assertRedirect();
        $this->get(route('studies.show', $study))
            ->assertSeeInOrder(['Losses', 'm3 per month', 'Coast', 'Tarrow Water', '7.000'])
            ->assertSee('Source: The Forum; open; retrieved 3 May 2025');
        self::assertSame([true, false], [$tarrow->refresh()->home, $veldmere->refresh()->home]);
        // Files go on calling it by its old name.
        $this->added($study, "Utility,Month,Losses (m3)\nTarrow,2024-04,1\n", 'april.csv');
        self::assertSame(3, $dataset->entities()->count());
        $this->get(route('datasets.show', $dataset))->assertOk()->assertSee('renamed 2024');
    }

    public function testAMeasureIsWorkedOutFromOthersWithItsUnitAndFollowsTheirNames(): void
    {
        $study = $this->imported();
        $this->added(
            $study,
            'Utility,Month,Supplied ' .
                "(Ml)\nVeldmere,2024-01,100\nVeldmere,2024-02,100\nVeldmere,2024-03,200\nTarrow,2024-01,50\n",
            'supplied.csv',
        );
        $dataset = $study->dataset->refresh();
        foreach (
            [
                'Leakage ÷' => 'formula',
                'Gold ÷ 2' => 'formula',
                '3 × 2' => 'formula',
                'Leakage ÷ Supplied × 100' => null,
            ] as $formula => $wrong
        ) {
            $answer = $this->post(route('datasets.derive', $dataset), ['name' => 'Share lost', 'formula' => $formula]);
            $wrong === null
                ? $answer->assertSessionHas('message', '“Share lost” was added; its unit is %.')
                : $answer->assertSessionHasErrors($wrong);
        }
        $this->post(route('datasets.derive', $dataset), [
            'name' => 'share LOST',
            'formula' => 'Leakage',
        ])->assertSessionHasErrors('name');
        self::assertEqualsWithDelta([10.0, 12.0, 7.0], $this->values($study, 'veldmere', 'share-lost'), 1e-12);
        $this->post(route('studies.store', $dataset), ['measure' => 'share-lost']);
        $this->get(route('studies.show', Study::latest('id')->firstOrFail()))->assertSee('Share lost, %');
        // Its unit follows from the formula: another one is refused in words, and nothing is kept.
        $derived = $dataset->measures()->where('key', 'share-lost')->firstOrFail();
        $this->patch(route('datasets.measures', $dataset), [
            'measures' => [
                $derived->id => ['name' => 'Lost', 'unit' => 'tonnes', 'kind' => 'rate', 'better' => 'lower'],
            ],
        ])->assertSessionHasErrors([
            'measures' =>
                'The unit of Share lost follows from its formula: %. It cannot be “tonnes”. A power of ten ' .
                'in the formula changes the unit: kg ÷ 1,000 is t.',
        ]);
        self::assertSame('Share lost', $derived->refresh()->name);
        // Two calculated from each other cannot be: one names only measures that are stored.
        $this->post(route('datasets.derive', $dataset), [
            'name' => 'Twice',
            'formula' => 'Share lost × 2',
        ])->assertSessionHasErrors('formula');
        $this->post(route('corrections.store', $dataset), [
            'measure' => 'share-lost',
            'entity' => 'veldmere',
            'period' => '2024-01',
            'value' => '1',
            'status' => '0',
            'why' => 'x',
        ])->assertSessionHasErrors('value');
        // Another name goes into the formulas, those of studies as a step that can be undone.
        $this->change($study, 'add-stop', ['stop' => 'formula']);
        $this->change($study, 'change-stop', ['id' => 's1', 'settings' => ['text' => 'here ÷ Supplied']]);
        $supplied = $dataset->measures()->where('key', 'supplied')->firstOrFail();
        $this->patch(route('datasets.measures', $dataset), [
            'measures' => [
                $supplied->id => ['name' => 'Water $1 in', 'unit' => 'Ml', 'kind' => 'flow', 'better' => 'neither'],
            ],
        ])->assertRedirect();
        self::assertCount(3, array_filter($this->values($study, 'veldmere', 'share-lost')));
        self::assertSame('Rename Supplied to Water $1 in', $study->refresh()->undoable());
        $this->get(route('studies.show', $study))->assertOk()->assertSee('here ÷ Water $1 in');
        $this->get(route('datasets.out', [$dataset, 'csv']))->assertOk()->assertDontSee('Share lost');
    }

    /** Names, units and sources that a spreadsheet would run as formulas, in every format that spreadsheets open. */
    public function testNoTextLeavesAsAFormulaInAnyFormat(): void
    {
        $study = $this->imported(
            "Utility,Month,Leakage (Ml)\nVeldmere,2024-03,10\nTarrow,2024-01,5\nTarrow,2024-02,-6\n@Marl,2024-02,8\n",
        );
        $dataset = $study->dataset;
        $dataset->update(['name' => '=NAME()', 'source' => '+SOURCE()']);
        $dataset->measures()->update(['name' => '=LEAK()', 'unit' => '-Ml']);
        $dataset->entities()->where('key', 'tarrow')->update(['name' => '=TARROW()']);
        $this->change($study, 'state', ['entity' => 'tarrow', 'state' => 'focus'])->assertOk();
        $this->post(route('studies.copy', $study));
        $sparks = Study::latest('id')->firstOrFail();
        $this->change($sparks, 'view', ['view' => 'sparks'])->assertOk();
        $split = $this->imported(
            "Utility,=Sex(),Year,Staff\n=A(),+women,2023,1\n=A(),men,2023,2\n=A(),+women,2024,1\n=A(),men,2024,2\n" .
                "B,+women,2023,1\nB,men,2023,2\nB,+women,2024,1\nB,men,2024,2\n",
            'split.csv',
        )->dataset;
        self::assertCount(1, $split->asBreakdowns());
        $files = [
            'csv' => route('datasets.out', [$dataset, 'csv']),
            ...array_combine(
                ['split.csv', 'split.xlsx', 'split.ods'],
                array_map(static fn(string $f): string => route('datasets.out', [$split, $f]), ['csv', 'xlsx', 'ods']),
            ),
            'sparks.csv' => route('hand-over', [$sparks, 'csv']),
            'xlsx' => route('datasets.out', [$dataset, 'xlsx']),
            'ods' => route('datasets.out', [$dataset, 'ods']),
            'figures.csv' => route('hand-over', [$study, 'csv']),
            'figures.xlsx' => route('hand-over', [$study, 'xlsx']),
        ];
        foreach ($files as $name => $address) {
            $path = sys_get_temp_dir() . '/' . uniqid('dusk') . ".{$name}";
            file_put_contents($path, (string) $this->get($address)->assertOk()->getContent());
            $texts = [];
            foreach (IOFactory::load($path)->getAllSheets() as $sheet) {
                foreach ($sheet->getCellCollection()->getCoordinates() as $at) {
                    $value = $sheet->getCell($at)->getValue();
                    self::assertFalse($sheet->getCell($at)->isFormula(), "{$name} {$at}");
                    $texts[] = is_scalar($value) ? (string) $value : '';
                }
            }
            unlink($path);
            $running = array_filter(
                $texts,
                static fn(string $text): bool => !is_numeric($text) && preg_match('/^[=+\-@\t\r]/', $text) === 1,
            );
            // In the workbook of values texts are cells of text, which no program runs, and stay as they are.
            if ($name !== 'figures.xlsx') {
                self::assertSame([], array_values($running), $name);
            }
            if (str_starts_with($name, 'split')) {
                self::assertContains("'=Sex()", $texts, $name);
                self::assertContains("'+women", $texts, $name);
                continue;
            }
            if ($name !== 'figures.xlsx') {
                self::assertContains("'=TARROW()", $texts, $name);
                self::assertContains("'@Marl", $texts, $name);
            }
            if ($name === 'sparks.csv') {
                continue;
            }
            // The periods are in the order of time, whatever order they came in.
            $periods = array_values(
                array_unique(array_filter($texts, static fn(string $t): bool => preg_match('/^2024-\d\d$/', $t) === 1)),
            );
            $ordered = $periods;
            sort($ordered);
            self::assertSame($name === 'csv' ? $periods : $ordered, $periods, $name);
            self::assertCount(3, $periods, $name);
        }
    }

    public function testPeriodsOfAJsonStatFileStandInTheOrderOfTime(): void
    {
        $study = $this->imported("Utility,Month,Leakage (Ml)\nA,2024-03,1\nA,2024-01,2\nB,2024-02,3\nB,2024-01,4\n");
        $stat = json_decode(
            (string) $this->get(route('datasets.out', [$study->dataset, 'json-stat']))->getContent(),
            true,
        );
        self::assertStringContainsString('["2024-01","2024-02","2024-03"]', (string) json_encode($stat));
        self::assertIsArray($stat);
        // Months of A, then of B; what is not there is left out.
        self::assertStringContainsString('{"0":2,"2":1,"3":4,"4":3}', (string) json_encode($stat));
    }

    public function testTextsOfJsonRecordsStayAsTheyAreWritten(): void
    {
        $records = [];
        foreach (['=1+1', "'=1+1", '-', '@Marl'] as $name) {
            $records[] = ['Utility' => $name, 'Year' => 2023, 'Leakage (Ml)' => 3];
            $records[] = ['Utility' => $name, 'Year' => 2024, 'Leakage (Ml)' => 4];
        }
        $study = $this->imported((string) json_encode($records), 'records.json');
        self::assertSame(
            ['=1+1', "'=1+1", '-', '@Marl'],
            $study->dataset->entities()->orderBy('id')->pluck('name')->all(),
        );
    }

    #[DataProvider('formats')]
    #[Group('slow')]
    public function testADataSetIsHandedOnAndReadBackToTheLastBit(string $format): void
    {
        $study = $this->imported(
            'Utility,Month,Leakage ' .
                "(Ml),Status\n=1+1,2024-01,0.1,\n=1+1,2024-02,0,p\n=1+1,2024-04,-12.30000000000001,\n" .
                "Tarrow,2024-02,1e-7,e\nTarrow,2024-03,123456789.123,\n",
        );
        $this->added(
            $study,
            "Utility,Measure,Unit,2022,2023\n=1+1,Staff,people,3,4\nTarrow,Staff,people,5,\n=1+1,Cost " .
                "per head,EUR,1.5,2.25\n",
            'yearly.csv',
        );
        $dataset = $study->dataset->refresh();
        $dataset->measures()->where('key', 'leakage')->update(['better' => 'lower']);
        $dataset->update(['licence' => 'Open Data 1.0']);
        $content = (string) $this->get(route('datasets.out', [$dataset, $format]))->assertOk()->getContent();
        $ending = DatasetFormats::ALL[$format]::ending();
        $path = (string) tempnam(sys_get_temp_dir(), 'dusk');
        file_put_contents($path, $content);
        $back = null;
        // A file with several tables is brought a table at a time.
        $first = $this->brought($content, "back.{$ending}");
        $tables = $first->sheets ?? [''];
        foreach ($tables as $i => $table) {
            $upload = $i === 0 && $table === $first->sheet ? $first : $this->brought($content, "back.{$ending}", $back);
            if ($table !== '' && $upload->sheet !== $table) {
                $this->patch(route('uploads.update', $upload), ['sheet' => $table])->assertOk();
            }
            $this->post(
                route('imports.store', Upload::findOrFail($upload->id)),
                $back === null ? ['name' => 'Back'] : [],
            )->assertOk();
            $back ??= Dataset::latest('id')->firstOrFail();
            $back->refresh();
        }
        unlink($path);
        self::assertNotNull($back);
        self::assertSame($this->told($dataset), $this->told($back));
        if ($format === 'package') {
            self::assertStringContainsString('Open Data 1.0', self::unzipped($content, 'datapackage.json'));
        }
        if (in_array($format, ['csv', 'xlsx'], true)) {
            self::assertStringNotContainsString(',=1+1', $content);
        }
    }

    private static function unzipped(string $content, string $name): string
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'dusk');
        file_put_contents($path, $content);
        $zip = new ZipArchive();
        $zip->open($path);
        $text = (string) $zip->getFromName($name);
        $zip->close();
        unlink($path);

        return $text;
    }

    /** @return iterable<string, array{string}> */
    public static function formats(): iterable
    {
        foreach (array_keys(DatasetFormats::ALL) as $format) {
            yield $format => [$format];
        }
    }

    #[Group('slow')]
    public function testAJsonStatFileOfAnOfficeIsRead(): void
    {
        // After the sample “OECD: unemployment” of json-stat.org, values made up; the structure from memory.
        $json = json_encode(
            [
                'version' => '2.0',
                'class' => 'dataset',
                'label' => 'Unemployment rate',
                'source' => 'An office',
                'id' => ['concept', 'area', 'year'],
                'size' => [1, 2, 3],
                'role' => ['time' => ['year'], 'geo' => ['area'], 'metric' => ['concept']],
                'value' => [5.9, 5.3, null, 4.2, 4.8, 5.5],
                'status' => ['5' => 'p'],
                'dimension' => [
                    'concept' => [
                        'category' => [
                            'label' => ['UNR' => 'Unemployment rate'],
                            'unit' => ['UNR' => ['label' => '%', 'decimals' => 1]],
                        ],
                    ],
                    'area' => [
                        'category' => [
                            // A code that looks like a year is none where it is an area's.
                            'index' => ['2002' => 1, 'AA' => 0],
                            'label' => ['AA' => 'Aland', '2002' => "'=Bland"],
                        ],
                    ],
                    'year' => ['category' => ['index' => ['2003', '2004', '2005']]],
                ],
            ],
            JSON_THROW_ON_ERROR,
        );
        $study = $this->imported($json, 'rates.json');
        self::assertSame(
            ['Unemployment rate', '%', 'rate', 'year'],
            [
                ...array_values(
                    $study->dataset
                        ->measures()
                        ->firstOrFail()
                        ->only(['name', 'unit']),
                ),
                $study->dataset->measures()->firstOrFail()->kind->value,
                $study->dataset->measures()->firstOrFail()->frequency->value,
            ],
        );
        self::assertSame(
            [[5.9, 5.3], [4.2, 4.8, 5.5]],
            [
                array_slice($this->values($study, 'aland', 'unemployment-rate'), 0, 2),
                $this->values($study, 'bland', 'unemployment-rate'),
            ],
        );
        self::assertSame("'=Bland", $study->data()->entities()['bland']->name);
        self::assertArrayHasKey('bland', $study->data()->unsettled('unemployment-rate'));
        foreach (
            [
                '{"version": "2.0", "class": ' => 'is not valid JSON',
                '{"class": "collection", "link": {"item": [{"href": "http://elsewhere.example"}]}}' =>
                    'has no JSON-stat data',
                '{"class": "dataset", "value": [' .
                str_repeat('1,', 20_500_000) .
                '1]}' => 'The file is 41 MB of JSON, which is too large',
            ] as $broken => $said
        ) {
            $this->from('/')->followingRedirects()->bring($broken, 'broken.json')->assertSee($said);
        }
    }

    #[Group('slow')]
    public function testADataPackageOfOthersIsReadAndWhatLiesOutsideIsNotFetched(): void
    {
        $study = $this->imported(
            $this->package(
                [
                    'resources' => [
                        ['name' => 'sales', 'path' => 'data/sales.csv', 'schema' => ['missingValues' => ['nil']]],
                    ],
                ],
                ['data/sales.csv' => "shop;month;sales\nNorth;2024-01;1,5\nNorth;2024-02;nil\nNorth;2024-03;2,5\n"],
            ),
            'shops.zip',
        );
        self::assertSame([1.5, null, 2.5], $this->values($study, 'north', 'sales'));
        foreach (
            [
                'elsewhere' => ['http://elsewhere.example/x.csv', 'refers to a file outside itself'],
                'above it' => ['../../etc/passwd', 'refers to a file outside itself'],
                'not there' => ['data/none.csv', 'does not contain “data/none.csv”'],
            ] as [$path, $said]
        ) {
            $this->from('/')
                ->followingRedirects()
                ->bring($this->package(['resources' => [['name' => 'x', 'path' => $path]]], []), 'bad.zip')
                ->assertSee($said);
        }
        $inline = $this->imported(
            (string) json_encode([
                'resources' => [
                    [
                        'name' => 'inside',
                        'data' => [
                            ['shop' => 'South', 'year' => 2022, 'visits' => 3],
                            ['shop' => 'South', 'year' => 2023, 'visits' => 4],
                        ],
                    ],
                ],
            ]),
            'datapackage.json',
        );
        self::assertSame([3.0, 4.0], $this->values($inline, 'south', 'visits'));
    }

    public function testNamesAndUnitsOfJsonStatStayAsTheyAreWritten(): void
    {
        $json = json_encode(
            [
                'version' => '2.0',
                'class' => 'dataset',
                'id' => ['what', 'area', 'year'],
                'size' => [2, 2, 2],
                'role' => ['time' => ['year'], 'geo' => ['area'], 'metric' => ['what']],
                'value' => [1, 2, 3, 4, 5, 6, 7, 8],
                'dimension' => [
                    'what' => [
                        'category' => [
                            'index' => ['a', 'b'],
                            'label' => ['a' => "'=Bursts", 'b' => '-Leaks'],
                            'unit' => ['a' => ['label' => "'=number"], 'b' => ['label' => '+Ml']],
                        ],
                    ],
                    'area' => ['category' => ['index' => ['x', 'y'], 'label' => ['x' => 'Aland', 'y' => 'Bland']]],
                    'year' => ['category' => ['index' => ['2003', '2004']]],
                ],
            ],
            JSON_THROW_ON_ERROR,
        );
        $study = $this->imported($json, 'rates.json');
        self::assertSame(
            [["'=Bursts", "'=number"], ['-Leaks', '+Ml']],
            $study->dataset->measures()->orderBy('id')->get()->map(static fn($m): array => [$m->name, $m->unit])->all(),
        );
    }

    public function testAJsonStatFileThatSaysNothingOfItsDimensionsIsReadByTheirNames(): void
    {
        $json = json_encode(
            [
                'version' => '2.0',
                'class' => 'dataset',
                'label' => 'Bursts',
                'id' => ['area', 'year'],
                'size' => [2, 3],
                'value' => [1, 2, 3, 4, 5, 6],
                'dimension' => [
                    'area' => ['category' => ['index' => ['x', 'y'], 'label' => ['x' => 'Aland', 'y' => 'Bland']]],
                    'year' => ['category' => ['index' => ['2003', '2004', '2005']]],
                ],
            ],
            JSON_THROW_ON_ERROR,
        );
        $study = $this->imported($json, 'bursts.json');
        self::assertSame([4.0, 5.0, 6.0], $this->values($study, 'bland', 'bursts'));
    }

    public function testAnSdmxTableIsRead(): void
    {
        // SDMX-CSV 1.0: a column a dimension, then TIME_PERIOD and OBS_VALUE, then attributes; from memory.
        $study = $this->imported(
            "DATAFLOW,FREQ,REF_AREA,TIME_PERIOD,OBS_VALUE,OBS_STATUS,UNIT_MEASURE\n" .
                "X:FLOW(1.0),M,NO,2024-01,1.5,A,PC\nX:FLOW(1.0),M,NO,2024-02,1.6,P,PC\n" .
                "X:FLOW(1.0),M,SE,2024-01,2.5,A,PC\nX:FLOW(1.0),M,SE,2024-02,,M,PC\n",
            'flow.csv',
        );
        self::assertSame([1.5, 1.6], $this->values($study, 'no', 'flow'));
        self::assertSame('%', $study->dataset->measures()->firstOrFail()->unit);
        self::assertArrayHasKey('no', $study->data()->unsettled('flow'));
    }

    #[TestWith(['Veldmere Water Co.', 'Veldmere Water'])]
    #[TestWith(['VELDMERE-WATER', 'Veldmere Water'])]
    #[TestWith(['Veldmeer Water', 'Veldmere Water'])]
    #[TestWith(['The Tarrow Company Ltd', 'Tarrow'])]
    #[TestWith(['Tarrow (Estuary)', 'Tarrow'])]
    #[TestWith(['Tarrowby', 'Tarrow'])]
    #[TestWith(['Marlow', null])]
    #[TestWith(['Brackenmouth', null])]
    public function testANameIsNearAnother(string $name, ?string $near): void
    {
        self::assertSame($near, NearNames::of($name, ['Veldmere Water', 'Tarrow', 'Marl Haven', 'Brackenridge']));
    }

    /**
     * @param array<string, mixed> $descriptor
     * @param array<string, string> $files
     */
    private function package(array $descriptor, array $files): string
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'dusk');
        $zip = new ZipArchive();
        $zip->open($path, ZipArchive::OVERWRITE);
        foreach (['datapackage.json' => (string) json_encode($descriptor), ...$files] as $name => $content) {
            $zip->addFromString($name, $content);
        }
        $zip->close();
        $content = (string) file_get_contents($path);
        unlink($path);

        return $content;
    }

    /** @return list<float|null> */
    private function values(Study $study, string $entity, string $measure = 'leakage'): array
    {
        return array_map(
            static fn(float $v): ?float => is_nan($v) ? null : $v,
            (new StoredData($study->dataset->refresh()))->table($measure)->series[$entity]->values,
        );
    }

    /** @return array<string, list<float|null>> of leakage, by entity */
    private function all(Dataset $dataset): array
    {
        $all = [];
        foreach ((new StoredData($dataset->refresh()))->table('leakage')->series as $key => $series) {
            $all[(string) $key] = array_map(static fn(float $v): ?float => is_nan($v) ? null : $v, $series->values);
        }

        return $all;
    }

    private function origin(Dataset $dataset, string $entity, string $period): string
    {
        $origin = (new StoredData($dataset))->origin('leakage', $entity, Period::parse($period)->ordinal);

        return $origin === null ? '' : "{$origin->file}, row {$origin->row}";
    }

    /** @return list<string> every value with all that is known of it, doubles by their bits */
    private function told(Dataset $dataset): array
    {
        $data = new StoredData($dataset);
        $told = [];
        foreach ($dataset->measures()->get() as $measure) {
            $table = $data->table($measure->key);
            $statuses = $data->unsettled($measure->key);
            foreach ($table->series as $series) {
                foreach ($series->values as $i => $value) {
                    if (!is_nan($value)) {
                        $told[] = implode('|', [
                            $data->entities()[$series->key]->name,
                            $measure->name,
                            $measure->unit,
                            $measure->kind->value,
                            $measure->better->value,
                            $table->axis->period($i)->code(),
                            bin2hex(pack('E', $value)),
                        ]);
                    }
                }
                $told[] =
                    "{$measure->name} unsettled {$data->entities()[$series->key]->name} " .
                    ($statuses[$series->key] ?? '');
            }
        }
        sort($told);

        return $told;
    }

    public function testTheKindOfAMeasureIsChangedFromTheStudyThatRefusesIt(): void
    {
        $study = $this->imported("Court,Month,Pending cases\nA,2024-01,10\nA,2024-02,12\nB,2024-01,5\nB,2024-02,5\n");
        $this->change($study, 'add-stop', ['stop' => 'running-total'])
            ->assertStatus(422)
            ->assertSee('change the type in the first stop if it is a flow');
        $to = fn(array $with) => $this->patch(route('studies.kind', $study), ['measure' => 'pending-cases', ...$with]);
        $to(['kind' => 'heap'])->assertSessionHasErrors('kind');
        $to(['kind' => 'flow', 'measure' => 'nobody'])->assertSessionHasErrors('measure');
        $to(['kind' => 'flow'])->assertOk()->assertSee('Pending cases is a flow (can be summed over time) now');
        $this->change(Study::findOrFail($study->id), 'add-stop', ['stop' => 'running-total'])->assertOk();
        $to(['kind' => 'rate', 'per' => 'pending-cases'])->assertOk();
        $this->get(route('editors.show', [$study, 'editor-origin']))->assertSee('Weighted by');
        $measure = Study::findOrFail($study->id)->data()->measures()['pending-cases'];
        self::assertSame([MeasureKind::Rate, 'pending-cases'], [$measure->kind, $measure->per]);
        self::assertSame(
            MeasureKind::Rate,
            (new StoredData($study->dataset->refresh(), null, false))->measures()['pending-cases']->kind,
        );
    }

    public function testABenchmarkComesInWithAnUpdateAndStaysWhatSomebodySaysItIs(): void
    {
        $study = $this->imported();
        $dataset = $study->dataset;
        $median = Comparison::of($study->document(), $study->data())->peerLine;
        $file = static fn(string $last): string => "Utility,Month,Leakage (Ml)\nNational average,2024-01,{$last}\n" .
            "National average,2024-02,5\n";
        $upload = $this->brought($file('4'), 'average.csv', $dataset);
        $this->patch(route('uploads.update', $upload))
            ->assertSee('“National average” is a benchmark: shown, and neither a peer nor part of a sum.', false)
            ->assertSee('name="benchmarks[National average]"', false);
        $this->post(route('imports.store', $upload))->assertOk();
        $study = Study::findOrFail($study->id);
        $comparison = Comparison::of($study->document(), $study->data());
        self::assertSame($median, $comparison->peerLine);
        $average = array_values(array_filter($comparison->lines, static fn($line): bool => $line->isBenchmark()));
        self::assertSame(['National average'], array_column($average, 'name'));

        // On the page of the data set it is changed with one choice, which the next file leaves as it is.
        $id = $dataset->entities()->where('key', 'national-average')->firstOrFail()->id;
        $this->get(route('datasets.show', $dataset))->assertSee('aria-label="National average as a benchmark"', false);
        $say = fn(string $kind) => $this->patch(route('datasets.entities', $dataset), [
            'entities' => [$id => ['name' => 'National average', 'benchmark' => $kind]],
        ]);
        $say('never')->assertSessionHasErrors();
        self::assertSame('mean', self::kindOf($dataset));
        $say('')->assertRedirect();
        self::assertSame('', self::kindOf($dataset));
        $upload = $this->brought($file('6'), 'average.csv', $dataset);
        $this->post(route('imports.store', $upload))->assertOk();
        self::assertSame('', self::kindOf($dataset));

        // Nor is anything changed by another column of the preview, for which all rows are sent.
        $say('other')->assertRedirect();
        $upload = $this->brought($file('7'), 'average.csv', $dataset);
        $rows = ['rows' => [0 => 'heading', 1 => 'other', 2 => 'other']];
        $this->patch(route('uploads.update', $upload), $rows)->assertOk();
        $this->post(route('imports.store', $upload))->assertOk();
        self::assertSame('other', self::kindOf($dataset));
        $upload = $this->brought($file('8'), 'average.csv', $dataset);
        $this->patch(route('uploads.update', $upload), ['benchmarks' => ['National average' => 'target']])->assertOk();
        $this->post(route('imports.store', $upload))->assertOk();
        self::assertSame('target', self::kindOf($dataset));
    }

    /** @phpstan-impure */
    private static function kindOf(Dataset $dataset): string
    {
        $average = (new StoredData($dataset->refresh()))->entities()['national-average'];

        return Benchmark::in($average->attributes)->value ?? '';
    }

    /**
     * Marl and Tarrow become Marltar in March: 3 + 5 and 4 + 6 before, its own 20 from then on. Waste per head is
     * weighed by people; what a rate is per that nobody knows is not joined.
     */
    /** Alpha is dissolved into Beta, which keeps its name; the year that Beta lacks has no sum, and not that of Alpha. */
    public function testOneEntityIsMergedIntoAnotherThatKeepsItsName(): void
    {
        $rows = "Utility,Year,Leakage (Ml),Region,Class\n";
        foreach (range(2010, 2023) as $year) {
            $rows .= $year < 2021 ? "Alpha,{$year},100,North,small\n" : '';
            $rows .= $year === 2020 ? '' : "Beta,{$year}," . ($year < 2021 ? 200 : 310) . ",North,large\n";
            $rows .= "Gamma,{$year},50,South,small\n";
        }
        $study = $this->imported($rows);
        $dataset = $study->dataset;
        $alpha = $dataset->entities()->where('key', 'alpha')->value('id');
        $form = ['parts' => [$alpha], 'whole' => 'Beta', 'from' => '2021', 'back' => '1'];
        $this->post(route('mergers.store', $dataset), [...$form, 'whole' => 'Nobody'])->assertSessionHasErrors('parts');
        $this->post(route('mergers.store', $dataset), $form)->assertSessionHas('message');
        $data = new StoredData($dataset->refresh());
        $values = static fn(string $entity): array => array_map(
            static fn(float $v): ?float => is_nan($v) ? null : $v,
            $data->table('leakage')->series[$entity]->values,
        );
        self::assertSame([...array_fill(0, 10, 300.0), null, 310.0, 310.0, 310.0], $values('beta'));
        self::assertSame([...array_fill(0, 11, 100.0), null, null, null], $values('alpha'));
        self::assertSame(['Beta', false], [$data->entities()['alpha']->partOf, $data->entities()['beta']->isApart()]);
        self::assertSame('large', $data->entities()['beta']->attributes['Class'] ?? '');
        $this->get(route('datasets.show', $dataset))->assertSee('Alpha merged into Beta in 2021');
        // Whose values are those that still come in under the old name is asked.
        $upload = $this->brought("Utility,Year,Leakage (Ml)\nAlpha,2024,330\nGamma,2024,51\n", 'next.csv', $dataset);
        $this->get(route('uploads.show', $upload))->assertSeeInOrder([
            '1 name has merged into another entity',
            'Keep with Alpha, which is no longer compared',
            'Values of Beta',
        ]);
        $this->patch(route('uploads.update', $upload), ['same' => ['Alpha' => 'beta']])
            ->assertOk()
            ->assertDontSee('has merged into another entity');
        $this->post(route('imports.store', $upload))->assertOk();
        $next = (new StoredData($dataset->refresh()))->table('leakage')->series;
        self::assertSame(330.0, $next['beta']->values[14]);
        self::assertNan($next['alpha']->values[14]);
        // Without its history it keeps its own.
        (new Versions($dataset))->restore(1);
        $this->post(route('mergers.store', $dataset), ['back' => '', ...array_diff_key($form, ['back' => 1])]);
        $own = (new StoredData($dataset->refresh()))->table('leakage')->series['beta']->values;
        self::assertSame([200.0, 310.0], [$own[0], $own[13]]);
    }

    public function testAMergerJoinsValuesIsAVersionAndIsUndoneByGoingBack(): void
    {
        $study = $this->imported(
            "Utility,Month,Leakage (Ml),People,Waste per person (kg),Score (%)\n" .
                "Veldmere,2024-01,9,100,1,50\nVeldmere,2024-02,9,101,1,51\nVeldmere,2024-03,9,100,2,50\n" .
                "Marl,2024-01,3,10,2,10\nMarl,2024-02,4,11,2,11\nMarl,2024-03,4,10,2,10\n" .
                "Tarrow,2024-01,5,30,6,20\nTarrow,2024-02,6,33,6,21\n" .
                "Marltar,2024-03,20,44,5,30\n",
        );
        $dataset = $study->dataset;
        $ids = $dataset->entities()->whereIn('key', ['marl', 'tarrow'])->pluck('id')->all();
        $form = ['parts' => $ids, 'whole' => 'Marltar', 'from' => '2024-03', 'back' => '1'];
        $this->get(route('datasets.show', $dataset))->assertSee('Record merger');
        foreach (
            [
                'at least two' => [...$form, 'parts' => [$ids[0]], 'whole' => 'Somebody new'],
                'not a period' => [...$form, 'from' => 'spring'],
            ] as $said => $wrong
        ) {
            $this->from(route('datasets.show', $dataset))
                ->followingRedirects()
                ->post(route('mergers.store', $dataset), $wrong)
                ->assertSee($said);
        }
        self::assertSame(1, $dataset->refresh()->version);
        $this->post(route('mergers.store', $dataset), $form)->assertSessionHas(
            'message',
            static fn(string $said): bool => str_contains($said, 'Marltar is the merged entity'),
        );
        self::assertSame(2, $dataset->refresh()->version);
        $values = static fn(string $measure, string $entity): array => array_map(
            static fn(float $v): ?float => is_nan($v) ? null : round($v, 6),
            (new StoredData(Dataset::findOrFail($dataset->id)))->table($measure)->series[$entity]->values,
        );
        self::assertSame([8.0, 10.0, 20.0], $values('leakage', 'marltar'));
        self::assertSame([3.0, 4.0, null], $values('leakage', 'marl'));
        // 2 and 6 kg of 10 and 30 people.
        self::assertSame([5.0, 5.0, 5.0], $values('waste-per-person', 'marltar'));
        self::assertSame([null, null, 30.0], $values('score', 'marltar'));
        $after = new StoredData($dataset);
        self::assertSame(
            [true, true, false],
            array_map(static fn(string $key): bool => $after->entities()[$key]->isApart(), [
                'marl',
                'tarrow',
                'marltar',
            ]),
        );
        $comparison = Comparison::of($study->refresh()->document(), $after);
        self::assertSame(
            ['veldmere', 'marltar'],
            array_values(
                array_filter(
                    array_map(static fn(Line $l): string => $l->key, $comparison->lines),
                    static fn(string $key): bool => !$after->entities()[$key]->isApart(),
                ),
            ),
        );
        self::assertFalse($after->entities()['marltar']->home);
        // A study of the version before still sees two.
        self::assertFalse((new StoredData($dataset, 1))->entities()['marl']->isApart());
        $this->post(route('versions.restore', [$dataset, 1]));
        self::assertSame([3.0, 4.0, 4.0], $values('leakage', 'marl'));
        self::assertSame([null, null, 20.0], $values('leakage', 'marltar'));
        self::assertFalse((new StoredData($dataset->refresh()))->entities()['marl']->isApart());
    }

    public function testAMergedEntityHasTheAttributesThatAllItsPartsHave(): void
    {
        $dataset = $this->imported()->dataset;
        $about = ['group' => 'Inland', 'Size' => 'small'];
        $dataset->entities()->where('key', 'marl')->update(['about' => json_encode($about)]);
        $dataset->entities()->where('key', 'tarrow')->update(['about' => json_encode([...$about, 'group' => 'Coast'])]);
        $parts = $dataset->entities()->whereIn('key', ['marl', 'tarrow'])->pluck('id')->all();
        $this->post(route('mergers.store', $dataset), [
            'parts' => $parts,
            'whole' => 'Marltar',
            'from' => '2024-02',
            'back' => '1',
        ])->assertRedirect();
        self::assertSame(['Size' => 'small'], $dataset->entities()->where('name', 'Marltar')->firstOrFail()->about);
    }
}
