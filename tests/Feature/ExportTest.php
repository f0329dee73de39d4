<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Data\StoredData;
use App\Drawing\Picture;
use App\Drawing\PictureTooLarge;
use App\Drawing\ShippedFonts;
use App\Formats\FiguresWorkbook;
use App\Formats\TooManyValues;
use App\Models\Brief;
use App\Models\Dataset;
use App\Models\StoredSeries;
use App\Models\Study;
use App\Models\StudyRevision;
use DuskRail\Chart\Box;
use DuskRail\Chart\Ink;
use DuskRail\Chart\Palette;
use DuskRail\Chart\Scene;
use DuskRail\Chart\Type;
use DuskRail\Chart\Words;
use DuskRail\Document\StudyDocument;
use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\ValueTable;
use DuskRail\Views\Views;
use GdImage;
use Illuminate\Filesystem\Filesystem;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Testing\TestResponse;
use PhpOffice\PhpSpreadsheet\IOFactory;
use PHPUnit\Framework\Attributes\Group;
use PHPUnit\Framework\Attributes\TestWith;
use Symfony\Component\HttpFoundation\Response;

/** What leaves the application: pictures in their sizes, PDF, study files, and what the commands write. */
final class ExportTest extends ApplicationTestCase
{
    /** @param array{int, int} $pixels */
    #[Group('slow')]
    #[TestWith(['slide', 1, [1280, 720]])]
    #[TestWith(['slide', 3, [3840, 2160]])]
    #[TestWith(['column', 2, [1240, 960]])]
    #[TestWith(['square', 1, [860, 860]])]
    public function testAPictureHasTheSizeThatIsWished(string $size, int $times, array $pixels): void
    {
        $study = $this->imported();
        $picture = imagecreatefromstring(
            (string) $this->get(route('hand-over', [$study, 'png', 'size' => $size, 'times' => $times]))
                ->assertOk()
                ->getContent(),
        );
        self::assertNotFalse($picture);
        self::assertSame($pixels, [imagesx($picture), imagesy($picture)]);
    }

    public function testTheFontsAreFoundInFoldersWithAnyName(): void
    {
        $study = $this->imported();
        $fonts = function () use ($study): array {
            $pdf = (string) $this->get(route('hand-over', [$study, 'pdf']))->getContent();
            preg_match_all('/\/FontName \/[A-Z]+\+(\S+)/', $pdf, $names);

            return array_unique($names[1]);
        };
        $usual = $fonts();
        self::assertNotSame([], $usual);
        $folder = sys_get_temp_dir() . '/R&D <' . bin2hex(random_bytes(6)) . '>';
        mkdir("{$folder}/cache & more/framework/cache", recursive: true);
        symlink(config()->string('duskrail.fonts'), "{$folder}/letters & figures");
        config(['duskrail.fonts' => "{$folder}/letters & figures"]);
        app()->useStoragePath("{$folder}/cache & more");
        self::assertSame($usual, $fonts());
        unlink("{$folder}/letters & figures");
        (new Filesystem())->deleteDirectory($folder);
    }

    public function testAPdfIsOnePageWithItsFontsInside(): void
    {
        $study = $this->imported();
        $pdf = (string) $this->get(route('hand-over', [$study, 'pdf', 'size' => 'slide']))
            ->assertOk()
            ->assertHeader('Content-Type', 'application/pdf')
            ->getContent();
        self::assertStringStartsWith('%PDF-', $pdf);
        self::assertSame(1, preg_match_all('/\/Type\s*\/Page\b/', $pdf));
        // librsvg writes 1280 by 720 pixels as 960 by 540 points.
        self::assertMatchesRegularExpression('/\/MediaBox \[ 0 0 960 540 \]/', $pdf);
        self::assertGreaterThan(0, preg_match_all('/\/FontFile/', $pdf));
        $path = (string) tempnam(sys_get_temp_dir(), 'dusk');
        file_put_contents($path, $pdf);
        $text = (string) shell_exec('pdftotext -layout ' . escapeshellarg($path) . ' -');
        unlink($path);
        foreach (
            ['Veldmere: 14.0 in March 2024', 'Leakage, Ml per month', 'Peer median', 'Source: The Forum, 2024']
            as $words
        ) {
            self::assertStringContainsString($words, $text);
        }
    }

    public function testRowsAndPanelsThatDoNotFitGoOnTheNextPageWithTheirHeadings(): void
    {
        $rows = "Utility,Month,Leakage (Ml)\n";
        foreach (range(1, 60) as $i) {
            $rows .= "Utility {$i},2024-01,{$i}\nUtility {$i},2024-02,{$i}\n";
        }
        $study = $this->imported($rows);
        $pages = function (string $heading) use ($study): array {
            $pdf = (string) $this->get(route('hand-over', [$study, 'pdf', 'size' => 'slide']))->getContent();
            $path = (string) tempnam(sys_get_temp_dir(), 'dusk');
            file_put_contents($path, $pdf);
            $text = (string) shell_exec('pdftotext -layout ' . escapeshellarg($path) . ' -');
            unlink($path);
            preg_match_all('/\/MediaBox \[ ([\d ]+) \]/', $pdf, $boxes);
            preg_match_all('/Utility \d+/', $text, $names);

            return [
                array_unique($boxes[1]),
                count($boxes[1]),
                substr_count($text, $heading),
                count(array_unique($names[0])),
            ];
        };
        $this->change($study, 'view', ['view' => 'sparks'])->assertOk();
        [$sizes, $count, $headings, $names] = $pages('Jan 2024 – Feb 2024');
        self::assertSame([['0 0 960 540'], 3, 3, 60], [$sizes, $count, $headings, $names]);
        $this->change($study, 'view', ['view' => 'lines'])->assertOk();
        $this->change($study, 'panels')->assertOk();
        [$sizes, $count, $headings] = $pages('Leakage, Ml per month');
        self::assertSame(['0 0 960 540'], $sizes);
        self::assertGreaterThan(2, $count);
        self::assertSame($count, $headings);
    }

    public function testTheFiguresLeaveAsAWorkbookAndComeBackBitForBit(): void
    {
        $study = $this->imported(
            "Utility,Month,Leakage (Ml)\n=1+1,2024-01,0.1\n=1+1,2024-02,0\n=1+1,2024-03,12.5\nTarrow,2024-01,3\n" .
                "Tarrow,2024-02,4\nTarrow,2024-03,\n",
        );
        $this->change($study, 'add-stop', ['stop' => 'share']);
        $this->change($study, 'change-stop', ['id' => 's1', 'settings' => ['incomplete' => 'there']]);
        $content = (string) $this->get(route('hand-over', [$study, 'xlsx']))->assertOk()->getContent();
        $path = (string) tempnam(sys_get_temp_dir(), 'dusk');
        file_put_contents($path, $content);
        $sheet = IOFactory::load($path)->getActiveSheet();
        unlink($path);
        $values = $study->data()->table('leakage')->series;
        // The name is a text and no formula; a gap is empty and zero is zero; numbers are whole.
        self::assertSame(
            ['=1+1', 's', 'Period', 'A6', 'B6'],
            [
                $sheet->getCell('B5')->getValue(),
                $sheet->getCell('B5')->getDataType(),
                $sheet->getCell('A5')->getValue(),
                'A6',
                $sheet->getFreezePane(),
            ],
        );
        self::assertSame(
            [(0.1 / 3.1) * 100.0, 0.0, null],
            [
                $sheet->getCell('B6')->getValue(),
                (float) self::number($sheet->getCell('B7')->getValue()),
                $sheet->getCell('C8')->getValue(),
            ],
        );
        self::assertSame(100.0, self::number($sheet->getCell('B8')->getValue()));
        self::assertCount(2, $values);
        // Of a part of the time that part alone, from the same row on.
        $this->change($study, 'range', ['range' => '2024-02..2024-03']);
        file_put_contents($path, (string) $this->get(route('hand-over', [$study, 'xlsx']))->getContent());
        $sheet = IOFactory::load($path)->getActiveSheet();
        unlink($path);
        self::assertSame(
            ['2024-02', '2024-03', 7],
            [$sheet->getCell('A6')->getValue(), $sheet->getCell('A7')->getValue(), $sheet->getHighestRow()],
        );
        $upload = $this->brought($content, 'figures.xlsx');
        $this->get(route('uploads.show', $upload))->assertOk()->assertSee('2 entities, January 2024 to March 2024');
    }

    private static function number(mixed $value): float
    {
        self::assertTrue(is_int($value) || is_float($value));

        return (float) $value;
    }

    public function testAPageToPointAtCarriesEveryOutcomeAndAsksNobody(): void
    {
        $rows = "Utility,Month,Leakage (Ml)\n";
        for ($month = 0; $month < 48; $month++) {
            $rows .= sprintf(
                "Veldmere </script>,%1\$d-%2\$02d,%3\$d\nTarrow,%1\$d-%2\$02d,20\n",
                2020 + intdiv($month, 12),
                ($month % 12) + 1,
                60 - $month,
            );
        }
        $study = $this->imported($rows);
        $this->change($study, 'add-stop', ['stop' => 'rolling']);
        $this->change($study, 'add-stop', ['stop' => 'index']);
        $html = (string) $this->get(route('hand-over', [$study, 'html', 'base' => '1', 'window' => '1']))
            ->assertOk()
            ->assertHeader('Content-Type', 'text/html; charset=UTF-8')
            ->getContent();
        // Three windows and four bases; the author's own is shown. A name cannot end the script.
        self::assertSame([12, 11], [substr_count($html, '<article '), substr_count($html, ' hidden >')]);
        self::assertSame(1, substr_count($html, '<script>'));
        self::assertSame(substr_count($html, '<script'), substr_count($html, '</script>'));
        self::assertDoesNotMatchRegularExpression(
            '/(src|href)="(?!#)|url\((?!data:|#)|@import|fetch\(|XMLHttpRequest/',
            $html,
        );
        // What it says for another base is what the study says with that base.
        $this->change($study, 'change-stop', ['id' => 's2', 'settings' => ['base' => '2022']]);
        $said = (string) $this->getJson(route('readouts.show', [$study, 'tarrow']))->assertOk()->getContent();
        $variant = strstr($html, 'data-variant="12-month mean · 2022 = 100"');
        self::assertIsString($variant);
        preg_match('/data-periods="([^"]*)"/', $variant, $periods);
        preg_match('/data-said="tarrow">(.*?)<\/script>/', $variant, $found);
        /** @var array{name: string, points: array<int, array{string, string, string}>} $own */
        $own = json_decode($found[1] ?? '', true);
        $usual = (array) json_decode(html_entity_decode($periods[1] ?? ''), true);
        foreach ($own['points'] as $position => [$period]) {
            $own['points'][$position][0] = $period === '' ? $usual[$position] : $period;
        }
        self::assertSame(json_decode($said, true), $own);
        // Years over each other: the names are those of the lines that are there.
        $this->change($study, 'view', ['view' => 'overlay']);
        $html = (string) $this->get(route('hand-over', [$study, 'html']))->getContent();
        preg_match_all('/<button type="button" data-line="([^"]+)"/', $html, $names);
        self::assertNotContains('tarrow', $names[1]);
        self::assertContains('y:2023', $names[1]);
    }

    #[Group('slow')]
    public function testMoreValuesThanAFileHoldsAreRefusedInWords(): void
    {
        $file = "Month\t" . implode("\t", array_map(static fn(int $n): string => "Works {$n}", range(1, 400))) . "\n";
        for ($month = 0; $month < 120; $month++) {
            $values = array_map(static fn(int $n): int => $n + $month, range(1, 400));
            $file .= sprintf("%d-%02d\t%s\n", 2014 + intdiv($month, 12), ($month % 12) + 1, implode("\t", $values));
        }
        $study = $this->imported($file, 'works.tsv');
        $this->change($study, 'add-stop', ['stop' => 'rolling']);
        $this->change($study, 'add-stop', ['stop' => 'index']);
        // Each choice of the reader is a picture of its own.
        $this->get(route('hand-over', [$study, 'html', 'window' => '1', 'base' => '1']))
            ->assertStatus(422)
            ->assertSee('An HTML file can hold 500,000 values; these are 1,152,000.');
        $brief = Brief::begin('Eleven times');
        foreach (range(1, 11) as $_) {
            $brief->add($study, null);
        }
        $this->get(route('briefs.file', $brief->token))->assertStatus(422)->assertSee('Hand over PDF,');
        $comparison = Comparison::of($study->refresh()->document(), $study->data());
        $row = array_fill(0, 1_001, 1.0);
        $this->expectExceptionObject(
            TooManyValues::in(
                'An Excel workbook',
                300_300,
                300_000,
                'Hand over CSV, or show a shorter range or fewer lines.',
            ),
        );
        FiguresWorkbook::write(
            Views::of($comparison->study)->wording($comparison, ''),
            new ValueTable(array_fill(0, 1_001, 'Works'), array_fill(0, 300, $row)),
        );
    }

    public function testADataSetOfMoreValuesThanAWorkbookHoldsIsRefusedInWords(): void
    {
        $dataset = $this->imported("Day\tMarl (Ml)\n2020-01-01\t7\n2020-01-02\t8\n", 'days.tsv')->dataset;
        StoredSeries::query()->firstOrFail()->update(['values' => array_fill(0, 200_001, 7.0)]);
        foreach (
            ['xlsx' => 'A workbook', 'ods' => 'A workbook', 'json-stat' => 'A JSON-stat file'] as $format => $what
        ) {
            $this->get(route('datasets.out', [$dataset, $format]))
                ->assertStatus(422)
                ->assertSee("{$what} can hold 200,000 values; these are 200,001. Take CSV or a data package");
        }
    }

    public function testAPictureOfTooManyPixelsIsRefusedInWords(): void
    {
        $wide = new Picture(new Scene(9_000.0, 2.0, []), Palette::day());
        self::assertSame([27_000, 6], array_slice(getimagesizefromstring($wide->png(3)) ?: [], 0, 2));
        $this->expectExceptionObject(PictureTooLarge::of(36_000, 8, 32_767));
        $wide->png(4);
    }

    public function testAStudyFileComesBackAsTheStudyItWasAndABrokenOneIsRefusedByItsPath(): void
    {
        $study = $this->imported();
        $this->change($study, 'add-stop', ['stop' => 'rolling']);
        $this->change($study, 'set', ['part' => 'panels', 'settings' => ['by' => 'entity', 'columns' => '2']]);
        $json = (string) $this->get(route('hand-over', [$study, 'json']))->assertOk()->getContent();
        $this->sent($study, $json)->assertRedirect();
        $back = Study::latest('id')->firstOrFail();
        self::assertNotSame($study->id, $back->id);
        self::assertEquals($study->refresh()->document(), $back->document());
        foreach (
            [
                'not JSON' => ['{"format":', 'is not a study file (not valid JSON)'],
                'another file' => ['[1, 2]', 'format: this is not a study'],
                'a bad stop' => [
                    str_replace('"window": 12', '"window": 0', $json),
                    'rail.0: Rolling window: “window” is 0',
                ],
                'a bad part' => [
                    str_replace('"columns": 2', '"columns": 99', $json),
                    'panels: Panels: “columns” is 99',
                ],
                'an unknown measure' => [str_replace('"measure": "leakage"', '"measure": "gold"', $json), 'gold'],
            ] as $what => [$content, $said]
        ) {
            $this->from('/')->followingRedirects();
            $this->sent($study, $content)->assertSee($said, false);
            self::assertSame(2, Study::count(), $what);
        }
    }

    public function testTheCommandsListCheckAndWriteForEverybodyInTurn(): void
    {
        $study = $this->imported();
        $this->change($study, 'words', ['part' => 'headline', 'text' => 'Veldmere leaks <most>']);
        $this->change($study, 'rename', ['name' => 'Leaks now']);
        $folder = sys_get_temp_dir() . '/dusk-rail-out-' . getmypid();
        self::assertSame(0, Artisan::call('study:list', ['--json' => true]));
        self::assertSame(
            [
                [
                    'id' => $study->id,
                    'name' => 'Leaks now',
                    'view' => 'lines',
                    'measure' => 'leakage',
                    'dataset' => 'Returns',
                ],
            ],
            json_decode(Artisan::output(), true),
        );
        self::assertSame(0, Artisan::call('study:check', ['study' => 'Leaks now', '--json' => true]));
        self::assertIsArray(json_decode(Artisan::output(), true));
        self::assertSame(
            0,
            Artisan::call('study:render', [
                'study' => (string) $study->id,
                '--format' => 'svg',
                '--each' => true,
                '--out' => $folder,
                '--json' => true,
            ]),
        );
        self::assertJson(Artisan::output());
        self::assertSame(
            ['leaks-now-marl.svg', 'leaks-now-tarrow.svg', 'leaks-now-veldmere.svg'],
            array_map(basename(...), glob("{$folder}/*") ?: []),
        );
        $tarrow = (string) file_get_contents("{$folder}/leaks-now-tarrow.svg");
        // The headline is about whoever it is drawn for, not about whom it was written for.
        self::assertStringContainsString('Tarrow: 7.0', $tarrow);
        self::assertStringNotContainsString('leaks &lt;most&gt;', $tarrow);
        self::assertSame(
            0,
            Artisan::call('study:render', ['study' => 'Leaks now', '--format' => 'csv', '--out' => $folder]),
        );
        self::assertStringContainsString('2024-03,14,7,4', (string) file_get_contents("{$folder}/leaks-now.csv"));
        array_map(unlink(...), glob("{$folder}/*") ?: []);
        rmdir($folder);
        self::assertSame(
            [2, 2, 2, 2, 2, 2, 2],
            [
                Artisan::call('study:render', ['study' => 'Nobody']),
                Artisan::call('study:check', ['study' => '999']),
                Artisan::call('study:render', ['study' => 'Leaks now', '--format' => 'doc']),
                Artisan::call('study:render', ['study' => 'Leaks now', '--size' => 'screen']),
                Artisan::call('study:render', ['study' => 'Leaks now', '--size' => 'wall']),
                Artisan::call('study:render', ['study' => 'Leaks now', '--times' => '0']),
                Artisan::call('study:render', ['study' => 'Leaks now', '--times' => '5']),
            ],
        );
        $revision = StudyRevision::latest('id')->firstOrFail();
        $revision->update([
            'document' => [
                ...StudyDocument::write($study->refresh()->document()),
                'rail' => [
                    ['id' => 's1', 'stop' => 'share', 'settings' => [], 'bypassed' => false],
                    ['id' => 's2', 'stop' => 'share', 'settings' => [], 'bypassed' => false],
                ],
            ],
        ]);
        self::assertSame(1, Artisan::call('study:check', ['study' => 'Leaks now']));
        self::assertStringContainsString('cannot be summed', Artisan::output());
    }

    public function testFilesAreImportedAndAddedFromTheCommandLine(): void
    {
        $folder = sys_get_temp_dir() . '/dusk-rail-in-' . getmypid();
        mkdir($folder);
        file_put_contents("{$folder}/first.csv", self::MONTHLY);
        file_put_contents(
            "{$folder}/second.csv",
            "Utility,Month,Leakage (Ml)\nVeldmere,2024-04,20\nTarrow,2024-04,soon\nMarl,2024-04,3\n" .
                "Veldmere,2024-05,21\nTarrow,2024-05,8\nMarl,2024-05,2\n",
        );
        self::assertSame(
            0,
            Artisan::call('data:import', [
                'file' => "{$folder}/first.csv",
                '--name' => 'Returns',
                '--home' => 'Tarrow',
                '--json' => true,
            ]),
        );
        $said = json_decode(Artisan::output(), true);
        self::assertIsArray($said);
        self::assertSame(['Returns', 1], [$said['dataset'] ?? '', $said['version'] ?? 0]);
        // What cannot be read stops it, unless it may be left out; nothing is stored by halves.
        self::assertSame(1, Artisan::call('data:import', ['file' => "{$folder}/second.csv", '--to' => 'Returns']));
        $output = Artisan::output();
        self::assertStringContainsString('Nothing was stored', $output);
        self::assertMatchesRegularExpression('/Row 3, Leakage.*: “soon”.*1 cell .*--leave-out/s', $output);
        self::assertSame(
            0,
            Artisan::call('data:import', [
                'file' => "{$folder}/second.csv",
                '--to' => 'Returns',
                '--leave-out' => true,
            ]),
        );
        self::assertStringContainsString('“Returns” is now at version 2.', Artisan::output());
        $data = new StoredData(Dataset::where('name', 'Returns')->firstOrFail());
        self::assertSame([10.0, 12.0, 14.0, 20.0, 21.0], $data->table('leakage')->series['veldmere']->values);
        self::assertTrue($data->entities()['tarrow']->home);
        file_put_contents("{$folder}/rows.csv", "Site,2020,2021\nWorks,2022,2023\nA,1,2\nB,3,4\n");
        foreach ([1 => 6, 2 => 4] as $row => $figures) {
            Artisan::call('data:import', [
                'file' => "{$folder}/rows.csv",
                '--look' => true,
                '--json' => true,
                '--shape' => 'periods-across',
                '--headings' => $row,
            ]);
            self::assertStringContainsString("\"figures\":{$figures}", Artisan::output());
        }
        self::assertSame(
            [2, 2],
            [
                Artisan::call('data:import', ['file' => "{$folder}/none.csv"]),
                Artisan::call('data:import', ['file' => "{$folder}/first.csv", '--to' => 'Nobody']),
            ],
        );
        array_map(unlink(...), glob("{$folder}/*") ?: []);
        rmdir($folder);
    }

    public function testWhatToSayIsProposedAndOneClickMakesItTheHeadline(): void
    {
        $study = $this->imported();
        $this->get(route('sentences.show', $study))
            ->assertOk()
            ->assertSee('has risen by 40 % since', false)
            ->assertSee('{change Veldmere since 2024-01}', false);
        $this->change($study, 'words', [
            'part' => 'headline',
            'text' => 'Veldmere has risen by {change Veldmere since 2024-01}',
        ])
            ->assertSee('has risen by 40 %')
            ->assertSee('since 2024-01}</textarea>', false);
        $this->change($study, 'state', ['entity' => 'veldmere', 'state' => 'peer']);
        $this->get(route('sentences.show', $study))->assertOk()->assertSee('Choose a line in the roster');
    }

    /** @return TestResponse<Response> */
    private function sent(Study $study, string $content): TestResponse
    {
        return $this->post(route('study-files.store', $study->dataset), [
            'study' => UploadedFile::fake()->createWithContent('study.json', $content),
        ]);
    }

    /** Its font is shipped: what fontconfig takes for a missing weight has the width of another. */
    public function testTheBoldOfAHeadlineIsAsWideInAPictureAsItIsMeasured(): void
    {
        $measure = new ShippedFonts(config()->string('duskrail.fonts'));
        $text = 'Halved since 2019, Žďár ≈';
        foreach ([600, 800] as $weight) {
            $type = Type::headline(40.0, $weight);
            $scene = new Scene(700, 80, [
                new Box(0.0, 0.0, 700.0, 80.0, Ink::Sheet),
                Words::plain(10.0, 50.0, $text, $type, Ink::Text),
            ]);
            $picture = imagecreatefromstring((new Picture($scene, Palette::day()))->png(1));
            self::assertNotFalse($picture);
            $right = 699;
            while ($right > 0 && self::isBlank($picture, $right)) {
                $right--;
            }
            $widths[] = $width = $measure->width($text, $type);
            self::assertEqualsWithDelta(10.0 + $width, (float) $right, 5.0, "weight {$weight}");
        }
        self::assertGreaterThan($widths[0] + 10.0, $widths[1]);
    }

    private static function isBlank(GdImage $picture, int $column): bool
    {
        for ($y = 0; $y < imagesy($picture); $y++) {
            if ((imagecolorat($picture, $column, $y) & 0xff) < 0x80) {
                return false;
            }
        }

        return true;
    }
}
