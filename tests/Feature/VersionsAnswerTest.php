<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Data\StoredData;
use App\Maintenance\Check;
use App\Maintenance\Cleanup;
use App\Models\Dataset;
use App\Models\Entity;
use App\Models\Study;
use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\Line;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\Group;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** Whatever is done to a data set, an older version and a pinned study go on answering as they did. */
final class VersionsAnswerTest extends ApplicationTestCase
{
    private const NAMES = ['Veldmere', 'Tarrow', 'Marl', 'Bland', 'Corrow', 'Penhallow'];

    public function testRestoringTheVersionBeforeAMergerChangesNoOtherVersion(): void
    {
        $study = $this->imported();
        $dataset = $study->dataset;
        $id = static fn(string $key): int => $dataset->entities()->where('key', $key)->sole()->id;
        $this->patch(route('datasets.entities', $dataset), ['home' => $id('tarrow')]);
        $this->post(route('mergers.store', $dataset), [
            'parts' => [$id('tarrow'), $id('marl')],
            'whole' => 'Both',
            'from' => '2024-02',
            'back' => '1',
        ])->assertRedirect();
        $this->change($study->refresh(), 'add', ['stop' => 'share']);
        $this->post(route('studies.pin', $study), ['pinned' => 1]);
        $peers = static fn(): int => Comparison::of(
            $study->refresh()->document(),
            $study->newQuery()->findOrFail($study->id)->data(),
        )->peers->size();
        $before = $this->answers($dataset->refresh(), 2);
        $pinned = $peers();

        $this->post(route('versions.restore', [$dataset, 1]));
        self::assertSame($before, $this->answers($dataset->refresh(), 2));
        // Both is home, so Veldmere alone is its peer.
        self::assertSame([1, 1], [$pinned, $peers()]);
        self::assertSame('Tarrow', $dataset->entities()->where('home', true)->sole()->name);
        self::assertSame('', $dataset->entities()->where('name', 'Tarrow')->sole()->note);
        self::assertSame(0, $dataset->entities()->where('name', 'Both')->count());

        $this->post(route('versions.restore', [$dataset, 2]));
        self::assertSame($before, $this->answers($dataset->refresh(), 4));
        self::assertSame('Both', $dataset->entities()->where('home', true)->sole()->name);
        $marl = $dataset->entities()->where('name', 'Marl')->sole();
        self::assertSame('merged into Both in February 2024', $marl->note);
    }

    #[Group('slow')]
    public function testEveryOlderVersionAnswersAsItDidAfterAnySequenceOfChanges(): void
    {
        for ($seed = 1; $seed <= (getenv('LONG_TESTS') === '1' ? 60 : 6); $seed++) {
            $this->sequence(new Randomizer(new Mt19937($seed)), $seed);
        }
    }

    private function sequence(Randomizer $random, int $seed): void
    {
        $study = $this->imported($this->file($random), "first-{$seed}.csv");
        $dataset = $study->dataset;
        $this->change($study, 'add', ['stop' => 'share']);
        $older = $pinned = [];
        for ($step = 0; $step < 14; $step++) {
            $version = $dataset->refresh()->version;
            $older[$version] = $this->answers($dataset, $version);
            if ($random->getInt(0, 3) === 0) {
                $this->post(route('studies.copy', $study->refresh()));
                $copy = Study::latest('id')->firstOrFail();
                $this->post(route('studies.pin', $copy), ['pinned' => 1]);
                $pinned[$copy->id] = $this->lines($copy->id);
            }
            $did = $this->step($random, $study, $dataset);
            if ($random->getInt(0, 2) === 0) {
                Cleanup::all();
            }
            foreach ($older as $version => $answers) {
                if ($version < $dataset->refresh()->version) {
                    $now = $this->answers($dataset, $version);
                    self::assertSame($answers, $now, "Seed {$seed}, version {$version} after {$did}");
                }
            }
            foreach ($pinned as $id => $lines) {
                self::assertSame($lines, $this->lines($id), "Seed {$seed}, pinned study {$id} after {$did}");
            }
        }
        self::assertSame([], (new Check(DB::connection()))->problems());
    }

    private function step(Randomizer $random, Study $study, Dataset $dataset): string
    {
        $entities = $dataset->entities()->get();
        /** @var Entity $entity */
        $entity = $entities[$random->getInt(0, $entities->count() - 1)];
        $measure = $dataset->measures()->where('formula', '')->firstOrFail();
        $kind = $random->getInt(0, 9);
        $version = $dataset->version;
        $restored = 0;
        match ($kind) {
            0, 1 => $this->added($study->refresh(), $this->file($random), 'more.csv'),
            2 => $this->post(route('corrections.store', $dataset), [
                'measure' => $measure->key,
                'entity' => $entity->key,
                'period' => '2024-0' . $random->getInt(1, 6),
                'value' => (string) $random->getInt(1, 99),
                'status' => 0,
                'why' => 'misread',
            ])->assertSessionHasNoErrors(),
            3 => $this->merge($random, $dataset),
            4, 5 => $this->post(
                route('versions.restore', [$dataset, $restored = $random->getInt(1, max(1, $version - 1))]),
            ),
            6 => $this->patch(route('datasets.entities', $dataset), [
                'entities' => [
                    $entity->id => [
                        'name' => "{$entity->name} " . $random->getInt(1, 99),
                        'group' => ['Coast', 'Inland', ''][$random->getInt(0, 2)],
                        'note' => 'moved',
                    ],
                ],
                'home' => $entity->id,
            ]),
            7 => $this->patch(route('datasets.measures', $dataset), [
                'measures' => [
                    $measure->id => [
                        'name' => 'Leakage ' . $random->getInt(1, 99),
                        'unit' => ['Ml', 'm3', '%'][$random->getInt(0, 2)],
                        'kind' => ['flow', 'stock', 'rate'][$random->getInt(0, 2)],
                        'better' => ['higher', 'lower', 'neither'][$random->getInt(0, 2)],
                        'decimals' => $random->getInt(0, 3),
                    ],
                ],
            ]),
            8 => $this->post(route('datasets.derive', $dataset), [
                'name' => 'Twice ' . $random->getInt(1, 999),
                'formula' => "{$measure->name} × 2",
            ]),
            9 => $this->post(route('peer-sets.store', $dataset), [
                'name' => 'Set ' . $random->getInt(1, 99),
                'kind' => 'hand',
                'hand' => [$entity->key],
            ])->assertSessionHasNoErrors(),
        };
        if ($restored > 0 && $dataset->refresh()->version > $version) {
            $old = $this->answers($dataset, $restored);
            $new = $this->answers($dataset, $dataset->version);
            // Peer sets that were made since stay.
            unset($old['peer sets'], $new['peer sets']);
            self::assertSame($old, $new, "Version {$restored} restored as {$dataset->version}");
        }

        return "step {$kind}";
    }

    private function merge(Randomizer $random, Dataset $dataset): void
    {
        $parts = $dataset->entities()->where('part_of', '')->inRandomOrder()->limit(2)->pluck('id')->all();
        $this->post(route('mergers.store', $dataset), [
            'parts' => $parts,
            'whole' => 'Whole ' . $random->getInt(1, 9),
            'from' => '2024-0' . $random->getInt(1, 6),
            'back' => $random->getInt(0, 1),
        ]);
    }

    private function file(Randomizer $random): string
    {
        $rows = "Utility,Month,Leakage (Ml)\n";
        foreach ($random->shuffleArray(self::NAMES) as $n => $name) {
            for ($month = 1; $month <= 6 && $n < 4; $month++) {
                $rows .= "{$name},2024-0{$month}," . $random->getInt(1, 50) . "\n";
            }
        }

        return $rows;
    }

    /** @return array<string, string> all that a version answers */
    private function answers(Dataset $dataset, int $version): array
    {
        $data = new StoredData(Dataset::findOrFail($dataset->id), $version);
        $answers = [
            'entities' => serialize($data->entities()),
            'measures' => serialize($data->measures()),
            'breakdowns' => serialize($data->breakdowns()),
            'peer sets' => serialize($data->peerSets()),
        ];
        foreach (array_keys($data->measures()) as $key) {
            $table = $data->table((string) $key);
            $values = [];
            foreach ($table->series as $series) {
                $values[$series->key] = array_filter($series->values, static fn(float $v): bool => !is_nan($v));
            }
            ksort($values);
            $answers[(string) $key] = serialize([$table->unit, $table->kind, array_filter($values)]);
        }

        return $answers;
    }

    /** @return list<string> names, values and peers of a study's lines */
    private function lines(int $study): array
    {
        $study = Study::findOrFail($study);
        $comparison = Comparison::of($study->document(), $study->data());

        return [
            "{$comparison->peers->size()} peers",
            ...array_map(
                static fn(Line $l): string => "{$l->name} {$l->role->name} " . serialize($l->values),
                array_values($comparison->lines),
            ),
        ];
    }
}
