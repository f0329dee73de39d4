<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Dataset;
use App\Models\ImportedFile;
use App\Models\Study;
use DuskRail\Reading\Limits;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\TestWith;

/** Who asks, what may be asked, and what is answered when it cannot be done. */
final class ProtectionTest extends ApplicationTestCase
{
    public function testAnotherNameReadsNothingAndAnotherSiteChangesNothing(): void
    {
        $study = $this->imported();
        $page = "/studies/{$study->id}";
        foreach (['http://rebound.example:8113', 'http://127.0.0.1.rebound.example', 'http://localhost.'] as $host) {
            $this->get($host . $page)
                ->assertStatus(421)
                ->assertSee('does not answer under this host name')
                ->assertDontSee('Veldmere')
                ->assertHeader('X-Frame-Options', 'DENY');
        }
        foreach (['http://127.0.0.1:8123', 'http://LOCALHOST:80', 'http://[::1]:8000'] as $host) {
            $this->get($host . $page)->assertOk()->assertSee('Veldmere');
        }
        config(['duskrail.hosts' => ['rail.forum.example']]);
        $this->get("http://rail.forum.example{$page}")->assertOk();
        foreach (['http://rebound.example', 'null', 'http://localhost:9999', 'http://rail.forum.example'] as $origin) {
            $this->withHeader('Origin', $origin)
                ->post("http://localhost{$page}/changes", ['change' => 'rename', 'name' => 'Taken'])
                ->assertStatus(403);
            self::assertNotSame('Taken', $study->refresh()->name);
        }
        $this->withHeader('Origin', 'http://localhost')
            ->post("http://localhost{$page}/changes", ['change' => 'rename', 'name' => 'Own'])
            ->assertOk();
        $this->get('/storage/x')->assertNotFound();
        $this->get('http://localhost/')->assertOk();
        foreach (['http://rebound.example/x' => '', "http://localhost{$page}" => $page] as $from => $to) {
            $this->withHeader('Referer', $from)
                ->post('http://localhost/uploads')
                ->assertRedirect("http://localhost{$to}");
        }
    }

    #[TestWith(['database is locked', 503, 'Your change was not saved'])]
    #[TestWith(['database or disk is full', 507, 'The disk of the server is full'])]
    #[TestWith(['attempt to write a readonly database', 503, 'The server is read-only at the moment'])]
    #[TestWith(['database disk image is malformed', 500, 'php artisan data:check'])]
    #[TestWith(['some other failure', 500, 'The program reported an error'])]
    public function testEveryFailureHasASentenceAndNoStatementOrPath(string $failure, int $status, string $said): void
    {
        $study = $this->imported();
        DB::statement(
            'create trigger fails before insert on study_revisions begin ' . "select raise(abort, '{$failure}'); end",
        );
        foreach ([[], ['HX-Request' => 'true'], ['Accept' => 'application/json']] as $headers) {
            $response = $this->post(
                route('changes.store', $study),
                ['change' => 'rename', 'name' => 'New'],
                $headers,
            )->assertStatus($status);
            $response->assertSee($said)->assertDontSee('study_revisions')->assertDontSee(base_path());
            self::assertSame(in_array($status, [503, 507], true), $response->headers->has('Retry-After'));
        }
        // Reading goes on.
        $this->get(route('studies.show', $study))->assertOk();
    }

    public function testWhatIsNotThereIsSaidInTheLooksOfTheProgram(): void
    {
        $this->get('/studies/99')
            ->assertNotFound()
            ->assertSee('There is no page at this address')
            ->assertSee('Go to the first page')
            ->assertDontSee('App\\Models');
        $this->put('/studies')->assertStatus(404);
        $this->delete('/')->assertStatus(405)->assertSee('Go to the first page');
        DB::statement('drop table brief_blocks');
        $this->get('/')->assertStatus(500)->assertSee('php artisan migrate');
    }

    public function testAMistypedYearIsRefusedAndACorrectionNextToTheFiguresIsNot(): void
    {
        $dataset = $this->imported()->dataset;
        $correct = fn(string $period) => $this->post(route('corrections.store', $dataset), [
            'measure' => 'leakage',
            'entity' => 'tarrow',
            'period' => $period,
            'value' => '3',
            'status' => '0',
            'why' => 'meter read twice',
        ]);
        foreach (['9024-03', '2035-01', '1999-12'] as $period) {
            $correct($period)->assertSessionHasErrors(['value']);
        }
        $correct('2025-01')->assertSessionHasNoErrors();
        $correct('2023-11')->assertSessionHasNoErrors();
        self::assertSame([1, 2, 3], ImportedFile::pluck('version')->all());
        $values = Study::of($dataset)->firstOrFail()->data()->table('leakage');
        self::assertSame(['2023-11', 15], [$values->axis->period(0)->code(), $values->axis->count]);
        self::assertSame(
            [3.0, 5.0, 5.0, 7.0, 3.0],
            array_values(array_filter($values->series['tarrow']->values, static fn(float $v): bool => !is_nan($v))),
        );
        // Many that each are near the one before do not stretch it without end either.
        foreach ([2035, 2046, 2068, 2112, 2200, 2376, 2728, 3432, 4840, 7656] as $year) {
            $correct("{$year}-01");
        }
        $count = Study::of($dataset)->firstOrFail()->data()->table('leakage')->axis->count;
        self::assertGreaterThan(10_000, $count);
        self::assertLessThanOrEqual(Limits::PERIODS, $count);
    }

    #[TestWith(["Utility,Day,Flow\nA,0001-01-01,1\nA,9999-12-31,2\n", 'Check the first and the last date'])]
    #[TestWith(["Utility,Day,Flow\nA,2024-01-01,1\nB,9024-01-02,2\n", 'Check the first and the last date'])]
    public function testAFewBytesThatNameAMillionDaysAreRefusedInWords(string $file, string $said): void
    {
        $upload = $this->brought($file, 'days.csv');
        $this->get(route('uploads.show', $upload))->assertOk()->assertSee($said);
        $this->post(route('imports.store', $upload), ['name' => 'Days'])->assertStatus(422)->assertSee($said);
        self::assertSame([0, 0], [Dataset::count(), Study::count()]);
        // Nor may what is there and what comes are so far apart.
        $study = $this->imported("Utility,Day,Flow\nA,2024-01-01,1\nA,2024-01-02,2\n", 'days.csv');
        $upload = $this->brought("Utility,Day,Flow\nA,8024-01-01,1\nA,8024-01-02,2\n", 'far.csv', $study->dataset);
        $this->get(route('uploads.show', $upload))->assertOk()->assertSee('Check the first and the last date');
        $this->post(route('imports.store', $upload))->assertStatus(422);
        self::assertSame(1, $study->dataset->refresh()->version);
    }

    public function testFiguresAreKeptAsBytesSoThatEveryToolCopiesThemWhole(): void
    {
        $this->imported();
        $types = DB::select('select distinct typeof("values") v, typeof(statuses) s, typeof(places) p from series');
        self::assertEquals([(object) ['v' => 'blob', 's' => 'blob', 'p' => 'blob']], $types);
    }
}
