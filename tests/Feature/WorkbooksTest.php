<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Formats\Workbook;
use App\Models\Study;
use App\Models\Upload;
use DuskRail\Data\Series;
use DuskRail\Time\Period;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Cache;
use PhpOffice\PhpSpreadsheet\IOFactory;
use PhpOffice\PhpSpreadsheet\Shared\Date;
use PhpOffice\PhpSpreadsheet\Spreadsheet;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Group;
use PHPUnit\Framework\Attributes\TestWith;
use ZipArchive;

/**
 * Workbooks: the sheet that holds the data, its dates, merged headings and formulas, and those that cannot be read.
 */
final class WorkbooksTest extends ApplicationTestCase
{
    #[TestWith(['Xlsx', 'returns.xlsx'])]
    #[TestWith(['Ods', 'returns.ods'])]
    #[Group('slow')]
    public function testASheetIsReadCellByCellAndEveryFigureKnowsItsCell(string $type, string $name): void
    {
        $book = new Spreadsheet();
        $book->getActiveSheet()->setTitle('Notes')->fromArray([['Returns of the Forum'], ['Made up']]);
        $sheet = $book->createSheet()->setTitle('Figures');
        $rows = [['Utility', 'Month', 'Leakage (Ml)', 'Bursts']];
        foreach (['Ashen', 'Birchen'] as $u => $utility) {
            for ($month = 1; $month <= 4; $month++) {
                $rows[] = [$utility, Date::formattedPHPToExcel(2024, $month, 1), 10.25 * $month + $u, $month];
            }
        }
        $sheet->fromArray($rows);
        $sheet->getStyle('B2:B9')->getNumberFormat()->setFormatCode('yyyy-mm');
        $sheet->setCellValue('C9', '=C8+1.5');
        $sheet->setCellValue('D5', null);
        $upload = $this->sent($this->written($book, $type), $name);
        self::assertSame([['Figures', 'Notes', 'All tables'], 'Figures'], [$upload->sheets, $upload->sheet]);
        $this->get(route('uploads.show', $upload))
            ->assertOk()
            ->assertSee('2 measures of 2 ')
            ->assertSee('Notes</option>', false);
        // Another sheet is a click away, and back.
        $this->patch(route('uploads.update', $upload), ['sheet' => 'Notes'])
            ->assertOk()
            ->assertDontSee('2 measures of 2 ');
        $this->patch(route('uploads.update', $upload), ['sheet' => 'Figures'])
            ->assertOk()
            ->assertSee('2 measures of 2 ');
        $this->post(route('imports.store', $upload), ['name' => 'Returns'])->assertOk();
        $data = Study::latest('id')->firstOrFail()->data();
        self::assertSame([10.25, 20.5, 30.75, 41.0], $data->table('leakage')->series['ashen']->values);
        self::assertSame([11.25, 21.5, 31.75, 33.25], $data->table('leakage')->series['birchen']->values);
        self::assertNan($data->table('bursts')->series['ashen']->values[3]);
        self::assertSame(
            "{$name}, sheet Figures, row 9, column 3",
            $data->origin('leakage', 'birchen', Period::month(2024, 4)->ordinal)?->text(),
        );
        self::assertFileDoesNotExist($upload->bookPath());
    }

    public function testPeriodsAcrossWithAMergedHeadingAndAnErrorInACell(): void
    {
        $book = new Spreadsheet();
        $sheet = $book->getActiveSheet();
        $sheet->fromArray([['Utility', 2021, 2022, 2023], ['Ashen', 1, 2, 3], ['Birchen', 4, '=1/0', 6]]);
        $upload = $this->sent($this->written($book, 'Xlsx'), 'across.xlsx');
        $this->get(route('uploads.show', $upload))
            ->assertSee('2021 to 2023')
            ->assertSee('#DIV/0!')
            ->assertSee('a number, for example');
        $this->post(route('imports.store', $upload), ['name' => 'Across'])
            ->assertStatus(422)
            ->assertSee('Nothing was stored');
        $this->post(route('imports.store', $upload), ['name' => 'Across', 'leave_out' => '1'])->assertOk();
        $data = Study::latest('id')->firstOrFail()->data();
        self::assertNan($data->table((string) array_key_first($data->measures()))->series['birchen']->values[1]);
    }

    public function testALargeSheetThatIsReadInChunksIsReadAsAWholeOne(): void
    {
        $book = new Spreadsheet();
        $book->getActiveSheet()->setTitle('Notes & more')->setCellValue('A1', 'see the other');
        $sheet = $book->createSheet()->setTitle('Figures');
        $sheet->fromArray([['The Forum'], [], ['Utility', 'Month', 'Leakage', 'Share']]);
        for ($row = 4; $row < 20; $row++) {
            $sheet->fromArray([['', null, $row * 1.1, "=C{$row}/2"]], null, "A{$row}");
            $sheet
                ->setCellValue("B{$row}", 45_292 + 31 * $row)
                ->getStyle("B{$row}")
                ->getNumberFormat()
                ->setFormatCode('yyyy-mm-dd');
        }
        // Names that are once for many rows, across where the sheet is cut; and rows that are not there at all.
        $sheet
            ->setCellValue('A4', 'Ashen & Co')
            ->mergeCells('A4:A11')
            ->setCellValue('A12', 'Birchen <b>')
            ->mergeCells('A12:A19');
        $sheet->setCellValue('A25', 'Cindle')->setCellValue('C25', 0.1);
        $path = $this->written($book, 'Xlsx');
        $texts = [];
        foreach ([Workbook::open($path), Workbook::inChunks($path, 3), Workbook::inChunks($path, 1)] as $workbook) {
            self::assertSame('Figures', $workbook->tables()[0]);
            foreach (['Figures', 'Notes & more'] as $table) {
                $workbook->write($table, "{$path}.csv");
                $texts[$table][] = (string) file_get_contents("{$path}.csv");
            }
        }
        array_map(unlink(...), [$path, "{$path}.csv"]);
        self::assertStringContainsString("\"Birchen <b>\",2025-04-10,16.5,8.25", $texts['Figures'][0]);
        foreach ($texts as $same) {
            self::assertSame(array_fill(0, 3, $same[0]), $same);
        }
    }

    #[Group('slow')]
    public function testWhatCannotBeReadEndsInAClearSentence(): void
    {
        $before = glob(storage_path('app/uploads/*'));
        $this->refused("\xD0\xCF\x11\xE0\xA1\xB1\x1A\xE1" . str_repeat("\0", 600), 'locked.xlsx', 'has a password');
        $this->refused($this->packed(['readme.md' => 'nothing']), 'some.xlsx', 'is an archive, not a workbook');
        $this->refused("PK\x03\x04 and then nonsense", 'torn.xlsx', 'cannot be opened');
        // A document type with an entity that would reach out of the file.
        $book = new Spreadsheet();
        $book->getActiveSheet()->fromArray([['Utility', '2021'], ['Ashen', 1]]);
        $path = $this->written($book, 'Xlsx');
        $zip = new ZipArchive();
        $zip->open($path);
        $sheet = (string) $zip->getFromName('xl/worksheets/sheet1.xml');
        $zip->addFromString(
            'xl/worksheets/sheet1.xml',
            (string) preg_replace(
                '/<worksheet/',
                '<!DOCTYPE x [<!ENTITY out SYSTEM "file:///etc/passwd">]><worksheet',
                $sheet,
                1,
            ),
        );
        $zip->close();
        $this->refused((string) file_get_contents($path), 'reaching.xlsx', 'The workbook cannot be read');
        unlink($path);
        self::assertSame($before, glob(storage_path('app/uploads/*')));
    }

    /** @return iterable<string, array{callable(self): string, string, string}> what is written, its name, what is said */
    public static function hostile(): iterable
    {
        $book = ['xl/workbook.xml' => '<workbook/>'];
        yield 'megabytes without a row' => [
            static fn(self $t): string => $t->packed([
                ...$book,
                'xl/worksheets/sheet1.xml' => '<worksheet>' . str_repeat(' ', 64_000_000),
            ]),
            'spaces.xlsx',
            'without a row',
        ];
        yield 'texts without end' => [
            static fn(self $t): string => $t->packed([
                ...$book,
                'xl/sharedStrings.xml' => '<sst>' . str_repeat('<si><t>a</t></si>', 3_000_000),
            ]),
            'texts.xlsx',
            'is too large when unpacked',
        ];
        yield 'thousands of merged ranges' => [
            static fn(self $t): string => $t->packed([
                ...$book,
                'xl/worksheets/sheet1.xml' =>
                    '<worksheet><sheetData><row r="1"/></sheetData><mergeCells>' .
                    str_repeat('<mergeCell ref="A1:OJ1999"/>', 60_000),
            ]),
            'merged.xlsx',
            'merges more than 50,000 ranges',
        ];
        yield 'rows that are repeated' => [
            static fn(self $t): string => $t->packed([
                'content.xml' =>
                    '<o:d xmlns:o="o" xmlns:table="t" xmlns:office="f"><table:table><table:table-row ' .
                    'table:number-rows-repeated="1048000"><table:table-cell office:value-type="float" ' .
                    'table:number-columns-repeated="9"/></table:table-row></table:table></o:d>',
            ]),
            'rows.ods',
            'repeats rows or cells',
        ];
        yield 'one part many times' => [
            static fn(self $t): string => $t->packed([
                'datapackage.json' => (string) json_encode([
                    'resources' => [['name' => 'a', 'path' => array_fill(0, 50, 'a.csv')]],
                ]),
                'a.csv' => self::MONTHLY,
            ]),
            'again.zip',
            'names one of them twice',
        ];
        yield 'a size that is a lie' => [
            static function (self $t): string {
                // Nothing but zeros, which takes no room on the disk.
                $long = (string) tempnam(sys_get_temp_dir(), 'dusk');
                $file = fopen($long, 'wb');
                if ($file !== false) {
                    ftruncate($file, 610_000_000);
                    fclose($file);
                }
                $descriptor = '{"resources": [{"name": "a", "path": "a.csv"}]}';
                $packed = $t->packed(['datapackage.json' => $descriptor], ['a.csv' => $long]);
                unlink($long);

                return str_replace(pack('V', 610_000_000), pack('V', 1_000), $packed);
            },
            'lie.zip',
            'unpacks to more than 600 MB',
        ];
        yield 'a file of an archive that goes on and on' => [
            static function (self $t): string {
                $long = (string) tempnam(sys_get_temp_dir(), 'dusk');
                $file = fopen($long, 'wb');
                if ($file !== false) {
                    ftruncate($file, 610_000_000);
                    fclose($file);
                }
                $packed = $t->packed([], ['a.csv' => $long]);
                unlink($long);

                return $packed;
            },
            'long.zip',
            'unpacks to more than 600 MB',
        ];
    }

    /** @param callable(self): string $made */
    #[DataProvider('hostile')]
    #[Group('slow')]
    public function testASmallFileThatUnpacksToTooMuchIsRefusedInWords(callable $made, string $name, string $said): void
    {
        $before = glob(storage_path('app/uploads/*'));
        $packed = $made($this);
        self::assertLessThan(5_000_000, strlen($packed));
        $this->refused($packed, $name, $said);
        // Nothing of it stays.
        self::assertSame($before, glob(storage_path('app/uploads/*')));
    }

    #[Group('slow')]
    public function testAWorkbookThatComesWhileAnotherIsReadIsToldItsPlaceAndReadInItsTurn(): void
    {
        $book = new Spreadsheet();
        $book->getActiveSheet()->fromArray([['Utility', 'Period', 'Leakage'], ['Tarrow', '2024', 12]]);
        $reading = Cache::lock('unpacking', 60);
        $reading->get();
        $first = $this->sent($this->written($book->copy(), 'Xlsx'), 'first.xlsx');
        $second = $this->sent($this->written($book->copy(), 'Xlsx'), 'second.xlsx');
        // However long the second took to be sent.
        $first->update(['created_at' => $second->created_at?->subSecond()]);
        $this->get(route('uploads.show', $first))->assertSee('One file is ahead of yours');
        $this->get(route('uploads.show', $second))->assertSee('2 files are ahead of yours');
        $this->get(route('imports.show', $first))->assertSee('One file is');
        $reading->release();
        $this->get(route('imports.show', $second))->assertSee('2 files are');
        $this->get(route('imports.show', $first))->assertHeader('HX-Redirect', route('uploads.show', $first));
        $this->get(route('imports.show', $second))->assertHeader('HX-Redirect');
        $this->get(route('uploads.show', $second))->assertSee('Tarrow')->assertSee('second');
    }

    public function testNumbersKeepTheSignThatTheyAreShownWith(): void
    {
        $book = new Spreadsheet();
        $sheet = $book->getActiveSheet();
        $headings = ['Town', 'Year', 'Share', 'Cost', 'Rate'];
        $sheet->fromArray([$headings, ['A', 2023, 0.6928, 1200.5, 0.5]], null, 'A1', true);
        $sheet->fromArray([['B', 2023, 0.07, 900, 0.25]], null, 'A3', true);
        $sheet->getStyle('C2:C3')->getNumberFormat()->setFormatCode('0.00%');
        $sheet->getStyle('D2:D3')->getNumberFormat()->setFormatCode('[$€-407] #,##0.00');
        $sheet->getStyle('E2:E3')->getNumberFormat()->setFormatCode('[$-409]0.00" %"');
        $upload = $this->sent($this->written($book, 'Xlsx'), 'signs.xlsx');
        $this->post(route('imports.store', $upload), ['name' => 'Signs', 'home' => 'A'])->assertOk();
        $data = Study::firstOrFail()->data();
        $said = [];
        foreach ($data->measures() as $key => $measure) {
            $values = array_map(static fn(Series $s): float => $s->values[0], $data->table((string) $key)->series);
            $said[] = "{$measure->name} [{$measure->unit->text()}] " . implode(' ', $values);
        }
        // A sign in quotes is only written, and multiplies nothing.
        self::assertSame(['Share [%] 69.28 7', 'Cost [€] 1200.5 900', 'Rate [] 0.5 0.25'], $said);
    }

    /**
     * What the names of sheets are is told by what is in them.
     *
     * @return iterable<string, array{array<array-key, list<list<string|int>>>, string}> rows by sheet, and each value
     */
    public static function books(): iterable
    {
        $years = [['Plant', 2021, 2022], ['A', 1, 2], ['B', 3, 4]];
        yield 'a sheet a measure' => [
            ['Leakage' => $years, 'Staff' => [['Plant', 2021, 2022], ['A', 5, 6], ['B', 7, 8]]],
            'Leakage A 1 2; Leakage B 3 4; Staff A 5 6; Staff B 7 8',
        ];
        yield 'a sheet a year, with a cover' => [
            [
                '2021' => [['Plant', 'Leakage', 'Staff'], ['A', 1, 5], ['B', 3, 7]],
                '2022' => [['Plant', 'Leakage', 'Staff'], ['A', 2, 6], ['B', 4, 8]],
                'About' => [['Written for the board'], ['by nobody']],
            ],
            'Leakage A 1 2; Leakage B 3 4; Staff A 5 6; Staff B 7 8',
        ];
        yield 'months without a year in a sheet a year' => [
            ['2021' => [['Plant', 'Jan', 'Feb', 'Mar'], ['A', 1, 2, 3], ['B', 4, 5, 6]],
                '2022' => [['Plant', 'Jan', 'Feb', 'Mar'], ['A', 7, 8, 9], ['B', 1, 2, 3]]],
            'Book A 1 2 3 7 8 9; Book B 4 5 6 1 2 3',
        ];
        yield 'a sheet an entity' => [
            ['North' => [['Month', 'Leakage', 'Bursts'], ['2023-01', 1, 5], ['2023-02', 2, 6]],
                'South' => [['Month', 'Leakage', 'Bursts'], ['2023-01', 3, 7], ['2023-02', 4, 8]]],
            'Leakage North 1 2; Leakage South 3 4; Bursts North 5 6; Bursts South 7 8',
        ];
        yield 'a sheet a region, whose towns it groups' => [
            ['North' => $years, 'South' => [['Plant', 2021, 2022], ['C', 5, 6], ['D', 7, 8]]],
            'Book A (North) 1 2; Book B (North) 3 4; Book C (South) 5 6; Book D (South) 7 8',
        ];
    }

    /** @param array<array-key, list<list<string|int>>> $sheets */
    #[DataProvider('books')]
    public function testAllSheetsAreReadTogether(array $sheets, string $expected): void
    {
        $book = new Spreadsheet();
        $book->removeSheetByIndex(0);
        foreach ($sheets as $title => $rows) {
            $book->createSheet()->setTitle((string) $title)->fromArray($rows, null, 'A1', true);
        }
        $upload = $this->sent($this->written($book, 'Xlsx'), 'book.xlsx');
        self::assertSame('All tables', $upload->sheet);
        $this->get(route('uploads.show', $upload))->assertSee('2 tables are read');
        $this->post(route('imports.store', $upload), ['name' => 'Book', 'home' => 'A'])->assertOk();
        self::assertSame($expected, self::allValues());
    }

    /** @return iterable<string, array{array<string, string>, string}> texts by name of the file; what comes of all */
    public static function files(): iterable
    {
        $wide = "Plant,2021,2022\nA,1,2\nB,3,4\n";
        yield 'a file a year, with the year in its name' => [
            [
                'leakage_2021.csv' => "Plant,Leakage,Bursts\nA,1,5\nB,2,6\n",
                'leakage_2022.csv' => "Plant;Leakage;Bursts\nA;3,5;7\nB;4,5;8\n",
            ],
            'Leakage A 1 3.5; Leakage B 2 4.5; Bursts A 5 7; Bursts B 6 8',
        ];
        yield 'a file a month of which only the name says what is measured' => [
            [
                'complaints Jan 2023.csv' => "Plant,Value\nA,1\nB,2\n",
                'complaints Feb 2023.csv' => "Plant,Value\nA,3\nB,4\n",
            ],
            'Complaints A 1 3; Complaints B 2 4',
        ];
        yield 'a file a measure, one of them lined up by spaces' => [
            ['Leakage.csv' => $wide, 'Bursts.txt' => "Plant   2021   2022\nA          5      6\nB          7      8\n"],
            'Bursts A 5 6; Bursts B 7 8; Leakage A 1 2; Leakage B 3 4',
        ];
    }

    /** @param array<string, string> $files */
    #[DataProvider('files')]
    public function testFilesThatAreBroughtTogetherAreReadTogether(array $files, string $expected): void
    {
        $brought = [];
        foreach ($files as $name => $text) {
            $path = (string) tempnam(sys_get_temp_dir(), 'dusk');
            file_put_contents($path, $text);
            $brought[] = new UploadedFile($path, $name, null, null, true);
        }
        $this->post(route('uploads.store'), ['files' => $brought])->assertRedirect();
        $upload = Upload::firstOrFail();
        self::assertSame([array_key_first($files) . ' and 1 more file', 'All tables'], [$upload->name, $upload->sheet]);
        $this->post(route('imports.store', $upload), ['name' => 'Files', 'home' => 'A'])->assertOk();
        self::assertSame($expected, self::allValues());
        array_map(unlink(...), array_map(static fn(UploadedFile $f): string => $f->getPathname(), $brought));
    }

    /** An archive of files is read like the files; what holds no values is named. */
    public function testAnArchiveOfFilesIsReadAndWhatHoldsNoValuesIsNamed(): void
    {
        $upload = $this->brought(
            $this->packed([
                '2021.csv' => "Plant,Leakage\nA,1\nB,2\n",
                'more/2022.csv' => "Plant,Leakage\nA,3\nB,4\n",
                'read me.txt' => 'Values of the plants, as they were sent.',
                '__MACOSX/2021.csv' => 'none',
                'picture.png' => 'none',
            ]),
            'plants.zip',
        );
        self::assertSame(['2021', '2022', 'read me', 'All tables'], $upload->sheets);
        $this->get(route('uploads.show', $upload))->assertSee('2 tables are read: 2021, 2022; no values in read me');
        $this->post(route('imports.store', $upload), ['name' => 'Plants'])->assertOk();
        self::assertSame('Leakage A 1 3; Leakage B 2 4', self::allValues());
        $this->refused($this->packed(['a.png' => 'none']), 'pictures.zip', 'an archive, not a workbook');
        $this->from('/')
            ->post(route('uploads.store'), ['files' => array_fill(0, 21, UploadedFile::fake()->create('a.csv'))])
            ->assertSessionHasErrors([
                'files' => 'More than 20 files were uploaded. Put them into one ZIP archive, and upload that.',
            ]);
    }

    /** Values of the study's data by measure and entity, with its group. */
    private static function allValues(): string
    {
        $data = Study::firstOrFail()->data();
        $said = [];
        foreach ($data->measures() as $key => $measure) {
            foreach ($data->table((string) $key)->series as $entity => $series) {
                $about = $data->entities()[$entity];
                $group = $about->group === '' ? '' : " ({$about->group})";
                $values = array_filter($series->values, static fn(float $v): bool => !is_nan($v));
                $said[] = "{$measure->name} {$about->name}{$group} " . implode(' ', $values);
            }
        }

        return implode('; ', $said);
    }

    private function refused(string $content, string $name, string $said): void
    {
        $this->from('/')->followingRedirects();
        $this->post(route('uploads.store'), [
            'file' => UploadedFile::fake()->createWithContent($name, $content),
        ])->assertSee($said);
        self::assertSame(0, Upload::count());
    }

    private function sent(string $path, string $name): Upload
    {
        $upload = $this->brought((string) file_get_contents($path), $name);
        unlink($path);

        return $upload;
    }

    private function written(Spreadsheet $book, string $type): string
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'dusk');
        IOFactory::createWriter($book, $type)->save($path);
        $book->disconnectWorksheets();

        return $path;
    }

    /**
     * @param array<string, string> $files content by name
     * @param array<string, string> $paths of files that are too large to be held
     */
    private function packed(array $files, array $paths = []): string
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'dusk');
        $zip = new ZipArchive();
        $zip->open($path, ZipArchive::OVERWRITE);
        foreach ($files as $name => $content) {
            $zip->addFromString($name, $content);
        }
        foreach ($paths as $name => $from) {
            $zip->addFile($from, $name);
        }
        $zip->close();
        $packed = (string) file_get_contents($path);
        unlink($path);

        return $packed;
    }
}
