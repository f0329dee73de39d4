<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Data\Import;
use App\Formats\DelimitedFile;
use App\Models\Dataset;
use App\Models\Study;
use App\Models\Upload;
use DuskRail\Notation;
use DuskRail\Reading\Detection;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Foundation\Testing\TestCase;
use Illuminate\Http\UploadedFile;
use Illuminate\Testing\TestResponse;
use Symfony\Component\HttpFoundation\Response;

/** The application over HTTP, on a database in memory. */
abstract class ApplicationTestCase extends TestCase
{
    use RefreshDatabase;

    protected const MONTHLY =
        "Utility,Month,Leakage (Ml)\nVeldmere,2024-01,10\nVeldmere,2024-02,12\nVeldmere,2024-03,14\n" .
        "Tarrow,2024-01,5\nTarrow,2024-02,5\nTarrow,2024-03,7\nMarl,2024-01,8\n" .
        "Marl,2024-02,6\nMarl,2024-03,4\n";

    protected const YEARLY = "Utility,2023,2024\nVeldmere,900,1000\nTarrow,500,500\nMarl,200,400\n";

    protected function tearDown(): void
    {
        foreach (Upload::all() as $upload) {
            $upload->discard();
        }
        Notation::useEnglish();
        parent::tearDown();
    }

    /** @return TestResponse<Response> */
    protected function bring(string $content, string $name = 'monthly.csv', ?Dataset $dataset = null): TestResponse
    {
        return $this->post(route('uploads.store'), [
            'file' => UploadedFile::fake()->createWithContent($name, $content),
            ...$dataset === null ? [] : ['dataset' => $dataset->id],
        ]);
    }

    protected function brought(string $content, string $name = 'monthly.csv', ?Dataset $dataset = null): Upload
    {
        $location = (string) $this->bring($content, $name, $dataset)->assertRedirect()->headers->get('Location');

        return Upload::findOrFail(basename($location));
    }

    /** Imports through the pages, as a user does. */
    protected function imported(string $content = self::MONTHLY, string $name = 'monthly.csv'): Study
    {
        $upload = $this->brought($content, $name);
        $this->post(route('imports.store', $upload), ['name' => 'Returns', 'source' => 'The Forum, 2024'])->assertOk();

        return Study::latest('id')->firstOrFail();
    }

    protected function added(Study $study, string $content, string $name): void
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'dusk');
        file_put_contents($path, $content);
        $file = DelimitedFile::open($path);
        (new Import($path, $name, $file, Detection::of($file->sample($name, 1000)[0])->plan))->addedTo($study->dataset);
        unlink($path);
    }

    /**
     * @param array<string, mixed> $input
     * @return TestResponse<Response>
     */
    protected function change(Study $study, string $change, array $input = []): TestResponse
    {
        return $this->post(route('changes.store', $study), ['change' => $change, ...$input]);
    }
}
