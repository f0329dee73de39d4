<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Data\StoredData;
use App\Models\Study;
use App\View\Regions;
use Illuminate\Support\Facades\DB;

/** What is kept of data, and of a page, is what would be calculated again, and goes when that is another thing. */
final class VersionCacheTest extends ApplicationTestCase
{
    /** @return list<string> tables that a page of the study is read from */
    private function read(Study $study): array
    {
        DB::flushQueryLog();
        DB::enableQueryLog();
        $this->get(route('studies.show', $study))->assertOk();
        preg_match_all('/from "(\w+)"/', implode(' ', array_column(DB::getQueryLog(), 'query')), $tables);
        DB::disableQueryLog();

        return array_values(array_unique($tables[1]));
    }

    private function data(Study $study): StoredData
    {
        return new StoredData($study->dataset()->firstOrFail());
    }

    public function testMeasuresAndEntitiesAreReadOnceUntilOneIsWritten(): void
    {
        $study = $this->imported();
        $this->read($study);
        self::assertEmpty(array_intersect(['measures', 'entities'], $this->read($study)));
        // By whatever way a row is written, and in whatever model the data set was read before.
        $old = $study->dataset()->firstOrFail();
        DB::table('measures')->update(['name' => 'Lost water']);
        DB::table('entities')->where('name', 'Marl')->update(['name' => 'Marlow']);
        $this->get(route('studies.show', $study))->assertSee('Lost water')->assertSee('Marlow');
        self::assertSame(['Lost water'], array_column((new StoredData($old))->measures(), 'name'));
        DB::table('entities')->where('name', 'Marlow')->delete();
        self::assertSame(['Veldmere', 'Tarrow'], array_column($this->data($study)->entities(), 'name'));
    }

    public function testWhatIsUnsettledAndSplitGoesByTheVersion(): void
    {
        $study = $this->imported("Utility,Month,Leakage,Status\nVeldmere,2024-01,10,\nVeldmere,2024-02,12,p\n");
        $key = (string) array_key_first($this->data($study)->measures());
        $this->read($study);
        self::assertSame(['veldmere' => 24289], $this->data($study)->unsettled($key));
        $this->added($study, "Utility,Month,Leakage,Status\nVeldmere,2024-02,12,\nVeldmere,2024-03,13,p\n", 'more.csv');
        self::assertSame(['veldmere' => 24290], $this->data($study)->unsettled($key));
        // A version that is no longer in force has its own, and what is kept is that of the latest all the same.
        self::assertSame(['veldmere' => 24289], (new StoredData($study->dataset()->firstOrFail(), 1))->unsettled($key));
        self::assertSame(['veldmere' => 24290], $this->data($study)->unsettled($key));
    }

    public function testRegionsThatAWindowHasAreNotSentAgain(): void
    {
        $study = $this->imported();
        $page = (string) $this->get(route('studies.show', $study))->getContent();
        preg_match_all('/data-region="(\w+)"/', $page, $regions);
        self::assertGreaterThanOrEqual(3, count($regions[1]));
        $words = ['part' => 'headline', 'text' => 'Other'];
        $answer = $this->withHeader(Regions::HEADER, implode(',', $regions[1]))
            ->change($study, 'words', $words)
            ->assertOk()
            ->assertSee('Other');
        // The roster is the same, and left out; it says so, and its outermost element is there.
        $answer->assertDontSee('data-name="veldmere"', false)->assertSee('hx-morph-skip-children></ul>', false);
        // Another line in focus is another roster.
        $this->change($study, 'state', ['entity' => 'tarrow', 'state' => 'focus'])
            ->assertSee('data-name="veldmere"', false)
            ->assertSee('<nav class="rail"', false);
        $this->flushHeaders();
        $this->change($study, 'words', ['part' => 'headline', 'text' => 'Third'])->assertSee(
            'data-name="veldmere"',
            false,
        );
    }
}
