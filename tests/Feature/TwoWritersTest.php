<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Data\ChangedMeanwhile;
use App\Data\RevisionWriter;
use App\Data\SeriesKey;
use App\Data\StoredData;
use App\Data\Versions;
use App\Jobs\ImportUpload;
use App\Maintenance\Check;
use App\Models\Brief;
use App\Models\Dataset;
use App\Models\ImportedFile;
use App\Models\Study;
use App\Models\StudyRevision;
use DuskRail\Data\Status;
use DuskRail\Document\StudyDocument;
use DuskRail\Time\Period;
use Illuminate\Database\Events\TransactionBeginning;
use Illuminate\Database\QueryException;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Event;
use Illuminate\Support\Facades\Schema;
use Illuminate\Support\Str;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Group;
use PHPUnit\Framework\Attributes\TestWith;

/** Two at once, or one that fails halfway: nothing is lost, nothing is there twice, and nothing is half there. */
final class TwoWritersTest extends ApplicationTestCase
{
    public function testACorrectionOfAVersionThatIsNoLongerTheNewestIsRefusedAndLosesNothing(): void
    {
        $dataset = $this->imported()->dataset;
        // Both have read version 1; the second would write over the first without knowing.
        [$first, $second] = [Dataset::findOrFail($dataset->id), Dataset::findOrFail($dataset->id)];
        $this->correct($first, '2024-01', 99.0);
        try {
            $this->correct($second, '2024-02', 77.0);
            self::fail('A correction was made on a version that is no longer the newest.');
        } catch (ChangedMeanwhile $problem) {
            self::assertStringContainsString('newer version', $problem->getMessage());
        }
        self::assertSame([99.0, 5.0, 7.0], $this->tarrow($dataset));
        self::assertSame([1, 2], ImportedFile::orderBy('version')->pluck('version')->all());
    }

    public function testAnImportThatWasReadBeforeACorrectionBecomesTheVersionAfterIt(): void
    {
        $study = $this->imported()->load('dataset');
        $this->correct(Dataset::findOrFail($study->dataset_id), '2024-01', 99.0);
        // The worker's model still says version 1: it was read minutes ago.
        self::assertSame(1, $study->dataset->version);
        $this->added($study, "Utility,Month,Leakage (Ml)\nTarrow,2024-03,8\nTarrow,2024-04,9\n", 'april.csv');
        self::assertSame([99.0, 5.0, 8.0, 9.0], $this->tarrow($study->dataset));
        self::assertSame([1, 2, 3], ImportedFile::orderBy('version')->pluck('version')->all());
        self::assertSame(
            0,
            DB::table('series')
                ->whereNull('until')
                ->groupBy('measure_id', 'entity_id')
                ->havingRaw('count(*) > 1')
                ->count(),
        );
    }

    public function testTheDatabaseItselfKeepsAVersionAndASeriesFromBeingThereTwice(): void
    {
        $this->imported();
        foreach (['imported_files', 'series'] as $table) {
            $row = (array) DB::table($table)->first();
            unset($row['id']);
            try {
                DB::table($table)->insert($row);
                self::fail("{$table} takes the same row twice.");
            } catch (QueryException $problem) {
                self::assertStringContainsString('UNIQUE', $problem->getMessage());
            }
        }
    }

    #[TestWith(['correct'])]
    #[TestWith(['restore'])]
    #[TestWith(['import'])]
    public function testAVersionThatFailsAtItsLastStepLeavesNothingBehind(string $way): void
    {
        $study = $this->imported();
        $this->added($study, "Utility,Month,Leakage (Ml)\nTarrow,2024-01,6\n", 'second.csv');
        $dataset = Dataset::findOrFail($study->dataset_id);
        $before = [$this->tarrow($dataset), ImportedFile::count(), serialize(DB::table('series')->get()->all())];
        DB::statement("create trigger full_disk before update on datasets begin select raise(abort, 'disk full'); end");
        try {
            match ($way) {
                'correct' => $this->correct($dataset, '2024-01', 99.0),
                'restore' => (new Versions($dataset))->restore(1),
                default => $this->added($study, "Utility,Month,Leakage (Ml)\nTarrow,2024-02,1\n", 'third.csv'),
            };
            self::fail('The version was written in spite of the failure.');
        } catch (QueryException $problem) {
            self::assertStringContainsString('disk full', $problem->getMessage());
        }
        self::assertSame($before, [
            $this->tarrow($dataset),
            ImportedFile::count(),
            serialize(DB::table('series')->get()->all()),
        ]);
        self::assertSame(2, Dataset::findOrFail($dataset->id)->version);
    }

    /** @return iterable<string, array{string, callable(self, Study, Study): mixed}> */
    public static function requests(): iterable
    {
        $fails = "raise(abort, 'disk full')";
        yield 'a new study' => [
            "before update of revision_id on studies begin select {$fails}; end",
            static fn(self $test, Study $study): mixed => RevisionWriter::begin($study->dataset, $study->document()),
        ];
        yield 'an edit' => [
            "before update of revision_id on studies begin select {$fails}; end",
            static fn(self $test, Study $study): mixed => $test->change($study, 'rename', ['name' => 'New']),
        ];
        yield 'a data set' => [
            "before update of version on datasets begin select {$fails}; end",
            static fn(self $test): mixed => $test->imported(self::MONTHLY, 'another.csv'),
        ];
        yield 'names of measures' => [
            "before insert on study_revisions begin select {$fails}; end",
            static fn(self $test, Study $study): mixed => $test->patch(route('datasets.measures', $study->dataset), [
                'measures' => [
                    $study->dataset->measures->firstOrFail()->id => [
                        'name' => 'Losses',
                        'unit' => 'Ml',
                        'kind' => 'flow',
                        'better' => 'lower',
                    ],
                ],
            ]),
        ];
        yield 'names of entities' => [
            "before update on entities begin select {$fails}; end",
            static fn(self $test, Study $study): mixed => $test->patch(route('datasets.entities', $study->dataset), [
                'entities' => [$study->dataset->entities->firstOrFail()->id => ['name' => 'Veldmere Water']],
            ]),
        ];
        yield 'the look given to two others' => [
            "before insert on study_revisions when new.study_id = 2 and new.summary like 'Apply%' " .
            "begin select {$fails}; end",
            static fn(self $test, Study $study, Study $other): mixed => $test->post(
                route('style.store', Study::findOrFail(3)),
                ['to' => [$study->id, $other->id]],
            ),
        ];
        yield 'the finish of the house' => [
            "before insert on study_revisions begin select {$fails}; end",
            static fn(self $test, Study $study): mixed => $test->put(route('style.update'), [
                'from' => (string) $study->id,
                'size' => 'small',
                'settings' => ['source' => 'From {source}', 'ground' => 'night'],
                'name' => 'Veldmere',
                'hue' => '4',
                'everywhere' => '1',
            ]),
        ];
        yield 'the order of a brief' => [
            "before update on brief_blocks when old.id = 1 begin select {$fails}; end",
            static function (): void {
                $brief = Brief::findOrFail(1);

                $brief->move($brief->blocks->last() ?? self::fail('The brief is empty.'), -1);
            },
        ];
        yield 'a study that carries its figures' => [
            "before update of revision_id on studies begin select {$fails}; end",
            static function (self $test, Study $study): mixed {
                $json = (string) $test->get(route('hand-over', [$study, 'data.json']))->getContent();

                return $test->post(route('study-files.carried'), [
                    'study' => UploadedFile::fake()->createWithContent('study.json', $json),
                ]);
            },
        ];
    }

    /**
     * The database refuses the last thing that is written, as where the disk is full or the process is killed there.
     *
     * @param callable(self, Study, Study): mixed $request
     */
    #[Group('slow')]
    #[DataProvider('requests')]
    public function testWhatFailsAtItsLastStepLeavesNothingBehind(string $trigger, callable $request): void
    {
        $study = $this->imported();
        $this->change($study, 'add-stop', ['stop' => 'formula']);
        $this->change($study, 'change-stop', ['id' => 's1', 'settings' => ['text' => 'here + Leakage']]);
        $other = RevisionWriter::begin($study->dataset, $study->document());
        RevisionWriter::begin($study->dataset, $study->document());
        $brief = Brief::begin('Board');
        foreach (['One', 'Two'] as $text) {
            $brief->add(null, $text);
        }
        $this->withoutExceptionHandling();
        $study = Study::findOrFail($study->id);
        // What the request itself begins with is not what is asked about.
        DB::statement("create trigger full_disk {$trigger}");
        $before = self::everything();
        try {
            $request($this, $study, $other);
            self::fail('It was written in spite of the failure.');
        } catch (QueryException $problem) {
            self::assertStringContainsString('disk full', $problem->getMessage());
        }
        self::assertSame($before, self::everything());
    }

    /** @return array<string, string> every row of every table that people's work is in */
    private static function everything(): array
    {
        $rows = [];
        foreach (Schema::getTableListing(null, false) as $table) {
            if (!in_array($table, ['uploads', 'sqlite_sequence'], true)) {
                $rows[$table] = serialize(DB::table($table)->get()->all());
            }
        }

        return $rows;
    }

    public function testACorrectionThatALaterFileReplacedIsNotTakenBack(): void
    {
        $study = $this->imported();
        $dataset = $study->dataset;
        $this->correct(Dataset::findOrFail($dataset->id), '2024-01', 99.0);
        $correction = ImportedFile::where('kind', 'correction')->sole();
        $button = route('corrections.destroy', [$dataset, $correction]);
        $this->get(route('datasets.show', $dataset))->assertSee($button, false);
        $this->added($study, "Utility,Month,Leakage (Ml)\nTarrow,2024-01,50\n", 'later.csv');
        $this->get(route('datasets.show', $dataset))->assertDontSee($button, false);
        $this->delete($button)->assertSessionHasErrors(['correction']);
        self::assertSame([50.0, 5.0, 7.0], $this->tarrow($dataset));
    }

    public function testACorrectionIsTakenBackInItsOwnDataSetAlone(): void
    {
        $own = $this->imported()->dataset;
        $other = $this->imported(str_replace('Leakage', 'Loss', self::MONTHLY), 'other.csv')->dataset;
        $this->correct(Dataset::findOrFail($own->id), '2024-01', 99.0);
        $correction = ImportedFile::where('kind', 'correction')->sole();
        $this->delete(route('corrections.destroy', [$other, $correction]))->assertNotFound();
        self::assertSame([99.0, 5.0, 7.0], $this->tarrow($own));
        self::assertSame(1, $other->refresh()->version);
        // An import is no correction, so there is nothing to take back of it.
        $this->delete(route('corrections.destroy', [$own, $own->files->firstWhere('version', 1)]))->assertNotFound();
    }

    public function testOfManyEditsOfAnotherWindowTheFirstAreNamed(): void
    {
        $study = $this->imported();
        $seen = ['X-Revision' => (string) $study->revision_id];
        foreach (['A', 'B', 'C', 'D', 'E'] as $name) {
            $this->change($study, 'rename', ['name' => $name])->assertOk();
        }
        $this->post(route('changes.store', $study), ['change' => 'view', 'view' => 'sparks'], $seen)
            ->assertOk()
            ->assertSee('nother window made this change in the meantime')
            ->assertSee('and 2 more.');
    }

    public function testAnEditMadeOnARevisionThatIsNoLongerInForceIsRefusedAndBothNamesAreTrue(): void
    {
        $study = $this->imported();
        [$first, $second] = [Study::findOrFail($study->id), Study::findOrFail($study->id)];
        RevisionWriter::write($first, $first->document()->withName('A'), 'Rename to A', $first->revision_id);
        try {
            RevisionWriter::write($second, $second->document(), 'Another edit', $second->revision_id);
            self::fail('An edit went on from a revision that is no longer in force.');
        } catch (ChangedMeanwhile $problem) {
            self::assertStringContainsString('changed in the meantime', $problem->getMessage());
        }
        // One that holds for whatever is in force goes on top of the first, and the name is the document's.
        RevisionWriter::write($second, $second->document()->withName('B'), 'Rename to B');
        $now = Study::findOrFail($study->id);
        self::assertSame(['B', 'B'], [$now->name, $now->document()->name]);
        self::assertSame('Rename to A', StudyRevision::findOrFail($now->revision?->parent_id)->summary);
        $this->put(route('history.update', $now), ['step' => 'undo'])->assertOk();
        $now = Study::findOrFail($study->id);
        self::assertSame(['A', 'A'], [$now->name, $now->document()->name]);
    }

    public function testACorrectionBetweenTheReadingAndTheWritingOfAFileIsKept(): void
    {
        $study = $this->imported();
        // All is prepared, and the file is about to be written: that is when somebody corrects a value.
        $corrected = false;
        Event::listen(TransactionBeginning::class, function () use ($study, &$corrected): void {
            if (!$corrected) {
                $corrected = true;
                $this->correct(Dataset::findOrFail($study->dataset_id), '2024-01', 99.0);
            }
        });
        $this->added($study, "Utility,Month,Leakage (Ml)\nTarrow,2024-03,8\nTarrow,2024-04,9\n", 'april.csv');
        self::assertSame([99.0, 5.0, 8.0, 9.0], $this->tarrow($study->dataset));
        self::assertSame([1, 2, 3], ImportedFile::orderBy('version')->pluck('version')->all());
        self::assertSame([], (new Check(DB::connection()))->problems());
    }

    public function testPeerSetsThatTwoWindowsSaveAtOnceAreBothKept(): void
    {
        $dataset = $this->imported()->dataset;
        $set = static fn(string $name): array => ['name' => $name, 'kind' => 'hand', 'hand' => ['tarrow', 'marl']];
        // The data set has been read, and the set is about to be written: that is when another window saves its own.
        $saved = false;
        Event::listen(TransactionBeginning::class, function () use ($dataset, $set, &$saved): void {
            if (!$saved) {
                $saved = true;
                $this->post(route('peer-sets.store', $dataset), $set('First'))->assertRedirect();
            }
        });
        $this->post(route('peer-sets.store', $dataset), $set('Second'))->assertRedirect();
        $names = array_column(Dataset::findOrFail($dataset->id)->asPeerSets(), 'name');
        sort($names);
        self::assertSame(['First', 'Second'], $names);
    }

    public function testTheSameSentTwiceIsDoneOnce(): void
    {
        $upload = $this->brought(self::MONTHLY);
        $upload->update(['state' => 'waiting']);
        // Two workers have taken the same job.
        foreach ([1, 2] as $_) {
            (new ImportUpload($upload->id, 'Returns', '', '', false))->handle();
        }
        self::assertSame([1, 1], [Dataset::count(), Study::count()]);
        $this->post(route('imports.store', $upload), ['name' => 'Again'])->assertOk();
        $this->post(route('imports.store', $upload), ['name' => 'Again'])->assertNoContent();
        $dataset = Dataset::sole();
        foreach (
            [
                [route('briefs.store'), ['name' => 'Board'], Brief::class],
                [route('studies.store', $dataset), ['measure' => 'leakage'], Study::class],
            ] as [$place, $input, $model]
        ) {
            $before = $model::count();
            $page = (string) $this->get('/')->assertOk()->getContent();
            self::assertStringContainsString('name="once"', $page);
            $once = ['once' => (string) Str::uuid()];
            $first = $this->post($place, [...$input, ...$once])->assertRedirect();
            $this->post($place, [...$input, ...$once])->assertRedirect((string) $first->headers->get('Location'));
            self::assertSame($before + 1, $model::count());
            // Another form is another wish; and what was refused can be mended and sent again.
            $this->post($place, [...$input, 'once' => (string) Str::uuid()])->assertRedirect();
            self::assertSame($before + 2, $model::count());
        }
        $once = ['once' => (string) Str::uuid()];
        $this->post(route('briefs.store'), ['name' => '', ...$once])->assertSessionHasErrors();
        $this->post(route('briefs.store'), ['name' => 'Mended', ...$once])->assertSessionHasNoErrors();
        self::assertTrue(Brief::where('name', 'Mended')->exists());
    }

    /**
     * Two windows show one revision; the first edits, then the second, which has not seen it.
     *
     * @param array<array-key, mixed> $first
     * @param array<array-key, mixed> $second
     */
    #[TestWith([['rename', 'name' => 'A'], ['rename', 'name' => 'B'], 409])]
    #[TestWith([['words', 'part' => 'headline', 'text' => 'A'], ['words', 'part' => 'headline', 'text' => 'B'], 409])]
    #[TestWith([['remove-stop', 'id' => 's1'], ['change-stop', 'id' => 's1', 'settings' => ['window' => '3']], 409])]
    #[TestWith([
        ['state', 'entity' => 'tarrow', 'state' => 'off'],
        ['state', 'entity' => 'tarrow', 'state' => 'focus'],
        409,
    ])]
    #[TestWith([['rename', 'name' => 'A'], ['rename', 'name' => 'A'], 200])]
    #[TestWith([['rename', 'name' => 'A'], ['words', 'part' => 'headline', 'text' => 'B'], 200])]
    #[TestWith([['add-stop', 'stop' => 'change'], ['add-stop', 'stop' => 'rank'], 200])]
    #[TestWith([
        ['state', 'entity' => 'tarrow', 'state' => 'focus'],
        ['state', 'entity' => 'marl', 'state' => 'focus'],
        200,
    ])]
    #[Group('slow')]
    public function testTwoEditsAtOnceAreBothMadeUnlessTheyTouchTheSameThing(
        array $first,
        array $second,
        int $status,
    ): void {
        $study = $this->imported();
        $this->change($study, 'add-stop', ['stop' => 'rolling', 'settings' => ['window' => '2']]);
        $seen = ['X-Revision' => (string) $study->refresh()->revision_id];
        $edit = fn(array $edit) => $this->post(
            route('changes.store', $study),
            ['change' => $edit[0], ...array_slice($edit, 1)],
            $seen,
        );
        $edit($first)->assertOk();
        $after = $study->refresh()->document();
        $response = $edit($second)->assertStatus($status)->assertSee('id="workspace"', false);
        $now = $study->refresh()->document();
        if ($status === 409) {
            // It is told what came between, the page shows it, and nothing of it is written over.
            $response->assertSee('Your change was not made: another window made this change in the meantime');
            self::assertEquals($after, $now);
        } else {
            // Each is in what is there now: carrying it out again changes nothing.
            $count = StudyRevision::count();
            foreach ($first[0] === 'add-stop' ? [] : [$first, $second] as $made) {
                $this->post(route('changes.store', $study), ['change' => $made[0], ...array_slice($made, 1)]);
            }
            self::assertSame($count, StudyRevision::count());
            self::assertCount($first[0] === 'add-stop' ? 3 : 1, $now->rail->stops);
        }
    }

    public function testUndoTakesNothingBackThatItsPageHasNotSeen(): void
    {
        $study = $this->imported();
        $this->change($study, 'rename', ['name' => 'Mine']);
        $seen = (string) $study->refresh()->revision_id;
        $this->change($study, 'rename', ['name' => 'Another']);
        $undo = fn(string $revision) => $this->put(
            route('history.update', $study),
            ['step' => 'undo'],
            ['X-Revision' => $revision],
        );
        $undo($seen)->assertStatus(409)->assertSee('Nothing was undone')->assertSee('Rename');
        self::assertSame('Another', $study->refresh()->name);
        $this->getJson(route('history.show', $study))->assertJsonPath('revision', $study->revision_id);
        $undo((string) $study->revision_id)->assertOk();
        self::assertSame('Mine', $study->refresh()->name);
    }

    public function testRedoLeadsAlongTheNewestOfSeveralBranchesAndALongSummaryIsCut(): void
    {
        $study = $this->imported();
        foreach (['First', 'Second'] as $name) {
            $this->change($study, 'rename', ['name' => $name])->assertOk();
            $this->put(route('history.update', $study), ['step' => 'undo'])->assertOk();
        }
        $this->put(route('history.update', $study), ['step' => 'redo'])->assertSee('Second');
        self::assertSame('Second', $study->refresh()->name);
        RevisionWriter::write($study, $study->document(), str_repeat('Veldmere ü ', 60));
        $summary = $study->refresh()->revision->summary ?? '';
        self::assertSame(200, mb_strwidth($summary));
        self::assertStringEndsWith('…', $summary);
        self::assertEquals($study->document(), StudyDocument::read($study->revision->document ?? []));
    }

    private function correct(Dataset $dataset, string $period, float $value): void
    {
        (new Versions($dataset))->correct(
            new SeriesKey(
                $dataset->measures->firstOrFail(),
                $dataset->entities->firstWhere('key', 'tarrow') ?? self::fail('There is no Tarrow.'),
            ),
            Period::parse($period)->ordinal,
            $value,
            Status::Measured,
            'meter read twice',
        );
    }

    /** @return list<float> leakage at Tarrow as it is */
    private function tarrow(Dataset $dataset): array
    {
        return (new StoredData(Dataset::findOrFail($dataset->id)))->table('leakage')->series['tarrow']->values;
    }
}
