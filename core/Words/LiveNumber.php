<?php

declare(strict_types=1);

namespace DuskRail\Words;

use DuskRail\Data\Nature;
use DuskRail\Data\Numerals;
use DuskRail\Document\OwnWords;
use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\Line;
use DuskRail\Rail\Explanation;
use DuskRail\Refusal;
use DuskRail\Time\PeriodRange;

/**
 * A number within words that is calculated from the data, so that it stays right when they change: `{value
 * Veldmere}`, `{value Veldmere in 2020}`, `{change Veldmere since 2019}`, `{pace Veldmere}` and
 * `{since Veldmere}` (its last turn), `{needed Veldmere}` (the pace to its target), `{leads Veldmere}` and
 * `{reaches Veldmere}` (its projection), `{rank Veldmere}`, `{period}`; and of an event `{difference}`, `{with}` and
 * `{without}`.
 */
final readonly class LiveNumber
{
    private const PATTERN =
        '/\{(value|change|pace|since|needed|leads|reaches|rank|place|period|difference|without|with)\b([^{}]*)\}/u';

    /** Numbers that say how far something went, or is to go. */
    private const MOVES = ['change', 'pace', 'needed', ...self::EVENT];

    /** What changed about the event of the study, which is of no one line. */
    private const EVENT = ['difference', 'with', 'without'];

    /** @param bool $isShare whether it is in per cent */
    private function __construct(
        public float $amount,
        public string $text,
        public bool $isShare,
        public string $working,
    ) {}

    /** The words with their numbers put in; what cannot be calculated stays as it was written. */
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
            $signless = in_array($placeholder[0], self::MOVES, true) && SaidWay::before($filled) !== 0;
            $filled .= $number === null ? $text : ($signless ? $number->unsigned() : $number->text);
        }

        return $filled;
    }

    /**
     * Placeholders that name nothing, and sentences whose direction the data no longer bear out.
     *
     * @return list<string> what is wrong, in words
     */
    public static function faults(string $words, Comparison $comparison): array
    {
        $faults = [];
        // Braces with anything else in them would be in the headline as they are.
        foreach (preg_match_all('/\{[^{}]*\}/u', $words, $found) > 0 ? $found[0] : [] as $braces) {
            if (preg_match(self::PATTERN, $braces) !== 1) {
                $faults[] =
                    "“{$braces}” in the text is unknown. Use value, change, pace, since, needed, leads, " .
                    'reaches, rank, period, difference, with or without, for example {value Veldmere}.';
            }
        }
        $before = '';
        foreach (self::parts($words) as [$text, $placeholder]) {
            $number = $placeholder === null ? null : self::read($placeholder, $comparison);
            if ($placeholder !== null && $number === null) {
                $faults[] = self::fault($text, $placeholder, $comparison);
            }
            $isMove = in_array($placeholder[0] ?? '', self::MOVES, true);
            if ($number !== null && $isMove) {
                $way = SaidWay::before($before);
                // Who goes from the 8th place to the 1st has gained places, though the number fell.
                $places = $comparison->run->table()->nature === Nature::Place;
                if ($way * $number->amount * ($places ? -1 : 1) < 0.0) {
                    $faults[] =
                        'The text says ' .
                        ($way < 0 ? 'down' : 'up') .
                        ", but the change is {$number->text}: {$number->working}.";
                }
            }
            $before .= $number === null ? $text : $number->text;
        }

        return $faults;
    }

    /** @param array{string, string} $placeholder */
    private static function fault(string $text, array $placeholder, Comparison $comparison): string
    {
        if (in_array($placeholder[0], self::EVENT, true)) {
            return "“{$text}” in the text: " . BeforeAfterWords::missing($comparison);
        }
        $words = self::split($placeholder[1]);
        $line = self::line($words[0], $comparison);
        if ($line === null || isset($words[1]) || $comparison->reference < $comparison->from) {
            return "“{$text}” in the text does not match a line or period of this study. Correct it.";
        }

        if (in_array($placeholder[0], ['needed', 'leads', 'reaches'], true)) {
            return "“{$text}” in the text: " . OutlookWords::missing($comparison, $line, $placeholder[0]);
        }
        if (in_array($placeholder[0], ['pace', 'since'], true)) {
            return "“{$text}” in the text: {$line->name} has no turn that the data carry. Say since when yourself.";
        }

        return "“{$text}” in the text: {$line->name} has no value in " .
            "{$comparison->axis->period($comparison->reference)->label()}.";
    }

    /** How far a line has come since a period or the mean of a range; null where there is no such change. */
    public static function change(Comparison $comparison, Line $line, string $since): ?self
    {
        $positions = self::positions($comparison, $since);
        $then =
            $positions === null
                ? []
                : array_filter(
                    array_slice($line->values, $positions[0], $positions[1] - $positions[0] + 1),
                    static fn(float $v): bool => !is_nan($v),
                );
        if ($then === [] || $line->current === null || $positions === null || $positions[1] > $line->current) {
            return null;
        }
        $base = array_sum($then) / count($then);
        $now = $line->latest();
        $table = $comparison->run->table();
        $missing = $positions[2] - count($then);
        $what =
            ($positions[2] > 1
                ? 'mean of ' . count($then) . ($missing > 0 ? " of {$positions[2]}" : '') . ' values'
                : 'the value') . " then {$comparison->format($base)}, now {$comparison->format($now)}";
        if ($table->allowsPercent() && $base > 0.0) {
            $share = ($now / $base - 1.0) * 100.0;

            return new self(
                $share,
                self::percent($share) . ' %',
                true,
                "{$what}: (" .
                    Explanation::number($now, $base) .
                    ' ÷ ' .
                    Explanation::number($base, $now) .
                    ' − 1) × 100 = ' .
                    Explanation::number($share) .
                    ' %',
            );
        }
        $gap = $now - $base;
        $unit = $table->nature === Nature::Growth ? 'points' : $table->unit->difference()->text();

        return new self(
            $gap,
            trim($comparison->precision->signed($gap) . " {$unit}"),
            false,
            "{$what}: " .
                Explanation::number($now, $base) .
                ' − ' .
                Explanation::number($base, $now) .
                ' = ' .
                Explanation::number($gap),
        );
    }

    /**
     * First and last position of a period or range, as far as the data reach, and how many it has in all; null where
     * there is no such.
     *
     * @return array{int, int, int}|null
     */
    private static function positions(Comparison $comparison, string $when): ?array
    {
        try {
            $range = PeriodRange::parse($when);
            $positions = $comparison->axis->positions($range);

            return $positions === null ? null : [...$positions, $range->at($comparison->axis->frequency)->count()];
        } catch (Refusal) {
            return null;
        }
    }

    /** With as many decimals as it takes to tell it from none and from all: −99.6 and not −100. */
    private static function percent(float $share): string
    {
        for ($decimals = abs(round($share, 1)) < 10 ? 1 : 0; $decimals < 6; $decimals++) {
            $rounded = abs(round($share, $decimals));
            if (($rounded !== 100.0 && $rounded !== 0.0) || $rounded === abs($share)) {
                break;
            }
        }

        return Numerals::signed($share, $decimals);
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
            // Older words say place.
            $what = $match[1][0] === 'place' ? 'rank' : $match[1][0];
            $parts[] = [$match[0][0], [$what, trim($match[2][0])]];
            $at = $match[0][1] + strlen($match[0][0]);
        }
        $parts[] = [substr($words, $at), null];

        return $parts;
    }

    /**
     * A line, and the period or range after “in” or “since”; a name may hold these words too.
     *
     * @return array{0: string, 1?: string}
     */
    private static function split(string $about): array
    {
        // The last of these words is the one before the period.
        return preg_match('/^(.*)\s+(?:in|since)\s+(.+)$/u', $about, $m) === 1 ? [$m[1], trim($m[2])] : [$about];
    }

    /** @param array{string, string} $placeholder */
    private static function read(array $placeholder, Comparison $comparison): ?self
    {
        [$what, $about] = $placeholder;
        $words = self::split($about);
        $line = self::line($words[0], $comparison);
        if ($what === 'period') {
            $last = $comparison->focus()[0]->current ?? max($comparison->from, $comparison->reference);

            return new self(
                NAN,
                $comparison->axis->count === 0 ? '' : $comparison->axis->period($last)->label(),
                false,
                '',
            );
        }
        if (in_array($what, self::EVENT, true)) {
            return $about === '' ? self::event($comparison, $what) : null;
        }
        if ($line === null) {
            return null;
        }

        return match ($what) {
            'change' => self::change($comparison, $line, $words[1] ?? ''),
            'rank' => self::place($comparison, $line),
            'pace' => self::pace($comparison, $line),
            'since' => self::since($comparison, $line),
            'needed', 'leads', 'reaches' => self::ahead($comparison, $line, $what),
            default => self::value($comparison, $line, $words[1] ?? null),
        };
    }

    private static function value(Comparison $comparison, Line $line, ?string $when): ?self
    {
        $at = $line->current;
        if ($when !== null) {
            $positions = self::positions($comparison, $when);
            $at = $positions === null || $positions[0] !== $positions[1] ? null : $positions[0];
        }
        $value = $at === null ? NAN : $line->values[$at];

        return is_nan($value) ? null : new self($value, $comparison->format($value), false, '');
    }

    private static function place(Comparison $comparison, Line $line): ?self
    {
        $position = $comparison->peers->rankOf($line, $line->current);

        return $position === null ? null : new self($position->rank, PlaceWords::ordinal($position), false, '');
    }

    /** How fast it has gone since its last turn; null where it has none, or nothing can be said of its pace. */
    private static function pace(Comparison $comparison, Line $line): ?self
    {
        $turns = $comparison->courses->turns($line);
        if ($turns === null || !$turns->has() || is_nan($turns->pace())) {
            return null;
        }
        $text = TurnWords::pace($comparison, $turns, $turns->pace());

        return new self(
            $turns->pace(),
            match ($turns->pace() <=> 0.0) {
                1 => "+{$text}",
                -1 => "−{$text}",
                default => $text,
            },
            false,
            TurnWords::working($comparison, $turns),
        );
    }

    /** When its last turn was; null where it has none. */
    private static function since(Comparison $comparison, Line $line): ?self
    {
        $turns = $comparison->courses->turns($line);
        $last = $turns?->last();

        return $turns === null || $last === null
            ? null
            : new self(NAN, TurnWords::since($turns, $last), false, TurnWords::working($comparison, $turns));
    }

    /** Of its target and its projection: the pace that is needed, where it leads, or when it gets there. */
    private static function ahead(Comparison $comparison, Line $line, string $what): ?self
    {
        $outlook = $comparison->outlooks->of($line);
        $text = $outlook === null ? '' : match ($what) {
            'needed' => OutlookWords::pace($comparison, $outlook, $outlook->pacing->needed),
            'leads' => OutlookWords::leads($comparison, $outlook),
            default => OutlookWords::arrival($comparison, $outlook),
        };

        return $outlook === null || $text === ''
            ? null
            : new self(
                $what === 'needed' ? $outlook->pacing->needed : NAN,
                $text,
                false,
                OutlookWords::working($comparison, $outlook),
            );
    }

    /** What changed about the event; null where before and after cannot be compared. */
    private static function event(Comparison $comparison, string $what): ?self
    {
        try {
            $found = $comparison->effects->beforeAfter();
        } catch (Refusal) {
            return null;
        }
        [$amount, $text] = match ($what) {
            'with' => [$found->result->with, BeforeAfterWords::change($found, $found->result->with)],
            'without' => [$found->result->without, BeforeAfterWords::change($found, $found->result->without)],
            default => [$found->result->effect(), BeforeAfterWords::effectBetween($found)],
        };

        return new self($amount, $text, $found->panel->isRelative, implode('; ', BeforeAfterWords::working($found)));
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
