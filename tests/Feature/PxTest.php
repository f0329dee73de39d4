<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Data\StoredData;
use App\Models\Dataset;
use DuskRail\Data\Cell;
use DuskRail\Time\Period;
use PHPUnit\Framework\Attributes\TestWith;

/** PX files (Statistics Sweden, PX-file format, 2013), as another writer would write them. */
final class PxTest extends ApplicationTestCase
{
    private const CUT = 'CHARSET="ANSI";MATRIX="m";CONTENTS="Leakage";UNITS="Ml";STUB="Utility";HEADING="Year";' .
        'VALUES("Utility")="Ayle","Bask";VALUES("Year")="2022","2023";TIMEVAL("Year")=TLIST(A1,"2022"-"2023");';

    /** Random values of two measures, split in two, by scale of time, with time in the stub or in the heading. */
    #[TestWith(['A1', false, false])]
    #[TestWith(['H1', true, false])]
    #[TestWith(['Q1', false, true])]
    #[TestWith(['M1', true, true])]
    #[TestWith(['W1', false, false])]
    public function testEveryValueIsReadInItsPlace(string $scale, bool $timeIsInStub, bool $hasKeys): void
    {
        mt_srand(crc32($scale));
        $times = [
            'A1' => ['2021' => '2021', '2022' => '2022', '2023' => '2023'],
            'H1' => ['20221' => '2022-H1', '20222' => '2022-H2', '20231' => '2023-H1'],
            'Q1' => ['20223' => '2022-Q3', '20224' => '2022-Q4', '20231' => '2023-Q1'],
            'M1' => ['202211' => '2022-11', '202212' => '2022-12', '202301' => '2023-01'],
            'W1' => ['202251' => '2022-W51', '202252' => '2022-W52', '202301' => '2023-W01'],
        ][$scale];
        $all = [
            'Utility' => ['Ayle', 'Bask; Co', 'Cole'],
            'Tariff' => ['peak', 'night'],
            'What' => ['Leakage', 'Trips'],
            'Time' => array_map(strval(...), array_keys($times)),
        ];
        $stub = $timeIsInStub ? ['Utility', 'Time'] : ['Utility', 'What'];
        $heading = array_values(array_diff(array_keys($all), $stub));
        $expected = $lines = [];
        foreach (self::product($all, $stub) as $row) {
            $cells = [];
            foreach (self::product($all, $heading) as $column) {
                $of = [...$row, ...$column];
                $value = [mt_rand(-900, 900) * 0.125, null, 0.0][min(2, max(0, mt_rand(-6, 2)))];
                $expected["{$of['What']} {$of['Utility']} {$of['Tariff']} {$times[$of['Time']]}"] = $value;
                $cells[] = match ($value) {
                    null => ['".."', '...'][mt_rand(0, 1)],
                    0.0 => ['-', '"-"', '0'][mt_rand(0, 2)],
                    default => (string) $value,
                };
            }
            $keys = array_map(static fn(string $id): string => "\"{$row[$id]}\"", $hasKeys ? $stub : []);
            $lines[] = implode($hasKeys ? ',' : ' ', [...$keys, ...$cells]);
        }
        if ($hasKeys) {
            // Keys say where a row belongs, whatever the order.
            shuffle($lines);
        }
        $list = self::quoted(...);
        $text = "CHARSET=\"ANSI\";\nAXIS-VERSION=\"2013\";\nCODEPAGE=\"utf-8\";\nLANGUAGE=\"en\";\n" .
            "CONTENTS=\"Returns\";\nTITLE=\"Returns \"\n\"by utility\";\nUNITS=\"km\";\nSTUB={$list($stub)};\n" .
            "STUB[sv]=\"Annat\";\nHEADING={$list($heading)};\nCONTVARIABLE=\"What\";\nUNITS(\"Leakage\")=\"Ml\";\n" .
            "TIMEVAL(\"Time\")=TLIST({$scale}),{$list($all['Time'])};\nDATASYMBOL3=\"confidential\";\n";
        foreach ($all as $id => $values) {
            $shown = $id === 'Time' ? array_map(static fn(string $v): string => "no. {$v}", $values) : $values;
            $text .= "VALUES[sv](\"{$id}\")=\"fel\";\nVALUES(\"{$id}\")={$list($shown)};\n";
            if ($hasKeys && in_array($id, $stub, true)) {
                $text .= "CODES(\"{$id}\")={$list($values)};\nKEYS(\"{$id}\")=CODES;\n";
            }
        }
        // A text may go on in quotes of its own.
        $text = str_replace('"Bask; Co"', "\"Bask; \"\n\"Co\"", $text);
        $upload = $this->brought("{$text}DATA=\n" . implode("\n", $lines) . "\n;\n", 'returns.px');
        $this->post(route('imports.store', $upload), ['name' => 'Returns'])->assertOk();
        $data = new StoredData(Dataset::where('name', 'Returns')->firstOrFail());
        $read = [];
        foreach ($data->measures() as $key => $measure) {
            self::assertSame($measure->name === 'Leakage' ? 'Ml' : 'km', $measure->unit->text());
            foreach (['peak', 'night'] as $tariff) {
                $table = $data->table((string) $key, Cell::of([array_key_first($data->breakdowns()) => $tariff]));
                foreach ($table->series as $entity => $series) {
                    $name = $data->entities()[$entity]->name;
                    foreach ($series->values as $n => $value) {
                        $period = Period::at($measure->frequency, $table->axis->first + $n)->code();
                        $read["{$measure->name} {$name} {$tariff} {$period}"] = is_nan($value) ? null : $value;
                    }
                }
            }
        }
        ksort($expected);
        ksort($read);
        self::assertSame($expected, $read);
    }

    #[TestWith(['1 2 3 ;', 'has 3 values, but its dimensions have room for 4'])]
    #[TestWith(['1 2 3 4 5;', 'has 5 values, but its dimensions have room for 4'])]
    #[TestWith(['1 2 x 4;', '“x” is among the values of the PX file'])]
    public function testAFileThatIsCutOrDamagedIsRefusedInWords(string $cells, string $said): void
    {
        $this->from('/')
            ->followingRedirects()
            ->bring(self::CUT . "DATA={$cells}", 'cut.px')
            ->assertSee($said);
    }

    public function testAFileWithoutValuesIsRefusedWithTheLineWhereItEnds(): void
    {
        $this->from('/')
            ->followingRedirects()
            ->bring(str_replace(';', ";\n", self::CUT), 'cut.px')
            ->assertSee('after line 9 comes no keyword');
    }

    /** A file that names no set of characters has that of DOS, in which byte 84 is ä. */
    #[TestWith(['', "K\x84ln"])]
    #[TestWith(['CHARSET="ANSI";', "K\xE4ln"])]
    #[TestWith(['CHARSET="ANSI";CODEPAGE="iso-8859-15";', "K\xE4ln"])]
    #[TestWith(['CHARSET="ANSI";CODEPAGE="utf-8";', 'Käln'])]
    public function testLettersAreReadAsTheFileSays(string $charset, string $name): void
    {
        $text = str_replace(['CHARSET="ANSI";', 'Ayle'], [$charset, $name], self::CUT) . "DATA=\n1 2\n3 4\n;\n";
        $study = $this->imported($text, 'letters.px');
        self::assertSame(['Bask', 'Käln'], $study->dataset->entities->pluck('name')->sort()->values()->all());
    }

    /** @param list<string> $texts */
    private static function quoted(array $texts): string
    {
        return '"' . implode('","', $texts) . '"';
    }

    /** Codes of places look like years, and one name among others may. */
    #[TestWith(['"1980","1981"'])]
    #[TestWith(['"1980","Bask"'])]
    public function testWithoutAWordOnTimeTheLastDimensionOfYearsAloneIsTheTime(string $names): void
    {
        $text = (string) preg_replace('/TIMEVAL.*;/', '', str_replace('"Ayle","Bask"', $names, self::CUT));
        $study = $this->imported("{$text}DATA=1 2 3 4;", 'codes.px');
        self::assertSame(explode(',', str_replace('"', '', $names)), $study->dataset->entities->pluck('name')->all());
        self::assertSame([1.0, 2.0], array_values($study->data()->table('leakage')->series)[0]->values);
    }

    /**
     * @param array<string, list<string>> $all
     * @param list<string> $of
     * @return list<array<string, string>> the last varying first
     */
    private static function product(array $all, array $of): array
    {
        $rows = [[]];
        foreach ($of as $id) {
            $longer = [];
            foreach ($rows as $row) {
                foreach ($all[$id] as $value) {
                    $longer[] = [...$row, $id => $value];
                }
            }
            $rows = $longer;
        }

        return $rows;
    }
}
