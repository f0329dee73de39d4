<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Brief;
use App\Models\Dataset;
use App\Models\Study;
use App\Models\Upload;
use DuskRail\Document\Changes\Change;
use DuskRail\Document\Changes\Changes;
use DuskRail\Document\PartCatalogue;
use DuskRail\Rail\StopCatalogue;
use DuskRail\Reading\TableShapes;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Http\UploadedFile;
use Illuminate\Routing\Route;
use Illuminate\Support\Facades\Route as Routes;
use PHPUnit\Framework\Attributes\Group;
use Random\Engine\Mt19937;
use Random\Randomizer;
use ReflectionClassConstant;

/** Whatever is sent to whatever address: an answer with a sentence, and never a failure of the program. */
final class AnyRequestTest extends ApplicationTestCase
{
    private Randomizer $random;

    /** FUZZ=5000 FUZZ_SEED=7 for more, and others; bin/fuzz does that. */
    #[Group('slow')]
    public function testNoRequestFails(): void
    {
        $seed = (int) (getenv('FUZZ_SEED') ?: 20261126);
        $count = (int) (getenv('FUZZ') ?: 300);
        $this->random = new Randomizer(new Mt19937($seed));
        $routes = array_filter(
            Routes::getRoutes()->getRoutesByName(),
            static fn(Route $r): bool => !str_starts_with($r->uri(), '_'),
        );
        $failed = [];
        for ($i = 0; $i < $count; $i++) {
            if (Study::count() === 0) {
                $this->imported();
                $this->brought(self::MONTHLY, 'waits.csv');
                Brief::begin('Board')->add(Study::first(), null);
            }
            $route = $this->one($routes);
            $method = $this->one(array_values(array_diff($route->methods(), ['HEAD'])));
            $uri =
                '/' .
                preg_replace_callback('/\{(\w+)\??\}/', fn(array $m): string => $this->part($m[1]), $route->uri());
            $input = $this->input($route->getName() ?? '');
            $headers = $this->one([
                [],
                ['HX-Request' => 'true'],
                ['Accept' => 'application/json'],
                ['X-Revision' => '1'],
            ]);
            $response = $this->call(
                $method,
                $uri,
                $input,
                $this->one([[], ['dusk-rail-size' => "9\xFF"]]),
                [],
                $this->transformHeadersToServerVars($headers),
            );
            if (!in_array($response->getStatusCode(), [200, 204, 302, 400, 403, 404, 405, 409, 413, 419, 422], true)) {
                $failed[] =
                    "{$response->getStatusCode()} {$method} {$uri} " .
                    json_encode($input, JSON_INVALID_UTF8_SUBSTITUTE) .
                    ' ' .
                    ($response->exception?->getMessage() ?? '');
            }
        }
        self::assertSame([], $failed, "seed {$seed}");
    }

    private function part(string $name): string
    {
        $own = match ($name) {
            'study' => self::last(Study::query()),
            'dataset' => self::last(Dataset::query()),
            'brief' => self::last(Brief::query()),
            'upload' => self::last(Upload::query()),
            'token' => Brief::query()->latest('id')->first()->token ?? '',
            'measure' => 'leakage',
            'line' => $this->one(['veldmere', 'g:x', 'y:2024']),
            'format' => $this->one(['csv', 'json', 'data.json', 'svg', 'html']),
            'kind' => $this->one(['dataset', 'study', 'brief']),
            'stop' => 's1',
            default => '1',
        };

        return rawurlencode($this->random->getInt(0, 3) > 0 ? $own : $this->text());
    }

    /**
     * @template M of Model
     *
     * @param Builder<M> $of
     */
    private static function last(Builder $of): string
    {
        $key = $of->latest('id')->first()?->getKey();

        return is_scalar($key) ? (string) $key : '0';
    }

    /** @return array<string, mixed> */
    private function input(string $route): array
    {
        $input = [];
        $names = [
            'name',
            'text',
            'measure',
            'entity',
            'period',
            'value',
            'status',
            'why',
            'state',
            'settings',
            'id',
            'part',
            'step',
            'range',
            'view',
            'shape',
            'row',
            'above',
            'heading',
            'encoding',
            'delimiter',
            'columns',
            'same',
            'mode',
            'moment',
            'size',
            'times',
            'ground',
            'to',
            'at',
            'version',
            'block',
            'do',
            'study',
            'source',
            'home',
            'hues',
            'from',
            'measures',
            'entities',
            'formula',
            'line',
            'x',
            'y',
            'label',
            'once',
            'years',
            'base',
            'window',
            'page',
            'leave_out',
            'pinned',
            'preview',
            'key',
            'controls',
            'values',
            'numbers',
            'notation',
            'sheet',
            'hue',
            'kind',
            'breakdown',
            'choice',
            'cell',
        ];
        for ($i = $this->random->getInt(0, 8); $i > 0; $i--) {
            $input[$this->one($names)] = $this->value();
        }
        if ($route === 'changes.store') {
            /** @var list<class-string<Change>> $changes */
            $changes = (new ReflectionClassConstant(Changes::class, 'ALL'))->getValue();
            $input['change'] = $this->one($changes)::name();
            $input['stop'] = $this->one([...array_keys(StopCatalogue::all()), $this->text()]);
            $input['part'] = $this->one([...array_keys(PartCatalogue::all()), $this->text()]);
            $input['settings'] = $this->one([
                [],
                ['window' => $this->value(), 'base' => $this->value()],
                $this->value(),
            ]);
        }
        if ($route === 'uploads.update') {
            foreach (
                ['row', 'above', 'roles', 'rows', 'benchmarks', 'split', 'shape', 'ways', 'same', 'notation', 'moment']
                as $name
            ) {
                $input += $this->random->getInt(0, 2) === 0 ? [$name => $this->value()] : [];
            }
            $shapes = array_keys(TableShapes::all());
            $input['shape'] = $this->one([$this->one($shapes), $input['shape'] ?? null]);
        }
        if ($route === 'uploads.store') {
            $input['file'] = $this->one([
                UploadedFile::fake()->createWithContent('a.csv', self::MONTHLY),
                UploadedFile::fake()->createWithContent($this->text(), $this->random->getBytes(200)),
                'no file',
            ]);
        }

        return $input;
    }

    private function value(): mixed
    {
        return match ($this->random->getInt(0, 5)) {
            0 => [$this->text() => $this->text()],
            1 => [[$this->text()], $this->text()],
            default => $this->text(),
        };
    }

    private function text(): string
    {
        return $this->one([
            '',
            '0',
            '1',
            '-1',
            '2',
            '9223372036854775807',
            '9223372036854775808',
            '1e400',
            'NaN',
            "\xFF\xFE",
            "a\0b",
            str_repeat('x', 5_000),
            '2024-01',
            '2024',
            '9999-12',
            'veldmere',
            'tarrow',
            'leakage',
            '<b>',
            '../../etc/passwd',
            '%00',
            '{value Veldmere}',
            's1',
            'lines',
            'focus',
            'undo',
            '😀',
            "\u{202E}",
            '=1+1',
            'true',
            '2024-01..2024-03',
        ]);
    }

    /**
     * @template T
     *
     * @param array<T> $of
     * @return T
     */
    private function one(array $of): mixed
    {
        return array_values($of)[$this->random->getInt(0, count($of) - 1)];
    }
}
