<?php

declare(strict_types=1);

namespace DuskRail\Words;

use DuskRail\Document\Parts\ContributionsPart;
use DuskRail\Outcome\Contributed;
use DuskRail\Outcome\ContributionRow;
use DuskRail\Outcome\Whole;
use DuskRail\Rail\Explanation;
use DuskRail\Statistics\Contribution;
use DuskRail\Statistics\ContributionTerm as Term;

/** How a contribution was calculated, with the numbers put in. */
final class ContributionWorking
{
    /** @return list<string> a line for each term */
    public static function of(Contributed $contributed, ContributionRow $row): array
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
                    : ContributionWords::term($contributed, $term) .
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
                ucfirst(ContributionWords::term($contributed, $term)) .
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
