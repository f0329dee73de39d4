<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Data\RevisionWriter;
use App\Models\Study;
use App\Models\StudyRevision;
use App\View\OpenEditors;
use DOMDocument;
use DuskRail\Document\StudyDocument;
use DuskRail\Rail\StopCatalogue;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\Group;
use ZipArchive;

final class StudiesTest extends ApplicationTestCase
{
    public function testEveryEditIsARevisionThatUndoTakesBackAndRedoBringsAgain(): void
    {
        $study = $this->imported();
        $this->change($study, 'state', ['entity' => 'marl', 'state' => 'focus'])->assertOk();
        $this->change($study, 'add-stop', ['stop' => 'rolling'])
            ->assertOk()
            ->assertSee('12-month mean')
            ->assertSee('data-open', false);
        $this->change($study, 'rename', ['name' => 'Second'])->assertOk();
        self::assertSame(4, StudyRevision::count());

        $this->put(route('history.update', $study), ['step' => 'undo'])
            ->assertSee('Redo: Rename to Second')
            ->assertSee('Undo: Add rolling');
        $this->put(route('history.update', $study), ['step' => 'undo'])->assertDontSee('12-month mean');
        $this->put(route('history.update', $study), ['step' => 'redo'])->assertSee('12-month mean');
        // A new edit starts a new branch; what was undone is kept but redo leads along the new one.
        $this->change($study, 'state', ['entity' => 'tarrow', 'state' => 'off']);
        self::assertSame(5, StudyRevision::count());
        self::assertNull($study->refresh()->redoable());
        self::assertSame('Leakage', $study->name);
    }

    /** Any state of a study is taken up again from its history, those that were undone too; none of another study. */
    public function testAnyStateIsTakenUpAgainFromTheHistory(): void
    {
        $study = $this->imported();
        $this->change($study, 'measure', ['measure' => 'leakage']);
        $ids = [];
        foreach (['tarrow', 'marl'] as $entity) {
            $this->change($study, 'state', ['entity' => $entity, 'state' => 'focus'])->assertOk();
            $ids[] = (int) $study->refresh()->revision_id;
        }
        $this->put(route('history.update', $study), ['step' => 'undo'])->assertOk();
        self::assertSame($ids[0], $study->refresh()->revision_id);
        $this->get(route('editors.show', [$study, 'steps']))
            ->assertOk()
            ->assertSeeInOrder(['Focus on Marl', 'aria-current="step"', 'Focus on Tarrow'], false);
        $this->put(route('history.update', $study), ['to' => $ids[1]])->assertOk();
        self::assertSame($ids[1], $study->refresh()->revision_id);
        $before = StudyRevision::findOrFail($ids[0])->parent_id;
        $this->put(route('history.update', $study), ['to' => $before], ['X-Revision' => (string) $ids[0]])
            ->assertStatus(409)
            ->assertSee('Focus on Marl');
        $this->put(route('history.update', $study), ['to' => $before])->assertOk();
        self::assertSame([$before, 1], [$study->refresh()->revision_id, count($study->document()->focus)]);
        $other = $this->imported(str_replace('Leakage', 'Bursts', self::MONTHLY), 'other.csv');
        $this->put(route('history.update', $study), ['to' => $other->revision_id])->assertNotFound();
        self::assertSame($before, $study->refresh()->revision_id);
    }

    public function testAnEditThatChangesNothingMakesNoRevision(): void
    {
        $study = $this->imported();
        $this->change($study, 'state', ['entity' => 'veldmere', 'state' => 'focus'])->assertOk();
        self::assertSame(1, StudyRevision::count());
    }

    public function testARefusedEditAnswersWithASentenceAndLeavesTheStudyAsItWas(): void
    {
        $study = $this->imported();
        $this->change($study, 'add-stop', ['stop' => 'per-denominator'])
            ->assertStatus(422)
            ->assertHeader('HX-Retarget', '#message')
            ->assertSee('the data set has no measure to divide by');
        $this->change($study, 'add-stop', ['stop' => 'index'])->assertOk();
        $this->change($study, 'change-stop', ['id' => 's1', 'settings' => ['base' => '1066']])
            ->assertStatus(422)
            ->assertSee('is outside the data');
        $this->change($study, 'change-stop', ['id' => 's1', 'settings' => ['base' => 'a while ago']])
            ->assertStatus(422)
            ->assertSee('“a while ago” is not a period', false);
        self::assertSame(2, StudyRevision::count());
    }

    /** A month that is provisional says nothing of the year that is in its place. */
    /** A study for each of other measures and lines; one that cannot be is named with the reason. */
    public function testTheSameStudyIsMadeForOtherMeasuresAndLines(): void
    {
        $study = $this->imported(
            "Utility,Month,Leakage (Ml),Bursts,Staff\nVeldmere,2024-01,10,1,7\nVeldmere,2024-02,12,2,8\n" .
                "Tarrow,2024-01,5,3,9\nTarrow,2024-02,5,4,9\n",
        );
        $this->change($study, 'measure', ['measure' => 'bursts']);
        self::assertSame('Bursts', $study->refresh()->name);
        $this->change($study, 'add-stop', ['stop' => 'running-total'])->assertOk();
        $this->change($study, 'words', ['part' => 'headline', 'text' => 'Bursts of the two']);
        $this->post(route('studies.same', $study), [
            'measures' => ['leakage', 'staff', 'none'],
            'entities' => ['tarrow'],
        ])->assertRedirect(route('data.index'));
        $message = session('message');
        self::assertIsString($message);
        self::assertStringContainsString('2 studies were created. Staff: ', $message);
        $made = [];
        foreach (Study::where('id', '>', $study->id)->orderBy('id')->get() as $same) {
            $document = $same->document();
            $made[] = [$same->name, $document->measure, array_keys($document->focus), $document->words->headline];
        }
        self::assertSame(
            [
                ['Leakage', 'leakage', array_keys($study->document()->focus), null],
                ['Bursts: Tarrow', 'bursts', ['tarrow'], null],
            ],
            $made,
        );
        // The same again has a name of its own; nothing chosen is said.
        $this->post(route('studies.same', $study), ['entities' => ['tarrow']]);
        self::assertSame('Bursts: Tarrow 2', Study::latest('id')->firstOrFail()->name);
        $this->post(route('studies.same', $study))->assertSessionHasErrors('measures');
    }

    public function testAPictureForEachLineIsInOneFile(): void
    {
        $study = $this->imported();
        $this->change($study, 'words', ['part' => 'headline', 'text' => 'Of one alone']);
        $answer = $this->get(route('hand-over', [$study, 'zip', 'size' => 'slide', 'times' => 1]))->assertOk();
        $path = (string) tempnam(sys_get_temp_dir(), 'dusk');
        file_put_contents($path, $answer->getContent());
        $zip = new ZipArchive();
        $zip->open($path);
        $pictures = [];
        for ($i = 0; $i < $zip->numFiles; $i++) {
            $pictures[(string) $zip->getNameIndex($i)] = (string) $zip->getFromIndex($i);
        }
        unlink($path);
        self::assertSame(
            ['leakage-marl.png', 'leakage-tarrow.png', 'leakage-veldmere.png'],
            array_values(collect(array_keys($pictures))->sort()->all()),
        );
        self::assertCount(3, array_unique(array_map(md5(...), $pictures)));
        foreach ($pictures as $picture) {
            self::assertStringStartsWith("\x89PNG", $picture);
        }
    }

    public function testAStatusIsSaidWhereItWasMeasured(): void
    {
        $study = $this->imported("Utility,Month,Leakage (Ml)\nA,2022-12,1\nA,2023-01,2 p\nA,2023-02,3\nB,2022-12,4\n");
        $said = fn(): string => (string) $this->get(route('readouts.show', [$study, 'a']))->assertOk()->getContent();
        self::assertSame(1, substr_count($said(), 'provisional'));
        $this->change($study, 'add-stop', ['stop' => 'period'])->assertOk();
        $this->change($study, 'change-stop', ['id' => 's1', 'settings' => ['to' => 'year']])->assertOk();
        self::assertStringNotContainsString('provisional', $said());
    }

    public function testDistanceFromTheTargetIsOfferedWhereThereIsOne(): void
    {
        $study = $this->imported();
        $tone =
            /** @return TestResponse<Response> */
            fn(): TestResponse => $this->get(route('editors.show', [$study, 'set-tone']))->assertOk();
        $tone()->assertDontSee('Distance from target');
        $this->change($study, 'set', ['part' => 'peers', 'settings' => ['target' => '11']])->assertOk();
        $tone()->assertSee('Distance from target');
        $this->change($study, 'set', ['part' => 'tone', 'settings' => ['by' => 'target']])->assertOk();
        $this->change($study, 'set', ['part' => 'peers', 'settings' => ['target' => '']]);
        $tone()->assertSee('Distance from target');
    }

    public function testAnEditorHasTheFieldsThatGoWithWhatIsChosen(): void
    {
        $study = $this->imported();
        $this->change($study, 'add-stop', ['stop' => 'index'])->assertOk()->assertSee('settings[base]', false);
        // What is in an editor comes with the answer where the window has it open, and else when it is asked for.
        $highest = ['id' => 's1', 'settings' => ['at' => 'highest']];
        $this->withHeader(OpenEditors::HEADER, 'editor-s1')
            ->change($study, 'change-stop', $highest)
            ->assertOk()
            ->assertSee('settings[at]', false)
            ->assertDontSee('settings[base]', false);
        $this->flushHeaders();
        $this->change($study, 'rename', ['name' => 'Other'])->assertOk()->assertDontSee('settings[at]', false);
        $this->get(route('editors.show', [$study, 'editor-s1']))
            ->assertOk()
            ->assertSee('settings[at]', false)
            ->assertDontSee('settings[base]', false);
        $this->get(route('studies.show', [$study, 'open' => 'set-axis']))->assertSee('name="settings[view]"', false);
        foreach (['editor-s9', 'set-nothing', 'other'] as $unknown) {
            $this->get(route('editors.show', [$study, $unknown]))->assertNotFound();
        }
    }

    public function testOfALongRosterTheRowsInSightAreDrawnAndTheOthersWhenTheyAreAskedFor(): void
    {
        $table = "Town,2020,2021,2022\n";
        for ($i = 1; $i <= 320; $i++) {
            $table .= sprintf("Town %03d,%d,%d,%d\n", $i, $i, 2 * $i, 3 * $i);
        }
        $study = $this->imported($table, 'towns.csv');
        $this->change($study, 'state', ['entity' => 'town-300', 'state' => 'focus'])->assertOk();
        $page = (string) $this->get(route('studies.show', $study))->getContent();
        // All can be found by name; those at the top and those in focus are drawn.
        self::assertSame(320, substr_count($page, 'data-name="town '));
        self::assertSame(320 - 81, substr_count($page, 'class="row later"'));
        self::assertStringContainsString('title="Town 300"', $page);
        self::assertStringNotContainsString('title="Town 299"', $page);
        $rows = $this->getJson(route('roster.show', [$study, 'lines' => 'town-299,town-301,unknown']))->json();
        self::assertIsArray($rows);
        self::assertSame(['town-299', 'town-301'], array_keys($rows));
        self::assertIsString($rows['town-299']);
        self::assertStringContainsString('<em>897</em>', $rows['town-299']);
        // What was drawn later is of one revision alone: after an edit the window cannot keep it.
        preg_match_all('/data-at="(\d+)"/', $page, $at);
        self::assertSame([(string) $study->refresh()->revision_id], array_unique($at[1]));
        // Few are drawn at once.
        $this->get(route('studies.show', $this->imported()))->assertDontSee('row later', false);
    }

    public function testAPreviewDrawsTheChartAndStoresNothing(): void
    {
        $study = $this->imported();
        $whole = (string) $this->get(route('studies.show', $study))->getContent();
        self::assertStringContainsString('data-to="2"', $whole);
        $this->change($study, 'range', ['range' => 'month#24288..month#24289', 'preview' => '1'])
            ->assertOk()
            ->assertSee('<div id="chart"', false)
            ->assertSee('data-to="1"', false)
            ->assertDontSee('id="workspace"', false);
        self::assertSame(1, StudyRevision::count());
    }

    public function testTheSheetIsAsLargeAsTheWindowSaysWithinReason(): void
    {
        $study = $this->imported();
        $width = function (string $cookie) use ($study): string {
            $page = (string) $this->withUnencryptedCookie('dusk-rail-sheet', $cookie)
                ->get(route('studies.show', $study))
                ->getContent();
            preg_match('/<svg[^>]*class="chart"[^>]*>|<svg[^>]*viewBox="0 0 (\d+) (\d+)"/', $page, $m);

            return $m[0] ?? '';
        };
        self::assertSame($width('2400x1200'), $width('9999x9999'));
        self::assertSame($width('260x220'), $width('20x20'));
        self::assertNotSame($width('800x400'), $width('900x400'));
        self::assertSame($width('956x404'), $width('wide'));
    }

    public function testRemarksStandAtTheChartWithTheirRemedy(): void
    {
        $study = $this->imported(str_replace('2024', '2025', self::MONTHLY));
        $this->added($study, self::YEARLY, 'connections.csv');
        $this->change($study, 'add-stop', ['stop' => 'per-denominator'])
            ->assertSee('Connections after 2024 is missing; the last value is repeated.')
            ->assertSee('Leave empty');
        $this->change($study, 'change-stop', ['id' => 's1', 'settings' => ['newest' => 'blank']])
            ->assertSee('left empty')
            ->assertSee('Repeat the last value');
    }

    public function testProvisionalFiguresAtTheEndAreSaid(): void
    {
        $study = $this->imported(
            "Utility,Month,Leakage (Ml),Status\nVeldmere,2024-01,10,p\nVeldmere,2024-02,12,\nVeldmere,2024-03,14,p\n" .
                "Tarrow,2024-01,5,\nTarrow,2024-02,5,e\nTarrow,2024-03,,p\nMarl,2024-01,8,p\n" .
                "Marl,2024-02,6,\nMarl,2024-03,4,\n",
        );
        self::assertSame(['veldmere' => 24290, 'tarrow' => 24289], $study->data()->unsettled('leakage'));
        $this->get(route('studies.show', $study))->assertSee(
            'Veldmere and 1 more have provisional values from February 2024; they may be revised.',
        );
        $this->change($study, 'range', ['range' => '2024-01'])->assertDontSee('provisional figures');
    }

    public function testTheFiguresViewShowsTheSameNumbersAsATable(): void
    {
        $study = $this->imported();
        // A table of its own is there, and no picture.
        $this->change($study, 'view', ['view' => 'sparks'])->assertDontSee('class="chart"', false);
        $this->change($study, 'view', ['view' => 'figures'])->assertDontSee('class="chart"', false);
        $this->get(route('studies.show', $study))->assertSeeInOrder(
            [
                'Veldmere</button></th>',
                'Marl</button></th>',
                'Tarrow</button></th>',
                'Peer median</button></th>',
                'Mar 2024',
                '14.0',
                '4.0',
                '7.0',
                '7.0',
                'Jan 2024',
                '10.0',
                '8.0',
                '5.0',
            ],
            false,
        );
    }

    /** From the annotation of an event to what changed after it, its working and its file. */
    public function testAnAnnotatedEventIsLookedAtBeforeAndAfter(): void
    {
        $rows = "Town,2017,2018,2019,2020,2021,2022\n";
        foreach (['Tarrow' => 60, 'Veldmere' => 100, 'Marl' => 101, 'Osker' => 99] as $name => $then) {
            $rows .= "{$name},100,101,99,{$then}," . ($then + 1) . ',' . ($then - 1) . "\n";
        }
        $study = $this->imported($rows, 'costs.csv');
        $this->change($study, 'add-mark', ['settings' => ['kind' => 'event', 'at' => '2020', 'text' => 'New law']]);
        $this->get(route('editors.show', [$study, 'set-marks']))->assertOk()->assertSee('Before and after');
        $this->change($study, 'before-after', ['number' => '4'])
            ->assertUnprocessable()
            ->assertSee('There is no such event among the annotations');
        $this->change($study, 'before-after', ['number' => '0'])->assertOk()->assertSee('after 2020');
        $this->change($study, 'set', ['part' => 'event', 'settings' => ['event' => 'Tarrow 2020']])
            ->assertOk()
            ->assertSee('Tarrow −40.0 % after 2020, the others 0.0 %: a difference of −40.0 points')
            ->assertSee('one spread for both sides, with 1 and 3 members');
        $this->get(route('working.show', [$study, '~with', 2]))->assertOk()->assertSee('mean of 1 changes');
        $this->get(route('working.show', [$study, '~nobody', 2]))->assertNotFound();
        $this->get(route('hand-over', [$study, 'csv']))->assertOk()->assertSee('"Difference, 95 % lower"', false);
    }

    public function testAStopShowsItsFiguresAPointItsWorkingAndTheFocusItsStanding(): void
    {
        $study = $this->imported();
        $this->added($study, self::YEARLY, 'connections.csv');
        $this->change($study, 'add-stop', ['stop' => 'per-denominator']);
        $this->change($study, 'change-stop', ['id' => 's1', 'settings' => ['times' => '1000']]);
        $this->change($study, 'add-stop', ['stop' => 'index']);
        $this->get(route('figures.show', [$study, 'origin']))
            ->assertSee('Ml per month')
            ->assertSeeInOrder(['Mar 2024', '14.0'], false);
        $this->get(route('figures.show', [$study, 's1']))
            ->assertSee('Ml per 1,000 connections per month')
            ->assertSeeInOrder(['Mar 2024', '14.00', '10.00', '14.00'], false);
        $this->get(route('figures.show', [$study, 's9']))->assertNotFound();
        $this->get(route('working.show', [$study, 'tarrow', 2]))
            ->assertOk()
            ->assertSee('7 ÷ 500 connections of 2024 × 1,000')
            ->assertSee('monthly.csv, row 7, column 3');
        $this->get(route('working.show', [$study, 'tarrow', 99]))->assertNotFound();
        $this->change($study, 'set', ['part' => 'peers', 'settings' => ['line' => 'none', 'band' => 'range']])
            ->assertOk()
            ->assertDontSee('Peer median');
        $this->get(route('peer-comparison.show', $study))
            ->assertOk()
            ->assertSee('Veldmere')
            ->assertSee('1 of 3')
            ->assertSee('fewer than four values')
            ->assertSee('does not define which is better');
    }

    public function testAPointReadsItsValueAndPlace(): void
    {
        $study = $this->imported();
        $this->getJson(route('readouts.show', [$study, 'tarrow']))
            ->assertOk()
            ->assertJson([
                'name' => 'Tarrow',
                'points' => [
                    ['January 2024', '5.0 Ml per month', 'lowest of 3'],
                    ['February 2024', '5.0 Ml per month', 'lowest of 3'],
                    ['March 2024', '7.0 Ml per month', '2nd highest of 3'],
                ],
            ]);
        $this->getJson(route('readouts.show', [$study, 'nobody']))->assertNotFound();
    }

    public function testTheFiguresAreHandedOverInFullPrecisionAndReadBackAsTheyWere(): void
    {
        $study = $this->imported(
            "Utility,Month,Leakage (Ml)\n=Veldmere,2024-01,10\n=Veldmere,2024-02,12\n=Veldmere,2024-03,11\n" .
                "Tarrow,2024-01,3\nTarrow,2024-02,\nTarrow,2024-03,7\n",
        );
        RevisionWriter::write(
            $study,
            $study
                ->document()
                ->withRail($study->document()->rail->with(StopCatalogue::make('index', ['base' => '2024-03']))),
            'Index',
        );
        $csv = (string) $this->get(route('hand-over', [$study, 'csv']))
            ->assertOk()
            ->assertHeader('Content-Type', 'text/csv; charset=UTF-8')
            ->getContent();
        self::assertStringContainsString('"# unit","2024-03 = 100"', str_replace('March 2024', '2024-03', $csv));
        self::assertStringContainsString('"# source","The Forum, 2024"', $csv);
        self::assertStringContainsString("Period,'=Veldmere,Tarrow", $csv);
        self::assertStringContainsString(
            '2024-01,' . json_encode((10 / 11) * 100.0) . ',' . json_encode((3 / 7) * 100.0),
            $csv,
        );

        $upload = $this->brought($csv, 'figures.csv');
        $this->get(route('uploads.show', $upload))
            ->assertSee('value="The Forum, 2024"', false)
            ->assertSee('2 entities, January 2024 to March 2024');
        $this->post(route('imports.store', $upload), ['name' => 'Back'])->assertOk();
        $back = Study::latest('id')->firstOrFail()->data();
        $table = $back->table((string) array_key_first($back->measures()));
        self::assertSame(
            // The median that is drawn is in the file, and comes back as one that is no peer.
            ['=Veldmere', 'Tarrow', 'Peer median'],
            array_column(array_map(static fn($e): array => ['name' => $e->name], $back->entities()), 'name'),
        );
        self::assertSame(
            [[(10 / 11) * 100.0, (12 / 11) * 100.0, 100.0], [(3 / 7) * 100.0, 100.0]],
            [
                $table->series['veldmere']->values,
                array_values(array_filter($table->series['tarrow']->values, static fn(float $v): bool => !is_nan($v))),
            ],
        );
        self::assertSame('March 2024 = 100', $table->unit->text());
    }

    public function testThePictureIsValidXmlWithTextTitleAndFontsAndDrawnAsPng(): void
    {
        $study = $this->imported();
        $svg = (string) $this->get(route('hand-over', [$study, 'svg']) . '?ground=night')->assertOk()->getContent();
        $document = new DOMDocument();
        self::assertTrue($document->loadXML($svg, LIBXML_NONET));
        self::assertSame(
            'Veldmere: 14.0 in March 2024; the median of all 3 is 7.0',
            $document->getElementsByTagName('title')->item(0)?->textContent,
        );
        self::assertStringContainsString('Peer median', $document->textContent);
        self::assertStringContainsString('font/woff2;base64', $svg);
        self::assertStringNotContainsString('var(--', $svg);

        $this->withUnencryptedCookie('dusk-rail-sheet', '700x300');
        $png = (string) $this->get(route('hand-over', [$study, 'png']))
            ->assertOk()
            ->assertHeader('Content-Type', 'image/png')
            ->getContent();
        $size = getimagesizefromstring($png);
        self::assertIsArray($size);
        self::assertSame([2 * 760, 2 * 450], [$size[0], $size[1]]);
        $image = imagecreatefromstring($png);
        self::assertNotFalse($image);
        self::assertGreaterThan(40, self::inked($image, [0xbd, 0x3e, 0x0c]));
    }

    public function testNothingRunsOrLoadsFromElsewhereAndChangesNeedTheirToken(): void
    {
        $study = $this->imported();
        $page = $this->get(route('studies.show', $study))->assertOk();
        $policy = (string) $page->headers->get('Content-Security-Policy');
        self::assertStringContainsString("default-src 'none'", $policy);
        self::assertStringNotContainsString('unsafe', $policy);
        $html = (string) $page->getContent();
        self::assertDoesNotMatchRegularExpression('/<script(?![^>]*\bsrc=)|\son\w+=|\sstyle=|javascript:/i', $html);

        // The token is only not asked for while tests run, so the middleware is told that they do not.
        $this->app['env'] = 'production';
        $this->post(route('changes.store', $study), ['change' => 'release'])->assertStatus(419);
        $this->delete(route('datasets.destroy', $study->dataset))->assertStatus(419);
    }

    public function testUnknownStudiesAndDeletedOnesAreNotFound(): void
    {
        $study = $this->imported();
        $this->get('/studies/9999')->assertNotFound();
        $this->delete(route('studies.destroy', $study))->assertRedirect(route('data.index'));
        $this->get(route('studies.show', $study->id))->assertNotFound();
        $this->post(route('studies.store', $study->dataset), ['measure' => 'leakage'])->assertRedirect();
        $this->delete(route('datasets.destroy', $study->dataset))->assertRedirect(route('data.index'));
        self::assertSame(0, Study::count());
    }

    #[Group('slow')]
    public function testTheDemoIsMadeTheSameEveryTimeAndItsStudiesOpen(): void
    {
        $folder = sys_get_temp_dir() . '/dusk-rail-demo-' . getmypid();
        Artisan::call('demo:files', ['folder' => $folder]);
        foreach (glob("{$folder}/*.csv") ?: [] as $file) {
            self::assertFileEquals(database_path('demo/files/' . basename($file)), $file);
            unlink($file);
        }
        rmdir($folder);
        Artisan::call('demo:load');
        Artisan::call('demo:load');
        foreach (Study::all() as $study) {
            $this->get(route('studies.show', $study))->assertOk();
            self::assertNull(
                $study
                    ->document()
                    ->rail->run($study->data()->table($study->document()->measure), $study->data())
                    ->refused(),
            );
            self::assertEquals($study->document(), StudyDocument::read($study->revision->document));
        }
        self::assertSame(12, Study::count());
    }

    /** @param array{int, int, int} $colour */
    private static function inked(\GdImage $image, array $colour): int
    {
        $count = 0;
        for ($x = 0; $x < imagesx($image); $x += 2) {
            for ($y = 0; $y < imagesy($image); $y += 2) {
                $pixel = imagecolorsforindex($image, (int) imagecolorat($image, $x, $y));
                $count += [$pixel['red'], $pixel['green'], $pixel['blue']] === $colour ? 1 : 0;
            }
        }

        return $count;
    }
}
