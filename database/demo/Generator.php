<?php

declare(strict_types=1);

namespace Database\Demo;

use DuskRail\Time\Calendar;
use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * Makes the data of the Saltmarch Coast Water Forum: 24 invented utilities, from January 2016 to October 2025.
 *
 * Deterministic from a fixed seed. What a benchmarker should be able to find in them is said where it is put in.
 */
final class Generator
{
    public const FIRST_YEAR = 2016;

    /** January 2016 to October 2025. */
    public const MONTHS = 118;

    /**
     * Name, group, connections in 2016, year it joined the leakage programme (0: not yet).
     */
    private const UTILITIES = [
        ['Veldmere Water', 'Estuary', 61_200, 2019],
        ['Tarrow', 'Estuary', 28_400, 2020],
        ['Ousely Sound', 'Estuary', 44_900, 0],
        ['Marl Haven', 'Estuary', 17_800, 2018],
        ['Sallowick', 'Estuary', 9_600, 2022],
        ['Fennimore Quay', 'Estuary', 33_100, 2021],
        ['Brackenmouth', 'Estuary', 21_500, 2020],
        ['Silt Reach', 'Estuary', 6_900, 0],
        ['Harrowfell', 'Upland', 24_300, 0],
        ['Gallinmoor', 'Upland', 12_700, 2019],
        ['Upper Lenn', 'Upland', 8_200, 2021],
        ['Skelderfold', 'Upland', 15_900, 2018],
        ['Windreth', 'Upland', 19_400, 2022],
        ['Pellin Tops', 'Upland', 5_300, 0],
        ['Otterhulme', 'Upland', 11_100, 2020],
        ['Ravenspool', 'Upland', 7_400, 2023],
        ['Dunmarsh', 'Plain', 52_600, 2020],
        ['Wendleford', 'Plain', 38_800, 0],
        ['Corrow', 'Plain', 14_200, 2021],
        ['Millharrow', 'Plain', 70_500, 2018],
        ['Barrowmead', 'Plain', 26_700, 2022],
        ['Longfallow', 'Plain', 18_300, 0],
        ['Great Osker', 'Plain', 96_400, 2019],
        ['Teasel Cross', 'Plain', 22_900, 2021],
    ];

    private readonly Randomizer $random;

    public function __construct(int $seed = 20251031)
    {
        $this->random = new Randomizer(new Mt19937($seed));
    }

    /** @return array<string, list<list<string|int|float>>> rows, headings first, by file name */
    public function files(): array
    {
        [$monthly, $annual] = $this->figures();

        return [
            'utilities.csv' => $this->utilities(),
            'monthly.csv' => $monthly,
            'annual.csv' => $annual,
            'daily-veldmere.csv' => $this->daily(),
            'months-by-year.csv' => $this->monthsByYear($monthly),
            'repairs.csv' => $this->repairs(),
            'price-index.csv' => $this->prices(),
        ];
    }

    /** @return list<list<string|int>> */
    private function utilities(): array
    {
        $rows = [['Utility', 'Group', 'Size class', 'Joined leakage programme']];
        foreach (self::UTILITIES as [$name, $group, $connections, $joined]) {
            $size = $connections < 12_000 ? 'small' : ($connections < 35_000 ? 'medium' : 'large');
            $rows[] = [$name, $group, $size, $joined === 0 ? '' : $joined];
        }

        return $rows;
    }

    /** @return array{list<list<string|int|float>>, list<list<string|int|float>>} */
    private function figures(): array
    {
        $monthly = [['Utility', 'Month', 'Measure', 'Unit', 'Value', 'Status']];
        $annual = [['Utility', 'Measure', 'Unit', ...range(self::FIRST_YEAR, 2025)]];
        foreach (self::UTILITIES as $at => $utility) {
            [$name, $group, $connections] = $utility;
            // Harrowfell is losing customers: its complaints fall in count and rise per connection.
            $growth = $name === 'Harrowfell' ? 0.972 : 1.004 + 0.012 * $this->uniform();
            $connectionsByYear = [];
            for ($year = 0; $year < 10; $year++) {
                $connectionsByYear[] = $connections * $growth ** $year;
            }
            // Silt Reach becomes part of Fennimore Quay at the start of 2021: one series ends, the other jumps.
            if ($name === 'Fennimore Quay') {
                $connectionsByYear = array_map(
                    static fn(int $year, float $number): float => $number + ($year >= 5 ? 6_900 * 1.009 ** $year : 0.0),
                    array_keys($connectionsByYear),
                    $connectionsByYear,
                );
            }
            foreach ($this->months($utility, $at, $connectionsByYear) as $row) {
                $monthly[] = $row;
            }
            array_push($annual, ...$this->years($name, $group, $connectionsByYear));
        }

        return [$monthly, $annual];
    }

    /**
     * @param array{string, string, int, int} $utility
     * @param list<float> $connections by year
     * @return list<list<string|float>>
     */
    private function months(array $utility, int $at, array $connections): array
    {
        [$name, $group, , $joined] = $utility;
        $leakEach =
            ['Estuary' => 118.0, 'Upland' => 152.0, 'Plain' => 104.0][$group] * (0.86 + 0.28 * $this->uniform());
        $useEach = 305.0 * (0.92 + 0.16 * $this->uniform());
        $burstEach = ['Estuary' => 1.15, 'Upland' => 1.5, 'Plain' => 0.95][$group] * (0.85 + 0.3 * $this->uniform());
        $energyEach = ['Estuary' => 0.55, 'Upland' => 0.42, 'Plain' => 0.63][$group] * (0.9 + 0.2 * $this->uniform());
        $drift = 1.0;
        $rows = [];
        for ($i = 0; $i < self::MONTHS; $i++) {
            $year = self::FIRST_YEAR + intdiv($i, 12);
            $month = ($i % 12) + 1;
            if ($name === 'Silt Reach' && $year >= 2021) {
                break;
            }
            $days = Calendar::daysInMonth($year, $month);
            $count =
                $connections[$year - self::FIRST_YEAR] +
                (($month - 6.5) / 12) *
                    ($connections[min(9, $year - self::FIRST_YEAR + 1)] - $connections[$year - self::FIRST_YEAR]) *
                    0.5;
            $summer = cos((($month - 7) / 12) * 2 * M_PI);
            $winter = max(0.0, cos((($month - 1) / 12) * 2 * M_PI));
            // The dry summer of 2022 lifts demand everywhere, most on the plain.
            $dry =
                $year === 2022 && $month >= 6 && $month <= 9
                    ? ['Estuary' => 0.1, 'Upland' => 0.06, 'Plain' => 0.21][$group] *
                        [6 => 0.5, 7 => 1.0, 8 => 1.15, 9 => 0.6][$month]
                    : 0.0;
            $drift = 0.9 * $drift + 0.1 + 0.012 * $this->noise();
            $leak =
                $leakEach * (1 + 0.07 * $winter) * $drift * $this->programme($name, $joined, $year + ($month - 1) / 12);
            // Gallinmoor counts its leakage in another way from April 2020: a step.
            $leak *= $name === 'Gallinmoor' && $i >= 51 ? 1.24 : 1.0;
            // Tarrow's 2019 was freakish (a burst trunk main), so an index on that year flatters it ever after.
            $leak *= $name === 'Tarrow' && $year === 2019 ? 1.46 : 1.0;
            $use = $useEach * (1 + 0.09 * $summer + $dry) * (1 + 0.012 * $this->noise()) * (1 - 0.003 * ($year - 2016));
            $bursts = $burstEach * (0.7 + 0.9 * $winter + 1.2 * $dry) * (1 - 0.015 * ($year - 2016));
            $complaints = 1.6 * (1 + 0.8 * $dry) * ($name === 'Harrowfell' ? 1.015 : 0.96) ** ($i / 12);
            $values = [
                ['Water supplied', 'Ml', (($use + $leak) * $count * $days) / 1e6, 1],
                ['Leakage', 'Ml', ($leak * (1 + 0.02 * $this->noise()) * $count * $days) / 1e6, 2],
                ['Bursts', 'bursts', $this->counted(((($bursts * $count) / 1000) * $days) / 30), 0],
                [
                    'Energy',
                    'MWh',
                    (($energyEach * ($use + $leak) * $count * $days) / 1e6) * (1 + 0.02 * $this->noise()),
                    1,
                ],
                ['Complaints', 'complaints', $this->counted(($complaints * $count) / 1000), 0],
            ];
            foreach ($values as [$measure, $unit, $value, $decimals]) {
                // A few gaps, as returns have them.
                $gap =
                    ($name === 'Corrow' && $measure === 'Leakage' && $i >= 62 && $i <= 64) ||
                    ($name === 'Pellin Tops' && $measure === 'Energy' && $i === 30) ||
                    ($name === 'Otterhulme' && $measure === 'Leakage' && $i === 80);
                // A few of the latest values are provisional.
                $provisional = $i >= 115 && ($at % 5 === 0 || $name === 'Wendleford');
                $rows[] = [
                    $name,
                    sprintf('%04d-%02d', $year, $month),
                    $measure,
                    $unit,
                    $gap ? '' : number_format($value, $decimals, '.', ''),
                    $provisional ? 'provisional' : '',
                ];
            }
        }

        return $rows;
    }

    /** What is left of a utility's leakage: it falls most where the programme began early. */
    private function programme(string $name, int $joined, float $when): float
    {
        $left = 1.0 - 0.004 * ($when - 2016);
        if ($joined > 0 && $when > $joined) {
            $years = $when - $joined;
            $strength = $name === 'Veldmere Water' ? 0.4 : 0.11 + 0.02 * (2023 - $joined);
            $left *= 1.0 - $strength * (1 - exp(-$years / 2.6));
        }

        // Harrowfell has not joined, and its old mains show it.
        return $name === 'Harrowfell' ? $left * (1.0 + 0.022 * max(0.0, $when - 2020)) : $left;
    }

    /**
     * @param list<float> $connections by year
     * @return list<list<string|int|float>>
     */
    private function years(string $name, string $group, array $connections): array
    {
        $mains = $connections[0] * ['Estuary' => 0.014, 'Upland' => 0.027, 'Plain' => 0.018][$group];
        $household = 2.15 + 0.3 * $this->uniform();
        $people = $mainsRow = $count = $cost = $staff = [];
        foreach ($connections as $year => $number) {
            $ended = $name === 'Silt Reach' && $year >= 5;
            // People served in 2025 are not yet known.
            $people[] = $ended || $year === 9 ? '' : (int) round($number * $household * (1 - 0.002 * $year));
            $count[] = $ended ? '' : (int) round($number);
            $mainsRow[] = $ended
                ? ''
                : number_format(
                    $mains * (1 + 0.004 * $year) + ($name === 'Fennimore Quay' && $year >= 5 ? 118 : 0),
                    1,
                    '.',
                    '',
                );
            // Wendleford's cost of 2021 holds a settlement: an outlier.
            $each =
                0.176 *
                (1 + 0.027) ** $year *
                (1 + 0.02 * $this->noise()) *
                ($name === 'Wendleford' && $year === 5 ? 2.3 : 1.0);
            $cost[] = $ended || $year === 9 ? '' : (int) round($number * $each);
            $staff[] = $ended ? '' : (int) round(($number / 610) * (1 - 0.006 * $year) + 6);
        }

        return [
            [$name, 'People served', 'people', ...$people],
            [$name, 'Connections', 'connections', ...$count],
            [$name, 'Mains length', 'km', ...$mainsRow],
            [$name, 'Operating cost', 'thousand crowns', ...$cost],
            [$name, 'Staff', 'staff', ...$staff],
        ];
    }

    /**
     * Water into supply at Veldmere, by the day: lower at weekends, higher in summer, one drought.
     *
     * @return list<list<string|float>>
     */
    private function daily(): array
    {
        $rows = [['Date', 'Veldmere Water (Ml)']];
        $last = Calendar::dayNumber(2025, 10, 31);
        $drift = 0.0;
        for ($day = Calendar::dayNumber(2019, 1, 1); $day <= $last; $day++) {
            [$year, $month, $date] = Calendar::date($day);
            $weekday = ($day + 3) % 7;
            $season = cos((2 * M_PI * ($day - Calendar::dayNumber($year, 7, 20))) / 365.25);
            $drought = $year === 2022 ? 3.4 * exp(-((($day - Calendar::dayNumber(2022, 8, 6)) / 26) ** 2)) : 0.0;
            $drift = 0.8 * $drift + 0.35 * $this->noise();
            $value =
                25.6 -
                (0.28 * ($day - Calendar::dayNumber(2019, 1, 1))) / 365.25 +
                1.9 * $season +
                ($weekday >= 5 ? -1.3 : 0.4) +
                $drought +
                $drift;
            $rows[] = [sprintf('%04d-%02d-%02d', $year, $month, $date), number_format($value, 2, '.', '')];
        }

        return $rows;
    }

    /**
     * Bursts at one utility, months down and years across.
     *
     * @param list<list<string|int|float>> $monthly
     * @return list<list<string|int|float>>
     */
    private function monthsByYear(array $monthly): array
    {
        $names = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];
        $counts = [];
        foreach ($monthly as [$name, $period, $measure, , $value]) {
            if ($name === 'Dunmarsh' && $measure === 'Bursts') {
                [$year, $month] = array_map(intval(...), explode('-', (string) $period));
                $counts[$month][$year] = $value;
            }
        }
        $years = range(self::FIRST_YEAR, 2025);
        $rows = [['Bursts', ...$years]];
        foreach ($names as $i => $month) {
            $rows[] = [
                $month,
                ...array_map(static fn(int $year): string|int|float => $counts[$i + 1][$year] ?? '', $years),
            ];
        }

        return $rows;
    }

    /**
     * One row a repair; some jobs are on two rows.
     *
     * @return list<list<string|int>>
     */
    private function repairs(): array
    {
        $districts = ['North', 'Harbour', 'Old Town', 'Hillside', 'Levels'];
        $rows = [['Date', 'Utility', 'District', 'Job', 'Cost']];
        $job = 40_000;
        for ($day = Calendar::dayNumber(2024, 1, 1); $day <= Calendar::dayNumber(2025, 10, 31); $day++) {
            foreach (['Veldmere Water', 'Tarrow', 'Marl Haven'] as $name) {
                for ($n = $this->random->getInt(0, $name === 'Veldmere Water' ? 3 : 1); $n > 0; $n--) {
                    $job++;
                    $row = [Calendar::date($day), $name, $districts[$this->random->getInt(0, 4)], "J{$job}"];
                    for ($part = $this->random->getInt(1, 10) === 1 ? 2 : 1; $part > 0; $part--) {
                        $rows[] = [
                            vsprintf('%04d-%02d-%02d', $row[0]),
                            $row[1],
                            $row[2],
                            $row[3],
                            $this->random->getInt(90, 2_400),
                        ];
                    }
                }
            }
        }

        return $rows;
    }

    /**
     * A general price index, 2015 = 100.
     *
     * @return list<list<string|float>>
     */
    private function prices(): array
    {
        $rows = [['Month', 'Measure', 'Unit', 'Value']];
        $level = 100.6;
        for ($i = 0; $i < self::MONTHS; $i++) {
            $year = self::FIRST_YEAR + intdiv($i, 12);
            $level *= 1 + ($year === 2022 ? 0.0068 : ($year === 2023 ? 0.0036 : 0.0019)) + 0.0008 * $this->noise();
            $rows[] = [
                sprintf('%04d-%02d', $year, ($i % 12) + 1),
                'General price index',
                '2015 = 100',
                number_format($level, 1, '.', ''),
            ];
        }

        return $rows;
    }

    /** A count near its mean, with the spread that counts of rare things have. */
    private function counted(float $mean): int
    {
        return max(0, (int) round($mean + sqrt(max(0.0, $mean)) * 0.8 * $this->noise()));
    }

    /** About normal, mean 0 and standard deviation 1: twelve uniform numbers less six. */
    private function noise(): float
    {
        $sum = -6.0;
        for ($i = 0; $i < 12; $i++) {
            $sum += $this->uniform();
        }

        return $sum;
    }

    /** From 0 up to but not including 1. */
    private function uniform(): float
    {
        return $this->random->getInt(0, 2 ** 53 - 1) / 2 ** 53;
    }
}
