<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Brief;
use App\Models\BriefBlock;
use Illuminate\Support\Facades\Artisan;

/** Pages of several studies: put together, read by whoever has the address, handed over as a PDF. */
final class BriefsTest extends ApplicationTestCase
{
    public function testABriefIsPutTogetherMovedAroundAndReadWithoutBeingChanged(): void
    {
        $study = $this->imported();
        $this->change($study, 'panels');
        $second = $this->imported(str_replace('Tarrow', 'Wendle', self::MONTHLY), 'other.csv');
        $this->post(route('briefs.store'), ['name' => 'For the board'])->assertRedirect();
        $brief = Brief::firstOrFail();
        foreach ([['study' => $study->id], ['text' => "First <line>\nsecond"], ['study' => $second->id]] as $add) {
            $this->put(route('briefs.update', $brief), $add)->assertRedirect();
        }
        $this->put(route('briefs.update', $brief), ['study' => 999])->assertSessionHasErrors('study');
        $text = BriefBlock::whereNotNull('text')->firstOrFail();
        $this->put(route('briefs.update', $brief), ['block' => $text->id, 'do' => 'up']);
        self::assertSame([$text->id], $brief->blocks()->limit(1)->pluck('id')->all());
        $this->put(route('briefs.update', $brief), ['block' => $text->id, 'do' => 'up']);
        self::assertSame(3, $brief->blocks()->count());
        $read = $this->get(route('briefs.read', $brief->token))
            ->assertOk()
            ->assertSeeInOrder(
                ['For the board', 'Returns, version 1 (The Forum, 2024)', 'First &lt;line&gt;<br />', 'Veldmere'],
                false,
            )
            // Whom one can look for: everybody on any of the pictures, once.
            ->assertSeeInOrder(
                ['data-line="marl"', 'data-line="tarrow"', 'data-line="veldmere"', 'data-line="wendle"'],
                false,
            )
            ->assertDontSee('hx-post', false)
            ->assertDontSee('method="post"', false);
        // Two pictures on one page have no id in common.
        preg_match_all('/ id="([^"]+)"/', (string) $read->getContent(), $ids);
        self::assertSame($ids[1], array_values(array_unique($ids[1])));
        $this->get(route('briefs.read', 'guessed'))->assertNotFound();
        $this->get(route('data.index'))->assertSee('For the board')->assertSee('3 blocks');
        // A study in the bin keeps its place in the brief, which is read without it; a brief leaves the studies.
        $this->delete(route('studies.destroy', $study))->assertRedirect();
        $this->get(route('briefs.show', $brief))->assertOk()->assertSee('This study was deleted.');
        $left = (string) $this->get(route('briefs.read', $brief->token))->assertOk()->getContent();
        self::assertLessThan(substr_count((string) $read->getContent(), '<svg'), substr_count($left, '<svg'));
        $this->post(route('bin.restore', ['study', $study->id]))->assertRedirect(route('studies.show', $study));
        $this->get(route('briefs.show', $brief))->assertOk()->assertDontSee('This study was deleted.');
        $this->delete(route('briefs.destroy', $brief))->assertRedirect();
        self::assertSame(0, Brief::count());
        $this->get(route('studies.show', $second))->assertOk();
    }

    public function testABlockMovesDownAndUpByOnePlaceAndNotBeyondTheEnds(): void
    {
        $brief = Brief::begin('Board');
        foreach (['One', 'Two', 'Three', 'Four'] as $text) {
            $brief->add(null, $text);
        }
        $two = $brief->blocks()->where('text', 'Two')->sole();
        $order = function (string ...$moves) use ($brief, $two): string {
            foreach ($moves as $move) {
                $this->put(route('briefs.update', $brief), ['block' => $two->id, 'do' => $move])->assertRedirect();
            }

            return $brief->blocks()->pluck('text')->implode(' ');
        };
        self::assertSame('One Three Two Four', $order('down'));
        self::assertSame('One Three Four Two', $order('down', 'down', 'down'));
        self::assertSame('Two One Three Four', $order('up', 'up', 'up', 'up'));
    }

    public function testABriefFollowsItsStudiesAndSaysWhereOneCannotBeDrawn(): void
    {
        $study = $this->imported();
        $brief = Brief::begin('Monthly');
        $brief->add($study, null);
        $this->change($study, 'words', ['part' => 'headline', 'text' => 'Veldmere: {value Veldmere}']);
        $this->get(route('briefs.read', $brief->token))->assertSee(': 14.0');
        $this->added(
            $study,
            "Utility,Month,Leakage (Ml)\nVeldmere,2024-04,20\nTarrow,2024-04,9\nMarl,2024-04,3\n",
            'april.csv',
        );
        $this->get(route('briefs.read', $brief->token))->assertSee(': 20.0')->assertSee('version 2');
        // Looking at the study in another view is none of the brief's readers' business; the brief has its own.
        $this->change($study, 'view', ['view' => 'stack']);
        $this->change($study, 'add-stop', ['stop' => 'index']);
        $this->get(route('briefs.read', $brief->token))->assertOk()->assertDontSee('cannot be summed');
        $block = $brief->blocks()->firstOrFail();
        $this->put(route('briefs.update', $brief), ['block' => $block->id, 'view' => 'none'])->assertSessionHasErrors();
        $this->put(route('briefs.update', $brief), ['block' => $block->id, 'view' => 'stack'])->assertRedirect();
        $this->get(route('briefs.read', $brief->token))->assertOk()->assertSee('cannot be summed');
    }

    public function testABriefIsAPdfOfACoverAndAPageAStudy(): void
    {
        $study = $this->imported();
        $brief = Brief::begin('For the board – “März”');
        $brief->add(null, "*Bad news* first.\n" . 'A long story. ' . str_repeat('It goes on and on. ', 30));
        $brief->add($study, null);
        $brief->add($study, null);
        $brief->add(null, 'The end.');
        $pdf = (string) $this->get(route('briefs.pdf', $brief->token))
            ->assertOk()
            ->assertHeader('Content-Disposition', 'attachment; filename="for-the-board-marz.pdf"')
            ->getContent();
        $path = (string) tempnam(sys_get_temp_dir(), 'dusk');
        file_put_contents($path, $pdf);
        $about = (string) shell_exec('pdfinfo -l -1 ' . escapeshellarg($path));
        $text = (string) shell_exec('pdftotext ' . escapeshellarg($path) . ' -');
        unlink($path);
        self::assertMatchesRegularExpression('/Title: +For the board – “März”\n/', $about);
        self::assertMatchesRegularExpression('/Pages: +4\n/', $about);
        self::assertSame(4, substr_count($about, '960 x 540 pts'));
        self::assertStringContainsString('Bad news first.', $text);
        $this->get(route('briefs.read', $brief->token))->assertSee('<b>Bad news</b> first.<br />', false);
        $this->get(route('briefs.file', $brief->token))->assertSee('<b>Bad news</b> first.<br />', false);
        $folder = sys_get_temp_dir() . '/dusk-rail-brief-' . getmypid();
        self::assertSame(
            0,
            Artisan::call('brief:render', ['brief' => 'For the board – “März”', '--out' => $folder, '--json' => true]),
        );
        self::assertStringStartsWith('%PDF-', (string) file_get_contents("{$folder}/for-the-board-marz.pdf"));
        unlink("{$folder}/for-the-board-marz.pdf");
        rmdir($folder);
        self::assertSame(2, Artisan::call('brief:render', ['brief' => 'Nobody']));
        self::assertStringContainsString('There are: For the board – “März”.', Artisan::output());
    }
}
