<?php

declare(strict_types=1);

namespace App\Formats;

use DOMDocument;
use DOMElement;
use DOMXPath;
use DuskRail\Data\Numerals;
use DuskRail\Reading\NotATable;

/**
 * The tables of a page (HTML Living Standard, 4.9): their cells as they are read; one that is over several columns or
 * rows is in all of them.
 */
final readonly class HtmlTables implements TableSource
{
    private const LARGEST = 20_000_000;

    private const MOST_CELLS = 2_000_000;

    /** Columns or rows that one cell may be over. */
    private const WIDEST = 1_000;

    /** @param array<string, DOMElement> $tables by name */
    private function __construct(private array $tables) {}

    public static function names(): array
    {
        return ['HTML'];
    }

    public static function endings(): array
    {
        return ['html', 'htm'];
    }

    public static function isOne(string $path): bool
    {
        $start = ltrim((string) file_get_contents($path, false, null, 0, 2_000), "\xEF\xBB\xBF \t\r\n");

        $before = '(?:<\?xml[^>]*>\s*)?(?:<!--.*?-->\s*)*';

        return preg_match("/^{$before}<(?:!doctype html|html|table|head|body|meta)\\b/is", $start) === 1;
    }

    public static function open(string $path): self
    {
        if (filesize($path) > self::LARGEST) {
            throw NotATable::because('The page is larger than 20 MB.', 'Save its table as CSV, and upload it.');
        }
        $document = new DOMDocument();
        $text = (string) file_get_contents($path);
        // Without a word of its own a page is in UTF-8; nothing is fetched, and entities are those of HTML.
        $encoding = preg_match('/charset=/i', substr($text, 0, 4_000)) === 1 ? '' : '<?xml encoding="UTF-8">';
        $before = libxml_use_internal_errors(true);
        $document->loadHTML($encoding . $text, LIBXML_NONET | LIBXML_COMPACT);
        libxml_clear_errors();
        libxml_use_internal_errors($before);
        $tables = $sizes = [];
        foreach ($document->getElementsByTagName('table') as $number => $table) {
            $cells = $table->getElementsByTagName('td')->length + $table->getElementsByTagName('th')->length;
            // What only lays out the page holds other tables.
            if ($cells >= 4 && $table->getElementsByTagName('table')->length === 0) {
                $caption = self::text($table->getElementsByTagName('caption')->item(0));
                $name = $caption === '' ? 'Table ' . ((int) $number + 1) : mb_strimwidth($caption, 0, 60, '…');
                $name = isset($tables[$name]) ? "{$name} " . ((int) $number + 1) : $name;
                [$tables[$name], $sizes[$name]] = [$table, $cells];
            }
        }
        arsort($sizes);

        return $tables === []
            ? throw NotATable::because('The page has no table.', 'Copy the values into a spreadsheet, and save CSV.')
            : new self(self::inOrder($tables, $sizes));
    }

    /**
     * @param array<string, DOMElement> $tables
     * @param array<string, int> $sizes in the order that is wanted
     * @return array<string, DOMElement>
     */
    private static function inOrder(array $tables, array $sizes): array
    {
        $ordered = [];
        foreach (array_keys($sizes) as $name) {
            $ordered[$name] = $tables[$name];
        }

        return $ordered;
    }

    public function tables(): array
    {
        return array_map(strval(...), array_keys($this->tables));
    }

    public function write(string $table, string $path): void
    {
        $element =
            $this->tables[$table] ?? throw NotATable::because("The page has no table “{$table}”.", 'Choose another.');
        $out = fopen($path, 'wb');
        if ($out === false) {
            throw NotATable::because('The table could not be stored on the server.', 'Try again.');
        }
        $caption = self::text($element->getElementsByTagName('caption')->item(0));
        if ($caption !== '') {
            fputcsv($out, [$caption, ''], ',', '"', '');
        }
        foreach (self::rows($element) as $row) {
            fputcsv($out, $row, ',', '"', '');
        }
        fclose($out);
    }

    /** @return list<DOMElement> */
    private static function elements(DOMXPath $path, string $query, DOMElement $in): array
    {
        $found = $path->query($query, $in);
        $elements = [];
        foreach ($found === false ? [] : $found as $element) {
            if ($element instanceof DOMElement) {
                $elements[] = $element;
            }
        }

        return $elements;
    }

    /** @return iterable<list<string>> */
    private static function rows(DOMElement $table): iterable
    {
        $path = new DOMXPath($table->ownerDocument ?? new DOMDocument());
        $below = [];
        $count = 0;
        foreach (self::elements($path, './/tr', $table) as $tr) {
            $row = $next = [];
            $column = 0;
            foreach (self::elements($path, './td|./th', $tr) as $cell) {
                while (isset($below[$column])) {
                    $column = self::carried($below, $row, $next, $column);
                }
                $span = static fn(string $name): int => max(1, min(self::WIDEST, (int) $cell->getAttribute($name)));
                $text = self::text($cell);
                for ($i = 0, $wide = $span('colspan'); $i < $wide; $i++, $column++) {
                    $row[$column] = $text;
                    if ($span('rowspan') > 1) {
                        $next[$column] = [$text, $span('rowspan') - 1];
                    }
                }
            }
            foreach (array_keys($below) as $left) {
                if ($left >= $column) {
                    self::carried($below, $row, $next, $left);
                }
            }
            $below = $next;
            ksort($row);
            $count += count($row);
            if ($count > self::MOST_CELLS) {
                throw NotATable::because(
                    'The table has more than ' . Numerals::count(self::MOST_CELLS) . ' cells.',
                    'Save it as CSV, and upload that.',
                );
            }
            yield array_values($row);
        }
    }

    /**
     * Puts a cell of a row above into this one, and on into the next as far as it reaches.
     *
     * @param array<int, array{string, int}> $below
     * @param array<int, string> $row
     * @param array<int, array{string, int}> $next
     * @return int the column after it
     */
    private static function carried(array $below, array &$row, array &$next, int $column): int
    {
        [$text, $rows] = $below[$column];
        $row[$column] = $text;
        if ($rows > 1) {
            $next[$column] = [$text, $rows - 1];
        }

        return $column + 1;
    }

    private static function text(?\DOMNode $node): string
    {
        return trim((string) preg_replace('/[\s\x{00A0}]+/u', ' ', $node->textContent ?? ''));
    }
}
