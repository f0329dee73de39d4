<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Data\StoredData;
use App\Formats\DelimitedFile;
use App\Formats\JsonRecords;
use App\Formats\JsonStatFile;
use App\Formats\PxFile;
use App\Formats\TableSource;
use App\Formats\TableSources;
use App\Formats\TabularPackage;
use App\Formats\Workbook;
use App\Maintenance\Cleanup;
use App\Models\Dataset;
use App\Models\EntityAlias;
use App\Models\ImportedFile;
use App\Models\Measure;
use App\Models\StoredSeries;
use App\Models\Study;
use App\Models\Upload;
use Bench\BenchData;
use DuskRail\Reading\NotATable;
use Illuminate\Http\UploadedFile;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Group;
use PHPUnit\Framework\Attributes\TestWith;

final class BringingFilesTest extends ApplicationTestCase
{
    public function testAFileIsShownAsUnderstoodAndNothingIsStoredUntilItIsConfirmed(): void
    {
        $upload = $this->brought(self::MONTHLY);
        $this->get(route('uploads.show', $upload))
            ->assertOk()
            ->assertSee('Leakage of 3 utilities, January 2024 to March 2024')
            ->assertSee('9 values, 3 monthly periods, no gaps')
            ->assertSee('“Month” contains periods, for example 2024-01', false);
        self::assertSame([0, 0], [Dataset::count(), StoredSeries::count()]);

        $this->post(route('imports.store', $upload), ['name' => 'Returns', 'source' => 'Forum', 'home' => 'Tarrow'])
            ->assertOk()
            ->assertHeader('HX-Redirect', route('studies.show', Study::firstOrFail()));
        self::assertSame(['Tarrow'], Dataset::firstOrFail()->entities()->where('home', true)->pluck('name')->all());
        self::assertSame([0, false], [Upload::count(), is_file($upload->path())]);
        $this->get(route('studies.show', Study::firstOrFail()))
            ->assertOk()
            ->assertSee('Leakage, Ml per month')
            ->assertSeeText('Tarrow: 7.0 in March 2024');
    }

    public function testEveryGuessCanBeChangedAndTheDirectionSwapped(): void
    {
        $upload = $this->brought("Month,Veldmere,Tarrow\nJan 2024,1,2\nFeb 2024,3,4\n", 'supply.csv');
        $this->get(route('uploads.show', $upload))->assertSee('Supply of 2 entities, January 2024 to February 2024');
        $this->patch(route('uploads.update', $upload), ['shape' => 'periods-across'])
            ->assertOk()
            ->assertSee('No values can be read with this layout')
            ->assertSee('“Veldmere”', false)
            ->assertSee('a period as header');
        $this->patch(route('uploads.update', $upload), ['shape' => 'entities-across'])->assertSee('2 entities');
        $this->patch(route('uploads.update', $upload), [
            'measureName' => 'Supply',
            'measures' => ['Supply' => ['unit' => 'Ml', 'kind' => 'stock', 'better' => 'higher']],
        ])
            ->assertOk()
            ->assertSee('<legend>Supply</legend>', false);
        $this->post(route('imports.store', $upload), ['name' => 'Supply'])->assertOk();
        $measure = Dataset::firstOrFail()->measures()->firstOrFail();
        self::assertSame(
            ['Supply', 'Ml', 'stock', 'higher', 'month'],
            [
                $measure->name,
                $measure->unit,
                $measure->kind->value,
                $measure->better->value,
                $measure->frequency->value,
            ],
        );
    }

    public function testAColumnIsMadeThePartOfTheYearWhateverItsHeading(): void
    {
        $rows = "Year;Stage;Plant;Output\n";
        foreach ([2022, 2023] as $year) {
            foreach (['I', 'II', 'III', 'IV'] as $n => $part) {
                $rows .= "{$year};{$part};Alder;{$n}\n{$year};{$part};Birch;2{$n}\n";
            }
        }
        $upload = $this->brought($rows, 'output.csv');
        $this->patch(route('uploads.update', $upload), ['roles' => [1 => 'month']])
            ->assertOk()
            ->assertSee('Output of 2 plants, Q1 2022 to Q4 2023')
            ->assertSee('“Year” and “Stage” together give the date', false);
    }

    public function testTheWritingTheHeadingsAndTheColumnsOfFiguresCanBeCorrected(): void
    {
        $upload = $this->brought(
            "Utility\tMonth\tNote\tLeakage (Ml)\tBursts\nStra\xDFe\t2024-01\t1,5\t2\t3\nWeiler\t2024-01\t1,5\t4\t5\n",
        );
        $see = fn(array $correction) => $this->patch(route('uploads.update', $upload), $correction)->assertOk();
        $see([])->assertSee('Straße')->assertSee('<option value="tab" selected>Tab</option>', false);
        $see(['roles' => [2 => 'out', 4 => 'out']])
            ->assertSee('2 values, 1 monthly')
            ->assertSee('<legend>Leakage</legend>', false);
        $see(['measures' => ['Leakage' => ['unit' => '', 'kind' => 'stock']]])->assertSee(
            'name="measures[Leakage][unit]" value=""',
            false,
        );
        // What was said of the unit stays, whatever other columns become.
        $see(['roles' => [2 => 'figures', 4 => 'figures']])
            ->assertSee('name="measures[Leakage][unit]" value=""', false)
            ->assertSee('6 values, 1 monthly')
            ->assertSee('<legend>Note</legend>', false);
        $see(['encoding' => 'UTF-8'])->assertDontSee('Straße');
        $see(['rows' => [1 => 'heading']])->assertSee('of Weiler');
        $see(['delimiter' => 'bar'])->assertSee('only one column')->assertSee('<option value="tab" selected>', false);
        $see(['delimiter' => 'tab'])->assertSee('entit');
    }

    public function testAFileCanBePutAwayAndAnImportTellsHowFarItIs(): void
    {
        $upload = $this->brought(self::MONTHLY);
        $upload->update(['state' => 'running']);
        $upload->progress()->tell(240_000, 1);
        $this->get(route('imports.show', $upload))
            ->assertOk()
            ->assertSee('Reading')
            ->assertSee('240,000 rows read, 1 cell could not be read');
        $this->delete(route('uploads.destroy', $upload))->assertRedirect(route('data.index'));
        self::assertSame([0, []], [Upload::count(), glob("{$upload->path()}*")]);
    }

    public function testWhatCannotBeReadStopsTheImportUntilTheUserGoesOnWithoutIt(): void
    {
        $upload = $this->brought(self::MONTHLY . "Marl,2024-04,lots\n");
        $this->post(route('imports.store', $upload), ['name' => 'Returns'])
            ->assertStatus(422)
            ->assertSee('Nothing was stored')
            ->assertSeeInOrder(['11', 'Leakage (Ml)', '“lots”', 'a number, for example 1,234.5'], false);
        self::assertSame(0, Dataset::count());
        $this->post(route('imports.store', $upload), ['name' => 'Returns', 'leave_out' => '1'])->assertOk();
        self::assertSame(1, Dataset::count());
    }

    public function testDuplicatesAreShownWithTheChoiceOfWhatToDo(): void
    {
        $upload = $this->brought(self::MONTHLY . "Marl,2024-03,6\n");
        $this->get(route('uploads.show', $upload))
            ->assertSee('One value is a duplicate: its entity and period already has a value')
            ->assertSee('Marl, March 2024 again');
        $this->patch(route('uploads.update', $upload), ['duplicates' => 'sum'])->assertDontSee('again”');
        $this->post(route('imports.store', $upload), ['name' => 'Returns'])->assertOk();
        $marl = Dataset::firstOrFail()->entities()->where('name', 'Marl')->firstOrFail();
        self::assertSame([8.0, 6.0, 10.0], StoredSeries::where('entity_id', $marl->id)->firstOrFail()->values);
    }

    public function testAFileOfItsOwnFrequencyAndAFileOfAttributesJoinTheDataSet(): void
    {
        $study = $this->imported();
        $upload = $this->brought(self::YEARLY, 'connections.csv', $study->dataset);
        $this->post(route('imports.store', $upload), [])
            ->assertOk()
            ->assertHeader('HX-Redirect', route('versions.show', [$study->dataset, 2]));
        $upload = $this->brought(
            "Utility,Group\nVeldmere,Estuary\nTarrow,Plain\nMarl,Plain\n",
            'groups.csv',
            $study->dataset,
        );
        $this->post(route('imports.store', $upload), [])->assertOk();

        $dataset = $study->dataset->refresh();
        self::assertSame([3, 3], [$dataset->version, $dataset->entities()->count()]);
        self::assertSame(
            ['Leakage' => 'month', 'Connections' => 'year'],
            $dataset->measures()->get()->mapWithKeys(static fn($m): array => [$m->name => $m->frequency->value])->all(),
        );
        $this->get(route('studies.show', $study))->assertSee('Estuary')->assertSee('Plain');
        $this->change($study, 'add-stop', ['stop' => 'per-denominator'])->assertSee('÷ connections');
    }

    public function testFiscalYearsKeepTheirNameOnThePageAndInWhatIsHandedOn(): void
    {
        $study = $this->imported("Utility,2022/23,2023/24,2024/25\nVeldmere,10,12,14\nTarrow,5,5,7\n", 'bursts.csv');
        $this->added($study, self::YEARLY, 'connections.csv');
        $this->change($study, 'add-stop', ['stop' => 'per-denominator'])
            ->assertOk()
            ->assertSee('in 2024/25')
            ->assertSee('each by the calendar year it begins in');
        // 12 of 2023/24 over the 900 of 2023, 14 of 2024/25 over the 1,000 of 2024.
        $this->get(route('hand-over', [$study, 'csv']))->assertSee('2023/24')->assertSee((string) (12 / 0.9));
        $long = (string) $this->get(route('datasets.out', [$study->dataset, 'csv']))->getContent();
        $upload = $this->brought($long, 'back.csv');
        $this->get(route('uploads.show', $upload))->assertOk()->assertSee('2022/23 to 2024/25');
    }

    public function testNewFiguresOfAMeasureAreANewVersionAndTheOldOneStays(): void
    {
        $study = $this->imported();
        $this->added($study, "Utility,Month,Leakage (Ml)\nVeldmere,2024-03,15\nVeldmere,2024-04,16\n", 'april.csv');
        $dataset = $study->dataset->refresh();
        $values = static fn(int $version): array => StoredSeries::query()
            ->inVersion($version)
            ->orderBy('entity_id')
            ->firstOrFail()->values;
        self::assertSame([10.0, 12.0, 14.0], $values(1));
        self::assertSame([10.0, 12.0, 15.0, 16.0], $values(2));
        self::assertSame(3, StoredSeries::query()->inVersion($dataset->version)->count());
    }

    public function testValuesAreStoredBitForBitWithTheirCells(): void
    {
        $this->imported(
            "Utility,Month,Value\nA,2024-01,0.1\nA,2024-02,\nA,2024-03,-1e-300\nA,2024-04,123456789.123456789\n",
        );
        $series = StoredSeries::firstOrFail();
        self::assertSame(var_export([0.1, NAN, -1e-300, 123456789.123456789], true), var_export($series->values, true));
        self::assertSame([16384 + 2, 2 * 16384 + 2, 3 * 16384 + 2, 4 * 16384 + 2], $series->places);
    }

    /** Under three of the lines above, the headings and the first rows. */
    public function testThePageShowsTheHeadingsAndTheRowsUnderThem(): void
    {
        $rows = implode('', array_map(static fn(int $y): string => "{$y},1,2\n", range(2001, 2020)));
        $upload = $this->brought("A title,,\nAnother,,\nA third,,\nA fourth,,\nYear,A,B\n{$rows}");
        $page = (string) $this->get(route('uploads.show', $upload))->assertOk()->getContent();
        $table = (string) strstr($page, '</table>', true);
        self::assertSame(
            [true, true, true, false],
            array_map(static fn(string $text): bool => str_contains($table, $text), [
                'A fourth',
                '>2001',
                '>2009',
                '>2010',
            ]),
        );
    }

    public function testFilesThatNobodyKnowsAreTidiedAwayOnceTheyAreOld(): void
    {
        $folder = storage_path('app/uploads');
        [$old, $new] = ["{$folder}/nobody-" . uniqid() . '.csv', "{$folder}/nobody-" . uniqid() . '.new.csv'];
        file_put_contents($old, 'x');
        file_put_contents($new, 'x');
        touch($old, time() - 7_200);
        $kept = $this->brought(self::MONTHLY);
        touch($kept->path(), time() - 7_200);
        Cleanup::all();
        self::assertSame([false, true, true], array_map(is_file(...), [$old, $new, $kept->path()]));
        unlink($new);
    }

    public function testOfVeryManyColumnsThePageShowsTheFirst(): void
    {
        $names = implode(',', array_map(static fn(int $n): string => "Works {$n}", range(1, 300)));
        $text = "Year,{$names}\n2023" . str_repeat(',1', 300) . "\n2024" . str_repeat(',2', 300) . "\n";
        $page = (string) $this->get(route('uploads.show', $this->brought($text)))->assertOk()->getContent();
        self::assertStringContainsString('Works 199', (string) strstr($page, '</table>', true));
        self::assertDoesNotMatchRegularExpression('/Works 2[1-9]\d/', (string) strstr($page, '</table>', true));
    }

    /** @return iterable<string, array{string, string}> */
    public static function badFiles(): iterable
    {
        yield 'empty' => ['', 'The file is empty'];
        yield 'heading only' => ["Utility,Month,Value\n", 'a header row but no data rows'];
        yield 'one column' => ["Value\n1\n2\n", 'only one column'];
        yield 'renamed picture' => ["\x89PNG\r\n\x1A\n\x00\x00\x00\rIHDR", 'a PNG image'];
        yield 'fifty megabytes of zeros' => [str_repeat('0', 50_000_000), 'over 1,000,000 characters'];
        yield 'fifty megabytes of NUL bytes' => [str_repeat("\0", 50_000_000), 'Line 1 contains a NUL byte'];
        yield 'twenty thousand columns' => [
            'Utility,Month' . str_repeat(',x', 20_000) . "\nA,2024-01" . str_repeat(',1', 20_000) . "\n",
            'has 20,002 columns',
        ];
        yield 'a cell of ten megabytes' => [
            "Utility,Month,Note,Value\nA,2024-01," . str_repeat('x', 10_000_000) . ",1\n",
            'Row 2 has over 1,000,000 characters',
        ];
        yield 'a NUL byte in the middle' => ["Utility,Month,Value\nA,2024-01,\x001\n", 'Line 2 contains a NUL byte'];
    }

    #[DataProvider('badFiles')]
    #[Group('slow')]
    public function testABadFileEndsInAClearSentenceAndLeavesNothingBehind(string $content, string $sentence): void
    {
        $before = count(glob(storage_path('app/uploads/*')) ?: []);
        $this->from(route('data.index'))->bring($content)->assertRedirect(route('data.index'));
        $this->get(route('data.index'))->assertSee('monthly.csv: ', false)->assertSee($sentence);
        self::assertSame([0, 0], [Upload::count(), Dataset::count()]);
        self::assertCount($before, glob(storage_path('app/uploads/*')) ?: []);
    }

    #[Group('slow')]
    public function testLettersInAnotherWritingFarBehindTheBeginningAreFound(): void
    {
        $upload = $this->brought(
            "Utility,Month,Leakage (Ml)\n" . str_repeat("Veldmere,2024-01,1\n", 70_000) . "Stra\xDFe,2024-02,7\n",
        );
        $this->patch(route('uploads.update', $upload), ['duplicates' => 'first']);
        $this->post(route('imports.store', $upload), ['name' => 'Returns'])
            ->assertStatus(422)
            ->assertSee('70,002')
            ->assertSee('UTF-8 text');
    }

    /** @param class-string<TableSource>|null $format */
    #[TestWith(['{"version": "2.0", "class": "dataset", "value": [1], "dimension": {}}', JsonStatFile::class])]
    #[TestWith(['{"unemployment": {"value": [1], "dimension": {}}}', JsonStatFile::class])]
    #[TestWith(['{"class": "dataset", "value": [1, 2', JsonStatFile::class])]
    #[TestWith(['{"name": "x", "resources": [{"path": "a.csv"}]}', TabularPackage::class])]
    #[TestWith([
        "{\"id\": 1, \"label\": \"a\", \"value\": 2}\n{\"id\": 2, \"label\": \"b\", \"value\": 3}\n",
        JsonRecords::class,
    ])]
    #[TestWith([
        '[{"class": "a", "year": 2020, "value": 1}, {"class": "b", "year": 2020, "value": 2',
        JsonRecords::class,
    ])]
    #[TestWith(['{"page": 1, "rows": [{"a": "x", "year": 2020}, {"a": "y", "year": 2021}]}', JsonRecords::class])]
    #[TestWith(["PK\x03\x04 and then nonsense", Workbook::class])]
    #[TestWith(["\xD0\xCF\x11\xE0\xA1\xB1\x1A\xE1", Workbook::class])]
    #[TestWith(["CHARSET=\"ANSI\";\nMATRIX=\"m\";\nSTUB=\"Utility\";\n", PxFile::class])]
    #[TestWith(["NAME=1;\nVALUE;2\n", null])]
    #[TestWith(["Utility,2023\nVeldmere,1\n", null])]
    #[TestWith(["{Utility},2023\nVeldmere,1\n", null])]
    public function testAFileIsClaimedByTheOneFormatThatItIsOfWhateverTheirOrder(string $content, ?string $format): void
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'dusk');
        file_put_contents($path, $content);
        self::assertSame($format === null ? [] : [$format], TableSources::claiming($path));
        unlink($path);
    }

    /** Some programs write a byte order mark before JSON; RFC 8259, 8.1, lets a reader pass over it. */
    #[TestWith(['[{"town": "Alder", "year": 2021, "value": 3}, {"town": "Alder", "year": 2022, "value": 4}]'])]
    #[TestWith(['{"resources": [{"name": "a", "data": [["Town", "2021"], ["Alder", 3]]}]}'])]
    #[TestWith([
        '{"class": "dataset", "label": "Use", "id": ["time"], "size": [2], "value": [1, 2], ' .
        '"dimension": {"time": {"category": {"index": ["2021", "2022"]}}}}',
    ])]
    #[TestWith([
        '{"data": {"structure": {"dimensions": {"observation": [{"id": "TIME_PERIOD", "values": [{"id": "2021"}]}]}},' .
        '"dataSets": [{"observations": {"0": [7]}}]}}',
    ])]
    public function testJsonIsReadAfterAByteOrderMark(string $json): void
    {
        $written = [];
        foreach (['', "\u{FEFF}"] as $mark) {
            $path = (string) tempnam(sys_get_temp_dir(), 'dusk');
            file_put_contents($path, $mark . $json);
            $format = TableSources::of($path);
            self::assertNotNull($format);
            $source = $format::open($path);
            $source->write($source->tables()[0], "{$path}.csv");
            $written[] = [$format, file_get_contents("{$path}.csv")];
            array_map(unlink(...), [$path, "{$path}.csv"]);
        }
        self::assertSame($written[0], $written[1]);
        self::assertNotSame('', $written[0][1]);
    }

    public function testWhatCanBeBroughtIsListedAndOtherJsonIsRefusedInWords(): void
    {
        $this->get('/')
            ->assertSee(TableSources::inWords())
            ->assertSee('CSV, TSV, Excel, OpenDocument, JSON-stat, ')
            ->assertSee('accept=".csv,.tsv,.txt,.tab,.xlsx,.ods,.json,.zip,.jsonl,.ndjson,', false);
        $this->from('/')
            ->followingRedirects()
            ->bring('{"id": 7, "label": "Leakage", "value": 3}', 'other.json')
            ->assertSee('that can be imported: JSON-stat, SDMX-JSON, data package or JSON records.');
    }

    public function testThePreviewShowsTheHeadingsAndNineRows(): void
    {
        $rows = "Utility,Month,Leakage (Ml)\n";
        for ($month = 1; $month <= 12; $month++) {
            $rows .= sprintf("Veldmere,2024-%02d,7%02d\n", $month, $month);
        }
        $upload = $this->brought($rows);
        $this->get(route('uploads.show', $upload))
            ->assertSeeInOrder(['701', '702', '708', '709'])
            ->assertDontSee('<td class="is-figures">710</td>', false)
            ->assertSee('12 values');
    }

    public function testRaggedRowsAreListedAndNoFileIsAskedForAgain(): void
    {
        $upload = $this->brought("Utility,Month,Value\nA,2024-01,1\nA,2024-02\nA,2024-03,3,4,5\nA,2024-04,4\n");
        $this->get(route('uploads.show', $upload))
            ->assertSee('2 cells could not be read')
            ->assertSee('the row is too short')
            ->assertSee('“4 5”', false)
            ->assertSee('the header row has 3 cells');
        $this->from('/')
            ->post(route('uploads.store'), [])
            ->assertSessionHasErrors([
                'file' => 'No file was uploaded. Choose one, or drop it on the page: ' . TableSources::inWords() . '.',
            ]);
    }

    public function testAttributesAloneOrForOthersAreRefusedInWords(): void
    {
        $attributes = "Utility,Group\nNobody,Estuary\nNowhere,Plain\n";
        $this->post(route('imports.store', $this->brought($attributes)), ['name' => 'X'])
            ->assertStatus(422)
            ->assertSee('Import a file with values first');
        $study = $this->imported();
        $upload = $this->brought($attributes, 'groups.csv', $study->dataset);
        $this->post(route('imports.store', $upload), [])
            ->assertStatus(422)
            ->assertSee('No entity name in this table exists in “Returns”');
        self::assertSame(1, ImportedFile::count());
    }

    #[Group('slow')]
    public function testAMillionRowsComeInWhole(): void
    {
        $path = BenchData::csv(storage_path('app/million.csv'), 8_334, 120);
        $this->post(route('uploads.store'), [
            'file' => new UploadedFile($path, 'million.csv', 'text/csv', null, true),
        ])->assertRedirect();
        $upload = Upload::firstOrFail();
        $this->get(route('uploads.show', $upload))->assertSee(
            'in the first 19,999 rows. The other rows are read during the import',
        );
        $this->post(route('imports.store', $upload), ['name' => 'Million'])->assertOk();
        self::assertSame(8_334, StoredSeries::count());
        self::assertSame(1_000_080, ImportedFile::firstOrFail()->rows);
    }

    public function testTextFromDataIsShownAndNeverRun(): void
    {
        $study = $this->imported(
            "Utility,Month,Value\n<script>alert(1)</script>,2024-01,1\n" .
                "<script>alert(1)</script>,2024-02,2\n\"\"\"><img " .
                "src=x>\",2024-01,3\n",
        );
        foreach ([route('studies.show', $study), route('hand-over', [$study, 'svg'])] as $page) {
            $this->get($page)
                ->assertOk()
                ->assertDontSee('<script>alert', false)
                ->assertDontSee('<img src=x', false)
                ->assertSee('&lt;script&gt;alert(1)', false);
        }
    }

    public function testMeasuresOfOneNameAndNamesInOtherCapitalsAreToldApartOrTakenTogether(): void
    {
        $table = "Utility,Year,Leakage (Ml),Leakage (%),Leakage %\nVeldmere,2023,900,9,1\nVELDMERE,2024,800,8,2\n";
        $study = $this->imported($table, 'both.csv');
        self::assertSame(
            [['Leakage', 'Ml'], ['Leakage, %', '%'], ['Leakage, % 2', '%']],
            $study->dataset->measures->map(static fn(Measure $m): array => [$m->name, $m->unit])->all(),
        );
        self::assertSame(['Veldmere'], $study->dataset->entities->pluck('name')->all());
        // A later file that has only the second is merged into the second.
        $this->added($study, "Utility,Year,Leakage (%)\nVeldmere,2024,7\n", 'shares.csv');
        $data = Study::findOrFail($study->id)->data();
        self::assertSame(
            [[900.0, 800.0], [9.0, 7.0]],
            array_map(
                static fn(string $key): array => $data->table($key)->series['veldmere']->values,
                array_slice(array_keys($data->measures()), 0, 2),
            ),
        );
    }

    public function testTwoNamesOfOneEntityInAFileAreRefusedByName(): void
    {
        $study = $this->imported();
        EntityAlias::create([
            'dataset_id' => $study->dataset_id,
            'entity_id' => $study->dataset->entities()->where('key', 'marl')->value('id'),
            'name' => 'old marl',
        ]);
        $upload = $this->brought(
            "Utility,Month,Leakage (Ml)\nMarl,2024-04,1\nOld Marl,2024-04,2\n",
            'april.csv',
            $study->dataset,
        );
        $said = '“Marl” and “Old Marl” are both Marl in the data set';
        $this->get(route('uploads.show', $upload))->assertSee($said);
        $this->post(route('imports.store', $upload));
        $this->get(route('uploads.show', $upload))->assertSee($said);
        self::assertSame(1, $study->dataset->refresh()->version);
    }

    #[Group('slow')]
    public function testLinesCutUpManyAtATimeAreTheRowsThatPhpReads(): void
    {
        mt_srand(3);
        $path = (string) tempnam(sys_get_temp_dir(), 'dusk');
        foreach (["\n", "\r\n"] as $end) {
            foreach ([0, 3] as $marked) {
                $text = '';
                // More than is cut up at a time, so that lines are across the cut, and so do quoted cells.
                while (strlen($text) < 700_000) {
                    $cell = str_repeat('x', mt_rand(0, 40));
                    $quoted = mt_rand(0, 1000) < $marked ? "\"two, {$end}and \"\"three\"\"\"" : $cell;
                    $text .= "{$cell},{$quoted}," . mt_rand(0, 999) . $end . (mt_rand(0, 500) === 0 ? $end : '');
                }
                foreach ([$text, rtrim($text)] as $content) {
                    file_put_contents($path, $content);
                    $file = fopen($path, 'rb');
                    self::assertNotFalse($file);
                    $expected = [];
                    while (($row = fgetcsv($file, null, ',', '"', '')) !== false) {
                        $expected[] = array_map(strval(...), $row);
                    }
                    fclose($file);
                    self::assertSame($expected, [...DelimitedFile::open($path)->rows()]);
                }
            }
        }
        // A row that is too long is named by its number in the file, wherever the cuts were.
        foreach (["\"A\",1\n", "A,1\n"] as $line) {
            $long = str_repeat($line, 80_000) . str_repeat('x', 1_500_000);
            file_put_contents($path, $long);
            try {
                iterator_count(DelimitedFile::open($path)->rows());
                self::fail('A row of 1,500,000 characters was read.');
            } catch (NotATable $problem) {
                self::assertStringContainsString('Row 80,001 has over', $problem->getMessage());
            }
        }
        unlink($path);
    }

    /** A table that is pasted from a spreadsheet begins with an empty cell; a page is pasted with its tags. */
    public function testATableIsPasted(): void
    {
        $table = "\t2021\t2022\nAyle\t1\t2\nBask\t3\t4\n";
        $this->post(route('uploads.store'), ['pasted' => $table])->assertRedirect();
        $upload = Upload::firstOrFail();
        $this->get(route('uploads.show', $upload))->assertSee('2 entities, 2021 to 2022');
        $this->post(route('imports.store', $upload), ['name' => 'Pasted', 'home' => 'Ayle'])->assertOk();
        $dataset = Dataset::where('name', 'Pasted')->firstOrFail();
        $page = '<table><tr><th>Plant<th>2023</tr><tr><td>Ayle<td>5</tr><tr><td>Bask<td>6</tr></table>';
        $more = ['pasted' => $page, 'dataset' => $dataset->id];
        $this->post(route('uploads.store'), $more)->assertRedirect();
        $this->post(route('imports.store', Upload::latest('created_at')->firstOrFail()))->assertOk();
        $data = new StoredData($dataset->refresh());
        self::assertSame(1, count($data->measures()));
        $values = $data->table((string) array_key_first($data->measures()))->series['ayle']->values;
        self::assertSame([1.0, 2.0, 5.0], $values);
        $this->post(route('uploads.store'), ['pasted' => ''])->assertSessionHasErrors('file');
    }

    /** Cells over several columns and rows, entities, and a page that asks for a file of this machine. */
    public function testATableOfAPageIsRead(): void
    {
        $page =
            '<!DOCTYPE html [<!ENTITY x SYSTEM "file:///etc/hostname">]><html><body>' .
            '<table><tr><td>menu</td></tr></table>' .
            '<table><caption>Leakage (Ml)</caption><tr><th rowspan="2">Plant</th><th colspan="2">2022</th>' .
            '<th colspan="2">2023</th></tr><tr><th>Nov<th>Dec<th>Jan<th>Feb</tr>' .
            '<tr><td>Ayle&nbsp;&amp; Co &x;</td><td>1</td><td>2</td><td>3</td><td>4</td></tr>' .
            '<tr><td>Bask</td><td>1,200</td><td>2</td><td>3</td><td>4</td></tr></table></body></html>';
        $upload = $this->brought($page, 'page.html');
        $this->get(route('uploads.show', $upload))
            ->assertSee('Leakage of 2 plants, November 2022 to February 2023')
            ->assertSee('Ayle &amp; Co', false)
            ->assertDontSee(trim((string) file_get_contents('/etc/hostname')) . '</td>', false);
        $this->bring('<html><body><p>nothing here</p></body></html>', 'page.html')
            ->assertSessionHasErrors([
                'file' => 'page.html: The page has no table. Copy the values into a spreadsheet, and save CSV.',
            ]);
    }

    public function testAFilePackedWithGzipIsUnpacked(): void
    {
        $upload = $this->brought((string) gzencode("Plant,2021,2022\nAyle,1,2\nBask,3,4\n"), 'leakage.csv.gz');
        $this->get(route('uploads.show', $upload))->assertSee('2 plants, 2021 to 2022');
        $this->bring("\x1F\x8Bnonsense", 'broken.gz')->assertSessionHasErrors('file');
    }

    public function testATimeInANotationThatIsNotKnownIsNamed(): void
    {
        $upload = $this->brought("Utility,Quarter,Leakage\nA,1.Qu.21,5\nA,2.Qu.21,6\nB,1.Qu.21,7\nB,2.Qu.21,8\n");
        $said = '“Quarter” looks like time, but “1.Qu.21, 2.Qu.21” is in no notation that is known';
        $this->get(route('uploads.show', $upload))->assertSee($said);
        $this->post(route('imports.store', $upload), ['name' => 'Returns'])->assertSee($said);
        self::assertSame(0, Dataset::count());
    }
}
