<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Maintenance\Bin;
use App\Maintenance\Check;
use App\Maintenance\Cleanup;
use App\Models\Brief;
use App\Models\Dataset;
use App\Models\Study;
use App\Models\StudyRevision;
use App\Models\Upload;
use Illuminate\Filesystem\Filesystem;
use Illuminate\Support\Facades\DB;
use PDO;
use PHPUnit\Framework\Attributes\Group;
use Symfony\Component\Process\Process;

/** What is deleted, backed up, brought back, looked over and tidied away. */
final class MaintenanceTest extends ApplicationTestCase
{
    private string $folder = '';

    protected function tearDown(): void
    {
        if ($this->folder !== '') {
            (new Filesystem())->deleteDirectory($this->folder);
        }
        parent::tearDown();
    }

    public function testADeletedDataSetComesBackWithTheStudiesThatWentWithIt(): void
    {
        $study = $this->imported();
        $before = Study::latest('id')->firstOrFail();
        $this->post(route('studies.store', $study->dataset), ['measure' => 'leakage']);
        $other = Study::latest('id')->firstOrFail();
        $brief = Brief::begin('Board');
        $brief->add($study, null);
        // One went before its data set did, and stays where it is.
        $this->delete(route('studies.destroy', $other))->assertRedirect();
        $this->travel(1)->minutes();
        $this->delete(route('datasets.destroy', $study->dataset))->assertRedirect();
        $this->get('/')->assertOk()->assertSee('Load the demo');
        $this->get(route('briefs.read', $brief->token))->assertOk();
        $this->get(route('datasets.show', $study->dataset_id))->assertNotFound();
        $this->get(route('bin.show'))
            ->assertOk()
            ->assertSee('data set with its studies')
            ->assertDontSee('study, deleted');
        $this->post(route('bin.restore', ['dataset', $study->dataset_id]))->assertRedirect();
        self::assertSame([$before->id], Study::pluck('id')->all());
        $this->get(route('studies.show', $study))->assertOk()->assertSee('Veldmere');
        $this->post(route('bin.restore', ['study', $other->id]))->assertRedirect();
        $this->post(route('bin.restore', ['study', 99]))->assertNotFound();
        $this->post('/bin/users/1')->assertNotFound();
        // After thirty days it is gone for good.
        Bin::put($study->dataset);
        $this->travel(Bin::DAYS - 1)->days();
        Cleanup::all();
        self::assertSame(1, Dataset::withTrashed()->count());
        $this->travel(2)->days();
        Cleanup::all();
        self::assertSame([0, 0], [Dataset::withTrashed()->count(), Study::withTrashed()->count()]);
    }

    public function testTidyingTakesNothingThatIsShownOrCanBeUndone(): void
    {
        $study = $this->imported();
        foreach (['A', 'B', 'C'] as $name) {
            $this->change($study, 'rename', ['name' => $name]);
        }
        $this->put(route('history.update', $study), ['step' => 'undo']);
        $this->put(route('history.update', $study), ['step' => 'undo']);
        $this->change($study, 'rename', ['name' => 'D']);
        // Created, A, B, C, D: from D undo leads to A and the beginning; B and C are out of reach.
        self::assertSame(5, StudyRevision::count());
        $left = $this->brought(self::MONTHLY, 'left.csv');
        $stray = storage_path('app/uploads/stray.part');
        touch($stray, time() - 7_200);
        Cleanup::all();
        self::assertCount(5, StudyRevision::all());
        self::assertFileDoesNotExist($stray);
        self::assertFileExists($left->path());
        $this->travel(31)->days();
        Cleanup::all();
        self::assertSame(['Study created', 'Rename to A', 'Rename to D'], StudyRevision::pluck('summary')->all());
        self::assertFileDoesNotExist($left->path());
        self::assertSame(0, Upload::count());
        foreach (['A', 'Leakage'] as $name) {
            $this->put(route('history.update', $study), ['step' => 'undo'])->assertOk();
            self::assertSame($name, $study->refresh()->name);
        }
        self::assertSame([], (new Check(DB::connection()))->problems());
    }

    public function testWhatABrokenDatabaseHoldsIsFoundAndNamed(): void
    {
        $study = $this->imported();
        self::assertSame([], (new Check(DB::connection()))->problems());
        foreach (
            [
                'update datasets set version = 7' => 'whose version does not match',
                'update series set until = 1 where id = 1' => 'ends before it begins',
                'update series set "values" = cast("values" as text) where id = 1' => 'not stored as bytes',
                'update series set since = 5 where id = 1' => 'a version that is not there',
                'update studies set revision_id = null' => 'without a revision',
                "update study_revisions set document = '{\"format\": \"x\"}'" => "Study {$study->id} cannot be read",
                'insert into series select 9999, measure_id, entity_id, imported_file_id, 1, 2, first, "values", ' .
                'statuses, places, cell from series where id = 1' => 'hold at one time',
            ] as $damage => $said
        ) {
            DB::beginTransaction();
            DB::statement($damage);
            self::assertStringContainsString($said, implode(' ', (new Check(DB::connection()))->problems()), $damage);
            DB::rollBack();
        }
    }

    #[Group('slow')]
    public function testABackupIsWholeComesBackAndAnOlderOneIsBroughtUpToDate(): void
    {
        $this->folder = sys_get_temp_dir() . '/dusk-rail-keeping-' . getmypid();
        mkdir("{$this->folder}/storage/framework/cache/data", recursive: true);
        touch("{$this->folder}/test.sqlite");
        file_put_contents("{$this->folder}/in.csv", self::MONTHLY);
        $this->artisanIn('data:upgrade');
        $this->artisanIn('data:import', "{$this->folder}/in.csv", '--name=First');
        $this->artisanIn('data:backup', "{$this->folder}/one.duskrail");
        $this->artisanIn('data:import', "{$this->folder}/in.csv", '--name=Second');
        self::assertStringContainsString('No errors', $this->artisanIn('data:check', "{$this->folder}/one.duskrail"));
        // A damaged one is refused, and so is one of a newer program; nothing is changed then.
        $bytes = (string) file_get_contents("{$this->folder}/one.duskrail");
        file_put_contents("{$this->folder}/cut.duskrail", substr($bytes, 0, -2_000));
        self::assertStringContainsString(
            'Nothing was changed',
            $this->artisanIn('!data:restore', "{$this->folder}/cut.duskrail", '--force'),
        );
        self::assertSame(['First', 'Second'], $this->names());
        self::assertStringContainsString(
            'was restored',
            $this->artisanIn('data:restore', "{$this->folder}/one.duskrail", '--force'),
        );
        self::assertSame(['First'], $this->names());
        // What was there before is kept.
        $kept = glob("{$this->folder}/storage/app/backups/*") ?: [];
        self::assertCount(1, $kept);
        $this->artisanIn('data:restore', $kept[0], '--force');
        self::assertSame(['First', 'Second'], $this->names());
        // The database of an older program is put in place by hand: it is brought up to date, after a copy.
        unlink("{$this->folder}/test.sqlite");
        touch("{$this->folder}/test.sqlite");
        $earlier = array_slice(glob(database_path('migrations/*.php')) ?: [], 0, -2);
        $paths = array_map(static fn(string $path): string => "--path={$path}", $earlier);
        $this->artisanIn('migrate', '--realpath', '--force', ...$paths);
        $this->artisanIn('data:backup', "{$this->folder}/older.duskrail");
        self::assertStringContainsString('A copy of the data is in', $this->artisanIn('data:upgrade'));
        self::assertSame('', trim($this->artisanIn('data:upgrade')));
        $this->artisanIn('data:restore', "{$this->folder}/older.duskrail", '--force');
        self::assertStringContainsString('No errors', $this->artisanIn('data:check'));
        $this->database()->exec("insert into migrations (migration, batch) values ('2099_01_01_000000_later', 9)");
        $this->artisanIn('data:backup', "{$this->folder}/newer.duskrail");
        self::assertStringContainsString(
            'newer version',
            $this->artisanIn('!data:restore', "{$this->folder}/newer.duskrail", '--force'),
        );
    }

    #[Group('slow')]
    public function testOnADiskThatIsFullOrCanOnlyBeReadLookingGoesOnAndAChangeIsRefusedInWords(): void
    {
        $this->folder = sys_get_temp_dir() . '/dusk-rail-small-' . getmypid();
        mkdir($this->folder);
        $mount = new Process(['mount', '-t', 'tmpfs', '-o', 'size=16m', 'tmpfs', $this->folder]);
        if ($mount->run() !== 0) {
            self::markTestSkipped('This machine does not let a small disk be mounted.');
        }
        try {
            foreach (['framework/cache/data', 'framework/views', 'framework/sessions', 'app/uploads'] as $room) {
                mkdir("{$this->folder}/storage/{$room}", recursive: true);
            }
            touch("{$this->folder}/test.sqlite");
            file_put_contents("{$this->folder}/in.csv", self::MONTHLY);
            $this->artisanIn('data:upgrade');
            $this->artisanIn('data:import', "{$this->folder}/in.csv", '--name=Returns');
            self::assertSame(['200 shown', '302 '], $this->asked());
            (new Process(['dd', 'if=/dev/zero', "of={$this->folder}/fill", 'bs=1M', 'count=32']))->run();
            self::assertSame(['200 shown', '503 refused'], $this->asked());
            unlink("{$this->folder}/fill");
            (new Process(['mount', '-o', 'remount,ro', $this->folder]))->mustRun();
            self::assertStringContainsString('503 refused', implode(', ', $this->asked()));
        } finally {
            (new Process(['umount', $this->folder]))->run();
        }
    }

    /** @return list<string> what the first page and a new name of the data set come to, in a process of their own */
    private function asked(): array
    {
        $script = <<<'PHP'
        require 'vendor/autoload.php';
        $kernel = (require 'bootstrap/app.php')->make(Illuminate\Contracts\Http\Kernel::class);
        $words = ['server is read-only' => 'refused', 'server is full' => 'refused', 'Returns' => 'shown'];
        foreach ([['/', 'GET', []], ['/datasets/1', 'PATCH', ['name' => 'Returns ' . uniqid()]]] as $asked) {
            $answer = $kernel->handle(Illuminate\Http\Request::create(...$asked));
            $found = array_filter(array_keys($words), fn($part) => str_contains($answer->getContent(), $part));
                $out[] = $answer->getStatusCode() . ' ' . ($answer->isRedirect() ? '' : $words[reset($found)] ?? '');
        }
            echo implode("\n", $out);
        PHP;
        $process = new Process(['php', '-r', $script], base_path(), [...$this->environment(), 'APP_ENV' => 'testing']);
        $process->setTimeout(60);
        $process->run();

        return explode("\n", rtrim($process->getOutput(), "\n"));
    }

    private function database(): PDO
    {
        return new PDO("sqlite:{$this->folder}/test.sqlite");
    }

    /** @return array<array-key, mixed> names of the data sets */
    private function names(): array
    {
        $names = $this->database()->query('select name from datasets order by id');

        return $names === false ? [] : $names->fetchAll(PDO::FETCH_COLUMN);
    }

    /** @return array<string, string> */
    private function environment(): array
    {
        return [
            'LARAVEL_STORAGE_PATH' => "{$this->folder}/storage",
            'DB_DATABASE' => "{$this->folder}/test.sqlite",
            'APP_ENV' => 'local',
            'CACHE_STORE' => 'file',
            'SESSION_DRIVER' => 'file',
        ];
    }

    /** Runs a command on a database of its own; one that begins with ! must fail. */
    private function artisanIn(string $command, string ...$arguments): string
    {
        $process = new Process(
            ['php', 'artisan', ltrim($command, '!'), ...array_values($arguments)],
            base_path(),
            $this->environment(),
            timeout: 60,
        );
        $code = $process->run();
        self::assertSame($command[0] === '!' ? 1 : 0, $code, $process->getOutput() . $process->getErrorOutput());

        return $process->getOutput();
    }
}
