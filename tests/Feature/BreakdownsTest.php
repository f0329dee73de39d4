<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Formats\Out\DatasetFormats;
use App\Models\Dataset;
use App\Models\Entity;
use App\Models\ImportedFile;
use App\Models\StoredSeries;
use App\Models\Study;
use DuskRail\Data\Cell;
use Illuminate\Http\UploadedFile;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Group;

/** Tables whose values are split, from the file through the pages to the files that they leave in. */
final class BreakdownsTest extends ApplicationTestCase
{
    private const SPLIT =
        "Utility,Zone,Cause,Year,Bursts\nVeldmere,Upper,frost,2023,1\nVeldmere,Upper,age,2023,2\n" .
        "Veldmere,Upper,all,2023,3\nVeldmere,Lower,frost,2023,4 p\nVeldmere,Lower,age,2023,0.1\n" .
        "Veldmere,Lower,all,2023,4.1\nTarrow,Upper,frost,2023,c\nTarrow,Upper,age,2023,7\nTarrow,Upper,all,2023,8\n" .
        "Veldmere,Upper,frost,2024,2\nVeldmere,Upper,age,2024,3\nVeldmere,Upper,all,2024,5\n" .
        "Tarrow,Lower,all,2024,6\nTarrow,Lower,age,2024,5\nTarrow,Lower,frost,2024,1\n";

    public function testATableThatIsSplitIsShownBroughtAndSeenByCategory(): void
    {
        $upload = $this->brought(self::SPLIT, 'bursts.csv');
        $this->get(route('uploads.show', $upload))
            ->assertSee('Bursts of 2 utilities, by zone and cause, 2023 to 2024')
            ->assertSee('“Cause” splits the values: frost, age, all', false)
            ->assertSee('<svg', false);
        $study = $this->imported(self::SPLIT, 'bursts.csv');
        // The zone has no total, so the first is shown, and said; a value is led back to its own cell.
        $this->get(route('studies.show', $study))->assertSee('Bursts, Zone: Upper, Cause: all');
        $this->get(route('working.show', [$study, 'veldmere', 1]))->assertSee('bursts.csv, row 13');
        $this->change($study, 'breakdown', ['breakdown' => 'zone', 'choice' => 'sum'])
            ->assertOk()
            ->assertSee('Zone added up')
            ->assertSee('Undo: Sum Zone');
        $this->change($study, 'breakdown', ['breakdown' => 'cause', 'choice' => 'lines'])
            ->assertOk()
            ->assertSeeInOrder(['data-line="c:frost"', 'data-line="c:age"'], false);
        $this->change($study, 'breakdown', ['breakdown' => 'cause', 'choice' => 'one:rust'])
            ->assertStatus(422)
            ->assertSee('Choose from its categories');
        $data = $study->refresh()->data();
        $frost = $data->table('bursts', Cell::of(['zone' => 'lower', 'cause' => 'frost']));
        self::assertSame(
            [[4.0], [1.0]],
            [array_slice($frost->series['veldmere']->values, 0, 1), array_slice($frost->series['tarrow']->values, 1)],
        );
        self::assertSame(
            'bursts.csv, row 5, column 5, provisional',
            $data->origin('bursts', 'veldmere', 2023, Cell::of(['zone' => 'lower', 'cause' => 'frost']))?->text(),
        );
    }

    public function testASplitTableCanBeReadAnotherWayAColumnAtATime(): void
    {
        $upload = $this->brought(self::SPLIT, 'bursts.csv');
        $see = fn(array $correction) => $this->patch(route('uploads.update', $upload), $correction)->assertOk();
        // Causes as what is compared, utilities as a breakdown.
        $see(['roles' => [2 => 'entity', 0 => 'breakdown']])->assertSee('Bursts of 2 causes, by utility and zone');
        // The cause as a part of the measure.
        $see(['roles' => [0 => 'entity']]);
        $see(['roles' => [2 => 'qualifier']])->assertSee('3 measures of 2 utilities, by zone');
        $see(['roles' => [2 => 'out'], 'duplicates' => 'last'])->assertSee('Bursts of 2 utilities, by zone,');
    }

    public function testARowThatStandsForOthersIsNoPeerUnlessItIsSaidToBe(): void
    {
        $upload = $this->brought("Utility,2023,2024\nVeldmere,5,6\nTarrow,1,2\nMarl,3,4\nTotal,9,12\n", 'bursts.csv');
        $see = fn(array $correction) => $this->patch(route('uploads.update', $upload), $correction)->assertOk();
        $see([])->assertSee('Bursts of 3 utilities')->assertSee('“Total” is a benchmark', false);
        $see(['rows' => [4 => 'figures']])->assertSee('Bursts of 4 utilities')->assertDontSee('is a benchmark');
        $see(['rows' => [3 => 'total']])->assertSee('“Marl” is a benchmark', false);
        $see(['rows' => [3 => 'note']])->assertSee('Bursts of 3 utilities');
        $study = $this->imported(
            "Bursts by utility,,\n(repairs),,\nUtility,2023,2024\nVeldmere,5,6\nTarrow,1,2\nMarl,3,4\nTotal,9,12\n" .
                "Source: The Forum,,\n",
            'report.csv',
        );
        $this->get(route('studies.show', $study))
            ->assertSeeText('Veldmere: 6 in 2024; the median of all 3 is 4')
            ->assertSee('Bursts, repairs per year');

        self::assertSame(
            ['total' => 'total'],
            array_filter(
                array_map(
                    static fn($entity): string => $entity->attributes['summary'] ?? '',
                    $study->data()->entities(),
                ),
            ),
        );
    }

    public function testOneCellIsCorrectedAndTakenBackAndAStudyCarriesItsCellsAlong(): void
    {
        $study = $this->imported(self::SPLIT, 'bursts.csv');
        $dataset = $study->dataset;
        $this->get(route('datasets.show', $dataset))->assertSee(
            'value="all" checked aria-label="all is the total"',
            false,
        );
        $frost = Cell::of(['zone' => 'upper', 'cause' => 'frost']);
        $values = static fn(Study $of): array => Study::findOrFail($of->id)->data()->table('bursts', $frost)->series[
            'veldmere'
        ]->values;
        $this->get(
            route('datasets.figures', [
                $dataset,
                'bursts',
                'cell' => $frost->text(),
                'entity' => 'veldmere',
                'at' => 0,
            ]),
        )
            ->assertOk()
            ->assertSee('value="cause=frost;zone=upper"', false)
            ->assertSee('bursts.csv, row 2');
        $this->post(route('corrections.store', $dataset), [
            'measure' => 'bursts',
            'entity' => 'veldmere',
            'cell' => $frost->text(),
            'period' => '2023',
            'value' => '9',
            'status' => '0',
            'why' => 'Counted anew',
        ])->assertSessionHasNoErrors();
        self::assertSame([9.0, 2.0], $values($study));
        self::assertSame([3.0, 5.0], $study->data()->table('bursts')->series['veldmere']->values);
        $this->delete(
            route('corrections.destroy', [$dataset, ImportedFile::latest('id')->firstOrFail()]),
        )->assertSessionHasNoErrors();
        self::assertSame([1.0, 2.0], $values($study));

        $this->change($study, 'breakdown', ['breakdown' => 'cause', 'choice' => 'one:frost'])->assertOk();
        $this->get(route('readouts.show', [$study, 'veldmere']))->assertDontSee('provisional');
        $this->change($study, 'breakdown', ['breakdown' => 'zone', 'choice' => 'one:lower'])->assertOk();
        $this->get(route('readouts.show', [$study, 'veldmere']))->assertSee('provisional');
        $this->change($study, 'breakdown', ['breakdown' => 'zone', 'choice' => 'one:upper'])->assertOk();
        $file = (string) $this->get(route('hand-over', [$study, 'data.json']))->assertOk()->getContent();
        $this->post(route('study-files.carried'), [
            'study' => UploadedFile::fake()->createWithContent('study.json', $file),
        ]);
        $back = Study::latest('id')->firstOrFail();
        self::assertNotSame($study->id, $back->id);
        self::assertSame([1.0, 2.0], $values($back));
        $this->get(route('studies.show', $back))->assertSee('Bursts, Zone: Upper, Cause: frost');
    }

    #[DataProvider('formats')]
    #[Group('slow')]
    public function testASplitDataSetIsHandedOnAndReadBackToTheLastBit(string $format): void
    {
        $dataset = $this->imported(self::SPLIT, 'bursts.csv')->dataset->refresh();
        $content = (string) $this->get(route('datasets.out', [$dataset, $format]))->assertOk()->getContent();
        $this->imported($content, 'back.' . DatasetFormats::ALL[$format]::ending());
        $back = Dataset::latest('id')->firstOrFail();
        self::assertSame($dataset->breakdowns, $back->breakdowns);
        self::assertSame(self::told($dataset), self::told($back));
    }

    /** @return iterable<string, array{string}> */
    public static function formats(): iterable
    {
        foreach (array_keys(DatasetFormats::ALL) as $format) {
            yield $format => [$format];
        }
    }

    /** @return list<string> every value by whom and what it is of, in hexadecimal, with what is said of it */
    private static function told(Dataset $dataset): array
    {
        $told = [];
        $names = $dataset->entities->mapWithKeys(static fn(Entity $e): array => [$e->id => $e->name])->all();
        foreach ($dataset->measures as $measure) {
            foreach (StoredSeries::where('measure_id', $measure->id)->get() as $series) {
                foreach ($series->values as $i => $value) {
                    $status = $series->statuses[$i] ?? 0;
                    if (!is_nan($value) || $status !== 0) {
                        $bits = is_nan($value) ? '-' : bin2hex(pack('E', $value));
                        $told[] =
                            "{$names[$series->entity_id]} {$measure->name} {$series->cell} " .
                            ($series->first + $i) .
                            " {$bits} {$status}";
                    }
                }
            }
        }
        sort($told);

        return $told;
    }

    public function testCategoriesAreNamedPutInOrderAndTheirTotalIsSaidByHand(): void
    {
        $rows =
            "Utility,Sex,Year,Staff\nVeldmere,F,2023,1\nVeldmere,M,2023,2\nVeldmere,X,2023,4\n" .
            "Tarrow,F,2023,2\nTarrow,M,2023,2\nTarrow,X,2023,5\n";
        $study = $this->imported($rows, 'staff.csv');
        $page = route('datasets.show', $study->dataset);
        $this->get($page)->assertSeeInOrder(['Female', 'Male', 'value="X"'], false);
        $said = [
            'name' => 'Gender',
            'total' => 'x',
            'categories' => [
                'f' => ['name' => 'Women', 'order' => '3'],
                'm' => ['name' => 'Men', 'order' => '2'],
                'x' => ['name' => 'Everybody', 'order' => '1'],
            ],
        ];
        $keep = fn(array $said): TestResponse => $this->patch(route('breakdowns.update', $study->dataset), [
            'breakdowns' => ['sex' => $said],
        ]);
        $keep($said)->assertRedirect($page);
        $this->get(route('studies.show', $study))->assertSee('Gender: Everybody');
        // The next file may write the name or the code, and what was said of them stays.
        $this->added($study, "Utility,Sex,Year,Staff\nVeldmere,women,2024,3\nVeldmere,M,2024,5\n", 'next.csv');
        $dataset = $study->dataset->refresh();
        self::assertSame(
            [['x' => 'Everybody', 'm' => 'Men', 'f' => 'Women'], 'x'],
            [$dataset->asBreakdowns()['sex']->categories, $dataset->asBreakdowns()['sex']->total],
        );
        $data = Study::findOrFail($study->id)->data();
        self::assertSame([1.0, 3.0], $data->table('staff', Cell::of(['sex' => 'f']))->series['veldmere']->values);
        $said['categories']['m']['name'] = 'women';
        $keep($said)->assertSessionHasErrors([
            'breakdowns' => 'Two categories of Gender have the name “Women”. Use different names.',
        ]);
    }
}
