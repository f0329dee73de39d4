<?php

declare(strict_types=1);

namespace DuskRail\Words;

use DuskRail\Data\Numerals;
use DuskRail\Document\Parts\ContributionsPart;
use DuskRail\Outcome\Contributed;
use DuskRail\Outcome\ContributionRow;
use DuskRail\Outcome\Whole;
use DuskRail\Rail\Explanation;
use DuskRail\Statistics\Contribution;
use DuskRail\Statistics\ContributionTerm as Term;
use DuskRail\Statistics\Equality;

/** What is said of who accounts for a change. */
final class ContributionWords
{
    /** In per cent of the change: what the few that are named have to add up to. */
    public const HALF = 50.0;

    /** Per cent of the change from which on others must have gone against it. */
    private const MORE_THAN_ALL = 100.5;

    /** Up to so many are few enough to name their number, if they are at most this share of all. */
    private const FEW = 6;

    private const FEW_OF = 0.4;

    /** Up to so many are named themselves. */
    private const NAMED = 2;

    private const NUMBERS = [3 => 'Three', 4 => 'Four', 5 => 'Five', 6 => 'Six'];

    public static function headline(Contributed $contributed): string
    {
        if (Equality::holds($contributed->result->before, $contributed->result->after)) {
            return "{$contributed->comparison->measure->name}: no change together " . self::span($contributed);
        }
        if (!$contributed->hasShares()) {
            return self::cancelling($contributed);
        }

        $said = self::claim($contributed) ?? self::spread($contributed);

        return $said . self::focus($contributed, $said);
    }

    /** `rise` or `fall`, between two entities `difference`. */
    public static function change(Contributed $contributed): string
    {
        return match (true) {
            self::isBetweenEntities($contributed) => 'difference',
            $contributed->change() < 0.0 => 'fall',
            default => 'rise',
        };
    }

    /** `from 2019 to 2024` */
    public static function span(Contributed $contributed): string
    {
        [$first, $last] = $contributed->ends;

        return self::isBetweenEntities($contributed)
            ? "between {$first} and {$last} in {$contributed->times[1]->label()}"
            : "from {$first} to {$last}";
    }

    /** What the members come to together: `sum of 24`, `ratio of sums of 24`. */
    public static function whole(Contributed $contributed): string
    {
        return "{$contributed->whole->value} of " . count($contributed->members);
    }

    /** Ups and downs that leave next to nothing. */
    private static function cancelling(Contributed $contributed): string
    {
        [$up, $down] = [0, 0];
        foreach ($contributed->members as $row) {
            $up += $row->change > 0.0 ? 1 : 0;
            $down += $row->change < 0.0 ? 1 : 0;
        }

        return "{$contributed->comparison->measure->name}: {$up} up and {$down} down nearly cancel out " .
            self::span($contributed);
    }

    /** Said where the whole moved though no member's own rate moved that way. */
    private static function allMix(Contributed $contributed): ?string
    {
        $isUp = $contributed->change() > 0.0;
        if ($contributed->whole !== Whole::Ratio || count($contributed->members) < 2) {
            return null;
        }
        foreach ($contributed->members as $row) {
            [$first, $last] = [$row->of[0]->first(), $row->of[0]->last()];
            $isThatWay = $isUp ? $last > $first : $last < $first;
            if ($isThatWay && !Equality::holds($first, $last)) {
                return null;
            }
        }
        $did = $isUp ? 'rose' : 'fell';

        return self::isBetweenEntities($contributed)
            ? 'All of the difference is mix: in no category is the rate ' .
                    ($isUp ? 'higher' : 'lower') .
                    " in {$contributed->ends[1]}"
            : 'All of the ' . self::change($contributed) . ' is mix: no rate of its own ' . $did;
    }

    /** What can be claimed: that few account for half, or that all is mix; null where neither is so. */
    public static function claim(Contributed $contributed): ?string
    {
        return self::allMix($contributed) ?? self::few($contributed);
    }

    /** Who the fewest are that account for half; null where they are not few. */
    private static function few(Contributed $contributed): ?string
    {
        [$names, $share] = self::half($contributed);
        $all = count($contributed->members);
        $count = count($names);
        $of = self::of($contributed, $share);
        if ($count <= self::NAMED && $count < $all) {
            $verb = $count === 1 ? 'accounts' : 'account';

            return implode(' and ', $names) . " {$verb} for {$of}";
        }
        if ($count > self::FEW || $count > self::FEW_OF * $all) {
            return null;
        }
        $focus = $contributed->comparison->focus()[0]->name ?? '';
        $among = in_array($focus, $names, true) ? ", {$focus} among them," : '';

        return self::NUMBERS[$count] . " of {$all}{$among} account for {$of}";
    }

    private static function spread(Contributed $contributed): string
    {
        [$names] = self::half($contributed);
        $all = count($contributed->members);
        $largest = $contributed->members[0];
        $change = self::change($contributed);

        return $all === 1
            ? "{$largest->name} alone makes the {$change}"
            : "The {$change} is spread out: half of it takes " .
                    count($names) .
                    " of {$all}; {$largest->name} accounts for " .
                    self::percent($contributed->share($largest->change));
    }

    /** @return array{list<string>, float} names of the fewest that make at least half, and what they make in per cent */
    private static function half(Contributed $contributed): array
    {
        $rows = $contributed->fewest(self::HALF);
        $sum = array_sum(array_map(static fn(ContributionRow $row): float => $row->change, $rows));

        return [
            array_map(static fn(ContributionRow $row): string => self::name($contributed, $row), $rows),
            $contributed->share($sum),
        ];
    }

    /** What the first line in focus has to do with it. */
    private static function focus(Contributed $contributed, string $said): string
    {
        $line = $contributed->comparison->focus()[0] ?? null;
        $row = $line === null ? null : $contributed->row($line->key);
        if ($row === null || str_contains($said, $row->name)) {
            return '';
        }
        $share = $contributed->share($row->change);
        $text = self::percent(abs($share));

        return $share < 0.0
            ? "; {$row->name} went against it by {$text}"
            : "; {$row->name} for {$text}";
    }

    /** A share in whole per cent; one that is not all of it is never written as 100. */
    public static function percent(float $share): string
    {
        $size = abs($share);
        $isNearAll = $size !== 100.0 && round($size) === 100.0;

        return match (true) {
            is_nan($share) => '',
            $size > 0.0 && $size < 0.5 => 'under 1 %',
            $isNearAll && round($size, 1) === 100.0 => 'about ' . Numerals::text($share, 0) . ' %',
            default => Numerals::text($share, $isNearAll ? 1 : 0) . ' %',
        };
    }

    /** A share in a sentence: `62 % of the fall`, `more than all of the fall`. */
    private static function of(Contributed $contributed, float $share): string
    {
        $text = $share >= self::MORE_THAN_ALL ? 'more than all' : self::percent($share);

        return "{$text} of the " . self::change($contributed);
    }

    public static function isBetweenEntities(Contributed $contributed): bool
    {
        return $contributed->comparison->study->part(ContributionsPart::class)->beside !== '';
    }

    /** What a row is called: one that came or went says so. */
    public static function name(Contributed $contributed, ContributionRow $row): string
    {
        $own = $row->own();

        return match (true) {
            $own === null, self::isBetweenEntities($contributed) => $row->name,
            is_nan($own->first()) => "{$row->name} (came in)",
            is_nan($own->last()) => "{$row->name} (left)",
            default => $row->name,
        };
    }

    /** What a term is called in a key, in tables and in what a bar says. */
    public static function term(Contributed $contributed, Term $term): string
    {
        $isMean = $contributed->whole === Whole::Mean;

        return match ($term) {
            Term::Amount => 'change',
            Term::Rate => $isMean ? 'own value' : 'own rate',
            Term::Mix => $isMean ? 'periods with a value' : 'mix',
            Term::Both => 'rate and mix together',
            Term::Entry => 'came in',
            Term::Exit => 'left',
            Term::First => $contributed->factors[0] ?? '',
            Term::Second => $contributed->factors[1] ?? '',
            Term::Third => $contributed->factors[2] ?? '',
        };
    }

    /**
     * The terms that any member has, in their order.
     *
     * @return list<Term>
     */
    public static function terms(Contributed $contributed): array
    {
        return array_values(
            array_filter(Term::cases(), static function (Term $term) use ($contributed): bool {
                foreach ($contributed->result->parts as $part) {
                    if ($part->term($term) !== 0.0) {
                        return true;
                    }
                }

                return false;
            }),
        );
    }

    /**
     * What a bar says.
     *
     * @return array{string, string, string} the times, the contribution with its unit, and how it came about
     */
    public static function bar(Contributed $contributed, ContributionRow $row): array
    {
        $precision = $contributed->precision();
        $unit = $contributed->comparison->unit();
        $own = $row->own();
        $terms = [];
        foreach (self::terms($contributed) as $term) {
            $value = $row->term($term);
            if ($value !== 0.0 && $term !== Term::Amount) {
                $terms[] = self::term($contributed, $term) . ' ' . $precision->signed($value);
            }
        }
        $share = $contributed->share($row->change);
        $note = $row->line === null ? '' : $contributed->comparison->data->entities()[$row->line->key]->note ?? '';
        $rest = [
            $own === null ? implode(', ', $row->names) : self::fromTo($contributed, $own),
            implode(', ', $terms),
            is_nan($share) ? '' : self::percent($share) . ' of the ' . self::change($contributed),
            $note,
        ];

        return [
            "{$contributed->ends[0]} → {$contributed->ends[1]}",
            trim("{$precision->signed($row->change)} {$unit}"),
            implode(' · ', array_filter($rest, static fn(string $part): bool => $part !== '')),
        ];
    }

    /** A member's own values at both ends: `3,410 → 2,980`. */
    public static function fromTo(Contributed $contributed, Contribution $own): string
    {
        $text = static fn(float $value): string => is_nan($value) ? '–' : $contributed->comparison->format($value);

        return "{$text($own->first())} → {$text($own->last())}";
    }

    /** All that a picture shows, in words. */
    public static function summary(Contributed $contributed): string
    {
        $comparison = $contributed->comparison;
        $precision = $contributed->precision();
        $parts = array_map(
            static fn(ContributionRow $row): string => "{$row->name} {$precision->signed($row->change)}",
            $contributed->rows,
        );

        return ucfirst(self::whole($contributed)) .
            " from {$comparison->format($contributed->result->before)} ({$contributed->ends[0]}) to " .
            "{$comparison->format($contributed->result->after)} ({$contributed->ends[1]}): " .
            implode(', ', $parts) .
            '.';
    }

    /** @return list<string> who is not in it, and what is not taken apart */
    public static function notes(Contributed $contributed): array
    {
        $notes = [];
        if ($contributed->leftOut !== []) {
            $notes[] = 'Excluded at both ends, since a value is missing at one: ' .
                implode(', ', $contributed->leftOut) .
                '.';
        }
        if ($contributed->unparted !== []) {
            $notes[] = 'Not taken apart, since a factor is not known at both ends: ' .
                implode(', ', $contributed->unparted) .
                '.';
        }
        if ($contributed->whole === Whole::Mean) {
            $notes[] = 'Nothing says how much each counts, so each counts the same in the mean.';
        }

        return $notes;
    }

    /**
     * How a contribution was calculated, a line for each term.
     *
     * @return list<string>
     */
    public static function working(Contributed $contributed, ContributionRow $row): array
    {
        $own = $row->own();
        if ($own === null) {
            return [];
        }
        $lines = $contributed->whole === Whole::Sum
            ? self::workingOfAmount($contributed, $own)
            : self::workingOfRate($contributed, $own);
        $terms = array_map(Explanation::number(...), array_values($own->terms));

        return count($terms) < 2
            ? $lines
            : [...$lines, 'Together: ' . implode(' + ', $terms) . ' = ' . Explanation::number($own->change)];
    }

    /** @return list<string> */
    private static function workingOfAmount(Contributed $contributed, Contribution $own): array
    {
        $number = static fn(float $value): string => is_nan($value) ? '0' : Explanation::number($value);
        $lines = [];
        foreach ($own->terms as $name => $value) {
            $term = Term::from($name);
            $lines[] =
                in_array($term, [Term::Amount, Term::Entry, Term::Exit], true)
                    ? "{$number($own->last())} − {$number($own->first())} = {$number($value)}"
                    : self::term($contributed, $term) .
                        ': its change × the mean of ' .
                        (count($own->terms) > 2 ? 'the others' : 'the other') .
                        " = {$number($value)}";
        }

        return $lines;
    }

    /** @return list<string> */
    private static function workingOfRate(Contributed $contributed, Contribution $own): array
    {
        $number = Explanation::number(...);
        $result = $contributed->result;
        $share = static fn(float $weight, float $all): string => $number((100.0 * $weight) / $all) . ' %';
        [$w0, $w1] = [$share($own->before[1], $result->below[0]), $share($own->after[1], $result->below[1])];
        [$r0, $r1] = [$number($own->first()), $number($own->last())];
        [$all0, $all1] = [$number($result->before), $number($result->after)];
        $isMidpoint = $contributed->comparison->study->part(ContributionsPart::class)->weights === 'midpoint';
        $about = $isMidpoint ? "({$all0} + {$all1}) ÷ 2" : $all0;
        $lines = [];
        foreach ($own->terms as $name => $value) {
            $term = Term::from($name);
            $lines[] =
                ucfirst(self::term($contributed, $term)) .
                ': ' .
                match ($term) {
                    Term::Entry => "{$w1} × ({$r1} − {$about})",
                    Term::Exit => "−{$w0} × ({$r0} − {$about})",
                    Term::Rate => ($isMidpoint ? "({$w0} + {$w1}) ÷ 2" : $w0) . " × ({$r1} − {$r0})",
                    Term::Mix => "({$w1} − {$w0}) × (" . ($isMidpoint ? "({$r0} + {$r1}) ÷ 2" : $r0) . " − {$about})",
                    default => "({$w1} − {$w0}) × ({$r1} − {$r0})",
                } .
                " = {$number($value)}";
        }

        return $lines;
    }
}
