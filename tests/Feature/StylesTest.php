<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Brief;
use App\Models\Dataset;
use App\Models\Study;
use DuskRail\Document\Parts\ConventionsPart;
use DuskRail\Document\Parts\LabelsPart;
use DuskRail\Document\Parts\LookPart;
use DuskRail\Document\Parts\PeersPart;
use DuskRail\Document\Parts\TextPart;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Testing\TestResponse;
use Symfony\Component\HttpFoundation\Response;

/**
 * The look of one study given to others and to the house, what readers set, and studies that travel with their values.
 */
final class StylesTest extends ApplicationTestCase
{
    /** Numbers and months are written by the locale of the house (ICU 72 for German); what is typed is read either way. */
    public function testNumbersAndMonthsAreWrittenAsTheHouseWritesThem(): void
    {
        $study = $this->imported(str_replace(',10', ',1012.5', self::MONTHLY));
        $this->change($study, 'state', ['entity' => 'tarrow', 'state' => 'focus']);
        $drawn = fn(): string => strip_tags(
            (string) $this->get(route('hand-over', [$study, 'svg']))->assertOk()->getContent(),
        );
        self::assertStringContainsString('Mar', $drawn());
        $this->get(route('data.index'))->assertOk();
        $this->get(route('studies.card', $study))->assertOk();
        $keep = ['from' => 'kept', 'size' => 'usual'];
        $this->put(
            route('style.update'),
            [...$keep, 'settings' => ['locale' => 'xx']],
        )->assertSessionHasErrors('settings');
        $this->put(route('style.update'), [...$keep, 'settings' => ['locale' => 'de']])->assertRedirect();
        $this->get(route('style.show'))->assertSee('German: 12.345,6, Mär');
        self::assertStringContainsString('Mär', $drawn());
        $this->get(route('readouts.show', [$study, 'veldmere']))->assertSee('1.012,5')->assertDontSee('1,012.5');
        $this->change($study, 'set', ['part' => 'peers', 'settings' => ['target' => '1.012,5']])->assertOk();
        $target = $study->refresh()->document()->part(PeersPart::class)->target;
        self::assertSame(1012.5, $target->at('veldmere', $study->data()->table('leakage')->axis, 0));
        // Figures that are handed over are for programs.
        $this->get(route('hand-over', [$study, 'csv']))->assertSee('1012.5');
    }

    public function testALookIsGivenToOthersAndEachCanUndoIt(): void
    {
        $from = $this->imported();
        $this->change($from, 'set', ['part' => 'look', 'settings' => ['course' => 'steps']]);
        $this->change($from, 'set', ['part' => 'text', 'settings' => ['size' => 'large']]);
        $to = $this->imported(self::MONTHLY, 'other.csv');
        $this->get(route('style.others', $from))
            ->assertOk()
            ->assertSee("value=\"{$to->id}\"", false)
            ->assertDontSee("value=\"{$from->id}\"", false);
        $this->post(route('style.store', $from), [])->assertSessionHasErrors('to');
        $this->post(route('style.store', $from), ['to' => [$to->id]])->assertRedirect(route('studies.show', $from));
        self::assertSame(
            ['steps', 'large'],
            [$to->refresh()->document()->part(LookPart::class)->course, $to->document()->part(TextPart::class)->size],
        );
        $this->put(route('history.update', $to), ['step' => 'undo']);
        self::assertSame('straight', $to->refresh()->document()->part(LookPart::class)->course);
        // What is large on the screen is drawn for less room.
        $this->get(route('studies.show', $from))->assertSee('text-large', false)->assertSee('data-view="lines"', false);
    }

    public function testTheHouseHasItsOwnFinishColoursAndWording(): void
    {
        $study = $this->imported();
        $this->change($study, 'state', ['entity' => 'tarrow', 'state' => 'focus']);
        $this->change($study, 'set', ['part' => 'labels', 'settings' => ['end' => 'name']]);
        $before = $study->refresh()->document()->focus;
        self::assertContains(1, $before);
        $keep = [
            'from' => (string) $study->id,
            'size' => 'small',
            'settings' => ['source' => 'From {source}', 'ground' => 'night'],
            'name' => 'Marl',
            'hue' => '1',
            'everywhere' => '1',
        ];
        $this->put(
            route('style.update'),
            [...$keep, 'settings' => ['source' => 'no place']],
        )->assertSessionHasErrors('settings');
        $this->put(route('style.update'), [...$keep, 'name' => 'Nobody'])->assertSessionHasErrors('name');
        $this->put(route('style.update'), $keep)->assertRedirect(route('style.show'));
        $this->get(route('style.show'))
            ->assertOk()
            ->assertSee('data-ground="night"', false)
            ->assertSeeInOrder(['From {source}', 'Marl', 'orange']);
        // The study had no Marl in focus; once it has, Marl takes its hue and the other makes room.
        $this->get(route('studies.show', $study))->assertSee('From The Forum, 2024');
        $this->change($study, 'state', ['entity' => 'marl', 'state' => 'focus']);
        $focus = $study->refresh()->document()->focus;
        self::assertSame(1, $focus['marl']);
        self::assertCount(3, array_unique($focus));
        $this->post(route('studies.store', $study->dataset), ['measure' => 'leakage']);
        $new = Study::latest('id')->firstOrFail()->document();
        self::assertSame(['name', 'small'], [$new->part(LabelsPart::class)->end, $new->part(TextPart::class)->size]);
        // How things are calculated goes into new studies and, if so wanted, into those there are.
        $this->put(route('style.update'), [...$keep, 'name' => '', 'settings' => ['deviation' => 'population']]);
        self::assertSame(
            ['population', 'Apply house conventions'],
            [$study->refresh()->document()->part(ConventionsPart::class)->deviation, $study->undoable()],
        );
        $this->post(route('studies.store', $study->dataset), ['measure' => 'leakage']);
        $new = Study::latest('id')->firstOrFail()->document();
        self::assertSame('population', $new->part(ConventionsPart::class)->deviation);
        $this->put(route('style.update'), [...$keep, 'settings' => ['deviation' => 'some']])->assertSessionHasErrors();
        // Another colour goes into the studies there are, as one step that can be undone.
        $this->put(route('style.update'), [...$keep, 'name' => '', 'hues' => ['marl' => '5']]);
        self::assertSame(
            [5, 'Apply house colours'],
            [$study->refresh()->document()->focus['marl'], $study->undoable()],
        );
    }

    public function testAReaderSetsForAllPicturesWhatTheAuthorLeavesToReaders(): void
    {
        $rows = "Utility,Month,Leakage (Ml)\n";
        for ($month = 0; $month < 48; $month++) {
            $rows .= sprintf(
                "Veldmere,%1\$d-%2\$02d,%3\$d\nTarrow,%1\$d-%2\$02d,20\n",
                2020 + intdiv($month, 12),
                ($month % 12) + 1,
                60 - $month,
            );
        }
        $study = $this->imported($rows);
        $this->change($study, 'add-stop', ['stop' => 'rolling']);
        $this->change($study, 'add-stop', ['stop' => 'index']);
        $brief = Brief::begin('Board');
        $brief->add($study, null);
        $read = fn(array $choices): string => (string) $this->get(route('briefs.read', [$brief->token, ...$choices]))
            ->assertOk()
            ->getContent();
        $own = $read([]);
        self::assertStringNotContainsString('<form', $own);
        // What the author does not leave to readers cannot be set by address either.
        self::assertSame($own, $read(['base' => '2022', 'years' => '2021']));
        $this->put(route('briefs.update', $brief), ['controls' => ['', 'base', 'window']])->assertRedirect();
        $this->put(route('briefs.update', $brief), ['controls' => ['colour']])->assertSessionHasErrors();
        $set = $read(['base' => '2022', 'window' => 'month.6', 'years' => '2021', 'x' => '<script>']);
        self::assertStringContainsString('6-month mean, average of 2022 = 100', $set);
        self::assertStringContainsString('<option value="month.6" selected>6-month mean</option>', $set);
        self::assertStringNotContainsString('name="years"', $set);
        self::assertStringContainsString('base=2022&amp;window=month.6', $set);
        // The study itself stays as it was.
        self::assertStringContainsString('12-month mean, average of', $read([]));
        $this->get(route('briefs.pdf', [$brief->token, 'base' => '2022']))->assertOk();
    }

    public function testAStudyTravelsWithItsFigures(): void
    {
        $study = $this->imported(
            "Utility,Month,Leakage (Ml),Status\nVeldmere,2024-01,0.1,\nVeldmere,2024-02,,\nVeldmere,2024-03,14,p\n" .
                "Tarrow,2024-01,5,\nTarrow,2024-03,0,\n",
        );
        $this->added($study, "Utility,2023,2024\nVeldmere,900,1000\nTarrow,500,500\n", 'connections.csv');
        $this->added($study, "Utility,2023,2024\nVeldmere,1,2\nTarrow,3,4\n", 'staff.csv');
        $this->change($study, 'add-stop', ['stop' => 'per-denominator']);
        $json = (string) $this->get(route('hand-over', [$study, 'data.json']))->assertOk()->getContent();
        // What the study does not use stays at home.
        self::assertSame(['leakage', 'connections'], data_get(json_decode($json, true), 'data.measures.*.key'));
        $this->carried($json)->assertRedirect();
        $back = Study::latest('id')->firstOrFail();
        self::assertNotSame($study->dataset_id, $back->dataset_id);
        self::assertEquals($study->refresh()->document(), $back->document());
        foreach (['leakage', 'connections'] as $measure) {
            self::assertSame(
                serialize($study->data()->table($measure)->series),
                serialize($back->data()->table($measure)->series),
            );
            self::assertSame($study->data()->unsettled($measure), $back->data()->unsettled($measure));
        }
        foreach (
            [
                'no figures' => [
                    (string) $this->get(route('hand-over', [$study, 'json']))->getContent(),
                    'data: the file contains no data',
                ],
                'a text for a number' => [
                    str_replace('0.1', '"0.1x"', $json),
                    'data.series.0.values.0: must be a number',
                ],
                'another kind of period' => [
                    str_replace('"first": "2024-01"', '"first": "2024"', $json),
                    'data.series.0.first: must be a month',
                ],
                'a measure of no kind' => [
                    str_replace('"kind": "flow"', '"kind": "heap"', $json),
                    'data.measures.0.kind: can be flow, stock, rate',
                ],
                'a name without end' => [
                    str_replace('"name": "Tarrow"', '"name": "' . str_repeat('ab', 200) . '"', $json),
                    'data.entities.1.name: must be a text of 1 to 300 characters',
                ],
                'a series given twice' => [
                    str_replace('"entity": "tarrow"', '"entity": "veldmere"', $json),
                    'data.series.1: appears twice',
                ],
                'lines that lie millennia apart' => [
                    (string) preg_replace('/"first": "2024-01"/', '"first": "9999-01"', $json, 1),
                    'Check the first and the last date',
                ],
                'an unknown entity' => [
                    str_replace('"entity": "tarrow"', '"entity": "x"', $json),
                    'data.series.1.entity: is not one of the entities',
                ],
            ] as $what => [$content, $said]
        ) {
            $this->from('/')->followingRedirects();
            $this->carried($content)->assertSee($said, false);
            self::assertSame([2, 2], [Study::count(), Dataset::count()], $what);
        }
    }

    public function testFiguresAndBriefsForEverybodyFromTheCommandLine(): void
    {
        $study = $this->imported();
        self::assertSame(0, Artisan::call('study:figures', ['study' => (string) $study->id]));
        self::assertStringContainsString('2024-03,14,7,4', Artisan::output());
        self::assertSame(0, Artisan::call('study:figures', ['study' => (string) $study->id, '--json' => true]));
        $said = json_decode(Artisan::output(), true);
        self::assertSame(
            [['2024-01', '2024-02', '2024-03'], 'Veldmere', [10, 12, 14]],
            [data_get($said, 'periods'), data_get($said, 'lines.0.name'), data_get($said, 'lines.0.values')],
        );
        $brief = Brief::begin('Board');
        $brief->add($study, null);
        $folder = sys_get_temp_dir() . '/dusk-rail-briefs-' . getmypid();
        self::assertSame(
            0,
            Artisan::call('brief:render', ['brief' => 'Board', '--each' => true, '--out' => $folder, '--json' => true]),
        );
        $files = glob("{$folder}/*.pdf") ?: [];
        self::assertSame(
            ['board-marl.pdf', 'board-tarrow.pdf', 'board-veldmere.pdf'],
            array_map(basename(...), $files),
        );
        // An independent reader finds the words, each about its own entity.
        self::assertStringContainsString(
            'Tarrow: 7.0',
            (string) shell_exec('pdftotext ' . escapeshellarg($files[1]) . ' -'),
        );
        array_map(unlink(...), $files);
        // A page to point at, one below the other, and single pictures.
        $brief->add(null, "Mind <this>\nand that");
        $brief->add($study, null);
        foreach (
            ['html' => ['board.html'], 'svg' => ['board-1.svg', 'board-2.svg'], 'doc' => []] as $format => $expected
        ) {
            self::assertSame(
                $expected === [] ? 2 : 0,
                Artisan::call('brief:render', ['brief' => 'Board', '--format' => $format, '--out' => $folder]),
            );
            self::assertSame($expected, array_map(basename(...), glob("{$folder}/*.{$format}") ?: []));
        }
        $html = (string) file_get_contents("{$folder}/board.html");
        self::assertSame(
            [2, 0, 1],
            [substr_count($html, '<article>'), substr_count($html, 'http://'), substr_count($html, '<script>')],
        );
        self::assertStringContainsString('Mind &lt;this&gt;<br />', $html);
        self::assertStringContainsString('data-line="marl"', $html);
        self::assertSame(
            $html,
            str_replace("\r", '', (string) $this->get(route('briefs.file', $brief->token))->assertOk()->getContent()),
        );
        array_map(unlink(...), glob("{$folder}/*") ?: []);
        rmdir($folder);
    }

    /** @return TestResponse<Response> */
    private function carried(string $json): TestResponse
    {
        return $this->post(route('study-files.carried'), [
            'study' => UploadedFile::fake()->createWithContent('study.json', $json),
        ]);
    }
}
