<?php

declare(strict_types=1);

namespace DuskRail\Data;

use DuskRail\Time\Frequency;

/**
 * A unit that is calculated along the rail: an amount, and what it is counted per.
 *
 * `Ml per month` is amount `Ml` per [`month`]; divided by connections and times 1,000,000 it is `l per connection
 * per month`.
 * An index or a percentage has left its amount behind and cannot be divided further; its Sort says so.
 */
final readonly class Unit
{
    /**
     * SI prefixes by power of ten (SI Brochure, 9th ed., 2019, table 7), for the amounts they are used with in the
     * trade.
     */
    private const PREFIXES = ['k' => 3, 'M' => 6, 'G' => 9, 'T' => 12];

    /** Powers of ten of a gram: the tonne has a name of its own (SI Brochure, table 8). */
    private const MASSES = ['g' => 0, 'kg' => 3, 't' => 6, 'kt' => 9, 'Mt' => 12];

    private const WORDS = ['thousand' => 3, 'million' => 6, 'billion' => 9];

    /** Words for what is surely no money, among those that files are found with. */
    private const NO_MONEY = [
        ...['people', 'persons', 'inhabitants', 'residents', 'population', 'employees', 'staff', 'fte', 'patients'],
        ...['connections', 'customers', 'households', 'vehicles', 'calls', 'bursts', 'accidents', 'cases', 'beds'],
        ...['hours', 'h', 'minutes', 'min', 'seconds', 's', 'days', 'years', 'litres', 'tonnes', 'kg', 'km', 'ha'],
        ...['m2', 'm²', 'm3', 'm³', 'mm', 'cm', 'hectares', 'number', 'count', 'trips', 'visits', 'points'],
    ];

    private const PREFIXED = ['l', 'L', 'W', 'Wh', 'g', 'm', 't', 'J', 'B'];

    /** @param list<string> $per singular nouns, the nearest divisor first */
    private function __construct(
        public string $amount,
        public array $per = [],
        public float $perMany = 1.0,
        public ValueType $sort = ValueType::Amount,
    ) {}

    /** Reads `Ml`, `Ml/month`, `litres per person per day`. */
    public static function parse(string $text): self
    {
        // Per cent of what does not matter: `% of supply` is one, too.
        if (preg_match('/^(?:%|per ?cent|pct\.?)(\s+of\s.+)?$/iu', trim($text), $m) === 1) {
            return self::of(ValueType::Percent, '%' . ($m[1] ?? ''));
        }
        $parts = preg_split('/\s+per\s+|\s*\/\s*/', trim($text)) ?: [''];
        $amount = array_shift($parts);

        return new self(
            $amount,
            array_map(Noun::singular(...), array_values(array_filter($parts, static fn(string $p): bool => $p !== ''))),
        );
    }

    /** Whether it is of a scale whose zero is not nothing: twice as many degrees Celsius are not twice as warm. */
    public function isInterval(): bool
    {
        return preg_match('/^(°|degrees? |deg )\s*(C|F|Celsius|Fahrenheit)$/iu', trim($this->amount)) === 1;
    }

    /** Whether it is known to be no money: an SI unit, a time, a temperature, or a count of people or things. */
    public function isNoMoney(): bool
    {
        $bare = isset(self::PREFIXES[$this->amount[0] ?? '']) ? substr($this->amount, 1) : $this->amount;

        return $this->isInterval() ||
            in_array($bare, self::PREFIXED, true) ||
            in_array(mb_strtolower($this->amount), self::NO_MONEY, true);
    }

    /** Whether its money was brought to the prices of one time already. */
    public function isReal(): bool
    {
        return str_contains($this->amount, ', prices of ');
    }

    /** Whether it counts things, `bursts` or nothing said, rather than measuring an amount such as `Ml`. */
    public function counts(): bool
    {
        $bare = isset(self::PREFIXES[$this->amount[0] ?? '']) ? substr($this->amount, 1) : $this->amount;

        return $this->sort === ValueType::Amount &&
            $this->perMany === 1.0 &&
            !in_array($bare, self::PREFIXED, true) &&
            !str_contains($this->amount, '%');
    }

    /** @param string $label how the base is said: `2019 = 100` */
    public static function index(string $label): self
    {
        return new self($label, [], 1.0, ValueType::Index);
    }

    /** A number that has left its amount behind: a percentage, a rank, a score. */
    public static function of(ValueType $sort, ?string $label = null): self
    {
        return new self($label ?? $sort->value, [], 1.0, $sort);
    }

    /** Of places among others, 1 for the best. */
    public static function rank(): self
    {
        return self::of(ValueType::Rank);
    }

    /** Of places among others as the share that is worse. */
    public static function percentile(): self
    {
        return self::of(ValueType::Rank, 'percentile');
    }

    public function isRank(): bool
    {
        return $this->sort === ValueType::Rank && $this->amount === ValueType::Rank->value;
    }

    /** What a difference of two such values is in: percentages and indices differ by points. */
    public function difference(): self
    {
        return match ($this->sort) {
            ValueType::Index, ValueType::Percent => self::of(ValueType::Points),
            ValueType::Rank => self::of(ValueType::Points, $this->amount === 'percentile' ? 'points' : 'places'),
            default => $this,
        };
    }

    /** The amount of several periods together: `Ml per month` over twelve is `Ml per 12 months`. */
    public function together(Frequency $frequency, int $periods): self
    {
        $per = array_map(
            static fn(string $noun): string => $noun === $frequency->noun() ? "{$periods} {$noun}s" : $noun,
            $this->per,
        );

        return new self($this->amount, array_values($per), $this->perMany, $this->sort);
    }

    /** Without what it is counted per in time, with a word in its place: `Ml per month` becomes `Ml to date`. */
    public function timeless(Frequency $frequency, string $instead): self
    {
        $per = array_values(array_filter($this->per, static fn(string $noun): bool => $noun !== $frequency->noun()));

        return new self(trim("{$this->amount} {$instead}"), $per, $this->perMany, $this->sort);
    }

    /** Counted per something else in time. */
    public function insteadOf(Frequency $frequency, string $noun): self
    {
        return $this->per([$frequency->noun() => $noun]);
    }

    /** @param array<string, string> $instead what it is counted per in the place of a noun */
    public function per(array $instead): self
    {
        $per = array_map(static fn(string $noun): string => $instead[$noun] ?? $noun, $this->per);

        return new self($this->amount, $per, $this->perMany, $this->sort);
    }

    /** @param string $note said after the amount: `crowns, prices of 2024` */
    public function noted(string $note): self
    {
        return new self("{$this->amount}, {$note}", $this->per, $this->perMany, $this->sort);
    }

    /**
     * What values are in that were multiplied by a power of ten: kg ÷ 1,000 are t, thousand crowns × 1,000 are crowns.
     *
     * @param float $times what the values were multiplied by
     */
    public function shifted(float $times): self
    {
        $power = $times > 0.0 ? log10($times) : NAN;
        if ($times === 1.0 || $this->sort !== ValueType::Amount || abs($power - round($power)) > 1e-9) {
            return $this;
        }
        [$base, $own] = self::powerOf($this->amount);
        $name = self::named($base, $own - (int) round($power));

        return $name === null ? $this : new self($name, $this->per, $this->perMany, $this->sort);
    }

    /** @return array{string, int} the unit without its prefix or its “thousand”, and the power of ten that was in it */
    private static function powerOf(string $amount): array
    {
        if (isset(self::MASSES[$amount])) {
            return ['g', self::MASSES[$amount]];
        }
        foreach (self::WORDS as $word => $power) {
            if (preg_match("/^(?|{$word}s? (.+)|(.+) {$word}s?)$/iu", $amount, $m) === 1) {
                return [$m[1], $power];
            }
        }
        $bare = substr($amount, 1);

        return isset(self::PREFIXES[$amount[0] ?? '']) && in_array($bare, self::PREFIXED, true)
            ? [$bare, self::PREFIXES[$amount[0]]]
            : [$amount, 0];
    }

    /** The name of a power of ten of a unit, or null where there is none in use. */
    private static function named(string $base, int $power): ?string
    {
        $mass = $base === 'g' ? array_search($power, self::MASSES, true) : false;
        $prefix = in_array($base, self::PREFIXED, true) ? array_search($power, self::PREFIXES, true) : false;
        $word = array_search($power, self::WORDS, true);

        return match (true) {
            $mass !== false => $mass,
            $power === 0 => $base,
            $prefix !== false => "{$prefix}{$base}",
            $word !== false && $base !== '' => "{$word} {$base}",
            default => null,
        };
    }

    /** What a value is multiplied by to be in another unit of the same thing; null where no factor does it. */
    public function factorTo(self $other): ?float
    {
        if (!$this->isAmount() || !$other->isAmount() || $this->per !== $other->per) {
            return null;
        }
        [$base, $power] = self::powerOf($this->amount);
        [$otherBase, $otherPower] = self::powerOf($other->amount);

        return $base === $otherBase ? $other->perMany / $this->perMany * 10.0 ** ($power - $otherPower) : null;
    }

    /** Whether it is thousands or millions of something already: `thousand crowns`. */
    public function isInThousands(): bool
    {
        [$base, $power] = self::powerOf($this->amount);

        return $power > 0 && !in_array($base, self::PREFIXED, true) && $base !== 'g';
    }

    public function isAmount(): bool
    {
        return $this->sort === ValueType::Amount;
    }

    /** What a flow is counted in at a frequency: `Ml` by the month is `Ml per month`. */
    public function each(Frequency $frequency): self
    {
        $noun = $frequency->noun();
        if ($frequency === Frequency::Number || in_array($noun, $this->per, true)) {
            return $this;
        }

        return new self($this->amount, [...$this->per, $noun], $this->perMany, $this->sort);
    }

    /**
     * Divided by another unit and multiplied by a plain number.
     *
     * A multiplier that is exactly the amount's SI prefix takes the prefix off (Ml × 1,000,000 = l); any other is said
     * as “per 1,000 connections”. Equal amounts cancel: × 100 leaves per cent.
     */
    public function over(self $divisor, float $times): self
    {
        $per = $this->per;
        $left = [];
        foreach ($divisor->per as $noun) {
            $at = array_search($noun, $per, true);
            if ($at === false) {
                $left[] = $noun;
            } else {
                unset($per[$at]);
            }
        }
        $per = array_values($per);
        if ($divisor->amount === $this->amount && $this->amount !== '') {
            $amount = $times === 100.0 ? '%' : ($times === 1.0 ? 'ratio' : 'per ' . self::plain($times));

            return new self(
                implode(' ', [$amount, ...$left]),
                $per,
                1.0,
                $amount === '%' && $per === [] ? ValueType::Percent : ValueType::Amount,
            );
        }
        $amount = implode('-', [$this->amount, ...$left]);
        $prefix = self::PREFIXES[$amount[0] ?? ''] ?? 0;
        $bare = substr($amount, 1);
        $takesPrefixOff = $prefix > 0 && in_array($bare, self::PREFIXED, true) && $times === 10.0 ** $prefix;

        return new self(
            $takesPrefixOff ? $bare : $amount,
            [Noun::singular($divisor->amount), ...$per],
            $takesPrefixOff ? $this->perMany : $this->perMany * $times,
        );
    }

    /**
     * Multiplied by another unit: what the one is counted per and the other counts goes out (crowns per Ml × Ml per
     * month).
     */
    public function by(self $other): self
    {
        $left = $this->per;
        $right = $other->per;
        $amounts = [$this->amount, $other->amount];
        foreach ([[&$left, 1], [&$right, 0]] as [&$per, $counted]) {
            $at = array_search(Noun::singular($amounts[$counted]), $per, true);
            if ($at !== false && $amounts[$counted] !== '') {
                unset($per[$at]);
                $amounts[$counted] = '';
            }
        }
        $percent =
            array_filter([$this->sort, $other->sort], static fn(ValueType $s): bool => $s !== ValueType::Amount) !== [];

        return new self(
            implode(
                ' × ',
                array_filter(
                    $percent ? [($this->sort === ValueType::Amount ? $this : $other)->amount] : $amounts,
                    static fn(string $a): bool => $a !== '',
                ),
            ),
            array_values([...$left, ...$right]),
            $this->perMany * $other->perMany,
        );
    }

    public function text(): string
    {
        $per = $this->per;
        $text = $this->amount;
        if ($per !== [] && $this->perMany !== 1.0) {
            $text .= ' per ' . self::plain($this->perMany) . ' ' . Noun::plural((string) array_shift($per));
        }
        foreach ($per as $noun) {
            $text .= " per {$noun}";
        }

        return trim($text);
    }

    private static function plain(float $number): string
    {
        return $number === floor($number) ? Numerals::count($number) : rtrim(Numerals::text($number, 6), '0');
    }
}
