<?php

declare(strict_types=1);

namespace App\Formats;

use DuskRail\Data\Numerals;
use DuskRail\Data\Status;
use DuskRail\Reading\ByteEncoding;
use DuskRail\Reading\NotATable;

/**
 * A PX file (Statistics Sweden, PX-file format, 2013; details from memory): keywords with values, each ended by a
 * semicolon, and the cells in the order of a table whose heading varies first. It becomes a JSON-stat table, and is
 * read as one. Texts are those of the file's first language.
 */
final readonly class PxFile implements TableSource
{
    private const LARGEST = 40_000_000;

    /** A keyword, the language that it is in, and what it is about. */
    private const KEYWORD = '/\G\s*([A-Z][A-Z0-9-]*)\s*(\[[^\]]*\])?\s*(?:\(\s*"([^"]*)"[^)]*\))?\s*=/';

    /** A number, a word, or a text, which may go on over lines in quotes of their own. */
    private const VALUE = '/"[^"]*"(?:\s+"[^"]*")*+|[^\s",();]+/';

    /** What CODEPAGE may name, as iconv knows it. */
    private const CODEPAGES =
        '/^(iso-8859-([1-9]|1[013-6])|windows-125[0-8]|cp(437|85[0258]|866|125[0-8])|koi8-[ru])$/i';

    /**
     * @param array<string, array<string, list<string>>> $keywords values by keyword and what it is about; a keyword
     * that is about the whole file has them under ''
     * @param string $data the cells, as they are in the file
     */
    private function __construct(private array $keywords, private string $data) {}

    public static function names(): array
    {
        return ['PX'];
    }

    public static function endings(): array
    {
        return ['px'];
    }

    public static function isOne(string $path): bool
    {
        $start = (string) file_get_contents($path, false, null, 0, 4_000);

        return preg_match(
            '/\A(?:\xEF\xBB\xBF)?\s*[A-Z][A-Z0-9-]+\s*=\s*(?:"[^"]*"|[\w.-]+)\s*;\s*[A-Z][A-Z0-9-]+\s*[=[(]/',
            $start,
        ) === 1;
    }

    public static function open(string $path): self
    {
        if (filesize($path) > self::LARGEST) {
            throw NotATable::because(
                'The file is ' . Numerals::count(filesize($path) / 1e6) . ' MB of PX, which is too large.',
                'Download a smaller part from its source, or as CSV.',
            );
        }
        $text = self::decoded((string) file_get_contents($path));
        $keywords = [];
        $at = 0;
        while (preg_match(self::KEYWORD, $text, $m, 0, $at) === 1) {
            $from = $at + strlen($m[0]);
            if ($m[1] === 'DATA') {
                return new self($keywords, substr($text, $from));
            }
            $at = self::end($text, $from);
            // Keywords with a language repeat, in another, those that have none.
            if (($m[2] ?? '') === '') {
                $keywords[$m[1]][$m[3] ?? ''] ??= self::values(substr($text, $from, $at - $from));
            }
            $at++;
        }
        $line = substr_count($text, "\n", 0, min($at, strlen($text))) + 1;
        throw NotATable::because(
            "The PX file has no values: after line {$line} comes no keyword, and DATA was not found.",
            'The file may be cut off. Download it again from its source.',
        );
    }

    /** In the encoding that the file names; one that names no set of characters has that of DOS. */
    private static function decoded(string $bytes): string
    {
        if (mb_check_encoding($bytes, 'UTF-8')) {
            return str_starts_with($bytes, "\xEF\xBB\xBF") ? substr($bytes, 3) : $bytes;
        }
        $named = preg_match('/\bCODEPAGE\s*=\s*"([\w-]{3,20})"/', $bytes, $m) === 1 ? $m[1] : '';
        $isAnsi = preg_match('/\bCHARSET\s*=\s*"ANSI"/i', $bytes) === 1;
        $encoding = match (true) {
            preg_match(self::CODEPAGES, $named) === 1 => $named,
            $isAnsi => ByteEncoding::of($bytes),
            default => 'CP850',
        };

        return ByteEncoding::decoded($bytes, $encoding);
    }

    /** Where the semicolon after a keyword's values is, outside of quotes; the end of the text if there is none. */
    private static function end(string $text, int $at): int
    {
        $length = strlen($text);
        while (($at += strcspn($text, '";', $at)) < $length && $text[$at] === '"') {
            $close = strpos($text, '"', $at + 1);
            $at = $close === false ? $length : $close + 1;
        }

        return $at;
    }

    /** @return list<string> */
    private static function values(string $text): array
    {
        preg_match_all(self::VALUE, $text, $m);

        return array_map(
            static fn(string $value): string => trim((string) preg_replace('/"\s*"/', '', $value), '"'),
            $m[0],
        );
    }

    public function tables(): array
    {
        return [$this->title()];
    }

    public function write(string $table, string $path): void
    {
        $stub = $this->all('STUB');
        $ids = [...$stub, ...$this->all('HEADING')];
        if ($ids === []) {
            throw NotATable::because(
                'The PX file names no dimensions: STUB and HEADING are empty.',
                'Download it again from its source, or as CSV.',
            );
        }
        $dimensions = $roles = $sizes = [];
        foreach ($ids as $id) {
            $dimensions[$id] = $this->dimension($id);
            $sizes[] = count($this->all('VALUES', $id));
            $roles[$this->role($id)][] = $id;
        }
        // The measure of a table that lists none is what its cells contain.
        if (($roles['metric'] ?? []) === []) {
            $ids[] = ' contents';
            $dimensions[' contents'] = self::category('', ['m0' => $this->contents()], ['m0' => $this->unit('')]);
            $roles['metric'] = [' contents'];
        }
        $cells = array_product($sizes);
        // What is too large is refused where all tables of this kind are.
        [$values, $statuses] = $cells > JsonStatFile::MOST_CELLS ? [[], []] : $this->cells($stub, $sizes);
        $title = $this->title();
        JsonStatFile::of([
            $title => [
                'label' => $title,
                'source' => $this->first('SOURCE'),
                'id' => $ids,
                'role' => $roles,
                'dimension' => $dimensions,
                'value' => $values,
                'status' => $statuses,
            ],
        ])->write($title, $path);
    }

    /** @return array<string, mixed> */
    private function dimension(string $id): array
    {
        $names = $this->all('VALUES', $id);
        if ($names === []) {
            throw NotATable::because(
                "The PX file lists no values of “{$id}”.",
                'The file may be cut off. Download it again from its source.',
            );
        }
        $labels = $units = [];
        foreach ($this->role($id) === 'time' ? $this->periods($id, $names) : $names as $n => $name) {
            $labels["k{$n}"] = $name;
            $units["k{$n}"] = $this->unit($name);
        }

        return self::category($id, $labels, $id === $this->first('CONTVARIABLE') ? $units : []);
    }

    /**
     * @param array<string, string> $labels by key
     * @param array<string, string> $units by key
     * @return array<string, mixed>
     */
    private static function category(string $label, array $labels, array $units): array
    {
        return [
            'label' => $label,
            'category' => [
                'index' => array_keys($labels),
                'label' => $labels,
                'unit' => array_map(static fn(string $unit): array => ['label' => $unit], $units),
            ],
        ];
    }

    /** @return 'time'|'metric'|'geo'|'other' */
    private function role(string $id): string
    {
        return match (true) {
            $id === $this->first('CONTVARIABLE') => 'metric',
            $id === $this->time() => 'time',
            $this->all('MAP', $id) !== [],
            in_array(strtolower($this->first('VARIABLE-TYPE', $id)), ['g', 'geographical'], true) => 'geo',
            default => 'other',
        };
    }

    /**
     * The dimension that TIMEVAL is about; without it the last one all of whose values are years or parts of them, as
     * codes of places can look like years.
     */
    private function time(): string
    {
        $isPeriod = static fn(string $value): bool => preg_match('/^(1[6-9]|2[01])\d\d(\D?\d{1,2})?$/', $value) === 1;
        $time = '';
        foreach ([...$this->all('STUB'), ...$this->all('HEADING')] as $id) {
            $values = $this->all('VALUES', $id);
            $time = $values !== [] && count(array_filter($values, $isPeriod)) === count($values) ? $id : $time;
        }

        return (string) (array_key_first($this->keywords['TIMEVAL'] ?? []) ?? $time);
    }

    /**
     * Periods in the notation of ISO 8601, by the scale that the file names: `A1` years, `H1` halves, `Q1`, `M1`, `W1`,
     * `D1`. What does not fit the scale stays as the file has it.
     *
     * @param list<string> $names
     * @return list<string>
     */
    private function periods(string $id, array $names): array
    {
        $listed = $this->all('TIMEVAL', $id);
        $scale = substr($listed[1] ?? '', 0, 1);
        $times = array_slice($listed, 2);
        // The list may be a range, or left out; the values then say the same.
        $times = count($times) === count($names) ? $times : $names;

        return array_map(
            static fn(string $time): string => preg_match('/^(\d{4})\D?(\d{0,4})$/', $time, $m) !== 1
                ? $time
                : match (true) {
                    $m[2] === '' => $m[1],
                    $scale === 'H', $scale === 'Q' => "{$m[1]}-{$scale}" . (int) $m[2],
                    $scale === 'M' => sprintf('%s-%02d', $m[1], $m[2]),
                    $scale === 'W' => sprintf('%s-W%02d', $m[1], $m[2]),
                    $scale === 'D' && strlen($m[2]) === 4 => "{$m[1]}-" . implode('-', str_split($m[2], 2)),
                    default => $time,
                },
            $times,
        );
    }

    /**
     * The cells in order: values, null for none, and why there is none. Where rows have keys, those that are left out
     * have no values.
     *
     * @param list<string> $stub
     * @param list<int> $sizes of the dimensions, those of the stub first
     * @return array{array<int, float|null>, array<int, string>}
     */
    private function cells(array $stub, array $sizes): array
    {
        $places = $this->places($stub);
        $width = (int) array_product(array_slice($sizes, count($stub)));
        $values = $statuses = [];
        $cells = (int) array_product($sizes);
        $at = $read = 0;
        foreach (self::tokens($this->data) as $token) {
            if ($places !== [] && $read % ($width + count($places)) < count($places)) {
                $n = $read % ($width + count($places));
                $place = $places[$n][$token] ?? null;
                if ($place === null) {
                    throw NotATable::because(
                        "A row of the PX file begins with “{$token}”, which is no key of “{$stub[$n]}”.",
                        'Download it again from its source, or as CSV.',
                    );
                }
                $at = ($n === 0 ? 0 : $at * $sizes[$n]) + $place;
                $at *= $n === count($places) - 1 ? $width : 1;
            } else {
                [$values[$at], $status] = $this->cell($token);
                if ($status !== '') {
                    $statuses[$at] = $status;
                }
                $at++;
            }
            $read++;
        }
        if ($at > $cells || ($places === [] && $at < $cells)) {
            throw NotATable::because(
                'The PX file has ' . Numerals::count($at) . ' values, but its dimensions have room for ' .
                    Numerals::count($cells) . '.',
                'The file may be cut off. Download it again from its source.',
            );
        }

        return [$values, $statuses];
    }

    /**
     * The place of each key among the values, by dimension of the stub; nothing where rows have no keys.
     *
     * @param list<string> $stub
     * @return list<array<array-key, int>>
     */
    private function places(array $stub): array
    {
        return isset($this->keywords['KEYS'])
            ? array_map(
                fn(string $id): array => array_flip(
                    $this->first('KEYS', $id) === 'CODES' ? $this->all('CODES', $id) : $this->all('VALUES', $id),
                ),
                $stub,
            )
            : [];
    }

    /** @return iterable<string> the cells and keys one after the other, up to the semicolon */
    private static function tokens(string $data): iterable
    {
        $length = strlen($data);
        $at = 0;
        while (($at += strspn($data, " ,\t\r\n", $at)) < $length && $data[$at] !== ';') {
            $isQuoted = $data[$at] === '"';
            $size = $isQuoted ? strcspn($data, '"', $at + 1) : strcspn($data, " ,;\t\r\n", $at);
            yield substr($data, $at + ($isQuoted ? 1 : 0), $size);
            $at += $size + ($isQuoted ? 2 : 0);
        }
    }

    /**
     * A dash is nil, which is nought; dots, one to six, say why there is no value, in words that the file has for them.
     *
     * @return array{float|null, string} value and status
     */
    private function cell(string $token): array
    {
        if ($token === '-') {
            return [0.0, ''];
        }
        if (is_numeric($token)) {
            return [(float) $token, ''];
        }
        $words = $this->first('DATASYMBOL' . strlen($token));

        return trim($token, '.') === ''
            ? [null, Status::isMark($words) ? $words : 'missing']
            : throw NotATable::because(
                "“{$token}” is among the values of the PX file, but is no number.",
                'Download it again from its source, or as CSV.',
            );
    }

    private function title(): string
    {
        return $this->first('DESCRIPTION') ?: ($this->first('TITLE') ?: $this->contents());
    }

    private function contents(): string
    {
        return $this->first('CONTENTS') ?: 'Value';
    }

    /** Of a value of the measures, else of the whole file. */
    private function unit(string $name): string
    {
        return $this->first('UNITS', $name) ?: $this->first('UNITS');
    }

    private function first(string $keyword, string $about = ''): string
    {
        return $this->all($keyword, $about)[0] ?? '';
    }

    /** @return list<string> */
    private function all(string $keyword, string $about = ''): array
    {
        return $this->keywords[$keyword][$about] ?? [];
    }
}
