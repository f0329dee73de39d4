<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Data\StoredData;
use App\Models\Dataset;
use App\Models\Upload;
use PHPUnit\Framework\Attributes\TestWith;

/** A file that is added to a data set: its units, and values that it has no more, are never passed over in silence. */
final class UpdatesTest extends ApplicationTestCase
{
    /** What was changed of the guess for one file holds for the next with the same headings, until it is undone. */
    public function testTheNextFileOfAKindIsReadLikeTheLast(): void
    {
        $text = static fn(int $year, string $columns = "Plant,Town,Unit cost,Load {year}\n"): string => strtr(
            $columns . "A,Ayle,-999,5\nB,Bask,7,6\nC,Cole,8,-9\n",
            ['{year}' => (string) $year],
        );
        $first = $this->brought($text(2023), 'returns 2023.csv');
        self::assertSame('', $first->like);
        foreach (
            [
                ['roles' => [0 => 'about', 1 => 'entity']],
                ['missing' => '-9', 'duplicates' => 'last'],
                ['measures' => ['Unit cost' => ['unit' => '£', 'better' => 'lower']]],
            ] as $change
        ) {
            $this->patch(route('uploads.update', $first), $change)->assertOk();
        }
        $plan = $first->refresh()->readPlan();
        $this->post(route('imports.store', $first), ['name' => 'First'])->assertOk();
        $next = $this->brought($text(2024), 'returns 2024.csv');
        self::assertSame('returns 2023.csv', $next->like);
        self::assertEquals(
            [$plan->columns, $plan->stated->missing, $plan->duplicates, $plan->stated->measures],
            [
                $next->readPlan()->columns,
                $next->readPlan()->stated->missing,
                $next->readPlan()->duplicates,
                $next->readPlan()->stated->measures,
            ],
        );
        $this->get(route('uploads.show', $next))->assertSee('Read with the settings of “returns 2023.csv”');
        // A file that says another measure or unit is of those.
        $wide = $this->brought("Plant,2021\nA,1\nB,2\n", 'first.csv');
        $this->patch(route('uploads.update', $wide), ['measureName' => 'Cost', 'unitName' => '£'])->assertOk();
        $this->post(route('imports.store', $wide), ['name' => 'Wide'])->assertOk();
        $same = $this->brought("Plant,2022\nA,1\nB,2\n", 'next.csv')->readPlan()->stated;
        self::assertSame(['Cost', '£'], [$same->measureName, $same->unit]);
        $other = $this->brought("Leakage (Ml),\n,\nPlant,2023\nA,1\nB,2\n", 'other.csv')->readPlan()->stated;
        self::assertSame(['Leakage', 'Ml'], [$other->measureName, $other->unit]);
        // Columns in another place are known by their names; other columns are another kind.
        $moved = $this->brought("Town,Plant,Load 2024,Unit cost\nAyle,A,5,1\nBask,B,6,2\n", 'moved.csv');
        self::assertSame('', $moved->like);
        // Without them it is read as guessed, and so is the next one then.
        $this->patch(route('uploads.update', $next), ['anew' => '1'])
            ->assertOk()
            ->assertDontSee('Read with the settings of');
        self::assertSame(0, $next->refresh()->readPlan()->columns->entity);
        $this->post(route('imports.store', $next), ['name' => 'Second'])->assertOk();
        self::assertSame('', $this->brought($text(2025), 'returns 2025.csv')->like);
    }

    private const WIDE = "Company,2019,2020,2021\nAyle,31,32,33\nBask,41,42,43\nCole,51,52,53\n";

    /** The factor is told by the units, or by the values for the same periods, or by those that go before. */
    #[TestWith(['Leakage', 'Ml/d', "Company,2022\nAyle,34000\nBask,44000\nCole,54000\n", 'm³/d', '0.001', 34.0])]
    #[TestWith(['Supply', 'GWh', "Company,2022\nAyle,0.034\nBask,0.044\nCole,0.054\n", 'TWh', '1000', 34.0])]
    #[TestWith(['Leakage', 'Ml/d', "Company,2021,2022\nAyle,33,34\nBask,43,44\nCole,53,54\n", 'Ml/day', '', 34.0])]
    #[TestWith(['Share', '%', "Company,2022\nAyle,0.34\nBask,0.44\nCole,0.54\n", '', '100', 34.0])]
    #[TestWith(['Cost', '€', "Company,2021,2022\nAyle,33e3,34e3\nBask,43e3,44e3\nCole,53e3,54e3\n", '', '0.001', 34.0])]
    #[TestWith(['Cost', '€', "Company,2022\nAyle,34\nBask,44\nCole,54\n", '', '', 34.0])]
    public function testValuesAreStoredInTheUnitThatIsThere(
        string $measure,
        string $unit,
        string $file,
        string $itsUnit,
        string $factor,
        float $stored,
    ): void {
        $dataset = $this->stored($measure, $unit);
        $upload = $this->update($file, $measure, $itsUnit, $dataset);
        $page = $this->get(route('uploads.show', $upload))->assertOk();
        $factor === ''
            ? $page->assertDontSee('comes in another unit')
            : $page->assertSee('1 measure comes in another unit')->assertSee("Multiply by {$factor}");
        $this->post(route('imports.store', $upload))->assertOk();
        self::assertEqualsWithDelta($stored, $this->latest($dataset), 1e-9);
        self::assertSame(1, $dataset->measures()->count());
    }

    public function testAUnitThatNothingConvertsIsAskedAboutAndIsAMeasureOfItsOwnUntilThen(): void
    {
        $dataset = $this->stored('Supply', 'Ml');
        $upload = $this->update("Company,2022\nAyle,3\nBask,4\nCole,5\n", 'Supply', 'GWh', $dataset);
        $this->get(route('uploads.show', $upload))->assertSee('Supply: GWh in the file, Ml in the data set');
        $this->patch(route('uploads.update', $upload), ['units' => ['Supply' => '1']])->assertOk();
        $this->post(route('imports.store', $upload))->assertOk();
        self::assertSame([1, 3.0], [$dataset->measures()->count(), $this->latest($dataset)]);
        $again = $this->update("Company,2023\nAyle,6\nBask,7\nCole,8\n", 'Supply', 'TWh', $dataset);
        $this->post(route('imports.store', $again))->assertOk();
        self::assertSame(['Supply', 'Supply, TWh'], $dataset->measures()->orderBy('id')->pluck('name')->all());
        self::assertSame(3.0, $this->latest($dataset));
    }

    public function testWithdrawnValuesAreListedAndStayUntilSomebodySaysOtherwise(): void
    {
        $dataset = $this->stored('Leakage', 'Ml');
        $file = "Company,2019,2020,2021\nAyle,31,:,33\nBask,41,42,\nCole,51,52,53\n";
        $upload = $this->update($file, 'Leakage', 'Ml', $dataset);
        $this->get(route('uploads.show', $upload))
            ->assertSee('2 stored values are missing in this file')
            ->assertSee('Leakage, Ayle, 2020; Leakage, Bask, 2021')
            ->assertSee('No changes');
        $this->patch(route('uploads.update', $upload), ['removes_withdrawn' => '1'])
            ->assertOk()
            ->assertSee('2 deleted');
        $this->post(route('imports.store', $upload))->assertOk();
        $table = (new StoredData($dataset->refresh()))->table('leakage');
        self::assertNan($table->series['ayle']->values[1]);
        self::assertSame(33.0, $table->series['ayle']->values[2]);
        self::assertNan($table->series['bask']->values[2] ?? NAN);
    }

    private function stored(string $measure, string $unit): Dataset
    {
        $upload = $this->brought(self::WIDE, 'first.csv');
        $this->patch(route('uploads.update', $upload), ['measureName' => $measure, 'unitName' => $unit]);
        $this->post(route('imports.store', $upload), ['name' => 'Returns', 'home' => 'Ayle'])->assertOk();

        return Dataset::where('name', 'Returns')->firstOrFail();
    }

    private function update(string $file, string $measure, string $unit, Dataset $dataset): Upload
    {
        $heading = $unit === '' ? $measure : "{$measure} ({$unit})";

        return $this->brought("{$heading},,,\n,,,\n{$file}", 'next.csv', $dataset);
    }

    /** The latest value of the first company. */
    private function latest(Dataset $dataset): float
    {
        $data = new StoredData($dataset->refresh());
        $values = array_filter(
            $data->table((string) array_key_first($data->measures()))->series['ayle']->values,
            static fn(float $v): bool => !is_nan($v),
        );

        return (float) end($values);
    }
}
