<?php

declare(strict_types=1);

namespace DuskRail\Rail\Formula;

use DuskRail\Rail\Explanation;

/**
 * A formula as it was read: plain numbers and named measures joined by + − × ÷ and parentheses.
 *
 * Names are as they are, with their spaces: `Leakage ÷ Water supplied × 100`. Where one name begins another, the
 * longer is meant.
 */
final readonly class Expression
{
    /** Deeper nesting than this is a mistake, and would only cost memory. */
    private const DEEPEST = 30;

    /**
     * @param '+'|'−'|'×'|'÷'|'' $sign how left and right are joined; nothing for a number or a name
     * @param string $key of the measure that is named; nothing for a number
     */
    private function __construct(
        public string $sign,
        public ?self $left,
        public ?self $right,
        public float $number = NAN,
        public string $key = '',
    ) {}

    /**
     * @param array<string, string> $names what may be named, by key
     *
     * @throws InvalidFormula that says what cannot be read, and where
     */
    public static function parse(string $text, array $names): self
    {
        $tokens = Token::of($text, $names);
        $at = 0;
        $expression = self::sum($tokens, $at, 0);

        return isset($tokens[$at])
            ? throw InvalidFormula::unexpected($tokens[$at]->text, $tokens[$at]->column)
            : $expression;
    }

    /**
     * Works the expression out, whatever its numbers and names stand for.
     *
     * @template T
     *
     * @param callable(float): T $number
     * @param callable(string): T $measure
     * @param callable(string, T, T): T $join
     * @return T
     */
    public function fold(callable $number, callable $measure, callable $join): mixed
    {
        if ($this->left === null || $this->right === null) {
            return $this->key === '' ? $number($this->number) : $measure($this->key);
        }

        return $join(
            $this->sign,
            $this->left->fold($number, $measure, $join),
            $this->right->fold($number, $measure, $join),
        );
    }

    /**
     * The expression written out again, with parentheses only where they are needed.
     *
     * @param callable(string): string $measure what stands for a measure
     */
    public function written(callable $measure): string
    {
        if ($this->left === null || $this->right === null) {
            return $this->key === '' ? Explanation::number($this->number) : $measure($this->key);
        }
        $bound = static fn(self $part, bool $wanted): string => $wanted
            ? "({$part->written($measure)})"
            : $part->written($measure);
        $sums = ['+', '−'];
        $tight = !in_array($this->sign, $sums, true);
        $left = $bound($this->left, $tight && in_array($this->left->sign, $sums, true));
        $right = $bound(
            $this->right,
            (($tight || $this->sign === '−') && in_array($this->right->sign, $sums, true)) ||
                ($this->sign === '÷' && $this->right->sign !== ''),
        );

        return "{$left} {$this->sign} {$right}";
    }

    /** @return list<string> keys of the measures that are named, each once */
    public function measures(): array
    {
        $own = $this->key === '' ? [] : [$this->key];

        return array_values(
            array_unique([...$own, ...$this->left?->measures() ?? [], ...$this->right?->measures() ?? []]),
        );
    }

    /** How many times one measure is divided by another, one after the other. */
    public function divisions(): int
    {
        $own = $this->sign === '÷' && $this->right?->measures() !== [] ? 1 : 0;

        return $own + max($this->left?->divisions() ?? 0, $this->right?->divisions() ?? 0);
    }

    /** What the whole is divided by, if it is a ratio, a number apart. */
    public function divisor(): ?self
    {
        return match (true) {
            $this->sign === '÷' && $this->right?->measures() !== [] => $this->right,
            in_array($this->sign, ['×', '÷'], true) && $this->right?->measures() === [] => $this->left?->divisor(),
            default => null,
        };
    }

    /** @param list<Token> $tokens */
    private static function sum(array $tokens, int &$at, int $depth): self
    {
        $left = self::product($tokens, $at, $depth);
        while (in_array($tokens[$at]->sign ?? '', ['+', '−'], true)) {
            $sign = $tokens[$at++]->sign;
            $left = new self($sign === '+' ? '+' : '−', $left, self::product($tokens, $at, $depth));
        }

        return $left;
    }

    /** @param list<Token> $tokens */
    private static function product(array $tokens, int &$at, int $depth): self
    {
        $left = self::factor($tokens, $at, $depth);
        while (in_array($tokens[$at]->sign ?? '', ['×', '÷'], true)) {
            $sign = $tokens[$at++]->sign;
            $left = new self($sign === '×' ? '×' : '÷', $left, self::factor($tokens, $at, $depth));
        }

        return $left;
    }

    /** @param list<Token> $tokens */
    private static function factor(array $tokens, int &$at, int $depth): self
    {
        $token = $tokens[$at++] ?? throw InvalidFormula::unfinished();
        if ($depth > self::DEEPEST) {
            throw InvalidFormula::tooDeep();
        }
        if ($token->sign === '−') {
            return new self('×', new self('', null, null, -1.0), self::factor($tokens, $at, $depth + 1));
        }
        if ($token->sign === '(') {
            $inner = self::sum($tokens, $at, $depth + 1);
            if (($tokens[$at]->sign ?? '') !== ')') {
                throw InvalidFormula::open();
            }
            $at++;

            return $inner;
        }

        return $token->sign === ''
            ? new self('', null, null, $token->number, $token->key)
            : throw InvalidFormula::unexpected($token->text, $token->column);
    }
}
