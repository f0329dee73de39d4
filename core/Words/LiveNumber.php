<?php

declare(strict_types=1);

namespace DuskRail\Words;

use DuskRail\Data\Numerals;
use DuskRail\Data\ValueType;
use DuskRail\Document\OwnWords;
use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\Line;
use DuskRail\Rail\Explanation;
use DuskRail\Refusal;
use DuskRail\Time\PeriodRange;

/**
 * A number within words that is worked out from the figures, so that it stays right when they change: `{value
 * Veldmere}`, `{value Veldmere in 2020}`, `{change Veldmere since 2019}`, `{place Veldmere}`, `{period}`.
 */
final readonly class LiveNumber
{
    private const PATTERN = '/\{(value|change|place|period)\b([^{}]*)\}/u';

    /** Words before a change that say which way it went; the number then stands without its sign. */
    private const DOWN =
        '/\b(down|fell|fallen|falls|cut|lost|lower|less|dropped|declined|reduced|' . 'decreased)\b[^.;{}]{0,60}$/iu';

    private const UP = '/\b(up|rose|risen|rises|gained|grew|grown|higher|more|increased)\b[^.;{}]{0,60}$/iu';

    /** @param bool $isShare whether it is in per cent */
    private function __construct(
        public float $amount,
        public string $text,
        public bool $isShare,
        public string $working,
    ) {}

    /** The words with their numbers put in; what cannot be worked out stays as it was written. */
    public static function filled(string $words, Comparison $comparison): string
    {
        $filled = '';
        foreach (self::parts($words) as [$text, $placeholder]) {
            if ($placeholder === null) {
                $filled .= $text;
                continue;
            }
            $number = self::read($placeholder, $comparison);
            // Words such as "fell by" already say which way a change went; any other number keeps its sign.
            $signless =
                $placeholder[0] === 'change' &&
                (preg_match(self::DOWN, $filled) === 1 || preg_match(self::UP, $filled) === 1);
            $filled .= $number === null ? $text : ($signless ? $number->unsigned() : $number->text);
        }

        return $filled;
    }

    /**
     * Placeholders that name nothing, and sentences whose direction the figures no longer bear out.
     *
     * @return list<string> what is wrong, in words
     */
    public static function faults(string $words, Comparison $comparison): array
    {
        $faults = [];
        $before = '';
        foreach (self::parts($words) as [$text, $placeholder]) {
            $number = $placeholder === null ? null : self::read($placeholder, $comparison);
            if ($placeholder !== null && $number === null) {
                $faults[] = "“{$text}” in the words names no line or period of this study.";
            }
            if ($placeholder !== null && $number !== null && $placeholder[0] === 'change') {
                $down = preg_match(self::DOWN, $before) === 1;
                $up = !$down && preg_match(self::UP, $before) === 1;
                if (($down && $number->amount > 0.0) || ($up && $number->amount < 0.0)) {
                    $faults[] =
                        'The words say ' .
                        ($down ? 'down' : 'up') .
                        ", but the change is {$number->text}: {$number->working}.";
                }
            }
            $before .= $number === null ? $text : $number->text;
        }

        return $faults;
    }

    /** How far a line has come since a period or the mean of a range; null where there is no such change. */
    public static function change(Comparison $comparison, Line $line, string $since): ?self
    {
        try {
            $positions = $comparison->axis->positions(PeriodRange::parse($since));
        } catch (Refusal) {
            return null;
        }
        $then =
            $positions === null
                ? []
                : array_filter(
                    array_slice($line->values, $positions[0], $positions[1] - $positions[0] + 1),
                    static fn(float $v): bool => !is_nan($v),
                );
        if ($then === [] || $line->at === null || $positions === null || $positions[1] > $line->at) {
            return null;
        }
        $base = array_sum($then) / count($then);
        $now = $line->latest();
        $sort = $comparison->run->table()->unit->sort;
        $what =
            (count($then) > 1 ? 'mean of ' . count($then) . ' values' : 'the value') .
            " then {$comparison->format($base)}, now {$comparison->format($now)}";
        if (in_array($sort, [ValueType::Amount, ValueType::Index], true) && $base > 0.0) {
            $share = ($now / $base - 1.0) * 100.0;

            return new self(
                $share,
                Numerals::signed($share, abs($share) < 10 ? 1 : 0) . ' %',
                true,
                "{$what}: (" .
                    Explanation::number($now) .
                    ' ÷ ' .
                    Explanation::number($base) .
                    ' − 1) × 100 = ' .
                    Explanation::number($share) .
                    ' %',
            );
        }
        $gap = $now - $base;
        $unit = $comparison->run->table()->unit->difference()->text();

        return new self(
            $gap,
            trim(Numerals::signed($gap, $comparison->decimals) . " {$unit}"),
            false,
            "{$what}: " .
                Explanation::number($now) .
                ' − ' .
                Explanation::number($base) .
                ' = ' .
                Explanation::number($gap),
        );
    }

    private function unsigned(): string
    {
        return (string) preg_replace('/^[+−-]/u', '', $this->text);
    }

    /**
     * OwnWords and placeholders in turn.
     *
     * @return list<array{string, array{string, string}|null}>
     */
    private static function parts(string $words): array
    {
        $parts = [];
        $at = 0;
        preg_match_all(self::PATTERN, $words, $found, PREG_SET_ORDER | PREG_OFFSET_CAPTURE);
        foreach ($found as $match) {
            $parts[] = [substr($words, $at, $match[0][1] - $at), null];
            $parts[] = [$match[0][0], [$match[1][0], trim($match[2][0])]];
            $at = $match[0][1] + strlen($match[0][0]);
        }
        $parts[] = [substr($words, $at), null];

        return $parts;
    }

    /** @param array{string, string} $placeholder */
    private static function read(array $placeholder, Comparison $comparison): ?self
    {
        [$what, $about] = $placeholder;
        $words = preg_split('/\s+(?:in|since)\s+(?=\S+$)/u', $about) ?: [$about];
        $line = self::line($words[0], $comparison);
        if ($what === 'period') {
            $last = $comparison->focus()[0]->at ?? max($comparison->from, $comparison->spoken);

            return new self(
                NAN,
                $comparison->axis->count === 0 ? '' : $comparison->axis->period($last)->label(),
                false,
                '',
            );
        }
        if ($line === null) {
            return null;
        }

        return match ($what) {
            'change' => self::change($comparison, $line, $words[1] ?? ''),
            'place' => self::place($comparison, $line),
            default => self::value($comparison, $line, $words[1] ?? null),
        };
    }

    private static function value(Comparison $comparison, Line $line, ?string $when): ?self
    {
        $at = $line->at;
        if ($when !== null) {
            try {
                $positions = $comparison->axis->positions(PeriodRange::parse($when));
            } catch (Refusal) {
                return null;
            }
            $at = $positions === null || $positions[0] !== $positions[1] ? null : $positions[0];
        }
        $value = $at === null ? NAN : $line->values[$at];

        return is_nan($value) ? null : new self($value, $comparison->format($value), false, '');
    }

    private static function place(Comparison $comparison, Line $line): ?self
    {
        $position = $comparison->peers->place($line, $line->at);

        return $position === null ? null : new self($position->rank, PlaceWords::ordinal($position), false, '');
    }

    /** By its whole name, or by its first word where no other line begins with it. */
    private static function line(string $name, Comparison $comparison): ?Line
    {
        $wanted = mb_strtolower(trim($name));
        $matching =
            $wanted === ''
                ? []
                : array_values(
                    array_filter(
                        $comparison->lines,
                        static fn(Line $l): bool => mb_strtolower($l->name) === $wanted ||
                            mb_strtolower($l->key) === $wanted,
                    ),
                );
        if ($matching === [] && $wanted !== '') {
            $matching = array_values(
                array_filter(
                    $comparison->lines,
                    static fn(Line $l): bool => str_starts_with(mb_strtolower($l->name), "{$wanted} "),
                ),
            );
        }

        return count($matching) === 1 ? $matching[0] : null;
    }
}
