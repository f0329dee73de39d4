<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\CacheEntry;
use App\Models\Dataset;
use App\Models\Entity;
use App\Models\Study;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;

/** Studies as cards that are kept and stay true, one search field over all, and what can be done with a study there. */
final class FirstPageTest extends ApplicationTestCase
{
    public function testTheDemoIsNotPutBesideWhatIsThere(): void
    {
        $this->imported();
        $this->post(route('demo.load'))->assertStatus(422);
    }

    public function testACardIsKeptUntilItsStudyItsDataOrTheirNamesChange(): void
    {
        $study = $this->imported();
        $this->assertIsMadeAnew($study, 'Veldmere');
        // A revision.
        $this->change($study, 'words', ['part' => 'headline', 'text' => 'Half of it since 2024'])->assertOk();
        $this->assertIsMadeAnew($study, 'Half of it since 2024');
        $this->change($study, 'words', ['part' => 'headline', 'text' => 'It is {value Veldmere} now'])->assertOk();
        $this->assertIsMadeAnew($study, 'It is 14');
        // A version of the data.
        $this->correct($study, '99');
        $this->assertIsMadeAnew(Study::findOrFail($study->id), 'It is 99');
        // Names make no version.
        $this->change($study, 'words', ['part' => 'headline', 'text' => ''])->assertOk();
        $this->assertIsMadeAnew($study, 'Veldmere');
        $entity = Entity::where('name', 'Veldmere')->firstOrFail();
        $this->patch(route('datasets.entities', $study->dataset_id), [
            'entities' => [$entity->id => ['name' => 'Veldm']],
        ])->assertRedirect();
        $this->assertIsMadeAnew(Study::findOrFail($study->id), 'Veldm');
        // One that is pinned keeps its card while the data go on.
        Study::findOrFail($study->id)->update(['version' => 1]);
        $this->get(route('studies.card', $study))->assertOk();
        $this->correct($study, '50');
        $this->get('/')->assertOk()->assertDontSee('card waiting', false);
    }

    public function testThePageIsReadWhileSomebodyElseWrites(): void
    {
        $this->imported();
        DB::statement('create trigger refused before insert on cache_entries begin select raise(abort, \'no\'); end');
        $this->get('/')->assertOk()->assertSee('Jan 2024 – Mar 2024, monthly');
        self::assertSame(0, CacheEntry::count());
    }

    public function testOneFieldFindsStudiesDataSetsEntitiesAndMeasures(): void
    {
        $study = $this->imported();
        $other = $this->imported("Plant,Month,Output 100% (MWh)\nArvale,2024-01,1\nArvale,2024-02,2\n", 'plants.csv');
        $other->dataset->update(['name' => 'Plants']);
        $shown = fn(string $search): array => array_values(
            array_filter(
                [$study->id, $other->id],
                fn(int $id): bool => str_contains(
                    (string) $this->get(route('data.index', ['q' => $search]))->assertOk()->getContent(),
                    "id=\"card-{$id}\"",
                ),
            ),
        );
        self::assertSame([$study->id, $other->id], $shown(''));
        self::assertSame([$study->id], $shown('veldm'), 'an entity');
        self::assertSame([$other->id], $shown('plants'), 'a data set');
        self::assertSame([$other->id], $shown('100%'), 'a measure, and a per cent sign is one');
        self::assertSame([], $shown('1%0'));
        $this->get(route('data.index', ['q' => 'veldm']))->assertSee('has Veldmere');
        $this->get(route('data.index', ['q' => 'zzz']))->assertSee('Nothing matches “zzz”.');
        self::assertSame(
            [$other->id],
            array_values(
                array_filter(
                    [$study->id, $other->id],
                    fn(int $id): bool => str_contains(
                        (string) $this->get(route('data.index', ['dataset' => $other->dataset_id]))->getContent(),
                        "id=\"card-{$id}\"",
                    ),
                ),
            ),
        );
    }

    public function testAStudyIsCopiedRenamedAndOpenedFromAFileWhereTablesAreDropped(): void
    {
        $study = $this->imported();
        $this->change($study, 'words', ['part' => 'headline', 'text' => 'Half of it'])->assertOk();
        $this->post(route('studies.copy', $study))->assertRedirect(route('data.index'));
        $copy = Study::latest('id')->firstOrFail();
        self::assertSame("{$study->name} (copy)", $copy->name);
        self::assertSame('Half of it', $copy->document()->words->headline);
        $this->patch(route('studies.update', $copy), ['name' => 'Board paper'])->assertRedirect(route('data.index'));
        self::assertSame('Board paper', Study::findOrFail($copy->id)->document()->name);
        $this->put(route('history.update', $copy), ['step' => 'undo'])->assertOk();
        self::assertSame("{$study->name} (copy)", Study::findOrFail($copy->id)->name);
        $this->patch(route('studies.update', $copy), ['name' => ' '])->assertSessionHasErrors('name');
        // Both kinds of study file; the one without data belongs to the only data set that has its measure.
        foreach (['json', 'data.json'] as $format) {
            $file = (string) $this->get(route('hand-over', [$study, $format]))->assertOk()->getContent();
            $this->post(route('uploads.store'), ['file' => UploadedFile::fake()->createWithContent('a.json', $file)]);
            self::assertSame('Half of it', Study::latest('id')->firstOrFail()->document()->words->headline, $format);
        }
        self::assertSame([4, 2], [Study::count(), Dataset::count()]);
    }

    private function correct(Study $study, string $value): void
    {
        $of = ['measure' => 'leakage', 'entity' => 'veldmere', 'period' => '2024-03'];
        $given = ['value' => $value, 'why' => 'Meter read anew', 'status' => '0'];
        $this->post(route('corrections.store', $study->dataset_id), [...$of, ...$given])->assertSessionHasNoErrors();
    }

    private function assertIsMadeAnew(Study $study, string $said): void
    {
        $this->get('/')->assertOk()->assertSee('card waiting', false);
        $this->get(route('studies.card', $study))->assertOk()->assertSee($said, false);
        $this->get('/')->assertOk()->assertSee($said, false)->assertDontSee('card waiting', false);
    }
}
