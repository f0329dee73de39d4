<?php

declare(strict_types=1);

namespace Tests\Core;

use DuskRail\Chart\Group;
use DuskRail\Chart\Mark;
use DuskRail\Chart\Words;
use DuskRail\Data\MeasureKind;
use DuskRail\Outcome\Comparison;
use DuskRail\Reading\Detection;
use DuskRail\Reading\Observations;
use DuskRail\Reading\Plan;
use DuskRail\Reading\Reader;
use DuskRail\Reading\Sample;
use DuskRail\Time\Frequency;
use DuskRail\Time\Period;
use DuskRail\Time\Undated;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Months, quarters, weeks and weekdays that name no year are in their order, and are written without one. */
final class UndatedTest extends TestCase
{
    /** @return iterable<string, array{string, string}> text, and what comes of it: shape; entities; first series */
    public static function tables(): iterable
    {
        $days = 'Mon,Tue,Wed,Thu,Fri,Sat,Sun';
        yield 'months across' => [
            "Plant,Jan,Feb,Mar,Apr\nA,1,2,3,4\nB,2,3,4,5\n",
            'periods-across; A, B; January 1, February 2, March 3, April 4',
        ];
        yield 'months in Spanish with quarters and a total among them' => [
            "Planta,Ene,Feb,Mar,Trim. 1,Abr,May,Jun,Trim. 2,Total\nA,1,2,3,6,4,5,6,15,21\nB,2,3,4,9,5,6,7,18,27\n",
            'periods-across; A, B; January 1, February 2, March 3, April 4, May 5, June 6',
        ];
        yield 'months down' => [
            "Month,A,B\nMarch,1,2\nApril,3,4\nMay,5,6\n",
            'entities-across; A, B; March 1, April 3, May 5',
        ];
        yield 'months in a column, beside sites' => [
            "Site,Month,Visits\nA,Jan,1\nA,Feb,2\nA,Mar,3\nB,Jan,4\nB,Feb,5\nB,Mar,6\n",
            'long; A, B; January 1, February 2, March 3',
        ];
        yield 'quarters across' => [
            "Plant,Q1,Q2,Q3,Q4\nA,1,2,3,4\nB,2,3,4,5\n",
            'periods-across; A, B; Q1 1, Q2 2, Q3 3, Q4 4',
        ];
        yield 'five questions are no quarters' => [
            "Plant,Q1,Q2,Q3,Q4,Q5\nA,1,2,3,4,5\nB,2,3,4,5,6\n",
            'moment; A, B; 1 1',
        ];
        yield 'weeks across' => [
            "Plant,Week 1,Week 2,Week 3\nA,1,2,3\nB,2,3,4\n",
            'periods-across; A, B; week 1 1, week 2 2, week 3 3',
        ];
        yield 'variables are no weeks' => ["Plant,V1,V2,V3\nA,1,2,3\nB,2,3,4\n", 'moment; A, B; 1 1'];
        yield 'weekdays across' => [
            "Site,{$days}\nA,1,2,3,4,5,6,7\nB,2,3,4,5,6,7,8\n",
            'periods-across; A, B; Monday 1, Tuesday 2, Wednesday 3, Thursday 4, Friday 5, Saturday 6, Sunday 7',
        ];
        yield 'weekdays in German' => [
            "Standort,Montag,Dienstag,Mittwoch\nA,1,2,3\nB,2,3,4\n",
            'periods-across; A, B; Monday 1, Tuesday 2, Wednesday 3',
        ];
        yield 'weekdays across and weeks down' => [
            "Week,{$days}\n1,1,2,3,4,5,6,7\n2,8,9,10,11,12,13,14\n",
            'weekdays-across; Table; Monday 1, Tuesday 2, Wednesday 3, Thursday 4, Friday 5, Saturday 6, Sunday 7, ' .
            'Monday, week 2 8, Sunday, week 2 14',
        ];
        yield 'weekdays across and weeks of a year down' => [
            "Week,{$days}\n2024-W01,1,2,3,4,5,6,7\n2024-W02,8,9,10,11,12,13,14\n",
            'weekdays-across; Table; 1 January 2024 1, 2 January 2024 2, 3 January 2024 3, 4 January 2024 4, ' .
            '5 January 2024 5, 6 January 2024 6, 7 January 2024 7, 8 January 2024 8, 14 January 2024 14',
        ];
        yield 'stages' => ["Land,Stage 1,Stage 2,Stage 3\nA,9,8,6\nB,9,7,3\n", 'periods-across; A, B; 1 9, 2 8, 3 6'];
        yield 'hours of the day' => [
            "Site,00:00,01:00,02:00\nA,1,2,3\nB,2,3,4\n",
            'periods-across; A, B; 0 1, 1 2, 2 3',
        ];
        yield 'a year in the title' => [
            "Visitas por planta. Año 2023,,,\n,,,\nPlanta,Ene,Feb,Mar\nA,1,2,3\nB,2,3,4\n",
            'periods-across; A, B; January 2023 1, February 2023 2, March 2023 3',
        ];
        yield 'two years in the title are none' => [
            "Visits 2022 and 2023,,,\n,,,\nPlant,Jan,Feb,Mar\nA,1,2,3\nB,2,3,4\n",
            'periods-across; A, B; January 1, February 2, March 3',
        ];
        yield 'a year in a column comes first' => [
            "Month,Year,Visits\nJan,2023,1\nFeb,2023,2\nMar,2023,3\n",
            'long; Table; January 2023 1, February 2023 2, March 2023 3',
        ];
    }

    #[DataProvider('tables')]
    public function testATableComesToWhatItsReaderMeant(string $text, string $expected): void
    {
        [$plan, $read] = self::read($text);
        self::assertSame(0, $read->problemCount);
        self::assertSame($expected, "{$plan->shape}; " . implode(', ', $read->entities) . '; ' . self::first($read));
    }

    public function testTheYearIsAskedForAndMakesDates(): void
    {
        [$plan, $read, $sample] = self::read("Plant,Week 1,Week 52,Week 53\nA,1,2,3\nB,2,3,4\n");
        self::assertStringEndsWith('week 53 3', self::first($read));
        self::assertContains('no year is named, so the periods have none', Detection::explain($sample, $plan));
        self::assertStringStartsWith('week 1 of 2020 1', self::first(self::in(2020, $plan, $sample)));
        self::assertStringEndsWith('week 53 of 2020 3', self::first(self::in(2020, $plan, $sample)));
        // A year without such a week has no place for its values, and says so.
        self::assertGreaterThan(0, self::in(2021, $plan, $sample)->problemCount);
    }

    public function testTheNameOfTheFileHasAYearAndNoneInItsTitle(): void
    {
        $rows = [['Plant', 'Jan', 'Feb', 'Mar'], ['A', '1', '2', '3'], ['B', '2', '3', '4']];
        $read = static function (string $name) use ($rows): string {
            $sample = new Sample($rows, $name, ',');

            return $sample->title() . '; ' . self::first(Reader::read($rows, Detection::of($sample)->plan));
        };
        self::assertSame('Visits; January 2023 1, February 2023 2, March 2023 3', $read('visits_2023 (1).csv'));
        self::assertSame('Visits; January 1, February 2, March 3', $read('visits 2022-2023 v2.csv'));
        self::assertSame('2023; January 2023 1, February 2023 2, March 2023 3', $read('2023.csv'));
        self::assertSame('Report A06; January 1, February 2, March 3', $read('report_A06.csv'));
    }

    public function testEachPlaceInAYearIsThatInAnother(): void
    {
        $same = ['Q3' => '2023-Q3', 'H2' => '2023-H2', '3 May' => '2023-05-03', 'week 9' => '2023-W09'];
        foreach ($same as $from => $to) {
            self::assertSame($to, Undated::in(2023, Period::parse($from))->code());
        }
        // ISO 8601: Monday of week 2 of 2023 is 9 January.
        self::assertSame('2023-01-09', Undated::in(2023, Undated::weekday(1, 2))->code());
        self::assertSame('the year', Undated::month(5)->in(Frequency::Year)->label());
        self::assertFalse(Undated::holds(Period::parse('2299-12')));
        self::assertFalse(Undated::holds(Period::number(9_999_999)));
    }

    /** What is said and drawn of them names no year. */
    public function testNothingSaysAYear(): void
    {
        foreach (['January', 'Q1', 'H1', 'week 1', 'Monday', '1 March'] as $first) {
            $count = ['Q1' => 4, 'H1' => 2][$first] ?? 12;
            $rows = ['home' => range(2, $count + 1), 'marl' => range(3, $count + 2), 'tarrow' => range(1, $count)];
            $data = Make::data(['visits' => ['visits', MeasureKind::Flow, $first, $rows]]);
            $comparison = Comparison::of(Make::study($data), $data);
            $wording = Make::wording($comparison, '');
            $words = self::words(Make::picture($comparison)->marks);
            self::assertGreaterThan(5, count($words));
            $all = [$wording->headline, $wording->subtitle, ...$words];
            foreach ($all as $text) {
                self::assertDoesNotMatchRegularExpression('/99\d\d/', $text, $first);
            }
            self::assertStringContainsString($comparison->axis->period($count - 1)->label(), $wording->headline);
        }
    }

    /**
     * @param list<Mark> $marks
     * @return list<string>
     */
    private static function words(array $marks): array
    {
        $words = [];
        foreach ($marks as $mark) {
            if ($mark instanceof Group) {
                array_push($words, ...self::words($mark->marks));
            } elseif ($mark instanceof Words) {
                $words[] = $mark->text();
            }
        }

        return $words;
    }

    /** @return array{Plan, Observations, Sample} */
    private static function read(string $text): array
    {
        $rows = array_map(
            static fn(string $line): array => array_map(strval(...), str_getcsv($line, ',', '"', '')),
            explode("\n", rtrim($text, "\n")),
        );
        $sample = new Sample($rows, 'table.csv', ',');
        $plan = Detection::of($sample)->plan;

        return [$plan, Reader::read($sample->rows, $plan), $sample];
    }

    private static function in(int $year, Plan $plan, Sample $sample): Observations
    {
        return Reader::read($sample->rows, $plan->with(['year' => (string) $year]));
    }

    private static function first(Observations $read): string
    {
        foreach ($read->series() as $series) {
            $of = $read->frequencyOf($series->measure);
            $said = [];
            foreach (array_slice($series->values, 0, 60, true) as $i => $value) {
                if (!is_nan($value) && (count($said) < 8 || $i === count($series->values) - 1)) {
                    $said[] = Period::at($of, $series->first + $i)->label() . " {$value}";
                }
            }

            return implode(', ', $said);
        }

        return '';
    }
}
