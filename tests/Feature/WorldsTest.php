<?php

declare(strict_types=1);

namespace Tests\Feature;

use DuskRail\Outcome\Comparison;

/** The winters of a made-up bus network to the last digits that pandas gives; tests/Browser has it, and two others, in short. */
final class WorldsTest extends ApplicationTestCase
{
    public function testTheWintersOfABusNetworkAreRatiosOfSums(): void
    {
        $file = (string) gzdecode((string) file_get_contents(dirname(__DIR__) . '/worlds/buses.csv.gz'));
        $study = $this->imported($file, 'buses.csv');
        $dataset = $study->dataset;
        $operators = $dataset->entities()->pluck('name')->all();
        self::assertCount(14, $operators);
        $rows = array_map(
            static fn(string $name): string => "{$name},Network",
            array_filter($operators, is_string(...)),
        );
        $this->added($study, "operator,group\n" . implode("\n", $rows) . "\n", 'network.csv');
        $punctuality = $dataset->measures()->where('key', 'punctuality')->firstOrFail();
        $says = ['name' => 'Punctuality', 'unit' => '%', 'kind' => 'rate', 'better' => 'higher', 'per' => 'kilometres'];
        $this->patch(route('datasets.measures', $dataset), [
            'measures' => [$punctuality->id => $says],
        ])->assertSessionHasNoErrors();
        $this->change($study, 'measure', ['measure' => 'punctuality'])->assertOk();
        $this->change($study, 'set', ['part' => 'lines', 'settings' => ['groups' => ['Network']]])->assertOk();
        $this->change($study, 'add-stop', ['stop' => 'period'])->assertOk();
        $this->change($study, 'change-stop', ['id' => 's1', 'settings' => ['to' => 'year', 'season' => 'W48–W09']])
            ->assertOk()
            ->assertSee('W48–W09 by the year');
        $comparison = Comparison::of($study->refresh()->document(), $study->data());
        $winters = [];
        foreach ($comparison->lines as $line) {
            $winters[$line->name] = array_map(static fn(float $value): float => round($value, 3), $line->values);
        }
        self::assertSame('2021/22', $comparison->axis->period(0)->label());
        // pandas 1.5.3: (punctuality * kilometres).sum() / kilometres.sum(), grouped by the winter of each week.
        self::assertSame([84.412, 84.244, 83.746, 83.775, 80.607], $winters['Network']);
        self::assertSame([81.858, 81.675, 80.701, 81.331, 73.979], $winters['Metrolane']);
    }
}
