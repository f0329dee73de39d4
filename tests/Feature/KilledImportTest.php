<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Jobs\ImportUpload;
use App\Models\Upload;
use Bench\BenchData;
use Illuminate\Foundation\Testing\TestCase;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use LogicException;
use PHPUnit\Framework\Attributes\Group;
use Symfony\Component\Process\Process;

/**
 * Large files are read by a worker of the queue: it can be called off, and killed, and the database is as it was
 * before.
 */
final class KilledImportTest extends TestCase
{
    private string $folder;

    protected function setUp(): void
    {
        parent::setUp();
        $this->folder = sys_get_temp_dir() . '/dusk-rail-killed-' . getmypid();
        mkdir($this->folder);
        touch("{$this->folder}/test.sqlite");
        config([
            'database.connections.sqlite.database' => "{$this->folder}/test.sqlite",
            'queue.default' => 'database',
        ]);
        DB::purge();
        $this->artisan('migrate', ['--force' => true]);
    }

    protected function tearDown(): void
    {
        foreach (Upload::all() as $upload) {
            $upload->discard();
        }
        DB::purge();
        array_map(unlink(...), glob("{$this->folder}/*") ?: []);
        rmdir($this->folder);
        parent::tearDown();
    }

    #[Group('slow')]
    public function testAWorkerThatIsKilledOrCalledOffLeavesNothingBehindAndAnotherGoesOn(): void
    {
        $small = $this->upload(BenchData::csv("{$this->folder}/small.csv", 3, 24));
        $this->start($small);
        $this->worker()->mustRun();
        self::assertSame([1, 3, 3, 1], $this->stored());

        $large = $this->upload(BenchData::csv("{$this->folder}/large.csv", 3_000, 120));
        $killed = 0;
        // While it writes, the log of the database grows; it is killed a little further on each time.
        $more = getenv('LONG_TESTS') === false ? 0 : 97;
        $moments = [
            400_000,
            1_200_000,
            2_400_000,
            ...array_map(static fn(): int => mt_rand(1, 2_500_000), range(1, 97)),
        ];
        foreach (array_slice($moments, 0, 3 + $more) as $written) {
            $this->start($large);
            $worker = $this->worker();
            DB::select('pragma wal_checkpoint(truncate)');
            $worker->start();
            while ($worker->isRunning()) {
                clearstatcache();
                if ((int) @filesize("{$this->folder}/test.sqlite-wal") > $written) {
                    // It may have come to its end meanwhile; then there is nothing to kill.
                    try {
                        $worker->signal(SIGKILL);
                        $killed++;
                    } catch (LogicException) {
                    }
                    break;
                }
                usleep(200);
            }
            $worker->wait();
            if ($large->refresh()->state === 'done') {
                self::fail('It came to its end before it could be killed; make the file larger.');
            }
            self::assertSame([1, 3, 3, 1], $this->stored());
            self::assertSame('ok', DB::scalar('pragma integrity_check'));
        }
        self::assertSame(3 + $more, $killed);
        // Its silence tells that it was killed, and it can be started again.
        touch($large->progress()->path, time() - 100);
        self::assertFalse($large->isUnderWay());
        self::assertStringContainsString('interrupted. Nothing was stored', $large->message);

        // Called off while it reads, it stores nothing either, and says so.
        $this->start($large);
        $worker = $this->worker();
        $worker->start();
        while ($worker->isRunning() && $large->progress()->rows() === 0) {
            usleep(2_000);
        }
        $this->delete(route('imports.destroy', $large))->assertOk()->assertSee('Cancelling');
        $worker->wait();
        self::assertSame(
            ['open', 'The import was cancelled. Nothing was stored.'],
            [$large->refresh()->state, $large->message],
        );
        self::assertSame([1, 3, 3, 1], $this->stored());

        // Called off while no worker has it, it is at rest at once; the job that is left over does nothing.
        $this->start($large);
        $this->delete(route('imports.destroy', $large))->assertSee('was cancelled. Nothing was stored');
        $this->worker()->mustRun();
        self::assertSame(['open', [1, 3, 3, 1]], [$large->refresh()->state, $this->stored()]);

        // Left alone it comes to its end, whoever has closed which page, and leads to its study.
        $this->post(route('imports.store', $large), ['name' => 'Large'])->assertOk()->assertSee('Waiting to start');
        $this->get(route('data.index'))->assertSee('large.csv: importing');
        $this->worker()->mustRun();
        $this->get(route('uploads.show', $large))->assertOk()->assertSee('360,000 rows read');
        $this->get(route('imports.show', $large))->assertOk()->assertHeader('HX-Redirect');
        self::assertSame([2, 3_003, 3_003, 2], $this->stored());
    }

    private function upload(string $file): Upload
    {
        $upload = new Upload(['id' => (string) Str::uuid(), 'name' => basename($file)]);
        copy($file, $upload->path());
        $upload->understand();
        $upload->save();

        return $upload;
    }

    private function start(Upload $upload): void
    {
        DB::table('jobs')->delete();
        $upload->progress()->allow();
        $upload->progress()->tell(0, 0);
        $upload->update(['state' => 'waiting']);
        dispatch(new ImportUpload($upload->id, pathinfo($upload->name, PATHINFO_FILENAME), '', '', false));
    }

    private function worker(): Process
    {
        return new Process(
            ['php', '-d', 'memory_limit=1G', 'artisan', 'queue:work', '--once', '--tries=1'],
            dirname(__DIR__, 2),
            [
                'DB_DATABASE' => "{$this->folder}/test.sqlite",
                'QUEUE_CONNECTION' => 'database',
                'APP_ENV' => 'local',
                'CACHE_STORE' => 'file',
            ],
            null,
            90,
        );
    }

    /** @return list<int> data sets, entities, series and studies */
    private function stored(): array
    {
        return array_map(static fn(string $table): int => DB::table($table)->count(), [
            'datasets',
            'entities',
            'series',
            'studies',
        ]);
    }
}
