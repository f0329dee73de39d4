<?php

declare(strict_types=1);

namespace DuskRail\Rail\Formula;

use DuskRail\Refusal;

/** A formula that cannot be read or has no meaning; the message says where, and what to write instead. */
final class InvalidFormula extends Refusal
{
    public static function because(string $reason): self
    {
        return new self($reason);
    }

    /** @param array<string, string> $names */
    public static function unknown(string $rest, int $column, array $names): self
    {
        $word = preg_match('/^[^+\-−–*×\/÷()]+/u', $rest, $m) === 1 ? trim($m[0]) : mb_substr($rest, 0, 1);
        sort($names);

        return new self(
            '“' .
                mb_strimwidth($word, 0, 40, '…') .
                "” (character {$column}) is neither a measure nor a number. Available measures: " .
                implode(', ', $names) .
                '.',
        );
    }

    public static function unexpected(string $text, int $column): self
    {
        return new self(
            "“{$text}” (character {$column}) is not expected here. Put + − × or ÷ between measures and " . 'numbers.',
        );
    }

    public static function unfinished(): self
    {
        return new self('The formula is incomplete: add a measure or a number at the end.');
    }

    public static function open(): self
    {
        return new self('A closing parenthesis is missing.');
    }

    public static function tooDeep(): self
    {
        return new self('The formula has too many nested parentheses. Split it into two stops.');
    }
}
