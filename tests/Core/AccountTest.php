<?php

declare(strict_types=1);

namespace Tests\Core;

use DuskRail\Reading\Account;
use DuskRail\Reading\Detection;
use DuskRail\Reading\LeftOutColumn;
use DuskRail\Reading\Plan;
use DuskRail\Reading\Reader;
use DuskRail\Reading\Role;
use DuskRail\Reading\Sample;
use DuskRail\Reading\Table;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** Every column and row of numbers is read, or is named with the reason and a way to read it. */
final class AccountTest extends TestCase
{
    public function testWhatIsLeftOutIsNamedWithTheReason(): void
    {
        $text = "Plant,2019,2020,2021p,H1 2022,Total,Staff\nAyle,1,2,3,8,6,4\nBask,4,5,6,7,15,9\n";
        [$columns, $account, $plan, $sample] = self::account($text);
        self::assertSame(
            [
                'H1 2022 (2 numbers): its header is not a period like the others',
                'Total (2 numbers): the sum of the columns that are read',
                'Staff (2 numbers): its header is not a period like the others',
            ],
            array_map(static fn(LeftOutColumn $c): string => $c->inWords(), $columns),
        );
        self::assertSame(3, $account->read);
        self::assertSame(
            ['H1 2022 (2 numbers, sum 15)', 'Total (2 numbers, sum 21)', 'Staff (2 numbers, sum 13)'],
            Account::inWords(json_decode((string) json_encode($account->toArray()), true)),
        );
        // The click that is offered takes it in: nothing of it is left out then.
        self::assertSame(Role::About, $columns[2]->remedy);
        $read = Reader::read($sample->rows, $plan->with(['roles' => [$columns[2]->column => 'about']]));
        self::assertSame('4', $read->metadata->attributes['Ayle']['Staff'] ?? '');
        self::assertCount(2, $read->metadata->account->columns);
    }

    /** In every layout with times across: another column can be no column of values. */
    #[TestWith(["Week,Mon,Tue,Wed,Thu,Fri,Sat,Sun,Staff\n1,1,2,3,4,5,6,7,90\n2,8,9,10,11,12,13,14,95\n"])]
    #[TestWith(["Month,2022,2023,Staff\nJan,1,2,90\nFeb,3,4,95\nMar,5,6,99\n"])]
    #[TestWith(["Year,Q1,Q2,Q3,Q4,Staff\n2022,1,2,3,4,90\n2023,5,6,7,8,95\n"])]
    public function testAColumnBesideTimesIsNoColumnOfValues(string $text): void
    {
        [$columns] = self::account($text);
        self::assertStringContainsString('its header is not a period like the others', $columns[0]->inWords());
        self::assertNotSame(Role::Figures, $columns[0]->remedy);
    }

    public function testARowOfWhichNothingCameIsCounted(): void
    {
        [, $account] = self::account("Month,2022,2023\nJan,1,2\nFeb,3,4\nMar,5,6\nTotal,9,12\n");
        self::assertSame([1, ['Total']], [$account->rowCount, $account->rows]);
        [, $account] = self::account("Plant,Year,Value\nA,2020,5\nA,2021,6\nB,2020,7\nB,2021,8\n");
        self::assertTrue($account->isWhole());
    }

    public function testAColumnThatRepeatsOrNumbersHasNothingToOffer(): void
    {
        [$columns] = self::account(",Plant,Year,Cost\n1,A,2020,5\n2,A,2021,6\n3,B,2020,7\n4,B,2021,8\n");
        self::assertSame(
            [['column 1 (4 numbers): it numbers the rows', null]],
            array_map(static fn(LeftOutColumn $c): array => [$c->inWords(), $c->remedy], $columns),
        );
    }

    /**
     * Random tables: each column of numbers is one of those read, has another role, or is in the account with its count
     * and its sum; one that is made a column of values is read to the last cell.
     */
    public function testEveryColumnIsAccountedFor(): void
    {
        mt_srand(2028);
        $names = ['Leakage', 'H1 2023', 'Total', '2021', '2022p', 'Jan 2023', 'YTD', 'Note', 'Staff', 'Value', 'x'];
        $left = 0;
        for ($round = 0; $round < 150; $round++) {
            shuffle($names);
            $headings = ['Plant', 'Year', ...array_slice($names, 0, mt_rand(1, 7))];
            $rows = [$headings];
            for ($i = 0; $i < 8; $i++) {
                $row = ['P' . intdiv($i, 2), (string) (2019 + $i % 2)];
                foreach (array_slice($headings, 2) as $n => $_) {
                    $row[] = mt_rand(0, 5) === 0 ? '' : (string) (mt_rand(10, 9999) / 10 + $n * 1000);
                }
                $rows[] = $row;
            }
            $sample = new Sample($rows, 'table.csv', ',');
            $plan = Detection::of($sample)->plan;
            $read = Reader::read($sample->rows, $plan);
            foreach (array_keys($headings) as $column) {
                $cells = array_filter(array_column(array_slice($rows, 1), $column), is_numeric(...));
                $isOut = $plan->columns->role($column) === Role::Out;
                $said = $read->metadata->account->columns[$column] ?? null;
                self::assertSame($isOut && $cells !== [], $said !== null, "{$headings[$column]}, round {$round}");
                if ($said !== null) {
                    $left++;
                    self::assertSame(count($cells), $said['count']);
                    self::assertEqualsWithDelta(array_sum($cells), $said['sum'], 1e-6);
                }
            }
        }
        self::assertGreaterThan(60, $left);
    }

    /** @return array{list<LeftOutColumn>, Account, Plan, Sample} */
    private static function account(string $text): array
    {
        $rows = array_map(
            static fn(string $line): array => array_map(strval(...), str_getcsv($line, ',', '"', '')),
            explode("\n", rtrim($text, "\n")),
        );
        $sample = new Sample($rows, 'table.csv', ',');
        $plan = Detection::of($sample)->plan;
        $account = Reader::read($sample->rows, $plan)->metadata->account;

        return [LeftOutColumn::all($account, new Table($sample, $plan->heading), $plan), $account, $plan, $sample];
    }
}
