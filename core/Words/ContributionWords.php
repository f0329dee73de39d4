<?php

declare(strict_types=1);

namespace DuskRail\Words;

use DuskRail\Data\Numerals;
use DuskRail\Document\Parts\ContributionsPart;
use DuskRail\Outcome\Contributed;
use DuskRail\Outcome\ContributionRow;
use DuskRail\Outcome\Whole;
use DuskRail\Statistics\Contribution;
use DuskRail\Statistics\ContributionTerm as Term;

/** What contributions, their terms and their times are called, and what a bar says. */
final class ContributionWords
{
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
        $precision = $contributed->precision;
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
        $precision = $contributed->precision;
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
            $notes[] = 'Excluded at both ends, without a value or a denominator above zero at one: ' .
                implode(', ', $contributed->leftOut) .
                '.';
        }
        if ($contributed->unparted !== []) {
            $notes[] = 'Not taken apart, since a factor is not known at both ends: ' .
                implode(', ', $contributed->unparted) .
                '.';
        }
        $part = $contributed->comparison->study->part(ContributionsPart::class);
        if ($contributed->whole !== Whole::Sum && $part->factor . $part->second !== '') {
            $notes[] = 'Factors are taken apart of amounts alone; the rail ends in ratios.';
        }
        if ($contributed->whole === Whole::Mean) {
            $notes[] = 'Nothing says how much each counts, so each counts the same in the mean.';
        }

        return $notes;
    }
}
