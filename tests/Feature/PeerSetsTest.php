<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Dataset;
use App\Models\Study;
use DuskRail\Document\Parts\PeersPart;
use DuskRail\Outcome\Comparison;
use Illuminate\Support\Facades\Artisan;

/** Peer sets over HTTP: defined, chosen, carried along, deleted. */
final class PeerSetsTest extends ApplicationTestCase
{
    public function testASetIsPreviewedSavedChosenAndDeleted(): void
    {
        $study = $this->towns();
        $dataset = $study->dataset;
        $form = [
            'name' => 'Middling',
            'kind' => 'rules',
            'measure' => 'leakage',
            'conditions' => [
                ['of' => 'measure:people', 'from' => '15', 'to' => '45', 'among' => ''],
                ['of' => '', 'from' => '', 'to' => '', 'among' => ''],
            ],
            'settings' => ['since' => '2020'],
        ];
        $this->get(route('peer-sets.create', $dataset))->assertOk()->assertSee('Nearest to one entity');
        $this->get(route('peer-sets.preview', [$dataset, ...$form]))
            ->assertOk()
            ->assertSee('All with people from 15 to 45 and every value since 2020.')
            ->assertSeeInOrder([
                'In the set: 3',
                'Alder',
                'Birch',
                'Cedar',
                'Not in the set: 1',
                'Elm',
                'people is 51',
            ]);
        $this->get(route('peer-sets.preview', [$dataset, ...$form, 'conditions' => [['of' => 'measure:people']]]))
            ->assertOk()
            ->assertSee('needs a lowest or a highest value');
        $this->post(route('peer-sets.store', $dataset), [...$form, 'study' => $study->id])->assertRedirect(
            route('studies.show', $study),
        );
        $study->refresh();
        self::assertSame('set:middling', $study->document()->part(PeersPart::class)->set);
        $this->get(route('studies.show', $study))
            ->assertSee('Compared with 2 peers in Middling')
            ->assertSee('Median in Middling');
        $this->get(route('peer-comparison.show', $study))->assertSee('Compared with 2 peers in Middling');
        $this->get(route('datasets.show', $dataset))->assertSee('Middling')->assertSee('people from 15 to 45');
        // New values change who is in it, unless it is kept.
        $this->added($study, "Town,Year,People\nElm,2021,40\n", 'people.csv');
        self::assertSame(3, $this->comparison($study)->peers->size());
        $this->post(route('peer-sets.store', $dataset), [...$form, 'key' => 'middling', 'keep' => '1']);
        $this->added($study, "Town,Year,People\nElm,2021,400\n", 'people.csv');
        self::assertSame(3, $this->comparison($study)->peers->size());
        $this->delete(route('peer-sets.destroy', [$dataset, 'middling']))->assertRedirect();
        $this->get(route('studies.show', $study))
            ->assertSee('The peer set of this study was deleted')
            ->assertSee('Compared with 3 peers');
    }

    public function testLikeAnEntityIsOneClickAndTheSetGoesWithTheStudy(): void
    {
        $study = $this->towns();
        foreach ([1, 2] as $time) {
            $this->post(route('peer-sets.like', $study), ['entity' => 'alder'])->assertRedirect();
            self::assertCount(1, $study->dataset->refresh()->asPeerSets(), "{$time}");
        }
        self::assertSame('set:like-alder', $study->refresh()->document()->part(PeersPart::class)->set);
        // Half of the others, by people, of which Elm has most.
        self::assertSame(
            ['alder' => true, 'birch' => true, 'cedar' => false, 'elm' => false],
            array_map(fn(string $k): bool => $this->comparison($study)->peers->chosen->holds($k), self::keys()),
        );
        $json = (string) $this->get(route('hand-over', [$study, 'data.json']))->assertOk()->getContent();
        $path = (string) tempnam(sys_get_temp_dir(), 'dusk');
        file_put_contents($path, $json);
        self::assertSame(0, Artisan::call('study:import', ['file' => $path]));
        unlink($path);
        $back = Study::latest('id')->firstOrFail();
        self::assertNotSame($study->dataset_id, $back->dataset_id);
        self::assertEquals($this->comparison($study)->peerLine, $this->comparison($back)->peerLine);
        self::assertSame(1, $this->comparison($back)->peers->size());
        $this->post(route('peer-sets.like', $study), ['entity' => 'oak'])->assertStatus(422);
    }

    /** @return array<string, string> */
    private static function keys(): array
    {
        return ['alder' => 'alder', 'birch' => 'birch', 'cedar' => 'cedar', 'elm' => 'elm'];
    }

    private function comparison(Study $study): Comparison
    {
        $study = Study::findOrFail($study->id);

        return Comparison::of($study->document(), $study->data());
    }

    private function towns(): Study
    {
        $rows = "Town,Year,Leakage (Ml),People\n";
        foreach (['Alder' => 20, 'Birch' => 30, 'Cedar' => 40, 'Elm' => 50] as $town => $people) {
            $rows .=
                "{$town},2020," . $people * 2 . ",{$people}\n{$town},2021," . $people * 3 . ',' . ($people + 1) . "\n";
        }
        $study = $this->imported($rows, 'towns.csv');
        Dataset::findOrFail($study->dataset_id)->entities()->where('key', 'alder')->update(['home' => true]);

        return $study;
    }
}
