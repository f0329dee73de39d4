<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Data\StoredData;
use App\Models\Dataset;
use App\Models\Study;
use DuskRail\Data\Entity;
use DuskRail\Outcome\Comparison;
use Illuminate\Database\Migrations\Migrator;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Group;

/** A database of every earlier version of the program gives the same figures after the upgrade. */
final class UpgradeTest extends ApplicationTestCase
{
    private const DOCUMENT =
        '{"format": "dusk-rail/study", "version": 1, "name": "Old", "measure": "leakage", "rail": [], ' .
        '"focus": [{"line": "tarrow", "hue": 1}], "off": [], "range": null, "view": "lines", "sort": "name", ' .
        '"words": {"headline": null, "subtitle": null, "source": null}, "dismissed": []}';

    /** Values of Tarrow and Marl in versions 1 and 2; in version 2 Tarrow has become part of Marl. */
    private const VALUES = ['tarrow' => [1 => [5.0, 6.5], 2 => [5.0]], 'marl' => [1 => [8.25, NAN], 2 => [8.25, 7.0]]];

    /** @return iterable<array{int}> how many migrations the earlier version had */
    public static function earlier(): iterable
    {
        $count = count(glob(__DIR__ . '/../../database/migrations/*.php') ?: []);
        for ($done = 1; $done < $count; $done++) {
            yield "{$done} migrations" => [$done];
        }
    }

    #[DataProvider('earlier')]
    #[Group('slow')]
    public function testAnUpgradeKeepsTheFiguresOfEveryVersion(int $done): void
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'dusk');
        $memory = config()->string('database.default');
        $connection = config()->array("database.connections.{$memory}");
        config(['database.connections.older' => [...$connection, 'database' => $path]]);
        config(['database.default' => 'older']);
        $migrator = $this->app->make('migrator');
        self::assertInstanceOf(Migrator::class, $migrator);
        try {
            $migrator->usingConnection('older', function () use ($migrator, $done): void {
                $migrator->getRepository()->createRepository();
                $files = $migrator->getMigrationFiles([database_path('migrations')]);
                $migrator->requireFiles($files);
                $migrator->runPending(array_slice($files, 0, $done));
                $this->fill();
                $migrator->runPending(array_slice($files, $done));
            });
            $this->check();
        } finally {
            DB::purge('older');
            config(['database.default' => $memory]);
            unlink($path);
        }
    }

    /** Rows as the program of that time wrote them. */
    private function fill(): void
    {
        $entity = static fn(int $id, string $key, array $more): array => [
            'id' => $id, 'dataset_id' => 1, 'key' => $key, 'name' => ucfirst($key), 'home' => $id === 2,
            'about' => '{"group": "Coast"}', ...$more,
        ];
        $merged = Schema::hasColumn('entities', 'part_since')
            ? ['note' => 'merged into Marl', 'part_of' => 'Marl', 'part_since' => 2]
            : [];
        $now = ['created_at' => '2026-01-02 03:04:05', 'updated_at' => '2026-01-02 03:04:05'];
        $dataset = ['id' => 1, 'name' => 'Returns', 'source' => 'The Forum', 'version' => 2];
        DB::table('datasets')->insert([...$dataset, ...$now]);
        foreach ([1, 2] as $version) {
            DB::table('imported_files')->insert([
                'id' => $version, 'dataset_id' => 1, 'version' => $version, 'name' => "{$version}.csv",
                'sha256' => '', 'rows' => 4, 'plan' => '{}', ...$now,
            ]);
        }
        DB::table('measures')->insert([
            'id' => 1, 'dataset_id' => 1, 'key' => 'leakage', 'name' => 'Leakage', 'unit' => 'Ml', 'kind' => 'flow',
            'better' => 'lower', 'frequency' => 'month',
        ]);
        DB::table('entities')->insert($entity(1, 'tarrow', $merged));
        DB::table('entities')->insert($entity(2, 'marl', []));
        foreach (array_keys(self::VALUES) as $n => $key) {
            foreach (self::VALUES[$key] as $version => $values) {
                DB::table('series')->insert([
                    'measure_id' => 1, 'entity_id' => $n + 1, 'imported_file_id' => $version, 'since' => $version,
                    'until' => $version === 1 ? 2 : null, 'first' => 24288, 'values' => pack('e*', ...$values),
                    'statuses' => '', 'places' => '',
                ]);
            }
        }
        if (Schema::hasColumn('imported_files', 'described')) {
            $number = DB::table('datasets')->value('described');
            DB::table('imported_files')->where('version', 1)->update(['described' => $number]);
        }
        $pin = Schema::hasColumn('studies', 'version') ? ['version' => 1] : [];
        foreach ([[], $pin] as $n => $held) {
            $study = ['id' => $n + 1, 'dataset_id' => 1, 'name' => 'Old', 'revision_id' => $n + 1, ...$held];
            DB::table('studies')->insert([...$study, ...$now]);
            DB::table('study_revisions')->insert([
                'id' => $n + 1, 'study_id' => $n + 1, 'document' => self::DOCUMENT,
                Schema::hasColumn('study_revisions', 'summary') ? 'summary' : 'said' => 'Study created',
            ]);
        }
    }

    private function check(): void
    {
        $dataset = Dataset::findOrFail(1);
        foreach ([1, 2] as $version) {
            $data = new StoredData($dataset, $version);
            foreach ($data->table('leakage')->series as $series) {
                $given = self::VALUES[$series->key][$version];
                self::assertSame(
                    var_export([...$given, ...array_fill(0, 2 - count($given), NAN)], true),
                    var_export($series->values, true),
                );
            }
            self::assertSame(
                [['Tarrow', 'Coast', false], ['Marl', 'Coast', true]],
                array_values(
                    array_map(static fn(Entity $e): array => [$e->name, $e->group, $e->home], $data->entities()),
                ),
            );
            self::assertSame('Ml', $data->measures()['leakage']->unit->amount);
        }
        $knowsMergers = $dataset->entities()->where('note', 'merged into Marl')->exists();
        self::assertSame(['', $knowsMergers ? 'Marl' : ''], [
            (new StoredData($dataset, 1))->entities()['tarrow']->partOf,
            (new StoredData($dataset, 2))->entities()['tarrow']->partOf,
        ]);
        $pinned = Study::findOrFail(2);
        $lines = array_column(Comparison::of($pinned->document(), $pinned->data())->lines, 'values', 'key');
        self::assertSame($pinned->version === null ? 1 : 2, count(array_filter($lines['tarrow'], is_finite(...))));
        // A change now is no change of the versions before.
        $dataset->entities()->where('key', 'tarrow')->update(['home' => true, 'about' => '{"group": "Inland"}']);
        self::assertSame('Coast', (new StoredData($dataset, 1))->entities()['tarrow']->group);
        self::assertSame('Inland', (new StoredData($dataset, 2))->entities()['tarrow']->group);
    }
}
