<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Brief;
use App\Models\ImportedFile;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\Group;
use RuntimeException;
use Symfony\Component\HttpFoundation\Response;

/** Whatever a user does is done whole or not at all, wherever it breaks off. */
final class WholeOrNothingTest extends ApplicationTestCase
{
    /** What may be left behind: what is made again when it is missing, and how far a file has been read. */
    private const ASIDE = ['cache_entries', 'uploads', 'sqlite_sequence', 'sessions', 'cache', 'jobs', 'failed_jobs'];

    /** Writes before the one that fails; null while none fails. */
    private ?int $left = null;

    #[Group('slow')]
    public function testAWriteThatFailsAnywhereLeavesEverythingAsItWas(): void
    {
        DB::beforeExecuting(function (string $query): void {
            $writes = preg_match('/^\s*(?:insert(?: or \w+)? into|update|delete from) "?(\w+)/i', $query, $m) === 1;
            if ($this->left !== null && $writes && !in_array($m[1], self::ASIDE, true) && $this->left-- === 0) {
                throw new RuntimeException('The disk is full.');
            }
        });
        $study = $this->imported();
        $dataset = $study->dataset;
        $other = $this->imported(str_replace('Tarrow', 'Wendle', self::MONTHLY), 'other.csv');
        $brief = Brief::begin('Board');
        foreach (['One', 'Two', 'Three'] as $text) {
            $brief->add(null, $text);
        }
        $block = $brief->blocks()->where('text', 'Three')->sole()->id;
        $entity = $dataset->entities()->where('key', 'tarrow')->sole()->id;
        $marl = $dataset->entities()->where('key', 'marl')->sole()->id;
        $measure = $dataset->measures()->sole();
        $bundle = (string) $this->get(route('hand-over', [$study, 'data.json']))->getContent();
        $split = $this->imported(
            "Utility,Zone,Year,Bursts\nA,Upper,2023,1\nA,Lower,2023,2\nB,Upper,2023,3\nB,Lower,2023,4\n" .
                "A,Upper,2024,1\nA,Lower,2024,2\nB,Upper,2024,3\nB,Lower,2024,4\n",
            'split.csv',
        )->dataset;
        $upload = $this->brought(self::YEARLY, 'yearly.csv');
        $update = $this->brought(str_replace('2024-03', '2024-04', self::MONTHLY), 'update.csv', $dataset);
        $focus = ['change' => 'state', 'entity' => 'tarrow', 'state' => 'focus'];
        $tasks = [
            'change a study' => fn() => $this->post(route('changes.store', $study), $focus),
            'undo' => fn() => $this->put(route('history.update', $study), ['step' => 'undo']),
            'redo' => fn() => $this->put(route('history.update', $study), ['step' => 'redo']),
            'copy a study' => fn() => $this->post(route('studies.copy', $study)),
            'import a new data set' => fn() => $this->post(route('imports.store', $upload), ['name' => 'Yearly']),
            'update a data set' => fn() => $this->post(route('imports.store', $update)),
            'correct a value' => fn() => $this->post(route('corrections.store', $dataset), [
                'measure' => $measure->key,
                'entity' => 'tarrow',
                'period' => '2024-02',
                'value' => '7',
                'status' => '1',
                'why' => 'meter',
            ]),
            'take the correction back' => fn() => $this->delete(
                route('corrections.destroy', [$dataset, ImportedFile::where('note', 'like', '%meter%')->sole()]),
            ),
            'describe a data set' => fn() => $this->patch(route('datasets.update', $dataset), [
                'name' => 'Returns of all',
                'source' => 'The Forum',
                'licence' => 'open',
            ]),
            'derive a measure' => fn() => $this->post(route('datasets.derive', $dataset), [
                'name' => 'Double',
                'formula' => 'Leakage × 2',
            ]),
            'describe breakdowns' => fn() => $this->patch(route('breakdowns.update', $split), [
                'breakdowns' => ['zone' => ['name' => 'Part', 'categories' => ['upper' => ['name' => 'Top']]]],
            ]),
            'add a block' => fn() => $this->put(route('briefs.update', $brief), ['text' => 'Four']),
            'begin a study' => fn() => $this->post(route('studies.store', $dataset), ['measure' => 'leakage']),
            'hold a study to a version' => fn() => $this->post(route('studies.pin', $study), ['pinned' => 1]),
            'go back to a version' => fn() => $this->post(route('versions.restore', [$dataset, 1])),
            'merge two entities' => fn() => $this->post(route('mergers.store', $dataset), [
                'parts' => [$entity, $marl],
                'whole' => 'Marltar',
                'from' => '2024-03',
                'back' => '1',
            ]),
            'describe measures' => fn() => $this->patch(route('datasets.measures', $dataset), [
                'measures' => [
                    $measure->id => ['name' => 'Loss', 'unit' => 'Ml', 'kind' => 'flow', 'better' => 'lower'],
                ],
            ]),
            'rename entities' => fn() => $this->patch(route('datasets.entities', $dataset), [
                'home' => $entity,
                'entities' => [$entity => ['name' => 'Tarrow Water', 'group' => 'Coast', 'note' => 'renamed']],
            ]),
            'use the latest version again' => fn() => $this->post(route('studies.pin', $study), ['pinned' => 0]),
            'define a peer set' => fn() => $this->post(route('peer-sets.store', $dataset), [
                'name' => 'Leaky',
                'kind' => 'rules',
                'measure' => 'leakage',
                'conditions' => [['of' => 'measure:leakage', 'from' => '1', 'to' => '99', 'among' => '']],
                'study' => $study->id,
            ]),
            'compare with the like' => fn() => $this->post(route('peer-sets.like', $study), ['entity' => 'veldmere']),
            'delete a peer set' => fn() => $this->delete(route('peer-sets.destroy', [$dataset, 'like-veldmere'])),
            'move a block' => fn() => $this->put(route('briefs.update', $brief), ['block' => $block, 'do' => 'up']),
            'give a style to others' => fn() => $this->post(route('style.store', $study), ['to' => [$other->id]]),
            'keep a style' => fn() => $this->put(route('style.update'), [
                'from' => (string) $study->id,
                'size' => 'small',
                'settings' => ['source' => 'From {source}', 'ground' => 'night'],
                'name' => 'Marl',
                'hue' => '1',
                'everywhere' => '1',
            ]),
            'take in a study with its data' => fn() => $this->post(route('study-files.carried'), [
                'study' => UploadedFile::fake()->createWithContent('study.json', $bundle),
                'name' => 'Carried',
            ]),
            'delete a study' => fn() => $this->delete(route('studies.destroy', $other)),
            'bring it back' => fn() => $this->post(route('bin.restore', ['study', $other->id])),
            'delete a data set' => fn() => $this->delete(route('datasets.destroy', $dataset)),
            'bring that back' => fn() => $this->post(route('bin.restore', ['dataset', $dataset->id])),
        ];
        foreach ($tasks as $name => $task) {
            $this->isWholeOrNothing($name, $task);
        }
    }

    /** @param callable(): TestResponse<Response> $task */
    private function isWholeOrNothing(string $name, callable $task): void
    {
        $before = self::kept();
        for ($writes = 0; ; $writes++) {
            $this->left = $writes;
            $answer = $task();
            if (!$this->hasFailed()) {
                break;
            }
            self::assertSame($before, self::kept(), "{$name}, where write {$writes} fails");
        }
        self::assertLessThan(400, $answer->getStatusCode(), $name);
        self::assertGreaterThan(0, $writes, $name);
        self::assertNotEquals($before, self::kept(), $name);
    }

    private function hasFailed(): bool
    {
        $failed = $this->left !== null && $this->left < 0;
        $this->left = null;

        return $failed;
    }

    /** @return array<string, string> all rows of all tables */
    private static function kept(): array
    {
        $kept = [];
        foreach (DB::select("SELECT name FROM sqlite_master WHERE type = 'table'") as $table) {
            $name = is_object($table) && isset($table->name) && is_string($table->name) ? $table->name : '';
            if (!in_array($name, self::ASIDE, true)) {
                $kept[$name] = md5(serialize(DB::select("SELECT * FROM \"{$name}\"")));
            }
        }

        return $kept;
    }
}
