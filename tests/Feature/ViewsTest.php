<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Data\RevisionWriter;
use App\Models\Study;
use DOMDocument;
use DOMXPath;
use DuskRail\Document\Parts\PanelsPart;
use DuskRail\Document\Parts\ScatterPart;
use DuskRail\Document\Parts\SparksPart;
use DuskRail\Document\ViewCatalogue;
use PHPUnit\Framework\Attributes\Group;
use PHPUnit\Framework\Attributes\TestWith;
use Symfony\Component\Finder\Finder;

/** The views over HTTP: what a page shows, what its points say, and what is handed over. */
final class ViewsTest extends ApplicationTestCase
{
    /** Three years of months at three utilities: Veldmere rises by one a month, Tarrow stays, Marl falls. */
    private function years(): Study
    {
        $rows = "Utility,Month,Leakage (Ml)\n";
        for ($month = 0; $month < 30; $month++) {
            $period = sprintf('%d-%02d', 2022 + intdiv($month, 12), ($month % 12) + 1);
            $rows .= sprintf(
                "Veldmere,%s,%d\nTarrow,%s,20\nMarl,%s,%d\n",
                $period,
                10 + $month,
                $period,
                $period,
                40 - $month,
            );
        }
        $study = $this->imported($rows, 'years.csv');
        $this->added(
            $study,
            "Utility,2022,2023,2024\nVeldmere,900,1000,1100\nTarrow,500,500,500\nMarl,200,400,600\n",
            'connections.csv',
        );
        $this->added($study, "Utility,Group\nVeldmere,Coast\nTarrow,Coast\nMarl,Hill\n", 'groups.csv');

        return $study;
    }

    private function look(Study $study, string $view): void
    {
        $this->change($study, 'view', ['view' => $view])->assertOk();
    }

    public function testAPointOfAYearLaidOverOthersSaysItsOwnPeriodAndComesFromItsOwnCell(): void
    {
        $study = $this->years();
        $this->look($study, 'overlay');
        $this->get(route('studies.show', $study))
            ->assertSee('June 2024: 39.0, 12.0 above 2023', false)
            ->assertSee('data-line="y:2022"', false);
        $this->getJson(route('readouts.show', [$study, 'y:2023']))
            ->assertOk()
            ->assertJsonPath('name', '2023')
            ->assertJsonPath('points.2', [
                'March 2023',
                '24.0 Ml per month',
                '+12.0 on the one before · 2nd highest of 3',
            ]);
        $this->get(route('working.show', [$study, 'y:2023', 2]))
            ->assertOk()
            ->assertSee('Veldmere, March 2023')
            ->assertSee('years.csv, row 44, column 3');
        // July 2024 has not been yet.
        $this->get(route('working.show', [$study, 'y:2024', 6]))->assertNotFound();
        $this->change($study, 'state', ['entity' => 'y:2022', 'state' => 'off'])
            ->assertOk()
            ->assertDontSee('class="series" data-line="y:2022"', false);
        $this->change($study, 'state', ['entity' => 'y:long ago', 'state' => 'off'])
            ->assertStatus(422)
            ->assertSee('has no “y:long ago”', false);
        $this->change($study, 'set', ['part' => 'overlay', 'settings' => ['start' => '4', 'band' => '1']])->assertSee(
            '2024/25',
        );
        $this->change($study, 'set', ['part' => 'overlay', 'settings' => ['start' => '13']])
            ->assertStatus(422)
            ->assertSee('it can be from 1 to 12');
    }

    public function testPanelsSayEveryValueAtEveryPeriod(): void
    {
        $study = $this->years();
        // One of them begins later than the others.
        $this->added($study, "Utility,Month,Leakage (Ml)\nSilt,2023-01,7\nSilt,2023-02,8\n", 'silt.csv');
        $this->change($study, 'panels')
            ->assertOk()
            ->assertSee('class="panel"', false)
            ->assertSee('<use href="#behind"/>', false);
        $this->getJson(route('readouts.index', $study))
            ->assertOk()
            ->assertJsonPath('places.29', 'Jun 2024')
            ->assertJsonPath('panels.veldmere.29', '39.0')
            ->assertJsonPath('panels.silt.12', '7.0')
            ->assertJsonMissingPath('panels.silt.0')
            ->assertJsonPath('panels.marl.0', '40.0');
        $this->change($study, 'set', ['part' => 'panels', 'settings' => ['by' => 'group']])
            ->assertOk()
            ->assertSee('data-key="g:Coast"', false);
        $this->change($study, 'set', ['part' => 'panels', 'settings' => ['by' => 'year']])
            ->assertOk()
            ->assertSee('data-key="y:2024"', false);
        $this->change($study, 'set', ['part' => 'panels', 'settings' => ['by' => 'month']])->assertOk();
        $this->getJson(route('readouts.index', $study))
            ->assertJsonPath('places.0', '2022')
            ->assertJsonPath('panels.p:5.2', '39.0');
        $this->change($study, 'set', ['part' => 'panels', 'settings' => ['by' => 'entity', 'columns' => '9']])
            ->assertStatus(422)
            ->assertSee('it can be from 0 to 8');
        $this->look($study, 'overlay');
        $this->change($study, 'set', ['part' => 'panels', 'settings' => ['by' => 'year']])
            ->assertOk()
            ->assertSee('Split by entity or measure');
        $this->getJson(route('readouts.index', $study))->assertNotFound();
        // Pressed once more the picture is one again.
        $this->change($study, 'panels')->assertOk()->assertDontSee('class="panel"', false);
    }

    /** A part of a drawing that has the id of something else is styled, moved or removed with it. */
    #[Group('slow')]
    public function testNoIdIsOnAPageTwiceNorIsOneOfADrawingThatOfStylesOrScripts(): void
    {
        $study = $this->years();
        $others = '';
        foreach (Finder::create()->files()->in([resource_path('css'), resource_path('js')]) as $file) {
            $others .= $file->getContents();
        }
        preg_match_all('/#([a-z][\w-]*)|getElementById\(\'([\w-]+)\'|\.id = \'([\w-]+)\'/', $others, $named);
        $named = array_filter([...$named[1], ...$named[2], ...$named[3]]);
        foreach (array_keys(ViewCatalogue::all()) as $view) {
            $this->look($study, $view);
            foreach (['none', 'entity', 'group'] as $by) {
                $this->change($study, 'set', ['part' => 'panels', 'settings' => ['by' => $by]])->assertOk();
                $page = new DOMDocument();
                $page->loadHTML((string) $this->get(route('studies.show', $study))->getContent(), LIBXML_NOERROR);
                $path = new DOMXPath($page);
                $ids = [];
                foreach ($path->query('//@id') ?: [] as $id) {
                    $ids[] = (string) $id->nodeValue;
                }
                self::assertSame(
                    [],
                    array_keys(array_filter(array_count_values($ids), static fn(int $n): bool => $n > 1)),
                );
                foreach ($path->query('//svg//@id') ?: [] as $id) {
                    self::assertNotContains((string) $id->nodeValue, $named, "{$view} by {$by}");
                }
            }
        }
    }

    public function testAStackSaysItsPartsAndTheRest(): void
    {
        $study = $this->years();
        $this->change($study, 'set', ['part' => 'stack', 'settings' => ['top' => '1']]);
        $this->look($study, 'stack');
        // Veldmere is in focus; the largest is Marl or it; of three, two are apart and one is the rest — or none is.
        $this->get(route('studies.show', $study))->assertSee('Veldmere')->assertSee('of the total', false);
        $this->getJson(route('readouts.show', [$study, 'veldmere']))->assertJsonPath('points.29', [
            'June 2024',
            '39.0 Ml per month',
            '56 % of 70.0 · 50.0 with those below · +12.0 on a year before · highest of 3',
        ]);
        $this->change($study, 'add-stop', ['stop' => 'index'])->assertOk()->assertSee('cannot be summed');
        $this->change($study, 'set', ['part' => 'stack', 'settings' => ['form' => 'through']])
            ->assertOk()
            ->assertDontSee('cannot be summed');
    }

    public function testAScatterHasTwoRailsAndEachIsChangedByItself(): void
    {
        $study = $this->years();
        $this->look($study, 'scatter');
        $this->get(route('studies.show', $study))->assertSee('Leakage against connections');
        $this->getJson(route('readouts.show', [$study, 'tarrow']))->assertJsonPath('points.0', [
            'June 2024',
            '20.0 Ml per month · 500',
            'Coast',
        ]);
        $this->change($study, 'set', ['part' => 'scatter', 'settings' => ['editing' => 'x']])->assertOk();
        $this->change($study, 'add-stop', ['stop' => 'share'])->assertOk()->assertSee('share of all');
        $document = $study->refresh()->document();
        self::assertSame(
            [0, 1],
            [count($document->rail->stops), count($document->part(ScatterPart::class)->rail->stops ?? [])],
        );
        $this->change($study, 'change-stop', ['id' => 's1', 'settings' => ['of' => 'nothing']])->assertStatus(422);
        // A stop that is not possible along the horizontal axis is refused as on any rail.
        $this->change($study, 'add-stop', ['stop' => 'share'])->assertStatus(422)->assertSee('cannot be summed');
        $this->change($study, 'set', ['part' => 'scatter', 'settings' => ['highX' => '40', 'corners' => 'a,b,c,<d>']])
            ->assertSee('Excluded: Veldmere')
            ->assertSee('&lt;d&gt;', false);
        $this->change($study, 'panels')->assertOk()->assertSee('data-key="g:Hill"', false);
    }

    public function testRowsFiguresAndMeasures(): void
    {
        $study = $this->years();
        $this->look($study, 'sparks');
        $this->get(route('studies.show', $study))->assertSeeInOrder([
            'Coast',
            '59',
            'Tarrow',
            '20',
            'Veldmere',
            '39',
            // Thirty months are too few to tell seasons from a trend.
            'not tested',
            'Hill',
            'Marl',
            '11',
            'not tested',
        ]);
        $this->change($study, 'draw-row', ['row' => 'g:Coast'])->assertOk();
        self::assertSame(['g:Coast' => 'columns'], $study->refresh()->document()->part(SparksPart::class)->forms);
        $this->change($study, 'draw-row', ['row' => 'tarrow', 'group' => 'Coast']);
        $this->change($study, 'draw-row', ['row' => 'tarrow', 'group' => 'Coast']);
        self::assertSame(
            ['g:Coast' => 'columns', 'tarrow' => 'line'],
            $study->refresh()->document()->part(SparksPart::class)->forms,
        );
        $this->look($study, 'figures');
        $this->change($study, 'set', [
            'part' => 'figures',
            'settings' => ['down' => 'lines', 'sort' => '2024-06', 'shaded' => '1'],
        ])
            ->assertSeeInOrder(['Veldmere</th>', 'Tarrow</th>', 'Marl</th>'], false)
            ->assertSee('shade-5', false);
        $this->look($study, 'lines');
        $this->change($study, 'set', ['part' => 'lines', 'settings' => ['across' => 'measures']])
            ->assertSee('Connections cannot be shown with the other measures')
            ->assertSee('data-line="m:leakage"', false);
        $this->get(route('working.show', [$study, 'm:leakage', 29]))
            ->assertOk()
            ->assertSee('Veldmere, June 2024')
            ->assertSee('years.csv');
    }

    public function testAStopTellsWhatAnotherOrderWouldGive(): void
    {
        $study = $this->years();
        $this->change($study, 'add-stop', ['stop' => 'rolling']);
        $this->change($study, 'add-stop', ['stop' => 'index']);
        $this->get(route('orders.show', [$study, 's2']))
            ->assertOk()
            ->assertSee('Before “12-month mean”, Veldmere would end at', false)
            ->assertSee('not at');
        $this->change($study, 'move-stop', ['id' => 's2', 'by' => 'earlier']);
        $this->change($study, 'add-stop', ['stop' => 'change']);
        $this->get(route('orders.show', [$study, 's3']))->assertOk()->assertSee('Before “12-month mean”', false);
        $this->get(route('orders.show', [$study, 's9']))->assertOk()->assertDontSee('would end');
    }

    public function testTheBaseIsSetWhereOneIs(): void
    {
        $study = $this->years();
        $this->change($study, 'base-here', ['period' => 'month#24277'])->assertOk()->assertSee('February 2023 = 100');
        $this->change($study, 'base-here', ['period' => '2022-05'])
            ->assertOk()
            ->assertSee('May 2022 = 100')
            ->assertDontSee('February 2023 = 100');
        $this->change($study, 'base-here', ['period' => 'someday'])
            ->assertStatus(422)
            ->assertSee('“someday” is not a period', false);
        self::assertCount(1, $study->refresh()->document()->rail->stops);
    }

    /** Each view leaves as a picture with its headline and its lines' names as text, and as the values that it shows. */
    #[Group('slow')]
    #[TestWith(['overlay', '2023', '2024-06,39,20,11'])]
    #[TestWith(['stack', 'Marl', '2024-06,39,20,11'])]
    #[TestWith(['sparks', 'Marl', 'Marl,Hill,11,-18,'])]
    #[TestWith(['scatter', 'Tarrow', 'Tarrow,Coast,"June 2024",20,500'])]
    #[TestWith(['lines', 'Peer median', '2024-06,39,20,11,20'])]
    public function testEveryViewIsHandedOver(string $view, string $name, string $row): void
    {
        $study = $this->years();
        $this->look($study, $view);
        $svg = (string) $this->get(route('hand-over', [$study, 'svg']))->assertOk()->getContent();
        $document = new DOMDocument();
        self::assertTrue($document->loadXML($svg));
        self::assertStringContainsString($name, $document->textContent);
        $picture = imagecreatefromstring(
            (string) $this->get(route('hand-over', [$study, 'png']))->assertOk()->getContent(),
        );
        self::assertNotFalse($picture);
        self::assertSame(2 * (int) $document->documentElement?->getAttribute('width'), imagesx($picture));
        $this->get(route('hand-over', [$study, 'csv']))->assertOk()->assertSee($row, false);
    }

    public function testLinesThatLeaveTheLimitsAreCutOffInTheFileToo(): void
    {
        $study = $this->years();
        $this->change($study, 'set', ['part' => 'axis', 'settings' => ['high' => '30', 'view' => 'lines']])->assertSee(
            'but values reach 40.0',
        );
        $svg = (string) $this->get(route('hand-over', [$study, 'svg']))->assertOk()->getContent();
        self::assertSame(1, substr_count($svg, '<clipPath id="plot">'));
        self::assertStringContainsString('<g class="series" clip-path="url(#plot)" data-line="veldmere"', $svg);
    }

    /** However small or odd a table is, every view of it, split every way, answers with a picture or a reason. */
    #[TestWith(["Plant,2019,2020,2021\nOnly one,5,6,7\n"])]
    #[TestWith(["Name,Year,Value\nA,2020,1\nB,2020,2\nC,2020,3\n"])]
    #[TestWith(["When,X,Y\n2024-01-01,-5,3\n2024-01-02,0,\n2024-01-03,4,2\n2024-01-08,4,9\n"])]
    #[TestWith([
        "Site,Week,Count\nP,2020-W52,10\nP,2020-W53,12\nP,2021-W01,15\nQ,2020-W52,9\nQ,2020-W53,0\nQ,2021-W01,30\n",
    ])]
    #[TestWith(["Site,2020,2021,2022\nP,,,\nQ,1,,3\n"])]
    #[Group('slow')]
    public function testEveryViewOfAnOddTableAnswers(string $table): void
    {
        $study = $this->imported($table, 'odd.csv');
        $document = $study->document();
        $answers = 0;
        foreach (array_keys(ViewCatalogue::all()) as $view) {
            foreach (['none', 'entity', 'group', 'measure', 'year', 'month'] as $by) {
                foreach ($by === 'none' ? [$document, $document->withFocus([])] : [$document] as $one) {
                    $split = $one->withView($view)->withPart(PanelsPart::from(['by' => $by]));
                    RevisionWriter::write($study, $split, 'Look');
                    $page = (string) $this->get(route('studies.show', $study))->assertOk()->getContent();
                    self::assertMatchesRegularExpression(
                        '/class="(chart|panel-row|table is-narrow)"|<p class="empty">[^<]{20,}/',
                        $page,
                        "{$view} by {$by}",
                    );
                    foreach ($by === 'none' ? ['peer-comparison.show', 'sentences.show'] : [] as $route) {
                        $this->get(route($route, $study))->assertOk();
                    }
                    self::assertContains($this->get(route('hand-over', [$study, 'csv']))->getStatusCode(), [200, 422]);
                    $answers++;
                }
            }
        }
        self::assertSame(7 * count(ViewCatalogue::all()), $answers);
    }

    public function testPanelsAreHandedOverAsOnePictureThatDrawsWhatTheyShareOnce(): void
    {
        $study = $this->years();
        $this->change($study, 'panels');
        $svg = (string) $this->get(route('hand-over', [$study, 'svg']))->assertOk()->getContent();
        self::assertSame([1, 3], [substr_count($svg, '<g id="behind">'), substr_count($svg, '<use href="#behind"/>')]);
    }
}
