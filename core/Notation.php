<?php

declare(strict_types=1);

namespace DuskRail;

/**
 * How a house writes numbers, and months along an axis. One holds for the whole process, as the locale of the C library
 * does: what one picture says must be written in one way, and nothing is calculated by it.
 */
final class Notation
{
    private const ENGLISH = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];

    private static ?self $current = null;

    /** @param list<string> $months short names of the twelve */
    private function __construct(
        public readonly string $decimal = '.',
        public readonly string $thousands = ',',
        public readonly array $months = self::ENGLISH,
    ) {}

    public static function current(): self
    {
        return self::$current ??= new self();
    }

    /** @param list<string> $months short names of the twelve */
    public static function use(string $decimal, string $thousands, array $months): void
    {
        self::$current = new self($decimal, $thousands, $months);
    }

    public static function useEnglish(): void
    {
        self::$current = new self();
    }

    /** A number as number_format writes it, in this notation. */
    public static function of(string $english): string
    {
        $current = self::current();

        return strtr($english, ['.' => $current->decimal, ',' => $current->thousands]);
    }

    /** The same without the zeros that its decimals end on. */
    public static function trimmed(string $english): string
    {
        return self::of(str_contains($english, '.') ? rtrim(rtrim($english, '0'), '.') : $english);
    }

    public static function month(int $month): string
    {
        return self::current()->months[$month - 1];
    }
}
