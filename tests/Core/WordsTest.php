<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\TestCase;
use RecursiveDirectoryIterator;
use RecursiveIteratorIterator;
use SplFileInfo;

/** Nothing that docs/words.md has another word for is shown: in templates, scripts, messages or commands. */
final class WordsTest extends TestCase
{
    private const NOT_IN_COMMENTS =
        'anew|newest|quotients?|wished|unfinished|lies|stands(?! for)|makes? no sense|' .
        'worked out|works out|carried out';

    public function testNoDiscouragedWordIsShownAndNoTermHasTwoRows(): void
    {
        [$terms, $not] = self::glossary();
        self::assertSame(array_unique($terms), $terms);
        self::assertSame([], array_intersect($terms, $not));
        self::assertGreaterThan(60, count($not));
        $pattern = '/(?<![\p{L}-])(' . implode('|', array_map(preg_quote(...), $not)) . ')(?![\p{L}])/iu';
        $found = [];
        foreach (self::files() as $path) {
            foreach (self::shown($path) as $text) {
                if (preg_match($pattern, $text, $word) === 1) {
                    $found[] = substr($path, strlen(dirname(__DIR__, 2)) + 1) . ": “{$word[1]}” in “{$text}”";
                }
            }
        }
        self::assertSame([], $found);
    }

    /** What developers read is as plain as what users read. */
    public function testCommentsUseTheWordsOfTheProgram(): void
    {
        $found = [];
        foreach (self::files() as $path) {
            foreach (str_ends_with($path, '.php') ? token_get_all((string) file_get_contents($path)) : [] as $token) {
                if (
                    is_array($token) &&
                    in_array($token[0], [T_COMMENT, T_DOC_COMMENT], true) &&
                    preg_match('/\b(' . self::NOT_IN_COMMENTS . ')\b/', $token[1], $word) === 1
                ) {
                    $found[] = substr($path, strlen(dirname(__DIR__, 2)) + 1) . ":{$token[2]}: “{$word[1]}”";
                }
            }
        }
        self::assertSame([], $found);
    }

    /** @return array{list<string>, list<string>} terms, and what is not said for them */
    private static function glossary(): array
    {
        $terms = $not = [];
        foreach (file(dirname(__DIR__, 2) . '/docs/words.md') ?: [] as $line) {
            $cells = array_map(trim(...), explode('|', trim($line)));
            if (count($cells) === 6 && $cells[1] !== 'term' && !str_starts_with($cells[1], '---')) {
                $terms = [...$terms, ...preg_split('/, |: /', $cells[1], -1, PREG_SPLIT_NO_EMPTY) ?: []];
                $not = [...$not, ...preg_split('/; /', $cells[4], -1, PREG_SPLIT_NO_EMPTY) ?: []];
            }
        }

        return [$terms, $not];
    }

    /** @return list<string> */
    private static function files(): array
    {
        $files = [];
        foreach (['app', 'core', 'resources/views', 'resources/js'] as $room) {
            $all = new RecursiveIteratorIterator(new RecursiveDirectoryIterator(dirname(__DIR__, 2) . "/{$room}"));
            foreach ($all as $file) {
                if ($file instanceof SplFileInfo && $file->isFile()) {
                    $files[] = $file->getPathname();
                }
            }
        }
        $files = [...$files, dirname(__DIR__, 2) . '/README.md', dirname(__DIR__, 2) . '/docs/how-to.md'];
        sort($files);

        return $files;
    }

    /** @return list<string> texts of a file that have a space in them, as sentences and labels of several words do */
    private static function shown(string $path): array
    {
        $code = (string) file_get_contents($path);
        $texts = match (true) {
            str_ends_with($path, '.md') => explode("\n", $code),
            str_ends_with($path, '.blade.php') => self::ofTemplate($code),
            str_ends_with($path, '.php') => self::ofCode($code),
            default => self::ofScript($code),
        };

        // Patterns and statements are read by programs alone.
        return array_values(
            array_filter(
                $texts,
                static fn(string $text): bool => str_contains(trim($text), ' ') &&
                    preg_match('~^[/\~^]|\(\?|\bselect .+ from\b|\bupdate .+ set\b~', $text) === 0,
            ),
        );
    }

    /** @return list<string> */
    private static function ofTemplate(string $code): array
    {
        $code = (string) preg_replace(['/\{\{--.*?--\}\}/s', '/@php.*?@endphp/s'], ' ', $code);
        // What is between braces is shown where it is a literal.
        preg_match_all("/'([^'\\n]* [^'\\n]*)'/", $code, $quoted);
        $code = (string) preg_replace('/\{\{.*?\}\}|\{!!.*?!!\}/s', '…', $code);
        preg_match_all(
            '/(?<!:)\b(?:title|placeholder|aria-label|lead|text|label|empty|data-confirm)="([^"]*)"/',
            $code,
            $m,
        );
        $words = (string) preg_replace(['/<[^>]*>/s', '/@\w+\s*(\((?:[^()]|(?1))*\))?/'], "\n", $code);

        return [...$m[1], ...$quoted[1], ...explode("\n", $words)];
    }

    /** @return list<string> of literals, those that are joined as one */
    private static function ofCode(string $code): array
    {
        $texts = [];
        $text = '';
        $isOpen = $joins = false;
        foreach (token_get_all($code) as $token) {
            [$type, $word] = is_array($token) ? $token : [0, $token];
            if ($type === T_CONSTANT_ENCAPSED_STRING || ($type === T_ENCAPSED_AND_WHITESPACE && $isOpen)) {
                $text .= $type === T_ENCAPSED_AND_WHITESPACE ? $word : substr($word, 1, -1);
                $joins = false;
            } elseif ($word === '"') {
                $isOpen = !$isOpen;
            } elseif (!$isOpen && $word === '.') {
                $joins = true;
            } elseif (!$isOpen && $type !== T_WHITESPACE && !$joins && $text !== '') {
                $texts[] = $text;
                $text = '';
            }
        }

        return [...$texts, $text];
    }

    /** @return list<string> */
    private static function ofScript(string $code): array
    {
        $code = (string) preg_replace(['~/\*.*?\*/~s', '~(?<![:\'"])//[^\n]*~'], ' ', $code);
        preg_match_all('/([\'"`])((?:(?!\1)[^\\\\\n]|\\\\.)*)\1/', $code, $found);

        return array_map(static fn(string $text): string => preg_replace('/\$\{[^}]*\}/', '…', $text) ?? '', $found[2]);
    }
}
