<?php

declare(strict_types=1);

namespace DuskRail\Words;

use DuskRail\Data\Nature;
use DuskRail\Document\Parts\TurnsPart;
use DuskRail\Outcome\Comparison;
use DuskRail\Outcome\LineTurns;
use DuskRail\Rail\Explanation;
use DuskRail\Statistics\Turn;
use DuskRail\Time\Period;
use DuskRail\Time\PeriodRange;

/** Turns, and the pace since, in words. */
final class TurnWords
{
    /** `March 2019 (January to June)`: a turn with its interval, if that is more than the period itself. */
    public static function since(LineTurns $turns, Turn $turn): string
    {
        $at = $turns->period($turn);
        $between = $turns->between($turn);

        return $between->count() === 1 ? $at->label() : "{$at->label()} (" . self::between($between, $at) . ')';
    }

    /** `January to June`: both ends, the year only where it is not that of the turn. */
    private static function between(PeriodRange $between, Period $at): string
    {
        [$first, $last] = [$between->first->label(), $between->last->label()];
        $first = self::year($first) === self::year($last) ? self::withoutYear($first) : $first;
        $isOfOne = self::year($between->first->label()) === self::year($last);
        $isThat = $isOfOne && self::year($last) === self::year($at->label());

        return "{$first} to " . ($isThat ? self::withoutYear($last) : $last);
    }

    /** The year that a label ends on; nothing where it is no more than a year. */
    private static function year(string $label): string
    {
        return preg_match('/ (\d{4})$/', $label, $found) === 1 ? $found[1] : $label;
    }

    private static function withoutYear(string $label): string
    {
        return (string) preg_replace('/ \d{4}$/', '', $label);
    }

    /** What is said of drawn turns in the subtitle; nothing where none are. */
    public static function underHeadline(Comparison $comparison): string
    {
        $part = $comparison->study->part(TurnsPart::class);
        return LineTurns::shown($comparison) === []
            ? ''
            : '; turns' . ($part->interval ? ', shaded: 95 % interval' : '');
    }

    /** `falling`; of places, where the first is the best, `gaining places`. */
    public static function verb(Comparison $comparison, int $way): string
    {
        $isPlace = $comparison->run->table()->nature === Nature::Place && $comparison->run->table()->unit->isRank();

        return match (true) {
            $isPlace => $way < 0 ? 'gaining ranks' : 'losing ranks',
            $way < 0 => 'falling',
            default => 'rising',
        };
    }

    /** `0.6 Ml a month`, without its sign; where that would be nothing in a month it is told for a year. */
    public static function pace(Comparison $comparison, LineTurns $turns, float $pace): string
    {
        return self::paceFor($comparison, $turns->noun(), $turns->perYear(), [$pace]);
    }

    /**
     * The first of several paces, all told alike.
     *
     * @param string $noun what they are for
     * @param float $perYear how many of these a year has
     * @param non-empty-list<float> $paces those that are not known are NAN
     */
    public static function paceFor(Comparison $comparison, string $noun, float $perYear, array $paces): string
    {
        [$pace] = $paces;
        $least = min(array_filter(array_map(abs(...), $paces), static fn(float $v): bool => !is_nan($v)) ?: [NAN]);
        $times = 1.0;
        $hasYear = !in_array($noun, ['year', 'fiscal year', 'period', 'number'], true);
        if ($hasYear && round($least, $comparison->precision->fine()) < 5 * 10 ** -$comparison->precision->fine()) {
            $times = $perYear;
            $noun = 'year';
        }

        // A flow per month that falls by so much a month needs no second month.
        $size = self::size($comparison, abs($pace) * $times);
        $size = (string) preg_replace('/ per (day|week|month|quarter|year)$/u', '', $size);

        return "{$size} a {$noun}";
    }

    /** A distance with its unit, with as many decimals as show two digits of it. */
    public static function size(Comparison $comparison, float $size): string
    {
        $precision = $comparison->precision;
        $scaled = $size / 10 ** $precision->power;
        $digits = $scaled > 0.0 ? 1 - (int) floor(log10($scaled)) : 0;
        $decimals = max(0, min(6, max($precision->decimals, $digits)));
        $unit = $comparison->run->table()->unit->difference()->text();

        return trim($precision->text($size, $scaled >= 10.0 ? $precision->decimals : $decimals) . " {$unit}");
    }

    /** All turns with their intervals and the slopes between them, and how they were found. */
    public static function working(Comparison $comparison, LineTurns $turns): string
    {
        $said = [];
        foreach ($turns->all() as $turn) {
            $fine = $comparison->precision->fine();
            $jump = $turn->step === 0.0 ? '' : ', level ' . $comparison->precision->signed($turn->step, $fine);
            $slope =
                !$turn->bends()
                    ? ''
                    : ', slope ' .
                        Explanation::number($turn->before) .
                        ' before and ' .
                        Explanation::number($turn->after) .
                        " a {$turns->noun()} after";
            $between = $turns->between($turn)->label();
            $said[] = "Turn in {$turns->period($turn)->label()}, 95 % interval {$between}{$jump}{$slope}";
        }

        return implode('. ', $said) . '. Least squares with bends and steps; seasons and what all lines share apart.';
    }
}
