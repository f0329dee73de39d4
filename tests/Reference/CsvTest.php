<?php

declare(strict_types=1);

namespace Tests\Reference;

use App\Formats\DelimitedFile;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** RFC 4180, section 2, rule by rule with the examples that are there, and what files do beside it. */
final class CsvTest extends TestCase
{
    /** @return iterable<string, array{string, list<list<string>>}> */
    public static function texts(): iterable
    {
        $rows = [['aaa', 'bbb', 'ccc'], ['zzz', 'yyy', 'xxx']];
        yield 'rule 1: records on lines of their own, ended by CRLF' => ["aaa,bbb,ccc\r\nzzz,yyy,xxx\r\n", $rows];
        yield 'rule 2: the last without a line break' => ["aaa,bbb,ccc\r\nzzz,yyy,xxx", $rows];
        yield 'rule 3: a header line' => [
            "field_name,field_name,field_name\r\naaa,bbb,ccc\r\n",
            [['field_name', 'field_name', 'field_name'], ['aaa', 'bbb', 'ccc']],
        ];
        yield 'rule 4: spaces are part of a field' => ["aaa, bbb ,ccc\r\n", [['aaa', ' bbb ', 'ccc']]];
        yield 'rule 5: fields in quotes or not' => ["\"aaa\",\"bbb\",\"ccc\"\r\nzzz,yyy,xxx", $rows];
        yield 'rule 6: line breaks, quotes and commas within quotes' => [
            "\"aaa\",\"b\r\nbb\",\"c,cc\"\r\nzzz,yyy,xxx",
            [['aaa', "b\r\nbb", 'c,cc'], ['zzz', 'yyy', 'xxx']],
        ];
        yield 'rule 7: a quote within quotes is written twice' => [
            "\"aaa\",\"b\"\"bb\",\"ccc\"",
            [['aaa', 'b"bb', 'ccc']],
        ];
        yield 'a backslash is no escape' => ["\"a\\\",b,c\r\nd,e,f", [['a\\', 'b', 'c'], ['d', 'e', 'f']]];
        yield 'line feeds alone' => ["aaa,bbb,ccc\nzzz,yyy,xxx\n", $rows];
        yield 'empty fields and an empty line' => ["a,,c\n\n,,\n", [['a', '', 'c'], [''], ['', '', '']]];
        yield 'a byte order mark' => ["\xEF\xBB\xBFaaa,bbb,ccc\nzzz,yyy,xxx\n", $rows];
        yield 'semicolons and a quoted one' => [
            "a;b\n\"x;y\";2\n\"p\"\"q\";3\n",
            [['a', 'b'], ['x;y', '2'], ['p"q', '3']],
        ];
        yield 'tabs' => ["a\tb\n1\t2\n", [['a', 'b'], ['1', '2']]];
        yield 'Windows-1252' => ["Stra\xDFe;K\xF6ln \x96 West\n1;2\n", [['Straße', 'Köln – West'], ['1', '2']]];
        yield 'UTF-16, little end first' => [
            "\xFF\xFE" . mb_convert_encoding("Straße,b\n1,2\n", 'UTF-16LE', 'UTF-8'),
            [['Straße', 'b'], ['1', '2']],
        ];
        yield 'UTF-16, big end first, quoted' => [
            "\xFE\xFF" . mb_convert_encoding("\"a,b\",c\n1,2\n", 'UTF-16BE', 'UTF-8'),
            [['a,b', 'c'], ['1', '2']],
        ];
    }

    /** @param list<list<string>> $expected */
    #[DataProvider('texts')]
    public function testRowsAreReadAsTheyAreWritten(string $text, array $expected): void
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'dusk');
        file_put_contents($path, $text);
        try {
            self::assertSame($expected, iterator_to_array(DelimitedFile::open($path)->rows(), true));
        } finally {
            unlink($path);
        }
    }

    /** @return iterable<string, array{string}> */
    public static function spectrum(): iterable
    {
        foreach (glob(dirname(__DIR__, 2) . '/node_modules/csv-spectrum/csvs/*.csv') ?: [] as $path) {
            yield basename($path, '.csv') => [$path];
        }
    }

    /** The set of the npm package csv-spectrum 2.0.0: each file beside what its rows are as JSON. */
    #[DataProvider('spectrum')]
    public function testTheCsvSpectrumIsRead(string $path): void
    {
        $expected = json_decode(
            (string) file_get_contents(str_replace(['/csvs/', '.csv'], ['/json/', '.json'], $path)),
            true,
            8,
            JSON_THROW_ON_ERROR,
        );
        self::assertIsArray($expected);
        if (basename($path) === 'location_coordinates.csv') {
            // The package gives its one row as an object, and with another telephone number than the file has.
            $expected = [['Contact Phone Number' => '2095257564', ...array_slice($expected, 1)]];
        }
        $rows = iterator_to_array(DelimitedFile::open($path)->rows());
        $headings = array_map(trim(...), array_shift($rows) ?? []);
        self::assertSame(
            $expected,
            array_map(static fn(array $row): array => array_combine($headings, $row), array_values($rows)),
        );
    }
}
