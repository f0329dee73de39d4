<?php

declare(strict_types=1);

namespace DuskRail\Words;

use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\Line;

/** The words around a chart as they are shown: what the user wrote, or what the program says until then. */
final readonly class Wording
{
    /** @param string $marked the headline with its mark-up, as it is written */
    private function __construct(
        public string $headline,
        public string $marked,
        public string $subtitle,
        public string $source,
    ) {}

    /**
     * @param string $headline what the program proposes, where the user has written nothing
     * @param string $source the line under the picture, unless the study has one of its own
     */
    public static function of(Comparison $comparison, string $headline, string $subtitle, string $source): self
    {
        $words = $comparison->study->words;
        $marked = LiveNumber::filled($words->headline ?? $headline, $comparison);

        return new self(
            implode('', array_column(self::coloured($marked, $comparison), 'text')),
            $marked,
            self::plain(LiveNumber::filled($words->subtitle ?? $subtitle, $comparison)),
            self::plain($words->source ?? $source),
        );
    }

    /**
     * A text cut where the name of a line in focus is, so that it can take the line's colour.
     *
     * A name of several words is also known by its first, if that is long enough and no other entity begins with it.
     * What is written as `[half of it|Veldmere]` takes the colour of that line; what is between asterisks is bold.
     *
     * @return list<array{text: string, ink: string, bold: bool}> ink is the name of a colour, nothing for plain text
     */
    public static function coloured(string $text, Comparison $comparison): array
    {
        $inks = [];
        foreach ($comparison->focus() as $line) {
            $ink = $line->ink();
            $inks[$line->name] = $ink;
            $first = explode(' ', $line->name)[0];
            $alike = array_filter($comparison->lines, static fn(Line $l): bool => str_starts_with($l->name, $first));
            if (mb_strlen($first) >= 4 && count($alike) === 1) {
                $inks[$first] = $ink;
            }
        }
        $parts = [];
        foreach (self::emphasised($text) as ['text' => $piece, 'bold' => $bold]) {
            foreach (
                preg_split(
                    '/(\[[^\[\]|]+\|[^\[\]|]*\])/u',
                    $piece,
                    -1,
                    PREG_SPLIT_DELIM_CAPTURE | PREG_SPLIT_NO_EMPTY,
                ) ?:
                [] as $phrase
            ) {
                if (preg_match('/^\[([^\[\]|]+)\|([^\[\]|]*)\]$/u', $phrase, $m) === 1) {
                    $parts[] = ['text' => $m[1], 'ink' => $inks[trim($m[2])] ?? '', 'bold' => $bold];
                    continue;
                }
                foreach (self::byName($phrase, $inks) as $one) {
                    $parts[] = ['text' => $one, 'ink' => $inks[$one] ?? '', 'bold' => $bold];
                }
            }
        }

        return $parts === [] ? [['text' => $text, 'ink' => '', 'bold' => false]] : $parts;
    }

    /** A text without its marks for bold and colour, where neither is shown. */
    public static function plain(string $text): string
    {
        return (string) preg_replace(['/\*([^*\n]+)\*/u', '/\[([^\[\]|]+)\|[^\[\]|]*\]/u'], '$1', $text);
    }

    /**
     * A text in pieces that are bold, written between asterisks, or not.
     *
     * @return list<array{text: string, bold: bool}>
     */
    public static function emphasised(string $text): array
    {
        $pieces = [];
        foreach (
            preg_split('/(\*[^*\n]+\*)/u', $text, -1, PREG_SPLIT_DELIM_CAPTURE | PREG_SPLIT_NO_EMPTY) ?: [$text]
            as $piece
        ) {
            $bold = preg_match('/^\*[^*\n]+\*$/u', $piece) === 1;
            $pieces[] = ['text' => $bold ? substr($piece, 1, -1) : $piece, 'bold' => $bold];
        }

        return $pieces;
    }

    /**
     * What can be written after a bracket: colours of lines after `[phrase|`, live numbers after `{`.
     *
     * @return list<string> the whole piece from its opening sign, or of a colour from the bar before the name
     */
    public static function completions(Comparison $comparison, bool $colours): array
    {
        $pieces = [];
        $start = $comparison->axis->count === 0 ? '' : $comparison->axis->period($comparison->from)->short();
        foreach ($comparison->focus() as $line) {
            $pieces = [
                ...$pieces,
                ...$colours ? ["|{$line->name}]"] : [],
                "{value {$line->name}}",
                "{change {$line->name} since {$start}}",
                "{rank {$line->name}}",
            ];
        }

        return [...$pieces, '{period}'];
    }

    /**
     * @param array<array-key, string> $inks by name
     * @return list<string> the names, and what is between them
     */
    private static function byName(string $text, array $inks): array
    {
        if ($inks === []) {
            return [$text];
        }
        $names = array_map(strval(...), array_keys($inks));
        usort($names, static fn(string $a, string $b): int => strlen($b) <=> strlen($a));
        $pattern =
            '/(?<![\p{L}\p{N}])(' .
            implode('|', array_map(static fn(string $n): string => preg_quote($n, '/'), $names)) .
            ')(?![\p{L}\p{N}])/u';

        return preg_split($pattern, $text, -1, PREG_SPLIT_DELIM_CAPTURE | PREG_SPLIT_NO_EMPTY) ?: [$text];
    }
}
