<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Data\Import;
use App\Data\RevisionWriter;
use App\Data\StoredData;
use App\Formats\DelimitedFile;
use App\Models\Brief;
use App\Models\Dataset;
use App\Models\Study;
use DuskRail\Data\PeerSetRules;
use DuskRail\Document\OwnWords;
use DuskRail\Document\Parts\Band;
use DuskRail\Document\Parts\BeforeAfterPart;
use DuskRail\Document\Parts\PanelsPart;
use DuskRail\Document\Parts\PeersPart;
use DuskRail\Document\Parts\ProjectionPart;
use DuskRail\Document\Parts\ScatterPart;
use DuskRail\Document\Parts\TurnsPart;
use DuskRail\Document\RosterSort;
use DuskRail\Document\Study as StudyOfCore;
use DuskRail\Peers\NearestPeers;
use DuskRail\Rail\PlacedStop;
use DuskRail\Rail\Rail;
use DuskRail\Rail\StopCatalogue;
use DuskRail\Rail\Targets;
use DuskRail\Reading\Detection;
use DuskRail\Time\PeriodRange;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;

final class LoadDemo extends Command
{
    public const NAME = 'Saltmarch Coast Water Forum';

    private const SOURCE = 'Saltmarch Coast Water Forum, monthly and annual returns, October 2025. Made-up data.';

    protected $signature = 'demo:load';

    protected $description = 'Load the demo data and its studies, unless they are loaded';

    public function handle(): int
    {
        if (Dataset::where('name', self::NAME)->exists()) {
            $this->line('The demo is already loaded.');

            return self::SUCCESS;
        }
        DB::transaction(function (): void {
            $forum = $this->import('monthly.csv')->asNew(self::NAME, self::SOURCE, 'Veldmere Water');
            $forum->measures()->whereIn('key', ['leakage', 'bursts', 'complaints'])->update(['better' => 'lower']);
            $this->import('annual.csv')->addedTo($forum);
            $this->import('price-index.csv', ['entityName' => 'All utilities'])->addedTo($forum);
            $this->import('utilities.csv')->addedTo($forum);
            $daily = $this->import('daily-veldmere.csv', [
                'shape' => 'entities-across',
                'measureName' => 'Water into supply',
            ])->asNew(
                'Veldmere Water, day by day',
                'Veldmere Water, daily water into supply, October 2025. Made-up data.',
                'Veldmere Water',
            );
            $this->studies($forum->refresh(), $daily);
            $this->brief();
        });
        $this->line('The demo is loaded.');

        return self::SUCCESS;
    }

    /** @param array<string, mixed> $changes to what the file is understood to be */
    private function import(string $file, array $changes = []): Import
    {
        $path = database_path("demo/files/{$file}");
        $table = DelimitedFile::open($path);

        return new Import($path, $file, $table, Detection::of($table->sample($file, 20_000)[0])->plan->with($changes));
    }

    /** The work in order: the tangle, who matters, made comparable, years over each other, split, and the message. */
    private function studies(Dataset $forum, Dataset $daily): void
    {
        $perConnection = self::stop('s1', 'per-denominator', ['measure' => 'connections', 'times' => 1e6]);
        $mean = self::stop('s2', 'rolling', ['window' => 12]);
        $index = self::stop('s3', 'index', ['base' => '2019']);
        $focus = ['veldmere-water' => 1];
        $studies = [
            new StudyOfCore('The tangle', 'leakage', Rail::of()),
            new StudyOfCore(
                'Veldmere among its peers',
                'leakage',
                Rail::of($perConnection, $mean),
                $focus,
                sort: RosterSort::Lowest,
            ),
            new StudyOfCore(
                'Leakage since 2019',
                'leakage',
                Rail::of($perConnection, $mean, $index),
                $focus,
                sort: RosterSort::Lowest,
            ),
            (new StudyOfCore(
                'Leakage, utility by utility',
                'leakage',
                Rail::of($perConnection, $mean, $index),
                $focus,
                sort: RosterSort::Lowest,
            ))->withPart(new PanelsPart('entity')),
            new StudyOfCore(
                'Leakage since the programme',
                'leakage',
                Rail::of($perConnection, $mean, $index),
                [...$focus, 'harrowfell' => 2],
                sort: RosterSort::Lowest,
                words: new OwnWords(
                    'Veldmere has cut its leakage by a third since 2019, while Harrowfell, outside the ' .
                        'programme, loses more',
                ),
            ),
        ];
        $overlay = StudyOfCore::first(
            '2025 over earlier years',
            $daily->measures()->firstOrFail()->key,
            new StoredData($daily),
        )
            ->withRail(Rail::of(self::stop('s1', 'rolling', ['window' => 7])))
            ->withView('overlay');
        foreach ($studies as $i => $study) {
            if ($i === 3) {
                RevisionWriter::begin($daily, $overlay);
            }
            RevisionWriter::begin($forum, $study);
        }
        $this->likeWithLike($forum);
    }

    /** Veldmere among those of its own size, and whether anybody has more bursts than chance would have it. */
    private function likeWithLike(Dataset $forum): void
    {
        $like = NearestPeers::home(new StoredData($forum));
        $set = PeerSetRules::from([...$like->toArray(), 'key' => 'like-veldmere']);
        $forum->update(['peer_sets' => [$set->toArray()]]);
        $perConnection = self::stop('s1', 'per-denominator', ['measure' => 'connections', 'times' => 1e6]);
        $perKilometre = self::stop('s1', 'per-denominator', ['measure' => 'mains-length', 'times' => 100]);
        $mean = self::stop('s2', 'rolling', ['window' => 12]);
        RevisionWriter::begin(
            $forum,
            (new StudyOfCore(
                'Veldmere among utilities of its size',
                'leakage',
                Rail::of($perConnection, $mean),
                ['veldmere-water' => 1],
                sort: RosterSort::Lowest,
            ))->withPart(new PeersPart('set:like-veldmere', band: Band::Quartiles)),
        );
        RevisionWriter::begin(
            $forum,
            (new StudyOfCore(
                'Bursts: more than chance?',
                'bursts',
                Rail::of($perKilometre, $mean),
                ['veldmere-water' => 1],
                view: 'scatter',
            ))->withPart(ScatterPart::from(['measure' => 'mains-length', 'line' => 'none', 'funnel' => true])),
        );
        RevisionWriter::begin(
            $forum,
            (new StudyOfCore(
                'Who accounts for the fall',
                'leakage',
                Rail::of($perConnection),
                ['veldmere-water' => 1],
                view: 'contributions',
                sort: RosterSort::Lowest,
            ))->withRange(PeriodRange::parse('2019..2024')),
        );
        RevisionWriter::begin(
            $forum,
            (new StudyOfCore(
                'Since when Dunmarsh is level',
                'leakage',
                Rail::of($perConnection, self::stop('s2', 'seasonal', [])),
                ['dunmarsh' => 1],
                sort: RosterSort::Lowest,
                words: new OwnWords(
                    'Dunmarsh has been level since {since Dunmarsh}',
                ),
            ))->withPart(new TurnsPart('shown')),
        );
        RevisionWriter::begin(
            $forum,
            (new StudyOfCore(
                'Will Veldmere reach 2,000',
                'leakage',
                Rail::of($perConnection, $mean),
                ['veldmere-water' => 1],
                sort: RosterSort::Lowest,
                words: new OwnWords('Veldmere leads to {leads Veldmere} by June 2027; the target is 2,000'),
            ))
                ->withPart(new PeersPart(target: Targets::parse('2000 by 2027-06')))
                ->withPart(new ProjectionPart('shown')),
        );
        RevisionWriter::begin(
            $forum,
            (new StudyOfCore(
                'Did the leakage programme work',
                'leakage',
                Rail::of($perConnection, $mean),
                [],
                view: 'before-after',
                sort: RosterSort::Lowest,
            ))->withPart(new BeforeAfterPart(
                called: 'the leakage programme',
                with: 'dates:Joined leakage programme',
            )),
        );
    }

    /** Half of the studies on one page, as they would go to a board. */
    private function brief(): void
    {
        $brief = Brief::begin('Leakage on the Saltmarch Coast');
        $brief->update(['controls' => ['years', 'base']]);
        $brief->add(
            null,
            'Leakage per connection falls where the programme began early. The charts show who gained, ' .
                'who did not, and how far Veldmere has come.',
        );
        foreach (['Leakage since the programme', 'Veldmere among its peers', 'Leakage, utility by utility'] as $name) {
            $brief->add(Study::where('name', $name)->firstOrFail(), null);
        }
    }

    /** @param array<string, scalar> $settings */
    private static function stop(string $id, string $type, array $settings): PlacedStop
    {
        return new PlacedStop($id, StopCatalogue::make($type, $settings));
    }
}
