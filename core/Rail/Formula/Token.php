<?php

declare(strict_types=1);

namespace DuskRail\Rail\Formula;

use DuskRail\Data\Numerals;

/** One sign, number or name of a formula. */
final readonly class Token
{
    /** Signs as people type them, by the sign that is meant. */
    private const SIGNS = [
        '+' => '+',
        '-' => '−',
        '−' => '−',
        '–' => '−',
        '*' => '×',
        '×' => '×',
        '/' => '÷',
        '÷' => '÷',
        '(' => '(',
        ')' => ')',
    ];

    /** @param int $column of its first character, from 1 */
    private function __construct(
        public string $sign,
        public float $number,
        public string $key,
        public string $text,
        public int $column,
    ) {}

    /**
     * @param array<string, string> $names by key
     * @return list<self>
     *
     * @throws InvalidFormula
     */
    public static function of(string $text, array $names): array
    {
        uasort($names, static fn(string $a, string $b): int => mb_strlen($b) <=> mb_strlen($a));
        $tokens = [];
        for ($at = 0, $length = mb_strlen($text); $at < $length;) {
            $rest = mb_substr($text, $at);
            $character = mb_substr($rest, 0, 1);
            if (trim($character) === '' || $character === "\u{00A0}") {
                $at++;
                continue;
            }
            $token =
                self::first($rest, $character, $names, $at + 1) ??
                throw InvalidFormula::unknown($rest, $at + 1, $names);
            $tokens[] = $token;
            $at += mb_strlen($token->text);
        }

        return $tokens;
    }

    /** @param array<string, string> $names longest first */
    private static function first(string $rest, string $character, array $names, int $column): ?self
    {
        foreach ($names as $key => $name) {
            $length = mb_strlen($name);
            if (
                mb_strtolower(mb_substr($rest, 0, $length)) === mb_strtolower($name) &&
                preg_match('/^[\p{L}\p{N}]/u', mb_substr($rest, $length)) !== 1
            ) {
                return new self('', NAN, (string) $key, mb_substr($rest, 0, $length), $column);
            }
        }
        if (preg_match('/^[.,]?\p{Nd}+(?:[.,]\p{Nd}+)*/u', $rest, $m) === 1) {
            $number = Numerals::read($m[0]);

            return $number === null ? null : new self('', $number, '', $m[0], $column);
        }

        return isset(self::SIGNS[$character]) ? new self(self::SIGNS[$character], NAN, '', $character, $column) : null;
    }
}
