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
                "” at character {$column} is neither a measure nor a number. There are: " .
                implode(', ', $names) .
                '.',
        );
    }

    public static function unexpected(string $text, int $column): self
    {
        return new self(
            "“{$text}” at character {$column} does not follow from what stands before it. " .
                'Join measures and numbers by + − × ÷.',
        );
    }

    public static function unfinished(): self
    {
        return new self('The formula ends too early: a measure or a number is missing at its end.');
    }

    public static function open(): self
    {
        return new self('A parenthesis is opened and not closed. Add “)”.');
    }

    public static function tooDeep(): self
    {
        return new self('The formula has parentheses within parentheses too many times over. Write it in two stops.');
    }
}
