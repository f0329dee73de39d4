<?php

declare(strict_types=1);

namespace Tests\Reference;

use App\Data\StoredData;
use App\Models\Dataset;
use DuskRail\Time\Period;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Group;
use Tests\Feature\ApplicationTestCase;

/**
 * Open tables in ten shapes brought through the real screens, and compared value by value with what R or Python has in
 * them (tests/Reference/make/tables.R and tables.py).
 */
final class TablesTest extends ApplicationTestCase
{
    /** @return iterable<string, array{string, array<string, mixed>}> name, and what the user has to correct */
    public static function tables(): iterable
    {
        yield 'months down, years across' => ['AirPassengers', []];
        yield 'years down, entities across' => ['WorldPhones', []];
        yield 'periods across' => ['USPersonalExpenditure', []];
        yield 'a number along the axis' => ['Orange', []];
        yield 'another, with gaps' => ['ChickWeight', []];
        yield 'one entity down' => ['UKDriverDeaths', []];
        yield 'one moment, measures across' => ['mtcars', []];
        yield 'two rows of headings' => ['Seatbelts', []];
        yield 'long, months as English dates' => ['stocks', []];
        yield 'long, years as dates of the first of January' => ['iowa-electricity', []];
        yield 'events' => [
            'birdstrikes',
            ['shape' => 'events', 'ways' => [2 => 'different', 3 => 'sum'], 'measureName' => 'Birdstrikes'],
        ];
    }

    /** @param array<string, mixed> $corrections */
    #[DataProvider('tables')]
    #[Group('slow')]
    public function testAnOpenTableComesInAsItIs(string $name, array $corrections): void
    {
        $upload = $this->brought((string) file_get_contents(__DIR__ . "/data/tables/{$name}.csv"), "{$name}.csv");
        foreach ($corrections as $what => $correction) {
            $this->patch(route('uploads.update', $upload), [$what => $correction])->assertOk();
        }
        $this->post(route('imports.store', $upload), ['name' => $name])->assertOk();
        $data = new StoredData(Dataset::firstOrFail());
        $found = [];
        foreach ($data->measures() as $key => $measure) {
            $table = $data->table((string) $key);
            foreach ($table->series as $series) {
                foreach ($series->values as $i => $value) {
                    if (!is_nan($value)) {
                        $found[
                            "{$data->entities()[$series->key]->name},{$measure->name},{$table->axis->period(
                                $i,
                            )->code()}"
                        ] = $value;
                    }
                }
            }
        }
        $expected = [];
        foreach (Table::rows("tables/{$name}.expected.csv") as [$entity, $measure, $period, $value]) {
            $expected["{$entity},{$measure}," . Period::parse($period)->code()] = (float) $value;
        }
        ksort($expected);
        ksort($found);
        self::assertSame(array_keys($expected), array_keys($found));
        foreach ($expected as $cell => $value) {
            self::assertEqualsWithDelta($value, $found[$cell], abs($value) * 1e-14, $cell);
        }
    }
}
